package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.TuneType;

/**
 * What is counted before the first note, so that everybody enters on the right beat: by the kind of tune two beats, a bar, or
 * four potatoes (long short-short). A tune that begins with a pickup is counted up to its first full beat, and enters where its
 * pickup lies.
 *
 * @param clicks in order
 * @param length from the first click to the first note
 */
public record CountIn(List<Click> clicks, Ratio length) {

    /**
     * A click.
     *
     * @param at written time since the first click
     * @param strength as {@link Meter#strength}; 0 for the short ones of a potato
     */
    public record Click(Ratio at, int strength) {}

    /** Nothing is counted. */
    public static final CountIn NONE = new CountIn(List.of(), Ratio.ZERO);

    /**
     * What one kind of tune is counted in with.
     *
     * @param beat the note value of a count
     * @param potatoes whether each count is a long and two shorts
     */
    record Custom(String type, String beat, int counts, boolean potatoes) {}

    record Table(String provenance, List<Custom> customs) {}

    private static final List<Custom> CUSTOMS = DataFile.read("practice/count-in.json", Table.class).customs();

    public CountIn {
        clicks = List.copyOf(clicks);
    }

    /** The count-in of a stretch of a tune, from the first beat that it reaches. */
    public static CountIn of(Head head, PlayedOut tune, Ratio from) {
        Meter meter = tune.bars().stream().filter(b -> !from.isLess(b.start())).reduce((a, b) -> b)
                .map(PlayedOut.Heard::meter).orElse(head.meter());
        Custom custom = custom(head, meter);
        Ratio beat = Ratio.parse(custom.beat());
        Ratio counted = beat.times(custom.counts());
        Ratio pickup = toBar(tune, from).mod(meter.barLength());
        // A pickup longer than what is counted asks for a bar more.
        Ratio length = counted.minus(pickup);
        int counts = custom.counts();
        while (!length.isPositive()) {
            length = length.plus(meter.barLength());
            counts += Math.max(1, (int) meter.barLength().dividedBy(beat).floor());
        }
        List<Click> clicks = new ArrayList<>();
        for (int i = 0; i < counts; i++) {
            Ratio at = beat.times(i);
            int strength = i == 0 || beat.times(i).mod(meter.barLength()).isZero() ? 3 : 1;
            add(clicks, at, strength, length);
            if (custom.potatoes()) {
                add(clicks, at.plus(beat.times(Ratio.of(1, 2))), 0, length);
                add(clicks, at.plus(beat.times(Ratio.of(3, 4))), 0, length);
            }
        }
        return new CountIn(clicks, length);
    }

    private static void add(List<Click> clicks, Ratio at, int strength, Ratio length) {
        if (at.isLess(length)) {
            clicks.add(new Click(at, strength));
        }
    }

    /** Written time from a position to the next bar line; zero on one. */
    private static Ratio toBar(PlayedOut tune, Ratio from) {
        for (PlayedOut.Heard bar : tune.bars()) {
            Ratio end = bar.start().plus(bar.length());
            boolean startsWhole = from.equals(bar.start()) && bar.leadIn().isZero();
            if (!from.isLess(bar.start()) && from.isLess(end)) {
                return startsWhole ? Ratio.ZERO : end.minus(from);
            }
        }
        return Ratio.ZERO;
    }

    private static Custom custom(Head head, Meter meter) {
        String type = TuneType.of(head).id();
        return CUSTOMS.stream().filter(c -> c.type().equals(type) && fits(c, meter)).findFirst()
                .orElseGet(() -> new Custom(type, meter.beats().getFirst().toString(), meter.beats().size(), false));
    }

    /** A custom counts in the meter's own beats: one for jigs says nothing in a bar of four. */
    private static boolean fits(Custom custom, Meter meter) {
        return meter.barLength().mod(Ratio.parse(custom.beat())).isZero();
    }
}
