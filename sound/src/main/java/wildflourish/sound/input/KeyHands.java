package wildflourish.sound.input;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.practice.Calibration;
import wildflourish.core.practice.Expected;

/** Taps on a key of the computer; the keyboard's own delay is taken off. */
public final class KeyHands implements Tapper {

    private final List<Double> taps = new ArrayList<>();
    private Calibration calibration;

    /** With the delay of the keyboard as far as it is known. */
    public KeyHands(Calibration calibration) {
        this.calibration = calibration;
    }

    public void setCalibration(Calibration measured) {
        calibration = measured;
    }

    /** A key went down; {@code nowMs} is when the program noticed. */
    public synchronized void tap(double nowMs) {
        taps.add(nowMs - calibration.delayMs());
    }

    @Override
    public String name() {
        return "keys";
    }

    @Override
    public synchronized void begin(Expected expected, int pass) {
        taps.clear();
    }

    @Override
    public synchronized List<Double> upTo(double nowMs) {
        List<Double> made = List.copyOf(taps);
        taps.clear();
        return made;
    }
}
