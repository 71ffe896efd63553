package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Air;
import wildflourish.core.planning.Breaths;
import wildflourish.core.planning.Strokes;
import wildflourish.core.planning.Trap;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Timeline;

/**
 * Everything that hands, arms and lungs have to know about one rung of an arrangement.
 *
 * @param strokes of bow or plectrum
 * @param breaths where to breathe; empty where nobody blows
 * @param air where the air button is used; empty where there are no bellows to mind
 */
public record PlayingAdvice(Situation situation, Strokes strokes, Optional<Breaths> breaths, Optional<Air> air) {

    /** Worked out once for a version, which takes a few milliseconds. */
    public static PlayingAdvice of(Version version) {
        return version.once(PlayingAdvice.class, PlayingAdvice::workedOut);
    }

    private static PlayingAdvice workedOut(Version version) {
        Arrangement arrangement = version.arrangement();
        Situation situation = version.hands();
        Setting setting = version.varied().setting();
        Timeline tune = situation.tune();
        Optional<Breaths> breaths = Optional.empty();
        if (arrangement.instrument().family().blown()) {
            Set<Integer> ends = new HashSet<>();
            Phrases.of(version).forEach(p -> ends.add(p.lastNote()));
            breaths = Optional.of(Breaths.of(tune, arrangement.tempo(),
                    arrangement.speeds().lungs(),
                    note -> setting.ornaments(note, situation.vocabulary()).stream().anyMatch(Ornament::isBreath),
                    note -> Ornament.busy(setting.ornaments(note, situation.vocabulary())), ends::contains));
        }
        return new PlayingAdvice(situation, situation.strokes(), breaths,
                Air.of(tune, situation.plan(), arrangement.tempo()));
    }

    /**
     * What there is to say about some bars beside the plan.
     *
     * @param bars printed numbers
     * @param text without a full stop
     */
    public record Hint(Set<Integer> bars, String text) {

        String inWords() {
            return "%s: %s".formatted(BarNames.all(bars), text);
        }
    }

    /** What to mind, the same hint for several bars once. */
    public List<Hint> hints() {
        Timeline tune = situation.tune();
        Map<String, Set<Integer>> bars = new LinkedHashMap<>();
        boolean turnsFreely = situation.instrument().school("rows", situation.school()).equals("along");
        for (Trap trap : turnsFreely ? List.<Trap>of() : situation.plan().traps()) {
            note(bars, tune, trap.note(), "%s is %s".formatted(tune.note(trap.note()).pitch().spoken(), trap.inWords()));
        }
        for (int note : situation.plan().planted()) {
            note(bars, tune, note, "leave the finger down on " + tune.note(note).pitch().spoken());
        }
        for (Timeline.Stand stand : tune.notes()) {
            strokes.at(stand.index()).flatMap(s -> s.advice()).ifPresent(a -> note(bars, tune, stand.index(), a));
        }
        breaths.ifPresent(b -> b.marks().forEach(m -> note(bars, tune, m.note(), m.inWords(tune))));
        air.ifPresent(a -> a.uses().forEach(u -> note(bars, tune, u.note(), u.inWords(tune))));
        return bars.entrySet().stream().map(e -> new Hint(e.getValue(), e.getKey())).toList();
    }

    /** What to mind over the whole tune, a sentence a line without full stops. */
    public List<String> overall() {
        List<String> lines = new ArrayList<>();
        breaths.ifPresent(b -> lines.add("longest span on one breath: %.1f seconds%s".formatted(b.longestSeconds(),
                b.enough() ? "" : "; that is longer than this student's breath: play faster or leave a note out")));
        air.ifPresent(a -> lines.add("begin with the bellows " + a.startInWords()));
        return lines;
    }

    /** All of it in words, bar by bar and then over the whole. */
    public List<String> inWords() {
        List<String> lines = new ArrayList<>(hints().stream().map(Hint::inWords).toList());
        lines.addAll(overall());
        return lines;
    }

    /** What to mind in one bar. */
    public List<String> inBar(int number) {
        return hints().stream().filter(a -> a.bars().contains(number)).map(Hint::text).toList();
    }

    private static void note(Map<String, Set<Integer>> bars, Timeline tune, int note, String what) {
        bars.computeIfAbsent(what, w -> new TreeSet<>()).add(tune.note(note).barNumber());
    }
}
