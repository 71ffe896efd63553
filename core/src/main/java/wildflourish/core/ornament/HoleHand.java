package wildflourish.core.ornament;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.FingerWork;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Holes;
import wildflourish.core.instrument.WindChart;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline.Stand;

/** Fingers over holes: whistle, flute, recorder and both kinds of pipes. */
final class HoleHand extends Hand {

    private final Fingering way;
    private final WindChart chart;
    private final Family family;
    private int crans;

    HoleHand(Situation situation, Stand stand, Fingering way) {
        super(situation, stand);
        this.way = way;
        this.chart = situation.instrument().chart().orElseThrow();
        this.family = situation.instrument().family();
    }

    @Override
    Gesture.Part part(Motion motion, String ornament) {
        Move move = motion.move();
        return switch (move) {
            case SOUND, TOUCH, TONGUE, BREATH, SWELL, SLUR, STROKE -> still(move, ornament);
            case WAVER -> new Gesture.Part(move, ornament, pitch, new Means.Hole(below()));
            case CUT -> cut(ornament);
            case CRAN_CUT -> cran(ornament);
            case TAP -> tap(ornament);
            case CLOSE -> new Gesture.Part(move, ornament, chart.pitches().getFirst(), new Means.Hole(opener()));
            case SLAP -> slap(ornament);
            case SLIDE -> slide(ornament);
            case FALL -> new Gesture.Part(move, ornament, stepBelow(), new Means.Hole(below()));
            case PASSING -> other(motion, ornament);
            case GRACE -> grace(motion, ornament);
            case POP -> pop(ornament);
            case OVERLAP -> overlap(ornament);
            case HAMMER, PULL, BEND, COMPANY -> throw cannot(move);
        };
    }

    private Gesture.Part cut(String ornament) {
        int hole = chart.work().cutHole(pitch, way, school("cut"))
                .orElseThrow(() -> new Hindrance(new Obstacle.NoFingerToLift(pitch)));
        return new Gesture.Part(Move.CUT, ornament, chart.openedFrom(hole, pitch), new Means.Hole(hole));
    }

    private Gesture.Part cran(String ornament) {
        boolean second = family == Family.CLOSED_CHANTER && chart.pitches().size() > 1 && isSecondLowest();
        if (hasHoleBelow() && !second) {
            throw new Hindrance(new Obstacle.HoleBelow(pitch));
        }
        int hole = chart.work().cranHole(crans++)
                .orElseThrow(() -> new Hindrance(new Obstacle.NoFingerToLift(pitch)));
        return new Gesture.Part(Move.CRAN_CUT, ornament, chart.openedFrom(hole, pitch), new Means.Hole(hole));
    }

    private boolean isSecondLowest() {
        return Math.floorMod(chart.pitches().get(1).midi() - pitch.midi(), 12) == 0;
    }

    private boolean hasHoleBelow() {
        Holes holes = way.holes();
        for (int hole = 2; hole <= holes.count(); hole++) {
            if (!holes.isClosed(hole)) {
                return true;
            }
        }
        return holes.hasThumb() && holes.isOpen(0);
    }

    private Gesture.Part tap(String ornament) {
        if (family == Family.NINE_NOTE_CHANTER) {
            return strike(ornament);
        }
        int hole = below();
        Pitch dip = way.holes().isFork() ? stepBelow() : chart.closedDownTo(hole, pitch);
        return new Gesture.Part(Move.TAP, ornament, dip.equals(pitch) ? stepBelow() : dip, new Means.Hole(hole));
    }

    /** On the nine-note chanter: the finger whose hole, closed, makes the next lower note that can be so made. */
    private Gesture.Part strike(String ornament) {
        Holes holes = way.holes();
        List<Pitch> lower = chart.pitches().stream().filter(p -> p.midi() < pitch.midi()).toList().reversed();
        for (Pitch low : lower) {
            for (Fingering other : chart.ways(low)) {
                if (holes.fingersMoved(other.holes()) == 1 && other.holes().isOpenedFurtherIn(holes)) {
                    return new Gesture.Part(Move.TAP, ornament, low, new Means.Hole(firstDifference(holes, other.holes())));
                }
            }
        }
        throw new Hindrance(new Obstacle.NothingBelow(pitch));
    }

    private static int firstDifference(Holes a, Holes b) {
        int hole = a.first();
        while (a.at(hole) == b.at(hole)) {
            hole++;
        }
        return hole;
    }

    /** The open hole that a finger strikes below this note. */
    private int below() {
        OptionalInt hole = way.tap();
        if (hole.isPresent()) {
            return hole.getAsInt();
        }
        Holes holes = way.holes();
        if (family == Family.CLOSED_CHANTER) {
            return opener();
        }
        for (int h = 2; h <= holes.count() && family == Family.THUMB_HOLE; h++) {
            if (holes.isClosed(h - 1) && holes.isOpen(h)) {
                return h;
            }
        }
        throw new Hindrance(new Obstacle.NothingBelow(pitch));
    }

    /** On a closed chanter, the hole that makes the note and that one finger closes again. */
    private int opener() {
        Holes holes = way.holes();
        for (int hole = holes.first(); hole <= holes.count(); hole++) {
            if (holes.isOpen(hole)) {
                return hole;
            }
        }
        throw new Hindrance(new Obstacle.NothingBelow(pitch));
    }

    /** Two fingers on the two next open holes, the note's own lowest finger staying down. */
    private Gesture.Part slap(String ornament) {
        int hole = below();
        if (hole >= way.holes().count() || !way.holes().isOpen(hole + 1)) {
            throw new Hindrance(new Obstacle.NothingBelow(pitch));
        }
        return new Gesture.Part(Move.SLAP, ornament, chart.closedDownTo(hole + 1, pitch),
                new Means.Holes(List.of(hole, hole + 1)));
    }

    private Pitch stepBelow() {
        return chart.stepBelow(pitch).orElse(pitch);
    }

    private Gesture.Part slide(String ornament) {
        Pitch below = chart.stepBelow(pitch).orElseThrow(() ->
                new Hindrance(new Obstacle.NoGlide(pitch, "nothing lies below it to start from")));
        if (family == Family.CLOSED_CHANTER) {
            int hole = opener();
            if (hole == 0) {
                throw new Hindrance(new Obstacle.NoGlide(pitch, "the thumb opens it all at once"));
            }
            return new Gesture.Part(Move.SLIDE, ornament, below, new Means.Hole(hole));
        }
        Holes to = way.holes();
        Optional<Fingering> start = chart.ways(below).stream()
                .filter(w -> w.breath() == way.breath())
                .filter(w -> w.holes().fingersMoved(to) == 1)
                .findFirst();
        if (start.isEmpty()) {
            String because = chart.ways(below).stream().noneMatch(w -> w.breath() == way.breath())
                    ? "it crosses from one register to the other" : "more than one finger has to move";
            throw new Hindrance(new Obstacle.NoGlide(pitch, because));
        }
        int hole = firstDifference(start.get().holes(), to);
        if (!start.get().holes().isClosed(hole)) {
            throw new Hindrance(new Obstacle.NoGlide(pitch, "a finger would have to be put down, not drawn off"));
        }
        return new Gesture.Part(Move.SLIDE, ornament, below, new Means.Hole(hole));
    }

    /** Another note that takes this one's place. */
    private Gesture.Part other(Motion motion, String ornament) {
        if (motion.helper() instanceof HelperNote.Fork) {
            return fork(ornament);
        }
        if (motion.helper() instanceof HelperNote.Seesaw) {
            FingerWork.Seesaw shake = chart.work().seesaw(pitch)
                    .orElseThrow(() -> new Hindrance(new Obstacle.NoFork(pitch)));
            return new Gesture.Part(Move.PASSING, ornament, chart.work().above(pitch, shake.to()),
                    new Means.Holes(List.of(shake.rises(), shake.falls())));
        }
        return new Gesture.Part(Move.PASSING, ornament, byMusic(motion.helper()), Means.STILL);
    }

    /** The fork above, from the low note on the way to the middle one, or from the middle one in a shake. */
    private Gesture.Part fork(String ornament) {
        Optional<FingerWork.Turn> shake = chart.work().shake(pitch);
        if (shake.isPresent()) {
            return new Gesture.Part(Move.PASSING, ornament, chart.work().above(pitch, shake.get().upper()),
                    new Means.Hole(shake.get().lifts()));
        }
        FingerWork.Turn turn = chart.work().turn(pitch, next().pitch())
                .orElseThrow(() -> new Hindrance(new Obstacle.NoFork(pitch)));
        return new Gesture.Part(Move.PASSING, ornament, chart.work().above(pitch, turn.upper()),
                new Means.Hole(turn.lifts()));
    }

    private Gesture.Part grace(Motion motion, String ornament) {
        boolean byOneFinger = family == Family.NINE_NOTE_CHANTER && !(motion.helper() instanceof HelperNote.Through);
        Pitch grace = motion.helper() instanceof HelperNote.Doubling ? doubling() : byMusic(motion.helper());
        if (!byOneFinger) {
            return new Gesture.Part(Move.GRACE, ornament, grace, Means.STILL);
        }
        OptionalInt hole = chart.work().graceHole(grace);
        if (hole.isEmpty() || grace.midi() <= pitch.midi() || !way.holes().isClosed(hole.getAsInt())) {
            throw new Hindrance(new Obstacle.NoSuchGrace(grace, pitch));
        }
        return new Gesture.Part(Move.GRACE, ornament, grace, new Means.Hole(hole.getAsInt()));
    }

    /** D on the notes below it; from D upward the next note. */
    private Pitch doubling() {
        Pitch d = Pitch.parse("D5");
        if (pitch.midi() < d.midi()) {
            return d;
        }
        return chart.pitches().stream().filter(p -> p.midi() > pitch.midi()).findFirst()
                .orElseThrow(() -> new Hindrance(new Obstacle.NoFingerToLift(pitch)));
    }

    private Gesture.Part pop(String ornament) {
        Pitch to = next().pitch();
        FingerWork.Landing landing = chart.work().landing(pitch, way, to)
                .orElseThrow(() -> new Hindrance(new Obstacle.NoPop(pitch, to)));
        return new Gesture.Part(Move.POP, ornament, chart.openedFrom(landing.pops(), to), new Means.Hole(landing.pops()));
    }

    /** The fingers of both notes down at once. */
    private Gesture.Part overlap(String ornament) {
        Stand next = next();
        Fingering to = situation.plan().fingering(next.index()).orElseThrow(() ->
                new Hindrance(new Obstacle.NoCrossing(pitch, next.pitch())));
        if (!way.holes().isContraryTo(to.holes())) {
            throw new Hindrance(new Obstacle.NoCrossing(pitch, next.pitch()));
        }
        Pitch lower = pitch.midi() < next.pitch().midi() ? pitch : next.pitch();
        return new Gesture.Part(Move.OVERLAP, ornament, chart.stepBelow(lower).orElse(lower), Means.STILL);
    }
}
