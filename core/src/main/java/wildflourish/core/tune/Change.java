package wildflourish.core.tune;

import java.util.Optional;

/** A new key, meter or tempo in the course of the tune; it takes no time. */
public record Change(Optional<Key> key, Optional<Meter> meter, Optional<Tempo> tempo) implements Element {

    public static Change to(Key key) {
        return new Change(Optional.of(key), Optional.empty(), Optional.empty());
    }

    public static Change to(Meter meter) {
        return new Change(Optional.empty(), Optional.of(meter), Optional.empty());
    }

    public static Change to(Tempo tempo) {
        return new Change(Optional.empty(), Optional.empty(), Optional.of(tempo));
    }

    @Override
    public Ratio length() {
        return Ratio.ZERO;
    }
}
