package wildflourish.app.practice;

import java.util.List;
import java.util.function.LongConsumer;
import java.util.stream.Stream;
import javafx.collections.ObservableList;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Spinner;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import wildflourish.app.controls.Boxes;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Numbers;
import wildflourish.app.controls.Shown;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.ScoreView;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.core.finding.Sentence;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.PracticePlan;
import wildflourish.library.TuneEntry;

/** The practice screen: what is chosen on the left, the pulse in the middle, the climb on the right; or the history. */
public final class PracticeView extends BorderPane {

    private static final double SIDE = 288;

    private final PracticeModel model;
    private final ObservableList<TuneEntry> tunes;
    private final LongConsumer openTune;
    private final ComboBox<TuneEntry> which = new ComboBox<>();
    private final ComboBox<Instrument> instrument = new ComboBox<>();
    private final PulseLanes lanes;
    private final ScoreView score;
    private final PassGraph climb = new PassGraph();
    private final HistoryPane past;
    private final ToggleButton tune = Buttons.toggle("practise-tune", "Tune", "a stretch of the open tune");
    private final ToggleButton gesture = Buttons.toggle("practise-gesture", "Gesture", "one movement apart from any tune");
    private final ToggleButton historyTab = Buttons.toggle("practise-history", "History", "what has been reached");
    private final ComboBox<Passage> passage = new ComboBox<>();
    private final ComboBox<Integer> rung = new ComboBox<>();
    private final ComboBox<PracticePlan> plan = new ComboBox<>();
    private final ComboBox<Drill> drill = new ComboBox<>();
    private final ComboBox<Lilt> lilt = new ComboBox<>();
    private final ComboBox<HandsChoice> hands = new ComboBox<>();
    private final Spinner<Integer> percent = Numbers.spinner("practise-percent", 30, 120, 80, 5, "tempo of call and response, per cent");
    private final CheckBox along = new CheckBox("the tune sounds along");
    private final Button start = new Button("Begin");
    private final Spinner<Integer> even = Numbers.spinner("even-up-to", 2, 40, 10, 1, "gaps of an even pass vary by up to, per cent");
    private final Spinner<Integer> lift = Numbers.spinner("even-passes", 1, 9, 2, 1, "even passes in a row that lift the tempo");
    private final Spinner<Integer> rest = Numbers.spinner("rest-after", 0, 120, 12, 1, "minutes until a reminder to rest, 0 for none");
    private final Label rule = Labels.quietLines("rule");
    private final Button calibrate = new Button("Calibrate the keys");
    private final Label delay = Labels.quietLines("key-delay");
    private final Label care = Labels.quietLines("care");
    private final Label title = new Label();
    private final Label phase = new Label();
    private final Label advice = new Label();
    private final Label facts = new Label();
    private final Label reminder = new Label();
    private final Label climbTitle = Labels.heading("");
    private final Label latest = Labels.quietLines("latest-passes");
    private final VBox tuneChoices;
    private final VBox gestureChoices;
    private final HBox percentRow;
    private final VBox ruleRows = new VBox(8, Numbers.row("gaps vary up to, %", even), Numbers.row("even passes", lift));
    private final Label how = new Label();
    private final VBox choices = new VBox(8);
    private final ScrollPane scroll = new ScrollPane(choices);
    private final BorderPane side = new BorderPane();
    private final BorderPane playing = new BorderPane();
    private final Filling filling = new Filling();
    private @Nullable PracticeState shown;
    private @Nullable Instrument shownOn;

    /**
     * A view of the model.
     *
     * @param shelf the tunes that can be chosen
     * @param openTune opens one of them
     * @param writeLog asks where the log is to be written
     */
    PracticeView(PracticeModel model, TrellisModel trellis, ObservableList<TuneEntry> shelf, LongConsumer openTune, Runnable writeLog) {
        this.model = model;
        this.lanes = new PulseLanes(model::rule);
        this.tunes = shelf;
        this.openTune = openTune;
        this.score = new ScoreView(trellis);
        this.past = new HistoryPane(model, writeLog);
        score.besideOthers("practice-score");
        setId("practice");
        getStyleClass().add("practice");
        percentRow = Numbers.row("% of the tempo", percent);
        tuneChoices = new VBox(5, Boxes.labelled("practise-which", "tune", which), Boxes.beside(SIDE, Boxes.labelled("practise-passage", "stretch", passage), Boxes.labelled("practise-rung", "rung", rung)),
                Boxes.labelled("practise-plan", "plan", plan), percentRow, Boxes.labelled("practise-lilt", "lilt", lilt), along);
        gestureChoices = new VBox(5, Boxes.labelled("practise-drill", "gesture", drill));
        setLeft(choices());
        fillPlaying();
        setCenter(playing);
        wire();
        model.state().addListener((o, before, now) -> show(now));
        if (model.state().get() != null) {
            show(model.state().get());
        }
    }

    /** Shows the music as it is now, or rests. */
    public void setShown(boolean now) {
        score.setShown(now);
    }

    private Node choices() {
        ToggleGroup modes = new ToggleGroup();
        List.of(tune, gesture, historyTab).forEach(t -> t.setToggleGroup(modes));
        tune.setSelected(true);
        start.setId("practise-start");
        start.getStyleClass().add("begin");
        start.setMaxWidth(Double.MAX_VALUE);
        start.setTooltip(new Tooltip("Enter"));
        calibrate.setId("calibrate");
        calibrate.setTooltip(new Tooltip("play along with twelve clicks, so that the delay of the keyboard or the microphone is taken off"));
        calibrate.setOnAction(e -> calibrate());
        choices.getChildren().setAll(tuneChoices, gestureChoices,
                Boxes.labelled("practise-instrument", "instrument", instrument), Boxes.labelled("practise-hands", "who plays", hands), start,
                Labels.heading("When it goes up"), ruleRows, rule,
                Labels.heading("Delay"), calibrate, delay,
                Labels.heading("Rest"), Numbers.row("after minutes", rest), care);
        choices.getStyleClass().add("choices");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        FlowPane tabs = new FlowPane(6, 6, tune, gesture, historyTab);
        tabs.getStyleClass().add("practice-tabs");
        side.setTop(tabs);
        side.setCenter(scroll);
        side.setMinWidth(SIDE);
        return side;
    }

    private void fillPlaying() {
        title.setId("practise-title");
        title.getStyleClass().add("note-title");
        phase.setId("practise-phase");
        phase.getStyleClass().add("phase");
        advice.setId("practise-advice");
        advice.getStyleClass().add("advice");
        advice.setWrapText(true);
        advice.setMinHeight(USE_PREF_SIZE);
        facts.setId("practise-facts");
        facts.setWrapText(true);
        facts.setMinHeight(USE_PREF_SIZE);
        reminder.setId("reminder");
        reminder.getStyleClass().add("reminder");
        reminder.setWrapText(true);
        reminder.setMinHeight(USE_PREF_SIZE);
        reminder.setMaxWidth(Double.MAX_VALUE);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(10, title, gap, phase);
        head.setAlignment(Pos.BASELINE_LEFT);
        head.getStyleClass().add("practice-head");
        VBox under = new VBox(4, advice, facts, reminder);
        under.getStyleClass().add("practice-head");
        playing.setTop(head);
        VBox.setVgrow(score, Priority.ALWAYS);
        VBox.setVgrow(lanes, Priority.ALWAYS);
        score.setPrefHeight(330);
        lanes.setPrefHeight(240);
        lanes.setMinHeight(120);
        how.setId("practise-how");
        how.getStyleClass().add("drill-how");
        how.setWrapText(true);
        how.setMinHeight(USE_PREF_SIZE);
        how.setMaxWidth(Double.MAX_VALUE);
        playing.setCenter(new VBox(score, how, lanes));
        playing.setBottom(under);
        climbTitle.setId("climb-title");
        VBox.setVgrow(climb, Priority.SOMETIMES);
        VBox right = new VBox(6, climbTitle, climb, Labels.heading("Passes"), latest);
        right.getStyleClass().add("note-in-hand");
        right.setPrefWidth(SIDE);
        right.setMinWidth(240);
        playing.setRight(right);
    }

    private void wire() {
        tune.setOnAction(e -> mode(PracticeState.Mode.TUNE));
        gesture.setOnAction(e -> mode(PracticeState.Mode.DRILL));
        historyTab.setOnAction(e -> openHistory());
        start.setOnAction(e -> {
            lanes.requestFocus();
            model.toggle();
        });
        which.setConverter(Choosing.by(TuneEntry::title));
        which.setVisibleRowCount(18);
        which.setOnAction(e -> chosen(() -> openTune.accept(which.getValue().id())));
        instrument.setConverter(Choosing.by(Instrument::name));
        instrument.setVisibleRowCount(18);
        instrument.setOnAction(e -> chosen(() -> model.setInstrument(instrument.getValue())));
        passage.setConverter(Choosing.by(Passage::name));
        passage.setOnAction(e -> chosen(() -> model.setPassage(passage.getSelectionModel().getSelectedIndex())));
        rung.setOnAction(e -> chosen(() -> model.setRung(rung.getValue())));
        rung.setConverter(Choosing.by(r -> model.rungName(r)));
        plan.getItems().setAll(PracticePlan.all());
        plan.setConverter(Choosing.by(PracticePlan::words));
        plan.setOnAction(e -> chosen(() -> model.setPlan(plan.getValue())));
        lilt.getItems().setAll(Lilt.all());
        lilt.setConverter(Choosing.by(Lilt::words));
        lilt.setOnAction(e -> chosen(() -> model.setLilt(lilt.getValue())));
        drill.setConverter(Choosing.by(Drill::name));
        drill.setOnAction(e -> chosen(() -> model.setDrill(drill.getValue())));
        hands.getItems().setAll(HandsChoice.all());
        hands.setConverter(Choosing.by(HandsChoice::words));
        hands.setOnAction(e -> chosen(() -> model.setHands(hands.getValue())));
        percent.valueProperty().addListener((o, a, now) -> chosen(() -> model.setPercent(now)));
        along.setId("practise-along");
        along.setWrapText(true);
        along.setOnAction(e -> chosen(() -> model.setAlong(along.isSelected())));
        even.valueProperty().addListener((o, a, now) -> chosen(() -> model.setRule(now / 100.0, lift.getValue())));
        lift.valueProperty().addListener((o, a, now) -> chosen(() -> model.setRule(even.getValue() / 100.0, now)));
        rest.valueProperty().addListener((o, a, now) -> chosen(() -> model.setRestAfter(now)));
    }

    private void mode(PracticeState.Mode mode) {
        setCenter(playing);
        side.setCenter(scroll);
        model.setMode(mode);
        if (model.state().get() != null) {
            show(model.state().get());
        }
        lanes.requestFocus();
    }

    /** Shows what has been reached. */
    public void openHistory() {
        historyTab.setSelected(true);
        setCenter(past);
        side.setCenter(past.list());
        past.begin();
    }

    /** Shows what has been reached in one thing, called as in the list. */
    public void openHistory(String name) {
        openHistory();
        past.select(name);
    }

    /** Shows what is practised again, in place of the history. */
    public void closeHistory() {
        mode(model.state().get().choice().mode());
    }

    private void chosen(Runnable command) {
        if (!filling.isOn() && model.state().get() != null) {
            command.run();
            if (!model.isRunning()) {
                fill(model.state().get().choice());
            }
        }
    }

    /** Whether it is practised, and not looked at what has been reached. */
    boolean isPlaying() {
        return getCenter() == playing;
    }

    void calibrate() {
        lanes.requestFocus();
        model.calibrate();
    }

    private void show(PracticeState now) {
        PracticeState before = shown;
        shown = now;
        boolean settled = before != null && before.choice().equals(now.choice()) && before.title().equals(now.title())
                && model.instrument().equals(shownOn);
        shownOn = model.instrument();
        if (!settled) {
            fill(now.choice());
        }
        if (!settled || before == null || !now.saysTheSameAs(before)) {
            words(now);
        }
        phase.setText(now.phase().words() + now.hearsInWords().map(w -> "  ·  hears " + w).orElse(""));
        lanes.show(now);
        climb.show(now);
        now.note().ifPresentOrElse(n -> score.light(now.choice().rung(), n), score::darken);
    }

    private void fill(PracticeState.Choice choice) {
        filling.fill(() -> {
            boolean isTune = choice.mode() == PracticeState.Mode.TUNE;
            if (getCenter() == playing) {
                tune.setSelected(isTune);
                gesture.setSelected(!isTune);
            }
            Shown.set(tuneChoices, isTune);
            Shown.set(score, isTune);
            Shown.set(gestureChoices, !isTune);
            Shown.set(ruleRows, isTune);
            Shown.set(how, !isTune);
            how.setText(choice.drill().map(d -> d.how(choice.hands().isHeard())).orElse(""));
            Shown.set(percentRow, choice.plan().isAtTempoSet());
            which.getItems().setAll(tunes);
            which.setValue(tunes.stream().filter(t -> t.id() == model.tune()).findFirst().orElse(null));
            instrument.getItems().setAll(Instruments.all().stream().filter(Instrument::hasHands).toList());
            instrument.setValue(instrument.getItems().stream().filter(i -> i.id().equals(model.instrument().id())).findFirst().orElse(null));
            passage.getItems().setAll(choice.passages());
            passage.getSelectionModel().select(choice.passage());
            rung.getItems().setAll(model.rungs());
            rung.setValue(choice.rung());
            plan.setValue(choice.plan());
            lilt.setValue(choice.lilt());
            hands.setValue(choice.hands());
            drill.getItems().setAll(choice.drills());
            drill.setValue(choice.drill().orElse(null));
            percent.getValueFactory().setValue(choice.percent());
            along.setSelected(choice.along());
            even.getValueFactory().setValue((int) Math.round(model.rule().evenUpTo() * 100));
            lift.getValueFactory().setValue(model.rule().passes());
            rest.getValueFactory().setValue((int) Math.round(model.rest().afterMinutes()));
            rule.setText(isTune ? model.rule().inWords() : Drill.ruleInWords());
            calibrate.setText(choice.hands().equals(HandsChoice.MICROPHONE) ? "Calibrate the microphone" : "Calibrate the keys");
            delay.setText(delayInWords(choice));
            care.setText(String.join("\n", Stream.concat(Stream.of(model.rest().pain()), model.cautions().stream()).distinct().toList()));
        });
    }

    private String delayInWords(PracticeState.Choice choice) {
        boolean known = choice.calibration().isKnown();
        long ms = Math.round(choice.calibration().delayMs());
        if (choice.hands().equals(HandsChoice.MICROPHONE)) {
            return (known ? "what is heard is taken %d ms earlier".formatted(ms) : "not calibrated yet: hold the microphone to the loudspeaker, or clap along")
                    + "; listen by headphones, or the program is heard as well as you. Nothing is kept of what is heard.";
        }
        return known ? "taps are taken %d ms earlier than they are told; the %d ms of the sound device are taken off besides".formatted(ms, Math.round(model.latencyMs()))
                : "not calibrated yet; any letter or the space bar taps";
    }

    private void words(PracticeState now) {
        boolean isTune = now.choice().mode() == PracticeState.Mode.TUNE;
        String what = isTune ? now.title() : now.choice().drill().map(Drill::name).orElse("no drill");
        title.setText(what + now.turn().map(t -> "  ·  " + t.words()).orElse(""));
        start.setText(now.isRunning() ? "Stop" : "Begin");
        advice.setText(Sentence.full(now.advice()));
        facts.setText(now.facts());
        reminder.setText(now.reminder().isEmpty() ? "" : now.reminder() + " " + model.rest().pain());
        Shown.set(reminder, !now.reminder().isEmpty());
        boolean climbs = now.steps().isPresent() || now.run().isPresent();
        Shown.set(climb, climbs);
        Shown.set(climbTitle, climbs);
        climbTitle.setText(isTune ? "Up to " + model.goal().spoken() : "From slow to fast");
        latest.setText(now.latest(6));
        lanes.setAccessibleText(PulseLanes.inWords(now).orElse("onsets against the pulse"));
    }

    /** Puts the keyboard where taps are taken. */
    public void focusLanes() {
        if (getCenter() == playing) {
            lanes.requestFocus();
        } else {
            past.list().requestFocus();
        }
    }

    void setLook(Look look) {
        lanes.setLook(look);
        score.setLook(look);
        side.setPrefWidth(Math.min(SIDE * look.scale(), 470));
        side.setMinWidth(side.getPrefWidth());
        climb.setLook(look);
        past.setLook(look);
    }
}
