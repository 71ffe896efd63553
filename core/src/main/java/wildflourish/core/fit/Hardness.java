package wildflourish.core.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

/**
 * How hard the bare tune is on an instrument at a tempo, and why.
 *
 * @param timesUsual what the hands spend in a second, against a usual tune of their kind
 * @param words how hard, in a word
 * @param why sentences without their full stops, the weightiest first
 */
public record Hardness(double timesUsual, String words, List<String> why) {

    private static final int NAMED = 3;
    private static final int WIDE = 12;

    public Hardness {
        why = List.copyOf(why);
    }

    /** Of the bare tune of a version, at its tempo; worked out once. */
    public static Hardness of(Version version) {
        return version.once(Hardness.class, Hardness::workedOut);
    }

    private static Hardness workedOut(Version version) {
        Version ground = version.on(0);
        Timeline tune = ground.varied().tune();
        Tempo tempo = version.arrangement().tempo();
        Lie lie = Lie.of(tune, ground.hands().plan());
        Ratio length = tune.tune().bars().stream().map(b -> b.length()).reduce(Ratio.ZERO, Ratio::plus);
        double times = lie.timesUsual(length, tempo);
        List<String> why = new ArrayList<>();
        lie.terms().stream().limit(NAMED).map(Lie.Term::inWords).forEach(why::add);
        double seconds = tempo.millis(length).toDouble() / 1000;
        if (seconds > 0) {
            why.add("%s notes a second at %s".formatted(String.format(Locale.ROOT, "%.1f", tune.notes().stream().filter(n -> !n.heldOver()).count() / seconds), tempo.spoken()));
        }
        long leaps = leaps(tune);
        if (leaps > 0) {
            why.add(leaps == 1 ? "a leap of an octave or more" : leaps + " leaps of an octave or more");
        }
        if (lie.worst() > 0) {
            why.add("the hardest bar is " + BarNames.spoken(lie.worst()).replaceFirst("^bar ", "bar "));
        }
        return new Hardness(times, Lie.inWords(times), why);
    }

    private static long leaps(Timeline tune) {
        long leaps = 0;
        for (int n = 1; n < tune.size(); n++) {
            leaps += Math.abs(tune.note(n).pitch().midi() - tune.note(n - 1).pitch().midi()) >= WIDE ? 1 : 0;
        }
        return leaps;
    }

    /** Whether this is the easier of two by more than a trifle. */
    public boolean isEasierThan(Hardness other) {
        return timesUsual <= other.timesUsual * Lie.easier();
    }

    /** In a sentence. */
    public String inWords() {
        return words + ": " + String.join("; ", why);
    }
}
