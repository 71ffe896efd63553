package wildflourish.core.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tune;

/** A tune in another key: its notes, graces, key signatures and chord symbols, spelled as that key has them. */
public final class Moved {

    private static final int STEPS = 7;
    private static final int SEMITONES = 12;
    private static final Pattern CHORD = Pattern.compile("([A-G])([#b]?)([^/]*)(?:/([A-G])([#b]?)(.*))?");

    private Moved() {}

    /**
     * The interval by which a key is moved so many semitones into the key with the fewest signs; of two with as many, the one with flats.
     *
     * @param semitones upward, negative downward
     */
    public static Interval interval(Key key, int semitones) {
        if (semitones == 0) {
            return Interval.NONE;
        }
        Pitch tonic = key.open() ? new Pitch(Step.C, 0, 4) : key.tonicPitch();
        int octaves = Math.floorDiv(semitones, SEMITONES);
        int within = Math.floorMod(semitones, SEMITONES);
        // An octave is the same key, however its tonic is spelled.
        int steps = within == 0 ? 0 : IntStream.range(0, STEPS + 1).filter(s -> isSpelled(tonic, s, within)).boxed()
                .min(Comparator.comparingInt((Integer s) -> Math.abs(fifths(key, tonic, s, within))).thenComparingInt(s -> fifths(key, tonic, s, within))).orElseThrow();
        return new Interval(steps + STEPS * octaves, semitones);
    }

    /** Whether the tonic so many steps and semitones up is a letter with one sign at most. */
    private static boolean isSpelled(Pitch tonic, int steps, int semitones) {
        Pitch there = tonic.plus(new Interval(steps, semitones));
        return there.diatonic() - tonic.diatonic() == steps && Math.abs(there.alter()) <= 1;
    }

    private static int fifths(Key key, Pitch tonic, int steps, int semitones) {
        Pitch there = tonic.plus(new Interval(steps, semitones));
        return Key.of(there.step(), there.alter(), key.mode()).fifths();
    }

    /** A key moved by an interval. */
    public static Key by(Key key, Interval interval) {
        if (interval.equals(Interval.NONE)) {
            return key;
        }
        Map<Step, Integer> explicit = new EnumMap<>(Step.class);
        key.explicit().forEach((step, alter) -> {
            Pitch there = new Pitch(step, alter, 4).plus(interval);
            explicit.put(there.step(), there.alter());
        });
        if (key.open()) {
            return new Key(key.tonic(), key.tonicAlter(), key.mode(), explicit, true);
        }
        Pitch tonic = key.tonicPitch().plus(interval);
        return new Key(tonic.step(), tonic.alter(), key.mode(), explicit, false);
    }

    /** A tune so many semitones up or down. */
    public static Tune by(Tune tune, int semitones) {
        return by(tune, interval(tune.head().key(), semitones));
    }

    /**
     * A tune moved by an interval: there and back is the same tune.
     *
     * @throws IllegalArgumentException where a note would leave the octaves from 0 to 9, or want more than two signs
     */
    public static Tune by(Tune tune, Interval interval) {
        if (interval.equals(Interval.NONE)) {
            return tune;
        }
        Head h = tune.head();
        Head head = new Head(h.number(), h.titles(), h.composers(), h.rhythm(), h.meter(), h.unit(), h.tempo(), by(h.key(), interval), h.order(), h.fields());
        List<Bar> bars = new ArrayList<>();
        for (Bar bar : tune.bars()) {
            List<Element> elements = new ArrayList<>();
            for (Element element : bar.elements()) {
                elements.add(by(element, interval));
            }
            bars.add(bar.withElements(elements));
        }
        return new Tune(head, tune.opening(), bars);
    }

    private static Element by(Element element, Interval interval) {
        return switch (element) {
            case Note n -> n.withPitches(n.pitches().stream().map(p -> p.plus(interval)).toList()).withMarks(by(n.marks(), interval));
            case Rest r -> new Rest(r.length(), r.visible(), r.wholeBar(), r.tuplet(), by(r.marks(), interval));
            case Change c -> new Change(c.key().map(k -> by(k, interval)), c.meter(), c.tempo());
        };
    }

    /** A ladder of a tune that is moved: its variations are moved too. */
    public static Ladder by(Ladder ladder, Interval interval) {
        return new Ladder(ladder.rungs().stream().map(r -> r.with(by(r.setting(), interval))).toList());
    }

    private static Setting by(Setting setting, Interval interval) {
        SortedMap<Integer, Variation> varied = new TreeMap<>();
        setting.variations().forEach((from, v) -> varied.put(from, new Variation(v.from(), v.to(), v.kind(), v.notes().stream().map(e -> by(e, interval)).toList())));
        return new Setting(setting.byNote(), varied);
    }

    private static Marks by(Marks marks, Interval interval) {
        return new Marks(marks.decorations(), marks.graces().stream().map(g -> g.plus(interval)).toList(), marks.slashed(),
                marks.chord().map(c -> chord(c, interval)), marks.annotations());
    }

    /** A chord symbol moved by an interval; words that are none stay. */
    static String chord(String symbol, Interval interval) {
        Matcher chord = CHORD.matcher(symbol);
        if (!chord.matches()) {
            return symbol;
        }
        String bass = chord.group(4) == null ? "" : "/" + root(chord.group(4), chord.group(5), interval) + chord.group(6);
        return root(chord.group(1), chord.group(2), interval) + chord.group(3) + bass;
    }

    private static String root(String letter, String sign, Interval interval) {
        Pitch there = Pitch.parse(letter + sign + "4").plus(interval);
        return there.step() + (there.alter() < 0 ? "b".repeat(-there.alter()) : "#".repeat(there.alter()));
    }
}
