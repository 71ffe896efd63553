package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.Tuplet;

/**
 * A pen over a tune: where it stands, and what each of its strokes makes of the tune. Every stroke is a function from one pen to
 * another; one that cannot be done gives the pen as it is. Notes and rests are counted together, from 0.
 *
 * @param at how many notes and rests lie before the pen
 * @param from where a stretch in hand begins or ends, with {@code at} at its other end; the same where there is none
 * @param newBar whether the next note at the end of the tune begins a new bar, however full the last one is
 * @param length what a new note is given, as it is written
 */
public record Pen(Tune tune, int at, int from, boolean newBar, Ratio length) {

    /** Notes longer than this are not written, nor shorter than the other. */
    private static final Ratio LONGEST = Ratio.of(4, 1);
    private static final Ratio SHORTEST = Ratio.of(1, 64);
    private static final Pitch MIDDLE = new Pitch(Step.B, 0, 4);

    public Pen {
        int size = new Page(tune).spots().size();
        at = Math.clamp(at, 0, size);
        from = Math.clamp(from, 0, size);
    }

    /** A pen at the end of a tune. */
    public static Pen atTheEnd(Tune tune) {
        return new Pen(tune, Integer.MAX_VALUE, Integer.MAX_VALUE, false, tune.head().unit());
    }

    /** The same place over another tune. */
    public Pen over(Tune other) {
        return new Pen(other, at, from, newBar, other.head().unit().equals(tune.head().unit()) ? length : other.head().unit());
    }

    // --- Where it stands

    /** How many notes and rests there are. */
    public int size() {
        return new Page(tune).spots().size();
    }

    /** Whether a stretch is in hand. */
    public boolean holds() {
        return at != from;
    }

    /** The notes and rests that the next stroke is about: those in hand, else the one before the pen. */
    public List<Integer> inHand() {
        return holds() ? IntStream.range(Math.min(at, from), Math.max(at, from)).boxed().toList() : at > 0 ? List.of(at - 1) : List.of();
    }

    /** The note or rest of an index. */
    public Element element(int index) {
        Page page = new Page(tune);
        return page.at(page.spots().get(index));
    }

    /** The sound of the last note before the pen, as a MIDI number; that of the middle line where there is none. */
    public int lastMidi() {
        return before(at).orElse(MIDDLE).midi();
    }

    /** What is in hand, to be put elsewhere. */
    public List<Element> copied() {
        return holds() ? inHand().stream().map(this::element).toList() : List.of();
    }

    /** The index of a tune's note among notes and rests. */
    public static int ofNote(Tune tune, int note) {
        Page page = new Page(tune);
        int seen = 0;
        for (int i = 0; i < page.spots().size(); i++) {
            if (page.at(page.spots().get(i)) instanceof Note && seen++ == note) {
                return i;
            }
        }
        return 0;
    }

    /** In which bar, by its index, the pen writes. */
    public int bar() {
        Page page = new Page(tune);
        return at > 0 ? page.spots().get(at - 1).bar() : 0;
    }

    /** How a bar stands to its meter: −1 too short, 1 too long, 0 as long as it should be, or a lead-in or a piece that may be short. */
    public static int against(Tune tune, int bar) {
        Page page = new Page(tune);
        Meter meter = page.meter(bar);
        Ratio length = page.bar(bar).length();
        if (meter.isFree() || length.equals(meter.barLength())) {
            return 0;
        }
        boolean edge = bar == 0 || bar == page.size() - 1 || page.bar(bar).closing().closesSection() || page.bar(bar - 1).closing().closesSection();
        return meter.barLength().isLess(length) ? 1 : edge ? 0 : -1;
    }

    // --- Moving

    /** Goes so many notes on; with {@code holding} the stretch in hand grows. */
    public Pen move(int by, boolean holding) {
        int to = holds() && !holding ? by < 0 ? Math.min(at, from) : Math.max(at, from) : at + by;
        return go(to, holding);
    }

    /** Goes to a place. */
    public Pen go(int to, boolean holding) {
        int place = Math.clamp(to, 0, size());
        return new Pen(tune, place, holding ? from : place, false, length);
    }

    /** Goes to the beginning of the next bar, or of this one or the one before. */
    public Pen moveBar(int by, boolean holding) {
        List<Page.Spot> spots = new Page(tune).spots();
        int to = at;
        if (by > 0) {
            int bar = at < spots.size() ? spots.get(at).bar() : Integer.MAX_VALUE;
            while (to < spots.size() && spots.get(to).bar() == bar) {
                to++;
            }
        } else if (at > 0) {
            int bar = spots.get(at - 1).bar();
            while (to > 0 && spots.get(to - 1).bar() == bar) {
                to--;
            }
        }
        return go(to, holding);
    }

    /** Takes one note or rest in hand. */
    public Pen take(int index) {
        return new Pen(tune, Math.clamp(index + 1, 0, size()), Math.clamp(index, 0, size()), false, length);
    }

    /** Takes everything in hand. */
    public Pen takeAll() {
        return new Pen(tune, size(), 0, false, length);
    }

    // --- Writing

    /** Writes a note: the nearest of its name to the one before. One note in hand is put right, and keeps its length and what stands on it. */
    public Pen note(Step step) {
        if (holds() && inHand().size() == 1 && element(inHand().getFirst()) instanceof Note note) {
            Page page = new Page(tune);
            Page.Spot spot = page.spots().get(inHand().getFirst());
            Pitch pitch = page.inForce(nearest(step, before(Math.min(at, from)).orElse(note.pitch())), spot.bar(), spot.element());
            page.set(spot, note.withPitches(List.of(pitch)));
            return after(page, Math.max(at, from));
        }
        Pen clear = erased();
        Page page = new Page(clear.tune);
        Place place = clear.place(page);
        Pitch pitch = page.inForce(nearest(step, clear.before(clear.at).orElse(MIDDLE)), place.bar(), place.element());
        return clear.put(page, place, Note.of(pitch, length));
    }

    /** Writes a note of just this pitch. */
    public Pen note(Pitch pitch) {
        Pen clear = erased();
        Page page = new Page(clear.tune);
        return clear.put(page, clear.place(page), Note.of(pitch, length));
    }

    /** Writes a rest. */
    public Pen rest() {
        Pen clear = erased();
        Page page = new Page(clear.tune);
        return clear.put(page, clear.place(page), Rest.of(length));
    }

    /** Puts notes and rests where the pen stands, in place of what is in hand. */
    public Pen paste(List<Element> elements) {
        Pen now = erased();
        for (Element element : elements) {
            Page page = new Page(now.tune);
            now = now.put(page, now.place(page), element);
        }
        return now;
    }

    /** Where a new element goes: into this bar before this element; behind the last bar where the bar is none. */
    private record Place(int bar, int element) {}

    private Place place(Page page) {
        List<Page.Spot> spots = page.spots();
        if (at == spots.size()) {
            int last = page.size() - 1;
            boolean full = last >= 0 && !page.bar(last).length().isLess(page.meter(last).barLength()) && !page.meter(last).isFree();
            return last < 0 || newBar || full ? new Place(page.size(), 0) : new Place(last, page.bar(last).elements().size());
        }
        Page.Spot next = spots.get(at);
        if (at == 0) {
            return new Place(next.bar(), next.element());
        }
        Page.Spot before = spots.get(at - 1);
        boolean room = before.bar() == next.bar() || page.bar(before.bar()).length().isLess(page.meter(before.bar()).barLength());
        return room ? new Place(before.bar(), before.element() + 1) : new Place(next.bar(), next.element());
    }

    private Pen put(Page page, Place place, Element element) {
        if (place.bar() == page.size()) {
            page.append(element);
        } else {
            page.insert(place.bar(), place.element(), element);
        }
        return after(page, at + 1);
    }

    private Pen after(Page page, int place) {
        return new Pen(page.tune(), place, place, false, length);
    }

    private Optional<Pitch> before(int index) {
        for (int i = index - 1; i >= 0; i--) {
            if (element(i) instanceof Note note) {
                return Optional.of(note.pitch());
            }
        }
        return index < size() && element(index) instanceof Note note ? Optional.of(note.pitch()) : Optional.empty();
    }

    private static Pitch nearest(Step step, Pitch to) {
        Pitch best = new Pitch(step, 0, to.octave());
        for (int octave = to.octave() - 1; octave <= to.octave() + 1; octave++) {
            Pitch pitch = new Pitch(step, 0, octave);
            if (octave >= 0 && octave <= 9 && Math.abs(pitch.diatonic() - to.diatonic()) < Math.abs(best.diatonic() - to.diatonic())) {
                best = pitch;
            }
        }
        return best;
    }

    // --- Erasing

    /** Takes away what is in hand, else what lies before the pen. */
    public Pen erase() {
        return holds() ? erased() : at == 0 ? this : take(at - 1).erased();
    }

    /** Takes away what is in hand, else what lies behind the pen. */
    public Pen eraseAhead() {
        return holds() ? erased() : at == size() ? this : take(at).erased();
    }

    private Pen erased() {
        if (!holds()) {
            return this;
        }
        Page page = new Page(tune);
        List<Page.Spot> spots = page.spots();
        List<Integer> gone = inHand();
        boolean atEnd = Math.max(at, from) == spots.size();
        for (int i = gone.size() - 1; i >= 0; i--) {
            page.remove(spots.get(gone.get(i)));
        }
        int place = gone.getFirst();
        boolean bars = atEnd && place > 0 && spots.get(place - 1).bar() != spots.get(place).bar();
        Pen left = after(page, place);
        return bars ? new Pen(left.tune, left.at, left.from, true, length) : left;
    }

    // --- What is in hand, changed

    private Pen changed(UnaryOperator<Element> change) {
        Page page = new Page(tune);
        List<Page.Spot> spots = page.spots();
        for (int index : inHand()) {
            page.set(spots.get(index), change.apply(page.at(spots.get(index))));
        }
        return new Pen(page.tune(), at, from, newBar, length);
    }

    private Pen notes(UnaryOperator<Note> change) {
        return changed(e -> e instanceof Note note ? change.apply(note) : e);
    }

    private Pen pitches(UnaryOperator<Pitch> change) {
        return notes(n -> {
            List<Pitch> moved = n.pitches().stream().map(change).toList();
            boolean fits = moved.stream().allMatch(p -> p.octave() >= 0 && p.octave() <= 9);
            return fits ? n.withPitches(moved) : n;
        });
    }

    /** Makes what is in hand so many of the tune's units long. */
    public Pen units(int units) {
        return lengths(r -> tune.head().unit().times(Ratio.of(units, 1)));
    }

    /** Makes what is in hand half as long. */
    public Pen halve() {
        return lengths(r -> r.times(Ratio.of(1, 2)));
    }

    /** Makes what is in hand half as long again. */
    public Pen dot() {
        return lengths(r -> r.times(Ratio.of(3, 2)));
    }

    private Pen lengths(UnaryOperator<Ratio> change) {
        return changed(e -> {
            Element plain = Page.plain(e);
            Ratio length = change.apply(Page.written(plain));
            if (length.isLess(SHORTEST) || LONGEST.isLess(length)) {
                return e;
            }
            return plain instanceof Note note ? note.withLength(length)
                    : new Rest(length, ((Rest) plain).visible(), false, Optional.empty(), ((Rest) plain).marks());
        });
    }

    /** New notes are as long as the one in hand from now on. */
    public Pen keepLength() {
        return inHand().isEmpty() ? this : new Pen(tune, at, from, newBar, Page.written(element(inHand().getLast())));
    }

    /** Sets the accidental: −1 flat, 0 natural, 1 sharp. */
    public Pen accidental(int alter) {
        return pitches(p -> p.withAlter(alter));
    }

    /** Moves what is in hand by octaves. */
    public Pen octaves(int by) {
        return pitches(p -> p.octavesUp(by));
    }

    /** Moves what is in hand by steps of the key. */
    public Pen steps(int by) {
        Page page = new Page(tune);
        List<Page.Spot> spots = page.spots();
        for (int index : inHand()) {
            Page.Spot spot = spots.get(index);
            if (page.at(spot) instanceof Note note) {
                List<Pitch> moved = note.pitches().stream().map(p -> new Pitch(Step.values()[Math.floorMod(p.diatonic() + by, 7)], 0, Math.floorDiv(p.diatonic() + by, 7))).toList();
                if (moved.stream().allMatch(p -> p.octave() >= 0 && p.octave() <= 9)) {
                    page.set(spot, note.withPitches(moved.stream().map(p -> page.inForce(p, spot.bar(), spot.element())).toList()));
                }
            }
        }
        return new Pen(page.tune(), at, from, newBar, length);
    }

    /** Moves what is in hand by an interval. */
    public Pen transpose(Interval interval) {
        return pitches(p -> p.plus(interval));
    }

    /** Ties what is in hand to the next note, or no more. */
    public Pen tie() {
        return notes(n -> n.withTied(!n.tied()));
    }

    /** A slur over what is in hand, or the one that is there taken away. */
    public Pen slur() {
        List<Integer> hand = inHand();
        if (hand.size() < 2 || !(element(hand.getFirst()) instanceof Note first) || !(element(hand.getLast()) instanceof Note last)) {
            return this;
        }
        int by = first.slursOpening() > 0 && last.slursClosing() > 0 ? -1 : 1;
        Page page = new Page(tune);
        page.set(page.spots().get(hand.getFirst()), first.withSlurs(first.slursOpening() + by, first.slursClosing()));
        page.set(page.spots().get(hand.getLast()), last.withSlurs(last.slursOpening(), last.slursClosing() + by));
        return new Pen(page.tune(), at, from, newBar, length);
    }

    /** Three notes in the time of two: those in hand, else the three before the pen; or no triplet any more. */
    public Pen triplet() {
        int start = holds() ? Math.min(at, from) : at - 3;
        Page page = new Page(tune);
        List<Page.Spot> spots = page.spots();
        boolean three = start >= 0 && start + 3 <= spots.size() && (!holds() || inHand().size() == 3);
        if (!three || spots.get(start).bar() != spots.get(start + 2).bar()) {
            return this;
        }
        boolean is = Page.tuplet(page.at(spots.get(start))).isPresent();
        for (int i = 0; i < 3; i++) {
            Element plain = Page.plain(page.at(spots.get(start + i)));
            Tuplet tuplet = new Tuplet(3, 2, i, 3);
            Ratio sounding = Page.written(plain).times(tuplet.factor());
            Element in = plain instanceof Note note ? note.withTuplet(tuplet).withLength(sounding) : ((Rest) plain).withTuplet(tuplet).withLength(sounding);
            page.set(spots.get(start + i), is ? plain : in);
        }
        return new Pen(page.tune(), at, from, newBar, length);
    }

    /** Sets the chord symbol over what is in hand, or takes it away. */
    public Pen chordSymbol(Optional<String> symbol) {
        return inHand().isEmpty() ? this : take(inHand().getFirst()).changed(e -> switch (e) {
            case Note n -> n.withMarks(marks(n.marks(), symbol));
            case Rest r -> new Rest(r.length(), r.visible(), r.wholeBar(), r.tuplet(), marks(r.marks(), symbol));
            default -> e;
        }).go(at, false);
    }

    private static Marks marks(Marks marks, Optional<String> symbol) {
        return new Marks(marks.decorations(), marks.graces(), marks.slashed(), symbol, marks.annotations());
    }
}
