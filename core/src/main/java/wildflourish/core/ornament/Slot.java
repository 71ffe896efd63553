package wildflourish.core.ornament;

/** Where on its note an ornament acts. Approach takes two (a slide, then a cut on landing), every other slot one. */
public enum Slot {
    /** How the note starts. */
    STROKE(1),
    /** What comes just before or into it. */
    APPROACH(2),
    /** What replaces the held sound. */
    BODY(1),
    /** What sounds with it; runs along with every other slot. */
    COMPANY(1),
    /** How it leaves. */
    EXIT(1);

    private final int room;

    Slot(int room) {
        this.room = room;
    }

    /** How many ornaments it holds. */
    public int room() {
        return room;
    }
}
