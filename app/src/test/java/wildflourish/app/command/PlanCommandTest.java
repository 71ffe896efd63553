package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The commands plan, chart and instruments, on the first demo tune. */
class PlanCommandTest extends CommandLineTest {

    @TempDir
    private Path folder;

    private Path demo;

    @BeforeEach
    void tune() throws IOException {
        demo = folder.resolve("demo.abc");
        try (var in = PlanCommandTest.class.getResourceAsStream("/wildflourish/app/demo/marram-strand.abc")) {
            Files.write(demo, in.readAllBytes());
        }
    }

    private static List<String> bars(JsonNode plan, int from, int to) {
        List<String> places = new ArrayList<>();
        for (JsonNode note : plan.get("notes")) {
            if (note.get("bar").asInt() >= from && note.get("bar").asInt() <= to) {
                JsonNode place = note.get("place");
                String where = place.isNull() ? "-" : place.has("string")
                        ? place.get("string").asText() + (place.get("fret").isNull() ? place.get("finger").asText()
                                : place.get("fret").asText())
                        : place.has("row") ? place.get("row").asText() + place.get("button").asText()
                        : place.get("holes").asText();
                String direction = note.get("direction").isNull() ? "" : note.get("direction").asText().equals("push")
                        ? ">" : note.get("direction").asText().equals("pull") ? "<" : "";
                places.add(where + direction);
            }
        }
        return places;
    }

    /** Plans of the first demo tune read through by hand, a note at a time; common practice, from memory. */
    @Test
    void handCheckedPlansOfADemoTune() throws IOException {
        assertThat(bars(json("plan", demo, "--instrument", "fiddle"), 3, 4)).containsExactly(
                "Dhigh 2", "D4", "Dhigh 2", "A3", "Ahigh 2", "A3",
                "E0", "A0", "Ahigh 2", "E0", "A3", "A1", "A0", "D3");
        assertThat(bars(json("plan", demo, "--instrument", "melodeon-dg"), 1, 2)).containsExactly(
                "D4>", "D5>", "D4>", "D6>", "D4>", "D5>", "D4>", "D4<", "D5<", "D4<", "D7<", "D4<", "D5<", "D4<");
        assertThat(bars(json("plan", demo, "--tune", 2, "--instrument", "melodeon-dg"), 1, 2)).containsExactly(
                "G3>", "G4>", "G3<", "G3>", "G3<", "G4<", "G4>", "G3<");
        assertThat(bars(json("plan", demo, "--tune", 2, "--instrument", "melodeon-dg", "--school", "rows=across"),
                1, 2)).containsExactly("G3>", "G4>", "G3<", "D4<", "G3<", "G4<", "D5<", "D5>");
        assertThat(bars(json("plan", demo, "--instrument", "anglo-cg"), 1, 2)).containsExactly(
                "G2<", "G3<", "G2<", "C2<", "G2<", "G3<", "G2<", "G3>", "G4>", "G3>", "C2>", "G3>", "G4>", "G3>");
        assertThat(bars(json("plan", demo, "--tune", 7, "--instrument", "banjo-five-string", "--capo", 2), 0, 2))
                .containsExactly("D30", "D34", "G30", "B30", "G30", "B33", "B30", "G30",
                        "B31", "D42", "B31", "G40", "D42", "B31");
    }

    @Test
    void theNinePipesSayWhichNotesTheyLack() throws IOException {
        JsonNode plan = json("plan", demo, "--instrument", "pipes-nine-note");
        List<String> missing = new ArrayList<>();
        plan.get("notes").forEach(n -> {
            if (n.get("place").isNull()) {
                missing.add(n.get("pitch").asText());
                assertThat(n.get("why").asText()).contains("nine-note pipes");
            }
        });
        assertThat(missing).contains("D4", "E4", "F#4").doesNotContain("G4", "A4", "B4", "C#5", "D5", "E5", "F#5", "G5", "A5");
    }

    @Test
    void theDocumentHasTheAgreedShape() throws IOException {
        JsonNode plan = json("plan", demo, "--instrument", "whistle-d", "--school", "c-natural=half");
        assertThat(plan.get("instrument").asText()).isEqualTo("whistle-d");
        assertThat(plan.get("school").get("c-natural").asText()).isEqualTo("half");
        assertThat(plan.get("cost").asInt()).isPositive();
        JsonNode first = plan.get("notes").get(0);
        assertThat(first.get("place").toString()).isEqualTo("{\"holes\":\"xxx xxx\",\"breath\":\"gentle\"}");
        assertThat(first.get("direction").isNull()).isTrue();
        assertThat(first.get("pitch").asText()).isEqualTo("D4");
        JsonNode box = json("plan", demo, "--instrument", "anglo-cg").get("notes").get(0);
        assertThat(box.get("place").get("side").asText()).isEqualTo("left");
        assertThat(box.get("finger").asText()).isEqualTo("3");
        JsonNode bow = json("plan", demo, "--instrument", "fiddle").get("notes").get(0);
        assertThat(bow.get("place").toString()).isEqualTo("{\"string\":\"D\",\"finger\":\"0\",\"fret\":null}");
        assertThat(bow.get("direction").asText()).isEqualTo("down");
    }

    /** A finger in another position than the first says which; in the first nothing is said. */
    @Test
    void positionsAreNamedWhereTheyAreNotTheFirst() throws IOException {
        Path high = folder.resolve("high.abc");
        Files.writeString(high, "X:1\nT:High\nR:reel\nM:4/4\nL:1/8\nK:D\nd2fa b2d'2|b2a2 f2d2|]\n");
        List<String> positions = new ArrayList<>();
        json("plan", high, "--instrument", "fiddle").get("notes").forEach(n -> positions.add(n.get("place").path("position").asText("first")));
        assertThat(positions).contains("third").contains("first");
        json("plan", demo, "--instrument", "fiddle").get("notes").forEach(n -> assertThat(n.get("place").has("position")).isFalse());
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-low-c", "recorder-alto-f", "tenor-banjo", "english-48", "accordion-csd",
        "pipes-bellows-d", "bamboo-flute-c"})
    void everyInstrumentPlansInWords(String id) {
        assertThat(run("plan", demo, "--instrument", id)).isZero();
        assertThat(out.toString()).contains("The Lamp at Half Tide").contains("bar  1");
        assertThat(err.toString()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"--instrument,kazoo,there is no instrument", "--instrument,none,choose one",
        "--school,rows=sideways,there is no school", "--capo,2,takes no capo"})
    void aWrongCallIsRefused(String option, String value, String why) {
        List<Object> args = new ArrayList<>(List.of("plan", demo, option, value));
        if (!option.equals("--instrument")) {
            args.addAll(List.of("--instrument", "fiddle"));
        }
        assertThat(run(args.toArray())).isEqualTo(2);
        assertThat(err.toString()).contains(why).doesNotContain("\tat ");
    }

    @Test
    void fingeringsEnteredByHandAreChecked() throws IOException {
        Path tune = folder.resolve("short.abc");
        Files.writeString(tune, "X:1\nT:Short\nM:4/4\nL:1/4\nK:D\nDFAd|\n");
        Path right = folder.resolve("right.txt");
        Files.writeString(right, "D 0 | D 2 % high\nA 0\nA 3\n");
        assertThat(run("plan", tune, "--instrument", "fiddle", "--verify", right)).isZero();
        assertThat(out.toString()).contains("4 notes sound as written");
        Path wrong = folder.resolve("wrong.txt");
        Files.writeString(wrong, "D 0 | D low 2\nA 0\n");
        assertThat(run("plan", tune, "--instrument", "fiddle", "--verify", wrong)).isEqualTo(1);
        assertThat(err.toString()).contains("wrong.txt:1:7: error: F sharp in bar 1: D low 2 sounds F;")
                .contains("the last note of the tune has no place");
        assertThat(run("plan", tune, "--instrument", "fiddle", "--verify", folder.resolve("none.txt"))).isEqualTo(1);
    }

    @Test
    void chartsAreWrittenAsPdfSvgAndJson() throws IOException {
        Path pdf = folder.resolve("c.pdf");
        assertThat(run("chart", "recorder-soprano-c", "--out", pdf)).isZero();
        assertThat(Files.readAllBytes(pdf)).startsWith("%PDF".getBytes());
        Path svg = folder.resolve("c.svg");
        assertThat(run("chart", "anglo-cg", "--out", svg)).isZero();
        assertThat(Files.readString(svg)).startsWith("<?xml").contains("<svg");
        JsonNode whole = json("chart", "whistle-c");
        assertThat(whole.get("notes").get(0).get("sounds").asText()).isEqualTo("C5");
        JsonNode some = json("chart", "whistle-d", "--notes-of", demo);
        assertThat(some.get("notes").size()).isLessThan(json("chart", "whistle-d").get("notes").size());
        assertThat(json("chart", "banjo-five-string", "--capo", 2).get("notes").get(0).get("sounds").asText())
                .isEqualTo("E3");
        assertThat(run("chart", "kazoo")).isEqualTo(2);
        assertThat(run("chart", "none")).isEqualTo(2);
        assertThat(run("chart", "fiddle", "--out", folder.resolve("c.doc"))).isEqualTo(2);
    }

    @Test
    void theInstrumentsAreListedOneALine() {
        assertThat(run("instruments")).isZero();
        assertThat(out.toString().lines()).hasSize(27).allMatch(l -> l.matches("[a-z0-9-]+\t\\S.*"))
                .anyMatch(l -> l.startsWith("banjo-five-string\t")).noneMatch(l -> l.startsWith("none"));
    }
}
