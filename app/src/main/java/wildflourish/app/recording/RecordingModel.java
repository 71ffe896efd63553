package wildflourish.app.recording;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.listening.Player;
import wildflourish.app.recording.RecordingState.Beside;
import wildflourish.app.recording.RecordingState.Listened;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.app.work.Folders;
import wildflourish.app.work.Recordings;
import wildflourish.core.hearing.Account;
import wildflourish.core.hearing.Comparison;
import wildflourish.core.hearing.Heard;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.hearing.PlayersVersion;
import wildflourish.core.setting.Version;
import wildflourish.library.Person;
import wildflourish.sound.hearing.Audio;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.hearing.MadeUpStudent;
import wildflourish.sound.hearing.NoRecording;
import wildflourish.sound.hearing.Recording;
import wildflourish.sound.hearing.Shift;
import wildflourish.sound.hearing.Take;

/** The recordings of the open tune, and what was played in the one in hand. Listening goes on in the background and can be stopped. */
public final class RecordingModel {

    private static final String SLOT = "recording";

    private final TrellisModel trellis;
    private final Playing playing;
    private final Recordings recordings;
    private final Owners.Keeping owners;
    private final Supplier<Optional<Audio>> microphone;
    private final Background background;
    private final Consumer<String> say;
    private final ReadOnlyObjectWrapper<RecordingState> state = new ReadOnlyObjectWrapper<>(RecordingState.EMPTY);
    private OptionalInt meant = OptionalInt.empty();
    private Optional<Other> beside = Optional.empty();
    private Optional<AtomicBoolean> recorded = Optional.empty();
    private boolean shown;

    /** A model over the open tune; {@code microphone} is opened when something is to be recorded, and may be missing. */
    public RecordingModel(TrellisModel trellis, Player player, Recordings recordings, Owners.Keeping owners, Supplier<Optional<Audio>> microphone, Background background, Consumer<String> say) {
        this.trellis = trellis;
        this.playing = new Playing(state, player, say);
        this.recordings = recordings;
        this.owners = owners;
        this.microphone = microphone;
        this.background = background;
        this.say = say;
        trellis.state().addListener((o, before, now) -> {
            if (shown) {
                refresh();
            }
        });
    }

    /** What is shown. */
    public ReadOnlyObjectProperty<RecordingState> state() {
        return state.getReadOnlyProperty();
    }

    /** What plays the recording in hand. */
    Playing playing() {
        return playing;
    }

    /** Follows the open tune, or rests. */
    void setShown(boolean now) {
        shown = now;
        if (now) {
            refresh();
        } else {
            endRecording();
            playing.stop();
        }
    }

    private void refresh() {
        if (!trellis.isOpen()) {
            return;
        }
        RecordingState before = state.get();
        if (before.tune() != trellis.now().tune()) {
            playing.stop();
            meant = OptionalInt.empty();
            beside = Optional.empty();
            List<Path> files = files(trellis.now().tune());
            state.set(new RecordingState(trellis.now().tune(), files, Optional.empty(), Optional.empty(), 0, before.how(), false, 0, before.owners()));
            readOwners();
            files.stream().findFirst().ifPresent(this::choose);
        } else if (before.listened().filter(l -> !l.version().arrangement().equals(trellis.arrangement())).isPresent()) {
            again();
        }
    }

    private void readOwners() {
        background.latest("owners", Background.Words.silent("whose recordings these are could not be read"), job -> owners.read(), now -> state.set(state.get().with(now)), () -> { });
    }

    /** Whose the recording in hand is; empty where it is nobody's in particular. */
    Optional<Person> owner() {
        return state.get().chosen().flatMap(file -> state.get().owners().of(recordings, file));
    }

    /** Says whose the recording in hand is: it goes when they are deleted. */
    void own(Optional<Person> person) {
        RecordingState now = state.get();
        now.chosen().ifPresent(file -> {
            own(now.tune(), file, person.map(Person::id));
            say.accept(person.map(p -> "%s is a recording of %s's now: it is deleted with them".formatted(file.getFileName(), p.student().name()))
                    .orElse("%s is nobody's in particular now".formatted(file.getFileName())));
        });
    }

    private void own(long tune, Path file, Optional<Long> student) {
        owners.own(recordings.name(file), tune, student);
        Map<String, Long> then = new HashMap<>(state.get().owners().byName());
        then.remove(recordings.name(file));
        student.ifPresent(s -> then.put(recordings.name(file), s));
        state.set(state.get().with(new Owners(state.get().owners().people(), then)));
    }

    private List<Path> files(long tune) {
        try {
            return recordings.of(tune);
        } catch (IOException e) {
            say.accept("the recordings of this tune cannot be read: look whether their disk is there");
            return List.of();
        }
    }

    /** Takes a copy of a file in and listens to it. */
    public void bringIn(Path file) {
        long tune = trellis.now().tune();
        take(tune, file.getFileName().toString(), job -> {
            try (Audio audio = Recording.open(file)) {
                audio.read(new float[audio.channels()][1]);
            }
            return recordings.takeIn(tune, file);
        });
    }

    /** Lets somebody who is not there play the rung in hand: to see what listening does. */
    void madeUp() {
        long tune = trellis.now().tune();
        Version version = trellis.arrangement().version(trellis.rung());
        String name = "made-up student " + Folders.fileName(version.arrangement().instrument().name() + " " + version.arrangement().ladder().rung(version.rung()).name()) + ".wav";
        take(tune, name, job -> {
            Path place = recordings.begin(tune, name);
            Shift.write(MadeUpStudent.USUAL.play(version), place, n -> { }, job::stopped);
            return place;
        });
    }

    /** Records by the microphone, or ends it and listens to what came. */
    void record() {
        if (recorded.filter(r -> !r.get()).isPresent()) {
            endRecording();
            return;
        }
        playing.stop();
        Optional<Audio> line = microphone.get();
        if (line.isEmpty()) {
            say.accept("no microphone can be listened to: plug one in, or let this program use it; a recording can be brought in instead: B");
            return;
        }
        long tune = trellis.now().tune();
        String name = "recorded %s.wav".formatted(LocalDate.now(ZoneId.systemDefault()));
        Optional<Long> whose = owners.followed();
        AtomicBoolean enough = new AtomicBoolean();
        recorded = Optional.of(enough);
        say.accept("recording; R ends it");
        take(tune, name, job -> {
            try (Audio live = line.get()) {
                Path place = recordings.begin(tune, name);
                int[] told = {0};
                Shift.write(live.until(enough::get), place, n -> {
                    int seconds = (int) (n / live.rate());
                    if (seconds > told[0]) {
                        told[0] = seconds;
                        job.tell("recording by the microphone: %d s; R ends it".formatted(seconds));
                    }
                    enough.compareAndSet(false, seconds >= Take.MOST_MINUTES * 60 - 1);
                }, job::stopped);
                return place;
            } finally {
                enough.set(true);
            }
        }, place -> own(tune, place, whose));
    }

    private void endRecording() {
        recorded.ifPresent(r -> r.set(true));
        recorded = Optional.empty();
    }

    private void take(long tune, String name, Background.Work<Path> work) {
        take(tune, name, work, place -> { });
    }

    private void take(long tune, String name, Background.Work<Path> work, Consumer<Path> taken) {
        record Came(Optional<Path> place, String trouble) {}
        background.run(new Background.Words("taking in " + name, "%s could not be taken in: look whether there is room on the disk".formatted(name)), job -> {
            try {
                return new Came(Optional.of(work.run(job)), "");
            } catch (NoRecording e) {
                return new Came(Optional.empty(), String.valueOf(e.getMessage()));
            }
        }, came -> {
            came.place().ifPresent(taken);
            if (came.place().isEmpty()) {
                say.accept(came.trouble());
            } else if (state.get().tune() == tune) {
                state.set(state.get().with(files(tune)));
                choose(came.place().get());
            }
        });
    }

    /** Takes a recording in hand and listens to it. */
    void choose(Path file) {
        if (state.get().chosen().filter(file::equals).isPresent()) {
            return;
        }
        playing.stop();
        meant = OptionalInt.empty();
        state.set(state.get().choosing(Optional.of(file)));
        String name = String.valueOf(file.getFileName());
        record Got(Optional<Take> take, Optional<Heard> heard, String trouble) {}
        background.latest(SLOT, new Background.Words("listening to " + name, "%s could not be listened to; it is as it was".formatted(name)), job -> {
            try (Audio audio = Recording.open(file)) {
                Take take = Take.of(audio, s -> { }, job::stopped);
                int[] told = {0};
                Heard heard = Ears.listen(take.audio(), seconds -> {
                    if (seconds >= told[0] + 5) {
                        told[0] = (int) seconds;
                        job.tell("listening to %s: %d of %d s".formatted(name, told[0], Math.round(take.lengthMs() / 1000)));
                    }
                }, job::stopped);
                return new Got(Optional.of(take), Optional.of(heard), "");
            } catch (NoRecording e) {
                return new Got(Optional.empty(), Optional.empty(), String.valueOf(e.getMessage()));
            }
        }, got -> {
            if (got.take().isPresent() && got.heard().isPresent()) {
                compare(got.take().get(), got.heard().get(), file);
            } else {
                say.accept(got.trouble());
            }
        }, () -> { });
    }

    /** Says which rung was meant; empty for the one that is nearest. */
    void mean(OptionalInt rung) {
        meant = rung;
        again();
    }

    /** Which rung is said to have been meant; empty for the nearest. */
    OptionalInt meant() {
        return meant;
    }

    private record Other(Path file, Heard heard) {}

    /** Lays another recording of the tune beside the one in hand; empty for none. */
    void beside(Optional<Path> file) {
        beside = Optional.empty();
        if (file.isEmpty()) {
            again();
            return;
        }
        String name = String.valueOf(file.get().getFileName());
        record Got(Optional<Heard> heard, String trouble) {}
        background.latest(SLOT, new Background.Words("listening to " + name, "%s could not be listened to; it is as it was".formatted(name)), job -> {
            try (Audio audio = Recording.open(file.get())) {
                return new Got(Optional.of(Ears.listen(Take.of(audio, s -> { }, job::stopped).audio(), s -> { }, job::stopped)), "");
            } catch (NoRecording e) {
                return new Got(Optional.empty(), String.valueOf(e.getMessage()));
            }
        }, got -> {
            beside = got.heard().map(h -> new Other(file.get(), h));
            if (beside.isEmpty()) {
                say.accept(got.trouble());
            }
            again();
        }, () -> { });
    }

    /** Compares what was heard with the tune once more. */
    private void again() {
        state.get().listened().ifPresent(l -> compare(l.take(), l.heard(), l.file()));
    }

    private void compare(Take take, Heard heard, Path file) {
        Version whole = trellis.arrangement().version(0);
        OptionalInt rung = meant.isPresent() && meant.getAsInt() < whole.arrangement().ladder().size() ? meant : OptionalInt.empty();
        Optional<Listened> before = state.get().listened();
        Optional<Other> other = beside.filter(o -> !o.file().equals(file));
        record Found(Optional<Listened> listened, String trouble) {}
        background.latest(SLOT, new Background.Words("comparing with the tune", "what was heard could not be laid under the tune; the recording is as it was"), job -> {
            try {
                int nearest = before.filter(b -> b.heard() == heard && b.version().arrangement().equals(whole.arrangement())).map(Listened::nearest)
                        .orElseGet(() -> HeardVersion.nearestRung(whole, heard));
                Version version = whole.on(rung.orElse(nearest));
                HeardVersion played = HeardVersion.of(version, heard);
                boolean nothing = played.notes().stream().noneMatch(n -> n.onsetMs().isPresent());
                return nothing ? new Found(Optional.empty(), "nothing of this tune is heard in %s: is it this tune, and one instrument alone?".formatted(file.getFileName()))
                        : new Found(Optional.of(new Listened(file, take, heard, nearest, version, played, Account.of(version, played),
                                other.map(o -> new Beside(o.file(), o.heard(), Comparison.of(played, HeardVersion.of(version, o.heard())))))), "");
            } catch (IllegalArgumentException e) {
                return new Found(Optional.empty(), String.valueOf(e.getMessage()));
            }
        }, found -> {
            if (found.listened().isEmpty()) {
                say.accept(found.trouble());
            } else if (state.get().chosen().filter(file::equals).isPresent()) {
                state.set(state.get().with(found.listened().get()));
            }
        }, () -> { });
    }

    /** Takes down what was played as the top of a ladder; undo gives the ladder before it. */
    void takeDown() {
        if (!trellis.isOpenStill(state.get().tune())) {
            return;
        }
        state.get().listened().ifPresent(l -> {
            trellis.ladder().take("taken down from a recording", PlayersVersion.ladder(l.version(), l.played(), "as played"));
            say.accept("the ladder now leads up to what was played, as “as played”; correct it on the trellis, Ctrl+Z takes it back");
        });
    }

    /** Throws the recording in hand away for good. */
    void throwAway() {
        RecordingState now = state.get();
        now.chosen().ifPresent(file -> {
            playing.stop();
            try {
                recordings.throwAway(file);
                own(now.tune(), file, Optional.empty());
                beside = beside.filter(o -> !o.file().equals(file));
                state.set(state.get().choosing(Optional.empty()).with(files(now.tune())));
                say.accept("%s is thrown away".formatted(file.getFileName()));
            } catch (IOException e) {
                say.accept("%s could not be thrown away: look whether its disk is there, and whether another program has it open".formatted(file.getFileName()));
            }
        });
    }

    /** Takes the next note, or the one before, in hand. */
    void step(int by) {
        RecordingState now = state.get();
        now.listened().ifPresent(l -> state.set(now.at(Math.clamp(now.note() + by, 0, Math.max(0, l.played().notes().size() - 1)))));
    }

    /** Takes the next note, or the one before, in hand of which there is something to say. */
    void stepToRemark(int by) {
        RecordingState now = state.get();
        now.listened().ifPresent(l -> {
            int note = now.note() + by;
            while (note >= 0 && note < l.played().notes().size() && !Marks.has(l, note)) {
                note += by;
            }
            if (note >= 0 && note < l.played().notes().size()) {
                state.set(now.at(note));
            } else {
                say.accept(by > 0 ? "there is nothing to say of the notes behind this one" : "there is nothing to say of the notes before this one");
            }
        });
    }

    /** Takes a note of the plain tune in hand, in the same time through where there is one. */
    void select(int plain) {
        RecordingState now = state.get();
        now.listened().ifPresent(l -> {
            int pass = now.inHand().map(n -> n.wanted().pass()).orElse(1);
            List<Integer> there = IntStream.range(0, l.played().notes().size()).filter(i -> Marks.plain(l, i) == plain).boxed().toList();
            there.stream().filter(i -> l.played().notes().get(i).wanted().pass() == pass).findFirst().or(() -> there.stream().findFirst()).ifPresent(i -> state.set(now.at(i)));
        });
    }

    /** The same note in the next time through, the first again behind the last. */
    void nextPass() {
        RecordingState now = state.get();
        now.listened().ifPresent(l -> now.inHand().ifPresent(hand -> {
            List<Integer> there = IntStream.range(0, l.played().notes().size()).filter(i -> l.played().notes().get(i).wanted().note() == hand.wanted().note()).boxed().toList();
            state.set(now.at(there.get((there.indexOf(now.note()) + 1) % there.size())));
        }));
    }
}
