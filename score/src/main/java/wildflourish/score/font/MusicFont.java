package wildflourish.score.font;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/** Measurements of the music font, from its SMuFL metadata; lengths in staff spaces, y upward as in the metadata. */
public final class MusicFont {

    record File(String font, String version, Map<String, Double> defaults, Map<String, Entry> glyphs) {}

    record Entry(String code, List<Double> box, double advance, Map<String, List<Double>> anchors) {}

    private static final File FILE = load();

    private MusicFont() {}

    private static File load() {
        String name = "fonts/bravura-metadata.json";
        try (InputStream in = MusicFont.class.getResourceAsStream("/wildflourish/score/" + name)) {
            if (in == null) {
                throw new DataFault(name + ": the file is missing");
            }
            return DataFile.parse(name, new String(in.readAllBytes(), StandardCharsets.UTF_8), File.class);
        } catch (IOException e) {
            throw new DataFault(name + ": cannot be read: " + e.getMessage());
        }
    }

    /** A value of the font's engraving defaults, such as {@code stemThickness}. */
    public static double standard(String name) {
        Double value = FILE.defaults().get(name);
        if (value == null) {
            throw new IllegalArgumentException("the font has no engraving default " + name);
        }
        return value;
    }

    /** Every glyph the engraver may use, by its SMuFL name. */
    public static Set<String> names() {
        return FILE.glyphs().keySet();
    }

    private static Entry entry(String glyph) {
        Entry entry = FILE.glyphs().get(glyph);
        if (entry == null) {
            throw new IllegalArgumentException("the font's measurements do not name " + glyph);
        }
        return entry;
    }

    /** The character that the font draws the glyph for. */
    public static String character(String glyph) {
        return Character.toString(Integer.parseInt(entry(glyph).code(), 16));
    }

    public static double advance(String glyph) {
        return entry(glyph).advance();
    }

    /** x (0) or y (1) of an anchor of a glyph, y upward. */
    public static double anchor(String glyph, String anchor, int axis) {
        List<Double> at = entry(glyph).anchors().get(anchor);
        if (at == null) {
            throw new IllegalArgumentException("the glyph " + glyph + " has no anchor " + anchor);
        }
        return at.get(axis);
    }

    /** The box of a glyph set at (x, y), in display coordinates. */
    public static Bounds box(String glyph, double x, double y, double scale) {
        List<Double> box = entry(glyph).box();
        return new Bounds(x + box.get(0) * scale, y - box.get(3) * scale, x + box.get(2) * scale,
                y - box.get(1) * scale);
    }

    /** The width of a glyph's box. */
    public static double width(String glyph) {
        List<Double> box = entry(glyph).box();
        return box.get(2) - box.get(0);
    }

    /** A glyph as a shape. */
    public static Shape.Glyph glyph(String name, double x, double y, double scale, Ink ink) {
        return new Shape.Glyph(name, x, y, scale, ink, box(name, x, y, scale));
    }
}
