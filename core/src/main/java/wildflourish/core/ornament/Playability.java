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

    /** How a gesture fits, without the words and limits of a {@link Verdict}. */
    public enum Fit { CLEAN, TIGHT, BLOCKED }

    /** The same answer as {@link #of(Situation, int, List, Tempo, Speeds)} gives, for when only the answer counts. */
    public static Fit fit(Situation situation, int note, List<Ornament> ornaments, Tempo tempo, Speeds speeds) {
        if (!(Gestures.make(situation, note, ornaments) instanceof Making.Made made)) {
            return Fit.BLOCKED;
        }
        Ratio whole = tempo.millis(Ratio.ONE);
        Fit fit = Fit.CLEAN;
        for (int i = 0; i < made.gesture().pulses().size(); i++) {
            Gesture.Pulse pulse = made.gesture().pulses().get(i);
            boolean tongued = i == 0 && made.gesture().tongued();
            Ratio has = pulse.length().times(whole);
            if (has.isLess(Ratio.of(floor(pulse, tongued, speeds), 1))) {
                return Fit.BLOCKED;
            }
            if (has.isLess(Ratio.of(comfort(pulse, tongued, speeds), 1))) {
                fit = Fit.TIGHT;
            }
        }
        return fit;
    }

    /** The tongue acts while the fingers do: the longer of the two counts, not their sum. */
    private static int comfort(Gesture.Pulse pulse, boolean tongued, Speeds speeds) {
        int sum = 0;
        for (Gesture.Part part : pulse.parts()) {
            sum += speeds.of(part.move()).comfortable();
        }
        return tongued ? Math.max(sum, speeds.of(Move.TONGUE).comfortable()) : sum;
    }

    private static int floor(Gesture.Pulse pulse, boolean tongued, Speeds speeds) {
        int sum = 0;
        for (Gesture.Part part : pulse.parts()) {
            sum += speeds.of(part.move()).floor();
        }
        return tongued ? Math.max(sum, speeds.of(Move.TONGUE).floor()) : sum;
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
            boolean tongued = i == 0 && gesture.tongued();
            int comfort = comfort(pulse, tongued, speeds);
            int floor = floor(pulse, tongued, speeds);
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
