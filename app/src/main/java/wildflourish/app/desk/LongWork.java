package wildflourish.app.desk;

import java.util.concurrent.atomic.AtomicBoolean;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;

/** The one long piece of work in the background: what it is, how far it is, and whether it was stopped. For the interface's thread. */
final class LongWork {

    private final ReadOnlyStringWrapper what = new ReadOnlyStringWrapper("");
    private AtomicBoolean stopped = new AtomicBoolean();

    /** What is done; empty when nothing is. */
    ReadOnlyStringProperty what() {
        return what.getReadOnlyProperty();
    }

    /** Begins; what is given back says when it was stopped, to any thread. */
    AtomicBoolean begin(String words) {
        stopped = new AtomicBoolean();
        what.set(words);
        return stopped;
    }

    /** Tells how far a piece of work is, unless it was stopped or is over. */
    void tell(AtomicBoolean work, String words) {
        if (work == stopped && !work.get() && !what.get().isEmpty()) {
            what.set(words);
        }
    }

    void end() {
        what.set("");
    }

    void stop() {
        stopped.set(true);
        end();
    }
}
