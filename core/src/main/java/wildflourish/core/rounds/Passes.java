package wildflourish.core.rounds;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.reading.Part;
import wildflourish.core.reading.Reading;
import wildflourish.core.tune.PlayOrder;

/**
 * The passes through the parts that one time through a tune has, in the order played.
 *
 * @param name the part's, with a 2 behind it where the part is played again at once: {@code A}, {@code A2}
 * @param part index of the part
 * @param bars indices of the bars of the page, in the order played
 */
public record Passes(String name, int part, List<Integer> bars) {

    public Passes {
        bars = List.copyOf(bars);
    }

    /** The passes of a tune as it is read; together they have every bar that is played, in order. */
    public static List<Passes> of(Reading reading) {
        List<Part> parts = reading.parts();
        List<Integer> bodies = parts.stream().map(p -> p.phrases().isEmpty() ? p.fromBar() : p.phrases().getFirst().fromBar()).toList();
        List<Integer> partOf = new ArrayList<>();
        List<List<Integer>> bars = new ArrayList<>();
        List<Integer> lead = new ArrayList<>();
        for (int bar : PlayOrder.of(reading.timeline().tune())) {
            int body = bodies.indexOf(bar);
            if (body >= 0) {
                partOf.add(body);
                bars.add(new ArrayList<>(lead));
                lead.clear();
                bars.getLast().add(bar);
            } else if (isPickup(parts, bodies, bar)) {
                lead.add(bar);
            } else if (bars.isEmpty()) {
                lead.add(bar);
            } else {
                bars.getLast().add(bar);
            }
        }
        if (!lead.isEmpty() && !bars.isEmpty()) {
            bars.getLast().addAll(lead);
        }
        List<Passes> passes = new ArrayList<>();
        int again = 1;
        for (int p = 0; p < bars.size(); p++) {
            again = p > 0 && partOf.get(p).equals(partOf.get(p - 1)) ? again + 1 : 1;
            passes.add(new Passes(parts.get(partOf.get(p)).name() + (again > 1 ? String.valueOf(again) : ""), partOf.get(p), bars.get(p)));
        }
        return passes;
    }

    private static boolean isPickup(List<Part> parts, List<Integer> bodies, int bar) {
        for (int p = 0; p < parts.size(); p++) {
            if (bar >= parts.get(p).fromBar() && bar < bodies.get(p)) {
                return true;
            }
        }
        return false;
    }
}
