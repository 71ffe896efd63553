package wildflourish.formats.musicxml;

import java.util.List;
import wildflourish.core.tune.Ratio;

/**
 * What stands over the stave and goes with the next note.
 *
 * @param onset where in the measure
 * @param stave the stave that it is written for, from 1; 0 where the score does not say
 * @param voice the voice that it is written for; empty where the score does not say
 */
record Over(Ratio onset, What what, int stave, String voice) {

    /** What it is. */
    sealed interface What {
        /** A chord symbol. */
        record Chord(String symbol) implements What {}

        /** Words with their placement sign in front. */
        record Text(String words) implements What {}

        /** A sign by its decoration's name. */
        record Sign(String name) implements What {}
    }

    /**
     * Whether a voice shows it. Signs are every voice's, because they may say where to read on; words and chords stand once, over the voice that they are written for, and over
     * the first of the part where that is none.
     *
     * @param all the voices of the part, the first first
     */
    boolean isFor(Measure.VoiceId id, List<Measure.VoiceId> all) {
        if (what instanceof What.Sign) {
            return true;
        }
        List<Measure.VoiceId> meant = all.stream().filter(v -> !voice.isEmpty() && voice.equals(v.voice()) && (stave == 0 || stave == v.staff())).toList();
        return (meant.isEmpty() ? all : meant).getFirst().equals(id);
    }

    Over atTheBar() {
        return new Over(Ratio.ZERO, what, stave, voice);
    }
}
