package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.BarNumbers;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tuplet;
import wildflourish.formats.book.Findings;

/** Puts notes into bars: accidentals through the bar, tuplets, broken rhythm, bar lines, endings and parts. */
final class BarBuilder {

    /** The finest fraction of a whole, and the longest note in wholes. */
    private static final long FINEST = 1 << 20;
    private static final Ratio LONGEST = Ratio.of(12_500, 1);

    /** Notes and rests of one tune: a thousand times those of a long one. */
    static final int MOST_NOTES = 1_000_000;

    private final Findings findings;
    private final List<Bar> bars = new ArrayList<>();
    private final List<Element> elements = new ArrayList<>();
    private final Map<Step, Integer> accidentals = new EnumMap<>(Step.class);
    private BarLine opening = BarLine.NONE;
    private Optional<Ending> ending = Optional.empty();
    private Optional<String> part = Optional.empty();
    private Key key;
    private Meter meter;
    private Ratio broken = Ratio.ONE;
    private final OpenTuplet tuplet = new OpenTuplet();
    private int repeatOpenAt;
    private int notes;
    private int lineOfBar;

    BarBuilder(Findings findings, Key key, Meter meter) {
        this.findings = findings;
        this.key = key;
        this.meter = meter;
    }

    Key key() {
        return key;
    }

    Meter meter() {
        return meter;
    }

    void change(Key newKey) {
        if (!newKey.equals(key)) {
            elements.add(Change.to(newKey));
        }
        key = newKey;
        accidentals.clear();
    }

    void change(Meter newMeter) {
        if (!newMeter.equals(meter)) {
            elements.add(Change.to(newMeter));
        }
        meter = newMeter;
    }

    void change(Tempo tempo) {
        elements.add(Change.to(tempo));
    }

    void part(String name) {
        part = Optional.of(name);
    }

    /** The pitch of a letter with or without an accidental of its own, as the bar and the key have it. */
    Pitch pitch(Step step, int octave, Optional<Integer> accidental) {
        if (accidental.isPresent()) {
            accidentals.put(step, accidental.get());
            return shared(step, accidental.get(), octave);
        }
        if (!accidentals.containsKey(step)) {
            Optional<Pitch> tied = tiedInto(step, octave);
            return tied.isPresent() ? tied.get() : shared(step, key.alterOf(step), octave);
        }
        return shared(step, accidentals.get(step), octave);
    }

    /** One object for each pitch, however many notes have it. */
    private static Pitch shared(Step step, int alter, int octave) {
        int index = (octave + 1) * 35 + step.ordinal() * 5 + alter + 2;
        if (index < 0 || index >= PITCHES.length) {
            return new Pitch(step, alter, octave);
        }
        Pitch known = PITCHES[index];
        if (known == null) {
            known = new Pitch(step, alter, octave);
            PITCHES[index] = known;
        }
        return known;
    }

    private static final Pitch[] PITCHES = new Pitch[11 * 35];

    /** The pitch that a tie carries over the bar line into this letter. */
    private Optional<Pitch> tiedInto(Step step, int octave) {
        if (bars.isEmpty() || elements.stream().anyMatch(e -> !(e instanceof Change))) {
            return Optional.empty();
        }
        List<Element> before = bars.getLast().elements();
        return !before.isEmpty() && before.getLast() instanceof Note note && note.tied()
                ? note.pitches().stream().filter(p -> p.step() == step && p.octave() == octave).findFirst()
                : Optional.empty();
    }

    void startTuplet(int actual, int normal, int count, int line, int column) {
        if (tuplet.isOpen()) {
            findings.warning(line, column, "a tuplet begins before the one before it is full",
                    "give the first one all its notes");
            tuplet.cutShort(elements);
        }
        tuplet.start(actual, normal, count);
    }

    /** Whether the tune has as many notes as a tune may have. */
    boolean isFull() {
        return notes >= MOST_NOTES;
    }

    void note(Note written, int line) {
        notes++;
        markLine(line);
        Optional<Tuplet> place = tuplet.next();
        if (place.isEmpty() && broken.equals(Ratio.ONE)) {
            elements.add(written);
            return;
        }
        elements.add(new Note(written.pitches(), lasting(written.length(), place), place, written.tied(), written.slursOpening(),
                written.slursClosing(), written.marks(), written.gapAfter()));
    }

    void rest(Rest written, int line) {
        notes++;
        markLine(line);
        Optional<Tuplet> place = written.wholeBar() ? Optional.empty() : tuplet.next();
        Ratio lasting = lasting(written.length(), place);
        elements.add(new Rest(written.wholeBar() ? written.length() : lasting, written.visible(), written.wholeBar(), place, written.marks()));
    }

    /** Whether a length can be counted and written again, in wholes. */
    static boolean counts(Ratio length) {
        return length.denominator() <= FINEST && !LONGEST.isLess(length);
    }

    private Ratio lasting(Ratio written, Optional<Tuplet> place) {
        Ratio uneven = written.times(broken);
        Ratio value = counts(uneven) ? uneven : written;
        broken = Ratio.ONE;
        return place.map(t -> value.times(t.factor())).orElse(value);
    }

    private void markLine(int line) {
        if (elements.stream().allMatch(e -> e instanceof Change)) {
            lineOfBar = line;
        }
    }

    /** Broken rhythm: {@code count} signs lengthen the note before and shorten the one after, or the reverse. */
    boolean broken(int count, boolean longFirst) {
        int last = lastTimed();
        if (last < 0) {
            return false;
        }
        Ratio shorter = Ratio.of(1, 1L << count);
        Ratio longer = Ratio.of(2, 1).minus(shorter);
        Ratio first = longFirst ? longer : shorter;
        Ratio now = switch (elements.get(last)) {
            case Note note -> note.writtenLength();
            case Rest rest -> rest.writtenLength();
            case Change change -> Ratio.ONE;
        };
        if (!counts(now.times(first))) {
            return false;
        }
        elements.set(last, switch (elements.get(last)) {
            case Note note -> note.withLength(note.length().times(first));
            case Rest rest -> rest.wholeBar() ? rest : rest.withLength(rest.length().times(first));
            case Change change -> change;
        });
        broken = longFirst ? shorter : longer;
        return true;
    }

    private int lastTimed() {
        for (int i = elements.size() - 1; i >= 0; i--) {
            if (!(elements.get(i) instanceof Change)) {
                return i;
            }
        }
        return -1;
    }

    /** Applies a change to the last note of the present bar; false when there is none. */
    boolean onLastNote(java.util.function.UnaryOperator<Note> change) {
        int last = lastTimed();
        if (last >= 0 && elements.get(last) instanceof Note note) {
            elements.set(last, change.apply(note));
            return true;
        }
        return false;
    }

    /** As {@link #onLastNote}, but reaches back over a bar line just set. */
    boolean onLastNoteOfTune(java.util.function.UnaryOperator<Note> change) {
        if (onLastNote(change)) {
            return true;
        }
        if (bars.isEmpty() || elements.stream().anyMatch(e -> !(e instanceof Change))) {
            return false;
        }
        List<Element> before = new ArrayList<>(bars.getLast().elements());
        if (!before.isEmpty() && before.getLast() instanceof Note note) {
            before.set(before.size() - 1, change.apply(note));
            bars.set(bars.size() - 1, bars.getLast().withElements(before));
            return true;
        }
        return false;
    }

    void barLine(BarLine line, int lineNumber, int column) {
        if (line.repeatsAfter() > 0) {
            if (repeatOpenAt > 0 && line.repeatsBefore() == 0) {
                findings.warning(lineNumber, column, "a repeat opens while one from line " + repeatOpenAt + " is open",
                        "close the first one with :|");
            }
            repeatOpenAt = lineNumber;
        } else if (line.repeatsBefore() > 0) {
            repeatOpenAt = 0;
        }
        if (lastTimed() >= 0) {
            closeBar(line, lineNumber, column);
        } else if (bars.isEmpty()) {
            opening = opening.style() == BarLine.Style.NONE && opening.repeatsAfter() == 0
                    ? line : opening.joinedWith(line);
        } else {
            Bar last = bars.removeLast();
            bars.add(new Bar(last.number(), last.elements(), last.closing().joinedWith(line), last.ending(),
                    last.part(), last.endsSystem()));
        }
        if (line.closesSection()) {
            ending = Optional.empty();
        }
        accidentals.clear();
    }

    /** Puts decorations on the last note or rest of the bar; false where it has none yet. */
    boolean markLast(List<String> decorations) {
        int last = lastTimed();
        if (last < 0) {
            return false;
        }
        switch (elements.get(last)) {
            case Note note -> elements.set(last, note.withMarks(with(note.marks(), decorations)));
            case Rest rest -> elements.set(last, new Rest(rest.length(), rest.visible(), rest.wholeBar(), rest.tuplet(), with(rest.marks(), decorations)));
            case Change change -> { }
        }
        return true;
    }

    private static Marks with(Marks marks, List<String> more) {
        List<String> all = new ArrayList<>(marks.decorations());
        all.addAll(more);
        return marks.withDecorations(all);
    }

    private void closeBar(BarLine line, int lineNumber, int column) {
        if (tuplet.isOpen()) {
            findings.warning(lineNumber, column, "a tuplet of %d has only %d notes before the bar line"
                    .formatted(tuplet.count(), tuplet.position()), "give it all its notes");
            tuplet.cutShort(elements);
        }
        broken = Ratio.ONE;
        bars.add(new Bar(0, elements, line, ending, part, false));
        elements.clear();
        part = Optional.empty();
        ending = ending.map(e -> new Ending(e.times(), false));
        checkLength(bars.size() - 1);
    }

    private final List<Integer> oddBars = new ArrayList<>();
    private final List<Integer> oddLines = new ArrayList<>();
    private final List<Meter> oddMeters = new ArrayList<>();

    private void checkLength(int bar) {
        if (!meter.isFree() && !bars.get(bar).length().equals(meter.barLength())) {
            oddBars.add(bar);
            oddLines.add(lineOfBar);
            oddMeters.add(meter);
        }
    }

    void startEnding(List<Integer> times, int line, int column) {
        if (lastTimed() >= 0) {
            closeBar(BarLine.THIN, line, column);
        }
        if (times.isEmpty() || times.getFirst() > 1 && bars.stream().noneMatch(b -> b.ending().isPresent())) {
            findings.warning(line, column, "an ending begins that no first ending goes before",
                    "write the first ending as |1 and the second as :|2");
        }
        if (!times.isEmpty()) {
            ending = Optional.of(new Ending(times, true));
        }
    }

    void endSystem() {
        if (lastTimed() < 0 && !bars.isEmpty()) {
            Bar last = bars.removeLast();
            bars.add(new Bar(last.number(), last.elements(), last.closing(), last.ending(), last.part(), true));
        }
    }

    /** How many bars have been begun. */
    int barsBegun() {
        return bars.size() + (isBetweenBars() ? 0 : 1);
    }

    /** Whether the last note so far has its bar line. */
    boolean isBetweenBars() {
        return lastTimed() < 0;
    }

    BarLine opening() {
        return opening;
    }

    /** Closes what is open and numbers the bars. */
    List<Bar> finish(int line) {
        if (lastTimed() >= 0) {
            closeBar(BarLine.NONE, line, 0);
        } else if (!elements.isEmpty() && !bars.isEmpty()) {
            Bar last = bars.removeLast();
            List<Element> all = new ArrayList<>(last.elements());
            all.addAll(elements);
            bars.add(last.withElements(all));
            elements.clear();
        }
        if (repeatOpenAt > 0) {
            findings.warning(repeatOpenAt, 0, "a repeat opens here and is never closed",
                    "close it with :| where the repeat ends");
        }
        endSystem();
        reportOddBars();
        return BarNumbers.of(bars, firstMeter);
    }

    private void reportOddBars() {
        for (int i = 0; i < oddBars.size(); i++) {
            int b = oddBars.get(i);
            Bar bar = bars.get(b);
            Ratio full = oddMeters.get(i).barLength();
            boolean atEdge = b == 0 || b == bars.size() - 1 || bar.closing().closesSection()
                    || bars.get(b - 1).closing().closesSection() || bar.ending().isPresent();
            if (full.isLess(bar.length())) {
                findings.warning(oddLines.get(i), 0, "a bar lasts %s, longer than the meter's %s"
                        .formatted(bar.length(), full), "check its note lengths");
            } else if (!atEdge) {
                findings.warning(oddLines.get(i), 0, "a bar lasts %s, shorter than the meter's %s"
                        .formatted(bar.length(), full), "check its note lengths");
            }
        }
    }

    private Meter firstMeter = Meter.NONE;

    void firstMeter(Meter first) {
        firstMeter = first;
    }
}
