package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Family;

/**
 * The graces that pipes without silence need between two notes of one pitch: they stand even on the bare rung, and no
 * teacher has to place them (common practice).
 */
public final class Separation {

    private Separation() {}

    /** Whether an instrument never stops sounding, so that equal notes run together without a grace. */
    public static boolean isNeeded(Situation situation) {
        return situation.instrument().family().tone() == Family.Tone.UNBROKEN;
    }

    /** The stack of a note with the grace that sets it apart from an equal note before it, on whichever time through, where it needs one. */
    public static List<Ornament> complete(Situation situation, int note, List<Ornament> stack) {
        boolean equal = situation.tune().passes(note).stream().anyMatch(t -> t.before(note)
                .filter(b -> b.pitch().midi() == t.note(note).pitch().midi()).isPresent());
        if (!isNeeded(situation) || !equal || situation.tune().note(note).heldOver()) {
            return stack;
        }
        return apart(situation, note, stack);
    }

    /** The stack with a grace at its start: its own, or the one of the school, or the first that the note can take. */
    static List<Ornament> apart(Situation situation, int note, List<Ornament> stack) {
        boolean own = !situation.tune().note(note).note().marks().graces().isEmpty();
        if (own || stack.stream().anyMatch(o -> o.slot() != Slot.EXIT && o.startsWithBlip())) {
            return stack;
        }
        Optional<Ornament> grace = grace(situation, note);
        if (grace.isEmpty()) {
            return stack;
        }
        List<Ornament> more = new ArrayList<>(stack);
        more.add(grace.get());
        return more;
    }

    /** The single grace that separates on this note. */
    public static Optional<Ornament> grace(Situation situation, int note) {
        String chosen = situation.instrument().school("separating-grace", situation.school());
        List<Ornament> single = situation.vocabulary().all().stream()
                .filter(o -> o.slot() == Slot.APPROACH && o.startsWithBlip() && o.pulses().getFirst().motions().size() == 1)
                .sorted(java.util.Comparator.comparing(o -> !o.id().equals(chosen)))
                .toList();
        return single.stream().filter(o -> Gestures.make(situation, note, List.of(o)) instanceof Making.Made).findFirst();
    }
}
