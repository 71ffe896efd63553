package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Lyrics;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** Signs that a line sets under its notes ({@code s:}, ABC standard 2.1, section 4.15), put on the notes. */
final class SymbolLines {

    private static final Pattern TOKEN = Pattern.compile("\"([^\"]*)\"|!([^!\\s]+)!|([*|])");

    /** What a reader of symbol lines is told of. */
    interface Fault {
        void tell(Field line, String what);
    }

    private SymbolLines() {}

    /** The bars with the signs on their notes; the lines themselves are used up. */
    static List<Bar> read(Tune tune, List<Field> lines, Fault fault) {
        Map<Integer, List<String>> signs = new TreeMap<>();
        List<String> words = new ArrayList<>();
        for (Field line : lines) {
            words.clear();
            Field asWords = new Field('w', asWords(line, words, fault), line.after());
            Lyrics laid = Lyrics.of(Timeline.of(tune.withHead(tune.head().withFields(List.of(asWords)))));
            laid.verses().forEach(v -> v.forEach((note, place) ->
                    signs.computeIfAbsent(note, n -> new ArrayList<>()).add(words.get(Integer.parseInt(place.text())))));
            if (!laid.tooLong().isEmpty()) {
                fault.tell(line, "there are more signs than notes above them");
            }
        }
        List<Bar> bars = new ArrayList<>();
        int note = 0;
        for (Bar bar : tune.bars()) {
            List<Element> elements = new ArrayList<>(bar.elements());
            for (int i = 0; i < elements.size(); i++) {
                if (elements.get(i) instanceof Note one) {
                    elements.set(i, one.withMarks(with(one.marks(), signs.getOrDefault(note++, List.of()))));
                }
            }
            bars.add(bar.withElements(elements));
        }
        return bars;
    }

    /** The line as words to sing would be laid, each sign by its number. */
    private static String asWords(Field line, List<String> words, Fault fault) {
        StringBuilder out = new StringBuilder();
        Matcher token = TOKEN.matcher(line.text());
        int end = 0;
        while (token.find()) {
            if (!line.text().substring(end, token.start()).isBlank()) {
                fault.tell(line, "'%s' is no sign".formatted(line.text().substring(end, token.start()).strip()));
            }
            end = token.end();
            if (token.group(3) != null) {
                out.append(token.group(3)).append(' ');
            } else {
                out.append(words.size()).append(' ');
                words.add(token.group());
            }
        }
        if (!line.text().substring(end).isBlank()) {
            fault.tell(line, "'%s' is no sign".formatted(line.text().substring(end).strip()));
        }
        return out.toString();
    }

    private static Marks with(Marks marks, List<String> signs) {
        List<String> decorations = new ArrayList<>(marks.decorations());
        List<String> annotations = new ArrayList<>(marks.annotations());
        Optional<String> chord = marks.chord();
        for (String sign : signs) {
            String inside = sign.substring(1, sign.length() - 1);
            if (sign.startsWith("!")) {
                decorations.add(inside);
            } else if (!inside.isEmpty() && "^_<>@".indexOf(inside.charAt(0)) >= 0) {
                annotations.add(inside);
            } else {
                chord = Optional.of(inside);
            }
        }
        return new Marks(decorations, marks.graces(), marks.slashed(), chord, annotations);
    }
}
