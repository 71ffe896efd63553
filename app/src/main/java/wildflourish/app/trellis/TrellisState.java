package wildflourish.app.trellis;

import java.util.List;
import wildflourish.core.growth.Candidate;
import wildflourish.core.growth.Candidates;
import wildflourish.core.ornament.Situation;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.setting.Arrangement;

/**
 * Everything the trellis shows, as one value.
 *
 * @param tune id of the tune in the library
 * @param rung the rung in hand
 * @param note the note in hand
 * @param advice strokes, breath and air of the rung in hand
 * @param ranked what the note can take, the best first
 */
public record TrellisState(
        long tune,
        Arrangement arrangement,
        Situation situation,
        Candidates candidates,
        PlayingAdvice advice,
        int rung,
        int note,
        List<Candidate> ranked,
        boolean canUndo,
        boolean canRedo) {

    /** Whether an ornament stands on the note in hand on the rung in hand. */
    public boolean stands(String ornament) {
        return arrangement.ladder().setting(rung).has(note, ornament);
    }
}
