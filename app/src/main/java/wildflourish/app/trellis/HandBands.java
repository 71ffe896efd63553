package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.StrokeType;
import wildflourish.app.paint.Palette;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Ink;
import wildflourish.score.engrave.Engraving;

/** The bands behind the notes: the note in hand on every rung and down to its fingers, and where the hands differ from what was chosen. */
final class HandBands extends Group {

    private final List<Rectangle> bands = new ArrayList<>();
    private int used;

    HandBands() {
        setManaged(false);
        setMouseTransparent(true);
    }

    /** Lays the bands under a score. */
    void show(Engraving engraving, TrellisState now, Palette palette, double space, double scroll) {
        used = 0;
        for (Engraving.Zone zone : engraving.zones()) {
            Bounds a = zone.area();
            if (zone.note() == now.note()) {
                band(a, space, scroll, zone.rung() == now.rung() ? palette.inHand() : palette.rungInHand());
            }
            if (zone.rung() == now.rung() && now.differsAt(zone.note())) {
                Rectangle frame = next();
                place(frame, a.left() * space + 2, a.top() * space - scroll + 3, a.width() * space - 4, a.height() * space - 6);
                frame.setFill(null);
                frame.setStroke(palette.of(Ink.GLIDE));
            }
        }
        engraving.of(0, now.note()).ifPresent(ground -> {
            Bounds system = engraving.systems().get(ground.system());
            Bounds a = ground.area();
            band(new Bounds(a.left(), a.bottom(), a.right(), system.bottom()), space, scroll, palette.inHand());
        });
        bands.subList(used, bands.size()).forEach(b -> b.setVisible(false));
    }

    void hide() {
        bands.forEach(b -> b.setVisible(false));
    }

    private void band(Bounds a, double space, double scroll, Color colour) {
        Rectangle band = next();
        place(band, a.left() * space, a.top() * space - scroll, a.width() * space, a.height() * space);
        band.setFill(colour);
        band.setStroke(null);
    }

    private Rectangle next() {
        if (used == bands.size()) {
            Rectangle band = new Rectangle();
            band.setStrokeType(StrokeType.CENTERED);
            band.setStrokeWidth(2);
            band.getStrokeDashArray().addAll(5.0, 3.0);
            bands.add(band);
            getChildren().add(band);
        }
        return bands.get(used++);
    }

    private static void place(Rectangle band, double x, double y, double width, double height) {
        band.setX(x);
        band.setY(y);
        band.setWidth(width);
        band.setHeight(height);
        band.setVisible(true);
    }
}
