package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Expected;

/**
 * The onsets of a drill that was listened to. What may be one is where the pitch leaves the note or comes back to it, and where the sound starts afresh; of all ways to take some of
 * them, in their order, for the onsets that were asked for, the one is taken that costs least: an onset that sounds otherwise than it should, a gap that is longer or shorter than was
 * asked, an onset that is missing. Exact, by dynamic programming over what may be one and what is expected.
 */
public final class HeardDrill {

    /** Nearer than this it is the note itself, in semitones. */
    private static final double OWN = 0.6;
    /** What lasts fewer frames is a wrinkle. */
    private static final int SHORTEST = 3;
    /** What may be an onset so near behind an attack is its own, in milliseconds. */
    private static final double OF_THE_ATTACK = 25;
    /** The price of an onset that is not found, and of one that is heard by a pitch that comes out of silence where an attack is wanted. */
    private static final double MISSING = 1;
    private static final double UNCLEAR = 0.4;
    /** The price of a gap twice or half as long as asked. */
    private static final double GAP = 0.5;
    /** So many onsets in a row may be missing at most. */
    private static final int SKIP = 4;
    private static final double NEVER = 1e6;

    private HeardDrill() {}

    /** Something that may be an onset: an attack, or a pitch that goes above the note, to it, or below. */
    private record Sign(double ms, int side, double attack) {

        double cost(Drill.Onset onset) {
            return switch (onset) {
                case NOTE -> side == 0 ? 0 : NEVER;
                case ABOVE, CLICK -> side > 0 ? 0 : NEVER;
                case BELOW, DIP -> side < 0 ? 0 : NEVER;
                case STROKE -> attack > 0 ? 1 - attack : side == 0 ? UNCLEAR : NEVER;
            };
        }
    }

    /**
     * When each onset came, in milliseconds since the stretch begins; those that did not come are left out.
     *
     * @param startMs when what was heard begins, since the stretch begins
     */
    public static List<Double> onsets(Drill drill, Expected expected, Heard heard, double startMs) {
        // Where two pitches last as long as one another, either may be the note.
        Found best = new Found(List.of(), Double.MAX_VALUE);
        for (double note : notes(heard)) {
            Found found = cheapest(drill, expected, signs(heard, note, startMs));
            best = found.cost() < best.cost() ? found : best;
        }
        return best.onsets();
    }

    private record Found(List<Double> onsets, double cost) {}

    private static Found cheapest(Drill drill, Expected expected, List<Sign> signs) {
        int n = expected.size();
        int m = signs.size();
        double[][] best = new double[n][m];
        int[][] from = new int[n][m];
        double least = n * MISSING;
        int end = -1;
        for (int i = 0; i < n; i++) {
            Drill.Onset onset = drill.sounds().get(i % drill.sounds().size());
            for (int j = 0; j < m; j++) {
                double own = signs.get(j).cost(onset);
                best[i][j] = own >= NEVER ? NEVER : own + i * MISSING;
                from[i][j] = -1;
                for (int a = Math.max(0, i - 1 - SKIP); a < i && own < NEVER; a++) {
                    double asked = expected.onsets().get(i).atMs() - expected.onsets().get(a).atMs();
                    for (int b = 0; b < j; b++) {
                        double gap = signs.get(j).ms() - signs.get(b).ms();
                        double cost = best[a][b] + own + (i - 1 - a) * MISSING + GAP * Math.abs(Math.log(gap / asked)) / Math.log(2);
                        if (cost < best[i][j] - 1e-12) {
                            best[i][j] = cost;
                            from[i][j] = a * m + b;
                        }
                    }
                }
                double whole = best[i][j] + (n - 1 - i) * MISSING;
                if (whole < least - 1e-12) {
                    least = whole;
                    end = i * m + j;
                }
            }
        }
        List<Double> onsets = new ArrayList<>();
        for (int at = end; at >= 0; at = from[at / m][at % m]) {
            onsets.add(signs.get(at % m).ms());
        }
        Collections.reverse(onsets);
        return new Found(onsets, least);
    }

    private static List<Sign> signs(Heard heard, double note, double startMs) {
        List<Sign> signs = new ArrayList<>();
        for (int f = 0; f < heard.size(); f++) {
            if (heard.attack()[f] > 0) {
                signs.add(new Sign(heard.ms(f) + startMs, 0, heard.attack()[f]));
            }
        }
        int last = 2;
        int lastTo = -1;
        for (int f = 0; f < heard.size();) {
            int side = side(heard, f, note);
            int to = f + 1;
            while (to < heard.size() && side(heard, to, note) == side) {
                to++;
            }
            if (side != 2 && to - f >= SHORTEST) {
                double ms = heard.ms(f) + startMs;
                boolean goesOn = side == last && f - lastTo < SHORTEST;
                boolean attacked = side == 0 && signs.stream().anyMatch(s -> s.attack() > 0 && Math.abs(ms - s.ms()) < OF_THE_ATTACK) && last == 2;
                if (!goesOn && !attacked) {
                    signs.add(new Sign(ms, side, 0));
                }
                last = side;
                lastTo = to;
            }
            f = to;
        }
        signs.sort(Comparator.comparingDouble(Sign::ms));
        return signs;
    }

    /** The two pitches that last longest, as far as there are any. */
    private static List<Double> notes(Heard heard) {
        double[] pitched = IntStream.range(0, heard.size()).filter(heard::isPitched).mapToDouble(f -> heard.midi()[f]).sorted().toArray();
        if (pitched.length == 0) {
            return List.of();
        }
        double first = note(pitched);
        double[] others = Arrays.stream(pitched).filter(p -> Math.abs(p - first) > OWN).toArray();
        return others.length == 0 ? List.of(first) : List.of(first, note(others));
    }

    /** The pitch that lasts longest, within half a semitone. */
    private static double note(double[] sorted) {
        int most = 0;
        double note = sorted[0];
        int to = 0;
        for (int from = 0; from < sorted.length; from++) {
            while (to < sorted.length && sorted[to] - sorted[from] <= 0.5) {
                to++;
            }
            if (to - from > most) {
                most = to - from;
                note = sorted[(from + to - 1) / 2];
            }
        }
        return note;
    }

    /** Above the note 1, below it −1, on it 0; 2 where no pitch is heard. */
    private static int side(Heard heard, int frame, double note) {
        double away = heard.midi()[frame] - note;
        return Double.isNaN(away) ? 2 : Math.abs(away) <= OWN ? 0 : away > 0 ? 1 : -1;
    }
}
