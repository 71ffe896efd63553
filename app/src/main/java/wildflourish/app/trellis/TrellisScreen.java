package wildflourish.app.trellis;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Keys;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.paint.Look;
import wildflourish.app.work.Folders;

/** The trellis, the main screen: what do I put where? */
public final class TrellisScreen extends TuneScreen<TrellisView> {

    /** What it is kept under. */
    public static final String ID = "trellis";

    private static final String MOVING = "Going about the tune";
    private static final String ORNAMENTS = "Ornaments";
    private static final String PLACES = "Places and fingerings";
    private static final String LADDER = "The ladder";
    private static final String SIZE = "The size of the score";

    /** What is heard, and what is written of it. */
    public interface Sound {

        /** Plays from the note in hand, or stops. */
        void toggle();

        /** Writes the rung in hand to a file. */
        void write(Path file);
    }

    private static final Plate PLATE = new Plate(ID, "Trellis", "What do I put where?", "Ctrl+2",
            "M7 21.5V6M15 21.5V8M4 18.5h14M4 13.5h14M4 8.5h11M15 8c.2-3.6 2.2-5.4 6-5.5c0 3.8-2.2 5.6-6 5.5M7 6c-2.4-.4-3.6-1.6-3.8-3.6C5.4 2.600 6.800 3.700 7 6");

    private final TrellisModel model;
    private final Sound sound;
    private final Consumer<Double> zoomed;
    private final Site site;
    private final List<Command> commands;
    private double zoom = 1;
    private boolean shown;

    /**
     * The screen of the trellis.
     *
     * @param zoomed told the size of the score whenever it changes, to be remembered
     */
    public TrellisScreen(TrellisModel model, Sound sound, Consumer<Double> zoomed, Site site) {
        super(PLATE, model);
        this.model = model;
        this.sound = sound;
        this.zoomed = zoomed;
        this.site = site;
        this.commands = commandsOf();
    }

    private List<Command> commandsOf() {
        List<Command> all = new ArrayList<>();
        all.add(moving("note-before", "The note before", () -> model.stepNote(-1), "←"));
        all.add(moving("note-after", "The next note", () -> model.stepNote(1), "→"));
        all.add(moving("rung-up", "A rung up", () -> model.stepRung(1), "↑"));
        all.add(moving("rung-down", "A rung down", () -> model.stepRung(-1), "↓"));
        all.add(moving("bar-before", "The bar before", () -> model.stepBar(-1), "Ctrl+←"));
        all.add(moving("bar-after", "The next bar", () -> model.stepBar(1), "Ctrl+→"));
        all.add(moving("first-note", "The first note", () -> model.select(model.rung(), 0), "Home"));
        all.add(moving("last-note", "The last note", () -> model.select(model.rung(), Integer.MAX_VALUE), "End"));
        all.add(Command.typed("place", "Place the ornament of that letter, or lift it", ORNAMENTS, Keys.typedLetter("a letter"),
                typed -> model.ornaments().toggleByKey(typed.charAt(0))));
        all.add(moving("look-up", "Look at the ornament above", () -> model.ornaments().lookOn(-1), "Ctrl+↑").among(ORNAMENTS));
        all.add(moving("look-down", "Look at the ornament below", () -> model.ornaments().lookOn(1), "Ctrl+↓").among(ORNAMENTS));
        all.add(command("place-looked-at", "Place the ornament that is looked at, or lift it", ORNAMENTS, model.ornaments()::toggleInSight).keys("Enter"));
        all.add(command("lift-all", "Lift everything from the note in hand", ORNAMENTS, model.ornaments()::clearNote).keys("Delete").also("Backspace"));
        all.add(command("simpler", "The simpler form of the ornament in hand", ORNAMENTS, model.ornaments()::simplify).key(Keys.sign(",")));
        all.add(command("everywhere", "Place it everywhere it is clean", ORNAMENTS, model.ornaments()::spread).keys("Ctrl+R"));
        all.add(command("forbid", "Never grow this here", ORNAMENTS, model.ladder()::forbid).keys("Shift+Delete").also("Shift+Backspace"));
        all.add(command("lock", "Lock the note: growing leaves it as it is", ORNAMENTS, model.ladder()::lock).keys("Ctrl+K"));
        all.add(command("what-instead", "What would come instead?", ORNAMENTS, model.ladder()::askInstead).key(Keys.sign("?")));
        all.add(command("take-instead", "Take what would come instead", ORNAMENTS, model.ladder()::takeInstead).key(Keys.sign("!")));
        all.add(command("put-right", "Put right what the instrument has not got", ORNAMENTS, model.variations()::putRight).keys("Ctrl+Shift+J"));
        all.add(command("vary", "Vary the stretch in hand", ORNAMENTS, () -> view().focusVariations()).keys("Ctrl+J"));
        all.add(Command.typed("other-place", "Another place for the note in hand", PLACES, Keys.number("1…9"),
                typed -> model.places().takeOther(typed.charAt(0) - '1')));
        all.add(command("place-as-planned", "The place as planned", PLACES, model.places()::release).key(Keys.sign("0")));
        all.add(command("habit", "Keep the place as a habit of the instrument", PLACES, model.places()::keepHabit).keys("Ctrl+H"));
        all.add(command("check-places", "Check a typed list of places", PLACES, () -> view().togglePlaces()).keys("Ctrl+Q"));
        all.add(command("grow", "Grow the ladder anew from bare", LADDER, model.ornaments()::grow).keys("Ctrl+G"));
        all.add(command("thin-out", "Thin the fullest rung out into a ladder", LADDER, model.ornaments()::prune).keys("Ctrl+T"));
        all.add(command("ladder", "The ladder: rungs, wishes and licks", LADDER, () -> view().toggleLadder()).keys("Ctrl+B"));
        all.add(command("compare", "Compare with the rung below", LADDER, () -> model.ladder().compareWith(Math.max(0, model.rung() - 1))).keys("Ctrl+D"));
        all.add(command("earlier", "Earlier: every edition that was kept of the tune", LADDER, () -> view().toggleEarlier()).keys("Ctrl+Shift+H"));
        all.add(command("schools", "Schools and speeds of the student", "Who plays", () -> view().togglePlayer()).keys("Ctrl+U"));
        all.add(command("faster", "Faster", "Who plays", () -> model.player().stepTempo(4)).key(Keys.sign("+=")).whileHeld());
        all.add(command("slower", "Slower", "Who plays", () -> model.player().stepTempo(-4)).key(Keys.sign("-")).whileHeld());
        all.add(command("note-panel", "The note in hand beside the rungs", MOVING, () -> view().showNote()).keys("Escape"));
        all.add(command("zoom-in", "A larger score", SIZE, () -> view().score().zoomBy(1)).keys("Ctrl+Plus").also("Ctrl+Equals", "Ctrl+Shift+Equals", "Ctrl+Shift+Plus", "Ctrl+Add").whileHeld());
        all.add(command("zoom-out", "A smaller score", SIZE, () -> view().score().zoomBy(-1)).keys("Ctrl+Minus").also("Ctrl+Subtract").whileHeld());
        all.add(command("zoom-usual", "The usual size of the score", SIZE, () -> view().score().zoomTo(1)).keys("Ctrl+0"));
        all.add(command("whole-tune", "The whole tune at a glance, or close up again", SIZE, () -> view().score().toggleWhole()).keys("F4"));
        return List.copyOf(all);
    }

    private Command command(String id, String words, String group, Runnable run) {
        return Command.of(id, words, group, run).when(model::isOpen);
    }

    private Command moving(String id, String words, Runnable run, String key) {
        return command(id, words, MOVING, run).keys(key).byKeyAlone();
    }

    public TrellisModel model() {
        return model;
    }

    @Override
    protected TrellisView make() {
        TrellisView view = new TrellisView(model, site::explain);
        view.score().zoomTo(zoom);
        view.score().onZoomed(z -> {
            zoom = z;
            zoomed.accept(z);
        });
        return view;
    }

    /** Takes in the size of the score that was kept. */
    public void recall(double kept) {
        zoom = kept;
        if (isMade()) {
            view().score().zoomTo(kept);
        }
    }

    @Override
    public void enter() {
        shown = true;
        view().score().setShown(true);
    }

    @Override
    public void leave() {
        shown = false;
        view().score().setShown(false);
    }

    @Override
    public void focus() {
        view().score().requestFocus();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    /** The ornaments that the note in hand can take. */
    @Override
    public List<Command> findable() {
        if (!model.isOpen()) {
            return List.of();
        }
        return model.now().ranked().stream().map(c -> {
            Command one = command("ornament-" + c.ornament().id(), c.ornament().name(),
                    model.now().stands(c.ornament().id()) ? "lift it from the note in hand" : "place it on the note in hand",
                    () -> model.ornaments().toggle(c.ornament().id()));
            return c.ornament().key() == 0 ? one : one.key(Keys.sign(String.valueOf(c.ornament().key())));
        }).toList();
    }

    @Override
    public boolean takesKeys(Node focus) {
        return !(focus instanceof ListView<?>);
    }

    @Override
    public Optional<Runnable> hear() {
        return Optional.of(() -> {
            if (model.isOpen()) {
                sound.toggle();
            }
        });
    }

    @Override
    public Optional<Runnable> write() {
        return !model.isOpen() ? Optional.empty() : Optional.of(() -> site.askWhere("write this rung to (.abc .mid .wav .svg .pdf):",
                Folders.fileName(model.arrangement().tune().title()) + ".abc", sound::write));
    }

    @Override
    public void sounds(OptionalInt rung, OptionalInt note) {
        if (!isMade()) {
            return;
        }
        if (shown && rung.isPresent() && note.isPresent()) {
            view().score().light(rung.getAsInt(), note.getAsInt());
        } else {
            view().score().darken();
        }
    }

    @Override
    protected void dress(TrellisView view, Look look) {
        view.setLook(look);
    }
}
