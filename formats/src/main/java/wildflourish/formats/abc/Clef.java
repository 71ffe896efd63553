package wildflourish.formats.abc;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a clef says of the octave that notes sound in (ABC standard 2.1, section 4.6): notes are read where they sound. */
final class Clef {

    private static final Pattern OCTAVE_SIGN = Pattern.compile("(?<=\\b(?:treble|bass|alto|tenor|perc|none)\\d?)([+-])(8|15)");
    private static final Pattern OCTAVE = Pattern.compile("\\boctave\\s*=\\s*(-?\\d)\\b");
    private static final Pattern NAMED = Pattern.compile("\\b(treble|bass|alto|tenor|perc)|\\bclef\\s*=");

    private static final Pattern ALONE = Pattern.compile("(treble|bass|alto|tenor|perc|(clef|octave|middle|transpose|staff\\w+|stem)\\s*=).*");

    private Clef() {}

    /** Whether the value of a key's field says nothing of the key. */
    static boolean isAlone(String value) {
        return ALONE.matcher(value.strip()).matches();
    }

    /** By how many octaves the notes sound above where they are written; empty where the value of the field names no clef. */
    static Optional<Integer> octaves(String value) {
        Matcher sign = OCTAVE_SIGN.matcher(value);
        Matcher octave = OCTAVE.matcher(value);
        boolean signed = sign.find();
        boolean moved = octave.find();
        if (!signed && !moved) {
            return NAMED.matcher(value).find() ? Optional.of(0) : Optional.empty();
        }
        int by = signed ? (sign.group(1).equals("-") ? -1 : 1) * (sign.group(2).equals("8") ? 1 : 2) : 0;
        return Optional.of(by + (moved ? Integer.parseInt(octave.group(1)) : 0));
    }

    /** The value of a field without what has moved the notes already. */
    static String without(String value) {
        return OCTAVE.matcher(OCTAVE_SIGN.matcher(value).replaceAll("")).replaceAll("").strip();
    }
}
