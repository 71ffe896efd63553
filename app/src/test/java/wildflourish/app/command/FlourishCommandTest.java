package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine;

/** The command line as scripts use it: what is printed where, and the exit status. */
class FlourishCommandTest extends CommandLineTest {

    private static final String JIG = "X:2\nT:Test jig\nR:jig\nM:6/8\nL:1/8\nQ:3/8=100\nK:G\n"
            + "|:D|G3 BAG|A3 cBA|B2d gfd|edB AFD|G3 BAG|A3 c2e|dBG AFD|AGF G2:|\n";

    @TempDir
    Path folder;

    private Path file;

    @BeforeEach
    void writeTune() throws Exception {
        file = folder.resolve("jig.abc");
        Files.writeString(file, "X:1\nT:Plain\nM:4/4\nL:1/4\nQ:1/4=120\nK:D\nDEFG|\n\n" + JIG);
    }

    /** As a file manager calls. */
    @Test
    void filesAloneAreOpened() throws Exception {
        CommandLine line = new CommandLine(new FlourishCommand());
        String one = file.toString();
        String two = Files.copy(file, folder.resolve("two words.abc")).toString();
        assertThat(FlourishCommand.asMeant(line, one, two)).containsExactly("open", one, two);
        assertThat(FlourishCommand.asMeant(line, "read", one)).containsExactly("read", one);
        assertThat(FlourishCommand.asMeant(line, "--version")).containsExactly("--version");
        assertThat(FlourishCommand.asMeant(line, one, folder.resolve("not there.abc").toString())).hasSize(2);
        assertThat(run("jig.abd")).as("a word that is no file is a wrong call").isEqualTo(2);
    }

    @Test
    void performsAsWritten() throws Exception {
        JsonNode document = json("perform", file);
        assertThat(document.get("title").asText()).isEqualTo("Plain");
        assertThat(document.get("meter").asText()).isEqualTo("4/4");
        assertThat(document.get("instrument").asText()).isEqualTo("none");
        assertThat(document.get("rung").asInt()).isZero();
        assertThat(document.get("tempo").asText()).isEqualTo("1/4=120");
        assertThat(document.get("durationMs").asDouble()).isEqualTo(2000);
        assertThat(document.get("events")).hasSize(4);
        JsonNode second = document.get("events").get(1);
        assertThat(second.get("atMs").asDouble()).isEqualTo(500);
        assertThat(second.get("forMs").asDouble()).isEqualTo(500);
        assertThat(second.get("midi").asInt()).isEqualTo(64);
        assertThat(second.get("role").asText()).isEqualTo("melody");
        assertThat(second.get("bar").asInt()).isEqualTo(1);
        assertThat(second.get("note").asInt()).isEqualTo(1);
    }

    @Test
    void performsATuneOnTheWhistleAtATempoWithItsOrnaments() throws Exception {
        JsonNode bare = json("perform", file, "--tune", 2, "--instrument", "whistle-d", "--tempo", "3/8=90");
        JsonNode full = json("perform", file, "--tune", 2, "--instrument", "whistle-d", "--tempo", "3/8=90",
                "--rung", 4);
        assertThat(bare.get("events").get(0).get("midi").asInt()).isEqualTo(74);
        assertThat(bare.get("events").get(0).get("bar").asInt()).isZero();
        assertThat(full.get("durationMs")).isEqualTo(bare.get("durationMs"));
        assertThat(roles(bare)).containsOnly("melody");
        assertThat(roles(full)).contains("long-roll", "cut");
        assertThat(melody(full)).isEqualTo(melody(bare));
    }

    private static List<String> roles(JsonNode document) {
        List<String> roles = new ArrayList<>();
        document.get("events").forEach(e -> roles.add(e.get("role").asText()));
        return roles;
    }

    private static List<Double> melody(JsonNode document) {
        List<Double> onsets = new ArrayList<>();
        document.get("events").forEach(e -> {
            if (e.get("role").asText().equals("melody")) {
                onsets.add(e.get("atMs").asDouble());
            }
        });
        return onsets;
    }

    @Test
    void growsALadderWithReasons() throws Exception {
        JsonNode document = json("grow", file, "--tune", 2, "--instrument", "whistle-d");
        assertThat(document.get("tempo").asText()).isEqualTo("3/8=100");
        assertThat(document.get("rungs")).hasSize(6);
        JsonNode full = document.get("rungs").get(4);
        assertThat(full.get("index").asInt()).isEqualTo(4);
        assertThat(full.get("name").asText()).isEqualTo("full");
        full.get("variations").forEach(v -> assertThat(v.get("reason").asText()).isNotBlank());
        int tight = 0;
        for (JsonNode placement : full.get("placements")) {
            assertThat(placement.get("verdict").asText()).isIn("clean", "tight");
            tight += placement.get("verdict").asText().equals("tight") ? 1 : 0;
            assertThat(placement.get("speaksUpTo").asText()).matches("3/8=\\d+");
            assertThat(placement.get("cleanUpTo").asText()).matches("3/8=\\d+");
            assertThat(placement.get("slot").asText()).isIn("stroke", "approach", "body", "exit");
            assertThat(placement.get("reason").asText()).isNotBlank();
            assertThat(placement.get("bar").asInt()).isBetween(0, 8);
        }
        assertThat(tight * 3).isLessThanOrEqualTo(full.get("placements").size());
        assertThat(run("grow", file, "--tune", 2, "--instrument", "whistle-d")).isZero();
        assertThat(out.toString()).contains("long roll").contains("clean up to dotted crotchet");
    }

    @Test
    void checksEveryPlacementAndOffersSomethingInstead() throws Exception {
        Path decorated = folder.resolve("decorated.abc");
        assertThat(run("convert", file, decorated, "--tune", 2, "--instrument", "whistle-d", "--rung", 4)).isZero();
        JsonNode fast = json("check", decorated, "--tempo", "3/8=190");
        assertThat(fast.get("instrument").asText()).isEqualTo("whistle-d");
        List<String> verdicts = new ArrayList<>();
        List<String> instead = new ArrayList<>();
        fast.get("findings").forEach(f -> {
            verdicts.add(f.get("verdict").asText());
            instead.add(f.get("instead").asText());
            if (!f.get("needsMs").isNull()) {
                assertThat(f.get("needsMs").asDouble()).isPositive();
                assertThat(f.get("hasMs").asDouble()).isPositive();
            }
        });
        assertThat(verdicts).contains("tight", "blocked");
        json("check", decorated, "--rung", 4).get("findings").forEach(f -> assertThat(f.get("verdict").asText()).isIn("clean", "tight"));
        assertThat(instead).contains("cut");
        assertThat(run("check", decorated)).isZero();
        assertThat(out.toString()).contains("clean up to");
    }

    @Test
    void aRungIsHeardAsWaveAtATempo() throws Exception {
        Path wave = folder.resolve("tune.wav");
        assertThat(run("convert", file, wave, "--tune", 2, "--instrument", "fiddle", "--rung", 3, "--tempo", "1/2=120")).as(err.toString()).isZero();
        double lasts = json("perform", file, "--tune", 2, "--instrument", "fiddle", "--rung", 3, "--tempo", "1/2=120").path("durationMs").asDouble();
        try (AudioInputStream heard = AudioSystem.getAudioInputStream(wave.toFile())) {
            assertThat(heard.getFormat().getSampleRate()).isEqualTo(48_000f);
            assertThat(heard.getFormat().getChannels()).isEqualTo(1);
            assertThat(heard.getFormat().getSampleSizeInBits()).isEqualTo(16);
            // A second more, in which it dies away.
            assertThat(heard.getFrameLength() / 48.0).isCloseTo(lasts + 1000, within(1.0));
            byte[] bytes = heard.readAllBytes();
            int loudest = 0;
            for (int i = 0; i + 1 < bytes.length; i += 2) {
                loudest = Math.max(loudest, Math.abs((bytes[i + 1] << 8) | (bytes[i] & 0xff)));
            }
            assertThat(loudest).isBetween(3000, 32_766);
        }
        assertThat(run("convert", file, folder.resolve("plain.wav"), "--tune", 2)).as("written for no instrument it is heard too").isZero();
        assertThat(run("rounds", file, "--tune", 2, "--instrument", "whistle-d", "--out", folder.resolve("rounds.wav"))).isZero();
        assertThat(Files.size(folder.resolve("rounds.wav"))).isGreaterThan(Files.size(wave) * 2);
    }

    @Test
    void whatLastsTooLongIsNotWrittenAsWave() throws Exception {
        Files.writeString(file, "X:1\nT:Long\nM:4/4\nL:1/8\nQ:1/4=60\nK:D\n" + "DEFG ABcd|".repeat(500) + "\n");
        Path wave = folder.resolve("long.wav");
        assertThat(run("convert", file, wave, "--instrument", "whistle-d")).isEqualTo(1);
        assertThat(err.toString()).contains("it lasts 33 minutes").contains("half an hour");
        assertThat(wave).doesNotExist();
    }

    @Test
    void aNeighboursFaultIsNotTheTunesOwn() throws Exception {
        Files.writeString(file, Files.readString(file) + "\nX:8\nT:Broken\nK:D\nD#E[|\n\nX:9\nT:Whole\nK:D\nDEFG|\n");
        assertThat(run("perform", file, "--tune", 9)).isZero();
        assertThat(err.toString()).as("told all the same").contains("means nothing");
        assertThat(run("perform", file, "--tune", 8)).isEqualTo(1);
        assertThat(run("perform", file)).isZero();
    }

    @Test
    void whatDoesNotArriveIsAnError() {
        PrintWriter full = new PrintWriter(new Writer() {
            @Override
            public void write(char[] text, int from, int length) throws IOException {
                throw new IOException("no space left");
            }

            @Override
            public void flush() {}

            @Override
            public void close() {}
        });
        assertThat(FlourishCommand.run(full, new PrintWriter(err, true), "instruments")).isEqualTo(1);
        assertThat(err.toString()).contains("did not arrive").contains("full");
    }

    @Test
    void theTuneItselfIsNeverWrittenOver() throws Exception {
        String before = Files.readString(file);
        for (List<Object> command : List.<List<Object>>of(List.of("convert", file, file), List.of("handout", file, "--instrument", "whistle-d", "--out", file),
                List.of("grow", file, "--instrument", "whistle-d", "--book", file),
                List.of("translate", file, "--tune", 2, "--instrument", "whistle-d", "--to", "fiddle", "--out", file),
                List.of("convert", file, folder.resolve("../" + folder.getFileName() + "/jig.abc")))) {
            err.getBuffer().setLength(0);
            assertThat(run(command.toArray())).as(command.toString()).isEqualTo(1);
            assertThat(err.toString()).contains("another name").doesNotContain("Exception");
            assertThat(file).content().isEqualTo(before);
        }
        assertThat(run("convert", file, "/")).isNotZero();
        assertThat(err.toString()).doesNotContain("Exception");
    }

    @Test
    void convertsToEveryFormatAndBackWithoutLoss() throws Exception {
        Path abc = folder.resolve("out.abc");
        assertThat(run("convert", file, abc, "--tune", 2, "--instrument", "whistle-d", "--rung", 5)).isZero();
        String text = Files.readString(abc);
        assertThat(text).contains("I:flourish shown 5").contains("~");
        Path again = folder.resolve("again.abc");
        assertThat(run("convert", abc, again, "--rung", 5)).isZero();
        assertThat(Files.readString(again)).isEqualTo(text);
        for (String ending : List.of("mid", "svg", "pdf")) {
            Path target = folder.resolve("out." + ending);
            assertThat(run("convert", abc, target, "--rung", 3)).isZero();
            assertThat(Files.size(target)).isGreaterThan(300);
        }
        assertThat(Files.readAllBytes(folder.resolve("out.mid"))).startsWith("MThd".getBytes(StandardCharsets.US_ASCII));
        assertThat(Files.readAllBytes(folder.resolve("out.pdf"))).startsWith("%PDF".getBytes(StandardCharsets.US_ASCII));
    }

    @Test
    void printsAHandout() throws Exception {
        Path pdf = folder.resolve("sheet.pdf");
        assertThat(run("handout", file, "--tune", 2, "--instrument", "whistle-d", "--rung", 4, "--out", pdf)).isZero();
        assertThat(out.toString()).contains("sheet.pdf");
        assertThat(Files.readAllBytes(pdf)).startsWith("%PDF".getBytes(StandardCharsets.US_ASCII));
    }

    @Test
    void listsTheInstruments() {
        assertThat(run("instruments")).isZero();
        assertThat(out.toString()).contains("whistle-d\tD whistle");
    }

    @ParameterizedTest
    @ValueSource(strings = {"bogus", "perform", "perform FILE --instrument kazoo", "perform FILE --tempo fast",
        "perform FILE --rung 9 --instrument whistle-d", "perform FILE --rung 2", "perform FILE --school cut=sideways",
        "perform FILE --level wizard", "grow FILE", "check FILE", "convert FILE out.xyz", "perform FILE --nonsense",
        "perform FILE --instrument whistle-d --capo 2", "perform FILE --rung x", "perform FILE --tempo 1/4=999999"})
    void aWrongCallExitsWithTwo(String line) {
        assertThat(run((Object[]) line.replace("FILE", file.toString()).split(" "))).isEqualTo(2);
        assertThat(err.toString()).isNotBlank();
    }

    @Test
    void inputWithErrorsExitsWithOneAndNamesThePlace() throws Exception {
        Path bad = folder.resolve("bad.abc");
        Files.writeString(bad, "X:1\nT:Bad\nM:4/4\nL:1/8\nK:C\nCDEF #GABc|\n");
        assertThat(run("perform", bad, "--json")).isEqualTo(1);
        assertThat(err.toString()).contains(bad + ":6:6: error: '#' means nothing in music; ");
        assertThat(new ObjectMapper().readTree(out.toString()).get("events")).hasSize(8);
        Files.writeString(bad, "X:1\nK:C\nCDEF GABc|\n");
        assertThat(run("perform", bad, "--json")).isZero();
        assertThat(err.toString()).contains(":1:0: warning: the tune has no title");
    }

    @Test
    void missingEmptyBinaryAndHugeInputExitsWithOne() throws Exception {
        assertThat(run("perform", folder.resolve("nowhere.abc"))).isEqualTo(1);
        assertThat(err.toString()).contains("nowhere.abc:0:0: error:");
        assertThat(run("perform", folder)).isEqualTo(1);
        Path empty = Files.createFile(folder.resolve("empty.abc"));
        assertThat(run("perform", empty)).isEqualTo(1);
        byte[] noise = new byte[10_000];
        new Random(3).nextBytes(noise);
        Path binary = Files.write(folder.resolve("binary.abc"), noise);
        assertThat(run("perform", binary)).isEqualTo(1);
        assertThat(run("perform", file, "--tune", 77)).isEqualTo(1);
        assertThat(err.toString()).contains("there is no tune with X:77");
    }

    @Test
    void aFileThatCannotBeWrittenIsSaidAndTheOldOneStays() throws Exception {
        Path target = Files.createDirectory(folder.resolve("taken.mid"));
        Files.writeString(target.resolve("inside"), "x");
        assertThat(run("convert", file, target)).isEqualTo(1);
        assertThat(err.toString()).contains("cannot be written");
        assertThat(target.resolve("inside")).exists();
        try (var list = Files.list(folder)) {
            assertThat(list.map(Path::toString)).noneMatch(n -> n.endsWith(".part"));
        }
    }

    @Test
    void helpNamesTheCommands() {
        assertThat(run("--help")).isZero();
        assertThat(out.toString()).contains("perform").contains("grow").contains("handout").contains("demo");
        assertThat(run("--version")).isZero();
    }
}
