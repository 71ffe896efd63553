package wildflourish.sound.transport;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.DoubleUnaryOperator;
import wildflourish.core.ornament.Sound;
import wildflourish.core.tune.PlayedOut;

/** Finds the place in the score of what is heard. For one piece, made once. */
public final class Cursor {

    private final double[] starts;
    private final int[] notes;
    private final PlayedOut played;

    private Cursor(double[] starts, int[] notes, PlayedOut played) {
        this.starts = starts;
        this.notes = notes;
        this.played = played;
    }

    /** The cursor of a piece. */
    public static Cursor of(Piece piece) {
        DoubleUnaryOperator lilt = piece.lilt().over(piece.played());
        List<Sound> melody = piece.performance().melody().stream().sorted(Comparator.comparingDouble(Sound::atMs)).toList();
        return new Cursor(melody.stream().mapToDouble(s -> lilt.applyAsDouble(s.atMs())).toArray(),
                melody.stream().mapToInt(s -> piece.version().varied().plain(s.note())).toArray(), piece.played());
    }

    /**
     * The note of the plain tune that is played, or was last.
     *
     * @param ms milliseconds since the start of the piece
     * @return empty before the first note
     */
    public OptionalInt note(double ms) {
        int at = Arrays.binarySearch(starts, ms + 0.5);
        int index = at >= 0 ? at : -at - 2;
        return index < 0 ? OptionalInt.empty() : OptionalInt.of(notes[index]);
    }

    /**
     * Where that is.
     *
     * @param bar its printed number; 0 for a pickup
     * @param time how often that bar has begun so far, from 1
     */
    public record Spot(int bar, int time) {}

    /** The bar that is played at a moment. */
    public Spot place(double ms) {
        double position = played.positionAt(ms);
        PlayedOut.Heard now = played.bars().getFirst();
        for (PlayedOut.Heard bar : played.bars()) {
            if (bar.start().toDouble() > position + 1e-9) {
                break;
            }
            now = bar;
        }
        int time = 0;
        for (PlayedOut.Heard bar : played.bars()) {
            time += bar.bar() == now.bar() && !now.start().isLess(bar.start()) ? 1 : 0;
        }
        return new Spot(played.tune().tune().bars().get(now.bar()).number(), time);
    }
}
