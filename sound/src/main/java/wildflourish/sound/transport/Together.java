package wildflourish.sound.transport;

import java.util.ArrayList;
import java.util.List;

/** Several who play the same tune at the same tempo, each in their own version on their own instrument. */
public final class Together {

    private Together() {}

    /**
     * One of them.
     *
     * @param share how loud: 1 as the others, 0 for not at all
     */
    public record Player(Piece piece, double share) {}

    /** All of them once through, about as loud together as one alone would be; at least one. */
    public static Itinerary of(List<Player> players, Backing backing) {
        double heard = Math.max(1, Math.sqrt(players.stream().mapToDouble(p -> p.share * p.share).sum()));
        List<Leg.Beside> beside = new ArrayList<>();
        players.subList(1, players.size()).forEach(p -> beside.add(new Leg.Beside(p.piece, p.share / heard)));
        Piece first = players.getFirst().piece;
        return Itinerary.once(List.of(Leg.heard(first, first.whole()).among(players.getFirst().share / heard, beside)), backing);
    }
}
