package wildflourish.app.reading;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.paint.Look;
import wildflourish.core.finding.Sentence;
import wildflourish.core.planning.Trap;
import wildflourish.core.reading.Lesson;
import wildflourish.core.reading.Part;
import wildflourish.core.reading.Passage;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Reading;

/** The tune as it is made, phrase by phrase; the phrase in hand with what to say of it; the order to teach it in; its traps. */
public final class ReadingView extends BorderPane {

    private static final double PANEL = 430;
    private static final double PER_BAR_MOST = 92;

    /** The commands that have a button, with their short words. */
    private static final Map<String, String> SHORT = new LinkedHashMap<>();

    static {
        SHORT.put("start-earlier", "◂ start");
        SHORT.put("start-later", "start ▸");
        SHORT.put("phrase-join", "Join");
        SHORT.put("phrase-divide", "Divide");
        SHORT.put("phrases-found", "As found");
        SHORT.put("phrase-on-trellis", "To the trellis");
    }

    private final ReadingModel model;
    private final List<Command> commands;
    private final Label heading = new Label();
    private final Label tonality = new Label();
    private final Label beginning = new Label();
    private final VBox map = new VBox(10);
    private final VBox lesson = new VBox(3);
    private final VBox inHand = new VBox(6);
    private final VBox traps = new VBox(8);
    private final TextField name = new TextField();
    private final TextField remark = new TextField();
    private final ScrollPane left;
    private Look look = Look.USUAL;
    private final Filling filling = new Filling();

    /** A view of the model; {@code commands} are those of its screen. */
    ReadingView(ReadingModel model, List<Command> commands, GuideLink guide) {
        this.model = model;
        this.commands = commands;
        getStyleClass().add("reading");
        setId("reading");
        heading.setId("reading-heading");
        heading.getStyleClass().add("note-title");
        heading.setWrapText(true);
        heading.setMinHeight(USE_PREF_SIZE);
        tonality.setId("reading-tonality");
        tonality.setWrapText(true);
        tonality.setMinHeight(USE_PREF_SIZE);
        beginning.getStyleClass().add("quiet");
        beginning.setWrapText(true);
        beginning.setMinHeight(USE_PREF_SIZE);
        Label lessonTitle = Labels.heading("The order to teach it in");
        VBox page = new VBox(8, heading, tonality, beginning, map, lessonTitle, lesson);
        page.setPadding(new Insets(12));
        left = scroll(page);
        left.setId("reading-page");
        left.widthProperty().addListener((o, a, b) -> redraw());
        setCenter(left);
        VBox side = new VBox(10, inHand, Labels.heading("What catches students out"), traps, guide);
        side.setPadding(new Insets(12));
        side.getStyleClass().add("note-in-hand");
        ScrollPane right = scroll(side);
        right.setPrefWidth(PANEL);
        setRight(right);
        name.setId("phrase-name");
        name.setAccessibleText("name of the phrase");
        name.setPrefColumnCount(12);
        name.setOnAction(e -> {
            model.rename(name.getText());
            focusMap();
        });
        remark.setId("phrase-remark");
        remark.setAccessibleText("remark on the phrase");
        remark.setPromptText("a remark of your own: Enter keeps it");
        remark.setOnAction(e -> {
            model.remark(remark.getText());
            focusMap();
        });
        model.state().addListener((o, before, now) -> show(before, now));
        setFocusTraversable(true);
        setAccessibleRole(javafx.scene.AccessibleRole.TEXT);
        setAccessibleText("the phrases of the tune");
        redraw();
    }

    private static ScrollPane scroll(Region content) {
        ScrollPane scroll = new ScrollPane(content);
        scroll.setFitToWidth(true);
        scroll.setFitToHeight(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
        return scroll;
    }

    /** Puts the keyboard on the phrases. */
    public void focusMap() {
        requestFocus();
    }

    void focusName() {
        name.requestFocus();
        name.selectAll();
    }

    void focusRemark() {
        remark.requestFocus();
    }

    void setLook(Look other) {
        look = other;
        redraw();
    }

    private void redraw() {
        if (model.state().get() != null) {
            show(null, model.state().get());
        }
    }

    private void show(@Nullable ReadingState before, ReadingState now) {
        if (now == null) {
            return;
        }
        boolean sameReading = before != null && before.reading() == now.reading();
        if (before != null && sameReading && before.selected() == now.selected() && before.known().equals(now.known())
                && before.situation().equals(now.situation())) {
            return;
        }
        drawMap(now);
        if (!sameReading) {
            headings(now);
            steps(now);
            allTraps(now);
        }
        phrase(now);
    }

    private void headings(ReadingState now) {
        Reading reading = now.reading();
        heading.setText("%s  ·  %s, form %s".formatted(now.title(), reading.type(), reading.form()));
        String mode = reading.tonality().key().map(k -> k.spoken()).orElse("no key");
        String outside = reading.tonality().outside().isEmpty() ? "" : "; outside it "
                + String.join(", ", reading.tonality().outside().keySet());
        String once = once(reading);
        tonality.setText("%s, %s%s%s.%s".formatted(mode, reading.tonality().scaleInWords(), outside, once,
                reading.tonality().remark().map(r -> "\n" + Sentence.full(r)).orElse("")));
        String range = reading.lowest().map(l -> "from %s up to %s".formatted(l, reading.highest().orElseThrow())).orElse("");
        String hard = now.hardness().map(h -> "\n%s on the %s: %s".formatted(Sentence.capital(h.words()), now.situation().instrument().name(),
                Sentence.full(String.join("; ", h.why())))).orElse("");
        beginning.setText("%s; %s.%s".formatted(Sentence.full(range).replaceAll("\\.$", ""), reading.beginning(), hard));
    }

    private static String once(Reading reading) {
        List<Integer> once = reading.tonality().once();
        if (once.isEmpty() || once.size() > 5) {
            return "";
        }
        return "; met once: " + String.join(", ", once.stream().map(n -> "%s in bar %d".formatted(
                reading.timeline().note(n).pitch().spoken(), reading.timeline().note(n).barNumber())).toList());
    }

    /** A row of tiles for each part, as wide as their bars, a wider gap between lines of about four bars. */
    private void drawMap(ReadingState now) {
        map.getChildren().clear();
        double room = Math.max(300, left.getWidth() - 90);
        int longest = now.reading().parts().stream().mapToInt(ReadingView::bars).max().orElse(1);
        double perBar = Math.min(PER_BAR_MOST, (room - 60) / Math.max(8, Math.min(longest, 18)));
        int index = 0;
        for (Part part : now.reading().parts()) {
            Label letter = new Label(part.name());
            letter.getStyleClass().add("part-name");
            letter.setMinWidth(34);
            Label times = new Label(part.times() > 1 ? "×" + part.times() : "");
            times.getStyleClass().add("quiet");
            VBox label = new VBox(0, letter, times);
            label.setMinWidth(34);
            FlowPane row = new FlowPane(4, 4);
            row.setPrefWrapLength(room);
            int inLine = 0;
            int line = 0;
            for (Phrase phrase : part.phrases()) {
                int at = index++;
                PhraseTile tile = new PhraseTile(now, at, Math.max(54 * look.scale(), phrase.bars() * perBar - 4), look, () -> {
                    model.select(at);
                    focusMap();
                });
                boolean starts = line < part.lines().size() && inLine == part.lines().get(line) && !phrase.again();
                if (starts) {
                    line++;
                    inLine = 0;
                }
                FlowPane.setMargin(tile, new Insets(0, 0, 0, starts || phrase.again() ? 7 : 0));
                inLine++;
                row.getChildren().add(tile);
            }
            HBox all = new HBox(6, label, row);
            HBox.setHgrow(row, Priority.ALWAYS);
            map.getChildren().add(all);
        }
    }

    private static int bars(Part part) {
        return part.phrases().stream().mapToInt(Phrase::bars).sum();
    }

    private void steps(ReadingState now) {
        lesson.getChildren().clear();
        int number = 1;
        for (Lesson.Step step : now.reading().lesson().steps()) {
            Label share = new Label("%d %%".formatted(Math.round(step.share() * 100)));
            share.setMinWidth(USE_PREF_SIZE);
            share.setPrefWidth(46 * look.scale());
            share.setAlignment(Pos.CENTER_RIGHT);
            Region known = new Region();
            known.getStyleClass().add("share-known");
            Region track = new Region();
            track.getStyleClass().add("share-track");
            StackPane bar = new StackPane(track, known);
            bar.setAlignment(Pos.CENTER_LEFT);
            bar.setMinSize(90, 12);
            bar.setMaxSize(90, 12);
            known.setMinWidth(90 * step.share());
            known.setMaxWidth(90 * step.share());
            Label text = new Label((step.isJoin() ? "      " : "") + Sentence.full(step.text()));
            text.setWrapText(true);
            text.setMinHeight(USE_PREF_SIZE);
            text.setId("lesson-" + number++);
            if (step.isJoin()) {
                text.getStyleClass().add("quiet");
            }
            HBox.setHgrow(text, Priority.ALWAYS);
            HBox row = new HBox(10, share, bar, text);
            row.setAlignment(Pos.CENTER_LEFT);
            row.setAccessibleText("learned so far: " + share.getText());
            lesson.getChildren().add(row);
        }
    }

    private void phrase(ReadingState now) {
        Optional<Passage> passage = now.passage();
        inHand.getChildren().clear();
        if (passage.isEmpty()) {
            inHand.getChildren().add(Labels.wrapped("The tune has no notes."));
            return;
        }
        Phrase phrase = passage.get().phrase();
        Label title = new Label("%s, %s".formatted(phrase.name(), now.bars(phrase)));
        setAccessibleText("phrase " + title.getText() + ". " + Sentence.full(passage.get().shape()));
        title.setId("phrase-title");
        title.getStyleClass().add("note-title");
        inHand.getChildren().add(title);
        Label shape = Labels.wrapped(Sentence.full(passage.get().shape()));
        shape.setId("phrase-shape");
        inHand.getChildren().add(shape);
        if (passage.get().isSame() || !passage.get().difference().isEmpty()) {
            Label like = Labels.wrapped(Sentence.full(passage.get().isSame()
                    ? "the same as " + now.reading().passages().get(passage.get().sameAs().get()).phrase().name()
                            + (passage.get().difference().isEmpty() ? "" : ", " + passage.get().difference())
                    : passage.get().difference()));
            like.setId("phrase-likeness");
            like.getStyleClass().add("moved");
            inHand.getChildren().add(like);
        }
        @Nullable Node beside = beside(now, passage.get());
        if (beside != null) {
            inHand.getChildren().add(beside);
        }
        inHand.getChildren().add(Labels.wrapped(Sentence.full(now.ends(phrase))));
        now.known().get(now.selected()).ifPresent(k -> {
            Label known = Labels.wrapped("Known already: it is %s.".formatted(k));
            known.setId("phrase-known");
            inHand.getChildren().add(known);
        });
        filling.fill(() -> {
            name.setText(phrase.name());
            remark.setText(passage.get().remark().orElse(""));
        });
        inHand.getChildren().addAll(edits(), remark);
        for (Trap trap : now.traps(phrase)) {
            Label warned = Labels.wrapped(where(now, trap) + ": " + trap.text() + ".");
            warned.getStyleClass().add("trap");
            inHand.getChildren().add(warned);
        }
    }

    private FlowPane edits() {
        FlowPane edits = new FlowPane(6, 6, Labels.quiet("name", name), name);
        SHORT.forEach((id, words) -> edits.getChildren().add(CommandButton.of(
                commands.stream().filter(c -> c.id().equals(id)).findFirst().orElseThrow(), words, id.equals("phrase-on-trellis") ? () -> { } : this::focusMap)));
        return edits;
    }

    /** The notes of the phrase under those of the one that it is like; what differs stands out. */
    private static @Nullable Node beside(ReadingState now, Passage passage) {
        List<Reading.Beside> pairs = now.reading().besides(passage);
        if (pairs.isEmpty() || passage.isSame()) {
            return null;
        }
        GridPane grid = new GridPane();
        grid.setHgap(3);
        grid.setId("phrase-beside");
        int column = 0;
        int row = 0;
        for (Reading.Beside pair : pairs) {
            Label above = new Label(names(now, pair.earlier()));
            Label below = new Label(names(now, pair.here()));
            above.getStyleClass().add(pair.same() ? "same-note" : "other-note");
            below.getStyleClass().add(pair.same() ? "same-note" : "other-note");
            grid.add(above, column, row);
            grid.add(below, column, row + 1);
            if (++column == 14) {
                column = 0;
                row += 3;
            }
        }
        grid.setAccessibleText("note by note beside the phrase that it is like");
        return grid;
    }

    private static String names(ReadingState now, List<Integer> notes) {
        return notes.isEmpty() ? "–" : String.join(" ", notes.stream()
                .map(n -> now.reading().timeline().note(n).pitch().toString().replace("#", "♯").replaceAll("(?<=[A-G])b", "♭")
                        .replaceAll("[0-9]+$", "")).toList());
    }

    private static String where(ReadingState now, Trap trap) {
        int bar = now.reading().timeline().note(trap.note()).barNumber();
        return bar == 0 ? "Pickup" : "Bar " + bar;
    }

    private void allTraps(ReadingState now) {
        traps.getChildren().clear();
        if (now.traps().isEmpty()) {
            traps.getChildren().add(Labels.wrapped("Nothing in this tune catches students out on this instrument."));
        }
        Map<String, VBox> byKind = new LinkedHashMap<>();
        for (Trap trap : now.traps()) {
            Label what = Labels.wrapped(where(now, trap) + ": " + trap.text());
            what.getStyleClass().add("trap");
            VBox one = byKind.get(trap.kind() + trap.advice());
            if (one == null) {
                Label advice = Labels.wrapped(Sentence.full(trap.advice()));
                advice.getStyleClass().add("quiet");
                one = new VBox(0, advice);
                byKind.put(trap.kind() + trap.advice(), one);
                traps.getChildren().add(one);
            }
            one.getChildren().add(one.getChildren().size() - 1, what);
        }
    }
}
