package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.List;
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
            changed.add(new Rung(rungs.get(i).name(), i < rung ? setting : setting.with(note, ornament.id())));
        }
        return new Ladder(changed);
    }

    /** Lifts an ornament from a note on a rung and on all rungs below it. */
    public Ladder lift(int rung, int note, String ornament) {
        List<Rung> changed = new ArrayList<>();
        for (int i = 0; i < rungs.size(); i++) {
            Setting setting = rungs.get(i).setting();
            changed.add(new Rung(rungs.get(i).name(), i <= rung ? setting.without(note, ornament) : setting));
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
}
