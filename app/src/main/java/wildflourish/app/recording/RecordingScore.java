package wildflourish.app.recording;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntConsumer;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Look;
import wildflourish.app.recording.RecordingState.Listened;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.hearing.Remark;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;

/**
 * The rung that was meant, with a sign over each note of which there is something to say: a tick where an ornament spoke, a cross where it did not, a ring where the note was not heard, a plus
 * where more came, an arrow to the left or right for early or late, up or down for sharp or flat.
 */
final class RecordingScore extends ScrollPane {

    private static final double SPACE = 8;
    private static final double AROUND = 30;
    private static final double SIGN = 5;
    /** A moment is moved down by so many half lines at most. */
    private static final int ROWS = 8;

    private final Pane page = new Pane();
    private final Canvas canvas = new Canvas();
    private final Rectangle hand = new Rectangle();
    private final Rectangle lamp = new Rectangle();
    private Look look = Look.USUAL;
    private @Nullable Engraving engraving;
    private @Nullable Object painted;
    private Optional<Listened> shown = Optional.empty();
    private int note;
    private RecordingState last = RecordingState.EMPTY;

    RecordingScore(IntConsumer selecting) {
        super();
        setId("recording-score");
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFitToWidth(true);
        setFitToHeight(true);
        setFocusTraversable(true);
        hand.setManaged(false);
        lamp.setManaged(false);
        hand.setVisible(false);
        lamp.setVisible(false);
        page.getChildren().addAll(hand, lamp, canvas);
        canvas.setMouseTransparent(true);
        setContent(page);
        widthProperty().addListener((o, before, now) -> show(last));
        page.setOnMousePressed(e -> {
            requestFocus();
            if (engraving != null) {
                engraving.at(e.getX() / space(), (e.getY() - AROUND) / space()).ifPresent(z -> selecting.accept(z.note()));
            }
        });
    }

    private double space() {
        return SPACE * Math.sqrt(look.scale());
    }

    void dress(Look other) {
        look = other;
        painted = null;
        show(last);
    }

    void show(RecordingState now) {
        last = now;
        shown = now.listened();
        note = now.note();
        draw();
        place(hand, now.inHand());
        place(lamp, now.playing() ? now.listened().flatMap(l -> l.played().at(now.nowMs())) : Optional.empty());
        now.inHand().ifPresent(n -> setAccessibleText("bar %d".formatted(n.wanted().bar())));
    }

    private record Painted(Listened listened, int pass, double width, Look look) {}

    private void draw() {
        if (shown.isEmpty() || getWidth() < 200) {
            canvas.setVisible(false);
            hand.setVisible(false);
            lamp.setVisible(false);
            painted = null;
            return;
        }
        Listened listened = shown.get();
        Painted wanted = new Painted(listened, pass(listened), getWidth(), look);
        if (wanted.equals(painted)) {
            return;
        }
        painted = wanted;
        double space = space();
        Engraving drawn = ScoreEngraver.engrave(new ScoreRequest(listened.version(), Set.of(listened.version().rung()), false, false, Math.floor((getWidth() - 20) / space)));
        engraving = drawn;
        canvas.setVisible(true);
        canvas.setWidth(drawn.drawing().width() * space);
        canvas.setHeight(drawn.drawing().height() * space + 2 * AROUND);
        page.setMinHeight(canvas.getHeight());
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
        page.setStyle("-fx-background-color: %s;".formatted(look.palette().paper().toString().replace("0x", "#")));
        new CanvasPainter(g, look.palette(), space, 0, AROUND).paint(drawn.drawing().shapes());
        signs(g, drawn, listened, wanted.pass());
        hand.setFill(look.palette().inHand());
        lamp.setFill(look.palette().of(Ink.GLIDE).deriveColor(0, 1, 1, 0.35));
    }

    private int pass(Listened listened) {
        return note < listened.played().notes().size() ? listened.played().notes().get(note).wanted().pass() : 1;
    }

    /** The signs of one time through; of a note that is not played in it, those of its last time. */
    private void signs(GraphicsContext g, Engraving drawn, Listened listened, int pass) {
        Map<Integer, List<Integer>> byPlain = new HashMap<>();
        Map<Integer, Integer> passes = new HashMap<>();
        List<HeardVersion.Note> notes = listened.played().notes();
        notes.forEach(n -> passes.merge(n.wanted().note(), n.wanted().pass(), Math::max));
        for (int i = 0; i < notes.size(); i++) {
            if (notes.get(i).wanted().pass() == Math.min(pass, passes.getOrDefault(notes.get(i).wanted().note(), 1))) {
                byPlain.computeIfAbsent(Marks.plain(listened, i), p -> new ArrayList<>()).add(i);
            }
        }
        moments(g, drawn, listened, byPlain);
        byPlain.forEach((plain, all) -> drawn.of(listened.version().rung(), plain).ifPresent(zone -> {
            double x = (zone.area().left() + zone.area().width() / 2) * space();
            double y = zone.area().top() * space() + AROUND - SIGN;
            double apart = 0;
            for (int i : all) {
                int index = i;
                List<Remark> remarks = Marks.of(listened, i);
                for (Remark remark : remarks) {
                    sign(g, remark, notes.get(i), x, y - apart);
                    apart += 2.6 * SIGN;
                }
                if (listened.beside().filter(o -> o.comparison().differs(index)).isPresent()) {
                    g.setStroke(look.palette().of(Ink.COMPANY));
                    g.setLineWidth(1.8);
                    g.strokePolygon(new double[] {x - SIGN, x, x + SIGN, x}, new double[] {y - apart, y - apart - SIGN, y - apart, y - apart + SIGN}, 4);
                    apart += 2.6 * SIGN;
                }
                if (notes.get(i).isOrnamented() && remarks.stream().noneMatch(r -> r.kind().ordinal() <= Remark.Kind.OTHER.ordinal())) {
                    g.setStroke(look.palette().of(Ink.GLIDE));
                    g.setLineWidth(1.8);
                    g.strokePolyline(new double[] {x - SIGN, x - SIGN / 3, x + SIGN}, new double[] {y - apart, y - apart + SIGN * 0.8, y - apart - SIGN}, 3);
                }
            }
        }));
    }

    /** Under the first note of each bar when it comes in the recording. */
    private void moments(GraphicsContext g, Engraving drawn, Listened listened, Map<Integer, List<Integer>> byPlain) {
        List<HeardVersion.Note> notes = listened.played().notes();
        Map<Integer, Integer> firsts = new HashMap<>();
        byPlain.values().stream().flatMap(List::stream).filter(i -> notes.get(i).onsetMs().isPresent()).forEach(i -> firsts.merge(notes.get(i).wanted().bar(), i, Math::min));
        g.setFont(CanvasPainter.text(Face.SANS, 12 * look.scale()));
        g.setFill(look.palette().of(Ink.QUIET));
        g.setTextAlign(TextAlignment.LEFT);
        firsts.values().forEach(i -> drawn.of(listened.version().rung(), Marks.plain(listened, i)).ifPresent(zone -> {
            double seconds = notes.get(i).onsetMs().orElse(0.0) / 1000;
            g.fillText("%d:%04.1f".formatted((int) (seconds / 60), seconds % 60), zone.area().left() * space(), clear(drawn, zone.area()) * space() + AROUND - 2);
        }));
    }

    /** Where a moment is out of the way of what is drawn below the stave there. */
    private double clear(Engraving drawn, Bounds area) {
        double high = 12 * look.scale() / space();
        double wide = 3.5 * high;
        double y = area.bottom();
        for (int row = 0; row < ROWS; row++) {
            Bounds words = new Bounds(area.left(), y - high, area.left() + wide, y);
            if (drawn.drawing().shapes().stream().flatMap(s -> s.boxes().stream()).noneMatch(b -> b.left() < words.right() && b.right() > words.left() && b.top() < words.bottom() && b.bottom() > words.top())) {
                return y;
            }
            y += high / 2;
        }
        return area.bottom();
    }

    private void sign(GraphicsContext g, Remark remark, HeardVersion.Note of, double x, double y) {
        Color ink = switch (remark.kind()) {
            case NOT_HEARD, SILENT, OTHER -> look.palette().of(Ink.MISSING);
            case DISPLACED, EXTRA -> look.palette().of(Ink.ROLL);
            case TIME, PITCH -> look.palette().of(Ink.CLICK);
        };
        g.setStroke(ink);
        g.setFill(ink);
        g.setLineWidth(1.8);
        double s = SIGN * 0.9;
        switch (remark.kind()) {
            case NOT_HEARD -> g.strokeOval(x - s, y - s, 2 * s, 2 * s);
            case SILENT, OTHER -> {
                g.strokeLine(x - s, y - s, x + s, y + s);
                g.strokeLine(x - s, y + s, x + s, y - s);
            }
            case DISPLACED -> g.strokePolyline(new double[] {x - s, x - s / 3, x + s / 3, x + s}, new double[] {y, y - s, y + s, y}, 4);
            case EXTRA -> {
                g.strokeLine(x - s, y, x + s, y);
                g.strokeLine(x, y - s, x, y + s);
            }
            case TIME -> {
                double way = of.lateMs() > 0 ? 1 : -1;
                g.fillPolygon(new double[] {x - way * s, x - way * s, x + way * s}, new double[] {y - s, y + s, y}, 3);
            }
            case PITCH -> {
                double way = of.cents() > 0 ? -1 : 1;
                g.fillPolygon(new double[] {x - s, x + s, x}, new double[] {y - way * s, y - way * s, y + way * s}, 3);
            }
        }
    }

    private void place(Rectangle over, Optional<HeardVersion.Note> which) {
        Optional<Engraving.Zone> zone = shown.isEmpty() || engraving == null ? Optional.empty()
                : which.flatMap(n -> engraving().of(shown.get().version().rung(), shown.get().version().varied().plain(n.wanted().note())));
        over.setVisible(zone.isPresent());
        zone.ifPresent(z -> {
            Bounds area = z.area();
            over.setX(area.left() * space());
            over.setY(area.top() * space() + AROUND);
            over.setWidth(area.width() * space());
            over.setHeight(area.height() * space());
            if (over.isVisible() && (over == lamp || !lamp.isVisible())) {
                keepInSight(area);
            }
        });
    }

    private Engraving engraving() {
        return java.util.Objects.requireNonNull(engraving);
    }

    private void keepInSight(Bounds area) {
        double height = getViewportBounds().getHeight();
        double room = canvas.getHeight() - height;
        if (room <= 0) {
            return;
        }
        double top = getVvalue() * room;
        double from = area.top() * space() - AROUND;
        double to = area.bottom() * space() + 2 * AROUND;
        if (from < top || to > top + height) {
            setVvalue(Math.clamp(from / room, 0, 1));
        }
    }
}
