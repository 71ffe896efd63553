package wildflourish.app.across;

import java.util.List;
import java.util.Optional;
import wildflourish.core.growth.Translation;
import wildflourish.core.instrument.Instrument;

/**
 * What the across screen shows.
 *
 * @param from the instrument that the version was made on
 * @param title the tune's title
 * @param rows one for each other instrument, in the order in which instruments are offered
 * @param selected index of the row in hand
 */
public record AcrossState(Instrument from, String title, List<Row> rows, int selected) {

    /** The version on one instrument. */
    public record Row(Instrument instrument, Translation translation) {

        /** How many placements became what is named. */
        public long count(Translation.Kind kind) {
            return translation.count(kind);
        }

        /** The placements that did not come over as they were. */
        public List<Translation.Step> changes() {
            return translation.steps().stream().filter(s -> s.kind() != Translation.Kind.SAME).toList();
        }
    }

    public AcrossState {
        rows = List.copyOf(rows);
    }

    /** The row in hand; empty while there are none. */
    public Optional<Row> row() {
        return selected < rows.size() ? Optional.of(rows.get(selected)) : Optional.empty();
    }
}
