package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * A stretch of the page between repeat signs, double bars or the writer's own part names.
 *
 * @param fromBar index of its first bar, which may be a pickup
 * @param toBar index after its last bar, endings included
 * @param endings index of the first bar of each ending but the first, in order
 * @param label the writer's name for it
 */
record Section(int fromBar, int toBar, List<Integer> endings, Optional<String> label) {

    static List<Section> of(Timeline timeline) {
        Tune tune = timeline.tune();
        List<Section> sections = new ArrayList<>();
        int from = 0;
        boolean full = false;
        List<Integer> endings = new ArrayList<>();
        boolean inEnding = false;
        for (int b = 0; b < tune.bars().size(); b++) {
            Bar bar = tune.bars().get(b);
            full |= !isPickup(timeline, b, full);
            boolean endingStarts = bar.ending().filter(e -> e.starts()).isPresent();
            if (endingStarts && inEnding) {
                endings.add(b);
            }
            inEnding |= endingStarts;
            boolean last = b + 1 == tune.bars().size();
            boolean endingNext = !last && inEnding && tune.bars().get(b + 1).ending().isPresent();
            boolean labelNext = !last && tune.bars().get(b + 1).part().isPresent();
            if (last || full && (bar.closing().closesSection() && !endingNext || labelNext)) {
                sections.add(new Section(from, b + 1, List.copyOf(endings), tune.bars().get(from).part()));
                from = b + 1;
                full = false;
                inEnding = false;
                endings.clear();
            }
        }
        return sections.stream().filter(s -> s.firstNote(timeline) < s.endNote(timeline)).toList();
    }

    /** Whether a bar only leads in: the first of its section, and shorter than a bar. */
    static boolean isPickup(Timeline timeline, int bar, boolean sectionHasBars) {
        if (sectionHasBars || bar + 1 >= timeline.tune().bars().size()) {
            return false;
        }
        Ratio whole = meterLength(timeline, bar);
        Ratio length = timeline.tune().bars().get(bar).length();
        return length.times(2).isLess(whole) || length.times(2).equals(whole);
    }

    private static Ratio meterLength(Timeline timeline, int bar) {
        int note = timeline.barStarts().get(bar);
        return note < timeline.size() && timeline.note(note).bar() == bar
                ? timeline.note(note).meter().barLength() : timeline.tune().head().meter().barLength();
    }

    int firstNote(Timeline timeline) {
        return timeline.barStarts().get(fromBar);
    }

    int endNote(Timeline timeline) {
        return noteAt(timeline, toBar);
    }

    /** Index of the first bar that is not pickup. */
    int body(Timeline timeline) {
        return fromBar + 1 < toBar && isPickup(timeline, fromBar, false) ? fromBar + 1 : fromBar;
    }

    /** Index after the last bar of the first time through. */
    int firstTimeEnd() {
        return endings.isEmpty() ? toBar : endings.getFirst();
    }

    static int noteAt(Timeline timeline, int bar) {
        return bar < timeline.barStarts().size() ? timeline.barStarts().get(bar) : timeline.size();
    }
}
