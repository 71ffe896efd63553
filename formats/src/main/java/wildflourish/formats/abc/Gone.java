package wildflourish.formats.abc;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.instrument.Instruments;

/**
 * The instrument of a ladder, where there is no such instrument any more: its ladder is kept as that of an instrument elsewhere,
 * and is there again when the instrument is.
 */
record Gone(Optional<String> instrument) {

    private static final Set<String> OF_A_LADDER = Set.of("rung", "density", "vary", "place");

    /** Whether the first of the lines, without their first word, that names an instrument names one that is not there. */
    static Gone among(List<String> lines) {
        return new Gone(lines.stream().filter(l -> l.startsWith("instrument ")).findFirst().map(l -> l.substring("instrument ".length()).strip())
                .filter(id -> Instruments.byId(id).isEmpty()));
    }

    /** Whether a line names it as the instrument in hand. */
    boolean isNamedBy(String line) {
        return instrument.filter(id -> line.strip().equals("instrument " + id)).isPresent();
    }

    /** A line as it is kept: those of the ladder with their instrument. */
    String kept(String line) {
        return instrument.filter(id -> OF_A_LADDER.contains(line.split("\\s+", 2)[0])).map(id -> "elsewhere " + id + " " + line).orElse(line);
    }
}
