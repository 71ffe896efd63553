package wildflourish.app.recording;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Consumer;
import java.util.function.IntPredicate;
import javafx.beans.property.ObjectProperty;
import wildflourish.app.listening.Player;
import wildflourish.app.recording.RecordingState.Extent;
import wildflourish.app.recording.RecordingState.Listened;
import wildflourish.app.recording.RecordingState.Manner;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.sound.hearing.Excerpt;
import wildflourish.sound.hearing.Shift;

/** Plays the recording in hand, or a stretch of it around the note in hand, and follows what is heard. */
final class Playing {

    private final ObjectProperty<RecordingState> state;
    private final Player player;
    private final Consumer<String> say;
    private Optional<Excerpt> excerpt = Optional.empty();

    Playing(ObjectProperty<RecordingState> state, Player player, Consumer<String> say) {
        this.state = state;
        this.player = player;
        this.say = say;
    }

    /** Plays it in another manner from now on. */
    void how(Manner manner) {
        Manner fair = new Manner(manner.extent(), manner.again(), Math.clamp(manner.percent(), (int) (100 * Shift.SLOWEST), (int) (100 * Shift.FASTEST)),
                Math.clamp(manner.cents(), (int) -Shift.FARTHEST, (int) Shift.FARTHEST));
        RecordingState now = state.get();
        if (!fair.equals(now.how())) {
            state.set(now.with(fair));
            if (now.playing()) {
                play();
            }
        }
    }

    /** Plays the recording, or stops. */
    void toggle() {
        if (state.get().playing()) {
            stop();
        } else if (state.get().listened().isPresent()) {
            play();
        } else {
            say.accept(state.get().files().isEmpty() ? "bring in a recording first: B" : "the recording has not been listened to yet");
        }
    }

    private void play() {
        state.get().listened().ifPresent(l -> {
            Manner how = state.get().how();
            HeardVersion.Stretch stretch = stretch(l, how.extent());
            Excerpt next = new Excerpt(l.take(), stretch.fromMs(), stretch.toMs(), new Shift(how.percent() / 100.0, how.cents()), how.again());
            excerpt = Optional.of(next);
            player.play(next);
            state.set(state.get().playing(true, stretch.fromMs()));
        });
    }

    private HeardVersion.Stretch stretch(Listened l, Extent extent) {
        int note = state.get().note();
        List<HeardVersion.Note> notes = l.played().notes();
        double end = l.take().lengthMs();
        return switch (extent) {
            case ALL -> new HeardVersion.Stretch(0, end);
            case ON -> new HeardVersion.Stretch(notes.subList(note, notes.size()).stream().flatMap(n -> n.onsetMs().stream()).findFirst().orElse(0.0), end);
            case BAR -> around(l, i -> notes.get(i).wanted().bar() == notes.get(note).wanted().bar() && notes.get(i).wanted().pass() == notes.get(note).wanted().pass());
            case PHRASE -> {
                int plain = Marks.plain(l, note);
                Optional<Phrase> phrase = Phrases.of(l.version()).stream().filter(p -> p.holds(plain)).findFirst();
                yield around(l, i -> phrase.filter(p -> p.holds(Marks.plain(l, i))).isPresent());
            }
        };
    }

    /** The notes around the one in hand that have something in common with it. */
    private HeardVersion.Stretch around(Listened l, IntPredicate same) {
        int from = state.get().note();
        int to = from + 1;
        while (from > 0 && same.test(from - 1)) {
            from--;
        }
        while (to < l.played().notes().size() && same.test(to)) {
            to++;
        }
        return l.played().stretch(from, to).orElseGet(() -> new HeardVersion.Stretch(0, l.take().lengthMs()));
    }

    /** Stops what is played here. */
    void stop() {
        if (state.get().playing()) {
            excerpt = Optional.empty();
            player.stop();
            state.set(state.get().playing(false, 0));
        }
    }

    /** Follows what is heard. */
    void tick() {
        RecordingState now = state.get();
        excerpt.ifPresent(e -> {
            OptionalLong heard = player.heardOf(e);
            if (heard.isPresent()) {
                state.set(now.playing(!e.isDone(), e.ms(heard.getAsLong())));
            }
        });
    }

    /** Somebody else plays now, or the sound was lost. */
    void soundLost() {
        excerpt = Optional.empty();
        state.set(state.get().playing(false, 0));
    }
}
