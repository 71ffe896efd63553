package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Varied;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/** Shows which stretches of a stave are varied: a bracket over them with the name of what was done. */
final class VariationSigns {

    private static final double WORDS = 1.5;
    private static final double TICK = 0.55;

    private VariationSigns() {}

    /** The brackets over an open stave. */
    static List<Shape> over(SystemLayout system, List<Shape> stave, Varied varied) {
        List<Shape> shapes = new ArrayList<>();
        List<Shape> below = new ArrayList<>(stave);
        Skyline skyline = new Skyline(below);
        for (SystemLayout.Placed bar : system.bars()) {
            int i = 0;
            List<Columns.Column> columns = bar.bar().columns();
            while (i < columns.size()) {
                int from = i;
                int note = columns.get(i).note();
                String kind = note < 0 ? "" : varied.kind(note);
                i++;
                while (!kind.isEmpty() && i < columns.size() && columns.get(i).note() >= 0
                        && varied.kind(columns.get(i).note()).equals(kind)
                        && (Variation.standsIn(kind) || varied.plain(columns.get(i).note()) == varied.plain(note))) {
                    i++;
                }
                if (!kind.isEmpty()) {
                    List<Shape> bracket = bracket(bar.xs()[from] - 0.1, bar.xs()[i - 1] + 1.3, VariationKind.spoken(kind), system.right(), skyline);
                    shapes.addAll(bracket);
                    below.addAll(bracket);
                }
            }
        }
        return shapes;
    }

    private static List<Shape> bracket(double left, double right, String words, double edge, Skyline skyline) {
        Shape.Words name = new Shape.Words(words, left, 0, WORDS, Face.SANS, Shape.Anchor.START, Ink.GLIDE);
        if (name.bounds().right() > edge) {
            name = new Shape.Words(words, Math.min(right, edge), 0, WORDS, Face.SANS, Shape.Anchor.END, Ink.GLIDE);
        }
        double from = Math.min(left, name.bounds().left());
        double y = Math.min(-1.6, skyline.top(from, Math.max(right, name.bounds().right())) - 0.7);
        return List.of(new Shape.Line(left, y, right, y, 0.14, Ink.GLIDE),
                new Shape.Line(left, y, left, y + TICK, 0.14, Ink.GLIDE),
                new Shape.Line(right, y, right, y + TICK, 0.14, Ink.GLIDE),
                name.moved(0, y - 0.4));
    }

    /** The same on the line of a folded rung: a thick stroke under the notes that are replaced; notes that stand in are shown on the ground. */
    static List<Shape> on(SystemLayout.Placed bar, Setting setting, double line) {
        List<Shape> shapes = new ArrayList<>();
        List<Columns.Column> columns = bar.bar().columns();
        for (int i = 0; i < columns.size(); i++) {
            int note = columns.get(i).note();
            Variation variation = note < 0 ? null : setting.variationAt(note).filter(v -> !v.isStandIn()).orElse(null);
            if (variation != null) {
                boolean goesOn = i + 1 < columns.size() && variation.holds(columns.get(i + 1).note());
                double right = goesOn ? bar.xs()[i + 1] : bar.xs()[i] + 1.7;
                shapes.add(new Shape.Line(bar.xs()[i] - 0.2, line, right, line, 0.5, Ink.GLIDE));
            }
        }
        return shapes;
    }
}
