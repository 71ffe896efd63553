package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Timeline;

/**
 * The order in which to teach a tune: phrase by phrase, joined into lines and parts, with the share of the tune as it is
 * played out that is known after each step.
 */
public record Lesson(List<Step> steps) {

    public Lesson {
        steps = List.copyOf(steps);
    }

    /**
     * A step.
     *
     * @param phrases what it takes: one phrase to learn, or several to join
     * @param newBars how many bars of it have not been learned before
     * @param share of the tune's whole time known afterwards, 0 to 1
     * @param text what to do, without a full stop
     */
    public record Step(List<Phrase> phrases, int newBars, double share, String text) {

        public Step {
            phrases = List.copyOf(phrases);
        }

        /** What it takes, for reading: {@code A1}, {@code A1 to A2}. */
        public String name() {
            return isJoin() ? phrases.getFirst().name() + " to " + phrases.getLast().name() : phrases.getFirst().name();
        }

        public boolean isJoin() {
            return phrases.size() > 1;
        }
    }

    static Lesson of(Timeline timeline, List<Part> parts, List<Passage> passages, Phrasing phrasing) {
        Known known = new Known(timeline, phrasing);
        List<Step> steps = new ArrayList<>();
        int index = 0;
        for (Part part : parts) {
            List<Phrase> inPart = new ArrayList<>();
            List<Integer> lines = new ArrayList<>(part.lines());
            int lineFrom = 0;
            for (Phrase phrase : part.phrases()) {
                Passage passage = passages.get(index++);
                int fresh = learn(phrase, known, part);
                inPart.add(phrase);
                steps.add(new Step(List.of(phrase), fresh, known.share(), text(passage, passages)));
                boolean lineEnds = !lines.isEmpty() && inPart.size() - lineFrom == lines.getFirst();
                if (lineEnds && !phrase.again()) {
                    lines.removeFirst();
                    boolean whole = inPart.size() == part.phrases().size();
                    if (inPart.size() - lineFrom > 1 && !(whole && lineFrom == 0)) {
                        List<Phrase> line = inPart.subList(lineFrom, inPart.size());
                        steps.add(new Step(line, 0, known.share(), "join %s".formatted(names(line))));
                    }
                    lineFrom = inPart.size();
                }
            }
            if (inPart.size() > 1) {
                steps.add(new Step(inPart, 0, known.share(), "join the whole of part %s%s".formatted(
                        part.name(), part.times() > 1 ? ", %s through".formatted(part.times() == 2 ? "twice"
                                : part.times() + " times") : "")));
            }
        }
        return new Lesson(steps);
    }

    private static String names(List<Phrase> phrases) {
        return phrases.stream().map(Phrase::name).reduce((a, b) -> a + " and " + b).orElse("");
    }

    private static String text(Passage passage, List<Passage> passages) {
        String name = passage.phrase().name();
        if (passage.sameAs().isEmpty() || passage.likeness().kind() == Likeness.Kind.DIFFERENT) {
            return "learn %s: %s".formatted(name, passage.shape());
        }
        String other = passages.get(passage.sameAs().get()).phrase().name();
        if (passage.likeness().kind().ordinal() >= Likeness.Kind.NEARLY.ordinal()) {
            return "learn %s: %s; %s".formatted(name, passage.shape(), passage.difference());
        }
        return passage.isSame() ? "%s is %s again: %s".formatted(name, other,
                        passage.difference().isEmpty() ? "nothing new" : passage.difference())
                : "%s: %s".formatted(name, passage.difference());
    }

    /** Takes the bars of a phrase as learned; how many of them were new. */
    private static int learn(Phrase phrase, Known known, Part part) {
        int fresh = 0;
        if (phrase.firstOfPart()) {
            // The pickup is learned with the phrase it leads into, and counts as no bar.
            for (int bar = part.fromBar(); bar < phrase.fromBar(); bar++) {
                known.add(bar);
            }
        }
        for (int bar = phrase.fromBar(); bar < phrase.toBar(); bar++) {
            fresh += known.add(bar) ? 1 : 0;
        }
        return fresh;
    }

    /** How long each bar's content lasts over the whole tune as it is played out, and how much of it is known. */
    private static final class Known {

        private final Phrasing phrasing;
        private final Map<Integer, Long> played = new HashMap<>();
        private final Set<Integer> learned = new HashSet<>();
        private long all;
        private long known;

        Known(Timeline timeline, Phrasing phrasing) {
            this.phrasing = phrasing;
            for (int bar : PlayOrder.of(timeline.tune())) {
                long length = timeline.tune().bars().get(bar).length().times(Tone.GRAIN).floor();
                played.merge(phrasing.content(bar), length, Long::sum);
                all += length;
            }
        }

        /** Takes a bar as learned; whether it was new. */
        boolean add(int bar) {
            boolean fresh = learned.add(phrasing.content(bar));
            known += fresh ? played.getOrDefault(phrasing.content(bar), 0L) : 0;
            return fresh;
        }

        double share() {
            return all == 0 ? 0 : known / (double) all;
        }
    }
}
