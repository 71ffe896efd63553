package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.List;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.Outlines;

/** Sets blocks one under the other onto pages, where they are asked for in columns, with a foot on each page. */
final class Flow {

    /** A4 with a staff space of 1.75 mm. */
    static final double WIDTH = 120;

    static final double MARGIN = 7;
    private static final double HEIGHT = 169.7;
    private static final double FOOT = 7;
    private static final double BETWEEN_COLUMNS = 3.2;

    private final String foot;
    private final double width;
    private final double height;
    private final List<List<Shape>> pages = new ArrayList<>();
    private double y = MARGIN;

    /**
     * Something that stands together.
     *
     * @param shapes drawn around their own top and left at 0
     * @param leads whether it is a heading, which never stands last in a column
     */
    record Block(List<Shape> shapes, double height, boolean leads) {}

    Flow(String foot) {
        this(foot, WIDTH, HEIGHT);
    }

    /** Pages of another size in staff spaces: the fewer, the larger everything stands on the paper. */
    Flow(String foot, double width, double height) {
        this.foot = foot;
        this.width = width;
        this.height = height;
        pages.add(new ArrayList<>());
    }

    double left() {
        return MARGIN;
    }

    double right() {
        return width - MARGIN;
    }

    /** How wide each of so many columns is. */
    double columnWidth(int columns) {
        return (right() - left() - (columns - 1) * BETWEEN_COLUMNS) / columns;
    }

    private double bottom() {
        return height - FOOT - 2;
    }

    /** Begins a new page, unless this one is empty. */
    void turn() {
        if (!pages.getLast().isEmpty()) {
            pages.add(new ArrayList<>());
            y = MARGIN;
        }
    }

    /** Makes sure that a block of this height stands on one page. */
    void need(double blockHeight) {
        if (y + blockHeight > bottom() && y > MARGIN) {
            pages.add(new ArrayList<>());
            y = MARGIN;
        }
    }

    /** Adds shapes drawn around their own top at 0 and moves on by their height. */
    void block(List<Shape> shapes, double height) {
        need(height);
        double top = y;
        shapes.forEach(s -> pages.getLast().add(s.moved(0, top)));
        y += height;
    }

    void space(double height) {
        y += height;
    }

    /** A paragraph broken to the width. */
    void paragraph(String text, double left, double right, double size, Face face, Ink ink) {
        for (String line : wrapped(text, face, size, right - left)) {
            block(List.of(new Shape.Words(line, left, size, size, face, Shape.Anchor.START, ink)), size * 1.38);
        }
    }

    /**
     * Sets blocks in columns from here on: on each page the columns are filled one after another, and where the rest fits they end
     * as nearly alike as they can.
     */
    void columns(List<Block> blocks, int columns) {
        int from = 0;
        while (from < blocks.size()) {
            double room = bottom() - y;
            List<Integer> ends = balanced(blocks, from, columns, room);
            if (ends.isEmpty()) {
                if (y > MARGIN && room < (bottom() - MARGIN) * 0.22) {
                    turn();
                    continue;
                }
                ends = filled(blocks, from, columns, room);
            }
            if (ends.getLast() == from) {
                // Not even one fits below what stands here already; or, on an empty page, at all.
                if (y > MARGIN) {
                    turn();
                    continue;
                }
                ends = List.of(from + 1);
            }
            double deepest = 0;
            int at = from;
            for (int c = 0; c < ends.size(); c++) {
                double down = y;
                double across = left() + c * (columnWidth(columns) + BETWEEN_COLUMNS);
                for (; at < ends.get(c); at++) {
                    double top = down;
                    blocks.get(at).shapes().forEach(s -> pages.getLast().add(s.moved(across, top)));
                    down += blocks.get(at).height();
                }
                deepest = Math.max(deepest, down - y);
            }
            y += deepest;
            from = at;
            if (from < blocks.size()) {
                pages.add(new ArrayList<>());
                y = MARGIN;
            }
        }
    }

    /** Where each column ends when all that is left fits, the highest column as low as it can be; empty where it does not fit. */
    private static List<Integer> balanced(List<Block> blocks, int from, int columns, double room) {
        double low = 0;
        double high = room;
        List<Integer> best = List.of();
        for (int i = 0; i < 24; i++) {
            double most = i == 0 ? room : (low + high) / 2;
            List<Integer> ends = filled(blocks, from, columns, most);
            if (ends.getLast() == blocks.size()) {
                best = ends;
                high = most;
            } else if (i == 0) {
                return List.of();
            } else {
                low = most;
            }
        }
        return best;
    }

    /** Where each column ends when each is filled up to a height; a heading goes on with what it leads. */
    private static List<Integer> filled(List<Block> blocks, int from, int columns, double room) {
        List<Integer> ends = new ArrayList<>();
        int at = from;
        for (int c = 0; c < columns; c++) {
            double down = 0;
            int start = at;
            while (at < blocks.size() && down + blocks.get(at).height() <= room) {
                down += blocks.get(at++).height();
            }
            while (at < blocks.size() && at > start && blocks.get(at - 1).leads()) {
                at--;
            }
            ends.add(at);
        }
        return ends;
    }

    static List<String> wrapped(String text, Face face, double size, double width) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.strip().split("\\s+")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && Outlines.width(longer, face, size) > width) {
                lines.add(line.toString());
                line = new StringBuilder(word);
            } else {
                line = new StringBuilder(longer);
            }
        }
        lines.add(line.toString());
        return lines;
    }

    /** How many pages there are so far. */
    int count() {
        return pages.size();
    }

    List<Drawing> drawings() {
        List<Drawing> all = new ArrayList<>();
        for (int p = 0; p < pages.size(); p++) {
            List<Shape> shapes = new ArrayList<>(pages.get(p));
            double base = height - FOOT + 2;
            shapes.add(new Shape.Line(MARGIN, base - 2.2, width - MARGIN, base - 2.2, 0.08, Ink.STAVE));
            shapes.add(new Shape.Words(foot, MARGIN, base, 1.6, Face.SANS, Shape.Anchor.START, Ink.QUIET));
            shapes.add(new Shape.Words("page " + (p + 1) + " of " + pages.size(), width - MARGIN, base, 1.6, Face.SANS,
                    Shape.Anchor.END, Ink.QUIET));
            all.add(new Drawing(width, height, shapes));
        }
        return all;
    }
}
