package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.MalformedInputException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import wildflourish.core.finding.Finding;
import wildflourish.core.fit.Fingered;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Alternative;
import wildflourish.core.planning.FingeringPlan;
import wildflourish.core.planning.HandCheck;
import wildflourish.core.planning.Trap;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Timeline;

/** Where each note is played, and why; or whether fingerings entered by hand sound the tune. */
@Command(name = "plan", description = "The fingering plan, note by note.", mixinStandardHelpOptions = true)
final class PlanCommand implements Callable<Integer> {

    @Mixin
    private TuneCommand tune;

    @Option(names = "--json")
    private boolean json;

    @Option(names = "--verify", paramLabel = "PLACES",
            description = "check a text file of places, one a line or parted by |, against the tune")
    private @Nullable Path places;

    @Override
    public Integer call() {
        TuneOptions.Read read = tune.read(TuneOptions.Usual.AS_WRITTEN);
        Arrangement arrangement = read.arrangement();
        if (!arrangement.instrument().hasHands()) {
            throw Refusal.call("a plan is made for an instrument: choose one, as in --instrument fiddle");
        }
        PrintWriter out = tune.out();
        if (places != null) {
            return verify(tune, arrangement, places, out);
        }
        PlayingAdvice advice = PlayingAdvice.of(arrangement.version(read.rung()));
        if (json) {
            Printing.print(document(arrangement, advice), out);
        } else {
            print(arrangement, advice, out);
        }
        return read.status();
    }

    private static int verify(TuneCommand tune, Arrangement arrangement, Path places, PrintWriter out) {
        String text;
        try {
            text = Files.readString(places);
        } catch (MalformedInputException e) {
            throw Refusal.input("%s:0:0: error: this is not text; write the places as plain text in UTF-8".formatted(places));
        } catch (IOException e) {
            throw Refusal.input("%s:0:0: error: the file cannot be read; check its name and whether you may read it"
                    .formatted(places));
        }
        HandCheck check = HandCheck.of(Timeline.of(arrangement.tune()), arrangement.instrument(), text);
        for (Finding finding : check.findings()) {
            tune.err().println(finding.inFile(places.toString()));
        }
        out.printf("%d notes sound as written, %d findings%n", check.right(), check.findings().size());
        return check.findings().isEmpty() ? 0 : 1;
    }

    private static ObjectNode document(Arrangement arrangement, PlayingAdvice advice) {
        Situation situation = advice.situation();
        FingeringPlan plan = situation.plan();
        ObjectNode document = Printing.object().put("instrument", arrangement.instrument().id());
        Fingered keys = Fingered.of(arrangement);
        document.put("soundingKey", keys.sounding().spoken()).put("fingeredKey", keys.fingered().spoken());
        ObjectNode school = document.putObject("school");
        for (School.Choice choice : School.of(arrangement.instrument().family())) {
            school.put(choice.name(), arrangement.instrument().school(choice.name(), arrangement.school()));
        }
        document.put("capo", arrangement.instrument().capo()).put("cost", plan.cost());
        ArrayNode notes = document.putArray("notes");
        for (Timeline.Stand stand : situation.tune().notes()) {
            ObjectNode note = notes.addObject().put("note", stand.index()).put("bar", stand.barNumber())
                    .put("pitch", stand.pitch().toString());
            PlaceDocument.put(note, plan.at(stand.index()));
            Optional<String> stroke = advice.strokes().at(stand.index()).map(s -> s.word());
            plan.bellows(stand.index()).map(b -> b.word()).or(() -> stroke)
                    .ifPresentOrElse(d -> note.put("direction", d), () -> note.putNull("direction"));
            advice.strokes().finger(stand.index()).ifPresent(f -> note.put("plucks", f));
            note.put("why", plan.why(stand.index()));
            ArrayNode others = note.putArray("alternatives");
            for (Alternative other : plan.alternatives(stand.index())) {
                ObjectNode one = others.addObject().put("extra", other.extra());
                PlaceDocument.put(one, other.place());
            }
        }
        ArrayNode traps = document.putArray("traps");
        for (Trap trap : plan.traps()) {
            traps.addObject().put("note", trap.note()).put("bar", situation.tune().note(trap.note()).barNumber())
                    .put("kind", trap.kind()).put("text", trap.inWords());
        }
        ArrayNode sentences = document.putArray("advice");
        advice.inWords().forEach(sentences::add);
        return document;
    }

    private static void print(Arrangement arrangement, PlayingAdvice advice, PrintWriter out) {
        Situation situation = advice.situation();
        FingeringPlan plan = situation.plan();
        Fingered keys = Fingered.of(arrangement);
        out.printf("%s, %s, %scost %d%n", arrangement.tune().title(), arrangement.instrument().spoken(), keys.differs() ? keys.inWords() + ", " : "", plan.cost());
        for (Timeline.Stand stand : situation.tune().notes()) {
            if (!stand.heldOver()) {
                String stroke = advice.strokes().at(stand.index()).map(s -> ", " + s.word() + (s.joined() ? " (joined)" : ""))
                        .or(() -> advice.strokes().finger(stand.index()).map(f -> ", " + f)).orElse("");
                out.printf("bar %2d  note %3d  %-4s %s%s  (%s)%n", stand.barNumber(), stand.index(), stand.pitch(),
                        plan.at(stand.index()).inWords(), stroke, plan.why(stand.index()));
            }
        }
        advice.inWords().forEach(out::println);
    }
}
