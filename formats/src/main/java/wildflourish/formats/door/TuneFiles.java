package wildflourish.formats.door;

import java.util.function.IntConsumer;
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
        return read(bytes, percent -> { });
    }

    /**
     * As above.
     *
     * @param percent told how far it is in what may take long, in hundredths; ends the reading with a {@link java.util.concurrent.CancellationException}
     */
    public static TuneBook read(byte[] bytes, IntConsumer percent) {
        if (MidiReader.isOne(bytes)) {
            return MidiReader.read(bytes);
        }
        return MusicXmlReader.isOne(bytes) ? MusicXmlReader.read(bytes, percent) : AbcReader.read(bytes);
    }
}
