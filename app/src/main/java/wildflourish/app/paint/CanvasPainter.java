package wildflourish.app.paint;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;
import wildflourish.library.TemporaryFiles;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.FontFiles;
import wildflourish.score.font.MusicFont;

/** Paints a display list on a JavaFX canvas. */
public final class CanvasPainter {

    private static final Map<Face, String> FAMILIES = new EnumMap<>(Face.class);
    private static final Map<Long, Font> MUSIC = new HashMap<>();
    private static final Map<String, Font> TEXT = new HashMap<>();
    private static @Nullable String musicFamily;

    private final GraphicsContext canvas;
    private final Map<Ink, Color> colours = new EnumMap<>(Ink.class);
    private final double scale;
    private final double dx;
    private final double dy;

    /**
     * A painter.
     *
     * @param scale pixels a staff space
     * @param dx pixels by which everything is moved right
     * @param dy pixels by which everything is moved down
     */
    public CanvasPainter(GraphicsContext canvas, Palette palette, double scale, double dx, double dy) {
        this.canvas = canvas;
        this.scale = scale;
        this.dx = dx;
        this.dy = dy;
        for (Ink ink : Ink.values()) {
            colours.put(ink, palette.of(ink));
        }
        canvas.setLineCap(StrokeLineCap.BUTT);
        canvas.setTextBaseline(VPos.BASELINE);
    }

    /** Loads the fonts, which the first painting would otherwise wait for. */
    public static void loadFonts() {
        music(32);
        load(FontFiles.openStrong(), 12);
        for (Face face : Face.values()) {
            text(face, 12);
        }
    }

    /** From a file of this run: read from a stream, a copy of each font would stay behind where a window is killed. */
    private static Font load(InputStream font, double size) {
        try (InputStream in = font) {
            byte[] bytes = in.readAllBytes();
            Path file = TemporaryFiles.folder("font").resolve("font");
            Files.write(file, bytes);
            Font loaded = Font.loadFont(file.toUri().toURL().toString(), size);
            return loaded != null ? loaded : Font.loadFont(new ByteArrayInputStream(bytes), size);
        } catch (IOException e) {
            throw new UncheckedIOException("no folder for temporary files can be written to", e);
        }
    }

    private static Font music(double size) {
        return MUSIC.computeIfAbsent(Math.round(size * 100), k -> {
            if (musicFamily == null) {
                musicFamily = load(FontFiles.openMusic(), size).getFamily();
            }
            return Font.font(musicFamily, size);
        });
    }

    /** A text font of the program's own. */
    public static Font text(Face face, double size) {
        return TEXT.computeIfAbsent(face + ":" + Math.round(size * 100), k -> {
            String name = FAMILIES.computeIfAbsent(face, f -> load(FontFiles.open(f), size).getName());
            return new Font(name, size);
        });
    }

    /** Paints what can be seen between two heights of the drawing, in staff spaces. */
    public void paint(Iterable<Shape> shapes, double top, double bottom) {
        for (Shape shape : shapes) {
            Bounds b = shape.bounds();
            if (b.bottom() >= top && b.top() <= bottom) {
                paint(shape);
            }
        }
    }

    /** Paints everything. */
    public void paint(Iterable<Shape> shapes) {
        shapes.forEach(this::paint);
    }

    private void paint(Shape shape) {
        Color colour = Objects.requireNonNull(colours.get(shape.ink()));
        switch (shape) {
            case Shape.Glyph g -> {
                canvas.setFill(colour);
                canvas.setTextAlign(TextAlignment.LEFT);
                canvas.setFont(music(4 * scale * g.scale()));
                canvas.fillText(MusicFont.character(g.name()), x(g.x()), y(g.y()));
            }
            case Shape.Line l -> line(l, colour);
            case Shape.Polygon p -> {
                double[] xs = p.points().stream().mapToDouble(q -> x(q.x())).toArray();
                double[] ys = p.points().stream().mapToDouble(q -> y(q.y())).toArray();
                canvas.setFill(colour);
                canvas.fillPolygon(xs, ys, xs.length);
            }
            case Shape.Bow b -> bow(b, colour);
            case Shape.Disc d -> {
                double left = x(d.x() - d.radius());
                double top = y(d.y() - d.radius());
                double size = 2 * d.radius() * scale;
                if (d.filled()) {
                    canvas.setFill(colour);
                    canvas.fillOval(left, top, size, size);
                } else {
                    canvas.setStroke(colour);
                    canvas.setLineWidth(d.thickness() * scale);
                    canvas.strokeOval(left, top, size, size);
                }
            }
            case Shape.Words w -> {
                canvas.setFill(colour);
                canvas.setFont(text(w.face(), w.size() * scale));
                canvas.setTextAlign(switch (w.anchor()) {
                    case START -> TextAlignment.LEFT;
                    case MIDDLE -> TextAlignment.CENTER;
                    case END -> TextAlignment.RIGHT;
                });
                canvas.fillText(w.text(), x(w.x()), y(w.y()));
            }
        }
    }

    /** Level and upright lines are set on whole pixels, so that staves look even. */
    private void line(Shape.Line l, Color colour) {
        double width = Math.max(1, l.thickness() * scale);
        if (l.y1() == l.y2()) {
            double height = Math.max(1, Math.round(width));
            canvas.setFill(colour);
            canvas.fillRect(x(l.x1()), Math.round(y(l.y1()) - height / 2), x(l.x2()) - x(l.x1()), height);
        } else if (l.x1() == l.x2()) {
            double top = y(Math.min(l.y1(), l.y2()));
            canvas.setFill(colour);
            canvas.fillRect(x(l.x1()) - width / 2, top, width, Math.abs(l.y2() - l.y1()) * scale);
        } else {
            canvas.setStroke(colour);
            canvas.setLineWidth(width);
            canvas.strokeLine(x(l.x1()), y(l.y1()), x(l.x2()), y(l.y2()));
        }
    }

    private void bow(Shape.Bow b, Color colour) {
        double inset = (b.x2() - b.x1()) * Shape.Bow.REACH;
        double outer = b.rise() + Math.copySign(b.middle() / 2, b.rise());
        double inner = b.rise() - Math.copySign(b.middle() / 2, b.rise());
        canvas.setFill(colour);
        canvas.beginPath();
        canvas.moveTo(x(b.x1()), y(b.y1()));
        canvas.bezierCurveTo(x(b.x1() + inset), y(b.y1() + outer), x(b.x2() - inset), y(b.y2() + outer), x(b.x2()),
                y(b.y2()));
        canvas.bezierCurveTo(x(b.x2() - inset), y(b.y2() + inner), x(b.x1() + inset), y(b.y1() + inner), x(b.x1()),
                y(b.y1()));
        canvas.closePath();
        canvas.fill();
    }

    private double x(double spaces) {
        return spaces * scale + dx;
    }

    private double y(double spaces) {
        return spaces * scale + dy;
    }
}
