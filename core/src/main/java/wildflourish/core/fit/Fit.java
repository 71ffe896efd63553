package wildflourish.core.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Tune;

/**
 * A tune in every key on some instruments. Each cell is the exact plan of the tune as it would be played there: nothing is estimated.
 *
 * @param singers who sings it
 * @param cells for each instrument, in the order given, the keys from five semitones down to six up
 */
public record Fit(Tune tune, List<Singer> singers, List<Cell> cells) {

    /** The lowest key looked at, in semitones from the tune's own. */
    public static final int LOWEST = -5;
    /** The highest. */
    public static final int HIGHEST = 6;
    private static final int OCTAVE = 12;
    private static final int NAMED = 3;
    private static final int WAYS = 5;

    /**
     * A tune in a key on an instrument.
     *
     * @param offset semitones from the tune's own key, from {@link #LOWEST} to {@link #HIGHEST}
     * @param sounding the key that is heard
     * @param fingered the key that the player's fingers think in
     * @param shift semitones that the notes are moved by: the offset, in the octave that lies best
     */
    public record Cell(Instrument instrument, int offset, Key sounding, Key fingered, int shift, Lie lie) {

        /** Whether every note is there. */
        public boolean isWhole() {
            return lie.missing().isEmpty();
        }

        /** The bare tune of an arrangement as it is played here. */
        public Arrangement bare(Arrangement of) {
            return Arrangement.bare(Moved.by(of.tune(), shift), instrument).with(of.tempo());
        }

        /** As players say it: {@code E minor fingering on the B flat whistle}. */
        public String inWords() {
            if (instrument.capo() > 0) {
                return "%s shapes on the %s, capo %d".formatted(fingered.spoken(), instrument.name(), instrument.capo());
            }
            return fingered.equals(sounding) ? "%s on the %s".formatted(sounding.spoken(), instrument.name())
                    : "%s fingering on the %s".formatted(fingered.spoken(), instrument.name());
        }

        /** What it costs, the dearest first: {@code 12 register crossings, 4 forked fingerings}. */
        public String why() {
            return lie.terms().isEmpty() ? "it costs nothing" : String.join(", ", lie.terms().stream().limit(NAMED).map(Lie.Term::inWords).toList());
        }
    }

    public Fit {
        singers = List.copyOf(singers);
        cells = List.copyOf(cells);
    }

    /** The tune in all keys on these instruments; several are worked out at once. */
    public static Fit of(Tune tune, List<Instrument> instruments, School school) {
        return of(tune, instruments, List.of(), school);
    }

    /** As {@link #of(Tune, List, School)}, with some who sing. */
    public static Fit of(Tune tune, List<Instrument> instruments, List<Singer> singers, School school) {
        Weighing weighing = new Weighing(tune, school);
        return new Fit(tune, singers, instruments.parallelStream().map(i -> column(i, weighing)).toList().stream().flatMap(List::stream).toList());
    }

    /** The tune in all keys on one instrument. */
    public static List<Cell> column(Tune tune, Instrument instrument, School school) {
        return column(instrument, new Weighing(tune, school));
    }

    private static List<Cell> column(Instrument instrument, Weighing weighing) {
        return IntStream.rangeClosed(LOWEST, HIGHEST).mapToObj(o -> cell(instrument, weighing, o)).toList();
    }

    /** The tune in one key on an instrument, in the octave in which fewest notes are missing, then the hands have least to do, then it is moved least. */
    public static Cell cell(Tune tune, Instrument instrument, School school, int offset) {
        return cell(instrument, new Weighing(tune, school), offset);
    }

    private static Cell cell(Instrument instrument, Weighing weighing, int offset) {
        List<Integer> octaves = new ArrayList<>();
        int least = Integer.MAX_VALUE;
        for (int octave : List.of(0, 1, -1)) {
            int missing = weighing.missing(instrument, offset + octave * OCTAVE);
            if (missing < least) {
                octaves.clear();
                least = missing;
            }
            if (missing == least) {
                octaves.add(octave);
            }
        }
        Key own = weighing.tune().head().key();
        Key sounding = Moved.by(own, Moved.interval(own, offset));
        Key fingered = Fingered.of(sounding, instrument).fingered();
        return octaves.stream().map(octave -> new Cell(instrument, offset, sounding, fingered, offset + OCTAVE * octave, weighing.lie(instrument, offset + OCTAVE * octave))).min(Comparator.comparingInt((Cell c) -> c.lie().cost()).thenComparingInt(c -> Math.abs(c.shift()))).orElseThrow();
    }

    /**
     * How a key is played easily: on an instrument whose fingers think in another key, or behind a capo. The easiest of each kind of hands, then the next.
     *
     * @param offset semitones from the tune's own key
     */
    public static List<Cell> ways(Tune tune, int offset, School school) {
        List<Instrument> candidates = Instruments.all().stream().filter(Instrument::hasHands).flatMap(i -> i.takesCapo()
                ? IntStream.rangeClosed(0, Lie.highestCapo()).mapToObj(i::withCapo) : i.changesShapes() ? Stream.of(i) : Stream.empty()).toList();
        Weighing weighing = new Weighing(tune, school);
        List<Cell> all = candidates.parallelStream().map(i -> cell(i, weighing, offset)).toList();
        Map<String, Cell> best = new LinkedHashMap<>();
        all.stream().sorted(Comparator.comparingInt((Cell c) -> c.lie().missing().size()).thenComparingDouble(c -> c.lie().effort())).forEach(c ->
                best.putIfAbsent((c.instrument().takesCapo() ? c.instrument().id() : "open holes ") + (c.instrument().takesCapo() ? "" : c.fingered().spoken()), c));
        return best.values().stream().limit(WAYS).toList();
    }

    /** The cell of a key on an instrument; empty where it was not asked for. */
    public Optional<Cell> at(Instrument instrument, int offset) {
        return cells.stream().filter(c -> c.instrument().equals(instrument) && c.offset() == offset).findFirst();
    }

    /** The instruments, in the order given. */
    public List<Instrument> instruments() {
        return cells.stream().map(Cell::instrument).distinct().toList();
    }

    /** The keys in which a tune lies best on an instrument: whole ones first, then the cheapest, then the nearest. */
    public List<Cell> best(Instrument instrument) {
        return cells.stream().filter(c -> c.instrument().equals(instrument))
                .sorted(Comparator.comparingInt((Cell c) -> c.lie().missing().size()).thenComparingInt(c -> c.lie().cost()).thenComparingInt(c -> Math.abs(c.offset()))).limit(NAMED).toList();
    }

    /** Every key for all of them together, from the lowest up. */
    public List<ClassKey> classKeys() {
        return IntStream.rangeClosed(LOWEST, HIGHEST).mapToObj(o -> new ClassKey(cells.stream().filter(c -> c.offset() == o).toList(),
                singers.stream().map(s -> s.sing(tune, o)).toList())).toList();
    }

    /** The key that leaves fewest players without a note, then fewest notes out, then is easiest, then nearest. */
    public ClassKey nobodyBehind() {
        return classKeys().stream().min(Comparator.comparingInt(ClassKey::behind).thenComparingInt(ClassKey::missing).thenComparingDouble(ClassKey::effort)
                .thenComparingInt(k -> Math.abs(k.offset()))).orElseThrow();
    }

    /** The key that is easiest on the whole, notes that are not there counted as dear as they are. */
    public ClassKey easiest() {
        return classKeys().stream().min(Comparator.comparingDouble(ClassKey::effort).thenComparingInt(k -> Math.abs(k.offset()))).orElseThrow();
    }
}
