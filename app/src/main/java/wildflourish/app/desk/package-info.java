/** The desktop's window: its frame, its screens side by side, its theme. */
package wildflourish.app.desk;
