package wildflourish.score.font;

import java.awt.Font;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** Letters that the program's own faces have not, from the fonts of the machine. Safe for several threads. */
public final class SystemLetters {

    private static final int EM = 1000;
    private static final Map<Integer, Optional<Letter>> KNOWN = new ConcurrentHashMap<>();

    private SystemLetters() {}

    /**
     * A letter.
     *
     * @param outline y downward, its origin at (0, 0), for type of size 1
     * @param advance how far the next one stands, for type of size 1
     */
    public record Letter(GeneralPath outline, double advance) {

        /** The outline of a letter of a size. */
        public GeneralPath at(double x, double y, double size) {
            GeneralPath path = (GeneralPath) outline.clone();
            path.transform(new AffineTransform(size, 0, 0, size, x, y));
            return path;
        }
    }

    /** A letter by its code; empty where no font of the machine has it. */
    public static Optional<Letter> of(int code) {
        return KNOWN.computeIfAbsent(code, SystemLetters::read);
    }

    private static Optional<Letter> read(int code) {
        try {
            Font font = new Font(Font.SERIF, Font.PLAIN, EM);
            if (!font.canDisplay(code)) {
                return Optional.empty();
            }
            GlyphVector glyphs = font.createGlyphVector(new FontRenderContext(null, true, true), Character.toString(code));
            GeneralPath outline = new GeneralPath(glyphs.getOutline());
            outline.transform(AffineTransform.getScaleInstance(1.0 / EM, 1.0 / EM));
            return Optional.of(new Letter(outline, glyphs.getLogicalBounds().getWidth() / EM));
        } catch (RuntimeException | LinkageError | InternalError noFontsHere) {
            // A machine may have no fonts at all, or a Java without what reads them.
            return Optional.empty();
        }
    }
}
