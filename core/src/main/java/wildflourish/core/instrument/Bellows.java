package wildflourish.core.instrument;

/** Which way the bellows go. */
public enum Bellows {
    /** They close. */
    PUSH,
    /** They open. */
    PULL;

    public Bellows other() {
        return this == PUSH ? PULL : PUSH;
    }

    public String word() {
        return this == PUSH ? "push" : "pull";
    }
}
