package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Hand-worked passes. */
class EvennessTest {

    /** Quavers of 200 ms in beats of two. */
    private static Expected quavers(int count) {
        return Expected.pattern(List.of(200.0, 200.0), count / 2);
    }

    private static List<Double> at(double... ms) {
        return java.util.Arrays.stream(ms).boxed().toList();
    }

    @Test
    void equalSpacingIsPerfectlyEven() {
        Evenness pass = Evenness.of(quavers(8), at(0, 200, 400, 600, 800, 1000, 1200, 1400));
        assertThat(pass.variation()).isCloseTo(0, within(1e-12));
        assertThat(pass.drift()).isCloseTo(0, within(1e-12));
        assertThat(pass.offsetMs()).isCloseTo(0, within(1e-12));
        assertThat(pass.swing()).hasValueCloseTo(1.0, within(1e-12));
        assertThat(pass.gaps()).isEqualTo(7);
        assertThat(pass.odd()).isEmpty();
        assertThat(pass.standsOut()).isEmpty();
    }

    @Test
    void swungTwoToOneVariesByAThird() {
        // Long and short are 4/3 and 2/3 of what is expected: the mean is 1, each is 1/3 off it.
        List<Double> played = new ArrayList<>();
        for (int beat = 0; beat < 6; beat++) {
            played.add(beat * 400.0);
            played.add(beat * 400.0 + 400 * 2 / 3.0);
        }
        // The last onset ends a gap of its own only with the beat behind it.
        played.add(2400.0);
        Expected expected = Expected.pattern(List.of(200.0, 200.0), 7);
        Evenness pass = Evenness.of(expected, played);
        assertThat(pass.variation()).isCloseTo(1.0 / 3, within(1e-9));
        assertThat(pass.swing()).hasValueCloseTo(2.0, within(1e-9));
    }

    @Test
    void evenlyTooFastIsEvenAndDrifts() {
        Evenness pass = Evenness.of(quavers(8), at(0, 190, 380, 570, 760, 950, 1140, 1330));
        assertThat(pass.variation()).isCloseTo(0, within(1e-12));
        assertThat(pass.drift()).isCloseTo(-0.05, within(1e-12));
        // Early by 0, 10, … 70: 35 on average.
        assertThat(pass.offsetMs()).isCloseTo(-35, within(1e-9));
    }

    @Test
    void behindThePulseAllAlongIsAnOffsetAndNothingElse() {
        Evenness pass = Evenness.of(quavers(6), at(30, 230, 430, 630, 830, 1030));
        assertThat(pass.offsetMs()).isCloseTo(30, within(1e-9));
        assertThat(pass.drift()).isCloseTo(0, within(1e-12));
        assertThat(pass.variation()).isCloseTo(0, within(1e-12));
    }

    @Test
    void theGapFurthestOffIsNamed() {
        // Ratios 1, 1, 1.5, 0.5, 1: their mean is 1; the spread is the root of 0.5/5.
        Evenness pass = Evenness.of(quavers(6), at(0, 200, 400, 700, 800, 1000));
        assertThat(pass.variation()).isCloseTo(Math.sqrt(0.1), within(1e-9));
        assertThat(pass.odd().orElseThrow().onset()).isEqualTo(2);
        assertThat(pass.odd().orElseThrow().ratio()).isCloseTo(1.5, within(1e-9));
        assertThat(pass.standsOut()).hasValue("the gap after onset 3 is too long by 50 %");
    }

    @Test
    void thePulseThatIsAlwaysCutShortIsNamed() {
        // Beats of three, 150 ms a pulse; the third is 120, which makes the beat 420. Means: 150, 150, 120 over 140.
        Expected expected = Expected.pattern(List.of(150.0, 150.0, 150.0), 5);
        List<Double> played = new ArrayList<>();
        for (int beat = 0; beat < 5; beat++) {
            played.addAll(List.of(beat * 420.0, beat * 420.0 + 150, beat * 420.0 + 300));
        }
        Evenness pass = Evenness.of(expected, played);
        Evenness.PulseShare third = pass.pulses().get(2);
        double mean = (5 * 1.0 + 5 * 1.0 + 4 * 0.8) / 14;
        assertThat(third.pulse()).isEqualTo(3);
        assertThat(third.gaps()).isEqualTo(4);
        assertThat(third.ratio()).isCloseTo(0.8 / mean, within(1e-9));
        assertThat(pass.standsOut().orElseThrow()).isEqualTo("the third pulse of the beat is cut short by 15 %");
    }

    @Test
    void aMissedNoteAndOneTooManyAreNotGaps() {
        // The third is left out, and one too many is struck after the fifth.
        Evenness pass = Evenness.of(quavers(8), at(0, 200, 600, 800, 890, 1000, 1200, 1400));
        assertThat(pass.matching().missed()).containsExactly(2);
        assertThat(pass.matching().extra()).containsExactly(4);
        assertThat(pass.gaps()).isEqualTo(4);
        assertThat(pass.variation()).isCloseTo(0, within(1e-12));
        assertThat(pass.missedShare()).isCloseTo(1 / 8.0, within(1e-12));
        assertThat(pass.extraShare()).isCloseTo(1 / 8.0, within(1e-12));
    }

    @Test
    void theFiguresAreSaidInWords() {
        Evenness fast = Evenness.of(quavers(8), at(0, 190, 380, 570, 760, 950, 1140, 1330));
        assertThat(fast.inWords(true)).isEqualTo("gaps vary by 0 %  ·  5 % too fast  ·  35 ms before the pulse  ·  pairs 1.00 to 1");
        Evenness slips = Evenness.of(quavers(8), at(0, 200, 600, 800, 890, 1000, 1200, 1400));
        assertThat(slips.inWords(false)).isEqualTo("gaps vary by 0 %  ·  the tempo holds  ·  on the pulse  ·  1 missed  ·  1 too many");
    }

    @Test
    void nothingPlayedMeasuresNothing() {
        Evenness pass = Evenness.of(quavers(8), List.of());
        assertThat(pass.gaps()).isZero();
        assertThat(pass.missedShare()).isEqualTo(1);
        assertThat(pass.variation()).isZero();
        assertThat(StepRule.USUAL.isEven(pass)).isFalse();
        assertThat(StepRule.USUAL.isFallenApart(pass)).isTrue();
    }
}
