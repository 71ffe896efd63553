package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.stage.WindowEvent;
import org.junit.jupiter.api.Test;
import wildflourish.app.trellis.EarlierChoices;
import wildflourish.library.Library;

/** What the teacher sees of the library's troubles. */
class KeepingWindowTest extends WindowTest {

    private static final KeyCodeCombination EARLIER =
            new KeyCodeCombination(KeyCode.H, KeyCombination.CONTROL_DOWN, KeyCombination.SHIFT_DOWN);

    private Connection another() throws SQLException {
        Connection another = DriverManager.getConnection("jdbc:sqlite:" + libraryFile());
        another.createStatement().execute("BEGIN IMMEDIATE");
        return another;
    }

    private void requestClose() {
        interact(() -> stage.fireEvent(new WindowEvent(stage, WindowEvent.WINDOW_CLOSE_REQUEST)));
    }

    @Test
    void anEditThatWaitsIsSeenAndTheWindowStaysUntilItIsKept() throws Exception {
        open(true);
        long tune = model.trellis().now().tune();
        String before = document(tune);
        Label unkept = lookup("#unkept").query();
        assertThat(unkept.getText()).isEmpty();
        try (Connection another = another()) {
            interact(() -> model.trellis().player().setTempo(91));
            until(() -> unkept.getText().contains("another program holds the library"));
            assertThat(document(tune)).isEqualTo(before);
            requestClose();
            assertThat(stage.isShowing()).isTrue();
            assertThat(model.message().get()).startsWith("Still keeping ");
            another.createStatement().execute("ROLLBACK");
        }
        until(() -> !stage.isShowing());
        assertThat(document(tune)).isNotEqualTo(before).contains("=91");
    }

    @Test
    void askedTwiceTheWindowClosesAndTheEditIsSetAside() throws Exception {
        open(true);
        try (Connection another = another()) {
            interact(() -> model.trellis().player().setTempo(91));
            until(() -> !model.watch().unkept().get().isEmpty());
            requestClose();
            requestClose();
            until(() -> !stage.isShowing());
            another.createStatement().execute("ROLLBACK");
        }
        try (var files = java.nio.file.Files.list(folder.resolve("aside"))) {
            assertThat(files).singleElement().satisfies(f -> assertThat(f).content().contains("=91"));
        }
    }

    @Test
    void whatAnotherProgramMadeIsTakenUpUnderEarlier() {
        open(true);
        long tune = model.trellis().now().tune();
        interact(() -> model.trellis().player().setTempo(90));
        keeper.settle();
        try (Library other = Library.open(libraryFile())) {
            var now = other.tunes().current(tune);
            other.tunes().save(tune, now.id(), "tempo of the other", now.document().replace("=90", "=77"));
        }
        interact(() -> model.trellis().player().setTempo(91));
        until(() -> model.message().get().startsWith("Another program has changed this tune too (“tempo of the other”)"));
        push(EARLIER);
        ListView<EarlierChoices.Earlier> list = lookup("#earlier-list").queryListView();
        until(() -> list.getItems().size() >= 4);
        assertThat(list.getItems().get(0).now()).isTrue();
        assertThat(list.getItems().get(1).edition().what()).isEqualTo("tempo of the other");
        assertThat(list.getItems().get(1).apart()).isTrue();
        assertThat(list.isFocused()).isTrue();
        assertThat(lookup("#earlier-list .panel-heading").queryAll()).as("one sitting, one heading").hasSize(1);
        push(KeyCode.DOWN);
        until(() -> lookup("#earlier-departs").<Label>query().getText().equals("Then: tempo minim = 77."));
        assertThat(lookup("#earlier-look").<ScrollPane>query().getContent().getLayoutBounds().getHeight()).as("it is drawn").isGreaterThan(100);
        push(KeyCode.ENTER);
        until(() -> model.trellis().arrangement().tempo().toString().endsWith("=77"));
        keeper.settle();
        assertThat(document(tune)).contains("=77");
        until(() -> list.getItems().getFirst().edition().what().contains("as it was after “tempo of the other”"));
        push(EARLIER);
        assertThat(lookup("#earlier-panel").query().isVisible()).isFalse();
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(model.trellis().arrangement().tempo().toString()).endsWith("=91");
        // With nothing left to keep the window closes at once.
        keeper.settle();
        requestClose();
        until(() -> !stage.isShowing());
    }

    @Test
    void whatCannotBeReadIsToldOnTheShelfAndTheRestIsThere() throws Exception {
        try (Library library = Library.open(libraryFile())) {
            DeskApplication.fillWithDemo(library);
        }
        try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + libraryFile())) {
            other.createStatement().execute("UPDATE practice_pass SET at = 'some day' WHERE id = 1");
            other.createStatement().execute("INSERT INTO remembered (name, value) VALUES ('window', '{\"screen\": \"ORRERY\"}')");
            other.createStatement().execute("UPDATE edition SET document = 'no music at all' WHERE id = 2");
        }
        open(false);
        until(() -> model.trellis().isOpen());
        assertThat(model.shelf().findings()).anyMatch(l -> l.startsWith("library: practised pass 1 "))
                .anyMatch(l -> l.contains("where you were last time could not be read"));
        assertThat(model.shelf().tunes()).hasSizeGreaterThan(5);
        interact(model::growAll);
        until(() -> model.message().get().contains("1 could not be read and is as before"));
    }
}
