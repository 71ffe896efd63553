package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import wildflourish.core.ornament.Notation;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Spelling;
import wildflourish.core.setting.Varied;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Lyrics;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/**
 * Engraves a tune with its ladder: system by system the rungs from bare at the ground to full at the top, beat under
 * beat, and the fingering strip at the foot.
 */
public final class ScoreEngraver {

    private static final double MARGIN = 0.6;
    private static final double GUTTER = 10.4;
    private static final double BETWEEN_SYSTEMS = 3.2;
    private static final double LABEL = 1.6;

    private final ScoreRequest request;
    private final Timeline tune;
    private final double left;
    private final Map<Integer, List<Notation>> signs = new HashMap<>();
    private final Map<Integer, Varied> played = new HashMap<>();
    /** The rung whose notes set the columns: the uppermost open one that is varied, else the plain tune. */
    private final Varied base;
    private final Map<Integer, Joins.Carried> carried = new HashMap<>();
    private final List<Shape> shapes = new ArrayList<>();
    private final List<Engraving.Zone> zones = new ArrayList<>();
    private final List<Engraving.Place> places = new ArrayList<>();
    private final List<Bounds> systemAreas = new ArrayList<>();
    private final List<Integer> firstShapes = new ArrayList<>();
    private final Ratio[] leadIns;
    private final @Nullable FingeringStrip strip;
    private final SungWords words;
    private List<Columns.BarColumns> plainBars = List.of();

    private ScoreEngraver(ScoreRequest request) {
        this.request = request;
        this.tune = request.tune();
        this.left = request.fromTop().size() > 1 ? GUTTER : MARGIN;
        for (int rung : request.open()) {
            Version version = request.version().on(rung);
            played.put(rung, version.varied());
            signs.put(rung, Spelling.signs(version.hands(), version.varied().setting()));
            carried.put(rung, new Joins.Carried());
        }
        this.base = request.open().stream().sorted(java.util.Comparator.reverseOrder()).map(played::get)
                .filter(v -> v.tune() != tune).findFirst().orElse(Varied.of(tune, Setting.BARE));
        this.leadIns = leadIns();
        boolean hasStrip = request.strip() && request.version().arrangement().instrument().hasHands();
        this.words = new SungWords(request.open().isEmpty() ? Lyrics.NONE : Lyrics.of(tune));
        this.strip = hasStrip ? new FingeringStrip(request.version().played(), request.aids()) : null;
    }

    private Varied played(int rung) {
        return Objects.requireNonNull(played.get(rung));
    }

    /** The layout of a rung: that of the base, its own notes at the places of those that sound with them. */
    private SystemLayout layout(SystemLayout layout, Varied varied) {
        return varied.tune() == base.tune() ? layout : layout.withNotesOf(plainBars);
    }

    /** The engraved score; it is as wide as asked for and as high as it needs. */
    public static Engraving engrave(ScoreRequest request) {
        return new ScoreEngraver(request).build();
    }

    private Ratio[] leadIns() {
        Ratio[] all = new Ratio[tune.tune().bars().size()];
        for (int b = 0; b < all.length; b++) {
            int first = tune.barStarts().get(b);
            boolean hasNote = first < tune.size() && tune.note(first).bar() == b;
            Ratio before = Ratio.ZERO;
            for (var element : tune.tune().bars().get(b).elements()) {
                if (element instanceof wildflourish.core.tune.Note) {
                    break;
                }
                before = before.plus(element.length());
            }
            all[b] = hasNote ? tune.note(first).offset().minus(before) : Ratio.ZERO;
        }
        return all;
    }

    private Engraving build() {
        List<List<Notation>> onBase = signs.entrySet().stream()
                .filter(e -> played(e.getKey()).tune() == base.tune()).map(Map.Entry::getValue).toList();
        List<Columns.BarColumns> bars = Columns.of(base, onBase, words, leadIns);
        plainBars = base.tune() == tune ? bars : Columns.of(Varied.of(tune, Setting.BARE), List.of(), words, leadIns);
        double right = request.width() - MARGIN;
        double widestStart = bars.stream().mapToDouble(b -> start(b.keyBefore(), false)).max().orElse(0);
        List<Integer> ends = SystemBreaks.of(
                bars.stream().map(Columns.BarColumns::natural).toList(),
                bars.stream().map(b -> b.bar().endsSystem()).toList(),
                right - left - widestStart);
        double y = 1;
        int from = 0;
        for (int s = 0; s < ends.size(); s++) {
            List<Columns.BarColumns> here = bars.subList(from, ends.get(s));
            boolean first = s == 0;
            Key key = here.getFirst().keyBefore();
            SystemLayout layout = SystemLayout.of(here, left, right, left + start(key, first), key,
                    first ? tune.tune().head().meter() : null, first, s == ends.size() - 1);
            y = system(layout, s, y) + BETWEEN_SYSTEMS;
            from = ends.get(s);
        }
        return new Engraving(new Drawing(request.width(), y, shapes), zones, systemAreas, places, firstShapes);
    }

    /** Room of clef, key, meter and an opening repeat sign. */
    private double start(Key key, boolean first) {
        double keyWidth = KeySigns.width(key, null);
        double width = 0.5 + MusicFont.width("gClef") + 0.7 + keyWidth + (keyWidth > 0 ? 0.6 : 0);
        if (strip != null) {
            width = Math.max(width, FingeringStrip.LABELS);
        }
        if (first) {
            width += MeterSigns.width(tune.tune().head().meter()) + 0.4;
            width += BarSigns.width(opening()) > 0 ? BarSigns.width(opening()) + 0.2 : 0;
        }
        return width;
    }

    private wildflourish.core.tune.BarLine opening() {
        var line = tune.tune().opening();
        return line.repeatsAfter() > 0 || line.style() == wildflourish.core.tune.BarLine.Style.OPENING
                ? line : wildflourish.core.tune.BarLine.NONE;
    }

    /** Sets one system with its top at y; its bottom. */
    private double system(SystemLayout layout, int index, double top) {
        firstShapes.add(shapes.size());
        double y = top;
        double trunkTop = -1;
        double trunkBottom = top;
        boolean topStave = true;
        int lowest = request.open().stream().mapToInt(Integer::intValue).min().orElse(-1);
        for (int rung : request.fromTop()) {
            if (request.open().contains(rung)) {
                SystemLayout own = layout(layout, played(rung));
                List<Shape> stave = new ArrayList<>(
                        Stave.of(own, signs.getOrDefault(rung, List.of()), carried.computeIfAbsent(rung, r -> new Joins.Carried()), leadIns));
                stave.addAll(VariationSigns.over(own, stave, played(rung)));
                if (layout.opens()) {
                    stave.addAll(BarSigns.at(layout.musicLeft() - BarSigns.width(opening()), opening()));
                }
                if (topStave) {
                    stave.addAll(ChordSymbols.over(own, stave));
                    stave.addAll(headings(layout, stave));
                }
                topStave = false;
                if (rung == lowest) {
                    stave.addAll(words.under(own, stave, played(rung)));
                }
                Bounds bounds = Bounds.around(stave);
                double staveTop = y + Math.max(-bounds.top(), 1.2) + 0.6;
                stave.forEach(s -> shapes.add(s.moved(0, staveTop)));
                label(rung, staveTop + 2.5, true);
                double bottom = staveTop + Math.max(bounds.bottom(), 4.8) + 0.6;
                zones(own, played(rung), rung, index, y, bottom);
                if (rung == lowest && played(rung).tune() == tune) {
                    places(own, index, staveTop);
                }
                trunkTop = trunkTop < 0 ? staveTop : trunkTop;
                trunkBottom = staveTop + 4;
                y = bottom;
            } else {
                double lineTop = y;
                SystemLayout own = layout(layout, Varied.of(tune, Setting.BARE));
                FoldedRung.of(own, request.ladder().setting(rung), request.version().bare().vocabulary())
                        .forEach(s -> shapes.add(s.moved(0, lineTop)));
                label(rung, y + 2.1, false);
                zones(own, Varied.of(tune, Setting.BARE), rung, index, y, y + FoldedRung.HEIGHT);
                trunkTop = trunkTop < 0 ? y + 1.7 : trunkTop;
                y += FoldedRung.HEIGHT;
            }
        }
        if (request.fromTop().size() > 1) {
            shapes.add(new Shape.Line(layout.left(), trunkTop, layout.left(), trunkBottom, 0.22, Ink.STAVE));
        }
        if (strip != null) {
            double stripTop = y + 0.3;
            strip.of(layout(layout, request.version().varied())).forEach(s -> shapes.add(s.moved(0, stripTop)));
            y = stripTop + strip.height();
            if (request.open().isEmpty() && !request.folded()) {
                y = alone(layout, stripTop, y);
            }
        }
        systemAreas.add(new Bounds(0, top, request.width(), y));
        return y;
    }

    /** Bars and lengths around fingers that stand by themselves: bar lines, numbers, and a line as long as each lasts; the bottom. */
    private double alone(SystemLayout layout, double top, double bottom) {
        double y = bottom + 0.4;
        for (SystemLayout.Placed bar : layout.bars()) {
            shapes.add(new Shape.Line(bar.end(), top, bar.end(), y + 0.4, 0.12, Ink.STAVE));
            if (bar.bar().bar().number() > 0) {
                shapes.add(new Shape.Words(String.valueOf(bar.bar().bar().number()), bar.x() + 0.2, top - 0.1, 1.5, Face.SANS, Shape.Anchor.START, Ink.QUIET));
            }
            for (int i = 0; i < bar.xs().length; i++) {
                int note = bar.bar().columns().get(i).note();
                if (note >= 0) {
                    double end = i + 1 < bar.xs().length ? bar.xs()[i + 1] - 0.5 : bar.end() - 0.7;
                    boolean held = base.tune().note(note).heldOver();
                    shapes.add(new Shape.Line(bar.xs()[i] + (held ? -0.5 : 0.2), y, end, y, 0.3, Ink.MUSIC));
                }
            }
        }
        return y + 1.2;
    }

    private void label(int rung, double y, boolean open) {
        if (request.fromTop().size() > 1) {
            shapes.add(new Shape.Words(request.ladder().rung(rung).name(), left - 0.9, y, LABEL,
                    open ? Face.SANS_BOLD : Face.SANS, Shape.Anchor.END, open ? Ink.MUSIC : Ink.QUIET));
        }
    }

    /** Bar number, names of parts and brackets of endings over the top stave. */
    private List<Shape> headings(SystemLayout layout, List<Shape> stave) {
        List<Shape> over = new ArrayList<>();
        Bar firstBar = layout.bars().getFirst().bar().bar();
        if (!layout.opens() && !tune.tune().head().meter().isFree()) {
            over.add(new Shape.Words(String.valueOf(firstBar.number()), layout.left() + 0.1,
                    Math.min(-1.8, new Skyline(stave).top(layout.left(), layout.left() + 2.5) - 0.4), 1.5, Face.SANS,
                    Shape.Anchor.START, Ink.QUIET));
        }
        List<SystemLayout.Placed> bars = layout.bars();
        endings(bars, stave, over);
        List<Shape> all = new ArrayList<>(stave);
        for (int b = 0; b < bars.size(); b++) {
            Bar bar = bars.get(b).bar().bar();
            if (bar.part().isPresent()) {
                Shape.Words name = new Shape.Words(bar.part().get(), bars.get(b).x(), 0, 2, Face.SANS_BOLD, Shape.Anchor.START, Ink.MUSIC);
                all.addAll(over);
                over.add(name.moved(0, new Skyline(all).top(name.bounds().left(), name.bounds().right()) - 0.4 - name.bounds().bottom()));
            }
        }
        return over;
    }

    /** The brackets of a system's endings, all at the height that clears the highest thing below any of them. */
    private static void endings(List<SystemLayout.Placed> bars, List<Shape> stave, List<Shape> over) {
        List<Integer> begin = new ArrayList<>();
        double y = -2.9;
        Skyline skyline = new Skyline(stave);
        for (int b = 0; b < bars.size(); b++) {
            Optional<Ending> ending = bars.get(b).bar().bar().ending();
            if (ending.isPresent() && (ending.get().starts() || b == 0)) {
                begin.add(b);
                y = Math.min(y, skyline.top(bars.get(b).x() + 0.2, bars.get(lastOf(bars, b)).end() - 0.2) - 2.4);
            }
        }
        for (int b : begin) {
            ending(bars, b, bars.get(b).bar().bar().ending().orElseThrow(), y, over);
        }
    }

    /** The last bar of the ending that a bar begins. */
    private static int lastOf(List<SystemLayout.Placed> bars, int from) {
        int to = from;
        while (to + 1 < bars.size() && bars.get(to + 1).bar().bar().ending().filter(e -> !e.starts()).isPresent()) {
            to++;
        }
        return to;
    }

    private static void ending(List<SystemLayout.Placed> bars, int from, Ending ending, double y, List<Shape> over) {
        int to = lastOf(bars, from);
        double left = bars.get(from).x() + 0.2;
        double right = bars.get(to).end() - 0.2;
        double thick = MusicFont.standard("repeatEndingLineThickness");
        boolean closes = bars.get(to).bar().bar().closing().repeatsBefore() > 0;
        over.add(new Shape.Line(left, y, right, y, thick, Ink.MUSIC));
        if (ending.starts()) {
            over.add(new Shape.Line(left, y, left, y + 1.8, thick, Ink.MUSIC));
            String times = String.join(", ", ending.times().stream().map(String::valueOf).toList());
            over.add(new Shape.Words(times + ".", left + 0.5, y + 1.55, 1.5, Face.SERIF, Shape.Anchor.START, Ink.MUSIC));
        }
        if (closes) {
            over.add(new Shape.Line(right, y, right, y + 1.8, thick, Ink.MUSIC));
        }
    }

    private void zones(SystemLayout layout, Varied varied, int rung, int system, double top, double bottom) {
        List<double[]> edges = new ArrayList<>();
        for (SystemLayout.Placed bar : layout.bars()) {
            for (int i = 0; i < bar.xs().length; i++) {
                Columns.Column column = bar.bar().columns().get(i);
                double end = i + 1 < bar.xs().length
                        ? bar.xs()[i + 1] - bar.bar().columns().get(i + 1).left() - 0.2 : bar.end() - bar.bar().line();
                if (column.note() >= 0) {
                    edges.add(new double[] {bar.xs()[i] - column.left() - 0.2, end, varied.plain(column.note())});
                }
            }
        }
        for (double[] edge : edges) {
            zones.add(new Engraving.Zone(rung, (int) edge[2], system,
                    new Bounds(edge[0], top, edge[1], bottom)));
        }
    }

    private void places(SystemLayout layout, int system, double staveTop) {
        for (SystemLayout.Placed bar : layout.bars()) {
            for (int i = 0; i < bar.xs().length; i++) {
                Columns.Column column = bar.bar().columns().get(i);
                double end = i + 1 < bar.xs().length
                        ? bar.xs()[i + 1] - bar.bar().columns().get(i + 1).left() - 0.2 : bar.end() - bar.bar().line();
                if (!(column.element() instanceof wildflourish.core.tune.Change)) {
                    places.add(new Engraving.Place(bar.bar().index(), system,
                            new Bounds(bar.xs()[i] - column.left() - 0.2, staveTop - 1, Math.max(bar.xs()[i] + 0.8, end), staveTop + 5)));
                }
            }
        }
    }
}
