package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import wildflourish.core.finding.Sentence;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.HowTo;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

/**
 * How a version uses one ornament: where it stands, how fast each of them stays clean and still speaks, how the first one is done,
 * and which fingers do it where.
 *
 * @param byNote by the notes of the version's tune
 * @param fingers bars by the fingers that move there, those of the first time first
 */
record OrnamentUse(Timeline tune, Map<Integer, Limits> byNote, String how, Map<String, Set<Integer>> fingers) {

    record Limits(Optional<Tempo> clean, Optional<Tempo> speaks) {

        boolean isSlowerThan(Limits other) {
            return clean.isPresent() && other.clean.isPresent() && other.clean.get().isFasterThan(clean.get());
        }

        String inWords() {
            return clean.map(t -> "clean up to " + t.spoken() + speaks.map(u -> ", speaks up to "
                    + (u.beat().equals(t.beat()) ? String.valueOf(u.perMinute().floor()) : u.spoken())).orElse("")).orElse("");
        }
    }

    /** The ornaments of a version in the order in which they first come. */
    static Map<Ornament, OrnamentUse> all(Version version) {
        Situation situation = version.hands();
        Setting setting = version.varied().setting();
        Map<Ornament, OrnamentUse> uses = new LinkedHashMap<>();
        setting.byNote().forEach((note, ids) -> {
            List<Ornament> stack = setting.ornaments(note, situation.vocabulary());
            Verdict verdict = Playability.of(situation, note, stack, n -> setting.ornaments(n, situation.vocabulary()),
                    version.arrangement().tempo(), version.arrangement().speeds());
            if (Gestures.make(situation, note, stack) instanceof Making.Made made) {
                for (Ornament ornament : Gestures.played(situation, note, stack)) {
                    OrnamentUse use = uses.computeIfAbsent(ornament, o -> new OrnamentUse(situation.tune(), new TreeMap<>(),
                            HowTo.inWords(o, made.gesture(), situation.tune().note(note).pitch()), new LinkedHashMap<>()));
                    use.byNote.put(note, new Limits(verdict.cleanUpTo(), verdict.speaksUpTo()));
                    use.fingers.computeIfAbsent(HowTo.fingers(ornament, made.gesture()), f -> new TreeSet<>())
                            .add(situation.tune().note(note).barNumber());
                }
            }
        });
        return uses;
    }

    /** Where it stands, and its usual limits. */
    String about() {
        Set<Integer> bars = new TreeSet<>();
        byNote.keySet().forEach(n -> bars.add(tune.note(n).barNumber()));
        String limits = usual().inWords();
        return Sentence.capital(BarNames.all(bars)) + (limits.isEmpty() ? "" : "; " + limits) + ".";
    }

    /** How it is done the first time, with which fingers elsewhere, and where it is tighter. */
    List<String> sentences() {
        List<String> sentences = new ArrayList<>(List.of("First time: " + how));
        List<Map.Entry<String, Set<Integer>>> ways = List.copyOf(fingers.entrySet());
        for (Map.Entry<String, Set<Integer>> other : ways.subList(1, ways.size())) {
            if (!other.getKey().isEmpty()) {
                sentences.add("%s: %s.".formatted(Sentence.capital(BarNames.all(other.getValue())), other.getKey()));
            }
        }
        worse().forEach((limits, bars) -> sentences.add("In %s it is tighter: %s.".formatted(BarNames.all(bars), limits)));
        return sentences;
    }

    /** What holds for most of its places; of equally many the faster. */
    private Limits usual() {
        Map<Limits, Integer> times = new LinkedHashMap<>();
        byNote.values().forEach(l -> times.merge(l, 1, Integer::sum));
        @Nullable Limits usual = null;
        for (Map.Entry<Limits, Integer> one : times.entrySet()) {
            if (usual == null || one.getValue() > times.getOrDefault(usual, 0)
                    || one.getValue().equals(times.get(usual)) && usual.isSlowerThan(one.getKey())) {
                usual = one.getKey();
            }
        }
        return Objects.requireNonNull(usual);
    }

    /** The bars in which it is slower than usual, by how slow. */
    private Map<String, Set<Integer>> worse() {
        Limits usual = usual();
        Map<String, Set<Integer>> worse = new LinkedHashMap<>();
        byNote.forEach((note, limits) -> {
            if (limits.isSlowerThan(usual)) {
                worse.computeIfAbsent(limits.inWords(), w -> new TreeSet<>()).add(tune.note(note).barNumber());
            }
        });
        return worse;
    }
}
