/** Where a player's onsets come from: a key of the computer, a MIDI keyboard, or somebody made up. */
package wildflourish.sound.input;
