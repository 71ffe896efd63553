package wildflourish.core.growth;

import java.util.List;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Difference;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Timeline;

/**
 * What would be chosen for a rung if one thing were not allowed.
 *
 * @param setting the rung as it would be
 * @param loss how much less taste thinks of it, in its units; 0 for one that is as good
 * @param changes what differs from the rung as it is
 */
public record RunnerUp(Setting setting, long loss, List<Difference.Change> changes) {

    public RunnerUp {
        changes = List.copyOf(changes);
    }

    /** {@code a cut on G in bar 3 instead; 4 points less}, or that it is simply left away. */
    public String inWords(Timeline tune, Vocabulary vocabulary) {
        List<String> added = changes.stream().filter(Difference.Change::added).limit(3)
                .map(c -> told(c, tune, vocabulary)).toList();
        String cost = loss == 0 ? "as good" : loss == 1 ? "1 point less" : loss + " points less";
        return added.isEmpty() ? "nothing in its place; " + cost
                : "%s instead; %s".formatted(String.join(" and ", added), cost);
    }

    /** {@code cut on G in bar 3}. */
    public static String told(Difference.Change change, Timeline tune, Vocabulary vocabulary) {
        String where = tune.note(change.note()).inWords();
        return switch (change) {
            case Difference.Change.OfOrnament o -> "%s on %s".formatted(
                    vocabulary.byId(o.ornament()).map(x -> x.name()).orElse(o.ornament()), where);
            case Difference.Change.OfVariation v -> "%s from %s (%s)".formatted(
                    VariationKind.spoken(v.variation().kind()), where, v.variation().inWords());
        };
    }
}
