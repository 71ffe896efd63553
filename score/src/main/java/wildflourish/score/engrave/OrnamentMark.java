package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.ornament.HelperNote;
import wildflourish.core.ornament.Motion;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Slot;
import wildflourish.core.tune.Ratio;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/**
 * The small mark of an ornament on a folded rung, in the fingering strip and in lists: its movements from left to right,
 * a peak for a finger lifted or a note above, a trough for one that strikes or falls, slanting lines for glides, a dot for the
 * tongue, an upright for a stroke, heads above one another for notes that sound along, a wave for a vibrato.
 */
public final class OrnamentMark {

    private static final double UNIT = 0.62;
    private static final double LINE = 0.2;
    private static final Ratio SHORT = Ratio.of(1, 9);
    private static final Ratio SHORT_SHARE = Ratio.of(1, 3);

    private final Ornament ornament;
    private final Ink ink;
    private final List<Shape> shapes = new ArrayList<>();

    private OrnamentMark(Ornament ornament, Ink ink) {
        this.ornament = ornament;
        this.ink = ink;
    }

    /** The ink of an ornament's kind. */
    public static Ink ink(Ornament ornament) {
        List<Move> moves = ornament.pulses().stream().flatMap(p -> p.moves().stream()).toList();
        if (moves.contains(Move.BREATH)) {
            return Ink.BREATH;
        }
        if (moves.contains(Move.COMPANY)) {
            return Ink.COMPANY;
        }
        if (moves.stream().anyMatch(Move::isBlip) && moves.contains(Move.SOUND)
                || moves.contains(Move.CLOSE) && moves.contains(Move.CUT)) {
            return Ink.ROLL;
        }
        if (moves.stream().anyMatch(m -> m.isGlide() || m == Move.PASSING || m == Move.PULL || m == Move.WAVER
                || m == Move.SWELL)) {
            return Ink.GLIDE;
        }
        return moves.stream().anyMatch(m -> m.isStart() || m == Move.SLUR || m == Move.CLOSE) ? Ink.TONGUE : Ink.CLICK;
    }

    /** A movement of the mark; {@code brief} ones are drawn smaller. */
    private record Piece(Motion motion, boolean brief) {

        double width() {
            boolean alone = motion.move() == Move.PASSING && motion.helper() instanceof HelperNote.Between;
            return alone ? 1.3 * UNIT : motion.move() == Move.TOUCH ? 0.6 * UNIT : UNIT;
        }
    }

    private static List<Piece> pieces(Ornament ornament) {
        List<Piece> pieces = new ArrayList<>();
        for (Ornament.Beat beat : ornament.pulses()) {
            boolean brief = beat.length().filter(l -> l.isLess(SHORT)).isPresent()
                    || beat.each().isPresent() || beat.share().filter(s -> s.isLess(SHORT_SHARE)).isPresent();
            int times = beat.again() ? beat.motions().size() > 1 ? 2 : 4 : 1;
            for (int t = 0; t < times; t++) {
                for (int m = 0; m < beat.motions().size(); m++) {
                    Motion motion = beat.motions().get(m);
                    boolean goesOn = motion.move() == Move.SOUND && !pieces.isEmpty();
                    boolean between = motion.move() == Move.TOUCH && m > 0 && m < beat.motions().size() - 1;
                    if (!goesOn && !between) {
                        pieces.add(new Piece(motion, brief));
                    }
                }
            }
        }
        return pieces;
    }

    /** How wide the mark is. */
    public static double width(Ornament ornament) {
        return pieces(ornament).stream().mapToDouble(Piece::width).sum();
    }

    /** The mark, centred on (x, y), about one staff space high. */
    public static List<Shape> at(double x, double y, Ornament ornament) {
        return at(x, y, ornament, ink(ornament));
    }

    static List<Shape> at(double x, double y, Ornament ornament, Ink ink) {
        OrnamentMark mark = new OrnamentMark(ornament, ink);
        double left = x - width(ornament) / 2;
        for (Piece piece : pieces(ornament)) {
            mark.draw(piece, left, y);
            left += piece.width();
        }
        return mark.shapes;
    }

    private void draw(Piece piece, double left, double y) {
        double middle = left + piece.width() / 2;
        double right = left + piece.width();
        switch (piece.motion().move()) {
            case CUT, CRAN_CUT -> peak(left, middle, right, y, 0.45);
            case GRACE -> grace((HelperNote.InPlace) piece.motion().helper(), left, y);
            case TAP, HAMMER -> trough(left, middle, right, y);
            case SLAP -> {
                trough(left, middle, right, y);
                trough(left, middle, right, y - 0.4);
            }
            case SLIDE, BEND -> line(left - 0.15, y + 0.45, right + 0.15, y - 0.45);
            case FALL -> {
                line(left - 0.1, y - 0.45, right + 0.1, y + 0.45);
                dot(right + 0.15, y + 0.45, 0.17);
            }
            case PULL -> line(left - 0.1, y - 0.45, right + 0.1, y + 0.45);
            case PASSING -> passing((HelperNote.InPlace) piece.motion().helper(), left, middle, right, y);
            case TONGUE -> dot(middle, y, 0.24);
            case TOUCH -> dot(middle, y, 0.15);
            case STROKE -> stroke(piece, middle, y);
            case CLOSE -> {
                // Before the beat the bar lies below, at the end of the note above.
                double bar = ornament.slot() == Slot.EXIT ? y - 0.4 : y + 0.4;
                line(left, bar, right - 0.1, bar);
                line(middle - 0.05, y - 0.4, middle - 0.05, y + 0.4);
            }
            case SOUND -> line(left, y, right - 0.1, y);
            case POP -> ring(middle, y, 0.3);
            case OVERLAP -> {
                ring(middle - 0.2, y, 0.28);
                ring(middle + 0.2, y, 0.28);
            }
            case WAVER -> wave(left, y, 0.3);
            case SWELL -> wave(left, y, 0.15);
            case COMPANY -> company((HelperNote.AlongStrings) piece.motion().helper(), middle, y);
            case SLUR -> shapes.add(new Shape.Bow(left - 0.35, y + 0.2, right + 0.35, y + 0.2, -0.55, 0.08, 0.22, ink));
            case BREATH -> {
                line(left, y - 0.1, middle, y + 0.45);
                line(middle, y + 0.45, right + 0.1, y - 0.6);
            }
        }
    }

    private void grace(HelperNote.InPlace helper, double left, double y) {
        double middle = left + UNIT / 2;
        double right = left + UNIT;
        switch (helper) {
            case HelperNote.Named(var pitch) -> {
                // Three named graces differ by how high their bar lies; the thumb's has a dot on its peak.
                peak(left, middle, right, y, 0.45);
                if (pitch.octave() >= 5 && pitch.step() == wildflourish.core.tune.Step.A) {
                    dot(middle, y - 0.75, 0.15);
                } else {
                    double bar = y + 0.7 - Math.clamp(pitch.diatonic() - 34, 0, 6) * 0.22;
                    line(left, bar, right, bar);
                }
            }
            case HelperNote.Steps(int steps) -> {
                if (steps < 0) {
                    trough(left, middle, right, y);
                    dot(middle, y - 0.4, 0.13);
                } else {
                    peak(left, middle, right, y, 0.25 + 0.2 * steps);
                }
            }
            case HelperNote.FingerBelow below -> {
                trough(left, middle, right, y);
                dot(middle, y - 0.4, 0.13);
            }
            case HelperNote.Before before -> ring(middle, y, 0.25);
            case HelperNote.Through(var pitch) -> dot(middle, y + 0.6 - Math.clamp(pitch.diatonic() - 32, 0, 6) * 0.18, 0.17);
            case HelperNote.Itself _, HelperNote.FingerAbove _, HelperNote.Semitones _, HelperNote.Next _, HelperNote.Between _, HelperNote.Blue _,
                    HelperNote.Fork _, HelperNote.Seesaw _, HelperNote.Doubling _, HelperNote.OwnOpenString _ ->
                peak(left, middle, right, y, 0.45);
        }
    }

    private void passing(HelperNote.InPlace helper, double left, double middle, double right, double y) {
        switch (helper) {
            case HelperNote.Between between -> {
                boolean shortNote = ornament.from().isLess(Ratio.of(1, 4));
                dot(left + 0.1, y + 0.35, 0.17);
                if (shortNote) {
                    dot(middle, y, 0.17);
                } else {
                    ring(middle, y, 0.2);
                }
                dot(right - 0.1, y - 0.35, 0.17);
            }
            case HelperNote.Steps(int steps) -> dot(middle, y - steps * 0.25, 0.17);
            case HelperNote.Seesaw seesaw -> {
                dot(left + 0.15, y - 0.35, 0.17);
                dot(right - 0.15, y + 0.35, 0.17);
            }
            case HelperNote.Blue blue -> {
                dot(middle, y + 0.25, 0.2);
                line(middle - 0.25, y + 0.25, middle - 0.25, y - 0.5);
            }
            case HelperNote.Next next -> {
                dot(left + 0.1, y + 0.2, 0.15);
                dot(middle, y - 0.2, 0.15);
                dot(right, y + 0.2, 0.15);
                dot(right + 0.2, y - 0.2, 0.15);
            }
            case HelperNote.Itself _, HelperNote.FingerAbove _, HelperNote.FingerBelow _, HelperNote.Semitones _, HelperNote.Before _,
                    HelperNote.Named _, HelperNote.Fork _, HelperNote.Doubling _, HelperNote.Through _, HelperNote.OwnOpenString _ ->
                dot(middle, y - 0.35, 0.17);
        }
    }

    /** Heads as they lie above one another. */
    private void company(HelperNote.AlongStrings helper, double x, double y) {
        switch (helper) {
            case HelperNote.OpenString open -> {
                dot(x, y - 0.25, 0.2);
                line(x - 0.45, y + 0.3, x + 0.45, y + 0.3);
            }
            case HelperNote.Drone drone -> {
                dot(x, y - 0.25, 0.2);
                line(x - 0.45, y + 0.3, x + 0.45, y + 0.3);
            }
            case HelperNote.Itself itself -> {
                dot(x - 0.25, y, 0.2);
                dot(x + 0.25, y, 0.2);
            }
            case HelperNote.Octave octave -> {
                dot(x, y - 0.4, 0.2);
                ring(x, y + 0.4, 0.18);
            }
            case HelperNote.Steps(int steps) -> {
                double apart = Math.abs(steps) > 3 ? 0.4 : 0.2;
                dot(x, y - apart, 0.2);
                dot(x, y + apart, 0.2);
                if (steps < 0) {
                    line(x - 0.35, y + apart, x + 0.35, y + apart);
                }
            }
            case HelperNote.Across across -> {
                line(x, y - 0.5, x, y + 0.5);
                dot(x, y - 0.35, 0.2);
                dot(x, y + 0.35, 0.2);
            }
            case HelperNote.Before before -> {
                dot(x, y - 0.25, 0.2);
                line(x - 0.55, y + 0.3, x + 0.05, y + 0.3);
                ring(x + 0.2, y + 0.3, 0.15);
            }
            case HelperNote.Chord _ -> {
                dot(x, y - 0.45, 0.19);
                dot(x, y, 0.19);
                dot(x, y + 0.45, 0.19);
            }
        }
    }

    /** An upright for each stroke: short ones smaller, those on other strings higher or lower. */
    private void stroke(Piece piece, double x, double y) {
        double half = piece.brief() ? 0.28 : 0.48;
        switch ((HelperNote.Struck) piece.motion().helper()) {
            case HelperNote.FirstString first -> line(x, y - 0.55, x, y - 0.1);
            case HelperNote.StringNearer nearer -> line(x, y - 0.3, x, y + 0.1);
            case HelperNote.ShortString shortest -> {
                line(x, y + 0.05, x, y + 0.4);
                dot(x, y + 0.5, 0.13);
            }
            case HelperNote.Itself _, HelperNote.OwnOpenString _ -> line(x, y - half, x, y + half);
        }
    }

    private void peak(double left, double middle, double right, double y, double high) {
        line(left, y + 0.4, middle, y - high);
        line(middle, y - high, right, y + 0.4);
    }

    private void trough(double left, double middle, double right, double y) {
        line(left, y - 0.4, middle, y + 0.45);
        line(middle, y + 0.45, right, y - 0.4);
    }

    private void wave(double left, double y, double high) {
        for (int wave = 0; wave < 3; wave++) {
            double from = left - 0.3 + wave * 0.4;
            line(from, y + high, from + 0.2, y - high);
            line(from + 0.2, y - high, from + 0.4, y + high);
        }
    }

    private void line(double x1, double y1, double x2, double y2) {
        shapes.add(new Shape.Line(x1, y1, x2, y2, LINE, ink));
    }

    private void dot(double x, double y, double radius) {
        shapes.add(new Shape.Disc(x, y, radius, true, 0, ink));
    }

    private void ring(double x, double y, double radius) {
        shapes.add(new Shape.Disc(x, y, radius, false, LINE * 0.8, ink));
    }
}
