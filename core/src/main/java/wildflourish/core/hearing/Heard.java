package wildflourish.core.hearing;

/**
 * What was heard of one instrument, frame after frame at an even distance: its pitch, its level, and where it starts anew.
 *
 * @param hopMs milliseconds from one frame to the next; the first is at 0
 * @param midi sounding MIDI note number in fractions; not a number where no pitch is heard
 * @param level in decibels below full scale, 0 or less
 * @param attack where a new start is heard: 0 for none, 1 for a clear one, as of the tongue, a stroke or a pluck
 */
public record Heard(double hopMs, float[] midi, float[] level, float[] attack) {

    public Heard {
        if (!(hopMs > 0) || midi.length != level.length || midi.length != attack.length) {
            throw new IllegalArgumentException("frames come at an even distance, and each has its pitch, level and attack");
        }
    }

    /** How many frames there are. */
    public int size() {
        return midi.length;
    }

    /** Whether a pitch is heard. */
    public boolean isPitched(int frame) {
        return !Float.isNaN(midi[frame]);
    }

    /** The frame at a moment, within what was heard. */
    public int frame(double ms) {
        return Math.clamp(Math.round(ms / hopMs), 0, Math.max(0, midi.length - 1));
    }

    /** The moment of a frame, in milliseconds. */
    public double ms(int frame) {
        return frame * hopMs;
    }

    /**
     * How far the instrument is from A = 440 Hz, in semitones from −0.5 to 0.5: the direction in which the pitches of all frames lie from the twelve tones, as a mean on the
     * circle, so that it needs to know no key. 0 where nothing is pitched.
     */
    public double tuning() {
        double x = 0;
        double y = 0;
        for (float pitch : midi) {
            if (!Float.isNaN(pitch)) {
                double turn = 2 * Math.PI * (pitch - Math.rint(pitch));
                x += Math.cos(turn);
                y += Math.sin(turn);
            }
        }
        return x == 0 && y == 0 ? 0 : Math.atan2(y, x) / (2 * Math.PI);
    }
}
