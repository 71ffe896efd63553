package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The words that are sung to a tune, syllable by syllable on its written notes.
 *
 * @param verses for each verse the syllables by the index of their note
 * @param tooLong the lines of words that have more syllables than there are notes above them
 */
public record Lyrics(List<Map<Integer, Syllable>> verses, List<Field> tooLong) {

    public static final Lyrics NONE = new Lyrics(List.of(), List.of());

    /** What comes between a syllable and the next. */
    public enum Join {
        /** The end of a word. */
        SPACE,
        /** The word goes on. */
        HYPHEN,
        /** The syllable is held over further notes. */
        HELD
    }

    /**
     * A syllable on a note.
     *
     * @param held index of the last note that it is held over; its own where it is not held
     */
    public record Syllable(String text, Join join, int held) {}

    public Lyrics {
        verses = verses.stream().map(Map::copyOf).toList();
        tooLong = List.copyOf(tooLong);
    }

    public boolean isEmpty() {
        return verses.isEmpty();
    }

    /** The syllable of a verse on a note. */
    public Optional<Syllable> at(int verse, int note) {
        return Optional.ofNullable(verses.get(verse).get(note));
    }

    /** The words under the music of a tune, from its {@code w:} lines (ABC standard 2.1, section 5.1). */
    public static Lyrics of(Timeline tune) {
        List<Map<Integer, Syllable>> verses = new ArrayList<>();
        List<Field> tooLong = new ArrayList<>();
        int from = 0;
        int after = 0;
        int verse = 0;
        for (Field field : tune.tune().head().fields()) {
            if (field.letter() != 'w' || field.after() > tune.barStarts().size()) {
                continue;
            }
            if (field.after() != after) {
                from = lineStart(tune.tune(), field.after(), after);
                after = field.after();
                verse = 0;
            }
            if (verse == verses.size()) {
                verses.add(new HashMap<>());
            }
            if (new Aligned(tune, from, after, verses.get(verse++)).read(field.text())) {
                tooLong.add(field);
            }
        }
        return new Lyrics(verses, tooLong);
    }

    /** The same words as lines under the lines of music of a tune: the inverse of {@link #of}. */
    public List<Field> lines(Timeline tune) {
        List<Field> lines = new ArrayList<>();
        int from = 0;
        for (int b = 0; b < tune.tune().bars().size(); b++) {
            if (!tune.tune().bars().get(b).endsSystem() && b + 1 < tune.tune().bars().size()) {
                continue;
            }
            int to = b + 1 < tune.barStarts().size() ? tune.barStarts().get(b + 1) : tune.size();
            List<String> texts = new ArrayList<>();
            for (Map<Integer, Syllable> verse : verses) {
                texts.add(line(verse, from, to));
            }
            while (!texts.isEmpty() && texts.getLast().isEmpty()) {
                texts.removeLast();
            }
            for (String text : texts) {
                lines.add(new Field('w', text.isEmpty() ? "*" : text, b + 1));
            }
            from = to;
        }
        return lines;
    }

    /** What a verse sings on some notes; empty where it sings nothing. */
    private static String line(Map<Integer, Syllable> verse, int from, int to) {
        StringBuilder text = new StringBuilder();
        int end = 0;
        int note = from;
        while (note < to) {
            Syllable syllable = verse.get(note);
            if (syllable == null) {
                text.append("* ");
                note++;
                continue;
            }
            text.append(syllable.text().replace("\\", "").replace("-", "\\-").replace(' ', '~').replace("*", "").replace("|", "").replace("_", ""));
            int last = Math.min(syllable.held(), to - 1);
            switch (syllable.join()) {
                case SPACE -> text.append(' ');
                case HYPHEN -> text.append("-".repeat(1 + last - note));
                case HELD -> text.append("_".repeat(last - note)).append(' ');
            }
            note = syllable.join() == Join.SPACE ? note + 1 : last + 1;
            end = text.length();
        }
        return text.substring(0, end).strip();
    }

    /** The first bar of the line of music that ends with a bar, not before the words that stand before. */
    private static int lineStart(Tune tune, int end, int least) {
        int from = end - 1;
        while (from > least && !tune.bars().get(from - 1).endsSystem()) {
            from--;
        }
        return from;
    }

    /** Lays one line of words along the notes of its bars. */
    private static final class Aligned {

        private final Timeline tune;
        private final Map<Integer, Syllable> syllables;
        private final int end;
        private int bar;
        private int note;
        private int last = -1;
        private boolean over;

        Aligned(Timeline tune, int fromBar, int toBar, Map<Integer, Syllable> syllables) {
            this.tune = tune;
            this.syllables = syllables;
            this.bar = fromBar;
            this.note = start(tune, fromBar);
            this.end = start(tune, toBar);
        }

        /** The first note of a bar; behind the last note where there is no such bar. */
        private static int start(Timeline tune, int bar) {
            return bar < tune.barStarts().size() ? tune.barStarts().get(bar) : tune.size();
        }

        /** Lays the words out; whether there were more than notes. */
        boolean read(String text) {
            StringBuilder word = new StringBuilder();
            for (int i = 0; i < text.length(); i++) {
                char c = text.charAt(i);
                switch (c) {
                    case ' ', '\t' -> put(word, Join.SPACE);
                    case '-' -> {
                        if (word.isEmpty()) {
                            hold(false);
                        }
                        put(word, Join.HYPHEN);
                    }
                    case '_' -> {
                        put(word, Join.SPACE);
                        hold(true);
                    }
                    case '*' -> {
                        put(word, Join.SPACE);
                        note++;
                    }
                    case '|' -> {
                        put(word, Join.SPACE);
                        nextBar();
                    }
                    case '~' -> word.append(' ');
                    case '\\' -> {
                        if (i + 1 < text.length() && text.charAt(i + 1) == '-') {
                            word.append('-');
                            i++;
                        }
                    }
                    default -> word.append(c);
                }
            }
            put(word, Join.SPACE);
            return over;
        }

        private void put(StringBuilder word, Join join) {
            if (word.isEmpty()) {
                return;
            }
            if (note < end) {
                syllables.put(note, new Syllable(word.toString(), join, note));
                last = note++;
            } else {
                over = true;
            }
            word.setLength(0);
        }

        /** One note more on the syllable before; a line shows it where the word is at its end. */
        private void hold(boolean line) {
            Syllable before = syllables.get(last);
            if (before != null && note < end) {
                Join join = !line ? Join.HYPHEN : before.join() == Join.SPACE ? Join.HELD : before.join();
                syllables.put(last, new Syllable(before.text(), join, note));
            }
            note++;
        }

        private void nextBar() {
            int reached = note > 0 && note - 1 < tune.size() && note > start(tune, bar) ? tune.note(note - 1).bar() : bar;
            bar = Math.max(bar, reached) + 1;
            note = start(tune, bar);
        }
    }
}
