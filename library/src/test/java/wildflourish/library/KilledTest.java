package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.lesson.Student;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.tune.Tempo;

/** A program that is killed in the middle of writing down a lesson loses no entry that it had finished. */
class KilledTest {

    @TempDir
    Path folder;

    /** What is killed: writes lessons and passes one after another, and says of each when it is finished. */
    static final class Writer {

        private Writer() {}

        public static void main(String[] arguments) {
            try (Library library = Library.open(Path.of(arguments[0]))) {
                long ina = library.people().add(Student.of("Ina Scarth", "Thursday", "whistle-d", "learner"));
                for (int n = 0; n < 100_000; n++) {
                    long lesson = library.people().meet(new Meeting(0, Instant.EPOCH.plusSeconds(n), 60, "lesson", "One", String.valueOf(n), List.of(ina),
                            List.of(new Meeting.Line("whole", "the whole tune", 5, Meeting.Became.OPEN), new Meeting.Line("home", "take home", 5, Meeting.Became.OPEN))));
                    said("met " + lesson);
                    library.people().became(lesson, 1, Meeting.Became.DONE);
                    said("done " + lesson);
                    library.log().add(new LoggedPass(Instant.EPOCH.plusSeconds(n), 30, Optional.empty(), "One", "the whole tune", "whistle-d", "bare", "keys", Optional.of(Tempo.parse("1/2=80")),
                            0, true, 0.05, 0, 0, 40, 0, 0).by(Optional.of(ina)));
                    said("pass " + n);
                }
            }
        }

        private static void said(String words) {
            System.out.println(words);
            System.out.flush();
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {3, 60})
    void whatWasFinishedIsThere(int entries) throws Exception {
        Path file = folder.resolve("library.db");
        List<String> finished = untilKilled(file, entries);
        assertThat(finished).hasSizeGreaterThanOrEqualTo(entries);
        try (Library library = Library.open(file)) {
            List<Meeting> meetings = library.people().meetings().read();
            List<LoggedPass> passes = library.log().passes().read();
            assertThat(library.people().meetings().unread()).isEmpty();
            assertThat(meetings).allMatch(m -> m.lines().size() == 2 && m.there().size() == 1);
            for (String entry : finished) {
                long number = Long.parseLong(entry.substring(entry.indexOf(' ') + 1));
                switch (entry.substring(0, entry.indexOf(' '))) {
                    case "met" -> assertThat(meetings).anyMatch(m -> m.id() == number);
                    case "done" -> assertThat(meetings).anyMatch(m -> m.id() == number && m.lines().get(1).became() == Meeting.Became.DONE);
                    default -> assertThat(passes).anyMatch(p -> p.at().equals(Instant.EPOCH.plusSeconds(number)));
                }
            }
        }
    }

    /** Everything that the program said was finished before it was killed, which is at some moment after so many entries. */
    private static List<String> untilKilled(Path file, int entries) throws IOException, InterruptedException {
        Process writer = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED", "-cp", System.getProperty("java.class.path"),
                Writer.class.getName(), file.toString()).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        List<String> finished = new ArrayList<>();
        try (BufferedReader words = new BufferedReader(new java.io.InputStreamReader(writer.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = words.readLine(); line != null; line = words.readLine()) {
                finished.add(line);
                if (finished.size() == entries) {
                    writer.destroyForcibly();
                }
            }
        } catch (IOException killed) {
            // The stream may break off where the program was killed.
        }
        assertThat(writer.waitFor()).isNotZero();
        // A line that was cut off says nothing for sure.
        return finished.stream().filter(l -> l.matches("(met|done|pass) \\d+")).toList();
    }
}
