package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.desk.DeskApplication;
import wildflourish.library.Library;

class FaultReportTest {

    private static final FaultReport.Names NAMES = new FaultReport.Names(Map.of("Ina Skarf", "(a student)", "Ina", "(a student)", "Skarf", "(a student)",
            "The Lamp at Half Tide", "(a tune)", "Li", "(a student)"));

    @Test
    void namesAndPlacesOfFilesAreCovered() {
        assertThat(FaultReport.cover("“The Lamp at half tide” of Ina Skarf, and Skarf's, not Inas; Li stays in lists", NAMES))
                .isEqualTo("“(a tune)” of (a student), and (a student)'s, not Inas; Li stays in lists");
        assertThat(FaultReport.cover("cannot write /home/ina/Thursday/tunes.abc: full", NAMES)).isEqualTo("cannot write (a file): full");
        assertThat(FaultReport.cover("C:\\Users\\Ina\\tunes.abc is gone", NAMES)).isEqualTo("(a file) is gone");
        assertThat(FaultReport.cover("file:/media/stick/x.mid", NAMES)).isEqualTo("(a file)");
    }

    @Test
    void whatAStackTraceNamesIsLeft() {
        String line = "\tat wildflourish.app/wildflourish.app.work.Keeper.ask(Keeper.java:75)";

        assertThat(FaultReport.cover(line, NAMES)).isEqualTo(line);
    }

    @Test
    void itHasTheVersionsAndTheEndOfTheLog() {
        String log = IntStream.range(0, 1000).mapToObj(i -> "line " + i).collect(Collectors.joining("\n"));

        assertThat(FaultReport.of(Map.of("Screen", "trellis"), NAMES, log)).startsWith("What I did:").contains("Wild Flourish: " + ProgramVersion.now())
                .contains("Java: ").contains("Screen: trellis").contains("line 600\n").contains("line 999\n").doesNotContain("line 599\n");
        assertThat(FaultReport.of(Map.of(), NAMES, "")).contains("nothing was logged");
    }

    @Test
    void nothingOfTheDemoClassIsInIt(@TempDir Path folder) throws IOException {
        Path file = folder.resolve("library.db");
        try (Library library = Library.open(file)) {
            DeskApplication.fillWithDemo(library);
            StringBuilder log = new StringBuilder();
            library.people().all().read().forEach(p -> log.append("of ").append(p.student().name()).append(" in ").append(file).append('\n'));
            library.tunes().all().read().forEach(t -> log.append("“").append(t.title()).append("”\n"));
            Files.writeString(Trouble.log(file), log);

            String report = FaultReport.of(Map.of(), FaultReport.Names.of(library), FaultReport.logged(file));

            library.people().all().read().forEach(p -> assertThat(report).doesNotContain(p.student().name().split(" ")));
            library.tunes().all().read().forEach(t -> assertThat(report).doesNotContain(t.title()));
            assertThat(report).doesNotContain(folder.getFileName().toString()).contains("(a tune)").contains("of (a student) in (a file)");
        }
    }
}
