package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import wildflourish.core.ornament.Notation;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Tuplet;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/** Engraves one rung of one system as a full stave; y = 0 is its top line. */
final class Stave {

    /** Ties and slurs that run on into the next system. */
    static final class Carried {
        private final List<double[]> ties = new ArrayList<>();
        private final List<double[]> slurs = new ArrayList<>();
    }

    private final SystemLayout system;
    private final List<Notation> signs;
    private final Carried carried;
    private final Ratio[] leadIns;
    private final List<Shape> shapes = new ArrayList<>();
    private final List<Tupleted> tuplet = new ArrayList<>();

    private record Tupleted(double x, double width, Stems.@Nullable Stem stem, Heads heads, boolean beamed) {}

    private Stave(SystemLayout system, List<Notation> signs, Carried carried, Ratio[] leadIns) {
        this.system = system;
        this.signs = signs;
        this.carried = carried;
        this.leadIns = leadIns;
    }

    /**
     * The shapes of a stave.
     *
     * @param signs the ornaments' signs by note
     * @param leadIns for each bar of the tune the time missing before it, as in a pickup
     */
    static List<Shape> of(SystemLayout system, List<Notation> signs, Carried carried, Ratio[] leadIns) {
        return new Stave(system, signs, carried, leadIns).engrave();
    }

    private List<Shape> engrave() {
        double line = MusicFont.standard("staffLineThickness");
        for (int i = 0; i < 5; i++) {
            shapes.add(new Shape.Line(system.left(), i, system.right(), i, line, Ink.STAVE));
        }
        double x = system.left() + 0.5;
        shapes.add(MusicFont.glyph("gClef", x, 3, 1, Ink.MUSIC));
        x += MusicFont.width("gClef") + 0.7;
        shapes.addAll(KeySigns.at(x, system.key(), null));
        double keyWidth = KeySigns.width(system.key(), null);
        x += keyWidth + (keyWidth > 0 ? 0.6 : 0);
        if (system.meter() != null) {
            shapes.addAll(MeterSigns.at(x, system.meter()));
        }
        carried.ties.forEach(t -> t[0] = system.musicLeft());
        carried.slurs.forEach(s -> s[0] = system.musicLeft());
        for (SystemLayout.Placed bar : system.bars()) {
            bar(bar);
            shapes.addAll(BarSigns.at(bar.end() - bar.bar().line(), bar.bar().bar().closing()));
        }
        for (double[] tie : carried.ties) {
            bow(tie, system.right(), tie[1], 0.9);
        }
        for (double[] slur : carried.slurs) {
            bow(slur, system.right(), slur[1], 1.6);
        }
        return shapes;
    }

    private void bar(SystemLayout.Placed placed) {
        List<Columns.Column> columns = placed.bar().columns();
        Map<Integer, Stems.Stem> stems = new HashMap<>();
        for (List<Integer> group : Beams.of(placed.bar(), leadIns[placed.bar().index()])) {
            List<Note> notes = group.stream().map(i -> signed(columns.get(i))).toList();
            List<Double> xs = group.stream().map(i -> placed.xs()[i]).toList();
            List<Stems.Stem> made = Stems.beamed(notes, xs, shapes);
            for (int i = 0; i < group.size(); i++) {
                stems.put(group.get(i), made.get(i));
            }
        }
        for (int i = 0; i < columns.size(); i++) {
            double x = placed.xs()[i];
            double next = i + 1 < columns.size() ? placed.xs()[i + 1] - columns.get(i + 1).left()
                    : placed.end() - placed.bar().line();
            switch (columns.get(i).element()) {
                case Change change -> change(change, x, columns.get(i), placed);
                case Rest rest -> rest(rest, x, placed, stems);
                case Note note -> note(signed(columns.get(i)), note.pitches().size(), columns.get(i), x, next,
                        stems.get(i));
            }
        }
    }

    /** The note of a column with the heads and slurs that its ornaments add. */
    private Note signed(Columns.Column column) {
        Note note = (Note) column.element();
        Notation sign = signs.get(column.note());
        boolean slurOpens = column.note() + 1 < signs.size() && signs.get(column.note() + 1).slurred();
        if (sign.heads().isEmpty() && !sign.slurred() && !slurOpens) {
            return note;
        }
        List<Pitch> pitches = new ArrayList<>(note.pitches());
        sign.heads().stream().filter(h -> !pitches.contains(h)).toList().forEach(pitches::add);
        return note.withPitches(pitches).withSlurs(
                note.slursOpening() + (slurOpens ? 1 : 0), note.slursClosing() + (sign.slurred() ? 1 : 0));
    }

    private void change(Change change, double x, Columns.Column column, SystemLayout.Placed placed) {
        double at = x;
        if (change.key().isPresent()) {
            shapes.addAll(KeySigns.at(at, column.key(), placed.bar().keyBefore()));
            at += KeySigns.width(column.key(), placed.bar().keyBefore()) + 0.8;
        }
        if (change.meter().isPresent()) {
            shapes.addAll(MeterSigns.at(at, change.meter().get()));
        }
        if (change.tempo().isPresent()) {
            shapes.add(new Shape.Words(change.tempo().get().spoken(), x, -2.4, 1.6, Face.SERIF_ITALIC,
                    Shape.Anchor.START, Ink.MUSIC));
        }
    }

    private void rest(Rest rest, double x, SystemLayout.Placed placed, Map<Integer, Stems.Stem> stems) {
        carried.ties.clear();
        if (!rest.visible()) {
            return;
        }
        if (rest.wholeBar()) {
            double middle = (placed.x() + placed.end()) / 2 - MusicFont.width("restWhole") / 2;
            shapes.add(MusicFont.glyph("restWhole", middle, 1, 1, Ink.MUSIC));
            return;
        }
        NoteSign sign = NoteSign.of(rest.writtenLength());
        String glyph = sign.rest();
        shapes.add(MusicFont.glyph(glyph, x, glyph.equals("restWhole") ? 1 : 2, 1, Ink.MUSIC));
        dots(sign, x + MusicFont.width(glyph), 1.5);
        rest.tuplet().ifPresent(t -> tuplet(t, x, MusicFont.width(glyph), null, new Heads(1, 3)));
    }

    /** Draws a note; its pitches behind the first {@code own} are those of its ornaments. */
    private void note(Note note, int own, Columns.Column column, double x, double next, Stems.@Nullable Stem beamed) {
        NoteSign sign = NoteSign.of(note.writtenLength());
        Heads heads = Heads.of(note);
        double width = MusicFont.width(sign.head());
        heads(note, own, sign, x, beamed == null ? heads.stemUp() : beamed.up());
        Stems.Stem stem = beamed != null ? beamed : sign.stem() ? Stems.single(note, sign, x, shapes) : null;
        for (Pitch pitch : note.pitches()) {
            ledgers(Heads.y(pitch), x, width, 1);
            dots(sign, x + width, Heads.y(pitch));
        }
        double left = accidentals(column, x);
        boolean up = stem == null ? heads.stemUp() : stem.up();
        joins(note, x, width, heads, up);
        double top = Math.min(heads.top() - 0.5, stem != null && up ? stem.end() : heads.top() - 0.5);
        double bottom = Math.max(heads.bottom() + 0.5, stem != null && !up ? stem.end() : heads.bottom() + 0.5);
        Notation ornament = signs.get(column.note());
        left = Math.min(left, companyAccidentals(note, own, column, left));
        if (stem != null) {
            tremolo(ornament, stem, heads);
        }
        top = Math.min(top, graces(note, ornament, left, heads));
        NoteSigns.of(note, ornament, new NoteSigns.Where(x, width, next, left, top, bottom, heads, up), shapes);
        Stems.Stem drawn = stem;
        note.tuplet().ifPresent(t -> tuplet(t, x, width, drawn, heads, beamed != null));
    }

    /** Accidentals of added heads that the key does not have; the left edge with them. */
    private double companyAccidentals(Note note, int own, Columns.Column column, double left) {
        double edge = left;
        for (Pitch pitch : note.pitches().subList(own, note.pitches().size())) {
            if (column.key().alterOf(pitch.step()) != pitch.alter()) {
                String sign = Columns.accidental(pitch.alter());
                double at = left - 0.2 - MusicFont.width(sign);
                shapes.add(MusicFont.glyph(sign, at, Heads.y(pitch), 1, Ink.COMPANY));
                edge = Math.min(edge, at);
            }
        }
        return edge;
    }

    /** Strokes through the stem, for notes struck several times: slanted bars as thick as a beam is spaced (the textbooks). */
    private void tremolo(Notation ornament, Stems.Stem stem, Heads heads) {
        for (String decoration : ornament.decorations()) {
            if (!decoration.matches("/{1,3}")) {
                continue;
            }
            double thick = MusicFont.standard("beamThickness") * 0.8;
            double step = thick + MusicFont.standard("beamSpacing");
            double head = stem.up() ? heads.top() - 0.5 : heads.bottom() + 0.5;
            double middle = (head + stem.end()) / 2 - (decoration.length() - 1) * step / 2;
            for (int bar = 0; bar < decoration.length(); bar++) {
                double y = middle + bar * step;
                shapes.add(new Shape.Polygon(List.of(
                        new Shape.Point(stem.x() - 0.65, y + 0.22), new Shape.Point(stem.x() + 0.65, y - 0.22),
                        new Shape.Point(stem.x() + 0.65, y - 0.22 + thick), new Shape.Point(stem.x() - 0.65, y + 0.22 + thick)),
                        Ink.TONGUE));
            }
        }
    }

    private void heads(Note note, int own, NoteSign sign, double x, boolean up) {
        double width = MusicFont.width(sign.head());
        List<Pitch> sorted = note.pitches().stream().sorted().toList();
        int before = Integer.MIN_VALUE;
        boolean shifted = false;
        for (Pitch pitch : sorted) {
            shifted = pitch.diatonic() - before == 1 && !shifted;
            double at = shifted ? x + (up ? width - 0.12 : 0.12 - width) : x;
            Ink ink = note.pitches().indexOf(pitch) < own ? Ink.MUSIC : Ink.COMPANY;
            shapes.add(MusicFont.glyph(sign.head(), at, Heads.y(pitch), 1, ink));
            before = pitch.diatonic();
        }
    }

    private void ledgers(double y, double x, double width, double scale) {
        double beyond = MusicFont.standard("legerLineExtension") * scale;
        double thick = MusicFont.standard("legerLineThickness");
        for (double line = 5; line <= y + 0.01; line++) {
            shapes.add(new Shape.Line(x - beyond, line, x + width + beyond, line, thick, Ink.MUSIC));
        }
        for (double line = -1; line >= y - 0.01; line--) {
            shapes.add(new Shape.Line(x - beyond, line, x + width + beyond, line, thick, Ink.MUSIC));
        }
    }

    private void dots(NoteSign sign, double x, double y) {
        boolean onLine = Math.abs(y - Math.rint(y)) < 0.01;
        for (int d = 0; d < sign.dots(); d++) {
            shapes.add(MusicFont.glyph("augmentationDot", x + 0.35 + d * 0.7, onLine ? y - 0.5 : y, 1, Ink.MUSIC));
        }
    }

    /** Draws the accidentals; the left edge of the note with them. */
    private double accidentals(Columns.Column column, double x) {
        double left = x;
        for (Map.Entry<Pitch, String> sign : column.accidentals().entrySet()) {
            double at = x - 0.25 - MusicFont.width(sign.getValue());
            shapes.add(MusicFont.glyph(sign.getValue(), at, Heads.y(sign.getKey()), 1, Ink.MUSIC));
            left = Math.min(left, at);
        }
        return left;
    }

    /** Ends the ties and slurs that lead here and begins new ones. */
    private void joins(Note note, double x, double width, Heads heads, boolean up) {
        for (double[] tie : carried.ties) {
            bow(tie, x - 0.1, tie[1], 0.8);
        }
        carried.ties.clear();
        double side = up ? 1 : -1;
        double edge = up ? heads.bottom() + 0.75 : heads.top() - 0.75;
        for (int i = 0; i < note.slursClosing() && !carried.slurs.isEmpty(); i++) {
            double[] slur = carried.slurs.removeLast();
            double y = slur[2] > 0 ? heads.bottom() + 0.75 : heads.top() - 0.75;
            bow(slur, x + width / 2, y, 1.5);
        }
        for (int i = 0; i < note.slursOpening(); i++) {
            carried.slurs.add(new double[] {x + width / 2, edge, side});
        }
        if (note.tied()) {
            for (Pitch pitch : note.pitches()) {
                carried.ties.add(new double[] {x + width + 0.1, Heads.y(pitch) + side * 0.45, side});
            }
        }
    }

    private void bow(double[] from, double toX, double toY, double height) {
        double rise = from[2] * Math.min(height, 0.35 + (toX - from[0]) * 0.12);
        shapes.add(new Shape.Bow(from[0], from[1], Math.max(toX, from[0] + 0.8), toY, rise,
                MusicFont.standard("slurEndpointThickness"), MusicFont.standard("slurMidpointThickness"), Ink.MUSIC));
    }

    /** Draws the grace notes left of {@code right}; the top of what was drawn. */
    private double graces(Note note, Notation ornament, double right, Heads heads) {
        List<Pitch> graces = new ArrayList<>(note.marks().graces());
        int plain = graces.size();
        graces.addAll(ornament.graces());
        if (graces.isEmpty()) {
            return heads.top();
        }
        double scale = 0.62;
        double step = 1.25;
        double head = MusicFont.width("noteheadBlack") * scale;
        double x = right - 0.35 - graces.size() * step;
        double highest = graces.stream().mapToDouble(Heads::y).min().orElseThrow();
        double end = highest - 2.3;
        double thick = MusicFont.standard("stemThickness") * 0.8;
        double firstStem = 0;
        for (int i = 0; i < graces.size(); i++) {
            Ink ink = i < plain ? Ink.MUSIC : Ink.CLICK;
            double y = Heads.y(graces.get(i));
            shapes.add(MusicFont.glyph("noteheadBlack", x, y, scale, ink));
            ledgers(y, x, head, scale);
            double stem = x + head - thick / 2;
            firstStem = i == 0 ? stem : firstStem;
            shapes.add(new Shape.Line(stem, y - 0.1, stem, end, thick, ink));
            if (graces.size() == 1) {
                shapes.add(MusicFont.glyph("flag8thUp", stem - thick / 2, end, scale, ink));
                if (plain == 0 || note.marks().slashed()) {
                    shapes.add(new Shape.Line(stem - 0.6, end + 1.35, stem + 0.75, end + 0.35, 0.1, ink));
                }
            } else if (i == graces.size() - 1) {
                for (double beam : new double[] {0, 0.45}) {
                    shapes.add(new Shape.Polygon(List.of(
                            new Shape.Point(firstStem - thick / 2, end + beam),
                            new Shape.Point(stem + thick / 2, end + beam),
                            new Shape.Point(stem + thick / 2, end + beam + 0.28),
                            new Shape.Point(firstStem - thick / 2, end + beam + 0.28)), ink));
                }
            }
            x += step;
        }
        return heads.top();
    }

    private void tuplet(Tuplet place, double x, double width, Stems.@Nullable Stem stem, Heads heads) {
        tuplet(place, x, width, stem, heads, false);
    }

    /** Collects the notes of a tuplet and writes its number at the last one. */
    private void tuplet(Tuplet place, double x, double width, Stems.@Nullable Stem stem, Heads heads, boolean beamed) {
        if (place.isFirst()) {
            tuplet.clear();
        }
        tuplet.add(new Tupleted(x, width, stem, heads, beamed));
        if (!place.isLast()) {
            return;
        }
        boolean up = tuplet.stream().flatMap(t -> Stream.ofNullable(t.stem())).findFirst().map(Stems.Stem::up).orElse(true);
        double left = tuplet.getFirst().x();
        double right = tuplet.getLast().x() + tuplet.getLast().width();
        double y = up
                ? tuplet.stream().mapToDouble(t -> t.stem() == null ? t.heads().top() - 1 : t.stem().end()).min()
                        .orElseThrow() - 0.5
                : tuplet.stream().mapToDouble(t -> t.stem() == null ? t.heads().bottom() + 1 : t.stem().end()).max()
                        .orElseThrow() + 1.5;
        String digits = String.valueOf(place.actual());
        double scale = 0.8;
        double numberWidth = digits.chars().mapToDouble(c -> MusicFont.advance("tuplet" + (char) c) * scale).sum();
        double at = (left + right) / 2 - numberWidth / 2;
        for (char c : digits.toCharArray()) {
            shapes.add(MusicFont.glyph("tuplet" + c, at, y, scale, Ink.MUSIC));
            at += MusicFont.advance("tuplet" + c) * scale;
        }
        if (!tuplet.stream().allMatch(Tupleted::beamed)) {
            bracket(left, right, y - 0.45, up ? 0.7 : -0.7, numberWidth);
        }
        tuplet.clear();
    }

    private void bracket(double left, double right, double y, double hook, double gap) {
        double thick = MusicFont.standard("tupletBracketThickness");
        double middle = (left + right) / 2;
        shapes.add(new Shape.Line(left, y + hook, left, y, thick, Ink.MUSIC));
        shapes.add(new Shape.Line(left, y, middle - gap / 2 - 0.3, y, thick, Ink.MUSIC));
        shapes.add(new Shape.Line(middle + gap / 2 + 0.3, y, right, y, thick, Ink.MUSIC));
        shapes.add(new Shape.Line(right, y + hook, right, y, thick, Ink.MUSIC));
    }

    /** The top of what is drawn between two x. */
    static double topOf(List<Shape> shapes, double from, double to) {
        double top = 0;
        for (Shape shape : shapes) {
            Bounds b = shape.bounds();
            if (b.right() > from && b.left() < to) {
                top = Math.min(top, b.top());
            }
        }
        return top;
    }
}
