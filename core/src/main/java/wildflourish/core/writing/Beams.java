package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Ratio;

/** Where beams end when nobody has said: with the groups of the meter (common practice). */
final class Beams {

    private Beams() {}

    /**
     * The elements of a bar, with a gap after each note that ends a group.
     *
     * @param leadsIn whether a short bar is counted from its end, as a pickup is
     */
    static List<Element> inBar(List<Element> elements, Meter meter, boolean leadsIn) {
        Ratio length = Ratio.ZERO;
        for (Element element : elements) {
            length = length.plus(element.length());
        }
        boolean isShort = length.isLess(meter.barLength());
        Ratio at = leadsIn && isShort ? meter.barLength().minus(length) : Ratio.ZERO;
        List<Ratio> ends = new ArrayList<>();
        Ratio end = Ratio.ZERO;
        for (Ratio group : meter.beamGroups()) {
            end = end.plus(group);
            ends.add(end);
        }
        List<Element> beamed = new ArrayList<>();
        for (Element element : elements) {
            Ratio from = at;
            at = at.plus(element.length());
            Ratio to = at;
            boolean ended = ends.stream().anyMatch(e -> from.isLess(e) && !to.isLess(e));
            beamed.add(element instanceof Note note ? note.withGapAfter(ended || !note.writtenLength().isLess(Ratio.of(1, 4))) : element);
        }
        return beamed;
    }
}
