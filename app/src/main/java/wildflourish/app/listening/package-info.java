/** Hearing what is on the trellis: what is played, how, and where it is now. */
package wildflourish.app.listening;
