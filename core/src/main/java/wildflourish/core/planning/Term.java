package wildflourish.core.planning;

import java.util.Locale;

/** What can cost a player something on the way from one note to the next; its weight and words are data. */
enum Term {
    FINGER_MOVED, CONTRARY, REGISTER, HALF_HOLE, FORK, TRIAL, SECOND_CHOICE, AGAINST_SCHOOL,
    STRING_CROSSING, THERE_AND_BACK, STRING_SKIPPED, OPEN_STRING, FOURTH_FINGER, EXTENSION, HAND_SHAPE, FINGER_SET, FINGER_HOPS,
    SHIFT, SHIFT_FRET, HIGH_POSITION, SHORT_STRING, STRETCH,
    BELLOWS_CHANGE, BELLOWS_KEPT, ROW_CHANGE, SAME_FINGER, REPEATED_FINGER, OFF_HOME, ACCIDENTAL_ROW, WEAK_FINGER, CROSSED_FINGERS, BELLOWS_TRAVEL,
    FIGURE, ODD_FINGERING, AGAINST_HABIT;

    String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
