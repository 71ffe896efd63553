package wildflourish.core.ornament;

import wildflourish.core.tune.Pitch;

/** Why the hands cannot do an ornament on a note, whatever the tempo. */
public sealed interface Obstacle {

    /** Every hole is open. */
    record NoFingerToLift(Pitch pitch) implements Obstacle {}

    /** No hole is open below. */
    record NothingBelow(Pitch pitch) implements Obstacle {}

    /** A cran on a note that has an open hole below. */
    record HoleBelow(Pitch pitch) implements Obstacle {}

    /** No glide leads into the note, for the given reason. */
    record NoGlide(Pitch pitch, String because) implements Obstacle {}

    /** The note is shorter or longer than the ornament is made for. */
    record WrongLength(String wanted) implements Obstacle {}

    /** The next note is not a third away. */
    record NoThirdAhead() implements Obstacle {}

    /** No finger pops between these two notes. */
    record NoPop(Pitch from, Pitch to) implements Obstacle {}

    /** Nothing follows that it could lead to. */
    record NothingFollows() implements Obstacle {}

    /** The note is tied over and does not start here. */
    record HeldOver() implements Obstacle {}

    /** The instrument does not have the note. */
    record NotOnInstrument(String why) implements Obstacle {}

    /** Another ornament of the stack takes the same instant. */
    record Clash(String other) implements Obstacle {}

    /** No instrument has been chosen. */
    record NoHands() implements Obstacle {}

    /** In the teacher's words, to stand alone as a sentence without its full stop. */
    default String inWords() {
        return switch (this) {
            case NoFingerToLift(var pitch) ->
                "%s leaves every hole open: there is no finger to cut with".formatted(pitch.spoken());
            case NothingBelow(var pitch) ->
                "%s has no open hole below it: nothing to tap; a cran does the same work".formatted(pitch.spoken());
            case HoleBelow(var pitch) ->
                "%s has an open hole below it: a roll does this work better".formatted(pitch.spoken());
            case NoGlide(var pitch, var because) -> "no slide into %s: %s".formatted(pitch.spoken(), because);
            case WrongLength(var wanted) -> wanted;
            case NoThirdAhead() -> "the next note is not a third away";
            case NoPop(var from, var to) ->
                "no finger pops between %s and %s".formatted(from.spoken(), to.spoken());
            case NothingFollows() -> "no note follows to lead to";
            case HeldOver() -> "this note is held over from the one before and does not start here";
            case NotOnInstrument(var why) -> why;
            case Clash(var other) -> "the %s already takes this instant".formatted(other);
            case NoHands() -> "choose an instrument first";
        };
    }
}
