package wildflourish.app.shelf;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BooleanSupplier;
import java.util.function.LongFunction;
import java.util.function.Supplier;
import javafx.scene.canvas.Canvas;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Palette;
import wildflourish.app.work.Background;
import wildflourish.app.work.Documents;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Tune;
import wildflourish.library.TuneEntry;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Drawing;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;

/** The first bars of the tunes on the shelf: engraved in the background when they come into sight, and kept. */
public final class Incipits {

    static final double WIDTH = 460;
    static final double HEIGHT = 48;
    private static final double SPACE = 4.6;
    private static final int FULL_BARS = 4;

    private static final Background.Words NOT_DRAWN = Background.Words.silent("the first bars of a tune could not be drawn; the tune is as it was");

    private final LongFunction<String> documents;
    private final Background background;
    private final Supplier<Palette> palette;
    private final Map<Long, CompletableFuture<Optional<Drawing>>> drawings = new ConcurrentHashMap<>();

    /**
     * A drawer of first bars.
     *
     * @param documents reads the document of a tune, off the interface's thread
     */
    public Incipits(LongFunction<String> documents, Background background, Supplier<Palette> palette) {
        this.documents = documents;
        this.background = background;
        this.palette = palette;
    }

    /** Draws a tune's first bars as soon as they are there, if the canvas is still {@code wanted} for them. */
    void draw(TuneEntry tune, Canvas canvas, BooleanSupplier wanted) {
        canvas.getGraphicsContext2D().clearRect(0, 0, WIDTH, HEIGHT);
        engraved(tune.id()).thenAccept(drawing -> {
                    if (wanted.getAsBoolean() && drawing.isPresent()) {
                        canvas.getGraphicsContext2D().clearRect(0, 0, WIDTH, HEIGHT);
                        Bounds bounds = Bounds.around(drawing.get().shapes());
                        double down = HEIGHT / 2 - (bounds.top() + bounds.bottom()) / 2 * SPACE;
                        new CanvasPainter(canvas.getGraphicsContext2D(), palette.get(), SPACE, 0, down)
                                .paint(drawing.get().shapes(), -100, 100);
                    }
                });
    }

    /** The first bars of a tune, engraved once in the background; a failure is tried again when the tune is next in sight. */
    private CompletableFuture<Optional<Drawing>> engraved(long tune) {
        return drawings.computeIfAbsent(tune, id -> {
            CompletableFuture<Optional<Drawing>> drawing = new CompletableFuture<>();
            background.run(NOT_DRAWN, job -> engraved(documents.apply(id)), drawing::complete, () -> drawings.remove(id));
            return drawing;
        });
    }

    /** The bare first bars on one line; empty for a document without notes. */
    static Optional<Drawing> engraved(String document) {
        Tune tune = Documents.read(document).tune();
        int bars = 0;
        int full = 0;
        for (Bar bar : tune.bars()) {
            if (full == FULL_BARS || bars == 6) {
                break;
            }
            bars++;
            full += bar.number() > 0 ? 1 : 0;
        }
        Tune first = tune.withBars(List.copyOf(tune.bars().subList(0, bars)));
        double width = WIDTH / SPACE;
        while (!first.bars().isEmpty()) {
            Version version = Arrangement.bare(first, Instruments.known("none")).version(0);
            var engraving = ScoreEngraver.engrave(new ScoreRequest(version, Set.of(0), false, false, width));
            if (engraving.systems().size() == 1) {
                return Optional.of(engraving.drawing());
            }
            first = first.withBars(first.bars().subList(0, first.bars().size() - 1));
        }
        return Optional.empty();
    }
}
