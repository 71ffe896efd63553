package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.List;
import wildflourish.score.display.Bounds;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.SystemBlock;

/** Cuts an engraved score into its systems, so that each can be kept whole on a page. */
final class SystemBlocks {

    private SystemBlocks() {}

    /** The systems in order, moved to the right by {@code left}. */
    static List<SystemBlock> of(Engraving engraving, double left) {
        List<SystemBlock> blocks = new ArrayList<>();
        for (int system = 0; system < engraving.systems().size(); system++) {
            Bounds area = engraving.systems().get(system);
            blocks.add(new SystemBlock(engraving.shapesOf(system).stream().map(s -> s.moved(left, -area.top())).toList(), area.height()));
        }
        return blocks;
    }
}
