package wildflourish.app.backup;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.work.Background;
import wildflourish.app.work.Documents;
import wildflourish.app.work.Keeper;
import wildflourish.library.Backups;
import wildflourish.library.Examination;
import wildflourish.library.Holding;
import wildflourish.library.LibraryFault;
import wildflourish.library.Progress;
import wildflourish.library.WrittenFile;

/** Makes back-ups, looks into them and restores them. What takes long goes on in the background and can be stopped. */
public final class BackupModel {

    private static final int PERCENT = 100;
    private static final Background.Words NOT_LISTED = Background.Words.silent("the back-ups beside the library cannot be read: look whether its disk is there");

    private final Keeper keeper;
    private final Background background;
    private final Consumer<String> say;
    private final Runnable reopen;
    private final Clock clock;
    private final ReadOnlyObjectWrapper<BackupState> state = new ReadOnlyObjectWrapper<>(BackupState.EMPTY);
    private final ReadOnlyBooleanWrapper another = new ReadOnlyBooleanWrapper();

    /**
     * A model over the library.
     *
     * @param reopen shows what the library holds from now on, as when the window opens
     */
    public BackupModel(Keeper keeper, Background background, Consumer<String> say, Runnable reopen, Clock clock) {
        this.keeper = keeper;
        this.background = background;
        this.say = say;
        this.reopen = reopen;
        this.clock = clock;
        keeper.onAnotherLibrary(words -> background.onInterface(() -> another.set(true)));
    }

    /** What is shown. */
    public ReadOnlyObjectProperty<BackupState> state() {
        return state.getReadOnlyProperty();
    }

    /** Whether another library is in the place of the one that this window shows: nothing is read or written until it is opened. */
    public ReadOnlyBooleanProperty anotherLibrary() {
        return another.getReadOnlyProperty();
    }

    /** Opens the library that is in the file's place now. */
    public void openWhatIsThere() {
        background.run(new Background.Words("opening the library", "the library could not be opened: put a back-up in its place"), job -> {
            keeper.openWhatIsThere();
            return true;
        }, opened -> {
            another.set(false);
            reopen.run();
            say.accept("the library that is here now is open");
        });
    }

    /** Looks which copies there are. */
    public void refresh() {
        background.latest(this, NOT_LISTED, job -> keeper.ask(l -> copies(l.backups())), copies -> state.set(new BackupState(copies, state.get().examined())), () -> { });
    }

    private static List<BackupState.Copy> copies(Backups backups) {
        List<BackupState.Copy> all = new ArrayList<>();
        backups.beforeRestores().forEach(h -> all.add(new BackupState.Copy(h, true)));
        backups.all().forEach(h -> all.add(new BackupState.Copy(h, false)));
        return all;
    }

    private static Progress progress(Background.Job job, String doing) {
        int[] told = {0};
        return (done, all) -> {
            if (job.stopped()) {
                throw new CancellationException("stopped");
            }
            int percent = all == 0 ? 0 : (int) (done * PERCENT / all);
            if (percent >= told[0] + 5) {
                told[0] = percent;
                job.tell("%s: %d %%".formatted(doing, percent));
            }
        };
    }

    /** Makes a back-up; with the recordings where its name ends in {@code .zip}. */
    public void backUp(Path file) {
        String doing = "making a back-up";
        run(doing, job -> {
            Holding made = keeper.ask(l -> l.backups().write(file, progress(job, doing)));
            keeper.people("where a back-up is", p -> p.wrote(List.of(new WrittenFile(file, WrittenFile.BACKUP, Optional.empty(), clock.instant()))));
            return made;
        }, made -> {
            say.accept("back-up made: %s holds %s".formatted(file, made.inWords()));
            refresh();
        });
    }

    /** Examines a back-up, and shows what was found before anything is changed. */
    public void examine(Path file) {
        String doing = "examining the back-up";
        run(doing, job -> Backups.examine(file, Documents::canRead, progress(job, doing)), found -> state.set(
                new BackupState(state.get().copies(), Optional.of(new BackupState.Examined(file, found)))));
    }

    /** Changes nothing. */
    public void cancel() {
        state.set(new BackupState(state.get().copies(), Optional.empty()));
    }

    /** Restores the back-up that was examined; one that is damaged as far as it can be read: that was the second answer. */
    public void restore() {
        state.get().examined().ifPresent(e -> {
            String doing = "restoring the back-up";
            run(doing, job -> keeper.restore(e.file(), !e.found().isSound(), progress(job, doing)), this::restored);
        });
    }

    private void restored(Backups.Restored restored) {
        cancel();
        another.set(false);
        reopen.run();
        refresh();
        Examination found = restored.examination();
        say.accept("restored: %s%s".formatted(found.inWords(), restored.before().map(b -> "; Undo restore brings back what was here (%s)".formatted(b.getFileName())).orElse("")));
    }

    /** What fails with the library's own words is said in them. */
    private <T> void run(String doing, Background.Work<T> work, Consumer<T> then) {
        record Came<T>(Optional<T> answer, String trouble) {}
        background.run(new Background.Words(doing, doing + " failed; the library is as it was"), job -> {
            try {
                return new Came<>(Optional.of(work.run(job)), "");
            } catch (LibraryFault e) {
                return new Came<T>(Optional.empty(), e.getMessage());
            } catch (CancellationException stopped) {
                return new Came<T>(Optional.empty(), "stopped; the library is as it was");
            }
        }, came -> came.answer().ifPresentOrElse(then, () -> say.accept(came.trouble())));
    }
}
