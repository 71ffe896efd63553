package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/**
 * The ties and slurs of a stave. A tie bends away from the stem; a slur lies under its notes when all their stems go up, else
 * over them; each is bent or lifted as far as it must to touch nothing (the textbooks).
 */
final class Joins {

    private static final double ENDS = MusicFont.standard("slurEndpointThickness");
    private static final double MIDDLE = MusicFont.standard("slurMidpointThickness");
    private static final double FROM_HEAD = 0.95;
    private static final double FROM_STEM = 0.55;
    private static final double CLEAR = 0.2;
    private static final double STEP = 0.25;
    private static final double HIGHEST_LIFT = 9;

    /** What runs on into the next system. */
    static final class Carried {
        private final List<Boolean> slurs = new ArrayList<>();
        private @Nullable Place tiedFrom;
    }

    /**
     * A note as it was drawn.
     *
     * @param x left edge of its head
     * @param end right edge of head and dots
     */
    record Place(Note note, double x, double width, double end, Heads heads, Stems.@Nullable Stem stem, boolean up) {

        double middle() {
            return x + width / 2;
        }
    }

    /** A slur between two of the notes; −1 where it comes from the system before or runs on into the next. */
    private record Slur(int from, int to, @Nullable Boolean over) {}

    private final List<Place> places = new ArrayList<>();
    private final List<Integer> openSlurs = new ArrayList<>();
    private final List<@Nullable Boolean> openSides = new ArrayList<>();
    private final List<Slur> slurs = new ArrayList<>();
    private final List<Runnable> ties = new ArrayList<>();
    private final SystemLayout system;
    private final Carried carried;
    private final List<Shape> shapes;
    private final Skyline skyline;

    Joins(SystemLayout system, Carried carried, List<Shape> shapes, Skyline skyline) {
        this.system = system;
        this.carried = carried;
        this.shapes = shapes;
        this.skyline = skyline;
        carried.slurs.forEach(side -> {
            openSlurs.add(-1);
            openSides.add(side);
        });
        carried.slurs.clear();
    }

    private boolean isFirst() {
        return places.size() == 1;
    }

    /** Counts a note in: what leads to it ends, what begins at it is open. */
    void note(Place place) {
        places.add(place);
        int index = places.size() - 1;
        Place before = carried.tiedFrom;
        if (before != null) {
            boolean here = !isFirst();
            ties.add(() -> tie(before, here ? before.end() + 0.1 : system.musicLeft(), place.x() - 0.1));
        }
        carried.tiedFrom = place.note().tied() ? place : null;
        for (int i = 0; i < place.note().slursClosing() && !openSlurs.isEmpty(); i++) {
            slurs.add(new Slur(openSlurs.removeLast(), index, openSides.removeLast()));
        }
        for (int i = 0; i < place.note().slursOpening(); i++) {
            openSlurs.add(index);
            openSides.add(null);
        }
    }

    /** No tie goes over a rest. */
    void rest() {
        carried.tiedFrom = null;
    }

    /** Draws them all, short ones first, when everything else on the notes is drawn. */
    void draw() {
        ties.forEach(Runnable::run);
        Place last = carried.tiedFrom;
        if (last != null && !places.isEmpty()) {
            tie(last, last.end() + 0.1, system.right());
        }
        slurs.stream().sorted(Comparator.comparingInt(s -> s.to() - Math.max(0, s.from()))).forEach(s -> slur(s.from(), s.to(), s.over()));
        for (int i = 0; i < openSlurs.size(); i++) {
            carried.slurs.add(slur(openSlurs.get(i), -1, openSides.get(i)));
        }
    }

    private void tie(Place from, double x1, double x2) {
        List<Pitch> sorted = from.note().pitches().stream().sorted().toList();
        for (int i = 0; i < sorted.size(); i++) {
            boolean over = sorted.size() == 1 ? !from.up() : i * 2 >= sorted.size();
            double y = Heads.y(sorted.get(i)) + (over ? -0.45 : 0.45);
            bend(x1, y, Math.max(x2, x1 + 0.8), y, over, Math.min(0.8, 0.35 + (x2 - x1) * 0.12), 1.2);
        }
    }

    /** Draws a slur; whether it lies over its notes. */
    private boolean slur(int from, int to, @Nullable Boolean side) {
        int first = Math.max(0, from);
        int last = to < 0 ? places.size() - 1 : to;
        boolean over = side != null ? side : places.subList(first, last + 1).stream().anyMatch(p -> !p.up());
        if (places.isEmpty()) {
            return over;
        }
        Place start = places.get(first);
        Place end = places.get(last);
        double x1 = from < 0 ? system.musicLeft() : x(start, over);
        double x2 = to < 0 ? system.right() : x(end, over);
        double width = Math.max(x2, x1 + 0.8) - x1;
        bend(x1, y(start, over), x1 + width, y(end, over), over, Math.min(1.6, 0.35 + width * 0.12), Math.max(2.5, width * 0.2));
        return over;
    }

    private static double x(Place place, boolean over) {
        return over && place.up() && place.stem() != null ? place.stem().x() : place.middle();
    }

    private static double y(Place place, boolean over) {
        if (!over) {
            return place.heads().bottom() + FROM_HEAD;
        }
        return place.up() && place.stem() != null ? place.stem().end() - FROM_STEM : place.heads().top() - FROM_HEAD;
    }

    /** Adds the flattest bow between two points that clears what lies between them; its ends are lifted where bending is not enough. */
    private void bend(double x1, double y1, double x2, double y2, boolean over, double least, double most) {
        double away = over ? -1 : 1;
        for (double lift = 0; lift <= HIGHEST_LIFT; lift += 2 * STEP) {
            for (double rise = least; rise <= most; rise += STEP) {
                Shape.Bow bow = new Shape.Bow(x1, y1 + away * lift, x2, y2 + away * lift, away * rise, ENDS, MIDDLE, Ink.MUSIC);
                if (clears(bow, over)) {
                    shapes.add(bow);
                    return;
                }
            }
        }
        shapes.add(new Shape.Bow(x1, y1, x2, y2, away * least, ENDS, MIDDLE, Ink.MUSIC));
    }

    private boolean clears(Shape.Bow bow, boolean over) {
        List<Bounds> boxes = bow.boxes();
        for (int i = 0; i < boxes.size(); i++) {
            Bounds box = boxes.get(i);
            double apart = i == 0 || i == boxes.size() - 1 ? 0 : CLEAR;
            boolean touches = over ? box.bottom() + apart > skyline.highest(box.left(), box.right())
                    : box.top() - apart < skyline.lowest(box.left(), box.right());
            if (touches) {
                return false;
            }
        }
        return true;
    }
}
