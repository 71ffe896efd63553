package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Every note of a tune as written, counted from 0, with where it stands. What goes before and follows a note is what does so where the tune
 * is played: at a repeat, an ending or a jump that may be another each time through ({@link #passes}).
 *
 * @param barStarts index into {@code notes} of the first note at or after each bar's start
 * @param neighbours where those of a note are not the notes written beside it
 * @param pass which of the ways to come to a note and to leave it counts, from 0: the first time through
 */
public record Timeline(Tune tune, List<Stand> notes, List<Integer> barStarts, Neighbours neighbours, int pass) {

    /**
     * A note and its surroundings.
     *
     * @param index counted over the tune's written notes from 0; rests do not count
     * @param bar index of its bar in the tune (not the printed number)
     * @param onset written time since the start of the tune, repeats not played out
     * @param offset time since the bar line; a short bar that leads in is counted from its end
     * @param sounding its length, and that of the notes tied to it
     * @param heldOver whether a tie runs into it, so that it has no start of its own
     */
    public record Stand(
            int index,
            Note note,
            int bar,
            int barNumber,
            Ratio onset,
            Ratio offset,
            Ratio sounding,
            boolean heldOver,
            Key key,
            Meter meter) {

        public Pitch pitch() {
            return note.pitch();
        }

        /** The same begun at another moment. */
        private Stand at(Ratio moment) {
            return moment.equals(onset) ? this : new Stand(index, note, bar, barNumber, moment, offset, sounding, heldOver, key, meter);
        }

        /** The beat on which or after which it begins, counted from 1. */
        public int beat() {
            int beat = 0;
            Ratio at = Ratio.ZERO;
            for (Ratio length : meter.beats()) {
                beat += offset.isLess(at) ? 0 : 1;
                at = at.plus(length);
            }
            return Math.max(1, beat);
        }

        /** For reading: {@code bar 3}, or {@code the pickup}. */
        public String barInWords() {
            return BarNames.spoken(barNumber);
        }

        /** For reading: {@code F sharp in bar 3}. */
        public String inWords() {
            return pitch().spoken() + " in " + barInWords();
        }

        /** 3 on the first beat, 2 in the middle of the bar, 1 on another beat, 0 between beats. */
        public int strength() {
            return meter.strength(offset);
        }
    }

    public Timeline {
        notes = List.copyOf(notes);
        barStarts = List.copyOf(barStarts);
    }

    public static Timeline of(Tune tune) {
        List<Stand> stands = new ArrayList<>();
        List<Integer> starts = new ArrayList<>();
        Key key = tune.head().key();
        Meter meter = tune.head().meter();
        Ratio onset = Ratio.ZERO;
        boolean heldOver = false;
        for (int b = 0; b < tune.bars().size(); b++) {
            Bar bar = tune.bars().get(b);
            starts.add(stands.size());
            Ratio offset = leadIn(tune, b, meter);
            for (Element element : bar.elements()) {
                switch (element) {
                    case Change change -> {
                        key = change.key().orElse(key);
                        meter = change.meter().orElse(meter);
                    }
                    case Rest rest -> heldOver = false;
                    case Note note -> {
                        stands.add(new Stand(stands.size(), note, b, bar.number(), onset, offset, note.length(),
                                heldOver, key, meter));
                        heldOver = note.tied();
                    }
                }
                onset = onset.plus(element.length());
                offset = offset.plus(element.length());
            }
        }
        List<Stand> tied = withTies(stands);
        return new Timeline(tune, tied, starts, Neighbours.of(tune, tied, starts), 0);
    }

    private static Ratio leadIn(Tune tune, int bar, Meter meter) {
        boolean leads = bar == 0 || tune.bars().get(bar - 1).closing().closesSection();
        Ratio missing = meter.barLength().minus(tune.bars().get(bar).length());
        boolean hasNext = bar + 1 < tune.bars().size();
        return leads && hasNext && !meter.isFree() && missing.isPositive() ? missing : Ratio.ZERO;
    }

    private static List<Stand> withTies(List<Stand> stands) {
        List<Stand> tied = new ArrayList<>(stands);
        for (int i = stands.size() - 2; i >= 0; i--) {
            Stand stand = tied.get(i);
            Stand next = tied.get(i + 1);
            boolean held = stand.note().tied() && next.heldOver() && stand.pitch().equals(next.pitch());
            if (held) {
                tied.set(i, new Stand(i, stand.note(), stand.bar(), stand.barNumber(), stand.onset(), stand.offset(),
                        stand.sounding().plus(next.sounding()), stand.heldOver(), stand.key(), stand.meter()));
            } else if (next.heldOver()) {
                tied.set(i + 1, new Stand(i + 1, next.note(), next.bar(), next.barNumber(), next.onset(),
                        next.offset(), next.sounding(), false, next.key(), next.meter()));
            }
        }
        return tied;
    }

    public Stand note(int index) {
        return notes.get(index);
    }

    public int size() {
        return notes.size();
    }

    /**
     * The tune in each of the ways in which a note is played between others, the first time through first: itself alone where the note always
     * has the same neighbours.
     */
    public List<Timeline> passes(int note) {
        int many = neighbours.passes(note);
        return many == 1 ? List.of(this)
                : IntStream.range(0, many).mapToObj(p -> p == pass ? this : new Timeline(tune, notes, barStarts, neighbours, p)).toList();
    }

    /** What is played on from a note, as often as it is played: pairs of notes that follow one another directly, but are not written so. */
    public List<Jump> jumps() {
        List<Jump> jumps = new ArrayList<>();
        neighbours.after().forEach((from, others) -> others.stream().filter(to -> to != Neighbours.NONE && to != from + 1).forEach(to -> jumps.add(new Jump(from, to))));
        jumps.sort(Comparator.comparingInt(Jump::from).thenComparingInt(Jump::to));
        return jumps;
    }

    /** Two notes that follow one another directly where the tune is played on from elsewhere. */
    public record Jump(int from, int to) {}

    /** Whether a note ever follows the one that is written before it: not the first of a second ending. */
    public boolean everFollowsWritten(int note) {
        List<Integer> others = neighbours.before().get(note);
        return others == null || others.stream().anyMatch(o -> o == note - 1 || o >= 0 && o < note && IntStream.range(o + 1, note).allMatch(i -> notes.get(i).heldOver()));
    }

    private Optional<Integer> other(Map<Integer, List<Integer>> all, int note) {
        List<Integer> others = all.get(note);
        return others == null ? Optional.empty() : Optional.of(others.get(Math.min(pass, others.size() - 1)));
    }

    /** The next note that has a start of its own, if any; where the tune is played on from elsewhere, as if it were written there. */
    public Optional<Stand> after(int index) {
        Optional<Integer> other = other(neighbours.after(), index);
        if (other.isPresent()) {
            Stand here = notes.get(index);
            return other.filter(o -> o != Neighbours.NONE).map(o -> notes.get(o).at(here.onset().plus(here.sounding())));
        }
        for (int i = index + 1; i < notes.size(); i++) {
            if (!notes.get(i).heldOver()) {
                return Optional.of(notes.get(i));
            }
        }
        return Optional.empty();
    }

    /** The note before that has a start of its own, if any; where the tune is played on from elsewhere, as if it were written there. */
    public Optional<Stand> before(int index) {
        Optional<Integer> other = other(neighbours.before(), index);
        if (other.isPresent()) {
            return other.filter(o -> o != Neighbours.NONE).map(o -> notes.get(o).at(notes.get(index).onset().minus(notes.get(o).sounding())));
        }
        for (int i = index - 1; i >= 0; i--) {
            if (!notes.get(i).heldOver()) {
                return Optional.of(notes.get(i));
            }
        }
        return Optional.empty();
    }

    /** From what is short: every note would be counted at each look into what has been worked out. */
    @Override
    public int hashCode() {
        return 31 * tune.hashCode() + 7 * notes.size() + pass;
    }
}
