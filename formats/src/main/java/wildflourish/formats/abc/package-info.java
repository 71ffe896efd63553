/**
 * ABC notation, standard 2.1 (December 2011): tune books read with findings, and tunes written so that other software
 * reads them as ordinary ABC while their ladder comes back here without loss.
 */
package wildflourish.formats.abc;
