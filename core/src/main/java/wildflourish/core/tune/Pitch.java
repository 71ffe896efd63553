package wildflourish.core.tune;

/**
 * A spelled pitch in scientific octaves (A4 = 440 Hz, ISO 16:1975; C4 is middle C).
 *
 * @param alter semitones by which accidentals move the letter: −2 to 2
 * @param octave scientific octave number of the letter
 */
public record Pitch(Step step, int alter, int octave) implements Comparable<Pitch> {

    private static final String[] SIGNS = {"bb", "b", "", "#", "##"};

    public Pitch {
        if (alter < -2 || alter > 2) {
            throw new IllegalArgumentException("an accidental moves a note by at most two semitones, not " + alter);
        }
    }

    /** Reads {@code F#4}, {@code Bb3}, {@code C5}; throws {@link IllegalArgumentException} for anything else. */
    public static Pitch parse(String text) {
        try {
            int at = 1;
            int alter = 0;
            while (at < text.length() && (text.charAt(at) == '#' || text.charAt(at) == 'b')) {
                alter += text.charAt(at) == '#' ? 1 : -1;
                at++;
            }
            return new Pitch(Step.valueOf(text.substring(0, 1)), alter, Integer.parseInt(text.substring(at)));
        } catch (RuntimeException e) {
            throw new IllegalArgumentException("'" + text + "' is not a pitch like F#4", e);
        }
    }

    /** The pitch of a MIDI note number, spelled with sharps except B flat and E flat, as players of this music do. */
    public static Pitch ofMidi(int midi) {
        int octave = Math.floorDiv(midi, 12) - 1;
        return switch (Math.floorMod(midi, 12)) {
            case 0 -> new Pitch(Step.C, 0, octave);
            case 1 -> new Pitch(Step.C, 1, octave);
            case 2 -> new Pitch(Step.D, 0, octave);
            case 3 -> new Pitch(Step.E, -1, octave);
            case 4 -> new Pitch(Step.E, 0, octave);
            case 5 -> new Pitch(Step.F, 0, octave);
            case 6 -> new Pitch(Step.F, 1, octave);
            case 7 -> new Pitch(Step.G, 0, octave);
            case 8 -> new Pitch(Step.G, 1, octave);
            case 9 -> new Pitch(Step.A, 0, octave);
            case 10 -> new Pitch(Step.B, -1, octave);
            default -> new Pitch(Step.B, 0, octave);
        };
    }

    /** MIDI 1.0 note number, C4 = 60. */
    public int midi() {
        return (octave + 1) * 12 + step.semitones() + alter;
    }

    /** Frequency in hertz in equal temperament at A4 = 440 Hz (ISO 16:1975). */
    public double hertz() {
        return 440 * Math.pow(2, (midi() - 69) / 12.0);
    }

    /** Stave position counted in letters: C0 is 0, C4 is 28. */
    public int diatonic() {
        return octave * 7 + step.ordinal();
    }

    public Pitch withAlter(int newAlter) {
        return new Pitch(step, newAlter, octave);
    }

    /** This pitch moved; spelled as the interval spells it, unless that took more than a double accidental. */
    public Pitch plus(Interval interval) {
        int letter = diatonic() + interval.steps();
        Step newStep = Step.values()[Math.floorMod(letter, 7)];
        int newOctave = Math.floorDiv(letter, 7);
        int newAlter = midi() + interval.semitones() - new Pitch(newStep, 0, newOctave).midi();
        return newAlter < -2 || newAlter > 2
                ? ofMidi(midi() + interval.semitones()) : new Pitch(newStep, newAlter, newOctave);
    }

    public Pitch octavesUp(int octaves) {
        return new Pitch(step, alter, octave + octaves);
    }

    /** Name without the octave, for reading: {@code F sharp}, {@code B flat}, {@code C}. */
    public String spoken() {
        return switch (alter) {
            case -2 -> step + " double flat";
            case -1 -> step + " flat";
            case 0 -> step.toString();
            case 1 -> step + " sharp";
            default -> step + " double sharp";
        };
    }

    /** Name without the octave, short: {@code F#}, {@code Bb}, {@code C}. */
    public String letter() {
        return step + SIGNS[alter + 2];
    }

    @Override
    public int compareTo(Pitch other) {
        return midi() != other.midi() ? Integer.compare(midi(), other.midi())
                : Integer.compare(diatonic(), other.diatonic());
    }

    @Override
    public String toString() {
        return letter() + octave;
    }
}
