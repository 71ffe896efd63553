package wildflourish.app.desk;

import java.io.File;
import java.util.List;
import javafx.animation.AnimationTimer;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.Dragboard;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.app.across.AcrossView;
import wildflourish.app.chart.ChartView;
import wildflourish.app.controls.Buttons;
import wildflourish.app.listening.ListeningBar;
import wildflourish.app.paint.Palette;
import wildflourish.app.practice.PracticeView;
import wildflourish.app.reading.ReadingView;
import wildflourish.app.rounds.RoundsView;
import wildflourish.app.shelf.ShelfView;
import wildflourish.app.trellis.TrellisView;
import wildflourish.app.work.Background;

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

    private final DeskModel model;
    private final AcrossView across;
    private final ReadingView reading;
    private final RoundsView rounds;
    private final PracticeView practice;
    private final ChartView chart;
    private final TrellisView trellis;
    private final ShelfView shelf;
    private final PathBar path = new PathBar();
    private final Asking asking;
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
        this.asking = new Asking(model, path, this::refocus);
        this.trellis = new TrellisView(model.trellis());
        this.across = new AcrossView(model.across(), () -> model.screen().set(Screen.TRELLIS), model::hear);
        this.reading = new ReadingView(model.reading(), () -> model.screen().set(Screen.TRELLIS), model::hear);
        this.rounds = new RoundsView(model.rounds(), model::follow, asking::export, model::hear);
        this.practice = new PracticeView(model.practice(), model.trellis(), model.shelf().tunes(), model::practise, asking::log);
        trellis.setBelow(new ListeningBar(model.listening(), model.trellis(), trellis.score()::requestFocus));
        this.chart = new ChartView(model.chart());
        this.shelf = new ShelfView(model.shelf(), model.incipits(), model::open, model::hear,
                asking::file, model::growAll);
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
        shelfTab.setOnAction(e -> model.screen().set(Screen.SHELF));
        trellisTab.setOnAction(e -> openTrellis());
        title.setId("title");
        title.getStyleClass().add("title");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox.setHgrow(title, Priority.SOMETIMES);
        Button bringIn = action("bring", "Bring in…", "import a file of ABC notation: Ctrl+O", asking::file);
        Button sheet = action("sheet", "Sheet…", "print the take-home sheet: Ctrl+P", asking::sheet);
        Button export = action("export", "Write file…", "as ABC, MIDI, WAV, SVG or PDF: Ctrl+E", asking::export);
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
        Label unkept = new Label();
        unkept.setId("unkept");
        unkept.getStyleClass().add("warning");
        unkept.textProperty().bind(model.watch().unkept());
        unkept.setMinWidth(USE_PREF_SIZE);
        unkept.managedProperty().bind(unkept.textProperty().isNotEmpty());
        HBox work = new HBox(8);
        work.setId("under-way");
        work.setAlignment(Pos.CENTER_LEFT);
        model.underWay().addListener((ListChangeListener<Background.Job>) c -> work.getChildren().setAll(
                model.underWay().stream().flatMap(job -> underWay(job).stream()).toList()));
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        hints.getStyleClass().add("quiet");
        hints.setMinWidth(0);
        hints.visibleProperty().bind(unkept.textProperty().isEmpty());
        hints.managedProperty().bind(hints.visibleProperty());
        HBox.setHgrow(message, Priority.SOMETIMES);
        HBox bar = new HBox(12, message, unkept, sounding, work, gap, hints);
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

    private void show(Screen screen) {
        boolean onShelf = screen == Screen.SHELF;
        shelf.setVisible(onShelf);
        boolean onTrellis = screen == Screen.TRELLIS;
        trellis.setVisible(onTrellis && model.trellis().isOpen());
        chart.setVisible(screen == Screen.CHART);
        across.setVisible(screen == Screen.ACROSS);
        reading.setVisible(screen == Screen.READING);
        rounds.setVisible(screen == Screen.ROUNDS);
        practice.setVisible(screen == Screen.PRACTICE);
        practice.setShown(screen == Screen.PRACTICE);
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

    void openTrellis() {
        if (model.hasTune()) {
            model.screen().set(Screen.TRELLIS);
        } else {
            shelfTab.setSelected(true);
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

    private void refocus() {
        show(model.screen().get());
    }

    /** Puts the keys of the whole window on its scene. */
    void bindKeys(Scene scene) {
        new DeskKeys(model, this, trellis, asking, path).bind(scene);
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
