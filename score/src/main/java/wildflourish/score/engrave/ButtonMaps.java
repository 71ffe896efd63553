package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.tune.Pitch;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/** Where the buttons lie on each end of a box, with the notes that they sound; those that are asked for stand out. */
final class ButtonMaps {

    private ButtonMaps() {}

    static List<SystemBlock> of(ButtonBoard board, double left, double right, IntPredicate asked) {
        Map<String, List<Button>> sides = new LinkedHashMap<>();
        board.buttons().forEach(b -> sides.computeIfAbsent(b.side().orElse(""), s -> new ArrayList<>()).add(b));
        List<SystemBlock> maps = new ArrayList<>();
        sides.forEach((side, buttons) -> maps.add(map(board, side, buttons, left, right, asked)));
        return maps;
    }

    private static SystemBlock map(ButtonBoard board, String side, List<Button> buttons, double start, double end, IntPredicate asked) {
        List<Shape> shapes = new ArrayList<>();
        Map<Integer, List<Button>> rows = new TreeMap<>();
        buttons.forEach(b -> rows.computeIfAbsent(b.rowIndex(), r -> new ArrayList<>()).add(b));
        double widest = buttons.stream().mapToDouble(Button::across).max().orElse(1) + 1;
        double left = start + (side.isEmpty() ? 6 : 17);
        double step = Math.min(9.5, (end - left) / widest);
        double radius = Math.min(2.35, step * 0.46);
        double y = radius + 0.4;
        for (List<Button> row : rows.values()) {
            String name = (side.isEmpty() ? "" : side + " ") + row.getFirst().row();
            shapes.add(new Shape.Words(name, start, y + 0.6, 1.5, Face.SANS_BOLD, Shape.Anchor.START, Ink.MUSIC));
            for (Button button : row) {
                double x = left + (button.across() + 0.5) * step;
                shapes.add(new Shape.Disc(x, y, radius, false, 0.14, Ink.MUSIC));
                if (board.isTwoWay()) {
                    shapes.add(new Shape.Line(x - radius, y, x + radius, y, 0.08, Ink.STAVE));
                    mapped(button.push(), asked, x, y - 0.45, shapes);
                    mapped(button.pull(), asked, x, y + 1.5, shapes);
                } else {
                    mapped(button.push(), asked, x, y + 0.55, shapes);
                }
                shapes.add(new Shape.Words(String.valueOf(button.number()), x + radius * 0.95, y + radius + 0.25, 1,
                        Face.SANS, Shape.Anchor.START, Ink.QUIET));
            }
            y += 2 * radius + 0.7;
        }
        return new SystemBlock(shapes, y + 0.6);
    }

    private static void mapped(Pitch pitch, IntPredicate asked, double x, double y, List<Shape> shapes) {
        boolean wanted = asked.test(pitch.midi());
        shapes.add(new Shape.Words(pitch.letter() + pitch.octave(), x, y, 1.35, wanted ? Face.SANS_BOLD : Face.SANS,
                Shape.Anchor.MIDDLE, wanted ? Ink.MUSIC : Ink.QUIET));
    }
}
