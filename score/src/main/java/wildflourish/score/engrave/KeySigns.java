package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Step;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/** Key signatures in the treble clef. */
final class KeySigns {

    private static final double STEP = 1.05;

    private KeySigns() {}

    /** Letters with the accidental to draw; a letter that the old key had and the new one has not gets a natural. */
    private static Map<Step, Integer> signs(Key key, @Nullable Key old) {
        Map<Step, Integer> signs = new LinkedHashMap<>();
        if (old != null) {
            old.signature().keySet().stream()
                    .filter(s -> key.alterOf(s) == 0)
                    .forEach(s -> signs.put(s, 0));
        }
        signs.putAll(key.signature());
        return signs;
    }

    static double width(Key key, @Nullable Key old) {
        return signs(key, old).size() * STEP;
    }

    static List<Shape> at(double x, Key key, @Nullable Key old) {
        List<Shape> shapes = new ArrayList<>();
        double at = x;
        for (Map.Entry<Step, Integer> sign : signs(key, old).entrySet()) {
            shapes.add(MusicFont.glyph(Columns.accidental(sign.getValue()), at, y(sign.getKey(), sign.getValue()), 1,
                    Ink.MUSIC));
            at += STEP;
        }
        return shapes;
    }

    /** The usual places: sharps from F on the top line, flats from B on the middle one. */
    private static double y(Step step, int alter) {
        return alter < 0
                ? switch (step) {
                    case B -> 2;
                    case E -> 0.5;
                    case A -> 2.5;
                    case D -> 1;
                    case G -> 3;
                    case C -> 1.5;
                    case F -> 3.5;
                }
                : switch (step) {
                    case F -> 0;
                    case C -> 1.5;
                    case G -> -0.5;
                    case D -> 1;
                    case A -> 2.5;
                    case E -> 0.5;
                    case B -> 2;
                };
    }
}
