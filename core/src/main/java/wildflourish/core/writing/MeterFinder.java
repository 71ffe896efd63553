package wildflourish.core.writing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;

/** The meter of notes of which nobody has said it: that whose strong beats the long notes stand on, and after whose bar most comes again. */
public final class MeterFinder {

    private static final Ratio QUAVER = Ratio.of(1, 8);
    /** So many notes tell the meter. */
    private static final int MOST_NOTES = 600;
    /** Moments are compared in this part of a whole note. */
    private static final int FINE = 48;
    private static final Weights WEIGHTS = DataFile.read("writing/meter.json", Weights.class);

    /**
     * What speaks for a meter, beside the strength of the beats that the notes stand on.
     *
     * @param comesAgain that all notes of a bar come again in the next
     * @param sameRhythm of that, what their rhythm alone is worth
     * @param fewestNotes with less, nothing can be heard, and the first meter is taken
     */
    record Weights(String provenance, double comesAgain, double sameRhythm, int fewestNotes, List<Candidate> meters) {}

    /**
     * A meter that is thought of.
     *
     * @param usual what speaks for it from the beginning
     */
    record Candidate(String meter, double usual) {

        Meter asMeter() {
            String[] halves = meter.split("/");
            return Meter.of(Integer.parseInt(halves[0]), Integer.parseInt(halves[1]));
        }
    }

    private MeterFinder() {}

    /**
     * The likeliest meter.
     *
     * @param all in order, the first from 0
     */
    public static Meter find(List<Played> all) {
        List<Played> notes = all.subList(0, Math.min(MOST_NOTES, all.size()));
        Meter best = WEIGHTS.meters().getFirst().asMeter();
        double most = Double.NEGATIVE_INFINITY;
        for (Candidate candidate : notes.size() < WEIGHTS.fewestNotes() ? List.<Candidate>of() : WEIGHTS.meters()) {
            Meter meter = candidate.asMeter();
            double worth = stressed(notes, meter) + WEIGHTS.comesAgain() * comesAgain(notes, meter) + candidate.usual();
            if (worth > most) {
                most = worth;
                best = meter;
            }
        }
        return best;
    }

    /** How much stronger than by chance the beats are that the notes stand on, under the best lead-in; 0 is chance. */
    private static double stressed(List<Played> notes, Meter meter) {
        int count = 0;
        double sum = 0;
        double squares = 0;
        for (Ratio at = Ratio.ZERO; at.isLess(meter.barLength()); at = at.plus(QUAVER)) {
            int strength = meter.strength(at);
            count++;
            sum += strength;
            squares += strength * strength;
        }
        double mean = sum / count;
        double spread = Math.sqrt(squares / count - mean * mean);
        double best = Double.NEGATIVE_INFINITY;
        for (Ratio pickup = Ratio.ZERO; pickup.isLess(meter.barLength()); pickup = pickup.plus(QUAVER)) {
            best = Math.max(best, (Pickup.heard(notes, meter, pickup) - mean) / spread + Pickup.edges(notes, meter, pickup));
        }
        return best;
    }

    /** The share of the notes that come again a bar later. */
    private static double comesAgain(List<Played> notes, Meter meter) {
        Map<Long, Integer> sounding = new HashMap<>();
        notes.forEach(n -> sounding.put(Math.round(n.at() * FINE), n.midi()));
        long bar = Math.round(meter.barLength().toDouble() * FINE);
        long last = Math.round(notes.getLast().at() * FINE) - bar;
        double again = 0;
        int all = 0;
        for (Map.Entry<Long, Integer> note : sounding.entrySet()) {
            if (note.getKey() <= last) {
                Integer later = sounding.get(note.getKey() + bar);
                again += later == null ? 0 : WEIGHTS.sameRhythm() + (later.equals(note.getValue()) ? 1 : 0);
                all++;
            }
        }
        return all == 0 ? 0 : again / all;
    }
}
