package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.trellis.EarlierChoices;
import wildflourish.app.trellis.Openings;
import wildflourish.library.Edition;
import wildflourish.library.EditionEntry;
import wildflourish.library.Library;
import wildflourish.library.LibraryFault;
import wildflourish.library.Saved;
import wildflourish.library.Steps;
import wildflourish.library.Tunes;

@Timeout(60)
class KeeperTest {

    @TempDir
    Path folder;

    private final List<String> said = Collections.synchronizedList(new ArrayList<>());
    private final List<String> standing = Collections.synchronizedList(new ArrayList<>());
    private Keeper keeper;
    private long tune;

    @BeforeEach
    void open() {
        keeper = keeper();
        tune = keeper.add("T", "reel", "D", "4/4", "v0");
        keeper.open(tune);
    }

    @AfterEach
    void close() {
        keeper.close();
    }

    private Keeper keeper() {
        Keeper opened = new Keeper(Library.open(folder.resolve("library.db")), new Aside(folder.resolve("aside")), said::add);
        opened.onStanding(standing::add);
        return opened;
    }

    private Connection another() throws SQLException {
        Connection another = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("library.db"));
        another.createStatement().execute("BEGIN IMMEDIATE");
        return another;
    }

    private static void until(BooleanSupplier done) throws InterruptedException {
        while (!done.getAsBoolean()) {
            Thread.sleep(5);
        }
    }

    private String now() {
        return keeper.ask(l -> l.tunes().current(tune).document());
    }

    @Test
    void itWalksTheSameStepsAsTheLibrary() {
        keeper.save(tune, "one", () -> "v1");
        keeper.save(tune, "two", () -> "v2");
        keeper.undo(tune);
        Steps steps = keeper.open(tune);
        assertThat(steps.editions()).extracting(EditionEntry::what).containsExactly("added", "one", "two");
        assertThat(steps.now().document()).isEqualTo("v1");
        assertThat(steps.at()).isEqualTo(1);
        keeper.redo(tune);
        assertThat(now()).isEqualTo("v2");
        keeper.undo(tune);
        keeper.undo(tune);
        keeper.undo(tune);
        assertThat(now()).isEqualTo("v0");
    }

    @Test
    void manyPlacesInAHurryAreRememberedAtLast() {
        for (int i = 0; i < 500; i++) {
            String place = "1 2 " + i;
            keeper.remember("standing", () -> place);
        }
        Optional<String> last = keeper.ask(l -> l.drawer().remembered("standing"));
        assertThat(last).contains("1 2 499");
    }

    @Test
    void editsWaitWhileAnotherProgramHoldsTheFileAndAreKeptInOrder() throws Exception {
        try (Connection another = another()) {
            keeper.save(tune, "one", () -> "v1");
            keeper.save(tune, "two", () -> "v2");
            until(() -> standing.stream().anyMatch(s -> s.contains("2 edits not kept yet: another program holds the library")));
            // What is there can be read meanwhile, by whoever does not need what waits.
            assertThat(now()).isEqualTo("v0");
            assertThat(keeper.unkept()).isEqualTo(2);
            another.createStatement().execute("ROLLBACK");
        }
        keeper.finish();
        assertThat(standing.getLast()).isEmpty();
        assertThat(keeper.open(tune).editions()).extracting(EditionEntry::what).containsExactly("added", "one", "two");
        assertThat(now()).isEqualTo("v2");
        assertThat(said).isEmpty();
    }

    @Test
    void whatCannotBeKeptUntilTheEndIsSetAside() throws Exception {
        try (Connection another = another()) {
            keeper.save(tune, "one", () -> "X:1\nT:one\n");
            keeper.save(tune, "two", () -> "X:1\nT:two\n");
            until(() -> !standing.isEmpty() && standing.getLast().contains("another program"));
            keeper.giveUp();
            keeper.finish();
            another.createStatement().execute("ROLLBACK");
        }
        assertThat(said).hasSize(2).allMatch(s -> s.contains("set aside in " + folder.resolve("aside")));
        assertThat(aside()).containsExactly("X:1\nT:two\n");
        assertThat(keeper.aside().remark()).get().asString().contains("bring in");
        keeper.undo(tune);
        keeper.undo(tune);
        assertThat(now()).isEqualTo("v0");
    }

    private List<String> aside() throws IOException {
        List<String> documents = new ArrayList<>();
        try (var files = Files.list(folder.resolve("aside"))) {
            for (Path file : files.toList()) {
                documents.add(Files.readString(file));
            }
        }
        return documents;
    }

    /** What cannot even be put into words is told; the next edit is kept, and undo goes the way the window goes. */
    @Test
    void anEditThatCannotBeWrittenDownIsToldAndTheNextGoesOn() {
        keeper.save(tune, "one", () -> {
            throw new IllegalStateException("no words");
        });
        keeper.save(tune, "two", () -> "v2");
        keeper.finish();
        assertThat(said).singleElement().asString().contains("could not be written", "undo it");
        assertThat(now()).isEqualTo("v2");
        keeper.undo(tune);
        keeper.undo(tune);
        assertThat(now()).isEqualTo("v0");
    }

    @Test
    void aFaultThatStaysIsToldTheEditSetAsideAndTheNextGoesOn() throws Exception {
        Library library = mock(Library.class);
        Tunes tunes = mock(Tunes.class);
        when(library.tunes()).thenReturn(tunes);
        Edition first = new Edition(1, 9, Instant.EPOCH, "added", "d");
        when(tunes.steps(9)).thenReturn(new Steps(List.of(new EditionEntry(1, "added", "")), 0, first, Optional.empty()));
        doThrow(new LibraryFault("the library's file is damaged", null)).doReturn(new Saved(new Edition(2, 9, Instant.EPOCH, "kept", "y"), Optional.empty()))
                .when(tunes).save(anyLong(), anyLong(), anyString(), anyString());
        try (Keeper faulty = new Keeper(library, new Aside(folder.resolve("aside")), said::add)) {
            faulty.open(9);
            faulty.save(9, "aside", () -> "x");
            faulty.save(9, "kept", () -> "y");
            faulty.finish();
        }
        assertThat(said).singleElement().asString().startsWith("the library's file is damaged").contains("“aside” is set aside in ");
        assertThat(aside()).containsExactly("x");
        verify(tunes).save(9, 1, "kept", "y");
    }

    @Test
    void anEditThatCanNeverBeKeptIsSetAside() throws Exception {
        keeper.ask(l -> {
            l.close();
            return true;
        });
        keeper.save(tune, "one", () -> "X:1\nT:one\n");
        keeper.finish();
        assertThat(said).singleElement().asString().contains("the tune as it was after “one” is set aside");
        assertThat(aside()).containsExactly("X:1\nT:one\n");
    }

    @Test
    void anotherProgramsEditIsToldOnceAndCanBeTakenUpAgain() {
        try (Library other = Library.open(folder.resolve("library.db"))) {
            other.tunes().save(tune, other.tunes().current(tune).id(), "a roll", "theirs");
        }
        keeper.save(tune, "one", () -> "v1");
        keeper.save(tune, "two", () -> "v2");
        keeper.undo(tune);
        assertThat(now()).isEqualTo("v1");
        assertThat(said).singleElement().asString().contains("another program has changed this tune too (“a roll”)", "Earlier");
        List<EarlierChoices.Earlier> earlier = Openings.earlier(keeper, tune);
        assertThat(earlier).extracting(e -> e.edition().what()).containsExactly("two", "one", "a roll", "added");
        assertThat(earlier).extracting(EarlierChoices.Earlier::apart).containsExactly(false, false, true, false);
        assertThat(earlier).extracting(EarlierChoices.Earlier::now).containsExactly(false, true, false, false);
    }

    @Test
    void aLadderThatWasGrownMeanwhileIsNotPutOverAnEdit() {
        var before = keeper.ask(l -> l.tunes().current(tune));
        assertThat(keeper.addGrown(before, "grown")).isTrue();
        keeper.save(tune, "one", () -> "v1");
        assertThat(keeper.addGrown(before, "grown again")).isFalse();
        assertThat(now()).isEqualTo("v1");
        assertThat(said).isEmpty();
    }

    @Test
    void readingTheLibraryDoesNotHoldUpWhatIsSaved() throws Exception {
        var entered = new java.util.concurrent.CountDownLatch(1);
        var go = new java.util.concurrent.CountDownLatch(1);
        Thread slow = Thread.startVirtualThread(() -> keeper.ask(l -> {
            entered.countDown();
            try {
                go.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return true;
        }));
        entered.await();
        keeper.save(tune, "one", () -> "v1");
        keeper.finish();
        assertThat(now()).isEqualTo("v1");
        go.countDown();
        slow.join();
    }
}
