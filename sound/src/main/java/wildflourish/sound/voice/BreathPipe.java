package wildflourish.sound.voice;

import wildflourish.sound.cue.Cue;

/**
 * Whistle, flute, recorder: few harmonics and breath noise around the note (additive synthesis for the tone, subtractive for the
 * breath). Only the tongue starts the sound; fingers bend the pitch of the air that goes on sounding, and a small dip with a puff
 * of noise is heard as they land. Pitch and loudness wander a little with the breath, and what is blown softer sounds darker.
 */
final class BreathPipe implements Voice {

    private static final double WAVE_SEMITONES = 0.3;
    private static final double LANDING_DIP = 0.82;
    /** Blown softly a pipe loses what lies above so many times its note, down to this share. */
    private static final double DARK = 1.5;
    private static final double BRIGHT = 0.35;

    private final VoiceData data;
    private final Pitch pitch = new Pitch(WAVE_SEMITONES, true);
    private final Level level = new Level();
    private final Level chiff = new Level();
    private final Harmonics tone;
    private final Noise noise = new Noise(17);
    private final Filter breath = Filter.band(800, 2);
    /** Breath is never quite even: cents of pitch, and shares of loudness. */
    private final Wander pitchWanders = new Wander(101, 0.012);
    private final Wander levelWanders = new Wander(103, 0.05);
    private final double gain;
    private double even = 1;
    private double dark;
    private double darkens;
    private int tick;
    private boolean sounding;

    BreathPipe(VoiceData data) {
        this.data = data;
        this.tone = new Harmonics(data, data.most());
        this.gain = data.gain();
    }

    @Override
    public void take(Cue cue) {
        switch (cue.kind()) {
            case ATTACK -> start(cue.pitch(), cue.strength());
            case SOFT, JOIN -> {
                if (sounding) {
                    land(cue.pitch(), cue.overMs());
                } else {
                    start(cue.pitch(), 0.85);
                }
            }
            case BEND -> {
                pitch.move(cue.pitch(), cue.overMs());
                tick = 0;
            }
            case STOP -> {
                sounding = false;
                level.go(0, data.releaseMs());
            }
            case WAVE -> pitch.wave(true);
            case SWELL -> level.swell(true);
            case STILL -> {
                pitch.wave(false);
                level.swell(false);
            }
            case TURN -> { }
        }
    }

    private void start(double to, double strength) {
        boolean fresh = level.isSilent();
        sounding = true;
        pitch.jump(to);
        tick = 0;
        level.go(strength, data.attackMs());
        puff(1);
        if (fresh) {
            retune();
            tone.settled();
        }
    }

    private void land(double to, double overMs) {
        pitch.move(to, overMs);
        tick = 0;
        level.dip(LANDING_DIP);
        puff(0.25);
    }

    /** A puff of noise that dies away. */
    private void puff(double strength) {
        chiff.go(strength, 0.2);
        chiff.next();
        chiff.next();
        chiff.go(0, 22);
    }

    private void retune() {
        double hz = VoiceData.hertz(pitch.next() + pitchWanders.next());
        even = 1 + levelWanders.next();
        darkens = 1 - Math.exp(-2 * Math.PI * DARK * hz / RATE);
        tone.tune(hz);
        breath.tuneBand(hz * 1.02, 3);
    }

    @Override
    public void render(float[] into, int from, int to) {
        if (isSilent()) {
            return;
        }
        for (int i = from; i < to; i++) {
            if (tick == 0) {
                retune();
                tone.settle();
                tick = Pitch.EVERY;
            }
            tick--;
            double blown = level.next() * even;
            double sound = tone.next();
            dark += (sound - dark) * darkens;
            double bright = Math.clamp(BRIGHT + (1 - BRIGHT) * blown, 0, 1);
            double air = breath.next(noise.next()) * (data.noise() * blown + 0.6 * data.noise() * chiff.next() * 4);
            into[i] += (float) (gain * ((bright * sound + (1 - bright) * dark) * blown + air));
        }
    }

    @Override
    public boolean isSilent() {
        return level.isSilent();
    }
}
