package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.BarNumbers;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.Tuplet;

/** The bars of a tune while one stroke of the pen changes them. What it leaves is whole: its tuplets are complete and no bar is empty. */
final class Page {

    private static final int BARS_A_LINE = 4;

    private final Tune tune;
    private final List<Bar> bars;
    private final List<Field> fields;
    private BarLine opening;

    Page(Tune tune) {
        this.tune = tune;
        this.bars = new ArrayList<>(tune.bars());
        this.fields = new ArrayList<>(tune.head().fields());
        this.opening = tune.opening();
    }

    /** Where a note or rest stands: its bar, and its place among the elements there. */
    record Spot(int bar, int element) {}

    /** All notes and rests, in order. */
    List<Spot> spots() {
        List<Spot> spots = new ArrayList<>();
        for (int b = 0; b < bars.size(); b++) {
            for (int e = 0; e < bars.get(b).elements().size(); e++) {
                if (!(bars.get(b).elements().get(e) instanceof Change)) {
                    spots.add(new Spot(b, e));
                }
            }
        }
        return spots;
    }

    Element at(Spot spot) {
        return bars.get(spot.bar()).elements().get(spot.element());
    }

    Bar bar(int bar) {
        return bars.get(bar);
    }

    int size() {
        return bars.size();
    }

    /** The meter in force in a bar, at its end. */
    Meter meter(int bar) {
        Meter now = tune.head().meter();
        for (int b = 0; b <= Math.min(bar, bars.size() - 1); b++) {
            for (Element element : bars.get(b).elements()) {
                now = element instanceof Change change ? change.meter().orElse(now) : now;
            }
        }
        return now;
    }

    /** By how much a letter is altered where it is written without a sign: by the bar so far, else by the key. */
    Pitch inForce(Pitch natural, int bar, int before) {
        Key key = tune.head().key();
        Optional<Integer> alter = Optional.empty();
        for (int b = 0; b <= Math.min(bar, bars.size() - 1); b++) {
            List<Element> elements = bars.get(b).elements();
            alter = Optional.empty();
            for (int e = 0; e < (b == bar ? Math.min(before, elements.size()) : elements.size()); e++) {
                if (elements.get(e) instanceof Change change && change.key().isPresent()) {
                    key = change.key().get();
                    alter = Optional.empty();
                } else if (elements.get(e) instanceof Note note) {
                    Optional<Integer> last = alter;
                    alter = note.pitches().stream().filter(p -> p.step() == natural.step()).map(Pitch::alter).findFirst().or(() -> last);
                }
            }
        }
        return natural.withAlter(bar < bars.size() && alter.isPresent() ? alter.get() : Math.clamp(key.alterOf(natural.step()), -2, 2));
    }

    // --- Changes

    void set(Spot spot, Element element) {
        List<Element> elements = new ArrayList<>(bars.get(spot.bar()).elements());
        elements.set(spot.element(), element);
        bars.set(spot.bar(), bars.get(spot.bar()).withElements(elements));
    }

    /** Puts an element into a bar, before the one that stands there. */
    void insert(int bar, int at, Element element) {
        List<Element> elements = new ArrayList<>(bars.get(bar).elements());
        elements.add(at, element);
        bars.set(bar, bars.get(bar).withElements(elements));
    }

    /** Puts a new bar behind the last one; what the last one closed with as the end of the tune goes with it. */
    void append(Element element) {
        BarLine closing = new BarLine(BarLine.Style.FINAL, 0, 0);
        if (!bars.isEmpty()) {
            Bar last = bars.getLast();
            boolean end = last.closing().style() == BarLine.Style.FINAL && last.closing().repeatsBefore() == 0;
            closing = end ? last.closing() : BarLine.THIN;
            int since = 1;
            for (int b = bars.size() - 2; b >= 0 && !bars.get(b).endsSystem(); b--) {
                since += bars.get(b).length().isLess(meter(b).barLength()) && b == 0 ? 0 : 1;
            }
            boolean pickup = bars.size() == 1 && last.length().isLess(meter(0).barLength());
            boolean ends = since >= BARS_A_LINE && !pickup || last.closing().closesSection() && !end && last.ending().isEmpty();
            bars.set(bars.size() - 1, with(last, end ? BarLine.THIN : last.closing().style() == BarLine.Style.NONE ? BarLine.THIN : last.closing(), ends));
        }
        bars.add(new Bar(0, List.of(element), closing, Optional.empty(), Optional.empty(), true));
    }

    /** Takes an element away; a bar that is left empty goes too. */
    void remove(Spot spot) {
        List<Element> elements = new ArrayList<>(bars.get(spot.bar()).elements());
        elements.remove(spot.element());
        bars.set(spot.bar(), bars.get(spot.bar()).withElements(elements));
        if (elements.stream().allMatch(e -> e instanceof Change)) {
            removeBar(spot.bar(), elements);
        }
    }

    private void removeBar(int bar, List<Element> changes) {
        Bar gone = bars.remove(bar);
        shiftFields(bar + 1, -1);
        if (!changes.isEmpty() && bar < bars.size()) {
            List<Element> elements = new ArrayList<>(changes);
            elements.addAll(bars.get(bar).elements());
            bars.set(bar, bars.get(bar).withElements(elements));
        }
        if (bar > 0) {
            Bar before = bars.get(bar - 1);
            BarLine line = gone.closing().closesSection() ? before.closing().joinedWith(gone.closing()) : before.closing();
            bars.set(bar - 1, with(before, line, before.endsSystem() || gone.endsSystem()));
        } else if (gone.closing().repeatsAfter() > 0) {
            opening = new BarLine(BarLine.Style.THIN, 0, gone.closing().repeatsAfter());
        }
        if (gone.ending().filter(e -> e.starts()).isPresent() && bar < bars.size()) {
            Bar next = bars.get(bar);
            if (next.ending().filter(e -> !e.starts() && e.times().equals(gone.ending().get().times())).isPresent()) {
                bars.set(bar, new Bar(next.number(), next.elements(), next.closing(), gone.ending(), next.part(), next.endsSystem()));
            }
        }
        if (gone.part().isPresent() && bar < bars.size() && bars.get(bar).part().isEmpty()) {
            Bar next = bars.get(bar);
            bars.set(bar, new Bar(next.number(), next.elements(), next.closing(), next.ending(), gone.part(), next.endsSystem()));
        }
    }

    /** Divides a bar before one of its elements. */
    void split(int bar, int at) {
        Bar whole = bars.get(bar);
        Bar first = new Bar(0, whole.elements().subList(0, at), BarLine.THIN, whole.ending(), whole.part(), false);
        Bar second = new Bar(0, whole.elements().subList(at, whole.elements().size()), whole.closing(),
                whole.ending().map(e -> new Ending(e.times(), false)), Optional.empty(), whole.endsSystem());
        bars.set(bar, first);
        bars.add(bar + 1, second);
        shiftFields(bar + 1, 1);
    }

    /** Takes away the bar line behind a bar. */
    void join(int bar) {
        Bar first = bars.get(bar);
        Bar second = bars.remove(bar + 1);
        List<Element> all = new ArrayList<>(first.elements());
        all.addAll(second.elements());
        bars.set(bar, new Bar(0, all, second.closing(), first.ending().or(second::ending), first.part(), second.endsSystem()));
        shiftFields(bar + 2, -1);
    }

    private void shiftFields(int from, int by) {
        for (int f = 0; f < fields.size(); f++) {
            Field field = fields.get(f);
            if (field.after() >= from && field.after() < Integer.MAX_VALUE) {
                fields.set(f, new Field(field.letter(), field.text(), Math.max(1, field.after() + by)));
            }
        }
    }

    void setBar(int bar, Bar changed) {
        bars.set(bar, changed);
    }

    BarLine opening() {
        return opening;
    }

    void setOpening(BarLine line) {
        opening = line;
    }

    static Bar with(Bar bar, BarLine closing, boolean endsSystem) {
        return new Bar(bar.number(), bar.elements(), closing, bar.ending(), bar.part(), endsSystem);
    }

    // --- What is left

    /** The tune as it is now. */
    Tune tune() {
        List<Bar> whole = new ArrayList<>();
        for (int b = 0; b < bars.size(); b++) {
            Bar bar = bars.get(b);
            List<Element> elements = withoutBrokenTuplets(bar.elements());
            boolean sameRhythm = b < tune.bars().size() && lengths(tune.bars().get(b).elements()).equals(lengths(elements));
            whole.add(sameRhythm ? bar.withElements(elements) : bar.withElements(Beams.inBar(elements, meter(b), b == 0)));
        }
        Head h = tune.head();
        Head head = fields.equals(h.fields()) ? h
                : h.withFields(fields);
        return new Tune(head, opening, BarNumbers.of(withWholeEndings(whole), head.meter()));
    }

    /** A bracket goes on to the line that ends its section, and begins where it stands first. */
    private static List<Bar> withWholeEndings(List<Bar> bars) {
        List<Bar> whole = new ArrayList<>();
        for (Bar bar : bars) {
            Optional<Bar> before = whole.isEmpty() ? Optional.empty() : Optional.of(whole.getLast());
            Optional<Ending> open = before.filter(b -> !b.closing().closesSection()).flatMap(Bar::ending);
            Optional<Ending> ending = bar.ending();
            if (ending.filter(Ending::starts).isEmpty()) {
                ending = open.map(e -> new Ending(e.times(), false));
            }
            whole.add(ending.equals(bar.ending()) ? bar : new Bar(bar.number(), bar.elements(), bar.closing(), ending, bar.part(), bar.endsSystem()));
        }
        return whole;
    }

    private static List<Ratio> lengths(List<Element> elements) {
        return elements.stream().map(Element::length).toList();
    }

    /** Notes of a tuplet that is not whole any more are plain notes, as long as they are written. */
    private static List<Element> withoutBrokenTuplets(List<Element> elements) {
        List<Element> whole = new ArrayList<>(elements);
        int i = 0;
        while (i < whole.size()) {
            Optional<Tuplet> first = tuplet(whole.get(i));
            if (first.isEmpty()) {
                i++;
                continue;
            }
            int count = 0;
            while (first.get().isFirst() && i + count < whole.size() && count < first.get().count() && isNext(whole.get(i + count), first.get(), count)) {
                count++;
            }
            if (count < first.get().count() || count == 0) {
                for (int n = 0; n < Math.max(1, count); n++) {
                    whole.set(i + n, plain(whole.get(i + n)));
                }
            }
            i += Math.max(1, count);
        }
        return whole;
    }

    private static boolean isNext(Element element, Tuplet first, int position) {
        return tuplet(element).filter(t -> t.actual() == first.actual() && t.normal() == first.normal() && t.position() == position
                && t.count() == first.count()).isPresent();
    }

    static Optional<Tuplet> tuplet(Element element) {
        return switch (element) {
            case Note note -> note.tuplet();
            case Rest rest -> rest.tuplet();
            case Change change -> Optional.empty();
        };
    }

    /** The element out of its tuplet, as long as it is written. */
    static Element plain(Element element) {
        return switch (element) {
            case Note note -> note.withTuplet(Optional.empty()).withLength(note.writtenLength());
            case Rest rest -> new Rest(rest.writtenLength(), rest.visible(), rest.wholeBar(), Optional.empty(), rest.marks());
            case Change change -> change;
        };
    }

    static Ratio written(Element element) {
        return switch (element) {
            case Note note -> note.writtenLength();
            case Rest rest -> rest.writtenLength();
            case Change change -> Ratio.ZERO;
        };
    }
}
