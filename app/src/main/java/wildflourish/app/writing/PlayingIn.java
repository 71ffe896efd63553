package wildflourish.app.writing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.IntSupplier;
import wildflourish.app.listening.Player;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.practice.Lilt;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.core.writing.KeyFinder;
import wildflourish.core.writing.Pen;
import wildflourish.core.writing.PlayedIn;
import wildflourish.sound.input.MidiNotes;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;

/**
 * Notes that are played in: one by one from a MIDI keyboard, or in time to a click, from a MIDI keyboard or the letters of the
 * computer's. The first bar of the click counts in; what is played in its last beats leads in.
 */
final class PlayingIn {

    private static final int BARS = 65;
    /** How uneven the made-up player is: as a fair amateur, from memory. */
    private static final double UNEVEN_MS = 15;

    private final WritingModel model;
    private final Player player;
    private final IntSupplier percent;
    private final Consumer<Runnable> onInterface;
    private final Consumer<String> say;
    private final Set<Integer> down = new HashSet<>();
    private final List<PlayedIn.Stroke> strokes = new ArrayList<>();
    private Optional<MidiNotes> keyboard = Optional.empty();
    private Optional<Click> click = Optional.empty();

    /** What clicks. */
    private record Click(Course course, Meter meter, double msPerWhole) {}

    /**
     * Playing in over a text.
     *
     * @param percent at what share of the tune's tempo it clicks
     * @param onInterface runs tasks on the interface's thread
     */
    PlayingIn(WritingModel model, Player player, IntSupplier percent, Consumer<Runnable> onInterface, Consumer<String> say) {
        this.model = model;
        this.player = player;
        this.percent = percent;
        this.onInterface = onInterface;
        this.say = say;
    }

    /** Whether it clicks. */
    boolean isTimed() {
        return click.isPresent();
    }

    /** Listens to a MIDI keyboard, key by key, or no more. */
    void toggleKeyboard() {
        if (keyboard.isPresent()) {
            closeKeyboard();
            say.accept("the MIDI keyboard does not write any more");
        } else {
            openKeyboard();
            say.accept(keyboard.isPresent() ? "the MIDI keyboard writes: each key is a note" : "no MIDI keyboard is plugged in, or another program has it");
        }
    }

    private void openKeyboard() {
        keyboard = MidiNotes.open(keys());
    }

    private void closeKeyboard() {
        keyboard.ifPresent(MidiNotes::close);
        keyboard = Optional.empty();
    }

    /** What a keyboard's keys do. */
    MidiNotes.Keys keys() {
        return new MidiNotes.Keys() {
            @Override
            public void down(int midi) {
                double at = nowMs();
                onInterface.accept(() -> pressed(midi, at));
            }

            @Override
            public void up(int midi) {
                double at = nowMs();
                onInterface.accept(() -> released(midi, at));
            }
        };
    }

    private double nowMs() {
        return player.now().map(m -> m.ms()).orElse(0.0);
    }

    private void pressed(int midi, double at) {
        if (isTimed()) {
            down.add(midi);
            strokes.add(new PlayedIn.Stroke(at, Optional.empty(), midi));
        } else {
            model.stroke(p -> p.note(KeyFinder.spelled(midi, p.tune().head().key())));
        }
    }

    private void released(int midi, double at) {
        if (down.remove(midi)) {
            for (int i = strokes.size() - 1; i >= 0; i--) {
                if (strokes.get(i).midi() == midi) {
                    strokes.set(i, strokes.get(i).until(at));
                    break;
                }
            }
        }
    }

    /** A note of the computer's keyboard, in time. */
    void key(int midi) {
        pressed(midi, nowMs());
    }

    /** The key that a letter means: the nearest of its name to what was played before. */
    int nearest(int semitone) {
        int before = strokes.isEmpty() ? model.pen().get().filter(p -> p.at() > 0).map(Pen::lastMidi).orElse(71) : strokes.getLast().midi();
        int up = Math.floorMod(semitone - before, 12);
        return before + (up <= 6 ? up : up - 12);
    }

    /** Begins to click, or ends and writes down what was played. */
    void toggleClick() {
        if (isTimed()) {
            end();
        } else {
            model.pen().get().ifPresentOrElse(this::begin, () -> say.accept("put the text right first"));
        }
    }

    private void begin(Pen pen) {
        Meter meter = pen.tune().head().meter().isFree() ? Meter.COMMON : pen.tune().head().meter();
        Tempo tempo = TuneType.tempoOf(pen.tune().head()).percent(percent.getAsInt());
        List<Bar> bars = new ArrayList<>();
        for (int b = 0; b < BARS; b++) {
            Element silence = new Rest(meter.barLength(), true, true, Optional.empty(), Marks.NONE);
            bars.add(new Bar(b + 1, List.of(silence), BarLine.THIN, Optional.empty(), Optional.empty(), false));
        }
        Tune silent = new Tune(pen.tune().head(), BarLine.NONE, bars);
        Piece piece = Piece.of(Arrangement.bare(silent, Instruments.known("none")), 0, tempo, Lilt.STRAIGHT);
        Course course = Course.of(Itinerary.once(List.of(Leg.heard(piece, piece.whole())), Backing.NONE.withMetronome(true)));
        click = Optional.of(new Click(course, meter, tempo.millis(Ratio.ONE).toDouble()));
        strokes.clear();
        down.clear();
        if (keyboard.isEmpty()) {
            openKeyboard();
        }
        player.play(course);
        say.accept("one bar counts in (%s); play with the letters%s, Ctrl+Shift+R ends".formatted(tempo.spoken(), keyboard.isPresent() ? " or the MIDI keyboard" : ""));
    }

    /** Ends without writing anything down. */
    void giveUp() {
        if (isTimed()) {
            player.stop();
            click = Optional.empty();
        }
        closeKeyboard();
    }

    private void end() {
        Click clicked = click.orElseThrow();
        double now = nowMs();
        click = Optional.empty();
        player.stop();
        if (strokes.isEmpty()) {
            say.accept("nothing was played");
            return;
        }
        write(new PlayedIn(clicked.meter(), clicked.msPerWhole(), strokes), now);
    }

    /** Writes down what a made-up player plays of a tune. */
    void madeUp(Tune tune) {
        Tempo tempo = TuneType.tempoOf(tune.head()).percent(percent.getAsInt());
        PlayedIn played = PlayedIn.madeUp(tune, tempo.millis(Ratio.ONE).toDouble(), UNEVEN_MS, new Random(tune.hashCode()));
        write(played, played.strokes().getLast().to().orElseThrow());
    }

    private void write(PlayedIn played, double now) {
        boolean added = model.stroke(p -> {
            PlayedIn.Written written = played.writtenWith(p, now);
            model.guessed(written.guesses());
            return written.pen();
        });
        if (added) {
            say.accept("%d notes written down%s. Ctrl+Z takes them back".formatted(played.strokes().size(),
                    model.guesses().isEmpty() ? "" : "; those with a ? are a guess: hear them and put them right"));
        }
    }
}
