package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BackupsTest {

    private static final Clock THURSDAY = Clock.fixed(Instant.parse("2026-11-26T18:00:00Z"), ZoneOffset.UTC);

    private static final java.util.function.Predicate<String> READS = document -> document.startsWith("X:");

    @TempDir
    private Path folder;

    private Path file() {
        return folder.resolve("library.sqlite");
    }

    private static long add(Library library, String title) {
        return library.tunes().add(title, "reel", "D major", "4/4", "X:1\nT:" + title + "\nK:D\nD4|\n");
    }

    @Test
    void aBackupHoldsEverythingAndIsPutBack() {
        Path backup = folder.resolve("kept/there.sqlite");
        try (Library library = Library.open(file(), THURSDAY)) {
            long tune = add(library, "The Ebb");
            library.tunes().save(tune, library.tunes().current(tune).id(), "changed", "X:1\nT:The Ebb\nK:G\nG4|\n");
            Holding held = library.backups().write(backup);
            assertThat(held.tunes()).isEqualTo(1);
            assertThat(held.editions()).isEqualTo(2);
            assertThat(held.inWords()).contains("1 tune with 2 editions", "2026-11-26 18:00");
            add(library, "The Flood");
            assertThat(library.backups().restore(backup, READS).before()).isPresent();
            assertThatThrownBy(() -> library.tunes().all()).as("what is open notices").isInstanceOfSatisfying(LibraryFault.class, e -> assertThat(e.isAnotherLibrary()).isTrue());
            library.openWhatIsThere();
            assertThat(library.tunes().all().read()).extracting(TuneEntry::title).containsExactly("The Ebb");
        }
        Path before = folder.resolve("library.sqlite.before-restore-2026-11-26");
        assertThat(Backups.look(before).tunes()).as("what was there is kept").isEqualTo(2);
        try (Library again = Library.open(file(), THURSDAY)) {
            assertThat(again.tunes().all().read()).hasSize(1);
        }
    }

    @Test
    void anOpenLibraryGoesOnWithWhatABackupHolds() {
        try (Library library = Library.open(file())) {
            long first = library.tunes().add("The Wet Quay", "reel", "D major", "4/4", "X:1");
            Path copy = folder.resolve("copy.sqlite");
            library.backups().write(copy);
            library.tunes().add("The Lamp Stair", "jig", "G major", "6/8", "X:2");
            Path aside = library.restore(copy, READS, false, Progress.NONE).before().orElseThrow();
            assertThat(library.tunes().all().read()).extracting(TuneEntry::title).containsExactly("The Wet Quay");
            assertThat(library.tunes().current(first).document()).isEqualTo("X:1");
            library.tunes().add("Tar and Twine", "reel", "A major", "4/4", "X:3");
            assertThat(Backups.look(aside).tunes()).isEqualTo(2);
        }
        try (Library again = Library.open(file())) {
            assertThat(again.tunes().all().read()).extracting(TuneEntry::title).containsExactly("The Wet Quay", "Tar and Twine");
        }
    }

    /** A program that was killed while it made a copy leaves a piece with everybody's names in it. */
    @Test
    void piecesThatAKilledProgramLeftAreNotKept() throws IOException {
        Path yesterdays = Files.writeString(folder.resolve("library.sqlite.backup-2026-11-25.part"), "a piece");
        Path todays = Files.writeString(folder.resolve("library.sqlite.backup-2026-11-26.part"), "perhaps another window's");
        Path other = Files.writeString(folder.resolve("notes.part"), "somebody else's");
        try (Library library = Library.open(file(), THURSDAY)) {
            assertThat(library.backups().daily()).as("an empty library has nothing to be copied").isEmpty();
            assertThat(yesterdays).doesNotExist();
            assertThat(todays).exists();
            add(library, "The Ebb");
            assertThat(library.backups().daily()).isPresent();
        }
        assertThat(todays).as("replaced by the copy itself").doesNotExist();
        assertThat(other).exists();
    }

    @Test
    void oneADayIsMadeOfALibraryThatChangedAndAWeekIsKept() throws IOException {
        Instant day = THURSDAY.instant();
        for (int d = 0; d < 10; d++) {
            Clock clock = Clock.fixed(day.plus(Duration.ofDays(d)), ZoneOffset.UTC);
            try (Library library = Library.open(file(), clock)) {
                add(library, "Tune " + d);
                assertThat(library.backups().daily()).isPresent();
                assertThat(library.backups().daily()).as("nothing has changed since").isEmpty();
            }
        }
        List<Holding> all = new Backups(file(), THURSDAY).all();
        assertThat(all).hasSize(7);
        assertThat(all.getFirst().tunes()).isEqualTo(10);
        Files.writeString(all.get(3).file(), "no library");
        assertThat(new Backups(file(), THURSDAY).all()).hasSize(6);
    }

    @Test
    void whatIsNoLibraryIsNeverPutInItsPlace() throws IOException {
        Path text = Files.writeString(folder.resolve("text.abc"), "X:1\nT:A\nK:D\nD|\n");
        try (Library library = Library.open(file(), THURSDAY)) {
            add(library, "The Ebb");
            assertThatThrownBy(() -> library.backups().restore(text, READS)).isInstanceOf(LibraryFault.class);
            assertThatThrownBy(() -> library.backups().restore(folder.resolve("nowhere"), READS)).isInstanceOf(LibraryFault.class);
            assertThat(library.tunes().all().read()).hasSize(1);
        }
        assertThatThrownBy(() -> new Backups(folder.resolve("none"), THURSDAY).write(folder.resolve("x"))).isInstanceOf(LibraryFault.class);
    }

    @Test
    void aLibraryThatIsGoneIsMadeOfItsBackup() throws IOException {
        Path backup = folder.resolve("b.sqlite");
        try (Library library = Library.open(file(), THURSDAY)) {
            add(library, "The Ebb");
            library.backups().write(backup);
        }
        Path elsewhere = folder.resolve("new machine/library.sqlite");
        assertThat(new Backups(elsewhere, THURSDAY).restore(backup, READS).before()).isEmpty();
        try (Library there = Library.open(elsewhere, THURSDAY)) {
            assertThat(there.tunes().all().read()).hasSize(1);
        }
    }

    @Test
    void notesAreKnownUntilTheTuneChangesAndTagsStay() {
        try (Library library = Library.open(file(), THURSDAY)) {
            long tune = add(library, "The Ebb");
            long edition = library.tunes().current(tune).id();
            library.index().keep(List.of(new Index.Notes(tune, edition, "60 67 @AB")));
            library.index().tag(tune, List.of("winter", "beginners", "winter"));
            assertThat(library.index().all()).containsExactly(new Index.Known(tune, edition, Optional.of("60 67 @AB"), List.of("beginners", "winter")));
            library.tunes().save(tune, edition, "changed", "X:1\nT:The Ebb\nK:G\nG4|\n");
            assertThat(library.index().all()).singleElement().satisfies(k -> {
                assertThat(k.notes()).isEmpty();
                assertThat(k.tags()).hasSize(2);
            });
            library.index().tag(tune, List.of());
            assertThat(library.index().all().getFirst().tags()).isEmpty();
        }
    }
}
