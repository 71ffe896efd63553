package wildflourish.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Place.Stopped;

/** What a fiddler's hand holds on two strings: common practice. */
class DoubleStopTest {

    private static final Neck FIDDLE = (Neck) Instruments.known("fiddle").layout();

    private static Stopped place(String typed) {
        return FIDDLE.pitches().stream().flatMap(p -> FIDDLE.places(p).stream()).map(Stopped.class::cast)
                .filter(p -> p.text().equals(typed)).findFirst().orElseThrow(() -> new AssertionError(typed));
    }

    private static boolean canHold(String a, String b) {
        boolean there = DoubleStop.canHold(place(a), place(b));
        assertThat(DoubleStop.canHold(place(b), place(a))).isEqualTo(there);
        return there;
    }

    @Test
    void theFourthFingerMakesAUnisonWithTheOpenStringAbove() {
        assertThat(canHold("D 4", "A 0")).isTrue();
    }

    @Test
    void oneFingerPlantedAcrossTwoStringsStopsAFifthAndNothingElse() {
        assertThat(canHold("D 1", "A 1")).isTrue();
        assertThat(canHold("D low 2", "A low 2")).isTrue();
        assertThat(canHold("D low 2", "A high 2")).isFalse();
        assertThat(canHold("G 1", "A 1")).isFalse();
        for (Place a : FIDDLE.places(wildflourish.core.tune.Pitch.parse("E4"))) {
            for (var pitch : FIDDLE.pitches()) {
                for (Place b : FIDDLE.places(pitch)) {
                    Stopped one = (Stopped) a;
                    Stopped two = (Stopped) b;
                    if (!one.isOpen() && !two.isOpen() && one.finger() == two.finger() && DoubleStop.canHold(one, two)) {
                        assertThat(Math.abs(pitch.midi() - 64)).isEqualTo(7);
                    }
                }
            }
        }
    }

    @Test
    void differentFingersLieInTheOrderOfTheirPlaces() {
        assertThat(canHold("D 3", "A 1")).isTrue();
        assertThat(canHold("D 1", "A high 2")).isTrue();
        // The first finger cannot lie above the third.
        assertThat(DoubleStop.canHold(place("D 3"), place("A 1"))).isTrue();
        assertThat(canHold("D high 2", "A low 1")).isTrue();
    }

    @Test
    void twoNotesOnOneStringAreNoDoubleStop() {
        assertThat(canHold("A 1", "A 3")).isFalse();
        assertThat(canHold("A 0", "A 3")).isFalse();
    }
}
