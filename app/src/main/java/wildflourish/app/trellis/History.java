package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import wildflourish.core.memory.Once;
import wildflourish.core.setting.Arrangement;

/**
 * The steps that undo and redo walk, without end. A new edit after an undo leaves the undone ones behind. Of steps from before
 * today only their names are held; what they were is read when it is wanted.
 */
public final class History {

    /**
     * A step.
     *
     * @param what was done
     * @param after the arrangement after it; reading it may take time
     */
    record Step(String what, Once<Arrangement> after) {

        /** A step whose arrangement is read when it is wanted. */
        static Step read(String what, Supplier<Arrangement> after) {
            return new Step(what, new Once<>(after));
        }

        /** A step whose arrangement is at hand. */
        static Step done(String what, Arrangement after) {
            Once<Arrangement> known = new Once<>(() -> after);
            known.get();
            return new Step(what, known);
        }
    }

    private final List<Step> steps;
    private int current;

    /** A history of at least one step, standing on the one at {@code current}. */
    History(List<Step> steps, int current) {
        this.steps = new ArrayList<>(steps);
        this.current = current;
    }

    void push(String what, Arrangement after) {
        steps.subList(current + 1, steps.size()).clear();
        steps.add(Step.done(what, after));
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

    /** The steps that one undo and one redo would come to. */
    List<Step> near() {
        List<Step> near = new ArrayList<>();
        if (canUndo()) {
            near.add(steps.get(current - 1));
        }
        if (canRedo()) {
            near.add(steps.get(current + 1));
        }
        return near;
    }
}
