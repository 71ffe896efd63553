package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.ornament.Notation;
import wildflourish.core.setting.Varied;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Timeline;
import wildflourish.score.font.MusicFont;

/**
 * The bars of a tune as columns, one for each note, rest or change, with the room each wants; the same for all rungs, so
 * that they stand beat under beat.
 */
final class Columns {

    /**
     * One column.
     *
     * @param note index of the written note, −1 for a rest or change
     * @param accidentals the signs drawn before its heads, by pitch; null entries never occur
     * @param left room wanted before its origin
     * @param right room wanted after its origin
     * @param spring how far its length pushes the next column away when nothing is stretched
     */
    record Column(
            Element element, int note, Map<Pitch, String> accidentals, double left, double right, double spring,
            Key key, Meter meter, Ratio offset) {

        /** With at least so much room after its origin. */
        Column withRight(double least) {
            return new Column(element, note, accidentals, left, Math.max(right, least), spring, key, meter, offset);
        }
    }

    /** A bar and its columns; {@code line} is the room that its closing bar line takes. */
    record BarColumns(Bar bar, int index, List<Column> columns, Key keyBefore, double line) {

        /** Width when nothing is stretched. */
        double natural() {
            return width(1);
        }

        /** Width when the springs are stretched by a factor. */
        double width(double stretch) {
            double x = LEAD;
            for (int i = 0; i < columns.size(); i++) {
                Column c = columns.get(i);
                double rod = c.right() + (i + 1 < columns.size() ? columns.get(i + 1).left() : 0) + GAP;
                x += (i == 0 ? c.left() : 0) + Math.max(rod, c.spring() * stretch);
            }
            return x + line;
        }
    }

    /** Room after a bar line. */
    static final double LEAD = 1.1;
    private static final double GAP = 0.35;
    private static final double GRACE = 1.25;

    private Columns() {}

    /**
     * The bars of a tune.
     *
     * @param signs the notations of each rung that is shown as a stave
     * @param words the words under the notes
     * @param leadIns for each bar the time missing before it, as in a pickup
     */
    static List<BarColumns> of(Varied varied, List<List<Notation>> signs, SungWords words, Ratio[] leadIns) {
        Timeline tune = varied.tune();
        List<BarColumns> bars = new ArrayList<>();
        Key key = tune.tune().head().key();
        Meter meter = tune.tune().head().meter();
        boolean tiedOver = false;
        for (int b = 0; b < tune.tune().bars().size(); b++) {
            Bar bar = tune.tune().bars().get(b);
            List<Column> columns = new ArrayList<>();
            Map<Integer, Integer> state = new HashMap<>();
            Key before = key;
            int note = tune.barStarts().get(b);
            Ratio offset = Ratio.ZERO;
            for (Element element : bar.elements()) {
                switch (element) {
                    case Change change -> {
                        Key old = key;
                        key = change.key().orElse(key);
                        meter = change.meter().orElse(meter);
                        state.clear();
                        double room = change.key().map(k -> KeySigns.width(k, old) + 0.8).orElse(0.0)
                                + change.meter().map(m -> MeterSigns.width(m) + 0.8).orElse(0.0);
                        columns.add(new Column(change, -1, Map.of(), 0, room, 0, key, meter, offset));
                    }
                    case Rest rest -> {
                        columns.add(new Column(rest, -1, Map.of(), 0, 1.4, spring(rest.length()), key, meter, offset));
                        tiedOver = false;
                    }
                    case Note n -> {
                        Map<Pitch, String> accidentals = accidentals(n, key, state, tiedOver);
                        double left = accidentals.values().stream().mapToDouble(a -> MusicFont.width(a) + 0.25).max()
                                .orElse(0);
                        int graces = n.marks().graces().size();
                        boolean slide = false;
                        boolean foreign = false;
                        for (List<Notation> rung : signs) {
                            Notation sign = rung.get(note);
                            graces = Math.max(graces, n.marks().graces().size() + sign.graces().size());
                            slide |= sign.decorations().contains("slide");
                            Key now = key;
                            foreign |= sign.heads().stream().anyMatch(h -> now.alterOf(h.step()) != h.alter());
                        }
                        left += graces * GRACE + (graces > 0 ? 0.4 : 0) + (slide ? 1.3 : 0) + (foreign ? 1.2 : 0);
                        left = Math.max(left, words.left(note, varied));
                        double right = Math.max(right(n), words.right(note, varied));
                        columns.add(new Column(n, note, accidentals, left, right, spring(n.length()), key, meter, offset));
                        tiedOver = n.tied();
                        note++;
                    }
                }
                offset = offset.plus(element.length());
            }
            bars.add(new BarColumns(bar, b, withRoomForChords(withRoomForFlags(columns, leadIns[b])), before, BarSigns.width(bar.closing())));
        }
        return bars;
    }

    /** The columns, those wider whose chord symbol would run into that of the next note. */
    private static List<Column> withRoomForChords(List<Column> columns) {
        List<Column> all = new ArrayList<>(columns);
        for (int i = 0; i + 1 < all.size(); i++) {
            Optional<String> chord = chord(all.get(i));
            if (chord.isPresent() && chord(all.get(i + 1)).isPresent()) {
                all.set(i, all.get(i).withRight(ChordSymbols.room(chord.get()) - GAP - all.get(i + 1).left()));
            }
        }
        return all;
    }

    /** The columns, those wider whose flag hangs to the right of a stem that goes up. */
    private static List<Column> withRoomForFlags(List<Column> columns, Ratio leadIn) {
        List<Column> all = new ArrayList<>(columns);
        List<Integer> beamed = Beams.of(columns, leadIn).stream().flatMap(List::stream).toList();
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).element() instanceof Note note && !beamed.contains(i) && Heads.of(note).stemUp()) {
                NoteSign sign = NoteSign.of(note.writtenLength());
                all.set(i, sign.flags() == 0 ? all.get(i) : all.get(i).withRight(MusicFont.width(sign.head()) + MusicFont.width(sign.flag(true))));
            }
        }
        return all;
    }

    private static Optional<String> chord(Column column) {
        return column.element() instanceof Note note ? note.marks().chord() : Optional.empty();
    }

    private static double right(Note note) {
        NoteSign sign = NoteSign.of(note.writtenLength());
        return MusicFont.width(sign.head()) + sign.dots() * 0.7;
    }

    /** Longer notes take more room, by a root of their length, so that spacing grows and never inverts. */
    static double spring(Ratio length) {
        return 2.15 * Math.pow(length.toDouble() * 16, 0.42);
    }

    private static Map<Pitch, String> accidentals(Note note, Key key, Map<Integer, Integer> state, boolean tiedOver) {
        Map<Pitch, String> signs = new HashMap<>();
        for (Pitch pitch : note.pitches()) {
            int now = state.getOrDefault(pitch.diatonic(), key.alterOf(pitch.step()));
            if (pitch.alter() != now && !tiedOver) {
                signs.put(pitch, accidental(pitch.alter()));
                state.put(pitch.diatonic(), pitch.alter());
            }
        }
        return signs;
    }

    static String accidental(int alter) {
        return switch (alter) {
            case -2 -> "accidentalDoubleFlat";
            case -1 -> "accidentalFlat";
            case 1 -> "accidentalSharp";
            case 2 -> "accidentalDoubleSharp";
            default -> "accidentalNatural";
        };
    }
}
