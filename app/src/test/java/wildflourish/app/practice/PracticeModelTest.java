package wildflourish.app.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.ShortMessage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.app.listening.HandMoved;
import wildflourish.app.trellis.Opened;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.AtOnce;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.PracticePlan;
import wildflourish.core.practice.Steps;
import wildflourish.sound.input.MidiHands;
import wildflourish.sound.transport.Moment;

/** Practising without a window or a clock of its own: the sound is where the test puts it. */
class PracticeModelTest {

    /** A clock that is set by hand. */
    private static final class HandSet extends Clock {
        private Instant now = Instant.parse("2026-03-05T19:00:00Z");

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }
    }

    private final HandMoved player = new HandMoved();
    private final HandSet clock = new HandSet();
    private final PracticeModel.Keeping keeping = mock(PracticeModel.Keeping.class);
    private final List<String> said = new ArrayList<>();
    private TrellisModel trellis;
    private PracticeModel model;

    @BeforeEach
    void sitDown() {
        trellis = Opened.tune("X:1\nT:Test\nR:reel\nM:4/4\nL:1/8\nQ:1/2=100\nK:D\n"
                + "|:dfaf dfaf|gfed B2A2|dfaf dfaf|gfed d4:|\n", "whistle-d");
        model = new PracticeModel(trellis, player, keeping, AtOnce.background(said::add), said::add, clock, Duration.ofSeconds(2));
        model.setShown(true);
        model.setPassage(0);
    }

    private PracticeState now() {
        return model.state().get();
    }

    private void hands(String id) {
        model.setHands(HandsChoice.all().stream().filter(h -> h.id().equals(id)).findFirst().orElseThrow());
    }

    private void plan(String id) {
        model.setPlan(PracticePlan.all().stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow());
    }

    /** Lets the sound go on by so many milliseconds, frame by frame of the screen. */
    private void run(double ms) {
        for (double done = 0; done < ms; done += 8) {
            player.goOn(8);
            clock.now = clock.now.plusMillis(8);
            model.tick();
        }
    }

    /** Goes on until a pass more is over. */
    private void pass() {
        int before = now().passes().size();
        for (int i = 0; now().passes().size() == before && i < 2000; i++) {
            run(64);
        }
        assertThat(now().passes()).as("a pass came to its end").hasSize(before + 1);
    }

    @Test
    void oneWhoImprovesReachesTheGoalAndOneWhoRushesDoesNot() {
        hands("improving");
        model.start();
        for (int i = 0; i < 60 && !now().steps().orElseThrow().reached(); i++) {
            pass();
        }
        assertThat(now().steps().orElseThrow().reached()).isTrue();
        assertThat(now().isRunning()).isFalse();
        verify(keeping, times(now().passes().size())).log(any(LoggedPass.class));
        hands("rushing");
        model.setPassage(1);
        model.start();
        Steps first = now().steps().orElseThrow();
        for (int i = 0; i < 8; i++) {
            pass();
        }
        assertThat(now().steps().orElseThrow().at()).isEqualTo(first.at());
        assertThat(now().advice()).contains("faster than the pulse");
    }

    /** What a teacher calls a phrase does not matter: the one with the note in hand is practised. */
    @Test
    void aPhraseMayBeCalledAPart() {
        int first = wildflourish.core.reading.Phrases.of(trellis.state().get().situation().tune()).getLast().fromNote();
        trellis.select(1, first);
        trellis.settle("named", trellis.arrangement().with(
                trellis.arrangement().marks().naming(first, java.util.Optional.of("part of the sea"))));
        PracticeModel other = new PracticeModel(trellis, player, keeping, AtOnce.background(said::add), said::add, clock, Duration.ofSeconds(2));
        other.setShown(true);
        assertThat(other.state().get().choice().inHand().orElseThrow().name()).isEqualTo("part of the sea");
    }

    @Test
    void nothingGoesOnUntilThePauseIsOver() {
        hands("steady");
        model.start();
        pass();
        assertThat(now().phase()).isEqualTo(PracticeState.Phase.BETWEEN);
        run(1500);
        assertThat(now().phase()).isEqualTo(PracticeState.Phase.BETWEEN);
        run(600);
        assertThat(now().phase()).isEqualTo(PracticeState.Phase.COUNTING);
    }

    @Test
    void aTapJustBeforeAnAnswerBelongsToIt() {
        plan("call-and-response");
        model.start();
        var legs = player.itinerary().legs();
        run(legs.getFirst().countInMs() + legs.getFirst().lengthMs() - 40);
        assertThat(now().phase()).isEqualTo(PracticeState.Phase.LISTENING);
        model.tap();
        run(64);
        assertThat(now().phase()).isEqualTo(PracticeState.Phase.PLAYING);
        assertThat(now().played()).hasSize(1);
        assertThat(now().played().getFirst()).isCloseTo(-40, within(9.0));
        run(legs.get(1).lengthMs());
        assertThat(now().passes().getFirst().evenness().matching().pairs()).as("it is the first note").anyMatch(p -> p.expected() == 0 && p.played() == 0);
    }

    @Test
    void tapsLateByAKeyboardAreMovedBackOnceItIsCalibrated() {
        model.calibrate();
        run(player.itinerary().legs().getFirst().countInMs());
        for (int click = 0; click < 12; click++) {
            run(48);
            model.tap();
            run(552);
        }
        run(100);
        verify(keeping).remember(org.mockito.ArgumentMatchers.argThat(how -> Math.abs(how.keyDelay() - 48) < 9));
        assertThat(now().choice().calibration().delayMs()).isCloseTo(48, within(9.0));
        assertThat(said.getLast()).contains("ms late");
        double delay = now().choice().calibration().delayMs();
        model.start();
        run(player.itinerary().legs().getFirst().countInMs() + 160);
        model.tap();
        double at = player.now().orElseThrow().ms();
        run(32);
        assertThat(now().played().getFirst()).isCloseTo(at - delay, within(1e-6));
    }

    @Test
    void aCalibrationThatIsBrokenOffLosesNoDelayThatWasKnown() {
        model.recall(List.of(), new Practising(0.1, 2, 15, 30.0, null));
        model.calibrate();
        model.stop();
        model.start();
        run(player.itinerary().legs().getFirst().countInMs() + 160);
        double at = player.now().orElseThrow().ms();
        model.tap();
        run(32);
        assertThat(now().played().getFirst()).isCloseTo(at - 30, within(1e-6));
    }

    @Test
    void aDrillThatWasStoppedGoesOnWhereItWasWhateverThePlanOfTheTune() {
        plan("call-and-response");
        hands("steady");
        model.setMode(PracticeState.Mode.DRILL);
        model.start();
        pass();
        pass();
        model.stop();
        int lengthMs = now().run().orElseThrow().lengthMs();
        model.start();
        assertThat(now().run().orElseThrow().lengthMs()).isEqualTo(lengthMs);
        assertThat(now().passes()).hasSize(2);
    }

    @Test
    void aPassInWhichNothingWasPlayedIsNotLoggedAndEndsTheSitting() {
        model.start();
        pass();
        verify(keeping, never()).log(any());
        assertThat(now().isRunning()).isFalse();
        assertThat(now().advice()).contains("nothing was played");
    }

    @Test
    void aRestIsAskedForOnceAndTheSittingPausesKindly() {
        hands("uneven");
        model.setRestAfter(0.5);
        model.start();
        for (int i = 0; i < 20 && now().reminder().isEmpty(); i++) {
            pass();
            run(2100);
        }
        assertThat(now().reminder()).contains("rest");
        assertThat(now().isRunning()).as("it waits").isFalse();
        model.start();
        pass();
        assertThat(now().phase()).as("whoever goes on is not stopped again and again").isEqualTo(PracticeState.Phase.BETWEEN);
        model.stop();
        clock.now = clock.now.plus(Duration.ofMinutes(5));
        model.start();
        pass();
        assertThat(now().reminder()).as("rested").isEmpty();
    }

    @Test
    void whoSwingsAsAskedIsEven() {
        hands("steady");
        model.setLilt(Lilt.byId("dotted"));
        model.start();
        pass();
        assertThat(now().passes().getFirst().even()).as("two to one, as asked").isTrue();
        assertThat(now().passes().getFirst().evenness().swing()).hasValueCloseTo(2.0, within(0.3));
        double[] onsets = now().turn().orElseThrow().expected().onsets().stream().mapToDouble(o -> o.atMs()).limit(3).toArray();
        assertThat((onsets[1] - onsets[0]) / (onsets[2] - onsets[1])).isCloseTo(2, within(1e-6));
    }

    /** A key of a MIDI keyboard may go down just after a turn has begun, before the screen has looked: it is the turn's first onset. */
    @Test
    void theFirstOnsetOfATurnIsNotLost() throws Exception {
        plan("call-and-response");
        Sitting sitting = Sitting.calls(new Sitting.Tune(1, trellis.arrangement(), now().choice(), now().choice().inHand().orElseThrow()));
        double[] clock = {0};
        MidiHands midi = MidiHands.unplugged(() -> clock[0]);
        UnderWay way = new UnderWay(sitting, midi);
        int found = 0;
        while (!way.isLast()) {
            way.begin(0);
            boolean call = !way.isGraded();
            if (way.isLast() || !sitting.itinerary().legs().get(way.leg() + 1).graded()
                    || sitting.itinerary().legs().get(way.leg() + 1).countInMs() > 0) {
                way.end();
                continue;
            }
            clock[0] = way.sinceTurn(new Moment(way.leg() + 1, 0, 6, false));
            midi.receiver().send(new ShortMessage(ShortMessage.NOTE_ON, 0, 60, 90), -1);
            way.end();
            if (!call) {
                assertThat(way.played()).isEmpty();
            }
            way.begin(0);
            assertThat(way.played()).hasSize(1).allSatisfy(at -> assertThat(at).isCloseTo(6, within(1e-6)));
            way.end();
            found++;
        }
        assertThat(found).isPositive();
    }

    @Test
    void withoutAMidiKeyboardItSaysSo() {
        if (wildflourish.sound.input.MidiHands.keyboards().isEmpty()) {
            model.setHands(HandsChoice.MIDI);
            model.start();
            assertThat(now().isRunning()).isFalse();
            assertThat(said.getLast()).contains("no MIDI keyboard");
        }
    }

    @Test
    void whatWasReachedBeforeIsWhereItStartsAgain() {
        hands("steady");
        model.start();
        while (!now().steps().orElseThrow().reached()) {
            pass();
        }
        model.start();
        assertThat(now().steps().orElseThrow().at()).as("a step below the goal").isEqualTo(4);
    }

    @Test
    void settingsThatCannotBeReadAreAsUsual() {
        model.recall(List.of(), new Practising(9, 0, -5, 1e9, null));
        assertThat(said.getLast()).contains("as usual");
        assertThat(model.rule().passes()).isEqualTo(2);
    }

    @Test
    void anInstrumentChangedMeanwhileHasItsOwnDrills() {
        model.setMode(PracticeState.Mode.DRILL);
        assertThat(now().choice().drills()).anyMatch(d -> d.id().equals("held-finger-turn"));
        trellis.player().setInstrument("fiddle");
        assertThat(now().choice().drills()).noneMatch(d -> d.id().equals("held-finger-turn")).anyMatch(d -> d.id().equals("treble"));
    }

    private static final String TWO_ENDINGS = "X:1\nT:Test\nR:reel\nM:4/4\nL:1/8\nQ:1/2=100\nK:D\n"
            + "|:dfaf dfaf|gfed B2A2|dfaf dfaf|[1 gfed d4:|[2 gfed e4||\n|:a4 f4|e2d2 e4|a4 f4|e2c2 d4:|\n";

    private Sitting sitting(String music, String plan, String passage) {
        var opened = Opened.tune(music, "whistle-d");
        PracticeModel other = new PracticeModel(opened, player, keeping, AtOnce.background(said::add), said::add, clock, Duration.ofSeconds(2));
        other.setShown(true);
        other.setPlan(PracticePlan.all().stream().filter(p -> p.id().equals(plan)).findFirst().orElseThrow());
        PracticeState.Choice choice = other.state().get().choice();
        Passage wanted = choice.passages().stream().filter(p -> p.name().equals(passage)).findFirst().orElseThrow();
        return Sitting.of(new Sitting.Tune(1, opened.arrangement(), choice, wanted));
    }

    private static double bars(wildflourish.sound.transport.Leg leg) {
        return leg.span().to().minus(leg.span().from()).toDouble();
    }

    /** The first ending three times, and then both times through with the ending that leads on. */
    @Test
    void aPartGoesAroundOnItsFirstEnding() {
        var legs = sitting(TWO_ENDINGS, "endings", "part A").itinerary().legs();
        assertThat(legs).hasSize(4).allMatch(l -> l.graded());
        assertThat(legs.subList(0, 3)).allSatisfy(l -> assertThat(bars(l)).isEqualTo(4));
        assertThat(bars(legs.getLast())).as("four bars and four with the second ending").isEqualTo(8);
        assertThat(sitting(TWO_ENDINGS, "endings", Passage.WHOLE).itinerary().legs()).hasSize(8);
    }

    /** Every step of the teaching order is heard and then played, in that order, and the whole comes last. */
    @Test
    void phrasesAreJoinedInTheTeachersOrder() {
        Sitting joined = sitting(TWO_ENDINGS, "joined", Passage.WHOLE);
        List<String> played = joined.turns().stream().flatMap(t -> t.what().stream()).map(LoggedPass.Practised::passage).toList();
        List<String> taught = wildflourish.core.reading.Reading.of(Opened.tune(TWO_ENDINGS, "whistle-d").arrangement()).lesson().steps().stream().map(s -> s.name()).toList();
        assertThat(played.subList(0, played.size() - 1)).isEqualTo(taught);
        assertThat(played.getLast()).isEqualTo(Passage.WHOLE);
        assertThat(joined.turns()).hasSize(2 * taught.size() + 1);
    }

    /** A held note is played on each of its beats, then once; what lights up is the note of the tune. */
    @Test
    void heldNotesAreStruckThenHeld() {
        Sitting sitting = sitting(TWO_ENDINGS, "restruck", "part B");
        List<PracticeState.Turn> own = sitting.turns().stream().filter(t -> t.what().isPresent()).map(Sitting.Planned::turn).toList();
        assertThat(own).hasSize(2);
        assertThat(own.getFirst().expected().size()).as("on each of sixteen beats").isEqualTo(16);
        assertThat(own.getLast().expected().size()).as("as it is written").isEqualTo(10);
        assertThat(own.getFirst().notes().stream().distinct().toList()).isEqualTo(own.getLast().notes().stream().distinct().toList());
    }

    /** Every plan that is gone through as a whole comes to its end, on any stretch; silent ones measure nothing. */
    @ParameterizedTest
    @ValueSource(strings = {"goal-first", "call-and-response", "silent-fingers", "joined", "endings", "restruck", "equally-loud"})
    void everyPlanComesToItsEnd(String id) {
        hands("steady");
        plan(id);
        model.setPassage(0);
        model.start();
        boolean silent = now().choice().plan().way() == PracticePlan.Way.SILENT;
        for (int i = 0; i < 6000 && now().isRunning(); i++) {
            run(64);
        }
        assertThat(now().isRunning()).as("it comes to its end").isFalse();
        assertThat(now().passes().isEmpty()).isEqualTo(silent);
    }

    /** A student who is listened to: even passes whose ornaments speak go up, and what was heard is told; silent ornaments hold the tempo. */
    @Test
    void whoIsListenedToGoesUpWhenTheOrnamentsSpeak() {
        trellis.select(trellis.arrangement().ladder().size() - 1, 0);
        hands("heard steady");
        model.start();
        Steps first = now().steps().orElseThrow();
        pass();
        assertThat(now().turn().orElseThrow().heard()).isPresent();
        assertThat(now().passes().getLast().spoken().meant()).isGreaterThan(2);
        assertThat(model.log().getLast().spoken()).as("the log keeps it").isEqualTo(now().passes().getLast().spoken());
        assertThat(now().passes().getLast().even()).as(now().facts()).isTrue();
        assertThat(now().facts()).contains("ornaments spoke");
        pass();
        assertThat(now().steps().orElseThrow().at()).isEqualTo(first.at() + 1);
        model.stop();
        hands("heard improving");
        model.start();
        pass();
        assertThat(now().passes().getLast().even()).isFalse();
        assertThat(now().passes().getLast().spoken().share()).isLessThan(0.75);
        assertThat(now().facts()).contains("Bar ");
    }

    @Test
    void aGestureIsListenedToAsWell() {
        model.setMode(PracticeState.Mode.DRILL);
        hands("heard steady");
        model.start();
        pass();
        assertThat(now().run().orElseThrow().tries().getLast().clean()).isGreaterThanOrEqualTo(7);
        assertThat(now().run().orElseThrow().at()).isEqualTo(1);
    }

    /** Without a microphone it is said what to do, and nothing begins. */
    @Test
    void aMissingMicrophoneIsTold() {
        org.junit.jupiter.api.Assumptions.assumeTrue(wildflourish.sound.microphone.ComputerMicrophone.open().isEmpty());
        hands("microphone");
        model.start();
        assertThat(model.isRunning()).isFalse();
        assertThat(said).anyMatch(w -> w.startsWith("no microphone can be listened to"));
        model.calibrate();
        assertThat(model.isRunning()).isFalse();
    }
}
