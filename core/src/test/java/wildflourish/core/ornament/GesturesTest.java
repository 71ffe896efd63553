package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;

/** What the fingers of a whistle can and cannot do: common practice. */
class GesturesTest {

    static List<Ornament> ornaments(Situation situation, String... ids) {
        return Arrays.stream(ids).map(situation.vocabulary()::known).toList();
    }

    private static Gesture gesture(String tune, int note, String... ids) {
        Situation situation = Tunes.whistle(tune);
        Making making = Gestures.make(situation, note, ornaments(situation, ids));
        assertThat(making).isInstanceOf(Making.Made.class);
        return ((Making.Made) making).gesture();
    }

    private static Obstacle obstacle(String tune, int note, String... ids) {
        Situation situation = Tunes.whistle(tune);
        Making making = Gestures.make(situation, note, ornaments(situation, ids));
        assertThat(making).isInstanceOf(Making.Hindered.class);
        return ((Making.Hindered) making).obstacle();
    }

    private static List<Move> moves(Gesture gesture) {
        return gesture.pulses().stream().flatMap(p -> p.parts().stream()).map(Gesture.Part::move).toList();
    }

    @Test
    void noCutWithAllHolesOpen() {
        Obstacle obstacle = obstacle("C#5:2", 0, "cut");
        assertThat(obstacle).isEqualTo(new Obstacle.NoFingerToLift(Pitch.parse("C#5")));
        assertThat(obstacle.inWords()).contains("C sharp leaves every hole open");
    }

    @ParameterizedTest
    @ValueSource(strings = {"D4:2", "D5:2"})
    void noTapOnTheLowestNoteButACran(String tune) {
        assertThat(obstacle(tune, 0, "tap")).isInstanceOf(Obstacle.NothingBelow.class);
        assertThat(obstacle(tune, 0, "short-roll")).isInstanceOf(Obstacle.NothingBelow.class);
        assertThat(moves(gesture(tune, 0, "cran"))).containsExactly(
                Move.CRAN_CUT, Move.SOUND, Move.CRAN_CUT, Move.SOUND);
    }

    @Test
    void aCranCutsWithTwoDifferentFingers() {
        List<Integer> holes = gesture("D4:3", 0, "long-cran").pulses().stream().flatMap(p -> p.parts().stream())
                .filter(p -> p.move() == Move.CRAN_CUT).map(Gesture.Part::hole).toList();
        assertThat(holes).hasSize(2).doesNotHaveDuplicates();
    }

    @Test
    void noCranWhereAHoleIsOpenBelow() {
        assertThat(obstacle("G4:2", 0, "cran")).isEqualTo(new Obstacle.HoleBelow(Pitch.parse("G4")));
    }

    /** A short roll fills two quavers: cut at the start, tap in the middle. */
    @Test
    void aShortRollHasTwoPulsesOfAQuaver() {
        Gesture roll = gesture("G4:2", 0, "short-roll");
        assertThat(roll.pulses()).extracting(Gesture.Pulse::length).containsExactly(Ratio.of(1, 8), Ratio.of(1, 8));
        assertThat(moves(roll)).containsExactly(Move.CUT, Move.SOUND, Move.TAP, Move.SOUND);
    }

    /** A long roll fills three quavers with three sounding pulses: plain, cut, tapped. */
    @Test
    void aLongRollHasThreePulses() {
        Gesture roll = gesture("G4:3", 0, "long-roll");
        assertThat(roll.pulses()).extracting(Gesture.Pulse::length)
                .containsExactly(Ratio.of(1, 8), Ratio.of(1, 8), Ratio.of(1, 8));
        assertThat(moves(roll)).containsExactly(Move.SOUND, Move.CUT, Move.SOUND, Move.TAP, Move.SOUND);
        assertThat(moves(roll).stream().filter(Move::isTone)).hasSize(3);
    }

    @Test
    void aLeaningRollGivesItsFirstPulseMore() {
        Situation situation = Tunes.whistle("G4:3").with(School.USUAL.with("roll", "leaning"));
        Gesture roll = ((Making.Made) Gestures.make(situation, 0, ornaments(situation, "long-roll"))).gesture();
        assertThat(roll.pulses().get(0).length()).isGreaterThan(roll.pulses().get(1).length());
        assertThat(roll.pulses().stream().map(Gesture.Pulse::length).reduce(Ratio.ZERO, Ratio::plus))
                .isEqualTo(Ratio.of(3, 8));
    }

    @Test
    void rollsAskForTheirLength() {
        assertThat(obstacle("G4:1", 0, "short-roll")).isInstanceOf(Obstacle.WrongLength.class);
        assertThat(obstacle("G4:2", 0, "long-roll").inWords()).contains("three quavers");
        assertThat(obstacle("G4:3", 0, "short-roll").inWords()).contains("made for two quavers");
    }

    @ParameterizedTest
    @CsvSource({"E4,6,D4", "F#4,5,E4", "G4,4,F#4", "A4,3,G4", "B4,2,A4", "C#5,1,B4", "E5,6,D5"})
    void aSlideDrawsOneFingerOffFromTheNoteBelow(String pitch, int hole, String from) {
        Gesture slide = gesture(pitch + ":2", 0, "slide");
        Gesture.Part part = slide.pulses().getFirst().parts().getFirst();
        assertThat(part.move()).isEqualTo(Move.SLIDE);
        assertThat(part.hole()).isEqualTo(hole);
        assertThat(part.pitch()).isEqualTo(Pitch.parse(from));
    }

    @Test
    void noSlideIntoTheLowestNoteNorOverTheRegister() {
        assertThat(obstacle("D4:2", 0, "slide").inWords()).contains("nothing lies below");
        assertThat(obstacle("D5:2", 0, "slide").inWords()).contains("one register to the other");
    }

    /** The plain fork cannot be slid into; C natural by a half-covered first hole can, from B: the place changes for it. */
    @Test
    void aSlideIntoTheForkedSeventhTakesItsHalfHole() {
        Gesture slide = gesture("A4 C5:2 A4", 1, "slide");
        assertThat(slide.moved()).isTrue();
        assertThat(((wildflourish.core.instrument.Place.Fingered) slide.place()).fingering().holes().toString())
                .isEqualTo("hoo ooo");
        assertThat(slide.parts("slide").getFirst().hole()).isEqualTo(1);
    }

    @Test
    void aStepwiseTripletWalksAThirdInTheKey() {
        Gesture triplet = gesture("D4 F#4", 0, "stepwise-triplet");
        assertThat(triplet.pulses()).extracting(Gesture.Pulse::length)
                .containsExactly(Ratio.of(1, 16), Ratio.of(1, 16));
        assertThat(triplet.pulses().getLast().parts().getFirst().pitch()).isEqualTo(Pitch.parse("E4"));
        Situation g = Tunes.whistle(Meter.of(4, 4), Tunes.g(), "B4 D5");
        Gesture inG = ((Making.Made) Gestures.make(g, 0, ornaments(g, "stepwise-triplet"))).gesture();
        assertThat(inG.pulses().getLast().parts().getFirst().pitch()).isEqualTo(Pitch.parse("C5"));
    }

    @Test
    void aStepwiseTripletNeedsAThirdAheadAndANoteToLeadTo() {
        assertThat(obstacle("D4 G4", 0, "stepwise-triplet")).isInstanceOf(Obstacle.NoThirdAhead.class);
        assertThat(obstacle("D4", 0, "stepwise-triplet")).isInstanceOf(Obstacle.NothingFollows.class);
        assertThat(obstacle("D4 z F#4", 0, "stepwise-triplet")).isInstanceOf(Obstacle.NothingFollows.class);
    }

    @Test
    void aLandingPopNeedsOneOfItsPairs() {
        Gesture pop = gesture("F#4:2 D4", 0, "landing-pop");
        assertThat(pop.pulses().getLast().parts().getLast().hole()).isEqualTo(4);
        assertThat(obstacle("D4:2 F#4", 0, "landing-pop").inWords()).contains("between D and F sharp");
    }

    @Test
    void threeTonguedNotesShareTwoQuaversEvenly() {
        Gesture triplet = gesture("A4:2", 0, "tongued-triplet");
        assertThat(triplet.pulses()).hasSize(3).allSatisfy(
                p -> assertThat(p.length()).isEqualTo(Ratio.of(1, 12)));
    }

    @Test
    void aSlideAndACutOnLandingFollowOneAnother() {
        assertThat(moves(gesture("D4 E4:4", 1, "cut", "slide"))).containsExactly(Move.SLIDE, Move.CUT, Move.SOUND);
    }

    @Test
    void aCutWhereARollBeginsWithOneIsThatCut() {
        assertThat(gesture("G4:2", 0, "cut", "short-roll")).isEqualTo(gesture("G4:2", 0, "short-roll"));
    }

    @Test
    void whatTakesTheSameInstantClashes() {
        assertThat(obstacle("G4:2", 0, "cut", "tap")).isEqualTo(new Obstacle.Clash("cut"));
        assertThat(obstacle("G4:2", 0, "tap", "short-roll")).isInstanceOf(Obstacle.Clash.class);
        assertThat(obstacle("G4:2", 0, "short-roll", "tongued-triplet")).isInstanceOf(Obstacle.Clash.class);
        assertThat(obstacle("G4:2", 0, "tonguing", "tongued-triplet")).isInstanceOf(Obstacle.Clash.class);
        assertThat(obstacle("G4:2", 0, "tonguing", "sweep").inWords()).isEqualTo("a sweep is made without tonguing");
        assertThat(obstacle("G4:2", 0, "breath-pulse", "tonguing").inWords()).isEqualTo("a breath pulse is made without tonguing");
    }

    @Test
    void aNoteHeldOverOrNotOnTheInstrumentTakesNothing() {
        assertThat(obstacle("G4:4- G4:4", 1, "cut")).isInstanceOf(Obstacle.HeldOver.class);
        assertThat(obstacle("A3:4", 0, "cut").inWords()).contains("below the lowest note");
    }

    @Test
    void withoutAnInstrumentThereAreNoHands() {
        Situation none = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "G4:2")),
                Instruments.known("none"), School.USUAL);
        Ornament cut = Tunes.whistle("G4").vocabulary().known("cut");
        assertThat(Gestures.make(none, 0, List.of(cut)))
                .isEqualTo(new Making.Hindered(new Obstacle.NoHands()));
        assertThat(none.vocabulary().all()).isEmpty();
    }

    @Test
    void theBareNoteIsNeverHindered() {
        assertThat(moves(gesture("A3:4", 0))).containsExactly(Move.SOUND);
    }

    @Test
    void theSchoolDecidesWhichFingerCuts() {
        Situation situation = Tunes.whistle("E4:2");
        for (var expected : java.util.Map.of("upper-third", 3, "by-hand", 4, "first", 1).entrySet()) {
            Situation school = situation.with(School.USUAL.with("cut", expected.getKey()));
            Gesture cut = ((Making.Made) Gestures.make(school, 0, ornaments(school, "cut"))).gesture();
            assertThat(cut.pulses().getFirst().parts().getFirst().hole()).isEqualTo(expected.getValue());
        }
    }

    @Test
    void theForkedSeventhIsTappedByItsOwnRule() {
        Gesture tap = gesture("A4 C5:2 A4", 1, "tap");
        assertThat(tap.pulses().getFirst().parts().getFirst().hole()).isEqualTo(4);
        assertThat(tap.pulses().getFirst().parts().getFirst().pitch()).isEqualTo(Pitch.parse("B4"));
    }
}
