package wildflourish.app.trellis;

import java.util.List;
import java.util.Optional;
import wildflourish.core.growth.Candidate;
import wildflourish.core.growth.Candidates;
import wildflourish.core.growth.Relief;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Unfolding;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Setting;

/**
 * Everything the trellis shows, as one value.
 *
 * @param tune id of the tune in the library
 * @param rung the rung in hand
 * @param note the note in hand
 * @param situation the tune in hand with its places planned bare
 * @param hands the same with its places planned together with the ornaments of the rung in hand
 * @param advice strokes, breath and air of the rung in hand
 * @param ranked what the note can take, the best first
 * @param looking id of the ornament that is looked at; empty where there is none
 */
public record TrellisState(
        long tune,
        Arrangement arrangement,
        Situation situation,
        Situation hands,
        Candidates candidates,
        PlayingAdvice advice,
        int rung,
        int note,
        List<Candidate> ranked,
        Optional<String> looking,
        boolean canUndo,
        boolean canRedo) {

    /** Whether an ornament stands on the note in hand on the rung in hand. */
    public boolean stands(String ornament) {
        return arrangement.ladder().setting(rung).has(note, ornament);
    }

    /** The setting of the rung in hand. */
    public Setting setting() {
        return arrangement.ladder().setting(rung);
    }

    /** The candidate that is looked at. */
    public Optional<Candidate> inSight() {
        return looking.flatMap(id -> ranked.stream().filter(c -> c.ornament().id().equals(id)).findFirst());
    }

    /** What to do about the note in hand, where its ornaments together are not clean. */
    public Optional<Relief> relief() {
        return hands.tune().size() == 0 ? Optional.empty()
                : Relief.of(hands, note, setting(), arrangement.tempo(), arrangement.speeds());
    }

    /** The gesture that an ornament makes here together with what stands beside it; empty where hands cannot do it. */
    public Optional<Gesture> gesture(Candidate candidate) {
        return candidates.gesture(note, candidate.ornament(), setting());
    }

    /** The same unfolded in time. */
    public Optional<Unfolding> unfolding(Candidate candidate) {
        return gesture(candidate).map(g -> Unfolding.of(g, hands.tune().note(note).pitch(), arrangement.tempo(),
                arrangement.speeds(), hands.strokes().at(note)));
    }
}
