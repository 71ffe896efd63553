package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Ratio;

/**
 * The rhythm of what was played: each note on a part of a beat, at the least cost over all ways to divide the beats and to set the
 * notes on their parts in order. A note far from its place costs the square of the distance; a beat in unusual parts costs more;
 * a note too short for any part may be a grace before the next. Exact, by dynamic programming over the beats.
 */
public final class Quantiser {

    /**
     * What the choices cost.
     *
     * @param jitterMs standard deviation of a player's moments, in milliseconds
     * @param machineMs that of a program that plays from notes
     * @param graceLongestMs longest grace note, in milliseconds
     * @param grace cost of taking a note for a grace
     * @param chordMs notes that begin within so many milliseconds of each other are one chord
     * @param restShare a silence is a rest from this share of the smallest rest on
     */
    record Weights(String provenance, double jitterMs, double machineMs, double graceLongestMs, double grace, double chordMs, double restShare, List<Division> simple,
            List<Division> compound) {}

    /**
     * A way to divide a beat.
     *
     * @param full whether a note begins on every part
     */
    record Division(int parts, double cost, boolean full) {}

    private static final Weights WEIGHTS = DataFile.read("writing/grid.json", Weights.class);
    private static final Ratio SMALLEST_REST = Ratio.of(1, 8);
    private static final double FAR = 1e9;
    private static final int MOST_GRACES = 4;
    private static final Division NO_DIVISION = new Division(1, 0, false);
    /** A player's beat in parts that cost more may be meant otherwise. */
    private static final double UNUSUAL = 4;
    /** A note this share of its step away from its place may be meant elsewhere. */
    private static final double UNSURE = 0.3;

    private final List<Chord> chords;
    private final Grid grid;
    private final double sigma;
    private final double graceLongest;
    private final boolean byMachine;
    private double least = FAR;

    /**
     * A note or chord in its place.
     *
     * @param until when the next one begins, or a rest before it
     * @param graces the notes that go before it, in order
     * @param sure whether it was played clearly there
     */
    public record Placed(Ratio at, Ratio until, List<Integer> midi, List<Integer> graces, boolean sure) {

        public Placed {
            midi = List.copyOf(midi);
            graces = List.copyOf(graces);
        }
    }

    /** Notes that begin together. */
    private record Chord(double at, double until, List<Integer> midi) {}

    /** How a beat begins best: its cost so far, and what was done in the beat before. */
    private record Step(double cost, int from, Division division, List<Integer> points) {

        int parts() {
            return division.parts();
        }

        static final Step NONE = new Step(FAR, -1, NO_DIVISION, List.of());
    }

    private Quantiser(List<Chord> chords, Grid grid, double msPerWhole, double jitterMs) {
        this.byMachine = jitterMs == WEIGHTS.machineMs();
        this.chords = chords;
        this.grid = grid;
        this.sigma = jitterMs / msPerWhole;
        this.graceLongest = WEIGHTS.graceLongestMs() / msPerWhole;
    }

    /**
     * Sets notes on a grid.
     *
     * @param notes in the order in which they begin
     * @param msPerWhole how long a whole note lasted, in milliseconds
     */
    public static List<Placed> place(List<Played> notes, Grid grid, double msPerWhole) {
        List<Chord> chords = chords(notes, WEIGHTS.chordMs() / msPerWhole);
        if (chords.isEmpty()) {
            return List.of();
        }
        Quantiser machine = new Quantiser(chords, grid, msPerWhole, WEIGHTS.machineMs());
        List<Placed> exact = machine.placed();
        return machine.isExact(exact) ? exact : new Quantiser(chords, grid, msPerWhole, WEIGHTS.jitterMs()).placed();
    }

    /** Whether every note lies so near to its place that no hand played it. */
    private boolean isExact(List<Placed> placed) {
        int at = 0;
        for (Placed note : placed) {
            at += note.graces().size();
            if (off(at, note.graces().size(), note.at()) > 3 * sigma) {
                return false;
            }
            at++;
        }
        return !placed.isEmpty();
    }

    /** How far a note, or the first of the graces before it, lies from a place. */
    private double off(int chord, int graces, Ratio place) {
        return Math.min(Math.abs(chords.get(chord).at() - place.toDouble()), Math.abs(chords.get(chord - graces).at() - place.toDouble()));
    }

    private static List<Chord> chords(List<Played> notes, double within) {
        List<Chord> chords = new ArrayList<>();
        for (Played note : notes) {
            Chord last = chords.isEmpty() ? null : chords.getLast();
            if (last != null && note.at() - last.at() <= within && note.until() - note.at() > within) {
                List<Integer> midi = new ArrayList<>(last.midi());
                midi.add(note.midi());
                chords.set(chords.size() - 1, new Chord(last.at(), Math.max(last.until(), note.until()), midi.stream().distinct().sorted().toList()));
            } else {
                chords.add(new Chord(note.at(), note.until(), List.of(note.midi())));
            }
        }
        return chords;
    }

    /** The least cost of setting notes on a grid, at a player's jitter. */
    static double leastCost(List<Played> notes, Grid grid, double msPerWhole) {
        Quantiser quantiser = new Quantiser(chords(notes, WEIGHTS.chordMs() / msPerWhole), grid, msPerWhole, WEIGHTS.jitterMs());
        quantiser.placed();
        return quantiser.least;
    }

    private List<Placed> placed() {
        List<Grid.Beat> beats = grid.beats();
        Step[][] best = new Step[beats.size() + 1][];
        int[] low = new int[beats.size() + 1];
        best[0] = new Step[] {new Step(0, -1, NO_DIVISION, List.of())};
        for (int b = 0; b < beats.size(); b++) {
            Grid.Beat beat = beats.get(b);
            boolean last = b + 1 == beats.size();
            // What lies half a beat before the next one is in this beat at the latest, what lies half a beat behind it is not yet.
            low[b + 1] = last ? chords.size() : firstFrom(beat.end().toDouble() - beat.length().toDouble() / 2);
            int high = last ? chords.size() : firstFrom(beat.end().toDouble() + beat.length().toDouble() / 2);
            best[b + 1] = new Step[high - low[b + 1] + 1];
            Arrays.fill(best[b + 1], Step.NONE);
            for (int i = 0; i < best[b].length; i++) {
                if (best[b][i].cost() < FAR) {
                    extend(beat, low[b] + i, best[b][i].cost(), low[b + 1], best[b + 1]);
                }
            }
        }
        least = best[beats.size()][chords.size() - low[beats.size()]].cost();
        return traced(best, low);
    }

    private int firstFrom(double at) {
        int low = 0;
        int high = chords.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (chords.get(middle).at() < at) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Tries every division of a beat and every number of notes in it. */
    private void extend(Grid.Beat beat, int from, double cost, int low, Step[] next) {
        for (Division division : beat.isCompound() ? WEIGHTS.compound() : WEIGHTS.simple()) {
            int parts = division.parts();
            int most = Math.min(chords.size(), low + next.length - 1) - from;
            if (most < 0) {
                continue;
            }
            double[][] least = new double[most + 1][parts + 1];
            int[][] taken = new int[most + 1][parts + 1];
            for (double[] row : least) {
                Arrays.fill(row, FAR);
            }
            least[0][0] = 0;
            for (int n = 0; n <= most; n++) {
                for (int p = 1; p <= parts; p++) {
                    if (!division.full()) {
                        least[n][p] = least[n][p - 1];
                    }
                    for (int notes = 1; notes <= Math.min(n, MOST_GRACES + 1); notes++) {
                        double here = least[n - notes][p - 1] + cost(from + n - notes, notes - 1, beat, p - 1, parts);
                        if (here < least[n][p]) {
                            least[n][p] = here;
                            taken[n][p] = notes;
                        }
                    }
                }
            }
            for (int n = Math.max(0, low - from); n <= most; n++) {
                double whole = cost + division.cost() + least[n][parts];
                int slot = from + n - low;
                if (slot >= 0 && slot < next.length && whole < next[slot].cost()) {
                    next[slot] = new Step(whole, from, division, points(taken, n, parts));
                }
            }
        }
    }

    /** On which part each of the notes of a beat stands; −1 for a grace. */
    private static List<Integer> points(int[][] taken, int notes, int parts) {
        List<Integer> points = new ArrayList<>();
        int n = notes;
        for (int p = parts; p > 0; p--) {
            for (int i = 0; i < taken[n][p]; i++) {
                points.add(i == 0 ? p - 1 : -1);
            }
            n -= taken[n][p];
        }
        Collections.reverse(points);
        return points;
    }

    /**
     * The cost of a note on a part of a beat, the graces before it taken in: they take their time from the note before or from its own,
     * so that either the first of them or the note stands where it should.
     *
     * @param first the first of the graces, or the note
     */
    private double cost(int first, int graces, Grid.Beat beat, int part, int parts) {
        double place = beat.at().toDouble() + beat.length().toDouble() * part / parts;
        double least = FAR;
        double graceCost = 0;
        for (int g = 0; g < graces; g++) {
            double length = chords.get(first + g + 1).at() - chords.get(first + g).at();
            graceCost += length <= graceLongest && chords.get(first + g).midi().size() == 1 ? WEIGHTS.grace() : FAR;
        }
        for (int onset : new int[] {first, first + graces}) {
            double off = (chords.get(onset).at() - place) / sigma;
            least = Math.min(least, off * off / 2);
        }
        return Math.min(FAR, graceCost + least);
    }

    private List<Placed> traced(Step[][] best, int[] low) {
        List<Placed> placed = new ArrayList<>();
        List<Step> steps = new ArrayList<>();
        int at = chords.size();
        for (int b = best.length - 1; b > 0; b--) {
            Step step = best[b][at - low[b]];
            if (step.cost() >= FAR) {
                return List.of();
            }
            steps.addFirst(step);
            at = step.from();
        }
        List<Integer> graces = new ArrayList<>();
        for (int b = 0; b < steps.size(); b++) {
            Grid.Beat beat = grid.beats().get(b);
            Step step = steps.get(b);
            for (int n = 0; n < step.points().size(); n++) {
                Chord chord = chords.get(step.from() + n);
                if (step.points().get(n) < 0) {
                    graces.add(chord.midi().getFirst());
                    continue;
                }
                Ratio part = beat.length().dividedBy(Ratio.of(step.parts(), 1));
                Ratio place = beat.at().plus(part.times(Ratio.of(step.points().get(n), 1)));
                boolean sure = off(step.from() + n, graces.size(), place) <= UNSURE * part.toDouble() + 1e-9 && (byMachine || step.division().cost() <= UNUSUAL);
                placed.add(new Placed(place, place, chord.midi(), graces, sure));
                graces = new ArrayList<>();
            }
        }
        return ended(placed, steps);
    }

    /** Gives each note its end: the next note, or a rest before it where the silence is as long as one. */
    private List<Placed> ended(List<Placed> placed, List<Step> steps) {
        List<Integer> sources = new ArrayList<>();
        for (Step step : steps) {
            for (int n = 0; n < step.points().size(); n++) {
                if (step.points().get(n) >= 0) {
                    sources.add(step.from() + n);
                }
            }
        }
        List<Placed> ended = new ArrayList<>();
        for (int i = 0; i < placed.size(); i++) {
            Placed note = placed.get(i);
            Optional<Placed> next = i + 1 < placed.size() ? Optional.of(placed.get(i + 1)) : Optional.empty();
            double until = chords.get(sources.get(i)).until();
            Ratio end = next.map(Placed::at).orElseGet(() -> lastEnd(note, until));
            Ratio length = end.minus(note.at());
            double silence = next.isPresent() ? end.toDouble() - until : 0;
            long rests = (long) Math.floor(silence / SMALLEST_REST.toDouble() + 1 - WEIGHTS.restShare());
            Ratio rest = SMALLEST_REST.times(Ratio.of(Math.max(0, rests), 1));
            while (!rest.isLess(length) && rest.isPositive()) {
                rest = rest.minus(SMALLEST_REST);
            }
            ended.add(new Placed(note.at(), end.minus(rest), note.midi(), note.graces(), note.sure()));
        }
        return ended;
    }

    /** The last note ends with the part of its beat in which it was let go, at the latest with its bar. */
    private Ratio lastEnd(Placed note, double until) {
        Ratio end = note.at();
        for (Grid.Beat beat : grid.beats()) {
            if (beat.end().isLess(note.at()) || beat.end().equals(note.at())) {
                continue;
            }
            for (int half = 1; half <= 2; half++) {
                Ratio point = beat.isCompound() && half == 1 ? beat.at().plus(beat.length().times(Ratio.of(2, 3))) : beat.at().plus(beat.length().times(Ratio.of(half, 2)));
                if (note.at().isLess(point)) {
                    boolean first = end.equals(note.at());
                    boolean nearer = Math.abs(point.toDouble() - until) < Math.abs(end.toDouble() - until);
                    end = first || nearer ? point : end;
                }
            }
        }
        return end;
    }
}
