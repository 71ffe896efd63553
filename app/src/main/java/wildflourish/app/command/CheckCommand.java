package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import wildflourish.core.growth.Check;
import wildflourish.core.ornament.Situation;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Tempo;

/** The verdict on each placement at a tempo. Without {@code --rung} the fullest rung is checked. */
@Command(name = "check", description = "The verdict on each placement; the fullest rung unless --rung is given.",
        mixinStandardHelpOptions = true)
final class CheckCommand implements Callable<Integer> {

    @Mixin
    private TuneCommand tune;

    @Option(names = "--json")
    private boolean json;

    @Override
    public Integer call() {
        TuneOptions.Read read = tune.read(TuneOptions.Usual.FULLEST);
        Arrangement arrangement = read.arrangement();
        Version version = arrangement.version(read.rung());
        Setting setting = version.varied().setting();
        List<Check> checks = Check.all(version.hands(), setting, arrangement.tempo(), arrangement.speeds()).stream()
                .map(c -> new Check(c.bar(), version.varied().plain(c.note()), c.ornament(), c.verdict(), c.instead())).toList();
        List<Check.Unknown> unknown = Check.unknown(version.hands(), setting);
        PrintWriter out = tune.out();
        if (json) {
            Printing.print(document(arrangement, checks, unknown, version.hands()), out);
        } else {
            for (Check check : checks) {
                out.printf("bar %2d, note %3d: %s: %s: %s%s%s%n", check.bar(), check.note(), check.ornament().name(),
                        check.verdict().word(), check.verdict().inWords(),
                        check.verdict().cleanUpTo().map(t -> "; clean up to " + t.spoken()).orElse("")
                                + check.verdict().speaksUpTo().map(t -> ", speaks up to " + t.spoken()).orElse(""),
                        check.instead().map(o -> "; instead: " + o.name()).orElse(""));
            }
            for (Check.Unknown one : unknown) {
                out.printf("bar %2d, note %3d: %s: blocked: %s%s%n", one.bar(), one.note(), one.ornament(),
                        one.inWords(version.hands()), one.instead().map(o -> "; instead: " + o.name()).orElse(""));
            }
        }
        return read.status();
    }

    private static ObjectNode document(
            Arrangement arrangement, List<Check> checks, List<Check.Unknown> unknown, Situation situation) {
        ObjectNode document = Printing.object();
        document.put("instrument", arrangement.instrument().id()).put("tempo", arrangement.tempo().toString());
        ArrayNode findings = document.putArray("findings");
        for (Check check : checks) {
            ObjectNode finding = findings.addObject()
                    .put("bar", check.bar())
                    .put("note", check.note())
                    .put("ornament", check.ornament().id())
                    .put("verdict", check.verdict().word());
            check.verdict().room().ifPresentOrElse(
                    r -> finding.put("needsMs", Printing.rounded(r.needs().toDouble()))
                            .put("hasMs", Printing.rounded(r.has().toDouble())),
                    () -> finding.putNull("needsMs").putNull("hasMs"));
            finding.put("cleanUpTo", check.verdict().cleanUpTo().map(Tempo::toString).orElse(null))
                    .put("speaksUpTo", check.verdict().speaksUpTo().map(Tempo::toString).orElse(null))
                    .put("reason", check.verdict().inWords())
                    .put("instead", check.instead().map(o -> o.id()).orElse(null));
        }
        for (Check.Unknown one : unknown) {
            findings.addObject().put("bar", one.bar()).put("note", one.note()).put("ornament", one.ornament()).put("verdict", "blocked")
                    .putNull("needsMs").putNull("hasMs").putNull("cleanUpTo").putNull("speaksUpTo")
                    .put("reason", one.inWords(situation)).put("instead", one.instead().map(o -> o.id()).orElse(null));
        }
        return document;
    }
}
