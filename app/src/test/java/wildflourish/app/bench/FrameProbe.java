package wildflourish.app.bench;

import java.util.Arrays;
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
 * From key press to painted frame in the real window on the headless platform with the software pipeline: the time from
 * the event to the end of the layout pulse that follows it. Run as the other benchmarks, with {@code -Dtest=FrameProbe}.
 */
public class FrameProbe {

    @Test
    void run() throws Exception {
        FxToolkit.registerPrimaryStage();
        java.nio.file.Path folder = java.nio.file.Files.createTempDirectory("probe");
        Library library = Library.open(folder.resolve("l.db"));
        DeskApplication.fillWithDemo(library);
        Keeper keeper = new Keeper(library, new Aside(folder), t -> { });
        DeskView[] view = new DeskView[1];
        DeskModel[] model = new DeskModel[1];
        WaitForAsyncUtils.asyncFx(() -> {
            model[0] = new DeskModel(keeper, java.util.concurrent.Executors.newVirtualThreadPerTaskExecutor(), Platform::runLater,
                    Player.on(new Engine(() -> new SimulatedOutput(1, 1), n -> { })));
            view[0] = DeskApplication.show(new Stage(), model[0]);
            model[0].restore();
        }).get();
        while (!model[0].trellis().isOpen()) {
            Thread.sleep(20);
        }
        String[] keys = {"c", "t", "s", "c"};
        for (String kind : new String[] {"nothing", "arrow", "letter"}) {
            double[] ms = new double[300];
            double[] held = new double[300];
            for (int i = 0; i < ms.length; i++) {
                int turn = i;
                WaitForAsyncUtils.asyncFx(() -> {
                    if (kind.equals("letter")) {
                        model[0].trellis().stepNote(turn % 80 < 40 ? 1 : -1);
                    }
                }).get();
                settle(model[0]);
                long[] times = WaitForAsyncUtils.asyncFx(() -> {
                    long start = System.nanoTime();
                    if (kind.equals("nothing")) {
                        view[0].requestLayout();
                    } else if (kind.equals("arrow")) {
                        fire(view[0], KeyEvent.KEY_PRESSED, "", turn % 80 < 40 ? KeyCode.RIGHT : KeyCode.LEFT);
                    } else {
                        fire(view[0], KeyEvent.KEY_TYPED, keys[turn % 4], KeyCode.UNDEFINED);
                    }
                    return new long[] {start, System.nanoTime()};
                }).get();
                settle(model[0]);
                ms[i] = WaitForAsyncUtils.asyncFx(() -> {
                    view[0].applyCss();
                    view[0].layout();
                    view[0].getScene().snapshot(null);
                    return (System.nanoTime() - times[0]) / 1e6;
                }).get();
                held[i] = (times[1] - times[0]) / 1e6;
            }
            double[] warm = Arrays.copyOfRange(ms, 100, ms.length);
            double[] asked = Arrays.copyOfRange(held, 100, held.length);
            Arrays.sort(warm);
            Arrays.sort(asked);
            System.out.printf("%s: median %.1f ms, 95 %% %.1f ms with a snapshot of the whole window; the key itself holds the window up "
                    + "for %.2f ms, 95 %% %.2f ms%n", kind, warm[warm.length / 2], warm[warm.length * 95 / 100], asked[asked.length / 2],
                    asked[asked.length * 95 / 100]);
        }
        keeper.close();
    }

    private static void fire(DeskView view, javafx.event.EventType<KeyEvent> type, String character, KeyCode code) {
        view.lookup("#score").fireEvent(new KeyEvent(type, character, "", code, false, false, false, false));
    }

    /** Waits until what the keys ask for is shown. */
    private static void settle(DeskModel model) throws Exception {
        while (!WaitForAsyncUtils.asyncFx(() -> model.trellis().isSettled()).get()) {
            Thread.onSpinWait();
        }
    }
}
