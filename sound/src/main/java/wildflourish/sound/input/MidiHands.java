package wildflourish.sound.input;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.DoubleSupplier;
import javax.sound.midi.MidiDevice;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Receiver;
import javax.sound.midi.Sequencer;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Synthesizer;
import wildflourish.core.practice.Expected;

/** A MIDI keyboard: every key that goes down is an onset, whichever it is. Notes of one grip count once. */
public final class MidiHands implements Tapper {

    /** Keys that go down within so many milliseconds are one grip; two onsets closer than this are not told apart by ear. */
    private static final double GRIP_MS = 20;

    private final Optional<MidiDevice> device;
    private final DoubleSupplier clock;
    private final ConcurrentLinkedQueue<Double> onsets = new ConcurrentLinkedQueue<>();
    private double latest = Double.NEGATIVE_INFINITY;

    private MidiHands(Optional<MidiDevice> device, DoubleSupplier clock) {
        this.device = device;
        this.clock = clock;
    }

    /** The names of the keyboards that are plugged in. */
    public static List<String> keyboards() {
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

    /**
     * Listens to the first keyboard that can be opened.
     *
     * @param clock the present moment of the stretch; asked on the keyboard's own thread
     */
    public static Optional<MidiHands> open(DoubleSupplier clock) {
        for (MidiDevice.Info info : MidiSystem.getMidiDeviceInfo()) {
            Optional<MidiDevice> found = keyboard(info);
            if (found.isPresent()) {
                try {
                    MidiHands hands = new MidiHands(found, clock);
                    found.get().open();
                    found.get().getTransmitter().setReceiver(hands.receiver());
                    return Optional.of(hands);
                } catch (MidiUnavailableException e) {
                    // Taken by another program: the next one may be free.
                    found.get().close();
                }
            }
        }
        return Optional.empty();
    }

    /** Without a keyboard of its own, for whatever sends messages to its receiver. */
    public static MidiHands unplugged(DoubleSupplier clock) {
        return new MidiHands(Optional.empty(), clock);
    }

    /** Takes a keyboard's messages. */
    public Receiver receiver() {
        return new Receiver() {
            @Override
            public void send(MidiMessage message, long timeStamp) {
                if (message instanceof ShortMessage note && note.getCommand() == ShortMessage.NOTE_ON && note.getData2() > 0) {
                    down(clock.getAsDouble());
                }
            }

            @Override
            public void close() {}
        };
    }

    private synchronized void down(double ms) {
        if (Math.abs(ms - latest) >= GRIP_MS) {
            latest = ms;
            onsets.add(ms);
        }
    }

    @Override
    public String name() {
        return "midi";
    }

    @Override
    public synchronized void begin(Expected expected, int pass) {
        onsets.clear();
        latest = Double.NEGATIVE_INFINITY;
    }

    @Override
    public List<Double> upTo(double nowMs) {
        List<Double> made = new ArrayList<>();
        for (Double onset = onsets.poll(); onset != null; onset = onsets.poll()) {
            made.add(onset);
        }
        return made;
    }

    @Override
    public void close() {
        device.ifPresent(MidiDevice::close);
    }
}
