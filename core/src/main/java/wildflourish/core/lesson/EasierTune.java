package wildflourish.core.lesson;

import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;
import wildflourish.core.fit.Hardness;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;

/**
 * A tune that may be easier for somebody than another.
 *
 * @param tempo what it is played at
 */
public record EasierTune(Tune tune, Tempo tempo) {

    private record Weighed(String title, double timesUsual) {}

    /** The title of the hardest of some tunes that are easier than this one, bare, on a student's instrument: the smallest step back. */
    public Optional<String> among(Collection<EasierTune> others, Student student) {
        Hardness here = hardness(student);
        return others.parallelStream().map(o -> new Weighed(o.tune.title(), o.easier(here, student)))
                .filter(w -> w.timesUsual >= 0).max(Comparator.comparingDouble(Weighed::timesUsual)).map(Weighed::title);
    }

    private double easier(Hardness than, Student student) {
        Hardness hardness = hardness(student);
        return hardness.isEasierThan(than) ? hardness.timesUsual() : -1;
    }

    private Hardness hardness(Student student) {
        return Hardness.of(Arrangement.bare(tune, student.plays()).with(tempo).version(0));
    }
}
