package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** In which key, on which instrument, on the command line. */
class FitCommandTest extends CommandLineTest {

    @TempDir
    Path folder;

    private Path file;

    @BeforeEach
    void aTuneInCMinor() throws Exception {
        file = folder.resolve("air.abc");
        Files.writeString(file, "X:1\nT:The Dark Slip\nR:air\nM:3/4\nL:1/8\nK:Cm\nC2|E2G2c2|B2G2F2|G4 E2|C4 C2|E2G2c2|d2e2d2|c2B2G2|c4|]\n");
    }

    @Test
    void everyKeyOnTheInstrumentsAskedFor() throws Exception {
        JsonNode fit = json("fit", file, "--instrument", "whistle-bb", "--instrument", "banjo-five-string:3");
        assertThat(fit.get("key").asText()).isEqualTo("C minor");
        assertThat(fit.get("cells")).hasSize(24);
        JsonNode home = fit.get("cells").get(5);
        assertThat(home.get("soundingKey").asText()).isEqualTo("C minor");
        assertThat(home.get("fingeredKey").asText()).isEqualTo("E minor");
        int sum = 0;
        for (JsonNode term : home.get("terms")) {
            sum += term.get("cost").asInt();
            assertThat(term.get("count").asInt()).isPositive();
        }
        assertThat(sum).isEqualTo(home.get("cost").asInt());
        assertThat(fit.get("cells").get(17).get("capo").asInt()).isEqualTo(3);
        assertThat(fit.get("best")).hasSize(3).allSatisfy(b -> assertThat(b.get("why").asText()).isNotEmpty());
        assertThat(fit.get("classKey").get("nobodyBehind").get("leftBehind")).isEmpty();
    }

    @Test
    void theCellOfItsOwnKeyIsWhatThePlanSays() throws Exception {
        JsonNode fit = json("fit", file, "--instrument", "fiddle", "--key", "C");
        JsonNode plan = json("plan", file, "--instrument", "fiddle");
        assertThat(fit.get("cells")).hasSize(1);
        JsonNode cell = fit.get("cells").get(0);
        assertThat(cell.get("shift").asInt()).isZero();
        int hands = 0;
        for (JsonNode term : cell.get("terms")) {
            hands += term.get("term").asText().equals("far-key") ? 0 : term.get("cost").asInt();
        }
        assertThat(hands).isEqualTo(plan.get("cost").asInt());
    }

    @Test
    void aSingerIsHeardToo() throws Exception {
        JsonNode fit = json("fit", file, "--instrument", "fiddle", "--for", "singer=A3-C5");
        assertThat(fit.get("sung")).hasSize(12).anySatisfy(s -> assertThat(s.get("outside").asInt()).isZero()).anySatisfy(s -> assertThat(s.get("outside").asInt()).isPositive());
        assertThat(fit.get("classKey").get("nobodyBehind").get("leftBehind")).isEmpty();
        assertThat(run("fit", file, "--for", "singer=high")).isEqualTo(2);
        assertThat(run("fit", file, "--instrument", "harp")).isEqualTo(2);
        assertThat(run("fit", file, "--key", "H")).isEqualTo(2);
    }

    @Test
    void ornamentsOfALadderAreCounted() throws Exception {
        Path grown = folder.resolve("grown.abc");
        assertThat(run("grow", file, "--instrument", "whistle-c", "--book", grown)).isZero();
        JsonNode fit = json("fit", grown, "--instrument", "whistle-c", "--instrument", "fiddle");
        JsonNode home = fit.get("cells").get(5);
        assertThat(home.get("shift").asInt()).isZero();
        assertThat(home.get("ornamentsLost").asInt()).isZero();
        assertThat(home.get("ornamentsKept").asInt()).isPositive();
        int all = home.get("ornamentsKept").asInt();
        for (JsonNode cell : fit.get("cells")) {
            assertThat(cell.get("ornamentsKept").asInt() + cell.get("ornamentsLost").asInt() + cell.get("ornamentsNotNeeded").asInt()).isEqualTo(all);
            assertThat(cell.get("losses")).hasSize(cell.get("ornamentsLost").asInt());
        }
    }

    /** Common practice: with C minor on a C whistle (D minor fingering) a recording in D minor is met by the D whistle, or moved two semitones down. */
    @Test
    void aRecordingIsMet() throws Exception {
        JsonNode met = json("fit", file, "--instrument", "whistle-c", "--instrument", "fiddle", "--recording", "D").get("recording");
        assertThat(met.get("key").asText()).isEqualTo("D minor");
        assertThat(met.get("shift").asInt()).isEqualTo(-2);
        assertThat(met.get("meets")).extracting(m -> m.get("instrument").asText() + " " + m.get("by").asText()).containsExactlyInAnyOrder("whistle-c whistle-d", "whistle-c whistle-low-d");
        assertThat(run("fit", file, "--recording", "H")).isEqualTo(2);
        assertThat(run("fit", file, "--instrument", "whistle-c", "--recording", "D")).isZero();
        assertThat(out.toString()).contains("C whistle: to meet a recording in D minor, move it 2 semitones down, or play with the same fingers on the D whistle or on the low D whistle");
    }

    /** The plan names both keys, and the sheet is written in either. */
    @Test
    void fingeredStandsBesideSounding() throws Exception {
        JsonNode plan = json("plan", file, "--instrument", "whistle-bb");
        assertThat(plan.get("soundingKey").asText()).isEqualTo("C minor");
        assertThat(plan.get("fingeredKey").asText()).isEqualTo("E minor");
        Path sheet = folder.resolve("sheet.pdf");
        assertThat(run("handout", file, "--instrument", "whistle-bb", "--as-fingered", "--out", sheet)).isZero();
        try (var document = org.apache.pdfbox.Loader.loadPDF(sheet.toFile())) {
            assertThat(new org.apache.pdfbox.text.PDFTextStripper().getText(document)).contains("C minor, written as it is fingered, in E minor");
        }
    }
}
