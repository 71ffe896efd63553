package wildflourish.app.shelf;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntConsumer;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.LazyScreen;
import wildflourish.app.frame.Plate;
import wildflourish.app.paint.Look;
import wildflourish.core.tune.Key;
import wildflourish.core.writing.KeyFinder;
import wildflourish.library.TuneEntry;

/** The shelf: what have I got? */
public final class ShelfScreen extends LazyScreen<ShelfView> {

    private static final String GROUP = "Shelf";

    private static final Plate PLATE = new Plate("shelf", "Shelf", "What have I got?", "Ctrl+1",
            "M3 20.5h18M5 20V8h3.5v12M8.5 20V4.5h4V20M14.6 20L17.4 6.2l3.3.7-2.8 13.1");

    private final ShelfModel model;
    private final Incipits incipits;
    private final LongConsumer open;
    private final LongConsumer hear;
    private final Command bringIn;
    private final Deeds deeds;
    private final List<Command> commands;
    private boolean indexed;
    private boolean listening;

    /**
     * The screen of a shelf.
     *
     * @param open opens a tune
     * @param hear lets the first part of a tune be heard, or stops
     * @param growAll grows a ladder for every tune that has none
     * @param writeNew begins a new tune
     * @param demo puts the tunes of the demo class on the shelf
     * @param deeds takes tunes off, puts them back, and finds them
     * @param bringIn asks for a file to bring in
     */
    public ShelfScreen(ShelfModel model, Incipits incipits, LongConsumer open, LongConsumer hear, Runnable growAll,
            Runnable writeNew, Runnable demo, Command bringIn, Deeds deeds) {
        super(PLATE);
        this.model = model;
        this.incipits = incipits;
        this.open = open;
        this.hear = hear;
        this.bringIn = bringIn;
        this.deeds = deeds;
        this.commands = List.of(
                Command.of("open-tune", "Open the tune in hand on the trellis", GROUP, () -> view().withSelected(open)).keys("Enter"),
                Command.of("search-shelf", "Search the shelf by words or by notes", GROUP, () -> view().focusSearch()).keys("Ctrl+F"),
                Command.of("grow-all", "Grow a ladder for every tune that has none yet", GROUP, growAll).keys("Ctrl+G"),
                Command.of("write-tune", "Write a tune that is not on the shelf yet", GROUP, writeNew).keys("Ctrl+Shift+N"),
                Command.of("take-off", "Take the tune in hand off the shelf", GROUP, () -> view().withSelected(deeds::takeOff)).keys("Delete"),
                Command.of("tag-tune", "Words to find the tune in hand by: tags", GROUP, () -> view().inHand().ifPresent(t -> view().ask(
                        "tags of “%s”, with commas between".formatted(t.title()), String.join(", ", model.tags(t)), words -> deeds.tag(t.id(), tags(words))))).keys("Ctrl+T"),
                Command.of("search-by-keyboard", "Search for what a MIDI keyboard plays, or no more", GROUP, this::toggleListening),
                Command.of("demo-class", "Put the tunes of the demo class on the shelf", GROUP, demo));
    }

    public ShelfModel model() {
        return model;
    }

    @Override
    public boolean needsTune() {
        return false;
    }

    @Override
    protected ShelfView make() {
        return new ShelfView(model, incipits, open, bringIn, List.of(commands.get(2), commands.get(3), commands.getLast()));
    }

    @Override
    public void enter() {
        if (!indexed) {
            indexed = true;
            deeds.index();
        }
    }

    @Override
    public void focus() {
        view().focusList();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    /** What is done with the tunes of the shelf. */
    public interface Deeds {

        void takeOff(long tune);

        void putBack(TuneEntry tune);

        /** Brings what tunes are found by up to date, behind. */
        void index();

        /** Sets the words on a tune, in place of those it had. */
        void tag(long tune, List<String> words);

        /** Listens to a MIDI keyboard for the search: told each key, as a MIDI 1.0 note number; false where there is none. */
        boolean listen(IntConsumer keys);

        /** Listens no more. */
        void listenNoMore();
    }

    private static List<String> tags(String words) {
        return Stream.of(words.split(",")).map(String::strip).filter(w -> !w.isEmpty()).distinct().toList();
    }

    @Override
    public List<Command> findable() {
        Stream<Command> off = model.off().stream().map(t -> Command.of("bring-back-" + t.id(), "Bring “%s” back to the shelf".formatted(t.title()), GROUP,
                () -> deeds.putBack(t)));
        return off.toList();
    }

    /** What a MIDI keyboard plays is looked for, until the same is asked for again. */
    private void toggleListening() {
        if (listening) {
            deeds.listenNoMore();
            listening = false;
        } else {
            model.search().set("");
            List<Integer> heard = new ArrayList<>();
            listening = deeds.listen(key -> {
                heard.add(key);
                model.search().set(letters(heard));
            });
        }
    }

    /** The letters of notes in the key that is heard in them. */
    private static String letters(List<Integer> heard) {
        Key key = KeyFinder.find(heard.stream().map(m -> new KeyFinder.Heard(m, 1)).toList());
        return heard.stream().map(m -> KeyFinder.spelled(m, key).step().toString().toLowerCase(Locale.ROOT)).collect(Collectors.joining(" "));
    }

    @Override
    public void leave() {
        if (listening) {
            toggleListening();
        }
    }

    @Override
    public boolean canUndo() {
        return model.hasTakenOff();
    }

    @Override
    public boolean undo() {
        Optional<TuneEntry> last = model.lastOff();
        last.ifPresent(deeds::putBack);
        return last.isPresent();
    }

    @Override
    public Optional<Runnable> hear() {
        return Optional.of(() -> view().withSelected(hear));
    }

    @Override
    protected void dress(ShelfView view, Look look) {
        view.refresh();
    }
}
