package wildflourish.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class HappeningTest {

    /** A note on 74 of so many frames of 5 ms. */
    private static Heard note(int frames) {
        float[] midi = new float[frames];
        Arrays.fill(midi, 74);
        return new Heard(5, midi, new float[frames], new float[frames]);
    }

    @Test
    void aPlainNoteHasNothing() {
        assertThat(Happening.within(note(60), 0, 60, 74)).isEmpty();
    }

    @Test
    void cutsTapsAttacksAndSlidesAreToldApart() {
        Heard heard = note(100);
        Arrays.fill(heard.midi(), 0, 6, 78);
        Arrays.fill(heard.midi(), 40, 46, 73);
        heard.attack()[70] = 1;
        assertThat(Happening.within(heard, 0, 100, 74)).extracting(Happening::kind).containsExactly(Happening.Kind.ABOVE, Happening.Kind.BELOW, Happening.Kind.ATTACK);
        assertThat(Happening.within(heard, 0, 100, 74)).extracting(Happening::at).containsExactly(0.0, 0.4, 0.7);
        Heard slide = note(100);
        for (int i = 0; i < 24; i++) {
            slide.midi()[i] = 72 + i / 12f;
        }
        assertThat(Happening.within(slide, 0, 100, 74)).extracting(Happening::kind).containsExactly(Happening.Kind.GLIDE);
    }

    /** What lasts a frame or two, what has no pitch, and an octave that only ears made are no gestures. */
    @Test
    void wrinklesAreNone() {
        Heard heard = note(60);
        heard.midi()[20] = 79;
        Arrays.fill(heard.midi(), 30, 40, Float.NaN);
        Arrays.fill(heard.midi(), 45, 55, 62);
        assertThat(Happening.within(heard, 0, 60, 74)).isEmpty();
    }

    private static List<Happening> some(Random random) {
        List<Happening> all = new ArrayList<>();
        int count = random.nextInt(4);
        for (int i = 0; i < count; i++) {
            Happening.Kind kind = Happening.Kind.values()[random.nextInt(4)];
            all.add(new Happening(kind, random.nextDouble(), 60 * random.nextDouble(), kind == Happening.Kind.BELOW ? -2 : 2));
        }
        all.sort(java.util.Comparator.comparingDouble(Happening::at));
        return all;
    }

    /** Every way of pairing what happens on two notes, in order. */
    private static double brute(List<Happening> one, List<Happening> other) {
        if (one.isEmpty() || other.isEmpty()) {
            return one.size() + other.size();
        }
        List<Happening> rest = one.subList(1, one.size());
        double least = 1 + brute(rest, other);
        for (int j = 0; j < other.size(); j++) {
            least = Math.min(least, j + one.getFirst().unlike(other.get(j)) + brute(rest, other.subList(j + 1, other.size())));
        }
        return least;
    }

    @RepeatedTest(200)
    void theCheapestPairingIsFound(RepetitionInfo round) {
        Random random = new Random(round.getCurrentRepetition());
        List<Happening> one = some(random);
        List<Happening> other = some(random);
        assertThat(Happening.unlike(one, other)).isCloseTo(brute(one, other), within(1e-9));
        assertThat(Happening.unlike(one, one)).isZero();
    }
}
