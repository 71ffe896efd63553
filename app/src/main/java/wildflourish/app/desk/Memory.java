package wildflourish.app.desk;

import java.util.function.UnaryOperator;
import wildflourish.app.work.Keeper;

/** What the window remembers, kept whenever it changes. */
final class Memory {

    private final Keeper keeper;
    private WindowMemory now = WindowMemory.NONE;

    Memory(Keeper keeper) {
        this.keeper = keeper;
    }

    /** What is remembered. */
    WindowMemory now() {
        return now;
    }

    /** Takes in what was kept; nothing is kept anew. */
    void recall(WindowMemory kept) {
        now = kept;
    }

    void change(UnaryOperator<WindowMemory> changed) {
        WindowMemory then = changed.apply(now);
        if (!then.equals(now)) {
            now = then;
            keeper.remember(WindowMemory.name(), then::write);
        }
    }
}
