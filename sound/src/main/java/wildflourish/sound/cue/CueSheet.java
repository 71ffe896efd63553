package wildflourish.sound.cue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The cues of a whole performance.
 *
 * @param cues in the order in which they are carried out
 */
public record CueSheet(List<Cue> cues) {

    /** Cues this little before a stretch belong to it: times are sums of rounded lengths. */
    private static final double NEAR_MS = 1;

    /** A sound that begins again so soon after a stretch is entered in its middle is not started for the rest of it. */
    private static final double SOON_MS = 40;

    public CueSheet {
        cues = List.copyOf(cues);
    }

    /**
     * The cues of a stretch, their times counted from its beginning: what sounds on when it begins is started there, and all ends
     * where it ends.
     */
    public List<Cue> between(double fromMs, double toMs) {
        Map<Integer, Cue> sounding = new TreeMap<>();
        List<Cue> inside = new ArrayList<>();
        for (Cue cue : cues) {
            if (cue.atMs() >= toMs - NEAR_MS) {
                break;
            }
            if (cue.atMs() >= fromMs - NEAR_MS) {
                inside.add(cue.at(Math.max(0, cue.atMs() - fromMs)));
            } else {
                take(sounding, cue);
            }
        }
        List<Cue> all = new ArrayList<>();
        sounding.forEach((lane, cue) -> {
            boolean soon = inside.stream().anyMatch(c -> c.lane() == lane && c.atMs() < SOON_MS && (c.isStart() || c.kind() == Cue.Kind.STOP));
            if (!soon) {
                all.add(new Cue(0, Cue.Kind.ATTACK, lane, cue.pitch(), 0, 0.8));
            }
        });
        all.addAll(inside);
        all.add(new Cue(toMs - fromMs, Cue.Kind.STOP, Cue.ALL, 0, 0, 0));
        return all;
    }

    private static void take(Map<Integer, Cue> sounding, Cue cue) {
        switch (cue.kind()) {
            case ATTACK, SOFT, JOIN -> sounding.put(cue.lane(), cue);
            case BEND -> sounding.computeIfPresent(cue.lane(), (l, c) -> cue);
            case STOP -> {
                if (cue.lane() == Cue.ALL) {
                    sounding.clear();
                } else {
                    sounding.remove(cue.lane());
                }
            }
            case WAVE, SWELL, STILL, TURN -> { }
        }
    }
}
