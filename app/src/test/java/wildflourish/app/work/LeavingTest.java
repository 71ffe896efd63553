package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.LogRecord;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.lesson.Student;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.setting.Arrangement;
import wildflourish.library.Library;
import wildflourish.library.Meeting;
import wildflourish.library.Person;
import wildflourish.library.WrittenFile;
import wildflourish.score.handout.SheetContents;

/** A student who leaves is in no file any more that the program ever made, but where the teacher says that it stays. */
class LeavingTest {

    private static final Clock THURSDAY = Clock.fixed(Instant.parse("2026-11-26T18:00:00Z"), ZoneOffset.UTC);
    private static final String TUNE = "X:1\nT:The Ebb\nR:reel\nM:4/4\nL:1/8\nK:D\nd2 fd adfd|d2 fd edBA:|\n";
    private static final String LEAVES = "Zenobia Quarrow";
    private static final String STAYS = "Ina Skerry";

    @TempDir
    Path folder;

    private Path file() {
        return folder.resolve("own/library.db");
    }

    /** Everything that the program makes of a class of two, over two days. */
    private Person fill(Library library) throws IOException {
        long tune = library.tunes().add("The Ebb", "reel", "D major", "4/4", TUNE);
        long stays = library.people().add(Student.of(STAYS, "Thursday", "whistle-d", "fluent"));
        long leaves = library.people().add(Student.of(LEAVES, "Thursday", "fiddle", "learner"));
        library.people().learn(leaves, tune, 1);
        library.people().meet(new Meeting(0, THURSDAY.instant(), 60, "lesson", "The Ebb", "", List.of(stays, leaves), List.of()));
        library.log().add(new LoggedPass(THURSDAY.instant(), 30, Optional.of(tune), "The Ebb", "the whole tune", "fiddle", "bare", "keys", Optional.empty(), 0, true, 0.05, 0, 0, 40, 0, 0)
                .by(Optional.of(leaves)));
        Recordings recordings = new Recordings(library.folder(Library.RECORDINGS));
        for (long who : List.of(stays, leaves)) {
            Path take = recordings.begin(tune, who == leaves ? "hers.wav" : "his.wav");
            Files.writeString(take, "sound of " + (who == leaves ? LEAVES : STAYS));
            library.people().own(recordings.name(take), tune, Optional.of(who));
        }
        Person person = library.people().all().read().getLast();
        Arrangement arrangement = Arrangement.bare(Documents.read(TUNE).tune(), Instruments.known("whistle-d"));
        List<ClassSheets.Written> sheets = ClassSheets.of(arrangement, library.people().all().read(), SheetContents.USUAL, n -> { }, () -> false).write(folder.resolve("sheets"), "The Ebb");
        library.people().wrote(ClassSheets.noted(sheets, THURSDAY.instant()));
        Path known = folder.resolve("known.json");
        SafeWrite.writePrivate(known, StudentFile.of(library, person));
        library.people().wrote(List.of(new WrittenFile(known, "what is known of them", Optional.of(leaves), THURSDAY.instant())));
        for (String name : List.of("kept.zip", "kept.db")) {
            library.backups().write(folder.resolve(name));
            library.people().wrote(List.of(new WrittenFile(folder.resolve(name), WrittenFile.BACKUP, Optional.empty(), THURSDAY.instant())));
        }
        library.backups().daily();
        library.restore(folder.resolve("kept.zip"), d -> true, false, wildflourish.library.Progress.NONE);
        library.people().wrote(List.of(new WrittenFile(known, "what is known of them", Optional.of(leaves), THURSDAY.instant())));
        library.people().wrote(ClassSheets.noted(sheets, THURSDAY.instant()));
        for (String name : List.of("kept.zip", "kept.db")) {
            library.people().wrote(List.of(new WrittenFile(folder.resolve(name), WrittenFile.BACKUP, Optional.empty(), THURSDAY.instant())));
        }
        log("the sheet of Zenobia could not be printed");
        log("the printer was away");
        return person;
    }

    private void log(String words) throws IOException {
        Handler log = LogFile.open(Trouble.log(file()), Trouble.logBefore(file()));
        log.publish(new LogRecord(Level.SEVERE, words));
        log.close();
    }

    /** What can be read in a file, packed or not. */
    private static String content(Path file) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        if (file.toString().endsWith(".pdf")) {
            try (var pdf = Loader.loadPDF(bytes)) {
                return new PDFTextStripper().getText(pdf);
            }
        }
        if (file.toString().endsWith(".zip")) {
            ByteArrayOutputStream all = new ByteArrayOutputStream();
            try (InputStream in = Files.newInputStream(file); ZipInputStream zip = new ZipInputStream(in)) {
                for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                    all.write(entry.getName().getBytes(StandardCharsets.UTF_8));
                    zip.transferTo(all);
                }
            }
            bytes = all.toByteArray();
        }
        return new String(bytes, StandardCharsets.ISO_8859_1);
    }

    private List<Path> with(String name) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            List<Path> files = all.filter(Files::isRegularFile).toList();
            List<Path> found = new java.util.ArrayList<>();
            for (Path file : files) {
                if (content(file).contains(name)) {
                    found.add(file);
                }
            }
            return found;
        }
    }

    @Test
    void nothingOfThemIsLeftInAnyFileWhenEverythingIsChosen() throws IOException {
        try (Library library = Library.open(file(), THURSDAY)) {
            Person person = fill(library);
            assertThat(with(LEAVES)).as("library, copies, sheet, bundle, what is known, recording").hasSizeGreaterThanOrEqualTo(7);
            Leaving leaving = Leaving.of(library, person);
            assertThat(leaving.recordings()).hasSize(1);
            assertThat(leaving.traces()).extracting(Leaving.Trace::way).contains(Leaving.Way.TAKEN_OUT, Leaving.Way.DELETED, Leaving.Way.SHARED);
            assertThat(leaving.delete(library, leaving.traces())).isEmpty();
            assertThat(with(LEAVES)).isEmpty();
            assertThat(with("Zenobia")).as("in the log neither").isEmpty();
            assertThat(with("the printer was away")).hasSize(1);
            assertThat(library.people().all().read()).hasSize(1);
            assertThat(library.folder(Library.RECORDINGS).resolve("1/his.wav")).exists();
        }
        for (Path copy : List.of(folder.resolve("kept.zip"), folder.resolve("kept.db"))) {
            var found = wildflourish.library.Backups.examine(copy, Documents::canRead, wildflourish.library.Progress.NONE);
            assertThat(found.isSound()).as("the copies themselves stay").isTrue();
            assertThat(found.students()).isEqualTo(1);
            assertThat(found.passes()).isZero();
        }
        assertThat(content(folder.resolve("kept.zip"))).contains("his.wav").doesNotContain("hers.wav");
    }

    @Test
    void whatIsNotChosenStays() throws IOException {
        try (Library library = Library.open(file(), THURSDAY)) {
            Person person = fill(library);
            Leaving leaving = Leaving.of(library, person);
            List<Leaving.Trace> mine = leaving.traces().stream().filter(t -> t.way() == Leaving.Way.DELETED).toList();
            assertThat(leaving.delete(library, mine)).isEmpty();
            List<Path> chosenToStay = leaving.traces().stream().filter(t -> t.way() != Leaving.Way.DELETED).map(Leaving.Trace::file).toList();
            assertThat(with(LEAVES)).isNotEmpty().allMatch(chosenToStay::contains);
        }
    }

    @Test
    void sheetsOfPeopleOfOneNameAreAllThere() throws IOException {
        List<Person> people = Stream.of(Student.of("Ina", "T", "whistle-d", "fluent"), Student.of("Ina", "T", "fiddle", "fluent"), Student.of("Ina", "T", "fiddle", "learner"),
                Student.of("Ína!", "T", "mandolin", "fluent"), Student.of("everybody", "T", "whistle-d", "fluent"), Student.of("\u0418\u043d\u0430", "T", "whistle-d", "fluent"),
                Student.of("Tam", "T", "whistle-d", "fluent")).map(s -> new Person(s.name().hashCode() + s.instrument().hashCode(), s, Instant.EPOCH)).toList();
        List<Person> numbered = new java.util.ArrayList<>();
        for (int i = 0; i < people.size(); i++) {
            numbered.add(new Person(i + 1L, people.get(i).student(), Instant.EPOCH));
        }
        Arrangement arrangement = Arrangement.bare(Documents.read(TUNE).tune(), Instruments.known("whistle-d"));
        List<ClassSheets.Written> written = ClassSheets.of(arrangement, numbered, SheetContents.USUAL, n -> { }, () -> false).write(folder, "The Ebb");
        assertThat(written).hasSize(8).extracting(ClassSheets.Written::file).doesNotHaveDuplicates().allMatch(Files::exists);
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).as("what is written is what is listed").hasSize(8);
        }
        for (ClassSheets.Written sheet : written) {
            if (sheet.whose().isPresent() && sheet.whose().get().student().name().equals("Tam")) {
                assertThat(sheet.file().getFileName()).hasToString("the-ebb-tam.pdf");
            }
        }
        assertThat(written.get(1).file().getFileName()).hasToString("the-ebb-ina-fiddle.pdf");
        assertThat(written.get(2).file().getFileName()).hasToString("the-ebb-ina-fiddle-2.pdf");
    }
}
