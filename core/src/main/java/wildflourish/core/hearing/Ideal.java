package wildflourish.core.hearing;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Sound;

/**
 * What a performance would sound like to perfect ears. An ornament is known by what its own performance sounds like, so that one that is new to the vocabulary is heard too.
 */
final class Ideal {

    private static final float SOUNDING = -20;
    private static final float SILENT = -120;

    private Ideal() {}

    static Heard of(Performance performance, double hopMs) {
        int frames = (int) Math.ceil(performance.durationMs() / hopMs) + 1;
        float[] midi = new float[frames];
        float[] level = new float[frames];
        float[] attack = new float[frames];
        Arrays.fill(midi, Float.NaN);
        Arrays.fill(level, SILENT);
        List<Sound> sounds = performance.sounds().stream().sorted(Comparator.comparingDouble(Sound::atMs)).toList();
        for (Sound sound : sounds) {
            boolean starts = sound.start() == Sound.Start.ATTACK || sound.start() == Sound.Start.SOFT;
            if (starts || sound.start() == Sound.Start.JOINED) {
                fill(midi, level, hopMs, sound, (share, underneath) -> sound.midi());
                int at = (int) Math.round(sound.atMs() / hopMs);
                if (starts && at < frames) {
                    attack[at] = sound.start() == Sound.Start.ATTACK ? 1 : 0.5f;
                }
            }
        }
        for (Sound sound : sounds) {
            switch (sound.start()) {
                case WITHIN -> fill(midi, level, hopMs, sound, (share, underneath) -> sound.midi());
                case GLIDE -> fill(midi, level, hopMs, sound, (share, underneath) -> sound.midi() + share * (underneath - sound.midi()));
                case GLIDE_AWAY -> fill(midi, level, hopMs, sound, (share, underneath) -> underneath + share * (sound.midi() - underneath));
                case ATTACK, JOINED, SOFT, ALONG, WAVING, SWELLING -> { }
            }
        }
        return new Heard(hopMs, midi, level, attack);
    }

    /** The pitch at a share of a sound's time, over the pitch that is there without it. */
    private interface Bend {
        double pitch(double share, double underneath);
    }

    private static void fill(float[] midi, float[] level, double hopMs, Sound sound, Bend bend) {
        int from = (int) Math.round(sound.atMs() / hopMs);
        int to = Math.min(midi.length, Math.max(from + 1, (int) Math.round((sound.atMs() + sound.forMs()) / hopMs)));
        for (int f = Math.max(0, from); f < to; f++) {
            double underneath = Float.isNaN(midi[f]) ? sound.midi() : midi[f];
            midi[f] = (float) bend.pitch((double) (f - from) / Math.max(1, to - from), underneath);
            level[f] = SOUNDING;
        }
    }
}
