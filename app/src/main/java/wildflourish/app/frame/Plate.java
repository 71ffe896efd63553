package wildflourish.app.frame;

/**
 * What stands on a screen's door.
 *
 * @param id what it is kept under; never changes
 * @param words what it is called on the rail
 * @param question the question it answers
 * @param key its key, as {@link Keys#of(String)} reads it
 * @param drawing on the rail: the path of a line in a square of 24 by 24
 */
public record Plate(String id, String words, String question, String key, String drawing) {}
