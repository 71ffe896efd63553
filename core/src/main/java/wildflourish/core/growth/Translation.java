package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Timeline;

/**
 * The same musical ideas on another instrument, each by its own means, and nothing that the hands cannot do.
 *
 * <p>Exact: among all ways to answer every placement by one of its equivalents or by nothing, such that on no rung a note is
 * blocked by itself or by its neighbours, the one that stays nearest to what was meant. Notes choose freely but for their
 * neighbours, so a shortest path over the notes finds it.
 *
 * @param ladder the rungs with the names they had
 * @param steps one for each placement, in the order of the notes
 */
public record Translation(Ladder ladder, List<Step> steps) {

    /** What becomes of one placement. */
    public enum Kind {
        /** The same ornament. */
        SAME,
        /** The same idea by the instrument's own means. */
        OWN_MEANS,
        /** Something simpler or farther off. */
        CHANGED,
        /** Nothing. */
        LEFT_OUT
    }

    /**
     * One placement and what it became.
     *
     * @param bar printed number of the bar
     * @param rung the lowest rung on which it stands
     * @param to empty when it was left out
     * @param why as a sentence without its full stop
     */
    public record Step(int bar, int note, int rung, Ornament from, Optional<Ornament> to, Kind kind, String why) {}

    public Translation {
        steps = List.copyOf(steps);
    }

    /** How many placements became what is named. */
    public long count(Kind kind) {
        return steps.stream().filter(s -> s.kind() == kind).count();
    }

    /** Carries an arrangement's ladder over to an instrument, at its tempo, for its student. */
    public static Translation of(Arrangement from, Instrument to) {
        if (from.instrument().equals(to)) {
            return same(from);
        }
        return of(from, from.on(to, Ladder.bare()).situation());
    }

    /** As {@link #of(Arrangement, Instrument)}, for a situation of the same tune that is at hand already. */
    public static Translation of(Arrangement from, Situation to) {
        return new CarryingOver(from, to).translation();
    }

    private static Translation same(Arrangement from) {
        List<Step> steps = new ArrayList<>();
        Timeline tune = Timeline.of(from.tune());
        Vocabulary vocabulary = Vocabulary.of(from.instrument());
        Setting full = from.ladder().setting(from.ladder().size() - 1);
        full.byNote().forEach((note, ids) -> ids.forEach(id -> vocabulary.byId(id).ifPresent(o -> steps.add(new Step(
                tune.note(note).barNumber(), note, from.ladder().lowestWith(note, id), o, Optional.of(o), Kind.SAME,
                "the same instrument")))));
        return new Translation(from.ladder(), steps);
    }
}
