package wildflourish.core.instrument;

import java.util.Locale;
import java.util.Optional;

/**
 * A fingering as one types it: {@code xxx xoo}, {@code oxx xxx firm}, {@code x xxx xoxo +}, {@code xxx xox try}.
 *
 * @param breath empty when it was not said
 * @param trial whether it has to be tried
 */
record TypedFingering(Holes holes, Optional<Breath> breath, boolean trial) {

    private static final String TRY = " try";

    /** Reads it; throws {@link IllegalArgumentException} when it names no holes. */
    static TypedFingering read(String typed) {
        String text = typed.strip().toLowerCase(Locale.ROOT);
        boolean trial = text.endsWith(TRY);
        text = trial ? text.substring(0, text.length() - TRY.length()).strip() : text;
        Optional<Breath> breath = Optional.empty();
        for (Breath b : Breath.values()) {
            String word = b.name().toLowerCase(Locale.ROOT);
            if (text.endsWith(word)) {
                breath = Optional.of(b);
                text = text.substring(0, text.length() - word.length()).strip();
            }
        }
        if (text.endsWith("+")) {
            breath = Optional.of(Breath.FIRM);
            text = text.substring(0, text.length() - 1).strip();
        }
        return new TypedFingering(Holes.parse(text), breath, trial);
    }
}
