package wildflourish.library;

import java.util.Optional;

/**
 * A new edition.
 *
 * @param meanwhile the edition that another program had made the current one since this one's parent; both are kept
 */
public record Saved(Edition edition, Optional<EditionEntry> meanwhile) {}
