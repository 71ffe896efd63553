package wildflourish.app.trellis;

import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.shape.Rectangle;
import wildflourish.score.display.Bounds;
import wildflourish.score.engrave.Engraving;

/** The light over the note that sounds and over its fingers in the strip. Nothing is painted anew for it. */
final class Lamps extends Group {

    private final Rectangle note = lamp("lit-note");
    private final Rectangle fingers = lamp("lit-fingers");
    private Optional<Engraving.Zone> lit = Optional.empty();

    Lamps() {
        setManaged(false);
        setMouseTransparent(true);
        getChildren().addAll(note, fingers);
    }

    private static Rectangle lamp(String id) {
        Rectangle lamp = new Rectangle();
        lamp.setId(id);
        lamp.getStyleClass().add("lamp");
        lamp.setVisible(false);
        return lamp;
    }

    /** What is lit. */
    Optional<Engraving.Zone> lit() {
        return lit;
    }

    /** Lights another note, or none; it is seen when the lamps are placed. */
    void light(Optional<Engraving.Zone> zone) {
        lit = zone;
    }

    /** Lays the light over an engraving. */
    void place(Engraving engraving, double space, double scroll) {
        fingers.setVisible(false);
        note.setVisible(lit.isPresent());
        lit.ifPresent(zone -> {
            Bounds area = zone.area();
            place(note, area, space, scroll);
            engraving.of(0, zone.note()).ifPresent(ground -> {
                Bounds system = engraving.systems().get(ground.system());
                Bounds above = ground.area();
                place(fingers, new Bounds(above.left(), above.bottom(), above.right(), system.bottom()), space, scroll);
            });
        });
    }

    private static void place(Rectangle lamp, Bounds area, double space, double scroll) {
        lamp.setX(area.left() * space);
        lamp.setY(area.top() * space - scroll);
        lamp.setWidth(area.width() * space);
        lamp.setHeight(area.height() * space);
        lamp.setVisible(true);
    }
}
