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

    private static final int UPPER_HAND = 3;

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
            case WAVER -> new Gesture.Part(move, ornament, pitch, new Means.Hole(stopped() ? offHand() : below()));
            case CUT -> cut(ornament);
            case CRAN_CUT -> cran(ornament);
            case TAP -> tap(ornament);
            case CLOSE -> new Gesture.Part(move, ornament, chart.pitches().getFirst(), closing(ornament));
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

    /** Whether closed holes stop the sound. */
    private boolean stopped() {
        return family.tone() == Family.Tone.STOPPED;
    }

    /** Whether nothing ever stops it. */
    private boolean unbroken() {
        return family.tone() == Family.Tone.UNBROKEN;
    }

    /** The finger of the school, or where that one is only just coming down or sounds no higher, another that is down. */
    private Gesture.Part cut(String ornament) {
        List<Integer> holes = chart.work().cutHoles(pitch, way, school("cut"));
        List<Integer> higher = holes.stream().filter(h -> chart.openedFrom(h, pitch, way).isPresent()).toList();
        if (higher.isEmpty()) {
            throw new Hindrance(holes.isEmpty() ? new Obstacle.NoFingerToLift(pitch) : new Obstacle.SoundsNoHigher(pitch));
        }
        int hole = higher.stream().filter(h -> !moved(h)).findFirst().orElse(higher.getFirst());
        return new Gesture.Part(Move.CUT, ornament, chart.openedFrom(hole, pitch, way).orElseThrow(), new Means.Hole(hole));
    }

    private Gesture.Part cran(String ornament) {
        if (stopped()) {
            if (chart.pitches().indexOf(pitch) > 1 || chart.pitches().indexOf(pitch) < 0) {
                throw new Hindrance(new Obstacle.CranTooHigh(pitch));
            }
        } else if (hasHoleBelow()) {
            throw new Hindrance(new Obstacle.HoleBelow(pitch));
        }
        int hole = chart.work().cranHole(crans++)
                .orElseThrow(() -> new Hindrance(new Obstacle.NoFingerToLift(pitch)));
        Pitch click = chart.openedFrom(hole, pitch, way).orElseThrow(() -> new Hindrance(new Obstacle.SoundsNoHigher(pitch)));
        return new Gesture.Part(Move.CRAN_CUT, ornament, click, new Means.Hole(hole));
    }

    /** The fingering of the note before, where it leads to this one without a rest. */
    private Optional<Holes> holesBefore() {
        return situation.tune().before(stand.index())
                .filter(b -> b.onset().plus(b.sounding()).equals(stand.onset()))
                .flatMap(b -> situation.plan().fingering(b.index())).map(Fingering::holes);
    }

    /** Whether a finger moves as this note begins. */
    private boolean moved(int hole) {
        return holesBefore().filter(b -> b.at(hole) != way.holes().at(hole)).isPresent();
    }

    @Override
    void checkStart(Gesture.Part first) {
        boolean strikes = first.move() == Move.CUT || first.move() == Move.TAP || first.move() == Move.CRAN_CUT
                || first.move() == Move.GRACE;
        if (strikes && first.means() instanceof Means.Hole(int hole) && moved(hole)) {
            throw new Hindrance(new Obstacle.FingerJustMoved(HowTo.finger(hole), way.holes().isOpen(hole)));
        }
    }

    @Override
    List<Gesture.Part> company(Motion motion, String ornament) {
        throw cannot(motion.move());
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
        int hole = below();
        Pitch dip = chart.closedFrom(hole, pitch, way).orElseThrow(() -> new Hindrance(nothingBelow()));
        return new Gesture.Part(Move.TAP, ornament, dip, new Means.Hole(hole));
    }

    /** Nothing to tap; where the family has one and the note allows it, a cran does the work. */
    private Obstacle nothingBelow() {
        boolean crans = situation.vocabulary().byId("cran").isPresent() && !hasHoleBelow();
        return new Obstacle.NothingBelow(pitch, crans);
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
        Holes holes = way.holes();
        if (stopped()) {
            return opener();
        }
        // The first open hole under the closed ones; on the nine-note pipes the thumb's belongs to high A.
        for (int h = holes.first(); family.thumb() && h <= holes.count(); h++) {
            boolean free = unbroken() || h > 1 && holes.isClosed(h - 1);
            if (free && holes.isOpen(h)) {
                return h;
            }
        }
        return way.tap().orElseThrow(() -> new Hindrance(nothingBelow()));
    }

    /** The finger of the other hand that shades a note of the upper hand. */
    private int offHand() {
        if (opener() > UPPER_HAND) {
            throw new Hindrance(new Obstacle.NoOffHand(pitch));
        }
        return chart.work().vibrato().orElseThrow(() -> new Hindrance(new Obstacle.NoOffHand(pitch)));
    }

    /** On a closed chanter, the hole that makes the note and that one finger closes again. */
    private int opener() {
        Holes holes = way.holes();
        for (int hole = holes.first(); hole <= holes.count(); hole++) {
            if (holes.isOpen(hole) || hole > 0 && holes.isHalf(hole)) {
                return hole;
            }
        }
        throw new Hindrance(nothingBelow());
    }

    /** Two fingers on the two next open holes, the note's own lowest finger staying down. */
    private Gesture.Part slap(String ornament) {
        int hole = below();
        if (hole >= way.holes().count() || !way.holes().isOpen(hole) || !way.holes().isOpen(hole + 1)) {
            throw new Hindrance(new Obstacle.OneHoleBelow(pitch));
        }
        Fingering closed = new Fingering(way.holes().with(hole, 'x'), way.breath(), way.tapHole(), true, way.school(), way.remark());
        return new Gesture.Part(Move.SLAP, ornament, chart.closedFrom(hole + 1, pitch, closed).orElseThrow(() -> new Hindrance(nothingBelow())),
                new Means.Holes(List.of(hole, hole + 1)));
    }

    /** What closes the chanter: the finger that is up, or where all are down the chanter set back on the knee. */
    private Means closing(String ornament) {
        Holes holes = way.holes();
        boolean allDown = holes.fingersUp() == 0 && !holes.hasHalf();
        boolean ends = situation.vocabulary().byId(ornament).filter(o -> o.slot() == Slot.EXIT).isPresent();
        return allDown && ends ? Means.KNEE : new Means.Hole(opener());
    }

    private Pitch stepBelow() {
        return chart.stepBelow(pitch).orElse(pitch);
    }

    private Gesture.Part slide(String ornament) {
        Pitch below = chart.stepBelow(pitch).orElseThrow(() ->
                new Hindrance(new Obstacle.NoGlide(pitch, "nothing lies below it to start from")));
        if (stopped()) {
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
        return switch ((HelperNote.OnHoles) motion.helper()) {
            case HelperNote.Fork f -> fork(ornament);
            case HelperNote.Seesaw s -> seesaw(ornament);
            case HelperNote.Doubling d -> new Gesture.Part(Move.PASSING, ornament, doubling(), Means.STILL);
            case HelperNote.Through(Pitch through) -> new Gesture.Part(Move.PASSING, ornament, onInstrument(through), Means.STILL);
            case HelperNote.ByMusic other -> new Gesture.Part(Move.PASSING, ornament, byMusic(other), Means.STILL);
        };
    }

    private Gesture.Part seesaw(String ornament) {
        FingerWork.Seesaw shake = chart.work().seesaw(pitch).orElseThrow(() -> new Hindrance(new Obstacle.NoFork(pitch)));
        return new Gesture.Part(Move.PASSING, ornament, chart.work().above(pitch, shake.to()),
                new Means.Holes(List.of(shake.rises(), shake.falls())));
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
        Pitch upper = chart.work().above(pitch, turn.upper());
        List<Integer> moving = chart.ways(upper).stream()
                .filter(w -> w.holes().isClosed(turn.held()) && w.holes().isFork()).findFirst()
                .map(w -> java.util.stream.IntStream.rangeClosed(1, way.holes().count())
                        .filter(h -> way.holes().at(h) != w.holes().at(h)).boxed().toList())
                .orElse(List.of(turn.lifts()));
        return new Gesture.Part(Move.PASSING, ornament, upper,
                moving.size() == 1 ? new Means.Hole(moving.getFirst()) : new Means.Holes(moving));
    }

    private Gesture.Part grace(Motion motion, String ornament) {
        boolean byOneFinger = unbroken() && !(motion.helper() instanceof HelperNote.Through);
        Pitch grace = other(motion, ornament).pitch();
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
        Fingering landed = situation.plan().fingering(next().index()).orElse(chart.ways(to).getFirst());
        Pitch click = landed.holes().isClosed(landing.pops()) ? chart.openedFrom(landing.pops(), to, landed).orElse(null) : null;
        if (click == null) {
            throw new Hindrance(new Obstacle.NotDown(HowTo.finger(landing.pops()), to));
        }
        return new Gesture.Part(Move.POP, ornament, click, new Means.Hole(landing.pops()));
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
