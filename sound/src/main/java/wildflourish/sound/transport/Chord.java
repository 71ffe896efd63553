package wildflourish.sound.transport;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Step;

/**
 * A chord symbol's tones.
 *
 * @param tones MIDI numbers in the octave above C2, the bass first
 */
record Chord(List<Integer> tones) {

    private static final Pattern SYMBOL = Pattern.compile("([A-G])([#b♯♭]?)(maj7|min7|m7|min|maj|dim|aug|sus4|sus2|m|\\+|7|6|5)?.*");

    /** Reads {@code G}, {@code Em}, {@code A7}, {@code D/F#}; empty for anything that is no chord, such as a remark. */
    static Optional<Chord> parse(String symbol) {
        Matcher matcher = SYMBOL.matcher(symbol.strip());
        if (!matcher.matches()) {
            return Optional.empty();
        }
        int alter = matcher.group(2).matches("[#♯]") ? 1 : matcher.group(2).isEmpty() ? 0 : -1;
        int root = new Pitch(Step.valueOf(matcher.group(1)), alter, 2).midi();
        return Optional.of(new Chord(switch (matcher.group(3) == null ? "" : matcher.group(3)) {
            case "m", "min" -> List.of(root, root + 3, root + 7);
            case "m7", "min7" -> List.of(root, root + 3, root + 7, root + 10);
            case "7" -> List.of(root, root + 4, root + 7, root + 10);
            case "maj7" -> List.of(root, root + 4, root + 7, root + 11);
            case "dim" -> List.of(root, root + 3, root + 6);
            case "aug", "+" -> List.of(root, root + 4, root + 8);
            case "sus4" -> List.of(root, root + 5, root + 7);
            case "sus2" -> List.of(root, root + 2, root + 7);
            case "6" -> List.of(root, root + 4, root + 7, root + 9);
            case "5" -> List.of(root, root + 7);
            default -> List.of(root, root + 4, root + 7);
        }));
    }
}
