package wildflourish.core.reading;

import java.util.List;

/**
 * What a phrase is to an earlier one, their pickups left aside.
 *
 * @param kind in what way they are alike
 * @param steps for a phrase that was moved, by how many steps of the scale, upward positive; else 0
 * @param distance of the edit distance between them, in hundredths of a quaver
 * @param differsFrom index of the first note of this phrase that differs, or −1
 * @param shared share of the phrase's time that is the same in both, from 0 to 1
 */
public record Likeness(Kind kind, int steps, int distance, int differsFrom, double shared) {

    /** The ways to be alike, the closest first. */
    public enum Kind {
        SAME("same", "the same"),
        MOVED("moved", "the same, moved"),
        OTHER_ENDING("other-ending", "begins like it and ends otherwise"),
        OTHER_BEGINNING("other-beginning", "begins otherwise and ends like it"),
        NEARLY("nearly", "nearly the same"),
        SAME_RHYTHM("same-rhythm", "the same rhythm"),
        DIFFERENT("different", "something else");

        private final String id;
        private final String words;

        Kind(String id, String words) {
            this.id = id;
            this.words = words;
        }

        public String id() {
            return id;
        }

        public String words() {
            return words;
        }
    }

    private static final int UNMEASURED = -1;

    static final Likeness NONE = new Likeness(Kind.DIFFERENT, 0, Integer.MAX_VALUE, -1, 0);

    /** What the second phrase is to the first. */
    static Likeness of(List<Tone> first, List<Tone> second) {
        return of(first, second, true);
    }

    /** The same; without {@code closely} phrases that are only nearly the same count as different. */
    static Likeness of(List<Tone> first, List<Tone> second, boolean closely) {
        if (first.isEmpty() || second.isEmpty()) {
            return NONE;
        }
        int before = 0;
        while (before < Math.min(first.size(), second.size()) && first.get(before).isSameAs(second.get(before))) {
            before++;
        }
        long length = Math.max(first.getLast().end(), second.getLast().end());
        if (before == first.size() && before == second.size()) {
            return new Likeness(Kind.SAME, 0, 0, -1, 1);
        }
        boolean rhythm = first.size() == second.size();
        boolean moved = rhythm;
        int steps = second.getFirst().pitch().diatonic() - first.getFirst().pitch().diatonic();
        for (int i = 0; rhythm && i < first.size(); i++) {
            rhythm = first.get(i).hasRhythmOf(second.get(i));
            moved = moved && second.get(i).pitch().diatonic() - first.get(i).pitch().diatonic() == steps;
        }
        int after = 0;
        while (after < Math.min(first.size(), second.size()) - before
                && first.get(first.size() - 1 - after).isSameAs(second.get(second.size() - 1 - after))) {
            after++;
        }
        long begins = before == 0 ? 0 : before == second.size() ? second.getLast().end() : second.get(before).at();
        long ends = after == 0 ? 0 : second.getLast().end() - second.get(second.size() - after).at();
        double shared = (begins + ends) / (double) length;
        boolean uneven = isUneven(second);
        int differs = before < second.size() ? second.get(before).note() : -1;
        if (rhythm && moved && steps != 0) {
            return new Likeness(Kind.MOVED, steps, UNMEASURED, second.getFirst().note(), shared);
        }
        double enough = Alignment.WEIGHTS.shared() / 100.0;
        begins = before < Alignment.WEIGHTS.sharedNotes() ? 0 : begins;
        ends = after < Alignment.WEIGHTS.sharedNotes() ? 0 : ends;
        if (Math.max(begins, ends) >= enough * length) {
            Kind kind = begins >= ends ? Kind.OTHER_ENDING : Kind.OTHER_BEGINNING;
            return new Likeness(kind, 0, UNMEASURED, differs, Math.max(begins, ends) / (double) length);
        }
        if (!closely) {
            return rhythm && uneven ? new Likeness(Kind.SAME_RHYTHM, 0, 0, differs, 0) : NONE;
        }
        int limit = (int) (Alignment.WEIGHTS.nearly() * length / Tone.QUAVER);
        Alignment alignment = Alignment.of(first, second, limit);
        if (alignment.distance() <= limit) {
            return new Likeness(Kind.NEARLY, alignment.steps(), alignment.distance(), differs, shared);
        }
        return rhythm && uneven ? new Likeness(Kind.SAME_RHYTHM, 0, UNMEASURED, differs, 0)
                : new Likeness(Kind.DIFFERENT, 0, UNMEASURED, differs, shared);
    }

    /** The same with its distance measured, which telling the kind did not always need. */
    Likeness measured(List<Tone> first, List<Tone> second) {
        return distance != UNMEASURED ? this
                : new Likeness(kind, steps, Alignment.at(first, second, steps).distance(), differsFrom, shared);
    }

    /** Whether a rhythm is more than equal notes one after the other. */
    private static boolean isUneven(List<Tone> tones) {
        long most = tones.stream().mapToLong(t -> tones.stream().filter(o -> o.length() == t.length()).count()).max().orElse(0);
        return (tones.size() - most) * Alignment.WEIGHTS.unevenOneIn() >= tones.size();
    }

    /** Whether this is a closer likeness than another. */
    boolean isCloserThan(Likeness other) {
        int rank = rank(kind);
        int otherRank = rank(other.kind);
        return rank != otherRank ? rank < otherRank : weight() > other.weight();
    }

    /** Another ending and another beginning are told apart by how much is shared. */
    private static int rank(Kind kind) {
        return kind == Kind.OTHER_BEGINNING ? Kind.OTHER_ENDING.ordinal() : kind.ordinal();
    }

    /** A phrase is known again by how it begins, so a little less shared there counts as much. */
    private double weight() {
        return shared + (kind == Kind.OTHER_ENDING ? Alignment.WEIGHTS.beginning() / 100.0 : 0);
    }
}
