package wildflourish.app.guide;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The words of the trade and what they mean. */
public final class Glossary {

    private final List<Word> words;
    private final Pattern any;

    /**
     * A word.
     *
     * @param term as it is written within a sentence
     * @param meaning in a sentence, without a full stop at its end
     */
    public record Word(String term, String meaning) {

        /** The word and its meaning. */
        public String inWords() {
            return term + ": " + meaning;
        }
    }

    private Glossary(List<Word> words) {
        this.words = List.copyOf(words);
        // The longest first, so that a "long roll" is not taken for a roll.
        String alternatives = String.join("|", words.stream().map(Word::term).sorted(Comparator.comparingInt(String::length).reversed()).map(Pattern::quote).toList());
        this.any = Pattern.compile("(?<![\\p{L}])(?:" + alternatives + ")(?:s|es)?(?![\\p{L}])", Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
    }

    /** The words of a page: each of its points is a term with weight, a colon, and the meaning. */
    static Glossary of(Page page) {
        List<Word> words = new ArrayList<>();
        for (Page.Block block : page.blocks()) {
            if (block instanceof Page.Point point) {
                String term = point.runs().getFirst().words();
                String meaning = point.inWords().substring(term.length());
                if (point.runs().getFirst().kind() != Page.Run.Kind.STRONG || !meaning.startsWith(": ")) {
                    throw new IllegalArgumentException("not a term and its meaning: " + point.inWords());
                }
                words.add(new Word(term, meaning.substring(2)));
            }
        }
        return new Glossary(words);
    }

    /** All of them, in the order of the page. */
    public List<Word> words() {
        return words;
    }

    /** The word of which the letter at an index of a text is part, in one or many. */
    public Optional<Word> at(String text, int index) {
        Matcher matcher = any.matcher(text);
        while (matcher.find()) {
            if (matcher.start() <= index && index < matcher.end()) {
                return word(matcher.group());
            }
        }
        return Optional.empty();
    }

    private Optional<Word> word(String met) {
        return words.stream().filter(w -> met.regionMatches(true, 0, w.term(), 0, w.term().length()))
                .max(Comparator.comparingInt(w -> w.term().length()));
    }
}
