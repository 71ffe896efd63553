package wildflourish.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.tune.Tempo;

/**
 * A setting as it is played: its variations in the tune, its places planned for its ornaments. Whatever judges a version
 * judges this.
 *
 * @param varied the tune with the variations, and how its notes answer to the plain ones
 * @param situation that tune in the hands of the instrument
 */
public record AsPlayed(Varied varied, Situation situation) {

    /** {@code plain} is the tune without variations, its places planned for the bare notes. */
    public static AsPlayed of(Situation plain, Setting setting) {
        return new Versions(plain).of(setting);
    }

    /** What stands on the notes as they are counted now, by their index. */
    public Map<Integer, List<Ornament>> placed() {
        return varied.setting().ornaments(situation.vocabulary());
    }

    /** The verdict on everything that stands on a note of the plain tune, together; a note without ornaments has none. */
    public Optional<Verdict> verdict(int note, Tempo tempo, Speeds speeds) {
        int now = varied.now(note);
        List<Ornament> stack = on(now);
        return stack.isEmpty() ? Optional.empty()
                : Optional.of(Playability.of(situation, now, stack, this::on, tempo, speeds));
    }

    /** As {@link #verdict}, its neighbours left bare. */
    public Optional<Verdict> alone(int note, Tempo tempo, Speeds speeds) {
        int now = varied.now(note);
        return on(now).isEmpty() ? Optional.empty() : Optional.of(Playability.of(situation, now, on(now), tempo, speeds));
    }

    /** Whether a note is played under the same conditions in another version: the same places, and the same around it. */
    public boolean isAlikeAround(int note, AsPlayed other) {
        if (situation != other.situation) {
            return false;
        }
        int now = varied.now(note);
        for (int n = Math.max(0, now - 1); n <= now + 1; n++) {
            if (!varied.setting().at(n).equals(other.varied.setting().at(n))) {
                return false;
            }
        }
        return true;
    }

    /** Whether the plan has a note of the plain tune where what stands on it can be done. */
    public boolean liesWell(int note) {
        int now = varied.now(note);
        return !(Gestures.make(situation, now, on(now)) instanceof Making.Made(var gesture)) || !gesture.moved();
    }

    private List<Ornament> on(int now) {
        return varied.setting().ornaments(now, situation.vocabulary());
    }
}
