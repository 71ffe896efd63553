/**
 * The plain tune as written: pitch, key, meter, note, bar, repeats and the order in which they are played. Time is
 * exact ({@link wildflourish.core.tune.Ratio} of a whole note); nothing here knows an instrument, an ornament or a
 * file format.
 */
package wildflourish.core.tune;
