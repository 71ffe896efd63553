package wildflourish.app.desk;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import wildflourish.app.across.AcrossModel;
import wildflourish.app.across.AcrossScreen;
import wildflourish.app.chart.ChartModel;
import wildflourish.app.chart.ChartScreen;
import wildflourish.app.frame.Screen;
import wildflourish.app.listening.Player;
import wildflourish.app.practice.PracticeModel;
import wildflourish.app.practice.PracticeScreen;
import wildflourish.app.practice.PracticeView;
import wildflourish.app.reading.ReadingModel;
import wildflourish.app.reading.ReadingScreen;
import wildflourish.app.rounds.RoundsModel;
import wildflourish.app.rounds.RoundsScreen;
import wildflourish.app.sheet.SheetScreen;
import wildflourish.app.sheet.SheetView;
import wildflourish.app.trellis.TrellisScreen;
import wildflourish.app.trellis.TrellisView;
import wildflourish.app.work.Aside;
import wildflourish.app.work.Keeper;
import wildflourish.library.Library;
import wildflourish.sound.engine.Engine;
import wildflourish.sound.engine.SimulatedOutput;

/** Opens the real window on the headless platform. */
abstract class WindowTest extends FxRobot {

    @TempDir
    Path folder;

    DeskModel model;
    DeskView view;
    Stage stage;
    Keeper keeper;
    private ExecutorService background;
    /** How much faster than real time the sound device runs. */
    volatile double pace = 1;
    volatile SimulatedOutput device;
    Engine engine;
    /** The screens of the window. */
    Function<Tools, List<Screen>> screens = Screens::of;

    ReadingModel reading() {
        return model.screen(ReadingScreen.class).model();
    }

    RoundsModel rounds() {
        return model.screen(RoundsScreen.class).model();
    }

    AcrossModel across() {
        return model.screen(AcrossScreen.class).model();
    }

    PracticeModel practice() {
        return model.screen(PracticeScreen.class).model();
    }

    PracticeView practiceView() {
        return model.screen(PracticeScreen.class).view();
    }

    ChartModel chart() {
        return model.screen(ChartScreen.class).model();
    }

    TrellisView trellisView() {
        return model.screen(TrellisScreen.class).view();
    }

    SheetView sheetView() {
        return model.screen(SheetScreen.class).view();
    }

    boolean isShown(String screen) {
        return model.screen().get().id().equals(screen);
    }

    @BeforeAll
    static void toolkit() throws Exception {
        FxToolkit.registerPrimaryStage();
        Platform.setImplicitExit(false);
    }

    Path libraryFile() {
        return folder.resolve("library.db");
    }

    void open(boolean demo) {
        Library library = Library.open(libraryFile());
        if (demo) {
            DeskApplication.fillWithDemo(library);
        }
        keeper = new Keeper(library, new Aside(folder.resolve("aside")), words -> Platform.runLater(() -> model.say(words)));
        background = Executors.newVirtualThreadPerTaskExecutor();
        engine = new Engine(() -> device = new SimulatedOutput(pace, 30), notice -> Platform.runLater(() -> model.say(notice)));
        interact(() -> {
            model = new DeskModel(keeper, background, Platform::runLater, Player.on(engine), Duration.ofMillis(60), screens);
            stage = new Stage();
            view = DeskApplication.show(stage, model);
            model.restore();
        });
        if (demo) {
            until(() -> model.trellis().isOpen());
        }
        WaitForAsyncUtils.waitForFxEvents();
    }

    /** The document of a tune as the library has it now. */
    String document(long tune) {
        return keeper.ask(l -> l.tunes().current(tune).document());
    }

    /** From now on whatever is asked of the library fails. */
    void breakLibrary() {
        keeper.ask(l -> {
            l.close();
            return true;
        });
    }

    /** Presses keys, and waits until what they ask for is shown. */
    @Override
    public FxRobot push(KeyCode... keys) {
        super.push(keys);
        return settled();
    }

    @Override
    public FxRobot push(KeyCodeCombination keys) {
        super.push(keys);
        return settled();
    }

    @Override
    public FxRobot type(KeyCode... keys) {
        super.type(keys);
        return settled();
    }

    @Override
    public FxRobot write(String text) {
        super.write(text);
        return settled();
    }

    @Override
    public FxRobot clickOn(String query, MouseButton... buttons) {
        super.clickOn(query, buttons);
        return settled();
    }

    @Override
    public FxRobot clickOn(Node node, MouseButton... buttons) {
        super.clickOn(node, buttons);
        return settled();
    }

    @Override
    public FxRobot interact(Runnable task) {
        super.interact(task);
        return settled();
    }

    private FxRobot settled() {
        if (model != null && model.trellis().isOpen()) {
            until(model.trellis()::isSettled);
        }
        return this;
    }

    void until(BooleanSupplier condition) {
        try {
            WaitForAsyncUtils.waitFor(30, TimeUnit.SECONDS,
                    () -> WaitForAsyncUtils.asyncFx(condition::getAsBoolean).get());
        } catch (java.util.concurrent.TimeoutException e) {
            throw new AssertionError("it did not happen in time; the window says: " + model.message().get(), e);
        }
        WaitForAsyncUtils.waitForFxEvents();
    }

    @AfterEach
    void close() {
        if (stage != null) {
            interact(stage::close);
            engine.close();
            interact(model::close);
            background.close();
            keeper.close();
            stage = null;
        }
    }
}
