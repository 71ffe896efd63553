package wildflourish.core.instrument;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.tune.Pitch;

/**
 * An instrument a student may bring.
 *
 * @param id its name on the command line and in files
 * @param aliases other names of the same instrument
 * @param voice the name of the voice it sounds with; empty for the usual one of its family
 * @param soundsAbove semitones by which it sounds above the written note
 * @param schools the usual choices on it, where they are not the first of their school
 * @param capo the fret a capo is set at; 0 for none
 */
public record Instrument(
        String id, String name, List<String> aliases, Family family, String voice, int soundsAbove, Layout layout,
        Map<String, String> schools, int capo, String provenance) {

    public Instrument {
        aliases = List.copyOf(aliases);
        schools = Map.copyOf(schools);
    }

    /** Whether somebody plays it; false only for the tune as written. */
    public boolean hasHands() {
        return family.hasHands();
    }

    /** Whether the written pitch has a place on it. */
    public boolean has(Pitch pitch) {
        return !layout.places(pitch).isEmpty();
    }

    /** The chart of a wind instrument; empty for the others. */
    public Optional<WindChart> chart() {
        return layout instanceof WindChart chart ? Optional.of(chart) : Optional.empty();
    }

    /** The lowest written pitch; empty for no instrument. */
    public Optional<Pitch> lowest() {
        List<Pitch> all = layout.pitches();
        return all.isEmpty() ? Optional.empty() : Optional.of(all.getFirst());
    }

    /** The highest written pitch; empty for no instrument. */
    public Optional<Pitch> highest() {
        List<Pitch> all = layout.pitches();
        return all.isEmpty() ? Optional.empty() : Optional.of(all.getLast());
    }

    /** The school in force on this instrument: as chosen, else its own usual one, else the usual one of all. */
    public String school(String name, School chosen) {
        return chosen.explicitly(name).or(() -> Optional.ofNullable(schools.get(name)))
                .orElseGet(() -> School.usual(name));
    }

    /**
     * Semitones by which its notes sound above those that its player's fingers think of: on six-hole instruments in other keys than D fingers think
     * in D, behind a capo they think of the open strings (common practice). The octave does not count.
     */
    public int shapesBelow() {
        return capo + (family.opensIntoItsScale() ? chart().map(WindChart::moved).orElse(0) : 0);
    }

    /**
     * The same instrument for one who reads the notes that the fingers think of: written in the pitches of its home chart, or of the open strings behind the capo, it
     * sounds as before. Itself where fingers and sounds agree.
     */
    public Instrument asFingered() {
        int below = shapesBelow();
        if (below == 0) {
            return this;
        }
        Layout home = layout instanceof WindChart chart ? chart.atHome() : ((Neck) layout).withCapo(0);
        return new Instrument(id, name, aliases, family, voice, soundsAbove + below, home, schools, 0, provenance);
    }

    /** Whether it is made in several keys, its players thinking in one. */
    public boolean changesShapes() {
        return family.opensIntoItsScale();
    }

    /** Whether a capo can be put on it. */
    public boolean takesCapo() {
        return layout instanceof Neck neck && neck.takesCapo();
    }

    /**
     * With a capo at a fret: every string rises by as many semitones, the short fifth string too, and frets count from the
     * capo (common practice).
     *
     * @throws IllegalArgumentException where no capo can be put, or not there
     */
    public Instrument withCapo(int fret) {
        if (fret == capo) {
            return this;
        }
        if (!takesCapo()) {
            throw new IllegalArgumentException("the %s takes no capo".formatted(name));
        }
        return new Instrument(id, name, aliases, family, voice, soundsAbove, ((Neck) layout).withCapo(fret), schools, fret,
                provenance);
    }

    /** Its name with the capo: {@code five-string banjo, capo 2}. */
    public String spoken() {
        return capo == 0 ? name : name + ", capo " + capo;
    }

    /** Why a written pitch has no place on it, in the teacher's words. */
    public String whyMissing(Pitch pitch) {
        if (lowest().isPresent() && pitch.midi() < lowest().get().midi()) {
            return "%s is below the lowest note of the %s".formatted(pitch.spoken(), name);
        }
        if (highest().isPresent() && pitch.midi() > highest().get().midi()) {
            return "%s is above the highest note of the %s".formatted(pitch.spoken(), name);
        }
        return "%s is not on the %s".formatted(pitch.spoken(), name);
    }
}
