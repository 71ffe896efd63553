package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.List;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.Outlines;

/** Sets blocks one under the other onto pages, with a foot on each. */
final class Flow {

    /** A4 with a staff space of 1.75 mm. */
    static final double WIDTH = 120;

    static final double MARGIN = 7;
    private static final double HEIGHT = 169.7;
    private static final double FOOT = 7;

    private final String foot;
    private final double width;
    private final double height;
    private final List<List<Shape>> pages = new ArrayList<>();
    private double y = MARGIN;

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

    /** Makes sure that a block of this height stands on one page. */
    void need(double blockHeight) {
        if (y + blockHeight > height - FOOT - 2 && y > MARGIN) {
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
