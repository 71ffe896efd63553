package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;

/** Repeats and endings as the ABC standard 2.1, sections 4.8 and 4.9, has them; bars are counted from 0. */
class PlayOrderTest {

    private static List<Integer> order(String text) {
        return PlayOrder.of(Tunes.of(Meter.of(4, 4), Tunes.d(), text));
    }

    @Test
    void withoutSignsEachBarIsPlayedOnce() {
        assertThat(order("D4 | E4 | F#4")).containsExactly(0, 1, 2);
    }

    @Test
    void aRepeatIsPlayedTwice() {
        assertThat(order("|: D4 | E4 :| F#4 |")).containsExactly(0, 1, 0, 1, 2);
    }

    @Test
    void aClosingRepeatWithoutAnOpeningOneGoesBackToTheStart() {
        assertThat(order("D4 | E4 :| F#4 |")).containsExactly(0, 1, 0, 1, 2);
    }

    @Test
    void aSecondClosingRepeatGoesBackToTheFirst() {
        assertThat(order("D4 :| E4 :| F#4 |")).containsExactly(0, 0, 1, 1, 2);
    }

    @Test
    void aClosingRepeatGoesBackToADoubleBar() {
        assertThat(order("D4 || E4 | F#4 :|")).containsExactly(0, 1, 2, 1, 2);
    }

    @Test
    void anOpenRepeatReachesOverADoubleBar() {
        assertThat(order("|: D4 || E4 :|")).containsExactly(0, 1, 0, 1);
    }

    @Test
    void twoRepeatsBackToBack() {
        assertThat(order("|: D4 :: E4 :|")).containsExactly(0, 0, 1, 1);
    }

    @Test
    void firstAndSecondEndings() {
        assertThat(order("|: D4 | [1 E4 :| [2 F#4 | G4 |")).containsExactly(0, 1, 0, 2, 3);
    }

    @Test
    void endingsOfSeveralBars() {
        assertThat(order("|: D4 | [1 E4 | E5 :| [2 F#4 | F#5 || G4 |"))
                .containsExactly(0, 1, 2, 0, 3, 4, 5);
    }

    @Test
    void aLastEndingClosedByARepeatAsksForNoFurtherPass() {
        assertThat(order("|: D4 | [1 E4 :| [2 F#4 :| |: G4 :|")).containsExactly(0, 1, 0, 2, 3, 3);
    }

    @Test
    void listedEndingsAreTakenOnTheirTimes() {
        assertThat(order("|: D4 | [1,3 E4 :| [2 F#4 :| [4 G4 ||")).containsExactly(0, 1, 0, 2, 0, 1, 0, 3);
    }

    @Test
    void doubleDotsPlayThreeTimes() {
        assertThat(order("|: D4 | E4 ::| F#4 |")).containsExactly(0, 1, 0, 1, 0, 1, 2);
    }

    @Test
    void afterEndingsASecondPartHasItsOwn() {
        assertThat(order("|: D4 | [1 E4 :| [2 F#4 || |: G4 | [1 A4 :| [2 B4 |"))
                .containsExactly(0, 1, 0, 2, 3, 4, 3, 5);
    }

    @Test
    void partsAreOrderedByTheHead() {
        Tune plain = Tunes.of(Meter.of(4, 4), Tunes.d(), "D4 | E4 | F#4 | G4 |");
        List<Bar> bars = List.of(part(plain.bars().get(0), "A"), plain.bars().get(1), part(plain.bars().get(2), "B"),
                plain.bars().get(3));
        Head h = plain.head();
        Tune ordered = new Tune(new Head(h.number(), h.titles(), h.composers(), h.rhythm(), h.meter(), h.unit(),
                h.tempo(), h.key(), "AB(A)2", h.fields()), plain.opening(), bars);
        assertThat(PlayOrder.of(ordered)).containsExactly(0, 1, 2, 3, 0, 1, 0, 1);
    }

    private static Bar part(Bar bar, String name) {
        return new Bar(bar.number(), bar.elements(), bar.closing(), bar.ending(), Optional.of(name), false);
    }

    @Test
    void ordersOfPartsAreSpelledOut() {
        assertThat(PlayOrder.spelledOut("A(AB)3C2")).isEqualTo("AABABABCC");
        assertThat(PlayOrder.spelledOut("A B. C")).isEqualTo("ABC");
        assertThat(PlayOrder.spelledOut("A999999")).hasSize(100);
    }

    @Test
    void mistakenRepeatsComeToAnEnd() {
        assertThat(order("[2 D4 :| [3 E4 :| F#4 ::::::::| [9 G4 :|").size()).isLessThan(PlayOrder.LONGEST);
    }
}
