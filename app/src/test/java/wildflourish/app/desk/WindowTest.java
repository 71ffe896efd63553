package wildflourish.app.desk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.Method;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;
import javafx.stage.Window;
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

    private static final Method DRESS = ofScene("doCSSPass");
    private static final Method LAY_OUT = ofScene("doLayoutPass");

    private static Robot robot;
    private static byte[] demo = {};

    DeskModel model;
    DeskView view;
    Stage stage;
    Keeper keeper;
    private ExecutorService background;
    private boolean restored;
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
        robot = onToolkit(Robot::new);
    }

    Path libraryFile() {
        return folder.resolve("library.db");
    }

    void open(boolean demo) {
        if (demo) {
            putDemo(libraryFile());
        }
        Library library = Library.open(libraryFile());
        keeper = new Keeper(library, new Aside(folder.resolve("aside")), words -> Platform.runLater(() -> model.say(words)));
        background = Executors.newVirtualThreadPerTaskExecutor();
        engine = new Engine(() -> device = new SimulatedOutput(pace, 30), notice -> Platform.runLater(() -> model.say(notice)));
        restored = false;
        interact(() -> {
            model = new DeskModel(keeper, background, Platform::runLater, Player.on(engine), Duration.ofMillis(60), tools -> {
                tools.opening().whenRestored(kept -> restored = true);
                return screens.apply(tools);
            });
            stage = new Stage();
            view = DeskApplication.show(stage, model);
            model.restore();
        });
        until(() -> restored && (!demo || model.trellis().isOpen()));
    }

    /** The demo's library is made once, and copied for each test. */
    private static void putDemo(Path file) {
        try {
            if (demo.length == 0) {
                Path made = Files.createTempDirectory("demo").resolve("library.db");
                try (Library library = Library.open(made)) {
                    DeskApplication.fillWithDemo(library);
                }
                demo = Files.readAllBytes(made);
            }
            Files.write(file, demo);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
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
        onToolkit(() -> {
            for (KeyCode key : keys) {
                robot.keyPress(key);
            }
            for (int i = keys.length - 1; i >= 0; i--) {
                robot.keyRelease(keys[i]);
            }
            return true;
        });
        return settled();
    }

    @Override
    public FxRobot push(KeyCodeCombination keys) {
        List<KeyCode> all = new ArrayList<>();
        if (keys.getShortcut() == KeyCombination.ModifierValue.DOWN || keys.getControl() == KeyCombination.ModifierValue.DOWN) {
            all.add(KeyCode.CONTROL);
        }
        if (keys.getShift() == KeyCombination.ModifierValue.DOWN) {
            all.add(KeyCode.SHIFT);
        }
        if (keys.getAlt() == KeyCombination.ModifierValue.DOWN) {
            all.add(KeyCode.ALT);
        }
        all.add(keys.getCode());
        return push(all.toArray(KeyCode[]::new));
    }

    @Override
    public FxRobot type(KeyCode... keys) {
        for (KeyCode key : keys) {
            push(key);
        }
        return this;
    }

    @Override
    public FxRobot write(String text) {
        for (char character : text.toCharArray()) {
            KeyCode key = character == '\n' ? KeyCode.ENTER : character == '\t' ? KeyCode.TAB : KeyCode.UNDEFINED;
            onToolkit(() -> {
                Scene scene = Window.getWindows().stream().filter(Window::isFocused).findFirst().orElse(stage).getScene();
                for (var kind : List.of(KeyEvent.KEY_PRESSED, KeyEvent.KEY_TYPED, KeyEvent.KEY_RELEASED)) {
                    Node focused = scene.getFocusOwner();
                    Event.fireEvent(focused == null ? scene : focused,
                            new KeyEvent(kind, kind == KeyEvent.KEY_TYPED ? String.valueOf(character) : "", "", kind == KeyEvent.KEY_TYPED ? KeyCode.UNDEFINED : key, false, false, false, false));
                }
                return true;
            });
        }
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
        onToolkit(() -> {
            task.run();
            return true;
        });
        return settled();
    }

    private FxRobot settled() {
        if (model != null && model.trellis().isOpen()) {
            until(model.trellis()::isSettled);
        } else {
            rest();
        }
        return this;
    }

    void until(BooleanSupplier condition) {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(30);
        while (!onToolkit(condition::getAsBoolean)) {
            if (System.nanoTime() > end) {
                throw new AssertionError("it did not happen in time; the window says: " + model.message().get());
            }
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(2));
        }
        rest();
    }

    /** Lets what was put off come to its turn, and everything be laid out. */
    void rest() {
        for (int turn = 0; turn < 3; turn++) {
            onToolkit(() -> {
                Window.getWindows().forEach(w -> dressAndLayOut(w.getScene()));
                return true;
            });
        }
    }

    /** What a pulse does to a scene, but for the painting: only what has changed is dressed, where {@code applyCss} would dress every node anew. */
    static void dressAndLayOut(Scene scene) {
        try {
            DRESS.invoke(scene);
            LAY_OUT.invoke(scene);
        } catch (ReflectiveOperationException e) {
            throw new AssertionError(e);
        }
    }

    private static Method ofScene(String name) {
        try {
            Method method = Scene.class.getDeclaredMethod(name);
            method.setAccessible(true);
            return method;
        } catch (NoSuchMethodException e) {
            throw new AssertionError(e);
        }
    }

    private static <T> T onToolkit(Callable<T> work) {
        try {
            return WaitForAsyncUtils.asyncFx(work).get();
        } catch (InterruptedException | ExecutionException e) {
            throw e.getCause() instanceof Error fault ? fault : new AssertionError(e.getCause());
        }
    }

    @AfterEach
    void close() {
        if (stage != null) {
            // Not waiting for what is still being worked out: nobody will look at it.
            onToolkit(() -> {
                stage.close();
                return true;
            });
            engine.close();
            onToolkit(() -> {
                model.close();
                return true;
            });
            background.close();
            keeper.close();
            stage = null;
        }
    }
}
