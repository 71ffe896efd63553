package wildflourish.app.work;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Air;
import wildflourish.core.planning.Breaths;
import wildflourish.core.planning.Strokes;
import wildflourish.core.planning.Trap;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Timeline;
import wildflourish.score.engrave.Aids;

/**
 * Everything that hands, arms and lungs have to know about one rung of an arrangement.
 *
 * @param strokes of bow or plectrum
 * @param breaths where to breathe; empty where nobody blows
 * @param air where the air button is used; empty where there are no bellows to mind
 */
public record Hands(Situation situation, Strokes strokes, Optional<Breaths> breaths, Optional<Air> air) {

    /** Works it out; takes a few milliseconds. */
    public static Hands of(Arrangement arrangement, int rung) {
        return of(arrangement, arrangement.situation(), rung);
    }

    /** As {@link #of(Arrangement, int)}, for a situation that is at hand already. */
    public static Hands of(Arrangement arrangement, Situation situation, int rung) {
        Timeline tune = situation.tune();
        Setting setting = arrangement.ladder().setting(rung);
        Optional<Breaths> breaths = Optional.empty();
        if (arrangement.instrument().family().isBlownByMouth()) {
            Set<Integer> ends = new HashSet<>();
            Phrases.of(tune).forEach(p -> ends.add(p.lastNote()));
            breaths = Optional.of(Breaths.of(tune, arrangement.tempo(),
                    Breaths.lungful(arrangement.speeds().name()),
                    note -> !setting.ornaments(note, situation.vocabulary()).isEmpty(), ends::contains));
        }
        return new Hands(situation, Strokes.of(tune, arrangement.instrument(), arrangement.school()), breaths,
                Air.of(tune, situation.plan(), arrangement.tempo()));
    }

    /** The marks of breath and air for the strip under the notes. */
    public Aids aids() {
        return breaths.map(Aids::of).or(() -> air.map(Aids::of)).orElse(Aids.NONE);
    }

    /** What there is to say beside the plan, a sentence a line without full stops. */
    public List<String> advice() {
        Timeline tune = situation.tune();
        Map<String, Set<Integer>> bars = new LinkedHashMap<>();
        boolean turnsFreely = situation.instrument().school("rows", situation.school()).equals("along");
        for (Trap trap : turnsFreely ? List.<Trap>of() : situation.plan().traps()) {
            note(bars, tune.note(trap.note()), "%s is %s".formatted(tune.note(trap.note()).pitch().spoken(), trap.text()));
        }
        for (int note : situation.plan().planted()) {
            note(bars, tune.note(note), "leave the finger down on " + tune.note(note).pitch().spoken());
        }
        for (Timeline.Stand stand : tune.notes()) {
            strokes.at(stand.index()).flatMap(s -> s.advice())
                    .ifPresent(a -> note(bars, stand, a));
        }
        List<String> lines = new ArrayList<>();
        bars.forEach((what, where) -> lines.add("%s %s: %s".formatted(where.size() == 1 ? "bar" : "bars",
                String.join(", ", where.stream().map(String::valueOf).toList()), what)));
        breaths.ifPresent(b -> {
            b.marks().forEach(m -> lines.add(m.inWords(tune)));
            lines.add("longest span on one breath: %.1f seconds%s".formatted(b.longestSeconds(),
                    b.enough() ? "" : "; that is longer than this student's breath: play faster or leave a note out"));
        });
        air.ifPresent(a -> {
            a.uses().forEach(u -> lines.add(u.inWords(tune)));
            lines.add("begin with the bellows %d %% open".formatted(Math.round(a.startsOpen() * 100)));
        });
        return lines;
    }

    private static void note(Map<String, Set<Integer>> bars, Timeline.Stand stand, String what) {
        bars.computeIfAbsent(what, w -> new TreeSet<>()).add(stand.barNumber());
    }
}
