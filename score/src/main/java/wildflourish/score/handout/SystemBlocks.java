package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.List;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Shape;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.SystemBlock;

/** Cuts an engraved score into its systems, so that each can be kept whole on a page. */
final class SystemBlocks {

    private SystemBlocks() {}

    /** The systems in order, moved to the right by {@code left}. */
    static List<SystemBlock> of(Engraving engraving, double left) {
        List<SystemBlock> blocks = new ArrayList<>();
        for (Bounds area : engraving.systems()) {
            List<Shape> shapes = new ArrayList<>();
            for (Shape shape : engraving.drawing().shapes()) {
                double middle = (shape.bounds().top() + shape.bounds().bottom()) / 2;
                if (middle >= area.top() && middle < area.bottom()) {
                    shapes.add(shape.moved(left, -area.top()));
                }
            }
            blocks.add(new SystemBlock(shapes, area.height()));
        }
        return blocks;
    }
}
