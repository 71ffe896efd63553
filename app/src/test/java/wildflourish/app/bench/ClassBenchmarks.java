package wildflourish.app.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import wildflourish.app.desk.DeskApplication;
import wildflourish.app.work.ClassBook;
import wildflourish.app.work.ClassSheets;
import wildflourish.app.work.Documents;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.lesson.Student;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.library.Edition;
import wildflourish.library.Library;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;
import wildflourish.score.handout.SheetContents;

/** A class of forty with two hundred tunes, and eight versions and sheets of one: {@code -Dtest=Benchmarks -Dbench=ClassBenchmarks.*}. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class ClassBenchmarks {

    private static final LocalDate TODAY = LocalDate.of(2026, 3, 5);

    private Path folder = Path.of("");
    private Library library;
    private List<Person> eight = List.of();
    private Arrangement tune;
    private int perMinute = 60;

    /** A library of 40 students who all learn 200 tunes, with a pass for every other one. */
    @Setup
    public void make() throws IOException {
        folder = Files.createTempDirectory("flourish-class");
        library = Library.open(folder.resolve("library.sqlite"));
        DeskApplication.fillWithDemo(library);
        List<TuneEntry> shelf = library.tunes().all().read();
        List<Long> tunes = new ArrayList<>(shelf.stream().map(TuneEntry::id).toList());
        for (int i = tunes.size(); i < 200; i++) {
            TuneEntry like = shelf.get(i % shelf.size());
            String title = "Tune " + i;
            tunes.add(library.tunes().add(title, like.type(), like.key(), like.meter(), library.tunes().current(like.id()).document().replaceFirst("T:.*", "T:" + title)));
        }
        List<Instrument> instruments = Instruments.all().stream().filter(Instrument::hasHands).toList();
        List<LoggedPass> log = new ArrayList<>();
        for (int s = 0; s < 40; s++) {
            long student = library.people().add(Student.of("Student " + s, "Forty", instruments.get(s % instruments.size()).id(), "fluent"));
            for (long t : tunes) {
                library.people().learn(student, t, (int) ((student + t) % 3));
                if ((student + t) % 2 == 0) {
                    log.add(new LoggedPass(Instant.parse("2026-03-04T18:00:00Z").minusSeconds(86_400 * (s % 9)), 30, Optional.of(t), "tune", "the whole tune", "fiddle", "bare", "keys",
                            Optional.of(Tempo.parse("1/2=80")), 0, true, 0.05, 0, 0, 40, 0, 0).by(Optional.of(student)));
                }
            }
        }
        library.log().add(log);
        ClassBook book = page();
        eight = book.group("Thursday");
        Edition lamp = library.tunes().current(book.tunes().stream().filter(t -> t.title().equals("The Lamp at Half Tide")).findFirst().orElseThrow().id());
        tune = ClassBook.arrangement(Documents.read(lamp.document()), eight.getFirst().student());
    }

    /** The page of the class, its tunes read before. */
    @Benchmark
    public ClassBook page() {
        return ClassBook.of(library, TODAY, ZoneOffset.UTC, () -> false).orElseThrow();
    }

    private Tempo another() {
        perMinute = perMinute == 119 ? 60 : perMinute + 1;
        return new Tempo(tune.tempo().beat(), Ratio.of(perMinute, 1));
    }

    /** Eight versions of a tune, each time at another tempo. */
    @Benchmark
    public List<OwnVersion> eightVersions() {
        Tempo at = another();
        return eight.parallelStream().map(p -> OwnVersion.of(p.student(), tune, at)).toList();
    }

    /** Eight sheets in one document, each time at another tempo. */
    @Benchmark
    public byte[] bundle() {
        return ClassSheets.of(tune.with(another()), eight, SheetContents.USUAL, done -> {}, () -> false).bundle();
    }

    /** Throws the library away. */
    @TearDown
    public void away() throws IOException {
        library.close();
        for (String end : List.of("", "-wal", "-shm")) {
            Files.deleteIfExists(folder.resolve("library.sqlite" + end));
        }
    }
}
