package wildflourish.sound.transport;

import wildflourish.sound.cue.Cue;
import wildflourish.sound.voice.Voice;

/** The metronome: a short knock, higher on the first beat of a bar. The cue's pitch is the beat's strength, 0 to 3. */
final class Clicks implements Voice {

    private double phase;
    private double turn;
    private double level;
    private double rise;

    @Override
    public void take(Cue cue) {
        if (cue.kind() == Cue.Kind.ATTACK) {
            double hz = cue.pitch() >= 3 ? 1760 : cue.pitch() >= 1 ? 1320 : 1175;
            turn = 2 * Math.PI * hz / RATE;
            phase = 0;
            level = 0.35 * cue.strength() * (cue.pitch() >= 3 ? 1.25 : 1);
            rise = 0;
        }
    }

    @Override
    public void render(float[] into, int from, int to) {
        for (int i = from; i < to && !isSilent(); i++) {
            rise = Math.min(1, rise + 1.0 / 48);
            into[i] += (float) (level * rise * (Math.sin(phase) + 0.4 * Math.sin(2.7 * phase)));
            phase += turn;
            level *= 0.9988;
        }
    }

    @Override
    public boolean isSilent() {
        return level < 1e-4;
    }
}
