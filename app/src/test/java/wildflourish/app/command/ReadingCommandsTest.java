package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.MidiSystem;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Reading, growing and rounds on the command line. */
class ReadingCommandsTest extends CommandLineTest {

    @TempDir
    Path folder;

    private Path file;

    @BeforeEach
    void writeTunes() throws Exception {
        file = folder.resolve("demo.abc");
        try (InputStream in = ReadingCommandsTest.class.getResourceAsStream("/wildflourish/app/demo/marram-strand.abc")) {
            Files.copy(in, file);
        }
    }

    @Test
    void readsTheCrookedTune() throws Exception {
        JsonNode document = json("read", file, "--tune", 13, "--instrument", "fiddle");
        assertThat(document.get("title").asText()).isEqualTo("The Crooked Slipway");
        assertThat(document.get("type").asText()).isEqualTo("reel");
        assertThat(document.get("form").asText()).isEqualTo("AABB");
        assertThat(document.get("mode").asText()).isEqualTo("mixolydian");
        assertThat(document.get("tonic").asText()).isEqualTo("D");
        assertThat(document.get("scale")).extracting(JsonNode::asText).containsExactly("D", "E", "F#", "G", "A", "B", "C");
        assertThat(document.get("range").get("low").asText()).isEqualTo("D4");
        assertThat(document.get("range").get("high").asText()).isEqualTo("D5");
        JsonNode last = document.get("parts").get(1).get("phrases").get(2);
        assertThat(last.get("name").asText()).isEqualTo("B3");
        assertThat(last.get("fromBar").asInt()).isEqualTo(14);
        assertThat(last.get("toBar").asInt()).isEqualTo(16);
        assertThat(last.get("sameAs").asText()).isEqualTo("A4");
        assertThat(last.get("likeness").asText()).isEqualTo("same");
        assertThat(last.get("firstNote").asText()).isEqualTo("E4");
        JsonNode order = document.get("teachingOrder");
        assertThat(order).hasSize(7);
        assertThat(order.get(2).get("newBars").asInt()).isZero();
        assertThat(order.get(6).get("shareOfTune").asDouble()).isEqualTo(1);
        List<String> kinds = new ArrayList<>();
        document.get("traps").forEach(t -> kinds.add(t.get("kind").asText()));
        assertThat(kinds).contains("entry", "odd-length", "narrow-semitone");
        assertThat(run("read", file, "--tune", 13)).isZero();
        assertThat(out.toString()).contains("learn A1").contains("100 %").doesNotContain("{");
    }

    @Test
    void readsTunesWithoutNotesOrKey() throws Exception {
        Files.writeString(file, "X:1\nT:Nothing\nM:4/4\nL:1/8\nK:none\n|\n");
        run("read", file);
        Files.writeString(file, "X:1\nT:Little\nM:none\nL:1/8\nK:none\nCDE2\n");
        JsonNode document = json("read", file);
        assertThat(document.get("form").asText()).isEqualTo("A");
        assertThat(document.get("tonality").asText()).contains("no key is written");
    }

    @Test
    void growsWithReasonsRunnersUpAndVariations() throws Exception {
        JsonNode document = json("grow", file, "--tune", 5, "--instrument", "fiddle");
        JsonNode full = document.get("rungs").get(4);
        assertThat(full.get("placements")).isNotEmpty().allSatisfy(p -> {
            assertThat(p.get("reason").asText()).isNotBlank();
            assertThat(p.get("weighed").asText()).contains("in all: ");
        });
        List<String> runners = new ArrayList<>();
        document.get("rungs").forEach(r -> r.get("placements").forEach(p -> {
            if (!p.get("runnerUp").isNull()) {
                runners.add(p.get("runnerUp").asText());
            }
        }));
        assertThat(runners).isNotEmpty().allMatch(r -> r.contains("less") || r.contains("as good"));
        JsonNode variations = document.get("rungs").get(5).get("variations");
        assertThat(variations).isNotEmpty().allSatisfy(v -> {
            assertThat(v.get("toNote").asInt()).isGreaterThanOrEqualTo(v.get("fromNote").asInt());
            assertThat(v.get("reason").asText()).isNotBlank();
            assertThat(v.get("verdict").asText()).isIn("clean", "tight");
        });
        assertThat(run("grow", file, "--tune", 5, "--instrument", "fiddle", "--free")).isZero();
        assertThat(out.toString()).contains("connecting note: ");
    }

    /** Common to all instruments: whatever is grown, the notes of the tune keep their onsets and the whole its time. */
    @Test
    void whatIsGrownMovesNoNoteOfTheTune() throws Exception {
        for (String instrument : List.of("mandolin", "fiddle", "whistle-d", "anglo-cg", "banjo-five-string")) {
            JsonNode bare = json("perform", file, "--tune", 5, "--instrument", instrument, "--rung", 0);
            for (int rung = 1; rung < 6; rung++) {
                JsonNode played = json("perform", file, "--tune", 5, "--instrument", instrument, "--rung", rung);
                assertThat(played.get("durationMs")).isEqualTo(bare.get("durationMs"));
                assertThat(melody(played)).as(instrument + " " + rung).isEqualTo(melody(bare));
            }
        }
    }

    private static List<String> melody(JsonNode document) {
        List<String> all = new ArrayList<>();
        document.get("events").forEach(e -> {
            if (e.get("role").asText().equals("melody")) {
                all.add(e.get("atMs") + " " + e.get("midi") + " " + e.get("note") + " " + e.get("bar"));
            }
        });
        return all;
    }

    /** The sheet has the plain tune beside the varied one, and says how the stretch is played. */
    @Test
    void printsWhatIsPlayedOtherwise() throws Exception {
        Path sheet = folder.resolve("sheet.pdf");
        assertThat(run("handout", file, "--tune", 5, "--instrument", "fiddle", "--rung", 5, "--out", sheet)).isZero();
        try (var document = org.apache.pdfbox.Loader.loadPDF(sheet.toFile())) {
            String words = new org.apache.pdfbox.text.PDFTextStripper().getText(document);
            assertThat(words).contains("What is played otherwise", "connecting note, bars 7, 15: Leave the long note early");
            assertThat(words).contains("bare").contains("wild");
        }
    }

    @Test
    void growsAWholeBook() throws Exception {
        Path book = folder.resolve("book.abc");
        assertThat(run("grow", file, "--instrument", "fiddle", "--book", book)).isZero();
        assertThat(out.toString()).contains("13 tunes grown for the fiddle");
        JsonNode checked = json("check", book, "--tune", 9, "--rung", 4);
        assertThat(checked.get("instrument").asText()).isEqualTo("fiddle");
        assertThat(checked.get("findings")).isNotEmpty();
    }

    private JsonNode read(String... lines) throws Exception {
        Path own = folder.resolve("own.abc");
        Files.writeString(own, String.join("\n", lines) + "\n");
        return json("read", own, "--instrument", "whistle-d");
    }

    private static List<String> trapTexts(JsonNode document) {
        List<String> texts = new ArrayList<>();
        document.get("traps").forEach(t -> texts.add(t.get("text").asText()));
        return texts;
    }

    private static List<String> spans(JsonNode document) {
        List<String> spans = new ArrayList<>();
        document.get("parts").forEach(p -> p.get("phrases").forEach(f -> spans.add(f.get("fromBar").asInt() + "-" + f.get("toBar").asInt())));
        return spans;
    }

    /** A key written in the middle of the tune, or for a part, holds from there: its notes are neither outside nor of another mode. */
    @Test
    void keysWithinTheTuneAreObeyed() throws Exception {
        String a = "D2FA dAFA|G2BG E2GE|D2FA dAFA|GEFE D4";
        for (String change : new String[] {"[K:A]", "P:B\nK:A\n"}) {
            JsonNode document = read("X:1", "T:Two Keys", "R:reel", "M:4/4", "L:1/8", "K:D", a + "||", change + "A2ce aece|d2fd G2BG|A2ce aece|dGBG A4|]");
            assertThat(document.get("tonic").asText()).isEqualTo("D");
            assertThat(document.get("mode").asText()).isEqualTo("major");
            assertThat(document.get("tonality").asText()).contains("from bar 5 on the key is written as A major");
            assertThat(trapTexts(document)).noneMatch(t -> t.contains("outside"));
        }
    }

    /** What stands in the signature is never outside the key, whatever mode the notes speak for. */
    @Test
    void notesOfTheSignatureAreNeverOutside() throws Exception {
        JsonNode document = read("X:1", "T:Signature", "R:reel", "M:4/4", "L:1/8", "K:D", "A2cA e2cA|G2BG d2BG|A2ce a2ec|dBGB A4|A2cA e2cA|G2BG d2BG|A2ce g2ec|dBGB A4|]");
        assertThat(trapTexts(document)).noneMatch(t -> t.contains("outside"));
    }

    /** Endings of three and four passes say which time through they end. */
    @Test
    void endingsOfManyPassesSayWhichTheyEnd() throws Exception {
        JsonNode document = read("X:1", "T:Four Times", "R:reel", "M:4/4", "L:1/8", "K:D", "|:D2FA dAFA|G2BG E2GE|D2FA dAFA|[1,2,3 GEFE D4:|[4 GEFE D2d2|]");
        assertThat(document.get("form").asText()).isEqualTo("AAAA");
        assertThat(trapTexts(document)).anyMatch(t -> t.contains("the first, second and third time through part A") && t.contains("the fourth time"));
    }

    /** Rests belong to the phrase before them; there is no phrase of nothing. */
    @Test
    void thereAreNoPhrasesOfRests() throws Exception {
        JsonNode document = read("X:1", "T:Rests", "R:reel", "M:4/4", "L:1/8", "K:D", "D2FA dAFA|G2BG E2GE|z8|z8|D2FA dAFA|GEFE D4|z8|z8|]");
        assertThat(spans(document)).containsExactly("1-4", "5-8");
    }

    /** Waltzes that run on over their second bar are phrased in fours; where they rest there, in twos. */
    @Test
    void waltzesArePhrasedInTwosOrFours() throws Exception {
        String[] head = {"X:1", "T:Waltz", "R:waltz", "M:3/4", "L:1/8", "K:G"};
        assertThat(spans(read(head[0], head[1], head[2], head[3], head[4], head[5],
                "|:B2|d2e2f2|g2f2e2|d2c2B2|A4B2|d2e2f2|g2f2e2|d2c2A2|G4:|"))).containsExactly("1-4", "5-8");
        assertThat(spans(read(head[0], head[1], head[2], head[3], head[4], head[5],
                "|:Bc|d4ge|d4BG|A4cB|A4Bc|d4ge|d4Bd|c2A2F2|G4:|"))).contains("1-2", "3-4");
    }

    @Test
    void aPickupIsNamedByItsNotes() throws Exception {
        String tune = "|D2FA dAFA|G2BG E2GE|D2FA dAFA|GEFE D2|]";
        assertThat(read("X:1", "T:One", "R:reel", "M:4/4", "L:1/8", "K:D", "A2" + tune).get("beginning").asText()).contains("a pickup of a crotchet");
        assertThat(read("X:1", "T:Two", "R:reel", "M:4/4", "L:1/8", "K:D", "AG" + tune).get("beginning").asText()).contains("a pickup of 2 quavers");
    }

    /** Nobody is told the same thing twice. */
    @Test
    void noTrapIsToldTwice() throws Exception {
        for (int tune = 1; tune <= 13; tune++) {
            for (String instrument : List.of("whistle-d", "fiddle", "accordion-bc", "tenor-banjo", "recorder-alto-f")) {
                assertThat(trapTexts(json("read", file, "--tune", tune, "--instrument", instrument))).as("tune %d, %s", tune, instrument)
                        .doesNotHaveDuplicates();
            }
        }
    }

    /** A book is grown for the same student, at the same level and in the same schools as a single tune would be. */
    @Test
    void aBookIsGrownAsItsTunesWouldBe() throws Exception {
        Path book = folder.resolve("learners.abc");
        assertThat(run("grow", file, "--instrument", "whistle-d", "--level", "learner", "--school", "cut=first", "--free", "--book", book)).isZero();
        for (int tune : List.of(1, 2, 9)) {
            JsonNode alone = json("grow", file, "--tune", tune, "--instrument", "whistle-d", "--level", "learner", "--school", "cut=first", "--free");
            JsonNode checked = json("check", book, "--tune", tune, "--rung", 4, "--level", "learner", "--school", "cut=first");
            List<String> grown = new ArrayList<>();
            alone.get("rungs").get(4).get("placements").forEach(p -> grown.add(p.get("note") + " " + p.get("ornament").asText() + " " + p.get("verdict").asText()));
            List<String> found = new ArrayList<>();
            checked.get("findings").forEach(f -> found.add(f.get("note") + " " + f.get("ornament").asText() + " " + f.get("verdict").asText()));
            assertThat(found).as("tune %s", tune).containsExactlyInAnyOrderElementsOf(grown);
        }
    }

    @Test
    void whatAnInstrumentHasNotGotIsAFinding() throws Exception {
        Path foreign = folder.resolve("foreign.abc");
        assertThat(run("convert", file, foreign, "--tune", 2, "--instrument", "pipes-nine-note", "--rung", 4)).isZero();
        Files.writeString(foreign, Files.readString(foreign).replace("instrument pipes-nine-note", "instrument fiddle"));
        JsonNode checked = json("check", foreign);
        List<String> unknown = new ArrayList<>();
        checked.get("findings").forEach(f -> {
            if (f.get("reason").asText().contains("the fiddle has no")) {
                unknown.add(f.get("ornament").asText());
            }
        });
        assertThat(unknown).contains("g-grace");
    }

    @Test
    void writesTheRoundsAsOneFile() throws Exception {
        Path midi = folder.resolve("whole.mid");
        assertThat(run("rounds", file, "--tune", 12, "--instrument", "fiddle", "--seed", 4, "--intro", "shuffle", "--tag", "--out", midi))
                .as(err.toString()).isZero();
        Path abc = folder.resolve("whole.abc");
        assertThat(run("rounds", file, "--tune", 12, "--instrument", "fiddle", "--seed", 4, "--intro", "shuffle", "--tag", "--out", abc)).isZero();
        JsonNode performed = json("perform", abc, "--rung", 1);
        double seconds = MidiSystem.getSequence(midi.toFile()).getMicrosecondLength() / 1e6;
        assertThat(performed.get("durationMs").asDouble() / 1000).isBetween(seconds - 0.05, seconds + 0.2);
        assertThat(Files.readString(abc)).contains("[P:A, time 1]").contains("[P:B2]").doesNotContain(":|");
        assertThat(run("rounds", file, "--tune", 12, "--instrument", "fiddle", "--seed", 4)).isZero();
        String first = out.toString();
        assertThat(run("rounds", file, "--tune", 12, "--instrument", "fiddle", "--seed", 4)).isZero();
        assertThat(out.toString()).isEqualTo(first).contains("time 3:");
        assertThat(run("rounds", file, "--tune", 12, "--instrument", "fiddle", "--times", 99)).isEqualTo(2);
        assertThat(run("rounds", file, "--tune", 12)).isEqualTo(2);
        assertThat(run("rounds", file, "--tune", 12, "--instrument", "fiddle", "--intro", "trumpets")).isEqualTo(2);
    }
}
