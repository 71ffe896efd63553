package wildflourish.formats.musicxml;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.audiveris.proxymusic.BeamValue;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.Slur;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.StartStopContinue;
import org.audiveris.proxymusic.Tied;
import org.audiveris.proxymusic.TiedType;
import org.audiveris.proxymusic.TimeModification;
import org.audiveris.proxymusic.YesNo;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.BarNumbers;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Jumps;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.Tuplet;
import wildflourish.core.writing.KeyFinder;
import wildflourish.formats.book.Findings;

/** One voice of a part as a tune. */
final class VoiceReader {

    private static final int BARS_A_LINE = 4;
    private static final int MOST_BEATS = 15;

    private final Findings findings;
    private final GuardedXml xml;
    private final String part;
    private final Measure.VoiceId id;
    private final List<Measure.VoiceId> all;
    private final Set<String> told = new HashSet<>();
    private final SungReader sung = new SungReader();
    private Meter meter = Meter.COMMON;
    private final Set<Integer> openSlurs = new HashSet<>();
    private int measureNumber;
    private List<Over> waiting = new ArrayList<>();

    VoiceReader(Findings findings, GuardedXml xml, String part, Measure.VoiceId id, List<Measure.VoiceId> all) {
        this.findings = findings;
        this.xml = xml;
        this.part = part;
        this.id = id;
        this.all = all;
    }

    Tune tune(List<Measure> measures, Head head) {
        List<KeyFinder.Heard> heard = heard(measures);
        Optional<Key> key = Optional.empty();
        Optional<Meter> first = Optional.empty();
        Optional<Tempo> tempo = Optional.empty();
        List<Bar> bars = new ArrayList<>();
        BarLine opening = BarLine.NONE;
        boolean broken = measures.stream().skip(1).anyMatch(m -> m.newSystem);
        for (int m = 0; m < measures.size(); m++) {
            measureNumber = m + 1;
            Measure measure = measures.get(m);
            if (bars.isEmpty() && m == 0) {
                key = measure.keys.stream().filter(k -> k.onset().isZero()).findFirst().map(k -> k.what().key(heard));
                first = measure.meters.stream().filter(k -> k.onset().isZero()).findFirst().map(Measure.At::what);
                tempo = measure.tempi.stream().filter(k -> k.onset().isZero()).findFirst().map(Measure.At::what);
                if (first.isEmpty()) {
                    first = Optional.of(usual(measures));
                }
                meter = first.get();
                opening = measure.left;
            }
            List<Element> elements = elements(measure, changes(measure, m == 0, heard));
            BarLine closing = measure.right;
            if (m + 1 < measures.size() && !measures.get(m + 1).left.equals(BarLine.NONE)) {
                closing = closing.joinedWith(measures.get(m + 1).left);
            }
            boolean ends = m + 1 == measures.size() || (broken ? measures.get(m + 1).newSystem : endsLine(bars, closing, measure));
            if (!elements.isEmpty()) {
                bars.add(new Bar(0, elements, closing, measure.ending.isEmpty() ? Optional.empty()
                        : Optional.of(new Ending(measure.ending, measure.endingStarts)), measure.name, ends));
                if (ends) {
                    sung.endLine(bars.size());
                }
            }
        }
        if (!bars.isEmpty() && !bars.getLast().endsSystem()) {
            // Only bars without music follow, which are left out: the line ends here.
            Bar last = bars.removeLast();
            bars.add(new Bar(last.number(), last.elements(), last.closing(), last.ending(), last.part(), true));
            sung.endLine(bars.size());
        }
        Meter opens = first.orElse(Meter.COMMON);
        List<Field> fields = new ArrayList<>(sung.fields());
        fields.addAll(head.fields());
        fields.sort(java.util.Comparator.comparing(f -> f.letter() == 'W' ? Integer.MAX_VALUE : f.after()));
        Head whole = new Head(head.number(), head.titles(), head.composers(), head.rhythm(), opens, head.unit(), tempo,
                key.orElseGet(() -> KeyFinder.ofSignature(0, heard)), head.order(), fields);
        return new Tune(whole, opening, BarNumbers.of(bars, opens));
    }

    /** The meter of a score that says none: as long as most of its bars. */
    private static Meter usual(List<Measure> measures) {
        Map<Ratio, Long> lengths = measures.stream().map(m -> m.length).filter(Ratio::isPositive).collect(Collectors.groupingBy(l -> l, Collectors.counting()));
        Ratio length = lengths.entrySet().stream().max(Map.Entry.<Ratio, Long>comparingByValue().thenComparing(Map.Entry.comparingByKey())).map(Map.Entry::getKey).orElse(Ratio.ONE);
        if (length.equals(Ratio.ONE)) {
            return Meter.COMMON;
        }
        for (int unit : List.of(4, 8, 16)) {
            Ratio beats = length.times(Ratio.of(unit, 1));
            if (beats.denominator() == 1 && beats.numerator() <= MOST_BEATS) {
                return Meter.of((int) beats.numerator(), unit);
            }
        }
        return Meter.NONE;
    }

    /** Where the score says nothing of lines, a line has four bars, or ends with a section. */
    private static boolean endsLine(List<Bar> bars, BarLine closing, Measure measure) {
        int since = 1;
        for (int b = bars.size() - 1; b >= 0 && !bars.get(b).endsSystem(); b--) {
            since++;
        }
        return closing.closesSection() && since > 1 && measure.ending.isEmpty() || since >= BARS_A_LINE;
    }

    private List<KeyFinder.Heard> heard(List<Measure> measures) {
        List<KeyFinder.Heard> heard = new ArrayList<>();
        for (Measure measure : measures) {
            for (Measure.Written written : measure.notes.getOrDefault(id, List.of())) {
                if (written.note().getPitch() != null && written.length().isPositive()) {
                    heard.add(new KeyFinder.Heard(pitch(written.note()).midi(), written.length().toDouble()));
                }
            }
        }
        return heard;
    }

    private List<Measure.At<Change>> changes(Measure measure, boolean head, List<KeyFinder.Heard> heard) {
        List<Measure.At<Change>> changes = new ArrayList<>();
        boolean[] taken = {head, head, head};
        for (Measure.At<Measure.Signature> key : measure.keys) {
            if (!taken[0] || !key.onset().isZero()) {
                changes.add(new Measure.At<>(key.onset(), Change.to(key.what().key(heard))));
            }
            taken[0] = false;
        }
        for (Measure.At<Meter> meters : measure.meters) {
            if (!taken[1] || !meters.onset().isZero()) {
                changes.add(new Measure.At<>(meters.onset(), Change.to(meters.what())));
                meter = meters.what();
            }
            taken[1] = false;
        }
        for (Measure.At<Tempo> tempo : measure.tempi) {
            if (!taken[2] || !tempo.onset().isZero()) {
                changes.add(new Measure.At<>(tempo.onset(), Change.to(tempo.what())));
            }
            taken[2] = false;
        }
        changes.sort(java.util.Comparator.comparing(Measure.At::onset));
        return changes;
    }

    // --- The elements of a bar

    /** A note or chord of the voice before it is put into the bar. */
    private record Event(Ratio onset, Ratio length, Note first, List<Note> chord, List<Note> graces) {}

    private List<Event> events(Measure measure) {
        List<Event> events = new ArrayList<>();
        List<Note> graces = new ArrayList<>();
        for (Measure.Written at : measure.notes.getOrDefault(id, List.of())) {
            Note note = at.note();
            if (note.getGrace() != null) {
                if (note.getPitch() != null && note.getChord() == null) {
                    graces.add(note);
                }
            } else if (note.getChord() != null && !events.isEmpty() && note.getPitch() != null) {
                events.getLast().chord().add(note);
            } else if (note.getPitch() != null || note.getRest() != null) {
                events.add(new Event(at.onset(), at.length(), note, new ArrayList<>(List.of(note)), graces));
                graces = new ArrayList<>();
            } else {
                tell(note, "a note without a pitch is left out", "its time is filled with a rest that is not shown");
            }
        }
        if (!graces.isEmpty()) {
            tell(graces.getFirst(), "grace notes behind the last note of a bar are left out", "write them before the next note");
        }
        return events;
    }

    private List<Element> elements(Measure measure, List<Measure.At<Change>> changes) {
        List<Element> elements = new ArrayList<>();
        List<Measure.At<Change>> left = new ArrayList<>(changes);
        measure.over.stream().filter(over -> over.isFor(id, all)).forEach(waiting::add);
        Ratio at = Ratio.ZERO;
        Groups groups = new Groups();
        for (Event event : events(measure)) {
            if (event.onset().isLess(at)) {
                tell(event.first(), "two notes of one voice overlap", "the second is left out; give it a voice of its own in the score");
                continue;
            }
            Optional<Ratio> length = Optional.of(event.length()).filter(Ratio::isPositive).or(() -> written(event.first()));
            if (length.isEmpty()) {
                tell(event.first(), "a note has no length", "it is left out");
                continue;
            }
            if (at.isLess(event.onset())) {
                groups.close(elements);
                at = waitUntil(event.onset(), at, left, elements);
            }
            changed(at, left, elements);
            Optional<Tuplet> tuplet = groups.take(event.first(), length.get(), elements);
            Marks marks = marks(event, at);
            elements.add(event.first().getRest() != null ? rest(event.first(), length.get(), tuplet, marks, meter) : note(event, length.get(), tuplet, marks));
            groups.after(event.first(), elements);
            at = at.plus(length.get());
        }
        groups.close(elements);
        endSigns(elements);
        if (elements.isEmpty() && measure.length.isPositive()) {
            boolean whole = measure.length.equals(meter.barLength());
            changed(at, left, elements);
            elements.add(new Rest(measure.length, true, whole, Optional.empty(), marks(at)));
        } else if (at.isLess(measure.length)) {
            waitUntil(measure.length, at, left, elements);
        }
        left.forEach(c -> elements.add(c.what()));
        waiting = new ArrayList<>(waiting.stream().map(Over::atTheBar).toList());
        return elements;
    }

    /** Fills the time from {@code at} to {@code then} with silence, and puts the changes of key, meter and tempo on the way. */
    private static Ratio waitUntil(Ratio then, Ratio at, List<Measure.At<Change>> left, List<Element> elements) {
        Ratio now = at;
        changed(now, left, elements);
        while (!left.isEmpty() && left.getFirst().onset().isLess(then)) {
            elements.add(silence(left.getFirst().onset().minus(now)));
            now = left.getFirst().onset();
            changed(now, left, elements);
        }
        elements.add(silence(then.minus(now)));
        return then;
    }

    private static void changed(Ratio at, List<Measure.At<Change>> left, List<Element> elements) {
        while (!left.isEmpty() && !at.isLess(left.getFirst().onset())) {
            elements.add(left.removeFirst().what());
        }
    }

    /** Signs by which the tune is read on from elsewhere stand behind the last note of a bar, and are its own. */
    private void endSigns(List<Element> elements) {
        List<String> signs = waiting.stream().map(Over::what).filter(Over.What.Sign.class::isInstance).map(o -> ((Over.What.Sign) o).name())
                .filter(Jumps::isAtTheEnd).toList();
        if (!signs.isEmpty() && !elements.isEmpty() && elements.getLast() instanceof wildflourish.core.tune.Note last) {
            List<String> all = new ArrayList<>(last.marks().decorations());
            all.addAll(signs);
            elements.set(elements.size() - 1, last.withMarks(last.marks().withDecorations(all)));
            waiting.removeIf(w -> w.what() instanceof Over.What.Sign s && Jumps.isAtTheEnd(s.name()));
        }
    }

    private static Rest silence(Ratio length) {
        return new Rest(length, false, false, Optional.empty(), Marks.NONE);
    }

    private Marks marks(Event event, Ratio at) {
        Marks over = marks(at);
        List<String> decorations = new ArrayList<>(over.decorations());
        decorations.addAll(Signs.read(event.first().getNotations()));
        List<Pitch> graces = event.graces().stream().map(this::pitch).toList();
        boolean slashed = event.graces().stream().anyMatch(g -> g.getGrace().getSlash() == YesNo.YES);
        return new Marks(decorations, graces, slashed, over.chord(), over.annotations());
    }

    /** What stands over the stave up to here and has not found its note yet. */
    private Marks marks(Ratio at) {
        List<String> decorations = new ArrayList<>();
        List<String> annotations = new ArrayList<>();
        Optional<String> chord = Optional.empty();
        List<Over> later = new ArrayList<>();
        for (Over over : waiting) {
            if (at.isLess(over.onset())) {
                later.add(over);
                continue;
            }
            switch (over.what()) {
                case Over.What.Chord c -> {
                    if (chord.isEmpty()) {
                        chord = Optional.of(c.symbol());
                    } else {
                        annotations.add("^" + c.symbol());
                    }
                }
                case Over.What.Text t -> annotations.add(t.words());
                case Over.What.Sign s -> decorations.add(s.name());
            }
        }
        waiting = later;
        return new Marks(decorations, List.of(), false, chord, annotations);
    }

    private static Rest rest(Note note, Ratio length, Optional<Tuplet> tuplet, Marks marks, Meter meter) {
        boolean wholeBar = note.getRest().getMeasure() == YesNo.YES && length.equals(meter.barLength());
        return new Rest(length, note.getPrintObject() != YesNo.NO, wholeBar, tuplet, marks);
    }

    private wildflourish.core.tune.Note note(Event event, Ratio length, Optional<Tuplet> tuplet, Marks marks) {
        Note first = event.first();
        int opening = 0;
        int closing = 0;
        boolean tied = false;
        for (Note note : event.chord()) {
            closing += (int) slurs(note, StartStopContinue.STOP).filter(openSlurs::remove).count();
            List<Integer> begun = slurs(note, StartStopContinue.START).toList();
            opening += begun.size();
            openSlurs.addAll(begun);
            tied |= note.getTie().stream().anyMatch(t -> t.getType() == StartStop.START);
            for (Notations notations : note.getNotations()) {
                for (Object one : notations.getTiedOrSlurOrTuplet()) {
                    tied |= one instanceof Tied t && t.getType() == TiedType.START;
                }
            }
        }
        sung.note(first.getLyric());
        boolean beamed = first.getBeam().stream().anyMatch(b -> b.getNumber() == 1 && (b.getValue() == BeamValue.BEGIN || b.getValue() == BeamValue.CONTINUE));
        return new wildflourish.core.tune.Note(event.chord().stream().map(this::pitch).toList(), length, tuplet, tied, opening, closing, marks, !beamed);
    }

    /** The numbers of the slurs that begin or end at a note. One that began at a grace note is drawn with the graces. */
    private static Stream<Integer> slurs(Note note, StartStopContinue type) {
        return note.getNotations().stream().flatMap(n -> n.getTiedOrSlurOrTuplet().stream())
                .filter(o -> o instanceof Slur s && s.getType() == type).map(o -> ((Slur) o).getNumber());
    }

    private Pitch pitch(Note note) {
        org.audiveris.proxymusic.Pitch written = note.getPitch();
        double alter = written.getAlter() == null ? 0 : written.getAlter().doubleValue();
        if (alter != Math.rint(alter)) {
            tell(note, "quarter tones are not read", "the note is read at the nearest semitone");
        }
        Step step = written.getStep() == null ? Step.C : Step.valueOf(written.getStep().value());
        return new Pitch(step, Math.clamp(Math.round(alter), -2, 2), Math.clamp(written.getOctave(), 0, 9));
    }

    /** The length that a note is written with, its tuplet taken in; empty where it has no type. */
    static Optional<Ratio> written(Note note) {
        if (note.getType() == null || note.getType().getValue() == null) {
            return Optional.empty();
        }
        Optional<Ratio> value = new NoteValues.Value(note.getType().getValue(), note.getDot().size()).length();
        return value.map(v -> factor(note).map(f -> v.times(f)).orElse(v));
    }

    private static Optional<Ratio> factor(Note note) {
        TimeModification modification = note.getTimeModification();
        if (modification == null || modification.getActualNotes() == null || modification.getNormalNotes() == null) {
            return Optional.empty();
        }
        int actual = modification.getActualNotes().intValue();
        int normal = modification.getNormalNotes().intValue();
        return actual < 1 || normal < 1 || actual > 99 || normal > 99 || actual == normal ? Optional.empty() : Optional.of(Ratio.of(normal, actual));
    }

    private void tell(Note note, String what, String remedy) {
        if (told.add(what)) {
            GuardedXml.Place place = xml.place(note);
            findings.warning(place.line(), place.column(), "part “%s”, measure %d: %s".formatted(part, measureNumber, what), remedy);
        }
    }

    /** The tuplet that is being read: its notes are counted when it is whole. */
    private final class Groups {

        private int actual;
        private int normal;
        private int count;
        private boolean signed;
        private Ratio sum = Ratio.ZERO;
        private Ratio least = Ratio.ONE;

        Optional<Tuplet> take(Note note, Ratio length, List<Element> elements) {
            Optional<Ratio> factor = factor(note);
            boolean same = factor.isPresent() && count > 0 && factor.get().equals(Ratio.of(normal, actual)) && !has(note, StartStop.START);
            if (!same) {
                close(elements);
            }
            if (factor.isEmpty()) {
                return Optional.empty();
            }
            signed |= has(note, StartStop.START);
            if (count == 0) {
                actual = note.getTimeModification().getActualNotes().intValue();
                normal = note.getTimeModification().getNormalNotes().intValue();
            }
            Ratio written = length.dividedBy(factor.get());
            sum = sum.plus(written);
            least = written.isLess(least) ? written : least;
            return Optional.of(new Tuplet(actual, normal, count++, 0));
        }

        void after(Note note, List<Element> elements) {
            if (count > 0 && (has(note, StartStop.STOP) || !signed && isWhole())) {
                close(elements);
            }
        }

        /** Whether the notes read so far fill the tuplet. */
        private boolean isWhole() {
            Ratio unit = sum.dividedBy(Ratio.of(actual, 1));
            boolean value = unit.numerator() == 1 && Long.bitCount(unit.denominator()) == 1;
            return count > 1 && value && !least.isLess(unit.times(Ratio.of(1, 2))) && !unit.times(Ratio.of(2, 1)).isLess(least);
        }

        private static boolean has(Note note, StartStop type) {
            return note.getNotations().stream().flatMap(n -> n.getTiedOrSlurOrTuplet().stream())
                    .anyMatch(o -> o instanceof org.audiveris.proxymusic.Tuplet t && t.getType() == type);
        }

        /** Gives the notes of the tuplet their count. */
        void close(List<Element> elements) {
            for (int i = elements.size() - 1; i >= 0 && count > 0; i--) {
                Element element = elements.get(i);
                Optional<Tuplet> tuplet = element instanceof wildflourish.core.tune.Note n ? n.tuplet() : element instanceof Rest r ? r.tuplet() : Optional.empty();
                if (tuplet.isEmpty() || tuplet.get().count() != 0) {
                    continue;
                }
                Tuplet counted = tuplet.get().withCount(count);
                elements.set(i, element instanceof wildflourish.core.tune.Note n ? n.withTuplet(counted) : ((Rest) element).withTuplet(counted));
                if (counted.isFirst()) {
                    break;
                }
            }
            count = 0;
            signed = false;
            sum = Ratio.ZERO;
            least = Ratio.ONE;
        }
    }
}
