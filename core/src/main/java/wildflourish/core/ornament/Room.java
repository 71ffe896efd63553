package wildflourish.core.ornament;

import wildflourish.core.tune.Ratio;

/**
 * Time wanted against time there is, in the stretch of a gesture that is tightest.
 *
 * @param needs milliseconds that all its parts take at comfortable length
 * @param floor milliseconds below which they cannot be done
 * @param has milliseconds there are
 */
public record Room(Ratio needs, Ratio floor, Ratio has) {

    /** Rounded for reading. */
    public long needsMillis() {
        return Math.round(needs.toDouble());
    }

    /** Rounded for reading. */
    public long hasMillis() {
        return Math.round(has.toDouble());
    }

    /** Rounded for reading. */
    public long floorMillis() {
        return Math.round(floor.toDouble());
    }
}
