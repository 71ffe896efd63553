package wildflourish.app.listening;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisState;
import wildflourish.app.work.Background;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.practice.Lilt;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.BarNames;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Cursor;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Moment;
import wildflourish.sound.transport.Piece;
import wildflourish.sound.transport.Playback;

/** Listens to the open tune. What is to be played is made ready in the background; an edit while it plays is heard at once. */
public final class ListeningModel {

    private static final Background.Words NOT_PLAYED = Background.Words.silent("this could not be played; the tune is as it was");

    private static final int WARM = 5;

    private final TrellisModel trellis;
    private final Player player;
    private final Background background;
    private final Consumer<String> say;
    private final ReadOnlyObjectWrapper<ListeningState> state = new ReadOnlyObjectWrapper<>(ListeningState.USUAL);
    private final ReadOnlyObjectWrapper<Optional<Lit>> lit = new ReadOnlyObjectWrapper<>(Optional.empty());
    private Optional<Playing> playing = Optional.empty();
    private Optional<Listening.Stand> place = Optional.empty();
    private int asked;
    private boolean toldDevice;
    private boolean warm;
    private boolean elsewhere;

    /**
     * What sounds at this moment.
     *
     * @param note of the plain tune
     * @param words where that is
     */
    public record Lit(int rung, int note, String words) {}

    private record Playing(Course course, List<Integer> rungs, List<Cursor> cursors) {}

    /** A listener to the trellis. */
    public ListeningModel(TrellisModel trellis, Player player, Background background, Consumer<String> say) {
        this.trellis = trellis;
        this.player = player;
        this.background = background;
        this.say = say;
        trellis.state().addListener((o, before, now) -> follow(before, now));
    }

    public ReadOnlyObjectProperty<ListeningState> state() {
        return state.getReadOnlyProperty();
    }

    /** Listens as it was kept; as usual where there is no such manner any more. */
    public void recall(Manner.Kept kept) {
        try {
            state.set(state.get().with(Manner.of(kept)));
        } catch (IllegalArgumentException e) {
            say.accept("how you listen could not be read; it is as usual again");
        }
    }

    /** What sounds at this moment; empty while nothing does. */
    public ReadOnlyObjectProperty<Optional<Lit>> lit() {
        return lit.getReadOnlyProperty();
    }

    /** Milliseconds between playing and hearing, as the device tells. */
    public double latencyMs() {
        return player.latencyMs();
    }

    /** What is to be said about the sound device; empty while it can be heard. */
    public String device() {
        return player.device();
    }

    /** Plays what is chosen, from the note in hand, or stops. */
    public void toggle() {
        if (state.get().playing()) {
            stop();
        } else {
            play(Optional.empty());
        }
    }

    /** Plays only the ornament of the note in hand, plain and decorated in turn, or stops. */
    public void toggleOrnament() {
        if (state.get().playing() && state.get().stretch() == ListeningState.Extent.ORNAMENT) {
            stop();
        } else {
            state.set(state.get().with(ListeningState.Extent.ORNAMENT));
            play(Optional.empty());
            sayWhatIsBlocked();
        }
    }

    /** What cannot be played is not heard either: says why. */
    private void sayWhatIsBlocked() {
        TrellisState now = trellis.now();
        now.ranked().stream().filter(c -> now.looking().filter(c.ornament().id()::equals).isPresent()).findFirst().ifPresent(c -> {
            if (c.verdict() instanceof Verdict.Impossible(var obstacle)) {
                say.accept("heard plain both times: " + obstacle.inWords());
            }
        });
    }

    /**
     * Plays something that is not what the trellis shows, once, or stops: a phrase, the rounds, the version on another instrument.
     * Edits do not change it while it plays.
     */
    public void toggle(Supplier<Arrangement> other, int rung, int note, ListeningState.Extent stretch) {
        if (state.get().playing()) {
            stop();
            return;
        }
        state.set(state.get().withPlaying(true));
        elsewhere = true;
        ListeningState once = state.get().with(stretch).withAgain(false).withAgainst(Optional.empty());
        ready(++asked, () -> {
            Arrangement there = other.get();
            return playing(Listening.of(once, new Listening.Stand(there, Math.min(rung, there.ladder().size() - 1), note, Optional.empty())),
                    Optional.empty());
        });
    }

    /**
     * Plays something put together elsewhere, once: several who play at once, say. Where that plays already, what is given goes on in its place at the same moment.
     *
     * @param rung that is said to sound
     */
    public void playTogether(Supplier<Itinerary> itinerary, int rung) {
        Optional<Moment> at = elsewhere && state.get().playing() ? here() : Optional.empty();
        Optional<Playing> before = playing;
        state.set(state.get().withPlaying(true));
        elsewhere = true;
        ready(++asked, () -> {
            Itinerary all = itinerary.get();
            Course start = at.flatMap(m -> before.map(b -> b.course().into(all, m))).orElseGet(() -> Course.of(all));
            return new Playing(start, all.legs().stream().map(l -> rung).toList(), all.legs().stream().map(Leg::piece).map(Cursor::of).toList());
        });
    }

    /** Ready to be played, entered where something else is. */
    private static Playing playing(Listening listening, Optional<UnaryOperator<Course>> entered) {
        Course start = Course.of(listening.itinerary());
        return new Playing(entered.map(e -> e.apply(start)).orElse(start), listening.rungs(),
                listening.itinerary().legs().stream().map(Leg::piece).map(Cursor::of).toList());
    }

    private static Itinerary whole(Manner manner, Arrangement written, int rung) {
        Piece piece = Piece.of(written, rung, written.tempo().percent(manner.percent()), manner.lilt());
        return Itinerary.once(List.of(Leg.heard(piece, piece.whole())), manner.backing());
    }

    /** Something written out, to be taken home as it would be heard. */
    public Supplier<Itinerary> takeHome(Supplier<Arrangement> written, int rung) {
        Manner manner = state.get().manner();
        return () -> whole(manner, written.get(), rung);
    }

    /** Stops, if something is played. */
    public void stopIfPlaying() {
        if (state.get().playing()) {
            stop();
        }
    }

    /** Stops what is heard. */
    public void stop() {
        asked++;
        player.stop();
        playing = Optional.empty();
        lit.set(Optional.empty());
        state.set(state.get().withPlaying(false));
    }

    private void change(UnaryOperator<ListeningState> changed, boolean fromStart) {
        ListeningState before = state.get();
        state.set(changed.apply(before));
        if (before.playing() && !elsewhere && !before.equals(state.get())) {
            play(fromStart ? Optional.empty() : here());
        }
    }

    private void how(UnaryOperator<Manner> changed, boolean fromStart) {
        change(s -> s.with(changed.apply(s.manner())), fromStart);
    }

    public void setStretch(ListeningState.Extent stretch) {
        change(s -> s.with(stretch), true);
    }

    /** Around again and again, or once. */
    public void setAgain(boolean again) {
        change(s -> s.withAgain(again), state.get().stretch() == ListeningState.Extent.TUNE && state.get().against().isEmpty());
    }

    /** Slower or faster than the tune's own tempo, by so many per cent of it. */
    public void stepPercent(int by) {
        setPercent(state.get().manner().percent() + by);
    }

    public void setPercent(int percent) {
        how(m -> m.withPercent(percent), false);
    }

    /** Hears another rung on every second pass; empty for the rung in hand alone. */
    public void setAgainst(Optional<Integer> rung) {
        change(s -> s.withAgainst(rung), true);
    }

    public void setMetronome(boolean on) {
        how(m -> m.with(m.backing().withMetronome(on)), false);
    }

    public void setRoom(boolean on) {
        how(m -> m.with(m.backing().withRoom(on)), false);
    }

    /** Chooses what lies underneath; says so where the tune has no chords. */
    public void setUnder(Backing.Under under) {
        if (under == Backing.Under.CHORDS && trellis.isOpen() && !Piece.hasChords(trellis.arrangement().tune())) {
            say.accept("no chords are written above this tune; a drone can be heard under it");
        }
        how(m -> m.with(m.backing().with(under)), false);
    }

    public void setCounted(boolean on) {
        how(m -> m.withCounted(on), true);
    }

    public void setLilt(Lilt lilt) {
        how(m -> m.with(lilt), false);
    }

    /** Marks the note in hand as the first of the stretch that is heard. */
    public void markFrom() {
        mark(Optional.of(trellis.note()), state.get().to().filter(t -> t >= trellis.note()));
    }

    /** Marks the note in hand as the last of the stretch that is heard. */
    public void markTo() {
        mark(state.get().from().filter(f -> f <= trellis.note()), Optional.of(trellis.note()));
    }

    private void mark(Optional<Integer> from, Optional<Integer> to) {
        change(s -> s.with(ListeningState.Extent.MARKED).withAgain(true).marked(from, to), true);
        say.accept("heard from %s to %s".formatted(from.map(this::named).orElse("the first note"), to.map(this::named).orElse("the last")));
    }

    private String named(int note) {
        return trellis.now().plain().note(note).inWords();
    }

    private void follow(TrellisState before, TrellisState now) {
        if (before == null || before.tune() != now.tune()) {
            if (state.get().playing()) {
                stop();
            }
            state.set(state.get().marked(Optional.empty(), Optional.empty()).withAgainst(Optional.empty()));
            return;
        }
        warmUp();
        boolean edited = !before.arrangement().equals(now.arrangement());
        boolean rung = before.rung() != now.rung();
        boolean looked = state.get().stretch() == ListeningState.Extent.ORNAMENT && !before.looking().equals(now.looking());
        boolean moved = looked || before.note() != now.note() && follows(state.get().stretch());
        if (state.get().playing() && !elsewhere && (edited || rung || moved)) {
            play(moved ? Optional.empty() : here());
            if (looked) {
                sayWhatIsBlocked();
            }
        }
    }

    /** Plays a little to nobody, once the teacher has begun to look about, so that the first key is answered as fast as any. */
    private void warmUp() {
        if (!warm && trellis.now().plain().size() > 0) {
            warm = true;
            Listening.Stand at = stand();
            background.run(NOT_PLAYED, job -> {
                for (int i = 0; i < WARM; i++) {
                    new Playback(Course.of(Listening.of(ListeningState.USUAL, at).itinerary())).render(new float[4800], 0, 4800);
                }
                return at;
            }, played -> { });
        }
    }

    /** Whether what is heard moves along with the note in hand. */
    private static boolean follows(ListeningState.Extent stretch) {
        return stretch != ListeningState.Extent.TUNE && stretch != ListeningState.Extent.MARKED;
    }

    private Optional<Moment> here() {
        return playing.isEmpty() ? Optional.empty() : player.now().filter(m -> !m.over());
    }

    private Listening.Stand stand() {
        TrellisState now = trellis.now();
        return new Listening.Stand(now.arrangement(), now.rung(), now.note(), now.looking());
    }

    private void play(Optional<Moment> from) {
        if (!trellis.isOpen() || trellis.now().plain().size() == 0) {
            say.accept("there is nothing to hear yet");
            return;
        }
        ListeningState wanted = state.get().withPlaying(true);
        elsewhere = false;
        // What goes on in its place goes on from where it was begun, not from the note that is in hand by now.
        Listening.Stand at = from.isPresent() && place.isPresent() && !follows(wanted.stretch())
                ? new Listening.Stand(trellis.arrangement(), trellis.rung(), place.get().note(), stand().ornament()) : stand();
        place = Optional.of(at);
        state.set(wanted);
        int order = ++asked;
        Optional<Playing> before = playing;
        ready(order, () -> playing(Listening.of(wanted, at), before.flatMap(b -> from.map(m -> fresh -> b.course().into(fresh.itinerary(), m)))));
    }

    private void ready(int order, Supplier<Playing> work) {
        background.latest(this, NOT_PLAYED, job -> work.get(), ready -> begin(order, ready), () -> {
            if (order == asked) {
                stop();
            }
        });
    }

    private void begin(int order, Playing ready) {
        if (order == asked) {
            playing = Optional.of(ready);
            player.play(ready.course());
            if (!toldDevice && !player.device().isEmpty()) {
                toldDevice = true;
                say.accept(player.device());
            }
        }
    }

    /** Looks where the sound is; called for each frame while something is played. */
    public void tick() {
        Optional<Moment> now = playing.isEmpty() ? Optional.empty() : player.now();
        if (now.isEmpty() || player.course().filter(c -> c == playing.get().course()).isEmpty()) {
            return;
        }
        if (now.get().over()) {
            playing = Optional.empty();
            lit.set(Optional.empty());
            state.set(state.get().withPlaying(false));
            return;
        }
        lit.set(at(playing.get(), now.get()));
    }

    /** The sound had to be given up: what is not played any more is not shown as playing. */
    public void soundLost() {
        if (state.get().playing() && player.course().isEmpty()) {
            stop();
        }
    }

    private static Optional<Lit> at(Playing playing, Moment now) {
        if (now.isCountedIn()) {
            return Optional.empty();
        }
        Leg leg = playing.course().itinerary().legs().get(now.leg());
        double ms = leg.piece().played().msAt(leg.span().from()) + now.ms();
        Cursor cursor = playing.cursors().get(now.leg());
        OptionalInt note = cursor.note(ms);
        Cursor.Spot where = cursor.place(ms);
        String bar = BarNames.name(where.bar());
        return note.isEmpty() ? Optional.empty()
                : Optional.of(new Lit(playing.rungs().get(now.leg()), note.getAsInt(), where.time() == 1 ? bar : bar + ", time " + where.time()));
    }

    /** Whether everything would be heard as it is written: the whole rung at its tempo, alone. */
    public boolean isUsual() {
        ListeningState now = state.get();
        return now.stretch() == ListeningState.Extent.TUNE && now.manner().percent() == 100 && now.against().isEmpty();
    }

    /**
     * What is chosen now as something that ends, to be taken home; the whole rung where nothing less is chosen. What it gives is
     * worked out when it is asked for, by any thread.
     */
    public Supplier<Itinerary> takeHome() {
        ListeningState now = state.get();
        Listening.Stand at = now.stretch() == ListeningState.Extent.TUNE
                ? new Listening.Stand(trellis.arrangement(), trellis.rung(), 0, Optional.empty()) : stand();
        ListeningState whole = now.stretch() == ListeningState.Extent.TUNE ? now.withAgain(true) : now;
        return () -> Itinerary.once(Listening.of(whole, at).itinerary().legs(), now.manner().backing());
    }
}
