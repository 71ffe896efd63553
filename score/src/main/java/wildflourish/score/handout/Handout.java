package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import wildflourish.core.finding.Sentence;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.HowTo;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.practice.Care;
import wildflourish.core.practice.PlayingAdvice;
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

    private static final double LEFT = Flow.MARGIN;
    private static final double RIGHT = Flow.WIDTH - Flow.MARGIN;
    private static final double TEXT = 2.05;
    /** 1.75 mm in points. */
    private static final double POINTS = 1.75 * 72 / 25.4;

    private final Version version;
    private final Arrangement arrangement;
    private final Situation situation;
    private final int rung;
    private final Flow flow;
    private final Aids aids;
    private final List<String> minding;

    private Handout(Version version, Aids aids, List<String> minding) {
        this.version = version;
        this.aids = aids;
        this.minding = minding;
        this.arrangement = version.arrangement();
        this.situation = version.hands();
        this.rung = version.rung();
        this.flow = new Flow("%s · %s · %s".formatted(
                arrangement.tune().title(), arrangement.ladder().rung(rung).name(), arrangement.instrument().name()));
    }

    /**
     * The pages of a version's sheet.
     *
     * @param aids marks of breath and air in the fingering strip
     * @param minding what arms and lungs have to mind, a sentence a line without full stops
     */
    public static List<Drawing> pages(Version version, Aids aids, List<String> minding) {
        return new Handout(version, aids, minding).build();
    }

    /** The sheet as a PDF document in A4, with what hands, arms and lungs have to mind. */
    public static byte[] pdf(Version version) {
        PlayingAdvice advice = PlayingAdvice.of(version);
        return pdf(version, Aids.of(advice), advice.inWords());
    }

    public static byte[] pdf(Version version, Aids aids, List<String> minding) {
        return PdfPainter.paint(version.arrangement().tune().title(), pages(version, aids, minding), POINTS);
    }

    private List<Drawing> build() {
        head();
        music();
        key();
        minding();
        ornaments();
        practice();
        care();
        return flow.drawings();
    }

    private void head() {
        flow.paragraph(arrangement.tune().title(), LEFT, RIGHT, 4.4, Face.SERIF_BOLD, Ink.MUSIC);
        String type = arrangement.tune().head().rhythm().isEmpty()
                ? TuneType.of(arrangement.tune().head()).id() : arrangement.tune().head().rhythm();
        String line = "%s in %s · %s · version: %s · goal: %s".formatted(
                type, arrangement.tune().head().key().spoken(), arrangement.instrument().spoken(),
                arrangement.ladder().rung(rung).name(), arrangement.tempo().spoken());
        flow.paragraph(line, LEFT, RIGHT, TEXT, Face.SANS, Ink.MUSIC);
        if (!arrangement.tune().head().composers().isEmpty()) {
            flow.paragraph(String.join(", ", arrangement.tune().head().composers()), LEFT, RIGHT, 1.8,
                    Face.SERIF_ITALIC, Ink.QUIET);
        }
        flow.space(1.5);
    }

    /** The systems, each kept whole on its page. */
    private void music() {
        Set<Integer> open = new LinkedHashSet<>(List.of(rung, 0));
        Engraving engraving = ScoreEngraver.engrave(new ScoreRequest(version, open, false, true, aids, RIGHT - LEFT));
        SystemBlocks.of(engraving, LEFT).forEach(b -> flow.block(b.shapes(), b.height() + 1.6));
        List<Integer> missing = situation.plan().missing();
        if (!missing.isEmpty()) {
            flow.paragraph("%d notes marked with a cross are not on the %s: leave them out or play the octave above."
                    .formatted(missing.size(), arrangement.instrument().name()), LEFT, RIGHT, TEXT, Face.SANS,
                    Ink.MISSING);
        }
    }

    /** What the signs of the fingering strip mean. */
    private void key() {
        List<String> lines = HandPicture.of(arrangement.instrument()).key();
        if (lines.isEmpty()) {
            return;
        }
        heading("Reading the fingers");
        lines.forEach(l -> flow.paragraph("–  " + l, LEFT, RIGHT, 1.9, Face.SANS, Ink.MUSIC));
    }

    private void minding() {
        if (minding.isEmpty()) {
            return;
        }
        heading("Mind in this tune");
        minding.forEach(l -> flow.paragraph("–  " + Sentence.capital(l), LEFT, RIGHT, 1.9,
                Face.SANS, Ink.MUSIC));
    }

    private void heading(String text) {
        flow.need(17);
        flow.space(1.2);
        flow.block(List.of(new Shape.Words(text, LEFT, 2.6, 2.6, Face.SERIF_BOLD, Shape.Anchor.START, Ink.MUSIC)), 4.2);
    }

    /** Where an ornament stands, how fast each of them stays clean and still speaks, and how the first one is done. */
    private record Use(Map<Integer, Limits> byNote, String how) {}

    private record Limits(Optional<Tempo> clean, Optional<Tempo> speaks) {

        boolean isSlowerThan(Limits other) {
            return clean.isPresent() && other.clean.isPresent() && other.clean.get().isFasterThan(clean.get());
        }

        String inWords() {
            return clean.map(t -> "clean up to " + t.spoken() + speaks.map(u -> ", speaks up to "
                    + (u.beat().equals(t.beat()) ? String.valueOf(u.perMinute().floor()) : u.spoken())).orElse("")).orElse("");
        }
    }

    private void ornaments() {
        Setting setting = version.varied().setting();
        Map<Ornament, Use> uses = new LinkedHashMap<>();
        setting.byNote().forEach((note, ids) -> {
            List<Ornament> stack = setting.ornaments(note, situation.vocabulary());
            Verdict verdict = Playability.of(situation, note, stack,
                    n -> setting.ornaments(n, situation.vocabulary()), arrangement.tempo(), arrangement.speeds());
            if (Gestures.make(situation, note, stack) instanceof Making.Made made) {
                for (Ornament ornament : Gestures.played(situation, note, stack)) {
                    uses.computeIfAbsent(ornament, o -> new Use(new TreeMap<>(),
                            HowTo.inWords(o, made.gesture(), situation.tune().note(note).pitch())))
                            .byNote().put(note, new Limits(verdict.cleanUpTo(), verdict.speaksUpTo()));
                }
            }
        });
        if (!uses.isEmpty()) {
            heading("How each ornament is done");
            uses.forEach((ornament, use) -> ornament(ornament, use));
        }
        variations(version.setting());
    }

    /** What is played in place of the plain notes, kind by kind. */
    private void variations(Setting setting) {
        Map<String, Set<Integer>> bars = new LinkedHashMap<>();
        setting.variations().values().forEach(v -> bars.computeIfAbsent(v.kind(), k -> new TreeSet<>())
                .add(version.bare().tune().note(v.from()).barNumber()));
        if (!bars.isEmpty()) {
            heading("What is played otherwise");
            bars.forEach((kind, where) -> flow.paragraph("–  %s, %s: %s".formatted(VariationKind.spoken(kind), BarNames.all(where),
                    VariationKind.of(kind).how()), LEFT, RIGHT, TEXT, Face.SANS, Ink.MUSIC));
        }
    }

    private void ornament(Ornament ornament, Use use) {
        double indent = LEFT + 6;
        String where = BarNames.all(bars(use.byNote().keySet()));
        Limits usual = usual(use);
        String limit = usual.inWords().isEmpty() ? "" : "  ·  " + usual.inWords();
        boolean together = where.length() + limit.length() < 70;
        String first = "First time: " + use.how();
        Map<String, Set<Integer>> worse = worse(use, usual);
        int lines = Flow.wrapped(first, Face.SANS, TEXT, RIGHT - indent).size() + worse.size() + (together ? 0 : 1);
        flow.need(3 + lines * TEXT * 1.38);
        List<Shape> title = new ArrayList<>(OrnamentMark.at(LEFT + 2.2, 1.3, ornament));
        title.add(new Shape.Words(ornament.name(), indent, 1.95, 2.1, Face.SANS_BOLD, Shape.Anchor.START, Ink.MUSIC));
        title.add(new Shape.Words(together ? where + limit : usual.inWords(), RIGHT, 1.95, 1.8, Face.SANS, Shape.Anchor.END, Ink.QUIET));
        flow.block(title, 2.8);
        if (!together) {
            flow.paragraph(Sentence.full(where), indent, RIGHT, TEXT, Face.SANS, Ink.QUIET);
        }
        flow.paragraph(first, indent, RIGHT, TEXT, Face.SANS, Ink.MUSIC);
        worse.forEach((words, where2) -> flow.paragraph("In %s it is tighter: %s.".formatted(BarNames.all(where2), words), indent, RIGHT, TEXT,
                Face.SANS, Ink.MUSIC));
        flow.space(0.9);
    }

    private Set<Integer> bars(Set<Integer> notes) {
        Set<Integer> bars = new TreeSet<>();
        notes.forEach(n -> bars.add(situation.tune().note(n).barNumber()));
        return bars;
    }

    /** What holds for most of an ornament's places; of equally many the faster. */
    private static Limits usual(Use use) {
        Map<Limits, Integer> times = new LinkedHashMap<>();
        use.byNote().values().forEach(l -> times.merge(l, 1, Integer::sum));
        @Nullable Limits usual = null;
        for (Map.Entry<Limits, Integer> one : times.entrySet()) {
            if (usual == null || one.getValue() > times.getOrDefault(usual, 0)
                    || one.getValue().equals(times.get(usual)) && usual.isSlowerThan(one.getKey())) {
                usual = one.getKey();
            }
        }
        return Objects.requireNonNull(usual);
    }

    /** The places at which it is slower than usual, by how slow. */
    private Map<String, Set<Integer>> worse(Use use, Limits usual) {
        Map<String, Set<Integer>> worse = new LinkedHashMap<>();
        use.byNote().forEach((note, limits) -> {
            if (limits.isSlowerThan(usual)) {
                worse.computeIfAbsent(limits.inWords(), w -> new TreeSet<>()).add(situation.tune().note(note).barNumber());
            }
        });
        return worse;
    }

    private void practice() {
        heading("Practise");
        flow.need(16);
        flow.paragraph("Even before fast. Bare and slow first, every note equally loud; then this version, slow. Tick a "
                + "tempo when you have played it evenly three times running; go back a step when it falls apart. The tempi count "
                + "the %s.".formatted(arrangement.tempo().beatName()),
                LEFT, RIGHT, TEXT, Face.SANS, Ink.MUSIC);
        flow.space(0.8);
        List<Tempo> steps = Steps.upTo(arrangement.tempo(), StepRule.USUAL).tempi();
        double room = (RIGHT - LEFT) / steps.size();
        List<Shape> boxes = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            double x = LEFT + i * room;
            double size = 2.2;
            boxes.add(new Shape.Line(x, 0, x + size, 0, 0.14, Ink.MUSIC));
            boxes.add(new Shape.Line(x, size, x + size, size, 0.14, Ink.MUSIC));
            boxes.add(new Shape.Line(x, 0, x, size, 0.14, Ink.MUSIC));
            boxes.add(new Shape.Line(x + size, 0, x + size, size, 0.14, Ink.MUSIC));
            boxes.add(new Shape.Words(String.valueOf(steps.get(i).perMinute().floor()), x + size + 0.7, 1.7, 1.7, Face.SANS, Shape.Anchor.START,
                    Ink.MUSIC));
        }
        flow.block(boxes, 4);
    }

    private void care() {
        heading("Take care");
        for (String caution : Care.of(arrangement.instrument().family())) {
            flow.paragraph("–  " + caution, LEFT, RIGHT, 1.9, Face.SANS, Ink.MUSIC);
        }
        flow.paragraph("These are reminders, not medical advice.", LEFT, RIGHT, 1.8, Face.SERIF_ITALIC, Ink.QUIET);
    }
}
