package wildflourish.core.ornament;

import java.util.List;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.tune.Pitch;

/** Why the hands cannot do an ornament on a note, whatever the tempo. */
public sealed interface Obstacle {

    /** Every hole is open. */
    record NoFingerToLift(Pitch pitch) implements Obstacle {}

    /** No finger that leaves its hole makes the note sound higher. */
    record SoundsNoHigher(Pitch pitch) implements Obstacle {}

    /** No hole is open below; {@code crans} where a cran does the work. */
    record NothingBelow(Pitch pitch, boolean crans) implements Obstacle {}

    /** Two fingers are to strike and fewer than two holes are open below. */
    record OneHoleBelow(Pitch pitch) implements Obstacle {}

    /** A cran above the two lowest notes of the pipes. */
    record CranTooHigh(Pitch pitch) implements Obstacle {}

    /** The note is made by the hand that would have to be free to shade it. */
    record NoOffHand(Pitch pitch) implements Obstacle {}

    /** A finger that is to pop does not lie on its hole on the note landed on. */
    record NotDown(String finger, Pitch to) implements Obstacle {}

    /** The finger has only just come up, or down, for the note itself. */
    record FingerJustMoved(String finger, boolean up) implements Obstacle {}

    /** A cran on a note that has an open hole below. */
    record HoleBelow(Pitch pitch) implements Obstacle {}

    /** No glide leads into the note, for the given reason. */
    record NoGlide(Pitch pitch, String because) implements Obstacle {}

    /** The note is shorter or longer than the ornament is made for. */
    record WrongLength(String wanted) implements Obstacle {}

    /** The ornament is made for other notes. */
    record WrongNote(List<Pitch> only) implements Obstacle {}

    /** The next note is not a third away. */
    record NoThirdAhead() implements Obstacle {}

    /** No finger pops between these two notes. */
    record NoPop(Pitch from, Pitch to) implements Obstacle {}

    /** Fewer than two fingers change over between these two notes. */
    record NoCrossing(Pitch from, Pitch to) implements Obstacle {}

    /** No fork lies above that a held finger makes possible. */
    record NoFork(Pitch pitch) implements Obstacle {}

    /** The pipes make no such grace on this note. */
    record NoSuchGrace(Pitch grace, Pitch note) implements Obstacle {}

    /** The note is an open string, and the ornament needs a finger on it. */
    record OpenString(Pitch pitch, String wanted) implements Obstacle {}

    /** The helping note does not lie on the string, under a finger that is free. */
    record NotOnString(Pitch helper, String string) implements Obstacle {}

    /** Nothing that could sound along lies under the hand. */
    record NoSecondNote(String wanted, String because) implements Obstacle {}

    /** The helping note is on no button while the bellows go this way. */
    record WrongBellows(Pitch helper, Bellows direction) implements Obstacle {}

    /** The helping note is on no free finger. */
    record NoFreeFinger(Pitch helper) implements Obstacle {}

    /** Nothing follows that it could lead to. */
    record NothingFollows() implements Obstacle {}

    /** Nothing goes before that it could come from. */
    record NothingBefore() implements Obstacle {}

    /** The note before is another one than it needs. */
    record WrongNoteBefore(String wanted) implements Obstacle {}

    /** The note is tied over and does not start here. */
    record HeldOver() implements Obstacle {}

    /** The instrument does not have the note. */
    record NotOnInstrument(String why) implements Obstacle {}

    /** Another ornament of the stack takes the same instant. */
    record Clash(String other) implements Obstacle {}

    /** One ornament of the stack is made without the other. */
    record MadeWithout(String one, String other) implements Obstacle {}

    /** The tune has graces of its own on the note. */
    record OwnGrace() implements Obstacle {}

    /** An open string would ring that is not in the key. */
    record DroneOutOfKey(Pitch string, String key, String remedy) implements Obstacle {}

    /** An ornament of the neighbouring note takes the same instant. */
    record ClashWithNeighbour(String other, boolean before) implements Obstacle {}

    /** It can be done the first time through, and not where the note comes again between other notes. */
    record OnRepeat(Obstacle what) implements Obstacle {}

    /** No instrument has been chosen. */
    record NoHands() implements Obstacle {}

    /** Whether the same note played at another place might allow it. */
    default boolean dependsOnPlace() {
        return switch (this) {
            case NoFingerToLift o -> true;
            case SoundsNoHigher o -> true;
            case NothingBelow o -> true;
            case OneHoleBelow o -> true;
            case CranTooHigh o -> false;
            case NoOffHand o -> false;
            case NotDown o -> false;
            case FingerJustMoved o -> true;
            case HoleBelow o -> false;
            case NoGlide o -> true;
            case WrongLength o -> false;
            case WrongNote o -> false;
            case NoThirdAhead o -> false;
            case NoPop o -> true;
            case NoCrossing o -> true;
            case NoFork o -> false;
            case NoSuchGrace o -> false;
            case OpenString o -> true;
            case NotOnString o -> true;
            case NoSecondNote o -> true;
            case WrongBellows o -> true;
            case NoFreeFinger o -> true;
            case NothingFollows o -> false;
            case NothingBefore o -> false;
            case WrongNoteBefore o -> true;
            case HeldOver o -> false;
            case NotOnInstrument o -> false;
            case Clash o -> false;
            case MadeWithout o -> false;
            case OwnGrace o -> false;
            case DroneOutOfKey o -> false;
            case ClashWithNeighbour o -> false;
            case OnRepeat(var what) -> what.dependsOnPlace();
            case NoHands o -> false;
        };
    }

    /** In the teacher's words, to stand alone as a sentence without its full stop. */
    default String inWords() {
        return switch (this) {
            case NoFingerToLift(var pitch) ->
                "%s leaves every hole open: there is no finger to cut with".formatted(pitch.spoken());
            case SoundsNoHigher(var pitch) ->
                "no finger that leaves its hole makes %s sound higher: a cut needs one that does".formatted(pitch.spoken());
            case NothingBelow(var pitch, var crans) -> "%s has no open hole below it: nothing to tap%s".formatted(
                    pitch.spoken(), crans ? "; a cran does the same work" : "");
            case OneHoleBelow(var pitch) ->
                "two fingers strike together, and fewer than two holes are open below %s".formatted(pitch.spoken());
            case CranTooHigh(var pitch) ->
                "%s is no note for a cran: crans belong to the two lowest notes of the chanter".formatted(pitch.spoken());
            case NoOffHand(var pitch) ->
                "the lower hand makes %s itself: no free hand is left to shade it".formatted(pitch.spoken());
            case NotDown(var finger, var to) ->
                "the %s does not lie on its hole on %s: nothing can pop".formatted(finger, to.spoken());
            case FingerJustMoved(var finger, var up) ->
                "the %s has only just come %s for this note".formatted(finger, up ? "up" : "down");
            case HoleBelow(var pitch) ->
                "%s has an open hole below it: a roll does this work better".formatted(pitch.spoken());
            case NoGlide(var pitch, var because) -> "no slide into %s: %s".formatted(pitch.spoken(), because);
            case WrongLength(var wanted) -> wanted;
            case WrongNote(var only) -> "is made for %s alone".formatted(
                    String.join(" and ", only.stream().map(Pitch::spoken).toList()));
            case NoThirdAhead() -> "the next note is not a third away";
            case NoPop(var from, var to) ->
                "no finger pops between %s and %s".formatted(from.spoken(), to.spoken());
            case NoCrossing(var from, var to) ->
                "no fingers cross between %s and %s: there is nothing to overlap".formatted(from.spoken(), to.spoken());
            case NoFork(var pitch) -> "no fork lies above %s with a finger held down".formatted(pitch.spoken());
            case NoSuchGrace(var grace, var note) ->
                "%s cannot be graced with %s: that finger is not down, or sounds no higher".formatted(
                        note.spoken(), grace.spoken());
            case OpenString(var pitch, var wanted) ->
                "%s is an open string here: no finger to %s with".formatted(pitch.spoken(), wanted);
            case NotOnString(var helper, var string) ->
                "%s is not under a free finger on the %s string".formatted(helper.spoken(), string);
            case NoSecondNote(var wanted, var because) -> "no %s here: %s".formatted(wanted, because);
            case WrongBellows(var helper, var direction) ->
                "%s is on no button while the bellows %s".formatted(helper.spoken(),
                        direction == Bellows.PUSH ? "close" : "open");
            case NoFreeFinger(var helper) -> "no free finger reaches %s from here".formatted(helper.spoken());
            case NothingFollows() -> "no note follows to lead to";
            case NothingBefore() -> "no note goes before to come from";
            case WrongNoteBefore(var wanted) -> wanted;
            case HeldOver() -> "this note is held over from the one before and does not start here";
            case NotOnInstrument(var why) -> why;
            case Clash(var other) -> "the %s already takes this instant".formatted(other);
            case MadeWithout(var one, var other) -> "a %s is made without %s".formatted(one, other);
            case OwnGrace() -> "the tune has a grace of its own here";
            case DroneOutOfKey(var string, var key, var remedy) ->
                "the open string rings %s, which is not in %s; %s".formatted(string.spoken(), key, remedy);
            case ClashWithNeighbour(var other, var before) ->
                "the %s of the note %s takes the same instant".formatted(other, before ? "before" : "after");
            case OnRepeat(var what) -> "on the repeat, " + what.inWords();
            case NoHands() -> "choose an instrument first";
        };
    }
}
