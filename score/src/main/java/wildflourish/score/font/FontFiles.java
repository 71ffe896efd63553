package wildflourish.score.font;

import java.io.InputStream;
import wildflourish.score.display.Face;

/** The font files that are shipped. */
public final class FontFiles {

    private FontFiles() {}

    /** The TrueType file of a text face; the caller closes it. */
    public static InputStream open(Face face) {
        return open(switch (face) {
            case SANS -> "SourceSans3_400Regular.ttf";
            case SANS_BOLD -> "SourceSans3_600SemiBold.ttf";
            case SERIF -> "Literata_400Regular.ttf";
            case SERIF_BOLD -> "Literata_600SemiBold.ttf";
            case SERIF_ITALIC -> "Literata_400Regular_Italic.ttf";
        });
    }

    /** The bold cut of the words of the interface, which no score uses; the caller closes it. */
    public static InputStream openStrong() {
        return open("SourceSans3_700Bold.ttf");
    }

    /** The OpenType file of the music font; the caller closes it. */
    public static InputStream openMusic() {
        return open("Bravura.otf");
    }

    private static InputStream open(String name) {
        InputStream in = FontFiles.class.getResourceAsStream("/wildflourish/score/fonts/" + name);
        if (in == null) {
            throw new IllegalStateException("the font " + name + " is missing from the program");
        }
        return in;
    }

    /** The family name by which a page that has the font installed finds it. */
    public static String family(Face face) {
        return switch (face) {
            case SANS, SANS_BOLD -> "Source Sans 3";
            case SERIF, SERIF_BOLD, SERIF_ITALIC -> "Literata";
        };
    }
}
