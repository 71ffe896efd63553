/**
 * What a player does to a sounding instrument, moment by moment: a performance turned into starts, bends and stops. It knows no
 * samples.
 */
package wildflourish.sound.cue;
