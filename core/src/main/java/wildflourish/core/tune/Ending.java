package wildflourish.core.tune;

import java.util.List;

/**
 * The bracket of a first, second or other ending over one bar.
 *
 * @param times on which times through the bar is played; ascending
 * @param starts whether the bracket begins with this bar
 */
public record Ending(List<Integer> times, boolean starts) {

    public Ending {
        times = List.copyOf(times);
    }
}
