package wildflourish.core.fit;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.planning.FingeringPlan;
import wildflourish.core.planning.Spent;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

/**
 * How a tune lies on an instrument: what the cheapest plan of its bare notes spends, and the notes that are not there. Each figure is the plan's own, none is guessed.
 *
 * @param terms what the plan spends, the dearest first; before them notes that are not there as the term {@code missing}, behind them a key that such hands are
 *     seldom in as {@code far-key}
 * @param cost the sum of the terms, in the units of the planner's data
 * @param missing indices of the notes that the instrument has not
 * @param worst printed number of the bar that costs most for its length; 0 where nothing costs
 * @param byBar what is spent in each bar, by its index in the tune; bars in which nothing is spent are left out
 */
public record Lie(Instrument instrument, int notes, List<Term> terms, int cost, List<Integer> missing, int worst, SortedMap<Integer, Double> byBar) {

    private static final String MISSING = "missing";
    private static final String FAR_KEY = "far-key";
    private static final Scale SCALE = scale();

    /**
     * Something that costs the player.
     *
     * @param words for reading: {@code 14 string crossings}
     * @param bars printed numbers of the bars in which it happens
     */
    public record Term(String term, int count, int cost, String words, SortedSet<Integer> bars) {

        /** For reading, with its bars where they are few. */
        public String inWords() {
            return bars.isEmpty() || bars.size() > FEW_BARS ? words : words + " (" + BarNames.all(bars) + ")";
        }
    }

    private static final int FEW_BARS = 4;

    /**
     * What weighs beside the planner's terms.
     *
     * @param missing what a note that is not there costs
     * @param usual what hands of each kind spend in a second on a usual tune, by the name of their weights
     * @param farKeys what keys cost that hands of a kind are seldom in, by the name of their weights
     * @param highestCapo higher than this nobody puts a capo
     * @param easier a tune is easier than another when it is at most so many times as hard
     * @param levels from the easiest, each up to so many times the usual
     */
    record Scale(String provenance, int missing, Map<String, Double> usual, Map<String, FarKeys> farKeys, int highestCapo, double easier, List<Level> levels) {}

    /**
     * The keys that hands are at home in, and what it costs to be farther.
     *
     * @param flattest flats (negative) or sharps of the flattest signature that they are at home in
     * @param sharpest those of the sharpest
     * @param perNote what each sign beyond costs on each note
     */
    record FarKeys(int flattest, int sharpest, double perNote) {

        int signs(int fifths) {
            return Math.max(0, Math.max(flattest - fifths, fifths - sharpest));
        }
    }

    /** How hard, up to so many times the usual. */
    record Level(String words, double upTo) {}

    public Lie {
        terms = List.copyOf(terms);
        missing = List.copyOf(missing);
        byBar = Collections.unmodifiableSortedMap(new TreeMap<>(byBar));
    }

    private static Scale scale() {
        Scale read = DataFile.read("fit/lie.json", Scale.class);
        if (read.levels().isEmpty() || read.missing() < 1 || read.usual().values().stream().anyMatch(u -> u <= 0)) {
            throw new DataFault("fit/lie.json: it wants levels, and weights above 0");
        }
        return read;
    }

    /** How the bare notes of a tune lie in a plan of them. */
    public static Lie of(Timeline tune, FingeringPlan plan) {
        List<Integer> missing = plan.missing();
        List<Term> terms = new ArrayList<>();
        SortedMap<Integer, Double> byBar = new TreeMap<>();
        for (Spent spent : plan.spent()) {
            terms.add(new Term(spent.term(), spent.count(), spent.cost(), spent.words(), bars(tune, spent.notes())));
            spent.notes().forEach(n -> byBar.merge(tune.note(n).bar(), (double) spent.cost() / spent.notes().size(), Double::sum));
        }
        if (!missing.isEmpty()) {
            terms.addFirst(new Term(MISSING, missing.size(), missing.size() * SCALE.missing(),
                    missing.size() == 1 ? "a note that is not on it" : missing.size() + " notes that are not on it", bars(tune, missing)));
            missing.forEach(n -> byBar.merge(tune.note(n).bar(), (double) SCALE.missing(), Double::sum));
        }
        farKey(tune, plan.instrument()).ifPresent(terms::add);
        int worst = byBar.entrySet().stream().max(Map.Entry.<Integer, Double>comparingByValue().thenComparing(Map.Entry.comparingByKey(java.util.Comparator.reverseOrder())))
                .map(e -> tune.tune().bars().get(e.getKey()).number()).orElse(0);
        return new Lie(plan.instrument(), tune.size(), terms, terms.stream().mapToInt(Term::cost).sum(), missing, worst, byBar);
    }

    /** The same in hands that do the same. */
    Lie on(Instrument other) {
        return new Lie(other, notes, terms, cost, missing, worst, byBar);
    }

    /** What it costs that the fingers are in a key that such hands are seldom in. */
    private static Optional<Term> farKey(Timeline tune, Instrument instrument) {
        FarKeys keys = instrument.family().weights().map(SCALE.farKeys()::get).orElse(null);
        Key sounding = tune.tune().head().key();
        if (keys == null || sounding.open()) {
            return Optional.empty();
        }
        Key fingered = Moved.by(sounding, Moved.interval(sounding, -instrument.shapesBelow()));
        int signs = keys.signs(fingered.fifths());
        return signs == 0 ? Optional.empty() : Optional.of(new Term(FAR_KEY, signs, (int) Math.round(signs * tune.size() * keys.perNote()),
                "a key %s beyond those that these hands are at home in".formatted(signs == 1 ? "one sign" : signs + " signs"), new TreeSet<>()));
    }

    private static SortedSet<Integer> bars(Timeline tune, List<Integer> notes) {
        SortedSet<Integer> bars = new TreeSet<>();
        notes.forEach(n -> bars.add(tune.note(n).barNumber()));
        return bars;
    }

    /** What a single note costs on average; the figure to compare tunes of other lengths by. */
    public double perNote() {
        return notes == 0 ? 0 : (double) cost / notes;
    }

    /** What it costs, measured by what hands of its kind spend in a second on a usual tune, so that kinds of hands can be put together; no unit. */
    public double effort() {
        return instrument.family().weights().map(SCALE.usual()::get).map(u -> cost / u).orElse(0.0);
    }

    /**
     * How many times as hard as a usual tune of its kind of hands it is at a tempo: what is spent in a second against what a usual tune spends.
     *
     * @param length of the tune, as a ratio of a whole note
     */
    public double timesUsual(Ratio length, Tempo tempo) {
        double seconds = tempo.millis(length).toDouble() / 1000;
        Double usual = instrument.family().weights().map(SCALE.usual()::get).orElse(null);
        return usual == null || seconds <= 0 ? 0 : cost / seconds / usual;
    }

    /** The highest fret that anybody puts a capo at. */
    static int highestCapo() {
        return SCALE.highestCapo();
    }

    /** At most so many times as hard is easier. */
    static double easier() {
        return SCALE.easier();
    }

    /** How hard it is, in a word: {@code easy}. */
    public static String inWords(double timesUsual) {
        return SCALE.levels().stream().filter(l -> timesUsual <= l.upTo()).findFirst().orElse(SCALE.levels().getLast()).words();
    }

    /** The words for how hard a tune is, from the easiest. */
    public static List<String> levels() {
        return SCALE.levels().stream().map(Level::words).toList();
    }

    /** Where a word stands among {@link #levels}. */
    static int level(double timesUsual) {
        return IntStream.range(0, SCALE.levels().size()).filter(i -> timesUsual <= SCALE.levels().get(i).upTo()).findFirst().orElse(SCALE.levels().size() - 1);
    }
}
