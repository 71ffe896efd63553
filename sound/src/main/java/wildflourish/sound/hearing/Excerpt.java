package wildflourish.sound.hearing;

import wildflourish.sound.transport.Sounding;
import wildflourish.sound.voice.Voice;

/** A stretch of a take as it is played: slower or faster, higher or lower, once or again and again. */
public final class Excerpt implements Sounding {

    private final Take take;
    private final double fromMs;
    private final double toMs;
    private final Shift shift;
    private final boolean again;
    private final float[][] block = new float[1][512];
    private Audio moved;
    private boolean done;

    /**
     * A stretch of at least a tenth of a second, where the take is as long.
     *
     * @param again whether it begins anew at its end
     */
    public Excerpt(Take take, double fromMs, double toMs, Shift shift, boolean again) {
        this.take = take;
        this.fromMs = Math.clamp(fromMs, 0, Math.max(0, take.lengthMs() - 100));
        this.toMs = Math.clamp(toMs, Math.min(this.fromMs + 100, take.lengthMs()), take.lengthMs());
        this.shift = shift;
        this.again = again;
        this.moved = moved();
    }

    private Audio moved() {
        Audio slowed = shift.of(take.audio(fromMs, toMs));
        return slowed.rate() == Voice.RATE ? slowed : Resampled.at(slowed, Voice.RATE);
    }

    @Override
    public void render(float[] into, int from, int to) {
        int at = from;
        while (at < to && !done) {
            int wanted = Math.min(block[0].length, to - at);
            float[][] piece = wanted == block[0].length ? block : new float[1][wanted];
            int count = moved.read(piece);
            for (int i = 0; i < count; i++) {
                into[at + i] += piece[0][i];
            }
            at += count;
            if (count == 0) {
                done = !again;
                moved = again ? moved() : moved;
            }
        }
    }

    @Override
    public boolean isDone() {
        return done;
    }

    /** Where in the take one is after so many samples have been heard, in milliseconds. */
    public double ms(long heard) {
        double since = Math.max(0, heard) * 1000.0 / Voice.RATE * shift.tempo();
        double length = toMs - fromMs;
        return fromMs + (again ? since % length : Math.min(since, length));
    }
}
