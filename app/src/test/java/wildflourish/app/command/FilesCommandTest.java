package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.Main;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcReader;

/** The files that commands write: none over another by surprise, a book whole, the same on every machine. */
class FilesCommandTest extends CommandLineTest {

    private static final String BOOK = "X:1\nT:One\nM:4/4\nL:1/8\nK:D\nD2FA d4|\n\nX:2\nT:Two\nM:6/8\nL:1/8\nK:G\nGAB d3|\n\n"
            + "X:3\nT:Three\nM:3/4\nL:1/8\nK:A\nA2c2e2|\n";

    @TempDir
    Path folder;

    private Path file;

    @BeforeEach
    void aBook() throws IOException {
        file = Files.writeString(folder.resolve("book.abc"), BOOK);
    }

    @Test
    void aFileThatIsThereIsWrittenOverOnlyWhenAskedFor() throws IOException {
        Path there = Files.writeString(folder.resolve("there.pdf"), "mine");
        for (List<Object> command : List.<List<Object>>of(List.of("convert", file, there), List.of("handout", file, "--instrument", "whistle-d", "--out", there),
                List.of("chart", "whistle-d", "--out", there), List.of("rounds", file, "--instrument", "whistle-d", "--out", there),
                List.of("translate", file, "--instrument", "whistle-d", "--to", "fiddle", "--out", there),
                List.of("grow", file, "--instrument", "whistle-d", "--book", there))) {
            assertThat(run(command.toArray())).as(command.toString()).isEqualTo(1);
            assertThat(err.toString()).contains("there is a file already", "--force");
            assertThat(there).hasContent("mine");
        }
        assertThat(run("convert", file, there, "--force")).isZero();
        assertThat(Files.readAllBytes(there)).startsWith("%PDF".getBytes(StandardCharsets.US_ASCII));
        assertThat(run("convert", file, file, "--force")).as("the tune itself is never written over").isEqualTo(1);
        assertThat(file).hasContent(BOOK);
    }

    @Test
    void aBookStaysABook() throws IOException {
        Path all = folder.resolve("all.abc");
        assertThat(run("convert", file, all)).isZero();
        assertThat(AbcReader.read(Files.readAllBytes(all)).tunes()).extracting(t -> t.tune().title()).containsExactly("One", "Two", "Three");
        List<Tune> before = AbcReader.read(BOOK).tunes().stream().map(t -> t.tune()).toList();
        assertThat(AbcReader.read(Files.readAllBytes(all)).tunes()).extracting(t -> t.tune()).isEqualTo(before);
        Path two = folder.resolve("two.abc");
        assertThat(run("convert", file, two, "--tune", 2)).isZero();
        assertThat(AbcReader.read(Files.readAllBytes(two)).tunes()).extracting(t -> t.tune().title()).containsExactly("Two");
    }

    @Test
    void lettersThatNoFontHasAreTold() throws IOException {
        Path strange = Files.writeString(folder.resolve("strange.abc"), BOOK.replace("T:One", "T:One \uDBFF\uDFFD"));
        assertThat(run("convert", strange, folder.resolve("strange.pdf"))).isZero();
        assertThat(err.toString()).contains("no font of this machine has the letters \uDBFF\uDFFD", "install");
        assertThat(run("handout", strange, "--instrument", "whistle-d", "--out", folder.resolve("sheet.pdf"))).isZero();
        assertThat(err.toString()).contains("no font of this machine");
        assertThat(run("convert", file, folder.resolve("plain.pdf"))).isZero();
        assertThat(err.toString()).isEmpty();
    }

    /** Where figures are written in other digits, and where an I has no dot, everything comes out as elsewhere. */
    @Test
    void everyLocaleGivesTheSame() throws Exception {
        String plain = outOf("-Duser.language=en", "-Duser.country=GB");
        assertThat(plain).contains("One").contains("bar");
        assertThat(outOf("-Duser.language=ar", "-Duser.country=EG")).isEqualTo(plain);
        assertThat(outOf("-Duser.language=tr", "-Duser.country=TR")).isEqualTo(plain);
    }

    private String outOf(String... locale) throws Exception {
        List<String> words = new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString()));
        words.addAll(List.of(locale));
        words.addAll(List.of("-Dfile.encoding=UTF-8", "-cp", System.getProperty("java.class.path"), Main.class.getName(),
                "grow", file.toString(), "--instrument", "fiddle"));
        Process process = new ProcessBuilder(words).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        String printed = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).isZero();
        return printed;
    }

    /** Of a bar with a quintuplet the rhythm is a guess, and told; every other bar comes back from MIDI as it was. */
    @Test
    void aQuintupletCostsNoOtherBarOnTheWayThroughMidi() throws IOException {
        Path tune = Files.writeString(folder.resolve("five.abc"), "X:1\nT:Five\nM:4/4\nL:1/8\nQ:1/4=120\nK:D\n|:D2 FA d2 cd|e2 (5:4:5efgfe dB|A2 FA BAFE|D2 E2 F4:|\n"
                + "|:A2 dA FAdf|e2 d2 cdBc|D2 FA B2 A2|D8:|\n");
        Path midi = folder.resolve("five.mid");
        Path back = folder.resolve("back.abc");
        assertThat(run("convert", tune, midi)).isZero();
        assertThat(run("convert", midi, back)).isZero();
        assertThat(err.toString()).contains("the rhythm is a guess in bar 2");
        Tune before = AbcReader.read(Files.readAllBytes(tune)).tunes().getFirst().tune();
        Tune after = AbcReader.read(Files.readAllBytes(back)).tunes().getFirst().tune();
        assertThat(after.bars()).hasSameSizeAs(before.bars());
        for (int bar = 0; bar < before.bars().size(); bar++) {
            if (bar != 1) {
                assertThat(lengthsAndPitches(after, bar)).as("bar %d", bar + 1).isEqualTo(lengthsAndPitches(before, bar));
            }
        }
    }

    private static List<String> lengthsAndPitches(Tune tune, int bar) {
        return tune.bars().get(bar).elements().stream().map(e -> e.length() + " " + (e instanceof wildflourish.core.tune.Note n ? n.pitches() : "rest")).toList();
    }
}
