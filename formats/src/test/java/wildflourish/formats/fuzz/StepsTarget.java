package wildflourish.formats.fuzz;

import java.nio.charset.StandardCharsets;
import java.util.List;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.formats.steps.StepsReader;

/** Text as a list of steps on one of all instruments, which the first byte names: no exception, and what is read is kept whole. */
public final class StepsTarget {

    private static final List<Instrument> ALL = Instruments.all().stream().filter(Instrument::hasHands).toList();

    private StepsTarget() {}

    /** One input. */
    public static void fuzzerTestOneInput(byte[] bytes) {
        if (bytes.length > 0) {
            String text = new String(bytes, 1, bytes.length - 1, StandardCharsets.UTF_8);
            StepsReader.read(text, ALL.get(Math.floorMod(bytes[0], ALL.size()))).tunes().forEach(AbcTarget::readsBackEqual);
        }
    }
}
