package wildflourish.sound.microphone;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.hearing.HeardPass;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.SimulatedStudent;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.sound.Pieces;
import wildflourish.sound.hearing.Audio;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.hearing.LiveEars;
import wildflourish.sound.hearing.Samples;
import wildflourish.sound.input.Stretch;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;

/** Students who are not there play, and what a microphone makes of it is what they really did. */
class MicrophoneTest {

    private static final String MUSIC = "D3E F3A|B3A F2E2|d4 g3f|e2a2 f4|d3B A3F|G2E2 F2D2|E3A c3e|d4 D4|";
    private static final Map<Integer, List<String>> ORNAMENTS = Map.of(0, List.of("cut"), 2, List.of("cut"), 7, List.of("cut"), 8, List.of("long-roll"), 12, List.of("cut"), 19, List.of("cut"), 24,
            List.of("cut"));
    private static final long SEED = 5;
    private static final double FRAME_MS = 16;

    private static Stretch tune(String instrument, String tempo, Ratio from, Ratio to, int pass) {
        Piece piece = Pieces.on(instrument, "M:4/4\nL:1/8\nK:D", MUSIC, tempo, ORNAMENTS);
        PlayedOut.Span span = new PlayedOut.Span(from, to);
        return new Stretch(Expected.of(piece.performance(), piece.played(), span, Lilt.STRAIGHT), Leg.heard(piece, span).unheard().measured(), Optional.empty(), pass);
    }

    private static Stretch drill(Drill drill, String instrument, int lengthMs, int pass) {
        int pulses = (int) Math.round(drill.gaps().stream().mapToDouble(Double::doubleValue).sum());
        StringBuilder bar = new StringBuilder();
        drill.gaps().forEach(g -> bar.append('A').append(Math.round(g)));
        Expected expected = drill.expected(lengthMs);
        Piece piece = Pieces.on(instrument, "M:%d/8\nL:1/8\nK:D".formatted(pulses), (bar + "|").repeat(expected.size() / drill.gaps().size()), "1/8=" + 60_000 / lengthMs, Map.of());
        return new Stretch(expected, Leg.heard(piece, piece.whole()).unheard().measured(), Optional.of(drill), pass);
    }

    private record Try(MadeUpMicrophone microphone, Listener listener, List<Double> live, double latestMs) {}

    /** Listens frame by frame of the screen, as it is played. */
    private static Try listen(String student, Stretch stretch) {
        MadeUpMicrophone microphone = new MadeUpMicrophone(SimulatedStudent.byId(student), SEED, Runnable::run);
        Listener listener = new Listener(microphone);
        listener.begin(stretch);
        List<Double> live = new ArrayList<>();
        double late = 0;
        for (double ms = -500; ms < stretch.expected().lengthMs(); ms += FRAME_MS) {
            List<Double> more = listener.upTo(ms);
            live.addAll(more);
            late = Math.max(late, ms - more.stream().mapToDouble(Double::doubleValue).min().orElse(ms));
        }
        live.addAll(listener.upTo(Double.MAX_VALUE));
        return new Try(microphone, listener, live, late);
    }

    @ParameterizedTest
    @CsvSource({"whistle-d, cut, 55", "whistle-d, roll, 170", "whistle-d, held-finger-turn, 110", "whistle-d, same-finger, 240", "pipes-bellows-d, tap, 70", "pipes-nine-note, cut, 85",
            "recorder-alto-f, tap, 160", "fiddle, cut, 70", "fiddle, treble, 100", "mandolin, treble, 120", "anglo-cg, treble, 85", "melodeon-dg, alternating, 190"})
    void cleanTriesAreCountedWithinOneOfTheTruth(String instrument, String name, int length) {
        Drill drill = Drill.byId(name);
        Stretch stretch = drill(drill, instrument, length, 0);
        Try tried = listen("improving", stretch);
        List<Double> onsets = tried.listener().overheard().orElseThrow().onsets(drill);
        int truth = drill.tries(Evenness.of(stretch.expected(), tried.microphone().onsets(stretch)), length).clean();
        int heard = drill.tries(Evenness.of(stretch.expected(), onsets), length).clean();
        assertThat(heard).as("%s instead of %s", onsets, tried.microphone().onsets(stretch)).isBetween(truth - 1, truth + 1);
    }

    @ParameterizedTest
    @CsvSource({"whistle-d, steady", "whistle-d, improving", "fiddle, improving", "pipes-bellows-d, rushing", "anglo-cg, uneven", "tenor-banjo, steady"})
    void aPassIsHeardAsItWasPlayed(String instrument, String student) {
        Stretch stretch = tune(instrument, "1/4=120", Ratio.of(2, 1), Ratio.of(6, 1), 0);
        Try tried = listen(student, stretch);
        HeardPass pass = tried.listener().overheard().orElseThrow().pass();
        Evenness truth = Evenness.of(stretch.expected(), tried.microphone().onsets(stretch));
        assertThat(pass.evenness().matching().pairs()).hasSameSizeAs(truth.matching().pairs());
        assertThat(pass.evenness().variation()).isCloseTo(truth.variation(), within(0.03));
        assertThat(pass.evenness().drift()).isCloseTo(truth.drift(), within(0.01));
        assertThat(pass.evenness().offsetMs()).isCloseTo(truth.offsetMs(), within(15.0));
        int meant = 0;
        int made = 0;
        Map<Integer, List<Ornament>> ornaments = tried.microphone().ornaments(stretch);
        for (HeardVersion.Note note : pass.played().notes()) {
            meant += note.isOrnamented() ? 1 : 0;
            made += note.isOrnamented() && ornaments.containsKey(note.wanted().note()) ? 1 : 0;
        }
        assertThat(pass.spoken().meant()).isEqualTo(meant);
        assertThat(pass.spoken().came()).isBetween(made - 1, made + 1);
        assertThat(pass.tries().isEmpty()).isEqualTo(meant == 0);
    }

    /** A new note is told while it sounds: the device's own delay apart, in less than an eighth of a second. */
    @ParameterizedTest
    @CsvSource({"whistle-d", "fiddle", "mandolin"})
    void onsetsAreToldWhileItIsPlayed(String instrument) {
        Stretch stretch = tune(instrument, "1/4=90", Ratio.ZERO, Ratio.of(4, 1), 0);
        Try tried = listen("steady", stretch);
        List<Double> truth = tried.microphone().onsets(stretch);
        long told = truth.stream().filter(t -> tried.live().stream().anyMatch(o -> Math.abs(o - t) < 50)).count();
        assertThat(told).as("%s instead of %s", tried.live(), truth).isGreaterThanOrEqualTo(truth.size() - 2);
        assertThat(tried.live()).hasSizeLessThanOrEqualTo(truth.size() + 2);
        assertThat(tried.latestMs()).isLessThan(125);
        assertThat(LiveEars.LATE_MS).isLessThan(120);
    }

    /** What comes in block by block is laid under the moments of the stretch, and what came in just before it begins is heard too. */
    @Test
    void theComputersMicrophoneKeepsTheMomentsApart() throws InterruptedException {
        float[] samples = new float[2 * Ears.RATE];
        Audio line = Samples.mono(samples, Ears.RATE);
        try (ComputerMicrophone microphone = new ComputerMicrophone(line)) {
            for (int i = 0; i < 200 && microphone.heard() < 2 * Ears.RATE - 500; i++) {
                Thread.sleep(10);
            }
            microphone.begin(tune("whistle-d", "1/4=120", Ratio.ZERO, Ratio.of(1, 1), 0));
            assertThat(microphone.upTo(-300)).as("the stretch begins in a while").isEmpty();
            float[] first = microphone.upTo(100);
            assertThat(microphone.startMs()).isBetween(-Microphone.LEAD_MS - 1, 0.0);
            assertThat(first.length * 1000.0 / Ears.RATE).isLessThanOrEqualTo(100 - microphone.startMs() + 1);
            assertThat(microphone.upTo(Double.MAX_VALUE)).isEmpty();
        }
    }
}
