package wildflourish.app.practice;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.lesson.Standing;
import wildflourish.core.reading.Part;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Reading;

/**
 * A stretch of a tune that can be practised.
 *
 * @param name for reading and for the log: {@code the whole tune}, {@code A}, {@code A2}
 * @param fromNote index of its first note; {@code toNote} after its last
 */
public record Passage(String name, int fromNote, int toNote) {

    /** The name of everything. */
    public static final String WHOLE = Standing.WHOLE;

    /** The whole, the parts, the phrases. */
    static List<Passage> of(Reading reading) {
        List<Passage> all = new ArrayList<>();
        all.add(new Passage(WHOLE, 0, reading.timeline().size()));
        for (Part part : reading.parts()) {
            if (part.phrases().size() > 1 && reading.parts().size() > 1) {
                all.add(new Passage("part " + part.name(), part.fromNote(), part.toNote()));
            }
        }
        for (Phrase phrase : reading.phrases()) {
            all.add(new Passage(phrase.name(), phrase.fromNote(), phrase.toNote()));
        }
        return List.copyOf(all);
    }
}
