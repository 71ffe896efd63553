package wildflourish.core.tune;

/** The seven letter names, in the order of the stave from C. */
public enum Step {
    C(0), D(2), E(4), F(5), G(7), A(9), B(11);

    private static final Step[] ALL = values();
    private final int semitones;

    Step(int semitones) {
        this.semitones = semitones;
    }

    /** Semitones above C of the natural note. */
    public int semitones() {
        return semitones;
    }

    /** The letter {@code steps} places up (or down) the stave, wrapping at the octave. */
    public Step plus(int steps) {
        return ALL[Math.floorMod(ordinal() + steps, 7)];
    }

    /** Place on the circle of fifths of the natural note, C = 0, G = 1, F = −1. */
    public int fifths() {
        return switch (this) {
            case F -> -1;
            case C -> 0;
            case G -> 1;
            case D -> 2;
            case A -> 3;
            case E -> 4;
            case B -> 5;
        };
    }
}
