package wildflourish.app.rounds;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongConsumer;
import javafx.collections.ObservableList;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Boxes;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Look;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.rounds.WrittenOut;
import wildflourish.core.setting.Rounds;
import wildflourish.library.TuneEntry;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;

/** Times through by passes through the parts, each with its rung; how the whole rises and falls; the set. */
public final class RoundsView extends BorderPane {

    private static final PseudoClass IN_HAND = PseudoClass.getPseudoClass("in-hand");
    private static final PseudoClass SOUNDING = PseudoClass.getPseudoClass("sounding");
    private static final double PANEL = 330;
    private static final double LINE_HEIGHT = 150;

    private final RoundsModel model;
    private final LongConsumer follow;
    private final List<Command> commands;
    private final Label heading = new Label();
    private final Label total = new Label();
    private final GridPane grid = new GridPane(6, 6);
    private final Canvas line = new Canvas(600, LINE_HEIGHT);
    private final ComboBox<Rounds.Intro> intro = new ComboBox<>();
    private final ComboBox<Rounds.Tag> tag = new ComboBox<>();
    private final ComboBox<String> kind = new ComboBox<>();
    private final ComboBox<TuneEntry> shelf = new ComboBox<>();
    private final TextField seed = new TextField();
    private final CheckBox linked = new CheckBox("walk from tune to tune");
    private final VBox set = new VBox(6);
    private final ScrollPane page;
    private final VBox beside;
    private Look look = Look.USUAL;
    private final Filling filling = new Filling();

    /**
     * A view of the model.
     *
     * @param commands those of its screen
     * @param follow lets the tune of an id follow in the set
     * @param tunes the tunes that may follow
     */
    RoundsView(RoundsModel model, List<Command> commands, LongConsumer follow, ObservableList<TuneEntry> tunes) {
        this.model = model;
        this.commands = commands;
        this.follow = follow;
        shelf.setItems(tunes);
        getStyleClass().add("rounds");
        setId("rounds");
        setFocusTraversable(true);
        setAccessibleRole(javafx.scene.AccessibleRole.TEXT);
        setAccessibleText("what is played each time through");
        heading.setId("rounds-heading");
        heading.getStyleClass().add("note-title");
        total.setId("rounds-total");
        total.setWrapText(true);
        total.setMinHeight(Region.USE_PREF_SIZE);
        VBox content = new VBox(12, heading, controls(), grid, Labels.heading("How the whole rises and falls"), line);
        content.setPadding(new Insets(12));
        page = new ScrollPane(content);
        page.setFitToWidth(true);
        page.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        page.setFocusTraversable(false);
        page.widthProperty().addListener((o, a, b) -> redraw());
        setCenter(page);
        beside = side();
        setRight(beside);
        model.state().addListener((o, before, now) -> show(now));
        model.sounding().addListener((o, before, now) -> {
            mark(before, false);
            mark(now, true);
        });
        redraw();
    }

    private FlowPane controls() {
        intro.setId("rounds-intro");
        intro.setAccessibleText("what goes before the tune");
        intro.getItems().setAll(Rounds.Intro.values());
        intro.setConverter(Choosing.by(Rounds.Intro::words));
        intro.setOnAction(e -> chosen(() -> model.setIntro(intro.getValue())));
        tag.setId("rounds-tag");
        tag.setAccessibleText("what goes after the tune");
        tag.getItems().setAll(Rounds.Tag.values());
        tag.setConverter(Choosing.by(Rounds.Tag::words));
        tag.setOnAction(e -> chosen(() -> model.setTag(tag.getValue())));
        seed.setId("rounds-seed");
        seed.setAccessibleText("seed of the shuffle");
        seed.setPrefColumnCount(4);
        seed.setOnAction(e -> {
            try {
                model.shuffle(Optional.of(Long.parseLong(seed.getText().strip())));
            } catch (NumberFormatException x) {
                seed.setText("");
            }
            requestFocus();
        });
        return new FlowPane(10, 6, button("rounds-preset", "Bare, some, all"), button("rounds-shuffle", "Shuffle"),
                Boxes.row(Labels.quiet("seed", seed), seed), button("rounds-more", "+ time"), button("rounds-less", "– time"),
                Boxes.row(Labels.quiet("before", intro), intro), Boxes.row(Labels.quiet("after", tag), tag));
    }

    private Button button(String id, String words) {
        return CommandButton.of(commands.stream().filter(c -> c.id().equals(id)).findFirst().orElseThrow(), words, this::requestFocus);
    }

    private VBox side() {
        kind.setId("rounds-kind");
        kind.setAccessibleText("variation besides, in the pass in hand");
        kind.getItems().add("");
        WrittenOut.kinds().forEach(k -> kind.getItems().add(k.id()));
        kind.setConverter(Choosing.by(k -> k.isEmpty() ? "nothing besides" : VariationKind.spoken(k)));
        kind.setOnAction(e -> chosen(() -> model.setKind(Optional.of(kind.getValue()).filter(k -> !k.isEmpty()))));
        shelf.setId("rounds-shelf");
        shelf.setAccessibleText("a tune of the shelf to follow");
        shelf.setPromptText("a tune to follow");
        shelf.setConverter(Choosing.by(t -> t == null ? "" : t.title()));
        shelf.setMaxWidth(Double.MAX_VALUE);
        shelf.setOnAction(e -> {
            if (!filling.isOn() && shelf.getValue() != null) {
                long id = shelf.getValue().id();
                follow.accept(id);
                requestFocus();
            }
        });
        linked.setId("rounds-linked");
        linked.setOnAction(e -> chosen(() -> model.setLinked(linked.isSelected())));
        Label about = Labels.quiet("Each tune of the set brings its own rounds; one without any is played once, full.");
        about.setWrapText(true);
        about.setMinHeight(Region.USE_PREF_SIZE);
        VBox side = new VBox(9, Labels.heading("In the pass in hand, besides its rung"), kind, Labels.heading("The set"), set, shelf, linked, about,
                Labels.heading("Altogether"), total);
        side.getStyleClass().add("note-in-hand");
        side.setPrefWidth(PANEL);
        side.setMinWidth(260);
        return side;
    }

    private void chosen(Runnable command) {
        filling.chosen(() -> {
            command.run();
            requestFocus();
        });
    }

    /** Puts the keyboard on the passes. */
    public void focusGrid() {
        requestFocus();
    }

    void setLook(Look other) {
        look = other;
        line.setHeight(LINE_HEIGHT * look.scale());
        beside.setPrefWidth(Math.min(PANEL * look.scale(), 480));
        redraw();
    }

    private void redraw() {
        if (model.state().get() != null) {
            show(model.state().get());
        }
    }

    private void show(RoundsState now) {
        filling.fill(() -> {
            heading.setText("%s  ·  %s".formatted(now.arrangement().tune().title(), now.arrangement().instrument().name()));
            intro.setValue(now.rounds().intro());
            tag.setValue(now.rounds().tag());
            seed.setText(now.rounds().seed().map(String::valueOf).orElse(""));
            linked.setSelected(now.linked());
            total.setText("%s, %d time%s through%s".formatted(now.lasting(), now.rounds().times().size(),
                    now.rounds().times().size() == 1 ? "" : "s", now.set().isEmpty() ? "" : ", then " + now.set().size() + " more"));
            drawGrid(now);
            drawSet(now);
            drawLine(now);
            if (!now.passes().isEmpty()) {
                kind.setValue(now.rounds().times().get(now.time()).get(now.pass()).kind().orElse(""));
            }
        });
    }

    private void drawGrid(RoundsState now) {
        grid.getChildren().clear();
        double width = Math.clamp((page.getWidth() - 130) / Math.max(1, now.passes().size()) - 6, 74 * look.scale(), 190 * look.scale());
        for (int p = 0; p < now.passes().size(); p++) {
            Label name = new Label(now.passes().get(p).name());
            name.getStyleClass().add("part-name");
            grid.add(name, p + 1, 0);
        }
        for (int t = 0; t < now.rounds().times().size(); t++) {
            Label time = Labels.quiet("time " + (t + 1));
            time.setMinWidth(Region.USE_PREF_SIZE);
            grid.add(time, 0, t + 1);
            for (int p = 0; p < now.passes().size(); p++) {
                grid.add(cell(now, t, p, width), p + 1, t + 1);
            }
        }
        if (now.passes().isEmpty()) {
            grid.add(new Label("The tune has nothing to play yet."), 0, 0);
        }
    }

    private Button cell(RoundsState now, int t, int p, double width) {
        Rounds.Pass pass = now.rounds().times().get(t).get(p);
        int top = Math.max(1, now.arrangement().ladder().size() - 1);
        Region full = new Region();
        full.getStyleClass().add("share-known");
        double room = width - 24;
        full.setMinSize(room * pass.rung() / top, 6);
        full.setMaxSize(room * pass.rung() / top, 6);
        String rung = now.arrangement().ladder().rung(pass.rung()).name();
        Label name = new Label(rung);
        Label besides = new Label(pass.kind().map(VariationKind::spoken).orElse(""));
        besides.getStyleClass().add("quiet");
        VBox box = new VBox(3, name, full);
        if (pass.kind().isPresent()) {
            box.getChildren().add(besides);
        }
        Button cell = new Button();
        cell.setGraphic(box);
        cell.setId("pass-%d-%d".formatted(t, p));
        cell.getStyleClass().add("pass");
        cell.setMinWidth(width);
        cell.setMaxWidth(width);
        cell.setFocusTraversable(false);
        cell.pseudoClassStateChanged(IN_HAND, t == now.time() && p == now.pass());
        cell.pseudoClassStateChanged(SOUNDING, sounds(model.sounding().get(), t, p));
        cell.setAccessibleText("time %d, %s: %s%s".formatted(t + 1, now.passes().get(p).name(), rung,
                pass.kind().map(k -> ", " + VariationKind.spoken(k)).orElse("")));
        if (t == now.time() && p == now.pass()) {
            // The keyboard stays on the whole: it says which of its passes is in hand.
            setAccessibleText(cell.getAccessibleText());
        }
        cell.setOnAction(e -> {
            model.select(t, p);
            requestFocus();
        });
        return cell;
    }

    private static boolean sounds(Optional<WrittenOut.Start> now, int t, int p) {
        return now.filter(s -> s.tune() == 0 && s.time() == t && s.pass() == p).isPresent();
    }

    private void mark(Optional<WrittenOut.Start> pass, boolean on) {
        pass.filter(s -> s.tune() == 0).map(s -> grid.lookup("#pass-%d-%d".formatted(s.time(), s.pass())))
                .ifPresent(cell -> cell.pseudoClassStateChanged(SOUNDING, on));
    }

    private void drawSet(RoundsState now) {
        set.getChildren().clear();
        set.getChildren().add(new Label("1.  " + now.arrangement().tune().title()));
        for (int i = 0; i < now.set().size(); i++) {
            int at = i;
            Label name = new Label("%d.  %s".formatted(i + 2, now.set().get(i).title()));
            name.setWrapText(true);
            name.setMaxWidth(Double.MAX_VALUE);
            HBox.setHgrow(name, Priority.ALWAYS);
            HBox row = new HBox(6, name, Buttons.button("set-out-" + i, "×", "take it out of the set", () -> model.unfollow(at), this::requestFocus));
            row.setAlignment(Pos.CENTER_LEFT);
            set.getChildren().add(row);
        }
    }

    /** One piece of the line: as wide as it has bars, as high as its rung. */
    private record Piece(String name, double bars, double height, boolean begins) {}

    /** The whole as one line: the fuller a pass, the higher it stands. */
    private void drawLine(RoundsState now) {
        double width = Math.max(300, page.getWidth() - 40);
        line.setWidth(width);
        List<Piece> pieces = new ArrayList<>();
        int top = Math.max(1, now.arrangement().ladder().size() - 1);
        for (int t = 0; t < now.rounds().times().size(); t++) {
            for (int p = 0; p < now.passes().size(); p++) {
                pieces.add(new Piece(now.passes().get(p).name(), now.passes().get(p).bars().size(),
                        now.rounds().times().get(t).get(p).rung() / (double) top, p == 0));
            }
        }
        for (RoundsState.InSet tune : now.set()) {
            List<Double> heights = heights(tune);
            for (int i = 0; i < heights.size(); i++) {
                pieces.add(new Piece(i == 0 ? tune.title() : "", now.passes().isEmpty() ? 8 : now.passes().getFirst().bars().size(),
                        heights.get(i), i == 0));
            }
        }
        paint(pieces, width);
    }

    private static List<Double> heights(RoundsState.InSet tune) {
        Rounds rounds = tune.arrangement().rounds();
        double top = Math.max(1, tune.arrangement().ladder().size() - 1);
        return rounds.isEmpty() ? List.of(1.0)
                : rounds.times().stream().flatMap(List::stream).map(p -> Math.min(1, p.rung() / top)).toList();
    }

    private void paint(List<Piece> pieces, double width) {
        GraphicsContext g = line.getGraphicsContext2D();
        g.save();
        g.clearRect(0, 0, line.getWidth(), line.getHeight());
        g.scale(look.scale(), look.scale());
        double bars = pieces.stream().mapToDouble(Piece::bars).sum();
        double ground = LINE_HEIGHT - 24;
        double height = ground - 20;
        double x = 2;
        double room = width / look.scale() - 4;
        g.setFont(CanvasPainter.text(Face.SANS, 12));
        for (Piece piece : pieces) {
            double w = piece.bars() / Math.max(1, bars) * room;
            double h = 5 + piece.height() * height;
            g.setFill(look.palette().of(Ink.GLIDE));
            g.fillRoundRect(x + 1, ground - h, Math.max(2, w - 2), h, 4, 4);
            if (piece.begins()) {
                g.setStroke(look.palette().of(Ink.MUSIC));
                g.setLineWidth(1.2);
                g.strokeLine(x, 8, x, ground + 4);
            }
            g.setFill(look.palette().of(Ink.QUIET));
            if (w > 18) {
                g.fillText(piece.name(), x + 2, ground + 16, Math.max(10, w - 2));
            }
            x += w;
        }
        g.setStroke(look.palette().of(Ink.STAVE));
        g.strokeLine(2, ground + 0.5, room, ground + 0.5);
        g.restore();
        line.setAccessibleText("the whole as one line, the fuller a pass the higher");
    }
}
