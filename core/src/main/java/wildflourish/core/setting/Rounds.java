package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is played each time through a tune.
 *
 * @param times one for each time through, each with what is played in each pass through a part, in the order played
 * @param intro what goes before
 * @param tag what goes after
 * @param seed of the latest shuffle, so that it can be had again; empty where none was made
 */
public record Rounds(List<List<Pass>> times, Intro intro, Tag tag, Optional<Long> seed) {

    /** Nothing settled yet. */
    public static final Rounds NONE = new Rounds(List.of(), Intro.NONE, Tag.NONE, Optional.empty());

    /** No more times through than these. */
    public static final int MOST_TIMES = 12;

    /** What goes before the tune, so that everybody enters on the right beat. */
    public enum Intro {
        NONE("none"), COUNT_IN("a bar counted in"), POTATOES("four potatoes"), SHUFFLE("shuffle on two open strings");

        private final String words;

        Intro(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What goes after it. */
    public enum Tag {
        NONE("none"), CLOSING("closing formula");

        private final String words;

        Tag(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A part played once.
     *
     * @param rung of the ladder
     * @param kind of variation that is put in besides, wherever the part allows it
     */
    public record Pass(int rung, Optional<String> kind) {

        public Pass(int rung) {
            this(rung, Optional.empty());
        }

        /** As files keep it: {@code 4}, {@code 4:octave-down}. */
        public String text() {
            return rung + kind.map(k -> ":" + k).orElse("");
        }

        /** The inverse of {@link #text}; throws {@link IllegalArgumentException} for anything else. */
        public static Pass parse(String text) {
            String[] halves = text.split(":", 2);
            return new Pass(Integer.parseInt(halves[0]), halves.length < 2 ? Optional.empty() : Optional.of(halves[1]));
        }
    }

    public Rounds {
        times = times.stream().map(List::copyOf).toList();
        if (times.size() > MOST_TIMES) {
            throw new IllegalArgumentException("nobody plays a tune more than " + MOST_TIMES + " times");
        }
    }

    public boolean isEmpty() {
        return times.isEmpty();
    }

    /** With another choice for one pass of one time through. */
    public Rounds with(int time, int pass, Pass chosen) {
        List<List<Pass>> changed = new ArrayList<>(times);
        List<Pass> row = new ArrayList<>(times.get(time));
        row.set(pass, chosen);
        changed.set(time, row);
        return new Rounds(changed, intro, tag, Optional.empty());
    }

    public Rounds with(List<List<Pass>> other) {
        return new Rounds(other, intro, tag, Optional.empty());
    }

    public Rounds with(Intro other) {
        return new Rounds(times, other, tag, seed);
    }

    public Rounds with(Tag other) {
        return new Rounds(times, intro, other, seed);
    }

    /** The same for a tune with another number of passes and a ladder of another height. */
    public Rounds fitted(int passes, int rungs) {
        List<List<Pass>> fitted = new ArrayList<>();
        for (List<Pass> row : times) {
            List<Pass> changed = new ArrayList<>();
            for (int p = 0; p < passes; p++) {
                Pass pass = row.isEmpty() ? new Pass(0) : row.get(Math.min(p, row.size() - 1));
                changed.add(new Pass(Math.clamp(pass.rung(), 0, rungs - 1), pass.kind()));
            }
            fitted.add(changed);
        }
        return new Rounds(fitted, intro, tag, seed);
    }
}
