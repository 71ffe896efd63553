/** The work behind the screens: documents, the keeper of edits, importing and exporting. No JavaFX. */
package wildflourish.app.work;
