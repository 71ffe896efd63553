package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import wildflourish.app.work.Exports;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Sound;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Varied;
import wildflourish.core.tune.Timeline;

/** The timed performance of a tune or of one of its settings. */
@Command(name = "perform", description = "The timed performance of a tune.", mixinStandardHelpOptions = true)
final class PerformCommand implements Callable<Integer> {

    @Mixin
    private TuneCommand tune;

    @Option(names = "--json")
    private boolean json;

    @Override
    public Integer call() {
        var out = tune.out();
        TuneOptions.Read read = tune.read(TuneOptions.Usual.AS_WRITTEN);
        Arrangement arrangement = read.arrangement();
        Performance performance = Exports.performance(arrangement.version(read.rung()));
        Varied varied = arrangement.version(read.rung()).varied();
        Timeline plain = Timeline.of(arrangement.tune());
        if (json) {
            ObjectNode document = Printing.object();
            document.put("title", arrangement.tune().title())
                    .put("meter", arrangement.tune().head().meter().toString())
                    .put("key", arrangement.tune().head().key().spoken())
                    .put("instrument", arrangement.instrument().id())
                    .put("rung", read.rung())
                    .put("tempo", arrangement.tempo().toString())
                    .put("durationMs", Printing.rounded(performance.durationMs()));
            ArrayNode events = document.putArray("events");
            for (Sound sound : performance.sounds()) {
                events.addObject().put("atMs", Printing.rounded(sound.atMs())).put("forMs", Printing.rounded(sound.forMs()))
                        .put("midi", sound.midi()).put("role", role(sound, varied, plain)).put("bar", sound.bar())
                        .put("note", varied.plain(sound.note()));
            }
            Printing.print(document, out);
        } else {
            out.printf("%s, %s, %s, %s%n", arrangement.tune().title(), arrangement.ladder().rung(read.rung()).name(),
                    arrangement.instrument().name(), arrangement.tempo().spoken());
            for (Sound sound : performance.sounds()) {
                out.printf(java.util.Locale.ROOT, "%10.1f ms  for %8.1f ms  midi %3d  bar %3d  note %3d  %s%n",
                        sound.atMs(), sound.forMs(), sound.midi(), sound.bar(), varied.plain(sound.note()), role(sound, varied, plain));
            }
        }
        return read.status();
    }

    /** What sounds: a note of the tune also where a variation begins with it, else the ornament or the variation. */
    private static String role(Sound sound, Varied varied, Timeline plain) {
        String kind = varied.kind(sound.note());
        if (kind.isEmpty() || !sound.role().equals(Sound.MELODY)) {
            return sound.role();
        }
        Timeline.Stand now = varied.tune().note(sound.note());
        Timeline.Stand stands = plain.note(varied.plain(sound.note()));
        return now.onset().equals(stands.onset()) && now.pitch().equals(stands.pitch()) ? Sound.MELODY : kind;
    }
}
