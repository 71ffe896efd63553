/** The shelf: what is in the library, and bringing more in. */
package wildflourish.app.shelf;
