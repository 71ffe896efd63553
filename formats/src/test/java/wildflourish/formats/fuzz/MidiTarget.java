package wildflourish.formats.fuzz;

import wildflourish.formats.midi.MidiReader;

/** Bytes as a MIDI file: no exception, and each tune that is read is kept whole. */
public final class MidiTarget {

    private MidiTarget() {}

    /** One input. */
    public static void fuzzerTestOneInput(byte[] bytes) {
        MidiReader.read(bytes).tunes().forEach(AbcTarget::readsBackEqual);
    }
}
