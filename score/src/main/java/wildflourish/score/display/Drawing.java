package wildflourish.score.display;

import java.util.List;

/** A finished picture in staff spaces, its shapes from back to front. */
public record Drawing(double width, double height, List<Shape> shapes) {

    public Drawing {
        shapes = List.copyOf(shapes);
    }
}
