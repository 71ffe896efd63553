package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Vocabulary;

/**
 * Versions of one tune from bare to full; each contains the one below it.
 *
 * @param rungs the lowest first; never empty
 */
public record Ladder(List<Rung> rungs) {

    public Ladder {
        rungs = List.copyOf(rungs);
        if (rungs.isEmpty()) {
            throw new IllegalArgumentException("a ladder has at least one rung");
        }
        for (int i = 1; i < rungs.size(); i++) {
            if (!rungs.get(i).setting().contains(rungs.get(i - 1).setting())) {
                throw new IllegalArgumentException("the rung '%s' does not contain the one below it"
                        .formatted(rungs.get(i).name()));
            }
        }
    }

    /** The ground alone. */
    public static Ladder bare() {
        return new Ladder(List.of(new Rung("bare", Setting.BARE)));
    }

    public int size() {
        return rungs.size();
    }

    public Rung rung(int index) {
        return rungs.get(index);
    }

    public Setting setting(int rung) {
        return rungs.get(rung).setting();
    }

    /**
     * Places an ornament on a note from a rung upward. What stands there in the same slot and has no room beside it gives
     * way on every rung, so that each rung still contains the one below.
     */
    public Ladder place(int rung, int note, Ornament ornament, Vocabulary vocabulary) {
        List<Rung> changed = new ArrayList<>();
        for (int i = 0; i < rungs.size(); i++) {
            Setting setting = rungs.get(i).setting();
            for (String id : setting.at(note)) {
                if (vocabulary.known(id).givesWayTo(ornament)) {
                    setting = setting.without(note, id);
                }
            }
            changed.add(rungs.get(i).with(i < rung ? setting : setting.with(note, ornament.id())));
        }
        return new Ladder(changed);
    }

    /** Lifts an ornament from a note on a rung and on all rungs below it. */
    public Ladder lift(int rung, int note, String ornament) {
        List<Rung> changed = new ArrayList<>();
        for (int i = 0; i < rungs.size(); i++) {
            Setting setting = rungs.get(i).setting();
            changed.add(rungs.get(i).with(i <= rung ? setting.without(note, ornament) : setting));
        }
        return new Ladder(changed);
    }

    /** The lowest rung on which an ornament stands on a note, or −1. */
    public int lowestWith(int note, String ornament) {
        for (int i = 0; i < rungs.size(); i++) {
            if (rungs.get(i).setting().has(note, ornament)) {
                return i;
            }
        }
        return -1;
    }

    /** Varies a stretch from a rung upward; what stands in its way gives way on every rung. */
    public Ladder vary(int rung, Variation variation) {
        List<Rung> changed = new ArrayList<>();
        for (int i = 0; i < rungs.size(); i++) {
            Setting with = rungs.get(i).setting().with(variation);
            changed.add(rungs.get(i).with(i < rung ? with.without(variation) : with));
        }
        return new Ladder(changed);
    }

    /** Takes a variation back on a rung and on all rungs below it. */
    public Ladder unvary(int rung, Variation variation) {
        return mapped((i, setting) -> i <= rung ? setting.without(variation) : setting);
    }

    /** The lowest rung that has a variation, or −1. */
    public int lowestWith(Variation variation) {
        for (int i = 0; i < rungs.size(); i++) {
            if (variation.equals(rungs.get(i).setting().variations().get(variation.from()))) {
                return i;
            }
        }
        return -1;
    }

    /** Without some variations on any rung. */
    public Ladder without(Set<Variation> variations) {
        return mapped((i, setting) -> setting.without(variations));
    }

    private interface Change {
        Setting of(int rung, Setting setting);
    }

    private Ladder mapped(Change change) {
        List<Rung> changed = new ArrayList<>();
        for (int i = 0; i < rungs.size(); i++) {
            changed.add(rungs.get(i).with(change.of(i, rungs.get(i).setting())));
        }
        return new Ladder(changed);
    }

    /** With a rung called otherwise. */
    public Ladder renamed(int rung, String name) {
        return replaced(rung, rungs.get(rung).named(name));
    }

    /** With a rung that may hold so much; empty leaves it to taste. */
    public Ladder dense(int rung, Optional<Density> density) {
        return replaced(rung, rungs.get(rung).with(density));
    }

    private Ladder replaced(int rung, Rung with) {
        List<Rung> changed = new ArrayList<>(rungs);
        changed.set(rung, with);
        return new Ladder(changed);
    }

    /** With a new rung above one, which begins as that one is. */
    public Ladder added(int above, String name) {
        List<Rung> changed = new ArrayList<>(rungs);
        changed.add(above + 1, new Rung(name, rungs.get(above).setting()));
        return new Ladder(changed);
    }

    /** Without a rung; the bare ground stays. */
    public Ladder dropped(int rung) {
        if (rung == 0) {
            throw new IllegalArgumentException("the ground cannot be dropped");
        }
        List<Rung> changed = new ArrayList<>(rungs);
        changed.remove(rung);
        return new Ladder(changed);
    }

    /**
     * With a rung and the one above it in the other order: what the upper one adds comes first, then what the lower one
     * added.
     */
    public Ladder swapped(int rung) {
        if (rung < 1 || rung + 1 >= rungs.size()) {
            throw new IllegalArgumentException("only rungs above the ground change places");
        }
        Setting ground = rungs.get(rung - 1).setting();
        Rung low = rungs.get(rung);
        Rung high = rungs.get(rung + 1);
        Setting first = ground;
        for (Difference.Change change : Difference.between(low.setting(), high.setting())) {
            first = change.appliedTo(first);
        }
        List<Rung> changed = new ArrayList<>(rungs);
        changed.set(rung, high.with(first));
        changed.set(rung + 1, low.with(high.setting()));
        return new Ladder(changed);
    }

    /**
     * Treats a stretch of notes on one rung as another rung treats it. Rungs between them follow, so that each still
     * contains the one below.
     *
     * @param toNote index after the last note
     */
    public Ladder copied(int fromRung, int toRung, int fromNote, int toNote) {
        Setting model = rungs.get(fromRung).setting();
        boolean down = toRung < fromRung;
        return mapped((i, setting) -> {
            boolean touched = down ? i >= toRung && i < fromRung : i <= toRung && i > fromRung;
            return touched ? setting.treatedAs(model, fromNote, toNote, 0) : setting;
        });
    }

    /**
     * Treats other stretches of as many notes as one is treated, on every rung.
     *
     * @param others the first note of each
     */
    public Ladder spread(int fromNote, int toNote, List<Integer> others) {
        return mapped((i, setting) -> {
            Setting changed = setting;
            for (int other : others) {
                changed = changed.treatedAs(setting, fromNote, toNote, other - fromNote);
            }
            return changed;
        });
    }
}
