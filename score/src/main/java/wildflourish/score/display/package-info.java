/**
 * The display list: what is drawn, in staff spaces, with no word about where it lands. One staff space is the distance
 * between two lines of the stave; x runs right and y runs down.
 */
package wildflourish.score.display;
