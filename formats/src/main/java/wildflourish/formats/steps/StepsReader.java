package wildflourish.formats.steps;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tune;
import wildflourish.core.writing.BarStrokes;
import wildflourish.core.writing.KeyFinder;
import wildflourish.core.writing.Pen;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.Findings;
import wildflourish.formats.book.TuneBook;

/**
 * Reads a list of steps as a tune: a fingering, a string and finger or a button for each note, as the instrument's chart writes them.
 *
 * <p>One step stands on a line, or several with {@code ;} between them. Behind it may stand {@code : 3} for its length in quavers (one, where
 * nothing is said; {@code 1/2} is half of one) and before it {@code 2 x} for how often it is played. {@code rest} is a rest, {@code |} a bar line,
 * {@code :|} the end of a part that is played twice. Lines such as {@code T:} and {@code M:} say of the tune what they say in ABC; without
 * {@code K:} the key is found from the notes.
 */
public final class StepsReader {

    private static final String PLAIN = "X:1\nL:1/8\nK:C\nz\n";
    private static final Pattern HEAD = Pattern.compile("[A-Za-z]:(?!\\|).*");
    private static final Pattern STEP = Pattern.compile("(?:(\\d{1,2})\\s*[x×]\\s+)?(.+?)(?:\\s*:\\s*(\\d{1,2}(?:/\\d{1,2})?))?");
    private static final int LONGEST = 20_000;

    private final Instrument instrument;
    private final Findings findings = new Findings();
    private final StringBuilder head = new StringBuilder();
    private boolean keyed;

    private StepsReader(Instrument instrument) {
        this.instrument = instrument;
    }

    /** Reads a list for an instrument; a step that sounds nothing is told with its line and left out. */
    public static TuneBook read(String text, Instrument instrument) {
        return new StepsReader(instrument).book(text);
    }

    private TuneBook book(String text) {
        List<String> lines = text.lines().toList();
        for (String line : lines) {
            if (HEAD.matcher(line.strip()).matches()) {
                head.append(line.strip()).append('\n');
                keyed |= line.strip().startsWith("K:");
            }
        }
        Pen pen = Pen.atTheEnd(blank());
        for (int n = 0; n < Math.min(lines.size(), LONGEST); n++) {
            String line = lines.get(n).strip();
            if (!line.isEmpty() && !line.startsWith("%") && !HEAD.matcher(line).matches()) {
                pen = line(pen, line, n + 1);
            }
        }
        if (pen.size() == 0) {
            findings.error(0, 0, "there is no step in this list", "write one a line, as in %s : 2".formatted(instrument.layout().example()));
            return new TuneBook(List.of(), findings.list());
        }
        Tune tune = withinBars(keyed ? pen.tune() : inItsKey(pen));
        return new TuneBook(List.of(new BookTune(tune, Optional.empty(), List.of(), 1, Math.max(1, lines.size()))), findings.list());
    }

    /** What was said behind more bars than there are stands behind the last. */
    private static Tune withinBars(Tune tune) {
        int last = Math.max(1, tune.bars().size());
        List<Field> fields = tune.head().fields().stream().map(f -> f.after() > last && f.after() < Field.BEHIND ? new Field(f.letter(), f.text(), last) : f).toList();
        return new Tune(tune.head().withFields(fields), tune.opening(), tune.bars());
    }

    private Tune blank() {
        String said = head.toString();
        String whole = (said.startsWith("X:") ? "" : "X:1\n") + said.lines().filter(l -> !l.startsWith("K:")).reduce("", (a, b) -> a + b + "\n")
                + (said.contains("L:") ? "" : "L:1/8\n") + said.lines().filter(l -> l.startsWith("K:")).findFirst().orElse("K:C") + "\nz\n";
        TuneBook read = AbcReader.read(whole);
        read.findings().stream().filter(f -> f.isError()).forEach(f -> findings.error(1, 0, f.what(), f.remedy()));
        // Lines of the head that make no tune of their own are told above: the steps are read without them.
        Tune tune = (read.tunes().isEmpty() ? AbcReader.read(PLAIN) : read).tunes().getFirst().tune();
        return new Tune(tune.head(), BarLine.NONE, List.of());
    }

    private Pen line(Pen from, String line, int number) {
        Pen pen = from;
        String spaced = line.replace(":|", ";:;").replace("|:", ";").replace("|", ";|;");
        for (String part : spaced.split(";")) {
            String step = part.strip();
            if (step.equals("|")) {
                pen = pen.size() == 0 || pen.newBar() ? pen : BarStrokes.line(pen);
            } else if (step.equals(":")) {
                pen = BarStrokes.repeat(pen);
            } else if (!step.isEmpty()) {
                pen = step(pen, step, number, Math.max(1, line.indexOf(step) + 1));
            }
        }
        return pen;
    }

    private Pen step(Pen from, String text, int line, int column) {
        Matcher read = STEP.matcher(text);
        if (!read.matches()) {
            return from;
        }
        Pen pen = from;
        int times = read.group(1) == null ? 1 : Integer.parseInt(read.group(1));
        String place = read.group(2).strip();
        Ratio length;
        try {
            length = read.group(3) == null ? Ratio.ONE : Ratio.parse(read.group(3));
        } catch (IllegalArgumentException | ArithmeticException e) {
            length = Ratio.ZERO;
        }
        if (!length.isPositive()) {
            findings.error(line, column, "'%s' is no length".formatted(read.group(3)), "write how many quavers, as in : 3");
            return pen;
        }
        Ratio written = Ratio.of(1, 8).times(length);
        try {
            boolean rest = place.equalsIgnoreCase("rest");
            int midi = rest ? 0 : instrument.layout().sounds(place);
            for (int i = 0; i < Math.min(times, 64); i++) {
                Pen longer = new Pen(pen.tune(), pen.at(), pen.at(), pen.newBar(), written);
                pen = rest ? longer.rest() : longer.note(KeyFinder.spelled(midi, pen.tune().head().key()));
            }
        } catch (IllegalArgumentException e) {
            findings.error(line, column, "'%s' sounds nothing on the %s: %s".formatted(Findings.brief(place), instrument.name(), e.getMessage()),
                    "write it as its chart does, as in %s".formatted(instrument.layout().example()));
        }
        return pen;
    }

    /** The tune in the key that its notes make, named by it. */
    private static Tune inItsKey(Pen pen) {
        List<KeyFinder.Heard> heard = wildflourish.core.tune.Timeline.of(pen.tune()).notes().stream()
                .map(n -> new KeyFinder.Heard(n.pitch().midi(), n.note().length().toDouble())).toList();
        return heard.isEmpty() ? pen.tune() : KeyFinder.renamed(pen.tune(), KeyFinder.find(heard));
    }
}
