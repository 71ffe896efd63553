package wildflourish.core.planning;

import java.util.List;

/**
 * What a plan spends on one thing that costs a player something.
 *
 * @param term its name in the planner's data: {@code string-crossing}
 * @param count how often
 * @param cost in the units of the planner's data
 * @param words for reading: {@code 14 string crossings}
 * @param notes indices of the notes on the way to which it happens, one for each time that any is counted
 */
public record Spent(String term, int count, int cost, String words, List<Integer> notes) {

    public Spent {
        notes = List.copyOf(notes);
    }
}
