package wildflourish.sound.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What the fuzzer started from, what it learnt from and what it found, read anew at each build. */
class KeptInputsTest {

    @Test
    void everyKeptInputIsReadOrRefusedInWords() throws Exception {
        try (var files = Files.list(Path.of("src/test/resources/fuzz/Audio"))) {
            List<Path> all = files.sorted().toList();
            assertThat(all).hasSizeGreaterThan(3);
            for (Path file : all) {
                AudioTarget.fuzzerTestOneInput(Files.readAllBytes(file));
            }
        }
    }
}
