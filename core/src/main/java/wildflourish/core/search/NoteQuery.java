package wildflourish.core.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Step;

/**
 * A few notes of a tune as somebody remembers them, in any key. A tune is as good an answer as its best place costs least: over all
 * places and all ways to take notes for wrong, left out or put in (the matching of approximate strings of Sellers 1980, with intervals
 * in place of letters so that the key does not count).
 *
 * @param steps stave positions of the notes
 * @param respelled the same with every sharp written as the flat of the same pitch, and the other way round: {@code _A} finds {@code ^G}
 * @param octaves whether they are given with their octaves; else a note is any of its name
 */
public record NoteQuery(List<Integer> steps, List<Integer> respelled, boolean octaves) {

    /** What each difference costs, in hundredths. */
    record Weights(String provenance, int neighbour, int sameDirection, int otherDirection, int wrongNote, int leftOut, int putIn, int repeated,
            int notAtTheBeginning, int mostPerNote, int most, int fewestNotes) {}

    private static final Weights WEIGHTS = DataFile.read("search/melody.json", Weights.class);
    private static final int FAR = 1_000_000;
    /** No two notes are further apart, in letters. */
    private static final int WIDEST = 77;

    public NoteQuery {
        steps = List.copyOf(steps);
        respelled = List.copyOf(respelled);
    }

    /** Notes without accidentals. */
    public NoteQuery(List<Integer> steps, boolean octaves) {
        this(steps, steps, octaves);
    }

    /**
     * Notes by their letters, as in {@code d f a f} or {@code D2FA dAFA}: where small and capital letters or octave signs are mixed they
     * are octaves as in ABC, else each note is any of its name. Figures 1 to 7 alone are degrees of the scale. Empty where
     * the text is something else, or has too few notes.
     */
    public static Optional<NoteQuery> parse(String text) {
        String plain = text.strip();
        if (plain.matches("[1-7 ]+") && plain.replace(" ", "").length() >= WEIGHTS.fewestNotes()) {
            List<Integer> degrees = plain.replace(" ", "").chars().map(c -> c - '1').boxed().toList();
            return Optional.of(new NoteQuery(nearest(degrees), false));
        }
        if (!plain.matches("[A-Ga-gz0-9 |/,'^_=#:.()<>-]+")) {
            return Optional.empty();
        }
        List<Integer> letters = new ArrayList<>();
        List<Integer> octaves = new ArrayList<>();
        List<Integer> turns = new ArrayList<>();
        int turn = 0;
        for (char c : plain.toCharArray()) {
            if (c == '^' || c == '_' || c == '=') {
                // A sharp is the flat of the letter above, a flat the sharp of the letter below.
                turn = c == '^' ? 1 : c == '_' ? -1 : 0;
            } else if (Character.isLetter(c) && c != 'z') {
                letters.add(Step.valueOf(String.valueOf(Character.toUpperCase(c))).ordinal());
                octaves.add(Character.isUpperCase(c) ? 4 : 5);
                turns.add(turn);
                turn = 0;
            } else if ((c == ',' || c == '\'') && !octaves.isEmpty()) {
                octaves.set(octaves.size() - 1, octaves.getLast() + (c == ',' ? -1 : 1));
            }
        }
        if (letters.size() < WEIGHTS.fewestNotes()) {
            return Optional.empty();
        }
        boolean mixed = octaves.stream().distinct().count() > 1;
        List<Integer> steps = new ArrayList<>();
        List<Integer> respelled = new ArrayList<>();
        List<Integer> otherLetters = new ArrayList<>();
        for (int i = 0; i < letters.size(); i++) {
            steps.add(7 * octaves.get(i) + letters.get(i));
            respelled.add(steps.getLast() + turns.get(i));
            otherLetters.add(Math.floorMod(letters.get(i) + turns.get(i), 7));
        }
        return Optional.of(mixed ? new NoteQuery(steps, respelled, true) : new NoteQuery(nearest(letters), nearest(otherLetters), false));
    }

    private static List<Integer> nearest(List<Integer> letters) {
        List<Integer> steps = new ArrayList<>();
        for (int letter : letters) {
            int before = steps.isEmpty() ? 28 + letter : steps.getLast();
            int up = Math.floorMod(letter - before, 7);
            steps.add(before + (up <= 3 ? up : up - 7));
        }
        return steps;
    }

    /** What the best place in a tune costs, in hundredths; empty where none is near enough. */
    public OptionalInt cost(Profile tune) {
        return search().cost(tune);
    }

    /** The query made ready to be asked of many tunes. */
    public Search search() {
        return new Search();
    }

    /** What is looked up for every note of every tune. */
    public final class Search {

        private final List<Row> rows = rows(steps);
        /** Where there are accidentals, the other way to write them. */
        private final List<Row> others = respelled.equals(steps) ? List.of() : rows(respelled);

        private Search() {}

        private List<Row> rows(List<Integer> spelled) {
            List<Row> all = new ArrayList<>();
            for (int i = 1; i < spelled.size(); i++) {
                all.add(new Row(spelled, i));
            }
            return all;
        }

        /** What the best place in a tune costs, in hundredths; empty where none is near enough. */
        public OptionalInt cost(Profile tune) {
            OptionalInt typed = NoteQuery.this.cost(tune, rows);
            OptionalInt other = others.isEmpty() ? OptionalInt.empty() : NoteQuery.this.cost(tune, others);
            return typed.isEmpty() ? other : other.isEmpty() || typed.getAsInt() <= other.getAsInt() ? typed : other;
        }
    }

    private OptionalInt cost(Profile tune, List<Row> rows) {
        int size = tune.size();
        if (size == 0) {
            return OptionalInt.empty();
        }
        int notes = steps.size();
        int limit = Math.min(WEIGHTS.most(), WEIGHTS.mostPerNote() * (notes - 1)) + WEIGHTS.notAtTheBeginning();
        int[] back = new int[size];
        int[] twoBack = new int[size];
        for (int j = 0; j < size; j++) {
            // A lead-in of up to two notes still is the beginning.
            back[j] = j <= 2 ? 0 : WEIGHTS.notAtTheBeginning();
        }
        Arrays.fill(twoBack, FAR);
        int[] heard = new int[size];
        for (int j = 0; j < size; j++) {
            heard[j] = tune.step(j);
        }
        int least = 0;
        int before = least;
        for (int i = 1; i < notes && Math.min(least, before) <= limit; i++) {
            int[] now = new int[size];
            before = least;
            least = rows.get(i - 1).fill(heard, back, twoBack, now);
            twoBack = back;
            back = now;
        }
        return least <= limit ? OptionalInt.of(least) : OptionalInt.empty();
    }

    /** One note of the query on each note of a tune: what intervals cost there is looked up, for it is asked some million times. */
    private final class Row {

        private final int[] stepCosts = new int[2 * WIDEST + 1];
        /** Where the tune has a note more, or has its own in place of one asked for; or the query has one more. */
        private final int[] leftOutCosts = new int[2 * WIDEST + 1];
        private final int[] wrongCosts = new int[2 * WIDEST + 1];
        private final int[] putInCosts = new int[2 * WIDEST + 1];

        Row(List<Integer> spelled, int i) {
            int asked = spelled.get(i) - spelled.get(i - 1);
            int both = i >= 2 ? spelled.get(i) - spelled.get(i - 2) : 0;
            for (int interval = -WIDEST; interval <= WIDEST; interval++) {
                stepCosts[interval + WIDEST] = step(asked, interval);
                boolean isBoth = i >= 2 && isSame(both, interval);
                leftOutCosts[interval + WIDEST] = isSame(asked, interval) ? WEIGHTS.leftOut() : FAR;
                wrongCosts[interval + WIDEST] = isBoth ? WEIGHTS.wrongNote() : FAR;
                putInCosts[interval + WIDEST] = !isBoth ? FAR : asked == 0 || both == asked ? WEIGHTS.repeated() : WEIGHTS.putIn();
            }
        }

        /** Fills in the least cost with this note on each of the tune; the least of them. */
        int fill(int[] heard, int[] back, int[] twoBack, int[] now) {
            int less = WEIGHTS.leftOut() - WEIGHTS.repeated();
            int best = FAR;
            now[0] = FAR;
            for (int j = 1; j < heard.length; j++) {
                int one = heard[j] - heard[j - 1] + WIDEST;
                int least = Math.min(back[j - 1] + stepCosts[one], twoBack[j - 1] + putInCosts[one]);
                if (j >= 2) {
                    int two = heard[j] - heard[j - 2] + WIDEST;
                    int repeated = one == WIDEST | one == two ? less : 0;
                    least = Math.min(Math.min(least, back[j - 2] + leftOutCosts[two] - repeated), twoBack[j - 2] + wrongCosts[two]);
                }
                now[j] = least;
                best = Math.min(best, least);
            }
            return best;
        }
    }

    private int step(int asked, int heard) {
        if (isSame(asked, heard)) {
            return 0;
        }
        if (isSame(asked, heard + 1) || isSame(asked, heard - 1)) {
            return WEIGHTS.neighbour();
        }
        return Integer.signum(asked) == Integer.signum(heard) ? WEIGHTS.sameDirection() : WEIGHTS.otherDirection();
    }

    private boolean isSame(int asked, int heard) {
        return octaves ? asked == heard : Math.floorMod(asked - heard, 7) == 0;
    }
}
