package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A program that is killed while it restores or makes a back-up, at whatever moment: the library is the one before or the one after, with its
 * own recordings, and every copy that was finished is whole. So many times as {@code -Dflourish.restore.kills=100} says.
 */
class RestoreKilledTest {

    private static final int KILLS = Integer.getInteger("flourish.restore.kills", 1);

    @TempDir
    Path folder;

    /** What is killed: restores one archive and the other in turn, and backs up in between; says what is finished. */
    static final class Restorer {

        private Restorer() {}

        public static void main(String[] arguments) {
            Path folder = Path.of(arguments[0]);
            for (int n = 0; n < 10_000; n++) {
                Backups backups = new Backups(folder.resolve("library.db"), Clock.systemUTC());
                String which = n % 2 == 0 ? "Ebb" : "Flood";
                if (arguments[1].equals("restore")) {
                    backups.restore(folder.resolve(which + ".zip"), d -> d.startsWith("X:"));
                    said("restored " + which);
                } else {
                    Path to = folder.resolve("made-" + n + (n % 2 == 0 ? ".zip" : ".db"));
                    backups.write(to);
                    said("made " + to.getFileName());
                }
            }
        }

        private static void said(String words) {
            System.out.println(words);
            System.out.flush();
        }
    }

    private Path file() {
        return folder.resolve("library.db");
    }

    private void archive(String name) throws IOException {
        Path own = folder.resolve(name).resolve("library.db");
        try (Library library = Library.open(own)) {
            for (int tune = 0; tune < 12; tune++) {
                library.tunes().add(name + " " + tune, "reel", "D major", "4/4", "X:1\nT:" + name + "\n" + "FAdf afdA|".repeat(2000));
            }
            Path take = Files.createDirectories(library.folder(Library.RECORDINGS).resolve("1")).resolve("take.wav");
            Files.writeString(take, name.repeat(100_000));
            library.backups().write(folder.resolve(name + ".zip"));
        }
    }

    @Test
    void nothingIsLostAndNothingIsMixed() throws Exception {
        archive("Ebb");
        archive("Flood");
        Random chance = new Random(7);
        new Backups(file(), Clock.systemUTC()).restore(folder.resolve("Ebb.zip"), d -> true);
        for (int kill = 0; kill < KILLS; kill++) {
            List<String> restored = untilKilled("restore", 1 + chance.nextInt(3), chance.nextInt(60));
            isOneOfThem(restored);
            List<String> made = untilKilled("backup", 1 + chance.nextInt(3), chance.nextInt(40));
            for (String finished : made) {
                Path copy = folder.resolve(finished.substring("made ".length()));
                assertThat(Backups.examine(copy, d -> d.startsWith("X:"), Progress.NONE).isSound()).as(finished).isTrue();
            }
            isOneOfThem(List.of());
            clear();
        }
    }

    private void isOneOfThem(List<String> restored) throws IOException {
        String name;
        try (Library library = Library.open(file())) {
            assertThat(library.examine()).isEmpty();
            List<TuneEntry> tunes = library.tunes().all().read();
            assertThat(tunes).hasSize(12);
            name = tunes.getFirst().title().replaceFirst(" .*", "");
            assertThat(tunes).allMatch(t -> t.title().startsWith(name));
            assertThat(library.folder(Library.RECORDINGS).resolve("1/take.wav")).as("its own recordings").content().isEqualTo(name.repeat(100_000));
        }
        assertThat(name).isIn("Ebb", "Flood");
        for (Holding before : new Backups(file(), Clock.systemUTC()).beforeRestores()) {
            assertThat(Backups.examine(before.file(), d -> true, Progress.NONE).tunes()).isEqualTo(12);
        }
        if (!restored.isEmpty()) {
            assertThat(new Backups(file(), Clock.systemUTC()).beforeRestores()).as("the way back of each that was finished").hasSizeGreaterThanOrEqualTo(restored.size());
        }
    }

    private void clear() throws IOException {
        for (Path copy : new Backups(file(), Clock.systemUTC()).copies()) {
            Files.delete(copy);
        }
        try (var all = Files.list(folder)) {
            for (Path made : all.filter(f -> f.getFileName().toString().startsWith("made-")).toList()) {
                Files.delete(made);
            }
        }
    }

    private List<String> untilKilled(String what, int finished, long thenMs) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED", "-cp", System.getProperty("java.class.path"),
                Restorer.class.getName(), folder.toString(), what).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        List<String> said = new ArrayList<>();
        try (BufferedReader words = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = words.readLine(); line != null; line = words.readLine()) {
                said.add(line);
                if (said.size() == finished) {
                    Thread.sleep(thenMs);
                    process.destroyForcibly();
                }
            }
        } catch (IOException killed) {
            // The stream may break off where the program was killed.
        }
        assertThat(process.waitFor()).isNotZero();
        // A line that was cut off says nothing for sure.
        return said.stream().filter(l -> l.matches("(restored (Ebb|Flood))|(made made-\\d+\\.(zip|db))")).toList();
    }
}
