package wildflourish.app.work;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Collectors;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Sound;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Spelling;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.midi.MidiWriter;
import wildflourish.formats.musicxml.MusicXmlWriter;
import wildflourish.score.display.Drawing;
import wildflourish.score.engrave.Aids;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;
import wildflourish.score.font.Outlines;
import wildflourish.score.handout.Handout;
import wildflourish.score.handout.SheetContents;
import wildflourish.score.paint.PdfPainter;
import wildflourish.score.paint.SvgPainter;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;
import wildflourish.sound.wave.Wav;

/** An arrangement in the formats that others read. */
public final class Exports {

    /** Formats a file may be written in, told by its ending. */
    public enum Format { ABC, MUSICXML, MXL, MIDI, SVG, PDF, WAV }

    /** The endings there are, for reading. */
    public static final String ENDINGS = ".abc, .musicxml, .mxl, .mid, .wav, .svg or .pdf";

    private static final double SCORE_WIDTH = 112;
    private static final double SVG_PIXELS = 8;
    private static final double PDF_POINTS = 4.8;

    private Exports() {}

    /** The format that a file name's ending tells. */
    public static Optional<Format> format(String name) {
        String lower = name.toLowerCase(Locale.ROOT);
        if (lower.endsWith(".abc")) {
            return Optional.of(Format.ABC);
        }
        if (lower.endsWith(".musicxml") || lower.endsWith(".xml")) {
            return Optional.of(Format.MUSICXML);
        }
        if (lower.endsWith(".mxl")) {
            return Optional.of(Format.MXL);
        }
        if (lower.endsWith(".mid") || lower.endsWith(".midi")) {
            return Optional.of(Format.MIDI);
        }
        if (lower.endsWith(".wav")) {
            return Optional.of(Format.WAV);
        }
        if (lower.endsWith(".svg")) {
            return Optional.of(Format.SVG);
        }
        return lower.endsWith(".pdf") ? Optional.of(Format.PDF) : Optional.empty();
    }

    /** The bytes of a file that holds one rung. */
    public static byte[] bytes(Arrangement arrangement, int rung, Format format) {
        return switch (format) {
            case ABC -> {
                boolean ladder = arrangement.ladder().size() > 1;
                String text = ladder ? AbcWriter.write(arrangement, rung) : AbcWriter.write(arrangement.tune());
                yield text.getBytes(StandardCharsets.UTF_8);
            }
            case MUSICXML -> MusicXmlWriter.write(onThePage(arrangement.version(rung)));
            case MXL -> MusicXmlWriter.compressed(onThePage(arrangement.version(rung)));
            case MIDI -> MidiWriter.write(arrangement.tune().title(), performance(arrangement.version(rung)),
                    arrangement.tempo(), arrangement.instrument().hasHands(), arrangement.tune());
            case WAV -> {
                Piece piece = Piece.of(arrangement, rung, arrangement.tempo(), Lilt.STRAIGHT);
                yield wave(Itinerary.once(List.of(Leg.heard(piece, piece.whole())), Backing.NONE), p -> { }, () -> false).orElseThrow();
            }
            case SVG -> SvgPainter.paint(score(arrangement.version(rung)), SVG_PIXELS).getBytes(StandardCharsets.UTF_8);
            case PDF -> PdfPainter.paint(arrangement.tune().title(), List.of(score(arrangement.version(rung))), PDF_POINTS);
        };
    }

    /** The tune of one rung with the signs of its ornaments on its notes. */
    private static Tune onThePage(Version version) {
        return Spelling.spelled(version.hands(), version.varied().setting());
    }

    /**
     * What is heard, as a WAV file.
     *
     * @param itinerary one that ends
     * @param progress told shares from 0 to 1
     * @param stopped asked again and again; when it says yes, there is no file
     */
    public static Optional<byte[]> wave(Itinerary itinerary, DoubleConsumer progress, BooleanSupplier stopped) {
        float[] samples = Wav.samples(Course.of(itinerary), progress, stopped);
        return stopped.getAsBoolean() ? Optional.empty() : Optional.of(Wav.bytes(samples));
    }

    /** What is heard, one stretch after another, as a MIDI file: the notes in their lilt, and what clicks. */
    public static byte[] midi(String title, Itinerary itinerary) {
        List<Sound> sounds = new ArrayList<>();
        List<MidiWriter.Knock> knocks = new ArrayList<>();
        double at = 0;
        for (Leg leg : itinerary.legs()) {
            double begins = at;
            double from = leg.piece().played().msAt(leg.span().from());
            double offset = at + leg.countInMs() - from;
            DoubleUnaryOperator lilt = leg.piece().lilt().over(leg.piece().played());
            leg.piece().performance().sounds().stream().filter(s -> s.atMs() > from - 0.5 && s.atMs() < from + leg.lengthMs() - 0.5)
                    .forEach(s -> {
                        double starts = lilt.applyAsDouble(s.atMs());
                        double lasts = Math.max(1, lilt.applyAsDouble(s.atMs() + s.forMs()) - starts);
                        sounds.add(new Sound(Math.max(0, starts + offset), lasts, s.midi(), s.role(), s.bar(), s.note(), s.start()));
                    });
            leg.knocks(itinerary.backing().metronome()).forEach(k -> knocks.add(new MidiWriter.Knock(begins + k.atMs(), k.strength() >= 3)));
            at += leg.countInMs() + leg.lengthMs();
        }
        Arrangement arrangement = itinerary.legs().getFirst().piece().version().arrangement();
        return MidiWriter.write(title, new Performance(sounds, List.of(), at), arrangement.tempo(), arrangement.instrument().hasHands(), knocks);
    }

    /** What is to be said of letters that no font at hand can print: they are printed as question marks. */
    public static Optional<String> unprintable(Arrangement arrangement) {
        Tune tune = arrangement.tune();
        String missing = Outlines.unprintable(tune.title() + String.join("", tune.head().composers())
                + tune.bars().stream().flatMap(b -> b.part().stream()).collect(Collectors.joining()));
        return missing.isEmpty() ? Optional.empty() : Optional.of(
                "no font of this machine has the letters %s: they are printed as question marks; install a font that has them".formatted(missing));
    }

    /** The take-home sheet of one rung as PDF. */
    public static byte[] sheet(Arrangement arrangement, int rung, SheetContents contents) {
        return Handout.pdf(arrangement.version(rung), contents);
    }

    /** One rung played on the arrangement's instrument at its tempo. */
    public static Performance performance(Version version) {
        return Realiser.perform(version.hands(), version.played().placed(), version.arrangement().tempo(), version.arrangement().speeds());
    }

    /** The score of one rung with its title, and its fingers where the instrument has them. */
    private static Drawing score(Version version) {
        Arrangement arrangement = version.arrangement();
        Engraving engraving = ScoreEngraver.engrave(new ScoreRequest(version, Set.of(version.rung()), false, true,
                arrangement.instrument().hasHands() ? Aids.of(PlayingAdvice.of(version)) : Aids.NONE, SCORE_WIDTH));
        var shapes = new ArrayList<wildflourish.score.display.Shape>();
        shapes.add(new wildflourish.score.display.Shape.Words(arrangement.tune().title(), SCORE_WIDTH / 2, 4.5, 3.4,
                wildflourish.score.display.Face.SERIF_BOLD, wildflourish.score.display.Shape.Anchor.MIDDLE,
                wildflourish.score.display.Ink.MUSIC));
        String under = arrangement.ladder().rung(version.rung()).name() + " · " + arrangement.instrument().name() + " · "
                + arrangement.tempo().spoken();
        shapes.add(new wildflourish.score.display.Shape.Words(under, SCORE_WIDTH / 2, 7.3, 1.8,
                wildflourish.score.display.Face.SANS, wildflourish.score.display.Shape.Anchor.MIDDLE,
                wildflourish.score.display.Ink.QUIET));
        engraving.drawing().shapes().forEach(s -> shapes.add(s.moved(0, 9)));
        return new Drawing(SCORE_WIDTH, engraving.drawing().height() + 9, shapes);
    }
}
