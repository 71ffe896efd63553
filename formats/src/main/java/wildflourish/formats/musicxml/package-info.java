/** Tunes as MusicXML 4.0 (W3C Music Notation Community Group), in and out; older versions are read. */
@NullMarked
package wildflourish.formats.musicxml;

import org.jspecify.annotations.NullMarked;
