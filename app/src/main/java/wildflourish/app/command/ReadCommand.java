package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Trap;
import wildflourish.core.reading.Lesson;
import wildflourish.core.reading.Part;
import wildflourish.core.reading.Passage;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Reading;
import wildflourish.core.reading.Traps;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Pitch;

/** The reading of a tune: form, phrases, repeats, mode, traps. */
@Command(name = "read", description = "The reading: form, phrases, repeats, mode, traps.", mixinStandardHelpOptions = true)
final class ReadCommand implements Callable<Integer> {

    @Mixin
    private TuneCommand tune;

    @Option(names = "--json")
    private boolean json;

    @Override
    public Integer call() {
        TuneOptions.Read read = tune.read(TuneOptions.Usual.UNGROWN);
        Situation situation = read.arrangement().situation();
        Reading reading = Reading.of(read.arrangement());
        List<Trap> traps = Traps.worthTelling(reading, situation);
        PrintWriter out = tune.out();
        if (json) {
            Printing.print(document(reading, traps, read.arrangement().tune().title()), out);
        } else {
            print(reading, traps, read.arrangement().tune().title(), out);
        }
        return read.status();
    }

    private static ObjectNode document(Reading reading, List<Trap> traps, String title) {
        ObjectNode document = Printing.object();
        document.put("title", title)
                .put("type", reading.type())
                .put("meter", reading.timeline().tune().head().meter().toString())
                .put("key", reading.timeline().tune().head().key().spoken())
                .put("mode", reading.tonality().key().map(k -> k.mode().word()).orElse(null))
                .put("tonic", reading.tonality().key().map(k -> k.tonicPitch().spoken()).orElse(null));
        ArrayNode scale = document.putArray("scale");
        reading.tonality().notes().forEach(scale::add);
        document.put("scaleInWords", reading.tonality().scaleInWords())
                .put("tonality", reading.tonality().remark().orElse(null));
        document.putObject("range")
                .put("low", reading.lowest().map(Pitch::toString).orElse(null))
                .put("high", reading.highest().map(Pitch::toString).orElse(null));
        document.put("form", reading.form()).put("beginning", reading.beginning());
        ArrayNode parts = document.putArray("parts");
        int index = 0;
        for (Part part : reading.parts()) {
            ObjectNode one = parts.addObject().put("name", part.name());
            ArrayNode phrases = one.putArray("phrases");
            for (Phrase phrase : part.phrases()) {
                Passage passage = reading.passages().get(index++);
                phrases.addObject()
                        .put("name", phrase.name())
                        .put("fromBar", reading.firstBar(phrase))
                        .put("toBar", reading.lastBar(phrase))
                        .put("firstNote", pitch(reading, phrase.fromNote()))
                        .put("lastNote", pitch(reading, phrase.lastNote()))
                        .put("sameAs", passage.sameAs().map(s -> reading.passages().get(s).phrase().name()).orElse(null))
                        .put("likeness", passage.sameAs().isEmpty() ? null : passage.likeness().kind().id())
                        .put("difference", passage.difference())
                        .put("shape", passage.shape())
                        .put("remark", passage.remark().orElse(null));
            }
        }
        ArrayNode order = document.putArray("teachingOrder");
        for (Lesson.Step step : reading.lesson().steps()) {
            if (!step.isJoin()) {
                order.addObject().put("phrase", step.phrases().getFirst().name()).put("newBars", step.newBars())
                        .put("shareOfTune", Printing.rounded(step.share()));
            }
        }
        ArrayNode all = document.putArray("traps");
        for (Trap trap : traps) {
            all.addObject().put("bar", reading.timeline().note(trap.note()).barNumber()).put("note", trap.note())
                    .put("kind", trap.kind()).put("text", trap.inWords());
        }
        return document;
    }

    private static String pitch(Reading reading, int note) {
        return reading.timeline().note(note).pitch().toString();
    }

    private static void print(Reading reading, List<Trap> traps, String title, PrintWriter out) {
        out.printf("%s: %s, form %s, %s (%s)%n", title, reading.type(), reading.form(),
                reading.tonality().key().map(k -> k.spoken()).orElse("no key"), reading.tonality().scaleInWords());
        reading.tonality().remark().ifPresent(r -> out.println("  " + r));
        reading.lowest().ifPresent(l -> out.printf("  from %s up to %s; %s%n", l, reading.highest().orElseThrow(),
                reading.beginning()));
        for (Passage passage : reading.passages()) {
            Phrase phrase = passage.phrase();
            out.printf("%n%s, bars %d to %d: %s%n", phrase.name(), reading.firstBar(phrase), reading.lastBar(phrase),
                    passage.shape());
            if (!passage.difference().isEmpty() || passage.isSame()) {
                out.printf("  %s%n", passage.isSame() && passage.difference().isEmpty()
                        ? "the same as " + reading.passages().get(passage.sameAs().get()).phrase().name() : passage.difference());
            }
            passage.remark().ifPresent(r -> out.println("  " + r));
        }
        out.println();
        for (Lesson.Step step : reading.lesson().steps()) {
            out.printf("%3d %%  %s%n", Math.round(step.share() * 100), step.text());
        }
        out.println();
        for (Trap trap : traps) {
            out.printf("%s: %s%n", BarNames.name(reading.timeline().note(trap.note()).barNumber()), trap.inWords());
        }
    }
}
