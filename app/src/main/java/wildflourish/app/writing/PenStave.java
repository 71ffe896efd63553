package wildflourish.app.writing;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Look;
import wildflourish.app.paint.Palette;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Tune;
import wildflourish.core.writing.Pen;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Ink;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;

/** The stave that the pen writes on: what is in hand is tinted, a bar that is too long or too short says so, and a line shows where the pen stands. */
final class PenStave extends Pane {

    private static final double SPACE = 7.5;
    private static final double TOP = 6;

    private final Canvas canvas = new Canvas();
    private final PenHand hand;
    private Optional<Pen> pen = Optional.empty();
    private List<Integer> guessed = List.of();
    private Optional<Tune> drawn = Optional.empty();
    private Engraving engraving = new Engraving(new wildflourish.score.display.Drawing(1, 1, List.of()), List.of(), List.of(), List.of(), List.of());
    private double engravedWidth;
    private double room;
    private Look look = Look.USUAL;

    /** What the mouse asks of the pen. */
    interface PenHand {
        /** Takes a note or rest in hand. */
        void take(int index, boolean holding);

        /** Goes behind the last. */
        void end();
    }

    private static final int MOST_SPOKEN = 8;
    private static final int QUAVERS = 8;

    PenStave(PenHand hand) {
        this.hand = hand;
        setId("pen-stave");
        setFocusTraversable(true);
        getStyleClass().add("pen-stave");
        setAccessibleRole(javafx.scene.AccessibleRole.TEXT);
        setAccessibleText("the stave: letters write notes, figures make them longer");
        getChildren().add(canvas);
        focusedProperty().addListener((o, before, now) -> draw());
        addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            requestFocus();
            if (e.getButton() == MouseButton.PRIMARY) {
                pressed(e.getX() / space(), (e.getY() - TOP) / space(), e.isShiftDown());
            }
            e.consume();
        });
    }

    private double space() {
        return SPACE * Math.sqrt(look.scale());
    }

    private void pressed(double x, double y, boolean holding) {
        List<Engraving.Place> places = engraving.places();
        int best = -1;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < places.size(); i++) {
            Bounds area = places.get(i).area();
            double dx = Math.max(0, Math.max(area.left() - x, x - area.right()));
            double dy = Math.max(0, Math.max(area.top() - y, y - area.bottom()));
            if (dx + 4 * dy < least) {
                least = dx + 4 * dy;
                best = i;
            }
        }
        if (best == places.size() - 1 && best >= 0 && x > places.get(best).area().right() + 0.5 || pen.filter(p -> p.size() > 0).isEmpty()) {
            hand.end();
        } else if (best >= 0) {
            hand.take(best, holding);
        }
    }

    void show(Optional<Pen> now, List<Integer> guesses, double width) {
        guessed = guesses;
        pen = now;
        now.ifPresent(p -> setAccessibleText(inWords(p)));
        room = width;
        draw();
    }

    void setLook(Look newLook) {
        look = newLook;
        drawn = Optional.empty();
        draw();
    }

    /** What is in hand, for who does not see it: the notes before the pen, or the stretch. */
    private static String inWords(Pen pen) {
        List<Integer> inHand = pen.inHand();
        return inHand.isEmpty() ? "at the beginning of the tune" : String.join("; ", inHand.stream().limit(MOST_SPOKEN).map(i -> inWords(pen.element(i))).toList())
                + (inHand.size() > MOST_SPOKEN ? "; and %d more".formatted(inHand.size() - MOST_SPOKEN) : "");
    }

    private static String inWords(Element element) {
        Ratio quavers = element.length().times(Ratio.of(QUAVERS, 1));
        return "%s, %s quaver%s".formatted(element instanceof Note note ? note.pitch().spoken() : "rest", quavers, quavers.equals(Ratio.ONE) ? "" : "s");
    }

    /** How far down the pen's line is, to be kept in sight. */
    Optional<Bounds> caretArea() {
        return pen.flatMap(this::caret).map(b -> new Bounds(b.left() * space(), b.top() * space() + TOP, b.right() * space(), b.bottom() * space() + TOP));
    }

    private void draw() {
        if (pen.isEmpty() || room < 100) {
            return;
        }
        Tune tune = pen.get().tune();
        double width = Math.max(40, (room - 12) / space());
        if (drawn.filter(d -> d.equals(tune)).isEmpty() || width != engravedWidth) {
            Arrangement bare = Arrangement.bare(shown(tune), Instruments.known("none"));
            engraving = ScoreEngraver.engrave(new ScoreRequest(bare.version(0), Set.of(0), false, false, width));
            drawn = Optional.of(tune);
            engravedWidth = width;
        }
        double height = engraving.drawing().height() * space() + 2 * TOP;
        canvas.setWidth(room);
        canvas.setHeight(height);
        setPrefSize(room, height);
        setMinHeight(height);
        Palette palette = look.palette();
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.setFill(palette.paper());
        g.fillRect(0, 0, room, height);
        bars(g, palette, tune);
        if (pen.get().holds()) {
            g.setFill(palette.inHand());
            pen.get().inHand().stream().filter(i -> i < engraving.places().size()).map(i -> engraving.places().get(i).area()).forEach(a -> band(g, a));
        }
        new CanvasPainter(g, palette, space(), 0, TOP).paint(engraving.drawing().shapes());
        g.setFill(palette.of(Ink.MISSING));
        g.setFont(Font.font("Source Sans 3", 13 * Math.sqrt(look.scale())));
        guessed.stream().filter(i -> i < engraving.places().size()).map(i -> engraving.places().get(i).area())
                .forEach(a -> g.fillText("?", a.left() * space() + 2, a.top() * space() + TOP));
        caret(pen.get()).ifPresent(a -> {
            g.setStroke(palette.of(isFocused() ? Ink.CLICK : Ink.STAVE));
            g.setLineWidth(isFocused() ? 2.5 : 1.5);
            double x = Math.round(a.left() * space());
            g.strokeLine(x, a.top() * space() + TOP, x, a.bottom() * space() + TOP);
        });
    }

    /** A tune without notes shows a bar to write in. */
    private static Tune shown(Tune tune) {
        if (!tune.bars().isEmpty()) {
            return tune;
        }
        Element blank = new Rest(tune.head().meter().barLength(), false, false, Optional.empty(), Marks.NONE);
        return tune.withBars(List.of(new Bar(1, List.of(blank), BarLine.NONE, Optional.empty(), Optional.empty(), true)));
    }

    private void band(GraphicsContext g, Bounds area) {
        g.fillRect(area.left() * space(), area.top() * space() + TOP, (area.right() - area.left()) * space(), (area.bottom() - area.top()) * space());
    }

    /** Tints the bars that are too long or too short, and says which they are. */
    private void bars(GraphicsContext g, Palette palette, Tune tune) {
        for (int b = 0; b < tune.bars().size(); b++) {
            int against = Pen.against(tune, b);
            int bar = b;
            boolean open = b == tune.bars().size() - 1 && against < 0;
            if (against != 0 && !open) {
                List<Bounds> areas = engraving.places().stream().filter(p -> p.bar() == bar).map(Engraving.Place::area).toList();
                if (!areas.isEmpty()) {
                    Bounds area = new Bounds(areas.getFirst().left(), areas.getFirst().top(), areas.getLast().right(), areas.getLast().bottom());
                    Color ink = palette.of(Ink.MISSING);
                    g.setFill(ink.deriveColor(0, 1, 1, 0.12));
                    band(g, area);
                    g.setFill(ink);
                    g.setFont(Font.font("Source Sans 3", 11 * Math.sqrt(look.scale())));
                    g.fillText(against > 0 ? "too long" : "too short", area.left() * space(), area.bottom() * space() + TOP + 11);
                }
            }
        }
    }

    private Optional<Bounds> caret(Pen now) {
        List<Engraving.Place> places = engraving.places();
        if (places.isEmpty()) {
            return Optional.empty();
        }
        int at = Math.min(now.at(), places.size());
        if (now.size() == 0 || at == 0) {
            Bounds first = places.getFirst().area();
            return Optional.of(new Bounds(first.left() - 0.15, first.top(), first.left() - 0.15, first.bottom()));
        }
        Bounds before = places.get(at - 1).area();
        boolean end = at == places.size();
        boolean goesOn = !end && places.get(at).system() == places.get(at - 1).system();
        double x = end && now.newBar() ? before.right() + 1.2 : goesOn && places.get(at).bar() == places.get(at - 1).bar()
                ? Math.min(before.right() + 0.1, places.get(at).area().left()) : Math.min(before.right(), before.left() + 2.6);
        return Optional.of(new Bounds(x, before.top(), x, before.bottom()));
    }
}
