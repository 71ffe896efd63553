package wildflourish.app.chart;

import java.util.List;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Pitch;

/**
 * What the chart screen shows.
 *
 * @param tuneOnly whether only the notes of the open tune are shown
 * @param pitches the notes shown, from low to high
 * @param pitch the note in hand, one of them
 * @param entries how the note in hand can be changed, one text field each
 * @param changed whether the instrument differs from the one that came with the program, or is the teacher's own
 */
public record ChartState(
        Instrument instrument, boolean tuneOnly, List<Pitch> pitches, Pitch pitch, List<Entry> entries, boolean changed) {

    /**
     * A text field of the note in hand.
     *
     * @param label what it stands for
     * @param text what stands in it
     */
    public record Entry(String label, String text) {}
}
