package wildflourish.app.command;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Properties;
import picocli.CommandLine;

/** The version of the program, as the build has written it down. */
final class ProgramVersion implements CommandLine.IVersionProvider {

    @Override
    public String[] getVersion() {
        try (InputStream in = ProgramVersion.class.getResourceAsStream("/wildflourish/app/version.properties")) {
            Properties properties = new Properties();
            properties.load(in);
            return new String[] {"Wild Flourish " + properties.getProperty("version")};
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
