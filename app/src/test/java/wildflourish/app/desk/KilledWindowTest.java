package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.spi.ToolProvider;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.library.Edition;
import wildflourish.library.Library;
import wildflourish.library.TuneEntry;

/**
 * A window that is killed at any moment of editing, practising, bringing in and backing up has lost nothing that it had finished, and
 * its library and its copies are whole. A few times at each build; {@code -Dflourish.kills=1000} as often as one likes.
 */
class KilledWindowTest {

    private static final int KILLS = Integer.getInteger("flourish.kills", 2);
    /** Each library is worked in, and killed, so often before a new one is begun. */
    private static final int PER_LIBRARY = 25;
    /** It is killed after up to so many things that it finished, and so many thousandths of a second more. */
    private static final int MOST_THINGS = 24;
    private static final int LONGEST_MS = 25;
    /** With so many kills the windows start from a cache. */
    private static final int WORTH_TRAINING = 50;

    @TempDir
    Path folder;

    private String classPath = System.getProperty("java.class.path");
    private String cacheOption = "-Xshare:auto";
    private final Random random = new Random(Long.getLong("flourish.kills.seed", 1866));

    @Test
    void nothingThatWasFinishedIsLost() throws Exception {
        if (KILLS >= WORTH_TRAINING) {
            train();
        }
        int finished = 0;
        Path file = folder.resolve("none");
        List<String> said = new ArrayList<>();
        for (int kill = 0; kill < KILLS; kill++) {
            if (kill % PER_LIBRARY == 0) {
                file = demo("library-" + kill);
                finished += said.size();
                said.clear();
                System.out.printf("%d kills, %d things finished before them, none lost%n", kill, finished);
            }
            List<String> before = List.copyOf(said);
            said.addAll(untilKilled(file, kill));
            check(file, said, "after kill %d, before it %d things were finished and by it %d".formatted(kill, before.size(), said.size() - before.size()));
        }
        finished += said.size();
        System.out.printf("%d kills, %d things finished before them, none lost%n", KILLS, finished);
        assertThat(finished).as("work was done before the kills").isGreaterThanOrEqualTo(KILLS);
    }

    /** A new library of the demo class. */
    private Path demo(String name) throws IOException {
        Path file = Files.createDirectories(folder.resolve(name)).resolve("library.db");
        try (Library library = Library.open(file)) {
            DeskApplication.fillWithDemo(library);
        }
        return file;
    }

    /** The window started and worked in once, so that each later start takes half as long: a cache of its classes, for which they have to be in jars. */
    private void train() throws IOException, InterruptedException {
        List<String> jars = new ArrayList<>();
        for (String entry : classPath.split(File.pathSeparator)) {
            if (Files.isDirectory(Path.of(entry))) {
                String jar = folder.resolve("classes-" + jars.size() + ".jar").toString();
                assertThat(ToolProvider.findFirst("jar").orElseThrow().run(System.out, System.err, "--create", "--file", jar, "-C", entry, ".")).as(entry).isZero();
                jars.add(jar);
            } else if (!entry.isEmpty()) {
                jars.add(entry);
            }
        }
        classPath = String.join(File.pathSeparator, jars);
        Path cache = folder.resolve("classes.aot");
        cacheOption = "-XX:AOTCacheOutput=" + cache;
        assertThat(window(demo("training"), 0, "20").redirectOutput(folder.resolve("training.txt").toFile()).start().waitFor()).as(Files.readString(folder.resolve("errors.txt"))).isZero();
        cacheOption = "-XX:AOTCache=" + cache;
    }

    private ProcessBuilder window(Path file, int seed, String... deeds) {
        List<String> command = new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), cacheOption, "-XX:+UseSerialGC", "-XX:TieredStopAtLevel=1", "--enable-native-access=ALL-UNNAMED",
                "-Dglass.platform=Headless", "-Dprism.order=sw", "-Djava.awt.headless=true", "-cp", classPath, WindowToKill.class.getName(), file.toString(), String.valueOf(seed)));
        command.addAll(List.of(deeds));
        return new ProcessBuilder(command).redirectError(folder.resolve("errors.txt").toFile());
    }

    /** What the window said was finished before it was killed, at some moment after so many things. */
    private List<String> untilKilled(Path file, int seed) throws IOException, InterruptedException {
        Process window = window(file, seed).start();
        List<String> said = new ArrayList<>();
        int things = 2 + random.nextInt(MOST_THINGS);
        try (BufferedReader words = new BufferedReader(new InputStreamReader(window.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = words.readLine(); line != null; line = words.readLine()) {
                said.add(line);
                if (said.size() == things) {
                    CompletableFuture.delayedExecutor(random.nextInt(LONGEST_MS), TimeUnit.MILLISECONDS).execute(window::destroyForcibly);
                }
            }
        } catch (IOException killed) {
            // The stream may break off where the window was killed.
        }
        assertThat(window.waitFor()).as("killed: 137; " + Files.readString(folder.resolve("errors.txt"))).isEqualTo(137);
        // A line that was cut off says nothing for sure.
        return said.stream().filter(l -> l.matches("edit \\d+ \\d+ -?\\d+|tune Tune \\d+-\\d+|copy copy-\\d+-\\d+\\.backup|passes \\d+")).toList();
    }

    private static void check(Path file, List<String> said, String when) throws IOException {
        Path beside = file.getParent();
        try (Library library = Library.open(file)) {
            assertThat(library.examine()).as(when).isEmpty();
            Set<String> titles = library.tunes().all().read().stream().map(TuneEntry::title).collect(Collectors.toSet());
            int passes = library.log().passes().read().size();
            for (String line : said) {
                String[] words = line.split(" ");
                String of = "%s: %s".formatted(when, line);
                switch (words[0]) {
                    case "edit" -> {
                        Edition edition = library.tunes().edition(Long.parseLong(words[2]));
                        assertThat(edition.document().hashCode()).as(of).isEqualTo(Integer.parseInt(words[3]));
                    }
                    case "tune" -> assertThat(titles).as(of).contains(line.substring("tune ".length()));
                    case "passes" -> assertThat(passes).as(of).isGreaterThanOrEqualTo(Integer.parseInt(words[1]));
                    default -> assertThat(beside.resolve(words[1])).as(of).exists();
                }
            }
            said.stream().filter(l -> l.startsWith("edit ")).reduce((a, b) -> b).ifPresent(last -> {
                String[] words = last.split(" ");
                assertThat(library.tunes().edition(Long.parseLong(words[2])).tune()).as(when).isEqualTo(Long.parseLong(words[1]));
            });
        }
        // Copies are whole or not there: each under its own name is opened once, and taken away.
        try (var copies = Files.list(beside)) {
            for (Path copy : copies.filter(p -> p.getFileName().toString().matches("copy-.*\\.backup")).toList()) {
                try (Library library = Library.open(copy)) {
                    assertThat(library.examine()).as(when + ": " + copy).isEmpty();
                    assertThat(library.tunes().all().read()).as(when + ": " + copy).hasSizeGreaterThanOrEqualTo(13);
                }
                Files.delete(copy);
            }
        }
        said.removeIf(l -> l.startsWith("copy "));
    }
}
