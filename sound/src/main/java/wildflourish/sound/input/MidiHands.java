package wildflourish.sound.input;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.DoubleSupplier;
import javax.sound.midi.MidiDevice;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import wildflourish.core.practice.Expected;

/** A MIDI keyboard: every key that goes down is an onset, whichever it is. Notes of one grip count once. */
public final class MidiHands implements Tapper {

    /** Keys that go down within so many milliseconds are one grip; two onsets closer than this are not told apart by ear. */
    private static final double GRIP_MS = 20;

    private Optional<MidiDevice> device = Optional.empty();
    private final DoubleSupplier clock;
    private final ConcurrentLinkedQueue<Double> onsets = new ConcurrentLinkedQueue<>();
    private double latest = Double.NEGATIVE_INFINITY;

    private MidiHands(DoubleSupplier clock) {
        this.clock = clock;
    }

    /** The names of the keyboards that are plugged in. */
    public static List<String> keyboards() {
        return MidiKeyboards.names();
    }

    /**
     * Listens to the first keyboard that can be opened.
     *
     * @param clock the present moment of the stretch; asked on the keyboard's own thread
     */
    public static Optional<MidiHands> open(DoubleSupplier clock) {
        MidiHands hands = new MidiHands(clock);
        hands.device = MidiKeyboards.open(hands.receiver());
        return hands.device.map(d -> hands);
    }

    /** Without a keyboard of its own, for whatever sends messages to its receiver. */
    public static MidiHands unplugged(DoubleSupplier clock) {
        return new MidiHands(clock);
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
