/** Standard MIDI files of performances. */
package wildflourish.formats.midi;
