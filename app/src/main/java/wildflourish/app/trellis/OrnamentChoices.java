package wildflourish.app.trellis;

import java.util.List;
import java.util.Optional;
import wildflourish.core.growth.Candidate;
import wildflourish.core.growth.Check;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Relief;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Varied;

/** What stands on the notes: placing, lifting, simplifying, spreading, growing and thinning out. */
public final class OrnamentChoices {

    private final TrellisModel model;

    OrnamentChoices(TrellisModel model) {
        this.model = model;
    }

    /** Looks at an ornament of the note in hand, to see how it is done. */
    public void look(String id) {
        model.look(Optional.of(id));
    }

    /** Looks at the next (or, negative, an earlier) ornament in the list of the note in hand; stops at the ends. */
    public void lookOn(int by) {
        List<String> ids = model.now().ranked().stream().map(c -> c.ornament().id()).toList();
        if (!ids.isEmpty()) {
            int at = model.now().looking().map(ids::indexOf).orElse(0);
            look(ids.get(Math.clamp(at + by, 0, ids.size() - 1)));
        }
    }

    /** Folders or lifts the ornament that is looked at. */
    public void toggleInSight() {
        model.now().looking().ifPresent(this::toggle);
    }

    /** Folders an ornament on the note in hand from the rung in hand upward, or lifts it when it stands there. */
    public void toggle(String id) {
        TrellisState now = model.now();
        Optional<Candidate> candidate = now.ranked().stream().filter(c -> c.ornament().id().equals(id)).findFirst();
        if (candidate.isEmpty()) {
            now.missing().ifPresent(why -> model.tell(why + "; Ctrl+J for what can be played instead, Ctrl+Shift+J for the whole tune"));
            now.variation().ifPresent(v -> model.tell("%s is varied here (%s): take that back with Delete before you decorate it"
                    .formatted(TrellisModel.where(now), VariationKind.spoken(v.kind()))));
            return;
        }
        Ornament ornament = candidate.get().ornament();
        String where = TrellisModel.where(now);
        Ladder ladder = now.arrangement().ladder();
        if (now.stands(id)) {
            model.edit("%s lifted from %s".formatted(ornament.name(), where),
                    now.arrangement().with(ladder.lift(now.rung(), now.note(), id)), Optional.of(id));
        } else if (candidate.get().verdict() instanceof Verdict.Impossible(var obstacle)) {
            look(id);
            model.tell("no %s on %s: %s".formatted(ornament.name(), where, obstacle.inWords()));
        } else if (now.rung() == 0) {
            look(id);
            model.tell("the ground stays bare: go up to a rung with the up arrow, then place the " + ornament.name());
        } else {
            model.edit("%s placed on %s".formatted(ornament.name(), where), now.arrangement()
                    .with(ladder.place(now.rung(), now.note(), ornament, now.situation().vocabulary())), Optional.of(id));
        }
    }

    /** As {@link #toggle} for the ornament of a key, if one has it. */
    public boolean toggleByKey(char key) {
        Optional<Ornament> ornament = model.now().situation().vocabulary().all().stream()
                .filter(o -> o.key() == key).findFirst();
        ornament.ifPresent(o -> toggle(o.id()));
        return ornament.isPresent();
    }

    /** Lifts everything from the note in hand on this rung and those below. */
    public void clearNote() {
        TrellisState now = model.now();
        if (now.variation().isPresent()) {
            model.variations().takeBack();
            return;
        }
        List<String> ids = now.setting().at(now.note());
        if (ids.isEmpty()) {
            now.standIn().ifPresentOrElse(v -> model.variations().takeBack(), () -> model.tell("nothing stands on " + TrellisModel.where(now)));
            return;
        }
        Ladder ladder = now.arrangement().ladder();
        for (String id : ids) {
            ladder = ladder.lift(now.rung(), now.note(), id);
        }
        model.edit("everything lifted from " + TrellisModel.where(now), now.arrangement().with(ladder));
    }

    /**
     * Takes the simpler form on the note in hand: what {@link Relief} says where its ornaments are not clean, else the
     * nearest clean relative of what is looked at.
     */
    public void simplify() {
        TrellisState now = model.now();
        Optional<Relief> relief = now.relief();
        if (relief.isPresent()) {
            replace(now, relief.get().first(), relief.get().simpler());
            return;
        }
        Optional<Ornament> standing = now.inSight().map(Candidate::ornament).filter(o -> now.stands(o.id()));
        Optional<Ornament> simpler = standing.flatMap(this::easier);
        if (simpler.isEmpty()) {
            model.tell(standing.map(o -> "the %s has no simpler form that is clean here".formatted(o.name()))
                    .orElse("nothing stands here that could be simpler"));
            return;
        }
        replace(now, standing.get(), simpler);
    }

    /** The nearest simpler relative of an ornament that is clean on the note in hand. */
    public Optional<Ornament> easier(Ornament ornament) {
        TrellisState now = model.now();
        List<Ornament> stack = new java.util.ArrayList<>(now.varied().setting().ornaments(now.handsNote(), now.hands().vocabulary()));
        if (!stack.contains(ornament)) {
            stack.add(ornament);
        }
        return Check.easier(now.hands(), now.handsNote(), ornament, stack,
                n -> now.varied().setting().ornaments(n, now.hands().vocabulary()), now.arrangement().tempo(),
                now.arrangement().speeds());
    }

    private void replace(TrellisState now, Ornament old, Optional<Ornament> simpler) {
        Ladder ladder = now.arrangement().ladder();
        int from = ladder.lowestWith(now.note(), old.id());
        for (int r = ladder.size() - 1; r >= 0; r--) {
            ladder = ladder.lift(r, now.note(), old.id());
        }
        if (simpler.isPresent()) {
            ladder = ladder.place(Math.max(1, from), now.note(), simpler.get(), now.situation().vocabulary());
        }
        model.edit(simpler.map(s -> "%s in place of %s on %s".formatted(s.name(), old.name(), TrellisModel.where(now)))
                .orElse("%s given up on %s".formatted(old.name(), TrellisModel.where(now))), now.arrangement().with(ladder),
                simpler.map(Ornament::id));
    }

    /** Folders the ornament that is looked at on every note where it is clean beside what stands there already. */
    public void spread() {
        TrellisState now = model.now();
        Optional<Ornament> ornament = now.inSight().map(Candidate::ornament);
        if (ornament.isEmpty() || now.rung() == 0) {
            model.tell(ornament.isEmpty() ? "there is nothing to spread here"
                    : "the ground stays bare: go up to a rung with the up arrow first");
            return;
        }
        Ladder ladder = now.arrangement().ladder();
        int times = 0;
        for (int note = 0; note < now.plain().size(); note++) {
            Setting setting = ladder.setting(now.rung());
            boolean displaces = ladder.setting(ladder.size() - 1).ornaments(note, now.hands().vocabulary()).stream()
                    .anyMatch(o -> o.givesWayTo(ornament.get()));
            if (!displaces && setting.variationAt(note).filter(v -> !v.isStandIn()).isEmpty() && !setting.has(note, ornament.get().id()) && isClean(now, note, ornament.get(), setting)) {
                ladder = ladder.place(now.rung(), note, ornament.get(), now.hands().vocabulary());
                times++;
            }
        }
        if (times == 0) {
            model.tell("the %s is clean nowhere else on this rung".formatted(ornament.get().name()));
        } else {
            model.edit("%s placed %d times".formatted(ornament.get().name(), times), now.arrangement().with(ladder),
                    Optional.of(ornament.get().id()));
        }
    }

    private static boolean isClean(TrellisState now, int note, Ornament ornament, Setting setting) {
        return now.candidates().candidate(now.varied().now(note), ornament, Varied.counted(setting)).verdict() instanceof Verdict.Clean;
    }

    /** Grows the ladder anew from bare, at this tempo and level. */
    public void grow() {
        if (hasVocabulary()) {
            remade("ladder grown from bare", grower -> grower.grow().ladder());
        }
    }

    /** Thins the fullest rung out into a new ladder. */
    public void prune() {
        if (!hasVocabulary()) {
            return;
        }
        Ladder ladder = model.arrangement().ladder();
        remade("ladder pruned from the fullest rung", grower -> grower.prune(ladder.setting(ladder.size() - 1)).ladder());
    }

    /** Makes the ladder anew in the background; an edit that was made meanwhile is not written over. */
    private void remade(String what, java.util.function.Function<Grower, Ladder> way) {
        Arrangement now = model.arrangement();
        var licks = model.licks();
        model.later(() -> way.apply(Grower.of(now, licks)), ladder -> {
            if (model.arrangement().equals(now)) {
                model.edit(what, now.with(ladder));
            } else {
                model.tell("the tune was edited while its ladder was grown: grow it once more");
            }
        });
    }

    private boolean hasVocabulary() {
        boolean has = !model.now().situation().vocabulary().all().isEmpty();
        if (!has) {
            model.tell("choose an instrument first: nobody plays the tune as written");
        }
        return has;
    }
}
