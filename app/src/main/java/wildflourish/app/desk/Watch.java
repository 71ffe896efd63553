package wildflourish.app.desk;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import wildflourish.app.shelf.ShelfModel;
import wildflourish.app.work.Background;
import wildflourish.app.work.Keeper;

/** How the library is: what cannot be kept at the moment, what an examination found, and whether the window may close. */
public final class Watch {

    private static final Background.Words NOT_EXAMINED =
            Background.Words.silent("the library could not be examined; make a copy of its file before you go on");

    private static final Background.Words NOT_BACKED_UP =
            Background.Words.silent("today's back-up could not be made beside the library; make one with Ctrl+Space, back-up");

    private final Keeper keeper;
    private final Background background;
    private final ShelfModel shelf;
    private final Consumer<String> say;
    private final ReadOnlyStringWrapper unkept = new ReadOnlyStringWrapper("");
    private final ReadOnlyBooleanWrapper over = new ReadOnlyBooleanWrapper();
    private boolean closing;

    Watch(Keeper keeper, Background background, ShelfModel shelf, Consumer<String> say) {
        this.keeper = keeper;
        this.background = background;
        this.shelf = shelf;
        this.say = say;
        keeper.onStanding(words -> background.onInterface(() -> unkept.set(words)));
    }

    /** How much cannot be written at the moment and why; empty when everything can. */
    public ReadOnlyStringProperty unkept() {
        return unkept.getReadOnlyProperty();
    }

    /** Tells what could not be read when the window opened, and examines the file when it was not closed the last time. */
    void begin(List<String> damage) {
        shelf.setDamage(damage);
        if (!damage.isEmpty()) {
            say.accept("not all of the library could be read: see the shelf");
        }
        keeper.aside().remark().ifPresent(say);
        background.run(NOT_EXAMINED, job -> keeper.ask(l -> l.wasLeftOpen() ? l.examine() : Optional.<String>empty()), found -> found.ifPresent(words -> {
            shelf.setDamage(Stream.concat(damage.stream(), Stream.of(words)).toList());
            say.accept(words);
        }));
        if (damage.isEmpty()) {
            background.run(NOT_BACKED_UP, job -> keeper.ask(l -> l.backups().daily()), made -> { });
        }
    }

    /** Whether everything is kept, and the window may close. */
    public ReadOnlyBooleanProperty over() {
        return over.getReadOnlyProperty();
    }

    /** Closes the window as soon as everything is kept, and says what it waits for; asked again, it waits no longer. */
    public void close() {
        if (closing) {
            keeper.giveUp();
        } else if (keeper.unkept() > 0) {
            say.accept("still keeping %d edit%s; close once more to set aside what cannot be kept".formatted(
                    keeper.unkept(), keeper.unkept() == 1 ? "" : "s"));
        }
        closing = true;
        background.underWay().forEach(Background.Job::stop);
        background.run(Background.Words.silent("the last edits are still being kept"), job -> {
            keeper.finish();
            return true;
        }, done -> over.set(true));
    }
}
