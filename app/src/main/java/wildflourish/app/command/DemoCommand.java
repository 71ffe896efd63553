package wildflourish.app.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Opens the desktop on a fresh copy of the demo library. */
@Command(name = "demo", description = "The desktop on a fresh demo library.", mixinStandardHelpOptions = true)
final class DemoCommand implements Callable<Integer> {

    @Option(names = "--tour", paramLabel = "DIR", description = "without a display: write a picture of each main view")
    private @Nullable Path tour;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        return Desktop.demo(tour, spec.commandLine().getOut());
    }
}
