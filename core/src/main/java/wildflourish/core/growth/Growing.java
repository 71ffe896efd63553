package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import wildflourish.core.setting.Difference;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;

/** Growing on one ground: a tune in which other notes stand in already for those that the instrument has not got. */
final class Growing {

    private final Ground ground;
    private final Explaining explaining;
    private final Function<Variation, Offer> offer;

    /** {@code ground} has the other notes in it; {@code offer} says why they are there. */
    Growing(Ground ground, Function<Variation, Offer> offer) {
        this.ground = ground;
        this.explaining = new Explaining(ground);
        this.offer = offer;
    }

    /** A ladder as it stands on such a ground. */
    static Ladder without(Ladder ladder) {
        return new Ladder(ladder.rungs().stream().map(r -> r.with(without(r.setting()))).toList());
    }

    private static Setting without(Setting setting) {
        Setting bare = setting;
        for (Variation variation : setting.standIns()) {
            bare = bare.without(variation);
        }
        return bare;
    }

    /** A setting of this ground on the plain tune. */
    private Setting onPlain(Setting setting) {
        Setting whole = setting;
        for (Variation variation : ground.standIns) {
            whole = whole.with(variation);
        }
        return whole;
    }

    private Grown onPlain(Grown grown) {
        if (ground.standIns.isEmpty()) {
            return grown;
        }
        List<List<Offer>> variations = new ArrayList<>();
        for (List<Offer> rung : grown.variations()) {
            List<Offer> all = new ArrayList<>(ground.standIns.stream().map(offer).toList());
            all.addAll(rung);
            all.sort(java.util.Comparator.comparingInt(o -> o.variation().from()));
            variations.add(all);
        }
        return new Grown(new Ladder(grown.ladder().rungs().stream().map(r -> r.with(onPlain(r.setting()))).toList()), grown.reasons(), variations);
    }

    Grown grow() {
        List<Rung> rungs = new ArrayList<>();
        Setting below = Setting.BARE;
        for (int r = 0; r < ground.taste.rungs().size(); r++) {
            below = choose(r, below, Optional.empty());
            rungs.add(rung(r, below));
        }
        return onPlain(explaining.explained(new Ladder(rungs)));
    }

    Grown prune(Setting full) {
        List<Rung> rungs = new ArrayList<>();
        Setting above = without(full);
        rungs.add(rung(ground.taste.rungs().size() - 1, above));
        for (int r = ground.taste.rungs().size() - 2; r >= 0; r--) {
            above = choose(r, Setting.BARE, Optional.of(above));
            rungs.addFirst(rung(r, above));
        }
        return onPlain(explaining.explained(new Ladder(rungs)));
    }

    private Rung rung(int r, Setting setting) {
        return new Rung(ground.taste.rungs().get(r).name(), setting, ground.present.filter(l -> r < l.size()).flatMap(l -> l.rung(r).density()));
    }

    Optional<RunnerUp> without(Ladder ladder, int rung, int note, String id) {
        Setting below = rung == 0 ? Setting.BARE : without(ladder.setting(rung - 1));
        Setting now = without(ladder.setting(rung));
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
        return Optional.of(new RunnerUp(onPlain(instead), loss, Difference.between(now, instead)));
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
