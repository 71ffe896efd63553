package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;

class TimelineTest {

    @Test
    void notesCountFromZeroAndRestsDoNot() {
        Timeline timeline = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D4:2 z:2 E4:4 | F#4:8 |"));
        assertThat(timeline.size()).isEqualTo(3);
        assertThat(timeline.note(1).onset()).isEqualTo(Ratio.of(1, 2));
        assertThat(timeline.note(2).bar()).isEqualTo(1);
        assertThat(timeline.barStarts()).containsExactly(0, 2);
    }

    @Test
    void aPickupIsCountedFromTheEndOfItsBar() {
        Timeline timeline = Timeline.of(Tunes.of(Meter.of(6, 8), Tunes.d(), "D4 | E4:3 F#4:3 |"));
        assertThat(timeline.note(0).offset()).isEqualTo(Ratio.of(5, 8));
        assertThat(timeline.note(1).offset()).isEqualTo(Ratio.ZERO);
        assertThat(timeline.note(1).strength()).isEqualTo(3);
    }

    @Test
    void aPickupAfterARepeatSignToo() {
        Timeline timeline = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D4:8 | E4:6 :| F#4:2 | G4:8 |"));
        assertThat(timeline.note(2).offset()).isEqualTo(Ratio.of(3, 4));
    }

    @Test
    void tiesLengthenTheFirstNoteAndHoldTheNext() {
        Timeline timeline = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D4:8- | D4:4- D4:2 E4:2 |"));
        assertThat(timeline.note(0).sounding()).isEqualTo(Ratio.of(14, 8));
        assertThat(timeline.note(1).heldOver()).isTrue();
        assertThat(timeline.note(2).heldOver()).isTrue();
        assertThat(timeline.note(3).heldOver()).isFalse();
        assertThat(timeline.after(0).orElseThrow().index()).isEqualTo(3);
        assertThat(timeline.before(3).orElseThrow().index()).isZero();
    }

    @Test
    void aTieToAnotherPitchHoldsNothing() {
        Timeline timeline = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D4:4- E4:4 |"));
        assertThat(timeline.note(0).sounding()).isEqualTo(Ratio.of(1, 2));
        assertThat(timeline.note(1).heldOver()).isFalse();
    }
}
