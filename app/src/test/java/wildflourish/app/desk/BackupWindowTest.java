package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.app.Main;
import wildflourish.app.backup.BackupState;
import wildflourish.library.Library;
import wildflourish.library.TuneEntry;

/** Back-ups in a real window: made, looked into, restored, undone, refused; and another library in the place of the one that is open. */
class BackupWindowTest extends WindowTest {

    private void page() {
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Y);
        until(() -> lookup("#backups").tryQuery().isPresent());
    }

    private boolean isEnabled(String id) {
        return !lookup(id).queryAs(Button.class).isDisabled();
    }

    private Path backUp(String name) {
        Path copy = folder.resolve(name);
        interact(() -> model.backups().backUp(copy));
        until(() -> model.message().get().startsWith("Back-up made"));
        return copy;
    }

    private String found() {
        return lookup("#backup-found").queryAs(Label.class).getText();
    }

    @Test
    void theWholeLibraryGoesBackToACopyAndForthAgain() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        int before = model.shelf().tunes().size();
        backUp("library.db.backup-2026-11-26");
        interact(() -> model.shelfWork().takeOff(model.shelf().tunes().getFirst().id()));
        until(() -> model.shelf().tunes().size() == before - 1);
        page();
        ListView<BackupState.Copy> copies = lookup("#backup-copies").queryListView();
        until(() -> copies.getItems().stream().anyMatch(c -> c.inWords().startsWith("26 November 2026: %d tunes".formatted(before))));
        assertThat(isEnabled("#backup-undo")).isFalse();
        interact(() -> copies.getSelectionModel().select(copies.getItems().stream().filter(c -> c.inWords().startsWith("26 November 2026")).findFirst().orElseThrow()));
        clickOn("#backup-selected");
        until(() -> found().contains("Everything in it can be read"));
        assertThat(model.shelf().tunes()).as("nothing is changed before it is asked for").hasSize(before - 1);
        clickOn("#backup-restore");
        until(() -> model.shelf().tunes().size() == before && model.message().get().startsWith("Restored"));
        assertThat(model.backups().state().get().examined()).isEmpty();
        until(() -> isEnabled("#backup-undo"));
        clickOn("#backup-undo");
        until(() -> model.backups().state().get().examined().isPresent() && found().contains("Everything in it can be read"));
        clickOn("#backup-restore");
        until(() -> model.shelf().tunes().size() == before - 1);
        assertThat(model.backups().anotherLibrary().get()).as("the window knows what it did itself").isFalse();
    }

    @Test
    void aDamagedBackupAsksForASecondAnswer() throws IOException {
        open(true);
        Path copy = backUp("torn.db");
        try (RandomAccessFile raw = new RandomAccessFile(copy.toFile(), "rw")) {
            raw.seek(raw.length() * 3 / 4 / 4096 * 4096);
            raw.write(new byte[4096 * 6]);
        }
        page();
        interact(() -> model.backups().examine(copy));
        until(() -> !found().isEmpty());
        assertThat(found()).contains("tunes can be read", "It is damaged: only what can be read comes back");
        assertThat(lookup("#backup-restore").queryAs(Button.class).getText()).isEqualTo("Restore what can be read");
        assertThat(lookup("#backup-cancel").query().isFocused()).as("Enter changes nothing").isTrue();
        int before = model.shelf().tunes().size();
        clickOn("#backup-cancel");
        assertThat(model.shelf().tunes()).hasSize(before);
        Path none = Files.createFile(folder.resolve("none.db"));
        interact(() -> model.backups().examine(none));
        until(() -> model.message().get().contains("is empty"));
    }

    /** Another process restores another library while the window stands on a tune of the same number. */
    @Test
    void anEditNeverGoesIntoAnotherLibrarysTune() throws Exception {
        open(true);
        Path other = folder.resolve("other.db");
        String theirs = "X:1\nT:Not Ours At All\nM:4/4\nL:1/8\nK:G\nGABc d2 d2|e2 d2 B4|\n";
        try (Library library = Library.open(other)) {
            for (int tune = 0; tune < model.shelf().tunes().size(); tune++) {
                long id = library.tunes().add("Not Ours At All", "reel", "G major", "4/4", theirs);
                for (int edit = 0; edit < 3; edit++) {
                    library.tunes().save(id, library.tunes().current(id).id(), "edit", theirs);
                }
            }
        }
        Process restore = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED", "-cp",
                System.getProperty("java.class.path"), Main.class.getName(), "restore", other.toString(), "--library", libraryFile().toString(), "--yes")
                .redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
        assertThat(restore.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(restore.exitValue()).isZero();
        interact(() -> model.trellis().ladder().take("an edit", model.trellis().arrangement().ladder().renamed(1, "mine")));
        until(() -> lookup("#another-library").tryQuery().isPresent());
        keeper.settle();
        until(() -> model.message().get().contains("set aside in"));
        try (Library there = Library.open(libraryFile())) {
            assertThat(there.tunes().all().read()).extracting(TuneEntry::title).containsOnly("Not Ours At All");
            for (TuneEntry tune : there.tunes().all().read()) {
                assertThat(there.tunes().editions(tune.id())).hasSize(4);
                assertThat(there.tunes().current(tune.id()).document()).isEqualTo(theirs);
            }
        }
        try (var files = Files.list(folder.resolve("aside"))) {
            assertThat(files).hasSize(1);
        }
        clickOn("#another-library-open");
        until(() -> model.shelf().tunes().stream().allMatch(t -> t.title().equals("Not Ours At All")) && !model.shelf().tunes().isEmpty());
        until(() -> model.trellis().isOpen() && model.trellis().arrangement().tune().title().equals("Not Ours At All"));
        assertThat(model.backups().anotherLibrary().get()).isFalse();
    }
}
