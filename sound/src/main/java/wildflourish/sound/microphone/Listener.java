package wildflourish.sound.microphone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Supplier;
import wildflourish.core.practice.Expected;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.hearing.LiveEars;
import wildflourish.sound.input.Stretch;
import wildflourish.sound.input.Tapper;

/** Listens to the instrument itself, in place of taps. For one thread, but for what it gives away. */
public final class Listener implements Tapper {

    /** What comes farther from a note, as a share of the time to the next, is not its onset. */
    private static final double NEAR = 0.45;

    private final Microphone microphone;
    private final Set<Integer> begun = new HashSet<>();
    private Optional<Stretch> stretch = Optional.empty();
    private LiveEars ears = new LiveEars();
    private float[] samples = new float[Ears.RATE];
    private int size;
    private double delayMs;

    /** On a microphone. */
    public Listener(Microphone microphone) {
        this.microphone = microphone;
    }

    /** How much later than it was played it is told of, in milliseconds. */
    public void setDelay(double ms) {
        delayMs = ms;
    }

    @Override
    public String name() {
        return microphone.name();
    }

    @Override
    public void begin(Expected expected, int pass) {
        throw new UnsupportedOperationException("a listener has to know what is played");
    }

    @Override
    public void begin(Stretch next) {
        stretch = Optional.of(next);
        ears = new LiveEars();
        begun.clear();
        size = 0;
        microphone.begin(next);
    }

    /** The onsets made since this was last asked; of what is done on a note only where it begins, as far as that can be told at once. */
    @Override
    public List<Double> upTo(double nowMs) {
        if (stretch.isEmpty()) {
            return List.of();
        }
        float[] more = microphone.upTo(nowMs);
        samples = size + more.length > samples.length ? Arrays.copyOf(samples, Math.max(2 * samples.length, size + more.length)) : samples;
        System.arraycopy(more, 0, samples, size, more.length);
        size += more.length;
        List<Double> onsets = new ArrayList<>();
        for (double ms : ears.add(more)) {
            double onset = ms + startMs();
            if (stretch.get().drill().isPresent() || isOfANoteNotBegun(stretch.get().expected(), onset)) {
                onsets.add(onset);
            }
        }
        return onsets;
    }

    private double startMs() {
        return microphone.startMs() - delayMs;
    }

    /** Whether the nearest note that is expected has not begun yet: what comes on a note is no onset of the tune. */
    private boolean isOfANoteNotBegun(Expected expected, double onset) {
        int nearest = -1;
        double least = Double.MAX_VALUE;
        for (int i = 0; i < expected.size(); i++) {
            double away = Math.abs(expected.onsets().get(i).atMs() - onset);
            if (away < least) {
                least = away;
                nearest = i;
            }
        }
        return nearest >= 0 && least <= NEAR * room(expected, nearest) && begun.add(nearest);
    }

    /** The shorter of the times to the notes before and behind it, in milliseconds. */
    private static double room(Expected expected, int note) {
        double at = expected.onsets().get(note).atMs();
        double before = note == 0 ? Double.MAX_VALUE : at - expected.onsets().get(note - 1).atMs();
        double behind = note + 1 == expected.size() ? Double.MAX_VALUE : expected.onsets().get(note + 1).atMs() - at;
        return Math.min(before, behind);
    }

    /** The pitch that is heard now, as a MIDI note number in fractions. */
    public OptionalDouble pitch() {
        double pitch = ears.pitch();
        return Double.isNaN(pitch) ? OptionalDouble.empty() : OptionalDouble.of(pitch);
    }

    /** All that has been heard of the stretch; to be looked at on any thread. Empty where nothing has begun. */
    public Optional<Overheard> overheard() {
        float[] come = Arrays.copyOf(samples, size);
        Supplier<float[]> rest = microphone.rest();
        return stretch.map(s -> new Overheard(s, () -> {
            float[] more = rest.get();
            float[] all = Arrays.copyOf(come, come.length + more.length);
            System.arraycopy(more, 0, all, come.length, more.length);
            return all;
        }, startMs()));
    }

    @Override
    public void close() {
        microphone.close();
    }
}
