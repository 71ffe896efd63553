package wildflourish.sound.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** What the fuzzer started from, what it learnt from and what it found, read anew at each build. */
class KeptInputsTest {

    private static final Path KEPT = Path.of("src/test/resources/fuzz/Audio");
    private static final String LEARNT = "learnt.zip";

    /** What never ends is a fault too, however slow the machine. */
    @Test
    @Timeout(value = 4, unit = TimeUnit.MINUTES, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
    void everyKeptInputIsReadOrRefusedInWords() throws Exception {
        Map<String, byte[]> inputs = new TreeMap<>();
        try (var files = Files.list(KEPT)) {
            for (Path file : files.filter(f -> !f.endsWith(LEARNT)).toList()) {
                inputs.put(file.toString(), Files.readAllBytes(file));
            }
        }
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(KEPT.resolve(LEARNT)))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                inputs.put(entry.getName(), in.readAllBytes());
            }
        }
        assertThat(inputs).hasSizeGreaterThan(40);
        for (byte[] input : inputs.values()) {
            AudioTarget.fuzzerTestOneInput(input);
        }
    }
}
