package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Tempo;

/**
 * Grows a ladder from bare, or prunes one from full. Each rung is the best choice for its own budgets among those that
 * contain the rung below (growing) or are contained in the rung above (pruning); docs/growth.md states the objective.
 */
public final class Grower {

    private final Situation plain;
    private final Tempo tempo;
    private final Speeds speeds;
    private final Taste taste;
    private final List<Phrase> phrases;
    private final Wishes wishes;
    private final Optional<Ladder> present;
    private final List<Lick> licks;
    private final Folds folds;
    private final Map<List<Variation>, Growing> growing = new HashMap<>();

    /** A grower that nobody has told anything. */
    public Grower(Situation situation, Tempo tempo, Speeds speeds, Taste taste) {
        this(situation, tempo, speeds, taste, Phrases.of(situation.tune()), Wishes.NONE, Optional.empty(), List.of());
    }

    /**
     * A grower.
     *
     * @param present the ladder whose locked notes are kept; it has as many rungs as {@code taste}
     * @param licks the player's own
     */
    public Grower(
            Situation situation, Tempo tempo, Speeds speeds, Taste taste, List<Phrase> phrases, Wishes wishes,
            Optional<Ladder> present, List<Lick> licks) {
        this.plain = situation;
        this.tempo = tempo;
        this.speeds = speeds;
        this.taste = taste;
        this.phrases = List.copyOf(phrases);
        this.wishes = wishes;
        this.present = present;
        this.licks = List.copyOf(licks);
        this.folds = Folds.of(situation.tune(), situation.instrument(), this.phrases);
    }

    /** A grower for what a teacher works on: its rungs, its phrases, and what is locked and forbidden. */
    public static Grower of(Arrangement arrangement, List<Lick> licks) {
        Situation situation = arrangement.situation();
        Taste taste = Taste.of(arrangement);
        boolean hasRungs = arrangement.ladder().size() > 1;
        return new Grower(situation, arrangement.tempo(), arrangement.speeds(),
                hasRungs ? taste.forLadder(arrangement.ladder()) : taste,
                Phrases.of(arrangement), arrangement.wishes(),
                hasRungs ? Optional.of(arrangement.ladder()) : Optional.empty(), licks);
    }

    /** The ladder from bare upward; every rung contains the one below it. Notes that the instrument has not got are put right on the ground already. */
    public Grown grow() {
        List<Variation> kept = new ArrayList<>();
        Wishes wanted = wishes;
        for (Variation variation : present.map(l -> l.setting(0).standIns()).orElse(List.of())) {
            if (IntStream.range(variation.from(), variation.to()).anyMatch(wishes::isLocked)) {
                kept.add(variation);
                for (int n = variation.from(); n < variation.to(); n++) {
                    wanted = wanted.locking(n, true);
                }
            }
        }
        kept.addAll(folds.whole(wanted));
        kept.sort(Comparator.comparingInt(Variation::from));
        return on(kept).grow();
    }

    /** The ladder from a full setting downward; every rung is what is best kept of the one above it. */
    public Grown prune(Setting full) {
        return on(full.standIns()).prune(full);
    }

    /**
     * What would be chosen for a rung of a ladder if something that stands on a note were not allowed there; the rung below
     * stays as it is. Empty where it stands on the rung below already, nothing of that kind stands there, or it stands in for a note that the
     * instrument has not got.
     *
     * @param id an ornament's id, or a kind of variation
     */
    public Optional<RunnerUp> without(Ladder ladder, int rung, int note, String id) {
        return on(ladder.setting(rung).standIns()).without(ladder, rung, note, id);
    }

    private Growing on(List<Variation> standIns) {
        return growing.computeIfAbsent(standIns, s -> new Growing(
                new Ground(Folds.within(plain, s), tempo, speeds, taste, phrases, wishes, present.map(Growing::without), licks, s),
                v -> new Offer(v, Variations.verdict(v, tempo, speeds), 0, folds.because(v))));
    }
}
