package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import wildflourish.core.growth.Translation;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.setting.Arrangement;
import wildflourish.formats.abc.AbcWriter;

/** A version made on one instrument, carried over to others, with what changed and why. */
@Command(name = "translate",
        description = "Carries a version over to other instruments; --instrument is the one it was made on.",
        mixinStandardHelpOptions = true)
final class TranslateCommand implements Callable<Integer> {

    @Mixin
    private TuneCommand tune;

    @Mixin
    private Output output;

    @Option(names = "--to", paramLabel = "ID", description = "an instrument to carry it over to; repeatable; default all")
    private List<String> to = new ArrayList<>();

    @Option(names = "--json")
    private boolean json;

    @Option(names = "--out", paramLabel = "PATH", description = "with one --to: writes the version as .abc")
    private @Nullable Path out;

    @Override
    public Integer call() {
        if (out != null && to.size() != 1) {
            throw Refusal.call("--out writes one version: name its instrument with --to");
        }
        TuneOptions.Read read = tune.read(TuneOptions.Usual.FULLEST);
        Arrangement from = read.arrangement();
        List<Instrument> targets = to.isEmpty()
                ? Instruments.all().stream().filter(i -> i.hasHands() && !i.id().equals(from.instrument().id())).toList()
                : to.stream().map(tune.options()::instrument).toList();
        ObjectNode document = Printing.object();
        document.put("title", from.tune().title()).put("from", from.instrument().id())
                .put("tempo", from.tempo().toString());
        ArrayNode rows = document.putArray("to");
        PrintWriter print = tune.out();
        for (Instrument target : targets) {
            Translation translation = Translation.of(from, target);
            if (json) {
                add(rows.addObject(), target, translation);
            } else {
                print(target, translation, print);
            }
            if (out != null) {
                Arrangement there = from.on(target, translation.ladder());
                output.write(tune.file(), out, () -> AbcWriter.write(there, there.ladder().size() - 1).getBytes(StandardCharsets.UTF_8));
            }
        }
        if (json) {
            Printing.print(document, print);
        }
        return read.status();
    }

    private static String word(Translation.Kind kind) {
        return switch (kind) {
            case SAME -> "same";
            case OWN_MEANS -> "own-means";
            case CHANGED -> "changed";
            case LEFT_OUT -> "left-out";
        };
    }

    private static void add(ObjectNode row, Instrument target, Translation translation) {
        row.put("instrument", target.id());
        for (Translation.Kind kind : Translation.Kind.values()) {
            row.put(word(kind), translation.count(kind));
        }
        ArrayNode steps = row.putArray("steps");
        for (Translation.Step step : translation.steps()) {
            steps.addObject().put("bar", step.bar()).put("note", step.note()).put("rung", step.rung())
                    .put("from", step.from().id()).put("to", step.to().map(Ornament::id).orElse(null))
                    .put("kind", word(step.kind())).put("why", step.why());
        }
    }

    private static void print(Instrument target, Translation translation, PrintWriter print) {
        print.printf(Locale.ROOT, "%s: %d the same, %d by its own means, %d changed, %d left out%n", target.name(),
                translation.count(Translation.Kind.SAME), translation.count(Translation.Kind.OWN_MEANS),
                translation.count(Translation.Kind.CHANGED), translation.count(Translation.Kind.LEFT_OUT));
        for (Translation.Step step : translation.steps()) {
            if (step.kind() == Translation.Kind.CHANGED || step.kind() == Translation.Kind.LEFT_OUT) {
                print.printf(Locale.ROOT, "  bar %2d, note %3d: %s -> %s: %s%n", step.bar(), step.note(),
                        step.from().name(), step.to().map(Ornament::name).orElse("left out"), step.why());
            }
        }
    }
}
