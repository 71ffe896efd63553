/** The sheet to take home: its pages as they will be printed, what is on them, and the ways to paper. */
package wildflourish.app.sheet;
