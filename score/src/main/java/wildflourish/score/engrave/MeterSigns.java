package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Meter;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/** Time signatures. */
final class MeterSigns {

    private MeterSigns() {}

    static double width(Meter meter) {
        return switch (meter.look()) {
            case NONE -> 0;
            case COMMON -> MusicFont.advance("timeSigCommon");
            case CUT -> MusicFont.advance("timeSigCutCommon");
            case NUMBERS -> Math.max(width(upper(meter)), width(List.of(String.valueOf(meter.unit()))));
        };
    }

    static List<Shape> at(double x, Meter meter) {
        List<Shape> shapes = new ArrayList<>();
        switch (meter.look()) {
            case NONE -> { }
            case COMMON -> shapes.add(MusicFont.glyph("timeSigCommon", x, 2, 1, Ink.MUSIC));
            case CUT -> shapes.add(MusicFont.glyph("timeSigCutCommon", x, 2, 1, Ink.MUSIC));
            case NUMBERS -> {
                List<String> lower = List.of(String.valueOf(meter.unit()));
                digits(upper(meter), x + (width(meter) - width(upper(meter))) / 2, 1, shapes);
                digits(lower, x + (width(meter) - width(lower)) / 2, 3, shapes);
            }
        }
        return shapes;
    }

    private static List<String> upper(Meter meter) {
        List<String> parts = new ArrayList<>();
        for (int group : meter.groups()) {
            if (!parts.isEmpty()) {
                parts.add("+");
            }
            parts.add(String.valueOf(group));
        }
        return parts;
    }

    private static List<String> glyphs(List<String> parts) {
        List<String> glyphs = new ArrayList<>();
        for (String part : parts) {
            for (char c : part.toCharArray()) {
                glyphs.add(c == '+' ? "timeSigPlus" : "timeSig" + c);
            }
        }
        return glyphs;
    }

    private static double width(List<String> parts) {
        return glyphs(parts).stream().mapToDouble(MusicFont::advance).sum();
    }

    private static void digits(List<String> parts, double x, double y, List<Shape> shapes) {
        double at = x;
        for (String glyph : glyphs(parts)) {
            shapes.add(MusicFont.glyph(glyph, at, y, 1, Ink.MUSIC));
            at += MusicFont.advance(glyph);
        }
    }
}
