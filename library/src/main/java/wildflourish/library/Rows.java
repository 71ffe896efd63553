package wildflourish.library;

import java.util.List;

/**
 * What a table of the library holds.
 *
 * @param read the rows that could be read, in order
 * @param unread what could not, in words for the teacher; such rows are left in the file as they are
 */
public record Rows<T>(List<T> read, List<String> unread) {}
