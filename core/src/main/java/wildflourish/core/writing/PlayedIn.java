package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * What was played in to a click, its first bar counting in: keys that went down and up. What is played in the last beats of the
 * count-in leads in.
 *
 * @param msPerWhole milliseconds that a whole note lasts
 * @param strokes not empty
 */
public record PlayedIn(Meter meter, double msPerWhole, List<Stroke> strokes) {

    /** Shorter than this nobody holds a key, in milliseconds. */
    private static final double SHORTEST_MS = 20;
    /** Leads in of less are the player's unevenness. */
    private static final double LEAST_LEAD = 1.0 / 32;
    private static final int QUAVERS = 8;

    /**
     * A key that was down.
     *
     * @param from milliseconds since the click began
     * @param to when it came up; empty where that cannot be known, as from the letters of a computer: then it lasts up to the next
     * @param midi MIDI 1.0 note number
     */
    public record Stroke(double from, Optional<Double> to, int midi) {

        /** The key came up. */
        public Stroke until(double at) {
            return new Stroke(from, Optional.of(Math.max(at, from + SHORTEST_MS)), midi);
        }
    }

    /**
     * What was made of it.
     *
     * @param guesses the notes whose place in the beat is a guess, by their index among the page's notes and rests
     */
    public record Written(Pen pen, List<Integer> guesses) {}

    public PlayedIn {
        strokes = strokes.stream().sorted(Comparator.comparingDouble(Stroke::from)).toList();
    }

    /**
     * What a made-up player plays of a tune, from the top as it is written: each key a little early or late, and let go a little before the next.
     *
     * @param msPerWhole milliseconds that a whole note lasts
     * @param unevenMs standard deviation of a key's moment
     */
    public static PlayedIn madeUp(Tune tune, double msPerWhole, double unevenMs, Random random) {
        Meter meter = tune.head().meter().isFree() ? Meter.COMMON : tune.head().meter();
        Timeline line = Timeline.of(tune);
        double leadIn = tune.bars().getFirst().number() == 0 ? tune.bars().getFirst().length().toDouble() : 0;
        double from = (meter.barLength().toDouble() - leadIn) * msPerWhole;
        List<Stroke> strokes = new ArrayList<>();
        for (Timeline.Stand note : line.notes()) {
            double at = from + note.onset().toDouble() * msPerWhole + random.nextGaussian() * unevenMs;
            double until = from + note.onset().plus(note.note().length()).toDouble() * msPerWhole - unevenMs;
            if (note.heldOver()) {
                strokes.add(strokes.removeLast().until(until));
            } else {
                strokes.add(new Stroke(at, Optional.empty(), note.pitch().midi()).until(until));
            }
        }
        return new PlayedIn(meter, msPerWhole, strokes);
    }

    /**
     * Written down where a pen stands: as the whole tune, in the key that is heard, where nothing is written yet; else put in between.
     *
     * @param endMs when it ended
     */
    public Written writtenWith(Pen pen, double endMs) {
        List<Played> notes = played(endMs);
        Ratio until = Ratio.of((long) Math.ceil(notes.getLast().until() * QUAVERS) + QUAVERS, QUAVERS);
        Ratio pickup = pickup(-notes.getFirst().at());
        List<Played> fromStart = notes.stream().map(n -> new Played(n.at() + pickup.toDouble(), n.until() + pickup.toDouble(), n.midi())).toList();
        boolean whole = pen.size() == 0;
        Key key = whole ? KeyFinder.find(notes.stream().map(n -> new KeyFinder.Heard(n.midi(), n.until() - n.at())).toList()) : pen.tune().head().key();
        Tune under = whole ? Heading.in(pen.tune(), key) : pen.tune();
        Grid grid = Grid.of(meter, pickup, until.plus(pickup));
        TakenDown down = TakenDown.of(under.head(), grid, Quantiser.place(fromStart, grid, msPerWhole));
        return new Written(whole ? Pen.atTheEnd(down.tune()) : pen.paste(down.tune().bars().stream().flatMap(b -> b.elements().stream()).toList()),
                down.unsure().stream().map(n -> pen.at() + Pen.ofNote(down.tune(), n)).toList());
    }

    /** How long before the first bar line it began, in whole quavers. */
    private Ratio pickup(double lead) {
        return lead < LEAST_LEAD ? Ratio.ZERO : Ratio.of(Math.clamp(Math.round(lead * QUAVERS), 1, meter.barLength().times(Ratio.of(QUAVERS, 1)).floor()), QUAVERS);
    }

    /** The notes in whole notes from the bar line behind the count-in. */
    private List<Played> played(double endMs) {
        double barMs = meter.barLength().toDouble() * msPerWhole;
        List<Played> notes = new ArrayList<>();
        for (int i = 0; i < strokes.size(); i++) {
            Stroke stroke = strokes.get(i);
            double next = i + 1 < strokes.size() ? strokes.get(i + 1).from() : Math.min(endMs, stroke.from() + barMs / 4);
            double end = stroke.to().orElse(Math.max(next, stroke.from() + SHORTEST_MS));
            notes.add(new Played((stroke.from() - barMs) / msPerWhole, (end - barMs) / msPerWhole, stroke.midi()));
        }
        return notes;
    }
}
