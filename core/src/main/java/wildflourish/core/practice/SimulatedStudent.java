package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import wildflourish.core.data.DataFile;

/**
 * Somebody who plays, made up: for trying a plan out without a student, for the demo, and for tests. The same kind with the
 * same seed plays the same pass the same way.
 *
 * @param id {@code steady}, …
 * @param spread standard deviation of the first pass's gaps, as a share of the gap
 * @param settles factor of the spread from pass to pass: below 1 for one who improves, above 1 for one who tires
 * @param least the spread never settles below this
 * @param pace share of the beat's time that is taken: 0.95 for one who rushes by five per cent
 * @param third share of its time that the third pulse of a beat of three gets, or the second of a beat of two
 * @param slips share of the notes that are left out
 * @param silent share of the ornaments that do not speak in the first pass; settles as the spread does
 * @param speed factor of the spread for each halving of the gap below 200 ms: fast is harder
 */
public record SimulatedStudent(
        String id, String words, double spread, double settles, double least, double pace, double third, double slips, double silent, double speed) {

    record Table(String provenance, List<SimulatedStudent> students) {}

    private static final List<SimulatedStudent> ALL = DataFile.read("practice/students.json", Table.class).students();

    /** Every kind there is. */
    public static List<SimulatedStudent> all() {
        return ALL;
    }

    /** The kind of that id; throws {@link IllegalArgumentException} when there is none. */
    public static SimulatedStudent byId(String id) {
        return ALL.stream().filter(s -> s.id.equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no simulated student '" + id + "'"));
    }

    /**
     * A pass.
     *
     * @param pass counted from 0 over everything that is practised in a row
     * @return onsets in ascending milliseconds since the beginning
     */
    public List<Double> play(Expected expected, int pass, long seed) {
        SplittableRandom random = new SplittableRandom(seed * 1_000_003 + pass);
        double settled = Math.max(least, spread * Math.pow(settles, pass));
        List<Double> played = new ArrayList<>();
        double at = 0;
        double before = 0;
        for (int i = 0; i < expected.size(); i++) {
            Expected.Onset onset = expected.onsets().get(i);
            if (i > 0) {
                Expected.Onset last = expected.onsets().get(i - 1);
                double gap = onset.atMs() - last.atMs();
                boolean closing = onset.pulse() == 1 && last.pulse() > 1;
                double meant = gap * (closing ? third : 1) + (last.pulse() == 1 ? before : 0);
                // What the last pulse was cut short by is waited for on the next beat, so that the tempo holds.
                before = closing ? gap * (1 - third) : last.pulse() == 1 ? 0 : before;
                double harder = gap < 200 ? Math.pow(speed, Math.log(200 / gap) / Math.log(2)) : 1;
                double wobble = Math.clamp(random.nextGaussian(), -2.5, 2.5) * settled * harder;
                at += Math.max(15, meant * pace * (1 + wobble));
            }
            if (random.nextDouble() >= slips) {
                played.add(at);
            }
        }
        Collections.sort(played);
        return played;
    }

    /** Whether an ornament speaks in a pass, of so many that came before it. */
    public boolean speaks(int ornament, int pass, long seed) {
        return new SplittableRandom(seed * 1_000_003 + 7919L * pass + ornament).nextDouble() >= Math.min(1, silent * Math.pow(settles, pass));
    }
}
