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
 * @param octaves whether they are given with their octaves; else a note is any of its name
 */
public record NoteQuery(List<Integer> steps, boolean octaves) {

    /** What each difference costs, in hundredths. */
    record Weights(String provenance, int neighbour, int sameDirection, int otherDirection, int wrongNote, int leftOut, int putIn, int repeated,
            int notAtTheBeginning, int mostPerNote, int most, int fewestNotes) {}

    private static final Weights WEIGHTS = DataFile.read("search/melody.json", Weights.class);
    private static final int FAR = 1_000_000;

    public NoteQuery {
        steps = List.copyOf(steps);
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
        for (char c : plain.toCharArray()) {
            if (Character.isLetter(c) && c != 'z') {
                letters.add(Step.valueOf(String.valueOf(Character.toUpperCase(c))).ordinal());
                octaves.add(Character.isUpperCase(c) ? 4 : 5);
            } else if ((c == ',' || c == '\'') && !octaves.isEmpty()) {
                octaves.set(octaves.size() - 1, octaves.getLast() + (c == ',' ? -1 : 1));
            }
        }
        if (letters.size() < WEIGHTS.fewestNotes()) {
            return Optional.empty();
        }
        boolean mixed = octaves.stream().distinct().count() > 1;
        List<Integer> steps = new ArrayList<>();
        for (int i = 0; i < letters.size(); i++) {
            steps.add(7 * octaves.get(i) + letters.get(i));
        }
        return Optional.of(new NoteQuery(mixed ? steps : nearest(letters), mixed));
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
        int notes = steps.size();
        int[] query = steps.stream().mapToInt(Integer::intValue).toArray();
        int[] heard = tune.steps().stream().mapToInt(Integer::intValue).toArray();
        int[] twoBack = new int[heard.length];
        int[] back = new int[heard.length];
        for (int j = 0; j < heard.length; j++) {
            // A lead-in of up to two notes still is the beginning.
            back[j] = j <= 2 ? 0 : WEIGHTS.notAtTheBeginning();
        }
        Arrays.fill(twoBack, FAR);
        for (int i = 1; i < notes; i++) {
            int[] now = new int[heard.length];
            for (int j = 0; j < heard.length; j++) {
                now[j] = least(query, heard, i, j, back, twoBack);
            }
            twoBack = back;
            back = now;
        }
        int least = FAR;
        for (int cost : back) {
            least = Math.min(least, cost);
        }
        int limit = Math.min(WEIGHTS.most(), WEIGHTS.mostPerNote() * (notes - 1)) + WEIGHTS.notAtTheBeginning();
        return least <= limit ? OptionalInt.of(least) : OptionalInt.empty();
    }

    /** The least cost with one note of the query on one of the tune. */
    private int least(int[] query, int[] heard, int i, int j, int[] back, int[] twoBack) {
        int least = FAR;
        int asked = query[i] - query[i - 1];
        if (j >= 1) {
            least = Math.min(least, back[j - 1] + step(asked, heard[j] - heard[j - 1]));
        }
        if (j >= 2 && isSame(asked, heard[j] - heard[j - 2])) {
            boolean repeated = heard[j - 1] == heard[j] || heard[j - 1] == heard[j - 2];
            least = Math.min(least, back[j - 2] + (repeated ? WEIGHTS.repeated() : WEIGHTS.leftOut()));
        }
        if (i >= 2) {
            int both = query[i] - query[i - 2];
            if (j >= 2 && isSame(both, heard[j] - heard[j - 2])) {
                least = Math.min(least, twoBack[j - 2] + WEIGHTS.wrongNote());
            }
            if (j >= 1 && isSame(both, heard[j] - heard[j - 1])) {
                boolean repeated = asked == 0 || both == asked;
                least = Math.min(least, twoBack[j - 1] + (repeated ? WEIGHTS.repeated() : WEIGHTS.putIn()));
            }
        }
        return least;
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
