package wildflourish.app.practice;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.listening.Player;
import wildflourish.app.work.Background;
import wildflourish.core.hearing.HeardPass;
import wildflourish.core.practice.Calibration;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.SpeedTries;
import wildflourish.core.practice.Spoken;
import wildflourish.core.practice.Steps;
import wildflourish.sound.microphone.Listener;
import wildflourish.sound.microphone.Overheard;
import wildflourish.sound.transport.Moment;

/**
 * What goes on while somebody practises: turn after turn in time with the sound, each of the student's measured when it is over.
 * For the interface's thread, but for what is said otherwise.
 */
final class Turns {

    private static final Background.Words NOT_PLAYED = Background.Words.silent("this could not be played; the tune is as it was");

    private static final Background.Words NOT_HEARD = Background.Words.silent("what was played could not be listened to; play it once more");

    private final PracticeModel model;
    private final ReadOnlyObjectWrapper<PracticeState> state;
    private final PracticeLog log;
    private final Player player;
    private final Background background;
    private final Consumer<String> say;
    private final Clock clock;
    private final Duration pause;
    private final HandsInUse hands = new HandsInUse(this::nowMs);
    private volatile Optional<UnderWay> going = Optional.empty();
    private Instant resumeAt = Instant.MAX;
    private SpeedTries tries = SpeedTries.NONE;
    private int asked;
    private int listening;

    /** {@code pause} lies between one pass and the next. */
    Turns(
            PracticeModel model, ReadOnlyObjectWrapper<PracticeState> state, PracticeLog log, Player player, Background background,
            Consumer<String> say, Clock clock, Duration pause) {
        this.model = model;
        this.state = state;
        this.log = log;
        this.player = player;
        this.background = background;
        this.say = say;
        this.clock = clock;
        this.pause = pause;
    }

    /** Who plays. */
    HandsInUse hands() {
        return hands;
    }

    /** Where the turn is now, in milliseconds; asked on a keyboard's own thread too. */
    double nowMs() {
        Optional<UnderWay> turn = going;
        return player.now().map(m -> turn.map(t -> t.sinceTurn(m)).orElse(m.ms())).orElse(0.0);
    }

    void prepare(PracticeState.Phase phase, Supplier<Sitting> work) {
        resumeAt = Instant.MAX;
        state.set(state.get().with(phase));
        int order = ++asked;
        background.latest(this, NOT_PLAYED, job -> new UnderWay(work.get(), hands.now()), ready -> {
            if (order == asked) {
                going = Optional.of(ready);
                player.play(ready.course());
            }
        }, () -> {
            if (order == asked) {
                stop();
            }
        });
    }

    /** The sound had to be given up: nobody practises to silence. */
    void soundLost() {
        if (going.isPresent() && player.course().isEmpty()) {
            stop();
        }
    }

    /** Stops; what was measured is kept. */
    void stop() {
        asked++;
        player.stop();
        going = Optional.empty();
        resumeAt = Instant.MAX;
        if (state.get() != null) {
            state.set(state.get().with(PracticeState.Phase.RESTING));
        }
        hands.letGo();
        learn();
    }

    /** What the ornaments of the sitting told of the hands is taken, and the next sitting begins anew. */
    private void learn() {
        SpeedTries made = tries;
        tries = SpeedTries.NONE;
        model.takeSpeeds(made);
    }

    /** A key went down now. */
    void tap() {
        going.ifPresent(now -> moment(now).filter(m -> !m.over()).ifPresent(m -> {
            arrive(now, m);
            hands.tap(m.ms());
        }));
    }

    private Optional<Moment> moment(UnderWay now) {
        return player.course().filter(c -> c == now.course()).flatMap(c -> player.now());
    }

    /** Looks where the sound is and what has been played; called for each frame while something goes on. */
    void tick() {
        if (state.get() == null) {
            return;
        }
        if (going.isEmpty()) {
            if (!clock.instant().isBefore(resumeAt)) {
                model.next();
            }
            return;
        }
        UnderWay now = going.get();
        Optional<Moment> moment = moment(now);
        if (moment.isEmpty()) {
            return;
        }
        if (moment.get().over()) {
            arriveAtEnd(now);
            return;
        }
        arrive(now, moment.get());
        now.listen(moment.get().ms());
        PracticeState.Phase phase = phase(now, moment.get());
        if (phase != state.get().phase()) {
            state.set(state.get().with(phase));
        }
        state.set(state.get().at(moment.get().ms(), now.played()).hearing(hands.listener().map(Listener::pitch).orElse(OptionalDouble.empty())));
    }

    private PracticeState.Phase phase(UnderWay now, Moment moment) {
        if (state.get().phase() == PracticeState.Phase.CALIBRATING) {
            return PracticeState.Phase.CALIBRATING;
        }
        return moment.isCountedIn() ? PracticeState.Phase.COUNTING : now.isGraded() ? PracticeState.Phase.PLAYING : PracticeState.Phase.LISTENING;
    }

    /** Closes the turns that the sound has left behind and begins the one that it is in. */
    private void arrive(UnderWay now, Moment moment) {
        while (now.leg() < moment.leg() && going.isPresent()) {
            close(now);
            begin(now);
        }
    }

    private void arriveAtEnd(UnderWay now) {
        while (!now.isLast()) {
            close(now);
            begin(now);
        }
        close(now);
        if (going.filter(g -> g == now).isPresent()) {
            going = Optional.empty();
            settle();
        }
    }

    private void begin(UnderWay now) {
        now.begin(state.get().passes().size());
        state.set(state.get().in(state.get().phase(), now.turn().turn()));
    }

    /** Measures the turn that is over, if it is one of the student's. */
    private void close(UnderWay now) {
        now.end();
        if (!now.isGraded()) {
            return;
        }
        if (state.get().phase() == PracticeState.Phase.CALIBRATING) {
            calibrated(now.turn(), now.played());
        } else {
            measure(now.turn(), now.played());
        }
    }

    /** Measures at once what was tapped; what a microphone heard in the background, while the next turn goes on. */
    private void measure(Sitting.Planned turn, List<Double> played) {
        Optional<Overheard> overheard = hands.listener().flatMap(Listener::overheard);
        if (overheard.isEmpty()) {
            measured(turn, new Pass(Evenness.of(turn.turn().expected(), played), Optional.empty()));
            return;
        }
        int order = asked;
        listening++;
        background.run(NOT_HEARD, job -> {
            Overheard all = overheard.get();
            return turn.drill().map(d -> new Pass(Evenness.of(turn.turn().expected(), all.onsets(d)), Optional.empty())).orElseGet(() -> Pass.heard(all.pass()));
        }, pass -> heard(order, () -> measured(turn, pass)), () -> heard(order, () -> { }));
    }

    private record Pass(Evenness evenness, Optional<HeardPass> heard) {

        static Pass heard(HeardPass pass) {
            return new Pass(pass.evenness(), Optional.of(pass));
        }

        Spoken spoken() {
            return heard.map(HeardPass::spoken).orElse(Spoken.UNHEARD);
        }
    }

    private void heard(int order, Runnable measure) {
        listening--;
        if (order == asked) {
            measure.run();
        }
        if (listening == 0 && state.get().phase() == PracticeState.Phase.MEASURING) {
            settle();
        }
    }

    private void measured(Sitting.Planned turn, Pass pass) {
        PracticeState before = state.get();
        Evenness evenness = pass.evenness();
        boolean drill = before.choice().mode() == PracticeState.Mode.DRILL;
        Optional<Steps.Next> next = before.steps().map(s -> s.after(evenness, pass.spoken()));
        Optional<Drill.Run> run = before.run().map(r -> r.after(evenness));
        boolean even = drill ? run.orElseThrow().cameLast() : next.map(Steps.Next::even).orElse(model.rule().isEven(evenness) && model.rule().speaks(pass.spoken()));
        String advice = drill ? run.orElseThrow().advice() : next.map(Steps.Next::why).orElseGet(() -> model.rule().told(evenness, pass.spoken()));
        List<PracticeState.Done> all = new ArrayList<>(before.passes());
        all.add(new PracticeState.Done(turn.turn().words(), evenness, even, advice, pass.spoken()));
        PracticeState.Turn measured = turn.turn().with(evenness, pass.heard());
        // Another turn may be on by now.
        boolean still = before.turn().filter(t -> t.expected() == measured.expected()).isPresent();
        PracticeState after = before.after(still ? Optional.of(measured) : before.turn(), all, next.map(Steps.Next::steps), run, advice);
        state.set(still ? after.at(before.nowMs(), evenness.played()) : after);
        if (!evenness.played().isEmpty()) {
            Instant began = clock.instant().minusMillis(Math.round(evenness.expected().lengthMs()));
            boolean tiring = drill && before.choice().drill().filter(Drill::tiring).isPresent();
            turn.what().ifPresent(what -> log.keep(LoggedPass.of(began, what, evenness, even, pass.spoken()), tiring));
        }
        pass.heard().ifPresent(h -> tries = tries.with(h.tries()));
    }

    private void calibrated(Sitting.Planned turn, List<Double> played) {
        List<Double> clicks = turn.turn().expected().onsets().stream().map(o -> o.atMs()).toList();
        Optional<Calibration> found = Calibration.of(clicks, played);
        state.set(state.get().with(PracticeState.Phase.RESTING));
        going = Optional.empty();
        if (found.isPresent()) {
            model.calibrated(found.get());
            model.keepHow();
            say.accept("%s %d ms %s; this is taken off from now on".formatted(hands.listener().isPresent() ? "the microphone is" : "the keyboard and you are",
                    Math.round(Math.abs(found.get().delayMs())), found.get().delayMs() < 0 ? "early" : "late"));
        } else {
            model.showCalibration();
            say.accept(hands.listener().isPresent() ? "the clicks were not heard clearly: hold the microphone to the loudspeaker, or clap with each of them"
                    : "too few taps, or too wild ones: tap once with each of the clicks");
        }
        hands.letGo();
    }

    /** All turns are over: goes on, or rests, once all that was heard has been measured. */
    private void settle() {
        PracticeState now = state.get();
        if (!now.isRunning()) {
            return;
        }
        if (listening > 0) {
            state.set(now.with(PracticeState.Phase.MEASURING));
            return;
        }
        boolean nothingPlayed = now.played().isEmpty();
        boolean onward = now.steps().map(s -> !s.reached()).orElse(now.run().map(r -> !r.done()).orElse(false));
        Optional<String> due = log.due();
        boolean restNow = log.pausesFor(due);
        PracticeState.Phase phase = onward && !restNow && !nothingPlayed ? PracticeState.Phase.BETWEEN : PracticeState.Phase.RESTING;
        state.set(now.with(phase).reminded(due.orElse("")));
        resumeAt = phase == PracticeState.Phase.BETWEEN ? clock.instant().plus(pause) : Instant.MAX;
        if (nothingPlayed) {
            state.set(state.get().advised("nothing was played; begin again when you are ready"));
        }
        now.run().filter(Drill.Run::done).ifPresent(model::takeSpeeds);
        if (phase == PracticeState.Phase.RESTING) {
            hands.letGo();
            learn();
        }
    }
}
