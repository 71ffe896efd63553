package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import wildflourish.core.instrument.Family;

class MotionTest {

    @ParameterizedTest
    @EnumSource(Family.Held.class)
    void whatHandsAreAskedForIsOfTheKindThatItsMovementNeeds(Family.Held hands) {
        int understood = 0;
        for (Move move : Move.values()) {
            for (HelperNote helper : HelperNote.WORDS.values()) {
                if (new Motion(move, helper).fault(hands).isEmpty()) {
                    understood++;
                    assertThat(helper).as("%s with %s on %s", move, helper, hands).isInstanceOf(switch (move) {
                        case STROKE -> HelperNote.Struck.class;
                        case COMPANY -> HelperNote.AlongStrings.class;
                        default -> HelperNote.InPlace.class;
                    });
                }
            }
        }
        assertThat(understood > 0).isEqualTo(hands != Family.Held.NONE);
    }

    @ParameterizedTest
    @EnumSource(value = Family.Held.class, names = {"HOLES", "BUTTONS"})
    void onlyStringsAreStruckForAnotherNote(Family.Held hands) {
        assertThat(new Motion(Move.STROKE, HelperNote.ITSELF).fault(hands)).isEmpty();
        assertThat(new Motion(Move.STROKE, new HelperNote.FingerAbove()).fault(hands)).hasValueSatisfying(
                fault -> assertThat(fault).contains("stroke").contains("FingerAbove"));
        assertThat(new Motion(Move.STROKE, new HelperNote.FirstString()).fault(Family.Held.STRINGS)).isEmpty();
    }
}
