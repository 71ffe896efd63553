package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.score.handout.InstrumentChart;
import wildflourish.score.paint.SvgPainter;

/** An instrument's fingering chart: all of it, or the notes of one tune. */
@Command(name = "chart", description = "An instrument's fingering chart, as .pdf, .svg or JSON.",
        mixinStandardHelpOptions = true)
final class ChartCommand implements Callable<Integer> {

    @Mixin
    private TuneOptions options;

    @Mixin
    private Output output;

    @Parameters(paramLabel = "INSTRUMENT")
    private String id;

    @Option(names = "--notes-of", paramLabel = "FILE", description = "only the notes of a tune")
    private @Nullable Path tuneFile;

    @Option(names = "--out", paramLabel = "PATH", description = "ending in .pdf or .svg")
    private @Nullable Path target;

    @Option(names = "--json")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        Instrument instrument = options.instrument(id);
        if (!instrument.hasHands()) {
            throw Refusal.call("'%s' is no instrument to finger; see: flourish instruments".formatted(id));
        }
        Optional<Tune> tune = Optional.ofNullable(tuneFile).map(f ->
                options.read(f, spec.commandLine().getErr(), TuneOptions.Usual.AS_WRITTEN).arrangement().tune());
        List<Pitch> pitches = tune.map(t -> notesOf(t, instrument)).orElseGet(instrument.layout()::pitches);
        if (pitches.isEmpty()) {
            throw Refusal.input("%s:0:0: error: the %s has none of its notes; choose another instrument or key"
                    .formatted(tuneFile, instrument.name()));
        }
        if (target == null) {
            if (!json) {
                print(instrument, pitches);
            } else {
                Printing.print(document(instrument, pitches), spec.commandLine().getOut());
            }
            return 0;
        }
        output.write(target, bytes(new InstrumentChart(instrument, pitches, tune.map(Tune::title)), target));
        spec.commandLine().getOut().println(target);
        return 0;
    }

    private static List<Pitch> notesOf(Tune tune, Instrument instrument) {
        Set<Integer> wanted = new TreeSet<>();
        Timeline.of(tune).notes().forEach(n -> wanted.add(n.pitch().midi()));
        return instrument.layout().pitches().stream().filter(p -> wanted.contains(p.midi())).toList();
    }

    private static byte[] bytes(InstrumentChart chart, Path target) {
        String name = target.toString().toLowerCase(Locale.ROOT);
        if (name.endsWith(".svg")) {
            return SvgPainter.paint(chart.drawing(), 8).getBytes(StandardCharsets.UTF_8);
        }
        if (name.endsWith(".pdf")) {
            return chart.pdf();
        }
        throw Refusal.call("'%s' does not tell a format; end it with .pdf or .svg, or give no --out".formatted(target));
    }

    private static ObjectNode document(Instrument instrument, List<Pitch> pitches) {
        ObjectNode document = Printing.object().put("instrument", instrument.id()).put("name", instrument.spoken())
                .put("provenance", instrument.provenance());
        ArrayNode notes = document.putArray("notes");
        for (Pitch pitch : pitches) {
            ArrayNode places = notes.addObject().put("pitch", pitch.toString())
                    .put("sounds", Pitch.ofMidi(pitch.midi() + instrument.soundsAbove()).toString()).putArray("places");
            for (Place place : instrument.layout().places(pitch)) {
                ObjectNode one = places.addObject();
                PlaceDocument.put(one, place);
                if (place instanceof Place.Pressed p) {
                    p.direction().ifPresent(d -> one.put("direction", d.word()));
                }
                if (place instanceof Place.Fingered f) {
                    one.put("try", f.fingering().trial()).put("school", f.fingering().school().orElse(null));
                }
            }
        }
        return document;
    }

    private void print(Instrument instrument, List<Pitch> pitches) {
        var out = spec.commandLine().getOut();
        out.printf("%s%n%s%n", instrument.spoken(), instrument.provenance());
        for (Pitch pitch : pitches) {
            out.printf("%-4s %s%n", pitch, String.join("  |  ",
                    instrument.layout().places(pitch).stream().map(Place::text).toList()));
        }
    }
}
