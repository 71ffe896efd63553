package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.IntFunction;
import org.jspecify.annotations.Nullable;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline.Stand;

/**
 * The arithmetic of what fits.
 *
 * <p>Each stretch of a gesture has a length that shrinks as the tempo grows, and parts whose lengths add up. The gesture
 * is clean while every stretch holds the comfortable lengths of its parts; the fastest such tempo follows by division.
 * Neighbouring notes share time and fingers: what they ask of one another are stretches too.
 */
public final class Playability {

    private Playability() {}

    /** How a gesture fits, without the words and limits of a {@link Verdict}. */
    public enum Fit { CLEAN, TIGHT, BLOCKED }

    /** The verdict on putting the given ornaments, together, on one note whose neighbours are bare. */
    public static Verdict of(Situation situation, int note, List<Ornament> ornaments, Tempo tempo, Speeds speeds) {
        return of(situation, note, ornaments, n -> List.of(), tempo, speeds);
    }

    /**
     * The verdict on putting the given ornaments, together, on one note: the worst of all the times that it is played, as repeats and
     * endings bring it between other notes.
     *
     * @param others what stands on the other notes, by their index
     */
    public static Verdict of(
            Situation situation, int note, List<Ornament> ornaments, IntFunction<List<Ornament>> others, Tempo tempo,
            Speeds speeds) {
        return situation.passes(note).stream().map(s -> once(s, note, ornaments, others, tempo, speeds)).reduce(Verdict::worse).orElseThrow();
    }

    private static Verdict once(
            Situation situation, int note, List<Ornament> ornaments, IntFunction<List<Ornament>> others, Tempo tempo, Speeds speeds) {
        return switch (Gestures.make(situation, note, ornaments)) {
            case Making.Hindered(var obstacle) -> new Verdict.Impossible(obstacle);
            case Making.Made(var gesture) -> of(situation, gesture, others, tempo, speeds);
        };
    }

    private static Verdict of(
            Situation situation, Gesture gesture, IntFunction<List<Ornament>> others, Tempo tempo, Speeds speeds) {
        List<Stretch> stretches = new ArrayList<>(Stretch.of(gesture, speeds));
        Optional<Gesture> before = neighbour(situation, gesture.note(), true, others);
        if (before.isPresent()) {
            Optional<String> clash = Stretch.clash(before.get(), gesture);
            if (clash.isPresent()) {
                return clash(situation, clash.get(), true);
            }
            stretches.addAll(Stretch.between(before.get(), gesture, speeds));
        }
        Optional<Gesture> after = neighbour(situation, gesture.note(), false, others);
        if (after.isPresent()) {
            if (Stretch.clash(gesture, after.get()).isPresent()) {
                return clash(situation, after.get().first().ornament(), false);
            }
            stretches.addAll(Stretch.between(gesture, after.get(), speeds));
        }
        return of(stretches, tempo);
    }

    private static Verdict clash(Situation situation, String ornament, boolean before) {
        String name = situation.vocabulary().byId(ornament).map(Ornament::name).orElse(ornament);
        return new Verdict.Impossible(new Obstacle.ClashWithNeighbour(name, before));
    }

    /** The gesture of the note that directly goes before or follows, as far as the hands can do it. */
    private static Optional<Gesture> neighbour(
            Situation situation, int note, boolean before, IntFunction<List<Ornament>> others) {
        Stand stand = situation.tune().note(note);
        Optional<Stand> other = before ? situation.tune().before(note) : situation.tune().after(note);
        return other.filter(o -> before ? o.onset().plus(o.sounding()).equals(stand.onset())
                        : stand.onset().plus(stand.sounding()).equals(o.onset()))
                .flatMap(o -> Gestures.make(situation, o.index(), others.apply(o.index())) instanceof Making.Made made
                        ? Optional.of(made.gesture()) : Optional.empty());
    }

    /** The same answer as {@link #of(Situation, int, List, Tempo, Speeds)} gives, for when only the answer counts. */
    public static Fit fit(Situation situation, int note, List<Ornament> ornaments, Tempo tempo, Speeds speeds) {
        Fit worst = Fit.CLEAN;
        for (Situation pass : situation.passes(note)) {
            Fit fit = Gestures.make(pass, note, ornaments) instanceof Making.Made(var gesture) ? once(pass, gesture, tempo, speeds) : Fit.BLOCKED;
            worst = fit.compareTo(worst) > 0 ? fit : worst;
        }
        return worst;
    }

    /** How a gesture, as it is made the first time through, fits between bare neighbours. */
    public static Fit fit(Situation situation, Gesture gesture, Tempo tempo, Speeds speeds) {
        return once(situation, gesture, tempo, speeds);
    }

    private static Fit once(Situation situation, Gesture gesture, Tempo tempo, Speeds speeds) {
        Ratio whole = tempo.millis(Ratio.ONE);
        Fit fit = Fit.CLEAN;
        List<Stretch> stretches = Stretch.of(gesture, speeds);
        if (!gesture.lead().isEmpty()) {
            stretches = new ArrayList<>(stretches);
            Optional<Gesture> before = neighbour(situation, gesture.note(), true, n -> List.of());
            if (before.isPresent()) {
                stretches.addAll(Stretch.between(before.get(), gesture, speeds));
            }
        }
        return fit(fit, stretches, whole);
    }

    private static Fit fit(Fit soFar, List<Stretch> stretches, Ratio whole) {
        Fit fit = soFar;
        for (Stretch stretch : stretches) {
            Ratio has = stretch.length().times(whole);
            if (has.isLess(Ratio.of(stretch.floor(), 1))) {
                return Fit.BLOCKED;
            }
            if (has.isLess(Ratio.of(stretch.comfort(), 1))) {
                fit = Fit.TIGHT;
            }
        }
        return fit;
    }

    /** Whether two gestures on neighbouring notes can follow one another at a tempo. */
    public static Fit together(Gesture first, Gesture second, Tempo tempo, Speeds speeds) {
        if (second.lead().isEmpty() && !second.first().move().isBlip()) {
            return Fit.CLEAN;
        }
        if (Stretch.clash(first, second).isPresent()) {
            return Fit.BLOCKED;
        }
        List<Stretch> between = Stretch.between(first, second, speeds);
        return between.isEmpty() ? Fit.CLEAN : fit(Fit.CLEAN, between, tempo.millis(Ratio.ONE));
    }

    /** The verdict on a gesture by itself. */
    public static Verdict of(Gesture gesture, Tempo tempo, Speeds speeds) {
        return of(Stretch.of(gesture, speeds), tempo);
    }

    private static Verdict of(List<Stretch> stretches, Tempo tempo) {
        @Nullable Room tightest = null;
        @Nullable Ratio slack = null;
        @Nullable Tempo limit = null;
        @Nullable Tempo fastest = null;
        boolean allComfortable = true;
        boolean allPossible = true;
        for (Stretch stretch : stretches) {
            Ratio floor = Ratio.of(stretch.floor(), 1);
            Ratio needs = Ratio.of(stretch.comfort(), 1);
            Ratio has = tempo.millis(stretch.length());
            Tempo here = tempo.atWhich(stretch.length(), needs);
            limit = limit == null || limit.isFasterThan(here) ? here : limit;
            Tempo last = tempo.atWhich(stretch.length(), floor);
            fastest = fastest == null || fastest.isFasterThan(last) ? last : fastest;
            allComfortable &= !has.isLess(needs);
            allPossible &= !has.isLess(floor);
            Ratio share = has.dividedBy(needs);
            boolean nowBlocked = has.isLess(floor) && !tightestIsBlocked(tightest);
            if (slack == null || nowBlocked || share.isLess(slack) && (has.isLess(floor) || !tightestIsBlocked(tightest))) {
                slack = share;
                tightest = new Room(needs, floor, has, stretch.what());
            }
        }
        // Every gesture asks for some time.
        Room time = Objects.requireNonNull(tightest);
        Tempo clean = Objects.requireNonNull(limit);
        Tempo speaks = Objects.requireNonNull(fastest);
        if (allComfortable) {
            return new Verdict.Clean(time, clean, speaks);
        }
        return allPossible ? new Verdict.Tight(time, clean, speaks) : new Verdict.TooFast(time, clean, speaks);
    }

    private static boolean tightestIsBlocked(@Nullable Room tightest) {
        return tightest != null && tightest.has().isLess(tightest.floor());
    }
}
