package wildflourish.app.recording;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Spinner;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Boxes;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Numbers;
import wildflourish.app.controls.Question;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.paint.Look;
import wildflourish.app.recording.RecordingState.Extent;
import wildflourish.app.recording.RecordingState.Listened;
import wildflourish.app.recording.RecordingState.Manner;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.hearing.Remark;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.BarNames;
import wildflourish.library.Person;

/** What was played, on the score; beside it which recording, how it is played, the note in hand, and the whole in words. */
public final class RecordingView extends BorderPane {

    private static final double SIDE = 340;

    private final RecordingModel model;
    private final RecordingScore score;
    private final ComboBox<Path> files = new ComboBox<>();
    private final ComboBox<Optional<Person>> owner = new ComboBox<>();
    private final ComboBox<Optional<Path>> beside = new ComboBox<>();
    private final ComboBox<Integer> meant = new ComboBox<>();
    private final ComboBox<Extent> extent = new ComboBox<>();
    private final CheckBox again = new CheckBox("around and around");
    private final Spinner<Integer> percent = Numbers.spinner("recording-percent", 25, 200, 100, 5, "per cent of its tempo");
    private final Spinner<Integer> semitones = Numbers.spinner("recording-semitones", -12, 12, 0, 1, "semitones higher or, below 0, lower");
    private final Spinner<Integer> cents = Numbers.spinner("recording-cents", -100, 100, 0, 5, "cents higher or, below 0, lower");
    private final Label title = Labels.wrapped("");
    private final VBox said = new VBox(4);
    private final VBox account = new VBox(4);
    private final VBox inHand = new VBox(8);
    private final Label empty = Labels.wrapped("");
    private final Label legend = Labels.quietLines("recording-legend");
    private final Question question = new Question("recording-away-answer", this::focusScore);
    private final Filling filling = new Filling();

    /** A view of the model with buttons for some of the screen's commands. */
    RecordingView(RecordingModel model, List<Command> commands, GuideLink guide) {
        this.model = model;
        this.score = new RecordingScore(model::select);
        setId("recording");
        setAccessibleRole(javafx.scene.AccessibleRole.TEXT);
        setAccessibleText("the recording: arrows walk along the notes");
        title.setId("recording-title");
        title.getStyleClass().add("note-title");
        empty.setId("recording-empty");
        said.setId("recording-said");
        account.setId("recording-account");
        boxes();
        FlowPane deeds = CommandButton.row(commands, this::focusScore, List.of(Map.entry("recording-bring-in", "Bring in…"), Map.entry("recording-record", "Record"), Map.entry("recording-made-up", "Made-up student"), Map.entry("recording-take-down", "Take down"),
                Map.entry("recording-away", "Throw away…")));
        legend.setText("\u2713 spoke   \u00d7 did not   \u25cb not heard   + more came   \u25b6 late   \u25c0 early   \u25b2 sharp   \u25bc flat   \u223f out of place   \u25c7 otherwise in the other");
        inHand.getChildren().setAll(title, said, Labels.heading("The whole"), account, guide);
        VBox side = new VBox(8, Boxes.labelled("recording-file", "recording", files), Boxes.labelled("recording-owner", "belongs to", owner), deeds, question, Boxes.labelled("recording-meant", "what was meant", meant),
                Boxes.labelled("recording-beside", "beside it", beside), inHand,
                Labels.heading("How it is played"), Boxes.labelled("recording-extent", "from where to where", extent), again, Numbers.row("% of its tempo", percent),
                Numbers.row("semitones", semitones), Numbers.row("cents", cents),
                legend);
        side.setPadding(new Insets(12));
        ScrollPane scroll = new ScrollPane(side);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setPrefWidth(SIDE);
        scroll.getStyleClass().add("side");
        setRight(scroll);
        empty.setPadding(new Insets(24));
        BorderPane.setAlignment(empty, Pos.TOP_LEFT);
        setFocusTraversable(true);
        model.state().addListener((o, before, now) -> show(now));
        show(model.state().get());
    }

    private void boxes() {
        files.setConverter(Choosing.by(p -> String.valueOf(p.getFileName())));
        files.setOnAction(e -> changed(() -> Optional.ofNullable(files.getValue()).ifPresent(model::choose)));
        beside.setConverter(Choosing.by(p -> p.map(f -> String.valueOf(f.getFileName())).orElse("no other")));
        beside.setOnAction(e -> changed(() -> Optional.ofNullable(beside.getValue()).ifPresent(model::beside)));
        owner.setConverter(Choosing.by(p -> p.map(o -> o.student().name()).orElse("nobody")));
        owner.setOnAction(e -> changed(() -> Optional.ofNullable(owner.getValue()).ifPresent(model::own)));
        meant.setConverter(Choosing.by(this::rung));
        meant.setOnAction(e -> changed(() -> Optional.ofNullable(meant.getValue()).ifPresent(r -> model.mean(r < 0 ? OptionalInt.empty() : OptionalInt.of(r)))));
        extent.getItems().setAll(Extent.values());
        extent.setConverter(Choosing.by(Extent::words));
        extent.setOnAction(e -> how());
        again.setId("recording-again");
        again.setOnAction(e -> how());
        percent.valueProperty().addListener((o, before, now) -> how());
        semitones.valueProperty().addListener((o, before, now) -> how());
        cents.valueProperty().addListener((o, before, now) -> how());
    }

    private void changed(Runnable change) {
        if (!filling.isOn()) {
            change.run();
        }
    }

    private void how() {
        changed(() -> model.playing().how(new Manner(extent.getValue(), again.isSelected(), percent.getValue(), 100 * semitones.getValue() + cents.getValue())));
    }

    private String rung(int rung) {
        Optional<Listened> listened = model.state().get().listened();
        return listened.map(l -> {
            Ladder ladder = l.version().arrangement().ladder();
            return rung < 0 ? "the nearest: " + ladder.rung(l.nearest()).name() : ladder.rung(Math.min(rung, ladder.size() - 1)).name();
        }).orElse("");
    }

    private void show(RecordingState now) {
        filling.fill(() -> {
            if (!files.getItems().equals(now.files())) {
                files.getItems().setAll(now.files());
            }
            files.setValue(now.chosen().orElse(null));
            files.setDisable(now.files().isEmpty());
            List<Optional<Person>> owners = Stream.concat(Stream.of(Optional.<Person>empty()), now.owners().people().stream().map(Optional::of)).toList();
            if (!owner.getItems().equals(owners)) {
                owner.getItems().setAll(owners);
            }
            owner.setValue(model.owner());
            owner.setDisable(now.chosen().isEmpty() || owners.size() < 2);
            List<Integer> rungs = now.listened().map(l -> IntStream.range(-1, l.version().arrangement().ladder().size()).boxed().toList()).orElse(List.of());
            int chosen = model.meant().orElse(-1);
            if (!meant.getItems().equals(rungs) || meant.getValue() == null || meant.getValue() != chosen) {
                meant.getItems().setAll(rungs);
                meant.setValue(rungs.isEmpty() ? null : chosen);
            }
            meant.setDisable(rungs.isEmpty());
            List<Optional<Path>> others = Stream.concat(Stream.of(Optional.<Path>empty()), now.files().stream().filter(f -> !now.chosen().filter(f::equals).isPresent()).map(Optional::of)).toList();
            if (!beside.getItems().equals(others)) {
                beside.getItems().setAll(others);
            }
            beside.setValue(now.listened().flatMap(Listened::beside).map(RecordingState.Beside::file));
            beside.setDisable(others.size() < 2 || now.listened().isEmpty());
            extent.setValue(now.how().extent());
            again.setSelected(now.how().again());
            percent.getValueFactory().setValue(now.how().percent());
            int whole = Math.round(now.how().cents() / 100f);
            semitones.getValueFactory().setValue(Math.clamp(whole, -12, 12));
            cents.getValueFactory().setValue(now.how().cents() - 100 * Math.clamp(whole, -12, 12));
            inHand.setVisible(now.listened().isPresent());
            inHand.setManaged(now.listened().isPresent());
            words(now);
            score.show(now);
            Node middle = now.listened().isPresent() ? score : empty;
            if (getCenter() != middle) {
                setCenter(middle);
                if (isFocused()) {
                    focusScore();
                }
            }
        });
    }

    private void words(RecordingState now) {
        empty.setText(now.chosen().isPresent() ? "Listening …" : """
                There is no recording of this tune yet. Bring one in (B): WAV, AIFF, FLAC or MP3, one instrument that plays the tune. It is copied beside the library, and never leaves this machine. Or play it yourself: R records by the microphone, and ends it.

                To see what listening does, let a made-up student play the rung in hand (M).""");
        now.inHand().ifPresent(note -> {
            title.setText("%s%s".formatted(BarNames.name(note.wanted().bar()), note.wanted().pass() > 1 ? ", time " + note.wanted().pass() : ""));
            List<String> words = told(now, note);
            said.getChildren().setAll(words.stream().map(Labels::wrapped).toList());
            setAccessibleText(title.getText() + ". " + String.join(" ", words));
        });
        now.listened().ifPresent(l -> account.getChildren().setAll(Stream.concat(l.account().inWords().stream(),
                l.beside().stream().flatMap(o -> o.comparison().inWords(l.version().arrangement().tempo()).stream())).map(Labels::wrapped).toList()));
    }

    private static List<String> told(RecordingState now, HeardVersion.Note note) {
        List<String> all = new ArrayList<>(Marks.of(now.listened().orElseThrow(), now.note()).stream().map(Remark::words).toList());
        if (all.isEmpty()) {
            all.add(note.isOrnamented() ? "As it was meant: the ornament spoke." : "As it was meant.");
        }
        Listened listened = now.listened().orElseThrow();
        listened.beside().flatMap(o -> o.comparison().inWords(now.note(), listened.version().hands().vocabulary())).ifPresent(all::add);
        return all;
    }

    /** Asks whether the recording in hand is to be thrown away. */
    void askAway() {
        model.state().get().chosen().ifPresent(file -> question.ask("Throw %s away for good? Type yes:".formatted(file.getFileName()), "", answer -> {
            if (answer.equals("yes")) {
                model.throwAway();
            }
        }));
    }

    /** Puts the keyboard on the score. */
    void focusScore() {
        (getCenter() == score ? score : this).requestFocus();
    }

    void dress(Look look) {
        score.dress(look);
    }
}
