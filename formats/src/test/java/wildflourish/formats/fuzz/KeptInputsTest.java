package wildflourish.formats.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/** What the fuzzer started from, what it learnt from and what it found, read anew at each build. */
class KeptInputsTest {

    private static final Path KEPT = Path.of("src/test/resources/fuzz");
    private static final Map<String, Consumer<byte[]>> TARGETS = Map.of("Abc", AbcTarget::fuzzerTestOneInput, "Instructions", InstructionsTarget::fuzzerTestOneInput,
            "MusicXml", MusicXmlTarget::fuzzerTestOneInput, "Midi", MidiTarget::fuzzerTestOneInput, "Steps", StepsTarget::fuzzerTestOneInput);

    @TestFactory
    List<DynamicTest> everyKeptInputIsReadAndKeptWhole() {
        return TARGETS.entrySet().stream().map(t -> DynamicTest.dynamicTest(t.getKey(), () -> feed(KEPT.resolve(t.getKey()), t.getValue()))).toList();
    }

    private static void feed(Path folder, Consumer<byte[]> target) throws IOException {
        Map<String, byte[]> inputs = new TreeMap<>();
        try (var files = Files.list(folder)) {
            for (Path file : files.toList()) {
                if (file.toString().endsWith(".zip")) {
                    learnt(file, inputs);
                } else {
                    inputs.put(file.toString(), Files.readAllBytes(file));
                }
            }
        }
        assertThat(inputs).hasSizeGreaterThan(10);
        // What never ends is a fault too, however slow the machine.
        inputs.forEach((name, bytes) -> Assertions.assertTimeoutPreemptively(Duration.ofMinutes(2), () -> target.accept(bytes), name));
    }

    /** Small inputs by which code was reached that no others reached, packed together. */
    private static void learnt(Path zip, Map<String, byte[]> inputs) throws IOException {
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                inputs.put(zip + "!" + entry.getName(), in.readAllBytes());
            }
        }
    }
}
