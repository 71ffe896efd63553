package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.core.writing.Folding;
import wildflourish.core.writing.Grid;
import wildflourish.core.writing.KeyFinder;
import wildflourish.core.writing.MeterFinder;
import wildflourish.core.writing.Pickup;
import wildflourish.core.writing.Played;
import wildflourish.core.writing.Quantiser;
import wildflourish.core.writing.TakenDown;

/**
 * A tune taken in by ear: its notes without graces, their rhythm, key, metre and repeats as far as they can be guessed.
 *
 * @param meterGuessed whether nobody said the metre
 * @param unsure how many notes have a place that was a guess
 */
public record ByEar(Tune tune, Key key, Meter meter, boolean meterGuessed, Tempo tempo, double tuningCents, int notes, int unsure) {

    /**
     * What hearing notes without a tune costs.
     *
     * @param change another pitch, in frames of a wrong one
     * @param attackSaves less, where an attack is heard
     * @param again the same pitch once more
     * @param attackBegins less, where an attack is heard
     * @param shortestMs shorter is a grace
     * @param quaverMs how long a quaver usually is, where no type of tune is said
     * @param spread how far quavers are from that, as a standard deviation of the natural logarithm; {@code typedSpread} where the type is known
     * @param unusual what it costs, a note, to be so far from what is usual, by the square
     * @param stiffness what it costs that a quaver is longer or shorter than the others, by the square of the natural logarithm; an onset that is met is worth 1
     * @param blurMs how far from an onset a quaver still meets it
     * @param parts where in a quaver notes may stand, with their {@code partCosts}
     * @param farthest what a note costs at most that stands nowhere
     * @param empty what a quaver costs on which no note begins
     */
    record Weights(String provenance, double change, double attackSaves, double again, double attackBegins, double shortestMs, double quaverMs, double spread, double typedSpread,
                   double unusual, double stiffness, double blurMs, List<Double> parts, List<Double> partCosts, double farthest, double empty) {}

    private static final Weights WEIGHTS = DataFile.read("hearing/by-ear.json", Weights.class);
    static Weights weights() {
        return WEIGHTS;
    }

    private static final int FEWEST = 4;
    private static final double MINUTE_MS = 60_000;

    /**
     * Takes a tune in.
     *
     * @param type of the tune, where it is known: it tells the metre and about how long a quaver is
     * @param soundsAbove by how many semitones the instrument sounds above what is written for it; where nobody says so, octaves are left out until the tune lies on the stave
     * @return empty where fewer than four notes were heard
     */
    public static Optional<ByEar> of(Heard heard, String title, Optional<TuneType> type, Optional<Integer> soundsAbove) {
        List<Tone> tones = Tone.of(heard, WEIGHTS);
        if (tones.size() < FEWEST) {
            return Optional.empty();
        }
        double usual = type.map(t -> t.customary().millis(Ratio.of(1, 8)).toDouble()).orElse(WEIGHTS.quaverMs());
        Pulse pulse = Pulse.of(tones, usual, type.isPresent() ? WEIGHTS.typedSpread() : WEIGHTS.spread(), WEIGHTS);
        int down = soundsAbove.orElseGet(() -> octaves(tones));
        double zero = Math.rint(pulse.at(tones.getFirst().fromMs()));
        List<Played> played = tones.stream().map(t -> new Played(Math.max(0, (pulse.at(t.fromMs()) - zero) / 8), (pulse.at(t.toMs()) - zero) / 8, t.midi() - down)).filter(p -> p.until() > p.at()).toList();
        Meter meter = type.map(t -> meter(t.meter())).orElseGet(() -> MeterFinder.find(played));
        Key key = KeyFinder.find(played.stream().map(p -> new KeyFinder.Heard(p.midi(), p.until() - p.at())).toList());
        Ratio pickup = Pickup.find(played, meter);
        Ratio beat = meter.isCompound() ? Ratio.of(3, meter.unit()) : meter.barLength().equals(Ratio.ONE) ? Ratio.of(1, 2) : Ratio.of(1, 4);
        double quavers = beat.toDouble() * 8;
        Tempo tempo = Tempo.of(beat, Math.max(1, (int) Math.round(MINUTE_MS / (pulse.quaverMs() * quavers))));
        Head head = new Head(1, title.isBlank() ? List.of() : List.of(title), List.of(), type.map(TuneType::id).orElse(""), meter, Ratio.of(1, 8), Optional.of(tempo).filter(Tempo::isPlayable), key, "", List.of());
        Ratio until = Ratio.of((long) Math.ceil(played.getLast().until() * 8) + 8, 8).plus(meter.barLength());
        Grid grid = Grid.of(meter, pickup, until);
        TakenDown written = TakenDown.of(head, grid, Quantiser.place(played, grid, 8 * pulse.quaverMs()));
        return Optional.of(new ByEar(Folding.folded(written.tune()), key, meter, type.isEmpty(), tempo, 100 * heard.tuning(), tones.size(), written.unsure().size()));
    }

    /** What was heard and what had to be guessed, in full sentences. */
    public List<String> inWords() {
        List<String> all = new ArrayList<>();
        all.add("%d notes were heard, in %s, at %s.".formatted(notes, key.spoken(), tempo.spoken()));
        all.add("The key was found from the notes%s: put right in Writing what is otherwise.".formatted(meterGuessed ? ", and so were the metre, %s, and what is a quaver".formatted(meter) : ""));
        if (unsure > 0) {
            all.add("The place of %s was a guess.".formatted(unsure == 1 ? "one note" : unsure + " notes"));
        }
        return all;
    }

    private static Meter meter(String text) {
        if (text.startsWith("C")) {
            return text.equals("C|") ? Meter.CUT : Meter.COMMON;
        }
        String[] halves = text.split("/");
        return Meter.of(Integer.parseInt(halves[0]), Integer.parseInt(halves[1]));
    }

    /** So many semitones, in octaves, that the middle of the notes lies nearest to the middle of the stave. */
    private static int octaves(List<Tone> tones) {
        double middle = tones.stream().mapToInt(Tone::midi).average().orElse(71);
        return (int) (12 * Math.rint((middle - 71) / 12));
    }
}
