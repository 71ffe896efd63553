package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.BarNumbers;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.Tuplet;

/**
 * A tune written down from notes in their places: bars, ties over bar lines, triplets, and the notes' names in the key.
 *
 * @param unsure indices, among the tune's written notes, of those whose place was a guess
 */
public record TakenDown(Tune tune, List<Integer> unsure) {

    private static final int BARS_A_LINE = 4;

    public TakenDown {
        unsure = List.copyOf(unsure);
    }

    /**
     * Writes notes down.
     *
     * @param head its meter is that of the grid's beginning, its key names the notes
     */
    public static TakenDown of(Head head, Grid grid, List<Quantiser.Placed> notes) {
        return new Writer(head, grid, notes).written();
    }

    /** Sets the notes into bars. */
    private static final class Writer {

        private final Head head;
        private final Grid grid;
        private final List<Quantiser.Placed> notes;
        private final List<Bar> bars = new ArrayList<>();
        private final List<Integer> unsure = new ArrayList<>();
        private List<Element> now = new ArrayList<>();
        private Meter meter;
        private int written;
        private int tupletParts;
        private Ratio tupletEnd = Ratio.ZERO;

        Writer(Head head, Grid grid, List<Quantiser.Placed> notes) {
            this.head = head;
            this.grid = grid;
            this.notes = notes;
            this.meter = head.meter();
        }

        TakenDown written() {
            Ratio end = notes.isEmpty() ? Ratio.ZERO : notes.getLast().until();
            Ratio start = notes.isEmpty() ? Ratio.ZERO : notes.getFirst().at();
            int next = 0;
            for (int b = 0; b < grid.beats().size() && grid.beats().get(b).at().isLess(end); b++) {
                Grid.Beat beat = grid.beats().get(b);
                if (!start.isLess(beat.end())) {
                    continue;
                }
                if (beat.opensBar()) {
                    closeBar();
                    if (!beat.meter().equals(meter)) {
                        meter = beat.meter();
                        now.add(Change.to(meter));
                    }
                }
                next = beat(beat, next, bars.isEmpty() && now.isEmpty() ? start : beat.at(), end);
            }
            closeBar();
            if (!bars.isEmpty()) {
                Bar last = bars.removeLast();
                bars.add(new Bar(last.number(), last.elements(), new BarLine(BarLine.Style.FINAL, 0, 0), last.ending(), last.part(), true));
            }
            List<Bar> numbered = BarNumbers.of(bars, head.meter());
            return new TakenDown(new Tune(head, BarLine.NONE, inLines(numbered)), unsure);
        }

        private static List<Bar> inLines(List<Bar> bars) {
            List<Bar> lines = new ArrayList<>();
            for (int b = 0; b < bars.size(); b++) {
                Bar bar = bars.get(b);
                boolean ends = b + 1 == bars.size() || bar.number() > 0 && bar.number() % BARS_A_LINE == 0;
                lines.add(new Bar(bar.number(), bar.elements(), bar.closing(), bar.ending(), bar.part(), ends));
            }
            return lines;
        }

        private void closeBar() {
            if (now.stream().anyMatch(e -> !(e instanceof Change))) {
                bars.add(new Bar(0, Beams.inBar(now, meter, bars.isEmpty()), BarLine.THIN, Optional.empty(), Optional.empty(), false));
                now = new ArrayList<>();
            }
        }

        /** Writes what sounds in a beat; the index of the first note that begins after it. */
        private int beat(Grid.Beat beat, int first, Ratio from, Ratio end) {
            int next = first;
            Ratio at = from.isLess(beat.at()) ? beat.at() : from;
            Ratio until = end.isLess(beat.end()) ? end : beat.end();
            boolean inThrees = !beat.isCompound() && inThrees(beat, first);
            while (at.isLess(until)) {
                Optional<Quantiser.Placed> before = next == 0 ? Optional.empty() : Optional.of(notes.get(next - 1));
                boolean starts = next < notes.size() && notes.get(next).at().equals(at);
                if (starts) {
                    Quantiser.Placed note = notes.get(next++);
                    Ratio to = earliest(note.until(), until);
                    put(note, at, to, beat, inThrees, true);
                    at = to;
                } else if (before.isPresent() && at.isLess(before.get().until())) {
                    Ratio to = earliest(before.get().until(), until);
                    put(before.get(), at, to, beat, inThrees, false);
                    at = to;
                } else {
                    Ratio to = next < notes.size() ? earliest(notes.get(next).at(), until) : until;
                    now.add(new Rest(to.minus(at), true, false, tuplet(beat, at, to, inThrees), Marks.NONE));
                    at = to;
                }
            }
            joinTuplets(inThrees);
            return next;
        }

        private static Ratio earliest(Ratio a, Ratio b) {
            return a.isLess(b) ? a : b;
        }

        /** Whether a beat of simple time is in triplets. */
        private boolean inThrees(Grid.Beat beat, int first) {
            for (int n = Math.max(0, first - 1); n < notes.size() && notes.get(n).at().isLess(beat.end()); n++) {
                if (isThird(beat, notes.get(n).at()) || isThird(beat, notes.get(n).until())) {
                    return true;
                }
            }
            return false;
        }

        private static boolean isThird(Grid.Beat beat, Ratio at) {
            return !at.isLess(beat.at()) && at.isLess(beat.end()) && at.minus(beat.at()).dividedBy(beat.length()).denominator() % 3 == 0;
        }

        private void put(Quantiser.Placed note, Ratio from, Ratio to, Grid.Beat beat, boolean inThrees, boolean starts) {
            boolean goesOn = to.isLess(note.until());
            List<Pitch> pitches = note.midi().stream().map(m -> KeyFinder.spelled(m, head.key())).toList();
            Optional<Tuplet> tuplet = tuplet(beat, from, to, inThrees);
            boolean isLonger = !starts && tuplet.isEmpty() && !now.isEmpty() && now.getLast() instanceof Note last && last.tied() && last.tuplet().isEmpty();
            if (isLonger) {
                Note last = (Note) now.removeLast();
                now.add(last.withLength(last.length().plus(to.minus(from))).withTied(goesOn));
                return;
            }
            Key key = head.key();
            Marks marks = starts ? Marks.NONE.withGraces(note.graces().stream().map(g -> KeyFinder.spelled(g, key)).toList()) : Marks.NONE;
            now.add(new Note(pitches, to.minus(from), tuplet, goesOn, 0, 0, marks, false));
            if (starts && !note.sure()) {
                unsure.add(written);
            }
            written++;
        }

        private Optional<Tuplet> tuplet(Grid.Beat beat, Ratio from, Ratio to, boolean inThrees) {
            if (!inThrees) {
                return Optional.empty();
            }
            long least = Math.max(from.minus(beat.at()).dividedBy(beat.length()).denominator(), to.minus(beat.at()).dividedBy(beat.length()).denominator());
            tupletParts = least % 6 == 0 || tupletParts == 6 && tupletEnd.equals(beat.end()) ? 6 : 3;
            tupletEnd = beat.end();
            return Optional.of(new Tuplet(tupletParts, tupletParts == 6 ? 4 : 2, 0, 0));
        }

        /** Counts the notes of the tuplet that fills the beat just written. */
        private void joinTuplets(boolean inThrees) {
            if (!inThrees) {
                return;
            }
            int from = now.size();
            while (from > 0 && tupletOf(now.get(from - 1)).filter(t -> t.count() == 0).isPresent()) {
                from--;
            }
            int count = now.size() - from;
            int parts = 3;
            for (int i = from; i < now.size(); i++) {
                parts = Math.max(parts, tupletOf(now.get(i)).orElseThrow().actual());
            }
            for (int i = 0; i < count; i++) {
                Tuplet tuplet = new Tuplet(parts, parts == 6 ? 4 : 2, i, count);
                Element element = now.get(from + i);
                now.set(from + i, element instanceof Note note ? note.withTuplet(tuplet) : ((Rest) element).withTuplet(tuplet));
            }
        }

        private static Optional<Tuplet> tupletOf(Element element) {
            return element instanceof Note note ? note.tuplet() : element instanceof Rest rest ? rest.tuplet() : Optional.empty();
        }
    }
}
