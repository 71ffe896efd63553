package wildflourish.library;

import java.util.List;
import java.util.Optional;

/**
 * The editions of a tune that undo and redo walk, the first one first.
 *
 * @param at which of them is the current one
 * @param now the current one, whole
 * @param remark what of them could not be read, in words for the teacher
 */
public record Steps(List<EditionEntry> editions, int at, Edition now, Optional<String> remark) {}
