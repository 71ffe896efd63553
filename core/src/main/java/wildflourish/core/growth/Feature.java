package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.reading.Phrase;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/** What makes a note a good place for an ornament (common practice). */
public enum Feature {
    /** Worth two quavers or more. */
    LONG,
    /** Worth three quavers or more. */
    HELD,
    /** The same pitch as the note just before it. */
    REPEATED,
    /** On the first beat or in the middle of the bar. */
    ACCENTED,
    /** A step above the note before it. */
    RISING_STEP,
    /** A step below the note before it. */
    FALLING_STEP,
    /** A fourth or more above the note before it. */
    LEAP,
    /** The next note is a third above. */
    RISING_THIRD,
    /** The next note is a third below. */
    FALLING_THIRD,
    /** The next note is a step below. */
    FALLING,
    /** The first accented note of a part. */
    PART_START,
    /** The last note of a phrase that goes on to another. */
    PHRASE_END,
    /** The last note of a phrase, also of the tune's last one. */
    LAST,
    /** The long note of a snap: three times as long as the short one on the beat before it, or longer. */
    SNAP,
    /** The last note of a phrase, two quavers or more, on the tonic or the fifth: the tune comes to rest. */
    CADENCE;

    private static final String[] WORDS = java.util.Arrays.stream(values())
            .map(f -> f.name().toLowerCase(Locale.ROOT).replace('_', ' ')).toArray(String[]::new);
    private static final int FIFTH = 7;
    private static final Ratio TWO_QUAVERS = Ratio.of(1, 4);
    private static final Ratio THREE_QUAVERS = Ratio.of(3, 8);

    /** As the data files write it: {@code rising step}. */
    public String word() {
        return WORDS[ordinal()];
    }

    /** The features of every note, by its index. */
    public static List<Set<Feature>> of(Timeline tune, List<Phrase> phrases) {
        List<Set<Feature>> all = new ArrayList<>();
        for (Stand stand : tune.notes()) {
            all.add(of(stand, tune));
        }
        for (int p = 0; p < phrases.size(); p++) {
            Phrase phrase = phrases.get(p);
            int last = phrase.lastNote();
            while (last > phrase.fromNote() && tune.note(last).heldOver()) {
                last--;
            }
            if (!tune.note(last).heldOver()) {
                all.get(last).add(LAST);
                if (p + 1 < phrases.size()) {
                    all.get(last).add(PHRASE_END);
                }
            }
            if (comesToRest(tune.note(last))) {
                all.get(last).add(CADENCE);
            }
            if (phrase.firstOfPart()) {
                for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
                    if (all.get(n).contains(ACCENTED)) {
                        all.get(n).add(PART_START);
                        break;
                    }
                }
            }
        }
        return all;
    }

    private static boolean comesToRest(Stand stand) {
        Pitch tonic = stand.key().tonicPitch();
        int above = Math.floorMod(stand.pitch().midi() - tonic.midi(), 12);
        return !stand.heldOver() && !stand.sounding().isLess(TWO_QUAVERS) && (above == 0 || above == FIFTH);
    }

    private static Set<Feature> of(Stand stand, Timeline tune) {
        Set<Feature> found = EnumSet.noneOf(Feature.class);
        if (stand.heldOver()) {
            return found;
        }
        if (!stand.sounding().isLess(TWO_QUAVERS)) {
            found.add(LONG);
        }
        if (!stand.sounding().isLess(THREE_QUAVERS)) {
            found.add(HELD);
        }
        if (stand.strength() >= 2) {
            found.add(ACCENTED);
        }
        Optional<Stand> before = tune.before(stand.index())
                .filter(b -> b.onset().plus(b.sounding()).equals(stand.onset()));
        if (before.isPresent()) {
            Ratio thrice = before.get().sounding().times(Ratio.of(3, 1));
            if (before.get().strength() > 0 && !stand.sounding().isLess(thrice) && before.get().sounding().isLess(TWO_QUAVERS)) {
                found.add(SNAP);
            }
            int rise = stand.pitch().midi() - before.get().pitch().midi();
            int steps = stand.pitch().diatonic() - before.get().pitch().diatonic();
            if (rise == 0) {
                found.add(REPEATED);
            } else if (steps == 1) {
                found.add(RISING_STEP);
            } else if (steps == -1) {
                found.add(FALLING_STEP);
            } else if (rise >= 5) {
                found.add(LEAP);
            }
        }
        Optional<Stand> next = tune.after(stand.index())
                .filter(n -> stand.onset().plus(stand.sounding()).equals(n.onset()));
        if (next.isPresent()) {
            switch (next.get().pitch().diatonic() - stand.pitch().diatonic()) {
                case 2 -> found.add(RISING_THIRD);
                case -2 -> found.add(FALLING_THIRD);
                case -1 -> found.add(FALLING);
                default -> { }
            }
        }
        return found;
    }
}
