package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Notation;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Separation;
import wildflourish.core.ornament.Situation;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** Spells a setting out in the signs of ordinary scores, and takes such signs off again. */
public final class Spelling {

    private Spelling() {}

    /**
     * The signs of every note by its index; a note's graces include those of an exit on the note before, and the graces
     * that pipes without silence need between equal notes.
     */
    public static List<Notation> signs(Situation given, Setting setting) {
        Situation situation = given.playing(setting.ornaments(given.vocabulary()));
        boolean spelled = situation.instrument().school("roll-sign", situation.school()).equals("small-notes");
        int size = situation.tune().size();
        List<Notation> own = new ArrayList<>(Collections.nCopies(size, Notation.NONE));
        for (int note = 0; note < size; note++) {
            List<Ornament> ornaments = Separation.complete(situation, note, setting.ornaments(note, situation.vocabulary()));
            if (!ornaments.isEmpty() && Gestures.make(situation, note, ornaments) instanceof Making.Made made) {
                own.set(note, Notation.of(made.gesture(), situation.vocabulary(), situation.tune().note(note).key(), spelled));
            }
        }
        List<Notation> signs = new ArrayList<>();
        for (int note = 0; note < size; note++) {
            List<Pitch> graces = new ArrayList<>(note > 0 ? own.get(note - 1).nextGraces() : List.of());
            graces.addAll(own.get(note).graces());
            signs.add(own.get(note).withGraces(graces));
        }
        return signs;
    }

    /** The tune with the signs of a setting written on its notes, behind what stands there already. */
    public static Tune spelled(Situation situation, Setting setting) {
        List<Notation> signs = signs(situation, setting);
        return mapped(situation.tune().tune(), (index, note) -> {
            Notation sign = signs.get(index);
            Marks marks = note.marks()
                    .withDecorations(joined(note.marks().decorations(), sign.decorations()))
                    .withGraces(joined(note.marks().graces(), sign.graces()))
                    .withAnnotations(joined(note.marks().annotations(), annotations(sign)));
            boolean slurOpens = index + 1 < signs.size() && signs.get(index + 1).slurred();
            return note.withMarks(marks).withPitches(joined(note.pitches(), sign.heads())).withSlurs(
                    note.slursOpening() + (slurOpens ? 1 : 0), note.slursClosing() + (sign.slurred() ? 1 : 0));
        });
    }

    private static List<String> annotations(Notation sign) {
        return sign.words().stream().map(w -> "^" + w).toList();
    }

    private static <T> List<T> joined(List<T> first, List<T> second) {
        if (second.isEmpty()) {
            return first;
        }
        List<T> both = new ArrayList<>(first);
        both.addAll(second);
        return both;
    }

    /**
     * The tune without further heads on its notes, as a spelled setting has them.
     *
     * @param heads how many of a note's pitches were added behind its own, by the note's index
     */
    public static Tune withoutHeads(Tune tune, java.util.Map<Integer, Integer> heads) {
        return mapped(tune, (index, note) -> {
            int own = note.pitches().size() - heads.getOrDefault(index, 0);
            return own < 1 || own == note.pitches().size() ? note : note.withPitches(note.pitches().subList(0, own));
        });
    }

    /**
     * The tune without the signs of a setting: the inverse of {@link #spelled}.
     *
     * @param situation the tune with the signs, its further heads taken off by {@link #withoutHeads}
     * @param own the notes whose graces are the tune's own, beside those of the setting
     * @param missing receives the indices of notes that do not carry the signs that the setting would give them; such
     *     a note is left as it is
     */
    public static Tune plain(Situation situation, Setting setting, Set<Integer> own, List<Integer> missing) {
        List<Notation> signs = signs(withGracesOf(own, situation), setting);
        return mapped(situation.tune().tune(), (index, note) -> {
            Marks marks = note.marks();
            Notation sign = signs.get(index);
            boolean slurOpens = index + 1 < signs.size() && signs.get(index + 1).slurred();
            int opening = note.slursOpening() - (slurOpens ? 1 : 0);
            int closing = note.slursClosing() - (sign.slurred() ? 1 : 0);
            if (!endsWith(marks.decorations(), sign.decorations()) || !endsWith(marks.graces(), sign.graces())
                    || !endsWith(marks.annotations(), annotations(sign)) || opening < 0 || closing < 0) {
                missing.add(index);
                return note;
            }
            return note.withSlurs(opening, closing).withMarks(marks
                    .withDecorations(without(marks.decorations(), sign.decorations()))
                    .withGraces(without(marks.graces(), sign.graces()))
                    .withAnnotations(without(marks.annotations(), annotations(sign))));
        });
    }

    /** The tune without the graces that are not its own, in the same hands. */
    private static Situation withGracesOf(Set<Integer> own, Situation situation) {
        Tune tune = mapped(situation.tune().tune(), (index, note) -> own.contains(index) || note.marks().graces().isEmpty() ? note
                : note.withMarks(note.marks().withGraces(List.of())));
        return Situation.of(Timeline.of(tune), situation.instrument(), situation.school(), situation.choices()).at(situation.tempo());
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
