package wildflourish.sound.microphone;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.hearing.HeardPass;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.SimulatedStudent;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.sound.Pieces;
import wildflourish.sound.hearing.LiveEars;
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
    @CsvSource({"whistle-d, cut", "whistle-d, tap", "whistle-d, roll", "whistle-d, held-finger-turn", "whistle-d, pair-slap", "whistle-d, alternating", "flute-d, cut", "pipes-bellows-d, tap",
            "pipes-nine-note, cut", "recorder-alto-f, tap", "fiddle, cut", "fiddle, treble", "fiddle, roll", "mandolin, treble", "anglo-cg, treble", "anglo-cg, alternating", "whistle-d, same-finger"})
    void cleanTriesAreCountedWithinOneOfTheTruth(String instrument, String name) {
        Drill drill = Drill.byId(name);
        for (String student : List.of("steady", "improving", "tiring")) {
            for (int length : drill.lengthsMs()) {
                Stretch stretch = drill(drill, instrument, length, 0);
                Try tried = listen(student, stretch);
                int truth = drill.tries(Evenness.of(stretch.expected(), tried.microphone().onsets(stretch)), length).clean();
                int heard = drill.tries(Evenness.of(stretch.expected(), tried.listener().overheard().orElseThrow().onsets(drill)), length).clean();
                System.out.printf("TRY %s %s %s %d truth %d heard %d%n", instrument, name, student, length, truth, heard);
                if (Boolean.getBoolean("sweep")) continue;
                assertThat(heard).as("%s, %d ms: %s instead of %s", student, length, tried.listener().overheard().orElseThrow().onsets(drill), tried.microphone().onsets(stretch))
                        .isBetween(truth - 1, truth + 1);
            }
        }
    }
}
