package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * From the beginning, from the sign, to the coda, to the end: the signs by which a tune is read on from somewhere else (ABC standard
 * 2.1, section 4.14; common practice). The jump is made when its bar is played for the last time; after it nothing is repeated, of
 * several endings the last is played, and it ends with <i>fine</i> or at the end.
 */
public final class Jumps {

    private static final Set<String> FROM_THE_BEGINNING = Set.of("D.C.", "dacapo", "D.C.alfine", "D.C.alcoda");
    private static final Set<String> FROM_THE_SIGN = Set.of("D.S.", "dalsegno", "D.S.alfine", "D.S.alcoda");
    private static final Set<String> TO_THE_CODA = Set.of("dacoda", "tocoda");
    private static final String SIGN = "segno";
    private static final String CODA = "coda";
    private static final String FINE = "fine";

    private final List<Bar> bars;

    private Jumps(List<Bar> bars) {
        this.bars = bars;
    }

    /** Whether a decoration is one of these signs, and stands at the end of what it is about. */
    public static boolean isAtTheEnd(String decoration) {
        return FROM_THE_BEGINNING.contains(decoration) || FROM_THE_SIGN.contains(decoration) || TO_THE_CODA.contains(decoration) || decoration.equals(FINE);
    }

    /** The bars in the order played, what is jumped to taken in. */
    static List<Integer> taken(List<Bar> bars, List<Integer> played) {
        boolean any = bars.stream().anyMatch(b -> has(b, FROM_THE_BEGINNING) || has(b, FROM_THE_SIGN));
        return any ? new Jumps(bars).from(played) : played;
    }

    private static boolean has(Bar bar, Set<String> signs) {
        return bar.elements().stream().anyMatch(e -> e instanceof Note n && n.marks().decorations().stream().anyMatch(signs::contains)
                || e instanceof Rest r && r.marks().decorations().stream().anyMatch(signs::contains));
    }

    private List<Integer> from(List<Integer> played) {
        int jump = 0;
        while (jump < bars.size() && !has(bars.get(jump), FROM_THE_BEGINNING) && !has(bars.get(jump), FROM_THE_SIGN)) {
            jump++;
        }
        int last = played.lastIndexOf(jump);
        if (last < 0) {
            return played;
        }
        List<Integer> order = new ArrayList<>(played.subList(0, last + 1));
        Optional<Integer> sign = first(Set.of(SIGN), 0);
        int target = has(bars.get(jump), FROM_THE_SIGN) ? sign.orElse(0) : 0;
        int at = target;
        boolean toCoda = false;
        while (at < bars.size() && order.size() < PlayOrder.LONGEST) {
            if (isEarlierEnding(at)) {
                at++;
                continue;
            }
            order.add(at);
            if (has(bars.get(at), Set.of(FINE))) {
                return order;
            }
            Optional<Integer> coda = leave(at, jump);
            if (!toCoda && coda.isPresent()) {
                toCoda = true;
                at = coda.get();
            } else if (at == jump && !toCoda) {
                return order;
            } else {
                at++;
            }
        }
        return order;
    }

    /** The bar of the coda, where a bar says that it is to be gone to: by its words, or by the first of two coda signs. */
    private Optional<Integer> leave(int bar, int jump) {
        Optional<Integer> coda = first(Set.of(CODA), Math.max(bar, jump) + 1);
        boolean says = has(bars.get(bar), TO_THE_CODA) || has(bars.get(bar), Set.of(CODA)) && bar < jump;
        return says ? coda : Optional.empty();
    }

    private Optional<Integer> first(Set<String> signs, int from) {
        for (int b = from; b < bars.size(); b++) {
            if (has(bars.get(b), signs)) {
                return Optional.of(b);
            }
        }
        return Optional.empty();
    }

    /** Whether another ending follows the one that a bar is in. */
    private boolean isEarlierEnding(int bar) {
        Optional<Ending> ending = bars.get(bar).ending();
        if (ending.isEmpty()) {
            return false;
        }
        for (int b = bar + 1; b < bars.size() && bars.get(b).ending().isPresent(); b++) {
            if (bars.get(b).ending().get().starts() && !bars.get(b).ending().get().times().equals(ending.get().times())) {
                return true;
            }
        }
        return false;
    }
}
