package wildflourish.core.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.growth.Folds;
import wildflourish.core.growth.Translation;
import wildflourish.core.ornament.Equivalents;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Version;

/**
 * What becomes of a version's ornaments in another key or on another instrument.
 *
 * @param kept how many can be done there, by the same means or the instrument's own
 * @param notNeeded how many the other hands do without, as a bow does without the tongue
 * @param losses those that cannot, in the order of the notes
 */
public record Carried(int kept, int notNeeded, List<Loss> losses) {

    /**
     * An ornament that cannot be done there.
     *
     * @param bar printed number of the bar
     * @param ornament its name
     * @param why as a sentence without its full stop
     */
    public record Loss(int bar, String ornament, String why) {}

    public Carried {
        losses = List.copyOf(losses);
    }

    /** How many cannot. */
    public int lost() {
        return losses.size();
    }

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
        List<Translation.Step> out = translation.steps().stream().filter(s -> s.kind() == Translation.Kind.LEFT_OUT).toList();
        List<Loss> losses = out.stream().filter(s -> Equivalents.without(s.from(), from.instrument().family(), cell.instrument().family()).isEmpty())
                .map(s -> new Loss(s.bar(), s.from().name(), s.why())).toList();
        return new Carried(translation.steps().size() - out.size(), out.size() - losses.size(), losses);
    }

    /** An arrangement in the key of a cell, every ornament on its note; places chosen by hand belong to the other key and are left out. */
    static Arrangement moved(Arrangement from, Fit.Cell cell) {
        return new Arrangement(Moved.by(from.tune(), cell.shift()), from.instrument(), from.tempo(), from.speeds(), from.school(),
                Moved.by(from.ladder(), Moved.interval(from.tune().head().key(), cell.shift())));
    }

    private static Carried here(Version version) {
        int kept = 0;
        List<Loss> losses = new ArrayList<>();
        Arrangement arrangement = version.arrangement();
        for (Map.Entry<Integer, List<String>> note : version.setting().byNote().entrySet()) {
            Optional<Verdict> blocked = version.played().verdict(note.getKey(), arrangement.tempo(), arrangement.speeds()).filter(Verdict::isBlocked);
            if (blocked.isEmpty()) {
                kept += note.getValue().size();
                continue;
            }
            version.setting().ornaments(note.getKey(), version.hands().vocabulary()).forEach(o ->
                    losses.add(new Loss(version.tune().note(note.getKey()).barNumber(), o.name(), blocked.get().inWords())));
        }
        return new Carried(kept, 0, losses);
    }
}
