package wildflourish.app.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wildflourish.app.listening.HandMoved;
import wildflourish.app.trellis.Opened;
import wildflourish.app.work.AtOnce;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.writing.Pen;
import wildflourish.formats.abc.AbcReader;
import wildflourish.sound.input.MidiNotes;

/** A made-up player plays in on an unplugged keyboard, a little early and late; the click stands still until it is moved. */
class PlayingInTest {

    private static final int[] JIG = {67, 71, 74, 72, 71, 69, 67, 69, 71, 67, 64, 62, 67, 67};
    private static final int[] QUAVERS = {2, 1, 1, 1, 1, 2, 1, 1, 1, 1, 2, 1, 3, 6};

    private final List<String> said = new ArrayList<>();
    private final HandMoved player = new HandMoved();
    private WritingModel model;
    private PlayingIn playing;
    private Receiver keyboard;

    @BeforeEach
    void aNewJig() {
        model = new WritingModel(Opened.empty(), AtOnce.background(said::add), tune -> { }, draft -> { }, said::add);
        model.enter();
        model.startNew();
        model.type(WritingModel.NEW.replace("R:reel\nM:4/4", "R:jig\nM:6/8").replace("K:D", "K:G"));
        playing = new PlayingIn(model, player, () -> 60, Runnable::run, said::add);
        keyboard = MidiNotes.unplugged(playing.keys()).receiver();
    }

    private void send(int command, int midi) {
        try {
            keyboard.send(new ShortMessage(command, 0, midi, 80), -1);
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void keyByKeyEachKeyIsANote() {
        for (int midi : JIG) {
            send(ShortMessage.NOTE_ON, midi);
            send(ShortMessage.NOTE_OFF, midi);
        }
        assertThat(Timeline.of(model.pen().get().orElseThrow().tune()).notes()).extracting(n -> n.pitch().midi()).containsExactly(java.util.Arrays.stream(JIG).boxed().toArray(Integer[]::new));
    }

    @Test
    void inTimeTheRhythmIsFoundAndTheLastBeatOfTheCountInLeadsIn() {
        playing.toggleClick();
        assertThat(playing.isTimed()).isTrue();
        assertThat(player.itinerary().backing().metronome()).isTrue();
        double quaver = 60_000 / (112 * 0.6) / 3;
        Random random = new Random(4);
        double at = 5 * quaver;
        double reached = 0;
        for (int i = 0; i < JIG.length; i++) {
            double length = (i == 0 ? 1 : QUAVERS[i - 1]) * quaver;
            double on = at + (random.nextDouble() * 2 - 1) * 25;
            player.goOn(on - reached);
            send(ShortMessage.NOTE_ON, i == 0 ? 62 : JIG[i - 1]);
            player.goOn(length * 0.85);
            send(ShortMessage.NOTE_OFF, i == 0 ? 62 : JIG[i - 1]);
            reached = on + length * 0.85;
            at += length;
        }
        playing.toggleClick();
        assertThat(playing.isTimed()).isFalse();
        assertThat(model.typed()).contains("D |G2 B dcB |A2 G ABG |E2 D G3 |");
        assertThat(said).anyMatch(s -> s.contains("14 notes written down"));
        assertThat(model.unstroke()).isTrue();
        assertThat(model.pen().get().orElseThrow().size()).isZero();
    }

    @Test
    void whatIsFarFromEveryBeatIsMarkedAsAGuessUntilTheNextStroke() {
        playing.toggleClick();
        double quaver = 60_000 / (112 * 0.6) / 3;
        double[] moments = {6, 7.06, 7.94, 9.32, 11.06, 12};
        double reached = 0;
        for (double moment : moments) {
            player.goOn(moment * quaver - reached);
            playing.key(67);
            reached = moment * quaver;
        }
        player.goOn(quaver);
        playing.toggleClick();
        assertThat(model.guesses()).isNotEmpty();
        model.stroke(p -> p.note(wildflourish.core.tune.Step.A));
        assertThat(model.guesses()).isEmpty();
    }

    @Test
    void aMadeUpPlayerPlaysATuneInUnevenlyAndItIsWrittenAsItWas() {
        String jig = "D |G2B dcB |A2G ABG |E2D G3 |B3 d2 B |c2A F2A |G3 G2 |]";
        Tune tune = AbcReader.read("X:1\nT:The Weed Line\nR:jig\nM:6/8\nL:1/8\nK:G\n" + jig + "\n").tunes().getFirst().tune();
        model.startNewLike(tune);
        model.whenPenStands(() -> playing.madeUp(tune));
        assertThat(model.typed()).contains("The Weed Line, played in", "K:G\n");
        Tune written = model.pen().get().orElseThrow().tune();
        assertThat(Timeline.of(written).notes()).extracting(n -> n.pitch() + "@" + n.onset())
                .isEqualTo(Timeline.of(tune).notes().stream().map(n -> n.pitch() + "@" + n.onset()).toList());
        assertThat(said).anyMatch(s -> s.contains("23 notes written down"));
        assertThat(player.course()).as("nothing clicks for it").isEmpty();
    }

    @Test
    void nothingPlayedIsNothingWritten() {
        playing.toggleClick();
        player.goOn(3000);
        playing.toggleClick();
        assertThat(said).contains("nothing was played");
        assertThat(model.hasStrokes()).isFalse();
        playing.toggleKeyboard();
        assertThat(said.getLast()).contains("no MIDI keyboard");
    }

    @Test
    void aFingeringPutsTheNoteThatItSounds() {
        ByFingers fingers = new ByFingers(model, () -> Instruments.known("whistle-d"), said::add);
        assertThat(fingers.question()).contains("D whistle");
        assertThat(fingers.put("xxx ooo gentle")).isTrue();
        assertThat(fingers.put("xxx oqo")).isTrue();
        assertThat(said.getLast()).contains("sounds nothing");
        assertThat(fingers.put("xxx xxx firm")).isTrue();
        assertThat(fingers.put(" ")).isFalse();
        Pen pen = model.pen().get().orElseThrow();
        assertThat(Timeline.of(pen.tune()).notes()).extracting(n -> n.pitch().toString()).containsExactly("G4", "D5");
    }
}
