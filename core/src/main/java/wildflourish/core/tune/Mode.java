package wildflourish.core.tune;

import java.util.Optional;

/** The seven modes, with the distance of their signature from that of the major key on the same tonic. */
public enum Mode {
    LYDIAN(1, "lydian"),
    MAJOR(0, "major"),
    MIXOLYDIAN(-1, "mixolydian"),
    DORIAN(-2, "dorian"),
    MINOR(-3, "minor"),
    PHRYGIAN(-4, "phrygian"),
    LOCRIAN(-5, "locrian");

    private final int fifths;
    private final String word;

    Mode(int fifths, String word) {
        this.fifths = fifths;
        this.word = word;
    }

    /** Sharps (or, negative, flats) that the signature has more than the major key's. */
    public int fifths() {
        return fifths;
    }

    /** The name as written in a title: {@code dorian}. */
    public String word() {
        return word;
    }

    /** The mode of a name or its first three letters, whatever the case; also {@code m}, ionian and aeolian. */
    public static Optional<Mode> named(String name) {
        String lower = name.toLowerCase(java.util.Locale.ROOT);
        if (lower.isEmpty()) {
            return Optional.of(MAJOR);
        }
        if (lower.equals("m")) {
            return Optional.of(MINOR);
        }
        if (lower.length() < 3) {
            return Optional.empty();
        }
        return switch (lower.substring(0, 3)) {
            case "ion", "maj" -> Optional.of(MAJOR);
            case "aeo", "min" -> Optional.of(MINOR);
            case "mix" -> Optional.of(MIXOLYDIAN);
            case "dor" -> Optional.of(DORIAN);
            case "phr" -> Optional.of(PHRYGIAN);
            case "lyd" -> Optional.of(LYDIAN);
            case "loc" -> Optional.of(LOCRIAN);
            default -> Optional.empty();
        };
    }
}
