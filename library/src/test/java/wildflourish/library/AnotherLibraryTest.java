package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;

/** A library that is open while another one is put into its file's place: by a restore, a move, a copy by hand. */
@EnabledOnOs({OS.LINUX, OS.MAC})
class AnotherLibraryTest {

    @TempDir
    Path folder;

    private Path file() {
        return folder.resolve("library.db");
    }

    private static long add(Library library, String title, int edits) {
        long tune = library.tunes().add(title, "reel", "D major", "4/4", title + " 0");
        for (int i = 1; i <= edits; i++) {
            library.tunes().save(tune, library.tunes().current(tune).id(), "edit " + i, title + " " + i);
        }
        return tune;
    }

    /** Another library, whose tunes and editions have the same numbers. */
    private Path other(int edits) {
        Path other = folder.resolve("other.db");
        try (Library library = Library.open(other)) {
            add(library, "The Other", edits);
        }
        return other;
    }

    /** As {@code cp} does: into the same file. */
    private static void copyOver(Path from, Path to) throws IOException {
        try (OutputStream out = Files.newOutputStream(to)) {
            Files.copy(from, out);
        }
    }

    private static void refuses(Library library, long tune, long parent) {
        assertThatThrownBy(() -> library.tunes().save(tune, parent, "a roll", "mine")).isInstanceOfSatisfying(LibraryFault.class, e -> {
            assertThat(e.isAnotherLibrary()).isTrue();
            assertThat(e.mayPass()).as("waiting would not help").isFalse();
        });
        assertThatThrownBy(() -> library.tunes().all()).as("nor is it read as if it were the one that was opened").isInstanceOf(LibraryFault.class);
    }

    private void isUntouched(String title, int editions) throws IOException {
        try (Library there = Library.open(file())) {
            assertThat(there.examine()).as("its pages are its own").isEmpty();
            assertThat(there.tunes().all().read()).extracting(TuneEntry::title).containsExactly(title);
            assertThat(there.tunes().editions(there.tunes().all().read().getFirst().id())).hasSize(editions);
            assertThat(there.tunes().current(there.tunes().all().read().getFirst().id()).document()).startsWith(title);
        }
    }

    @Test
    void oneThatIsRestoredFromElsewhereTakesNoEditOfTheOneBefore() throws IOException {
        Path other = other(3);
        try (Library library = Library.open(file())) {
            long tune = add(library, "The Ebb", 2);
            long parent = library.tunes().current(tune).id();
            new Backups(file(), java.time.Clock.systemUTC()).restore(other, d -> true);
            refuses(library, tune, parent);
            library.openWhatIsThere();
            assertThat(library.tunes().all().read()).extracting(TuneEntry::title).containsExactly("The Other");
            library.tunes().save(tune, library.tunes().current(tune).id(), "of its own", "The Other 4");
        }
        isUntouched("The Other", 5);
    }

    @Test
    void oneThatIsMovedThereTakesNoEditOfTheOneBefore() throws IOException {
        Path other = other(3);
        try (Library library = Library.open(file())) {
            long tune = add(library, "The Ebb", 2);
            long parent = library.tunes().current(tune).id();
            Files.move(other, file(), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            refuses(library, tune, parent);
        }
        isUntouched("The Other", 4);
    }

    @Test
    void oneThatIsCopiedOverItTakesNoEditAndNoPageOfTheOneBefore() throws IOException {
        Path other = other(3);
        try (Library library = Library.open(file())) {
            long tune = add(library, "The Ebb", 40);
            long parent = library.tunes().current(tune).id();
            copyOver(other, file());
            refuses(library, tune, parent);
        }
        isUntouched("The Other", 4);
    }

    @Test
    void oneThatIsCopiedOverItIsLeftAloneWhenTheProgramEndsWithoutAnEdit() throws IOException {
        Path other = other(3);
        try (Library library = Library.open(file())) {
            add(library, "The Ebb", 40);
            copyOver(other, file());
        }
        isUntouched("The Other", 4);
    }

    @Test
    void anEarlierCopyOfItselfByHandTakesNoLaterEdit() throws IOException {
        Path copy = folder.resolve("by-hand.db");
        long tune;
        try (Library library = Library.open(file())) {
            tune = add(library, "The Ebb", 2);
        }
        Files.copy(file(), copy);
        try (Library library = Library.open(file())) {
            for (int i = 0; i < 5; i++) {
                library.tunes().save(tune, library.tunes().current(tune).id(), "later", "The Ebb later " + i);
            }
        }
        try (Library library = Library.open(file())) {
            long parent = library.tunes().current(tune).id();
            copyOver(copy, file());
            refuses(library, tune, parent);
        }
        isUntouched("The Ebb", 3);
    }

    @Test
    void anEmptyLibraryIsKnownToo() throws IOException {
        Path other = other(0);
        try (Library library = Library.open(file())) {
            Files.move(other, file(), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            assertThatThrownBy(() -> add(library, "The Ebb", 0)).isInstanceOfSatisfying(LibraryFault.class, e -> assertThat(e.isAnotherLibrary()).isTrue());
        }
        isUntouched("The Other", 1);
    }

    @Test
    void aFileThatIsGoneIsWaitedForAndMadeByNobody() throws IOException {
        try (Library library = Library.open(file())) {
            long tune = add(library, "The Ebb", 1);
            Files.move(file(), folder.resolve("away.db"));
            assertThatThrownBy(() -> library.tunes().save(tune, 2, "away", "w")).isInstanceOfSatisfying(LibraryFault.class, e -> assertThat(e.mayPass()).isTrue())
                    .hasMessageContaining("gone");
            assertThat(file()).doesNotExist();
            Files.move(folder.resolve("away.db"), file());
            library.tunes().save(tune, library.tunes().current(tune).id(), "back", "The Ebb 2");
        }
        isUntouched("The Ebb", 3);
    }

    @Test
    void anEditOfAVersionThatIsNotThereIsRefused() {
        try (Library library = Library.open(file())) {
            long one = add(library, "The Ebb", 1);
            long two = add(library, "The Flood", 1);
            long parentOfOther = library.tunes().current(two).id();
            assertThatThrownBy(() -> library.tunes().save(one, parentOfOther, "mixed up", "x")).hasMessageContaining("does not hold the version");
            assertThat(library.tunes().editions(one)).hasSize(2);
        }
    }

    @Test
    void twoLibrariesMadeInOneMomentAreTwo() {
        try (Library one = Library.open(file()); Library two = Library.open(folder.resolve("two.db"))) {
            assertThat(one.backups().write(folder.resolve("a")).identity().lineage()).isNotEqualTo(two.backups().write(folder.resolve("b")).identity().lineage());
        }
    }
}
