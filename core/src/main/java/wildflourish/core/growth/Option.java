package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.setting.Variation;

/**
 * One way to treat a note, or a stretch of notes that begins on it: nothing, an ornament, a stack that the hands can do, or
 * a variation.
 *
 * @param ids ids of its ornaments, sorted; of a variation its kind alone
 * @param size what it takes of a phrase's budget
 * @param heavy what it takes of the budget of weighty ones
 * @param gain what taste says for it, its own deductions taken off
 * @param tight whether it speaks only without ease at the tempo
 * @param blocked whether it does not speak at the tempo (kept when a teacher placed it)
 * @param gesture what the hands do; empty where they do nothing beside the note, or cannot do it
 * @param variation the notes played instead, if any
 * @param members where phrases are decided together, the same in each of them; empty where it stands for itself alone
 */
record Option(
        List<String> ids, int size, int heavy, int gain, boolean tight, boolean blocked, Optional<Gesture> gesture,
        Optional<Variation> variation, List<Option> members) {

    static final Option NOTHING =
            new Option(List.of(), 0, 0, 0, false, false, Optional.empty(), Optional.empty());

    Option(List<String> ids, int size, int heavy, int gain, boolean tight, boolean blocked, Optional<Gesture> gesture,
            Optional<Variation> variation) {
        this(ids, size, heavy, gain, tight, blocked, gesture, variation, List.of());
    }

    static Option of(List<Ornament> ornaments, int gain, boolean tight, boolean blocked, Optional<Gesture> gesture) {
        return new Option(ornaments.stream().map(Ornament::id).sorted().toList(), ornaments.size(),
                (int) ornaments.stream().filter(Ornament::heavy).count(), gain, tight, blocked, gesture, Optional.empty());
    }

    static Option of(Offer offer, int gain, boolean tight) {
        return new Option(List.of(offer.kind().id()), 1, offer.kind().heavy() ? 1 : 0, gain, tight, false,
                Optional.empty(), Optional.of(offer.variation()));
    }

    /** Whether it does anything to its note. */
    boolean decorates() {
        return !ids.isEmpty();
    }

    /** How many notes it treats. */
    int span() {
        return variation.map(v -> v.to() - v.from()).orElse(1);
    }

    /** The same somewhere else: what makes two options one decision. */
    Object key(int note) {
        return variation.<Object>map(v -> List.of(v.kind(), v.from() - note, v.to() - note, v.notes())).orElse(ids);
    }

    Option with(int newGain, boolean nowTight, boolean nowBlocked) {
        return new Option(ids, size, heavy, newGain, nowTight, nowBlocked, gesture, variation, members);
    }

    /** The same taking up what stands on the note from a rung below. */
    Option over(List<String> more) {
        return new Option(more, size, heavy, gain, tight, blocked, gesture, variation, members);
    }

    /** Decided together with the same in one more phrase. */
    Option and(Option other) {
        List<Option> all = new ArrayList<>(members.isEmpty() ? List.of(this) : members);
        all.add(other);
        return new Option(ids, Math.max(size, other.size), heavy, gain + other.gain, tight || other.tight, blocked || other.blocked,
                gesture, variation, all);
    }

    /** What it is in the nth of the phrases that are decided together. */
    Option member(int nth) {
        return members.isEmpty() ? this : members.get(nth);
    }
}
