package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/**
 * The air of the bellows: they open and close by the time that notes sound, over the tune as it is played out, and must stay
 * within their travel. Where they cannot, the air button helps, on as few and as long notes as will do. Exact, by dynamic
 * programming over how far the bellows are open, in twentieths of a second.
 *
 * @param uses in the order played
 * @param startsOpen how far open to begin, as a share of the travel
 */
public record Air(List<Use> uses, double startsOpen) {

    /**
     * A use of the air button.
     *
     * @param note the written note
     * @param pass which time through it, from 1
     * @param direction which way the bellows go
     * @param gasp whether there is no room within the notes, so that the bellows have to be turned in silence before this one
     */
    public record Use(int note, int pass, Bellows direction, boolean gasp) {

        /** As a sentence without its full stop, the bar not named. */
        public String inWords(Timeline tune) {
            Stand stand = tune.note(note);
            String when = pass == 1 ? "" : " (time %d through)".formatted(pass);
            if (gasp) {
                return "before %s cut the note short and %s the bellows with the air button%s".formatted(
                        stand.pitch().spoken(), direction == Bellows.PUSH ? "open" : "close", when);
            }
            return "hold the air button with %s and %s the bellows further%s".formatted(
                    stand.pitch().spoken(), direction == Bellows.PUSH ? "close" : "open", when);
        }
    }

    /** How far open to begin, as one says it to a student. */
    public String startInWords() {
        double[] upTo = {0.15, 0.3, 0.42, 0.58, 0.72, 0.87};
        String[] words = {"nearly closed", "about a quarter open", "about a third open", "about half open", "about two thirds open",
            "about three quarters open", "nearly all the way open"};
        int at = 0;
        while (at < upTo.length && startsOpen >= upTo[at]) {
            at++;
        }
        return words[at];
    }

    record Costs(String provenance, int airFactor, int air, int onShortNote, int shortMs, int gasp) {}

    private static final Costs COSTS = DataFile.read("planning/air.json", Costs.class);
    private static final int NEVER = 1 << 30;
    private static final double GRAIN_MS = 50;

    private record Drawn(Stand stand, int pass, Bellows direction, int grains, double ms) {}

    /** The air of a plan at a tempo; empty where nothing has to be minded. */
    public static Optional<Air> of(Timeline tune, FingeringPlan plan, Tempo tempo) {
        if (!(plan.instrument().layout() instanceof ButtonBoard board) || board.travelSeconds().isEmpty()) {
            return Optional.empty();
        }
        int travel = (int) Math.round(board.travelSeconds().getAsDouble() * 1000 / GRAIN_MS);
        return Optional.of(solve(drawn(tune, plan, tempo), travel));
    }

    private static List<Drawn> drawn(Timeline tune, FingeringPlan plan, Tempo tempo) {
        double whole = tempo.millis(Ratio.ONE).toDouble();
        List<List<Stand>> byBar = new ArrayList<>();
        tune.tune().bars().forEach(b -> byBar.add(new ArrayList<>()));
        tune.notes().stream().filter(s -> plan.bellows(s.index()).isPresent()).forEach(s -> byBar.get(s.bar()).add(s));
        int[] passes = new int[tune.size()];
        List<Drawn> all = new ArrayList<>();
        double exact = 0;
        long counted = 0;
        for (int bar : PlayOrder.of(tune.tune())) {
            for (Stand stand : byBar.get(bar)) {
                Bellows direction = plan.bellows(stand.index()).orElseThrow();
                double ms = stand.note().length().toDouble() * whole;
                exact += direction == Bellows.PULL ? ms : -ms;
                long now = Math.round(exact / GRAIN_MS);
                all.add(new Drawn(stand, ++passes[stand.index()], direction, (int) (now - counted), ms));
                counted = now;
            }
        }
        return all;
    }

    private static Air solve(List<Drawn> notes, int travel) {
        int n = notes.size();
        int[][] came = new int[n][travel + 1];
        byte[][] how = new byte[n][travel + 1];
        // Of equally good ways to begin, the one with the bellows nearest their middle: a fraction of any real cost.
        int[] best = new int[travel + 1];
        for (int p = 0; p <= travel; p++) {
            best[p] = Math.abs(p - travel / 2);
        }
        int scale = travel + 1;
        for (int i = 0; i < n; i++) {
            Drawn note = notes.get(i);
            int[] next = new int[travel + 1];
            Arrays.fill(next, NEVER);
            int gaspFrom = cheapest(best);
            int air = scale * (COSTS.air() + (note.ms() < COSTS.shortMs() ? COSTS.onShortNote() : 0));
            int most = Math.max(1, (int) (Math.abs(note.grains()) * (COSTS.airFactor() - 1.0)));
            int sign = note.direction() == Bellows.PULL ? 1 : -1;
            if (Math.abs(note.grains()) > travel) {
                // No bellows last so long: they are turned before it, and it ends with them as far as they go.
                int end = sign > 0 ? travel : 0;
                take(next, came[i], how[i], end, best[gaspFrom] + scale * COSTS.gasp(), gaspFrom, (byte) 2);
                best = next;
                continue;
            }
            for (int to = 0; to <= travel; to++) {
                int plain = to - note.grains();
                if (plain >= 0 && plain <= travel) {
                    take(next, came[i], how[i], to, best[plain], plain, (byte) 0);
                }
                // However long the note is, the bellows go no further than their travel.
                int least = Math.max(1, sign > 0 ? plain - travel : -plain);
                for (int e = least; e <= Math.min(most, sign > 0 ? plain : travel - plain); e++) {
                    int from = plain - sign * e;
                    take(next, came[i], how[i], to, best[from] + air, from, (byte) 1);
                }
                boolean room = plain >= 0 && plain <= travel;
                if (i > 0 && room) {
                    take(next, came[i], how[i], to, best[gaspFrom] + scale * COSTS.gasp(), gaspFrom, (byte) 2);
                }
            }
            best = next;
        }
        return traced(notes, came, how, cheapest(best), travel);
    }

    private static void take(int[] next, int[] came, byte[] how, int to, int cost, int from, byte way) {
        if (cost < next[to]) {
            next[to] = cost;
            came[to] = from;
            how[to] = way;
        }
    }

    private static int cheapest(int[] best) {
        int chosen = best.length / 2;
        for (int p = 0; p < best.length; p++) {
            chosen = best[p] < best[chosen] ? p : chosen;
        }
        return chosen;
    }

    private static Air traced(List<Drawn> notes, int[][] came, byte[][] how, int end, int travel) {
        List<Use> uses = new ArrayList<>();
        int at = end;
        for (int i = notes.size() - 1; i >= 0; i--) {
            Drawn note = notes.get(i);
            if (how[i][at] > 0) {
                uses.addFirst(new Use(note.stand().index(), note.pass(), note.direction(), how[i][at] == 2));
            }
            at = came[i][at];
        }
        return new Air(List.copyOf(uses), (double) at / travel);
    }
}
