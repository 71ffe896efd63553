package wildflourish.app.bench;

import java.lang.reflect.Method;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import wildflourish.app.desk.DeskApplication;
import wildflourish.app.desk.DeskModel;
import wildflourish.app.desk.DeskView;
import wildflourish.app.listening.Player;
import wildflourish.app.work.Aside;
import wildflourish.app.work.Keeper;
import wildflourish.library.Library;
import wildflourish.sound.engine.Engine;
import wildflourish.sound.engine.SimulatedOutput;

/**
 * From key press to painted frame in the real window, on the headless platform with the software pipeline: until the toolkit's
 * render thread has painted the pulse that shows what the key asked for. Pulses follow one another without waiting for a
 * screen. The tune has 64 bars and six rungs. Run as the other benchmarks, with {@code -Dtest=FrameProbe}.
 */
public class FrameProbe {

    private static final int TURNS = 400;
    private static final int WARM_UP = 150;
    private static final String TUNE = """
            X:1
            T:Sixty-four bars
            R:reel
            M:4/4
            L:1/8
            Q:1/2=96
            K:D
            """ + "|:DFAd fdAF|GBdB AFED|DFAd fdAd|egfe dBAF|\nDFAd fdAF|GBdB AFED|f2af gefd|ecAc d4:|\n".repeat(4)
            + "|:d2fd Adfd|c2ec Aced|d2fd Adfa|bagf edBA|\nd2fd Adfd|c2ec Aced|fafd gbge|fdec d4:|\n".repeat(4);

    private DeskModel model;
    private DeskView view;

    @Test
    void run() throws Exception {
        System.setProperty("javafx.animation.fullspeed", "true");
        FxToolkit.registerPrimaryStage();
        Path folder = Files.createTempDirectory("probe");
        Library library = Library.open(folder.resolve("l.db"));
        long tune = library.tunes().add("Sixty-four bars", "reel", "D", "4/4", TUNE);
        Keeper keeper = new Keeper(library, new Aside(folder), t -> { });
        WaitForAsyncUtils.asyncFx(() -> {
            model = new DeskModel(keeper, Executors.newVirtualThreadPerTaskExecutor(), Platform::runLater,
                    Player.on(new Engine(() -> new SimulatedOutput(1, 1), n -> { })));
            view = DeskApplication.show(new Stage(), model);
            model.restore();
            model.open(tune);
        }).get();
        while (!WaitForAsyncUtils.asyncFx(() -> model.trellis().isOpen()).get()) {
            Thread.sleep(20);
        }
        Thread.sleep(2000);
        WaitForAsyncUtils.asyncFx(() -> view.lookup("#score").requestFocus()).get();
        for (String kind : new String[] {"nothing", "arrow", "letter", "rung"}) {
            double[] ms = new double[TURNS];
            for (int i = 0; i < TURNS; i++) {
                ms[i] = turn(kind, i);
            }
            double[] warm = Arrays.copyOfRange(ms, WARM_UP, TURNS);
            Arrays.sort(warm);
            System.out.printf("%s: median %.1f ms, 95 %% %.1f ms from key to painted frame%n", kind, warm[warm.length / 2], warm[warm.length * 95 / 100]);
        }
        keeper.close();
    }

    /** Presses a key once; milliseconds until its frame is painted. */
    private double turn(String kind, int turn) throws Exception {
        if (kind.equals("letter")) {
            WaitForAsyncUtils.asyncFx(() -> model.trellis().stepNote(turn % 80 < 40 ? 1 : -1)).get();
        }
        while (!WaitForAsyncUtils.asyncFx(() -> model.trellis().isSettled()).get()) {
            Thread.onSpinWait();
        }
        Thread.sleep(30);
        CountDownLatch painted = new CountDownLatch(1);
        long[] times = new long[2];
        Platform.runLater(() -> {
            Runnable[] listener = new Runnable[1];
            listener[0] = () -> {
                if (model.trellis().isSettled()) {
                    view.getScene().removePostLayoutPulseListener(listener[0]);
                    Platform.runLater(() -> {
                        rendered();
                        times[1] = System.nanoTime();
                        painted.countDown();
                    });
                } else {
                    Platform.requestNextPulse();
                }
            };
            times[0] = System.nanoTime();
            press(kind, turn);
            view.getScene().addPostLayoutPulseListener(listener[0]);
            Platform.requestNextPulse();
        });
        painted.await();
        return (times[1] - times[0]) / 1e6;
    }

    private void press(String kind, int turn) {
        boolean there = turn % 80 < 40;
        switch (kind) {
            case "arrow" -> key(there ? KeyCode.RIGHT : KeyCode.LEFT, "");
            case "rung" -> key(turn % 2 == 0 ? KeyCode.DOWN : KeyCode.UP, "");
            case "letter" -> key(turn % 2 == 0 ? KeyCode.C : KeyCode.T, turn % 2 == 0 ? "c" : "t");
            default -> view.requestLayout();
        }
    }

    private void key(KeyCode code, String character) {
        fire(KeyEvent.KEY_PRESSED, "", code);
        if (!character.isEmpty()) {
            fire(KeyEvent.KEY_TYPED, character, KeyCode.UNDEFINED);
        }
        fire(KeyEvent.KEY_RELEASED, "", code);
    }

    private void fire(javafx.event.EventType<KeyEvent> type, String character, KeyCode code) {
        view.lookup("#score").fireEvent(new KeyEvent(type, character, "", code, false, false, false, false));
    }

    /** Waits for the toolkit's render thread; there is no public way. */
    private static void rendered() {
        try {
            Class<?> collector = Class.forName("com.sun.javafx.tk.quantum.PaintCollector");
            Method instance = collector.getDeclaredMethod("getInstance");
            instance.setAccessible(true);
            Method wait = collector.getDeclaredMethod("waitForRenderingToComplete");
            wait.setAccessible(true);
            wait.invoke(instance.invoke(null));
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("this toolkit has no paint collector", e);
        }
    }
}
