package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.BarNumbers;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tune;

/**
 * A tune that was written down as it was heard, with its repeats found: the fewest bars to write, over all ways to cut it into
 * parts that are played twice, with first and second endings where they differ at the end only. Exact, by dynamic programming.
 */
public final class Folding {

    private static final Weights WEIGHTS = DataFile.read("writing/repeats.json", Weights.class);

    /**
     * What repeats cost.
     *
     * @param signs for each length of a part, in bars, what its repeat sign costs
     */
    record Weights(String provenance, SortedMap<Integer, Double> signs, int mostEndingBars) {}

    private final Tune tune;
    private final List<Round> rounds = new ArrayList<>();
    private final List<Boolean> cuttable = new ArrayList<>();

    private Folding(Tune tune) {
        this.tune = tune;
    }

    /** A bar as the parts count it: the lead into it and the bar up to the next lead. */
    private record Round(List<Element> lead, List<Element> main) {}

    /** How to go on from a bar: so many bars once, or a part twice. */
    private record Part(double cost, int length, int endings) {}

    /** The tune with repeats; the tune itself where none are found, or where it has any already. */
    public static Tune folded(Tune tune) {
        boolean plain = tune.bars().stream().allMatch(b -> b.ending().isEmpty() && b.closing().repeatsBefore() + b.closing().repeatsAfter() == 0);
        return plain && tune.bars().size() > 4 ? new Folding(tune).fold() : tune;
    }

    private Tune fold() {
        boolean pickup = tune.bars().getFirst().number() == 0;
        Ratio lead = pickup ? tune.bars().getFirst().length() : Ratio.ZERO;
        cut(pickup, lead);
        List<Part> parts = parts();
        if (parts.stream().noneMatch(p -> p.length() > 1)) {
            return tune;
        }
        List<Bar> bars = new ArrayList<>();
        BarLine opening = BarLine.NONE;
        int at = 0;
        while (at < rounds.size()) {
            Part part = parts.get(at);
            int once = 0;
            while (part.length() == 1 && at + once < rounds.size() && parts.get(at + once).length() == 1) {
                once++;
            }
            if (once > 0) {
                append(bars, at, at + once, false, Optional.empty());
                at += once;
                continue;
            }
            if (bars.isEmpty()) {
                opening = new BarLine(BarLine.Style.THIN, 0, 1);
            } else {
                Bar last = bars.removeLast();
                bars.add(closed(last, last.closing().joinedWith(new BarLine(BarLine.Style.THIN, 0, 1))));
            }
            int same = part.length() - part.endings();
            append(bars, at, at + same, true, Optional.empty());
            if (part.endings() > 0) {
                append(bars, at + same, at + part.length(), true, Optional.of(1));
                last(bars, new BarLine(BarLine.Style.THIN, 1, 0));
                append(bars, at + part.length() + same, at + 2 * part.length(), true, Optional.of(2));
                last(bars, new BarLine(BarLine.Style.DOUBLE, 0, 0));
            } else {
                last(bars, new BarLine(BarLine.Style.THIN, 1, 0));
            }
            at += 2 * part.length();
        }
        if (bars.getLast().closing().repeatsBefore() == 0) {
            last(bars, new BarLine(BarLine.Style.FINAL, 0, 0));
        }
        return new Tune(tune.head(), opening, inLines(BarNumbers.of(bars, tune.head().meter())));
    }

    /** Cuts every bar where the lead into the next one would begin. */
    private void cut(boolean pickup, Ratio lead) {
        List<Element> before = pickup ? tune.bars().getFirst().elements() : List.of();
        cuttable.add(true);
        for (int b = pickup ? 1 : 0; b < tune.bars().size(); b++) {
            Bar bar = tune.bars().get(b);
            Ratio cut = bar.length().minus(lead);
            boolean ends = b + 1 == tune.bars().size() && !bar.length().equals(tune.head().meter().barLength());
            List<Element> main = new ArrayList<>();
            List<Element> next = new ArrayList<>();
            Ratio at = Ratio.ZERO;
            // A bar no longer than the lead has none: nothing would be left of it.
            boolean whole = ends || lead.isZero() || !cut.isPositive();
            boolean clean = ends || lead.isZero();
            for (Element element : bar.elements()) {
                boolean inMain = whole || at.isLess(cut);
                clean |= !whole && at.equals(cut);
                (inMain ? main : next).add(element);
                at = at.plus(element.length());
            }
            rounds.add(new Round(before, main));
            before = next;
            cuttable.add(clean || b + 1 == tune.bars().size());
        }
        if (!before.isEmpty()) {
            rounds.set(rounds.size() - 1, new Round(rounds.getLast().lead(), joined(rounds.getLast().main(), before)));
        }
    }

    private static List<Element> joined(List<Element> first, List<Element> second) {
        List<Element> all = new ArrayList<>(first);
        all.addAll(second);
        return all;
    }

    private List<Part> parts() {
        int n = rounds.size();
        List<Part> best = new ArrayList<>(java.util.Collections.nCopies(n + 1, new Part(0, 0, 0)));
        for (int i = n - 1; i >= 0; i--) {
            Part least = new Part(1 + best.get(i + 1).cost(), 1, 0);
            for (Map.Entry<Integer, Double> sign : WEIGHTS.signs().entrySet()) {
                int length = sign.getKey();
                for (int endings = 0; endings <= WEIGHTS.mostEndingBars(); endings++) {
                    if (i + 2 * length <= n && isTwice(i, length, endings)) {
                        double cost = length + endings + sign.getValue() + best.get(i + 2 * length).cost();
                        least = cost < least.cost() ? new Part(cost, length, endings) : least;
                    }
                }
            }
            best.set(i, least);
        }
        return best;
    }

    private boolean isTwice(int from, int length, int endings) {
        if (!cuttable.get(from) || !cuttable.get(from + length) || !cuttable.get(from + 2 * length)) {
            return false;
        }
        int same = length - endings;
        for (int i = 0; i < same; i++) {
            if (!rounds.get(from + i).equals(rounds.get(from + length + i))) {
                return false;
            }
        }
        return endings == 0 || rounds.get(from + same).lead().equals(rounds.get(from + length + same).lead());
    }

    /** Writes rounds as bars; in a part of its own, or an ending, the first lead stands alone or with the bar before. */
    private void append(List<Bar> bars, int from, int to, boolean part, Optional<Integer> time) {
        for (int i = from; i < to; i++) {
            Round round = rounds.get(i);
            boolean joins = !bars.isEmpty() && (i > from || !part || time.isPresent());
            if (!round.lead().isEmpty() && joins && time.filter(t -> t > 1).isEmpty()) {
                Bar last = bars.removeLast();
                bars.add(last.withElements(joined(last.elements(), round.lead())));
            } else if (!round.lead().isEmpty() && time.isEmpty()) {
                bars.add(new Bar(0, round.lead(), BarLine.THIN, Optional.empty(), Optional.empty(), false));
            } else if (!round.lead().isEmpty() && i > from) {
                Bar last = bars.removeLast();
                bars.add(last.withElements(joined(last.elements(), round.lead())));
            }
            boolean first = i == from;
            bars.add(new Bar(0, round.main(), BarLine.THIN, time.map(t -> new Ending(List.of(t), first)), Optional.empty(), false));
        }
    }

    private static void last(List<Bar> bars, BarLine line) {
        Bar last = bars.removeLast();
        bars.add(closed(last, line));
    }

    private static Bar closed(Bar bar, BarLine line) {
        return new Bar(bar.number(), bar.elements(), line, bar.ending(), bar.part(), bar.endsSystem());
    }

    private List<Bar> inLines(List<Bar> bars) {
        Ratio half = tune.head().meter().barLength().times(Ratio.of(1, 2));
        List<Bar> lines = new ArrayList<>();
        int since = 0;
        for (int b = 0; b < bars.size(); b++) {
            Bar bar = bars.get(b);
            since += bar.length().isLess(half) ? 0 : 1;
            boolean section = bar.closing().repeatsBefore() > 0 && bar.ending().isEmpty() || bar.closing().style() == BarLine.Style.DOUBLE;
            boolean endingFollows = b + 1 < bars.size() && bars.get(b + 1).ending().isPresent();
            boolean ends = b + 1 == bars.size() || section || since >= 4 && !endingFollows && bar.ending().isEmpty();
            since = ends ? 0 : since;
            lines.add(new Bar(bar.number(), bar.elements(), bar.closing(), bar.ending(), bar.part(), ends));
        }
        return lines;
    }
}
