package wildflourish.app.desk;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.FutureTask;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.stage.Stage;
import wildflourish.app.listening.Player;
import wildflourish.app.practice.HandsChoice;
import wildflourish.app.practice.PracticeScreen;
import wildflourish.app.work.Aside;
import wildflourish.app.work.Keeper;
import wildflourish.core.growth.Candidate;
import wildflourish.core.practice.SimulatedStudent;
import wildflourish.library.Edition;
import wildflourish.library.Library;
import wildflourish.sound.engine.Engine;
import wildflourish.sound.engine.SimulatedOutput;

/**
 * A window on a library in which somebody works without a pause, until it is killed. It says of each thing when it is finished, which
 * is when the window says nothing more of being kept.
 */
final class WindowToKill {

    private static final double PACE = 24;
    private static final String TUNE = "X:1\nT:%s\nR:reel\nM:4/4\nL:1/8\nK:D\n|:FAdf afdA|G2BG eGBG|FAdf gfec|d4 d4:|\n";

    private final Path folder;
    private final Random random;
    private final Keeper keeper;
    private final DeskModel model;

    private WindowToKill(Path folder, Random random, Keeper keeper, DeskModel model) {
        this.folder = folder;
        this.random = random;
        this.keeper = keeper;
        this.model = model;
    }

    /** Arguments: the library's file, the seed of what is done and, where it is to end by itself, how much is done before. */
    public static void main(String[] arguments) throws Exception {
        Path file = Path.of(arguments[0]);
        CountDownLatch toolkit = new CountDownLatch(1);
        Platform.startup(toolkit::countDown);
        toolkit.await();
        Keeper keeper = new Keeper(Library.open(file), Aside.beside(file), words -> said("told: " + words));
        Engine engine = new Engine(() -> new SimulatedOutput(PACE, 30), words -> { });
        DeskModel model = onToolkit(() -> {
            DeskModel made = new DeskModel(keeper, Executors.newVirtualThreadPerTaskExecutor(), Platform::runLater, Player.on(engine), Duration.ofMillis(20), Screens::of);
            DeskApplication.show(new Stage(), made);
            made.restore();
            return made;
        });
        until(() -> model.trellis().isOpen());
        said("ready");
        WindowToKill window = new WindowToKill(file.toAbsolutePath().getParent(), new Random(Long.parseLong(arguments[1])), keeper, model);
        int deeds = arguments.length > 2 ? Integer.parseInt(arguments[2]) : 100_000;
        for (int deed = 0; deed < deeds; deed++) {
            window.work("%s-%d".formatted(arguments[1], deed));
        }
        System.exit(0);
    }

    private void work(String name) throws Exception {
        switch (Boolean.getBoolean("flourish.edits.only") ? -1 : random.nextInt(10)) {
            case 0 -> bringIn("Tune " + name);
            case 1 -> backUp(folder.resolve("copy-" + name + ".backup"));
            case 2 -> practise();
            case 3 -> {
                onToolkit(() -> {
                    model.trellis().undo();
                    return true;
                });
                standing();
            }
            default -> edit();
        }
    }

    private void edit() throws Exception {
        onToolkit(() -> {
            var trellis = model.trellis();
            trellis.select(random.nextInt(trellis.arrangement().ladder().size()), random.nextInt(trellis.now().plain().size()));
            List<Candidate> can = trellis.now().ranked().stream().filter(c -> !c.verdict().isBlocked()).toList();
            if (!can.isEmpty()) {
                trellis.ornaments().toggle(can.get(random.nextInt(can.size())).ornament().id());
            }
            return true;
        });
        standing();
    }

    /** The edition in which the tune stands, when it has been kept. */
    private void standing() throws Exception {
        long tune = onToolkit(() -> model.trellis().now().tune());
        keeper.finish();
        Edition edition = keeper.ask(l -> l.tunes().current(tune));
        said("edit %d %d %d".formatted(tune, edition.id(), edition.document().hashCode()));
    }

    private void bringIn(String title) throws Exception {
        Path file = Files.writeString(folder.resolve("tune.abc"), TUNE.formatted(title));
        onToolkit(() -> {
            model.bringIn(file);
            return true;
        });
        until(() -> model.shelf().tunes().stream().anyMatch(t -> t.title().equals(title)));
        keeper.finish();
        said("tune " + title);
    }

    private void backUp(Path file) throws Exception {
        onToolkit(() -> {
            model.backups().backUp(file);
            return true;
        });
        until(() -> model.message().get().contains(file.getFileName().toString()));
        said("copy " + file.getFileName());
    }

    private void practise() throws Exception {
        var practice = model.screen(PracticeScreen.class).model();
        int before = onToolkit(() -> {
            model.show(PracticeScreen.ID);
            practice.setHands(madeUp());
            int passes = practice.log().size();
            practice.start();
            return passes;
        });
        until(() -> practice.log().size() > before || !practice.isRunning());
        int passes = onToolkit(() -> {
            practice.stop();
            model.show("trellis");
            return practice.log().size();
        });
        keeper.finish();
        said("passes " + passes);
    }

    private static HandsChoice madeUp() {
        SimulatedStudent steady = SimulatedStudent.byId("steady");
        return new HandsChoice(steady.id(), steady.words());
    }

    private static void said(String words) {
        System.out.println(words);
        System.out.flush();
    }

    private static <T> T onToolkit(Callable<T> work) throws Exception {
        FutureTask<T> task = new FutureTask<>(work);
        Platform.runLater(task);
        return task.get();
    }

    private static void until(BooleanSupplier condition) throws Exception {
        for (int turn = 0; turn < 10_000 && !onToolkit(condition::getAsBoolean); turn++) {
            Thread.sleep(3);
        }
        if (!onToolkit(condition::getAsBoolean)) {
            throw new IOException("it did not happen in time");
        }
    }
}
