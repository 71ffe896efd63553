package wildflourish.app.command;

import picocli.CommandLine;
import wildflourish.app.work.ProgramVersion;

/** What {@code --version} prints. */
final class VersionLine implements CommandLine.IVersionProvider {

    @Override
    public String[] getVersion() {
        return new String[] {"Wild Flourish " + ProgramVersion.now()};
    }
}
