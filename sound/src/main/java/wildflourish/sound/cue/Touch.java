package wildflourish.sound.cue;

import wildflourish.core.instrument.Family;

/**
 * How an instrument passes from one sound to the next.
 *
 * @param kind how many sounds it has at once, and what tells them apart
 * @param gapMs a sound that is started afresh is preceded by so much of an ending; common practice, the lengths from memory
 * @param joinMs how long the pitch takes to the next note under the fingers
 */
record Touch(Kind kind, double gapMs, double joinMs) {

    enum Kind {
        /** One sound at a time. */
        PIPE,
        /** Strings that sound as long as the bow is on them. */
        BOW,
        /** Strings that ring on until they are stopped. */
        PLUCK,
        /** As many sounds as buttons are held. */
        REED
    }

    static Touch of(Family family) {
        return switch (family) {
            case NONE, OPEN_HOLE, THUMB_HOLE -> new Touch(Kind.PIPE, 18, 5);
            case CLOSED_CHANTER, NINE_NOTE_CHANTER -> new Touch(Kind.PIPE, 8, 4);
            case BOWED -> new Touch(Kind.BOW, 9, 6);
            case FRETTED -> new Touch(Kind.PLUCK, 0, 3);
            case TWO_WAY_REED, ONE_WAY_REED -> new Touch(Kind.REED, 18, 4);
        };
    }
}
