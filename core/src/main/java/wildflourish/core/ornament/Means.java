package wildflourish.core.ornament;

import java.util.List;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.Place;

/** What of a player moves in an elementary part. */
public sealed interface Means {

    /** Nothing of its own: the fingers stay as the note has them, or go together from note to note. */
    record Still() implements Means {}

    /** The finger over a hole, from 1 at the mouth; 0 is the thumb. */
    record Hole(int hole) implements Means {}

    /** Fingers over several holes together. */
    record Holes(List<Integer> holes) implements Means {
        public Holes {
            holes = List.copyOf(holes);
        }
    }

    /** A finger of the left hand on a string, or an open string. */
    record Finger(Place.Stopped at) implements Means {}

    /** A finger on a button. */
    record Press(Place.Pressed at) implements Means {}

    /** A stroke of bow, plectrum or plucking hand; {@code nth} counts the strokes of the note from 0. */
    record Stroke(int nth) implements Means {}

    /** A stroke in its direction. */
    record Directed(boolean down) implements Means {}

    /** The bellows turn. */
    record Turn(Bellows to) implements Means {}

    /** The chanter set back on the knee, which closes its foot. */
    record Knee() implements Means {}

    Means STILL = new Still();
    Means KNEE = new Knee();

    /** The hole whose finger moves; −1 when none does, or several. */
    default int hole() {
        return this instanceof Hole(int hole) ? hole : -1;
    }

    /** Whether a finger, or the chanter on the knee, moves. */
    default boolean isMovement() {
        return switch (this) {
            case Still s -> false;
            case Stroke s -> false;
            case Directed d -> false;
            case Turn t -> false;
            case Knee k -> true;
            case Hole h -> true;
            case Holes h -> true;
            case Finger f -> true;
            case Press p -> true;
        };
    }

    /** Whether both use the same finger, so that the second has to wait for the first. */
    default boolean isSameFingerAs(Means other) {
        return switch (this) {
            case Hole(int hole) -> other instanceof Hole(int same) && same == hole
                    || other instanceof Holes(var holes) && holes.contains(hole);
            case Finger f -> other instanceof Finger(var at) && !at.isOpen() && at.finger() == f.at().finger()
                    && at.index() == f.at().index();
            case Press p -> other instanceof Press(var at) && at.finger() == p.at().finger()
                    && at.button().isOnTheSideOf(p.at().button());
            case Still s -> false;
            case Holes(var holes) -> other instanceof Hole(int one) && holes.contains(one)
                    || other instanceof Holes(var others) && !java.util.Collections.disjoint(holes, others);
            case Stroke s -> false;
            case Directed d -> false;
            case Turn t -> false;
            case Knee k -> other.equals(k);
        };
    }
}
