package wildflourish.core.practice;

import java.util.List;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.PlayedOut;

/**
 * How a beat is shared among its pulses when it is played: straight as written, or with the lilt that players give a kind of
 * tune. Beats themselves never move, so neither the tempo nor a metronome does.
 *
 * @param pairs shares of a beat of two pulses, summing to 1
 * @param threes shares of a beat of three pulses, summing to 1
 */
public record Lilt(String id, String words, List<Double> pairs, List<Double> threes) {

    record Table(String provenance, List<Lilt> lilts) {}

    private static final List<Lilt> ALL = DataFile.read("practice/lilts.json", Table.class).lilts();

    /** As written. */
    public static final Lilt STRAIGHT = ALL.getFirst();

    public Lilt {
        pairs = List.copyOf(pairs);
        threes = List.copyOf(threes);
        if (pairs.size() != 2 || threes.size() != 3 || Math.abs(sum(pairs) - 1) > 1e-9 || Math.abs(sum(threes) - 1) > 1e-9) {
            throw new IllegalArgumentException("the shares of lilt '" + id + "' are two and three that sum to 1");
        }
    }

    private static double sum(List<Double> shares) {
        return shares.stream().mapToDouble(Double::doubleValue).sum();
    }

    /** The lilts there are, straight first. */
    public static List<Lilt> all() {
        return ALL;
    }

    /** The lilt of that id; straight when there is none. */
    public static Lilt byId(String id) {
        return ALL.stream().filter(l -> l.id.equals(id)).findFirst().orElse(STRAIGHT);
    }

    public boolean isStraight() {
        return equals(STRAIGHT);
    }

    /** A tune's moments as they are played: give it a moment as written, get the moment as played, both in milliseconds. */
    public java.util.function.DoubleUnaryOperator over(PlayedOut tune) {
        if (isStraight()) {
            return ms -> ms;
        }
        List<PlayedOut.Beat> beats = tune.beats();
        double[] starts = beats.stream().mapToDouble(PlayedOut.Beat::atMs).toArray();
        return ms -> {
            int at = java.util.Arrays.binarySearch(starts, ms);
            int k = at >= 0 ? at : -at - 2;
            if (k < 0) {
                return ms;
            }
            double length = tune.msAt(beats.get(k).position().plus(beats.get(k).length())) - starts[k];
            // What lies in front of the next beat's pulse only: a cut-off beat keeps its shape.
            double share = (ms - starts[k]) / length;
            boolean three = beats.get(k).length().numerator() % 3 == 0;
            return share >= 1 ? ms : starts[k] + length * bent(share, three ? threes : pairs);
        };
    }

    /** A share of the beat as written, moved as the pulse that it lies in is moved. */
    private static double bent(double share, List<Double> shares) {
        int n = shares.size();
        int pulse = Math.min(n - 1, (int) Math.floor(share * n + 1e-9));
        double before = 0;
        for (int i = 0; i < pulse; i++) {
            before += shares.get(i);
        }
        return before + (share * n - pulse) * shares.get(pulse);
    }
}
