package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/** Strokes of the plectrum: down on the beat and up off it, or in the groups of a school; slurred notes are not struck. */
final class Picking {

    /** {@code step} is the note value that down and up take turns on. */
    record Rules(String provenance, String step, List<Group> schools) {}

    record Group(String school, String group, List<String> strokes) {}

    private static final Rules RULES = DataFile.read("planning/picking.json", Rules.class);
    private static final Ratio STEP = Ratio.parse(RULES.step());

    private Picking() {}

    static List<Optional<Stroke>> of(
            Timeline tune, Instrument instrument, School school, IntPredicate joinedToo) {
        List<Optional<Stroke>> strokes = new ArrayList<>();
        int slurs = 0;
        for (Stand stand : tune.notes()) {
            boolean joined = slurs > 0 || joinedToo.test(stand.index());
            slurs = Math.max(0, slurs + stand.note().slursOpening() - stand.note().slursClosing());
            strokes.add(stand.heldOver() || joined ? Optional.empty()
                    : Optional.of(new Stroke(isDown(stand, instrument, school), false, Optional.empty())));
        }
        return strokes;
    }

    private static boolean isDown(Stand stand, Instrument instrument, School school) {
        for (Group group : RULES.schools()) {
            String[] halves = group.school().split("=");
            Ratio length = Ratio.parse(group.group());
            boolean fits = stand.meter().beats().stream().allMatch(length::equals);
            if (fits && instrument.school(halves[0], school).equals(halves[1])) {
                long place = within(stand.offset(), length).dividedBy(STEP).floor();
                Ratio rest = within(stand.offset(), STEP);
                return rest.isPositive() ? false
                        : group.strokes().get((int) (place % group.strokes().size())).equals("down");
            }
        }
        Ratio step = STEP;
        while (within(stand.offset(), step).isPositive() && Ratio.of(1, 64).isLess(step)) {
            step = step.dividedBy(Ratio.of(2, 1));
        }
        return stand.offset().dividedBy(step).floor() % 2 == 0;
    }

    private static Ratio within(Ratio offset, Ratio length) {
        return offset.minus(length.times(Ratio.of(offset.dividedBy(length).floor(), 1)));
    }
}
