package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tuplet;

/**
 * Other notes in place of a stretch of the plain tune. It enters and leaves on the beats on which the stretch does.
 *
 * @param from index of the first note that it replaces
 * @param to index after the last
 * @param kind what a player calls it: {@code connect}
 * @param notes what is played instead; together as long as what they replace
 */
public record Variation(int from, int to, String kind, List<Element> notes) {

    /** Kinds of {@link #isStandIn}: an octave higher, an octave lower, and another note. */
    public static final String UP = "fold-up", DOWN = "fold-down", OTHER = "other-note";

    private static final Set<String> STAND_INS = Set.of(UP, DOWN, OTHER);

    public Variation {
        notes = List.copyOf(notes);
        if (from < 0 || to <= from || notes.isEmpty()) {
            throw new IllegalArgumentException("a variation replaces at least one note by at least one");
        }
    }

    /** Time it takes, as a ratio of a whole note. */
    public Ratio length() {
        Ratio sum = Ratio.ZERO;
        for (Element element : notes) {
            sum = sum.plus(element.length());
        }
        return sum;
    }

    /**
     * Whether each of its notes stands in for one of the plain tune, in its time, where an instrument has not got that: it is decorated like the note
     * that it stands in for.
     */
    public boolean isStandIn() {
        return standsIn(kind) && notes.size() == to - from && notes.stream().allMatch(Note.class::isInstance);
    }

    /** Whether a kind is one of those that can {@linkplain #isStandIn stand in}. */
    public static boolean standsIn(String kind) {
        return STAND_INS.contains(kind);
    }

    public boolean holds(int note) {
        return note >= from && note < to;
    }

    public boolean overlaps(Variation other) {
        return from < other.to && other.from < to;
    }

    /**
     * Whether it can stand in a tune: as long as what it replaces, that without rests and ties over its edges, and with a
     * note on every bar line within.
     */
    public boolean fits(Timeline tune) {
        if (to > tune.size() || tune.note(from).heldOver() || to < tune.size() && tune.note(to).heldOver()) {
            return false;
        }
        List<Ratio> bars = spans(tune);
        Ratio sum = Ratio.ZERO;
        int bar = 0;
        Ratio edge = bars.getFirst();
        for (Element element : notes) {
            sum = sum.plus(element.length());
            if (edge.isLess(sum)) {
                return false;
            }
            if (sum.equals(edge) && bar + 1 < bars.size()) {
                bar++;
                edge = edge.plus(bars.get(bar));
            }
        }
        return sum.equals(edge) && bar + 1 == bars.size() && isWhole(tune);
    }

    /** The time it has in each bar that it touches. */
    private List<Ratio> spans(Timeline tune) {
        List<Ratio> spans = new ArrayList<>();
        int bar = -1;
        for (int n = from; n < to; n++) {
            Ratio length = tune.note(n).note().length();
            if (tune.note(n).bar() == bar) {
                spans.add(spans.removeLast().plus(length));
            } else {
                spans.add(length);
                bar = tune.note(n).bar();
            }
        }
        return spans;
    }

    /** Whether the notes that it replaces follow one another without a rest or a repeat sign between them. */
    private boolean isWhole(Timeline tune) {
        for (int n = from + 1; n < to; n++) {
            Timeline.Stand before = tune.note(n - 1);
            Timeline.Stand here = tune.note(n);
            boolean follows = before.onset().plus(before.note().length()).equals(here.onset());
            boolean sameSection = before.bar() == here.bar() || here.bar() == before.bar() + 1
                    && !tune.tune().bars().get(before.bar()).closing().closesSection();
            if (!follows || !sameSection) {
                return false;
            }
        }
        for (int b = tune.note(from).bar(); b <= tune.note(to - 1).bar(); b++) {
            Bar bar = tune.tune().bars().get(b);
            if (b > tune.note(from).bar() && bar.ending().filter(e -> e.starts()).isPresent()) {
                return false;
            }
        }
        return true;
    }

    /** The lowest and the highest pitch first and last, and all between, rests left out. */
    public List<Pitch> pitches() {
        return notes.stream().filter(Note.class::isInstance).map(e -> ((Note) e).pitch()).toList();
    }

    /**
     * As files keep it: {@code F#4:1/8 G4:1/4 z:1/8}, a tie as a trailing {@code -}; of a tuplet {@code F#4:1/12t3.2.0.3}: three in
     * the time of two, the first of three notes.
     */
    public static String text(List<? extends Element> notes) {
        List<String> words = new ArrayList<>();
        for (Element element : notes) {
            switch (element) {
                case Note note -> words.add(note.pitch() + ":" + note.length() + note.tuplet().map(t ->
                        "t%d.%d.%d.%d".formatted(t.actual(), t.normal(), t.position(), t.count())).orElse("") + (note.tied() ? "-" : ""));
                case Rest rest -> words.add("z:" + rest.length());
                case wildflourish.core.tune.Change change -> { }
            }
        }
        return String.join(" ", words);
    }

    /** The inverse of {@link #text}; throws {@link IllegalArgumentException} for anything else. */
    public static List<Element> parse(String text) {
        List<Element> notes = new ArrayList<>();
        for (String word : text.strip().split("\\s+")) {
            boolean tied = word.endsWith("-");
            String[] halves = (tied ? word.substring(0, word.length() - 1) : word).split(":");
            if (halves.length != 2) {
                throw new IllegalArgumentException("'" + word + "' is not a note like F#4:1/8");
            }
            String[] time = halves[1].split("t", 2);
            Ratio length = Ratio.parse(time[0]);
            notes.add(halves[0].equals("z") ? Rest.of(length)
                    : Note.of(Pitch.parse(halves[0]), length).withTuplet(time.length < 2 ? Optional.empty() : Optional.of(tuplet(time[1]))).withTied(tied));
        }
        return notes;
    }

    private static Tuplet tuplet(String text) {
        int[] numbers = java.util.Arrays.stream(text.split("\\.")).mapToInt(Integer::parseInt).toArray();
        if (numbers.length != 4 || numbers[1] < 1 || numbers[0] < 1) {
            throw new IllegalArgumentException("'" + text + "' is no place in a tuplet like 3.2.0.3");
        }
        return new Tuplet(numbers[0], numbers[1], numbers[2], numbers[3]);
    }

    /** The names of its notes for reading: {@code A B C sharp}. */
    public String inWords() {
        return String.join(" ", pitches().stream().map(Pitch::spoken).toList());
    }
}
