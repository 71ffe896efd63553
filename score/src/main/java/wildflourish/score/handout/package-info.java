/** The sheet a student takes home, as pages of display lists. */
package wildflourish.score.handout;
