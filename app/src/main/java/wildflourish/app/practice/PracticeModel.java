package wildflourish.app.practice;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.jspecify.annotations.Nullable;
import wildflourish.app.listening.Player;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisState;
import wildflourish.app.work.Background;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.practice.Calibration;
import wildflourish.core.practice.Care;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.PracticeHistory;
import wildflourish.core.practice.PracticePlan;
import wildflourish.core.practice.Rest;
import wildflourish.core.practice.SpeedTries;
import wildflourish.core.practice.StepRule;
import wildflourish.core.practice.Steps;
import wildflourish.core.reading.Reading;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tempo;

/**
 * Practises with a student. What is played along is taken from the hands at every {@link #tick()} by the moment that the sound is
 * at; a turn is measured, logged and answered when the sound has passed it. Not for several threads.
 */
public final class PracticeModel {

    /** Where the log and the settings go. */
    public interface Keeping {
        void log(LoggedPass pass);

        /** A drill has found how fast the hands are. */
        default void measured(Speeds speeds) {}

        void remember(Practising how);
    }

    private static final Background.Words NOT_READ = Background.Words.silent("the phrases could not be read; the tune is as it was");

    private final TrellisModel trellis;
    private final Player player;
    private final Keeping keeping;
    private final Background background;
    private final Consumer<String> say;
    private final Turns turns;
    private final ReadOnlyObjectWrapper<PracticeState> state = new ReadOnlyObjectWrapper<>();
    private final PracticeLog log;
    private String who = "";
    private StepRule rule = StepRule.USUAL;
    private long openTune = -1;
    private boolean shown;
    private @Nullable Arrangement read;

    /** A model over the trellis; {@code pause} lies between one pass and the next. */
    public PracticeModel(
            TrellisModel trellis, Player player, Keeping keeping, Background background, Consumer<String> say, Clock clock,
            Duration pause) {
        this.trellis = trellis;
        this.player = player;
        this.keeping = keeping;
        this.background = background;
        this.say = say;
        this.log = new PracticeLog(keeping, clock);
        this.turns = new Turns(this, state, log, player, background, say, clock, pause);
        trellis.state().addListener((o, before, now) -> {
            if (shown && (before == null || before.rung() != now.rung() || !before.arrangement().equals(now.arrangement()))) {
                refresh();
            }
        });
    }

    /** What is shown; null before a tune is open. */
    public ReadOnlyObjectProperty<PracticeState> state() {
        return state.getReadOnlyProperty();
    }

    /** What the log tells. */
    public ReadOnlyObjectProperty<PracticeHistory> history() {
        return log.history();
    }

    /** Who practises: a student by their id and name, or nobody in particular. The history is theirs, and so is what is played from now on. */
    public void setWho(Optional<Long> student, String name) {
        who = name;
        log.of(student);
    }

    /** The name of who practises; empty for nobody in particular. */
    String who() {
        return who;
    }

    public StepRule rule() {
        return rule;
    }

    public Rest rest() {
        return log.rest();
    }

    /** The usual cautions for the instrument in hand. */
    public List<String> cautions() {
        return Care.of(trellis.arrangement().instrument().family(), trellis.arrangement().school());
    }

    /** Follows the open tune from now on, or rests. */
    public void setShown(boolean now) {
        shown = now;
        if (now && trellis.isOpen()) {
            refresh();
        } else if (!now && isRunning()) {
            stop();
        }
    }

    /** Takes in what was logged earlier, and how somebody practises. */
    public void recall(List<LoggedPass> passes, Practising how) {
        log.recall(passes);
        if (!how.isPossible()) {
            say.accept("how you practise could not be read; it is as usual again");
            return;
        }
        rule = rule.withEvenUpTo(how.evenUpTo()).withPasses(how.passes());
        log.restAfter(how.restAfter());
        turns.hands().known(known(how.keyDelay()), known(how.microphoneDelay()));
        showCalibration();
    }

    /** How it is practised now. */
    void keepHow() {
        keeping.remember(new Practising(rule.evenUpTo(), rule.passes(), log.rest().afterMinutes(), delay(turns.hands().ofKeys()), delay(turns.hands().ofMicrophone())));
    }

    private static Calibration known(@Nullable Double delay) {
        return delay == null ? Calibration.NONE : Calibration.known(delay);
    }

    private static @Nullable Double delay(Calibration calibration) {
        return calibration.isKnown() ? calibration.delayMs() : null;
    }

    void calibrated(Calibration found) {
        turns.hands().calibrated(found);
        showCalibration();
    }

    void showCalibration() {
        if (state.get() != null) {
            choose(c -> c.with(turns.hands().calibration(c.hands())));
        }
    }

    /** Shows what can be practised; at once where the phrases are known already. */
    private void refresh() {
        Arrangement arrangement = trellis.arrangement();
        if (state.get() != null && read != null && arrangement.tune().equals(read.tune()) && arrangement.marks().equals(read.marks())) {
            refresh(state.get().choice().passages());
        } else {
            background.latest(state, NOT_READ, job -> trellis.now().plain().size() == 0 ? List.<Passage>of()
                    : Passage.of(Reading.of(arrangement)), passages -> {
                read = arrangement;
                refresh(passages);
            }, () -> { });
        }
    }

    private void refresh(List<Passage> passages) {
        TrellisState now = trellis.now();
        Arrangement arrangement = now.arrangement();
        PracticeState before = state.get();
        boolean same = before != null && openTune == now.tune();
        openTune = now.tune();
        List<Drill> drills = Drill.of(arrangement.instrument().family());
        Optional<Drill> drill = before == null ? drills.stream().findFirst()
                : before.choice().drill().filter(drills::contains).or(() -> drills.stream().findFirst());
        int rung = now.rung();
        int passage = same ? Math.min(before.choice().passage(), Math.max(0, passages.size() - 1)) : inHand(passages, now.note());
        PracticeState.Choice choice = (before == null ? PracticeState.Choice.USUAL.with(turns.hands().ofKeys()) : before.choice())
                .on(passages, passage, rung, drills, drill);
        boolean sameGoal = same && before.steps().map(s -> s.tempi().getLast().equals(arrangement.tempo())).orElse(true);
        if (same && (before.isRunning() && before.choice().rung() == rung || sameGoal && before.choice().equals(choice))) {
            state.set(before.with(choice));
        } else {
            if (isRunning()) {
                stop();
            }
            fresh(choice);
        }
    }

    /** The phrase that holds the note in hand; whole and parts stand before the phrases. */
    private static int inHand(List<Passage> passages, int note) {
        int at = 0;
        for (int i = 0; i < passages.size(); i++) {
            at = note >= passages.get(i).fromNote() && note < passages.get(i).toNote() ? i : at;
        }
        return at;
    }

    /** Nothing played yet in what is chosen. */
    private void fresh(PracticeState.Choice choice) {
        Arrangement arrangement = trellis.arrangement();
        Optional<Steps> steps = choice.mode() == PracticeState.Mode.TUNE && choice.plan().isStepwise()
                ? Optional.of(log.resuming(Steps.upTo(arrangement.tempo(), rule), openTune, arrangement, choice.inHand().map(Passage::name).orElse(""))) : Optional.empty();
        Optional<Drill.Run> run = choice.mode() == PracticeState.Mode.DRILL ? choice.drill().map(Drill::begin) : Optional.empty();
        String advice = choice.mode() == PracticeState.Mode.DRILL ? choice.drill().map(d -> d.how(choice.hands().isHeard())).orElse("there is no drill for this instrument")
                : choice.plan().about();
        state.set(new PracticeState(choice, arrangement.tune().title(), PracticeState.Phase.RESTING, Optional.empty(), List.of(), 0, List.of(),
                steps, run, advice, "", OptionalDouble.empty()));
    }

    private void choose(UnaryOperator<PracticeState.Choice> changed) {
        PracticeState now = state.get();
        if (now == null) {
            return;
        }
        PracticeState.Choice choice = changed.apply(now.choice());
        if (choice.equals(now.choice())) {
            return;
        }
        if (now.isRunning() && now.phase() != PracticeState.Phase.CALIBRATING) {
            stop();
        }
        fresh(choice);
    }

    public void setMode(PracticeState.Mode mode) {
        choose(c -> c.with(mode));
    }

    /** Takes another stretch, and its first note in hand. */
    public void setPassage(int passage) {
        choose(c -> c.withPassage(passage));
        state.get().choice().inHand().ifPresent(p -> trellis.select(trellis.rung(), p.fromNote()));
    }

    /** Takes another rung in hand, here and on the trellis. */
    public void setRung(int rung) {
        trellis.select(rung, trellis.note());
    }

    public void setPlan(PracticePlan plan) {
        choose(c -> c.with(plan));
    }

    /** Chooses who plays. */
    public void setHands(HandsChoice who) {
        choose(c -> c.with(who).with(turns.hands().calibration(who)));
    }

    /** The tempo of call and response, in per cent of the tune's. */
    public void setPercent(int percent) {
        choose(c -> c.withPercent(percent));
    }

    /** Lets the tune sound while the student plays. */
    public void setAlong(boolean along) {
        choose(c -> c.withAlong(along));
    }

    /** Chooses how each beat is shared, in what is heard and in what is measured. */
    public void setLilt(Lilt lilt) {
        choose(c -> c.with(lilt));
    }

    public void setDrill(Drill drill) {
        choose(c -> c.with(drill));
    }

    /** Changes the step rule; the steps begin anew with it. */
    public void setRule(double evenUpTo, int passes) {
        rule = StepRule.USUAL.withEvenUpTo(Math.clamp(evenUpTo, Practising.STRICTEST, Practising.LAXEST))
                .withPasses(Math.clamp(passes, 1, Practising.MOST_PASSES));
        keepHow();
        if (state.get() != null && !isRunning()) {
            fresh(state.get().choice());
        }
    }

    /** Reminds of a rest after so many minutes; 0 for never. */
    public void setRestAfter(double minutes) {
        log.restAfter(Math.clamp(minutes, 0, Practising.LONGEST));
        keepHow();
    }

    public boolean isRunning() {
        return state.get() != null && state.get().isRunning();
    }

    /** Begins, or stops. */
    public void toggle() {
        if (isRunning()) {
            stop();
        } else {
            start();
        }
    }

    /** Begins what is chosen. */
    public void start() {
        PracticeState now = state.get();
        boolean tune = now != null && now.choice().mode() == PracticeState.Mode.TUNE;
        if (now == null || tune && now.choice().inHand().isEmpty() || !tune && now.choice().drill().isEmpty()) {
            say.accept(now == null || tune ? "there is nothing to practise yet" : "there is no drill for this instrument");
            return;
        }
        if (!turns.hands().take(now.choice().hands())) {
            say.accept(missing(now.choice().hands()));
            return;
        }
        boolean over = now.steps().filter(Steps::reached).isPresent() || now.run().filter(Drill.Run::done).isPresent()
                || tune && !now.choice().plan().isStepwise();
        if (over) {
            fresh(now.choice());
        }
        next();
    }

    private static String missing(HandsChoice hands) {
        return hands.equals(HandsChoice.MICROPHONE) ? "no microphone can be listened to: plug one in, or let this program use it; tap on the keyboard instead"
                : "no MIDI keyboard is plugged in, or another program has it; tap on the keyboard instead";
    }

    /** The next pass. */
    void next() {
        PracticeState now = state.get();
        TrellisState there = trellis.now();
        turns.prepare(PracticeState.Phase.LISTENING, () -> {
            if (now.choice().mode() == PracticeState.Mode.DRILL) {
                return Sitting.drill(now.choice().drill().orElseThrow(), there.arrangement().instrument(), now.run().orElseThrow().lengthMs(),
                        now.choice().hands().id());
            }
            Sitting.Tune tune = new Sitting.Tune(there.tune(), there.arrangement(), now.choice(), now.choice().inHand().orElseThrow());
            return now.choice().plan().isStepwise() ? Sitting.pass(tune, now.steps().map(Steps::tempo).orElse(there.arrangement().tempo())) : Sitting.of(tune);
        });
    }

    /** The sound had to be given up: nobody practises to silence. */
    public void soundLost() {
        turns.soundLost();
    }

    /** Stops; what was measured is kept. */
    public void stop() {
        turns.stop();
    }

    /** A key went down now. */
    public void tap() {
        turns.tap();
    }

    /** Looks where the sound is and what has been played; called for each frame while something goes on. */
    public void tick() {
        turns.tick();
    }

    /** Taps along with clicks, to find how late the keyboard tells of its keys; or lets the microphone hear them. */
    public void calibrate() {
        if (state.get() == null) {
            return;
        }
        if (isRunning()) {
            stop();
        }
        if (!turns.hands().takeToCalibrate(state.get().choice().hands())) {
            say.accept(missing(state.get().choice().hands()));
            return;
        }
        Instrument instrument = trellis.arrangement().instrument();
        turns.prepare(PracticeState.Phase.CALIBRATING, () -> Sitting.calibration(instrument));
    }

    void takeSpeeds(Drill.Run run) {
        Arrangement arrangement = trellis.arrangement();
        if (!take("speeds from the drill: %s %s".formatted(run.drill().name(), run.inWords()), run.applied(arrangement.speeds()))) {
            say.accept("%s: %s".formatted(run.drill().name(), run.inWords()));
        }
    }

    /** Takes what the ornaments of a sitting told of the hands. */
    void takeSpeeds(SpeedTries tries) {
        Speeds before = trellis.arrangement().speeds();
        Speeds after = tries.applied(before);
        if (!after.equals(before)) {
            take("speeds from what was heard: " + SpeedTries.difference(before, after), after);
        }
    }

    private boolean take(String why, Speeds speeds) {
        Arrangement arrangement = trellis.arrangement();
        keeping.measured(speeds);
        boolean other = !speeds.equals(arrangement.speeds());
        if (other) {
            trellis.settle(why, arrangement.with(speeds));
        }
        return other;
    }

    /** Takes another instrument, here and on the trellis. */
    public void setInstrument(Instrument instrument) {
        trellis.player().setInstrument(instrument.id());
    }

    public Instrument instrument() {
        return trellis.arrangement().instrument();
    }

    public long tune() {
        return openTune;
    }

    /** Milliseconds between playing and hearing, as the device tells; taps are measured against what is heard. */
    public double latencyMs() {
        return player.latencyMs();
    }

    /** The rungs of the tune in hand, by index. */
    public List<Integer> rungs() {
        return java.util.stream.IntStream.range(0, trellis.arrangement().ladder().size()).boxed().toList();
    }

    public String rungName(int rung) {
        return rung < trellis.arrangement().ladder().size() ? trellis.arrangement().ladder().rung(rung).name() : "";
    }

    /** The log so far, the oldest pass first. */
    public List<LoggedPass> log() {
        return log.passes();
    }

    /** What the tempo of the tune in hand is, for the goal. */
    public Tempo goal() {
        return trellis.arrangement().tempo();
    }
}
