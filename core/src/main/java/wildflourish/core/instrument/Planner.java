package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;

/**
 * Chooses a fingering for each note so that the whole tune costs the fingers least: an exact shortest path over the
 * ways to finger each note, in time linear in the notes.
 */
public final class Planner {

    /**
     * What each thing costs a player, in arbitrary units; common practice, from memory.
     *
     * @param perRank for each place a fingering stands behind the usual one in its chart
     */
    record Costs(
            String provenance, int perFinger, int contrary, int register, int half, int fork, int trial, int perRank) {}

    private static final Costs COSTS = DataFile.read("planning/open-hole.json", Costs.class);

    private Planner() {}

    /** The cheapest plan; of two equally cheap ones, the one that stays with the usual fingering longer. */
    public static FingeringPlan plan(Timeline tune, Instrument instrument) {
        if (instrument.chart().isEmpty()) {
            return new FingeringPlan(instrument, Collections.nCopies(tune.size(), new Place.AsWritten()), 0);
        }
        OpenHoleChart chart = instrument.chart().get();
        List<List<Fingering>> ways = tune.notes().stream().map(n -> chart.ways(n.pitch())).toList();
        int[][] best = new int[tune.size()][];
        int[][] from = new int[tune.size()][];
        int last = -1;
        for (int i = 0; i < ways.size(); i++) {
            List<Fingering> here = ways.get(i);
            best[i] = new int[here.size()];
            from[i] = new int[here.size()];
            for (int w = 0; w < here.size(); w++) {
                int cheapest = last < 0 ? 0 : Integer.MAX_VALUE;
                for (int p = 0; last >= 0 && p < ways.get(last).size(); p++) {
                    int sum = best[last][p] + between(ways.get(last).get(p), here.get(w));
                    if (sum < cheapest) {
                        cheapest = sum;
                        from[i][w] = p;
                    }
                }
                best[i][w] = cheapest + alone(here.get(w), w);
            }
            last = here.isEmpty() ? last : i;
        }
        return trace(tune, instrument, chart, ways, best, from, last);
    }

    private static FingeringPlan trace(
            Timeline tune, Instrument instrument, OpenHoleChart chart,
            List<List<Fingering>> ways, int[][] best, int[][] from, int last) {
        int chosen = 0;
        for (int w = 1; last >= 0 && w < best[last].length; w++) {
            chosen = best[last][w] < best[last][chosen] ? w : chosen;
        }
        int cost = last < 0 ? 0 : best[last][chosen];
        List<Place> places = new ArrayList<>(Collections.nCopies(tune.size(), null));
        for (int i = tune.size() - 1; i >= 0; i--) {
            if (ways.get(i).isEmpty()) {
                places.set(i, new Place.Missing(whyMissing(tune.note(i).pitch(), chart, instrument)));
            } else {
                places.set(i, new Place.Fingered(ways.get(i).get(chosen)));
                chosen = from[i][chosen];
            }
        }
        return new FingeringPlan(instrument, places, cost);
    }

    /** What one fingering costs in itself; {@code rank} is its place in the chart, 0 for the usual one. */
    public static int alone(Fingering way, int rank) {
        return (way.holes().hasHalf() ? COSTS.half() : 0)
                + (way.holes().isFork() ? COSTS.fork() : 0)
                + (way.trial() ? COSTS.trial() : 0)
                + rank * COSTS.perRank();
    }

    /** What going from one fingering to the next costs. */
    public static int between(Fingering from, Fingering to) {
        return from.holes().fingersMoved(to.holes()) * COSTS.perFinger()
                + (from.holes().isContraryTo(to.holes()) ? COSTS.contrary() : 0)
                + (from.breath() != to.breath() ? COSTS.register() : 0);
    }

    private static String whyMissing(Pitch pitch, OpenHoleChart chart, Instrument instrument) {
        if (pitch.midi() < chart.lowest().midi()) {
            return "%s is below the lowest note of the %s".formatted(pitch.spoken(), instrument.name());
        }
        if (pitch.midi() > chart.highest().midi()) {
            return "%s is above the highest note of the %s".formatted(pitch.spoken(), instrument.name());
        }
        return "the %s has no fingering for %s".formatted(instrument.name(), pitch.spoken());
    }
}
