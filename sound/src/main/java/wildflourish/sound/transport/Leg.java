package wildflourish.sound.transport;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.practice.CountIn;
import wildflourish.core.tune.PlayedOut;

/**
 * One stretch of a piece.
 *
 * @param span what of the piece; its end is not part of it
 * @param countIn what is clicked before it
 * @param sounding whether the tune sounds; a silent leg lasts as long and is left to a student
 * @param graded whether what a student plays in it is measured
 * @param share how loud the piece is among those beside it: 1 as it is, 0 for not at all
 * @param beside what others play meanwhile
 */
public record Leg(Piece piece, PlayedOut.Span span, CountIn countIn, boolean sounding, boolean graded, double share, List<Beside> beside) {

    /** The same stretch of the tune as somebody else plays it at the same tempo, so loud. */
    public record Beside(Piece piece, double share) {}

    public Leg {
        beside = List.copyOf(beside);
        if (!span.from().isLess(span.to())) {
            throw new IllegalArgumentException("a leg lasts longer than nothing");
        }
    }

    /** A stretch that is heard. */
    public static Leg heard(Piece piece, PlayedOut.Span span) {
        return new Leg(piece, span, CountIn.NONE, true, false, 1, List.of());
    }

    public Leg countedIn(CountIn count) {
        return new Leg(piece, span, count, sounding, graded, share, beside);
    }

    /** So loud among others that play along. */
    public Leg among(double own, List<Beside> others) {
        return new Leg(piece, span, countIn, sounding, graded, own, others);
    }

    public Leg unheard() {
        return new Leg(piece, span, countIn, false, graded, share, beside);
    }

    public Leg measured() {
        return new Leg(piece, span, countIn, sounding, true, share, beside);
    }

    /**
     * A click.
     *
     * @param atMs since the first moment of what is counted in
     * @param strength 3 on the first beat of a bar; 0 for the short ones of a potato
     */
    public record Knock(double atMs, int strength) {}

    /** What clicks: what is counted in, and with {@code metronome} every beat of the stretch. */
    public List<Knock> knocks(boolean metronome) {
        List<Knock> knocks = new ArrayList<>();
        double counted = countInMs();
        double pace = countIn.length().isZero() ? 0 : counted / countIn.length().toDouble();
        countIn.clicks().forEach(c -> knocks.add(new Knock(c.at().toDouble() * pace, c.strength())));
        if (metronome) {
            double start = piece.played().msAt(span.from());
            piece.played().beats().stream().filter(b -> b.atMs() > start - 1 && b.atMs() < start + lengthMs() - 1)
                    .forEach(b -> knocks.add(new Knock(counted + b.atMs() - start, b.strength())));
        }
        return knocks;
    }

    /** Milliseconds of the stretch itself. */
    public double lengthMs() {
        return piece.played().msAt(span.to()) - piece.played().msAt(span.from());
    }

    /** Milliseconds that are counted before it. */
    public double countInMs() {
        double from = piece.played().msAt(span.from());
        // The pace of the first moment of the stretch holds for what is counted before it.
        double small = 1.0 / 64;
        double pace = (piece.played().msAt(span.from().toDouble() + small) - from) / small;
        return countIn.length().toDouble() * pace;
    }
}
