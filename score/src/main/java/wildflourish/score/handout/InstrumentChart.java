package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Unheld;
import wildflourish.core.instrument.WindChart;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Choices;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.engrave.Aids;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;
import wildflourish.score.paint.PdfPainter;

/**
 * A fingering chart: a map of strings or buttons where there are such, then each note on the stave with every way to play it
 * below, the usual one first.
 */
public final class InstrumentChart {

    private static final double SPACE_MM = 2.2;
    private static final double WIDTH = 210 / SPACE_MM;
    private static final double HEIGHT = 297 / SPACE_MM;
    private static final double LEFT = Flow.MARGIN;
    private static final double RIGHT = WIDTH - Flow.MARGIN;
    /** Points of a staff space: charts are printed larger than sheets, to be read at arm's length. */
    private static final double POINTS = SPACE_MM * 72 / 25.4;

    private record Block(List<Shape> shapes, double height) {}

    private final Instrument instrument;
    private final List<Pitch> pitches;
    private final Optional<String> tune;

    /**
     * A chart of some of an instrument's notes.
     *
     * @param pitches written pitches that it has, from low to high; at least one
     * @param tune title of the tune whose notes these are; empty for the whole chart
     */
    public InstrumentChart(Instrument instrument, List<Pitch> pitches, Optional<String> tune) {
        this.instrument = instrument;
        this.pitches = List.copyOf(pitches);
        this.tune = tune;
    }

    /** The chart on one page as high as it needs. */
    public Drawing drawing() {
        List<Shape> shapes = new ArrayList<>();
        double y = Flow.MARGIN / 2;
        for (Block block : blocks()) {
            double top = y;
            block.shapes().forEach(s -> shapes.add(s.moved(0, top)));
            y += block.height();
        }
        return new Drawing(WIDTH, y + Flow.MARGIN / 2, shapes);
    }

    /** The chart as a PDF document in A4. */
    public byte[] pdf() {
        Flow flow = new Flow(title(), WIDTH, HEIGHT);
        blocks().forEach(b -> flow.block(b.shapes(), b.height()));
        return PdfPainter.paint(title(), flow.drawings(), POINTS);
    }

    private String title() {
        String name = instrument.spoken();
        return Character.toUpperCase(name.charAt(0)) + name.substring(1)
                + tune.map(t -> ": the notes of " + t).orElse(": fingering chart");
    }

    private List<Block> blocks() {
        List<Block> blocks = new ArrayList<>();
        blocks.add(new Block(List.of(new Shape.Words(title(), LEFT, 3.6, 3.6, Face.SERIF_BOLD, Shape.Anchor.START,
                Ink.MUSIC)), 5.2));
        for (String line : Flow.wrapped(about(), Face.SANS, 1.7, RIGHT - LEFT)) {
            blocks.add(new Block(List.of(new Shape.Words(line, LEFT, 1.7, 1.7, Face.SANS, Shape.Anchor.START,
                    Ink.QUIET)), 2.4));
        }
        blocks.add(new Block(List.of(), 1.6));
        switch (instrument.layout()) {
            case Unheld unheld -> { }
            case WindChart chart -> { }
            case Neck neck -> blocks.add(neckMap(neck));
            case ButtonBoard board -> blocks.addAll(buttonMaps(board));
        }
        blocks.addAll(notes());
        for (String line : StripKey.ofChart(instrument)) {
            for (String part : Flow.wrapped("–  " + line, Face.SANS, 1.8, RIGHT - LEFT)) {
                blocks.add(new Block(List.of(new Shape.Words(part, LEFT, 1.8, 1.8, Face.SANS, Shape.Anchor.START,
                        Ink.MUSIC)), 2.6));
            }
        }
        return blocks;
    }

    private String about() {
        String sounds = instrument.soundsAbove() == 0 ? "written as it sounds" : "sounds %d semitone%s %s than written"
                .formatted(Math.abs(instrument.soundsAbove()), Math.abs(instrument.soundsAbove()) == 1 ? "" : "s",
                        instrument.soundsAbove() > 0 ? "higher" : "lower");
        return "%s to %s, %s. %s.".formatted(name(instrument.lowest().orElseThrow()),
                name(instrument.highest().orElseThrow()), sounds,
                instrument.layout() instanceof WindChart chart ? strip(chart.provenance())
                        : strip(instrument.provenance()));
    }

    private static String strip(String sentence) {
        String end = sentence.endsWith(".") ? sentence.substring(0, sentence.length() - 1) : sentence;
        return Character.toUpperCase(end.charAt(0)) + end.substring(1);
    }

    /** {@code F#}, for reading. */
    private static String name(Pitch pitch) {
        return pitch.step() + switch (pitch.alter()) {
            case -2 -> "bb";
            case -1 -> "b";
            case 1 -> "#";
            case 2 -> "##";
            default -> "";
        };
    }

    private boolean isAsked(int midi) {
        return pitches.stream().anyMatch(p -> p.midi() == midi);
    }

    private Block neckMap(Neck neck) {
        List<Shape> shapes = new ArrayList<>();
        int reach = Math.min(12, neck.reach());
        double left = LEFT + 5;
        double step = Math.min(8.4, (RIGHT - left) / (reach + 1.0));
        int strings = neck.strings().size();
        double bottom = 1.5 + (strings - 1) * 2.7;
        for (int fret = 0; fret <= reach; fret++) {
            double x = left + fret * step + step * 0.62;
            shapes.add(new Shape.Line(x, 1.2, x, bottom + 0.3, fret == 0 ? 0.5 : neck.isFretted() ? 0.14 : 0.05, Ink.STAVE));
            if (fret > 0) {
                shapes.add(new Shape.Words(neck.isFretted() ? String.valueOf(fret) : "+" + fret, x - step / 2,
                        bottom + 3, 1.4, Face.SANS, Shape.Anchor.MIDDLE, Ink.QUIET));
            }
        }
        for (int s = 0; s < strings; s++) {
            Neck.OpenString string = neck.strings().get(s);
            double y = 1.5 + (strings - 1 - s) * 2.7;
            shapes.add(new Shape.Line(left, y, left + (string.isShort() ? 0.4 : reach + 0.8) * step, y, 0.12, Ink.STAVE));
            shapes.add(new Shape.Words(string.name(), LEFT, y + 0.6, 1.7, Face.SANS_BOLD, Shape.Anchor.START, Ink.MUSIC));
            for (int fret = 0; fret <= (string.isShort() ? 0 : reach); fret++) {
                Pitch pitch = Pitch.ofMidi(string.open().midi() + fret);
                double x = left + fret * step + 0.1;
                boolean asked = isAsked(pitch.midi());
                shapes.add(new Shape.Disc(x, y, 1.12, true, 0, asked ? Ink.MUSIC : Ink.PAPER));
                shapes.add(new Shape.Words(name(pitch), x, y + 0.5, 1.4, Face.SANS_BOLD, Shape.Anchor.MIDDLE,
                        asked ? Ink.PAPER : Ink.QUIET));
            }
        }
        String under = neck.isFretted() ? "frets" : "semitones above the open string";
        shapes.add(new Shape.Words(under, LEFT, bottom + 5.2, 1.4, Face.SANS, Shape.Anchor.START, Ink.QUIET));
        return new Block(shapes, bottom + 7.4);
    }

    private List<Block> buttonMaps(ButtonBoard board) {
        Map<String, List<Button>> sides = new LinkedHashMap<>();
        board.buttons().forEach(b -> sides.computeIfAbsent(b.side().orElse(""), s -> new ArrayList<>()).add(b));
        List<Block> blocks = new ArrayList<>();
        sides.forEach((side, buttons) -> blocks.add(buttonMap(board, side, buttons)));
        String words = board.isTwoWay()
                ? "On each button: above the note while you push, below the note while you pull; ends as the hand holds it."
                : "Each button sounds the same both ways.";
        blocks.add(new Block(List.of(new Shape.Words(words, LEFT, 1.5, 1.5, Face.SANS, Shape.Anchor.START, Ink.QUIET)),
                4));
        return blocks;
    }

    private Block buttonMap(ButtonBoard board, String side, List<Button> buttons) {
        List<Shape> shapes = new ArrayList<>();
        Map<Integer, List<Button>> rows = new TreeMap<>();
        buttons.forEach(b -> rows.computeIfAbsent(b.rowIndex(), r -> new ArrayList<>()).add(b));
        double widest = buttons.stream().mapToDouble(Button::across).max().orElse(1) + 1;
        double left = LEFT + (side.isEmpty() ? 6 : 17);
        double step = Math.min(9.5, (RIGHT - left) / widest);
        double radius = Math.min(2.35, step * 0.46);
        double y = radius + 0.4;
        for (List<Button> row : rows.values()) {
            String name = (side.isEmpty() ? "" : side + " ") + row.getFirst().row();
            shapes.add(new Shape.Words(name, LEFT, y + 0.6, 1.5, Face.SANS_BOLD, Shape.Anchor.START, Ink.MUSIC));
            for (Button button : row) {
                double x = left + (button.across() + 0.5) * step;
                shapes.add(new Shape.Disc(x, y, radius, false, 0.14, Ink.MUSIC));
                if (board.isTwoWay()) {
                    shapes.add(new Shape.Line(x - radius, y, x + radius, y, 0.08, Ink.STAVE));
                    note(button.push(), x, y - 0.45, shapes);
                    note(button.pull(), x, y + 1.5, shapes);
                } else {
                    note(button.push(), x, y + 0.55, shapes);
                }
                shapes.add(new Shape.Words(String.valueOf(button.number()), x + radius * 0.95, y + radius + 0.25, 1,
                        Face.SANS, Shape.Anchor.START, Ink.QUIET));
            }
            y += 2 * radius + 0.7;
        }
        return new Block(shapes, y + 0.6);
    }

    private void note(Pitch pitch, double x, double y, List<Shape> shapes) {
        boolean asked = isAsked(pitch.midi());
        shapes.add(new Shape.Words(name(pitch) + pitch.octave(), x, y, 1.35, asked ? Face.SANS_BOLD : Face.SANS,
                Shape.Anchor.MIDDLE, asked ? Ink.MUSIC : Ink.QUIET));
    }

    /** Every note in a bar of its own, once for each way to play it. */
    private List<Block> notes() {
        List<Bar> bars = new ArrayList<>();
        Choices choices = Choices.NONE;
        int index = 0;
        for (Pitch pitch : pitches) {
            List<Element> elements = new ArrayList<>();
            for (Place place : ways(pitch)) {
                elements.add(Note.of(pitch, Ratio.of(1, 4)));
                choices = choices.with(instrument, index++, Optional.of(place.text()));
            }
            bars.add(new Bar(bars.size() + 1, elements, BarLine.THIN, Optional.empty(), Optional.of(name(pitch)), false));
        }
        Head head = new Head(1, List.of(title()), List.of(), "", Meter.NONE, Ratio.of(1, 4), Optional.empty(), Key.NONE, "",
                List.of());
        Situation situation = Situation.of(
                Timeline.of(new Tune(head, BarLine.NONE, bars)), instrument, School.USUAL, choices);
        Engraving engraving = ScoreEngraver.engrave(new ScoreRequest(situation,
                new Ladder(List.of(new Rung("bare", Setting.BARE))), java.util.Set.of(0), false, 0, Aids.PLACES_ONLY,
                RIGHT - LEFT));
        return SystemBlocks.of(engraving, LEFT).stream().map(b -> new Block(b.shapes(), b.height() + 1.6)).toList();
    }

    /** The ways worth printing: of places that differ by the finger or the hand's position alone, only the usual one. */
    private List<Place> ways(Pitch pitch) {
        Map<String, Place> distinct = new LinkedHashMap<>();
        for (Place place : instrument.layout().places(pitch)) {
            String spot = switch (place) {
                case Place.Stopped s -> s.shift() == 0 || distinct.isEmpty() ? s.string() + s.above() : "";
                case Place.Pressed p -> p.button().text() + p.direction();
                case Place.Fingered f -> f.fingering().text();
                case Place.AsWritten w -> "";
                case Place.Missing m -> "";
            };
            if (!spot.isEmpty()) {
                distinct.putIfAbsent(spot, place);
            }
        }
        return List.copyOf(distinct.values());
    }
}
