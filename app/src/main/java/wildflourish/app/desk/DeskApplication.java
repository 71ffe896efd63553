package wildflourish.app.desk;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicReference;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;
import wildflourish.app.listening.Player;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.trellis.TrellisScreen;
import wildflourish.app.work.Aside;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.Trouble;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;
import wildflourish.library.Library;
import wildflourish.sound.engine.Engine;

/** Opens the window. The library is opened beside the toolkit's own start, so that neither waits for the other. */
public final class DeskApplication extends Application {

    private static final AtomicReference<DeskPlan> PLAN = new AtomicReference<>();
    private static final AtomicReference<Throwable> FAULT = new AtomicReference<>();
    private static final AtomicReference<CompletableFuture<Ready>> READY = new AtomicReference<>();
    private static final AtomicReference<CompletableFuture<Keeper>> KEEPER = new AtomicReference<>();
    private static final AtomicReference<DeskModel> DESK = new AtomicReference<>();

    private static final int[] ICONS = {16, 32, 48, 128, 256};

    private static volatile boolean ended;
    private @Nullable Keeper keeper;
    private @Nullable ExecutorService workers;
    private @Nullable DeskModel model;
    private @Nullable Engine engine;

    /** Runs the desktop until its window closes; the exit status. */
    public static int run(DeskPlan plan) {
        PLAN.set(plan);
        Trouble.logBeside(plan.library());
        CompletableFuture<Keeper> keeping = CompletableFuture.supplyAsync(
                () -> new Keeper(library(plan), Aside.beside(plan.library()), DeskApplication::told));
        KEEPER.set(keeping);
        READY.set(keeping.thenApplyAsync(Ready::of));
        Application.launch(DeskApplication.class);
        Throwable fault = FAULT.get();
        if (fault != null) {
            System.err.println(fault.getMessage());
            return 1;
        }
        return 0;
    }

    private static Library library(DeskPlan plan) {
        Library library = Library.open(plan.library());
        if (plan.demo()) {
            fillWithDemo(library);
        }
        return library;
    }

    /** The tunes of the demo class. */
    static TuneBook demo() {
        try (var in = DeskApplication.class.getResourceAsStream("/wildflourish/app/demo/marram-strand.abc")) {
            return AbcReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** Puts the demo class into an empty library: its tunes, some weeks of practice on the first of them, and its students. */
    public static void fillWithDemo(Library library) {
        List<Long> ids = new ArrayList<>();
        List<Tune> tunes = new ArrayList<>();
        for (BookTune tune : demo().tunes()) {
            ids.add(ShelfWork.add(library.tunes()::add, tune));
            tunes.add(tune.tune());
        }
        library.log().add(DemoLog.of(ids.getFirst(), tunes.getFirst(), Clock.systemUTC()));
        DemoClass.into(library, ids, tunes, Clock.systemUTC());
    }

    @Override
    public void start(Stage stage) {
        CanvasPainter.loadFonts();
        DeskPlan plan = Objects.requireNonNull(PLAN.get());
        Keeper keeping;
        try {
            keeping = Objects.requireNonNull(KEEPER.get()).join();
        } catch (RuntimeException e) {
            FAULT.set(e.getCause() == null ? e : e.getCause());
            Platform.exit();
            return;
        }
        keeper = keeping;
        workers = Executors.newVirtualThreadPerTaskExecutor();
        engine = Engine.onSoundCard(notice -> Platform.runLater(() -> Objects.requireNonNull(DESK.get()).soundSays(notice)));
        DeskModel model = new DeskModel(keeping, workers, Platform::runLater, Player.on(engine));
        DESK.set(model);
        this.model = model;
        model.begin(TrellisScreen.ID);
        DeskView view = show(stage, model);
        if (Long.getLong("flourish.start.probe") != null) {
            model.screen(TrellisScreen.class).view().score().onPainted(() -> Platform.runLater(() -> reportStart(model)));
        }
        plan.pictures().ifPresent(pictures -> new Tour(model, view, pictures).start());
        Objects.requireNonNull(READY.get()).whenComplete((ready, fault) -> Platform.runLater(() -> {
            if (fault == null) {
                model.restore(ready);
            } else {
                model.restore();
            }
            plan.imports().forEach(model::bringIn);
        }));
    }

    /** Tells what the library says in the window, and on the terminal before it is there and once it has gone. */
    private static void told(String words) {
        DeskModel desk = DESK.get();
        if (ended || desk == null) {
            System.err.println("flourish: " + words);
        } else {
            Platform.runLater(() -> desk.say(words));
        }
    }

    /** For measuring: says how long the start took until the first painted trellis, and ends the program. */
    private static void reportStart(DeskModel model) {
        if (model.trellis().isOpen()) {
            System.out.println("first trellis painted after " + (System.currentTimeMillis() - Long.getLong("flourish.start.probe")) + " ms");
            Platform.exit();
        }
    }

    /** Fills and shows a window. */
    public static DeskView show(Stage stage, DeskModel model) {
        DeskView view = new DeskView(model);
        Scene scene = new Scene(view, 1280, 800);
        scene.getStylesheets().add(
                DeskApplication.class.getResource("/wildflourish/app/flourish.css").toExternalForm());
        view.bind(scene);
        stage.setTitle("Wild Flourish");
        for (int size : ICONS) {
            stage.getIcons().add(new Image(String.valueOf(DeskApplication.class.getResource("/wildflourish/app/icon/icon-" + size + ".png")), true));
        }
        stage.setMinWidth(900);
        stage.setMinHeight(600);
        stage.setScene(scene);
        stage.setOnCloseRequest(e -> {
            if (!model.watch().over().get()) {
                e.consume();
                model.watch().close();
            }
        });
        model.watch().over().addListener((o, a, over) -> stage.close());
        stage.show();
        return view;
    }

    @Override
    public void stop() {
        ended = true;
        if (engine != null) {
            engine.close();
        }
        if (model != null) {
            model.close();
        }
        if (workers != null) {
            workers.shutdownNow();
        }
        if (keeper != null) {
            keeper.close();
        }
    }
}
