package wildflourish.score.handout;

/** Something that can be on a take-home sheet. */
public enum SheetItem {
    MUSIC("the version on staves"), BARE("the bare tune below it"), STRIP("fingers under the notes"), HOW("how each ornament is done"),
    PRACTICE("boxes for practice"), CARE("cautions"), STEPS("a step list"), FINGERS("a page that is only fingers"),
    AS_FINGERED("notes written as they are fingered");

    private final String words;

    SheetItem(String words) {
        this.words = words;
    }

    /** For reading. */
    public String words() {
        return words;
    }
}
