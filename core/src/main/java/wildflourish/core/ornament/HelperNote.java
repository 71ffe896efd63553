package wildflourish.core.ornament;

import java.util.LinkedHashMap;
import java.util.Map;
import wildflourish.core.tune.Pitch;

/**
 * The rule that finds the other note, or the finger, that an elementary part needs. The rules are few and in code; which
 * ornament uses which is data.
 */
public sealed interface HelperNote {

    /** The note itself. */
    record Itself() implements HelperNote {}

    /** The finger above: a finger that is down on a hole, or on strings the next finger in the scale (schools differ). */
    record FingerAbove() implements HelperNote {}

    /** The finger below: the next open hole, or on strings the next lower finger or the open string. */
    record FingerBelow() implements HelperNote {}

    /** So many steps up (or, negative, down) the scale of the key. */
    record Steps(int steps) implements HelperNote {}

    /** So many semitones up (or, negative, down). */
    record Semitones(int semitones) implements HelperNote {}

    /** A neighbouring string, open. */
    record OpenString() implements HelperNote {}

    /** The string the note lies on, open. */
    record OwnOpenString() implements HelperNote {}

    /** The open string so many places nearer to the first string. */
    record StringNearer(int places) implements HelperNote {}

    /** The first string, open. */
    record FirstString() implements HelperNote {}

    /** The short fifth string. */
    record ShortString() implements HelperNote {}

    /** The same finger laid across the next string. */
    record Across() implements HelperNote {}

    /** An octave away, below before above. */
    record Octave() implements HelperNote {}

    /** The tonic or the fifth of the key, wherever it can be held. */
    record Drone() implements HelperNote {}

    /** Further notes of the chord of this place. */
    record Chord() implements HelperNote {}

    /** The note before, kept or restated. */
    record Before() implements HelperNote {}

    /** The next note. */
    record Next() implements HelperNote {}

    /** The note between this one and the next. */
    record Between() implements HelperNote {}

    /** The flattened third or seventh of the key, whichever lies nearer. */
    record Blue() implements HelperNote {}

    /** The fork that a held finger makes possible above this note, from the instrument's chart. */
    record Fork() implements HelperNote {}

    /** The note that a shake reaches in which one finger falls as another rises, from the instrument's chart. */
    record Seesaw() implements HelperNote {}

    /** The upper note of a doubling on the nine-note pipes: D for the notes below it, the next note up from there. */
    record Doubling() implements HelperNote {}

    /** A pitch by its name. */
    record Named(Pitch pitch) implements HelperNote {}

    /** A pitch that a movement of several fingers passes through. */
    record Through(Pitch pitch) implements HelperNote {}

    HelperNote ITSELF = new Itself();

    Map<String, HelperNote> WORDS = words();

    private static Map<String, HelperNote> words() {
        Map<String, HelperNote> words = new LinkedHashMap<>();
        words.put("itself", ITSELF);
        words.put("finger above", new FingerAbove());
        words.put("finger below", new FingerBelow());
        words.put("step above", new Steps(1));
        words.put("step below", new Steps(-1));
        words.put("two steps below", new Steps(-2));
        words.put("two steps above", new Steps(2));
        words.put("three steps above", new Steps(3));
        words.put("third above", new Steps(2));
        words.put("third below", new Steps(-2));
        words.put("sixth above", new Steps(5));
        words.put("sixth below", new Steps(-5));
        words.put("semitone below", new Semitones(-1));
        words.put("semitone above", new Semitones(1));
        words.put("open string", new OpenString());
        words.put("its own string open", new OwnOpenString());
        words.put("next string", new StringNearer(1));
        words.put("first string", new FirstString());
        words.put("short string", new ShortString());
        words.put("finger across", new Across());
        words.put("octave", new Octave());
        words.put("drone", new Drone());
        words.put("chord", new Chord());
        words.put("note before", new Before());
        words.put("next note", new Next());
        words.put("between", new Between());
        words.put("blue note", new Blue());
        words.put("fork", new Fork());
        words.put("seesaw", new Seesaw());
        words.put("doubling", new Doubling());
        return words;
    }

    /** Reads the words of a data file, or the name of a pitch; throws {@link IllegalArgumentException} for others. */
    static HelperNote parse(String words) {
        HelperNote known = WORDS.get(words);
        if (known != null) {
            return known;
        }
        try {
            return words.startsWith("through ") ? new Through(Pitch.parse(words.substring("through ".length())))
                    : new Named(Pitch.parse(words));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("there is no helper note '%s'; there are %s, or a pitch like G5, or through G5".formatted(
                    words, String.join(", ", WORDS.keySet())));
        }
    }
}
