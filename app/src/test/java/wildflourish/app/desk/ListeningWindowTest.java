package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.shape.Rectangle;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import wildflourish.app.listening.ListeningState;
import wildflourish.core.practice.Lilt;
import wildflourish.sound.engine.SimulatedOutput;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;

/** Hearing the trellis in a real window, on a device that can be listened into. */
class ListeningWindowTest extends WindowTest {

    private Rectangle lamp(String id) {
        return lookup(id).query();
    }

    private boolean isPlaying() {
        return model.listening().state().get().playing();
    }

    private double loudness(int frames) {
        double sum = 0;
        float[] heard = device.listen(frames);
        for (float sample : heard) {
            sum += sample * sample;
        }
        return heard.length == 0 ? 0 : Math.sqrt(sum / heard.length);
    }

    private Itinerary heard() {
        return engine.course().orElseThrow().itinerary();
    }

    @Test
    void spacePlaysFromTheNoteInHandAndLightsIt() {
        open(true);
        interact(() -> model.trellis().select(4, 4));
        push(KeyCode.SPACE);
        until(() -> model.listening().lit().get().isPresent());
        assertThat(model.listening().lit().get().orElseThrow().rung()).isEqualTo(4);
        assertThat(model.listening().lit().get().orElseThrow().note()).as("not from the beginning").isGreaterThanOrEqualTo(4);
        assertThat(lamp("#lit-note").isVisible()).isTrue();
        assertThat(lamp("#lit-fingers").isVisible()).as("its fingers in the strip").isTrue();
        until(() -> model.listening().lit().get().filter(l -> l.note() >= 7).isPresent());
        assertThat(lookup("#playing-at").<Label>query().getText()).startsWith("♪ bar ");
        assertThat(lookup("#play").<Button>query().getText()).endsWith("Stop");
        assertThat(loudness(4800)).isGreaterThan(0.01);
        assertThat(model.message().get()).as("which device").contains("keeping time in silence");
        push(KeyCode.SPACE);
        assertThat(isPlaying()).isFalse();
        assertThat(lamp("#lit-note").isVisible()).isFalse();
        until(() -> loudness(480) == 0);
    }

    @Test
    void theTempoChangesWhileItPlays() {
        open(true);
        interact(() -> model.trellis().select(2, 0));
        push(KeyCode.SPACE);
        until(() -> model.listening().lit().get().filter(l -> l.note() >= 4).isPresent());
        double before = heard().legs().getFirst().lengthMs();
        write("<<");
        assertThat(model.listening().state().get().manner().percent()).isEqualTo(90);
        until(() -> heard().legs().getFirst().lengthMs() > before * 1.05);
        until(() -> model.listening().lit().get().isPresent());
        assertThat(model.listening().lit().get().orElseThrow().note()).as("it goes on where it was").isGreaterThanOrEqualTo(4);
        write("+");
        until(() -> heard().legs().getFirst().lengthMs() < before * 1.08);
        assertThat(isPlaying()).isTrue();
    }

    @Test
    void aPhraseAndAMarkedStretchGoAround() {
        pace = 16;
        open(true);
        push(KeyCode.CONTROL, KeyCode.M);
        interact(() -> {
            model.trellis().select(3, 3);
            ComboBox<ListeningState.Extent> stretch = lookup("#stretch").query();
            stretch.setValue(ListeningState.Extent.PHRASE);
        });
        push(KeyCode.ESCAPE);
        push(KeyCode.SLASH);
        assertThat(model.listening().state().get().again()).isTrue();
        push(KeyCode.SPACE);
        until(() -> engine.now().filter(m -> m.pass() >= 2).isPresent());
        double phrase = heard().legs().getFirst().lengthMs();
        assertThat(phrase).as("two bars and their pickup").isCloseTo(9 * 60_000 / 176.0, within(1.0));
        interact(() -> model.trellis().select(3, 6));
        write("[");
        interact(() -> model.trellis().select(3, 9));
        write("]");
        until(() -> heard().legs().getFirst().lengthMs() < phrase);
        until(() -> engine.now().filter(m -> m.pass() >= 1).isPresent());
        until(() -> model.listening().lit().get().filter(l -> l.note() >= 6 && l.note() <= 9).isPresent());
        assertThat(model.message().get()).startsWith("Heard from");
    }

    @Test
    void onlyThisOrnamentIsHeardPlainAndDecoratedInTurn() {
        pace = 8;
        open(true);
        interact(() -> model.trellis().select(5, 9));
        push(KeyCode.SHIFT, KeyCode.SPACE);
        until(() -> engine.now().filter(m -> m.pass() >= 1).isPresent());
        List<Leg> legs = heard().legs();
        assertThat(legs).hasSize(2);
        assertThat(legs.get(0).piece().performance().sounds()).allMatch(s -> s.role().equals("melody"));
        Set<Integer> decorated = new HashSet<>();
        legs.get(1).piece().performance().sounds().stream().filter(s -> !s.role().equals("melody")).forEach(s -> decorated.add(s.note()));
        assertThat(decorated).containsExactly(9);
        push(KeyCode.SHIFT, KeyCode.SPACE);
        assertThat(isPlaying()).isFalse();
    }

    @Test
    void twoRungsAreComparedOnAlternatePasses() {
        pace = 16;
        open(true);
        push(KeyCode.CONTROL, KeyCode.M);
        interact(() -> {
            model.trellis().select(4, 2);
            model.listening().setStretch(ListeningState.Extent.BAR);
            ComboBox<Optional<Integer>> against = lookup("#against").query();
            against.setValue(Optional.of(0));
        });
        push(KeyCode.ESCAPE);
        push(KeyCode.SPACE);
        Set<Integer> rungs = new HashSet<>();
        until(() -> {
            model.listening().lit().get().ifPresent(l -> rungs.add(l.rung()));
            return rungs.size() == 2;
        });
        assertThat(rungs).containsExactlyInAnyOrder(4, 0);
    }

    @Test
    void clicksADroneAndACountInAreAdded() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.M);
        clickOn("#metronome");
        clickOn("#counted");
        interact(() -> {
            ComboBox<Backing.Under> under = lookup("#under").query();
            under.setValue(Backing.Under.DRONE);
        });
        push(KeyCode.ESCAPE);
        interact(() -> model.trellis().select(2, 0));
        push(KeyCode.SPACE);
        until(() -> engine.now().isPresent());
        assertThat(heard().backing()).isEqualTo(Backing.USUAL.withMetronome(true).with(Backing.Under.DRONE));
        assertThat(engine.now().orElseThrow().isCountedIn()).as("the reel's pickup comes on the fourth beat").isTrue();
        assertThat(heard().legs().getFirst().countIn().clicks()).hasSize(3);
        push(KeyCode.CONTROL, KeyCode.M);
        clickOn("#room");
        until(() -> heard().backing().equals(Backing.NONE.withMetronome(true).with(Backing.Under.DRONE)));
        assertThat(lookup("#sound").<javafx.scene.control.Button>query().getText()).as("the foot says what is not as usual").contains("dry");
        interact(() -> lookup("#under").<ComboBox<Backing.Under>>query().setValue(Backing.Under.CHORDS));
        assertThat(model.message().get()).isNotEmpty();
    }

    @Test
    void howItIsListenedToIsRemembered() {
        open(true);
        interact(() -> {
            model.listening().setPercent(70);
            model.listening().setMetronome(true);
            model.listening().setLilt(Lilt.byId("dotted"));
        });
        close();
        open(false);
        until(() -> model.trellis().isOpen());
        assertThat(model.listening().state().get().manner().percent()).isEqualTo(70);
        assertThat(model.listening().state().get().manner().backing().metronome()).isTrue();
        assertThat(model.listening().state().get().manner().lilt()).isEqualTo(Lilt.byId("dotted"));
        interact(() -> model.listening().recall(new wildflourish.app.listening.Manner.Kept(50, wildflourish.sound.transport.Backing.Under.NOTHING, false, null, false, "what is this")));
        assertThat(model.listening().state().get().manner().percent()).isEqualTo(70);
        assertThat(model.message().get()).contains("as usual");
    }

    @Test
    void anEditIsHeardWhileItPlays() {
        open(true);
        interact(() -> {
            model.trellis().select(1, 12);
            model.trellis().ornaments().clearNote();
            model.trellis().select(1, 0);
        });
        push(KeyCode.SPACE);
        until(() -> model.listening().lit().get().isPresent());
        interact(() -> model.trellis().select(1, 12));
        assertThat(isPlaying()).as("going to another note does not disturb it").isTrue();
        interact(() -> model.trellis().ornaments().toggleInSight());
        until(() -> heard().legs().getFirst().piece().performance().sounds().stream().anyMatch(s -> s.note() == 12 && !s.role().equals("melody")));
    }

    @Test
    void aDeviceThatVanishesIsReplacedWithANotice() {
        open(true);
        push(KeyCode.SPACE);
        until(() -> model.listening().lit().get().isPresent());
        SimulatedOutput lost = device;
        lost.takeAway();
        until(() -> device != lost);
        until(() -> model.message().get().contains("lost"));
        long written = device.written();
        until(() -> device.written() > written + 4800 && model.listening().lit().get().isPresent());
        assertThat(isPlaying()).isTrue();
    }

    @Test
    void whatIsHeardIsTakenHomeAsWave() throws Exception {
        open(true);
        Path out = folder.resolve("phrase.wav");
        interact(() -> {
            model.trellis().select(4, 3);
            model.listening().setStretch(ListeningState.Extent.PHRASE);
            model.listening().setPercent(50);
        });
        push(KeyCode.CONTROL, KeyCode.E);
        interact(() -> lookup("#path").<TextField>query().setText(out.toString()));
        push(KeyCode.ENTER);
        until(() -> model.message().get().contains("is in"));
        // Two bars and their pickup at half of minim = 88, and a second in which it dies away; 16 bits.
        double seconds = 9 * 60 / 88.0 + 1;
        assertThat(Files.size(out)).isCloseTo(Math.round(seconds * 48_000 * 2) + 44, within(200L));
    }

    @Test
    void aPhraseIsTakenHomeAsMidi() throws Exception {
        open(true);
        Path out = folder.resolve("phrase.mid");
        interact(() -> {
            model.trellis().select(0, 3);
            model.listening().setStretch(ListeningState.Extent.PHRASE);
        });
        push(KeyCode.CONTROL, KeyCode.E);
        interact(() -> lookup("#path").<TextField>query().setText(out.toString()));
        push(KeyCode.ENTER);
        until(() -> model.message().get().contains("is in"));
        long notes = 0;
        long first = Long.MAX_VALUE;
        for (Track track : MidiSystem.getSequence(out.toFile()).getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof ShortMessage m && m.getCommand() == ShortMessage.NOTE_ON && m.getData2() > 0) {
                    notes++;
                    first = Math.min(first, track.get(i).getTick());
                }
            }
        }
        var phrase = wildflourish.core.reading.Phrases.of(model.trellis().state().get().situation().tune()).getFirst();
        assertThat(notes).isEqualTo(phrase.toNote() - phrase.fromNote());
        assertThat(first).as("it begins at once").isZero();
    }

    @Test
    void theRoundsAreHeardFromTheirScreen() {
        pace = 2;
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        until(() -> rounds().written().isPresent());
        push(KeyCode.SPACE);
        until(() -> engine.course().isPresent());
        assertThat(heard().legs().getFirst().lengthMs()).as("three times through").isGreaterThan(3 * 32 * 60_000 / 88.0);
        until(() -> rounds().sounding().get().filter(p -> p.time() == 0 && p.pass() == 0).isPresent());
        assertThat(lookup("#pass-0-0").<Button>query().getPseudoClassStates()).extracting(Object::toString).contains("sounding");
        until(() -> rounds().sounding().get().filter(p -> p.pass() == 1).isPresent());
        assertThat(lookup("#pass-0-0").<Button>query().getPseudoClassStates()).extracting(Object::toString).doesNotContain("sounding");
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        assertThat(isPlaying()).as("another screen is quiet").isFalse();
    }

    @Test
    void aTuneIsHeardFromTheShelf() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        interact(() -> {
            ListView<?> tunes = lookup("#tunes").query();
            tunes.getSelectionModel().select(4);
        });
        push(KeyCode.SPACE);
        until(() -> engine.course().isPresent());
        assertThat(heard().legs().getFirst().piece().situation().tune().tune().title()).isEqualTo("Marram Bending");
        interact(() -> {
            ListView<?> tunes = lookup("#tunes").query();
            tunes.getSelectionModel().select(1);
        });
        push(KeyCode.SPACE);
        until(() -> engine.course().filter(c -> c.itinerary().legs().getFirst().piece().situation().tune().tune().title().startsWith("Six Gulls")).isPresent());
        push(KeyCode.SPACE);
        assertThat(isPlaying()).isFalse();
    }

    @Test
    void aPhraseIsHeardWhereTheTuneIsRead() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        until(() -> reading().state().get() != null);
        interact(() -> reading().select(2));
        push(KeyCode.SPACE);
        until(() -> engine.course().isPresent());
        assertThat(heard().legs().getFirst().piece().performance().sounds()).as("bare").allMatch(s -> s.role().equals("melody"));
        var phrase = reading().state().get().passage().orElseThrow().phrase();
        until(() -> model.listening().lit().get().filter(l -> l.note() >= phrase.fromNote() && l.note() < phrase.toNote()).isPresent());
        until(() -> lookup("#playing-at").<Label>query().getText().matches(".*bar [456].*"));
        until(() -> !isPlaying());
    }

    @Test
    void theVersionIsHeardOnAnotherInstrumentAndAnEditDoesNotDisturbTheRounds() {
        pace = 2;
        open(true);
        interact(() -> model.trellis().select(4, 3));
        push(KeyCode.CONTROL, KeyCode.DIGIT4);
        until(() -> across().state().get() != null && !across().working().get());
        int fiddle = across().state().get().rows().stream().map(r -> r.instrument().id()).toList().indexOf("fiddle");
        interact(() -> across().select(fiddle));
        push(KeyCode.SPACE);
        until(() -> engine.course().isPresent());
        assertThat(heard().legs().getFirst().piece().situation().instrument().id()).isEqualTo("fiddle");
        push(KeyCode.SPACE);
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        until(() -> rounds().written().isPresent());
        clickOn("#play");
        until(() -> engine.course().filter(c -> c.itinerary().legs().getFirst().lengthMs() > 60_000).isPresent());
        var course = engine.course();
        interact(() -> rounds().stepRung(1));
        assertThat(engine.course()).isEqualTo(course);
        assertThat(isPlaying()).isTrue();
    }
}
