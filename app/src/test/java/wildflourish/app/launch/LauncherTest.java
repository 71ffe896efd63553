package wildflourish.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.condition.DisabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;

/** The start script on odd machines, with a Java and a Maven that only note what is asked of them. */
@DisabledOnOs(OS.WINDOWS)
@Timeout(120)
class LauncherTest {

    private static final Path SCRIPT = Path.of("..", "flourish").toAbsolutePath().normalize();

    private static final String JAVA = """
            #!/bin/sh
            for word in "$@"; do
              case "$word" in
                -XX:AOTCacheOutput=*) echo cache >"${word#*=}"; echo trained >>"$NOTES"; exit 0 ;;
              esac
            done
            echo "java locale=${LC_ALL:-} $*"
            """;
    private static final String MAVEN = """
            #!/bin/sh
            echo built >>"$NOTES"
            sleep 0.2
            mkdir -p app/target/lib
            : >app/target/lib/one.jar
            : >app/target/lib/two.jar
            printf 'zip PK\\005\\006\\000\\000\\000\\000\\000\\000\\000\\000\\000\\000\\000\\000\\000\\000\\000\\000\\000\\000' >app/target/wild-flourish-app.jar
            """;

    @TempDir
    Path folder;

    private Path program;

    @BeforeEach
    void aMachine() throws IOException {
        script("jdk/bin/java", JAVA);
        Files.writeString(folder.resolve("jdk/release"), "JAVA_VERSION=\"25.0.1\"\n");
        script("tools/mvn", MAVEN);
        program = install("wild flourish");
    }

    private void script(String name, String text) throws IOException {
        Path file = folder.resolve(name);
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rwxr-xr-x"));
    }

    private Path install(String name) throws IOException {
        Path place = Files.createDirectories(folder.resolve(name));
        Files.createDirectories(place.resolve("app/src/main"));
        Files.writeString(place.resolve("pom.xml"), "");
        Files.writeString(place.resolve("app/pom.xml"), "");
        Files.copy(SCRIPT, place.resolve("flourish"));
        return place;
    }

    private record Ran(int status, String out) {}

    private Process begin(Path place, Map<String, String> more, String... command) throws IOException {
        List<String> words = new ArrayList<>(List.of(command));
        if (words.isEmpty()) {
            words.addAll(List.of("bash", place.resolve("flourish").toString()));
        }
        words.add("--version");
        ProcessBuilder builder = new ProcessBuilder(words).directory(folder.toFile()).redirectErrorStream(true);
        Map<String, String> environment = builder.environment();
        environment.keySet().removeIf(k -> k.startsWith("LC_") || k.startsWith("FLOURISH") || k.startsWith("XDG"));
        environment.put("JAVA_HOME", folder.resolve("jdk").toString());
        environment.put("PATH", folder.resolve("tools") + ":/usr/bin:/bin");
        environment.put("HOME", folder.resolve("home").toString());
        environment.put("NOTES", folder.resolve("notes").toString());
        environment.put("FLOURISH_NO_CACHE", "yes");
        more.forEach((name, value) -> {
            if (value.isEmpty()) {
                environment.remove(name);
            } else {
                environment.put(name, value);
            }
        });
        return builder.start();
    }

    private static Ran end(Process process) throws Exception {
        String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return new Ran(process.exitValue(), out);
    }

    private Ran start(Map<String, String> more) throws Exception {
        return end(begin(program, more));
    }

    private long noted(String what) throws IOException {
        Path notes = folder.resolve("notes");
        return Files.exists(notes) ? Files.readAllLines(notes).stream().filter(what::equals).count() : 0;
    }

    private Path cacheHome() {
        return folder.resolve("home/.cache/wild-flourish");
    }

    private List<String> cached(String ending) throws IOException {
        try (Stream<Path> files = Files.list(cacheHome())) {
            return files.map(f -> f.getFileName().toString()).filter(f -> f.endsWith(ending)).sorted().toList();
        }
    }

    private static final Map<String, String> TRAINING = Map.of("FLOURISH_NO_CACHE", "", "FLOURISH_TRAIN", "now");

    @Test
    void itBuildsOnceAndStarts() throws Exception {
        assertThat(start(Map.of()).out()).contains("building the program", "java locale=", "--version");
        Ran again = start(Map.of());
        assertThat(again.status()).isZero();
        assertThat(again.out()).startsWith("java locale=");
        assertThat(noted("built")).isEqualTo(1);
    }

    @Test
    void itStartsWithoutAHomeAndFromElsewhereUnderAnyShell() throws Exception {
        assertThat(start(Map.of("HOME", "", "FLOURISH_NO_CACHE", "")).status()).isZero();
        Ran plain = end(begin(program, Map.of(), "sh", "wild flourish/flourish"));
        assertThat(plain.status()).isZero();
        assertThat(plain.out()).contains("--version");
    }

    @Test
    void aNameWithAnAccentIsReadInAnyLocale() throws Exception {
        program = install("küste");
        assertThat(start(Map.of("LC_ALL", "C")).out()).contains("java locale=C.UTF-8");
    }

    @Test
    void aColonInTheNameIsToldInOneLine() throws Exception {
        program = install("a:b");
        Ran ran = start(Map.of());
        assertThat(ran.status()).isEqualTo(2);
        assertThat(ran.out()).contains("':'", "rename").hasLineCount(1);
    }

    @Test
    void withoutJavaOrMavenItSaysWhatToDo() throws Exception {
        Files.writeString(folder.resolve("jdk/release"), "JAVA_VERSION=\"17.0.2\"\n");
        // A machine may have a newer Java of its own: then there is nothing to say.
        Ran old = start(Map.of());
        assertThat(old.status() == 2 ? old.out() : "no Java 25 or newer").contains("no Java 25 or newer");
        Files.writeString(folder.resolve("jdk/release"), "JAVA_VERSION=\"25\"\n");
        script("tools/mvn", "#!/bin/sh\necho the compiler is unhappy\nexit 1\n");
        Files.createDirectories(folder.resolve("second"));
        program = install("second/place");
        Ran failed = start(Map.of());
        assertThat(failed.status()).isEqualTo(2);
        assertThat(failed.out()).contains("the build failed", "the compiler is unhappy");
    }

    @Test
    void ofTwoFirstStartsOneBuilds() throws Exception {
        Process one = begin(program, Map.of());
        Process two = begin(program, Map.of());
        assertThat(end(one).out()).contains("--version");
        assertThat(end(two).out()).contains("--version");
        assertThat(noted("built")).isEqualTo(1);
    }

    @Test
    void aBuildThatEndedHalfWayIsMadeAnew() throws Exception {
        start(Map.of());
        Path jar = program.resolve("app/target/wild-flourish-app.jar");
        Files.write(jar, List.of("PK half"));
        assertThat(start(Map.of()).out()).contains("--version");
        assertThat(noted("built")).isEqualTo(2);
        Files.delete(program.resolve("app/target/lib/two.jar"));
        start(Map.of());
        assertThat(noted("built")).isEqualTo(3);
        Files.createFile(program.resolve("app/target/unfinished"));
        start(Map.of());
        assertThat(noted("built")).isEqualTo(4);
        // The lock of a build that was killed is no hindrance.
        Files.delete(jar);
        Files.createSymbolicLink(program.resolve("target/building"), Path.of("999999999"));
        assertThat(start(Map.of()).out()).contains("--version");
        assertThat(noted("built")).isEqualTo(5);
        assertThat(start(Map.of()).out()).startsWith("java");
    }

    @Test
    void theCacheIsMadeOnceAndUsed() throws Exception {
        assertThat(start(TRAINING).out()).contains("-XX:AOTCache=" + cacheHome());
        assertThat(start(TRAINING).out()).contains("-XX:AOTCache=" + cacheHome());
        assertThat(noted("trained")).isEqualTo(1);
        assertThat(cached(".training")).isEmpty();
        try (Stream<Path> left = Files.list(cacheHome())) {
            assertThat(left).noneMatch(f -> f.getFileName().toString().startsWith("making."));
        }
    }

    @Test
    void aTrainingThatWasKilledIsTakenOver() throws Exception {
        start(Map.of());
        start(TRAINING);
        String cache = cached(".aot").getFirst();
        Files.delete(cacheHome().resolve(cache));
        Files.createSymbolicLink(cacheHome().resolve(cache.substring(0, cache.indexOf('-')) + ".training"), Path.of("999999999"));
        assertThat(start(TRAINING).out()).contains("-XX:AOTCache=");
        assertThat(noted("trained")).isEqualTo(2);
    }

    @Test
    void aCacheThatGaveTroubleIsMadeAnew() throws Exception {
        start(TRAINING);
        String cache = cached(".aot").getFirst();
        Files.writeString(cacheHome().resolve(cache.replace(".aot", ".errors")), "the cache is damaged");
        start(TRAINING);
        assertThat(noted("trained")).isEqualTo(2);
        start(TRAINING);
        assertThat(noted("trained")).isEqualTo(2);
        Files.writeString(cacheHome().resolve(cache.replace(".aot", ".crash")), "the virtual machine fell over it");
        start(TRAINING);
        assertThat(noted("trained")).isEqualTo(3);
    }

    @Test
    void eachFolderHasItsOwnCacheAndOnesThatAreGoneLeaveNone() throws Exception {
        start(TRAINING);
        program = install("second");
        start(TRAINING);
        assertThat(cached(".aot")).hasSize(2);
        // A new build of the second: only its own old cache goes.
        Files.writeString(program.resolve("app/target/lib/two.jar"), "changed");
        start(TRAINING);
        assertThat(cached(".aot")).hasSize(2);
        Files.move(folder.resolve("wild flourish"), folder.resolve("gone"));
        Files.writeString(program.resolve("app/target/lib/two.jar"), "changed again");
        start(TRAINING);
        assertThat(cached(".aot")).hasSize(1);
        assertThat(noted("trained")).isEqualTo(4);
    }
}
