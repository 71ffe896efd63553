package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Difference;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Tempo;

/**
 * Grows a ladder from bare, or prunes one from full. Each rung is the best choice for its own budgets among those that
 * contain the rung below (growing) or are contained in the rung above (pruning); docs/growth.md states the objective.
 */
public final class Grower {

    private final Ground ground;
    private final Explaining explaining;

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
        this.ground = new Ground(situation, tempo, speeds, taste, phrases, wishes, present, licks);
        this.explaining = new Explaining(ground);
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

    /** The ladder from bare upward; every rung contains the one below it. */
    public Grown grow() {
        List<Rung> rungs = new ArrayList<>();
        Setting below = Setting.BARE;
        for (int r = 0; r < ground.taste.rungs().size(); r++) {
            below = choose(r, below, Optional.empty());
            rungs.add(rung(r, below));
        }
        return explaining.explained(new Ladder(rungs));
    }

    /** The ladder from a full setting downward; every rung is what is best kept of the one above it. */
    public Grown prune(Setting full) {
        List<Rung> rungs = new ArrayList<>();
        Setting above = full;
        rungs.add(rung(ground.taste.rungs().size() - 1, full));
        for (int r = ground.taste.rungs().size() - 2; r >= 0; r--) {
            above = choose(r, Setting.BARE, Optional.of(above));
            rungs.addFirst(rung(r, above));
        }
        return explaining.explained(new Ladder(rungs));
    }

    private Rung rung(int r, Setting setting) {
        return new Rung(ground.taste.rungs().get(r).name(), setting, ground.present.filter(l -> r < l.size()).flatMap(l -> l.rung(r).density()));
    }

    /**
     * What would be chosen for a rung of a ladder if something that stands on a note were not allowed there; the rung below
     * stays as it is. Empty where it stands on the rung below already, or nothing of that kind stands there.
     *
     * @param id an ornament's id, or a kind of variation
     */
    public Optional<RunnerUp> without(Ladder ladder, int rung, int note, String id) {
        Setting below = rung == 0 ? Setting.BARE : ladder.setting(rung - 1);
        Setting now = ladder.setting(rung);
        boolean variation = now.variationAt(note).filter(v -> v.kind().equals(id)).isPresent();
        boolean stands = variation || now.has(note, id);
        boolean stood = below.has(note, id) || below.variationAt(note).filter(v -> v.kind().equals(id)).isPresent();
        if (!stands || stood || rung >= ground.taste.rungs().size()) {
            return Optional.empty();
        }
        int on = variation ? now.variationAt(note).orElseThrow().from() : note;
        RungChoice best = new RungChoice(ground, rung, below, Optional.empty(), List.of());
        List<Integer> barred = IntStream.range(0, ground.phrases.size()).filter(p -> ground.phrases.get(p).holds(on)).boxed()
                .flatMap(p -> alike(p, on).stream()).toList();
        RungChoice other = new RungChoice(ground, rung, below, Optional.empty(), barred.stream().map(n -> new RungChoice.Barred(n, id)).toList());
        Setting instead = other.settled();
        best.settled();
        long loss = Math.max(0, best.worth() - other.worth());
        return Optional.of(new RunnerUp(instead, loss, Difference.between(now, instead)));
    }

    /** The notes that are decided together with one of a phrase. */
    private List<Integer> alike(int phrase, int note) {
        int first = ground.sameAs.get(phrase);
        List<Integer> notes = new ArrayList<>();
        for (int p = 0; p < ground.phrases.size(); p++) {
            int there = ground.phrases.get(p).bodyNote() + note - ground.phrases.get(phrase).bodyNote();
            if (ground.sameAs.get(p) == first && ground.phrases.get(p).holds(there)) {
                notes.add(there);
            }
        }
        return notes;
    }

    private Setting choose(int rung, Setting below, Optional<Setting> above) {
        return new RungChoice(ground, rung, below, above, List.of()).settled();
    }
}
