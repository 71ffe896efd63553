package wildflourish.score.engrave;

import java.util.List;
import java.util.Optional;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Shape;

/**
 * An engraved score and what stands where in it.
 *
 * @param zones the area of each note on each rung shown
 * @param systems the area of each system
 * @param places the area of each note and rest of the plain tune on the lowest open rung, in order
 * @param firstShapes for each system the index of its first shape in the drawing, whose shapes follow one another by systems
 */
public record Engraving(Drawing drawing, List<Zone> zones, List<Bounds> systems, List<Place> places, List<Integer> firstShapes) {

    /** Where a note stands on a rung. */
    public record Zone(int rung, int note, int system, Bounds area) {}

    /** Where a note or rest stands: its bar by its index in the tune, and how high the stave reaches there. */
    public record Place(int bar, int system, Bounds area) {}

    public Engraving {
        places = List.copyOf(places);
        zones = List.copyOf(zones);
        systems = List.copyOf(systems);
        firstShapes = List.copyOf(firstShapes);
    }

    /** What is drawn of one system. */
    public List<Shape> shapesOf(int system) {
        int end = system + 1 < firstShapes.size() ? firstShapes.get(system + 1) : drawing.shapes().size();
        return drawing.shapes().subList(firstShapes.get(system), end);
    }

    /** The note and rung at a point, if any. */
    public Optional<Zone> at(double x, double y) {
        return zones.stream().filter(z -> z.area().contains(x, y)).findFirst();
    }

    /** Where a note stands on a rung; empty when that rung is not shown. */
    public Optional<Zone> of(int rung, int note) {
        return zones.stream().filter(z -> z.rung() == rung && z.note() == note).findFirst();
    }
}
