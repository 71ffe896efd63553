package wildflourish.core.finding;

import java.util.List;

/** Makes sentences of words that were put together without a capital letter and a full stop. */
public final class Sentence {

    private Sentence() {}

    /** With a capital letter at its beginning. */
    public static String capital(String words) {
        return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** With a capital letter and, where there is none yet, a full stop; nothing stays nothing. */
    public static String full(String words) {
        return words.isEmpty() || words.endsWith(".") ? capital(words) : capital(words) + ".";
    }

    /** Some words in a row: {@code G, A and B}. */
    public static String listed(List<String> words) {
        return words.size() < 2 ? String.join("", words) : String.join(", ", words.subList(0, words.size() - 1)) + " and " + words.getLast();
    }
}
