package wildflourish.core.fit;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.finding.Sentence;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.tune.Key;

/**
 * How to play along with a recording that is in another key: the recording is moved, or the same fingers are put on another instrument or behind a capo.
 *
 * @param key what the recording sounds in
 * @param shift semitones that the recording is moved by, upward, so that it meets the tune as it is: from {@value Fit#LOWEST} to {@value Fit#HIGHEST}
 * @param meets instruments on which the same fingers sound in the recording's key
 */
public record Recording(Key key, int shift, List<Instrument> meets) {

    private static final int OCTAVE = 12;

    public Recording {
        meets = List.copyOf(meets);
    }

    /**
     * A recording of a tune.
     *
     * @param own the tune's key
     * @param offset semitones from the tune's key up to the recording's, from {@value Fit#LOWEST} to {@value Fit#HIGHEST}
     * @param instrument who plays along
     */
    public static Recording of(Key own, int offset, Instrument instrument) {
        int back = Math.floorMod(-offset, OCTAVE);
        int shift = back > Fit.HIGHEST ? back - OCTAVE : back;
        List<Instrument> meets = new ArrayList<>();
        if (offset != 0 && instrument.takesCapo()) {
            int capo = Math.floorMod(instrument.capo() + offset, OCTAVE);
            if (capo <= Lie.highestCapo()) {
                meets.add(instrument.withCapo(capo));
            }
        } else if (offset != 0 && instrument.changesShapes()) {
            int wanted = Math.floorMod(instrument.shapesBelow() + offset, OCTAVE);
            Instruments.all().stream().filter(i -> i.family().equals(instrument.family()) && i.voice().equals(instrument.voice())
                    && Math.floorMod(i.shapesBelow(), OCTAVE) == wanted).forEach(meets::add);
        }
        return new Recording(Moved.by(own, Moved.interval(own, offset)), shift, meets);
    }

    /** What to do, as a sentence without its full stop. */
    public String inWords() {
        if (shift == 0) {
            return "a recording in %s is in the tune's own key".formatted(key.spoken());
        }
        String moved = "to meet a recording in %s, move it %s %s".formatted(key.spoken(), shift == 1 || shift == -1 ? "a semitone" : Math.abs(shift) + " semitones",
                shift > 0 ? "up" : "down");
        return meets.isEmpty() ? moved : moved + ", or play with the same fingers " + Sentence.listed(meets.stream().map(Recording::how).toList()).replace(" and ", " or ");
    }

    private static String how(Instrument instrument) {
        return instrument.takesCapo() ? instrument.capo() == 0 ? "without the capo" : "behind a capo at fret " + instrument.capo() : "on the " + instrument.name();
    }
}
