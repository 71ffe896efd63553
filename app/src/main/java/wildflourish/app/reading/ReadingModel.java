package wildflourish.app.reading;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisState;
import wildflourish.app.work.Background;
import wildflourish.core.fit.Hardness;
import wildflourish.core.reading.Passage;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Reading;
import wildflourish.core.reading.Remembered;
import wildflourish.core.reading.Traps;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.setting.Version;

/** The reading of the open tune, and what the teacher settles about its phrases. Edits go through the trellis and are kept there. */
public final class ReadingModel {

    private static final Background.Words NOT_READ = Background.Words.silent("the tune could not be read; it is as it was");

    private final TrellisModel trellis;
    private final Background background;
    private final Consumer<String> say;
    private final ReadOnlyObjectWrapper<ReadingState> state = new ReadOnlyObjectWrapper<>();
    private Remembered remembered = Remembered.NOTHING;
    private boolean shown;

    /** A model over the trellis. */
    public ReadingModel(TrellisModel trellis, Background background, Consumer<String> say) {
        this.trellis = trellis;
        this.background = background;
        this.say = say;
        trellis.state().addListener((o, before, now) -> {
            if (shown) {
                read(now);
            }
        });
    }

    /** What is shown; null before a tune has been read. */
    public ReadOnlyObjectProperty<ReadingState> state() {
        return state.getReadOnlyProperty();
    }

    /** Takes in what other tunes of the library hold. */
    public void remember(Remembered others) {
        remembered = others;
        if (shown && trellis.isOpen()) {
            read(trellis.state().get());
        }
    }

    /** Reads the open tune now, and from now on after every edit; while not shown it rests. */
    public void setShown(boolean now) {
        shown = now;
        if (now && trellis.isOpen()) {
            read(trellis.state().get());
        }
    }

    private void read(TrellisState now) {
        Remembered others = remembered;
        background.latest(this, NOT_READ, job -> read(now, others), read -> {
            ReadingState before = state.get();
            boolean sameTune = before != null && before.reading().timeline().tune().equals(now.arrangement().tune());
            state.set(sameTune ? read.selecting(before.selected()) : read);
        }, () -> { });
    }

    /** The reading, the phrase that holds the note in hand selected. */
    private static ReadingState read(TrellisState now, Remembered others) {
        Reading reading = Reading.of(now.arrangement());
        int at = reading.at(now.note()).map(reading.passages()::indexOf).orElse(0);
        return new ReadingState(now.arrangement().tune().title(), reading, now.situation(), Traps.worthTelling(reading, now.situation()),
                now.arrangement().instrument().hasHands() ? Optional.of(Hardness.of(Version.of(now.arrangement(), 0))) : Optional.empty(), at, reading.phrases().stream().map(p -> others.where(reading, p)).toList()).selecting(at);
    }

    /** Takes a phrase in hand. */
    public void select(int passage) {
        ReadingState now = state.get();
        if (now != null && passage >= 0 && passage < now.reading().passages().size() && passage != now.selected()) {
            state.set(now.selecting(passage));
        }
    }

    /** Takes the next (or, negative, an earlier) phrase in hand; stops at the ends. */
    public void step(int by) {
        ReadingState now = state.get();
        if (now != null) {
            select(Math.clamp(now.selected() + by, 0, Math.max(0, now.reading().passages().size() - 1)));
        }
    }

    private Optional<Phrase> inHand() {
        return Optional.ofNullable(state.get()).flatMap(ReadingState::passage).map(Passage::phrase);
    }

    /** Moves the beginning of the phrase in hand by so many notes. */
    public void moveStart(int by) {
        Optional<Phrase> phrase = inHand();
        if (phrase.isEmpty() || phrase.get().firstOfPart() || phrase.get().again()) {
            say.accept("a part begins here: its beginning stays where the page has it");
            return;
        }
        List<Phrase> all = state.get().reading().phrases();
        Phrase before = all.get(state.get().selected() - 1);
        int to = phrase.get().fromNote() + by;
        if (to <= before.fromNote() || to > phrase.get().lastNote()) {
            say.accept("a phrase holds one note at least");
            return;
        }
        settle("beginning of %s moved".formatted(phrase.get().name()), marks().moving(phrase.get().fromNote(), to));
    }

    /** Joins the phrase in hand to the one before it. */
    public void join() {
        Optional<Phrase> phrase = inHand();
        if (phrase.isEmpty() || phrase.get().firstOfPart() || phrase.get().again()) {
            say.accept("a part begins here: it is not joined to the one before");
            return;
        }
        int selected = state.get().selected();
        settle("%s joined to the phrase before it".formatted(phrase.get().name()), marks().joining(phrase.get().fromNote()));
        select(selected - 1);
    }

    /** Divides the phrase in hand at the bar line nearest to its middle. */
    public void divide() {
        Optional<Phrase> phrase = inHand();
        if (phrase.isEmpty() || phrase.get().bars() < 2) {
            say.accept("a phrase of one bar is not divided");
            return;
        }
        int bar = phrase.get().fromBar() + (phrase.get().bars() + 1) / 2;
        int note = state.get().reading().timeline().barStarts().get(bar);
        settle("%s divided".formatted(phrase.get().name()), marks().starting(note));
    }

    /** Gives the phrase in hand another name; an empty one brings back its own. */
    public void rename(String name) {
        inHand().ifPresent(p -> settle(name.isBlank() ? "own name of the phrase again" : "phrase named " + name.strip(),
                marks().naming(p.fromNote(), Optional.of(name))));
    }

    /** Keeps a remark on the phrase in hand; an empty one ends it. */
    public void remark(String remark) {
        inHand().ifPresent(p -> settle(remark.isBlank() ? "remark taken away" : "remark kept",
                marks().remarking(p.fromNote(), Optional.of(remark))));
    }

    /** Lets the reading find every phrase by itself again; names and remarks stay. */
    public void findAgain() {
        if (trellis.isOpen()) {
            settle("phrases as they are found", new PhraseMarks(new java.util.TreeSet<>(), new java.util.TreeSet<>(), marks().names(),
                    marks().remarks()));
        }
    }

    private PhraseMarks marks() {
        return trellis.arrangement().marks();
    }

    private void settle(String what, PhraseMarks marks) {
        if (marks.equals(marks())) {
            return;
        }
        trellis.settle(what, state.get().reading().timeline().tune(), a -> a.with(marks));
    }

    /** Puts the first note of the phrase in hand in hand on the trellis. */
    public void show() {
        inHand().ifPresent(p -> trellis.select(trellis.rung(), p.fromNote()));
    }
}
