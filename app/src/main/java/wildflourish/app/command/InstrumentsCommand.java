package wildflourish.app.command;

import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import wildflourish.core.instrument.Instruments;

/** The instruments there are. */
@Command(name = "instruments", description = "The instruments there are, one id a line with its name.",
        mixinStandardHelpOptions = true)
final class InstrumentsCommand implements Callable<Integer> {

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        Instruments.all().stream()
                .filter(i -> i.hasHands())
                .forEach(i -> spec.commandLine().getOut().printf("%s\t%s%n", i.id(), i.name()));
        return 0;
    }
}
