package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Timeline;

/** Takes a tune apart: sections of the page, parts, phrases, lines. */
final class Parts {

    /** A part is compared with so many before it. */
    private static final int LATEST = 26;

    private final Timeline timeline;
    private final PhraseMarks marks;
    private final Phrasing phrasing;

    private Parts(Timeline timeline, PhraseMarks marks, Phrasing phrasing) {
        this.timeline = timeline;
        this.marks = marks;
        this.phrasing = phrasing;
    }

    /** The parts in the order of the page; their phrases hold every note once. */
    static List<Part> of(Timeline timeline, PhraseMarks marks, Phrasing phrasing) {
        return new Parts(timeline, marks, phrasing).parts();
    }

    private List<Part> parts() {
        List<Section> sections = new ArrayList<>();
        for (Section section : Section.of(timeline)) {
            List<Integer> cuts = phrasing.parts(section);
            for (int i = 0; i < cuts.size(); i++) {
                boolean last = i + 1 == cuts.size();
                sections.add(new Section(cuts.get(i), last ? section.toBar() : cuts.get(i + 1),
                        last ? section.endings() : List.of(), i == 0 ? section.label() : Optional.empty()));
            }
        }
        List<Part> parts = new ArrayList<>();
        Map<Integer, Integer> times = times(sections);
        List<Integer> pickup = sections.isEmpty() ? List.of() : pickup(sections.getFirst());
        Set<String> names = new HashSet<>();
        int letters = 0;
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            String letter = null;
            int primes = 0;
            for (int k = Math.max(0, i - LATEST); k < i; k++) {
                if (isLike(section, sections.get(k))) {
                    letter = letter == null ? parts.get(k).letter() : letter;
                    primes++;
                }
            }
            if (letter == null) {
                letter = letter(letters++);
            }
            String name = section.label().map(String::strip).filter(l -> !l.isEmpty())
                    .filter(l -> !names.contains(l))
                    .orElse(letter + "′".repeat(primes));
            names.add(name);
            List<Integer> own = pickup(section);
            List<Phrase> phrases = phrases(section, name, own.isEmpty() ? pickup : own);
            parts.add(new Part(name, letter, section.fromBar(), section.toBar(), phrases,
                    lines(phrases.stream().filter(p -> !p.again()).toList()), times.getOrDefault(i, 1)));
        }
        return parts;
    }

    private static String letter(int index) {
        String letter = String.valueOf((char) ('A' + index % 26));
        return index < 26 ? letter : letter + (index / 26 + 1);
    }

    private List<Integer> pickup(Section section) {
        List<Integer> notes = new ArrayList<>();
        if (section.body(timeline) > section.fromBar()) {
            for (int n = section.firstNote(timeline); n < timeline.barStarts().get(section.body(timeline)); n++) {
                notes.add(n);
            }
        }
        return notes;
    }

    /** Whether two sections have all but their last bars the same. */
    private boolean isLike(Section section, Section other) {
        int from = section.body(timeline);
        int otherFrom = other.body(timeline);
        int bars = section.firstTimeEnd() - from;
        if (bars != other.firstTimeEnd() - otherFrom) {
            return false;
        }
        int same = 0;
        for (int b = 0; b < bars; b++) {
            same += phrasing.isSame(from + b, otherFrom + b) ? 1 : 0;
        }
        return same * 4 >= bars * 3;
    }

    private List<Phrase> phrases(Section section, String name, List<Integer> pickup) {
        List<Phrasing.Start> starts = phrasing.phrases(section, pickup, marks);
        List<Phrase> phrases = new ArrayList<>();
        for (int i = 0; i < starts.size(); i++) {
            boolean last = i + 1 == starts.size();
            int to = last ? Section.noteAt(timeline, section.firstTimeEnd()) : starts.get(i + 1).note();
            int toBar = last ? section.firstTimeEnd() : starts.get(i + 1).bar();
            int from = starts.get(i).note();
            int bar = starts.get(i).bar();
            if (from < to) {
                int body = Math.clamp(timeline.barStarts().get(bar), from, to - 1);
                phrases.add(new Phrase(marks.names().getOrDefault(from, name + (i + 1)), from, body, to, bar,
                        Math.max(bar + 1, toBar), i == 0, false));
            }
        }
        String ended = phrases.isEmpty() ? name : phrases.getLast().name();
        for (int e = 0; e < section.endings().size(); e++) {
            int bar = section.endings().get(e);
            int toBar = e + 1 < section.endings().size() ? section.endings().get(e + 1) : section.toBar();
            int from = timeline.barStarts().get(bar);
            int to = Section.noteAt(timeline, toBar);
            if (from < to) {
                String time = timeline.tune().bars().get(bar).ending().map(x -> x.times().getFirst() + "").orElse("2");
                phrases.add(new Phrase(marks.names().getOrDefault(from, ended + "·" + time), from, from, to, bar, toBar,
                        false, true));
            }
        }
        return phrases;
    }

    private List<Integer> lines(List<Phrase> phrases) {
        if (phrases.isEmpty()) {
            return List.of();
        }
        List<Integer> sizes = new ArrayList<>();
        List<Integer> first = new ArrayList<>();
        Set<Integer> starts = phrasing.lines(phrases).stream().map(Phrasing.Start::note).collect(Collectors.toSet());
        for (int i = 0; i < phrases.size(); i++) {
            if (starts.contains(phrases.get(i).fromNote())) {
                first.add(i);
            }
        }
        for (int i = 0; i < first.size(); i++) {
            sizes.add((i + 1 < first.size() ? first.get(i + 1) : phrases.size()) - first.get(i));
        }
        return sizes;
    }

    /** How often each section is played on end where it is played first. */
    private Map<Integer, Integer> times(List<Section> sections) {
        Map<Integer, Integer> times = new HashMap<>();
        int last = -1;
        for (int section : played(timeline, sections.stream().map(s -> s.body(timeline)).toList())) {
            if (section == last) {
                times.merge(section, 1, Integer::sum);
            } else if (times.containsKey(section)) {
                break;
            } else {
                times.put(section, 1);
            }
            last = section;
        }
        return times;
    }

    /**
     * The parts in the order played.
     *
     * @param bodies the first whole bar of each
     * @return indices into {@code bodies}
     */
    static List<Integer> played(Timeline timeline, List<Integer> bodies) {
        List<Integer> order = new ArrayList<>();
        Map<Integer, Integer> begins = new HashMap<>();
        for (int i = 0; i < bodies.size(); i++) {
            begins.putIfAbsent(bodies.get(i), i);
        }
        for (int bar : PlayOrder.of(timeline.tune())) {
            Optional.ofNullable(begins.get(bar)).ifPresent(order::add);
        }
        return order;
    }
}
