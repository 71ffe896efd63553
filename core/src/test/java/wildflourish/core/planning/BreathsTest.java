package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

class BreathsTest {

    private static final Tempo TEMPO = Tempo.of(Ratio.of(1, 4), 120);

    /** A player who needs 220 ms for a quick breath, as a learner does; what is ornamented is so throughout. */
    private static Breaths breaths(
            Timeline tune, Tempo tempo, int seconds, java.util.function.IntPredicate breathed,
            java.util.function.IntPredicate ornamented, java.util.function.IntPredicate endsPhrase) {
        return Breaths.of(tune, tempo, new Lungs(seconds, 220), breathed,
                n -> ornamented.test(n) ? Breaths.Busy.THROUGHOUT : Breaths.Busy.NOT, endsPhrase);
    }

    private static Timeline bars(int count, String bar) {
        return Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), String.join(" | ", java.util.Collections.nCopies(count, bar))));
    }

    /** A bar of 4/4 at crotchet = 120 lasts two seconds: eight bars are sixteen. */
    @Test
    void aShortTuneNeedsNone() {
        Breaths breaths = breaths(bars(3, "D4 E4 F#4 G4 A4 B4 C#5 D5"), TEMPO, 9, n -> false, n -> false, n -> false);
        assertThat(breaths.marks()).isEmpty();
        assertThat(breaths.longestSeconds()).isEqualTo(6);
        assertThat(breaths.enough()).isTrue();
    }

    @Test
    void noSpanIsLongerThanALungful() {
        Breaths breaths = breaths(bars(16, "D4 E4 F#4 G4 A4 B4 C#5 D5"), TEMPO, 9, n -> false, n -> false, n -> n % 16 == 15);
        assertThat(breaths.longestSeconds()).isLessThanOrEqualTo(9);
        assertThat(breaths.marks()).hasSize(3);
        assertThat(breaths.enough()).isTrue();
    }

    @Test
    void onlyWeakNotesAreLeftOut() {
        Timeline tune = bars(16, "D4 E4 F#4 G4 A4 B4 C#5 D5");
        Breaths breaths = breaths(tune, TEMPO, 5, n -> false, n -> false, n -> false);
        assertThat(breaths.marks()).isNotEmpty().allSatisfy(m -> {
            assertThat(m.room()).isEqualTo(Breaths.Room.DROP);
            assertThat(tune.note(m.note()).strength()).isZero();
        });
    }

    @Test
    void aRestIsTakenBeforeANoteIsLeftOut() {
        Timeline tune = bars(6, "D4 E4 F#4 G4 A4 B4 C#5 z:1");
        Breaths breaths = breaths(tune, TEMPO, 5, n -> false, n -> false, n -> false);
        assertThat(breaths.marks()).isNotEmpty().allSatisfy(m -> {
            assertThat(m.room()).isEqualTo(Breaths.Room.REST);
            assertThat(m.note() % 7).isEqualTo(6);
        });
    }

    @Test
    void breathIsNeverTakenInsideAnOrnament() {
        Timeline tune = bars(8, "D4 E4 F#4 G4 A4 B4 C#5 D5");
        Breaths free = breaths(tune, TEMPO, 9, n -> false, n -> false, n -> false);
        Set<Integer> taken = free.marks().stream().map(Breaths.Mark::note).collect(java.util.stream.Collectors.toSet());
        Breaths busy = breaths(tune, TEMPO, 9, n -> false, taken::contains, n -> false);
        assertThat(busy.marks()).isNotEmpty().noneMatch(m -> taken.contains(m.note()));
    }

    @Test
    void aBreathThatStandsThereIsTaken() {
        Timeline tune = bars(6, "D4 E4 F#4 G4 A4 B4 C#5 D5");
        Breaths breaths = breaths(tune, TEMPO, 9, n -> n == 23, n -> n == 23, n -> false);
        assertThat(breaths.marks()).singleElement().satisfies(m -> {
            assertThat(m.note()).isEqualTo(23);
            assertThat(m.room()).isEqualTo(Breaths.Room.GIVEN);
        });
    }

    @Test
    void aTuneThatCannotBeBlownSaysSo() {
        Timeline tune = bars(1, "D4:8");
        Breaths breaths = breaths(tune, Tempo.of(Ratio.of(1, 4), 20), 5, n -> false, n -> false, n -> false);
        assertThat(breaths.enough()).isFalse();
        assertThat(breaths.longestSeconds()).isEqualTo(12);
    }

    /** Repeats are played out: the second time follows the first without a gap. */
    @Test
    void repeatsAreBlownTwice() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(),
                "|: D4 E4 F#4 G4 A4 B4 C#5 D5 | D5 C#5 B4 A4 G4 F#4 D4:2 :|"));
        Breaths breaths = breaths(tune, TEMPO, 5, n -> false, n -> false, n -> n == 14);
        assertThat(breaths.marks()).singleElement().satisfies(m -> {
            assertThat(m.note()).isEqualTo(14);
            assertThat(m.room()).isEqualTo(Breaths.Room.SHORTEN);
            assertThat(m.times()).isEqualTo(1);
            assertThat(m.ofTimes()).isEqualTo(2);
        });
    }

    /** One rule for ending a note early and for leaving it out: what is shorter than a breath is no room for one. */
    @Test
    void whatIsShorterThanABreathIsNoRoomForOne() {
        Timeline tune = bars(16, "D4 E4 F#4 G4 A4 B4 C#5 D5");
        // A quaver of 139 ms.
        Tempo fast = Tempo.of(Ratio.of(1, 2), 108);
        Lungs learner = new Lungs(3, 220);
        assertThat(Breaths.of(tune, fast, learner, n -> false, n -> Breaths.Busy.NOT, n -> n % 16 == 15).marks()).isEmpty();
        assertThat(Breaths.of(tune, fast, new Lungs(3, 130), n -> false, n -> Breaths.Busy.NOT, n -> n % 16 == 15).marks()).isNotEmpty();
        assertThat(Lungs.of("fluent").needsMs()).isEqualTo(140);
        assertThat(Lungs.of("learner").needsMs()).isEqualTo(220);
    }
}
