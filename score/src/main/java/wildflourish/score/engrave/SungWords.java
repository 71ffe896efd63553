package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.setting.Varied;
import wildflourish.core.tune.Lyrics;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/**
 * The words under the lowest stave of a system, each syllable under the middle of its note, with hyphens between the
 * syllables of a word and a line as long as its last one is held (the textbooks).
 */
final class SungWords {

    private static final double SIZE = 1.75;
    private static final double LINE = 2.1;
    private static final double HALF_HEAD = 0.59;
    private static final double FROM_NOTES = 0.5;
    /** Room between two syllables: for a space, and for a hyphen. */
    private static final double SPACE = 0.6;
    private static final double HYPHEN = 1.3;
    /** Hyphens that belong to one gap stand so far apart. */
    private static final double BETWEEN_HYPHENS = 8;

    private final Lyrics lyrics;

    SungWords(Lyrics lyrics) {
        this.lyrics = lyrics;
    }

    private static Shape.Words words(String text, double middle, double y) {
        return new Shape.Words(text, middle, y, SIZE, Face.SERIF, Shape.Anchor.MIDDLE, Ink.MUSIC);
    }

    /** The syllable of a verse on a note as it is played: the first of those of the plain notes that it stands for. */
    private Optional<Lyrics.Syllable> at(int verse, int note, Varied varied) {
        int plain = varied.plain(note);
        return varied.now(plain) == note ? lyrics.at(verse, plain) : Optional.empty();
    }

    /** How much room the syllables of a note want left of its origin. */
    double left(int note, Varied varied) {
        double most = 0;
        for (int verse = 0; verse < lyrics.verses().size(); verse++) {
            most = Math.max(most, at(verse, note, varied).map(s -> -words(s.text(), HALF_HEAD, 0).bounds().left()).orElse(0.0));
        }
        return most;
    }

    /** How much room they want right of it. */
    double right(int note, Varied varied) {
        double most = 0;
        for (int verse = 0; verse < lyrics.verses().size(); verse++) {
            most = Math.max(most, at(verse, note, varied).map(s -> words(s.text(), HALF_HEAD, 0).bounds().right()
                    + (s.join() == Lyrics.Join.HYPHEN ? HYPHEN : SPACE)).orElse(0.0));
        }
        return most;
    }

    private record Sung(Lyrics.Syllable syllable, Shape.Words words, double heldTo) {}

    /** The words under a stave of a system. */
    List<Shape> under(SystemLayout system, List<Shape> stave, Varied varied) {
        List<Shape> shapes = new ArrayList<>();
        double y = new Skyline(stave).bottom(system.musicLeft(), system.right()) + FROM_NOTES + SIZE * 0.75;
        for (int verse = 0; verse < lyrics.verses().size(); verse++) {
            List<Sung> line = sung(system, varied, verse, y + verse * LINE);
            for (int i = 0; i < line.size(); i++) {
                Sung here = line.get(i);
                shapes.add(here.words);
                double from = here.words.bounds().right();
                double next = i + 1 < line.size() ? line.get(i + 1).words.bounds().left() : system.right();
                switch (here.syllable.join()) {
                    case HYPHEN -> hyphens(from, next, here.words.y(), shapes);
                    case HELD -> shapes.add(new Shape.Line(from + 0.15, here.words.y(), Math.max(from + 0.5, Math.min(here.heldTo, next - 0.3)), here.words.y(),
                            0.13, Ink.MUSIC));
                    case SPACE -> { }
                }
            }
        }
        return shapes;
    }

    private List<Sung> sung(SystemLayout system, Varied varied, int verse, double y) {
        List<Sung> line = new ArrayList<>();
        for (SystemLayout.Placed bar : system.bars()) {
            for (int i = 0; i < bar.xs().length; i++) {
                int note = bar.bar().columns().get(i).note();
                double x = bar.xs()[i] + HALF_HEAD;
                if (note >= 0) {
                    at(verse, note, varied).ifPresent(s -> line.add(new Sung(s, words(s.text(), x, y), heldTo(system, varied.now(s.held())))));
                }
            }
        }
        return line;
    }

    /** The right edge of a note's head; the end of the system for a note of a later one. */
    private static double heldTo(SystemLayout system, int note) {
        for (SystemLayout.Placed bar : system.bars()) {
            for (int i = 0; i < bar.xs().length; i++) {
                if (bar.bar().columns().get(i).note() == note) {
                    return bar.xs()[i] + 2 * HALF_HEAD;
                }
            }
        }
        return system.right();
    }

    private static void hyphens(double from, double to, double y, List<Shape> shapes) {
        int count = Math.max(1, (int) ((to - from) / BETWEEN_HYPHENS));
        for (int h = 0; h < count; h++) {
            double middle = from + (to - from) * (h + 0.5) / count;
            shapes.add(new Shape.Line(middle - 0.35, y - SIZE * 0.25, middle + 0.35, y - SIZE * 0.25, 0.16, Ink.MUSIC));
        }
    }
}
