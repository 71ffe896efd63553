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
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.shelf.ShelfModel;
import wildflourish.app.trellis.Openings;
import wildflourish.core.finding.Finding;
import wildflourish.library.Library;
import wildflourish.library.TuneEntry;

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

    /** A tune on an instrument that is gone opens, and what is missing is told. */
    @Test
    void anInstrumentThatIsGoneIsToldOf() {
        String document = "X:1\nT:T\nM:4/4\nL:1/8\nK:D\nI:flourish instrument own-whistle-of-the-pier\nI:flourish tempo 1/2=80\n"
                + "I:flourish rung 0 bare\nD2F2 A4|\n";
        try (Keeper keeper = new Keeper(Library.open(folder.resolve("gone.db")), new Aside(folder), t -> { })) {
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
