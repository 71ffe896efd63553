package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/**
 * Tonic, mode and scale as the notes have them.
 *
 * @param key tonic and mode; empty for a tune without notes
 * @param written the key that is written over most of the tune: that of its head, unless another lasts longer
 * @param degrees which of the seven degrees of the mode occur, from 1
 * @param outside pitches without octave that are not of the mode, by name, with the notes that have them
 * @param once notes whose pitch the tune has only once
 * @param remark where the notes and the written key disagree, or leave the mode open: a sentence
 */
public record Tonality(
        Optional<Key> key, Key written, List<Integer> degrees, TreeMap<String, List<Integer>> outside, List<Integer> once,
        Optional<String> remark) {

    record Weights(
            String provenance, List<Mode> modes, int inScale, int outside, int onTonic, int onFifth, int restOnTonic,
            int restOnFifth, int lastOnTonic, int firstOnTonic, int written, double passing) {}

    static final Weights WEIGHTS = DataFile.read("reading/tonality.json", Weights.class);
    private static final List<String> NUMBERS =
            List.of("no", "one", "two", "three", "four", "five", "six", "seven");
    static final List<String> ORDINALS =
            List.of("", "first", "second", "third", "fourth", "fifth", "sixth", "seventh");

    /**
     * Every tonic and mode is tried; the one that the notes speak for most is taken, the written one among equals. Stretches with
     * a key of their own say nothing about the tune's.
     */
    static Tonality of(Timeline timeline, List<Phrase> phrases) {
        Key written = mostly(timeline);
        if (timeline.size() == 0) {
            return new Tonality(Optional.empty(), written, List.of(), new TreeMap<>(), List.of(), Optional.empty());
        }
        List<Stand> home = timeline.notes().stream().filter(s -> s.key().equals(written)).toList();
        double[] time = new double[12];
        double[] rests = new double[12];
        weigh(home, time);
        for (Phrase phrase : phrases) {
            Stand end = timeline.note(phrase.lastNote());
            rests[end.pitch().midi() % 12] += end.key().equals(written) ? 1 : 0;
        }
        int last = home.getLast().pitch().midi() % 12;
        int first = home.stream().filter(s -> s.strength() == 3).findFirst().orElse(home.getFirst()).pitch().midi() % 12;
        double best = Double.NEGATIVE_INFINITY;
        Key found = written;
        for (int tonic = 0; tonic < 12; tonic++) {
            for (Mode mode : WEIGHTS.modes()) {
                Key key = spelled(tonic, mode, written);
                double worth = worth(key, time) + WEIGHTS.restOnTonic() * rests[tonic]
                        + WEIGHTS.restOnFifth() * rests[(tonic + 7) % 12]
                        + (last == tonic ? WEIGHTS.lastOnTonic() : 0) + (first == tonic ? WEIGHTS.firstOnTonic() : 0);
                boolean asWritten = !written.open() && tonic == Math.floorMod(written.tonicPitch().midi(), 12)
                        && mode == written.mode();
                worth += asWritten ? WEIGHTS.written() : 0;
                if (worth > best + 1e-9) {
                    best = worth;
                    found = asWritten ? written : key;
                }
            }
        }
        return described(timeline, found, written);
    }

    /** The key in force for the longest time; of equals the first. */
    private static Key mostly(Timeline timeline) {
        Map<Key, Ratio> lasts = new LinkedHashMap<>();
        timeline.notes().forEach(s -> lasts.merge(s.key(), s.note().length(), Ratio::plus));
        Key most = timeline.tune().head().key();
        for (Map.Entry<Key, Ratio> key : lasts.entrySet()) {
            most = lasts.getOrDefault(most, Ratio.ZERO).isLess(key.getValue()) ? key.getKey() : most;
        }
        return most;
    }

    /** The time spent on each pitch class, in quavers; an accidental that takes less than a twentieth of it says nothing. */
    private static void weigh(List<Stand> notes, double[] time) {
        double all = 0;
        double[] accidental = new double[12];
        for (Stand stand : notes) {
            int pitchClass = stand.pitch().midi() % 12;
            double quavers = stand.note().length().toDouble() * 8;
            all += quavers;
            time[pitchClass] += quavers;
            accidental[pitchClass] += isInSignature(stand) ? 0 : quavers;
        }
        for (int c = 0; c < 12; c++) {
            boolean passing = accidental[c] == time[c] && time[c] < all * WEIGHTS.passing();
            time[c] = passing ? 0 : time[c];
        }
    }

    /** Whether a note has the alteration that the signature in force gives its letter. */
    private static boolean isInSignature(Stand stand) {
        return stand.key().open() ? false : stand.pitch().alter() == stand.key().alterOf(stand.pitch().step());
    }

    private static double worth(Key key, double[] time) {
        boolean[] in = scale(key);
        int tonic = Math.floorMod(key.tonicPitch().midi(), 12);
        double worth = WEIGHTS.onTonic() * time[tonic] + WEIGHTS.onFifth() * time[(tonic + 7) % 12];
        for (int c = 0; c < 12; c++) {
            worth += in[c] ? WEIGHTS.inScale() * time[c] : -WEIGHTS.outside() * time[c];
        }
        return worth;
    }

    /** The seven pitch classes of a key's mode, whatever accidentals the writer has set beside it. */
    private static boolean[] scale(Key key) {
        boolean[] in = new boolean[12];
        Key plain = Key.of(key.tonic(), key.tonicAlter(), key.mode());
        for (int d = 0; d < 7; d++) {
            in[Math.floorMod(plain.step(plain.tonicPitch(), d).midi(), 12)] = true;
        }
        return in;
    }

    /** A key on a pitch class, spelled with as few accidentals as it goes. */
    private static Key spelled(int tonic, Mode mode, Key written) {
        @Nullable Key best = null;
        for (Step step : Step.values()) {
            for (int alter = -1; alter <= 1; alter++) {
                Key key = Key.of(step, alter, mode);
                if (Math.floorMod(key.tonicPitch().midi(), 12) == tonic && (best == null
                        || Math.abs(key.fifths() - written.fifths()) < Math.abs(best.fifths() - written.fifths()))) {
                    best = key;
                }
            }
        }
        return Objects.requireNonNull(best);
    }

    private static Tonality described(Timeline timeline, Key key, Key written) {
        boolean[] in = scale(key);
        Key plain = Key.of(key.tonic(), key.tonicAlter(), key.mode());
        TreeSet<Integer> degrees = new TreeSet<>();
        TreeMap<String, List<Integer>> outside = new TreeMap<>();
        TreeMap<Integer, List<Integer>> byMidi = new TreeMap<>();
        for (Stand stand : timeline.notes()) {
            if (stand.heldOver()) {
                continue;
            }
            byMidi.computeIfAbsent(stand.pitch().midi(), p -> new ArrayList<>()).add(stand.index());
            int pitchClass = stand.pitch().midi() % 12;
            boolean moved = !stand.key().equals(written) && !stand.key().open();
            if (in[pitchClass] || isInSignature(stand)) {
                for (int d = 0; d < 7; d++) {
                    if (!moved && Math.floorMod(plain.step(plain.tonicPitch(), d).midi(), 12) == pitchClass) {
                        degrees.add(d + 1);
                    }
                }
            } else {
                Pitch pitch = stand.pitch();
                outside.computeIfAbsent(pitch.spoken(), p -> new ArrayList<>()).add(stand.index());
            }
        }
        List<Integer> once = byMidi.values().stream().filter(n -> n.size() == 1).map(List::getFirst).sorted().toList();
        return new Tonality(Optional.of(key), written, List.copyOf(degrees), outside, once,
                KeyRemark.of(timeline, key, written, degrees));
    }

    static List<Integer> missing(java.util.Collection<Integer> degrees) {
        List<Integer> missing = new ArrayList<>();
        for (int d = 1; d <= 7; d++) {
            if (!degrees.contains(d)) {
                missing.add(d);
            }
        }
        return missing;
    }

    /** The notes of the mode that occur, from the tonic up, as {@code F#}. */
    public List<String> notes() {
        return key.map(k -> {
            Key plain = Key.of(k.tonic(), k.tonicAlter(), k.mode());
            return degrees.stream().map(d -> plain.step(plain.tonicPitch(), d - 1).toString().replaceAll("-?[0-9]+$", "")).toList();
        }).orElse(List.of());
    }

    /** The degrees of the mode that the tune does without, from 1. */
    public List<Integer> missing() {
        return missing(degrees);
    }

    /** For reading: {@code six notes: no sixth}. */
    public String scaleInWords() {
        if (degrees.size() == 7) {
            return "all seven notes";
        }
        List<String> names = missing().stream().map(ORDINALS::get).toList();
        return "%s notes: no %s".formatted(NUMBERS.get(degrees.size()), String.join(" and no ", names));
    }
}
