package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.UnaryOperator;
import wildflourish.core.tune.Pitch;

/** What fingers do on a wind instrument beside stopping its notes: which one cuts, pops, turns; from the chart's file. */
public final class FingerWork {

    /**
     * A pop on landing: while the fingers for the next note come down, one finger above leaves its hole for an instant.
     *
     * @param from pitch name without octave left behind, in the chart's own key
     * @param fork whether the note left behind must be fingered as a fork
     * @param to pitch name without octave landed on, in the chart's own key
     * @param up whether the landing is above
     * @param pops hole whose finger pops
     */
    public record Landing(String from, boolean fork, String to, boolean up, int pops) {}

    /**
     * A figure low, upper, middle through which one finger stays down, the upper note being a fork.
     *
     * @param low pitch name without octave, in the chart's own key; so are {@code upper} and {@code middle}
     * @param lifts the finger that makes the fork from the middle note
     * @param held the hole whose finger stays down
     */
    public record Turn(String low, String upper, String middle, int lifts, int held) {}

    /**
     * A shake in which one finger falls as the other rises.
     *
     * @param from pitch name without octave, in the chart's own key; so is {@code to}
     */
    public record Seesaw(String from, String to, int rises, int falls) {}

    private final WindChart.File file;
    private final UnaryOperator<Pitch> home;
    private final Map<Pitch, String> letters = new ConcurrentHashMap<>();

    FingerWork(WindChart.File file, UnaryOperator<Pitch> home) {
        this.file = file;
        this.home = home;
    }

    /** The names of the cutting schools. */
    public List<String> cutSchools() {
        return file.cuts().keySet().stream().sorted().toList();
    }

    /**
     * The hole whose finger cuts a note in a school: the first of its fingers that is down. A chart that knows one school
     * only uses that.
     */
    public OptionalInt cutHole(Pitch pitch, Fingering way, String school) {
        List<Integer> all = cutHoles(pitch, way, school);
        return all.isEmpty() ? OptionalInt.empty() : OptionalInt.of(all.getFirst());
    }

    /** The holes whose fingers can cut a note: those of the school that are down, in its order, then any other that is. */
    public List<Integer> cutHoles(Pitch pitch, Fingering way, String school) {
        Map<String, List<Integer>> rule = file.cuts().size() == 1
                ? file.cuts().values().iterator().next() : file.cuts().get(school);
        if (rule == null && !file.cuts().isEmpty()) {
            throw new IllegalArgumentException("there is no cutting school '" + school + "'; there are " + cutSchools());
        }
        if (rule == null) {
            return List.of();
        }
        List<Integer> holes = new ArrayList<>(rule.getOrDefault(letters(pitch), rule.get("others")));
        for (int hole = 1; hole <= way.holes().count(); hole++) {
            if (!holes.contains(hole)) {
                holes.add(hole);
            }
        }
        return holes.stream().filter(way.holes()::isClosed).toList();
    }

    /** The hole of the nth cut of a cran, counted from 0; never the same twice in a row. Empty where nobody crans. */
    public OptionalInt cranHole(int nth) {
        return file.cran().isEmpty() ? OptionalInt.empty() : OptionalInt.of(file.cran().get(nth % file.cran().size()));
    }

    /** The hole whose finger of the lower hand shades notes of the upper, where the chart names one. */
    public OptionalInt vibrato() {
        return file.vibrato() == null ? OptionalInt.empty() : OptionalInt.of(file.vibrato());
    }

    /** Which finger pops on landing from one note to the next, if any does there. */
    public Optional<Landing> landing(Pitch from, Fingering way, Pitch to) {
        return file.landings().stream()
                .filter(l -> l.from().equals(letters(from)) && l.to().equals(letters(to)))
                .filter(l -> l.up() == (to.midi() > from.midi()) && Math.abs(to.midi() - from.midi()) < 12)
                .filter(l -> !l.fork() || way.holes().isFork())
                .findFirst();
    }

    /** The turn that begins on a note and lands on the next. */
    public Optional<Turn> turn(Pitch low, Pitch middle) {
        return turns().stream().filter(t -> t.low().equals(letters(low)) && t.middle().equals(letters(middle))).findFirst();
    }

    /** The turn whose middle note this is: its upper note is a shake away. */
    public Optional<Turn> shake(Pitch middle) {
        return turns().stream().filter(t -> t.middle().equals(letters(middle))).findFirst();
    }

    private List<Turn> turns() {
        return file.turns() == null ? List.of() : file.turns();
    }

    /** The shake from this note in which one finger falls as another rises. */
    public Optional<Seesaw> seesaw(Pitch from) {
        return file.seesaws() == null ? Optional.empty()
                : file.seesaws().stream().filter(s -> s.from().equals(letters(from))).findFirst();
    }

    /** The nearest pitch above {@code near} of a name that the chart's file uses. */
    public Pitch above(Pitch near, String name) {
        Pitch own = home.apply(near);
        Pitch named = Pitch.parse(name + own.octave());
        int rise = Math.floorMod(named.midi() - own.midi(), 12);
        int steps = Math.floorMod(named.diatonic() - own.diatonic(), 7);
        return near.plus(new wildflourish.core.tune.Interval(steps, rise));
    }

    /** The hole whose finger makes a grace of this written pitch by leaving it, where the chart says so. */
    public OptionalInt graceHole(Pitch grace) {
        Integer hole = file.graces() == null ? null : file.graces().get(home.apply(grace).toString());
        return hole == null ? OptionalInt.empty() : OptionalInt.of(hole);
    }

    private String letters(Pitch pitch) {
        return letters.computeIfAbsent(pitch, this::findLetters);
    }

    private String findLetters(Pitch pitch) {
        Pitch own = home.apply(pitch);
        return new Pitch(own.step(), own.alter(), 0).toString().replace("0", "");
    }
}
