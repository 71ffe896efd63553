package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
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
import wildflourish.app.work.BookGrowth;
import wildflourish.core.growth.Candidate;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Grown;
import wildflourish.core.growth.Offer;
import wildflourish.core.growth.Taste;
import wildflourish.core.ornament.Situation;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tempo;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;

/** The ladder of settings for an instrument, with a reason for each placement. */
@Command(name = "grow", description = "The ladder of settings for an instrument.", mixinStandardHelpOptions = true)
final class GrowCommand implements Callable<Integer> {

    @Mixin
    private TuneCommand tune;

    @Mixin
    private Output output;

    @Option(names = "--free", description = "let the melody itself be moved on the fuller rungs")
    private boolean free;

    @Option(names = "--prune", description = "thin the file's own fullest rung out, rather than growing from bare")
    private boolean prune;

    @Option(names = "--book", paramLabel = "PATH",
            description = "grow every tune of the file and write the book with its ladders to PATH (.abc)")
    private @Nullable Path book;

    @Option(names = "--json")
    private boolean json;

    @Override
    public Integer call() {
        if (!tune.options().hasInstrument()) {
            throw Refusal.call("a ladder is grown for an instrument: choose one, as in --instrument whistle-d");
        }
        if (book != null) {
            return growBook(book);
        }
        TuneOptions.Read read = tune.read(TuneOptions.Usual.AS_WRITTEN);
        Arrangement arrangement = read.arrangement();
        Grower grower = grower(arrangement.with(arrangement.wishes().freely(free || arrangement.wishes().free())));
        Grown grown = prune ? grower.prune(arrangement.ladder().setting(arrangement.ladder().size() - 1)) : grower.grow();
        PrintWriter out = tune.out();
        if (json) {
            Printing.print(document(arrangement, grower, grown), out);
        } else {
            print(arrangement, grown, out);
        }
        return read.status();
    }

    private static Grower grower(Arrangement arrangement) {
        Situation situation = arrangement.situation();
        return new Grower(situation, arrangement.tempo(), arrangement.speeds(), Taste.of(arrangement),
                Phrases.of(arrangement), arrangement.wishes(), Optional.empty(), List.of());
    }

    /** A tune of a book with its ladder; where the melody may be moved and could not before, it is grown anew. */
    private Arrangement grown(BookTune one) {
        Arrangement grown = tune.options().grown(one);
        if (!free || grown.wishes().free()) {
            return grown;
        }
        Arrangement freely = grown.with(grown.wishes().freely(true));
        return freely.with(grower(freely).grow().ladder());
    }

    /** The whole book; how far it is stands on standard error, where a terminal shows it in one line. */
    private int growBook(Path book) {
        output.look(book);
        PrintWriter err = tune.err();
        TuneBook read = TuneOptions.book(tune.file(), err);
        int all = read.tunes().size();
        long[] told = {System.nanoTime()};
        List<Arrangement> grown = BookGrowth.grow(read.tunes(), this::grown, done -> {
            synchronized (told) {
                if (System.nanoTime() - told[0] > 500_000_000L) {
                    told[0] = System.nanoTime();
                    err.print("\rgrown %d of %d".formatted(done, all));
                    err.flush();
                }
            }
        }, Thread.currentThread()::isInterrupted);
        StringBuilder text = new StringBuilder();
        grown.forEach(a -> text.append(AbcWriter.write(a, 0)).append('\n'));
        output.write(tune.file(), book, () -> text.toString().getBytes(java.nio.charset.StandardCharsets.UTF_8));
        tune.out().printf("%d tunes grown for the %s: %s%n", grown.size(), tune.options().instrument().name(), book);
        return read.hasErrors() ? 1 : 0;
    }

    private static ObjectNode document(Arrangement arrangement, Grower grower, Grown grown) {
        ObjectNode document = Printing.object();
        document.put("title", arrangement.tune().title())
                .put("instrument", arrangement.instrument().id())
                .put("tempo", arrangement.tempo().toString());
        ArrayNode rungs = document.putArray("rungs");
        for (int r = 0; r < grown.ladder().size(); r++) {
            ObjectNode rung = rungs.addObject().put("index", r).put("name", grown.ladder().rung(r).name());
            ArrayNode placements = rung.putArray("placements");
            for (Grown.Reasoned reasoned : grown.reasons().get(r)) {
                Candidate candidate = reasoned.candidate();
                placements.addObject()
                        .put("note", candidate.note())
                        .put("bar", bar(arrangement, candidate.note()))
                        .put("ornament", candidate.ornament().id())
                        .put("slot", candidate.ornament().slot().name().toLowerCase(Locale.ROOT))
                        .put("verdict", candidate.verdict().word())
                        .put("cleanUpTo", candidate.verdict().cleanUpTo().map(Tempo::toString).orElse(null))
                        .put("speaksUpTo", candidate.verdict().speaksUpTo().map(Tempo::toString).orElse(null))
                        .put("reason", reasoned.reason())
                        .put("weighed", reasoned.weighed())
                        .put("runnerUp", grower.without(grown.ladder(), r, candidate.note(), candidate.ornament().id())
                                .map(u -> u.inWords(arrangement.situation().tune(), arrangement.situation().vocabulary())).orElse(null));
            }
            ArrayNode variations = rung.putArray("variations");
            for (Offer offer : grown.variations().get(r)) {
                variations.addObject()
                        .put("fromNote", offer.variation().from())
                        .put("toNote", offer.variation().to() - 1)
                        .put("kind", offer.variation().kind())
                        .put("notes", offer.variation().inWords())
                        .put("verdict", offer.verdict().word())
                        .put("cleanUpTo", offer.verdict().cleanUpTo().map(Tempo::toString).orElse(null))
                        .put("reason", offer.because());
            }
        }
        return document;
    }

    private static void print(Arrangement arrangement, Grown grown, PrintWriter out) {
        out.printf("%s, %s, %s%n", arrangement.tune().title(), arrangement.instrument().name(),
                arrangement.tempo().spoken());
        for (int r = 0; r < grown.ladder().size(); r++) {
            out.printf("%n%d %s%n", r, grown.ladder().rung(r).name());
            for (Grown.Reasoned reasoned : grown.reasons().get(r)) {
                Candidate candidate = reasoned.candidate();
                out.printf("  bar %2d, note %3d (%s): %s, %s: %s%n", bar(arrangement, candidate.note()),
                        candidate.note(), arrangement.situation().tune().note(candidate.note()).pitch(),
                        candidate.ornament().name(), candidate.verdict().word(), reasoned.reason());
            }
            for (Offer offer : grown.variations().get(r)) {
                out.printf("  bar %2d, note %3d: %s: %s%n", bar(arrangement, offer.variation().from()), offer.variation().from(),
                        offer.inWords(), offer.because());
            }
        }
    }

    private static int bar(Arrangement arrangement, int note) {
        return arrangement.situation().tune().note(note).barNumber();
    }
}
