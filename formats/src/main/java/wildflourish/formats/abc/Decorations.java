package wildflourish.formats.abc;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The letters and signs that stand for decorations, those of the standard and those that a tune explains (section 4.14, 4.16). */
final class Decorations {

    private static final Map<Character, String> SHORT = Map.ofEntries(
            Map.entry('.', "staccato"), Map.entry('~', "roll"), Map.entry('H', "fermata"),
            Map.entry('L', "accent"), Map.entry('M', "lowermordent"), Map.entry('O', "coda"),
            Map.entry('P', "uppermordent"), Map.entry('S', "segno"), Map.entry('T', "trill"),
            Map.entry('u', "upbow"), Map.entry('v', "downbow"));
    private static final String NAME = "[\\p{Alnum}().<>/_+^-]{1,40}";
    private static final Pattern DEFINITION = Pattern.compile("\\s*([H-Wh-w~])\\s*=\\s*[!+](" + NAME + ")[!+].*");

    private final Map<Character, String> signs = new HashMap<>(SHORT);

    static boolean isName(String name) {
        return name.matches(NAME);
    }

    boolean has(char sign) {
        return signs.containsKey(sign);
    }

    String of(char sign) {
        return Objects.requireNonNull(signs.get(sign));
    }

    /** {@code T=!trill!} and the like; whether it could be understood. */
    boolean define(String text) {
        Matcher match = DEFINITION.matcher(text);
        if (match.matches()) {
            signs.put(match.group(1).charAt(0), match.group(2));
        }
        return match.matches();
    }
}
