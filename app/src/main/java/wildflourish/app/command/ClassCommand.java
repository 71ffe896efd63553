package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.app.work.ClassBook;
import wildflourish.app.work.Documents;
import wildflourish.core.lesson.ClassTempo;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tempo;
import wildflourish.library.Library;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;

/** Who learns what, where they are, and what is next. */
@Command(name = "class", description = "Who learns what, where they are, and what is next and why.", mixinStandardHelpOptions = true)
final class ClassCommand implements Callable<Integer> {

    @Mixin
    private LibraryOption library;

    @Mixin
    private ClassOption group;

    @Option(names = "--json", description = "one JSON document")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        try (Library open = library.open()) {
            ClassBook book = ClassOption.book(open);
            List<Person> people = group.people(book, library);
            if (json) {
                Printing.print(document(open, book, people), out);
            } else {
                people.forEach(p -> print(book, p, out));
            }
            return 0;
        }
    }

    private static void print(ClassBook book, Person person, PrintWriter out) {
        out.printf("%s, %s, %s%n", person.student().name(), person.student().plays().spoken(), person.student().level());
        book.lines().stream().filter(l -> l.person().equals(person)).forEach(l -> out.printf("  %s: %s; next: %s (%s)%n", l.tune().title(), l.where(), l.next().inWords(), l.next().why()));
    }

    private static ObjectNode document(Library open, ClassBook book, List<Person> people) {
        ObjectNode document = Printing.object();
        ArrayNode students = document.putArray("students");
        for (Person person : people) {
            ObjectNode row = students.addObject().put("name", person.student().name()).put("class", person.student().group()).put("instrument", person.student().instrument())
                    .put("capo", person.student().capo()).put("level", person.student().level()).put("readsMusic", person.student().reads());
            ArrayNode tunes = row.putArray("tunes");
            for (ClassBook.Line line : book.lines()) {
                if (line.person().equals(person)) {
                    ObjectNode tune = tunes.addObject().put("title", line.tune().title()).put("rung", line.standing().rung()).put("rungName", line.rungName())
                            .put("goal", line.standing().goal().toString()).put("reached", line.standing().reached().map(Tempo::toString).orElse(null))
                            .put("inParts", line.standing().part()).put("last", line.standing().last().map(LocalDate::toString).orElse(null)).put("passes", line.standing().passes());
                    ArrayNode stuck = tune.putArray("stuck");
                    line.standing().stuck().forEach(s -> stuck.add(s.passage()));
                    tune.put("next", line.next().inWords()).put("why", line.next().why());
                }
            }
        }
        tempi(document.putArray("tunes"), open, book, people);
        return document;
    }

    /** For each tune that somebody of them learns: at which tempo everybody is clean in their own version, and above which tempo whom is left behind. */
    private static void tempi(ArrayNode rows, Library open, ClassBook book, List<Person> people) {
        List<TuneEntry> learned = book.tunes().stream().filter(t -> book.lines().stream().anyMatch(l -> l.tune().equals(t) && people.contains(l.person()))).toList();
        for (TuneEntry entry : learned) {
            Arrangement tune = ClassBook.arrangement(Documents.read(open.tunes().current(entry.id()).document()), people.getFirst().student());
            ClassTempo tempo = ClassTempo.of(people.parallelStream().map(p -> OwnVersion.of(p.student(), tune, tune.tempo())).toList());
            ObjectNode row = rows.addObject().put("title", entry.title()).put("everybody", tempo.everybody().map(Tempo::toString).orElse(null));
            ArrayNode steps = row.putArray("leftBehind");
            tempo.steps().forEach(step -> {
                ArrayNode who = steps.addObject().put("above", step.above().toString()).putArray("who");
                step.leavesBehind().forEach(who::add);
            });
        }
    }
}
