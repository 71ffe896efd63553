package wildflourish.core.ornament;

import java.util.LinkedHashMap;
import java.util.Map;
import wildflourish.core.tune.Pitch;

/**
 * The rule that finds the other note, or the finger, that an elementary part needs. The rules are few and in code; which
 * ornament uses which is data. They are divided by what understands them, so that each hand answers for all of its own and for
 * no others; which go with which movement is {@link Motion#fault}'s to say, when a file is read.
 */
public sealed interface HelperNote {

    /** Another note in this one's place. */
    sealed interface InPlace extends HelperNote {}

    /** Another note in this one's place, over holes. */
    sealed interface OnHoles extends InPlace {}

    /** Another note in this one's place, by a finger on a string. */
    sealed interface OnStrings extends InPlace {}

    /** Found by the music alone, whatever holds the note. */
    sealed interface ByMusic extends OnHoles, OnStrings {}

    /** What a stroke strikes: the note, or an open string. */
    sealed interface Struck extends HelperNote {}

    /** What sounds along on other strings. */
    sealed interface AlongStrings extends HelperNote {}

    /** What sounds along wherever several notes can be held. */
    sealed interface Along extends AlongStrings {}

    /** The note itself. */
    record Itself() implements ByMusic, Struck, AlongStrings {}

    /** The finger above: a finger that is down on a hole, or on strings the next finger in the scale (schools differ). */
    record FingerAbove() implements ByMusic {}

    /** The finger below: the next open hole, or on strings the next lower finger or the open string. */
    record FingerBelow() implements ByMusic {}

    /** So many steps up (or, negative, down) the scale of the key. */
    record Steps(int steps) implements ByMusic, Along {}

    /** So many semitones up (or, negative, down). */
    record Semitones(int semitones) implements ByMusic {}

    /** A neighbouring string, open. */
    record OpenString() implements AlongStrings {}

    /** The string the note lies on, open. */
    record OwnOpenString() implements OnStrings, Struck {}

    /** The open string so many places nearer to the first string. */
    record StringNearer(int places) implements Struck {}

    /** The first string, open. */
    record FirstString() implements Struck {}

    /** The short fifth string. */
    record ShortString() implements Struck {}

    /** The same finger laid across the next string. */
    record Across() implements AlongStrings {}

    /** An octave away, below before above. */
    record Octave() implements Along {}

    /** The tonic or the fifth of the key, wherever it can be held. */
    record Drone() implements Along {}

    /** Further notes of the chord of this place. */
    record Chord() implements Along {}

    /** The note before, kept or restated. */
    record Before() implements ByMusic, Along {}

    /** The next note. */
    record Next() implements ByMusic {}

    /** The note between this one and the next. */
    record Between() implements ByMusic {}

    /** The flattened third or seventh of the key, whichever lies nearer. */
    record Blue() implements ByMusic {}

    /** The fork that a held finger makes possible above this note, from the instrument's chart. */
    record Fork() implements OnHoles {}

    /** The note that a shake reaches in which one finger falls as another rises, from the instrument's chart. */
    record Seesaw() implements OnHoles {}

    /** The upper note of a doubling on the nine-note pipes: D for the notes below it, the next note up from there. */
    record Doubling() implements OnHoles {}

    /** A pitch by its name. */
    record Named(Pitch pitch) implements ByMusic {}

    /** A pitch that a movement of several fingers passes through. */
    record Through(Pitch pitch) implements OnHoles {}

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
