package wildflourish.score.engrave;

import java.util.List;
import wildflourish.core.ornament.Notation;
import wildflourish.core.tune.Note;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/** The signs around a note: articulations beside its head, ornaments, bowing and words above it. */
final class NoteSigns {

    /**
     * Where there is room.
     *
     * @param next x at which the next column's room begins
     * @param left left edge of the note with its accidentals
     * @param top upper edge of head, stem and beam
     */
    record Where(
            double x, double width, double next, double left, double top, double bottom, Heads heads, boolean stemUp) {

        double middle() {
            return x + width / 2;
        }
    }

    private final Where place;
    private final List<Shape> shapes;
    private double above;

    private NoteSigns(Where place, List<Shape> shapes) {
        this.place = place;
        this.shapes = shapes;
        this.above = Math.min(place.top() - 0.45, -0.6);
    }

    static void of(Note note, Notation ornament, Where place, List<Shape> shapes) {
        NoteSigns signs = new NoteSigns(place, shapes);
        note.marks().decorations().forEach(d -> signs.decoration(d, Ink.MUSIC));
        for (String decoration : ornament.decorations()) {
            signs.decoration(decoration, switch (decoration) {
                case "roll" -> Ink.ROLL;
                case "slide" -> Ink.GLIDE;
                case "staccato" -> Ink.TONGUE;
                case "breath" -> Ink.BREATH;
                case "trill" -> Ink.ROLL;
                default -> Ink.CLICK;
            });
        }
        ornament.words().forEach(w -> signs.words(w, Face.SERIF_ITALIC, 1.5, Ink.GLIDE));
        note.marks().annotations().forEach(signs::annotation);
        note.marks().chord().ifPresent(c -> signs.words(c, Face.SANS_BOLD, 1.7, Ink.MUSIC));
    }

    private void decoration(String name, Ink ink) {
        switch (name) {
            case "/", "//", "///" -> { }
            case "staccato" -> besideHead("articStaccatoAbove", "articStaccatoBelow", ink);
            case "accent", ">", "emphasis" -> besideHead("articAccentAbove", "articAccentBelow", ink);
            case "slide" -> shapes.add(new Shape.Line(place.left() - 1.35, place.heads().bottom() + 0.75,
                    place.left() - 0.2, place.heads().bottom() + 0.05, 0.2, ink));
            case "breath" -> shapes.add(MusicFont.glyph("breathMarkComma",
                    Math.max(place.x() + place.width() + 0.2, place.next() - 1.0), -0.35, 1, ink));
            case "roll" -> above("ornamentTurn", 0.85, ink);
            case "trill" -> above("ornamentTrill", 0.9, ink);
            case "lowermordent", "mordent" -> above("ornamentMordent", 0.8, ink);
            case "uppermordent", "pralltriller" -> above("ornamentShortTrill", 0.8, ink);
            case "fermata" -> above("fermataAbove", 0.9, ink);
            case "upbow" -> above("stringsUpBow", 0.8, ink);
            case "downbow" -> above("stringsDownBow", 0.8, ink);
            case "segno" -> above("segno", 0.8, ink);
            case "coda" -> above("coda", 0.8, ink);
            default -> words(name, Face.SERIF_ITALIC, 1.5, Ink.MUSIC);
        }
    }

    private void besideHead(String over, String under, Ink ink) {
        double middle = place.middle() - MusicFont.width(over) / 2;
        if (place.stemUp()) {
            double y = inSpace(place.heads().bottom() + 1, 1);
            shapes.add(MusicFont.glyph(under, middle, y - 0.15, 1, ink));
        } else {
            double y = inSpace(place.heads().top() - 1, -1);
            shapes.add(MusicFont.glyph(over, middle, y + 0.15, 1, ink));
            above = Math.min(above, y - 0.6);
        }
    }

    /** Moves a sign off a stave line into the next space. */
    private static double inSpace(double y, double direction) {
        boolean onLine = Math.abs(y - Math.rint(y)) < 0.01 && y >= 0 && y <= 4;
        return onLine ? y + direction * 0.5 : y;
    }

    private void above(String glyph, double scale, Ink ink) {
        var box = MusicFont.box(glyph, 0, 0, scale);
        double x = place.middle() - (box.left() + box.right()) / 2;
        double y = above - box.bottom();
        shapes.add(MusicFont.glyph(glyph, x, y, scale, ink));
        above = y + box.top() - 0.35;
    }

    private void annotation(String text) {
        String shown = text.substring(1);
        if (text.charAt(0) == '_') {
            shapes.add(new Shape.Words(shown, place.x(), Math.max(place.bottom(), 4) + 2, 1.5, Face.SERIF_ITALIC,
                    Shape.Anchor.START, Ink.MUSIC));
        } else {
            words(shown, Face.SERIF_ITALIC, 1.5, Ink.MUSIC);
        }
    }

    private void words(String text, Face face, double size, Ink ink) {
        double y = Math.min(above, -1.2) - 0.3;
        shapes.add(new Shape.Words(text, place.x(), y, size, face, Shape.Anchor.START, ink));
        above = y - size;
    }
}
