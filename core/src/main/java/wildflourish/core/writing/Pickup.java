package wildflourish.core.writing;

import java.util.List;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;

/** Where the bar lines fall among notes that nobody has set into bars: the lead-in under which the long notes stand strongest. */
public final class Pickup {

    private static final Ratio QUAVER = Ratio.of(1, 8);
    private static final int QUAVERS = 8;
    private static final Weights WEIGHTS = DataFile.read("writing/pickup.json", Weights.class);

    /**
     * What speaks for a lead-in, beside the strength of the beats that the notes stand on.
     *
     * @param longest a note counts by its length, up to this, as a ratio of a whole note
     * @param perQuaverBefore what each quaver of the lead-in speaks against it
     * @param endsWithABar what speaks for one after which the notes end with a whole bar, or one that the lead-in fills up
     */
    record Weights(String provenance, double longest, double perQuaverBefore, double endsWithABar) {}

    private Pickup() {}

    /**
     * The likeliest lead-in before the first bar line.
     *
     * @param notes the first from 0
     */
    public static Ratio find(List<Played> notes, Meter meter) {
        Ratio best = Ratio.ZERO;
        double most = Double.NEGATIVE_INFINITY;
        for (Ratio pickup = Ratio.ZERO; pickup.isLess(meter.barLength()); pickup = pickup.plus(QUAVER)) {
            double worth = worth(notes, meter, pickup);
            if (worth > most) {
                most = worth;
                best = pickup;
            }
        }
        return best;
    }

    private static double worth(List<Played> notes, Meter meter, Ratio pickup) {
        return heard(notes, meter, pickup) + edges(notes, meter, pickup);
    }

    /** How strong the beats are that the notes stand on, each note by its length. */
    static double heard(List<Played> notes, Meter meter, Ratio pickup) {
        double bar = meter.barLength().toDouble();
        double heard = 0;
        double all = 0;
        for (int i = 0; i < notes.size(); i++) {
            Played note = notes.get(i);
            double length = Math.min(WEIGHTS.longest(), (i + 1 < notes.size() ? notes.get(i + 1).at() : note.until()) - note.at());
            double offset = note.at() - pickup.toDouble();
            double within = offset - Math.floor(offset / bar + 1e-6) * bar;
            long quavers = Math.round(within * 8);
            boolean onGrid = Math.abs(within * 8 - quavers) < 0.25;
            Ratio place = Ratio.of(quavers, 8).isLess(meter.barLength()) ? Ratio.of(quavers, 8) : Ratio.ZERO;
            heard += onGrid ? length * meter.strength(place) : 0;
            all += length;
        }
        return heard / Math.max(1e-9, all);
    }

    /** What speaks for it in how the notes begin and end. */
    static double edges(List<Played> notes, Meter meter, Ratio pickup) {
        double bar = meter.barLength().toDouble();
        double end = notes.getLast().until() - pickup.toDouble();
        double over = end - Math.floor(end / bar + 1e-6) * bar;
        boolean whole = over < 0.06 || Math.abs(over - (bar - pickup.toDouble())) < 0.06;
        return (whole ? WEIGHTS.endsWithABar() : 0) - WEIGHTS.perQuaverBefore() * QUAVERS * pickup.toDouble();
    }
}
