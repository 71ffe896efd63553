package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.finding.Sentence;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.WindChart;
import wildflourish.core.planning.Choices;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tune;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.engrave.Aids;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.HandPicture;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;
import wildflourish.score.engrave.SystemBlock;
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
        for (SystemBlock block : blocks()) {
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
        return Sentence.capital(name)
                + tune.map(t -> ": the notes of " + t).orElse(": fingering chart");
    }

    private List<SystemBlock> blocks() {
        List<SystemBlock> blocks = new ArrayList<>();
        blocks.add(new SystemBlock(List.of(new Shape.Words(title(), LEFT, 3.6, 3.6, Face.SERIF_BOLD, Shape.Anchor.START,
                Ink.MUSIC)), 5.2));
        for (String line : Flow.wrapped(about(), Face.SANS, 1.7, RIGHT - LEFT)) {
            blocks.add(new SystemBlock(List.of(new Shape.Words(line, LEFT, 1.7, 1.7, Face.SANS, Shape.Anchor.START,
                    Ink.QUIET)), 2.4));
        }
        blocks.add(new SystemBlock(List.of(), 1.6));
        HandPicture picture = HandPicture.of(instrument);
        blocks.addAll(picture.maps(LEFT, RIGHT, this::isAsked));
        picture.aboutMaps().ifPresent(w -> blocks.add(new SystemBlock(List.of(
                new Shape.Words(w, LEFT, 1.5, 1.5, Face.SANS, Shape.Anchor.START, Ink.QUIET)), 4)));
        blocks.addAll(notes());
        for (String line : StripKey.ofChart(instrument)) {
            for (String part : Flow.wrapped("–  " + line, Face.SANS, 1.8, RIGHT - LEFT)) {
                blocks.add(new SystemBlock(List.of(new Shape.Words(part, LEFT, 1.8, 1.8, Face.SANS, Shape.Anchor.START,
                        Ink.MUSIC)), 2.6));
            }
        }
        return blocks;
    }

    private String about() {
        String sounds = instrument.soundsAbove() == 0 ? "written as it sounds" : "sounds %d semitone%s %s than written"
                .formatted(Math.abs(instrument.soundsAbove()), Math.abs(instrument.soundsAbove()) == 1 ? "" : "s",
                        instrument.soundsAbove() > 0 ? "higher" : "lower");
        return "%s to %s, %s. %s.".formatted(instrument.lowest().orElseThrow().letter(),
                instrument.highest().orElseThrow().letter(), sounds,
                instrument.layout() instanceof WindChart chart ? strip(chart.provenance())
                        : strip(instrument.provenance()));
    }

    private static String strip(String sentence) {
        String end = sentence.endsWith(".") ? sentence.substring(0, sentence.length() - 1) : sentence;
        return Sentence.capital(end);
    }

    private boolean isAsked(int midi) {
        return pitches.stream().anyMatch(p -> p.midi() == midi);
    }

    /** Every note in a bar of its own, once for each way to play it. */
    private List<SystemBlock> notes() {
        List<Bar> bars = new ArrayList<>();
        Choices choices = Choices.NONE;
        int index = 0;
        for (Pitch pitch : pitches) {
            List<Element> elements = new ArrayList<>();
            for (Place place : ways(pitch)) {
                elements.add(Note.of(pitch, Ratio.of(1, 4)));
                choices = choices.with(instrument, index++, Optional.of(place.text()));
            }
            bars.add(new Bar(bars.size() + 1, elements, BarLine.THIN, Optional.empty(), Optional.of(pitch.letter()), false));
        }
        Head head = new Head(1, List.of(title()), List.of(), "", Meter.NONE, Ratio.of(1, 4), Optional.empty(), Key.NONE, "",
                List.of());
        Version ways = Arrangement.bare(new Tune(head, BarLine.NONE, bars), instrument).with(choices).version(0);
        Engraving engraving = ScoreEngraver.engrave(
                new ScoreRequest(ways, java.util.Set.of(0), false, true, Aids.PLACES_ONLY, RIGHT - LEFT));
        return SystemBlocks.of(engraving, LEFT).stream().map(b -> new SystemBlock(b.shapes(), b.height() + 1.6)).toList();
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
