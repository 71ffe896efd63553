package wildflourish.score.handout;

/** What a sheet is printed on. The sizes are those of ISO 216 and ANSI/ASME Y14.1, in millimetres. */
public enum Paper {
    A4("A4", 210, 297), LETTER("Letter", 215.9, 279.4);

    private final String words;
    private final double width;
    private final double height;

    Paper(String words, double width, double height) {
        this.words = words;
        this.width = width;
        this.height = height;
    }

    /** For reading. */
    public String words() {
        return words;
    }

    /** In millimetres. */
    public double width() {
        return width;
    }

    /** In millimetres. */
    public double height() {
        return height;
    }
}
