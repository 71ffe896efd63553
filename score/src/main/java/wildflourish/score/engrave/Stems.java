package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Note;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/** Stems, flags and beams. */
final class Stems {

    /** A note's stem: its x, where it ends, and its direction. */
    record Stem(double x, double end, boolean up) {}

    /**
     * A note under a beam.
     *
     * @param x origin of its head
     * @param above where the beam has to lie above, when it lies above
     * @param below where it has to lie below, when it lies below
     */
    record Beamed(Note note, double x, double above, double below) {}

    private static final double THICK = MusicFont.standard("stemThickness");
    private static final double BEAM = MusicFont.standard("beamThickness");
    private static final double BETWEEN = BEAM + MusicFont.standard("beamSpacing");
    private static final double LENGTH = 3.5;
    private static final double SHORTEST_UNDER_BEAM = 2.9;
    private static final double STUB = 1.15;
    private static final double CLEAR_OF_GRACES = 0.25;
    private static final double GRACES_BEFORE = 1.5;

    private Stems() {}

    static double stemX(String head, double x, boolean up) {
        return up ? x + MusicFont.anchor(head, "stemUpSE", 0) - THICK / 2
                : x + MusicFont.anchor(head, "stemDownNW", 0) + THICK / 2;
    }

    /** A note on its own. */
    static Stem single(Note note, NoteSign sign, double x, List<Shape> shapes) {
        Heads heads = Heads.of(note);
        boolean up = heads.stemUp();
        double stemX = stemX(sign.head(), x, up);
        double length = LENGTH + Math.max(0, sign.flags() - 2) * 0.75;
        double end = up ? Math.min(heads.top() - length, 2) : Math.max(heads.bottom() + length, 2);
        stem(stemX, heads, end, up, shapes);
        if (sign.flags() > 0) {
            shapes.add(MusicFont.glyph(sign.flag(up), stemX - THICK / 2, end, 1, Ink.MUSIC));
        }
        return new Stem(stemX, end, up);
    }

    private static void stem(double x, Heads heads, double end, boolean up, List<Shape> shapes) {
        double from = up ? heads.bottom() - 0.168 : heads.top() + 0.168;
        shapes.add(new Shape.Line(x, from, x, end, THICK, Ink.MUSIC));
    }

    /** The notes of a beamed group, in order. */
    static List<Stem> beamed(List<Beamed> notes, List<Shape> shapes) {
        List<Heads> heads = notes.stream().map(b -> Heads.of(b.note())).toList();
        double top = heads.stream().mapToDouble(Heads::top).min().orElseThrow();
        double bottom = heads.stream().mapToDouble(Heads::bottom).max().orElseThrow();
        boolean up = new Heads(top, bottom).stemUp();
        List<NoteSign> signs = notes.stream().map(b -> NoteSign.of(b.note().writtenLength())).toList();
        double[] stemXs = new double[notes.size()];
        double[] near = new double[notes.size()];
        for (int i = 0; i < stemXs.length; i++) {
            stemXs[i] = stemX(signs.get(i).head(), notes.get(i).x(), up);
            near[i] = up ? heads.get(i).top() : heads.get(i).bottom();
        }
        int last = stemXs.length - 1;
        double slope = slope(near, up) / (stemXs[last] - stemXs[0]);
        int most = signs.stream().mapToInt(NoteSign::flags).max().orElse(1);
        double least = SHORTEST_UNDER_BEAM + (most - 1) * 0.55;
        double level = up ? Double.POSITIVE_INFINITY : Double.NEGATIVE_INFINITY;
        double deep = (most - 1) * BETWEEN + BEAM + CLEAR_OF_GRACES;
        for (int i = 0; i <= last; i++) {
            Beamed note = notes.get(i);
            double own = (up ? near[i] - least : near[i] + least) - slope * (stemXs[i] - stemXs[0]);
            // Graces stand before their note: the beam is judged where they are.
            double ofGraces = (up ? note.above() - deep : note.below() + deep) - slope * (note.x() - GRACES_BEFORE - stemXs[0]);
            level = up ? Math.min(level, Math.min(own, ofGraces)) : Math.max(level, Math.max(own, ofGraces));
        }
        double far = slope * (stemXs[last] - stemXs[0]);
        level = up ? Math.min(level, 2 - Math.max(0, far)) : Math.max(level, 2 - Math.min(0, far));
        List<Stem> stems = new ArrayList<>();
        for (int i = 0; i <= last; i++) {
            double end = level + slope * (stemXs[i] - stemXs[0]);
            stem(stemXs[i], heads.get(i), end, up, shapes);
            stems.add(new Stem(stemXs[i], end, up));
        }
        for (int depth = 0; depth < most; depth++) {
            beams(depth, signs, stems, slope, shapes);
        }
        return stems;
    }

    /** How far the beam rises or falls over the group: a little, and not at all when an inner note stands out. */
    private static double slope(double[] near, boolean up) {
        int last = near.length - 1;
        double difference = near[last] - near[0];
        for (int i = 1; i < last; i++) {
            boolean standsOut = up ? near[i] < Math.min(near[0], near[last]) : near[i] > Math.max(near[0], near[last]);
            if (standsOut) {
                return 0;
            }
        }
        return Math.clamp(difference * 0.35, -1.0, 1.0);
    }

    private static void beams(int depth, List<NoteSign> signs, List<Stem> stems, double slope, List<Shape> shapes) {
        int i = 0;
        while (i < signs.size()) {
            if (signs.get(i).flags() <= depth) {
                i++;
                continue;
            }
            int end = i;
            while (end + 1 < signs.size() && signs.get(end + 1).flags() > depth) {
                end++;
            }
            double from = stems.get(i).x();
            double to = stems.get(end).x();
            if (i == end) {
                boolean backward = i > 0;
                from = backward ? from - STUB : from;
                to = backward ? to : to + STUB;
            }
            beam(from - THICK / 2, to + THICK / 2, depth, stems.get(i), slope, shapes);
            i = end + 1;
        }
    }

    private static void beam(double from, double to, int depth, Stem at, double slope, List<Shape> shapes) {
        double inward = at.up() ? 1 : -1;
        double y1 = at.end() + slope * (from - at.x()) + inward * depth * BETWEEN;
        double y2 = at.end() + slope * (to - at.x()) + inward * depth * BETWEEN;
        shapes.add(new Shape.Polygon(List.of(
                new Shape.Point(from, y1), new Shape.Point(to, y2),
                new Shape.Point(to, y2 + inward * BEAM), new Shape.Point(from, y1 + inward * BEAM)), Ink.MUSIC));
    }
}
