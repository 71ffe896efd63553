package wildflourish.score.font;

import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import org.apache.fontbox.ttf.OTFParser;
import org.apache.fontbox.ttf.OpenTypeFont;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.jspecify.annotations.Nullable;
import wildflourish.score.display.Face;

/** Outlines of music glyphs and widths of texts, read from the font files on first use. Safe for several threads. */
public final class Outlines {

    private static @Nullable OpenTypeFont music;
    private static final Map<String, GeneralPath> PATHS = new HashMap<>();
    private static final Map<Face, TrueTypeFont> FACES = new EnumMap<>(Face.class);

    private Outlines() {}

    /** The outline of a music glyph in staff spaces, y downward, its origin at (0, 0). */
    public static synchronized GeneralPath of(String glyph) {
        return (GeneralPath) PATHS.computeIfAbsent(glyph, Outlines::read).clone();
    }

    private static GeneralPath read(String glyph) {
        try {
            if (music == null) {
                try (InputStream in = FontFiles.openMusic()) {
                    music = new OTFParser().parse(new RandomAccessReadBuffer(in));
                }
            }
            int id = music.getUnicodeCmapLookup().getGlyphId(MusicFont.character(glyph).codePointAt(0));
            GeneralPath path = (GeneralPath) music.getCFF().getFont().getType2CharString(id).getPath().clone();
            // SMuFL: four staff spaces to the em.
            double scale = 4.0 / music.getUnitsPerEm();
            path.transform(AffineTransform.getScaleInstance(scale, -scale));
            return path;
        } catch (IOException e) {
            throw new UncheckedIOException("the music font cannot be read", e);
        }
    }

    private static TrueTypeFont font(Face face) {
        return FACES.computeIfAbsent(face, f -> {
            try (InputStream in = FontFiles.open(f)) {
                return new TTFParser().parse(new RandomAccessReadBuffer(in));
            } catch (IOException e) {
                throw new UncheckedIOException("a text font cannot be read", e);
            }
        });
    }

    /** Whether a face has a letter. */
    public static synchronized boolean has(Face face, int code) {
        try {
            return font(face).getUnicodeCmapLookup().getGlyphId(code) != 0;
        } catch (IOException e) {
            throw new UncheckedIOException("a text font cannot be read", e);
        }
    }

    /** The letters of a text that can be printed in no font at hand, each once. */
    public static String unprintable(String text) {
        StringBuilder missing = new StringBuilder();
        text.codePoints().distinct().filter(c -> !Character.isWhitespace(c) && !has(Face.SERIF, c) && SystemLetters.of(c).isEmpty())
                .forEach(missing::appendCodePoint);
        return missing.toString();
    }

    /** The width of a text set at the given size, in the same unit. */
    public static synchronized double width(String text, Face face, double size) {
        TrueTypeFont font = font(face);
        try {
            double ems = 0;
            for (int code : text.codePoints().toArray()) {
                int glyph = font.getUnicodeCmapLookup().getGlyphId(code);
                double own = font.getAdvanceWidth(glyph) / (double) font.getUnitsPerEm();
                ems += glyph != 0 ? own : SystemLetters.of(code).map(SystemLetters.Letter::advance).orElse(own);
            }
            return ems * size;
        } catch (IOException e) {
            throw new UncheckedIOException("a text font cannot be read", e);
        }
    }
}
