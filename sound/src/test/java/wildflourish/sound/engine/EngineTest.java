package wildflourish.sound.engine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.sound.Ear;
import wildflourish.sound.Pieces;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;

@Timeout(30)
class EngineTest {

    private final List<SimulatedOutput> devices = new CopyOnWriteArrayList<>();
    private final ConcurrentLinkedQueue<String> notices = new ConcurrentLinkedQueue<>();
    private final Engine engine = new Engine(() -> {
        SimulatedOutput device = new SimulatedOutput(8, 60);
        devices.add(device);
        return device;
    }, notices::add);

    @AfterEach
    void close() {
        engine.close();
    }

    private static void until(BooleanSupplier condition) {
        while (!condition.getAsBoolean()) {
            Thread.onSpinWait();
        }
    }

    private static Itinerary loop(String music) {
        Piece piece = Pieces.on("whistle-d", music);
        return Itinerary.loop(List.of(Leg.heard(piece, piece.whole())), Backing.NONE);
    }

    @Test
    void whatIsPlayedIsHeardAndThePositionFollows() {
        engine.play(Course.of(loop("A4 d4|")));
        until(() -> engine.now().filter(m -> m.pass() == 1).isPresent());
        engine.stop();
        until(() -> engine.now().isEmpty());
        float[] heard = devices.getFirst().listen(60 * Ear.RATE);
        assertThat(Ear.hertz(heard, 200, 800, 880)).isBetween(878.0, 882.0);
        assertThat(Ear.hertz(heard, 1200, 1800, 1174)).isBetween(1172.0, 1177.0);
    }

    @Test
    void stoppedItIsSilentAndWritesNoMore() {
        engine.play(Course.of(loop("A8|")));
        until(() -> devices.size() == 1 && devices.getFirst().written() > 20_000);
        engine.stop();
        until(() -> engine.now().isEmpty());
        long before;
        do {
            before = devices.getFirst().written();
            sleep(30);
        } while (before != devices.getFirst().written());
        float[] end = devices.getFirst().listen(Limiter.DELAY);
        for (float sample : end) {
            assertThat(sample).isZero();
        }
    }

    private static void sleep(int ms) {
        try {
            Thread.sleep(ms);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void changingTheTempoWhileItPlaysDoesNotClickAndKeepsThePitch() {
        // Tied over, so that no new start lies in what is listened to.
        Itinerary fast = loop("A8-|".repeat(30));
        engine.play(Course.of(fast));
        until(() -> devices.size() == 1 && devices.getFirst().written() > 24_000);
        Piece slow = Pieces.on("whistle-d", "M:4/4\nL:1/8\nK:D", "A8-|".repeat(30), "1/4=90", java.util.Map.of());
        Itinerary slower = Itinerary.loop(List.of(Leg.heard(slow, slow.whole())), Backing.NONE);
        engine.play(engine.course().orElseThrow().into(slower, engine.now().orElseThrow()));
        long at = devices.getFirst().written();
        until(() -> devices.getFirst().written() > at + 24_000);
        engine.stop();
        float[] heard = devices.getFirst().listen(20_000);
        assertThat(Ear.hertz(heard, 0, 300, 880)).isBetween(878.5, 881.5);
        float[] all = devices.getFirst().listen(46_000);
        double steepest = 0;
        for (int i = 1; i < all.length; i++) {
            steepest = Math.max(steepest, Math.abs(all[i] - all[i - 1]));
        }
        double peak = 0;
        for (float sample : heard) {
            peak = Math.max(peak, Math.abs(sample));
        }
        assertThat(steepest).as("steps between samples are those of the tone").isLessThan(0.5 * peak);
    }

    @Test
    void aDeviceThatVanishesIsReplacedAndSaidAndTheMusicGoesOnWhereItWas() {
        engine.play(Course.of(loop("A8|B8|")));
        until(() -> engine.now().filter(m -> m.ms() > 600).isPresent());
        double before = engine.now().orElseThrow().ms();
        devices.getFirst().takeAway();
        until(() -> devices.size() == 2 && engine.now().filter(m -> m.ms() > before + 100).isPresent());
        assertThat(notices).hasSize(1).first().asString().contains("lost").contains("going on with");
        assertThat(engine.now().orElseThrow().ms()).as("not from the beginning, and not far ahead").isBetween(before, before + 1500);
        until(() -> devices.get(1).written() > 9_600);
        assertThat(Ear.level(devices.get(1).listen(4800), 0, 100)).isPositive();
    }

    @Test
    void whatIsPlayedOnceIsOver() {
        Piece piece = Pieces.on("whistle-d", "A8|");
        engine.play(Course.of(Itinerary.once(List.of(Leg.heard(piece, new PlayedOut.Span(Ratio.ZERO, Ratio.of(1, 4)))), Backing.NONE)));
        until(() -> engine.now().filter(m -> m.over()).isPresent());
        assertThat(engine.course()).as("it can still be asked about").isPresent();
    }

    @Test
    void manyChangesInAHurryEndWithTheLast() {
        for (int i = 0; i < 40; i++) {
            // Tied over, so that no new start lies in what is listened to.
            engine.play(Course.of(loop((i % 2 == 0 ? "A8-|" : "d8-|").repeat(30))));
        }
        until(() -> devices.size() == 1);
        long at = devices.getFirst().written();
        until(() -> devices.getFirst().written() > at + 48_000);
        assertThat(Ear.hertz(devices.getFirst().listen(9600), 0, 200, 1174)).isBetween(1172.0, 1177.0);
    }

    @Test
    void whereThereIsNoSoundCardItSaysSo() {
        assertThat(new SimulatedOutput(1, 1).name()).contains("no sound device");
        assertThat(new SimulatedOutput(1, 1).isAudible()).isFalse();
    }
}
