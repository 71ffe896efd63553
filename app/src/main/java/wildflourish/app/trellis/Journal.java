package wildflourish.app.trellis;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import wildflourish.core.growth.Lick;
import wildflourish.core.setting.Arrangement;

/** Where edits go as they are made. */
public interface Journal {

    /** A new edition of a tune; its document is written when it is asked for, on any thread. */
    void save(long tune, String what, Supplier<String> document);

    void undo(long tune);

    void redo(long tune);

    /** Where a pitch is played on an instrument from now on; an empty place ends the habit. */
    void habit(String instrument, String pitch, Optional<String> place);

    /** Keeps a lick under its name; an empty one ends it. */
    default void keepLick(String name, Optional<Lick> lick) {}

    /** Where the teacher is now. */
    void stand(long tune, int rung, int note);

    /** Every edition kept of a tune, the latest first; not on the interface's thread. */
    default List<EarlierChoices.Earlier> earlier(long tune) {
        return List.of();
    }

    /** What a tune was at an edition; not on the interface's thread. */
    default Arrangement reread(long edition) {
        throw new IllegalStateException("nothing is kept");
    }
}
