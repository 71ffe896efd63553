package wildflourish.sound.transport;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.sound.Ear;
import wildflourish.sound.Pieces;

class PlaybackTest {

    private static float[] render(Playback playback, int frames, int block) {
        float[] all = new float[frames];
        for (int at = 0; at < frames; at += block) {
            playback.render(all, at, Math.min(frames, at + block));
        }
        return all;
    }

    @Test
    void theSizeOfBlocksIsNotHeard() {
        Piece piece = Pieces.on("fiddle", "dfaf dfaf|e8|", Map.of(8, List.of("drone")));
        Itinerary loop = Itinerary.loop(List.of(Leg.heard(piece, piece.whole())), Backing.NONE.withMetronome(true).with(Backing.Under.DRONE));
        float[] one = render(new Playback(Course.of(loop)), 200_000, 256);
        float[] other = render(new Playback(Course.of(loop)), 200_000, 1013);
        double most = 0;
        for (int i = 0; i < one.length; i++) {
            most = Math.max(most, Math.abs(one[i] - other[i]));
        }
        assertThat(most).as("at most what is dropped as silent, 84 dB down").isLessThan(6e-5);
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "pipes-nine-note", "fiddle", "mandolin", "anglo-cg", "melodeon-dg"})
    void nothingIsAllocatedWhileItPlays(String instrument) {
        ThreadMXBean thread = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        Piece piece = Pieces.on(instrument, "dfaf dfaf|e4 a4|", Map.of(8, List.of("cut")));
        Playback playback = new Playback(Course.of(Itinerary.loop(List.of(Leg.heard(piece, piece.whole())), Backing.NONE.withMetronome(true).with(Backing.Under.DRONE))));
        float[] block = new float[256];
        for (int i = 0; i < 1000; i++) {
            playback.render(block, 0, block.length);
        }
        long before = thread.getCurrentThreadAllocatedBytes();
        for (int i = 0; i < 4000; i++) {
            playback.render(block, 0, block.length);
        }
        assertThat(thread.getCurrentThreadAllocatedBytes() - before).as("bytes in 21 seconds, loop points among them").isLessThan(4096);
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "pipes-bellows-d", "fiddle", "anglo-cg", "melodeon-dg"})
    void aLoopPointInTheMiddleOfANoteDoesNotClick(String instrument) {
        // A loop over the first half of a long note: joined a hundred times a minute, in the middle of its sound.
        Piece piece = Pieces.on(instrument, "e8|");
        Leg half = Leg.heard(piece, new PlayedOut.Span(Ratio.ZERO, Ratio.of(1, 4)));
        float[] samples = render(new Playback(Course.of(Itinerary.loop(List.of(half), Backing.NONE))), 96_000, 256);
        double steady = steepest(samples, Ear.frame(150), Ear.frame(450));
        for (int join = 1; join < 4; join++) {
            assertThat(steepest(samples, Ear.frame(500.0 * join) - 200, Ear.frame(500.0 * join) + 2000))
                    .as("%s, join %d", instrument, join).isLessThan(2.2 * steady);
        }
    }

    /** The greatest step from one sample to the next. */
    private static double steepest(float[] samples, int from, int to) {
        double most = 0;
        for (int i = from + 1; i < to; i++) {
            most = Math.max(most, Math.abs(samples[i] - samples[i - 1]));
        }
        return most;
    }

    @Test
    void whatIsPlayedOnceEndsInSilence() {
        Piece piece = Pieces.on("mandolin", "e2f2 g2a2|");
        Playback playback = new Playback(Course.of(Itinerary.once(List.of(Leg.heard(piece, piece.whole())), Backing.NONE)));
        float[] samples = render(playback, 5 * Ear.RATE, 256);
        assertThat(playback.isDone()).isTrue();
        assertThat(Ear.level(samples, 4800, 5000)).isZero();
    }

    @Test
    void alternateLegsPlayTheirOwnPieces() {
        Piece bare = Pieces.on("whistle-d", "A3 z5|");
        Piece rolled = Pieces.on("whistle-d", "A3 z5|", Map.of(0, List.of("long-roll")));
        Course course = Course.of(Itinerary.loop(List.of(Leg.heard(bare, bare.whole()), Leg.heard(rolled, rolled.whole())), Backing.NONE));
        float[] samples = render(new Playback(course), 4 * 96_000, 256);
        assertThat(moved(samples, 0)).isFalse();
        assertThat(moved(samples, 2000)).isTrue();
        assertThat(moved(samples, 4000)).isFalse();
        assertThat(moved(samples, 6000)).isTrue();
    }

    /** Whether the pitch leaves the note while the first note of a leg sounds. */
    private static boolean moved(float[] samples, int fromMs) {
        for (int at = fromMs + 120; at < fromMs + 650; at += 10) {
            double heard = Ear.hertz(samples, at, at + 24, 880);
            if (Math.abs(Ear.cents(heard, 81)) > 40) {
                return true;
            }
        }
        return false;
    }

    /** Two together are the sum of the two, each as loud as is said; one who is silent is not heard, and what is heard goes on where it was. */
    @Test
    void severalAreHeardAtOnce() {
        Piece fiddle = Pieces.on("fiddle", "dfaf dfaf|e8|", Map.of(8, List.of("drone")));
        Piece whistle = Pieces.on("whistle-d", "dfaf dfaf|e8|", Map.of());
        float[] one = render(new Playback(Course.of(Itinerary.once(List.of(Leg.heard(fiddle, fiddle.whole())), Backing.NONE))), 90_000, 256);
        float[] other = render(new Playback(Course.of(Itinerary.once(List.of(Leg.heard(whistle, whistle.whole())), Backing.NONE))), 90_000, 256);
        Itinerary both = Together.of(List.of(new Together.Player(fiddle, 1), new Together.Player(whistle, 1)), Backing.NONE);
        float[] sum = render(new Playback(Course.of(both)), 90_000, 256);
        Itinerary alone = Together.of(List.of(new Together.Player(fiddle, 0), new Together.Player(whistle, 1)), Backing.NONE);
        float[] second = render(new Playback(Course.of(alone)), 90_000, 256);
        double loudest = 0;
        for (int i = 0; i < sum.length; i++) {
            assertThat(sum[i]).isCloseTo((one[i] + other[i]) / (float) Math.sqrt(2), org.assertj.core.data.Offset.offset(2e-4f));
            assertThat(second[i]).isCloseTo(other[i], org.assertj.core.data.Offset.offset(2e-4f));
            loudest = Math.max(loudest, Math.abs(other[i]));
        }
        assertThat(loudest).isGreaterThan(0.01);
        Course here = Course.of(both);
        assertThat(here.into(alone, here.at(30_000)).at(0).ms()).isCloseTo(here.at(30_000).ms(), org.assertj.core.data.Offset.offset(1.0));
    }
}
