package wildflourish.sound.input;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.sound.midi.MidiDevice;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Receiver;
import javax.sound.midi.Sequencer;
import javax.sound.midi.Synthesizer;

/** The MIDI keyboards that are plugged in. */
final class MidiKeyboards {

    private MidiKeyboards() {}

    static List<String> names() {
        List<String> names = new ArrayList<>();
        for (MidiDevice.Info info : MidiSystem.getMidiDeviceInfo()) {
            if (keyboard(info).isPresent()) {
                names.add(info.getName());
            }
        }
        return names;
    }

    private static Optional<MidiDevice> keyboard(MidiDevice.Info info) {
        try {
            MidiDevice device = MidiSystem.getMidiDevice(info);
            boolean plays = device.getMaxTransmitters() != 0 && !(device instanceof Sequencer) && !(device instanceof Synthesizer);
            return plays ? Optional.of(device) : Optional.empty();
        } catch (MidiUnavailableException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Opens the first keyboard that can be; its messages go to the receiver until it is closed. */
    static Optional<MidiDevice> open(Receiver receiver) {
        for (MidiDevice.Info info : MidiSystem.getMidiDeviceInfo()) {
            Optional<MidiDevice> found = keyboard(info);
            if (found.isPresent()) {
                try {
                    found.get().open();
                    found.get().getTransmitter().setReceiver(receiver);
                    return found;
                } catch (MidiUnavailableException e) {
                    // Taken by another program: the next one may be free.
                    found.get().close();
                }
            }
        }
        return Optional.empty();
    }
}
