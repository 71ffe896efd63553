package wildflourish.core.writing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Step;

class QuantiserTest {

    private static final double MS_PER_WHOLE = 1600;
    private static final Quantiser.Weights WEIGHTS = DataFile.read("writing/grid.json", Quantiser.Weights.class);

    /** Notes of these lengths, in quavers, each some milliseconds off. */
    private static List<Played> played(double[] quavers, Random random, double jitterMs) {
        List<Played> notes = new ArrayList<>();
        double at = 0;
        for (int i = 0; i < quavers.length; i++) {
            double off = i == 0 ? 0 : (random.nextDouble() * 2 - 1) * jitterMs / MS_PER_WHOLE;
            double end = (at + quavers[i]) / 8 - 0.01;
            notes.add(new Played(at / 8 + off, Math.max(at / 8 + off + 0.01, end), 62 + i % 7));
            at += quavers[i];
        }
        return notes;
    }

    private static double[] lengths(String text) {
        return java.util.Arrays.stream(text.split(" ")).mapToDouble(Double::parseDouble).toArray();
    }

    /** A player's jitter, at reel, jig, hornpipe and waltz tempi, leaves the rhythm as it was meant. */
    @ParameterizedTest
    @CsvSource({"4/4, 2 1 1 1 1 1 1 2 1 1 4", "4/4, 1.5 0.5 1.5 0.5 2 1.5 0.5 1.5 0.5 1.5 0.5 4", "6/8, 3 1 1 1 2 1 2 1 1 1 1 3", "3/4, 4 1 1 4 2 2 2 2 6",
        "4/4, 0.66666667 0.66666667 0.66666666 1 1 2 2 1 1 1 1 4", "9/8, 2 1 2 1 2 1 1 1 1 1 1 1 3"})
    void jitterIsTakenOut(String meterText, String rhythm) {
        String[] parts = meterText.split("/");
        Meter meter = Meter.of(Integer.parseInt(parts[0]), Integer.parseInt(parts[1]));
        double[] lengths = lengths(rhythm);
        for (int seed = 0; seed < 40; seed++) {
            List<Played> notes = played(lengths, new Random(seed), 30);
            Grid grid = Grid.of(meter, Ratio.ZERO, Ratio.of(3, 1));
            List<Quantiser.Placed> placed = Quantiser.place(notes, grid, MS_PER_WHOLE);
            double at = 0;
            for (int i = 0; i < lengths.length; i++) {
                assertThat(placed.get(i).at().toDouble() * 8).as("note %d, seed %d", i, seed).isCloseTo(at, within(1e-6));
                at += lengths[i];
            }
            assertThat(placed.getLast().until().toDouble() * 8).isCloseTo(at, within(1e-6));
        }
    }

    /** No way to set the notes costs less: every way is tried. */
    @RepeatedTest(40)
    void theCostIsTheLeastThereIs(RepetitionInfo run) {
        Random random = new Random(run.getCurrentRepetition());
        List<Played> notes = new ArrayList<>();
        double at = 0;
        for (int i = 0; i < 4; i++) {
            double length = 0.03 + random.nextDouble() * 0.15;
            notes.add(new Played(at, at + length, 60 + i));
            at += length;
        }
        Grid grid = Grid.of(random.nextBoolean() ? Meter.of(2, 4) : Meter.of(6, 8), Ratio.ZERO, Ratio.of(1, 2));
        double least = everyWay(notes, grid, 0, 0, 0);
        assertThat(Quantiser.leastCost(notes, grid, MS_PER_WHOLE)).isCloseTo(least, within(1e-6));
    }

    private static double everyWay(List<Played> notes, Grid grid, int beat, int note, double cost) {
        if (beat == grid.beats().size()) {
            return note == notes.size() ? cost : 1e9;
        }
        Grid.Beat now = grid.beats().get(beat);
        double least = 1e9;
        for (Quantiser.Division division : now.isCompound() ? WEIGHTS.compound() : WEIGHTS.simple()) {
            least = Math.min(least, points(notes, grid, beat, note, 0, division, cost + division.cost()));
        }
        return least;
    }

    /** Nothing on this part, or a note with any number of graces before it. */
    private static double points(List<Played> notes, Grid grid, int beat, int note, int point, Quantiser.Division division, double cost) {
        Grid.Beat now = grid.beats().get(beat);
        boolean last = beat + 1 == grid.beats().size();
        if (point == division.parts()) {
            boolean late = note < notes.size() && !last && notes.get(note).at() < now.end().toDouble() - now.length().toDouble() / 2;
            return late ? 1e9 : everyWay(notes, grid, beat + 1, note, cost);
        }
        double least = division.full() ? 1e9 : points(notes, grid, beat, note, point + 1, division, cost);
        double place = now.at().toDouble() + now.length().toDouble() * point / division.parts();
        double graces = 0;
        for (int main = note; main < notes.size(); main++) {
            if (!last && notes.get(main).at() >= now.end().toDouble() + now.length().toDouble() / 2) {
                break;
            }
            double off = Math.min(Math.abs(notes.get(note).at() - place), Math.abs(notes.get(main).at() - place)) * MS_PER_WHOLE / WEIGHTS.jitterMs();
            least = Math.min(least, points(notes, grid, beat, main + 1, point + 1, division, cost + graces + off * off / 2));
            if (main + 1 == notes.size() || (notes.get(main + 1).at() - notes.get(main).at()) * MS_PER_WHOLE > WEIGHTS.graceLongestMs()) {
                break;
            }
            graces += WEIGHTS.grace();
        }
        return least;
    }

    @Test
    void aShortNoteBeforeAnotherIsItsGrace() {
        List<Played> notes = List.of(new Played(0, 0.12, 62), new Played(0.125, 0.16, 71), new Played(0.163, 0.25, 67), new Played(0.25, 0.5, 62));
        List<Quantiser.Placed> placed = Quantiser.place(notes.stream().map(n -> n.midi() == 71 ? new Played(0.125, 0.148, 71) : n.midi() == 67 ? new Played(0.148, 0.24, 67) : n).toList(),
                Grid.of(Meter.of(4, 4), Ratio.ZERO, Ratio.ONE), 1000);
        assertThat(placed).hasSize(3);
        assertThat(placed.get(1).graces()).containsExactly(71);
        assertThat(placed.get(1).midi()).containsExactly(67);
    }

    @Test
    void notesTogetherAreAChordAndASilenceIsARest() {
        List<Played> notes = List.of(new Played(0, 0.25, 62), new Played(0.002, 0.25, 69), new Played(0.5, 0.75, 66), new Played(0.75, 1, 64));
        List<Quantiser.Placed> placed = Quantiser.place(notes, Grid.of(Meter.of(4, 4), Ratio.ZERO, Ratio.ONE), MS_PER_WHOLE);
        assertThat(placed.getFirst().midi()).containsExactly(62, 69);
        assertThat(placed.getFirst().until()).isEqualTo(Ratio.of(1, 4));
        TakenDown down = TakenDown.of(new wildflourish.core.tune.Head(1, List.of("A"), List.of(), "", Meter.of(4, 4), Ratio.of(1, 8), java.util.Optional.empty(),
                Key.of(Step.D, 0, Mode.MAJOR), "", List.of()), Grid.of(Meter.of(4, 4), Ratio.ZERO, Ratio.ONE), placed);
        assertThat(down.tune().bars()).singleElement().satisfies(b -> assertThat(b.elements()).hasSize(4));
        assertThat(down.unsure()).isEmpty();
    }
}
