package wildflourish.core.fit;

import java.util.List;
import java.util.Map;
import wildflourish.core.growth.Folds;
import wildflourish.core.growth.Translation;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Version;

/**
 * What becomes of a version's ornaments in another key or on another instrument.
 *
 * @param kept how many can be done there, by the same means or the instrument's own
 * @param lost how many cannot
 */
public record Carried(int kept, int lost) {

    /**
     * The ornaments of a rung in a cell of the same tune.
     *
     * @param rung whose ornaments are wanted
     */
    public static Carried of(Arrangement from, int rung, Fit.Cell cell) {
        Arrangement there = moved(from, cell);
        Ladder wanted = new Ladder(List.of(there.ladder().rung(0), new Rung(there.ladder().rung(rung).name(), there.ladder().setting(rung))));
        if (from.instrument().equals(cell.instrument())) {
            return here(Folds.anew(there.with(wanted)).version(1));
        }
        Translation translation = Translation.of(there.with(wanted), cell.instrument());
        int lost = (int) translation.count(Translation.Kind.LEFT_OUT);
        return new Carried(translation.steps().size() - lost, lost);
    }

    /** An arrangement in the key of a cell, every ornament on its note; places chosen by hand belong to the other key and are left out. */
    static Arrangement moved(Arrangement from, Fit.Cell cell) {
        return new Arrangement(Moved.by(from.tune(), cell.shift()), from.instrument(), from.tempo(), from.speeds(), from.school(), from.ladder());
    }

    private static Carried here(Version version) {
        int kept = 0;
        int lost = 0;
        Arrangement arrangement = version.arrangement();
        for (Map.Entry<Integer, List<String>> note : version.setting().byNote().entrySet()) {
            boolean blocked = version.played().verdict(note.getKey(), arrangement.tempo(), arrangement.speeds()).filter(Verdict::isBlocked).isPresent();
            kept += blocked ? 0 : note.getValue().size();
            lost += blocked ? note.getValue().size() : 0;
        }
        return new Carried(kept, lost);
    }
}
