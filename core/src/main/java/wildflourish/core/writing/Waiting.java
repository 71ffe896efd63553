package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;

/**
 * What could not go along when a tune was put right, and waits until its notes are right again. It is kept as a line of the
 * arrangement's document.
 */
sealed interface Waiting {

    /** How such a line begins. */
    String WORD = "waiting";

    /** The id of the instrument whose ladder or whose place it is. */
    String instrument();

    /** Index in the tune of the note that it waits at. */
    int note();

    /** The same at another note. */
    Waiting at(int other);

    /** Its line. */
    String text();

    /**
     * Ornaments of a note.
     *
     * @param rung from 1
     * @param ornaments their ids
     */
    record Ornaments(String instrument, int rung, int note, List<String> ornaments) implements Waiting {

        public Ornaments {
            ornaments = List.copyOf(ornaments);
        }

        @Override
        public Ornaments at(int other) {
            return new Ornaments(instrument, rung, other, ornaments);
        }

        @Override
        public String text() {
            return "%s %s %d %d %s".formatted(WORD, instrument, rung, note, String.join(" ", ornaments));
        }
    }

    /**
     * Other notes in place of a stretch.
     *
     * @param rung from 1
     * @param note the first that it replaces
     * @param plain the notes that it replaces
     * @param kind what a player calls it
     * @param notes what is played instead
     */
    record Varied(String instrument, int rung, int note, List<Element> plain, String kind, List<Element> notes) implements Waiting {

        public Varied {
            plain = List.copyOf(plain);
            notes = List.copyOf(notes);
        }

        Variation variation() {
            return new Variation(note, note + plain.size(), kind, notes);
        }

        @Override
        public Varied at(int other) {
            return new Varied(instrument, rung, other, plain, kind, notes);
        }

        @Override
        public String text() {
            return "%s %s %d %d vary %s %s for %s".formatted(WORD, instrument, rung, note, kind, Variation.text(notes), Variation.text(plain));
        }
    }

    /**
     * A place on the instrument that was chosen for a note.
     *
     * @param pitch what the note must be to be played there
     */
    record Place(String instrument, int note, Pitch pitch, String place) implements Waiting {

        @Override
        public Place at(int other) {
            return new Place(instrument, other, pitch, place);
        }

        @Override
        public String text() {
            return "%s %s 0 %d place %s %s".formatted(WORD, instrument, note, pitch, place);
        }
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
        List<String> words = List.of(line.strip().split("\\s+"));
        if (words.size() < 5 || !words.getFirst().equals(WORD) || !words.get(2).matches("\\d{1,3}") || !words.get(3).matches("\\d{1,6}")) {
            return Optional.empty();
        }
        String instrument = words.get(1);
        int rung = Integer.parseInt(words.get(2));
        int note = Integer.parseInt(words.get(3));
        List<String> rest = words.subList(5, words.size());
        try {
            return Optional.of(switch (words.get(4)) {
                case "vary" -> varied(instrument, rung, note, rest);
                case "place" -> new Place(instrument, note, Pitch.parse(rest.getFirst()), String.join(" ", rest.subList(1, rest.size())));
                default -> new Ornaments(instrument, rung, note, words.subList(4, words.size()));
            });
        } catch (IllegalArgumentException | IndexOutOfBoundsException | java.util.NoSuchElementException e) {
            return Optional.empty();
        }
    }

    private static Varied varied(String instrument, int rung, int note, List<String> words) {
        int until = words.indexOf("for");
        List<Element> plain = Variation.parse(String.join(" ", words.subList(until + 1, words.size())));
        if (!plain.stream().allMatch(Note.class::isInstance)) {
            throw new IllegalArgumentException("a variation replaces notes only");
        }
        return new Varied(instrument, rung, note, plain, words.getFirst(), Variation.parse(String.join(" ", words.subList(1, until))));
    }
}
