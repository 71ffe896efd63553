package wildflourish.app.trellis;

import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import wildflourish.core.growth.Departures;
import wildflourish.core.setting.Arrangement;
import wildflourish.library.EditionEntry;
import wildflourish.score.display.Drawing;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;

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

    /**
     * A look at what the tune was.
     *
     * @param departs from what it is now: a line each, without a full stop
     * @param drawing the rung in hand as it was
     */
    record Look(List<String> departs, Drawing drawing) {}

    /** Looks at an edition, as wide as there is room in staff spaces; a later look takes the place of one that is still awaited. */
    void look(Earlier earlier, double width, Consumer<Look> then) {
        TrellisState now = model.now();
        model.later(() -> {
            Arrangement was = model.journal().reread(earlier.edition().id());
            int rung = Math.min(now.rung(), was.ladder().size() - 1);
            return new Look(Departures.of(now.arrangement(), was, now.rung()), ScoreEngraver.engrave(
                    new ScoreRequest(was.version(rung), Set.of(rung), false, false, width)).drawing());
        }, then);
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
