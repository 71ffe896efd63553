package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tune;

/**
 * A tune whose held notes are struck again on each beat, for those who cut long notes short (common practice).
 *
 * @param now for each note of the tune, its index in this one
 */
public record Restruck(Tune tune, List<Integer> now) {

    public Restruck {
        now = List.copyOf(now);
    }

    /** A tune struck again on each beat of so long; what lasts no longer than one stays as it is. */
    public static Restruck of(Tune tune, Ratio beat) {
        List<Bar> bars = new ArrayList<>();
        List<Integer> now = new ArrayList<>();
        int index = 0;
        for (Bar bar : tune.bars()) {
            List<Element> elements = new ArrayList<>();
            Ratio at = Ratio.ZERO;
            for (Element element : bar.elements()) {
                if (element instanceof Note note) {
                    now.add(index);
                    List<Note> struck = struck(note, at, beat);
                    elements.addAll(struck);
                    index += struck.size();
                } else {
                    elements.add(element);
                }
                at = at.plus(element.length());
            }
            bars.add(bar.withElements(elements));
        }
        return new Restruck(tune.withBars(bars), now);
    }

    /** A note that begins so far into its bar, cut at each beat that it lasts through. */
    private static List<Note> struck(Note note, Ratio at, Ratio beat) {
        List<Note> all = new ArrayList<>();
        Ratio left = note.length();
        Ratio from = at;
        while (beat.isLess(note.length()) && left.isPositive()) {
            Ratio toBeat = beat.minus(from.mod(beat));
            Ratio length = left.min(toBeat);
            all.add(note.withLength(length).withTied(false).withSlurs(0, 0).withMarks(all.isEmpty() ? note.marks() : Marks.NONE).withGapAfter(false));
            left = left.minus(length);
            from = from.plus(length);
        }
        if (all.isEmpty()) {
            return List.of(note);
        }
        boolean one = all.size() == 1;
        all.set(0, all.getFirst().withSlurs(note.slursOpening(), one ? note.slursClosing() : 0).withGapAfter(one && note.gapAfter()));
        if (!one) {
            all.set(all.size() - 1, all.getLast().withSlurs(0, note.slursClosing()).withGapAfter(note.gapAfter()));
        }
        return all;
    }
}
