package wildflourish.core.reading;

import java.util.List;
import wildflourish.core.memory.Kept;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** The phrases of a tune, without the rest of its {@link Reading}. */
public final class Phrases {

    private Phrases() {}

    private static final Kept<Asked, List<Phrase>> FOUND = new Kept<>(64);

    private record Asked(Tune tune, PhraseMarks marks) {}

    /** The phrases of an arrangement's plain tune, as the teacher has settled them; found once. */
    public static List<Phrase> of(Arrangement arrangement) {
        return FOUND.of(new Asked(arrangement.tune(), arrangement.marks()), a -> of(Timeline.of(a.tune), a.marks));
    }

    /** The phrases of a version, on its notes as they are played. */
    public static List<Phrase> of(Version version) {
        Timeline played = version.varied().tune();
        return !version.varied().isNoteForNote() ? FOUND.of(new Asked(played.tune(), PhraseMarks.NONE), a -> of(played)) : of(version.arrangement());
    }

    /** The phrases in order; together they hold every note once. */
    public static List<Phrase> of(Timeline timeline) {
        return of(timeline, PhraseMarks.NONE);
    }

    /** The same with what the teacher has settled by hand. */
    public static List<Phrase> of(Timeline timeline, PhraseMarks marks) {
        return Parts.of(timeline, marks, new Phrasing(timeline)).stream().flatMap(p -> p.phrases().stream()).toList();
    }
}
