package wildflourish.sound.microphone;

import java.util.List;
import java.util.function.Supplier;
import wildflourish.core.hearing.Heard;
import wildflourish.core.hearing.HeardDrill;
import wildflourish.core.hearing.HeardPass;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.practice.Drill;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.hearing.Samples;
import wildflourish.sound.input.Stretch;
import wildflourish.sound.transport.Piece;

/**
 * What a microphone heard of a stretch.
 *
 * @param samples {@link Ears#RATE} a second
 * @param startMs when the first of them was played, since the stretch begins
 */
public record Overheard(Stretch stretch, Supplier<float[]> samples, double startMs) {

    /** Listens to a tune again, now that all of it is there; takes its time. */
    public HeardPass pass() {
        Piece piece = stretch.leg().piece();
        double from = piece.played().msAt(stretch.leg().span().from());
        Heard heard = Ears.listen(Samples.mono(samples.get(), Ears.RATE), s -> { }, () -> false);
        return HeardPass.of(piece.version(), new HeardVersion.Stretch(from, piece.played().msAt(stretch.leg().span().to())), stretch.expected(), heard, startMs);
    }

    /** Listens to a drill again: its onsets since the stretch begins; takes its time. */
    public List<Double> onsets(Drill drill) {
        return HeardDrill.onsets(drill, stretch.expected(), Ears.listen(samples.get()), startMs);
    }
}
