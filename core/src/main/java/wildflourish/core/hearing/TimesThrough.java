package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.practice.Expected;
import wildflourish.core.reading.Part;

/**
 * In which order the parts of a tune were played: once as it is written, three times on end, without its repeats, or broken off and begun anew. Found by the cheapest way of all through what
 * was heard in steps of 20 ms (dynamic programming over steps and notes): from the end of a part the beginning of any may follow, at a price, and from any other note at a higher one. The
 * exact place of each note is then the work of {@link Alignment}.
 *
 * @param legs each the notes of one time through that were played on end
 * @param aboutMs about when each note that was played begins, in milliseconds of what was heard; empty where it was played once
 */
record TimesThrough(List<Leg> legs, List<Double> aboutMs) {

    /** So many frames are looked at together. */
    private static final int STEP = 4;
    /** Prices, in steps of a wrong pitch, from memory. Of entering a note so much that no part is rushed through in an instant. */
    private static final float ENTER = 3;
    private static final float MISSING = 6;
    private static final float SAME_AGAIN = 2;
    private static final float OUTSIDE = 0.8f;
    /** Another part than the next, half a second. */
    private static final float OTHER_PART = 25;
    /** Broken off and begun anew, six tenths of a second. */
    private static final float BROKEN_OFF = 30;
    private static final int GAP = 4;
    /** A rest between two legs that is no longer than this is none, in milliseconds. */
    private static final double PAUSE = 400;

    /** How a note was come into in a step: from so many notes before, or from before the tune, or from the end of another leg. */
    private static final byte BEGUN = -1;
    private static final byte ANEW = -2;

    /**
     * Notes of one time through that were played on end.
     *
     * @param from the first, as an index into one time through
     * @param to the first that is not of it any more
     * @param laterMs how much later than in the one time through they should come
     */
    record Leg(int from, int to, double laterMs) {}

    TimesThrough {
        legs = List.copyOf(legs);
        aboutMs = List.copyOf(aboutMs);
    }

    /** The whole of it, once. */
    static TimesThrough once(List<Wanted> notes) {
        return new TimesThrough(List.of(new Leg(0, notes.size(), 0)), List.of());
    }

    /**
     * Finds the order in what was heard; once as written, where nothing else is heard.
     *
     * @param begins the written notes with which parts begin
     */
    static TimesThrough of(List<Wanted> notes, Set<Integer> begins, Heard heard) {
        if (notes.isEmpty() || heard.size() < STEP) {
            return once(notes);
        }
        double higher = Alignment.higher(notes, heard);
        Set<Integer> starts = starts(notes, begins);
        List<Found> found = new Search(notes, starts, heard, higher).found();
        // A few notes that were not heard at either end are missing; whole parts are not played.
        boolean whole = found.size() == 1 && (found.getFirst().from() == 0 || !starts.contains(found.getFirst().from()))
                && (found.getFirst().to() == notes.size() || !starts.contains(found.getFirst().to()));
        return found.isEmpty() || whole ? once(notes)
                : new TimesThrough(timed(notes, found, heard), found.stream().flatMap(f -> f.steps().stream().map(s -> heard.ms(STEP * s))).toList());
    }

    /** Whether it was played once as it is written. */
    boolean isOnce() {
        return aboutMs.isEmpty();
    }

    /** The notes that were played, each at the time at which it should come. */
    List<Wanted> notes(List<Wanted> once) {
        Map<Integer, Integer> passes = new HashMap<>();
        List<Wanted> all = new ArrayList<>();
        for (Leg leg : legs) {
            for (Wanted w : once.subList(leg.from(), leg.to())) {
                all.add(new Wanted(w.bar(), w.note(), passes.merge(w.note(), 1, Integer::sum), w.atMs() + leg.laterMs(), w.forMs(), w.midi()));
            }
        }
        return all;
    }

    /** The names of the parts in the order in which they were played, or in which they are written where that is how. */
    String order(List<Wanted> once, List<Part> parts) {
        List<Integer> starts = starts(once, parts.stream().map(Part::fromNote).collect(Collectors.toSet())).stream().sorted().toList();
        List<String> played = new ArrayList<>();
        // A pickup by which a part has begun already is not a time by itself.
        Optional<Wanted> begun = Optional.empty();
        for (Leg leg : legs) {
            for (int i : starts.stream().filter(i -> i >= leg.from() && i < leg.to()).toList()) {
                Wanted one = once.get(i);
                if (begun.filter(b -> b.note() < one.note() && part(parts, b.note()).equals(part(parts, one.note()))).isEmpty()) {
                    played.add(part(parts, one.note()).name());
                }
                begun = Optional.of(one);
            }
            if (leg.to() < once.size() && !starts.contains(leg.to())) {
                played.add("(broken off)");
                begun = Optional.empty();
            }
        }
        return String.join(" ", played);
    }

    private static Part part(List<Part> parts, int note) {
        return parts.stream().filter(p -> p.fromNote() <= note).max(Comparator.comparingInt(Part::fromNote)).orElse(parts.getFirst());
    }

    /** The same of the onsets of one time through. */
    Expected expected(List<Wanted> once, Expected whole) {
        if (isOnce()) {
            return whole;
        }
        List<Expected.Onset> all = new ArrayList<>();
        double length = 0;
        for (Leg leg : legs) {
            double from = once.get(leg.from()).atMs();
            double to = end(once, leg.to());
            whole.onsets().stream().filter(o -> o.atMs() > from - 0.5 && o.atMs() < to - 0.5)
                    .forEach(o -> all.add(new Expected.Onset(o.atMs() + leg.laterMs(), o.pulse(), o.pulses(), o.note())));
            length = to + leg.laterMs();
        }
        return new Expected(all, length);
    }

    /** The notes of one time through at which a part begins: what is jumped back to begins one too. */
    private static Set<Integer> starts(List<Wanted> notes, Set<Integer> begins) {
        Set<Integer> written = new HashSet<>(begins);
        written.add(notes.getFirst().note());
        for (int i = 1; i < notes.size(); i++) {
            if (notes.get(i).note() < notes.get(i - 1).note()) {
                written.add(notes.get(i).note());
            }
        }
        Set<Integer> starts = new HashSet<>();
        for (int i = 0; i < notes.size(); i++) {
            if (written.contains(notes.get(i).note())) {
                starts.add(i);
            }
        }
        return starts;
    }

    private static double end(List<Wanted> notes, int to) {
        return to < notes.size() ? notes.get(to).atMs() : notes.getLast().atMs() + notes.getLast().forMs();
    }

    /** When each leg should come: on the beat behind the one before, or later where there was a pause. */
    private static List<Leg> timed(List<Wanted> notes, List<Found> found, Heard heard) {
        List<Leg> legs = new ArrayList<>();
        double ends = 0;
        for (int k = 0; k < found.size(); k++) {
            Found one = found.get(k);
            double from = notes.get(one.from()).atMs();
            double to = k + 1 == found.size() ? end(notes, one.to()) : Math.max(end(notes, one.to()), notes.get(one.to() - 1).atMs() + 1);
            double later = k == 0 ? 0 : ends - from;
            if (k > 0) {
                Found before = found.get(k - 1);
                Leg last = legs.getLast();
                double wanted = end(notes, last.to()) - notes.get(last.from()).atMs();
                double took = heard.ms(STEP * (one.step() - before.step()));
                double pause = took / slope(notes, found, heard) - wanted;
                later += pause > PAUSE ? pause : 0;
            }
            legs.add(new Leg(one.from(), one.to(), later));
            ends = to + later;
        }
        return legs;
    }

    /** Played milliseconds for each that is wanted: the middle of what the legs say, each by its notes. */
    private static double slope(List<Wanted> notes, List<Found> found, Heard heard) {
        double[] slopes = found.stream().filter(f -> f.to() - f.from() > 1)
                .mapToDouble(f -> heard.ms(STEP * (f.last() - f.step())) / Math.max(1, notes.get(f.to() - 1).atMs() - notes.get(f.from()).atMs())).filter(s -> s > 0).sorted().toArray();
        return slopes.length == 0 ? 1 : slopes[slopes.length / 2];
    }

    /**
     * A leg as it was found.
     *
     * @param steps in which each of its notes begins
     */
    private record Found(int from, int to, List<Integer> steps) {

        int step() {
            return steps.getFirst();
        }

        int last() {
            return steps.getLast();
        }
    }

    /** The cheapest way through the steps. States are: before the tune, each note, behind the tune. */
    private static final class Search {

        private final List<Wanted> notes;
        private final Set<Integer> starts;
        private final float[] midi;
        private final float[] attack;
        private final double higher;
        private final byte[][] from;
        /** The note from which another leg is begun anew, in each step. */
        private final int[] leaves;
        /** The note with which the tune is left, in each step; one more than the last where it was left already. */
        private final int[] left;

        Search(List<Wanted> notes, Set<Integer> starts, Heard heard, double higher) {
            this.notes = notes;
            this.starts = starts;
            this.higher = higher;
            int steps = heard.size() / STEP;
            this.midi = new float[steps];
            this.attack = new float[steps];
            for (int s = 0; s < steps; s++) {
                midi[s] = middle(heard, s * STEP);
                for (int f = s * STEP; f < (s + 1) * STEP; f++) {
                    attack[s] = Math.max(attack[s], heard.attack()[f]);
                }
            }
            this.from = new byte[steps][];
            this.leaves = new int[steps];
            this.left = new int[steps];
        }

        private static float middle(Heard heard, int from) {
            float[] some = new float[STEP];
            int n = 0;
            for (int f = from; f < from + STEP; f++) {
                if (heard.isPitched(f)) {
                    some[n++] = heard.midi()[f];
                }
            }
            Arrays.sort(some, 0, n);
            return n == 0 ? Float.NaN : some[n / 2];
        }

        List<Found> found() {
            int size = notes.size();
            float outside = outside(0);
            float behind = Float.MAX_VALUE / 4;
            float[] cost = new float[size];
            float[] before = new float[size];
            for (int n = 0; n < size; n++) {
                cost[n] = begin(n) + away(n, 0);
            }
            from[0] = new byte[size];
            Arrays.fill(from[0], BEGUN);
            for (int s = 1; s < midi.length; s++) {
                float[] swap = before;
                before = cost;
                cost = swap;
                float leave = Float.MAX_VALUE / 4;
                float end = behind;
                left[s] = size;
                for (int n = 0; n < size; n++) {
                    boolean ends = n + 1 == size || starts.contains(n + 1);
                    float price = before[n] + (ends ? OTHER_PART : BROKEN_OFF);
                    if (price < leave) {
                        leave = price;
                        leaves[s] = n;
                    }
                    float last = before[n] + (ends ? 0 : OTHER_PART);
                    if (last < end) {
                        end = last;
                        left[s] = n;
                    }
                }
                from[s] = new byte[size];
                for (int n = 0; n < size; n++) {
                    cost[n] = into(n, s, before, outside, leave) + away(n, s);
                }
                behind = end + outside(s);
                outside += outside(s);
            }
            int best = size;
            float least = behind;
            for (int n = 0; n < size; n++) {
                float price = cost[n] + (n + 1 == size || starts.contains(n + 1) ? 0 : OTHER_PART);
                if (price < least) {
                    least = price;
                    best = n;
                }
            }
            return back(best, outside < least);
        }

        /** How a note is come into or stayed in. */
        private float into(int n, int s, float[] before, float outside, float leave) {
            float best = before[n];
            byte way = 0;
            // Going on in silence is leaving a note out: nothing is lost by waiting until the next is heard.
            float enter = ENTER + (Float.isNaN(midi[s]) ? MISSING : 0);
            for (int gap = 1; gap <= GAP && gap <= n; gap++) {
                float price = before[n - gap] + enter + MISSING * (gap - 1) + (notes.get(n - gap).midi() == notes.get(n).midi() ? SAME_AGAIN * (1 - attack[s]) : 0);
                if (price < best) {
                    best = price;
                    way = (byte) gap;
                }
            }
            if (outside + begin(n) < best) {
                best = outside + begin(n);
                way = BEGUN;
            }
            if (starts.contains(n) && leave < best) {
                best = leave;
                way = ANEW;
            }
            from[s][n] = way;
            return best;
        }

        private float begin(int n) {
            // Rather the first part and then another than another at once.
            return n == 0 ? 0 : starts.contains(n) ? OTHER_PART + 1 : 2 * OTHER_PART;
        }

        private List<Found> back(int end, boolean silent) {
            List<Found> found = new ArrayList<>();
            int s = midi.length - 1;
            int note = end;
            while (note == notes.size() && s > 0) {
                note = left[s--];
            }
            if (silent || note == notes.size()) {
                return found;
            }
            LinkedList<Integer> steps = new LinkedList<>();
            int to = note + 1;
            int ends = s;
            for (; s >= 0; s--) {
                byte way = from[s][note];
                if (way != 0) {
                    steps.addFirst(sounds(s, steps.isEmpty() ? ends : steps.getFirst()));
                }
                if (way == BEGUN || way == ANEW) {
                    found.addFirst(new Found(note, to, List.copyOf(steps)));
                    if (way == BEGUN) {
                        break;
                    }
                    ends = s;
                    steps.clear();
                    note = leaves[s];
                    to = note + 1;
                } else {
                    // What was left out begins with what comes behind it.
                    for (int gap = 1; gap < way; gap++) {
                        steps.addFirst(s);
                    }
                    note -= way;
                }
            }
            return found;
        }

        /** The first step of a note, up to where the next begins, in which a pitch is heard: before it is silence. */
        private int sounds(int from, int to) {
            int s = from;
            while (s < to && Float.isNaN(midi[s])) {
                s++;
            }
            return s < to ? s : from;
        }

        private float away(int note, int step) {
            return Alignment.away(midi[step] - higher - notes.get(note).midi());
        }

        private float outside(int step) {
            return Float.isNaN(midi[step]) ? 0 : OUTSIDE;
        }
    }
}
