package wildflourish.app.writing;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.core.finding.Finding;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Tune;
import wildflourish.core.writing.Amendment;
import wildflourish.core.writing.Pen;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;

/**
 * The text of a tune while it is worked on: the open one, to be put right, or a new one. What is typed is read behind and shown
 * as soon as it is; it becomes an edit when it is kept.
 */
public final class WritingModel {

    /** What a new tune begins with. */
    static final String NEW = "X:1\nT:New tune\nR:reel\nM:4/4\nL:1/8\nK:D\n";

    private static final Background.Words NOT_READ = Background.Words.silent("the text could not be read; it is still there");

    /** Puts a new tune on the shelf and opens it. */
    public interface Shelf {
        void add(BookTune tune);
    }

    private final TrellisModel trellis;
    private final Background background;
    private final Shelf shelf;
    private final Consumer<String> draft;
    private final Consumer<String> say;
    private final ReadOnlyObjectWrapper<WritingState> state = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Optional<Pen>> pen = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final Deque<Stroke> strokes = new ArrayDeque<>();
    private final Deque<Stroke> undone = new ArrayDeque<>();
    /** The text that the pen's tune makes, or that it was read from. */
    private String penText = "";
    private List<Element> clip = List.of();
    /** Notes that were played in and are a guess, by their index among notes and rests. */
    private List<Integer> guessed = List.of();
    private boolean shown;
    private boolean fresh;
    /** The open tune that the text belongs to, and what it was read from. */
    private long of = Drafts.NEW;
    private String begun = "";
    private String typed = "";
    private final Drafts drafts = new Drafts();
    /** The open tune that the latest reading was compared with. */
    private Optional<Arrangement> readBeside = Optional.empty();

    /**
     * A model over the open tune.
     *
     * @param draft keeps what is typed and is no edit yet; an empty text where there is nothing
     */
    public WritingModel(TrellisModel trellis, Background background, Shelf shelf, Consumer<String> draft, Consumer<String> say) {
        this.trellis = trellis;
        this.background = background;
        this.shelf = shelf;
        this.draft = draft;
        this.say = say;
        trellis.state().addListener((o, before, now) -> {
            if (shown && !fresh) {
                takeUp();
            }
        });
    }

    /** What is shown; null before there is a text. */
    public ReadOnlyObjectProperty<WritingState> state() {
        return state.getReadOnlyProperty();
    }

    /** Where the pen stands on the stave; empty while the text cannot be read. */
    public ReadOnlyObjectProperty<Optional<Pen>> pen() {
        return pen.getReadOnlyProperty();
    }

    /** Whether a new tune is being written. */
    public boolean isFresh() {
        return fresh;
    }

    /** Takes in what was typed and not kept when the window closed. */
    public void recall(String kept) {
        drafts.recall(kept);
    }

    private static String asText(Tune tune) {
        return AbcWriter.write(tune).strip() + "\n";
    }

    /** Follows the open tune from now on. */
    public void enter() {
        shown = true;
        if (!fresh && (!trellis.isOpen() || !begunBefore() && drafts.of(Drafts.NEW).isPresent() && drafts.of(trellis.now().tune()).isEmpty())) {
            startNew();
        } else if (!fresh) {
            takeUp();
            if (isTouched()) {
                type(typed);
            }
        }
    }

    /** Whether a text has been in hand since the window opened. */
    private boolean begunBefore() {
        return state.get() != null;
    }

    /** Takes the open tune up; a text that is being worked on stays, and waits for its tune when another has been opened. */
    private void takeUp() {
        WritingState now = state.get();
        boolean same = now != null && of == trellis.now().tune()
                && now.tune().filter(t -> t.tune().equals(trellis.arrangement().tune())).isPresent();
        if (of != trellis.now().tune() || !isTouched() && !same) {
            begin(asText(trellis.arrangement().tune()), trellis.now().tune());
        }
    }

    /** Begins a new tune, or goes on with the one that was not kept; the open one is left as it is. */
    public void startNew() {
        if (fresh) {
            drafts.remove(Drafts.NEW);
        }
        fresh = true;
        begin(NEW, Drafts.NEW);
    }

    /** Begins a new tune with a text that was made elsewhere. */
    void startNewWith(String text) {
        drafts.remove(Drafts.NEW);
        fresh = true;
        begin(text, Drafts.NEW);
    }

    /** Begins a new tune with the head of another. */
    void startNewLike(Tune other) {
        startNewWith("X:1\nT:%s, played in\nR:%s\nM:%s\nL:1/8\nK:D\n".formatted(other.title(), other.head().rhythm(), other.head().meter()));
    }

    /** Does something once the pen stands on the stave. */
    void whenPenStands(Runnable then) {
        if (pen.get().isPresent()) {
            then.run();
            return;
        }
        pen.addListener(new ChangeListener<>() {
            @Override
            public void changed(ObservableValue<? extends Optional<Pen>> value, Optional<Pen> before, Optional<Pen> now) {
                if (now.isPresent()) {
                    pen.removeListener(this);
                    then.run();
                }
            }
        });
    }

    /** Leaves what was typed and goes back to the tune as it is. */
    public void goBack() {
        drafts.remove(of);
        if (!trellis.isOpen()) {
            startNew();
            return;
        }
        fresh = false;
        begin(asText(trellis.arrangement().tune()), trellis.now().tune());
        say.accept("back to the tune as it is");
    }

    /** Takes a text up, or what was typed in its place and not kept. */
    private void begin(String text, long tune) {
        Optional<String> draft = drafts.of(tune).filter(d -> !d.strip().equals(text.strip()));
        of = tune;
        begun = text;
        strokes.clear();
        undone.clear();
        pen.set(Optional.empty());
        type(draft.orElse(text));
        if (draft.isPresent()) {
            say.accept("here is what you had typed and not kept");
        }
    }

    /** Whether anything has been typed since the text was taken up or kept. */
    private boolean isTouched() {
        return !typed.strip().equals(begun.strip());
    }

    /** The text as it was typed last. */
    public String typed() {
        return typed;
    }

    /** The text is now this. */
    public void type(String text) {
        typed = text;
        boolean changed = isTouched();
        if (changed) {
            drafts.put(of, text);
        } else {
            drafts.remove(of);
        }
        draft.accept(drafts.kept());
        Optional<Arrangement> open = fresh || !trellis.isOpen() ? Optional.empty() : Optional.of(trellis.arrangement());
        background.latest(this, NOT_READ, job -> read(text, open, changed), read -> {
            readBeside = open;
            state.set(read);
            follow(read);
        }, () -> { });
    }

    private static WritingState read(String text, Optional<Arrangement> open, boolean changed) {
        TuneBook book = AbcReader.read(text);
        Optional<BookTune> tune = book.tunes().stream().filter(t -> !t.tune().bars().isEmpty()).findFirst();
        Optional<Amendment> amendment = open.flatMap(a -> tune.map(t -> Amendment.of(a, t.tune())));
        return new WritingState(text, tune, book.hasErrors() && tune.isPresent() ? Optional.empty() : tune.map(BookTune::tune).or(() -> blank(text)), book.findings(), amendment, changed);
    }

    /** A head without notes yet, as a tune to write in. */
    private static Optional<Tune> blank(String text) {
        TuneBook read = AbcReader.read(text.strip() + "\nz\n");
        return read.tunes().isEmpty() || read.hasErrors() ? Optional.empty()
                : Optional.of(new Tune(read.tunes().getFirst().tune().head(), BarLine.NONE, List.of()));
    }

    // --- The pen

    /** What was there before a stroke. */
    private record Stroke(String text, Pen pen) {}

    /** The pen follows what was typed; a text that it wrote itself changes nothing. */
    private void follow(WritingState read) {
        if (!read.text().equals(typed) || read.text().equals(penText) && pen.get().isPresent()) {
            return;
        }
        penText = read.text();
        pen.set(read.page().map(t -> pen.get().map(p -> p.over(t)).orElseGet(() -> fresh ? Pen.atTheEnd(t) : Pen.atTheEnd(t).go(0, false))));
    }

    /** One stroke of the pen; whether it changed anything. */
    public boolean stroke(UnaryOperator<Pen> change) {
        if (pen.get().isEmpty() || !typed.equals(penText)) {
            say.accept(state.get() != null && state.get().isBroken() && pen.get().isEmpty() ? "put the text right first: the stave shows what it makes" : "the text is still being read");
            return false;
        }
        Pen before = pen.get().get();
        List<Integer> marked = guessed;
        Pen after = change.apply(before);
        if (after.equals(before)) {
            return false;
        }
        if (!after.tune().equals(before.tune())) {
            strokes.push(new Stroke(typed, before));
            undone.clear();
            guessed = guessed == marked ? List.of() : guessed;
            put(asText(after.tune()), after);
        } else {
            pen.set(Optional.of(after));
        }
        return true;
    }

    private void put(String text, Pen now) {
        penText = text;
        pen.set(Optional.of(now));
        type(text);
    }

    /** Marks notes that are a guess, until the next stroke. */
    void guessed(List<Integer> notes) {
        guessed = List.copyOf(notes);
    }

    /** The notes that are a guess. */
    List<Integer> guesses() {
        return guessed;
    }

    /** Says something about what was typed. */
    void tell(String words) {
        say.accept(words);
    }

    /** Takes the latest stroke back; false where there is none. */
    public boolean unstroke() {
        return back(strokes, undone);
    }

    /** Does the latest stroke again; false where none was taken back. */
    public boolean restroke() {
        return back(undone, strokes);
    }

    private boolean back(Deque<Stroke> from, Deque<Stroke> to) {
        if (from.isEmpty() || pen.get().isEmpty()) {
            return false;
        }
        to.push(new Stroke(typed, pen.get().get()));
        Stroke stroke = from.pop();
        put(stroke.text(), stroke.pen());
        return true;
    }

    /** Whether a stroke can be taken back. */
    public boolean hasStrokes() {
        return !strokes.isEmpty();
    }

    /** Keeps what is in hand, to be put elsewhere. */
    public void copy() {
        pen.get().filter(Pen::holds).ifPresent(p -> clip = p.copied());
    }

    /** Puts what was copied where the pen stands. */
    public void paste() {
        if (!clip.isEmpty()) {
            stroke(p -> p.paste(clip));
        }
    }

    /** Makes an edit of what is typed, or puts a new tune on the shelf. */
    public void keep() {
        WritingState now = state.get();
        boolean beside = fresh || trellis.isOpen() && readBeside.equals(Optional.of(trellis.arrangement()));
        if (now == null || !now.text().equals(typed) || !beside) {
            type(typed);
            say.accept("the text is still being read: keep it once more");
        } else if (now.isBroken()) {
            say.accept("not kept: " + now.findings().stream().filter(f -> f.severity() == Finding.Severity.ERROR && now.tune().isPresent()).findFirst()
                    .map(f -> "line %d: %s".formatted(f.line(), f.what())).orElse("there are no notes yet"));
        } else if (fresh) {
            fresh = false;
            begun = typed;
            strokes.clear();
            drafts.remove(Drafts.NEW);
            draft.accept(drafts.kept());
            shelf.add(now.tune().orElseThrow());
        } else if (now.amendment().isPresent() && isTouched()) {
            Amendment amendment = now.amendment().get();
            begun = typed;
            strokes.clear();
            trellis.settle("tune put right", amendment.arrangement());
            if (!amendment.left().isEmpty()) {
                say.accept("tune put right; %d thing%s could not go along: Ctrl+Z takes it back".formatted(amendment.left().size(),
                        amendment.left().size() == 1 ? "" : "s"));
            }
            type(typed);
        }
    }

    /** Keeps what is typed when the screen is left, as far as it can be read; else it stays here. */
    public void leave() {
        shown = false;
        WritingState now = state.get();
        if (now != null && !fresh && isTouched() && !now.isBroken()) {
            keep();
        }
    }

    /** The bare tune as it is typed, to be heard. */
    public Optional<Arrangement> bare() {
        return Optional.ofNullable(state.get()).flatMap(WritingState::bare);
    }

    /** What was found, a line each. */
    static List<String> lines(WritingState now) {
        return now.findings().stream().map(f -> "line %d%s: %s; %s".formatted(f.line(),
                f.column() > 0 ? ", column " + f.column() : "", f.what(), f.remedy())).toList();
    }
}
