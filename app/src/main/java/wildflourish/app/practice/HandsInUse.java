package wildflourish.app.practice;

import java.util.Optional;
import java.util.function.DoubleSupplier;
import wildflourish.core.practice.Calibration;
import wildflourish.core.practice.SimulatedStudent;
import wildflourish.sound.input.KeyHands;
import wildflourish.sound.input.MidiHands;
import wildflourish.sound.input.SimulatedHands;
import wildflourish.sound.input.Tapper;

/** Whoever plays at present, and how late the keys tell of it. */
final class HandsInUse {

    private static final long SEED = 5;

    private final DoubleSupplier clock;
    private final KeyHands keys = new KeyHands(Calibration.NONE);
    private Calibration calibration = Calibration.NONE;
    private Tapper hands = keys;
    private HandsChoice of = HandsChoice.KEYS;

    /** With the present moment of the turn, which a keyboard asks for on a thread of its own. */
    HandsInUse(DoubleSupplier clock) {
        this.clock = clock;
    }

    Tapper now() {
        return hands;
    }

    Calibration calibration() {
        return calibration;
    }

    void calibrated(Calibration found) {
        calibration = found;
        keys.setCalibration(found);
    }

    /** Takes other hands; whether they are there. Those made up begin anew. */
    boolean take(HandsChoice who) {
        keys.setCalibration(calibration);
        if (who.equals(of) && !who.isMadeUp()) {
            return true;
        }
        hands.close();
        Optional<? extends Tapper> taken = who.equals(HandsChoice.KEYS) ? Optional.of(keys)
                : who.equals(HandsChoice.MIDI) ? MidiHands.open(clock)
                : Optional.of(new SimulatedHands(SimulatedStudent.byId(who.id()), SEED));
        hands = taken.isPresent() ? taken.get() : keys;
        of = taken.isPresent() ? who : HandsChoice.KEYS;
        return taken.isPresent();
    }

    /** Takes the keys as they are, their delay left on, to find it. */
    void takeKeysToCalibrate() {
        take(HandsChoice.KEYS);
        keys.setCalibration(Calibration.NONE);
    }

    /** A key went down at a moment of the turn; of no meaning where others play. */
    void tap(double ms) {
        if (of.equals(HandsChoice.KEYS)) {
            keys.tap(ms);
        }
    }
}
