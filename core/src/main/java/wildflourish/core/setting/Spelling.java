package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Notation;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Tune;

/** Spells a setting out in the signs of ordinary scores, and takes such signs off again. */
public final class Spelling {

    private Spelling() {}

    /** The signs of every note by its index; a note's graces include those of an exit on the note before. */
    public static List<Notation> signs(Situation situation, Setting setting) {
        int size = situation.tune().size();
        List<Notation> own = new ArrayList<>(Collections.nCopies(size, Notation.NONE));
        setting.byNote().keySet().stream().filter(n -> n < size).forEach(note -> {
            List<Ornament> ornaments = setting.ornaments(note, situation.vocabulary());
            if (Gestures.make(situation, note, ornaments) instanceof Making.Made made) {
                own.set(note, Notation.of(made.gesture(), situation.vocabulary(),
                        situation.tune().note(note).key()));
            }
        });
        List<Notation> signs = new ArrayList<>();
        for (int note = 0; note < size; note++) {
            List<Pitch> graces = new ArrayList<>(
                    note > 0 ? own.get(note - 1).nextGraces() : List.of());
            graces.addAll(own.get(note).graces());
            signs.add(new Notation(own.get(note).decorations(), graces, List.of()));
        }
        return signs;
    }

    /** The tune with the signs of a setting written on its notes, behind what stands there already. */
    public static Tune spelled(Situation situation, Setting setting) {
        List<Notation> signs = signs(situation, setting);
        return mapped(situation.tune().tune(), (index, note) -> {
            Notation sign = signs.get(index);
            List<String> decorations = new ArrayList<>(note.marks().decorations());
            decorations.addAll(sign.decorations());
            List<Pitch> graces = new ArrayList<>(note.marks().graces());
            graces.addAll(sign.graces());
            return note.withMarks(note.marks().withDecorations(decorations).withGraces(graces));
        });
    }

    /**
     * The tune without the signs of a setting: the inverse of {@link #spelled}.
     *
     * @param missing receives the indices of notes that do not carry the signs that the setting would give them; such
     *     a note is left as it is
     */
    public static Tune plain(Situation situation, Setting setting, List<Integer> missing) {
        List<Notation> signs = signs(situation, setting);
        return mapped(situation.tune().tune(), (index, note) -> {
            Marks marks = note.marks();
            Notation sign = signs.get(index);
            if (!endsWith(marks.decorations(), sign.decorations()) || !endsWith(marks.graces(), sign.graces())) {
                missing.add(index);
                return note;
            }
            return note.withMarks(marks
                    .withDecorations(without(marks.decorations(), sign.decorations()))
                    .withGraces(without(marks.graces(), sign.graces())));
        });
    }

    private static <T> boolean endsWith(List<T> list, List<T> end) {
        return list.size() >= end.size() && list.subList(list.size() - end.size(), list.size()).equals(end);
    }

    private static <T> List<T> without(List<T> list, List<T> end) {
        return list.subList(0, list.size() - end.size());
    }

    private interface NoteChange {
        Note of(int index, Note note);
    }

    private static Tune mapped(Tune tune, NoteChange change) {
        List<Bar> bars = new ArrayList<>();
        int index = 0;
        for (Bar bar : tune.bars()) {
            List<Element> elements = new ArrayList<>();
            for (Element element : bar.elements()) {
                elements.add(element instanceof Note note ? change.of(index++, note) : element);
            }
            bars.add(bar.withElements(elements));
        }
        return tune.withBars(bars);
    }
}
