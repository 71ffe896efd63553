package wildflourish.app.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import wildflourish.app.desk.DeskApplication;
import wildflourish.app.desk.DeskModel;
import wildflourish.app.listening.Player;
import wildflourish.app.work.Aside;
import wildflourish.app.work.Keeper;
import wildflourish.library.Library;
import wildflourish.sound.engine.Engine;
import wildflourish.sound.engine.Output;
import wildflourish.sound.engine.SimulatedOutput;

/**
 * From the key to the first sample that is not silence, handed to the device; the device's own latency comes on top. Run as the
 * other benchmarks, with {@code -Dtest=SoundProbe}.
 */
public class SoundProbe {

    /** A device in real time that notes when sound arrives. */
    private static final class Noting implements Output {
        private final SimulatedOutput inner = new SimulatedOutput(1, 1);
        private final AtomicLong soundAt = new AtomicLong();

        @Override
        public void write(float[] block, int frames) throws OutputLost {
            for (int i = 0; i < frames && soundAt.get() == 0; i++) {
                if (block[i] != 0) {
                    soundAt.set(System.nanoTime());
                }
            }
            inner.write(block, frames);
        }

        @Override
        public String name() {
            return inner.name();
        }

        @Override
        public boolean isAudible() {
            return true;
        }

        @Override
        public long heard() {
            return inner.heard();
        }

        @Override
        public int latency() {
            return inner.latency();
        }

        @Override
        public void resume() {
            inner.resume();
        }

        @Override
        public void close() {
            inner.close();
        }
    }

    @Test
    void run() throws Exception {
        Path folder = Files.createTempDirectory("probe");
        Library library = Library.open(folder.resolve("l.db"));
        DeskApplication.fillWithDemo(library);
        Keeper keeper = new Keeper(library, new Aside(folder), t -> { });
        ExecutorService background = Executors.newVirtualThreadPerTaskExecutor();
        Noting device = new Noting();
        Engine engine = new Engine(() -> device, n -> { });
        ExecutorService ui = Executors.newSingleThreadExecutor();
        DeskModel model = new DeskModel(keeper, background, ui, Player.on(engine));
        ui.submit(model::restore).get();
        while (!model.trellis().isOpen()) {
            Thread.sleep(20);
        }
        // The teacher looks about for a moment before the first key.
        ui.submit(() -> model.trellis().stepNote(1)).get();
        Thread.sleep(1500);
        double[] ms = new double[40];
        for (int i = 0; i < ms.length; i++) {
            device.soundAt.set(0);
            long start = System.nanoTime();
            ui.submit(() -> model.listening().toggle()).get();
            while (device.soundAt.get() == 0) {
                Thread.onSpinWait();
            }
            ms[i] = (device.soundAt.get() - start) / 1e6;
            ui.submit(() -> model.listening().toggle()).get();
            Thread.sleep(250);
        }
        double[] warm = Arrays.copyOfRange(ms, 5, ms.length);
        Arrays.sort(warm);
        System.out.printf("key to sound: first %.1f ms, then median %.1f ms, 95 %% %.1f ms; the device %.1f ms besides%n", ms[0],
                warm[warm.length / 2], warm[warm.length * 95 / 100], engine.latencyMs());
        engine.close();
        background.close();
        ui.shutdown();
        keeper.close();
    }
}
