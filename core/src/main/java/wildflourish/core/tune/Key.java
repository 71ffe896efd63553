package wildflourish.core.tune;

import java.util.Map;

/**
 * A key: tonic, mode, and accidentals that the writer set beside them.
 *
 * @param tonicAlter −1, 0 or 1
 * @param explicit letters whose accidental the key sets against its mode's signature; never null
 * @param open true for a tune without a key: no tonic, no signature, only the explicit accidentals
 */
public record Key(Step tonic, int tonicAlter, Mode mode, Map<Step, Integer> explicit, boolean open) {

    public static final Key NONE = new Key(Step.C, 0, Mode.MAJOR, Map.of(), true);

    public Key {
        if (tonicAlter < -1 || tonicAlter > 1) {
            throw new IllegalArgumentException("a tonic is flat, natural or sharp, not " + tonicAlter);
        }
        explicit = explicit.isEmpty() ? Map.of() : Map.copyOf(explicit);
    }

    public static Key of(Step tonic, int tonicAlter, Mode mode) {
        return new Key(tonic, tonicAlter, mode, Map.of(), false);
    }

    /** Sharps (negative: flats) in the signature, explicit accidentals apart; more than seven are possible. */
    public int fifths() {
        return open ? 0 : tonic.fifths() + 7 * tonicAlter + mode.fifths();
    }

    /** Semitones by which a letter without accidental is moved in this key. */
    public int alterOf(Step step) {
        Integer set = explicit.get(step);
        return set != null ? set : signatureOf(step);
    }

    /** The note so many steps up (or, negative, down) the scale of this key from a pitch. */
    public Pitch step(Pitch from, int steps) {
        int letter = from.diatonic() + steps;
        Step step = Step.values()[Math.floorMod(letter, 7)];
        return new Pitch(step, Math.clamp(alterOf(step), -2, 2), Math.floorDiv(letter, 7));
    }

    /** The tonic in the octave of C4; C where the tune has no key. */
    public Pitch tonicPitch() {
        return new Pitch(tonic, tonicAlter, 4);
    }

    private int signatureOf(Step step) {
        // The nth sharp falls on F C G D A E B; a letter is sharp n times when the circle has passed it n times.
        return Math.clamp(Math.floorDiv(fifths() - step.fifths() + 5, 7), -2, 2);
    }

    /** The letters the printed signature shows, in the order in which they are printed, with their accidentals. */
    public Map<Step, Integer> signature() {
        Map<Step, Integer> shown = new java.util.LinkedHashMap<>();
        Step[] sharps = {Step.F, Step.C, Step.G, Step.D, Step.A, Step.E, Step.B};
        boolean flats = fifths() < 0;
        for (int i = 0; i < 7; i++) {
            Step step = flats ? sharps[6 - i] : sharps[i];
            if (signatureOf(step) != 0 && alterOf(step) != 0) {
                shown.put(step, alterOf(step));
            }
        }
        for (Step step : sharps) {
            Integer set = explicit.get(step);
            if (set != null && set != 0) {
                shown.putIfAbsent(step, set);
            }
        }
        return shown;
    }

    /** For reading: {@code E dorian}, {@code D major}, {@code no key}. */
    public String spoken() {
        return open ? "no key" : new Pitch(tonic, tonicAlter, 4).spoken() + " " + mode.word();
    }
}
