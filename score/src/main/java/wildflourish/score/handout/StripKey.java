package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Unheld;
import wildflourish.core.instrument.WindChart;

/** What the signs of an instrument's fingering strip mean, in sentences for a student. */
public final class StripKey {

    private StripKey() {}

    /** One sentence a line; none on no instrument. */
    public static List<String> lines(Instrument instrument) {
        return switch (instrument.layout()) {
            case Unheld unheld -> List.of();
            case WindChart chart -> wind(chart, instrument.family().isBlownByMouth());
            case Neck neck -> neck(neck);
            case ButtonBoard board -> board(board);
        };
    }

    /** As {@link #lines}, for a chart: without what a tune asks of arms and lungs, and with what the schools choose. */
    static List<String> ofChart(Instrument instrument) {
        List<String> lines = new ArrayList<>(switch (instrument.layout()) {
            case Unheld unheld -> List.<String>of();
            case WindChart chart -> wind(chart, instrument.family().isBlownByMouth()).subList(0, 1);
            case Neck neck -> neck(neck).subList(0, 2);
            case ButtonBoard board -> board(board);
        });
        if (instrument.layout() instanceof WindChart chart) {
            for (School.Choice choice : School.of(instrument.family())) {
                boolean here = chart.pitches().stream().flatMap(p -> chart.ways(p).stream())
                        .anyMatch(w -> w.school().filter(s -> s.startsWith(choice.name() + "=")).isPresent());
                if (here) {
                    lines.add("%s by school: %s".formatted(choice.asks(), String.join("; ",
                            choice.values().stream().map(School.Value::words).toList())));
                }
            }
        }
        return lines;
    }

    private static List<String> wind(WindChart chart, boolean byMouth) {
        List<String> lines = new ArrayList<>();
        boolean thumb = chart.ways(chart.pitches().getFirst()).getFirst().holes().hasThumb();
        lines.add((thumb ? "top circle: the thumb; " : "")
                + "three holes of the upper hand, then those of the lower; filled = closed, half filled = half covered");
        boolean blown = chart.pitches().stream().anyMatch(
                p -> chart.ways(p).stream().anyMatch(w -> w.breath() == Breath.FIRM));
        if (blown) {
            lines.add("plus sign: the upper octave, more pressure%s".formatted(byMouth
                    ? "; comma: breathe here, in brackets: in place of this note" : ""));
        }
        lines.add("a coloured ring: the finger that moves in the ornament; peak = lift it, trough = strike with it,"
                + " rising line = draw it off slowly");
        return lines;
    }

    private static List<String> neck(Neck neck) {
        List<String> lines = new ArrayList<>();
        lines.add("each line is a string, the highest on top; a ring is an open string");
        lines.add(neck.isFretted() ? "the figure on the string is the fret, the one below it the finger (1 = index)"
                : "the figure is the finger (1 = index); a wedge to the left: its low place, to the right: its high place");
        switch (neck.strokes()) {
            case "bow" -> lines.add("open square: down-bow; V: up-bow; bar: joined to the note before; a coloured sign is"
                    + " our proposal, not on the page");
            case "plectrum" -> lines.add("open square: stroke down; V: stroke up");
            default -> lines.add("T, I, M: thumb, index and middle finger of the plucking hand");
        }
        return lines;
    }

    private static List<String> board(ButtonBoard board) {
        List<String> lines = new ArrayList<>();
        lines.add("each line is a row of buttons, the figure on it the button, counted along the row; below it the finger"
                + " (1 = index)");
        if (board.isTwoWay()) {
            lines.add("filled = push, ring = pull; along the foot arrows together = push, arrows apart = pull; “air”: hold the"
                    + " air button with this note");
        }
        return lines;
    }
}
