package wildflourish.sound.voice;

import java.util.stream.IntStream;

/**
 * A tone as the sum of its harmonics (additive synthesis: J.-C. Risset and M. V. Mathews, "Analysis of musical-instrument tones",
 * Physics Today 22, 1969). One sine and cosine turn step by step; the harmonics follow from them by the recurrence
 * sin (n+2)x = 2 cos 2x · sin nx − sin (n−2)x. Harmonics above 0.45 of the rate are left out, so that none folds back. Amplitudes
 * that are changed are reached within some hundred samples.
 */
final class Harmonics {

    private final double[] partials;
    private final Body body;
    private final double[] wanted;
    private final double[] now;
    private int used;
    private int wantedUsed;
    private double sine;
    private double cosine = 1;
    private double turnSine;
    private double turnCosine = 1;
    private double tuned = -1;

    Harmonics(VoiceData data, int most) {
        int even = most + most % 2;
        this.partials = IntStream.rangeClosed(1, even).mapToDouble(data::partial).toArray();
        this.body = new Body(data.resonances());
        this.wanted = new double[even];
        this.now = new double[even];
    }

    /** Tunes the tone; harmonics take the levels that the body gives them at this pitch. */
    void tune(double hz) {
        steady();
        if (hz == tuned) {
            return;
        }
        tuned = hz;
        double angle = 2 * Math.PI * hz / Voice.RATE;
        turnSine = Math.sin(angle);
        turnCosine = Math.cos(angle);
        wantedUsed = (int) Math.clamp(Math.floor(0.45 * Voice.RATE / hz), 1, wanted.length);
        double sum = 0;
        for (int n = 1; n <= wanted.length; n++) {
            wanted[n - 1] = n <= wantedUsed ? partials[n - 1] * body.lift(n * hz) : 0;
            sum += wanted[n - 1] * wanted[n - 1];
        }
        // Equal power at every pitch.
        double scale = 1 / Math.sqrt(sum);
        for (int n = 0; n < wanted.length; n++) {
            wanted[n] *= scale;
        }
    }

    /** Takes out what rounding adds to the turning over a long time. */
    void steady() {
        double length = Math.sqrt(sine * sine + cosine * cosine);
        sine /= length;
        cosine /= length;
    }

    /** Brings the amplitudes nearer to what they should be; called every few samples. */
    void settle() {
        used = wantedUsed;
        for (int n = 0; n < now.length; n++) {
            now[n] += (wanted[n] - now[n]) * 0.25;
            used = now[n] > 1e-5 && n + 1 > used ? n + 1 : used;
        }
    }

    /** Amplitudes as they should be, at once: for a tone that starts from silence. */
    void settled() {
        System.arraycopy(wanted, 0, now, 0, now.length);
        used = wantedUsed;
    }

    /** The next sample, of about unit power. */
    double next() {
        double s = sine * turnCosine + cosine * turnSine;
        cosine = cosine * turnCosine - sine * turnSine;
        sine = s;
        // Odd and even harmonics each by their own recurrence over two steps, so that one need not wait for the other.
        double twice = 2 * cosine * cosine - 2 * s * s;
        double oddBefore = -s;
        double odd = s;
        double evenBefore = 0;
        double even = 2 * s * cosine;
        double sum = 0;
        double sumEven = 0;
        for (int n = 0; n < used; n += 2) {
            sum += now[n] * odd;
            sumEven += now[n + 1] * even;
            double nextOdd = twice * odd - oddBefore;
            double nextEven = twice * even - evenBefore;
            oddBefore = odd;
            evenBefore = even;
            odd = nextOdd;
            even = nextEven;
        }
        return sum + sumEven;
    }
}
