package wildflourish.sound.voice;

import wildflourish.sound.cue.Cue;

/**
 * A chanter with a double reed and its drones: many harmonics under the resonances of the bore (additive synthesis with a source
 * and filter spectrum, after J. A. Moorer, "Signal processing aspects of computer music", Proceedings of the IEEE 65, 1977). The
 * reed has one loudness; fingers change pitch and nothing else. Drones sound from their start to the end of everything.
 */
final class ReedPipe implements Voice {

    private static final double WAVE_SEMITONES = 0.2;

    private final VoiceData data;
    private final Pitch pitch = new Pitch(WAVE_SEMITONES, true);
    /** The bag is never pressed quite evenly, and the reed's pitch tells of it. */
    private final Wander bagWanders = new Wander(401, 0.012);
    private final Level level = new Level();
    private final Level drones = new Level();
    private final Harmonics tone;
    private final Harmonics[] drone;
    private final double gain;
    private final double droneGain;
    private int tick;
    private int untilSteady;
    private boolean sounding;

    ReedPipe(VoiceData data, int lowest) {
        this.data = data;
        this.tone = new Harmonics(data, data.most());
        this.gain = data.gain();
        this.droneGain = gain * VoiceData.decibels(data.dronesDb()) / Math.sqrt(Math.max(1, data.drones().size()));
        this.drone = new Harmonics[data.drones().size()];
        for (int i = 0; i < drone.length; i++) {
            drone[i] = new Harmonics(data, data.most() / 2);
            drone[i].tune(VoiceData.hertz(lowest + data.drones().get(i)));
            drone[i].settled();
        }
    }

    @Override
    public void take(Cue cue) {
        if (cue.lane() == Cue.DRONES) {
            drones.go(cue.isStart() ? 1 : 0, 60);
            return;
        }
        switch (cue.kind()) {
            case ATTACK, SOFT, JOIN -> {
                if (sounding && cue.kind() != Cue.Kind.ATTACK) {
                    pitch.move(cue.pitch(), cue.overMs());
                } else {
                    boolean fresh = level.isSilent();
                    pitch.jump(cue.pitch());
                    level.go(1, data.attackMs());
                    if (fresh) {
                        retune();
                        tone.settled();
                    }
                }
                sounding = true;
                tick = 0;
            }
            case BEND -> {
                pitch.move(cue.pitch(), cue.overMs());
                tick = 0;
            }
            case STOP -> {
                sounding = false;
                level.go(0, data.releaseMs());
                if (cue.lane() == Cue.ALL) {
                    drones.go(0, 40);
                }
            }
            case WAVE -> pitch.wave(true);
            case STILL -> pitch.wave(false);
            case SWELL, TURN -> { }
        }
    }

    private void retune() {
        tone.tune(VoiceData.hertz(pitch.next() + bagWanders.next()));
    }

    @Override
    public void render(float[] into, int from, int to) {
        boolean chanter = !level.isSilent();
        boolean below = !drones.isSilent();
        if (!chanter && !below) {
            return;
        }
        for (int i = from; i < to; i++) {
            double sum = 0;
            if (chanter) {
                if (tick == 0) {
                    retune();
                    tone.settle();
                    tick = Pitch.EVERY;
                }
                tick--;
                sum = gain * tone.next() * level.next();
            }
            if (below) {
                if (untilSteady-- == 0) {
                    untilSteady = 4096;
                    for (Harmonics one : drone) {
                        one.steady();
                    }
                }
                double all = 0;
                for (Harmonics one : drone) {
                    all += one.next();
                }
                sum += droneGain * all * drones.next();
            }
            into[i] += (float) sum;
        }
    }

    @Override
    public boolean isSilent() {
        return level.isSilent() && drones.isSilent();
    }
}
