package wildflourish.app.command;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import wildflourish.app.work.Exports;
import wildflourish.core.reading.Reading;
import wildflourish.core.rounds.Passes;
import wildflourish.core.rounds.Spreads;
import wildflourish.core.rounds.WrittenOut;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Rounds;

/** The rounds of a tune: what is played each time through, and the whole written out as one file. */
@Command(name = "rounds", description = "What is played each time through; --out writes the whole as .abc, .mid, .wav, .svg or .pdf.",
        mixinStandardHelpOptions = true)
final class RoundsCommand implements Callable<Integer> {

    @Mixin
    private TuneCommand tune;

    @Mixin
    private Output output;

    @Option(names = "--times", description = "times through, the first nearly bare and the last with everything")
    private @Nullable Integer times;

    @Option(names = "--seed", description = "shuffle within taste; the same seed gives the same rounds")
    private @Nullable Long seed;

    @Option(names = "--intro", paramLabel = "NAME", description = "none, count-in, potatoes or shuffle")
    private @Nullable String intro;

    @Option(names = "--tag", description = "end with a closing formula")
    private boolean tag;

    @Option(names = "--out", paramLabel = "PATH")
    private @Nullable Path out;

    @Override
    public Integer call() {
        if (!tune.options().hasInstrument()) {
            throw Refusal.call("rounds are played on an instrument: choose one, as in --instrument whistle-d");
        }
        TuneOptions.Read read = tune.read(TuneOptions.Usual.OWN_LADDER);
        Arrangement arrangement = read.arrangement();
        Reading reading = Reading.of(arrangement);
        List<Passes> passes = Passes.of(reading);
        int count = times == null ? 3 : times;
        if (count < 1 || count > Rounds.MOST_TIMES) {
            throw Refusal.call("a tune is played from 1 to %d times".formatted(Rounds.MOST_TIMES));
        }
        Rounds rounds = arrangement.rounds();
        if (seed != null) {
            rounds = Spreads.shuffled(rounds, count, passes, arrangement.ladder().size(), seed);
        } else if (rounds.isEmpty() || times != null) {
            rounds = rounds.with(Spreads.rising(count, passes.size(), arrangement.ladder().size()));
        }
        rounds = intro().map(rounds::with).orElse(rounds);
        rounds = tag ? rounds.with(Rounds.Tag.CLOSING) : rounds;
        Arrangement written = WrittenOut.of(arrangement.with(rounds.fitted(passes.size(), arrangement.ladder().size())));
        PrintWriter print = tune.out();
        if (out != null) {
            var format = Exports.format(out.toString())
                    .orElseThrow(() -> Refusal.call("end the name with " + Exports.ENDINGS));
            output.write(tune.file(), out, () -> Exports.bytes(written, WrittenOut.RUNG, format));
        } else {
            print(arrangement.with(rounds), passes, written, print);
        }
        return read.status();
    }

    private Optional<Rounds.Intro> intro() {
        if (intro == null) {
            return Optional.empty();
        }
        try {
            return Optional.of(Rounds.Intro.valueOf(intro.toUpperCase(Locale.ROOT).replace('-', '_')));
        } catch (IllegalArgumentException e) {
            throw Refusal.call("there is no intro '%s'; there are none, count-in, potatoes and shuffle".formatted(intro));
        }
    }

    private static void print(Arrangement arrangement, List<Passes> passes, Arrangement written, PrintWriter out) {
        double seconds = WrittenOut.seconds(written);
        out.printf(Locale.ROOT, "%s, %s: %d bars, %d:%02d%n", arrangement.tune().title(), arrangement.instrument().name(),
                written.tune().bars().size(), (int) seconds / 60, (int) seconds % 60);
        for (int t = 0; t < arrangement.rounds().times().size(); t++) {
            out.printf("time %d:", t + 1);
            for (int p = 0; p < passes.size(); p++) {
                Rounds.Pass pass = arrangement.rounds().times().get(t).get(p);
                out.printf("  %s %s%s", passes.get(p).name(), arrangement.ladder().rung(pass.rung()).name(),
                        pass.kind().map(k -> " + " + k).orElse(""));
            }
            out.println();
        }
    }
}
