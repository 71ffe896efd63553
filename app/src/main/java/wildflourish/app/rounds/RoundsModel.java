package wildflourish.app.rounds;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.jspecify.annotations.Nullable;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.reading.Reading;
import wildflourish.core.rounds.Passes;
import wildflourish.core.rounds.Spreads;
import wildflourish.core.rounds.WrittenOut;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Rounds;
import wildflourish.core.tune.Timeline;

/** The rounds of the open tune and the set it begins. Edits go through the trellis and are kept there with the tune. */
public final class RoundsModel {

    private static final Background.Words NOT_PUT_TOGETHER =
            Background.Words.silent("the whole could not be put together; the rounds are as they were");

    /** A set has no more tunes than these after the first. */
    public static final int MOST_TUNES = 8;
    private static final int USUAL_TIMES = 3;

    /** Where sets are kept. */
    public interface Keeping {
        /** The tunes that follow a tune in its set, by their ids. */
        void keepSet(long tune, List<Long> others, boolean linked);
    }

    private final TrellisModel trellis;
    private final Keeping keeping;
    private final Background background;
    private final Consumer<String> say;
    private final ReadOnlyObjectWrapper<RoundsState> state = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Optional<WrittenOut.Start>> sounding = new ReadOnlyObjectWrapper<>(Optional.empty());
    private Optional<WrittenOut.Whole> heard = Optional.empty();
    private @Nullable Timeline heardNotes;
    private List<RoundsState.InSet> set = List.of();
    private boolean linked = true;
    private boolean shown;
    private long nextSeed = 1;

    /** A model over the trellis. */
    public RoundsModel(TrellisModel trellis, Keeping keeping, Background background, Consumer<String> say) {
        this.trellis = trellis;
        this.keeping = keeping;
        this.background = background;
        this.say = say;
        trellis.state().addListener((o, before, now) -> {
            if (before == null || before.tune() != now.tune()) {
                set = List.of();
                linked = true;
            }
            if (shown && (state.get() == null || !state.get().arrangement().equals(now.arrangement()))) {
                publish(now.arrangement());
            }
        });
    }

    /** What is shown; null before a tune is open. */
    public ReadOnlyObjectProperty<RoundsState> state() {
        return state.getReadOnlyProperty();
    }

    /** Follows the open tune from now on, or rests. */
    public void setShown(boolean now) {
        shown = now;
        if (now && trellis.isOpen()) {
            publish(trellis.arrangement());
        }
    }

    /** Shows the rounds of an arrangement; at once where its phrases are known already. */
    private void publish(Arrangement arrangement) {
        RoundsState before = state.get();
        if (before != null && before.arrangement().tune().equals(arrangement.tune())
                && before.arrangement().marks().equals(arrangement.marks())) {
            publish(arrangement, before.passes());
        } else {
            background.latest(state, NOT_PUT_TOGETHER, job -> Passes.of(Reading.of(arrangement)),
                    passes -> publish(arrangement, passes), () -> { });
        }
    }

    private void publish(Arrangement arrangement, List<Passes> passes) {
        Rounds rounds = arrangement.rounds().isEmpty()
                ? arrangement.rounds().with(Spreads.rising(USUAL_TIMES, passes.size(), arrangement.ladder().size()))
                : arrangement.rounds().fitted(passes.size(), arrangement.ladder().size());
        RoundsState before = state.get();
        int time = before == null ? 0 : Math.clamp(before.time(), 0, rounds.times().size() - 1);
        int pass = before == null ? 0 : Math.clamp(before.pass(), 0, Math.max(0, passes.size() - 1));
        state.set(new RoundsState(arrangement, passes, rounds, time, pass, set, linked, -1));
        measure();
    }

    private void measure() {
        RoundsState now = state.get();
        background.latest(this, NOT_PUT_TOGETHER, job -> now.passes().isEmpty() ? 0 : WrittenOut.seconds(written(now).arrangement()), seconds -> {
            RoundsState later = state.get();
            if (later.arrangement().equals(now.arrangement()) && later.set().equals(now.set())) {
                state.set(later.lasting(seconds));
            }
        }, () -> { });
    }

    private static WrittenOut.Whole written(RoundsState now) {
        List<Arrangement> tunes = new ArrayList<>(List.of(now.arrangement().with(now.rounds())));
        now.set().forEach(s -> tunes.add(s.arrangement()));
        String title = tunes.size() == 1 ? now.arrangement().tune().title()
                : String.join(" / ", tunes.stream().map(t -> t.tune().title()).toList());
        return WrittenOut.whole(tunes, title, now.linked());
    }

    /** The whole, written out: from the intro of the first tune to the tag of the last. */
    public Optional<Arrangement> written() {
        return toWrite().map(Supplier::get);
    }

    /** Puts the whole together as it is now, when it is asked to, on any thread; empty where there is nothing to play. */
    public Optional<Supplier<Arrangement>> toWrite() {
        return Optional.ofNullable(state.get()).filter(s -> !s.passes().isEmpty()).map(s -> () -> written(s).arrangement());
    }

    /** As {@link #toWrite()}, for the whole that is about to be heard: {@link #sounds} tells how far it is. */
    public Optional<Supplier<Arrangement>> toHear() {
        return Optional.ofNullable(state.get()).filter(s -> !s.passes().isEmpty()).map(s -> () -> {
            WrittenOut.Whole whole = written(s);
            Timeline notes = Timeline.of(whole.arrangement().tune());
            background.onInterface(() -> {
                heard = Optional.of(whole);
                heardNotes = notes;
            });
            return whole.arrangement();
        });
    }

    /** The pass that sounds; empty while none does. */
    public ReadOnlyObjectProperty<Optional<WrittenOut.Start>> sounding() {
        return sounding.getReadOnlyProperty();
    }

    /** A note of the whole sounds now; empty when nothing does. */
    public void sounds(OptionalInt note) {
        sounding.set(note.isEmpty() || heard.isEmpty() || heardNotes == null ? Optional.empty() : heard.get().at(heardNotes.note(note.getAsInt()).bar()));
    }

    /** Takes a pass of a time through in hand; stops at the ends. */
    public void select(int time, int pass) {
        RoundsState now = state.get();
        if (now != null && !now.passes().isEmpty()) {
            state.set(now.at(Math.clamp(time, 0, now.rounds().times().size() - 1), Math.clamp(pass, 0, now.passes().size() - 1)));
        }
    }

    public void step(int times, int passes) {
        RoundsState now = state.get();
        if (now != null) {
            select(now.time() + times, now.pass() + passes);
        }
    }

    private void settle(String what, Rounds rounds) {
        if (trellis.settle(what, state.get().arrangement().tune(), a -> a.with(rounds))) {
            publish(trellis.arrangement());
        }
    }

    private Rounds.Pass inHand(RoundsState now) {
        return now.rounds().times().get(now.time()).get(now.pass());
    }

    /** Plays the pass in hand on another rung. */
    public void setRung(int rung) {
        RoundsState now = state.get();
        if (now == null || now.passes().isEmpty() || rung < 0 || rung >= now.arrangement().ladder().size()) {
            return;
        }
        settle("%s on %s".formatted(now.passes().get(now.pass()).name(), now.arrangement().ladder().rung(rung).name()),
                now.rounds().with(now.time(), now.pass(), new Rounds.Pass(rung, inHand(now).kind())));
    }

    /** Plays the pass in hand fuller (or, negative, barer). */
    public void stepRung(int by) {
        RoundsState now = state.get();
        if (now != null && !now.passes().isEmpty()) {
            int rung = inHand(now).rung() + by;
            if (rung < 0 || rung >= now.arrangement().ladder().size()) {
                say.accept(by > 0 ? "this is the fullest rung" : "this is bare");
            } else {
                setRung(rung);
            }
        }
    }

    /** Puts a kind of variation into the pass in hand wherever its part allows it; empty takes it out. */
    public void setKind(Optional<String> kind) {
        RoundsState now = state.get();
        if (now != null && !now.passes().isEmpty() && !inHand(now).kind().equals(kind)) {
            settle(kind.map(k -> VariationKind.spoken(k) + " in " + now.passes().get(now.pass()).name())
                            .orElse("no variation besides in " + now.passes().get(now.pass()).name()),
                    now.rounds().with(now.time(), now.pass(), new Rounds.Pass(inHand(now).rung(), kind)));
        }
    }

    /** The next kind of variation for the pass in hand, none after the last. */
    public void nextKind() {
        RoundsState now = state.get();
        if (now == null || now.passes().isEmpty()) {
            return;
        }
        List<String> kinds = WrittenOut.kinds().stream().map(VariationKind::id).toList();
        int at = inHand(now).kind().map(kinds::indexOf).orElse(-1);
        setKind(at + 1 < kinds.size() ? Optional.of(kinds.get(at + 1)) : Optional.empty());
    }

    /** One time through more, played as the last one is. */
    public void addTime() {
        RoundsState now = state.get();
        if (now == null || now.rounds().times().size() >= Rounds.MOST_TIMES) {
            say.accept("nobody plays a tune more than %d times".formatted(Rounds.MOST_TIMES));
            return;
        }
        List<List<Rounds.Pass>> times = new ArrayList<>(now.rounds().times());
        times.add(times.getLast());
        settle("one time through more", now.rounds().with(times));
    }

    /** One time through less: the one in hand. */
    public void dropTime() {
        RoundsState now = state.get();
        if (now == null || now.rounds().times().size() <= 1) {
            say.accept("once through is the least");
            return;
        }
        List<List<Rounds.Pass>> times = new ArrayList<>(now.rounds().times());
        times.remove(now.time());
        settle("one time through less", now.rounds().with(times));
    }

    /** The first time bare, then some, the last time all. */
    public void bareSomeAll() {
        RoundsState now = state.get();
        if (now != null) {
            settle("bare, some, all", now.rounds().with(Spreads.rising(Math.max(USUAL_TIMES, now.rounds().times().size()),
                    now.passes().size(), now.arrangement().ladder().size())));
        }
    }

    /** Shuffles within taste with the next seed, or with one that is given. */
    public void shuffle(Optional<Long> seed) {
        RoundsState now = state.get();
        if (now == null) {
            return;
        }
        long used = seed.orElse(now.rounds().seed().map(s -> s + 1).orElse(nextSeed));
        nextSeed = used + 1;
        settle("shuffled with seed " + used, Spreads.shuffled(now.rounds(), now.rounds().times().size(), now.passes(),
                now.arrangement().ladder().size(), used));
    }

    public void setIntro(Rounds.Intro intro) {
        RoundsState now = state.get();
        if (now != null && intro != now.rounds().intro()) {
            settle("intro: " + intro.words(), now.rounds().with(intro));
        }
    }

    public void setTag(Rounds.Tag tag) {
        RoundsState now = state.get();
        if (now != null && tag != now.rounds().tag()) {
            settle("tag: " + tag.words(), now.rounds().with(tag));
        }
    }

    /** Lets another tune follow. */
    public void follow(RoundsState.InSet tune) {
        if (set.size() >= MOST_TUNES) {
            say.accept("a set of more than %d tunes is a concert".formatted(MOST_TUNES + 1));
            return;
        }
        List<RoundsState.InSet> more = new ArrayList<>(set);
        more.add(tune);
        setSet(more, linked);
        say.accept(tune.title() + " follows");
    }

    /** Takes a tune out of the set. */
    public void unfollow(int index) {
        List<RoundsState.InSet> fewer = new ArrayList<>(set);
        fewer.remove(index);
        setSet(fewer, linked);
    }

    public void setLinked(boolean now) {
        setSet(set, now);
    }

    private void setSet(List<RoundsState.InSet> tunes, boolean link) {
        if (trellis.isOpen()) {
            keeping.keepSet(trellis.now().tune(), tunes.stream().map(RoundsState.InSet::id).toList(), link);
            takeSet(tunes, link);
        }
    }

    /** Takes in the set that was kept for the open tune. */
    public void takeSet(List<RoundsState.InSet> tunes, boolean link) {
        set = List.copyOf(tunes);
        linked = link;
        publish(trellis.arrangement());
    }
}
