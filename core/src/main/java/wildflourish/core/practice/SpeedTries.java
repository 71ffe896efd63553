package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import wildflourish.core.data.DataFile;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Speeds;

/**
 * How often each quick movement came cleanly, by how long it was meant to last: what real ornaments in a tune tell of how fast somebody's hands are.
 *
 * @param tries in the order made
 */
public record SpeedTries(List<Try> tries) {

    /**
     * A movement that was tried.
     *
     * @param lengthMs how long it was meant to last
     */
    public record Try(Move move, int lengthMs, boolean clean) {}

    /**
     * From when on something is known.
     *
     * @param fewest tries of a movement, as short as that or shorter, tell whether it comes
     * @param easy share of clean tries from which a length counts as easy
     * @param possible the same for possible
     */
    record Known(String provenance, int fewest, double easy, double possible) {}

    private static final Known KNOWN = DataFile.read("practice/speed-tries.json", Known.class);

    /** Nothing tried yet. */
    public static final SpeedTries NONE = new SpeedTries(List.of());

    public SpeedTries {
        tries = List.copyOf(tries);
    }

    /** With more of them. */
    public SpeedTries with(Collection<Try> more) {
        List<Try> all = new ArrayList<>(tries);
        all.addAll(more);
        return new SpeedTries(all);
    }

    /**
     * Speeds with what was shown. Of a movement's tries in the order of their lengths, each so many in a row tell of the longest of them: the comfortable length comes down to the
     * shortest that came nearly always, the floor to the shortest that mostly came. Where even tries as long as the comfortable length and longer mostly failed, it goes up: to the
     * shortest length that mostly came, or by half where none did. Movements that were tried too seldom stay as they are.
     */
    public Speeds applied(Speeds speeds) {
        Speeds changed = speeds;
        for (Move move : Move.values()) {
            List<Try> sorted = tries.stream().filter(t -> t.move() == move).sorted(Comparator.comparingInt(Try::lengthMs)).toList();
            Speeds.Span span = shown(sorted, changed.of(move));
            changed = span.equals(changed.of(move)) ? changed : changed.with(move, span);
        }
        return changed;
    }

    private static Speeds.Span shown(List<Try> sorted, Speeds.Span now) {
        OptionalInt easy = shortest(sorted, KNOWN.easy());
        OptionalInt possible = shortest(sorted, KNOWN.possible());
        List<Try> slow = sorted.stream().filter(t -> t.lengthMs() >= now.comfortable()).toList();
        if (easy.isPresent() && easy.getAsInt() < now.comfortable()) {
            return new Speeds.Span(Math.min(now.floor(), possible.orElse(easy.getAsInt())), easy.getAsInt());
        }
        boolean fails = slow.size() >= KNOWN.fewest() && share(slow) < KNOWN.possible();
        return fails ? new Speeds.Span(now.floor(), Math.max(now.comfortable(), shortest(slow, KNOWN.possible()).orElse(now.comfortable() + now.comfortable() / 2))) : now;
    }

    /** The shortest length that came so often; empty where none did, or it was tried too seldom. */
    private static OptionalInt shortest(List<Try> sorted, double share) {
        return IntStream.rangeClosed(0, sorted.size() - KNOWN.fewest()).mapToObj(i -> sorted.subList(i, i + KNOWN.fewest()))
                .filter(few -> share(few) >= share).mapToInt(few -> few.getLast().lengthMs()).findFirst();
    }

    private static double share(List<Try> tries) {
        return tries.stream().mapToInt(t -> t.clean() ? 1 : 0).average().orElse(0);
    }

    /** What differs between two speeds, in words without a full stop: {@code cut 45/70 ms}; empty where nothing does. */
    public static String difference(Speeds before, Speeds after) {
        return String.join(", ", after.differences(before).entrySet().stream().map(e -> e.getKey() + " " + e.getValue() + " ms").toList());
    }
}
