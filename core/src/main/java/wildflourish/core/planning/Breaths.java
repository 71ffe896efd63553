package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/**
 * Where a wind player breathes: the places that hurt the tune least, none farther apart than a lungful, over the tune as it
 * is played out with its repeats. Exact, by dynamic programming. Breath is never taken inside an ornament, and only a weak
 * note is left out for it.
 *
 * @param marks in the order of the written notes
 * @param longestSeconds the longest time blown without a breath
 * @param enough whether that is within the lungful
 */
public record Breaths(List<Mark> marks, double longestSeconds, boolean enough) {

    /** Whether something stands on a note that a breath would cut off. */
    public enum Busy {
        /** Nothing at all. */
        NOT,
        /** Its beginning alone: it can end early, but not be left out. */
        AT_ITS_START,
        /** The whole of it. */
        THROUGHOUT
    }

    /** How room is made for a breath. */
    public enum Room {
        /** A breath stands there already. */
        GIVEN,
        /** A rest is there already. */
        REST,
        /** The end of the note is cut short. */
        SHORTEN,
        /** The note is left out. */
        DROP
    }

    /**
     * A breath.
     *
     * @param note the written note after which, or in place of which, one breathes
     * @param times on how many of the passes through it
     * @param ofTimes how often it is passed
     */
    public record Mark(int note, Room room, int times, int ofTimes) {

        /** As a sentence without its full stop, the bar not named. */
        public String inWords(Timeline tune) {
            Stand stand = tune.note(note);
            String when = times == ofTimes ? "" : " (%d of %d times)".formatted(times, ofTimes);
            return switch (room) {
                case GIVEN -> "breathe after the %s, as the version has it".formatted(stand.pitch().spoken());
                case REST -> "breathe in the rest";
                case SHORTEN -> "end the %s early and breathe".formatted(stand.pitch().spoken());
                case DROP -> "leave out the weak %s and breathe instead".formatted(stand.pitch().spoken());
            } + when;
        }
    }

    record Costs(
            String provenance, Map<String, Integer> needsMs, double shortenFrom, Map<String, Integer> lungfulSeconds, int breath, int shorten, int drop,
            int insidePhrase, int insideBar, int offTheBeat, int perSecondTooLong) {}

    static final Costs COSTS = DataFile.read("planning/breath.json", Costs.class);

    private record Played(Stand stand, double startMs, double endMs, double restMs) {}

    /**
     * The breaths of a tune.
     *
     * @param breathed whether a breath has been placed on a note already
     * @param busy what stands on a note
     * @param endsPhrase whether a phrase ends with a note
     */
    public static Breaths of(
            Timeline tune, Tempo tempo, Lungs lungs, IntPredicate breathed, IntFunction<Busy> busy,
            IntPredicate endsPhrase) {
        double lungfulSeconds = lungs.lungfulSeconds();
        List<Played> played = played(tune, tempo);
        int n = played.size();
        double[] best = new double[n + 1];
        int[] from = new int[n + 1];
        double[] own = new double[n + 1];
        Room[] rooms = new Room[n + 1];
        for (int k = 1; k <= n; k++) {
            Played last = played.get(k - 1);
            Played next = k < n ? played.get(k) : null;
            rooms[k] = next == null ? Room.REST : room(last, lungs.needsMs(), breathed, busy);
            own[k] = next == null ? 0 : cost(last, next, rooms[k], endsPhrase);
            best[k] = Double.MAX_VALUE;
            for (int j = k - 1; j >= 0 && own[k] < Double.MAX_VALUE; j--) {
                if (best[j] == Double.MAX_VALUE) {
                    continue;
                }
                double seconds = (soundingEnd(last, rooms[k]) - played.get(j).startMs()) / 1000;
                double tooLong = Math.max(0, seconds - lungfulSeconds);
                double sum = best[j] + own[k] + tooLong * COSTS.perSecondTooLong();
                if (sum < best[k]) {
                    best[k] = sum;
                    from[k] = j;
                }
                if (tooLong > lungfulSeconds && best[k] < Double.MAX_VALUE) {
                    break;
                }
            }
        }
        return collected(played, from, rooms, lungfulSeconds);
    }

    private static double soundingEnd(Played last, Room room) {
        return room == Room.DROP ? last.startMs() : last.endMs();
    }

    private static Breaths collected(List<Played> played, int[] from, Room[] rooms, double lungful) {
        Map<Integer, Integer> passes = new TreeMap<>();
        played.forEach(p -> passes.merge(p.stand().index(), 1, Integer::sum));
        Map<Integer, Integer> taken = new TreeMap<>();
        Map<Integer, Room> how = new TreeMap<>();
        double longest = 0;
        for (int k = played.size(); k > 0; k = from[k]) {
            Played last = played.get(k - 1);
            longest = Math.max(longest, (soundingEnd(last, rooms[k]) - played.get(from[k]).startMs()) / 1000);
            if (k < played.size()) {
                taken.merge(last.stand().index(), 1, Integer::sum);
                how.put(last.stand().index(), rooms[k]);
            }
        }
        List<Mark> marks = new ArrayList<>();
        taken.forEach((note, times) -> marks.add(new Mark(note, Objects.requireNonNull(how.get(note)), times, Objects.requireNonNull(passes.get(note)))));
        return new Breaths(List.copyOf(marks), longest, longest <= lungful + 1e-9);
    }

    private static List<Played> played(Timeline tune, Tempo tempo) {
        double whole = tempo.millis(Ratio.ONE).toDouble();
        List<List<Stand>> byBar = new ArrayList<>();
        tune.tune().bars().forEach(b -> byBar.add(new ArrayList<>()));
        tune.notes().stream().filter(s -> !s.heldOver()).forEach(s -> byBar.get(s.bar()).add(s));
        List<Ratio> barStarts = new ArrayList<>();
        Ratio at = Ratio.ZERO;
        for (var bar : tune.tune().bars()) {
            barStarts.add(at);
            at = at.plus(bar.length());
        }
        List<Played> played = new ArrayList<>();
        double clock = 0;
        for (int bar : PlayOrder.of(tune.tune())) {
            for (Stand stand : byBar.get(bar)) {
                double start = clock + stand.onset().minus(barStarts.get(bar)).toDouble() * whole;
                if (!played.isEmpty()) {
                    Played before = played.removeLast();
                    played.add(new Played(before.stand(), before.startMs(), before.endMs(), start - before.endMs()));
                }
                played.add(new Played(stand, start, start + stand.sounding().toDouble() * whole, 0));
            }
            clock += tune.tune().bars().get(bar).length().toDouble() * whole;
        }
        return played;
    }

    private static @Nullable Room room(Played last, int needsMs, IntPredicate breathed, IntFunction<Busy> busy) {
        double length = last.endMs() - last.startMs();
        if (breathed.test(last.stand().index())) {
            return Room.GIVEN;
        }
        if (last.restMs() >= needsMs) {
            return Room.REST;
        }
        Busy there = busy.apply(last.stand().index());
        if (there != Busy.THROUGHOUT && length >= COSTS.shortenFrom() * needsMs) {
            return Room.SHORTEN;
        }
        return there == Busy.NOT && last.stand().strength() == 0 && length >= needsMs ? Room.DROP : null;
    }

    private static double cost(Played last, Played next, Room room, IntPredicate endsPhrase) {
        if (room == null) {
            return Double.MAX_VALUE;
        }
        if (room == Room.GIVEN) {
            return 0;
        }
        double cost = COSTS.breath() + switch (room) {
            case GIVEN -> 0;
            case REST -> 0;
            case SHORTEN -> COSTS.shorten();
            case DROP -> COSTS.drop();
        };
        if (endsPhrase.test(last.stand().index())) {
            // Before a pickup as well as on the bar line: where a phrase ends, one breathes.
            return cost;
        }
        cost += COSTS.insidePhrase();
        cost += next.stand().strength() == 3 ? 0 : COSTS.insideBar();
        return cost + (next.stand().strength() == 0 && room != Room.DROP ? COSTS.offTheBeat() : 0);
    }
}
