package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline.Stand;

/** What sounds well with a note: the chord of its place, and which intervals a drone may make with it. */
final class Harmony {

    /**
     * @param consonance semitones within the octave, the best first; those not named are avoided
     * @param degrees degrees of the scale on which to look for a triad that holds the note, the first choice first
     */
    record Rules(String provenance, List<Integer> consonance, List<Integer> degrees) {}

    private static final Rules RULES = DataFile.read("ornaments/harmony.json", Rules.class);
    private static final Pattern SYMBOL = Pattern.compile("([A-G])([#b]?)(m|min|-|dim)?(?!aj).*");

    private Harmony() {}

    /** How well two pitches sound together: 0 is best; empty of meaning but for comparing. */
    static int roughness(Pitch a, Pitch b) {
        int at = RULES.consonance().indexOf(Math.floorMod(a.midi() - b.midi(), 12));
        return at < 0 ? RULES.consonance().size() : at;
    }

    /** Whether two pitches may sound on together. */
    static boolean isSweet(Pitch a, Pitch b) {
        return roughness(a, b) < RULES.consonance().size();
    }

    /** Whether an open string may ring on under a note: it sounds well with it, and under the tonic it is the tonic or its fifth. */
    static boolean isDrone(Key key, Pitch string, Pitch note) {
        boolean onTonic = !key.open() && Math.floorMod(note.midi() - key.tonicPitch().midi(), 12) == 0;
        return isSweet(string, note) && (!onTonic || rank(key, string) < 2);
    }

    static Comparator<Pitch> sweetestWith(Pitch pitch) {
        return Comparator.comparingInt((Pitch p) -> roughness(p, pitch)).thenComparingInt(p -> Math.abs(p.midi() - pitch.midi()));
    }

    /** Whether a pitch is of the scale of a key; every one is where no key is written. */
    static boolean isInKey(Key key, Pitch pitch) {
        if (key.open()) {
            return true;
        }
        for (int step = 0; step < 7; step++) {
            if (Math.floorMod(key.step(key.tonicPitch(), step).midi() - pitch.midi(), 12) == 0) {
                return true;
            }
        }
        return false;
    }

    /** How near a pitch is to a key: its tonic 0, its fifth 1, any other 2. */
    static int rank(Key key, Pitch pitch) {
        int above = Math.floorMod(pitch.midi() - key.tonicPitch().midi(), 12);
        return above == 0 ? 0 : above == 7 ? 1 : 2;
    }

    /** The notes of the chord at a place, in no particular octave: the written one, else the first of the key's that fits. */
    static List<Pitch> chord(Stand stand) {
        return stand.note().marks().chord().map(Harmony::named).filter(c -> !c.isEmpty())
                .orElseGet(() -> ofKey(stand.key(), stand.pitch()));
    }

    private static List<Pitch> named(String symbol) {
        Matcher matcher = SYMBOL.matcher(symbol);
        if (!matcher.matches()) {
            return List.of();
        }
        int alter = matcher.group(2).equals("#") ? 1 : matcher.group(2).equals("b") ? -1 : 0;
        Pitch root = new Pitch(Step.valueOf(matcher.group(1)), alter, 4);
        boolean minor = matcher.group(3) != null;
        boolean diminished = "dim".equals(matcher.group(3));
        return List.of(root, root.plus(new Interval(2, minor ? 3 : 4)), root.plus(new Interval(4, diminished ? 6 : 7)));
    }

    private static List<Pitch> ofKey(Key key, Pitch pitch) {
        for (int degree : RULES.degrees()) {
            List<Pitch> triad = triad(key, key.step(key.tonicPitch(), degree - 1));
            if (triad.stream().anyMatch(p -> Math.floorMod(p.midi() - pitch.midi(), 12) == 0)) {
                return triad;
            }
        }
        return triad(key, pitch);
    }

    private static List<Pitch> triad(Key key, Pitch root) {
        return List.of(root, key.step(root, 2), key.step(root, 4));
    }

    /** Every octave of some notes that lies within two octaves of a pitch. */
    static List<Pitch> near(Pitch pitch, List<Pitch> notes) {
        List<Pitch> all = new ArrayList<>();
        for (Pitch note : notes) {
            for (int octave = -4; octave <= 4; octave++) {
                Pitch there = note.octavesUp(octave);
                if (Math.abs(there.midi() - pitch.midi()) <= 24) {
                    all.add(there);
                }
            }
        }
        return all;
    }

    /** Tonic and fifth of a key near a pitch, the tonic first, below before above, as far as they sound well with it. */
    static List<Pitch> drones(Stand stand) {
        Key key = stand.key();
        Pitch pitch = stand.pitch();
        return near(pitch, List.of(key.tonicPitch(), key.step(key.tonicPitch(), 4))).stream()
                .filter(p -> p.midi() != pitch.midi() && isSweet(p, pitch))
                .sorted(Comparator.comparingInt((Pitch p) -> rank(key, p))
                        .thenComparing(p -> p.midi() > pitch.midi())
                        .thenComparingInt(p -> Math.abs(p.midi() - pitch.midi())))
                .toList();
    }
}
