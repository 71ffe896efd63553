package wildflourish.app.trellis;

import java.util.List;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Palette;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Shape;

/** The picture of one system, painted anew only when something on it is another. */
final class SystemCanvas extends Canvas {

    /** What the picture shows; when that is equal, so is the picture. */
    private record Painted(List<Shape> shapes, double top, Palette palette, double space, double width) {}

    /** Room around a system for what reaches out of it, in pixels. */
    static final int AROUND = 12;

    private Painted painted = new Painted(List.of(), 0, Palette.LIGHT, 0, 0);

    SystemCanvas() {
        setManaged(false);
        setMouseTransparent(true);
    }

    /**
     * Shows a system.
     *
     * @param space pixels a staff space
     * @param scroll pixels by which the score is scrolled up; whole ones keep the lines of the staves even
     */
    void show(List<Shape> shapes, Bounds area, Palette palette, double space, double width, double scroll) {
        double top = Math.floor(area.top() * space) - AROUND;
        Painted wanted = new Painted(shapes, area.top(), palette, space, width);
        if (!wanted.equals(painted)) {
            painted = wanted;
            setWidth(width);
            setHeight(Math.ceil(area.bottom() * space) + AROUND - top);
            GraphicsContext g = getGraphicsContext2D();
            g.clearRect(0, 0, getWidth(), getHeight());
            new CanvasPainter(g, palette, space, 0, -top).paint(shapes);
        }
        relocate(0, top - scroll);
        setVisible(true);
    }
}
