/**
 * Where notes lie on an instrument: its fingering chart, neck or buttons as data with the rules that check them, the places
 * of each note, and the choices of school. Knows tunes; chooses nothing and does not know ornaments.
 */
package wildflourish.core.instrument;
