package wildflourish.formats.door;

import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.book.TuneBook;
import wildflourish.formats.musicxml.MusicXmlReader;

/** Reads files of tunes: what format one is in is told by what it holds, not by its name. */
public final class TuneFiles {

    /** Files larger than this are not read, in bytes. */
    public static final int LARGEST = AbcReader.LARGEST;
    /** The endings of the formats that are read. */
    public static final java.util.List<String> ENDINGS = java.util.List.of(".abc", ".musicxml", ".xml", ".mxl", ".mid", ".midi");

    private TuneFiles() {}

    /** The tunes in the bytes of a file; what is wrong comes as findings. */
    public static TuneBook read(byte[] bytes) {
        return MusicXmlReader.isOne(bytes) ? MusicXmlReader.read(bytes) : AbcReader.read(bytes);
    }
}
