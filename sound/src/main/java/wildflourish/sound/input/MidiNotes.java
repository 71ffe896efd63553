package wildflourish.sound.input;

import java.util.Optional;
import javax.sound.midi.MidiDevice;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;

/** A MIDI keyboard as a writer's: which keys go down, and when they are let go. */
public final class MidiNotes implements AutoCloseable {

    private final Keys keys;
    private Optional<MidiDevice> device = Optional.empty();

    /** Told what happens, on the keyboard's own thread. */
    public interface Keys {

        /** A key goes down; MIDI 1.0 note number. */
        void down(int midi);

        /** A key is let go. */
        void up(int midi);
    }

    private MidiNotes(Keys keys) {
        this.keys = keys;
    }

    /** Listens to the first keyboard that can be opened. */
    public static Optional<MidiNotes> open(Keys keys) {
        MidiNotes notes = new MidiNotes(keys);
        notes.device = MidiKeyboards.open(notes.receiver());
        return notes.device.map(d -> notes);
    }

    /** Without a keyboard of its own, for whatever sends messages to its receiver. */
    public static MidiNotes unplugged(Keys keys) {
        return new MidiNotes(keys);
    }

    /** Takes a keyboard's messages. */
    public Receiver receiver() {
        return new Receiver() {
            @Override
            public void send(MidiMessage message, long timeStamp) {
                if (message instanceof ShortMessage note) {
                    boolean on = note.getCommand() == ShortMessage.NOTE_ON && note.getData2() > 0;
                    if (on) {
                        keys.down(note.getData1());
                    } else if (note.getCommand() == ShortMessage.NOTE_OFF || note.getCommand() == ShortMessage.NOTE_ON) {
                        keys.up(note.getData1());
                    }
                }
            }

            @Override
            public void close() {}
        };
    }

    @Override
    public void close() {
        device.ifPresent(MidiDevice::close);
    }
}
