package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import wildflourish.core.data.DataFile;

/**
 * How even one pass was, measured from its onsets.
 *
 * <p>For two expected onsets next to each other that were both played, with nothing extra between them, the <em>ratio</em> of
 * their gap is r = played gap / expected gap. Over all k such gaps:
 *
 * <ul>
 *   <li>{@code variation} is the coefficient of variation of r: the root of Σ(r − mean)² / k, over the mean. Equal spacing
 *       against equal expectations gives 0, and so does a whole pass played evenly too fast; a pair swung 2:1 against equal
 *       expectations gives 1/3.
 *   <li>{@code drift} is the slope of the least-squares line through (expected moment, played moment), less 1: −0.02 for two
 *       per cent too fast, 0 for the tempo held.
 *   <li>{@code offsetMs} is the mean of played moment − expected moment: above 0 behind the pulse.
 *   <li>{@code swing} is the mean length of the gaps that begin on a beat's first pulse over the mean of those that begin on
 *       its second, in beats of two.
 * </ul>
 *
 * @param variation 0 or more; 0 where fewer than two gaps were measured
 * @param swing empty where no beat of two was played whole
 * @param pulses how long the gap behind each pulse of the beat usually was against what was expected, the first first
 * @param odd the gap furthest from the mean; empty where there is none
 * @param gaps how many gaps were measured
 */
public record Evenness(
        Expected expected, List<Double> played, Matching matching, double variation, double drift, double offsetMs, OptionalDouble swing,
        List<PulseShare> pulses, Optional<OddGap> odd, int gaps) {

    /**
     * The gaps behind one pulse of the beat, by their median, so that one slip is not taken for a habit.
     *
     * @param pulse from 1
     * @param ratio 1 where they are as the average of all, below 1 where they are cut short
     */
    public record PulseShare(int pulse, double ratio, int gaps) {}

    /**
     * The most uneven gap.
     *
     * @param onset index of the expected onset that it begins with
     * @param ratio to the mean ratio: below 1 too short
     */
    public record OddGap(int onset, double ratio) {}

    /**
     * From where on something is told.
     *
     * @param pulse share by which a pulse of the beat is usually longer or shorter; {@code gap} the same for one gap
     * @param times that pulse has to come at least so often
     * @param offsetMs before or behind the pulse
     */
    record Told(String provenance, double pulse, int times, double gap, double offsetMs) {}

    private static final Told TOLD = DataFile.read("practice/told.json", Told.class);

    private record Gap(int onset, int pulse, double ratio, double playedMs) {}

    public Evenness {
        played = List.copyOf(played);
        pulses = List.copyOf(pulses);
    }

    /**
     * Measures one pass.
     *
     * @param played ascending, in milliseconds since the same moment as the expected onsets
     */
    public static Evenness of(Expected expected, List<Double> played) {
        Matching matching = Matching.of(expected, played);
        List<Gap> gaps = gaps(expected, played, matching);
        double mean = gaps.stream().mapToDouble(Gap::ratio).average().orElse(1);
        double square = gaps.stream().mapToDouble(g -> (g.ratio() - mean) * (g.ratio() - mean)).average().orElse(0);
        double variation = gaps.size() < 2 ? 0 : Math.sqrt(square) / mean;
        Optional<OddGap> odd = gaps.stream().max(java.util.Comparator.comparingDouble(g -> Math.abs(g.ratio() - mean)))
                .filter(g -> gaps.size() > 1 && Math.abs(g.ratio() - mean) > 1e-9).map(g -> new OddGap(g.onset(), g.ratio() / mean));
        double offset = matching.pairs().stream()
                .mapToDouble(p -> played.get(p.played()) - expected.onsets().get(p.expected()).atMs()).average().orElse(0);
        return new Evenness(expected, played, matching, variation, slope(expected, played, matching) - 1, offset, swing(expected, gaps),
                pulses(gaps, mean), odd, gaps.size());
    }

    private static List<Gap> gaps(Expected expected, List<Double> played, Matching matching) {
        List<Gap> gaps = new ArrayList<>();
        for (int i = 1; i < matching.pairs().size(); i++) {
            Matching.Pair a = matching.pairs().get(i - 1);
            Matching.Pair b = matching.pairs().get(i);
            if (b.expected() == a.expected() + 1 && b.played() == a.played() + 1) {
                Expected.Onset from = expected.onsets().get(a.expected());
                double wanted = expected.onsets().get(b.expected()).atMs() - from.atMs();
                double had = played.get(b.played()) - played.get(a.played());
                gaps.add(new Gap(a.expected(), from.pulse(), had / wanted, had));
            }
        }
        return gaps;
    }

    private static double slope(Expected expected, List<Double> played, Matching matching) {
        int k = matching.pairs().size();
        if (k < 2) {
            return 1;
        }
        double meanE = matching.pairs().stream().mapToDouble(p -> expected.onsets().get(p.expected()).atMs()).average().orElseThrow();
        double meanP = matching.pairs().stream().mapToDouble(p -> played.get(p.played())).average().orElseThrow();
        double over = 0;
        double under = 0;
        for (Matching.Pair p : matching.pairs()) {
            double e = expected.onsets().get(p.expected()).atMs() - meanE;
            over += e * (played.get(p.played()) - meanP);
            under += e * e;
        }
        return over / under;
    }

    /** Only beats of two pulses count that were played whole: a crotchet among quavers says nothing about swing. */
    private static OptionalDouble swing(Expected expected, List<Gap> gaps) {
        List<Double> longs = new ArrayList<>();
        List<Double> shorts = new ArrayList<>();
        for (int i = 0; i + 1 < gaps.size(); i++) {
            int onset = gaps.get(i).onset();
            boolean two = expected.onsets().get(onset).pulses() == 2 && gaps.get(i).pulse() == 1
                    && gaps.get(i + 1).onset() == onset + 1 && gaps.get(i + 1).pulse() == 2
                    && expected.onsets().get(onset + 2).pulse() == 1;
            if (two) {
                longs.add(gaps.get(i).playedMs());
                shorts.add(gaps.get(i + 1).playedMs());
            }
        }
        return longs.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(mean(longs) / mean(shorts));
    }

    private static double mean(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }

    private static List<PulseShare> pulses(List<Gap> gaps, double mean) {
        List<PulseShare> shares = new ArrayList<>();
        for (int pulse = 1; pulse <= 3; pulse++) {
            int wanted = pulse;
            List<Double> ratios = gaps.stream().filter(g -> g.pulse() == wanted).map(Gap::ratio).toList();
            if (!ratios.isEmpty()) {
                shares.add(new PulseShare(pulse, Median.of(ratios) / mean, ratios.size()));
            }
        }
        return shares;
    }

    /** Share of the expected onsets that nothing was played for, from 0 to 1. */
    public double missedShare() {
        return expected.size() == 0 ? 0 : (double) matching.missed().size() / expected.size();
    }

    /** Share of onsets too many, of the expected ones. */
    public double extraShare() {
        return expected.size() == 0 ? 0 : (double) matching.extra().size() / expected.size();
    }

    /** What stands out, in the teacher's words; empty where nothing does. */
    public Optional<String> standsOut() {
        Optional<PulseShare> share = pulses.stream().filter(p -> p.gaps() >= TOLD.times() && Math.abs(p.ratio() - 1) >= TOLD.pulse())
                .max(java.util.Comparator.comparingDouble(p -> Math.abs(p.ratio() - 1)));
        if (share.isPresent() && pulses.size() > 1) {
            return Optional.of("the %s pulse of the beat is %s by %d %%".formatted(ordinal(share.get().pulse()),
                    share.get().ratio() < 1 ? "cut short" : "held too long", Math.round(Math.abs(share.get().ratio() - 1) * 100)));
        }
        return oddToTell().map(o -> "the gap after onset %d is %s by %d %%".formatted(
                o.onset() + 1, o.ratio() < 1 ? "too short" : "too long", Math.round(Math.abs(o.ratio() - 1) * 100)));
    }

    /** The most uneven gap, where it is worth telling. */
    public Optional<OddGap> oddToTell() {
        return odd.filter(o -> Math.abs(o.ratio() - 1) >= TOLD.gap());
    }

    /**
     * The figures in words, joined by dots.
     *
     * @param isTune whether pairs of pulses mean anything
     */
    public String inWords(boolean isTune) {
        List<String> words = new ArrayList<>(List.of("gaps vary by %d %%".formatted(Math.round(variation * 100))));
        long driftPercent = Math.round(drift * 100);
        words.add(driftPercent == 0 ? "the tempo holds" : "%d %% too %s".formatted(Math.abs(driftPercent), driftPercent < 0 ? "fast" : "slow"));
        words.add(Math.abs(offsetMs) < TOLD.offsetMs() ? "on the pulse"
                : "%d ms %s the pulse".formatted(Math.round(Math.abs(offsetMs)), offsetMs < 0 ? "before" : "behind"));
        swing.stream().filter(s -> isTune).forEach(s -> words.add("pairs %.2f to 1".formatted(s)));
        if (!matching.missed().isEmpty()) {
            words.add("%d missed".formatted(matching.missed().size()));
        }
        if (!matching.extra().isEmpty()) {
            words.add("%d too many".formatted(matching.extra().size()));
        }
        return String.join("  ·  ", words);
    }

    private static String ordinal(int pulse) {
        return switch (pulse) {
            case 1 -> "first";
            case 2 -> "second";
            default -> "third";
        };
    }
}
