package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Note;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/** The chord symbols over the top stave of a system, all at the height that clears the highest thing below any of them. */
final class ChordSymbols {

    static final double SIZE = 1.7;
    private static final double LOWEST = -1.6;
    private static final double APART = 0.4;

    private ChordSymbols() {}

    static List<Shape> over(SystemLayout system, List<Shape> stave) {
        List<Shape.Words> symbols = new ArrayList<>();
        for (SystemLayout.Placed bar : system.bars()) {
            for (int i = 0; i < bar.xs().length; i++) {
                if (bar.bar().columns().get(i).element() instanceof Note note && note.marks().chord().isPresent()) {
                    symbols.add(symbol(note.marks().chord().get(), bar.xs()[i]));
                }
            }
        }
        Skyline skyline = new Skyline(stave);
        double y = LOWEST;
        for (Shape.Words symbol : symbols) {
            Bounds box = symbol.bounds();
            y = Math.min(y, skyline.top(box.left(), box.right()) - APART - box.bottom());
        }
        double height = y;
        return symbols.stream().map(s -> s.moved(0, height)).toList();
    }

    private static Shape.Words symbol(String text, double x) {
        return new Shape.Words(shown(text), x, 0, SIZE, Face.SANS_BOLD, Shape.Anchor.START, Ink.MUSIC);
    }

    /** The room that a symbol takes from its note to the right. */
    static double room(String text) {
        return symbol(text, 0).bounds().right() + APART;
    }

    /** With a sharp or a flat as they are printed. */
    static String shown(String text) {
        return text.replace('#', '\u266f').replaceAll("(?<=(^|/)[A-G])b", "\u266d");
    }
}
