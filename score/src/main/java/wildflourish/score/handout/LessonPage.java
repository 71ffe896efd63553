package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.finding.Sentence;
import wildflourish.core.lesson.LessonPlan;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.paint.PdfPainter;

/** A lesson's plan on one page: minutes, what is done, what each does meanwhile, and room to note what became of it. */
public final class LessonPage {

    private static final double POINTS = 1.75 * 72 / 25.4;
    /** The sizes of its words in staff spaces, the largest that fits first; the smallest is about seven points. */
    private static final List<Double> SIZES = List.of(2.2, 2.0, 1.85, 1.7, 1.55, 1.42);
    private static final double LINE = 1.36;
    private static final double TIMES = 9.5;
    private static final double BOX = 2.6;

    private final LessonPlan plan;
    private final String title;
    private final String who;

    /**
     * The page of a plan.
     *
     * @param title as in {@code Thursday, 3 December 2026}
     * @param who names of those who come
     */
    public LessonPage(LessonPlan plan, String title, List<String> who) {
        this.plan = plan;
        this.title = title;
        this.who = Sentence.listed(who);
    }

    /** As a PDF document in A4. */
    public byte[] pdf() {
        return PdfPainter.paint(title, drawings(), POINTS);
    }

    /** In words as large as one page allows; where even the smallest are too many, what each does goes first, and then it is more than one page. */
    List<Drawing> drawings() {
        for (boolean parts : List.of(true, false)) {
            for (double size : SIZES) {
                Flow flow = set(size, parts);
                if (flow.count() == 1) {
                    return flow.drawings();
                }
            }
        }
        return set(SIZES.getLast(), false).drawings();
    }

    private Flow set(double size, boolean parts) {
        Flow flow = new Flow(title);
        flow.block(List.of(new Shape.Words(title, flow.left(), 3, 3.2, Face.SERIF_BOLD, Shape.Anchor.START, Ink.MUSIC),
                new Shape.Words(plan.minutes() + " minutes", flow.right(), 3, size, Face.SANS, Shape.Anchor.END, Ink.MUSIC)), 4.6);
        flow.paragraph(who, flow.left(), flow.right(), size, Face.SANS, Ink.QUIET);
        String tune = "";
        for (LessonPlan.Line line : plan.lines()) {
            if (!line.tune().isEmpty() && !line.tune().equals(tune)) {
                tune = line.tune();
                flow.space(size * 0.35);
                flow.need(size * 6);
                flow.block(List.of(new Shape.Words(tune, flow.left(), size * 1.15, size * 1.15, Face.SERIF_BOLD, Shape.Anchor.START, Ink.MUSIC)), size * 1.55);
            }
            line(flow, line, size, parts);
        }
        if (!plan.left().isEmpty()) {
            flow.space(size * 0.5);
            flow.paragraph("Not today: " + String.join("; ", plan.left().stream().limit(4).toList()) + ".", flow.left(), flow.right(), size * 0.9, Face.SANS, Ink.QUIET);
        }
        return flow;
    }

    private static void line(Flow flow, LessonPlan.Line line, double size, boolean parts) {
        List<Shape> shapes = new ArrayList<>();
        double times = TIMES * size / 2;
        double left = flow.left() + times;
        double right = flow.right() - BOX - 1;
        shapes.add(new Shape.Words("%d – %d".formatted(line.from(), line.to()), left - 1.2, size, size, Face.SANS_BOLD, Shape.Anchor.END, Ink.MUSIC));
        shapes.addAll(box(flow.right() - BOX, 0.1, size));
        double y = words(shapes, "%s: %s%s".formatted(line.doing().words(), line.words(), line.why().isEmpty() ? "" : " (" + line.why() + ")"), left, right, 0, size, Ink.MUSIC);
        if (parts) {
            List<String> all = line.parts().stream().filter(p -> !p.who().equals("everybody")).map(p -> p.who() + ": " + p.does()).toList();
            if (!all.isEmpty()) {
                y = words(shapes, String.join("  ·  ", all), left, right, y, size * 0.84, Ink.QUIET);
            }
        }
        flow.block(shapes, y + size * 0.22);
    }

    private static double words(List<Shape> shapes, String text, double left, double right, double top, double size, Ink ink) {
        double y = top;
        for (String row : Flow.wrapped(text, Face.SANS, size, right - left)) {
            shapes.add(new Shape.Words(row, left, y + size, size, Face.SANS, Shape.Anchor.START, ink));
            y += size * LINE;
        }
        return y;
    }

    /** To tick off what was done. */
    private static List<Shape> box(double x, double y, double size) {
        double side = Math.min(BOX - 0.6, size);
        return List.of(new Shape.Line(x, y, x + side, y, 0.1, Ink.MUSIC), new Shape.Line(x, y + side, x + side, y + side, 0.1, Ink.MUSIC),
                new Shape.Line(x, y, x, y + side, 0.1, Ink.MUSIC), new Shape.Line(x + side, y, x + side, y + side, 0.1, Ink.MUSIC));
    }
}
