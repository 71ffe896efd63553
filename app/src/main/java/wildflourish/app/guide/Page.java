package wildflourish.app.guide;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A page of the guide, which answers one question.
 *
 * @param id its file's name without the ending
 * @param title the question
 * @param blocks what stands on it, from top to bottom
 */
public record Page(String id, String title, List<Block> blocks) {

    public Page {
        blocks = List.copyOf(blocks);
    }

    /** What stands on a page. */
    public sealed interface Block {

        /** The words of it. */
        List<Run> runs();

        /** All its words in a row. */
        default String inWords() {
            return String.join("", runs().stream().map(Run::words).toList());
        }
    }

    /** Over a section. */
    public record Heading(List<Run> runs) implements Block {

        public Heading {
            runs = List.copyOf(runs);
        }

        /** What links call it: its words in small letters, with hyphens for spaces and without other signs. */
        public String anchor() {
            return inWords().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9 -]", "").replace(' ', '-');
        }
    }

    /** Words in a row. */
    public record Paragraph(List<Run> runs) implements Block {

        public Paragraph {
            runs = List.copyOf(runs);
        }
    }

    /** One of several things. */
    public record Point(List<Run> runs) implements Block {

        public Point {
            runs = List.copyOf(runs);
        }
    }

    /**
     * Something to do, and what is seen then.
     *
     * @param number counted from 1 in its list
     */
    public record Step(int number, List<Run> runs) implements Block {

        public Step {
            runs = List.copyOf(runs);
        }

        /** The keys that are pressed, in their order. */
        public List<String> keys() {
            return of(Run.Kind.KEY);
        }

        /** Words that are on the window when it has been done. */
        public List<String> seen() {
            return of(Run.Kind.SEEN);
        }

        private List<String> of(Run.Kind kind) {
            return runs.stream().filter(r -> r.kind() == kind).map(Run::words).toList();
        }
    }

    /**
     * Words of one kind.
     *
     * @param target where a link leads; empty for all others
     */
    public record Run(String words, Kind kind, String target) {

        /** How words are meant. */
        public enum Kind {
            /** As they are. */
            PLAIN,
            /** With weight. */
            STRONG,
            /** A key, as the list of keys writes it. */
            KEY,
            /** What stands on the window. */
            SEEN,
            /** Leads to another page, or to a section of one. */
            LINK
        }
    }

    /** Its steps. */
    public List<Step> steps() {
        return blocks.stream().filter(Step.class::isInstance).map(Step.class::cast).toList();
    }

    /** Where a section begins. */
    public Optional<Heading> section(String anchor) {
        return blocks.stream().filter(Heading.class::isInstance).map(Heading.class::cast).filter(h -> h.anchor().equals(anchor)).findFirst();
    }
}
