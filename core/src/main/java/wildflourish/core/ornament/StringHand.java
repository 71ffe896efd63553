package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.DoubleStop;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.Place.Stopped;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline.Stand;

/** Fingers on strings under a bow, a plectrum or the other hand's fingers. */
final class StringHand extends Hand {

    private final Stopped at;
    private final Neck neck;
    private int strokes;
    private int lastString;

    StringHand(Situation situation, Stand stand, Stopped at) {
        super(situation, stand);
        this.at = at;
        this.neck = (Neck) situation.instrument().layout();
        this.lastString = at.index();
    }

    @Override
    Gesture.Part part(Motion motion, String ornament) {
        Move move = motion.move();
        return switch (move) {
            case SOUND, TOUCH, BREATH, SWELL, TONGUE -> still(move, ornament);
            case SLUR -> slur(ornament);
            case WAVER -> new Gesture.Part(move, ornament, pitch, new Means.Finger(stopped("vibrate")));
            case STROKE -> stroke((HelperNote.Struck) motion.helper(), ornament);
            case GRACE, CUT, TAP, PASSING, PULL, HAMMER -> onOwnString(motion, ornament);
            case SLIDE -> slide(motion, ornament);
            case BEND -> new Gesture.Part(move, ornament, other(motion), new Means.Finger(stopped("bend")));
            case FALL -> new Gesture.Part(move, ornament, other(motion), new Means.Finger(stopped("slide away")));
            case CRAN_CUT, POP, SLAP, OVERLAP, CLOSE, COMPANY -> throw cannot(move);
        };
    }

    private Gesture.Part slur(String ornament) {
        if (before().pitch().midi() == pitch.midi()) {
            throw new Hindrance(new Obstacle.WrongNoteBefore("two equal notes in one bow run together"));
        }
        return still(Move.SLUR, ornament);
    }

    private Stopped stopped(String wanted) {
        if (at.isOpen()) {
            throw new Hindrance(new Obstacle.OpenString(pitch, wanted));
        }
        return at;
    }

    private Gesture.Part stroke(HelperNote.Struck helper, String ornament) {
        int nth = strokes++;
        lastString = index(helper);
        if (helper instanceof HelperNote.Itself) {
            return new Gesture.Part(Move.STROKE, ornament, pitch, new Means.Stroke(nth));
        }
        Neck.OpenString string = neck.strings().get(lastString);
        if (!(helper instanceof HelperNote.OwnOpenString) && !Harmony.isInKey(stand.key(), string.open())) {
            throw new Hindrance(new Obstacle.DroneOutOfKey(string.open(), stand.key().spoken(), remedy(string)));
        }
        return new Gesture.Part(Move.STROKE, ornament, string.open(), new Means.Stroke(nth));
    }

    /** The capo that takes a string to the tonic or the fifth of the key, if one of the low frets does, or another tuning. */
    private String remedy(Neck.OpenString string) {
        Pitch tonic = stand.key().tonicPitch();
        for (int fret = 1; fret <= 5 && situation.instrument().takesCapo(); fret++) {
            int above = Math.floorMod(string.open().midi() + fret - tonic.midi(), 12);
            if (above == 0 || above == 7) {
                return "put the capo %d frets higher, or tune the string to %s".formatted(fret, tonic.spoken());
            }
        }
        return "tune the string to " + tonic.spoken();
    }

    /**
     * The string that is struck, from 0; an open one is never the one that the note lies on, and never the one just plucked, which
     * still rings.
     */
    private int index(HelperNote.Struck helper) {
        int first = neck.strings().size() - 1;
        int index = switch (helper) {
            case HelperNote.FirstString f -> free(first);
            case HelperNote.ShortString s -> 0;
            case HelperNote.StringNearer(int places) -> free(Math.min(first, at.index() + places));
            case HelperNote.OwnOpenString o -> at.index();
            case HelperNote.Itself i -> at.index();
        };
        boolean isShort = neck.strings().get(index).isShort();
        boolean own = helper instanceof HelperNote.OwnOpenString || helper instanceof HelperNote.Itself;
        if (index == at.index() && !own || helper instanceof HelperNote.ShortString && !isShort) {
            throw new Hindrance(new Obstacle.NoSecondNote("open string", "the melody lies on it"));
        }
        return index;
    }

    /** A string that is neither the melody's nor the one just plucked: the one named, else the next below it. */
    private int free(int named) {
        int index = named;
        while (index > 0 && (index == at.index() || index == lastString)) {
            index--;
        }
        return index;
    }

    /** Another note, by a finger on the string that sounds. */
    private Gesture.Part onOwnString(Motion motion, String ornament) {
        Move move = motion.move();
        if (motion.helper() instanceof HelperNote.OwnOpenString) {
            stopped("pull off");
            return new Gesture.Part(move, ornament, neck.strings().get(at.index()).open(), new Means.Finger(at));
        }
        if (move == Move.PASSING) {
            Pitch wanted = other(motion);
            Stopped there = find(wanted, p -> true).or(() -> anywhere(wanted)).orElseThrow(() ->
                    new Hindrance(new Obstacle.NotOnString(wanted, at.string())));
            return new Gesture.Part(move, ornament, wanted, new Means.Finger(there));
        }
        Pitch wanted = motion.helper() instanceof HelperNote.FingerAbove
                ? onInstrument(stand.key().step(pitch, school("roll-finger").equals("one-after") ? 2 : 1))
                : motion.helper() instanceof HelperNote.FingerBelow ? below() : other(motion);
        boolean up = wanted.midi() > pitch.midi();
        if (!up && at.isOpen()) {
            throw new Hindrance(new Obstacle.OpenString(pitch, move == Move.PULL ? "pull off" : "go below it"));
        }
        Stopped there = find(wanted, p -> up ? p.finger() > at.finger() : p.isOpen() || p.finger() < at.finger())
                .orElseThrow(() -> new Hindrance(new Obstacle.NotOnString(wanted, at.string())));
        // A finger pulled off or falling is the note's own; a grace above is the helper's.
        return new Gesture.Part(move, ornament, wanted,
                new Means.Finger(move == Move.PULL || move == Move.HAMMER && !at.isOpen() ? at : there));
    }

    private Pitch other(Motion motion) {
        return switch ((HelperNote.OnStrings) motion.helper()) {
            case HelperNote.OwnOpenString o -> neck.strings().get(at.index()).open();
            case HelperNote.ByMusic helper -> byMusic(helper);
        };
    }

    private Pitch below() {
        if (at.isOpen()) {
            throw new Hindrance(new Obstacle.OpenString(pitch, "go below it"));
        }
        return onInstrument(stand.key().step(pitch, -1));
    }

    private Optional<Stopped> find(Pitch wanted, java.util.function.Predicate<Stopped> fits) {
        return neck.places(wanted).stream().map(Stopped.class::cast)
                .filter(p -> p.index() == at.index() && (p.isOpen() || p.shift() == at.shift()))
                .filter(fits)
                .min(Comparator.comparingInt(Stopped::strain));
    }

    private Optional<Stopped> anywhere(Pitch wanted) {
        return neck.places(wanted).stream().map(Stopped.class::cast)
                .filter(p -> Math.abs(p.index() - at.index()) <= 1 && (p.isOpen() || p.shift() == at.shift()))
                .findFirst();
    }

    private Gesture.Part slide(Motion motion, String ornament) {
        if (at.isOpen()) {
            throw new Hindrance(new Obstacle.NoGlide(pitch, "it is an open string here"));
        }
        Pitch from = motion.helper() instanceof HelperNote.Semitones(int semitones)
                ? Pitch.ofMidi(pitch.midi() + semitones) : other(motion);
        if (from.midi() < neck.strings().get(at.index()).open().midi() + (at.fretted() ? 1 : 0)) {
            throw new Hindrance(new Obstacle.NoGlide(pitch, "no place lies below it on its string"));
        }
        return new Gesture.Part(Move.SLIDE, ornament, from, new Means.Finger(at));
    }

    @Override
    List<Gesture.Part> company(Motion motion, String ornament) {
        List<Stopped> found = switch ((HelperNote.AlongStrings) motion.helper()) {
            case HelperNote.OpenString o -> neighbours(p -> p.isOpen() && Harmony.isDrone(stand.key(), openPitch(p), pitch), openPitches(),
                    "open string that sounds well with " + pitch.spoken());
            case HelperNote.Itself i -> neighbours(p -> true, List.of(pitch), "unison");
            case HelperNote.Octave o -> neighbours(p -> true, List.of(pitch.octavesUp(-1), pitch.octavesUp(1)), "octave");
            case HelperNote.Steps(int steps) -> neighbours(p -> true, List.of(stand.key().step(pitch, steps)), interval(steps));
            case HelperNote.Across a -> across();
            case HelperNote.Before b -> kept();
            case HelperNote.Drone d -> neighbours(p -> true, Harmony.drones(stand), "drone");
            case HelperNote.Chord c -> chord();
        };
        return found.stream().map(p -> new Gesture.Part(motion.move(), ornament, sounding(p), new Means.Finger(p))).toList();
    }

    private static String interval(int steps) {
        return switch (steps) {
            case 2, -2 -> "third";
            case 5, -5 -> "sixth";
            default -> "second note";
        };
    }

    private List<Pitch> openPitches() {
        // The key decides before the interval: its tonic, its fifth, then its other notes.
        return neck.strings().stream().map(Neck.OpenString::open).filter(p -> Harmony.isInKey(stand.key(), p))
                .sorted(Comparator.comparingInt((Pitch p) -> Harmony.rank(stand.key(), p)).thenComparing(Harmony.sweetestWith(pitch))).toList();
    }

    private Pitch openPitch(Stopped place) {
        return neck.strings().get(place.index()).open();
    }

    private Pitch sounding(Stopped place) {
        Pitch open = openPitch(place);
        if (place.isOpen()) {
            return open;
        }
        int midi = open.midi() + place.above();
        Pitch plain = Pitch.ofMidi(midi);
        // Spelled as the key spells it, where the key has the note.
        for (int steps = -12; steps <= 12; steps++) {
            Pitch inKey = stand.key().step(pitch, steps);
            if (inKey.midi() == midi) {
                return inKey;
            }
        }
        return plain;
    }

    /** One place for the first of the wanted pitches that the hand can hold on a neighbouring string. */
    private List<Stopped> neighbours(java.util.function.Predicate<Stopped> fits, List<Pitch> wanted, String name) {
        boolean apart = false;
        for (Pitch other : wanted) {
            for (Place place : neck.places(other)) {
                Stopped there = (Stopped) place;
                if (!fits.test(there) || there.index() == at.index()) {
                    continue;
                }
                if (!reaches(there)) {
                    apart = true;
                } else if (DoubleStop.canHold(at, there)) {
                    return List.of(there);
                }
            }
        }
        throw new Hindrance(new Obstacle.NoSecondNote(name, apart
                ? "it does not lie on a neighbouring string" : "one hand cannot hold both"));
    }

    /** Bow and plectrum take neighbouring strings; the plucking hand's fingers any. */
    private boolean reaches(Stopped there) {
        return neck.strokes().equals("fingers") || Math.abs(there.index() - at.index()) == 1;
    }

    private List<Stopped> across() {
        if (at.isOpen()) {
            throw new Hindrance(new Obstacle.OpenString(pitch, "lay across"));
        }
        for (int index : new int[] {at.index() - 1, at.index() + 1}) {
            if (index >= 0 && index < neck.strings().size() && !neck.strings().get(index).isShort()) {
                Pitch there = Pitch.ofMidi(neck.strings().get(index).open().midi() + at.above());
                for (Place place : neck.places(there)) {
                    Stopped stopped = (Stopped) place;
                    if (stopped.index() == index && stopped.finger() == at.finger() && DoubleStop.canHold(at, stopped)
                            && Harmony.isSweet(there, pitch)) {
                        return List.of(stopped);
                    }
                }
            }
        }
        throw new Hindrance(new Obstacle.NoSecondNote("finger across two strings", "no string lies beside it"));
    }

    /** The finger of the note before, left down while this one sounds on the next string. */
    private List<Stopped> kept() {
        Stand before = before();
        if (situation.plan().at(before.index()) instanceof Stopped stopped && reaches(stopped)
                && DoubleStop.canHold(at, stopped) && Harmony.isSweet(before.pitch(), pitch)) {
            return List.of(stopped);
        }
        throw new Hindrance(new Obstacle.WrongNoteBefore(
                "the note before does not lie on a neighbouring string where it could be left down and sound well"));
    }

    /** Up to two further strings with notes of the chord, below the melody if the hand can hold them. */
    private List<Stopped> chord() {
        List<Pitch> notes = Harmony.near(pitch, Harmony.chord(stand)).stream()
                .filter(p -> Math.floorMod(p.midi() - pitch.midi(), 12) != 0 || p.midi() != pitch.midi()).toList();
        for (int direction : new int[] {-1, 1}) {
            List<Stopped> held = new ArrayList<>();
            for (int step = 1; step <= 2; step++) {
                int index = at.index() + direction * step;
                Optional<Stopped> next = notes.stream()
                        .flatMap(p -> neck.places(p).stream()).map(Stopped.class::cast)
                        .filter(p -> p.index() == index && DoubleStop.canHold(at, p)
                                && held.stream().allMatch(h -> DoubleStop.canHold(h, p)))
                        .min(Comparator.comparing((Stopped p) -> !p.isOpen()).thenComparingInt(Stopped::strain)
                                .thenComparingInt(Stopped::above));
                if (next.isEmpty()) {
                    break;
                }
                held.add(next.get());
            }
            if (!held.isEmpty()) {
                return held;
            }
        }
        throw new Hindrance(new Obstacle.NoSecondNote("chord", "no note of it lies under the hand on the next string"));
    }
}
