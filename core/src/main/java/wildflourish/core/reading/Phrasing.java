package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import wildflourish.core.data.DataFile;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;
import wildflourish.core.tune.TuneType;

/**
 * Finds where phrases begin: of all ways to cut a stretch of bars, the one that its repeats, rests and lengths speak for
 * most. Exact, by dynamic programming over the places at which a phrase may begin; the weights are data.
 */
final class Phrasing {

    /** What a stretch costs for its length in bars. */
    record Lengths(List<Integer> lengths, int beyond) {

        int of(int bars) {
            int last = lengths.size() - 1;
            return bars <= last ? lengths.get(Math.max(0, bars)) : lengths.get(last) + (bars - last) * beyond;
        }
    }

    record Weights(
            String provenance, Lengths phrase, Lengths phraseOfWaltz, Lengths line, Lengths part, int undividedUpTo, int repeatedBar,
            int startsAgain, int evenStart, int restAtEnd, int tonicAtEnd, int leadRepeats, int leadAfterRest,
            int leadUnlikely) {}

    /** No stretch that is cut further is longer, in bars, than this. */
    private static final int LONGEST = 32;

    static final Weights WEIGHTS = DataFile.read("reading/phrasing.json", Weights.class);

    /**
     * Where a stretch may begin.
     *
     * @param note its first note
     * @param bar the first whole bar it has
     * @param value what speaks for a beginning here
     */
    record Start(int note, int bar, int value) {}

    private final Timeline timeline;
    private final int[] contents;
    private final int[] repeated;

    Phrasing(Timeline timeline) {
        this.timeline = timeline;
        this.contents = contents();
        this.repeated = repeated();
    }

    /** A number for each bar; bars with the same notes in the same rhythm have the same one. */
    private int[] contents() {
        Map<List<Object>, Integer> known = new HashMap<>();
        int[] all = new int[timeline.tune().bars().size()];
        for (int b = 0; b < all.length; b++) {
            List<Object> content = new ArrayList<>();
            for (Element element : timeline.tune().bars().get(b).elements()) {
                if (element.length().isPositive()) {
                    content.add(element.length());
                    content.add(element instanceof Note note ? note.pitch().midi() : -1);
                }
            }
            all[b] = known.computeIfAbsent(content, c -> known.size());
        }
        return all;
    }

    /** A number for what a bar holds; bars with the same notes in the same rhythm have the same one. */
    int content(int bar) {
        return contents[bar];
    }

    boolean isSame(int bar, int other) {
        return contents[bar] == contents[other];
    }

    /** Cuts a section that nothing divides on the page into parts; the first bar of each. */
    List<Integer> parts(Section section) {
        int body = section.body(timeline);
        int end = section.toBar();
        boolean repeats = timeline.tune().bars().get(end - 1).closing().repeatsBefore() > 0;
        if (repeats || !section.endings().isEmpty() || end - body <= WEIGHTS.undividedUpTo()) {
            return List.of(section.fromBar());
        }
        List<Start> starts = new ArrayList<>();
        for (int b = body; b < end; b++) {
            starts.add(new Start(b == body ? section.firstNote(timeline) : timeline.barStarts().get(b), b, 0));
        }
        List<Start> best = best(starts, new Start(section.endNote(timeline), end, 0), WEIGHTS.part(), body,
                PhraseMarks.NONE);
        return best.stream().map(s -> s.bar() == body ? section.fromBar() : s.bar()).toList();
    }

    /** The phrases of a section's first time through. */
    List<Start> phrases(Section section, List<Integer> pickup, PhraseMarks marks) {
        int body = section.body(timeline);
        int end = section.firstTimeEnd();
        List<Start> starts = new ArrayList<>();
        starts.add(new Start(section.firstNote(timeline), body, 0));
        int endNote = Section.noteAt(timeline, end);
        TreeSet<Integer> forced = new TreeSet<>(marks.starts().subSet(section.firstNote(timeline) + 1,
                Math.max(section.firstNote(timeline) + 1, endNote)));
        for (int b = body + 1; b < end; b++) {
            int at = timeline.barStarts().get(b);
            if (at < endNote && timeline.note(at).bar() == b && !marks.joined().contains(at)) {
                starts.add(new Start(at, b, 0));
                forced.remove(at);
            }
            int lead = lead(b, pickup);
            if (lead >= 0 && !marks.joined().contains(lead)) {
                starts.add(new Start(lead, b, leadValue(lead, at, pickup)));
                forced.remove(lead);
            }
        }
        forced.forEach(note -> starts.add(new Start(note, barOf(note, end), 0)));
        starts.sort((a, b) -> Integer.compare(a.note(), b.note()));
        return best(starts, new Start(endNote, end, 0), isWaltz() ? WEIGHTS.phraseOfWaltz() : WEIGHTS.phrase(), body, marks);
    }

    /** Whether bars are short ones of three quick beats, so that a phrase may well be four of them; in a slow air a bar is longer. */
    private boolean isWaltz() {
        return TuneType.of(timeline.tune().head()).id().equals("waltz");
    }

    /** Groups phrases into lines; the index of the first phrase of each. */
    List<Start> lines(List<Phrase> phrases) {
        List<Start> starts = phrases.stream().map(p -> new Start(p.fromNote(), p.fromBar(), 0)).toList();
        Phrase last = phrases.getLast();
        return best(starts, new Start(last.toNote(), last.toBar(), 0), WEIGHTS.line(), phrases.getFirst().fromBar(),
                PhraseMarks.NONE);
    }

    /** The bar that a note of the teacher's choice leads into, or stands in. */
    private int barOf(int note, int end) {
        Stand stand = timeline.note(note);
        Ratio half = stand.meter().barLength().dividedBy(Ratio.of(2, 1));
        return stand.offset().isLess(half) || stand.bar() + 1 >= end ? stand.bar() : stand.bar() + 1;
    }

    private List<Start> best(List<Start> starts, Start end, Lengths lengths, int body, PhraseMarks marks) {
        int n = starts.size();
        int[] value = new int[n + 1];
        int[] from = new int[n + 1];
        for (int k = 1; k <= n; k++) {
            Start next = k == n ? end : starts.get(k);
            value[k] = Integer.MIN_VALUE;
            int ending = next.note() > 0 ? ending(next.note() - 1) : 0;
            for (int j = k - 1; j >= 0; j--) {
                Start start = starts.get(j);
                if (next.bar() > start.bar() || marks.starts().contains(next.note())
                        || marks.starts().contains(start.note())) {
                    int sum = value[j] + worth(start, next, lengths, body) + (next.note() > start.note() ? ending : 0) + (k == n ? 0 : next.value());
                    if (sum > value[k]) {
                        value[k] = sum;
                        from[k] = j;
                    }
                }
                boolean tooLong = value[k] > Integer.MIN_VALUE && next.bar() - start.bar() > LONGEST;
                if (tooLong || j > 0 && marks.starts().contains(start.note())) {
                    break;
                }
            }
        }
        List<Start> chosen = new ArrayList<>();
        for (int k = n; k > 0; k = from[k]) {
            chosen.add(starts.get(from[k]));
        }
        Collections.reverse(chosen);
        return chosen;
    }

    private int worth(Start start, Start next, Lengths lengths, int body) {
        int bars = next.bar() - start.bar();
        int worth = -lengths.of(bars) + WEIGHTS.repeatedBar() * Math.min(bars, repeated[start.bar()]);
        worth += start.bar() != body && isSame(start.bar(), body) ? WEIGHTS.startsAgain() : 0;
        worth += (start.bar() - body) % 2 == 0 ? WEIGHTS.evenStart() : 0;
        return worth;
    }

    /** What speaks for an end after a note. */
    private int ending(int note) {
        Stand last = timeline.note(note);
        return (isRest(last) ? WEIGHTS.restAtEnd() : 0)
                + (last.pitch().midi() % 12 == last.key().tonicPitch().midi() % 12 ? WEIGHTS.tonicAtEnd() : 0);
    }

    /** How many bars from each one on stand elsewhere in the tune as well, one after the other; at most {@link #LONGEST}. */
    private int[] repeated() {
        Map<Integer, List<Integer>> places = new HashMap<>();
        for (int b = 0; b < contents.length; b++) {
            places.computeIfAbsent(contents[b], c -> new ArrayList<>()).add(b);
        }
        int[] most = new int[contents.length];
        for (int b = 0; b < contents.length; b++) {
            List<Integer> others = places.getOrDefault(contents[b], List.of());
            for (int other : others.subList(0, Math.min(others.size(), LONGEST))) {
                int run = 0;
                while (other != b && run < LONGEST && b + run < contents.length && other + run < contents.length
                        && contents[b + run] == contents[other + run]) {
                    run++;
                }
                most[b] = Math.max(most[b], run);
            }
        }
        return most;
    }

    /** Whether the tune comes to rest on a note: a beat of compound time, half a bar or more of other time. */
    static boolean isRest(Stand stand) {
        Ratio needed = stand.meter().isCompound() ? stand.meter().beats().getFirst()
                : stand.meter().barLength().dividedBy(Ratio.of(2, 1)).min(Ratio.of(1, 2));
        return !stand.sounding().isLess(needed);
    }

    /** The note before a bar from which on as much time is left as the pickup has, or −1. */
    private int lead(int bar, List<Integer> pickup) {
        if (pickup.isEmpty()) {
            return -1;
        }
        Ratio length = Ratio.ZERO;
        for (int note : pickup) {
            length = length.plus(timeline.note(note).note().length());
        }
        Ratio sum = Ratio.ZERO;
        for (int note = timeline.barStarts().get(bar) - 1; note > 0 && timeline.note(note).bar() == bar - 1; note--) {
            sum = sum.plus(timeline.note(note).note().length());
            if (sum.equals(length)) {
                return note;
            }
        }
        return -1;
    }

    private int leadValue(int lead, int barLine, List<Integer> pickup) {
        boolean repeats = barLine - lead == pickup.size();
        Ratio longest = Ratio.ZERO;
        for (int i = lead; i < barLine; i++) {
            Note note = timeline.note(i).note();
            repeats = repeats && note.pitch().midi() == timeline.note(pickup.get(i - lead)).pitch().midi()
                    && note.length().equals(timeline.note(pickup.get(i - lead)).note().length());
            longest = longest.isLess(note.length()) ? note.length() : longest;
        }
        Ratio before = timeline.note(lead - 1).note().length();
        boolean afterRest = timeline.note(lead - 1).bar() == timeline.note(lead).bar() && longest.isLess(before)
                && standsOut(lead, before);
        int value = (repeats ? WEIGHTS.leadRepeats() : 0) + (afterRest ? WEIGHTS.leadAfterRest() : 0);
        return value == 0 ? -WEIGHTS.leadUnlikely() : value;
    }

    /** Whether the note before the lead is the longest of its bar, or none of the others before it is shorter. */
    private boolean standsOut(int lead, Ratio before) {
        boolean longest = true;
        boolean noneShorter = true;
        int bar = timeline.note(lead).bar();
        for (int i = lead - 2; i >= 0 && timeline.note(i).bar() == bar; i--) {
            Ratio length = timeline.note(i).note().length();
            longest &= length.isLess(before);
            noneShorter &= !length.isLess(before);
        }
        return longest || noneShorter;
    }
}
