package wildflourish.score.display;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

/** A line that bends or slants, cut into upright boxes. */
final class Slices {

    private Slices() {}

    /**
     * The boxes.
     *
     * @param count how many
     * @param x where a point lies; its argument runs from 0 to 1
     * @param half half the thickness there
     */
    static List<Bounds> of(int count, DoubleUnaryOperator x, DoubleUnaryOperator y, DoubleUnaryOperator half) {
        List<Bounds> boxes = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            double from = (double) i / count;
            double to = (i + 1.0) / count;
            double thick = Math.max(half.applyAsDouble(from), half.applyAsDouble(to));
            boxes.add(Bounds.of(List.of(new Shape.Point(x.applyAsDouble(from), y.applyAsDouble(from)),
                    new Shape.Point(x.applyAsDouble(to), y.applyAsDouble(to)))).grown(0, thick));
        }
        return boxes;
    }
}
