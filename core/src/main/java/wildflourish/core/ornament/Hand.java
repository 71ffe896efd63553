package wildflourish.core.ornament;

import java.util.List;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Place;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline.Stand;

/** How one way of holding notes makes the elementary parts of an ornament on one note. */
abstract class Hand {

    final Situation situation;
    final Stand stand;
    final Pitch pitch;

    Hand(Situation situation, Stand stand) {
        this.situation = situation;
        this.stand = stand;
        this.pitch = stand.pitch();
    }

    /** The hand that plays a note at a place. */
    static Hand of(Situation situation, Stand stand, Place place) {
        return switch (place) {
            case Place.Fingered f -> new HoleHand(situation, stand, f.fingering());
            case Place.Stopped s -> new StringHand(situation, stand, s);
            case Place.Pressed p -> new ButtonHand(situation, stand, p);
            case Place.AsWritten w -> throw new Hindrance(new Obstacle.NoHands());
            case Place.Missing(var why) -> throw new Hindrance(new Obstacle.NotOnInstrument(why));
        };
    }

    /** The part that a motion asks for; leaves with a {@link Hindrance} where the hand cannot do it. */
    abstract Gesture.Part part(Motion motion, String ornament);

    /** The notes that sound along. */
    abstract List<Gesture.Part> company(Motion motion, String ornament);

    /** Leaves with a {@link Hindrance} where the finger of a gesture's first part is still busy with the change of notes. */
    void checkStart(Gesture.Part first) {}

    Gesture.Part still(Move move, String ornament) {
        return new Gesture.Part(move, ornament, pitch, Means.STILL);
    }

    /** A movement that an ornament's file asks of a family that does not have it. */
    IllegalStateException cannot(Move move) {
        Family family = situation.instrument().family();
        return new IllegalStateException("the ornaments of '%s' ask for a %s, which its hands do not have".formatted(
                family.id(), move.words()));
    }

    /** The note that follows without a rest. */
    Stand next() {
        return situation.tune().after(stand.index())
                .filter(n -> n.onset().equals(stand.onset().plus(stand.sounding())))
                .orElseThrow(() -> new Hindrance(new Obstacle.NothingFollows()));
    }

    /** The note that goes before without a rest. */
    Stand before() {
        return situation.tune().before(stand.index())
                .filter(b -> b.onset().plus(b.sounding()).equals(stand.onset()))
                .orElseThrow(() -> new Hindrance(new Obstacle.NothingBefore()));
    }

    /** The note between this one and the next, which must be a third away. */
    Pitch between() {
        int steps = next().pitch().diatonic() - pitch.diatonic();
        if (Math.abs(steps) != 2) {
            throw new Hindrance(new Obstacle.NoThirdAhead());
        }
        return onInstrument(stand.key().step(pitch, steps / 2));
    }

    Pitch onInstrument(Pitch wanted) {
        if (!situation.instrument().has(wanted)) {
            throw new Hindrance(new Obstacle.NotOnInstrument(situation.instrument().whyMissing(wanted)));
        }
        return wanted;
    }

    /** The flattened third or seventh of the key, the one nearer to this note, below before above. */
    Pitch blue() {
        Pitch third = stand.key().tonicPitch().plus(new wildflourish.core.tune.Interval(2, 3));
        Pitch seventh = stand.key().tonicPitch().plus(new wildflourish.core.tune.Interval(6, 10));
        Pitch best = null;
        for (Pitch note : List.of(third, seventh)) {
            for (int octave = -3; octave <= 3; octave++) {
                Pitch there = note.octavesUp(octave);
                int away = Math.abs(there.midi() - pitch.midi());
                if (away > 0 && situation.instrument().has(there)
                        && (best == null || away < Math.abs(best.midi() - pitch.midi()))) {
                    best = there;
                }
            }
        }
        if (best == null) {
            throw new Hindrance(new Obstacle.NotOnInstrument("no blue note is on the " + situation.instrument().name()));
        }
        return best;
    }

    String school(String name) {
        return situation.instrument().school(name, situation.school());
    }

    /** The pitch of a helper that is found by music alone, without looking at the hand. */
    Pitch byMusic(HelperNote.ByMusic helper) {
        return switch (helper) {
            case HelperNote.Itself h -> pitch;
            case HelperNote.Steps(int steps) -> onInstrument(stand.key().step(pitch, steps));
            case HelperNote.Semitones(int semitones) -> onInstrument(Pitch.ofMidi(pitch.midi() + semitones));
            case HelperNote.Before h -> before().pitch();
            case HelperNote.Next h -> next().pitch();
            case HelperNote.Between h -> between();
            case HelperNote.Blue h -> blue();
            case HelperNote.Named(Pitch named) -> onInstrument(named);
            case HelperNote.FingerAbove h -> onInstrument(stand.key().step(pitch, 1));
            case HelperNote.FingerBelow h -> onInstrument(stand.key().step(pitch, -1));
        };
    }
}
