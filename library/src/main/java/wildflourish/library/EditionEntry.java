package wildflourish.library;

/**
 * An edition without its document.
 *
 * @param what what the teacher had just done, in a few words
 * @param madeAt when, as ISO 8601 writes it, in UTC
 */
public record EditionEntry(long id, String what, String madeAt) {}
