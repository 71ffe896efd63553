package wildflourish.formats.fuzz;

import wildflourish.formats.musicxml.MusicXmlReader;

/** Bytes as MusicXML, bare or packed: no exception, and each tune that is read is kept whole. */
public final class MusicXmlTarget {

    private MusicXmlTarget() {}

    /** One input. */
    public static void fuzzerTestOneInput(byte[] bytes) {
        MusicXmlReader.read(bytes).tunes().forEach(AbcTarget::readsBackEqual);
    }
}
