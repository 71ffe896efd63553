package wildflourish.core.instrument;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;

/**
 * A way of holding notes: everything that tells one from another, and the names of the files that have the rest. From the data
 * file {@code families.json}.
 *
 * @param id its name in data files: {@code open-hole}
 * @param hands what its notes are held by
 * @param holes finger holes, without the thumb's; 0 for other hands
 * @param thumb whether there is a hole for the thumb
 * @param pinches whether the thumb's hole is half closed for the upper octave
 * @param overblows whether the upper octave is made by the breath
 * @param frets whether its strings run over frets; without them they are bowed
 * @param twoWay whether a button sounds two notes, one for each way of the bellows
 * @param blown whether its players blow and have to breathe
 * @param tone how a note begins, and what can come between it and the one before
 * @param chartRule a rule that its charts keep besides those of all charts
 * @param vocabulary the file of its ornaments; empty where no hands play
 * @param taste the file of its taste; empty where the strokes of the instrument say which
 * @param weights the file that weighs its places; empty where no hands play
 * @param voice the voice of its instruments that name none
 */
public record Family(
        String id, Held hands, int holes, boolean thumb, boolean pinches, boolean overblows, boolean frets, boolean twoWay,
        boolean blown, Tone tone, Optional<ChartRule> chartRule, Optional<String> vocabulary, Optional<String> taste, Optional<String> weights, String voice, Touch touch) {

    /** By what notes are held. */
    public enum Held { NONE, HOLES, STRINGS, BUTTONS }

    /** How notes begin. */
    public enum Tone {
        /** The breath sounds on under the fingers, and the tongue divides it: whistles, flutes, recorders. */
        TONGUED,
        /** Nothing ever stops it: pipes blown by the mouth. */
        UNBROKEN,
        /** All holes closed stop it: pipes that stand on the knee. */
        STOPPED,
        /** By strokes of a bow or a plectrum. */
        STRUCK,
        /** As long as a button is held. */
        REEDS
    }

    /**
     * How its sounds follow one another.
     *
     * @param gapMs a sound that is started afresh is preceded by so much of an ending
     * @param joinMs how long the pitch takes to the next note under the fingers
     */
    public record Touch(Kind kind, double gapMs, double joinMs) {

        /** How many sounds there are at once, and what tells them apart. */
        public enum Kind {
            /** One sound at a time. */
            PIPE,
            /** Strings that sound as long as the bow is on them. */
            BOW,
            /** Strings that ring on until they are stopped. */
            PLUCK,
            /** As many sounds as buttons are held. */
            REED
        }
    }

    /** A rule that the charts of a family keep besides those of all charts. */
    enum ChartRule { SCALE_FROM_BELOW, FEW_FINGERS_UP, THUMB_STAYS_OPEN }

    /** Whether its holes, opened from below, are the scale that its players think in, whatever key it is made in. */
    boolean opensIntoItsScale() {
        return chartRule.equals(Optional.of(ChartRule.SCALE_FROM_BELOW));
    }

    /** A family as its file has it; what is not there is not so. */
    record Row(
            String id, String hands, Integer holes, Boolean thumb, Boolean pinches, Boolean overblows, Boolean frets, Boolean twoWay,
            Boolean blown, String tone, String chartRule, String vocabulary, String taste, String weights, String voice, TouchRow touch) {

        Family build(String file) {
            String missing = missing();
            if (!missing.isEmpty()) {
                throw new DataFault("%s: family '%s' field %s: is missing".formatted(file, id, missing));
            }
            try {
                return new Family(id, word(Held.class, hands), holes == null ? 0 : holes, is(thumb), is(pinches), is(overblows), is(frets),
                        is(twoWay), is(blown), word(Tone.class, tone), Optional.ofNullable(chartRule).map(r -> word(ChartRule.class, r)),
                        Optional.ofNullable(vocabulary), Optional.ofNullable(taste), Optional.ofNullable(weights), voice,
                        new Touch(word(Touch.Kind.class, touch.kind()), touch.gapMs(), touch.joinMs()));
            } catch (IllegalArgumentException e) {
                throw new DataFault("%s: family '%s': %s".formatted(file, id, e.getMessage()));
            }
        }

        private String missing() {
            boolean held = !"none".equals(hands);
            return id == null ? "id" : hands == null ? "hands" : tone == null ? "tone" : voice == null ? "voice"
                    : touch == null ? "touch" : held && vocabulary == null ? "vocabulary" : held && weights == null ? "weights"
                    : held && taste == null && !"strings".equals(hands) ? "taste" : "holes".equals(hands) && holes == null ? "holes" : "";
        }

        private static boolean is(Boolean value) {
            return Boolean.TRUE.equals(value);
        }

        private static <E extends Enum<E>> E word(Class<E> kind, String word) {
            for (E one : kind.getEnumConstants()) {
                if (one.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(word)) {
                    return one;
                }
            }
            throw new IllegalArgumentException("'%s' is none of %s".formatted(word,
                    Arrays.toString(kind.getEnumConstants()).toLowerCase(Locale.ROOT).replace('_', '-')));
        }
    }

    record TouchRow(String kind, double gapMs, double joinMs) {}

    record File(String provenance, List<Row> families) {}

    private static final String FILE = "families.json";
    private static volatile Map<String, Family> all = with(FILE, List.of());

    /** In the order of the file; the first is that of no instrument. */
    public static List<Family> all() {
        return List.copyOf(all.values());
    }

    /** The family of a data file's name; throws {@link IllegalArgumentException} when there is none. */
    public static Family known(String id) {
        Family family = all.get(id);
        if (family == null) {
            throw new IllegalArgumentException("there is no family '%s'; there are %s".formatted(id, String.join(", ", all.keySet())));
        }
        return family;
    }

    /**
     * Takes in the families of another file, beside those there are.
     *
     * @throws DataFault naming the file, and the field that is wrong
     */
    public static synchronized void add(String file) {
        all = with(file, all());
    }

    private static Map<String, Family> with(String file, List<Family> known) {
        Map<String, Family> byId = new LinkedHashMap<>();
        known.forEach(f -> byId.put(f.id, f));
        for (Row row : DataFile.read(file, File.class).families()) {
            Family family = row.build(file);
            if (byId.put(family.id, family) != null) {
                throw new DataFault("%s: family '%s' field id: is there twice".formatted(file, family.id));
            }
        }
        return byId;
    }

    /** Whether anybody plays: false for the tune as written. */
    public boolean hasHands() {
        return hands != Held.NONE;
    }
}
