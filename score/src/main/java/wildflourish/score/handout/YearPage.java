package wildflourish.score.handout;

import java.time.YearMonth;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import wildflourish.core.lesson.StudentYear;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.paint.PdfPainter;

/** The year of one student: how much they played in each month, where they are with each tune, when they came, what they were given, what their hands ask for. */
public final class YearPage {

    private static final double POINTS = 1.75 * 72 / 25.4;
    private static final double SIZE = 2;
    private static final double BARS = 14;

    private final String title;
    private final StudentYear year;
    private final List<Chapter> chapters;

    /** Lines under a heading. */
    public record Chapter(String heading, List<String> lines) {}

    /**
     * The page.
     *
     * @param title the student, and what they play
     * @param chapters those without lines are left out
     */
    public YearPage(String title, StudentYear year, List<Chapter> chapters) {
        this.title = title;
        this.year = year;
        this.chapters = List.copyOf(chapters);
    }

    /** As a PDF document in A4; what does not go onto one page goes on behind it. */
    public byte[] pdf() {
        Flow flow = new Flow(title);
        flow.block(List.of(new Shape.Words(title, flow.left(), 3, 3.2, Face.SERIF_BOLD, Shape.Anchor.START, Ink.MUSIC)), 5);
        flow.paragraph("%d minutes on %d day%s in twelve months".formatted(Math.round(year.total()), year.days(), year.days() == 1 ? "" : "s"), flow.left(), flow.right(), SIZE, Face.SANS, Ink.MUSIC);
        flow.space(1);
        months(flow);
        for (Chapter chapter : chapters) {
            if (!chapter.lines.isEmpty()) {
                flow.space(1.4);
                flow.need(SIZE * 4);
                flow.block(List.of(new Shape.Words(chapter.heading, flow.left(), 2.4, 2.4, Face.SERIF_BOLD, Shape.Anchor.START, Ink.MUSIC)), 3.6);
                chapter.lines.forEach(l -> flow.paragraph(l, flow.left(), flow.right(), SIZE, Face.SANS, Ink.MUSIC));
            }
        }
        return PdfPainter.paint(title, flow.drawings(), POINTS);
    }

    /** A bar for each month, its minutes above it. */
    private void months(Flow flow) {
        List<Shape> shapes = new ArrayList<>();
        double most = Math.max(1, year.minutes().values().stream().mapToDouble(m -> m).max().orElse(1));
        double wide = (flow.right() - flow.left()) / year.minutes().size();
        double x = flow.left();
        for (Map.Entry<YearMonth, Double> month : year.minutes().entrySet()) {
            double high = BARS * month.getValue() / most;
            double middle = x + wide / 2;
            if (month.getValue() > 0) {
                shapes.add(new Shape.Line(middle, BARS + 2 - high, middle, BARS + 2, wide * 0.6, Ink.STAVE));
                shapes.add(new Shape.Words(String.valueOf(Math.round(month.getValue())), middle, BARS + 1.4 - high, SIZE * 0.85, Face.SANS, Shape.Anchor.MIDDLE, Ink.MUSIC));
            }
            shapes.add(new Shape.Words(month.getKey().getMonth().getDisplayName(TextStyle.SHORT, Locale.UK), middle, BARS + 4.4, SIZE * 0.85, Face.SANS, Shape.Anchor.MIDDLE, Ink.QUIET));
            x += wide;
        }
        shapes.add(new Shape.Line(flow.left(), BARS + 2, flow.right(), BARS + 2, 0.1, Ink.MUSIC));
        flow.block(shapes, BARS + 5.4);
    }
}
