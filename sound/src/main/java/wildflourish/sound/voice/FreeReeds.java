package wildflourish.sound.voice;

import wildflourish.sound.cue.Cue;

/**
 * Free reeds with bellows: each button a tone of many harmonics (additive synthesis), or two of them a little apart that beat. The
 * pitch of a reed never glides; when the bellows turn, everything breathes: it ebbs and comes back.
 */
final class FreeReeds implements Voice {

    private static final int BUTTONS = 8;
    private static final double TURNED = 0.12;

    private final VoiceData data;
    private final Reed[] reeds = new Reed[BUTTONS];
    private final Level bellows = new Level();
    /** No arm draws quite evenly. */
    private final Wander armWanders = new Wander(307, 0.05);
    private final double gain;
    private int untilBack = -1;
    private double even = 1;
    private int tick;

    /** One button. */
    private final class Reed {
        private final Harmonics low = new Harmonics(data, data.most());
        private final Harmonics high = new Harmonics(data, data.most());
        private final Level level = new Level();
        private int tick;

        private void start(double pitch, double strength) {
            level.go(strength, data.attackMs());
            double apart = data.twoCents() / 200;
            low.tune(VoiceData.hertz(pitch - apart));
            low.settled();
            if (apart > 0) {
                high.tune(VoiceData.hertz(pitch + apart));
                high.settled();
            }
        }

        private double next() {
            if (tick == 0) {
                low.steady();
                high.steady();
                tick = 512;
            }
            tick--;
            double sound = data.twoCents() > 0 ? (low.next() + high.next()) * 0.7 : low.next();
            return sound * level.next();
        }
    }

    FreeReeds(VoiceData data) {
        this.data = data;
        this.gain = data.gain();
        for (int i = 0; i < BUTTONS; i++) {
            reeds[i] = new Reed();
        }
        bellows.go(1, 0.1);
    }

    @Override
    public void take(Cue cue) {
        switch (cue.kind()) {
            case ATTACK, SOFT, JOIN -> {
                if (cue.lane() >= 0) {
                    reeds[cue.lane()].start(cue.pitch(), cue.kind() == Cue.Kind.JOIN ? Math.max(0.85, cue.strength()) : Math.max(0.7, cue.strength()));
                }
            }
            case STOP -> {
                for (int i = 0; i < BUTTONS; i++) {
                    if (cue.lane() == Cue.ALL || cue.lane() == i) {
                        reeds[i].level.go(0, data.releaseMs());
                    }
                }
            }
            case TURN -> {
                bellows.go(TURNED, cue.overMs() / 3);
                untilBack = (int) (cue.overMs() / 1000 * RATE);
            }
            case BEND, WAVE, SWELL, STILL -> { }
        }
    }

    @Override
    public void render(float[] into, int from, int to) {
        if (isSilent()) {
            bellows.go(1, 0.1);
            untilBack = -1;
            return;
        }
        for (int i = from; i < to; i++) {
            if (untilBack >= 0 && untilBack-- == 0) {
                bellows.go(1, data.attackMs());
            }
            if (tick == 0) {
                even = 1 + armWanders.next();
                tick = Pitch.EVERY;
            }
            tick--;
            double sum = 0;
            for (Reed reed : reeds) {
                if (!reed.level.isSilent()) {
                    sum += reed.next();
                }
            }
            into[i] += (float) (gain * sum * bellows.next() * even);
        }
    }

    @Override
    public boolean isSilent() {
        for (Reed reed : reeds) {
            if (!reed.level.isSilent()) {
                return false;
            }
        }
        return true;
    }
}
