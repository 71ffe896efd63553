package wildflourish.core.ornament;

import java.util.List;

/**
 * A setting played on an instrument at a tempo: what is heard and what the hands do, repeats played out.
 *
 * @param durationMs from the first beat to the end of the last bar
 */
public record Performance(List<Sound> sounds, List<HandMove> moves, double durationMs) {

    public Performance {
        sounds = List.copyOf(sounds);
        moves = List.copyOf(moves);
    }

    /** The notes of the tune itself. */
    public List<Sound> melody() {
        return sounds.stream().filter(s -> s.role().equals(Sound.MELODY)).toList();
    }
}
