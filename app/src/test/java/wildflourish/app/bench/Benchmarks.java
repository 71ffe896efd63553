package wildflourish.app.bench;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import wildflourish.app.work.Documents;
import wildflourish.app.work.Exports;
import wildflourish.core.growth.Candidate;
import wildflourish.core.growth.Candidates;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Grown;
import wildflourish.core.growth.Taste;
import wildflourish.core.growth.Translation;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Air;
import wildflourish.core.planning.FingeringPlan;
import wildflourish.core.planning.Planner;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Lilt;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.book.TuneBook;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;
import wildflourish.score.handout.SheetContents;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;
import wildflourish.sound.transport.Playback;
import wildflourish.sound.wave.Wav;

/**
 * How long things take, warm: run with {@code mvn test -pl app -am -Dtest=Benchmarks
 * -Dsurefire.failIfNoSpecifiedTests=false}. The ordinary build does not run it, and asserts no time anywhere.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class Benchmarks {

    private byte[] book;
    private Arrangement arrangement;
    private Situation situation;
    private Timeline tune;

    /** A book of 1,000 16-bar tunes, and a tune of 32 written bars. */
    @Setup
    public void make() {
        StringBuilder text = new StringBuilder();
        for (int i = 1; i <= 1000; i++) {
            text.append("X:").append(i).append("\nT:Tune ").append(i).append("\nR:reel\nM:4/4\nL:1/8\nK:D\n").append(BODY)
                    .append('\n');
        }
        book = text.toString().getBytes(StandardCharsets.UTF_8);
        arrangement = Documents.grown(long32(), Instruments.known("whistle-d"));
        situation = arrangement.situation();
        tune = situation.tune();
    }

    private static Tune long32() {
        return AbcReader.read("X:1\nT:Long\nR:reel\nM:4/4\nL:1/8\nK:D\n" + BODY + BODY.replace("|:", "")
                .replace(":|", "|")).tunes().getFirst().tune();
    }

    static final String BODY = "|:F2AF dFAF|G2BG eGBG|F2AF d2cd|eAce dBAG|F2AF dFAF|G2BG efge|fdec dBAG|FAEF D2D2:|\n"
            + "|:f2df adfd|e2ce gece|d2Bd fdBd|(3cBA eA cABc|f2df adfd|e2ce gece|dfaf gfec|d2BG A2A2:|\n";

    /** A book of 1,000 tunes read. */
    @Benchmark
    public TuneBook readBook() {
        return AbcReader.read(book);
    }

    /** A fingering plan for 32 bars. */
    @Benchmark
    public FingeringPlan plan() {
        return Planner.plan(tune, situation.instrument());
    }

    /** 32 bars in twelve keys on every instrument with hands, on every core. */
    @Benchmark
    public Object fit() {
        return wildflourish.core.fit.Fit.of(tune.tune(), Instruments.all().stream().filter(wildflourish.core.instrument.Instrument::hasHands).toList(),
                wildflourish.core.instrument.School.USUAL);
    }

    /** 32 bars in twelve keys on the instrument that is played: the first column. */
    @Benchmark
    public Object fitColumn() {
        return wildflourish.core.fit.Fit.column(tune.tune(), situation.instrument(), wildflourish.core.instrument.School.USUAL);
    }

    /** 32 bars taken apart: parts, phrases, likeness, mode, teaching order, traps. */
    @Benchmark
    public Object read32() {
        wildflourish.core.reading.Reading reading = wildflourish.core.reading.Reading.of(tune);
        return List.of(reading, wildflourish.core.reading.Traps.of(reading, situation));
    }

    /** A book of 1,000 tunes read and grown for the fiddle, on every core. */
    @Benchmark
    public Object growBook() {
        return wildflourish.app.work.BookGrowth.grow(AbcReader.read(book).tunes(), Instruments.known("fiddle"), done -> { }, () -> false);
    }

    /** What would come instead of one placement. */
    @Benchmark
    public Object instead(GrownOnEach on) {
        var setting = on.arrangement.ladder().setting(4);
        int note = setting.byNote().lastKey();
        return new Grower(on.situation, on.arrangement.tempo(), on.arrangement.speeds(), Taste.of(on.arrangement))
                .without(on.arrangement.ladder(), 4, note, setting.at(note).getFirst());
    }

    /** Six rungs for 32 bars. */
    @Benchmark
    public Grown growLadder() {
        return new Grower(situation, arrangement.tempo(), arrangement.speeds(), Taste.of(arrangement)).grow();
    }

    /** The fullest setting of 32 bars, repeats played out. */
    @Benchmark
    public Performance realise() {
        return Realiser.perform(situation, arrangement.ladder().setting(5).ornaments(situation.vocabulary()),
                arrangement.tempo(), arrangement.speeds());
    }

    /** Every ornament's verdict on one note. */
    @Benchmark
    public List<Candidate> rankOneNote() {
        return new Candidates(situation, arrangement.tempo(), arrangement.speeds())
                .ranked(2, arrangement.ladder().setting(4));
    }

    /** The trellis of 32 bars: two staves, four folded rungs, the strip. */
    @Benchmark
    public Engraving engraveTrellis() {
        return ScoreEngraver.engrave(new ScoreRequest(arrangement.version(4), Set.of(0, 4), true, true, 112));
    }

    /** The bare tune of 32 bars. */
    @Benchmark
    public Engraving engraveBare() {
        return ScoreEngraver.engrave(new ScoreRequest(arrangement.version(4), Set.of(0), false, false, 112));
    }

    /** The document that is kept at each edit. */
    @Benchmark
    public String writeDocument() {
        return Documents.write(arrangement);
    }

    /** The take-home sheet. */
    @Benchmark
    public byte[] handout() {
        return Exports.sheet(arrangement, 4, SheetContents.USUAL);
    }

    /** Every instrument's file read and checked. */
    @Benchmark
    public Object loadInstruments() {
        return Instruments.load();
    }

    /** The plan of 32 bars on one instrument of each family. */
    @State(Scope.Thread)
    public static class OnEach {

        @Param({"whistle-d", "recorder-soprano-c", "pipes-bellows-d", "pipes-nine-note", "fiddle", "mandolin",
            "tenor-banjo", "banjo-five-string", "anglo-cg", "english-48", "accordion-bc", "melodeon-dg"})
        public String instrument;
    }

    @Benchmark
    public FingeringPlan planOn(OnEach on) {
        return Planner.plan(tune, Instruments.known(on.instrument));
    }

    /** A ladder of 32 bars on one instrument of each family, as grown for it. */
    @State(Scope.Thread)
    public static class GrownOnEach {

        @Param({"whistle-d", "recorder-soprano-c", "pipes-bellows-d", "pipes-nine-note", "fiddle", "mandolin",
            "banjo-five-string", "anglo-cg", "english-48", "melodeon-dg"})
        public String instrument;

        private Arrangement arrangement;
        private Situation situation;
        private Candidates candidates;
        private int note;
        private Course heard;

        @Setup
        public void make() {
            arrangement = Documents.grown(long32(), Instruments.known(instrument));
            situation = arrangement.version(5).hands();
            candidates = new Candidates(situation, arrangement.tempo(), arrangement.speeds());
            // A crotchet on the first beat of a bar, which takes most of what there is.
            note = 7;
        }
    }

    /** The verdicts of every ornament of the instrument on one note. */
    @Benchmark
    public List<Candidate> verdictsOn(GrownOnEach on) {
        return on.candidates.ranked(on.note, on.arrangement.ladder().setting(5));
    }

    /** The fullest setting of 32 bars, repeats played out, places planned together with it. */
    @Benchmark
    public Performance realiseOn(GrownOnEach on) {
        return Realiser.perform(on.situation, on.arrangement.ladder().setting(5).ornaments(on.situation.vocabulary()),
                on.arrangement.tempo(), on.arrangement.speeds());
    }

    /** Six rungs for 32 bars. */
    @Benchmark
    public Grown growOn(GrownOnEach on) {
        return new Grower(on.arrangement.situation(), on.arrangement.tempo(), on.arrangement.speeds(),
                Taste.of(on.arrangement)).grow();
    }

    /** A ladder of 32 bars carried over to every other instrument, one after another. */
    @Benchmark
    public int translateToAll() {
        return Instruments.all().parallelStream().filter(Instrument::hasHands)
                .mapToInt(i -> Translation.of(arrangement, i).steps().size()).sum();
    }

    /** From the key to the first block of sound: what is to be played made ready, the full rung on one instrument of each family. */
    @Benchmark
    public float[] startToPlay(GrownOnEach on) {
        Piece piece = Piece.of(on.arrangement, 4, on.arrangement.tempo(), Lilt.STRAIGHT);
        float[] block = new float[256];
        new Playback(Course.of(Itinerary.once(List.of(Leg.heard(piece, piece.whole())), Backing.NONE))).render(block, 0, block.length);
        return block;
    }

    /** Four bars of the full rung rendered offline; how long they last is printed once. */
    @Benchmark
    public float[] renderOn(GrownOnEach on) {
        if (on.heard == null) {
            Piece piece = Piece.of(on.arrangement, 4, on.arrangement.tempo(), Lilt.STRAIGHT);
            on.heard = Course.of(Itinerary.once(List.of(Leg.heard(piece, new PlayedOut.Span(Ratio.ZERO, Ratio.of(4, 1)))), Backing.NONE));
            System.out.println(on.instrument + ": " + (on.heard.frames() / 48 + 1000) + " ms of sound");
        }
        return Wav.samples(on.heard);
    }

    /** The evenness of a pass of 64 onsets, one of them left out and one too many. */
    @Benchmark
    public Evenness evenness() {
        return Evenness.of(PASS, PLAYED);
    }

    private static final Expected PASS = Expected.pattern(List.of(150.0, 150.0), 32);
    private static final List<Double> PLAYED = played();

    private static List<Double> played() {
        List<Double> onsets = new java.util.ArrayList<>();
        for (int i = 0; i < 64; i++) {
            if (i != 20) {
                onsets.add(i * 151.0 + i % 3 * 7);
            }
        }
        onsets.add(4000.0);
        return onsets.stream().sorted().toList();
    }

    /** The air of the bellows over a tune of 32 bars. */
    @Benchmark
    public Object air() {
        return Air.of(tune, Planner.plan(tune, Instruments.known("anglo-cg")), arrangement.tempo());
    }

    /** A MIDI file. */
    @Benchmark
    public byte[] midi() {
        return Exports.bytes(arrangement, 5, Exports.Format.MIDI);
    }

    @Test
    void run() throws Exception {
        List<String> lines = new ArrayList<>();
        new Runner(new OptionsBuilder().include(System.getProperty("bench", Benchmarks.class.getName())).forks(0).warmupIterations(4)
                .warmupTime(TimeValue.seconds(1)).measurementIterations(4).measurementTime(TimeValue.seconds(1))
                .build()).run().forEach(r -> lines.add(r.getPrimaryResult().getLabel() + " " + r.getParams().getParamsKeys().stream().map(r.getParams()::getParam).toList() + " "
                        + r.getPrimaryResult().getScore() + " ± " + r.getPrimaryResult().getScoreError() + " ms"));
        lines.forEach(System.out::println);
    }
}
