package wildflourish.app.desk;

import java.io.File;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import javafx.animation.AnimationTimer;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.app.across.AcrossView;
import wildflourish.app.chart.ChartView;
import wildflourish.app.listening.ListeningBar;
import wildflourish.app.paint.Buttons;
import wildflourish.app.paint.Palette;
import wildflourish.app.practice.PracticeView;
import wildflourish.app.reading.ReadingView;
import wildflourish.app.rounds.RoundsView;
import wildflourish.app.shelf.ShelfView;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisView;
import wildflourish.app.work.Background;
import wildflourish.app.work.Places;

/** The window's content: the screens, the bar above them with what can be done, and the word to the teacher below. */
public final class DeskView extends BorderPane {

    private static final String TRELLIS_HINTS =
            "← → note    ↑ ↓ rung    letter: place or lift    Ctrl+↑ ↓ look at    , simpler    + – tempo    space hear    Ctrl+Z undo";
    private static final String SHELF_HINTS = "↑ ↓ tune    space hear    Enter: open    Ctrl+O bring in    Ctrl+G grow all    Ctrl+2 trellis";

    private static final String CHART_HINTS = "↑ ↓ note    Enter: take a change    Ctrl+Z undo    Ctrl+P print the chart";

    private static final String READING_HINTS =
            "← → phrase    Alt+← → move its start    J join    D divide    N name    R remark    space hear    Enter: on the trellis";

    private static final String ROUNDS_HINTS =
            "← → ↑ ↓ pass    + – fuller, barer    V variation    B bare, some, all    S shuffle    T X times    space hear    Ctrl+E write";

    private static final String PRACTICE_HINTS = "Enter: begin, stop    space or any letter: tap    Ctrl+E write the log    Ctrl+2 trellis";

    private static final String ACROSS_HINTS = "↑ ↓ instrument    space hear    Enter: take it to the trellis";

    private static final Set<DeskModel.Screen> HEARD_BY_SPACE = EnumSet.of(DeskModel.Screen.READING, DeskModel.Screen.ROUNDS,
            DeskModel.Screen.ACROSS);

    private final DeskModel model;
    private final AcrossView across;
    private final ReadingView reading;
    private final RoundsView rounds;
    private final PracticeView practice;
    private final ChartView chart;
    private final TrellisView trellis;
    private final ShelfView shelf;
    private final PathBar path = new PathBar();
    private final Label title = new Label();
    private final ToggleButton shelfTab = tab("shelf-tab", "Shelf", "Ctrl+1");
    private final ToggleButton trellisTab = tab("trellis-tab", "Trellis", "Ctrl+2");
    private final ToggleButton chartTab = tab("chart-tab", "Chart", "Ctrl+3");
    private final ToggleButton readingTab = tab("reading-tab", "Reading", "how the tune is made: Ctrl+5");
    private final ToggleButton roundsTab = tab("rounds-tab", "Rounds", "what is played each time through: Ctrl+6");
    private final ToggleButton practiceTab = tab("practice-tab", "Practice", "sit with a student: Ctrl+7");
    private final ToggleButton acrossTab = tab("across-tab", "Across", "the version on every instrument: Ctrl+4");
    private final StackPane screens = new StackPane();
    private final Label hints = new Label();

    /** The content of a window on the model. */
    public DeskView(DeskModel model) {
        this.model = model;
        this.trellis = new TrellisView(model.trellis());
        this.across = new AcrossView(model.across(), () -> model.screen().set(DeskModel.Screen.TRELLIS), model::hear);
        this.reading = new ReadingView(model.reading(), () -> model.screen().set(DeskModel.Screen.TRELLIS), model::hear);
        this.rounds = new RoundsView(model.rounds(), model::follow, this::askForExport, model::hear);
        this.practice = new PracticeView(model.practice(), model.trellis(), model.shelf().tunes(), model::practise, this::askForLog);
        trellis.setBelow(new ListeningBar(model.listening(), model.trellis(), trellis.score()::requestFocus));
        this.chart = new ChartView(model.chart());
        this.shelf = new ShelfView(model.shelf(), model.incipits(), model::open, model::hear,
                this::askForFile, model::growAll);
        getStyleClass().add("desk");
        screens.getChildren().addAll(shelf, trellis, reading, rounds, practice, chart, across);
        setTop(new VBox(top(), path));
        setCenter(screens);
        setBottom(bottom());
        model.screen().addListener((o, a, now) -> show(now));
        model.palette().addListener((o, a, now) -> dress(now));
        model.trellis().state().addListener((o, a, now) -> title.setText(model.trellis().arrangement().tune().title()
                + "  ·  " + model.trellis().arrangement().instrument().spoken()));
        model.listening().lit().addListener((o, a, now) -> now.ifPresentOrElse(
                l -> trellis.score().light(l.rung(), l.note()), trellis.score()::darken));
        followSound();
        acceptDrops();
        show(model.screen().get());
        dress(model.palette().get());
    }

    /** Follows the sound from frame to frame, only while there is some. */
    private void followSound() {
        AnimationTimer frames = new AnimationTimer() {
            @Override
            public void handle(long now) {
                model.tick();
            }
        };
        Runnable decide = () -> {
            if (model.listening().state().get().playing() || model.practice().isRunning()) {
                frames.start();
            } else {
                frames.stop();
            }
        };
        model.listening().state().addListener((o, a, now) -> decide.run());
        model.practice().state().addListener((o, a, now) -> decide.run());
    }

    private HBox top() {
        ToggleGroup tabs = new ToggleGroup();
        shelfTab.setToggleGroup(tabs);
        trellisTab.setToggleGroup(tabs);
        chartTab.setToggleGroup(tabs);
        acrossTab.setToggleGroup(tabs);
        roundsTab.setToggleGroup(tabs);
        practiceTab.setToggleGroup(tabs);
        practiceTab.setOnAction(e -> {
            model.openPractice();
            show(model.screen().get());
        });
        roundsTab.setOnAction(e -> {
            model.openRounds();
            show(model.screen().get());
        });
        readingTab.setToggleGroup(tabs);
        readingTab.setOnAction(e -> {
            model.openReading();
            show(model.screen().get());
        });
        acrossTab.setOnAction(e -> {
            model.openAcross();
            show(model.screen().get());
        });
        chartTab.setOnAction(e -> model.openChart());
        shelfTab.setOnAction(e -> model.screen().set(DeskModel.Screen.SHELF));
        trellisTab.setOnAction(e -> openTrellis());
        title.setId("title");
        title.getStyleClass().add("title");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox.setHgrow(title, Priority.SOMETIMES);
        Button bringIn = action("bring", "Bring in…", "import a file of ABC notation: Ctrl+O", this::askForFile);
        Button sheet = action("sheet", "Sheet…", "print the take-home sheet: Ctrl+P", this::askForSheet);
        Button export = action("export", "Write file…", "as ABC, MIDI, WAV, SVG or PDF: Ctrl+E", this::askForExport);
        Button look = action("look", "Light / dark", "change the look: Ctrl+L", this::changeLook);
        HBox bar = new HBox(8, shelfTab, readingTab, trellisTab, roundsTab, practiceTab, chartTab, acrossTab, title, gap, bringIn, sheet, export, look);
        bar.setAlignment(Pos.CENTER_LEFT);
        bar.getStyleClass().add("top");
        return bar;
    }

    private static ToggleButton tab(String id, String text, String key) {
        ToggleButton tab = Buttons.toggle(id, text, key);
        tab.setMinWidth(USE_PREF_SIZE);
        return tab;
    }

    private static Button action(String id, String text, String hint, Runnable action) {
        Button button = Buttons.button(id, text, hint);
        button.setMinWidth(USE_PREF_SIZE);
        button.setOnAction(e -> action.run());
        return button;
    }

    private HBox bottom() {
        Label message = new Label();
        message.setId("message");
        message.textProperty().bind(model.message());
        message.getStyleClass().add("message");
        Label sounding = new Label();
        sounding.setId("sounding");
        model.listening().lit().addListener((o, a, now) -> sounding.setText(now.map(l -> "♪ " + l.words()).orElse("")));
        HBox work = new HBox(8);
        work.setId("under-way");
        work.setAlignment(Pos.CENTER_LEFT);
        model.underWay().addListener((ListChangeListener<Background.Job>) c -> work.getChildren().setAll(
                model.underWay().stream().flatMap(job -> underWay(job).stream()).toList()));
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        hints.getStyleClass().add("quiet");
        hints.setMinWidth(0);
        HBox.setHgrow(message, Priority.SOMETIMES);
        HBox bar = new HBox(12, message, sounding, work, gap, hints);
        bar.setAlignment(Pos.CENTER_LEFT);
        bar.getStyleClass().add("bottom");
        return bar;
    }

    /** What is under way, and its own way to end it. */
    private List<Node> underWay(Background.Job job) {
        Button stop = new Button("Stop");
        stop.setAccessibleText("stop " + job.doing());
        stop.setOnAction(e -> model.stop(job));
        return List.of(new Label(job.doing() + " …"), stop);
    }

    private void show(DeskModel.Screen screen) {
        boolean onShelf = screen == DeskModel.Screen.SHELF;
        shelf.setVisible(onShelf);
        boolean onTrellis = screen == DeskModel.Screen.TRELLIS;
        trellis.setVisible(onTrellis && model.trellis().isOpen());
        chart.setVisible(screen == DeskModel.Screen.CHART);
        across.setVisible(screen == DeskModel.Screen.ACROSS);
        reading.setVisible(screen == DeskModel.Screen.READING);
        rounds.setVisible(screen == DeskModel.Screen.ROUNDS);
        practice.setVisible(screen == DeskModel.Screen.PRACTICE);
        practice.setShown(screen == DeskModel.Screen.PRACTICE);
        trellis.score().setShown(onTrellis);
        title.setVisible(onTrellis);
        switch (screen) {
            case SHELF -> {
                hints.setText(SHELF_HINTS);
                shelfTab.setSelected(true);
                shelf.focusList();
            }
            case TRELLIS -> {
                hints.setText(TRELLIS_HINTS);
                trellisTab.setSelected(true);
                trellis.score().requestFocus();
            }
            case READING -> {
                hints.setText(READING_HINTS);
                readingTab.setSelected(true);
                reading.focusMap();
            }
            case ROUNDS -> {
                hints.setText(ROUNDS_HINTS);
                roundsTab.setSelected(true);
                rounds.setShelf(model.shelf().tunes());
                rounds.focusGrid();
            }
            case PRACTICE -> {
                hints.setText(PRACTICE_HINTS);
                practiceTab.setSelected(true);
                practice.focusLanes();
            }
            case CHART -> {
                hints.setText(CHART_HINTS);
                chartTab.setSelected(true);
                chart.focusNotes();
            }
            case ACROSS -> {
                hints.setText(ACROSS_HINTS);
                acrossTab.setSelected(true);
                across.focusList();
            }
        }
    }

    private void openTrellis() {
        if (model.trellis().isOpen()) {
            model.screen().set(DeskModel.Screen.TRELLIS);
        } else {
            shelfTab.setSelected(true);
            model.say("choose a tune on the shelf first");
        }
    }

    private void dress(Palette palette) {
        getStyleClass().remove("dark");
        if (palette == Palette.DARK) {
            getStyleClass().add("dark");
        }
        trellis.setPalette(palette);
        chart.setPalette(palette);
        across.setPalette(palette);
        reading.setPalette(palette);
        rounds.setPalette(palette);
        practice.setPalette(palette);
        shelf.refresh();
    }

    private void changeLook() {
        model.palette().set(model.palette().get().other());
    }

    private void acceptDrops() {
        setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
        });
        setOnDragDropped(e -> {
            e.setDropCompleted(dropped(e.getDragboard()));
            e.consume();
        });
    }

    private boolean dropped(Dragboard board) {
        return bringInAll(board.getFiles());
    }

    private boolean bringInAll(List<File> files) {
        files.forEach(f -> model.bringIn(f.toPath()));
        return !files.isEmpty();
    }

    private void askForFile() {
        path.ask("file to bring in:", "", false, model::bringIn, this::refocus);
    }

    private void askForSheet() {
        if (model.screen().get() == DeskModel.Screen.CHART) {
            path.ask("print the chart to (.pdf .svg):", Path.of(System.getProperty("user.home"),
                    Places.fileName(model.chart().state().get().instrument().name()) + "-chart.pdf").toString(), true,
                    model.writing()::chart, this::refocus);
        } else if (hasTune()) {
            path.ask("print the sheet to:", suggestion(".pdf"), true, model.writing()::sheet, this::refocus);
        }
    }

    private void askForExport() {
        if (model.screen().get() == DeskModel.Screen.PRACTICE) {
            askForLog();
        } else if (model.screen().get() == DeskModel.Screen.ROUNDS && hasTune()) {
            path.ask("write the whole to (.abc .mid .wav .svg .pdf):", suggestion("-rounds.abc"), true, model.writing()::rounds,
                    this::refocus);
        } else if (hasTune()) {
            path.ask("write this rung to (.abc .mid .wav .svg .pdf):", suggestion(".abc"), true, model.writing()::rung,
                    this::refocus);
        }
    }

    private void askForLog() {
        path.ask("write the practice log to (.csv):", Path.of(System.getProperty("user.home"), "practice.csv").toString(), true,
                model.writing()::log, this::refocus);
    }

    private boolean hasTune() {
        if (!model.trellis().isOpen()) {
            model.say("choose a tune on the shelf first");
        }
        return model.trellis().isOpen();
    }

    private String suggestion(String ending) {
        String name = Places.fileName(model.trellis().arrangement().tune().title());
        return Path.of(System.getProperty("user.home"), name + ending).toString();
    }

    private void refocus() {
        show(model.screen().get());
    }

    /** Puts the keys of the whole window on its scene. */
    void bindKeys(Scene scene) {
        accelerator(scene, KeyCode.O, this::askForFile);
        accelerator(scene, KeyCode.P, this::askForSheet);
        accelerator(scene, KeyCode.E, this::askForExport);
        accelerator(scene, KeyCode.L, this::changeLook);
        accelerator(scene, KeyCode.DIGIT1, () -> model.screen().set(DeskModel.Screen.SHELF));
        accelerator(scene, KeyCode.DIGIT2, this::openTrellis);
        accelerator(scene, KeyCode.DIGIT3, model::openChart);
        accelerator(scene, KeyCode.DIGIT4, model::openAcross);
        accelerator(scene, KeyCode.DIGIT5, model::openReading);
        accelerator(scene, KeyCode.DIGIT6, model::openRounds);
        accelerator(scene, KeyCode.DIGIT7, model::openPractice);
        accelerator(scene, KeyCode.I, () -> onTrellis(t -> trellis.chooseInstrument()));
        accelerator(scene, KeyCode.H, () -> onTrellis(t -> t.places().keepHabit()));
        accelerator(scene, KeyCode.Q, () -> onTrellis(t -> trellis.togglePlaces()));
        accelerator(scene, KeyCode.G, () -> {
            if (model.screen().get() == DeskModel.Screen.SHELF) {
                model.growAll();
            } else {
                onTrellis(t -> t.ornaments().grow());
            }
        });
        accelerator(scene, KeyCode.T, () -> onTrellis(t -> t.ornaments().prune()));
        accelerator(scene, KeyCode.R, () -> onTrellis(t -> t.ornaments().spread()));
        accelerator(scene, KeyCode.B, () -> onTrellis(t -> trellis.toggleLadder()));
        accelerator(scene, KeyCode.J, () -> onTrellis(t -> trellis.focusVariations()));
        accelerator(scene, KeyCode.K, () -> onTrellis(t -> t.ladder().lock()));
        accelerator(scene, KeyCode.D, () -> onTrellis(t -> t.ladder().compareWith(Math.max(0, t.rung() - 1))));
        accelerator(scene, KeyCode.U, () -> onTrellis(t -> trellis.togglePlayer()));
        accelerator(scene, KeyCode.Z, () -> {
            if (model.screen().get() == DeskModel.Screen.CHART) {
                model.chart().undo();
            } else {
                walk(TrellisModel::undo);
            }
        });
        accelerator(scene, KeyCode.Y, () -> walk(TrellisModel::redo));
        scene.getAccelerators().put(
                new KeyCodeCombination(KeyCode.Z, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
                () -> walk(TrellisModel::redo));
        scene.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        scene.addEventFilter(KeyEvent.KEY_TYPED, this::typed);
    }

    private static void accelerator(Scene scene, KeyCode code, Runnable action) {
        scene.getAccelerators().put(new KeyCodeCombination(code, KeyCombination.SHORTCUT_DOWN), action);
    }

    private void onTrellis(java.util.function.Consumer<TrellisModel> command) {
        if (takesKeys()) {
            command.accept(model.trellis());
        }
    }

    /** Walks the open tune's edits, on every screen that makes them. */
    private void walk(java.util.function.Consumer<TrellisModel> command) {
        DeskModel.Screen screen = model.screen().get();
        boolean edits = (screen == DeskModel.Screen.READING || screen == DeskModel.Screen.ROUNDS
                || screen == DeskModel.Screen.PRACTICE && !model.practice().isRunning()) && model.trellis().isOpen() && !path.isAsking();
        if (takesKeys() || edits) {
            command.accept(model.trellis());
        }
    }

    private boolean takesKeys() {
        return model.screen().get() == DeskModel.Screen.TRELLIS && model.trellis().isOpen() && !path.isAsking();
    }

    private boolean elsewhere(Node focus) {
        return focus instanceof TextInputControl || focus instanceof ComboBoxBase<?>;
    }

    private void pressed(KeyEvent e) {
        boolean free = !elsewhere(getScene().getFocusOwner()) && !path.isAsking() && !(getScene().getFocusOwner() instanceof ButtonBase);
        if (HEARD_BY_SPACE.contains(model.screen().get()) && e.getCode() == KeyCode.SPACE && free) {
            model.hear();
            e.consume();
            return;
        }
        if (!takesKeys() || elsewhere(getScene().getFocusOwner())) {
            return;
        }
        TrellisModel trellisModel = model.trellis();
        boolean bars = e.isShortcutDown();
        switch (e.getCode()) {
            case SPACE -> {
                if (getScene().getFocusOwner() instanceof ButtonBase) {
                    return;
                }
                if (e.isShiftDown()) {
                    model.listening().toggleOrnament();
                } else {
                    model.listening().toggle();
                }
            }
            case LEFT -> step(e, bars, -1);
            case RIGHT -> step(e, bars, 1);
            case UP -> {
                if (e.isShortcutDown()) {
                    trellisModel.ornaments().lookOn(-1);
                } else {
                    trellisModel.stepRung(1);
                }
            }
            case DOWN -> {
                if (e.isShortcutDown()) {
                    trellisModel.ornaments().lookOn(1);
                } else {
                    trellisModel.stepRung(-1);
                }
            }
            case ENTER -> trellisModel.ornaments().toggleInSight();
            case HOME -> trellisModel.select(trellisModel.rung(), 0);
            case END -> trellisModel.select(trellisModel.rung(), Integer.MAX_VALUE);
            case DELETE, BACK_SPACE -> {
                if (e.isShiftDown()) {
                    trellisModel.ladder().forbid();
                } else {
                    trellisModel.ornaments().clearNote();
                }
            }
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void step(KeyEvent e, boolean bars, int by) {
        if (bars) {
            model.trellis().stepBar(by);
        } else {
            model.trellis().stepNote(by);
        }
    }

    private void typed(KeyEvent e) {
        if (!takesKeys() || elsewhere(getScene().getFocusOwner()) || e.isShortcutDown() || e.isAltDown()
                || e.getCharacter().length() != 1) {
            return;
        }
        char key = e.getCharacter().charAt(0);
        if (key == '+' || key == '=') {
            model.trellis().player().stepTempo(4);
        } else if (key == '-') {
            model.trellis().player().stepTempo(-4);
        } else if (key == '?') {
            model.trellis().ladder().askInstead();
        } else if (key == '!') {
            model.trellis().ladder().takeInstead();
        } else if (key == ',') {
            model.trellis().ornaments().simplify();
        } else if (key == '[') {
            model.listening().markFrom();
        } else if (key == ']') {
            model.listening().markTo();
        } else if (key == '<') {
            model.listening().stepPercent(-5);
        } else if (key == '>') {
            model.listening().stepPercent(5);
        } else if (key == '/') {
            model.listening().setAgain(!model.listening().state().get().again());
        } else if (key == '0') {
            model.trellis().places().release();
        } else if (key >= '1' && key <= '9') {
            model.trellis().places().takeOther(key - '1');
        } else if (!model.trellis().ornaments().toggleByKey(key)) {
            return;
        }
        e.consume();
    }

    /** The practice screen, for the tour and the tests. */
    public PracticeView practice() {
        return practice;
    }

    /** The trellis screen, for the tour and the tests. */
    public TrellisView trellis() {
        return trellis;
    }

}
