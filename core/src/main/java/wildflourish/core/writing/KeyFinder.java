package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tune;

/** The key of notes that are known by their sound alone, and the names that they have in it. */
public final class KeyFinder {

    /**
     * What speaks for a key.
     *
     * @param outside taken off for the share of time outside the scale
     * @param accidental taken off for each accidental of the signature
     * @param modes what each mode has in its favour
     */
    record Weights(String provenance, double outside, double endsOnTonic, double tonicHeard, double fifthHeard, double accidental,
            Map<String, Double> modes) {}

    private static final Weights WEIGHTS = DataFile.read("writing/key.json", Weights.class);
    /** The middle of a key's seven notes on the circle of fifths, counted from its signature. */
    private static final int CENTRE = 2;

    private KeyFinder() {}

    /**
     * A note as it is heard.
     *
     * @param midi MIDI 1.0 note number
     * @param length how long it lasts, in any unit; positive
     */
    public record Heard(int midi, double length) {}

    /** The likeliest key of a tune: D major where there are no notes. */
    public static Key find(List<Heard> notes) {
        return best(notes, IntStream.rangeClosed(-6, 6).boxed().toList());
    }

    /** The likeliest key among those of a signature; major where nothing speaks against it. */
    public static Key ofSignature(int fifths, List<Heard> notes) {
        return notes.isEmpty() ? key(fifths, Mode.MAJOR) : best(notes, List.of(fifths));
    }

    private static Key best(List<Heard> notes, List<Integer> signatures) {
        if (notes.isEmpty()) {
            return Key.of(Step.D, 0, Mode.MAJOR);
        }
        double[] share = new double[12];
        double total = notes.stream().mapToDouble(Heard::length).sum();
        notes.forEach(n -> share[Math.floorMod(n.midi(), 12)] += n.length() / total);
        int last = Math.floorMod(notes.getLast().midi(), 12);
        List<Key> keys = new ArrayList<>();
        for (int fifths : signatures) {
            WEIGHTS.modes().keySet().stream().sorted().forEach(mode -> {
                int tonic = fifths - mode(mode).fifths();
                if (tonic >= -7 && tonic <= 11) {
                    keys.add(key(fifths, mode(mode)));
                }
            });
        }
        return keys.stream().max(Comparator.comparingDouble((Key k) -> worth(k, share, last)).thenComparing(k -> -Math.abs(k.fifths()))).orElseThrow();
    }

    private static Mode mode(String word) {
        return Mode.named(word).orElseThrow();
    }

    /** What speaks for a key and what against. */
    private static double worth(Key key, double[] share, int last) {
        double inside = 0;
        for (Step step : Step.values()) {
            inside += share[Math.floorMod(step.semitones() + key.alterOf(step), 12)];
        }
        int tonic = Math.floorMod(key.tonicPitch().midi(), 12);
        return -WEIGHTS.outside() * (1 - inside) + (last == tonic ? WEIGHTS.endsOnTonic() : 0) + WEIGHTS.tonicHeard() * share[tonic]
                + WEIGHTS.fifthHeard() * share[(tonic + 7) % 12] - WEIGHTS.accidental() * Math.abs(key.fifths())
                + WEIGHTS.modes().getOrDefault(key.mode().word(), 0.0);
    }

    /**
     * The key of a signature and a mode.
     *
     * @param fifths sharps (negative: flats) of the signature, from −11 to 11
     */
    public static Key key(int fifths, Mode mode) {
        int tonic = fifths - mode.fifths();
        Step step = step(tonic);
        return Key.of(step, Math.clamp((tonic - step.fifths()) / 7, -1, 1), mode);
    }

    private static Step step(int place) {
        for (Step step : Step.values()) {
            if (Math.floorMod(place - step.fifths(), 7) == 0) {
                return step;
            }
        }
        throw new IllegalStateException();
    }

    /** A sound under the name that a key gives it: a note of its scale, else the nearest to it on the circle of fifths. */
    public static Pitch spelled(int midi, Key key) {
        Pitch best = Pitch.ofMidi(midi);
        int least = Integer.MAX_VALUE;
        for (Step step : Step.values()) {
            int alter = Math.floorMod(midi - step.semitones() + 6, 12) - 6;
            int away = alter == key.alterOf(step) ? -1 : Math.abs(2 * (step.fifths() + 7 * alter - key.fifths() - CENTRE) - 1);
            if (alter >= -2 && alter <= 2 && away < least) {
                least = away;
                best = new Pitch(step, alter, Math.floorDiv(midi - alter, 12) - 1);
            }
        }
        return best;
    }

    /** A tune in another key that sounds the same: each note has the name that the key gives it. */
    public static Tune renamed(Tune tune, Key key) {
        List<Bar> bars = tune.bars().stream().map(b -> b.withElements(b.elements().stream().map(e -> e instanceof Note note
                ? (Element) note.withPitches(note.pitches().stream().map(p -> spelled(p.midi(), key)).toList()) : e).toList())).toList();
        Head h = tune.head();
        return new Tune(new Head(h.number(), h.titles(), h.composers(), h.rhythm(), h.meter(), h.unit(), h.tempo(), key, h.order(), h.fields()), tune.opening(), bars);
    }
}
