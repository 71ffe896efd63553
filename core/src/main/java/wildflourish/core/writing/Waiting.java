package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Ornaments that could not stay on a note when it was put right, and wait for it to be one that can have them. They are kept as lines
 * of the arrangement's document.
 *
 * @param instrument the id of the instrument whose ladder they stood on
 * @param rung from 1
 * @param note index in the tune
 * @param ornaments their ids
 */
record Waiting(String instrument, int rung, int note, List<String> ornaments) {

    /** How such a line begins. */
    static final String WORD = "waiting";

    Waiting {
        ornaments = List.copyOf(ornaments);
    }

    /** Those among the lines that are kept with an arrangement. */
    static List<Waiting> among(List<String> lines) {
        List<Waiting> all = new ArrayList<>();
        lines.forEach(l -> parse(l).ifPresent(all::add));
        return all;
    }

    /** The other lines. */
    static List<String> others(List<String> lines) {
        return lines.stream().filter(l -> parse(l).isEmpty()).toList();
    }

    private static Optional<Waiting> parse(String line) {
        String[] words = line.strip().split("\\s+");
        boolean is = words.length >= 5 && words[0].equals(WORD) && words[2].matches("\\d{1,3}") && words[3].matches("\\d{1,6}");
        return is ? Optional.of(new Waiting(words[1], Integer.parseInt(words[2]), Integer.parseInt(words[3]), List.of(words).subList(4, words.length))) : Optional.empty();
    }

    String text() {
        return "%s %s %d %d %s".formatted(WORD, instrument, rung, note, String.join(" ", ornaments));
    }
}
