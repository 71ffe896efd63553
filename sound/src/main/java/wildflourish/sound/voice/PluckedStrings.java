package wildflourish.sound.voice;

import java.util.Arrays;
import wildflourish.sound.cue.Cue;

/**
 * Plucked strings: a burst of noise that goes round in a delay as long as the note's period, losing its high partials on the way
 * (K. Karplus and A. Strong, "Digital synthesis of plucked-string and drum timbres", Computer Music Journal 7, 1983), with the
 * string tuned between samples and the place of the pluck heard (D. A. Jaffe and J. O. Smith, "Extensions of the Karplus-Strong
 * plucked-string algorithm", same volume), through the resonances of the body. A finger that hits or leaves the string changes
 * its length while it rings and adds little of its own.
 */
final class PluckedStrings implements Voice {

    private static final int STRINGS = 8;
    private static final int LONGEST = 2048;
    private static final double WAVE_SEMITONES = 0.12;
    private static final double PLUCKED_AT = 0.18;

    private static final double UNEVEN = 0.1;

    private final Noise hand = new Noise(503);
    private final VoiceData data;
    private final Plucked[] strings;
    private final int courses;
    private final Filter[] body;
    private final double gain;
    private final Noise noise = new Noise(41);

    /** One string. */
    private final class Plucked {
        private final float[] line = new float[LONGEST];
        private final Pitch pitch = new Pitch(WAVE_SEMITONES, false);
        private final double detune;
        private int write;
        private double length = 100;
        private double wanted = 100;
        private double hz = 440;
        private double loss = 0.5;
        private double keep = 0.99;
        private double damping = 1;
        private double last;
        private double dull;
        private double strength;
        private int burst;
        private int burstLength;
        private int tick;
        private double loudness;
        private boolean ringing;

        private Plucked(double detuneCents) {
            detune = detuneCents / 100;
        }

        private void start(double to, double overMs, double how, boolean soft) {
            if (soft && ringing) {
                pitch.move(to, overMs);
            } else {
                pitch.jump(to);
            }
            retune(!soft || !ringing);
            ringing = true;
            damping = 1;
            tick = 0;
            burstLength = (int) Math.round(length);
            burst = burstLength;
            strength = how;
            loudness = Math.max(loudness, how);
        }

        /** Length of the delay and losses of the loop for the present pitch. */
        private void retune(boolean now) {
            hz = VoiceData.hertz(pitch.next() + detune);
            double w = 2 * Math.PI * hz / RATE;
            // The averaging of neighbours delays by this much at the note's own frequency: exact for a filter of two taps.
            double delay = Math.atan2(loss * Math.sin(w), 1 - loss + loss * Math.cos(w)) / w;
            double magnitude = Math.sqrt((1 - loss) * (1 - loss) + loss * loss + 2 * loss * (1 - loss) * Math.cos(w));
            wanted = RATE / hz - delay;
            length = now ? wanted : length;
            double seconds = data.ringS() * Math.sqrt(440 / hz);
            keep = Math.min(0.9999, Math.pow(0.001, 1 / (hz * seconds)) / magnitude);
        }

        private double next() {
            if (tick == 0) {
                if (pitch.isMoving() || length != wanted) {
                    retune(false);
                }
                tick = Pitch.EVERY;
            }
            tick--;
            length += (wanted - length) * 0.06;
            if (Math.abs(wanted - length) < 1e-5) {
                length = wanted;
            }
            double out = read(length);
            double averaged = (1 - loss) * out + loss * last;
            last = out;
            double in = averaged * keep * damping;
            if (burst > 0) {
                in = in * (1 - 0.6 * strength) + excite();
                burst--;
            }
            write = (write + 1) & (LONGEST - 1);
            line[write] = (float) in;
            loudness = Math.max(Math.abs(in), loudness * 0.9997);
            if (loudness < 3e-5) {
                ringing = false;
                Arrays.fill(line, 0);
                loudness = 0;
            }
            return in;
        }

        /** Noise, dulled, less what has come back from the bridge since. */
        private double excite() {
            double fresh = noise.next();
            double bright = Math.clamp(data.bright() * (0.4 + 0.6 * strength), 0.05, 1);
            dull += (fresh - dull) * bright;
            int position = burstLength - burst;
            int back = (int) (PLUCKED_AT * burstLength);
            double shape = Math.min(1, position / 8.0);
            return shape * strength * (dull - (position >= back ? 0.6 * line[(write - back) & (LONGEST - 1)] : 0));
        }

        /** The line so many samples ago, between samples by a cubic through four (Lagrange). */
        private double read(double samples) {
            double exact = Math.clamp(samples - 1, 2, LONGEST - 4);
            int whole = (int) exact;
            double d = exact - whole + 1;
            int at = write - whole + 1;
            double x0 = line[at & (LONGEST - 1)];
            double x1 = line[(at - 1) & (LONGEST - 1)];
            double x2 = line[(at - 2) & (LONGEST - 1)];
            double x3 = line[(at - 3) & (LONGEST - 1)];
            double c0 = -(d - 1) * (d - 2) * (d - 3) / 6;
            double c1 = d * (d - 2) * (d - 3) / 2;
            double c2 = -d * (d - 1) * (d - 3) / 2;
            double c3 = d * (d - 1) * (d - 2) / 6;
            return c0 * x0 + c1 * x1 + c2 * x2 + c3 * x3;
        }
    }

    PluckedStrings(VoiceData data) {
        this.data = data;
        this.gain = data.gain();
        this.courses = data.twoCents() > 0 ? 2 : 1;
        strings = new Plucked[STRINGS * courses];
        for (int i = 0; i < strings.length; i++) {
            strings[i] = new Plucked(courses == 1 ? 0 : (i % 2 == 0 ? -0.5 : 0.5) * data.twoCents());
        }
        body = data.resonances().stream().map(Filter::peak).toArray(Filter[]::new);
    }

    @Override
    public void take(Cue cue) {
        for (int i = 0; i < strings.length; i++) {
            if (cue.lane() == Cue.ALL || cue.lane() == i / courses) {
                take(cue, strings[i]);
            }
        }
    }

    /** No two plucks are quite as strong as one another. */
    private double even() {
        return 1 + UNEVEN * hand.next();
    }

    private void take(Cue cue, Plucked string) {
        switch (cue.kind()) {
            case ATTACK -> string.start(cue.pitch(), cue.overMs(), cue.strength() * even(), false);
            case SOFT, JOIN -> string.start(cue.pitch(), cue.overMs(), cue.strength() * even(), true);
            case BEND -> {
                string.pitch.move(cue.pitch(), cue.overMs());
                string.retune(false);
                string.tick = 0;
            }
            case STOP -> string.damping = Math.pow(0.001, 1 / (string.hz * data.releaseMs() / 1000));
            case WAVE -> string.pitch.wave(true);
            case STILL -> string.pitch.wave(false);
            case SWELL, TURN -> { }
        }
    }

    @Override
    public void render(float[] into, int from, int to) {
        if (isSilent()) {
            return;
        }
        for (int i = from; i < to; i++) {
            double sum = 0;
            for (Plucked string : strings) {
                if (string.ringing) {
                    sum += string.next();
                }
            }
            for (Filter resonance : body) {
                sum = resonance.next(sum);
            }
            into[i] += (float) (gain * sum / courses);
        }
    }

    @Override
    public boolean isSilent() {
        for (Plucked string : strings) {
            if (string.ringing) {
                return false;
            }
        }
        return true;
    }
}
