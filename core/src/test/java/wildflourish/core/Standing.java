package wildflourish.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * What the heart decides, written down in files beside the tests, so that a change of a value or of a rule shows by its lines which
 * notes of which instrument it touches. They are no proof that a decision is right: whoever changes one reads the difference, as a player
 * would, before they write the files anew with {@code -Dflourish.write.standing=true}.
 */
public final class Standing {

    private static final Path FOLDER = Path.of("src/test/resources/wildflourish/core/standing");
    private static final int SHOWN = 8;

    private Standing() {}

    /** Where the lines are others than those of the file of a name, the first few; empty where they are the same. */
    public static List<String> differing(String name, List<String> lines) throws IOException {
        Path file = FOLDER.resolve(name + ".txt");
        if (Boolean.getBoolean("flourish.write.standing")) {
            Files.createDirectories(file.getParent());
            Files.write(file, lines);
        }
        assertThat(file).exists();
        List<String> stood = Files.readAllLines(file);
        List<String> differing = new ArrayList<>();
        for (int i = 0; i < Math.max(stood.size(), lines.size()) && differing.size() < SHOWN; i++) {
            String before = i < stood.size() ? stood.get(i) : "(nothing)";
            String now = i < lines.size() ? lines.get(i) : "(nothing)";
            if (!before.equals(now)) {
                differing.add("%s, line %d%n  stood: %s%n  now:   %s".formatted(file, i + 1, before, now));
            }
        }
        return differing;
    }
}
