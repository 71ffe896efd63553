package wildflourish.core.tune;

/** A line of information about a tune that nothing is computed from: its letter and its text. */
public record Field(char letter, String text) {}
