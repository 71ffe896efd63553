package wildflourish.sound.input;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import org.junit.jupiter.api.Test;
import wildflourish.core.practice.Calibration;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.SimulatedStudent;

class HandsTest {

    private final Expected expected = Expected.pattern(List.of(250.0), 8);

    @Test
    void tapsAreGivenOnceWithTheKeyboardsDelayTakenOff() {
        KeyHands keys = new KeyHands(new Calibration(30, 4, 8));
        keys.begin(expected, 0);
        keys.tap(30);
        keys.tap(285);
        assertThat(keys.upTo(300)).containsExactly(0.0, 255.0);
        assertThat(keys.upTo(400)).isEmpty();
        keys.tap(500);
        keys.begin(expected, 1);
        assertThat(keys.upTo(600)).as("a tap of the pass before does not count in the next").isEmpty();
    }

    @Test
    void aMidiKeyboardsNotesAreOnsetsAndAGripIsOne() throws InvalidMidiDataException {
        double[] now = {0};
        MidiHands midi = MidiHands.unplugged(() -> now[0]);
        Receiver receiver = midi.receiver();
        midi.begin(expected, 0);
        send(receiver, ShortMessage.NOTE_ON, 60, 80);
        now[0] = 6;
        send(receiver, ShortMessage.NOTE_ON, 64, 80);
        now[0] = 100;
        send(receiver, ShortMessage.NOTE_OFF, 60, 0);
        send(receiver, ShortMessage.NOTE_ON, 64, 0);
        send(receiver, ShortMessage.CONTROL_CHANGE, 64, 127);
        now[0] = 251;
        send(receiver, ShortMessage.NOTE_ON, 60, 20);
        assertThat(midi.upTo(300)).containsExactly(0.0, 251.0);
    }

    private static void send(Receiver receiver, int command, int one, int two) throws InvalidMidiDataException {
        receiver.send(new ShortMessage(command, 0, one, two), -1);
    }

    @Test
    void askingForKeyboardsNeedsNone() {
        assertThat(MidiHands.keyboards()).isNotNull();
    }

    @Test
    void aSimulatedStudentPlaysAsTimeGoes() {
        SimulatedHands hands = new SimulatedHands(SimulatedStudent.byId("steady"), 3);
        hands.begin(expected, 0);
        List<Double> early = hands.upTo(600);
        List<Double> late = hands.upTo(5000);
        assertThat(early).hasSizeBetween(2, 3).allMatch(ms -> ms <= 600);
        assertThat(late).allMatch(ms -> ms > 600);
        assertThat(early.size() + late.size()).isEqualTo(8);
    }
}
