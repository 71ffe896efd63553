package wildflourish.app.trellis;

import java.util.List;
import java.util.function.Consumer;
import wildflourish.library.EditionEntry;

/** What the open tune was earlier: every edition that was ever kept of it, also those that undo and redo do not come to. */
public final class EarlierChoices {

    private final TrellisModel model;

    EarlierChoices(TrellisModel model) {
        this.model = model;
    }

    /**
     * An edition kept.
     *
     * @param now whether it is the current one
     * @param apart whether undo and redo do not come to it: it was left behind after an undo, or another program made it
     */
    public record Earlier(EditionEntry edition, boolean now, boolean apart) {}

    /** Lists them, the latest first. */
    void list(Consumer<List<Earlier>> then) {
        long tune = model.now().tune();
        model.later(() -> model.journal().earlier(tune), found -> {
            if (model.now().tune() == tune) {
                then.accept(found);
            }
        });
    }

    /** Makes the tune what it was then, as a new edit: what it is now can be had again by undoing. */
    void take(Earlier earlier) {
        long tune = model.now().tune();
        model.later(() -> model.journal().reread(earlier.edition().id()), was -> {
            if (model.now().tune() == tune) {
                model.edit("as it was after “%s”".formatted(earlier.edition().what()), was);
            }
        });
    }
}
