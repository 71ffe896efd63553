package wildflourish.app.frame;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Finds by a few letters. Knows no screen and no list; it ranks what it is given. */
public final class Find {

    /**
     * Something that can be found.
     *
     * @param id what its use is counted under
     * @param kind what sort of thing it is, or the group of a command
     * @param keys how its keys are written; empty without any
     */
    public record Found(String id, String words, String kind, String keys, Runnable run) {}

    private Find() {}

    /**
     * Those that match, the best first: each word that was written must begin a word of it, or stand in it, or be letters of it in
     * order. What begins alike comes before what only holds it, and of equals what is used more, then what is shorter.
     *
     * @param used how often each was taken, by its id
     */
    public static List<Found> rank(String written, List<Found> all, Map<String, Integer> used, int most) {
        List<String> words = List.of(plain(written).strip().split("\\s+"));
        record Ranked(Found found, int fit, int used, int at) {}
        List<Ranked> ranked = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            Found found = all.get(i);
            int fit = words.stream().mapToInt(w -> fit(w, plain(found.words()), plain(found.kind()))).reduce(0, (a, b) -> a < 0 || b < 0 ? -1 : a + b);
            if (fit >= 0) {
                ranked.add(new Ranked(found, fit, used.getOrDefault(found.id(), 0), i));
            }
        }
        ranked.sort(Comparator.comparingInt(Ranked::fit).thenComparing(Ranked::used, Comparator.reverseOrder())
                .thenComparingInt(r -> r.found().words().length()).thenComparingInt(Ranked::at));
        return ranked.stream().limit(most).map(Ranked::found).toList();
    }

    /** How well a word fits: 0 the beginning, 1 the beginning of a word, 2 within, 3 its kind, 4 letters in order; -1 not at all. */
    private static int fit(String word, String words, String kind) {
        if (words.startsWith(word)) {
            return 0;
        }
        if (words.contains(" " + word)) {
            return 1;
        }
        if (words.contains(word)) {
            return 2;
        }
        if (kind.contains(word)) {
            return 3;
        }
        return word.length() > 1 && inOrder(word, words) ? 4 : -1;
    }

    /** Whether the letters begin words one after another: {@code ga} for "grow all". */
    private static boolean inOrder(String letters, String words) {
        int at = 0;
        for (String word : words.split("[^\\p{L}\\p{N}]+")) {
            if (at < letters.length() && !word.isEmpty() && word.charAt(0) == letters.charAt(at)) {
                at++;
            }
        }
        return at == letters.length();
    }

    /** Without accents and capitals. */
    private static String plain(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD).replaceAll("\\p{M}", "").toLowerCase(Locale.ROOT);
    }
}
