package wildflourish.core.reading;

import java.util.List;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.tune.Timeline;

/** The phrases of a tune, without the rest of its {@link Reading}. */
public final class Phrases {

    private Phrases() {}

    /** The phrases in order; together they hold every note once. */
    public static List<Phrase> of(Timeline timeline) {
        return of(timeline, PhraseMarks.NONE);
    }

    /** The same with what the teacher has settled by hand. */
    public static List<Phrase> of(Timeline timeline, PhraseMarks marks) {
        return Parts.of(timeline, marks, new Phrasing(timeline)).stream().flatMap(p -> p.phrases().stream()).toList();
    }
}
