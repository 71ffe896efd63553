package wildflourish.app.practice;

import javafx.scene.AccessibleRole;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import wildflourish.app.paint.Palette;

/** A picture that fills its place and is painted anew whenever that, the look, or what it shows has changed. */
abstract class Painted extends Region {

    private final Canvas canvas = new Canvas();
    private Palette palette = Palette.LIGHT;

    Painted(String id) {
        setId(id);
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        getChildren().add(canvas);
    }

    final Palette palette() {
        return palette;
    }

    final void setPalette(Palette other) {
        palette = other;
        paint();
    }

    @Override
    protected final void layoutChildren() {
        canvas.setWidth(Math.max(1, getWidth()));
        canvas.setHeight(Math.max(1, getHeight()));
        paint();
    }

    /** Paints it anew. */
    final void paint() {
        paint(canvas.getGraphicsContext2D());
    }

    /** Paints everything, over whatever was there. */
    abstract void paint(GraphicsContext g);

    /** Fills all of it with paper. */
    final void paper(GraphicsContext g) {
        g.setFill(palette.paper());
        g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
    }
}
