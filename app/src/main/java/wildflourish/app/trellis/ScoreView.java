package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleConsumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.geometry.Orientation;
import javafx.scene.AccessibleRole;
import javafx.scene.control.ScrollBar;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import wildflourish.app.paint.Look;
import wildflourish.core.memory.Kept;
import wildflourish.score.display.Bounds;
import wildflourish.score.engrave.Aids;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;

/**
 * The rungs as they grow. Only what can be seen is painted, so that a tune of any length scrolls; the note in hand is kept
 * in sight.
 */
public final class ScoreView extends Region {

    private static final double SPACE = 8;
    /** The sizes of the score, as multiples of the usual one. */
    private static final double[] ZOOMS = {0.5, 0.6, 0.7, 0.8, 0.9, 1, 1.15, 1.3, 1.5, 1.75, 2, 2.5};
    /** The whole tune is never drawn smaller than this; a longer one scrolls. */
    private static final double LEAST_WHOLE = 0.28;
    /** What was engraved last or is about to be shown: stepping to and fro between rungs engraves nothing again. */
    private static final Kept<ScoreRequest, Engraving> ENGRAVED = new Kept<>(8);

    private final TrellisModel model;
    private final Pane page = new Pane();
    private final HandBands bands = new HandBands();
    private final List<SystemCanvas> canvases = new ArrayList<>();
    private final ScrollBar bar = new ScrollBar();
    private final Rectangle window = new Rectangle();
    private final Lamps lamps = new Lamps();
    private Look look = Look.USUAL;
    private @Nullable Engraving engraving;
    private @Nullable ScoreRequest engraved;
    private double paintedAt;
    private long tune = -1;
    private double zoom = 1;
    private double beside = 1;
    private double fitted = 1;
    private volatile boolean whole;
    private volatile double width;
    /** The size of a staff space that the next state is engraved ahead for; 0 for none. */
    private volatile double preparedFor;
    private double pinch = 1;
    private DoubleConsumer zoomed = z -> { };
    private Runnable painted = () -> { };
    private boolean shown;

    /** A view of the model, which may have no tune yet. */
    public ScoreView(TrellisModel model) {
        this.model = model;
        getStyleClass().add("score");
        setId("score");
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.TEXT);
        setAccessibleText("the trellis");
        bar.setOrientation(Orientation.VERTICAL);
        bar.setAccessibleText("scroll the trellis");
        bar.setFocusTraversable(false);
        page.getChildren().add(bands);
        page.setClip(window);
        getChildren().addAll(page, lamps, bar);
        bar.valueProperty().addListener((o, a, b) -> {
            paint();
            placeLamps();
        });
        model.ahead(this::prepare);
        model.state().addListener((o, before, now) -> {
            if (shown) {
                show(now);
            }
        });
        page.setOnMousePressed(e -> {
            requestFocus();
            if (e.getButton() == MouseButton.PRIMARY && engraving != null) {
                engraving.at(e.getX() / space(), (e.getY() + bar.getValue()) / space())
                        .ifPresent(z -> model.select(z.rung(), z.note()));
            }
        });
        setOnScroll(e -> {
            if (e.isShortcutDown()) {
                zoomBy((int) Math.signum(e.getDeltaY()));
            } else {
                bar.setValue(Math.clamp(bar.getValue() - e.getDeltaY(), 0, bar.getMax()));
            }
            e.consume();
        });
        setOnZoomStarted(e -> pinch = zoom);
        setOnZoom(e -> zoomTo(Math.clamp(pinch * e.getTotalZoomFactor(), ZOOMS[0], ZOOMS[ZOOMS.length - 1])));
    }

    /** A smaller one among other things, which the keys do not go to. */
    public void besideOthers(String id) {
        setId(id);
        setFocusTraversable(false);
        beside = 0.9;
    }

    /** Runs after every painting. */
    public void onPainted(Runnable action) {
        painted = action;
    }

    /** Follows the model from now on, or rests: what nobody sees is not engraved. */
    public void setShown(boolean now) {
        shown = now;
        preparedFor = 0;
        if (now && model.isOpen()) {
            show(model.state().get());
        }
    }

    private double space() {
        return whole ? SPACE * fitted : SPACE * zoom * beside * Math.sqrt(look.scale());
    }

    /** Puts a look on: colours, and the size of all words, which the notes follow half the way: they have a size of their own. */
    public void setLook(Look newLook) {
        boolean larger = newLook.percent() != look.percent();
        look = newLook;
        if (larger) {
            redraw();
        } else {
            paint();
        }
    }

    private void redraw() {
        if (shown && model.isOpen()) {
            show(model.state().get());
        }
    }

    /** The size of the score, as a multiple of the usual one. */
    public double zoom() {
        return zoom;
    }

    /** Told whenever the size is changed. */
    public void onZoomed(DoubleConsumer listener) {
        zoomed = listener;
    }

    /** Another size of notes and words; 1 is the usual one. */
    public void zoomTo(double size) {
        whole = false;
        if (size != zoom) {
            zoom = size;
            zoomed.accept(size);
        }
        redraw();
    }

    /** The next larger (or, negative, smaller) size; the last one stays. */
    public void zoomBy(int by) {
        int at = 0;
        for (int i = 0; i < ZOOMS.length; i++) {
            at = Math.abs(ZOOMS[i] - zoom) < Math.abs(ZOOMS[at] - zoom) ? i : at;
        }
        zoomTo(ZOOMS[Math.clamp(at + by, 0, ZOOMS.length - 1)]);
    }

    /** Shows the whole tune at a glance, its rungs folded, as large as the room allows; or as it was before. */
    public void toggleWhole() {
        whole = !whole;
        redraw();
    }

    /** Whether the whole tune is shown at a glance. */
    public boolean isWhole() {
        return whole;
    }

    /** Lights a note that sounds, and its fingers in the strip, and keeps them in sight. Nothing is painted anew for it. */
    public void light(int rung, int note) {
        Optional<Engraving.Zone> now = engraving == null ? Optional.empty()
                : engraving.of(rung, note).or(() -> engraving().of(model.rung(), note)).or(() -> engraving().of(0, note));
        Optional<Engraving.Zone> before = lamps.lit();
        if (now.isPresent() && !now.equals(before)) {
            lamps.light(now);
            if (before.isEmpty() || before.get().system() != now.get().system()) {
                keepInSight(now.get());
            }
        }
        placeLamps();
    }

    /** Lights nothing any more. */
    public void darken() {
        lamps.light(Optional.empty());
        placeLamps();
    }

    private void placeLamps() {
        if (engraving != null) {
            lamps.place(engraving, space(), Math.round(bar.getValue()));
        }
    }

    private void show(TrellisState now) {
        setAccessibleText("rung " + now.arrangement().ladder().rung(now.rung()).name() + ", "
                + TrellisModel.noteInWords(now));
        engrave(now);
        if (tune != now.tune()) {
            bar.setValue(0);
        }
        tune = now.tune();
        keepInSight(now);
        paint();
    }

    private void engrave(TrellisState now) {
        if (whole) {
            fit(now);
        }
        width = getWidth();
        preparedFor = whole ? 0 : space();
        ScoreRequest request = request(now, space());
        if (!request.equals(engraved) || paintedAt != space()) {
            paintedAt = space();
            engraving = ENGRAVED.of(request, ScoreEngraver::engrave);
            engraved = request;
            lamps.light(lamps.lit().flatMap(l -> engraving().of(l.rung(), l.note())));
            placeLamps();
            bar.setMax(Math.max(0, engraving().drawing().height() * space() - getHeight()));
            bar.setVisibleAmount(bar.getMax() <= 0 ? 1
                    : getHeight() / (engraving().drawing().height() * space()) * bar.getMax());
            bar.setUnitIncrement(60);
            bar.setBlockIncrement(getHeight() * 0.8);
            bar.setVisible(bar.getMax() > 0);
            bar.setValue(Math.min(bar.getValue(), bar.getMax()));
        }
    }

    /** Engraves what will be shown next, away from the interface's thread. */
    private void prepare(TrellisState next) {
        double space = preparedFor;
        if (space > 0) {
            ENGRAVED.of(request(next, space), ScoreEngraver::engrave);
        }
    }

    private ScoreRequest request(TrellisState now, double space) {
        Set<Integer> open = whole ? Set.of(0) : new LinkedHashSet<>(List.of(0, now.rung()));
        return new ScoreRequest(now.version(), open, true, !whole, whole ? Aids.NONE : Aids.of(now.advice()), Math.max(40, (width - 14) / space));
    }

    /** Finds the largest size at which all systems are in sight, by halving. */
    private void fit(TrellisState now) {
        double low = LEAST_WHOLE;
        double high = Math.sqrt(look.scale());
        for (int i = 0; i < 6; i++) {
            double middle = (low + high) / 2;
            double space = SPACE * middle;
            if (ScoreEngraver.engrave(request(now, space)).drawing().height() * space <= getHeight()) {
                low = middle;
            } else {
                high = middle;
            }
        }
        fitted = low;
    }

    private void keepInSight(TrellisState now) {
        if (lamps.lit().isEmpty()) {
            engraving().of(now.rung(), now.note()).ifPresent(this::keepInSight);
        }
    }

    private void keepInSight(Engraving.Zone zone) {
        Bounds system = engraving().systems().get(zone.system());
        double top = Math.max(0, (system.top() - 1) * space());
        double bottom = system.bottom() * space() + 8;
        if (top < bar.getValue()) {
            bar.setValue(top);
        } else if (bottom > bar.getValue() + getHeight()) {
            bar.setValue(Math.min(bar.getMax(), Math.min(top, bottom - getHeight())));
        }
    }

    @Override
    protected void layoutChildren() {
        double barWidth = 14;
        boolean resized = page.getWidth() != getWidth() - barWidth || page.getHeight() != getHeight();
        page.resizeRelocate(0, 0, Math.max(1, getWidth() - barWidth), Math.max(1, getHeight()));
        window.setWidth(page.getWidth());
        window.setHeight(page.getHeight());
        bar.resizeRelocate(getWidth() - barWidth, 0, barWidth, getHeight());
        if (resized && shown && model.isOpen()) {
            engraved = null;
            show(model.state().get());
        } else {
            paint();
        }
    }

    /** Shows the systems that are in sight; what has not changed is not painted again. */
    private void paint() {
        if (engraving == null || !model.isOpen()) {
            canvases.forEach(c -> c.setVisible(false));
            bands.hide();
            return;
        }
        double scroll = Math.round(bar.getValue());
        bands.show(engraving, model.state().get(), look.palette(), space(), scroll);
        List<Bounds> systems = engraving.systems();
        List<Integer> inSight = IntStream.range(0, systems.size()).filter(s -> systems.get(s).bottom() * space() >= scroll - SystemCanvas.AROUND
                && systems.get(s).top() * space() <= scroll + page.getHeight() + SystemCanvas.AROUND).boxed().toList();
        while (canvases.size() < inSight.size()) {
            canvases.add(new SystemCanvas());
            page.getChildren().add(canvases.getLast());
        }
        Set<SystemCanvas> used = inSight.stream().map(s -> canvases.get(s % canvases.size())).collect(Collectors.toSet());
        canvases.stream().filter(c -> !used.contains(c)).forEach(c -> c.setVisible(false));
        // A system keeps its canvas while the page is scrolled.
        inSight.forEach(s -> canvases.get(s % canvases.size())
                .show(engraving().shapesOf(s), systems.get(s), look.palette(), space(), page.getWidth(), scroll));
        painted.run();
    }

    /** The height of everything that is engraved, in pixels. */
    double drawnHeight() {
        return engraving().drawing().height() * space();
    }

    /** Whether anything has been shown yet. */
    boolean isEngraved() {
        return engraving != null;
    }

    /** The engraved score; a tune must be shown. */
    Engraving engraving() {
        return Objects.requireNonNull(engraving, "nothing is engraved yet");
    }

    /** Where a note of a rung is on the view, in pixels; empty when it is scrolled away. */
    Optional<javafx.geometry.Point2D> pointOf(int rung, int note) {
        return engraving().of(rung, note).map(z -> new javafx.geometry.Point2D(
                (z.area().left() + z.area().width() / 2) * space(),
                (z.area().top() + z.area().height() / 2) * space() - bar.getValue()));
    }
}
