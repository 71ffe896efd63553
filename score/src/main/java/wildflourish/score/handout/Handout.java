package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.finding.Sentence;
import wildflourish.core.fit.Fingered;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.practice.Care;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.practice.StepList;
import wildflourish.core.practice.StepRule;
import wildflourish.core.practice.Steps;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.TuneType;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.engrave.Aids;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.HandPicture;
import wildflourish.score.engrave.OrnamentMark;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;
import wildflourish.score.paint.PdfPainter;

/** The take-home sheet: the version given out above the bare tune, its fingers, how each ornament is done, and care. */
public final class Handout {

    private static final double TEXT = 2.05;
    private static final double SMALL = 1.9;
    /** Millimetres of a staff space, from what is best read down to what still is. */
    private static final double[] SPACES = {1.75, 1.7, 1.65, 1.6, 1.55, 1.5, 1.45};
    /** In large print: the staves, and what a staff space would be if the words were not larger still; they have sixteen points. */
    private static final double LARGE = 2.1;
    private static final double LARGE_WORDS = 2.97;
    /** As above, where everything is set tightly: the staves get smaller, and the words stay as they are at {@link #WORDS}. */
    private static final double[] TIGHT = {1.55, 1.5, 1.45, 1.4, 1.35, 1.3};
    private static final double WORDS = 1.5;

    private final Version version;
    private final SheetContents contents;
    private final Arrangement arrangement;
    private final Situation situation;
    private final int rung;
    private final Flow flow;
    private final Aids aids;
    private final List<String> minding;
    /** The key that is heard, and that of the fingers. */
    private final Fingered keys;
    private final boolean tight;
    /** What the sizes of words in columns are multiplied by. */
    private final double words;
    private final int columns;
    private final double left;
    private final double right;

    /** What is set, at whatever size. */
    private record Given(Version version, SheetContents contents, Aids aids, List<String> minding, Fingered keys) {}

    private Handout(Given given, double space, boolean tight) {
        this.version = given.version;
        this.contents = given.contents;
        this.aids = given.aids;
        this.minding = given.minding;
        this.keys = given.keys;
        this.arrangement = version.arrangement();
        this.situation = version.hands();
        this.rung = version.rung();
        this.tight = tight;
        this.words = contents.large() ? LARGE_WORDS / space : tight ? Math.max(1, WORDS / space) : 1;
        this.columns = contents.large() ? 1 : tight ? 3 : 2;
        this.flow = new Flow("%s · %s · %s".formatted(
                arrangement.tune().title(), arrangement.ladder().rung(rung).name(), arrangement.instrument().name()),
                contents.paper().width() / space, contents.paper().height() / space);
        this.left = flow.left();
        this.right = flow.right();
    }

    /**
     * Pages, and how large they are printed.
     *
     * @param space millimetres of a staff space
     */
    public record Printed(List<Drawing> pages, double space) {

        /** Points of a staff space. */
        double points() {
            return space * 72 / 25.4;
        }
    }

    /** The sheet of a version, with what hands, arms and lungs have to mind; in the key that the fingers think in, where that is wanted. */
    public static Printed of(Version version, SheetContents contents) {
        Version read = contents.has(SheetItem.AS_FINGERED) ? Fingered.read(version) : version;
        PlayingAdvice advice = PlayingAdvice.of(read);
        return of(new Given(read, contents, Aids.of(advice), advice.inWords(), Fingered.of(version.arrangement())));
    }

    /**
     * The sheet of a version, as large as it can be on as few pages as it needs.
     *
     * @param aids marks of breath and air in the fingering strip
     * @param minding what arms and lungs have to mind, a sentence a line without full stops
     */
    public static Printed of(Version version, SheetContents contents, Aids aids, List<String> minding) {
        return of(new Given(version, contents, aids, minding, Fingered.of(version.arrangement())));
    }

    private static Printed of(Given given) {
        SheetContents contents = given.contents;
        if (contents.large()) {
            return new Printed(new Handout(given, LARGE, false).build(), LARGE);
        }
        Printed roomy = largest(given, false);
        int goal = contents.has(SheetItem.STEPS) || contents.has(SheetItem.FINGERS) ? 0 : contents.has(SheetItem.BARE) ? 2 : 1;
        if (roomy.pages().size() <= goal || goal == 0) {
            return roomy;
        }
        Printed tight = largest(given, true);
        return tight.pages().size() < roomy.pages().size() ? tight : roomy;
    }

    /** As large as it can be printed on as few pages as it needs at its smallest. */
    private static Printed largest(Given given, boolean tight) {
        Printed smallest = at(given, spaces(tight).length - 1, tight);
        int low = 0;
        int high = spaces(tight).length - 1;
        Printed best = smallest;
        while (low < high) {
            int middle = (low + high) / 2;
            Printed printed = at(given, middle, tight);
            if (printed.pages().size() <= smallest.pages().size()) {
                best = printed;
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return best;
    }

    private static Printed at(Given given, int size, boolean tight) {
        return new Printed(new Handout(given, spaces(tight)[size], tight).build(), spaces(tight)[size]);
    }

    private static double[] spaces(boolean tight) {
        return tight ? TIGHT : SPACES;
    }

    /** The pages of a version's usual sheet. */
    public static List<Drawing> pages(Version version, Aids aids, List<String> minding) {
        return of(version, SheetContents.USUAL, aids, minding).pages();
    }

    /** The usual sheet as a PDF document. */
    public static byte[] pdf(Version version) {
        return pdf(version, SheetContents.USUAL);
    }

    /** A sheet as a PDF document. */
    public static byte[] pdf(Version version, SheetContents contents) {
        Printed printed = of(version, contents);
        return PdfPainter.paint(version.arrangement().tune().title(), printed.pages(), printed.points());
    }

    public static byte[] pdf(Version version, Aids aids, List<String> minding) {
        Printed printed = of(version, SheetContents.USUAL, aids, minding);
        return PdfPainter.paint(version.arrangement().tune().title(), printed.pages(), printed.points());
    }

    private List<Drawing> build() {
        head();
        if (contents.has(SheetItem.MUSIC)) {
            music();
        }
        boolean pictures = contents.has(SheetItem.MUSIC) && contents.has(SheetItem.STRIP) || contents.has(SheetItem.FINGERS);
        List<Flow.Block> blocks = new ArrayList<>();
        if (contents.has(SheetItem.MUSIC)) {
            verses(blocks);
        }
        if (pictures) {
            key(blocks);
        }
        if (contents.has(SheetItem.MUSIC) && contents.has(SheetItem.HOW)) {
            list(blocks, "Mind in this tune", minding.stream().map(Sentence::capital).toList());
        }
        if (contents.has(SheetItem.HOW)) {
            ornaments(blocks);
        }
        if (contents.has(SheetItem.STEPS)) {
            StepPages steps = new StepPages(StepList.of(version), flow, arrangement, contents.large() ? words : 1);
            steps.holding();
            flow.space(1.2);
            flow.columns(blocks, columns);
            blocks.clear();
            flow.turn();
            steps.steps();
            flow.space(1.5);
        }
        if (contents.has(SheetItem.PRACTICE)) {
            practice(blocks);
        }
        if (contents.has(SheetItem.CARE)) {
            care(blocks);
        }
        flow.columns(blocks, columns);
        if (contents.has(SheetItem.FINGERS)) {
            fingers();
        }
        return flow.drawings();
    }

    /** The size of the words in columns. */
    private double small() {
        return (tight ? 1.8 : SMALL) * words;
    }

    private double wide() {
        return flow.columnWidth(columns);
    }

    private void head() {
        flow.paragraph(arrangement.tune().title(), left, right, 4.4, Face.SERIF_BOLD, Ink.MUSIC);
        String type = arrangement.tune().head().rhythm().isEmpty()
                ? TuneType.of(arrangement.tune().head()).id() : arrangement.tune().head().rhythm();
        String key = !contents.has(SheetItem.AS_FINGERED) || !keys.differs() ? keys.inWords()
                : "%s, written as it is fingered, in %s".formatted(keys.sounding().spoken(), keys.fingered().spoken());
        String line = "%s in %s · %s · version: %s · goal: %s".formatted(
                type, key, keys.instrument().capo() > 0 && contents.has(SheetItem.AS_FINGERED) ? keys.instrument().spoken() : arrangement.instrument().name(),
                arrangement.ladder().rung(rung).name(), arrangement.tempo().spoken());
        flow.paragraph(line, left, right, TEXT * (contents.large() ? words : 1), Face.SANS, Ink.MUSIC);
        if (!arrangement.tune().head().composers().isEmpty()) {
            flow.paragraph(String.join(", ", arrangement.tune().head().composers()), left, right, 1.8,
                    Face.SERIF_ITALIC, Ink.QUIET);
        }
        flow.space(1.5);
    }

    /** The systems, each kept whole on its page. */
    private void music() {
        Set<Integer> open = contents.has(SheetItem.BARE) ? new LinkedHashSet<>(List.of(rung, 0)) : Set.of(rung);
        systems(new ScoreRequest(version, open, false, contents.has(SheetItem.STRIP), aids, right - left));
        List<Integer> missing = situation.plan().missing();
        if (!missing.isEmpty()) {
            flow.paragraph("%d notes marked with a cross are not on the %s: leave them out or play the octave above."
                    .formatted(missing.size(), arrangement.instrument().name()), left, right, TEXT * (contents.large() ? words : 1), Face.SANS,
                    Ink.MISSING);
        }
    }

    private void systems(ScoreRequest request) {
        Engraving engraving = ScoreEngraver.engrave(request);
        SystemBlocks.of(engraving, left).forEach(b -> flow.block(b.shapes(), b.height() + 1.6));
    }

    /** Only the fingers, bar by bar; a line below each as long as it lasts. */
    private void fingers() {
        if (!arrangement.instrument().hasHands()) {
            return;
        }
        flow.turn();
        flow.paragraph("Only the fingers", left, right, 2.6, Face.SERIF_BOLD, Ink.MUSIC);
        flow.space(1);
        systems(new ScoreRequest(version, Set.of(), false, true, aids, right - left));
    }

    /** The words that stand behind the tune, verse by verse; an empty line is between two. */
    private void verses(List<Flow.Block> blocks) {
        List<Shape> verse = new ArrayList<>();
        double y = 0;
        List<String> lines = new ArrayList<>(arrangement.tune().head().fields().stream().filter(f -> f.letter() == 'W').map(f -> f.text().strip()).toList());
        if (!lines.isEmpty()) {
            blocks.add(heading("The words"));
            lines.add("");
        }
        for (String line : lines) {
            if (!line.isEmpty()) {
                y = lines(line, 0, y, small(), Ink.MUSIC, verse);
            } else if (!verse.isEmpty()) {
                blocks.add(new Flow.Block(verse, y + 0.8, false));
                verse = new ArrayList<>();
                y = 0;
            }
        }
    }

    /** What the signs of the fingering strip mean. */
    private void key(List<Flow.Block> blocks) {
        list(blocks, "Reading the fingers", HandPicture.of(arrangement.instrument()).key());
    }

    private void list(List<Flow.Block> blocks, String heading, List<String> lines) {
        if (!lines.isEmpty()) {
            blocks.add(heading(heading));
            if (tight) {
                blocks.add(text(String.join(" ", lines.stream().map(Sentence::full).toList()), 0, small(), Ink.MUSIC, 0.2));
            } else {
                lines.forEach(l -> blocks.add(text("–  " + l, 0, small(), Ink.MUSIC, 0.2)));
            }
        }
    }

    private Flow.Block heading(String text) {
        return new Flow.Block(List.of(new Shape.Words(text, 0, 0.9 + 2.5 * words, 2.5 * words, Face.SERIF_BOLD, Shape.Anchor.START, Ink.MUSIC)), 2.3 + 2.5 * words, true);
    }

    /** Words broken to the column, which stand together; {@code after} is left free behind them. */
    private Flow.Block text(String words, double indent, double size, Ink ink, double after) {
        List<Shape> shapes = new ArrayList<>();
        double height = lines(words, indent, 0, size, ink, shapes);
        return new Flow.Block(shapes, height + after, false);
    }

    /** Sets words broken to the column from a height on; the height behind them. */
    private double lines(String words, double indent, double top, double size, Ink ink, List<Shape> shapes) {
        double y = top;
        for (String line : Flow.wrapped(words, Face.SANS, size, wide() - indent)) {
            shapes.add(new Shape.Words(line, indent, y + size, size, Face.SANS, Shape.Anchor.START, ink));
            y += size * 1.36;
        }
        return y;
    }

    private void ornaments(List<Flow.Block> blocks) {
        Map<Ornament, OrnamentUse> uses = OrnamentUse.all(version);
        if (!uses.isEmpty()) {
            blocks.add(heading("How each ornament is done"));
            uses.forEach((ornament, use) -> blocks.add(ornament(ornament, use)));
        }
        variations(version.setting(), blocks);
    }

    /** What is played in place of the plain notes, kind by kind. */
    private void variations(Setting setting, List<Flow.Block> blocks) {
        Map<String, Set<Integer>> bars = new LinkedHashMap<>();
        setting.variations().values().forEach(v -> bars.computeIfAbsent(v.kind(), k -> new TreeSet<>())
                .add(version.bare().tune().note(v.from()).barNumber()));
        if (!bars.isEmpty()) {
            blocks.add(heading("What is played otherwise"));
            bars.forEach((kind, where) -> blocks.add(text("–  %s, %s: %s".formatted(VariationKind.spoken(kind), BarNames.all(where),
                    VariationKind.of(kind).how()), 0, small(), Ink.MUSIC, 0.2)));
        }
    }

    private Flow.Block ornament(Ornament ornament, OrnamentUse use) {
        double indent = tight ? 3.6 : 4.6;
        List<Shape> shapes = new ArrayList<>(OrnamentMark.at(tight ? 1.5 : 1.9, 1.25, ornament));
        shapes.add(new Shape.Words(ornament.name(), indent, 0.2 + 1.75 * words, (tight ? 1.9 : 2.1) * words, Face.SANS_BOLD, Shape.Anchor.START, Ink.MUSIC));
        String about = use.about();
        double y = lines(about, indent, 0.6 + 2.1 * words, (tight ? 1.7 : 1.8) * words, Ink.QUIET, shapes);
        List<String> sentences = use.sentences();
        for (String sentence : tight ? List.of(String.join(" ", sentences)) : sentences) {
            y = lines(sentence, indent, y, small(), Ink.MUSIC, shapes);
        }
        return new Flow.Block(shapes, y + (tight ? 0.4 : 0.7), false);
    }

    private void practice(List<Flow.Block> blocks) {
        blocks.add(heading("Practise"));
        List<Shape> shapes = new ArrayList<>();
        double y = lines("Even before fast. Bare and slow first, every note equally loud; then this version, slow. Tick a "
                + "tempo when you have played it evenly three times running; go back a step when it falls apart. The tempi count "
                + "the %s.".formatted(arrangement.tempo().beatName()), 0, 0, small(), Ink.MUSIC, shapes) + 0.8;
        List<Tempo> steps = Steps.upTo(arrangement.tempo(), StepRule.USUAL).tempi();
        double each = 8;
        int inRow = Math.max(1, (int) (wide() / each));
        for (int i = 0; i < steps.size(); i++) {
            double x = i % inRow * each;
            double top = y + i / inRow * 3.2;
            double size = 2.2;
            shapes.add(new Shape.Line(x, top, x + size, top, 0.14, Ink.MUSIC));
            shapes.add(new Shape.Line(x, top + size, x + size, top + size, 0.14, Ink.MUSIC));
            shapes.add(new Shape.Line(x, top, x, top + size, 0.14, Ink.MUSIC));
            shapes.add(new Shape.Line(x + size, top, x + size, top + size, 0.14, Ink.MUSIC));
            shapes.add(new Shape.Words(String.valueOf(steps.get(i).perMinute().floor()), x + size + 0.7, top + 1.85, 1.8 * Math.min(words, 1.25), Face.SANS,
                    Shape.Anchor.START, Ink.MUSIC));
        }
        blocks.add(new Flow.Block(shapes, y + (steps.size() + inRow - 1) / inRow * 3.2 + 0.4, false));
    }

    private void care(List<Flow.Block> blocks) {
        list(blocks, "Take care", Care.of(arrangement.instrument().family(), arrangement.school()));
        blocks.add(new Flow.Block(List.of(new Shape.Words("These are reminders, not medical advice.", 0, 1.8 * words, 1.8 * words,
                Face.SERIF_ITALIC, Shape.Anchor.START, Ink.QUIET)), 2.6 * words, false));
    }
}
