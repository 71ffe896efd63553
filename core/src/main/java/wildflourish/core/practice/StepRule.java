package wildflourish.core.practice;

import java.util.List;
import wildflourish.core.data.DataFile;

/**
 * When the tempo goes up and when it comes down again.
 *
 * @param evenUpTo greatest variation of an even pass, as {@link Evenness#variation}
 * @param driftUpTo greatest drift of an even pass, either way
 * @param wrongUpTo greatest share of missed and extra onsets of an even pass
 * @param passes so many even passes in a row lift the tempo
 * @param fallsApartFrom variation from which a pass has fallen apart
 * @param wrongFrom share of missed and extra onsets from which a pass has fallen apart
 * @param spokenFrom least share of the ornaments that speak in an even pass, where somebody listens
 * @param percent of the goal's tempo, ascending: the steps
 */
public record StepRule(
        String provenance, double evenUpTo, double driftUpTo, double wrongUpTo, int passes, double fallsApartFrom, double wrongFrom,
        double spokenFrom, List<Integer> percent) {

    /** The rule as it is before anybody changes it. */
    public static final StepRule USUAL = DataFile.read("practice/step-rule.json", StepRule.class);

    public StepRule {
        percent = List.copyOf(percent);
        if (!(evenUpTo > 0 && driftUpTo > 0 && wrongUpTo >= 0 && passes >= 1 && fallsApartFrom > evenUpTo && wrongFrom > wrongUpTo && spokenFrom >= 0 && spokenFrom <= 1)) {
            throw new IllegalArgumentException("a pass cannot be even and fallen apart at once");
        }
        if (percent.isEmpty() || percent.getFirst() < 5 || percent.getLast() > 200 || !percent.stream().sorted().distinct().toList().equals(percent)) {
            throw new IllegalArgumentException("the steps go up, between 5 and 200 per cent of the goal");
        }
    }

    /** With another bound for evenness; what counts as fallen apart keeps its distance. */
    public StepRule withEvenUpTo(double bound) {
        return new StepRule(provenance, bound, driftUpTo, wrongUpTo, passes, bound + (fallsApartFrom - evenUpTo), wrongFrom, spokenFrom, percent);
    }

    /** With another number of even passes in a row. */
    public StepRule withPasses(int number) {
        return new StepRule(provenance, evenUpTo, driftUpTo, wrongUpTo, number, fallsApartFrom, wrongFrom, spokenFrom, percent);
    }

    /** With other steps. */
    public StepRule withPercent(List<Integer> steps) {
        return new StepRule(provenance, evenUpTo, driftUpTo, wrongUpTo, passes, fallsApartFrom, wrongFrom, spokenFrom, steps);
    }

    public boolean isEven(Evenness pass) {
        return pass.gaps() > 0 && pass.variation() <= evenUpTo && Math.abs(pass.drift()) <= driftUpTo
                && pass.missedShare() + pass.extraShare() <= wrongUpTo;
    }

    /** Whether enough of the ornaments spoke. */
    public boolean speaks(Spoken spoken) {
        return spoken.share() >= spokenFrom;
    }

    public boolean isFallenApart(Evenness pass) {
        return pass.gaps() == 0 || pass.variation() >= fallsApartFrom || pass.missedShare() + pass.extraShare() >= wrongFrom;
    }

    /** The rule as it is told to a student. */
    public String inWords() {
        return ("A pass is even when its gaps vary by %d %% at most, the tempo holds within %d %% and no more than %d notes in 100 are wrong. "
                + "%s in a row, and the tempo goes up a step; from %d %% on it has fallen apart and goes down a step. "
                + "Where it is listened to, %d of 100 ornaments have to speak.").formatted(
                Math.round(evenUpTo * 100), Math.round(driftUpTo * 100), Math.round(wrongUpTo * 100), passes == 1 ? "One" : passes == 2 ? "Two" : passes == 3 ? "Three" : String.valueOf(passes),
                Math.round(fallsApartFrom * 100), Math.round(spokenFrom * 100));
    }

    /** What a pass was like where no tempo follows from it, in a sentence without a full stop. */
    public String told(Evenness pass, Spoken spoken) {
        return !isEven(pass) ? fault(pass) : speaks(spoken) ? "even: the gaps vary by %d %%".formatted(Math.round(pass.variation() * 100)) : silence(spoken);
    }

    /** That too few ornaments spoke, in a sentence without a full stop. */
    static String silence(Spoken spoken) {
        return "even, but only " + spoken.inWords();
    }

    /** Why a pass is not even, in a sentence without a full stop. */
    String fault(Evenness pass) {
        if (pass.missedShare() + pass.extraShare() > wrongUpTo) {
            int missed = pass.matching().missed().size();
            int extra = pass.matching().extra().size();
            return missed >= extra ? "%d note%s missed".formatted(missed, missed == 1 ? " was" : "s were")
                    : "%d note%s too many".formatted(extra, extra == 1 ? " was" : "s were");
        }
        if (Math.abs(pass.drift()) > driftUpTo) {
            return "%d %% %s than the pulse".formatted(Math.round(Math.abs(pass.drift()) * 100), pass.drift() < 0 ? "faster" : "slower");
        }
        return pass.standsOut().orElse("the gaps vary by %d %%".formatted(Math.round(pass.variation() * 100)));
    }

    /** How one onset looks beside its pulse. */
    public enum Look { RIGHT, OFF, WRONG }

    /** How an onset looks that is so many milliseconds off, against the gap behind it: by the bounds of a whole pass. */
    public Look look(double offMs, double gapMs) {
        double share = Math.abs(offMs) / Math.max(1, gapMs);
        return share <= evenUpTo ? Look.RIGHT : share < fallsApartFrom ? Look.OFF : Look.WRONG;
    }
}
