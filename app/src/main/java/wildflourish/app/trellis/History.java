package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import wildflourish.core.setting.Arrangement;

/** The steps that undo and redo walk, without end. A new edit after an undo leaves the undone ones behind. */
public final class History {

    /** A step: what was done, and the arrangement after it, read when it is wanted. */
    record Step(String what, Supplier<Arrangement> after) {}

    private final List<Step> steps;
    private int current;

    /** A history of at least one step, standing on the one at {@code current}. */
    History(List<Step> steps, int current) {
        this.steps = new ArrayList<>(steps);
        this.current = current;
    }

    void push(String what, Arrangement after) {
        steps.subList(current + 1, steps.size()).clear();
        steps.add(new Step(what, () -> after));
        current++;
    }

    boolean canUndo() {
        return current > 0;
    }

    boolean canRedo() {
        return current + 1 < steps.size();
    }

    /** The arrangement before the latest edit and that edit's name; empty at the beginning. */
    Optional<Step> undo() {
        if (!canUndo()) {
            return Optional.empty();
        }
        String undone = steps.get(current).what();
        current--;
        return Optional.of(new Step(undone, steps.get(current).after()));
    }

    /** The arrangement after the next edit and that edit's name; empty at the end. */
    Optional<Step> redo() {
        if (!canRedo()) {
            return Optional.empty();
        }
        current++;
        return Optional.of(steps.get(current));
    }
}
