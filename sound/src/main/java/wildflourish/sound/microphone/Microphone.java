package wildflourish.sound.microphone;

import java.util.function.Supplier;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.input.Stretch;

/** Where the sound of somebody who plays comes in: one channel of {@link Ears#RATE} samples a second. Moments are milliseconds since the stretch begins that is played. */
public interface Microphone extends AutoCloseable {

    /** What is heard of a stretch begins so long before it: the first note may come early. */
    double LEAD_MS = 200;

    /** As it is told to whoever plays. */
    String name();

    /** A stretch is about to begin, which ends the one before. */
    void begin(Stretch stretch);

    /** What has come in since this was last asked, up to a moment; where there is nothing yet, nothing. */
    float[] upTo(double nowMs);

    /** What of the stretch is still to come though it is over; may be waited for, on any thread. */
    default Supplier<float[]> rest() {
        return () -> new float[0];
    }

    /** When the first sample of the stretch came in; less than 0 before its beginning. */
    double startMs();

    @Override
    default void close() {}
}
