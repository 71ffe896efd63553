package wildflourish.app.practice;

import java.util.Optional;
import java.util.concurrent.ForkJoinPool;
import java.util.function.DoubleSupplier;
import wildflourish.core.practice.Calibration;
import wildflourish.sound.input.KeyHands;
import wildflourish.sound.input.MidiHands;
import wildflourish.sound.input.SimulatedHands;
import wildflourish.sound.input.Tapper;
import wildflourish.sound.microphone.ComputerMicrophone;
import wildflourish.sound.microphone.Listener;
import wildflourish.sound.microphone.MadeUpMicrophone;

/** Whoever plays at present, and how late the keys, or the microphone, tell of it. */
final class HandsInUse {

    private static final long SEED = 5;

    private final DoubleSupplier clock;
    private final KeyHands keys = new KeyHands(Calibration.NONE);
    private Calibration calibration = Calibration.NONE;
    private Calibration ofMicrophone = Calibration.NONE;
    private Tapper hands = keys;
    private HandsChoice of = HandsChoice.KEYS;

    /** With the present moment of the turn, which a keyboard asks for on a thread of its own. */
    HandsInUse(DoubleSupplier clock) {
        this.clock = clock;
    }

    Tapper now() {
        return hands;
    }

    /** Who listens, where somebody does. */
    Optional<Listener> listener() {
        return hands instanceof Listener listener ? Optional.of(listener) : Optional.empty();
    }

    /** How late the keys tell of what is played, or the microphone where that is chosen. */
    Calibration calibration(HandsChoice who) {
        return who.equals(HandsChoice.MICROPHONE) ? ofMicrophone : calibration;
    }

    Calibration ofKeys() {
        return calibration;
    }

    Calibration ofMicrophone() {
        return ofMicrophone;
    }

    /** What was found of the hands in use. */
    void calibrated(Calibration found) {
        if (of.equals(HandsChoice.MICROPHONE)) {
            known(calibration, found);
        } else {
            known(found, ofMicrophone);
        }
    }

    /** What is known of both. */
    void known(Calibration forKeys, Calibration forMicrophone) {
        calibration = forKeys;
        ofMicrophone = forMicrophone;
        takeOff();
    }

    private void takeOff() {
        keys.setCalibration(calibration);
        listener().filter(l -> of.equals(HandsChoice.MICROPHONE)).ifPresent(l -> l.setDelay(ofMicrophone.delayMs()));
    }

    /** Takes other hands; whether they are there. Those made up begin anew. */
    boolean take(HandsChoice who) {
        if (who.equals(of) && !who.isMadeUp()) {
            takeOff();
            return true;
        }
        hands.close();
        Optional<? extends Tapper> taken = who.equals(HandsChoice.KEYS) ? Optional.of(keys)
                : who.equals(HandsChoice.MIDI) ? MidiHands.open(clock)
                : who.equals(HandsChoice.MICROPHONE) ? ComputerMicrophone.open().map(Listener::new)
                : Optional.of(who.isHeard() ? new Listener(new MadeUpMicrophone(who.student(), SEED, ForkJoinPool.commonPool())) : new SimulatedHands(who.student(), SEED));
        hands = taken.isPresent() ? taken.get() : keys;
        of = taken.isPresent() ? who : HandsChoice.KEYS;
        takeOff();
        return taken.isPresent();
    }

    /** Takes the keys as they are, or the microphone where that plays, the delay left on, to find it; whether they are there. */
    boolean takeToCalibrate(HandsChoice who) {
        boolean there = take(who.equals(HandsChoice.MICROPHONE) ? who : HandsChoice.KEYS);
        keys.setCalibration(Calibration.NONE);
        listener().ifPresent(l -> l.setDelay(0));
        return there;
    }

    /** A microphone is not listened to while nobody practises; it is taken again when somebody does. */
    void letGo() {
        if (of.equals(HandsChoice.MICROPHONE)) {
            take(HandsChoice.KEYS);
        }
    }

    /** A key went down at a moment of the turn; of no meaning where others play. */
    void tap(double ms) {
        if (of.equals(HandsChoice.KEYS)) {
            keys.tap(ms);
        }
    }
}
