package wildflourish.score.engrave;

import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.planning.Air;
import wildflourish.core.planning.Breaths;
import wildflourish.core.practice.PlayingAdvice;

/**
 * Marks in the fingering strip that depend on the tempo.
 *
 * @param breathAfter notes after which one breathes
 * @param breathFor weak notes left out for a breath
 * @param air notes with which the air button is held
 * @param strokes whether the strokes of bow or plectrum are shown
 */
public record Aids(Set<Integer> breathAfter, Set<Integer> breathFor, Set<Integer> air, boolean strokes) {

    public static final Aids NONE = new Aids(Set.of(), Set.of(), Set.of(), true);
    /** Places alone, without what a tune asks of arms and lungs. */
    public static final Aids PLACES_ONLY = new Aids(Set.of(), Set.of(), Set.of(), false);

    /** The marks of whatever breath or bellows a player has to mind. */
    public static Aids of(PlayingAdvice advice) {
        return advice.breaths().map(Aids::of).or(() -> advice.air().map(Aids::of)).orElse(NONE);
    }

    /** The marks of a wind player's breaths. */
    public static Aids of(Breaths breaths) {
        return new Aids(
                breaths.marks().stream().filter(m -> m.room() == Breaths.Room.REST || m.room() == Breaths.Room.SHORTEN).map(Breaths.Mark::note)
                        .collect(Collectors.toSet()),
                breaths.marks().stream().filter(m -> m.room() == Breaths.Room.DROP).map(Breaths.Mark::note)
                        .collect(Collectors.toSet()),
                Set.of(), true);
    }

    /** The marks of the air button. */
    public static Aids of(Air air) {
        return new Aids(Set.of(), Set.of(), air.uses().stream().map(Air.Use::note).collect(Collectors.toSet()), true);
    }
}
