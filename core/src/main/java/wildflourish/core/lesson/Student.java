package wildflourish.core.lesson;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;

/**
 * Somebody who learns.
 *
 * @param group the class that they come to, as in {@code Thursday}; may be empty
 * @param instrument the id of what they play now
 * @param also the ids of what else they play
 * @param capo the fret of their capo; 0 for none
 * @param level one of the levels of {@link Speeds}, from which their speeds go out
 * @param speeds what is known of their own hands, as {@code cut} and {@code 45/70}: milliseconds to the limit, and with ease; or {@code lungful} and {@code 8}: seconds
 * @param schools how they play where players differ
 * @param reads whether they read music; a step list is for those who do not
 * @param remark for the teacher's eye only; may be empty
 */
public record Student(String name, String group, String instrument, List<String> also, int capo, String level, Map<String, String> speeds, Map<String, String> schools, boolean reads, String remark) {

    /**
     * Checks everything that a teacher types.
     *
     * @throws IllegalArgumentException in the teacher's words, where something is not known or cannot be
     */
    public Student {
        name = name.strip();
        group = group.strip();
        if (name.isEmpty()) {
            throw new IllegalArgumentException("a student has a name");
        }
        speeds = java.util.Collections.unmodifiableMap(new TreeMap<>(speeds));
        schools = java.util.Collections.unmodifiableMap(new TreeMap<>(schools));
        String id = instrument;
        also = also.stream().filter(other -> !other.equals(id)).distinct().toList();
        for (String other : also) {
            known(name, other);
        }
        known(name, instrument).withCapo(capo);
        hands(level, speeds);
    }

    private static Instrument known(String name, String id) {
        Instrument plays = Instruments.byId(id).orElseThrow(() -> new IllegalArgumentException("there is no instrument '%s'".formatted(id)));
        if (!plays.hasHands()) {
            throw new IllegalArgumentException("%s plays an instrument".formatted(name));
        }
        return plays;
    }

    /** A student of whom only this is known; nothing is measured yet. */
    public static Student of(String name, String group, String instrument, String level) {
        return new Student(name, group, instrument, List.of(), 0, level, Map.of(), Map.of(), true, "");
    }

    /** The text under which a library keeps it. */
    public String write() {
        return DataFile.write(this);
    }

    /** Reads what {@link #write} wrote; throws {@link wildflourish.core.data.DataFault} for anything else. */
    public static Student read(String text) {
        return DataFile.parse("a student", text, Student.class);
    }

    /** The next of their instruments in hand, the capo off; the same where they play one. */
    public Student onTheirNext() {
        if (also.isEmpty()) {
            return this;
        }
        List<String> others = new ArrayList<>(also.subList(1, also.size()));
        others.add(instrument);
        return new Student(name, group, also.getFirst(), others, 0, level, speeds, schools, reads, remark);
    }

    /** What they play, with the capo. */
    public Instrument plays() {
        return Instruments.known(instrument).withCapo(capo);
    }

    /** How fast their hands are. */
    public Speeds hands() {
        return hands(level, speeds);
    }

    private static Speeds hands(String level, Map<String, String> speeds) {
        Speeds hands = Speeds.level(level);
        for (Map.Entry<String, String> own : speeds.entrySet()) {
            hands = hands.with(own.getKey(), own.getValue());
        }
        return hands;
    }

    /** How they play where players differ. */
    public School school() {
        return new School(schools);
    }

    /** With what has been found about their hands, as far as it differs from their level. */
    public Student with(Speeds measured) {
        return new Student(name, group, instrument, also, capo, level, measured.differences(Speeds.level(level)), schools, reads, remark);
    }

    /** An arrangement in this student's hands as far as these are not the instrument: their speeds and their schools. */
    Arrangement hold(Arrangement arrangement) {
        return arrangement.with(hands()).with(school());
    }
}
