package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;

/**
 * The beats that notes are set on.
 *
 * @param beats in order, without gaps
 */
public record Grid(List<Beat> beats) {

    private static final Ratio CROTCHET = Ratio.of(1, 4);
    /** More beats than any tune has. */
    private static final int MOST = 40_000;

    public Grid {
        beats = List.copyOf(beats);
    }

    /**
     * A beat.
     *
     * @param at where it begins; time runs from 0 with the first note, a pickup taken in
     * @param opensBar whether a bar line stands before it
     */
    public record Beat(Ratio at, Ratio length, Meter meter, boolean opensBar) {

        boolean isCompound() {
            return meter.isCompound();
        }

        Ratio end() {
            return at.plus(length);
        }
    }

    /** A meter from some moment on. */
    public record Stretch(Ratio from, Meter meter) {}

    /**
     * The beats of one meter.
     *
     * @param pickup how long the music before the first bar line is
     */
    public static Grid of(Meter meter, Ratio pickup, Ratio until) {
        return of(List.of(new Stretch(Ratio.ZERO, meter)), pickup, until);
    }

    /**
     * The beats of one meter after another, up to a moment.
     *
     * @param stretches in order, the first from 0; a bar is cut where the next one begins
     */
    public static Grid of(List<Stretch> stretches, Ratio pickup, Ratio until) {
        List<Beat> beats = new ArrayList<>();
        Ratio bar = pickup.isZero() ? Ratio.ZERO : pickup.minus(stretches.getFirst().meter().barLength());
        for (int s = 0; s < stretches.size(); s++) {
            Meter meter = stretches.get(s).meter();
            Ratio end = s + 1 < stretches.size() ? stretches.get(s + 1).from() : until;
            while (bar.isLess(end) && beats.size() < MOST) {
                bar(bar, meter, s + 1 < stretches.size() ? end : bar.plus(meter.barLength()), beats);
                bar = beats.getLast().end();
            }
        }
        return new Grid(beats);
    }

    private static void bar(Ratio from, Meter meter, Ratio end, List<Beat> beats) {
        Ratio at = from;
        for (Ratio beat : meter.beats()) {
            List<Ratio> parts = meter.isCompound() || !CROTCHET.isLess(beat) ? List.of(beat) : halves(beat);
            for (Ratio part : parts) {
                if (at.isLess(end)) {
                    Ratio length = end.isLess(at.plus(part)) ? end.minus(at) : part;
                    beats.add(new Beat(at, length, meter, at.equals(from)));
                    at = at.plus(length);
                }
            }
        }
    }

    /** A beat of a minim or more is felt, and divided, in crotchets. */
    private static List<Ratio> halves(Ratio beat) {
        List<Ratio> parts = new ArrayList<>();
        Ratio left = beat;
        while (left.isPositive()) {
            Ratio part = CROTCHET.isLess(left) ? CROTCHET : left;
            parts.add(part);
            left = left.minus(part);
        }
        return parts;
    }
}
