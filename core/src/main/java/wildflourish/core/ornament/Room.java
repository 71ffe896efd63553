package wildflourish.core.ornament;

import wildflourish.core.tune.Ratio;

/**
 * Time wanted against time there is, in the stretch of a gesture that is tightest.
 *
 * @param needs milliseconds that all its parts take at comfortable length
 * @param floor milliseconds below which they cannot be done
 * @param has milliseconds there are
 * @param what for what the time is wanted, where it is not plainly for the ornament's parts; else empty
 */
public record Room(Ratio needs, Ratio floor, Ratio has, String what) {

    public Room(Ratio needs, Ratio floor, Ratio has) {
        this(needs, floor, has, "");
    }

    /** The reason with a space before it, or nothing. */
    String forWhat() {
        return what.isEmpty() ? "" : " " + what;
    }

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
