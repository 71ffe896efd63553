package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.desk.DeskApplication;
import wildflourish.library.Given;
import wildflourish.library.Library;

/** The class on the command line. */
class ClassCommandTest extends CommandLineTest {

    @TempDir
    Path folder;

    private Path library;

    @BeforeEach
    void theDemoClass() {
        library = folder.resolve("class.sqlite");
        try (Library open = Library.open(library)) {
            DeskApplication.fillWithDemo(open);
        }
    }

    @Test
    void everyStudentHasTunesAndWhatIsNext() throws Exception {
        JsonNode students = json("class", "--library", library).get("students");
        assertThat(students).hasSize(8);
        JsonNode tam = students.get(3);
        assertThat(tam.get("name").asText()).isEqualTo("Tam Noustie");
        assertThat(tam.get("class").asText()).isEqualTo("Thursday");
        JsonNode stuck = tam.get("tunes").get(0);
        assertThat(stuck.get("stuck").get(0).asText()).isEqualTo("the whole tune");
        assertThat(stuck.get("reached").isNull()).isTrue();
        assertThat(stuck.get("next").asText()).startsWith("an easier tune first");
        for (JsonNode student : students) {
            for (JsonNode tune : student.get("tunes")) {
                assertThat(tune.get("why").asText()).isNotEmpty();
                assertThat(tune.get("goal").asText()).contains("=");
            }
        }
        assertThat(run("class", "--library", library, "--class", "Friday")).isEqualTo(1);
        assertThat(run("class", "--library", folder.resolve("none.sqlite"))).isEqualTo(1);
    }

    @Test
    void eachTuneHasTheTempoForAllAndWhomAFasterOneLeavesBehind() throws Exception {
        JsonNode tunes = json("class", "--library", library, "--class", "Thursday").get("tunes");
        assertThat(tunes).isNotEmpty();
        for (JsonNode tune : tunes) {
            JsonNode steps = tune.get("leftBehind");
            assertThat(steps).as(tune.get("title").asText()).isNotEmpty();
            assertThat(steps.get(0).get("above")).as("the first who is left behind sets it").isEqualTo(tune.get("everybody"));
            java.util.Set<String> behind = new java.util.HashSet<>();
            for (JsonNode step : steps) {
                step.get("who").forEach(w -> assertThat(behind.add(w.asText())).isTrue());
            }
            assertThat(behind).hasSizeLessThanOrEqualTo(8);
        }
    }

    /** The figures of a lesson add up to what its plan is worth, as docs/class.md says. */
    @Test
    void aLessonsWorthCanBeReckonedAgain() throws Exception {
        for (int minutes : new int[] {10, 30, 60, 90}) {
            JsonNode plan = json("lesson", "--library", library, "--class", "Thursday", "--title", "The Lamp at Half Tide", "--title", "Six Gulls on the Chapel Wall", "--minutes", minutes);
            double lines = 0;
            java.util.Set<String> tunes = new java.util.HashSet<>();
            for (JsonNode line : plan.get("lines")) {
                lines += line.get("worth").asDouble();
                tunes.add(line.get("tune").asText());
                assertThat(line.get("obligatory").asBoolean() && line.get("doing").asText().equals("phrase")).isFalse();
            }
            double dropped = Math.round(10 * (plan.get("worth").asDouble() - lines)) / 10.0;
            assertThat(dropped % 4).as("four hundredths for each known tune that is in it").isZero();
            assertThat(dropped / 4).isBetween(0.0, (double) tunes.size());
        }
        assertThat(json("lesson", "--library", library, "--class", "Thursday", "--title", "The Lamp at Half Tide", "--minutes", 10).get("free").asInt())
                .as("ten minutes are enough for something").isLessThanOrEqualTo(1);
    }

    @Test
    void aSheetForEverybodyIsWrittenAndWrittenDown() throws Exception {
        Path demo = Path.of("src/main/resources/wildflourish/app/demo/marram-strand.abc");
        Path there = folder.resolve("sheets");
        int before;
        try (Library open = Library.open(library)) {
            before = open.people().given().read().size();
        }
        assertThat(run("handout", demo, "--tune", 2, "--class", "thursday", "--library", library, "--out", there)).isZero();
        try (var files = Files.list(there)) {
            assertThat(files).hasSize(9);
        }
        try (Library open = Library.open(library)) {
            assertThat(open.people().given().read()).hasSize(before + 8).last().extracting(Given::what).isEqualTo("sheet");
        }
        assertThat(run("handout", demo, "--class", "Friday", "--library", library, "--out", there)).isEqualTo(1);
    }

    @Test
    void aLessonIsPlannedForThoseOfAClass() throws Exception {
        Path page = folder.resolve("lesson.pdf");
        JsonNode plan = json("lesson", "--library", library, "--class", "Thursday", "--title", "The Lamp at Half Tide", "--title", "Six Gulls on the Chapel Wall", "--minutes", 60, "--out", page);
        int at = 0;
        for (JsonNode line : plan.get("lines")) {
            assertThat(line.get("from").asInt()).isEqualTo(at);
            at += line.get("minutes").asInt();
        }
        assertThat(at + plan.get("free").asInt()).isEqualTo(60);
        assertThat(plan.get("lines").get(0).get("doing").asText()).isEqualTo("tune-up");
        assertThat(plan.toString()).contains("Tam Noustie").contains("holes xxx");
        try (PDDocument pdf = Loader.loadPDF(page.toFile())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(pdf)).contains("Thursday").contains("Six Gulls on the Chapel Wall").contains("60 minutes");
        }
        assertThat(run("lesson", "--library", library, "--title", "Nobody's Reel")).isEqualTo(1);
        assertThat(run("lesson", "--library", library, "--class", "Friday", "--title", "The Lamp at Half Tide")).isEqualTo(1);
        assertThat(run("lesson", "--library", library, "--title", "The Lamp at Half Tide", "--minutes", 0)).isEqualTo(2);
    }
}
