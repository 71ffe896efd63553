package wildflourish.core.lesson;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import wildflourish.core.finding.Sentence;
import wildflourish.core.lesson.LessonTune.Taker;
import wildflourish.core.ornament.HowTo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.Timeline;

/**
 * An ornament that is shown in a lesson to those of one family for whom it is next.
 *
 * @param family for reading
 * @param name its name
 * @param words what is shown and where, without a full stop
 * @param how what the hands do; empty where that is the drill's own business
 * @param share of those who come, 0 to 1
 */
record ShownOrnament(String family, String name, String words, String why, String how, List<Taker> whom, double share) {

    /** So many bars are named. */
    private static final int BARS = 4;

    /** What is next among ornaments, by family, what concerns most of them first. */
    static List<ShownOrnament> of(List<Taker> takers) {
        Map<List<String>, List<Taker>> by = new LinkedHashMap<>();
        Map<List<String>, ShownOrnament> shown = new LinkedHashMap<>();
        for (Taker taker : takers) {
            next(taker).ifPresent(s -> {
                List<String> key = List.of(s.family, s.name);
                by.computeIfAbsent(key, k -> new ArrayList<>()).add(taker);
                shown.putIfAbsent(key, s);
            });
        }
        return shown.entrySet().stream().map(e -> {
            List<Taker> whom = by.getOrDefault(e.getKey(), List.of());
            ShownOrnament s = e.getValue();
            return new ShownOrnament(s.family, s.name, s.words, "%s for %s".formatted(s.why, Everybody.names(whom)), s.how, whom, whom.size() / (double) takers.size());
        }).sorted(Comparator.comparingDouble((ShownOrnament s) -> -s.share)).toList();
    }

    private static Optional<ShownOrnament> next(Taker taker) {
        String family = LessonRule.USUAL.players(taker.own().student().plays().family());
        return switch (taker.next()) {
            case NextStep.DrillIt d -> Optional.of(new ShownOrnament(family, d.drill().name(), "the %s by itself, %s".formatted(d.drill().name(), family), "it is what holds the tune back", "", List.of(), 0));
            case NextStep.TakeRung r -> fresh(taker, r.rung()).map(f -> new ShownOrnament(family, f.ornament.name(), "the %s, %s: %s".formatted(f.ornament.name(), family, f.bars),
                    "it comes with the rung “%s”".formatted(r.name()), HowTo.general(f.ornament), List.of(), 0));
            case NextStep.Begin b -> Optional.empty();
            case NextStep.AtTempo a -> Optional.empty();
            case NextStep.Easier e -> Optional.empty();
            case NextStep.Revisit v -> Optional.empty();
            case NextStep.Keep k -> Optional.empty();
            case NextStep.Decided d -> Optional.empty();
        };
    }

    private record Fresh(Ornament ornament, String bars) {}

    /** The ornament that a rung brings most of: one that the rung below has not got, before all others. */
    private static Optional<Fresh> fresh(Taker taker, int rung) {
        var arrangement = taker.own().arrangement();
        Ladder ladder = arrangement.ladder();
        var vocabulary = arrangement.situation().vocabulary();
        if (rung < 1 || rung >= ladder.size()) {
            return Optional.empty();
        }
        Set<String> known = ladder.setting(rung - 1).byNote().values().stream().flatMap(List::stream).collect(Collectors.toSet());
        Map<String, List<Integer>> places = new LinkedHashMap<>();
        ladder.setting(rung).byNote().forEach((note, ids) -> ids.stream().filter(id -> !ladder.setting(rung - 1).has(note, id))
                .forEach(id -> places.computeIfAbsent(id, k -> new ArrayList<>()).add(note)));
        return places.entrySet().stream().filter(e -> !vocabulary.known(e.getKey()).isBreath())
                .max(Comparator.comparing((Map.Entry<String, List<Integer>> e) -> !known.contains(e.getKey())).thenComparingInt(e -> e.getValue().size())).map(e -> {
                    Set<Integer> bars = new TreeSet<>(bars(arrangement.situation().tune(), e.getValue()));
                    return new Fresh(vocabulary.known(e.getKey()), "%s %s".formatted(bars.size() == 1 ? "bar" : "bars",
                            Sentence.listed(bars.stream().limit(BARS).map(b -> b == 0 ? "the pickup" : String.valueOf(b)).toList())));
                });
    }

    private static List<Integer> bars(Timeline tune, List<Integer> notes) {
        return notes.stream().map(n -> tune.note(n).barNumber()).toList();
    }
}
