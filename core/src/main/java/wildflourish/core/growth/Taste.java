package wildflourish.core.growth;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;

/**
 * The rules of taste: what each rung of the ladder may hold, and what dulls a version; from its data file.
 *
 * @param rungs from bare to full
 * @param tight taken off for an ornament that speaks only without ease
 * @param alike taken off when the ornament before it in the phrase was the same
 * @param stacked taken off for each further ornament on one note
 * @param busyEnd taken off for an ornament other than a breath on the last note of a phrase
 */
public record Taste(String provenance, List<Level> rungs, int tight, int alike, int stacked, int busyEnd) {

    /**
     * What a rung may hold.
     *
     * @param ornaments ids that may be added on it; those of the rungs below are kept
     * @param perPhrase how many ornaments a phrase bears
     * @param heavyPerPhrase how many weighty ones among them
     * @param tightAllowed whether it may hold what is tight at the tempo
     * @param least an ornament whose gain is less is not worth adding
     */
    public record Level(
            String name, List<String> ornaments, int perPhrase, int heavyPerPhrase, boolean tightAllowed, int least) {}

    private static final Map<String, Taste> BY_NAME = new HashMap<>();

    static {
        for (String name : List.of("open-hole", "thumb-hole", "closed-chanter", "nine-note-chanter", "bowed", "plectrum",
                "fingers", "free-reed")) {
            BY_NAME.put(name, checked(DataFile.read("ornaments/taste-" + name + ".json", Taste.class)));
        }
    }

    /** The rules for an instrument that somebody plays. */
    public static Taste of(Instrument instrument) {
        return BY_NAME.get(switch (instrument.family()) {
            case OPEN_HOLE, THUMB_HOLE, CLOSED_CHANTER, NINE_NOTE_CHANTER, BOWED -> instrument.family().id();
            case FRETTED -> ((Neck) instrument.layout()).strokes();
            case TWO_WAY_REED, ONE_WAY_REED -> "free-reed";
            case NONE -> throw new IllegalArgumentException("nobody plays the tune as written");
        });
    }

    /** Each rung may hold at least what the one below it may, else the upper could not contain the lower. */
    static Taste checked(Taste taste) {
        for (int i = 1; i < taste.rungs.size(); i++) {
            Level low = taste.rungs.get(i - 1);
            Level high = taste.rungs.get(i);
            if (high.perPhrase < low.perPhrase || high.heavyPerPhrase < low.heavyPerPhrase
                    || low.tightAllowed && !high.tightAllowed) {
                throw new DataFault("taste: the rung '%s' may hold less than '%s' below it"
                        .formatted(high.name, low.name));
            }
        }
        return taste;
    }

    /** Ids that may stand on a rung: those added on it and on the rungs below. */
    Set<String> allowed(int rung) {
        Set<String> ids = new HashSet<>();
        for (int i = 0; i <= rung; i++) {
            ids.addAll(rungs.get(i).ornaments());
        }
        return ids;
    }
}
