package wildflourish.core.ornament;

import java.util.List;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;

/**
 * The arithmetic of what fits.
 *
 * <p>Each stretch of a gesture has a length that shrinks as the tempo grows, and parts whose lengths add up. The gesture
 * is clean while every stretch holds the comfortable lengths of its parts; the fastest such tempo follows by division.
 */
public final class Playability {

    private Playability() {}

    /** The verdict on putting the given ornaments, together, on one note. */
    public static Verdict of(Situation situation, int note, List<Ornament> ornaments, Tempo tempo, Speeds speeds) {
        return switch (Gestures.make(situation, note, ornaments)) {
            case Making.Hindered(var obstacle) -> new Verdict.Impossible(obstacle);
            case Making.Made(var gesture) -> of(gesture, tempo, speeds);
        };
    }

    /** The verdict on a gesture. */
    public static Verdict of(Gesture gesture, Tempo tempo, Speeds speeds) {
        Room tightest = null;
        Ratio slack = null;
        Tempo limit = null;
        boolean allComfortable = true;
        boolean allPossible = true;
        for (int i = 0; i < gesture.pulses().size(); i++) {
            Gesture.Pulse pulse = gesture.pulses().get(i);
            int comfort = 0;
            int floor = 0;
            for (Gesture.Part part : pulse.parts()) {
                comfort += speeds.of(part.move()).comfortable();
                floor += speeds.of(part.move()).floor();
            }
            if (i == 0 && gesture.tongued()) {
                // The tongue acts while the fingers do: the longer of the two counts, not their sum.
                comfort = Math.max(comfort, speeds.of(Move.TONGUE).comfortable());
                floor = Math.max(floor, speeds.of(Move.TONGUE).floor());
            }
            Ratio has = tempo.millis(pulse.length());
            Ratio needs = Ratio.of(comfort, 1);
            Tempo here = tempo.atWhich(pulse.length(), needs);
            limit = limit == null || limit.isFasterThan(here) ? here : limit;
            allComfortable &= !has.isLess(needs);
            allPossible &= !has.isLess(Ratio.of(floor, 1));
            Ratio share = has.dividedBy(needs);
            if (slack == null || share.isLess(slack)) {
                slack = share;
                tightest = new Room(needs, Ratio.of(floor, 1), has);
            }
            if (has.isLess(Ratio.of(floor, 1)) && !tightest.has().isLess(tightest.floor())) {
                tightest = new Room(needs, Ratio.of(floor, 1), has);
            }
        }
        if (allComfortable) {
            return new Verdict.Clean(tightest, limit);
        }
        return allPossible ? new Verdict.Tight(tightest, limit) : new Verdict.TooFast(tightest, limit);
    }
}
