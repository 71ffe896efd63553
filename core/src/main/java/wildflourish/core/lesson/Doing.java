package wildflourish.core.lesson;

/** What is done in a stretch of a lesson, in the order in which teachers go about a tune. */
public enum Doing {
    TUNE_UP("Tune up"),
    WHOLE("Whole"),
    SLOW("Bare and slow"),
    TRAP("Before it bites"),
    PHRASE("Phrase"),
    JOIN("Join"),
    STUCK("What is stuck"),
    ORNAMENT("Ornament"),
    TOGETHER("All together"),
    TAKE_HOME("To take home"),
    REST("Rest");

    private final String words;

    Doing(String words) {
        this.words = words;
    }

    /** For a heading. */
    public String words() {
        return words;
    }
}
