package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Place.Pressed;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline.Stand;

/** Fingers on the buttons of free reeds. Everything stays in the bellows direction of the note. */
final class ButtonHand extends Hand {

    /** Buttons by which two fingers of a hand may lie farther apart than their numbers say, from memory. */
    private static final double STRETCH = 2;
    /** Semitones within which the next button up, or the one below, still says the same as the scale neighbour; from memory. */
    private static final int NEXT_ABOVE = 5;
    private static final int NEXT_BELOW = 2;

    private static final int IN_TURN = 3;

    private final Pressed at;
    private final ButtonBoard board;
    private int strokes;

    ButtonHand(Situation situation, Stand stand, Pressed at) {
        super(situation, stand);
        this.at = at;
        this.board = (ButtonBoard) situation.instrument().layout();
    }

    @Override
    Gesture.Part part(Motion motion, String ornament) {
        Move move = motion.move();
        return switch (move) {
            case SOUND, TOUCH, SLUR, BREATH, SWELL -> still(move, ornament);
            case STROKE, TONGUE -> new Gesture.Part(move, ornament, pitch, new Means.Press(alternate(strokes++)));
            case GRACE -> grace((HelperNote.ByMusic) motion.helper(), ornament);
            case PASSING -> other(move, byMusic((HelperNote.ByMusic) motion.helper()), ornament);
            case WAVER, CUT, TAP, CRAN_CUT, SLIDE, BEND, FALL, POP, SLAP, OVERLAP, CLOSE, HAMMER, PULL, COMPANY ->
                throw cannot(move);
        };
    }

    /** The same button by three fingers in turn, or as many as reach it. */
    private Pressed alternate(int nth) {
        List<Pressed> others = board.places(pitch).stream().map(Pressed.class::cast)
                .filter(p -> p.button().isAlso(at.button()) && p.direction().equals(at.direction()) && p.finger() != at.finger())
                .sorted(Comparator.comparingInt(Pressed::strain)).limit(IN_TURN - 1).toList();
        int turn = nth % (others.size() + 1);
        return turn == 0 ? at : others.get(turn - 1);
    }

    /**
     * A grace: the scale neighbour where it lies in this bellows direction; else the next button up that does, or the semitone
     * below on the other row (common practice of the two-row boxes).
     */
    private Gesture.Part grace(HelperNote.ByMusic helper, String ornament) {
        try {
            return other(Move.GRACE, byMusic(helper), ornament);
        } catch (Hindrance e) {
            boolean above = helper instanceof HelperNote.Steps(int steps) && steps == 1;
            boolean below = helper instanceof HelperNote.Steps(int steps) && steps == -1;
            List<Pitch> near = board.pitches().stream()
                    .filter(p -> above ? p.midi() > pitch.midi() && p.midi() <= pitch.midi() + NEXT_ABOVE
                            : below && p.midi() < pitch.midi() && p.midi() >= pitch.midi() - NEXT_BELOW)
                    .sorted(Comparator.comparingInt(p -> Math.abs(p.midi() - pitch.midi()))).toList();
            for (Pitch other : near) {
                Optional<Pressed> there = board.places(other).stream().map(Pressed.class::cast)
                        .filter(p -> p.direction().equals(at.direction()) && canHold(at, p)).min(order());
                if (there.isPresent()) {
                    return new Gesture.Part(Move.GRACE, ornament, other, new Means.Press(there.get()));
                }
            }
            throw e;
        }
    }

    /** The nearest button first; a finger that has just played the note before is taken last. */
    private Comparator<Pressed> order() {
        return Comparator.comparing((Pressed p) -> isBusy(p)).thenComparingInt(Pressed::strain).thenComparingDouble(this::away);
    }

    private boolean isBusy(Pressed finger) {
        return situation.tune().before(stand.index())
                .filter(b -> b.onset().plus(b.sounding()).equals(stand.onset()))
                .filter(b -> situation.plan().at(b.index()) instanceof Pressed p && p.finger() == finger.finger()
                        && p.button().isOnTheSideOf(finger.button())).isPresent();
    }

    @Override
    void checkStart(Gesture.Part first) {
        boolean sameButton = first.means() instanceof Means.Press(var p) && first.move() == Move.GRACE && isBusy(p)
                && situation.tune().before(stand.index()).map(b -> situation.plan().at(b.index()))
                        .filter(q -> q instanceof Pressed before && before.button().isAlso(p.button())).isPresent();
        if (sameButton) {
            throw new Hindrance(new Obstacle.FingerJustMoved(HowTo.means(first.means()), true));
        }
    }

    private Gesture.Part other(Move move, Pitch helper, String ornament) {
        return new Gesture.Part(move, ornament, helper, new Means.Press(find(helper).getFirst()));
    }

    /** Where a helping note can be pressed in this bellows direction by a free finger, the nearest first. */
    private List<Pressed> find(Pitch helper) {
        List<Pressed> inDirection = board.places(helper).stream().map(Pressed.class::cast)
                .filter(p -> p.direction().equals(at.direction())).toList();
        if (inDirection.isEmpty()) {
            if (at.direction().isEmpty()) {
                throw new Hindrance(new Obstacle.NotOnInstrument(situation.instrument().whyMissing(helper)));
            }
            throw new Hindrance(new Obstacle.WrongBellows(helper, at.direction().get()));
        }
        List<Pressed> free = inDirection.stream().filter(p -> canHold(at, p))
                .sorted(order()).toList();
        if (free.isEmpty()) {
            throw new Hindrance(new Obstacle.NoFreeFinger(helper));
        }
        return free;
    }

    private double away(Pressed other) {
        return Math.abs(other.button().across() - at.button().across());
    }

    /** Whether two buttons lie under different fingers of a hand that need not stretch, or under different hands. */
    private boolean canHold(Pressed a, Pressed b) {
        Button one = a.button();
        Button two = b.button();
        if (one.isAlso(two)) {
            return false;
        }
        if (!one.isOnTheSideOf(two)) {
            return true;
        }
        if (a.finger() == b.finger()) {
            return false;
        }
        double buttons = (two.across() - one.across()) * (board.fingersRise(one) ? 1 : -1);
        double fingers = b.finger() - a.finger();
        return Math.abs(buttons - fingers) <= STRETCH;
    }

    @Override
    List<Gesture.Part> company(Motion motion, String ornament) {
        List<Pressed> found = switch ((HelperNote.Along) motion.helper()) {
            case HelperNote.Steps(int steps) -> first(List.of(stand.key().step(pitch, steps)),
                    Math.abs(steps) == 2 ? "third" : Math.abs(steps) == 5 ? "sixth" : "second note");
            case HelperNote.Octave o -> first(List.of(pitch.octavesUp(-1), pitch.octavesUp(1)), "octave");
            case HelperNote.Drone d -> first(Harmony.drones(stand), "drone note");
            case HelperNote.Before b -> first(List.of(before().pitch()), "note to hold on");
            case HelperNote.Chord c -> chord();
        };
        return found.stream().map(p -> new Gesture.Part(motion.move(), ornament,
                p.button().sounds(p.direction().orElse(wildflourish.core.instrument.Bellows.PUSH)),
                new Means.Press(p))).toList();
    }

    private List<Pressed> first(List<Pitch> wanted, String name) {
        Optional<Hindrance> last = Optional.empty();
        for (Pitch helper : wanted) {
            try {
                return List.of(find(helper).getFirst());
            } catch (Hindrance e) {
                last = Optional.of(e);
            }
        }
        if (wanted.size() == 1) {
            throw last.orElseThrow();
        }
        throw new Hindrance(new Obstacle.NoSecondNote(name, "none lies under a free finger in this bellows direction"));
    }

    private List<Pressed> chord() {
        List<Pitch> notes = Harmony.near(pitch, Harmony.chord(stand)).stream()
                .filter(p -> p.midi() < pitch.midi()).sorted(Comparator.comparing(Pitch::midi).reversed()).toList();
        List<Pressed> held = new ArrayList<>();
        for (Pitch note : notes) {
            board.places(note).stream().map(Pressed.class::cast)
                    .filter(p -> p.direction().equals(at.direction()) && canHold(at, p)
                            && held.stream().allMatch(h -> canHold(h, p)))
                    .min(Comparator.comparingInt(Pressed::strain).thenComparingDouble(this::away))
                    .filter(p -> held.size() < 2)
                    .ifPresent(held::add);
        }
        if (held.isEmpty()) {
            throw new Hindrance(new Obstacle.NoSecondNote("chord",
                    "no note of it lies under a free finger in this bellows direction"));
        }
        return held;
    }
}
