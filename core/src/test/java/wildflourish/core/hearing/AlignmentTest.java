package wildflourish.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** Notes are found where they were put, whatever is wrong around them. */
class AlignmentTest {

    private static final int HOP = 5;

    private static List<Wanted> notes(int... midi) {
        List<Wanted> all = new ArrayList<>();
        for (int i = 0; i < midi.length; i++) {
            all.add(new Wanted(1 + i / 8, i, 1, 200 * i, 200, midi[i]));
        }
        return all;
    }

    /** Sound of these pitches from these frames on, each with an attack, up to the last frame. */
    private static Heard heard(double[] midi, int[] from) {
        int size = from[from.length - 1] + 40;
        Heard heard = new Heard(HOP, new float[size], new float[size], new float[size]);
        Arrays.fill(heard.midi(), Float.NaN);
        for (int i = 0; i < midi.length; i++) {
            Arrays.fill(heard.midi(), from[i], from[i + 1], (float) midi[i]);
            heard.attack()[from[i]] = 1;
        }
        return heard;
    }

    /** Random tunes played at random tempi, unevenly, moved and out of tune: every note begins in its frame. */
    @RepeatedTest(60)
    void everyNoteIsFoundInItsFrame(RepetitionInfo round) {
        Random random = new Random(round.getCurrentRepetition());
        int count = 8 + random.nextInt(30);
        int shift = random.nextInt(15) - 7;
        double tuning = 0.8 * random.nextDouble() - 0.4;
        double tempo = 0.6 + random.nextDouble();
        int[] wanted = random.ints(count, 62, 84).toArray();
        double[] midi = new double[count];
        int[] from = new int[count + 1];
        for (int i = 0; i <= count; i++) {
            from[i] = 50 + (int) Math.round(i * 40 / tempo + (i == 0 ? 0 : random.nextGaussian() * 2));
            if (i < count) {
                midi[i] = wanted[i] + shift + tuning;
            }
        }
        Alignment alignment = Alignment.of(notes(wanted), heard(midi, from));
        assertThat(alignment.tuning()).isCloseTo(tuning, within(0.01));
        assertThat(alignment.semitones()).isEqualTo(shift);
        for (int i = 0; i < count; i++) {
            assertThat(alignment.notes().get(i).when()).as("note %d", i).isPresent();
            assertThat(alignment.notes().get(i).when().orElseThrow().from()).as("note %d", i).isEqualTo(from[i]);
        }
    }

    @Test
    void aMissingNoteIsMissingAndTheOthersAreThere() {
        int[] wanted = {62, 64, 66, 67, 69, 71, 69, 67, 66, 64, 62};
        double[] played = {62, 64, 66, 67, 69, 69, 67, 66, 64, 62};
        int[] from = {20, 60, 100, 140, 180, 260, 300, 340, 380, 420, 460};
        Alignment alignment = Alignment.of(notes(wanted), heard(played, from));
        assertThat(alignment.notes().get(5).when()).isEmpty();
        assertThat(alignment.notes()).filteredOn(p -> p.when().isEmpty()).hasSize(1);
        assertThat(alignment.notes().get(6).when().orElseThrow().from()).isEqualTo(260);
    }

    /** One who begins in the middle and stops before the end is followed there. */
    @Test
    void playingBeginsAndEndsAnywhere() {
        int[] wanted = {62, 64, 66, 67, 69, 71, 73, 74, 76, 78, 79, 81};
        double[] played = {67, 69, 71, 73, 74, 76};
        Alignment alignment = Alignment.of(notes(wanted), heard(played, new int[] {10, 50, 90, 130, 170, 210, 250}));
        for (int i = 0; i < wanted.length; i++) {
            assertThat(alignment.notes().get(i).when().isPresent()).as("note %d", i).isEqualTo(i >= 3 && i < 9);
        }
    }

    /** Every path through every frame, by the rules as they are told: none is cheaper than the one that is found. */
    @RepeatedTest(40)
    void noPathIsCheaper(RepetitionInfo round) {
        Random random = new Random(round.getCurrentRepetition());
        int[] midi = random.ints(1 + random.nextInt(3), 62, 65).toArray();
        Heard heard = new Heard(HOP, new float[5], new float[5], new float[5]);
        for (int f = 0; f < heard.size(); f++) {
            heard.midi()[f] = random.nextInt(5) == 0 ? Float.NaN : 62 + random.nextInt(3);
            heard.attack()[f] = random.nextInt(3) == 0 ? 1 : 0;
        }
        Alignment.Search search = new Alignment.Search(notes(midi), heard, 0, new double[0], Alignment.Near.all(midi.length, heard));
        search.placed();
        double least = Double.MAX_VALUE;
        int states = 2 * midi.length + 2;
        for (int s = 0; s < states - 1; s++) {
            double begin = s == 0 ? outside(heard, 0) : (note(s) == 0 ? 0 : Alignment.ELSEWHERE) + in(heard, midi, s, 0);
            least = Math.min(least, begin + rest(heard, midi, s, 1));
        }
        assertThat((double) search.least()).isCloseTo(least, within(1e-4));
    }

    private static int note(int state) {
        return (state - 1) / 2;
    }

    private static double outside(Heard heard, int frame) {
        return heard.isPitched(frame) ? Alignment.OUTSIDE : 0;
    }

    private static double in(Heard heard, int[] midi, int state, int frame) {
        if (state % 2 == 1) {
            return Alignment.ON_THE_WAY;
        }
        return !heard.isPitched(frame) ? Alignment.NO_PITCH : heard.midi()[frame] == midi[note(state)] ? 0 : 1;
    }

    /** The cheapest way on from a state behind which a frame comes. */
    private static double rest(Heard heard, int[] midi, int state, int frame) {
        int last = 2 * midi.length + 1;
        if (frame == heard.size()) {
            return state == 0 || state == last || state == last - 1 ? 0 : Alignment.ELSEWHERE;
        }
        double least = Double.MAX_VALUE;
        for (int next = state; next <= last; next++) {
            double step = step(heard, midi, state, next, frame);
            if (step < Double.MAX_VALUE) {
                least = Math.min(least, step + rest(heard, midi, next, frame + 1));
            }
        }
        return least;
    }

    private static double step(Heard heard, int[] midi, int state, int next, int frame) {
        int last = 2 * midi.length + 1;
        boolean own = state > 0 && state < last && state % 2 == 0;
        if (next == 0 || state == last) {
            return outside(heard, frame);
        }
        if (next == last) {
            return own ? (state == last - 1 ? 0 : Alignment.ELSEWHERE) + outside(heard, frame) : Double.MAX_VALUE;
        }
        double here = in(heard, midi, next, frame);
        if (state == 0) {
            return (note(next) == 0 ? 0 : Alignment.ELSEWHERE) + here;
        }
        if (note(state) == note(next)) {
            return state <= next && !(own && next % 2 == 1) ? here : Double.MAX_VALUE;
        }
        boolean again = next % 2 == 0 && midi[note(state)] == midi[note(next)];
        double quiet = 1 - heard.attack()[frame];
        return own ? Alignment.MISSING * (note(next) - note(state) - 1) + Alignment.ENTER * quiet + (again ? Alignment.SAME_AGAIN * quiet : 0) + here : Double.MAX_VALUE;
    }

    @Test
    void silenceAndNothingAreNoTrouble() {
        Heard silence = new Heard(HOP, new float[200], new float[200], new float[200]);
        Arrays.fill(silence.midi(), Float.NaN);
        assertThat(Alignment.of(notes(62, 64), silence).notes()).allMatch(p -> p.when().isEmpty());
        assertThat(Alignment.of(notes(62, 64), new Heard(HOP, new float[0], new float[0], new float[0])).notes()).allMatch(p -> p.when().isEmpty());
        assertThat(Alignment.of(List.of(), silence).notes()).isEmpty();
    }

    @Test
    void whatIsTooLongIsToldBeforeItIsTried() {
        Heard hour = new Heard(HOP, new float[720_000], new float[720_000], new float[720_000]);
        assertThatThrownBy(() -> Alignment.of(notes(new Random(1).ints(2000, 62, 84).toArray()), hour)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("take the part");
    }
}
