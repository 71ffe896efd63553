package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import wildflourish.core.ornament.Notation;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/** Engraves one rung of one system as a full stave; y = 0 is its top line. */
final class Stave {

    private final SystemLayout system;
    private final List<Notation> signs;
    private final Ratio[] leadIns;
    /** What notes do not keep clear of: the lines of the stave and the bars. */
    private final List<Shape> frame = new ArrayList<>();
    private final List<Shape> shapes = new ArrayList<>();
    private final Skyline skyline = new Skyline(shapes);
    private final Tuplets tuplets = new Tuplets();
    private final Joins joins;
    /** What is set above the notes when all of them are drawn, from left to right. */
    private final List<Runnable> above = new ArrayList<>();

    private Stave(SystemLayout system, List<Notation> signs, Joins.Carried carried, Ratio[] leadIns) {
        this.system = system;
        this.signs = signs;
        this.leadIns = leadIns;
        this.joins = new Joins(system, carried, shapes, skyline);
    }

    /**
     * The shapes of a stave.
     *
     * @param signs the ornaments' signs by note
     * @param carried what runs on from the system before; it is told what runs on into the next
     * @param leadIns for each bar of the tune the time missing before it, as in a pickup
     */
    static List<Shape> of(SystemLayout system, List<Notation> signs, Joins.Carried carried, Ratio[] leadIns) {
        return new Stave(system, signs, carried, leadIns).engrave();
    }

    private List<Shape> engrave() {
        double line = MusicFont.standard("staffLineThickness");
        for (int i = 0; i < 5; i++) {
            frame.add(new Shape.Line(system.left(), i, system.right(), i, line, Ink.STAVE));
        }
        head();
        for (SystemLayout.Placed bar : system.bars()) {
            bar(bar);
            frame.addAll(BarSigns.at(bar.end() - bar.bar().line(), bar.bar().bar().closing()));
        }
        // From the notes outwards: what is drawn later keeps clear of what is there.
        tuplets.draw(shapes, skyline);
        joins.draw();
        above.forEach(Runnable::run);
        frame.addAll(shapes);
        return frame;
    }

    /** Clef, key and, on the first system, meter. */
    private void head() {
        double x = system.left() + 0.5;
        shapes.add(MusicFont.glyph("gClef", x, 3, 1, Ink.MUSIC));
        x += MusicFont.width("gClef") + 0.7;
        shapes.addAll(KeySigns.at(x, system.key(), null));
        double keyWidth = KeySigns.width(system.key(), null);
        x += keyWidth + (keyWidth > 0 ? 0.6 : 0);
        if (system.meter() != null) {
            shapes.addAll(MeterSigns.at(x, system.meter()));
        }
    }

    private void bar(SystemLayout.Placed placed) {
        List<Columns.Column> columns = placed.bar().columns();
        Map<Integer, Stems.Stem> stems = new HashMap<>();
        for (List<Integer> group : Beams.of(columns, leadIns[placed.bar().index()])) {
            List<Stems.Beamed> notes = group.stream().map(i -> beamed(columns.get(i), placed.xs()[i], i.equals(group.getFirst()))).toList();
            List<Stems.Stem> made = Stems.beamed(notes, shapes);
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
                case Rest rest -> rest(rest, x, placed);
                case Note note -> note(signed(columns.get(i)), note.pitches().size(), columns.get(i), x, next,
                        stems.get(i));
            }
        }
    }

    /** A note under a beam; the beam clears the graces of all notes but the first, whose own stand before it. */
    private Stems.Beamed beamed(Columns.Column column, double x, boolean first) {
        Note note = signed(column);
        GraceNotes graces = GraceNotes.of(note, signs.get(column.note()));
        return new Stems.Beamed(note, x, first ? Double.POSITIVE_INFINITY : graces.top(),
                first ? Double.NEGATIVE_INFINITY : graces.bottom());
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
            String tempo = change.tempo().get().spoken();
            above.add(() -> shapes.add(NoteSigns.words(tempo, x, skyline)));
        }
    }

    private void rest(Rest rest, double x, SystemLayout.Placed placed) {
        joins.rest();
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
        rest.tuplet().ifPresent(t -> tuplets.member(t, x, MusicFont.width(glyph), null, new Heads(1, 3), false));
    }

    /** Draws a note; its pitches behind the first {@code own} are those of its ornaments. */
    private void note(Note note, int own, Columns.Column column, double x, double next, Stems.@Nullable Stem beamed) {
        NoteSign sign = NoteSign.of(note.writtenLength());
        Heads heads = Heads.of(note);
        double width = MusicFont.width(sign.head());
        heads(note, own, sign, x, beamed == null ? heads.stemUp() : beamed.up());
        Stems.Stem stem = beamed != null ? beamed : sign.stem() ? Stems.single(note, sign, x, shapes) : null;
        for (Pitch pitch : note.pitches()) {
            Heads.ledgers(Heads.y(pitch), x, width, 1, shapes);
            dots(sign, x + width, Heads.y(pitch));
        }
        double left = accidentals(column, x);
        boolean up = stem == null ? heads.stemUp() : stem.up();
        Notation ornament = signs.get(column.note());
        left = Math.min(left, companyAccidentals(note, own, column, left));
        if (stem != null) {
            tremolo(ornament, stem, heads);
        }
        double melody = note.pitches().subList(0, own).stream().mapToDouble(Heads::y).min().orElseThrow();
        NoteSigns over = new NoteSigns(note, ornament, new NoteSigns.Where(x, width, next, left, heads, melody, up), shapes);
        GraceNotes.of(note, ornament).draw(over.beside(), shapes);
        above.add(() -> over.over(skyline));
        joins.note(new Joins.Place(note, x, width, x + width + (sign.dots() > 0 ? 0.35 + sign.dots() * 0.7 : 0), heads, stem, up));
        note.tuplet().ifPresent(t -> tuplets.member(t, x, width, stem, heads, beamed != null));
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
}
