/** The rounds screen: what is played each time through, several tunes as a set, and the whole written to one file. */
package wildflourish.app.rounds;
