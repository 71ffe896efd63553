package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * The even quavers under notes that were played, as far as players are even: of the lengths at which the onsets agree with themselves that much later, the one
 * on whose quavers the notes lie best; and for each length the chain of moments that meets most onsets and bends least. Exact, by dynamic programming (D. P. W. Ellis, <i>Beat tracking by dynamic programming</i>, J. New Music Research 36, 2007, one level lower).
 *
 * @param moments in milliseconds, one for each quaver
 * @param quaverMs the usual length
 */
record Pulse(List<Double> moments, double quaverMs) {

    private static final double HOP_MS = 5;
    private static final int SHORTEST = 14;
    private static final int LONGEST = 130;

    Pulse {
        moments = List.copyOf(moments);
    }

    /** The quavers under notes; {@code usualMs} is how long one is most likely, {@code spread} how far from that as a natural logarithm. */
    static Pulse of(List<Tone> tones, double usualMs, double spread, ByEar.Weights weights) {
        double first = tones.getFirst().fromMs();
        int frames = (int) Math.ceil((tones.getLast().fromMs() - first) / HOP_MS) + 2;
        double[] strength = new double[frames];
        double blur = weights.blurMs() / HOP_MS;
        for (Tone tone : tones) {
            double at = (tone.fromMs() - first) / HOP_MS;
            for (int f = (int) Math.max(0, at - 4 * blur); f < Math.min(frames, at + 4 * blur); f++) {
                strength[f] = Math.max(strength[f], Math.exp(-(f - at) * (f - at) / (2 * blur * blur)));
            }
        }
        Pulse best = new Pulse(List.of(first), usualMs);
        double least = Double.MAX_VALUE;
        for (int lag : likely(strength)) {
            List<Double> moments = chain(strength, lag, weights.stiffness()).stream().map(f -> first + f * HOP_MS).toList();
            Pulse pulse = new Pulse(moments, moments.size() < 2 ? lag * HOP_MS : (moments.getLast() - moments.getFirst()) / (moments.size() - 1));
            double off = Math.log(pulse.quaverMs() / usualMs) / spread;
            double cost = pulse.cost(tones, weights) + weights.unusual() * off * off;
            if (cost < least) {
                least = cost;
                best = pulse;
            }
        }
        return best;
    }

    /** How badly notes lie on these quavers: far from them, between them, or none on many; by note. */
    private double cost(List<Tone> tones, ByEar.Weights weights) {
        double sum = 0;
        boolean[] met = new boolean[moments.size()];
        for (Tone tone : tones) {
            double at = at(tone.fromMs());
            double least = Double.MAX_VALUE;
            for (int part = 0; part < weights.parts().size(); part++) {
                double place = weights.parts().get(part);
                double off = (at - place - Math.rint(at - place)) * quaverMs / weights.blurMs();
                double cost = weights.partCosts().get(part) + Math.min(weights.farthest(), off * off / 2);
                if (cost < least) {
                    least = cost;
                    int on = (int) Math.rint(at);
                    if (part == 0 && on >= 0 && on < met.length) {
                        met[on] = true;
                    }
                }
            }
            sum += least;
        }
        int empty = 0;
        for (boolean one : met) {
            empty += one ? 0 : 1;
        }
        return (sum + weights.empty() * empty) / tones.size();
    }

    /** The distances, in frames, at which the onsets agree with themselves better than a little nearer or farther, their halves and their doubles. */
    private static List<Integer> likely(double[] strength) {
        double[] again = new double[LONGEST + 2];
        for (int lag = SHORTEST - 1; lag <= Math.min(LONGEST + 1, strength.length - 1); lag++) {
            for (int f = lag; f < strength.length; f++) {
                again[lag] += strength[f] * strength[f - lag];
            }
        }
        TreeSet<Integer> likely = new TreeSet<>();
        for (int lag = SHORTEST; lag <= LONGEST; lag++) {
            if (again[lag] > 0 && again[lag] >= again[lag - 1] && again[lag] > again[lag + 1]) {
                // In dotted rhythms no two onsets are a quaver apart, but two of them.
                List.of(lag, (int) Math.round(lag / 2.0), 2 * lag).stream().filter(l -> l >= SHORTEST && l <= LONGEST).forEach(likely::add);
            }
        }
        return likely.isEmpty() ? List.of(SHORTEST) : List.copyOf(likely);
    }

    private static List<Integer> chain(double[] strength, double period, double stiffness) {
        int frames = strength.length;
        double[] score = new double[frames];
        int[] from = new int[frames];
        int near = (int) Math.max(1, Math.round(period / 1.6));
        int far = (int) Math.round(period * 1.6);
        for (int f = 0; f < frames; f++) {
            double best = f <= near ? 0 : Double.NEGATIVE_INFINITY;
            from[f] = -1;
            for (int gap = near; gap <= far && gap <= f; gap++) {
                double bend = Math.log(gap / period);
                double worth = score[f - gap] - stiffness * bend * bend;
                if (worth > best) {
                    best = worth;
                    from[f] = f - gap;
                }
            }
            score[f] = strength[f] + best;
        }
        int end = frames - 1;
        for (int f = Math.max(0, frames - far); f < frames; f++) {
            end = score[f] > score[end] ? f : end;
        }
        List<Integer> chain = new ArrayList<>();
        for (int f = end; f >= 0; f = from[f]) {
            chain.addFirst(f);
            if (from[f] < 0) {
                break;
            }
        }
        return chain;
    }

    /** How many quavers after the first of them a moment is, in fractions. */
    double at(double ms) {
        int after = 0;
        while (after < moments.size() && moments.get(after) <= ms) {
            after++;
        }
        int from = Math.clamp(after - 1, 0, Math.max(0, moments.size() - 2));
        double start = moments.get(from);
        double length = from + 1 < moments.size() ? moments.get(from + 1) - start : quaverMs;
        boolean outside = ms < start || after == moments.size();
        return from + (ms - start) / (outside ? quaverMs : length);
    }
}
