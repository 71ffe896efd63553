package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.practice.Expected;
import wildflourish.core.reading.Part;

/**
 * In which order the parts of a tune were played: once as it is written, three times on end, without its repeats, or broken off and begun anew ({@link PartSearch} finds it). The exact place
 * of each note is then the work of {@link Alignment}.
 *
 * @param legs each the notes of one time through that were played on end
 * @param aboutMs about when each note that was played begins, in milliseconds of what was heard; empty where it was played once
 */
record TimesThrough(List<Leg> legs, List<Double> aboutMs) {

    /** A rest between two legs that is no longer than this is none, in milliseconds. */
    private static final double PAUSE = 400;

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
        if (notes.isEmpty() || heard.size() < PartSearch.STEP) {
            return once(notes);
        }
        double higher = Alignment.higher(notes, heard);
        Set<Integer> starts = starts(notes, begins);
        List<PartSearch.Found> found = new PartSearch(notes, starts, heard, higher).found();
        // A few notes that were not heard at either end are missing; whole parts are not played.
        boolean whole = found.size() == 1 && (found.getFirst().from() == 0 || !starts.contains(found.getFirst().from()))
                && (found.getFirst().to() == notes.size() || !starts.contains(found.getFirst().to()));
        return found.isEmpty() || whole ? once(notes)
                : new TimesThrough(timed(notes, found, heard), found.stream().flatMap(f -> f.steps().stream().map(s -> heard.ms(PartSearch.STEP * s))).toList());
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
    private static List<Leg> timed(List<Wanted> notes, List<PartSearch.Found> found, Heard heard) {
        List<Leg> legs = new ArrayList<>();
        double ends = 0;
        for (int k = 0; k < found.size(); k++) {
            PartSearch.Found one = found.get(k);
            double from = notes.get(one.from()).atMs();
            double to = k + 1 == found.size() ? end(notes, one.to()) : Math.max(end(notes, one.to()), notes.get(one.to() - 1).atMs() + 1);
            double later = k == 0 ? 0 : ends - from;
            if (k > 0) {
                PartSearch.Found before = found.get(k - 1);
                Leg last = legs.getLast();
                double wanted = end(notes, last.to()) - notes.get(last.from()).atMs();
                double took = heard.ms(PartSearch.STEP * (one.step() - before.step()));
                double pause = took / slope(notes, found, heard) - wanted;
                later += pause > PAUSE ? pause : 0;
            }
            legs.add(new Leg(one.from(), one.to(), later));
            ends = to + later;
        }
        return legs;
    }

    /** Played milliseconds for each that is wanted: the middle of what the legs say, each by its notes. */
    private static double slope(List<Wanted> notes, List<PartSearch.Found> found, Heard heard) {
        double[] slopes = found.stream().filter(f -> f.to() - f.from() > 1)
                .mapToDouble(f -> heard.ms(PartSearch.STEP * (f.last() - f.step())) / Math.max(1, notes.get(f.to() - 1).atMs() - notes.get(f.from()).atMs())).filter(s -> s > 0).sorted().toArray();
        return slopes.length == 0 ? 1 : slopes[slopes.length / 2];
    }
}
