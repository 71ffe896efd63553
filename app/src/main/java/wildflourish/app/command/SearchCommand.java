package wildflourish.app.command;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.app.work.TuneIndex;
import wildflourish.app.work.TuneSearch;
import wildflourish.library.Library;
import wildflourish.library.TuneEntry;

/** Finds tunes of a library by words, or by a few notes in any key. */
@Command(name = "search", description = "Finds tunes by words, or by a few notes in any key, as in: flourish search \"d f a f d\"", mixinStandardHelpOptions = true)
final class SearchCommand implements Callable<Integer> {

    @Parameters(index = "0..*", arity = "1..*", paramLabel = "WORDS-OR-NOTES")
    private List<String> asked = List.of();

    @Mixin
    private LibraryOption library;

    @Option(names = "--json", description = "one JSON document")
    private boolean json;

    @Option(names = "--most", paramLabel = "N", description = "at most so many answers (default: ${DEFAULT-VALUE})", defaultValue = "20")
    private int most;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        String words = String.join(" ", asked);
        PrintWriter out = spec.commandLine().getOut();
        try (Library open = library.open()) {
            List<TuneEntry> tunes = open.tunes().all().read();
            Map<Long, TuneIndex.Found> index = TuneIndex.of(open, open.index()::keep, () -> false);
            List<TuneSearch.Answer> answers = TuneSearch.of(words, tunes, index);
            List<TuneSearch.Answer> shown = answers.subList(0, Math.min(Math.max(0, most), answers.size()));
            if (json) {
                out.println(document(words, shown));
            } else {
                shown.forEach(a -> out.printf("%s\t%s\t%s\t%s%s%n", a.tune().title(), a.tune().type(), a.tune().key(), a.tune().meter(),
                        !a.byNotes() ? "" : a.cost() == 0 ? "\tits beginning" : "\t%d hundredths away".formatted(a.cost())));
                if (answers.isEmpty()) {
                    spec.commandLine().getErr().println("no tune is called that or has these notes; give four notes or more, or other words");
                }
            }
            return answers.isEmpty() ? 1 : 0;
        }
    }

    private static ObjectNode document(String words, List<TuneSearch.Answer> answers) {
        ObjectNode document = new ObjectMapper().createObjectNode();
        document.put("query", words);
        ArrayNode found = document.putArray("found");
        for (TuneSearch.Answer answer : answers) {
            found.addObject().put("id", answer.tune().id()).put("title", answer.tune().title()).put("type", answer.tune().type()).put("key", answer.tune().key())
                    .put("meter", answer.tune().meter()).put("by", answer.byNotes() ? "notes" : "words").put("cost", answer.cost());
        }
        return document;
    }
}
