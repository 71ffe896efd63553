package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Setting;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/** A rung folded to a thin line with the marks of its ornaments at their beats. */
final class FoldedRung {

    static final double HEIGHT = 2.4;
    private static final double LINE = 1.7;

    private FoldedRung() {}

    static List<Shape> of(SystemLayout system, Setting setting, Vocabulary vocabulary) {
        List<Shape> shapes = new ArrayList<>();
        shapes.add(new Shape.Line(system.left(), LINE, system.right(), LINE, 0.08, Ink.STAVE));
        for (SystemLayout.Placed bar : system.bars()) {
            shapes.add(new Shape.Line(bar.end() - 0.08, LINE - 0.45, bar.end() - 0.08, LINE + 0.45, 0.1, Ink.STAVE));
            shapes.addAll(VariationSigns.on(bar, setting, LINE));
            for (int i = 0; i < bar.xs().length; i++) {
                int note = bar.bar().columns().get(i).note();
                if (note < 0) {
                    continue;
                }
                List<Ornament> ornaments = setting.ornaments(note, vocabulary);
                double x = bar.xs()[i] + 0.59;
                double width = ornaments.stream().mapToDouble(o -> OrnamentMark.width(o) + 0.25).sum();
                double at = x - width / 2;
                for (Ornament ornament : ornaments) {
                    double own = OrnamentMark.width(ornament) + 0.25;
                    shapes.addAll(OrnamentMark.at(at + own / 2, LINE - 0.9, ornament));
                    at += own;
                }
            }
        }
        return shapes;
    }
}
