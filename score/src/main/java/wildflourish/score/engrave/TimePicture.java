package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import wildflourish.core.ornament.Unfolding;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/**
 * A gesture unfolded in time, from left to right over the width of its note: on top what sounds, higher pitches higher; below a
 * line for each finger, bow or button, with a bar for as long as it moves.
 */
public final class TimePicture {

    private static final double TEXT = 1.4;
    private static final double PITCH_STEP = 0.5;
    private static final double LANE = 3.6;
    private static final double BAR = 1.5;
    private static final double LEFT = 0.4;
    /** Names of pitches stand right of the sound, and the length of the note under them. */
    private static final double RIGHT = 5.4;

    private final Unfolding unfolding;
    private final double width;
    private final Function<String, Ink> inks;
    private final List<Shape> shapes = new ArrayList<>();

    private TimePicture(Unfolding unfolding, double width, Function<String, Ink> inks) {
        this.unfolding = unfolding;
        this.width = width;
        this.inks = inks;
    }

    /**
     * The picture at a width in staff spaces.
     *
     * @param inks the ink of an ornament's id
     */
    public static Drawing of(Unfolding unfolding, double width, Function<String, Ink> inks) {
        return new TimePicture(unfolding, width, inks).draw();
    }

    private double x(double ms) {
        double span = unfolding.toMs() - unfolding.fromMs();
        return LEFT + (ms - unfolding.fromMs()) / span * (width - LEFT - RIGHT);
    }

    private Drawing draw() {
        int low = unfolding.sounds().stream().mapToInt(this::lowest).min().orElse(0);
        int high = unfolding.sounds().stream().mapToInt(this::highest).max().orElse(0);
        double top = 0.8;
        double bottom = top + Math.max(1, high - low) * PITCH_STEP;
        double foot = bottom + 1.4;
        double end = foot + 1.5 + unfolding.lanes().size() * LANE;
        if (unfolding.fromMs() < 0) {
            shapes.add(new Shape.Line(x(0), 0, x(0), end, 0.1, Ink.STAVE));
        }
        for (Unfolding.Heard heard : unfolding.sounds()) {
            heard(heard, bottom, low);
        }
        names(bottom, low);
        axis(foot);
        double y = foot + 1.5;
        for (Unfolding.Lane lane : unfolding.lanes()) {
            lane(lane, y);
            y += LANE;
        }
        return new Drawing(width, end + 0.3, shapes);
    }

    private int lowest(Unfolding.Heard heard) {
        return Math.min(heard.pitch().diatonic(), heard.glidesFrom().map(p -> p.diatonic()).orElse(99));
    }

    private int highest(Unfolding.Heard heard) {
        return Math.max(heard.pitch().diatonic(), heard.glidesFrom().map(p -> p.diatonic()).orElse(0));
    }

    private Ink ink(String ornament) {
        return ornament.isEmpty() ? Ink.MUSIC : inks.apply(ornament);
    }

    private void heard(Unfolding.Heard heard, double bottom, int low) {
        double y = bottom - (heard.pitch().diatonic() - low) * PITCH_STEP;
        double from = x(heard.fromMs());
        double to = x(heard.toMs());
        Ink ink = heard.along() ? inks.apply(heard.ornament()) : Ink.MUSIC;
        if (heard.glidesFrom().isPresent()) {
            double start = bottom - (heard.glidesFrom().get().diatonic() - low) * PITCH_STEP;
            // Semitones within one letter still have to be seen to glide.
            start = Math.abs(start - y) < 0.01 ? y + 0.4 : start;
            shapes.add(new Shape.Line(from, start, to, y, 0.42, ink));
        } else {
            shapes.add(new Shape.Line(from, y, Math.max(from + 0.15, to - 0.08), y, 0.42, ink));
        }
        if (heard.fresh() && !heard.along()) {
            shapes.add(new Shape.Line(from + 0.09, y - 0.6, from + 0.09, y + 0.6, 0.18, ink));
        }
    }

    /** The note itself and the notes that sound along, named at the right; the others at their place if there is room. */
    private void names(double bottom, int low) {
        List<Integer> taken = new ArrayList<>();
        for (Unfolding.Heard heard : unfolding.sounds()) {
            int step = heard.pitch().diatonic();
            if (taken.stream().anyMatch(t -> Math.abs(t - step) < 3)) {
                continue;
            }
            taken.add(step);
            shapes.add(new Shape.Words(shortName(heard.pitch().toString()), width - RIGHT + 0.4,
                    bottom - (step - low) * PITCH_STEP + 0.35, TEXT, Face.SANS, Shape.Anchor.START, Ink.QUIET));
        }
    }

    /** As players write it, without the octave: {@code F♯}. */
    private static String shortName(String pitch) {
        return pitch.replaceAll("-?\\d+$", "").replace("#", "\u266f").replace("b", "\u266d");
    }

    private void axis(double y) {
        shapes.add(new Shape.Line(x(unfolding.fromMs()), y, x(unfolding.toMs()), y, 0.08, Ink.STAVE));
        double length = unfolding.toMs();
        double step = length > 1600 ? 400 : length > 700 ? 200 : length > 260 ? 100 : 50;
        for (double at = 0; at <= length + 1e-6; at += step) {
            shapes.add(new Shape.Line(x(at), y, x(at), y + 0.3, 0.08, Ink.STAVE));
        }
        shapes.add(new Shape.Words(String.format(Locale.ROOT, "%d ms", Math.round(length)), x(length) + 0.4, y + 0.65, TEXT,
                Face.SANS, Shape.Anchor.START, Ink.QUIET));
    }

    /** The name of what moves, and below it a bar for each movement with its length or its direction. */
    private void lane(Unfolding.Lane lane, double top) {
        shapes.add(new Shape.Words(lane.name(), LEFT, top + 1.15, TEXT, Face.SANS, Shape.Anchor.START, Ink.MUSIC));
        double y = top + 2.45;
        shapes.add(new Shape.Line(x(unfolding.fromMs()), y, x(unfolding.toMs()), y, 0.06, Ink.STAVE));
        List<Unfolding.Span> spans = lane.spans();
        for (int i = 0; i < spans.size(); i++) {
            Unfolding.Span span = spans.get(i);
            double from = x(span.fromMs());
            double to = Math.max(from + 0.4, x(span.toMs()) - 0.1);
            shapes.add(new Shape.Line(from, y, to, y, BAR, ink(span.ornament())));
            String word = span.word().isEmpty() ? String.format(Locale.ROOT, "%d", Math.round(span.lengthMs())) : span.word();
            double room = word.length() * TEXT * 0.55;
            double limit = i + 1 < spans.size() ? x(spans.get(i + 1).fromMs()) - 0.2 : width - 0.2;
            if (room < to - from - 0.4) {
                shapes.add(new Shape.Words(word, from + 0.3, y + 0.48, TEXT, Face.SANS, Shape.Anchor.START, Ink.PAPER));
            } else if (to + 0.3 + room < limit) {
                shapes.add(new Shape.Words(word, to + 0.3, y + 0.48, TEXT, Face.SANS, Shape.Anchor.START, Ink.QUIET));
            }
        }
    }
}
