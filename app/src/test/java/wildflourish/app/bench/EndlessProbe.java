package wildflourish.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.Main;

/** Files without end, read cold by the commands with one gigabyte: run by name, it prints how long each takes. */
class EndlessProbe {

    private static final int TEN_MEGABYTES = 10_000_000;
    private static final String HEAD = "X:1\nT:Endless\nR:reel\nM:4/4\nL:1/8\n";
    private static final String BAR = "d2fd adfd|";

    @Test
    void read(@TempDir Path folder) throws Exception {
        for (Map.Entry<String, String> file : files().entrySet()) {
            Path path = Files.writeString(folder.resolve("endless.abc"), file.getValue());
            for (String command : List.of("perform", "read")) {
                long began = System.nanoTime();
                Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx1g",
                        "-cp", System.getProperty("java.class.path"), Main.class.getName(), command, path.toString())
                        .redirectOutput(ProcessBuilder.Redirect.DISCARD).redirectError(folder.resolve("told").toFile()).start();
                int status = process.waitFor();
                System.out.printf("%s, %s: %.1f s, exit %d%n", file.getKey(), command, (System.nanoTime() - began) / 1e9, status);
                assertThat(Files.readString(folder.resolve("told"))).doesNotContain("memory", "Exception");
            }
        }
    }

    private static Map<String, String> files() {
        Map<String, String> files = new LinkedHashMap<>();
        files.put("10 MB on one line", HEAD + "K:D\n" + BAR.repeat(TEN_MEGABYTES / BAR.length()) + "\n");
        files.put("a million notes", HEAD + "K:D\n" + (BAR.repeat(4) + "\n").repeat(1_000_000 / 28));
        files.put("10 MB of tunes", IntStream.range(1, TEN_MEGABYTES / 220)
                .mapToObj(i -> HEAD.replace("X:1", "X:" + i) + "K:D\n" + (BAR.repeat(4) + "\n").repeat(4) + "\n").collect(Collectors.joining()));
        files.put("20,000 placements", HEAD + "I:flourish instrument whistle-d\nI:flourish rung 0 bare\nI:flourish rung 1 some\nI:flourish rung 2 full\n"
                + IntStream.range(0, 20_000).mapToObj(i -> "I:flourish place %d cut from 2\n".formatted(i)).collect(Collectors.joining())
                + "K:D\n" + (BAR.repeat(4) + "\n").repeat(800));
        return files;
    }
}
