package wildflourish.sound.voice;

import java.util.List;

/** The resonances of a tube, a box or a head, as numbers that are read while it sounds. */
final class Body {

    private final double[] hz;
    private final double[] q;
    private final double[] lifts;

    Body(List<VoiceData.Resonance> resonances) {
        hz = resonances.stream().mapToDouble(VoiceData.Resonance::hz).toArray();
        q = resonances.stream().mapToDouble(VoiceData.Resonance::q).toArray();
        lifts = resonances.stream().mapToDouble(r -> VoiceData.decibels(r.db()) - 1).toArray();
    }

    /** By how much it lifts a frequency: the product of its resonances. */
    double lift(double frequency) {
        double lift = 1;
        for (int i = 0; i < hz.length; i++) {
            double x = q[i] * (frequency / hz[i] - hz[i] / frequency);
            lift *= 1 + lifts[i] / (1 + x * x);
        }
        return lift;
    }
}
