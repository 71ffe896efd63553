package wildflourish.app.practice;

import javafx.scene.AccessibleRole;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import wildflourish.app.paint.Look;
import wildflourish.app.paint.Palette;

/** A picture that fills its place and is painted anew whenever that, the look, or what it shows has changed. */
abstract class Painted extends Region {

    private final Canvas canvas = new Canvas();
    private Look look = Look.USUAL;

    Painted(String id) {
        setId(id);
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        getChildren().add(canvas);
    }

    final Palette palette() {
        return look.palette();
    }

    final void setLook(Look other) {
        look = other;
        paint();
    }

    /** Its width as it is drawn in: everything is drawn in the usual size of words, and enlarged with them. */
    final double wide() {
        return getWidth() / look.scale();
    }

    /** Its height, so as well. */
    final double tall() {
        return getHeight() / look.scale();
    }

    @Override
    protected final void layoutChildren() {
        canvas.setWidth(Math.max(1, getWidth()));
        canvas.setHeight(Math.max(1, getHeight()));
        paint();
    }

    /** Paints it anew. */
    final void paint() {
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.save();
        g.scale(look.scale(), look.scale());
        paint(g);
        g.restore();
    }

    /** Paints everything, over whatever was there. */
    abstract void paint(GraphicsContext g);

    /** Fills all of it with paper. */
    final void paper(GraphicsContext g) {
        g.setFill(look.palette().paper());
        g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
    }
}
