package wildflourish.app.reading;

import java.util.Set;
import javafx.css.PseudoClass;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Button;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Look;
import wildflourish.app.paint.Palette;
import wildflourish.core.reading.Likeness;
import wildflourish.core.reading.Passage;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Reading;
import wildflourish.core.tune.Timeline;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;

/**
 * A phrase drawn small: the line of its melody, and at its foot a ribbon that says which phrase it is like and how far. Notes
 * that are new are dark, notes that are known from the phrase it is like are pale.
 */
final class PhraseTile extends Button {

    static final double HEIGHT = 92;
    private static final PseudoClass IN_HAND = PseudoClass.getPseudoClass("in-hand");
    private static final Ink[] FAMILIES = {Ink.GLIDE, Ink.ROLL, Ink.CLICK, Ink.TONGUE, Ink.COMPANY, Ink.BREATH};
    private static final double RIBBON = 17;

    private final Canvas canvas;
    /** As it is drawn in, in the usual size of words. */
    private final double width;

    PhraseTile(ReadingState state, int index, double width, Look look, Runnable chosen) {
        Passage passage = state.reading().passages().get(index);
        this.width = width / look.scale();
        canvas = new Canvas(width, HEIGHT * look.scale());
        canvas.getGraphicsContext2D().scale(look.scale(), look.scale());
        setGraphic(canvas);
        setId("phrase-" + index);
        getStyleClass().add("phrase-tile");
        setMinWidth(USE_PREF_SIZE);
        setFocusTraversable(false);
        setOnAction(e -> chosen.run());
        pseudoClassStateChanged(IN_HAND, index == state.selected());
        setAccessibleText("%s, %s. %s".formatted(passage.phrase().name(), state.bars(passage.phrase()),
                passage.sameAs().isEmpty() ? "new" : passage.isSame()
                        ? "the same as " + state.reading().passages().get(passage.sameAs().get()).phrase().name() : passage.difference()));
        draw(state, index, look.palette());
    }

    private void draw(ReadingState state, int index, Palette palette) {
        Reading reading = state.reading();
        GraphicsContext g = canvas.getGraphicsContext2D();
        Passage passage = reading.passages().get(index);
        Phrase phrase = passage.phrase();
        double w = width;
        g.setFont(CanvasPainter.text(Face.SANS_BOLD, 14));
        g.setFill(palette.of(Ink.MUSIC));
        g.fillText(phrase.name(), 5, 15, w - 8);
        g.setFont(CanvasPainter.text(Face.SANS, 12));
        g.setFill(palette.of(Ink.QUIET));
        g.setTextAlign(TextAlignment.RIGHT);
        String bars = reading.firstBar(phrase) == reading.lastBar(phrase) ? String.valueOf(reading.firstBar(phrase))
                : reading.firstBar(phrase) + "–" + reading.lastBar(phrase);
        if (w > 90) {
            g.fillText(bars, w - 5, 15);
        }
        g.setTextAlign(TextAlignment.LEFT);
        melody(g, state, passage, palette);
        ribbon(g, state, index, palette);
    }

    private void melody(GraphicsContext g, ReadingState state, Passage passage, Palette palette) {
        Reading reading = state.reading();
        Set<Integer> news = state.fresh(passage);
        Timeline tune = reading.timeline();
        Phrase phrase = passage.phrase();
        double start = tune.note(phrase.fromNote()).onset().toDouble();
        Timeline.Stand last = tune.note(phrase.lastNote());
        double time = Math.max(1e-6, last.onset().toDouble() + last.note().length().toDouble() - start);
        int low = reading.lowest().orElseThrow().midi();
        int high = Math.max(low + 1, reading.highest().orElseThrow().midi());
        double left = 5;
        double room = width - 10;
        double top = 22;
        double height = HEIGHT - RIBBON - top - 6;
        g.setStroke(palette.of(Ink.STAVE));
        g.setLineWidth(0.6);
        for (int bar = phrase.fromBar(); bar < phrase.toBar(); bar++) {
            double at = (onset(tune, bar) - start) / time;
            if (at > 0.001) {
                double x = Math.round(left + at * room) + 0.5;
                g.strokeLine(x, top - 2, x, top + height + 4);
            }
        }
        for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
            Timeline.Stand stand = tune.note(n);
            double x = left + (stand.onset().toDouble() - start) / time * room;
            double long1 = stand.note().length().toDouble() / time * room;
            double y = top + height - (stand.pitch().midi() - low) / (double) (high - low) * height;
            boolean fresh = news.contains(n);
            g.setFill(palette.of(fresh ? Ink.MUSIC : Ink.STAVE));
            double thick = fresh ? 4 : 2.5;
            g.fillRoundRect(x + 0.5, y - thick / 2, Math.max(2, long1 - 1.5), thick, 2, 2);
        }
    }

    private static double onset(Timeline tune, int bar) {
        int note = tune.barStarts().get(bar);
        return note < tune.size() ? tune.note(note).onset().toDouble() : Double.MAX_VALUE;
    }

    private void ribbon(GraphicsContext g, ReadingState state, int index, Palette palette) {
        Reading reading = state.reading();
        Passage passage = reading.passages().get(index);
        int rank = state.family(index);
        if (rank < 0) {
            return;
        }
        Color colour = palette.of(FAMILIES[rank % FAMILIES.length]);
        double w = width - 2;
        double y = HEIGHT - RIBBON - 1;
        Likeness.Kind kind = passage.likeness().kind();
        boolean root = passage.sameAs().isEmpty();
        g.setStroke(colour);
        g.setLineWidth(1.4);
        double shared = root || kind == Likeness.Kind.SAME ? w : passage.phrase().again() ? 0 : w * share(passage);
        double from = kind == Likeness.Kind.OTHER_BEGINNING ? w - shared : 0;
        switch (kind) {
            case DIFFERENT, SAME, OTHER_ENDING, OTHER_BEGINNING -> {
                g.setFill(colour);
                g.fillRect(1 + from, y, shared, RIBBON);
                g.strokeRect(1.7, y + 0.7, w - 1.4, RIBBON - 1.4);
            }
            case MOVED, NEARLY -> {
                g.setLineDashes(6, 3);
                g.strokeRect(2, y + 1, w - 2, RIBBON - 2);
                g.setLineDashes();
                g.setFill(colour);
                g.fillRect(1, y + RIBBON - 5, w, 5);
            }
            case SAME_RHYTHM -> {
                g.setLineDashes(1.5, 4);
                g.strokeRect(2, y + 1, w - 2, RIBBON - 2);
                g.setLineDashes();
            }
        }
        String other = root ? "" : reading.passages().get(passage.sameAs().get()).phrase().name();
        String words = root ? passage.phrase().name() : switch (kind) {
            case SAME -> "= " + other;
            case OTHER_ENDING -> passage.phrase().again() ? "for " + other + "’s end" : other + " …";
            case OTHER_BEGINNING -> "… " + other;
            case MOVED -> other + (passage.likeness().steps() > 0 ? " ↑" : " ↓");
            case NEARLY -> "≈ " + other;
            case SAME_RHYTHM -> "rhythm of " + other;
            case DIFFERENT -> "";
        };
        boolean filled = shared > w * 0.3 && kind != Likeness.Kind.OTHER_BEGINNING
                && kind != Likeness.Kind.MOVED && kind != Likeness.Kind.NEARLY && kind != Likeness.Kind.SAME_RHYTHM;
        g.setFont(CanvasPainter.text(Face.SANS_BOLD, 12));
        g.setFill(filled ? palette.paper() : palette.of(Ink.MUSIC));
        g.fillText(words, 6, y + 12.5, w - 10);
    }

    private static double share(Passage passage) {
        return switch (passage.likeness().kind()) {
            case OTHER_ENDING, OTHER_BEGINNING -> passage.likeness().shared();
            default -> 1;
        };
    }
}
