package wildflourish.score.display;

/** The faces text is set in. */
public enum Face {
    SANS, SANS_BOLD, SERIF, SERIF_BOLD, SERIF_ITALIC
}
