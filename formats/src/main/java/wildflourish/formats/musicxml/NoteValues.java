package wildflourish.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import wildflourish.core.tune.Ratio;

/** Note values by the names that MusicXML 4.0 has for them (note-type-value). */
final class NoteValues {

    private static final Map<Ratio, String> NAMES = new TreeMap<>(Map.of(
            Ratio.of(4, 1), "long", Ratio.of(2, 1), "breve", Ratio.of(1, 1), "whole", Ratio.of(1, 2), "half", Ratio.of(1, 4), "quarter",
            Ratio.of(1, 8), "eighth", Ratio.of(1, 16), "16th", Ratio.of(1, 32), "32nd", Ratio.of(1, 64), "64th", Ratio.of(1, 128), "128th"));

    private NoteValues() {}

    /**
     * A note value with its dots.
     *
     * @param name as the format has it
     */
    record Value(String name, int dots) {

        /** Its length as a ratio of a whole note; empty for a name that there is not. */
        Optional<Ratio> length() {
            return NAMES.entrySet().stream().filter(e -> e.getValue().equals(name)).findFirst()
                    .map(e -> e.getKey().times(Ratio.of((2L << Math.min(dots, 8)) - 1, 1L << Math.min(dots, 8))));
        }
    }

    /** The value that is just so long. */
    static Optional<Value> of(Ratio length) {
        for (int dots = 0; dots <= 3; dots++) {
            for (String name : NAMES.values()) {
                Value value = new Value(name, dots);
                if (value.length().orElseThrow().equals(length)) {
                    return Optional.of(value);
                }
            }
        }
        return Optional.empty();
    }

    /** Lengths that have values and add up to a length, the longest first; the length itself where that cannot be. */
    static List<Ratio> parts(Ratio length) {
        List<Ratio> parts = new ArrayList<>();
        Ratio left = length;
        while (left.isPositive() && parts.size() < 12) {
            Ratio now = left;
            Optional<Ratio> longest = NAMES.keySet().stream().flatMap(l -> java.util.stream.Stream.of(l, l.times(Ratio.of(3, 2))))
                    .filter(l -> !now.isLess(l)).max(java.util.Comparator.naturalOrder());
            if (longest.isEmpty()) {
                return List.of(length);
            }
            parts.add(longest.get());
            left = left.minus(longest.get());
        }
        return left.isZero() ? parts : List.of(length);
    }
}
