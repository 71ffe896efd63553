package wildflourish.app.work;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Properties;

/** The version of the program, as the build has written it down. */
public final class ProgramVersion {

    private ProgramVersion() {}

    /** As in {@code 1.0.0}. */
    public static String now() {
        try (InputStream in = ProgramVersion.class.getResourceAsStream("/wildflourish/app/version.properties")) {
            Properties properties = new Properties();
            properties.load(in);
            return properties.getProperty("version");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
