package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.app.work.ClassBook;
import wildflourish.app.work.Lessons;
import wildflourish.core.lesson.LessonPlan;
import wildflourish.library.Library;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;
import wildflourish.score.handout.LessonPage;

/** A lesson for a class, fitted to its time. */
@Command(name = "lesson", description = "A lesson for a class, fitted to its time: what is worth most, in the order in which teachers work.", mixinStandardHelpOptions = true)
final class LessonCommand implements Callable<Integer> {

    @Mixin
    private LibraryOption library;

    @Mixin
    private Output output;

    @Mixin
    private ClassOption group;

    @Option(names = "--title", paramLabel = "TITLE", required = true, description = "a tune of the shelf; several, in the order in which they are to come")
    private List<String> titles = List.of();

    @Option(names = "--minutes", paramLabel = "N", description = "how long it is (default 60)", defaultValue = "60")
    private int minutes = 60;

    @Option(names = "--out", paramLabel = "PATH", description = "its page, as PDF")
    private @Nullable Path target;

    @Option(names = "--json", description = "one JSON document")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        try (Library open = library.open()) {
            ClassBook book = ClassOption.book(open);
            List<Person> who = group.people(book, library);
            LessonPlan plan = plan(Lessons.tunes(open, book, ids(open), who, () -> false));
            if (json) {
                Printing.print(document(plan), out);
            } else {
                print(plan, out);
            }
            if (target != null) {
                List<String> names = who.stream().map(p -> p.student().name()).toList();
                output.write(library.path(), target, () -> new LessonPage(plan, group.name().isBlank() ? "A lesson" : group.name(), names).pdf());
            }
            return 0;
        }
    }

    private LessonPlan plan(List<wildflourish.core.lesson.LessonTune> tunes) {
        try {
            return LessonPlan.of(tunes, minutes, Set.of());
        } catch (IllegalArgumentException e) {
            throw Refusal.call("%s; --minutes says how long".formatted(e.getMessage()));
        }
    }

    private List<Long> ids(Library open) {
        List<TuneEntry> shelf = open.tunes().all().read();
        List<Long> ids = new ArrayList<>();
        for (String title : titles) {
            ids.add(shelf.stream().filter(t -> t.title().equalsIgnoreCase(title.strip())).findFirst().map(TuneEntry::id)
                    .orElseThrow(() -> Refusal.input("%s:0:0: error: there is no tune '%s' on the shelf; `flourish search` finds them".formatted(library.path(), title))));
        }
        return ids;
    }

    private static void print(LessonPlan plan, PrintWriter out) {
        String tune = "";
        for (LessonPlan.Line line : plan.lines()) {
            if (!line.tune().isEmpty() && !line.tune().equals(tune)) {
                tune = line.tune();
                out.println(tune);
            }
            out.printf("%3d to %d  %s: %s%s%n", line.from(), line.to(), line.doing().words(), line.words(), line.why().isEmpty() ? "" : " (" + line.why() + ")");
            line.parts().forEach(p -> out.printf("           %s: %s%n", p.who(), p.does()));
        }
        plan.left().forEach(l -> out.println("not today: " + l));
        plan.more().forEach(m -> out.println("ten minutes more: " + m));
    }

    /** Of a tune, as the data have it: a whole tune taught to everybody is 100. */
    private static BigDecimal hundredths(int thousandths) {
        return BigDecimal.valueOf(thousandths, 1);
    }

    private static ObjectNode document(LessonPlan plan) {
        ObjectNode document = Printing.object().put("minutes", plan.minutes()).put("free", plan.free()).put("worth", hundredths(plan.worth()));
        ArrayNode lines = document.putArray("lines");
        for (LessonPlan.Line line : plan.lines()) {
            ObjectNode row = lines.addObject().put("from", line.from()).put("minutes", line.minutes()).put("doing", line.doing().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'))
                    .put("tune", line.tune()).put("what", line.words()).put("why", line.why())
                    .put("worth", hundredths(line.worth())).put("obligatory", line.obligatory());
            ArrayNode parts = row.putArray("parts");
            line.parts().forEach(p -> parts.addObject().put("who", p.who()).put("does", p.does()));
        }
        plan.left().forEach(document.putArray("notToday")::add);
        plan.more().forEach(document.putArray("tenMinutesMore")::add);
        return document;
    }
}
