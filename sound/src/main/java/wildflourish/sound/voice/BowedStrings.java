package wildflourish.sound.voice;

import wildflourish.sound.cue.Cue;

/**
 * Strings under a bow: the sawtooth of a string that sticks to the bow and slips (H. von Helmholtz, "On the Sensations of Tone"),
 * its step rounded off so that nothing folds back (polynomial band-limited step: V. Välimäki and A. Huovilainen, "Antialiasing
 * oscillators in subtractive synthesis", IEEE Signal Processing Magazine 24, 2007), through the resonances of the body
 * (subtractive synthesis). A new stroke makes the sound dip and bite; a slur only moves the pitch.
 */
final class BowedStrings implements Voice {

    private static final int STRINGS = 8;
    private static final double WAVE_SEMITONES = 0.16;
    /** As a stroke begins the bow's noise is so many times stronger, and dies away within so many milliseconds. */
    private static final double BITE = 5;
    private static final double BITES_MS = 18;
    /** Samples that the body rings on for after the last string. */
    private static final int TAIL = RATE / 10;

    private final VoiceData data;
    private final Bowed[] strings = new Bowed[STRINGS];
    private final Filter[] body;
    private final Filter soft = Filter.low(5200, 0.6);
    private final Noise noise = new Noise(29);
    private final Filter hiss = Filter.band(3100, 0.8);
    private final Level bite = new Level();
    private final double gain;
    private int tail;

    /** One string. */
    private final class Bowed {
        private final Pitch pitch = new Pitch(WAVE_SEMITONES, false);
        private final Level level = new Level();
        private final Wander pitchWanders;
        private final Wander levelWanders;
        private double even = 1;
        private double phase;
        private double turn;
        private boolean sounding;
        private int tick;

        private Bowed(int seed) {
            pitchWanders = new Wander(seed, 0.015);
            levelWanders = new Wander(seed + 1, 0.06);
        }

        private void start(Cue cue, boolean accent) {
            pitch.jump(cue.pitch());
            sounding = true;
            tick = 0;
            tail = TAIL;
            if (accent) {
                bite.go(1, 0.2);
                bite.next();
                bite.next();
                bite.go(0, BITES_MS);
            }
            level.go(cue.kind() == Cue.Kind.ATTACK ? cue.strength() : 0.9, accent ? data.attackMs() : data.attackMs() * 0.7);
        }

        private double next() {
            if (tick == 0) {
                turn = VoiceData.hertz(pitch.next() + pitchWanders.next()) / RATE;
                even = 1 + levelWanders.next();
                tick = Pitch.EVERY;
            }
            tick--;
            phase += turn;
            if (phase >= 1) {
                phase -= 1;
            }
            return (2 * phase - 1 - step()) * level.next() * even;
        }

        /** What the rounded step takes off around the jump of the sawtooth. */
        private double step() {
            if (phase < turn) {
                double t = phase / turn;
                return t + t - t * t - 1;
            }
            if (phase > 1 - turn) {
                double t = (phase - 1) / turn;
                return t * t + t + t + 1;
            }
            return 0;
        }
    }

    BowedStrings(VoiceData data) {
        this.data = data;
        this.gain = data.gain();
        for (int i = 0; i < STRINGS; i++) {
            strings[i] = new Bowed(211 + 2 * i);
        }
        body = data.resonances().stream().map(Filter::peak).toArray(Filter[]::new);
    }

    @Override
    public void take(Cue cue) {
        if (cue.lane() == Cue.ALL) {
            if (cue.kind() == Cue.Kind.STOP) {
                for (Bowed string : strings) {
                    stop(string);
                }
            }
            return;
        }
        if (cue.lane() < 0) {
            return;
        }
        Bowed string = strings[cue.lane()];
        switch (cue.kind()) {
            case ATTACK -> string.start(cue, true);
            case SOFT, JOIN -> {
                if (string.sounding) {
                    string.pitch.move(cue.pitch(), cue.overMs());
                    string.tick = 0;
                } else {
                    string.start(cue, false);
                }
            }
            case BEND -> {
                string.pitch.move(cue.pitch(), cue.overMs());
                string.tick = 0;
            }
            case STOP -> stop(string);
            case WAVE -> string.pitch.wave(true);
            case SWELL -> string.level.swell(true);
            case STILL -> {
                string.pitch.wave(false);
                string.level.swell(false);
            }
            case TURN -> { }
        }
    }

    private void stop(Bowed string) {
        string.sounding = false;
        string.level.go(0, data.releaseMs());
    }

    @Override
    public void render(float[] into, int from, int to) {
        for (int i = from; i < to && tail > 0; i++) {
            tail--;
            double sum = 0;
            double bowed = 0;
            for (Bowed string : strings) {
                if (!string.level.isSilent()) {
                    tail = TAIL;
                    sum += string.next();
                    bowed += string.level.now();
                }
            }
            sum = soft.next(sum + hiss.next(noise.next()) * data.noise() * bowed * (1 + BITE * bite.next()));
            for (Filter resonance : body) {
                sum = resonance.next(sum);
            }
            into[i] += (float) (gain * sum);
        }
    }

    @Override
    public boolean isSilent() {
        return tail == 0;
    }
}
