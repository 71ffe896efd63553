package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.shelf.ShelfModel;
import wildflourish.app.trellis.Openings;
import wildflourish.core.finding.Finding;
import wildflourish.library.Edition;
import wildflourish.library.EditionEntry;
import wildflourish.library.Library;
import wildflourish.library.LibraryFault;
import wildflourish.library.TuneEntry;
import wildflourish.library.Tunes;

class WorkTest {

    @TempDir
    Path folder;

    @Test
    void theLibraryLiesWhereThePlatformKeepsData() {
        assertThat(Folders.dataFolder("Linux", "/home/a", Map.of())).isEqualTo(Path.of("/home/a/.local/share/wild-flourish"));
        assertThat(Folders.dataFolder("Linux", "/home/a", Map.of("XDG_DATA_HOME", "/data")))
                .isEqualTo(Path.of("/data/wild-flourish"));
        assertThat(Folders.dataFolder("Mac OS X", "/Users/a", Map.of()))
                .isEqualTo(Path.of("/Users/a/Library/Application Support/Wild Flourish"));
        assertThat(Folders.dataFolder("Windows 11", "/u", Map.of("APPDATA", "/roaming")))
                .isEqualTo(Path.of("/roaming/Wild Flourish"));
    }

    @Test
    void fileNamesAreMadeOfTitles() {
        assertThat(Folders.fileName("The Keeper's Long Stair")).isEqualTo("the-keeper-s-long-stair");
        assertThat(Folders.fileName("Ó Súil: Nº 3")).isEqualTo("o-suil-n-3");
        assertThat(Folders.fileName("???")).isEqualTo("tune");
    }

    @Test
    void filesAreWrittenWholeOrNotAtAll() throws IOException {
        Path file = folder.resolve("a").resolve("b.txt");
        SafeWrite.write(file, "one".getBytes());
        SafeWrite.write(file, "two".getBytes());
        assertThat(Files.readString(file)).isEqualTo("two");
        Path blocked = folder.resolve("full");
        Files.createDirectories(blocked.resolve("x"));
        assertThatThrownBy(() -> SafeWrite.write(blocked, "three".getBytes())).isInstanceOf(IOException.class);
        try (var list = Files.list(folder)) {
            assertThat(list).noneMatch(p -> p.toString().endsWith(".part"));
        }
    }

    @Test
    void formatsAreToldByTheirEndings() {
        assertThat(Exports.format("x.ABC")).contains(Exports.Format.ABC);
        assertThat(Exports.format("x.midi")).contains(Exports.Format.MIDI);
        assertThat(Exports.format("x.svg")).contains(Exports.Format.SVG);
        assertThat(Exports.format("x.pdf")).contains(Exports.Format.PDF);
        assertThat(Exports.format("x.doc")).isEmpty();
    }

    @Test
    void aFaultOfTheLibraryIsToldAndTheNextEditGoesOn() {
        Library library = mock(Library.class);
        Tunes tunes = mock(Tunes.class);
        when(library.tunes()).thenReturn(tunes);
        Edition first = new Edition(1, 9, Instant.EPOCH, "added", "d");
        Edition later = new Edition(2, 9, Instant.EPOCH, "again", "d2");
        when(tunes.current(9)).thenReturn(first);
        when(tunes.ancestors(1)).thenReturn(List.of(new EditionEntry(1, "added")));
        when(tunes.descendants(1)).thenReturn(List.of());
        doThrow(new LibraryFault("the disk is full", null)).doReturn(later)
                .when(tunes).save(anyLong(), anyLong(), anyString(), anyString());
        List<String> trouble = Collections.synchronizedList(new ArrayList<>());
        try (Keeper keeper = new Keeper(library, trouble::add)) {
            keeper.open(9);
            keeper.save(9, "lost", () -> "x");
            keeper.save(9, "kept", () -> "y");
            keeper.settle();
        }
        assertThat(trouble).containsExactly("the disk is full");
        org.mockito.Mockito.verify(tunes).save(9, 1, "kept", "y");
    }

    @Test
    void manyPlacesInAHurryAreRememberedOnce() {
        Path file = folder.resolve("library.db");
        try (Keeper keeper = new Keeper(Library.open(file), t -> { })) {
            for (int i = 0; i < 500; i++) {
                keeper.remember("standing", "1 2 " + i);
            }
        }
        try (Library library = Library.open(file)) {
            assertThat(library.drawer().remembered("standing")).contains("1 2 499");
        }
    }

    @Test
    void theKeeperWalksTheSameStepsAsTheLibrary() {
        try (Keeper keeper = new Keeper(Library.open(folder.resolve("l.db")), t -> { })) {
            long tune = keeper.ask(l -> l.tunes().add("T", "reel", "D", "4/4", "v0"));
            keeper.ask(l -> keeper.open(tune));
            keeper.save(tune, "one", () -> "v1");
            keeper.save(tune, "two", () -> "v2");
            keeper.undo(tune);
            Keeper.Steps steps = keeper.ask(l -> keeper.open(tune));
            assertThat(steps.editions()).extracting(EditionEntry::what).containsExactly("added", "one", "two");
            assertThat(steps.document()).isEqualTo("v1");
            assertThat(steps.current()).isEqualTo(1);
            keeper.redo(tune);
            String now = keeper.ask(l -> l.tunes().current(tune).document());
            assertThat(now).isEqualTo("v2");
        }
    }

    /** A tune on an instrument that is gone opens, and what is missing is told. */
    @Test
    void anInstrumentThatIsGoneIsToldOf() {
        String document = "X:1\nT:T\nM:4/4\nL:1/8\nK:D\nI:flourish instrument own-whistle-of-the-pier\nI:flourish tempo 1/2=80\n"
                + "I:flourish rung 0 bare\nD2F2 A4|\n";
        try (Keeper keeper = new Keeper(Library.open(folder.resolve("gone.db")), t -> { })) {
            long gone = keeper.ask(l -> l.tunes().add("T", "reel", "D", "4/4", document));
            long here = keeper.ask(l -> l.tunes().add("T", "reel", "D", "4/4", document.replace("own-whistle-of-the-pier", "whistle-d")));
            Openings.Opened opened = Openings.open(keeper, gone);
            assertThat(opened.arrangement().tune().bars()).hasSize(1);
            assertThat(opened.remark().orElseThrow()).contains("own-whistle-of-the-pier");
            Openings.Opened fine = Openings.open(keeper, here);
            assertThat(fine.remark()).isEmpty();
        }
    }

    @Test
    void theShelfIsSearchedByWords() {
        ShelfModel shelf = new ShelfModel();
        assertThat(shelf.isEmpty()).isTrue();
        shelf.setTunes(List.of(new TuneEntry(1, "The Lamp at Half Tide", "reel", "D major", "4/4"),
                new TuneEntry(2, "Six Gulls", "jig", "G major", "6/8")));
        assertThat(shelf.shown()).hasSize(2);
        shelf.search().set("JIG g");
        assertThat(shelf.shown()).extracting(TuneEntry::id).containsExactly(2L);
        shelf.search().set("lamp jig");
        assertThat(shelf.shown()).isEmpty();
        shelf.search().set("  ");
        assertThat(shelf.shown()).hasSize(2);
        shelf.setFindings("x.abc", List.of(Finding.error(3, 4, "what", "remedy")));
        assertThat(shelf.findings()).containsExactly("x.abc:3:4: error: what; remedy");
    }
}
