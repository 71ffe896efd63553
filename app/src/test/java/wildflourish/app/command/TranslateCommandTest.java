package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Ornaments of every family on the command line, and versions carried over from one instrument to another. */
class TranslateCommandTest extends CommandLineTest {

    private static final String JIG = "X:1\nT:Test jig\nR:jig\nM:6/8\nL:1/8\nQ:3/8=90\nK:G\n"
            + "|:D|G3 BAG|A3 cBA|B2d gfd|edB AFD|G3 BAG|A3 c2e|dBG AFD|AGF G2:|\n";

    @TempDir
    Path folder;

    private Path file;

    @BeforeEach
    void writeTune() throws Exception {
        file = folder.resolve("jig.abc");
        Files.writeString(file, JIG);
    }

    @Test
    void carriesAVersionOverToEveryInstrument() throws Exception {
        JsonNode document = json("translate", file, "--instrument", "whistle-d");
        assertThat(document.get("from").asText()).isEqualTo("whistle-d");
        assertThat(document.get("tempo").asText()).isEqualTo("3/8=90");
        assertThat(document.get("to")).hasSize(26);
        for (JsonNode row : document.get("to")) {
            int all = row.get("same").asInt() + row.get("own-means").asInt() + row.get("changed").asInt()
                    + row.get("left-out").asInt();
            assertThat(row.get("steps")).hasSize(all).isNotEmpty();
        }
    }

    @Test
    void writesTheVersionAsAbcThatReadsBackOnItsInstrument() throws Exception {
        Path out = folder.resolve("fiddle.abc");
        assertThat(run("translate", file, "--instrument", "whistle-d", "--to", "fiddle", "--out", out)).isZero();
        JsonNode checks = json("check", out);
        assertThat(checks.get("instrument").asText()).isEqualTo("fiddle");
        assertThat(checks.get("findings")).isNotEmpty().allSatisfy(
                f -> assertThat(f.get("verdict").asText()).isIn("clean", "tight"));
        assertThat(Files.readString(out)).contains("I:flourish elsewhere whistle-d place");
        // And back on the whistle its own ladder is there.
        JsonNode whistle = json("check", out, "--instrument", "whistle-d");
        assertThat(whistle.get("findings").toString()).contains("long-roll");
    }

    @Test
    void aFilesVersionIsCarriedOverWhenAnotherInstrumentIsAskedFor() throws Exception {
        Path whistle = folder.resolve("whistle.abc");
        assertThat(run("convert", file, whistle, "--instrument", "whistle-d", "--rung", 5)).isZero();
        JsonNode box = json("check", whistle, "--instrument", "anglo-cg");
        assertThat(box.get("instrument").asText()).isEqualTo("anglo-cg");
        assertThat(box.get("findings")).isNotEmpty().noneMatch(f -> f.get("verdict").asText().equals("blocked"));
    }

    @Test
    void outNeedsOneInstrument() {
        assertThat(run("translate", file, "--instrument", "whistle-d", "--out", folder.resolve("x.abc"))).isEqualTo(2);
        assertThat(err.toString()).contains("--to");
        assertThat(run("translate", file, "--instrument", "whistle-d", "--to", "spoons")).isEqualTo(2);
        assertThat(run("translate", file)).isEqualTo(2);
    }

    @Test
    void theStudentsOwnSpeedsMoveTheVerdicts() throws Exception {
        JsonNode fluent = json("grow", file, "--instrument", "whistle-d", "--tempo", "3/8=90");
        JsonNode slow = json("grow", file, "--instrument", "whistle-d", "--tempo", "3/8=90", "--speed", "cut=200/300",
                "--speed", "again=400/600");
        assertThat(rolls(fluent)).isPositive();
        assertThat(rolls(slow)).isZero();
        assertThat(run("grow", file, "--instrument", "whistle-d", "--speed", "yodel=1/2")).isEqualTo(2);
        assertThat(err.toString()).contains("no movement 'yodel'").contains("cran-cut");
        assertThat(run("grow", file, "--instrument", "whistle-d", "--speed", "cut=fast")).isEqualTo(2);
        assertThat(err.toString()).contains("like 45/70");
    }

    private static int rolls(JsonNode grown) {
        return grown.get("rungs").get(4).toString().split("\"long-roll\"", -1).length - 1;
    }

    /** On every instrument a ladder grows in which nothing is blocked, with a reason for each placement. */
    @ParameterizedTest
    @ValueSource(strings = {"flute-d", "recorder-soprano-c", "pipes-bellows-d", "pipes-nine-note", "fiddle", "mandolin",
        "tenor-banjo", "banjo-five-string", "anglo-cg", "english-48", "melodeon-dg", "accordion-bc"})
    void everyFamilyGrows(String instrument) throws Exception {
        JsonNode document = json("grow", file, "--instrument", instrument);
        assertThat(document.get("rungs")).hasSize(6);
        assertThat(document.get("rungs").get(4).get("placements")).isNotEmpty();
        for (JsonNode rung : document.get("rungs")) {
            for (JsonNode placement : rung.get("placements")) {
                assertThat(placement.get("verdict").asText()).as("%s", placement).isIn("clean", "tight");
                assertThat(placement.get("reason").asText()).isNotBlank();
                assertThat(placement.get("cleanUpTo").asText()).startsWith("3/8=");
            }
        }
        JsonNode bare = json("perform", file, "--instrument", instrument, "--rung", 0);
        JsonNode full = json("perform", file, "--instrument", instrument, "--rung", 5);
        assertThat(full.get("durationMs")).isEqualTo(bare.get("durationMs"));
        assertThat(full.get("events").size()).isGreaterThan(bare.get("events").size());
    }

    @Test
    void equalNotesAreSeparatedOnTheNineNotePipesOnTheBareRung() throws Exception {
        Path equal = folder.resolve("equal.abc");
        Files.writeString(equal, "X:1\nT:Equal\nM:4/4\nL:1/4\nQ:1/4=60\nK:D\nAAdd|\n");
        JsonNode bare = json("perform", equal, "--instrument", "pipes-nine-note");
        assertThat(bare.get("events")).hasSize(6);
        assertThat(bare.get("events").toString()).contains("\"role\":\"g-grace\"");
    }
}
