package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/**
 * A note of a phrase as the ear takes it, ties joined.
 *
 * @param note index of the written note
 * @param at time since the first bar line of the phrase, in {@link #GRAIN}ths of a whole note
 * @param length in the same unit
 */
record Tone(int note, Pitch pitch, long at, long length) {

    /** Fine enough for every usual note value, triplets, quintuplets and septuplets among them. */
    static final long GRAIN = 20_160;
    static final long QUAVER = GRAIN / 8;

    /** The tones of a stretch of notes; its first starts at 0. */
    static List<Tone> of(Timeline timeline, int from, int to) {
        List<Tone> tones = new ArrayList<>();
        Ratio start = from < to ? timeline.note(from).onset() : Ratio.ZERO;
        for (int n = from; n < to; n++) {
            Stand stand = timeline.note(n);
            long length = grains(stand.note().length());
            if (stand.heldOver() && !tones.isEmpty()) {
                Tone last = tones.removeLast();
                tones.add(new Tone(last.note(), last.pitch(), last.at(), last.length() + length));
            } else {
                tones.add(new Tone(n, stand.pitch(), grains(stand.onset().minus(start)), length));
            }
        }
        return tones;
    }

    private static long grains(Ratio length) {
        return length.times(GRAIN).floor();
    }

    long end() {
        return at + length;
    }

    /** The same pitch at the same moment for the same time. */
    boolean isSameAs(Tone other) {
        return hasRhythmOf(other) && pitch.midi() == other.pitch.midi();
    }

    boolean hasRhythmOf(Tone other) {
        return at == other.at && length == other.length;
    }
}
