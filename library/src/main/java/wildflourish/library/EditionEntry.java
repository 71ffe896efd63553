package wildflourish.library;

/**
 * An edition without its document.
 *
 * @param what what the teacher had just done, in a few words
 */
public record EditionEntry(long id, String what) {}
