package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.formats.book.TuneBook;

/**
 * A stretch of notes as ABC music on one line, with everything around them: {@code - K:D F2}. The first word tells whether a
 * space follows the last note, the second the key in which the notes are written, its spaces written as semicolons.
 */
final class NoteLine {

    private static final String SPACED = "+";
    private static final String CLOSE = "-";

    private NoteLine() {}

    static String write(List<Timeline.Stand> notes, Head head) {
        Head own = new Head(1, List.of("stretch"), List.of(), "", Meter.NONE, head.unit(), Optional.empty(), notes.getFirst().key(),
                "", List.of());
        List<Element> elements = new ArrayList<>(notes.stream().map(Timeline.Stand::note).toList());
        Bar bar = new Bar(1, elements, BarLine.NONE, Optional.empty(), Optional.empty(), false);
        String text = AbcWriter.write(new Tune(own, BarLine.NONE, List.of(bar)));
        String[] lines = text.substring(text.indexOf("\nK:") + 1).strip().split("\n", 2);
        String music = lines[0].strip().replace(' ', ';') + " " + lines[1].strip().replaceAll("\\s*\n\\s*", " ");
        return (notes.getLast().note().gapAfter() ? SPACED : CLOSE) + " " + music;
    }

    /** Reads what {@link #write} wrote; throws {@link IllegalArgumentException} for anything else. */
    static List<Element> read(String text, Head head) {
        String[] words = text.split("\\s+", 3);
        if (words.length < 3 || !words[1].startsWith("K:")) {
            throw new IllegalArgumentException("'" + text + "' is not a stretch of notes");
        }
        TuneBook book = AbcReader.read("X:1\nT:stretch\nM:none\nL:" + head.unit() + "\n" + words[1].replace(';', ' ') + "\n" + words[2] + "\n");
        if (book.tunes().isEmpty()) {
            throw new IllegalArgumentException("'" + text + "' holds no notes");
        }
        List<Element> elements = new ArrayList<>();
        book.tunes().getFirst().tune().bars().forEach(b -> elements.addAll(b.elements()));
        if (elements.isEmpty()) {
            throw new IllegalArgumentException("'" + text + "' holds no notes");
        }
        if (elements.getLast() instanceof wildflourish.core.tune.Note last) {
            elements.set(elements.size() - 1, last.withGapAfter(words[0].equals(SPACED)));
        }
        return elements;
    }
}
