package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import wildflourish.core.tune.Tuplet;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/** The figures of tuplets, on the side of their stems, with a bracket where no beam joins their notes. */
final class Tuplets {

    private static final double SCALE = 0.8;
    private static final double APART = 0.35;

    private record Member(double x, double width, Stems.@Nullable Stem stem, Heads heads, boolean beamed) {}

    private record Group(List<Member> members, int figure) {}

    private final List<Group> groups = new ArrayList<>();
    private List<Member> open = new ArrayList<>();

    /** Counts a note or rest in. */
    void member(Tuplet place, double x, double width, Stems.@Nullable Stem stem, Heads heads, boolean beamed) {
        if (place.isFirst()) {
            open = new ArrayList<>();
        }
        open.add(new Member(x, width, stem, heads, beamed));
        if (place.isLast()) {
            groups.add(new Group(open, place.actual()));
            open = new ArrayList<>();
        }
    }

    /** Writes the figures beyond what is drawn on the notes. */
    void draw(List<Shape> shapes, Skyline skyline) {
        groups.forEach(g -> draw(g, shapes, skyline));
    }

    private static void draw(Group group, List<Shape> shapes, Skyline skyline) {
        boolean up = group.members.stream().flatMap(m -> Stream.ofNullable(m.stem())).findFirst().map(Stems.Stem::up).orElse(true);
        boolean bracketed = !group.members.stream().allMatch(Member::beamed);
        double left = group.members.getFirst().x();
        double right = group.members.getLast().x() + group.members.getLast().width();
        String digits = String.valueOf(group.figure);
        double width = digits.chars().mapToDouble(c -> MusicFont.advance("tuplet" + (char) c) * SCALE).sum();
        double at = (left + right) / 2 - width / 2;
        var box = MusicFont.box("tuplet" + digits.charAt(0), 0, 0, SCALE);
        double from = bracketed ? left : at;
        double to = bracketed ? right : at + width;
        double hook = bracketed ? 0.3 : 0;
        double y = up ? skyline.highest(from, to) - APART - hook - box.bottom() : skyline.lowest(from, to) + APART + hook - box.top();
        for (char c : digits.toCharArray()) {
            shapes.add(MusicFont.glyph("tuplet" + c, at, y, SCALE, Ink.MUSIC));
            at += MusicFont.advance("tuplet" + c) * SCALE;
        }
        if (bracketed) {
            bracket(left, right, y + (box.top() + box.bottom()) / 2, up ? 0.7 : -0.7, width, shapes);
        }
    }

    private static void bracket(double left, double right, double y, double hook, double gap, List<Shape> shapes) {
        double thick = MusicFont.standard("tupletBracketThickness");
        double middle = (left + right) / 2;
        shapes.add(new Shape.Line(left, y + hook, left, y, thick, Ink.MUSIC));
        shapes.add(new Shape.Line(left, y, middle - gap / 2 - 0.3, y, thick, Ink.MUSIC));
        shapes.add(new Shape.Line(middle + gap / 2 + 0.3, y, right, y, thick, Ink.MUSIC));
        shapes.add(new Shape.Line(right, y + hook, right, y, thick, Ink.MUSIC));
    }
}
