package wildflourish.formats.door;

import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.book.TuneBook;
import wildflourish.formats.midi.MidiReader;
import wildflourish.formats.musicxml.MusicXmlReader;

/** Reads files of tunes: what format one is in is told by what it holds, not by its name. */
public final class TuneFiles {

    /** Files larger than this are not read, in bytes. */
    public static final int LARGEST = AbcReader.LARGEST;

    private TuneFiles() {}

    /** The tunes in the bytes of a file; what is wrong comes as findings. */
    public static TuneBook read(byte[] bytes) {
        if (MidiReader.isOne(bytes)) {
            return MidiReader.read(bytes);
        }
        return MusicXmlReader.isOne(bytes) ? MusicXmlReader.read(bytes) : AbcReader.read(bytes);
    }
}
