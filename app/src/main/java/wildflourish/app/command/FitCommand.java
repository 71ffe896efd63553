package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.core.fit.Carried;
import wildflourish.core.fit.ClassKey;
import wildflourish.core.fit.Fit;
import wildflourish.core.fit.Lie;
import wildflourish.core.fit.Recording;
import wildflourish.core.fit.Singer;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Tune;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;

/** In which key, on which instrument, for whom. */
@Command(name = "fit", description = "In which key a tune lies best, on which instruments, and for all who play or sing together.", mixinStandardHelpOptions = true)
final class FitCommand implements Callable<Integer> {

    private static final int OCTAVE = 12;

    @Parameters(paramLabel = "FILE")
    private Path file;

    @Option(names = "--tune", paramLabel = "X", description = "the tune's X: number; default the first")
    private @Nullable Integer number;

    @Option(names = "--instrument", paramLabel = "ID", description = "who plays: repeatable, with a capo as in mandolin:2; default all instruments")
    private List<String> instruments = new ArrayList<>();

    @Option(names = "--key", paramLabel = "K", description = "a key to sound in, by its tonic as in Bb; repeatable; default all twelve")
    private List<String> keys = new ArrayList<>();

    @Option(names = "--for", paramLabel = "NAME=LOW-HIGH", description = "who sings, as in singer=A3-D5; repeatable")
    private List<String> singing = new ArrayList<>();

    @Option(names = "--recording", paramLabel = "K", description = "the key of a recording to play along with, by its tonic")
    private @Nullable String recording;

    @Option(names = "--json", description = "one JSON document")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        List<Singer> singers = singing.stream().map(FitCommand::singer).toList();
        List<Instrument> players = instruments.isEmpty() ? Instruments.all().stream().filter(Instrument::hasHands).toList()
                : instruments.stream().map(FitCommand::player).toList();
        PrintWriter err = spec.commandLine().getErr();
        TuneBook book = TuneOptions.book(file, err);
        BookTune read = book.tunes().stream().filter(t -> number == null || t.tune().head().number() == number).findFirst()
                .orElseThrow(() -> Refusal.input("%s:0:0: error: there is no tune with X:%d".formatted(file, number)));
        List<Integer> offsets = keys.isEmpty() ? IntStream.rangeClosed(Fit.LOWEST, Fit.HIGHEST).boxed().toList() : keys.stream().map(k -> offset(read.tune(), k)).toList();
        Fit fit = Fit.of(read.tune(), players, singers, School.USUAL);
        PrintWriter out = spec.commandLine().getOut();
        List<Recording> recordings = recording == null ? List.of() : recordings(read.tune(), offset(read.tune(), recording), players);
        if (json) {
            ObjectNode document = document(fit, read, offsets);
            recordings(document, recordings, players);
            Printing.print(document, out);
        } else {
            print(fit, offsets, out);
            for (int i = 0; i < recordings.size(); i++) {
                out.printf("%s: %s%n", players.get(i).spoken(), recordings.get(i).inWords());
            }
        }
        return book.hasErrors(read) ? 1 : 0;
    }

    private static List<Recording> recordings(Tune tune, int offset, List<Instrument> players) {
        return players.stream().map(p -> Recording.of(tune.head().key(), offset, p)).toList();
    }

    private static void recordings(ObjectNode document, List<Recording> recordings, List<Instrument> players) {
        if (!recordings.isEmpty()) {
            ObjectNode row = document.putObject("recording").put("key", recordings.getFirst().key().spoken()).put("shift", recordings.getFirst().shift());
            ArrayNode meets = row.putArray("meets");
            for (int i = 0; i < recordings.size(); i++) {
                for (Instrument with : recordings.get(i).meets()) {
                    meets.addObject().put("instrument", players.get(i).id()).put("by", with.id()).put("capo", with.capo());
                }
            }
        }
    }

    private static Singer singer(String text) {
        try {
            return Singer.parse(text);
        } catch (IllegalArgumentException e) {
            throw Refusal.call(String.valueOf(e.getMessage()));
        }
    }

    private static Instrument player(String text) {
        String[] halves = text.split(":", 2);
        Instrument known = Instruments.byId(halves[0]).filter(Instrument::hasHands)
                .orElseThrow(() -> Refusal.call("there is no instrument '%s'; see: flourish instruments".formatted(halves[0])));
        try {
            return halves.length < 2 ? known : known.withCapo(Integer.parseInt(halves[1]));
        } catch (NumberFormatException e) {
            throw Refusal.call("'%s' is no fret for a capo, as in %s:2".formatted(halves[1], halves[0]));
        } catch (IllegalArgumentException e) {
            throw Refusal.call(String.valueOf(e.getMessage()));
        }
    }

    /** How far a key is from the tune's own. */
    private static int offset(Tune tune, String tonic) {
        try {
            int midi = Pitch.parse(tonic.strip() + "4").midi();
            int up = Math.floorMod(midi - tune.head().key().tonicPitch().midi(), OCTAVE);
            return up > Fit.HIGHEST ? up - OCTAVE : up;
        } catch (IllegalArgumentException e) {
            throw Refusal.call("'%s' is no key by its tonic, as in D or Bb".formatted(tonic));
        }
    }

    private static ObjectNode document(Fit fit, BookTune read, List<Integer> offsets) {
        ObjectNode document = Printing.object().put("title", fit.tune().title()).put("key", fit.tune().head().key().spoken());
        ArrayNode cells = document.putArray("cells");
        fit.cells().stream().filter(c -> offsets.contains(c.offset())).forEach(c -> cell(cells.addObject(), c, read));
        ArrayNode best = document.putArray("best");
        best(fit).forEach(c -> brief(best.addObject(), c).put("why", c.why()));
        ObjectNode key = document.putObject("classKey");
        key(key.putObject("nobodyBehind"), fit.nobodyBehind());
        key(key.putObject("easiest"), fit.easiest());
        ArrayNode sung = document.putArray("sung");
        for (Singer singer : fit.singers()) {
            for (int offset : offsets) {
                Singer.Sung there = singer.sing(fit.tune(), offset);
                sung.addObject().put("name", singer.name()).put("soundingKey", fit.cells().stream().filter(c -> c.offset() == offset).findFirst().orElseThrow().sounding().spoken())
                        .put("shift", there.shift()).put("outside", there.outside());
            }
        }
        return document;
    }

    private static ObjectNode brief(ObjectNode row, Fit.Cell cell) {
        return row.put("instrument", cell.instrument().id()).put("soundingKey", cell.sounding().spoken()).put("fingeredKey", cell.fingered().spoken())
                .put("shift", cell.shift()).put("capo", cell.instrument().capo()).put("cost", cell.lie().cost());
    }

    private static void cell(ObjectNode row, Fit.Cell cell, BookTune read) {
        brief(row, cell);
        ArrayNode terms = row.putArray("terms");
        for (Lie.Term term : cell.lie().terms()) {
            ArrayNode bars = terms.addObject().put("term", term.term()).put("count", term.count()).put("cost", term.cost()).putArray("bars");
            term.bars().forEach(bars::add);
        }
        ArrayNode missing = row.putArray("missing");
        cell.lie().missing().forEach(missing::add);
        Carried carried = read.arrangement().filter(a -> a.instrument().hasHands()).map(a -> carried(a, cell)).orElse(new Carried(0, 0, List.of()));
        row.put("ornamentsKept", carried.kept()).put("ornamentsLost", carried.lost()).put("ornamentsNotNeeded", carried.notNeeded());
        ArrayNode losses = row.putArray("losses");
        carried.losses().forEach(l -> losses.addObject().put("bar", l.bar()).put("ornament", l.ornament()).put("why", l.why()));
    }

    private static Carried carried(Arrangement arrangement, Fit.Cell cell) {
        return Carried.of(arrangement, arrangement.ladder().size() - 1, cell);
    }

    private static void key(ObjectNode row, ClassKey key) {
        row.put("soundingKey", key.sounding().spoken()).put("shift", key.offset());
        ArrayNode behind = row.putArray("leftBehind");
        key.leftBehind().forEach(behind::add);
    }

    /** The best cells of each instrument asked for, the three that lie best first. */
    private static List<Fit.Cell> best(Fit fit) {
        return fit.instruments().stream().flatMap(i -> fit.best(i).stream())
                .sorted(Comparator.comparingInt((Fit.Cell c) -> c.lie().missing().size()).thenComparingDouble(c -> c.lie().effort())).limit(3).toList();
    }

    private void print(Fit fit, List<Integer> offsets, PrintWriter out) {
        out.printf("%s, in %s%n", fit.tune().title(), fit.tune().head().key().spoken());
        for (Instrument instrument : fit.instruments()) {
            Stream<Fit.Cell> shown = keys.isEmpty() ? fit.best(instrument).stream() : fit.cells().stream().filter(c -> c.instrument().equals(instrument) && offsets.contains(c.offset()));
            shown.forEach(c -> out.printf("  %s%s: %s%n", c.inWords(), c.fingered().equals(c.sounding()) ? "" : ", which sounds in " + c.sounding().spoken(), c.why()));
        }
        for (Singer singer : fit.singers()) {
            offsets.stream().map(o -> singer.sing(fit.tune(), o)).min(Comparator.comparingInt(Singer.Sung::outside).thenComparingInt(s -> Math.abs(s.shift())))
                    .ifPresent(s -> out.printf("  %s: moved by %d semitones, %s%n", singer.name(), s.shift(), s.outside() == 0 ? "every note is comfortable" : s.outside() + " notes are out of range"));
        }
        print("nobody left behind", fit.nobodyBehind(), out);
        print("easiest on the whole", fit.easiest(), out);
    }

    private static void print(String words, ClassKey key, PrintWriter out) {
        out.printf("%s: %s%s%n", words, key.sounding().spoken(), key.leftBehind().isEmpty() ? "" : "; not everything is there for " + String.join(", ", key.leftBehind()));
    }
}
