package wildflourish.score.engrave;

import java.util.List;
import java.util.Map;
import wildflourish.core.ornament.Notation;
import wildflourish.core.tune.Note;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/**
 * The signs around a note: articulations beside its head, ornaments, bowing and words above it. A chord symbol belongs to its
 * system and is set by {@link ChordSymbols}.
 */
final class NoteSigns {

    /**
     * Where there is room.
     *
     * @param next x at which the next column's room begins
     * @param left left edge of the note with its accidentals
     * @param melody y of the head that is the tune's
     */
    record Where(double x, double width, double next, double left, Heads heads, double melody, boolean stemUp) {

        double middle() {
            return x + width / 2;
        }
    }

    private static final Map<String, String[]> BESIDE = Map.of(
            "staccato", new String[] {"articStaccatoAbove", "articStaccatoBelow"},
            "accent", new String[] {"articAccentAbove", "articAccentBelow"},
            ">", new String[] {"articAccentAbove", "articAccentBelow"},
            "emphasis", new String[] {"articAccentAbove", "articAccentBelow"});
    private static final double APART = 0.35;
    private static final double SLIDE = 1.35;
    private static final double WORDS = 1.5;

    private final Note note;
    private final Notation ornament;
    private final Where place;
    private final List<Shape> shapes;

    NoteSigns(Note note, Notation ornament, Where place, List<Shape> shapes) {
        this.note = note;
        this.ornament = ornament;
        this.place = place;
        this.shapes = shapes;
    }

    private static Ink ink(String decoration) {
        return switch (decoration) {
            case "roll", "trill" -> Ink.ROLL;
            case "slide" -> Ink.GLIDE;
            case "staccato" -> Ink.TONGUE;
            case "breath" -> Ink.BREATH;
            default -> Ink.CLICK;
        };
    }

    /** Draws what stands beside the head; the left edge of the note with it. */
    double beside() {
        note.marks().decorations().forEach(d -> beside(d, Ink.MUSIC));
        ornament.decorations().forEach(d -> beside(d, ink(d)));
        boolean slides = note.marks().decorations().contains("slide") || ornament.decorations().contains("slide");
        return place.left() - (slides ? SLIDE : 0);
    }

    private void beside(String name, Ink ink) {
        if (BESIDE.containsKey(name)) {
            besideHead(BESIDE.get(name)[0], BESIDE.get(name)[1], ink);
        } else if (name.equals("slide")) {
            shapes.add(new Shape.Line(place.left() - SLIDE, place.melody() + 0.75,
                    place.left() - 0.2, place.melody() + 0.05, 0.2, ink));
        }
    }

    /** Draws what stands over the note, clear of everything that is drawn. */
    void over(Skyline skyline) {
        note.marks().decorations().forEach(d -> over(d, Ink.MUSIC, skyline));
        ornament.decorations().forEach(d -> over(d, ink(d), skyline));
        ornament.words().forEach(w -> words(w, Ink.GLIDE, skyline));
        note.marks().annotations().forEach(a -> annotation(a, skyline));
    }

    private void over(String name, Ink ink, Skyline skyline) {
        if (BESIDE.containsKey(name)) {
            return;
        }
        switch (name) {
            case "/", "//", "///", "slide" -> { }
            case "breath" -> breath(ink, skyline);
            case "roll" -> above("ornamentTurn", 0.85, ink, skyline);
            case "trill" -> above("ornamentTrill", 0.9, ink, skyline);
            case "lowermordent", "mordent" -> above("ornamentMordent", 0.8, ink, skyline);
            case "uppermordent", "pralltriller" -> above("ornamentShortTrill", 0.8, ink, skyline);
            case "fermata" -> above("fermataAbove", 0.9, ink, skyline);
            case "upbow" -> above("stringsUpBow", 0.8, ink, skyline);
            case "downbow" -> above("stringsDownBow", 0.8, ink, skyline);
            case "segno" -> above("segno", 0.8, ink, skyline);
            case "coda" -> above("coda", 0.8, ink, skyline);
            case "dacapo" -> words("D.C.", Ink.MUSIC, skyline);
            case "dalsegno" -> words("D.S.", Ink.MUSIC, skyline);
            case "dacoda", "tocoda" -> words("to coda", Ink.MUSIC, skyline);
            case "fine" -> words("Fine", Ink.MUSIC, skyline);
            default -> words(name, Ink.MUSIC, skyline);
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
        }
    }

    /** Moves a sign off a stave line into the next space. */
    private static double inSpace(double y, double direction) {
        boolean onLine = Math.abs(y - Math.rint(y)) < 0.01 && y >= 0 && y <= 4;
        return onLine ? y + direction * 0.5 : y;
    }

    private void above(String glyph, double scale, Ink ink, Skyline skyline) {
        Bounds box = MusicFont.box(glyph, 0, 0, scale);
        double x = place.middle() - (box.left() + box.right()) / 2;
        Bounds at = box.moved(x, 0).grown(0.1, 0);
        double y = Math.min(skyline.top(at.left(), at.right()) - APART, -0.6) - box.bottom();
        shapes.add(MusicFont.glyph(glyph, x, y, scale, ink));
    }

    /** The comma of a breath between this note and the next, on the top line or above what stands there. */
    private void breath(Ink ink, Skyline skyline) {
        double x = Math.max(place.x() + place.width() + 0.2, place.next() - 1.0);
        Bounds box = MusicFont.box("breathMarkComma", x, 0, 1).grown(0.1, 0);
        double y = Math.min(-0.35, skyline.highest(box.left(), box.right()) - 0.2 - box.bottom());
        shapes.add(MusicFont.glyph("breathMarkComma", x, y, 1, ink));
    }

    private void annotation(String text, Skyline skyline) {
        String shown = text.substring(1);
        if (text.charAt(0) == '_') {
            Shape.Words under = set(shown, place.x(), Ink.MUSIC);
            Bounds box = under.bounds();
            shapes.add(under.moved(0, skyline.bottom(box.left(), box.right()) + APART - box.top()));
        } else {
            words(shown, Ink.MUSIC, skyline);
        }
    }

    private void words(String text, Ink ink, Skyline skyline) {
        shapes.add(over(set(text, place.x(), ink), skyline));
    }

    private static Shape.Words set(String text, double x, Ink ink) {
        return new Shape.Words(text, x, 0, WORDS, Face.SERIF_ITALIC, Shape.Anchor.START, ink);
    }

    /** Words over a place of a stave, as for a change of tempo, clear of what is there. */
    static Shape words(String text, double x, Skyline skyline) {
        return over(set(text, x, Ink.MUSIC), skyline);
    }

    private static Shape over(Shape.Words words, Skyline skyline) {
        Bounds box = words.bounds();
        return words.moved(0, Math.min(-1.5, skyline.top(box.left(), box.right()) - APART - box.bottom()));
    }
}
