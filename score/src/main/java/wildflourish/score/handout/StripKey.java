package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.WindChart;
import wildflourish.score.engrave.HandPicture;

/** What the signs on a chart mean, in sentences for a student, with what the schools choose. */
final class StripKey {

    private StripKey() {}

    /** One sentence a line. */
    static List<String> ofChart(Instrument instrument) {
        List<String> lines = new ArrayList<>(HandPicture.of(instrument).keyOfPlaces());
        if (instrument.layout() instanceof WindChart chart) {
            for (School.Choice choice : School.of(instrument.family())) {
                boolean here = chart.pitches().stream().flatMap(p -> chart.ways(p).stream())
                        .anyMatch(w -> w.school().filter(s -> s.startsWith(choice.name() + "=")).isPresent());
                if (here) {
                    lines.add("%s by school: %s".formatted(choice.asks(), String.join("; ",
                            choice.values().stream().map(School.Value::words).toList())));
                }
            }
        }
        return lines;
    }
}
