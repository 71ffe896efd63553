package wildflourish.formats.musicxml;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.book.TuneBook;

/** Whatever a file holds, there is an end, and a finding that says what is wrong. */
class HostileMusicXmlTest {

    private static final Tune TUNE = AbcReader.read("X:1\nT:Kelp\nM:4/4\nL:1/8\nK:D\nDF|:A2FA (3Bcd AF|\"G\"G2BG ~E2:|\n").tunes().getFirst().tune();

    private static TuneBook read(String text) {
        return MusicXmlReader.read(text.getBytes(StandardCharsets.UTF_8));
    }

    private static void isRefused(TuneBook book, String words) {
        assertThat(book.tunes()).isEmpty();
        assertThat(book.findings()).anySatisfy(f -> {
            assertThat(f.isError()).isTrue();
            assertThat(f.what() + "; " + f.remedy()).contains(words);
        });
    }

    @Test
    void aFileThatBreaksOffIsRefusedAnywhere() {
        byte[] whole = MusicXmlWriter.write(TUNE);
        for (int length = 200; length < whole.length - 20; length += 97) {
            byte[] cut = java.util.Arrays.copyOf(whole, length);
            assertThat(MusicXmlReader.read(cut).hasErrors()).as("cut at " + length).isTrue();
        }
    }

    @Test
    void bytesOfChanceNeverBreakIt() {
        byte[] whole = MusicXmlWriter.write(TUNE);
        Random random = new Random(17);
        for (int round = 0; round < 300; round++) {
            byte[] bent = whole.clone();
            for (int i = 0; i < 6; i++) {
                bent[random.nextInt(bent.length)] = (byte) (random.nextBoolean() ? random.nextInt(256) : '0' + random.nextInt(10));
            }
            TuneBook book = MusicXmlReader.read(bent);
            assertThat(book.tunes().isEmpty()).isEqualTo(book.hasErrors() && book.tunes().isEmpty());
            assertThat(!book.tunes().isEmpty() || book.hasErrors()).isTrue();
        }
    }

    @Test
    void entitiesAreNeitherFetchedNorExpanded() {
        String bomb = "<!DOCTYPE score-partwise [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\"><!ENTITY c SYSTEM \"file:///etc/passwd\">]>";
        TuneBook book = read("<?xml version=\"1.0\"?>" + bomb + "<score-partwise version=\"4.0\"><movement-title>&b;&c;</movement-title></score-partwise>");
        isRefused(book, "save the score anew");
    }

    @Test
    void depthAndOtherRootsAreRefused() {
        isRefused(read("<?xml version=\"1.0\"?><score-partwise>" + "<part>".repeat(5000)), "nested deeper");
        isRefused(read("<?xml version=\"1.0\"?><html><body/></html>"), "begins with <html>");
        isRefused(read("<?xml version=\"1.0\"?><score-partwise version=\"4.0\"/>"), "no notes");
        isRefused(read("<?xml version=\"1.0\"?>"), "damaged");
    }

    @Test
    void anArchiveThatSwellsOrHasNoScoreIsRefused() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("../../score.xml"));
            byte[] much = new byte[1024 * 1024];
            for (int i = 0; i < 80; i++) {
                zip.write(much);
            }
            zip.closeEntry();
        }
        isRefused(MusicXmlReader.read(out.toByteArray()), "larger than 64 MB");
        isRefused(MusicXmlReader.read(Archive.of("hello".getBytes(StandardCharsets.UTF_8))), "damaged");
        isRefused(MusicXmlReader.read(new byte[] {'P', 'K', 3, 4, 9, 9, 9, 9}), "archive");
    }

    @Test
    void aScoreOfTwoHundredStavesIsRead() {
        StringBuilder list = new StringBuilder();
        StringBuilder parts = new StringBuilder();
        for (int p = 0; p < 200; p++) {
            list.append("<score-part id=\"P%d\"><part-name>Part %d</part-name></score-part>".formatted(p, p));
            parts.append("<part id=\"P%d\"><measure number=\"1\"><attributes><divisions>1</divisions></attributes><note><pitch><step>A</step><octave>4</octave></pitch><duration>4</duration></note></measure></part>"
                    .formatted(p));
        }
        TuneBook book = read("<?xml version=\"1.0\"?><score-partwise version=\"4.0\"><part-list>" + list + "</part-list>" + parts + "</score-partwise>");
        assertThat(book.tunes()).hasSize(1);
        assertThat(book.hasErrors()).isFalse();
    }

    @Test
    void lengthsThatAreNoneAreToldWithTheirPlace() {
        TuneBook book = read("<?xml version=\"1.0\"?>\n<score-partwise version=\"4.0\"><part-list><score-part id=\"P1\"><part-name>A</part-name></score-part></part-list>\n"
                + "<part id=\"P1\"><measure number=\"1\"><attributes><divisions>0</divisions></attributes>\n"
                + "<note><pitch><step>A</step><octave>4</octave></pitch><duration>-3</duration><type>quarter</type></note>\n"
                + "<note><pitch><step>B</step><alter>0.5</alter><octave>4</octave></pitch><duration>1</duration></note></measure></part></score-partwise>");
        assertThat(book.tunes()).hasSize(1);
        assertThat(book.findings()).extracting(f -> f.line() + " " + f.what()).anyMatch(w -> w.startsWith("4 ") && w.contains("measure 1") && w.contains("no length"))
                .anyMatch(w -> w.contains("<divisions>")).anyMatch(w -> w.startsWith("5 ") && w.contains("quarter tones"));
    }

    private static String parts(int count) {
        StringBuilder list = new StringBuilder();
        StringBuilder parts = new StringBuilder();
        for (int i = 1; i <= count; i++) {
            list.append("<score-part id=\"P%d\"><part-name>Desk %d</part-name></score-part>".formatted(i, i));
            parts.append("""
                    <part id="P%d"><measure number="1"><attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>
                    <note><pitch><step>D</step><octave>5</octave></pitch><duration>4</duration><voice>1</voice><type>whole</type></note></measure></part>""".formatted(i));
        }
        return "<?xml version=\"1.0\"?><score-partwise version=\"4.0\"><part-list>" + list + "</part-list>" + parts + "</score-partwise>";
    }

    @Test
    void partsThatAreNotKeptAreToldByNumberAndName() {
        TuneBook book = read(parts(100));
        assertThat(book.tunes()).hasSize(1);
        assertThat(book.findings()).anySatisfy(f -> assertThat(f.what()).contains("100 parts", "64", "36 were left out", "Desk 65"));
        assertThat(read(parts(64)).findings()).noneSatisfy(f -> assertThat(f.what()).contains("left out"));
    }

    @Test
    void aContainerThatNamesAFileOutsideTheArchiveIsTold() throws IOException {
        for (String named : java.util.List.of("../../etc/passwd", "/etc/passwd", "not-there.xml")) {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
                zip.putNextEntry(new ZipEntry("META-INF/container.xml"));
                zip.write("<container><rootfiles><rootfile full-path=\"%s\"/></rootfiles></container>".formatted(named).getBytes(StandardCharsets.UTF_8));
                zip.putNextEntry(new ZipEntry("score.xml"));
                zip.write(parts(1).getBytes(StandardCharsets.UTF_8));
            }
            TuneBook book = MusicXmlReader.read(bytes.toByteArray());
            assertThat(book.tunes()).hasSize(1);
            assertThat(book.findings()).anySatisfy(f -> assertThat(f.what()).contains(named, "is not in it"));
        }
    }

    @Test
    void readingTellsHowFarItIsAndCanBeStopped() {
        byte[] large = parts(2_000).getBytes(StandardCharsets.UTF_8);
        java.util.List<Integer> told = new java.util.ArrayList<>();
        MusicXmlReader.read(large, told::add);
        assertThat(told).hasSizeGreaterThan(20).isSorted().allMatch(p -> p >= 0 && p <= 100);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> MusicXmlReader.read(large, percent -> {
            if (percent >= 10) {
                throw new java.util.concurrent.CancellationException("stopped");
            }
        })).isInstanceOf(java.util.concurrent.CancellationException.class);
    }
}
