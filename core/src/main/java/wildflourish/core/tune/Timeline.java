package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Every note of a tune as written, counted from 0, with where it stands.
 *
 * @param barStarts index into {@code notes} of the first note at or after each bar's start
 */
public record Timeline(Tune tune, List<Stand> notes, List<Integer> barStarts) {

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
        return new Timeline(tune, withTies(stands), starts);
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

    /** The next note that has a start of its own, if any. */
    public Optional<Stand> after(int index) {
        for (int i = index + 1; i < notes.size(); i++) {
            if (!notes.get(i).heldOver()) {
                return Optional.of(notes.get(i));
            }
        }
        return Optional.empty();
    }

    /** The note before that has a start of its own, if any. */
    public Optional<Stand> before(int index) {
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
        return 31 * tune.hashCode() + notes.size();
    }
}
