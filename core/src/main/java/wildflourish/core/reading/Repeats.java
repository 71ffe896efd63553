package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/** Which phrases are the same note for note, their pickups left aside. */
public final class Repeats {

    private Repeats() {}

    /**
     * For each phrase the index of the first phrase that has the same notes in the same rhythm; its own where it is the
     * first. What is played only on a later time through is like nothing else.
     */
    public static List<Integer> of(Timeline timeline, List<Phrase> phrases) {
        Map<List<Object>, Integer> first = new HashMap<>();
        List<Integer> all = new ArrayList<>();
        for (int p = 0; p < phrases.size(); p++) {
            Phrase phrase = phrases.get(p);
            if (phrase.again()) {
                all.add(p);
                continue;
            }
            List<Object> content = new ArrayList<>();
            for (int n = phrase.bodyNote(); n < phrase.toNote(); n++) {
                Stand stand = timeline.note(n);
                content.add(stand.pitch().midi());
                content.add(stand.note().length());
                content.add(stand.heldOver());
                content.add(stand.offset());
            }
            int at = p;
            all.add(first.computeIfAbsent(content, c -> at));
        }
        return all;
    }
}
