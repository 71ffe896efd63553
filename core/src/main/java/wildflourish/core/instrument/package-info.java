/**
 * Where notes lie on an instrument: its chart as data, the places of each note, and the planner that chooses among
 * them. Knows tunes; does not know ornaments.
 */
package wildflourish.core.instrument;
