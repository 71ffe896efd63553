package wildflourish.app.work;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;

/** Where the program keeps its files on each platform. */
public final class Folders {

    private Folders() {}

    /** The user's library, in the platform's folder for data. */
    public static Path library() {
        return dataFolder(System.getProperty("os.name"), System.getProperty("user.home"), System.getenv())
                .resolve("library.db");
    }

    static Path dataFolder(String system, String home, Map<String, String> environment) {
        String name = system.toLowerCase(Locale.ROOT);
        if (name.contains("win")) {
            String roaming = environment.get("APPDATA");
            return (roaming == null ? Path.of(home, "AppData", "Roaming") : Path.of(roaming)).resolve("Wild Flourish");
        }
        if (name.contains("mac")) {
            return Path.of(home, "Library", "Application Support", "Wild Flourish");
        }
        String shared = environment.get("XDG_DATA_HOME");
        return (shared == null || shared.isBlank() ? Path.of(home, ".local", "share") : Path.of(shared))
                .resolve("wild-flourish");
    }

    /** A file name for a tune: its letters and digits, everything else a hyphen. */
    public static String fileName(String title) {
        String plain = java.text.Normalizer.normalize(title, java.text.Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "").toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        return plain.isEmpty() ? "tune" : plain;
    }
}
