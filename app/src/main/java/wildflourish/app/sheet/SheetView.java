package wildflourish.app.sheet;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Boxes;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Shown;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Look;
import wildflourish.app.paint.Palette;
import wildflourish.core.fit.Fingered;
import wildflourish.score.display.Drawing;
import wildflourish.score.handout.Paper;
import wildflourish.score.handout.SheetContents;
import wildflourish.score.handout.SheetItem;

/** The pages as they will be printed; beside them what is on them, and the ways to paper. */
public final class SheetView extends BorderPane {

    private static final double PANEL = 300;
    private static final double MOST = 880;

    private final SheetModel model;
    private final VBox pages = new VBox(16);
    private final ScrollPane scroll = new ScrollPane(pages);
    private final Label about = new Label();
    private final ComboBox<Integer> rung = new ComboBox<>();
    private final ComboBox<Paper> paper = new ComboBox<>();
    private final ComboBox<String> printer = new ComboBox<>();
    private final Label noPrinter = Labels.wrapped("This machine knows no printer: write a PDF and print that.");
    private final VBox choices = new VBox(4);
    private final Map<SheetItem, CheckBox> items = new EnumMap<>(SheetItem.class);
    private final CheckBox large = new CheckBox("large print");
    private final BorderPane side = new BorderPane();
    private final Filling filling = new Filling();

    /**
     * A view of the model.
     *
     * @param commands those of its screen that have a button: write, print
     * @param rungs tells the names of the rungs and takes another in hand
     */
    SheetView(SheetModel model, List<Command> commands, Rungs rungs) {
        this.model = model;
        setId("sheet");
        getStyleClass().add("sheet");
        pages.setAlignment(Pos.TOP_CENTER);
        pages.setPadding(new Insets(16));
        scroll.setFitToWidth(true);
        scroll.setId("sheet-pages");
        scroll.setAccessibleText("the pages of the sheet");
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.viewportBoundsProperty().addListener((o, before, now) -> {
            if (before.getWidth() != now.getWidth()) {
                draw();
            }
        });
        setCenter(scroll);
        about.setId("sheet-about");
        about.setWrapText(true);
        about.getStyleClass().add("quiet");
        rung.setConverter(Choosing.by(rungs::name));
        rung.setOnAction(e -> filling.chosen(() -> rungs.take(rung.getValue())));
        paper.getItems().setAll(Paper.values());
        paper.setConverter(Choosing.by(Paper::words));
        paper.setOnAction(e -> filling.chosen(() -> model.change(c -> c.with(paper.getValue()))));
        printer.setId("printer");
        printer.setAccessibleText("printer");
        printer.setMaxWidth(Double.MAX_VALUE);
        VBox all = new VBox(8, Boxes.labelled("sheet-rung", "version", rung), Labels.heading("For whom"), new FlowPane(6, 6,
                Buttons.button("sheet-usual", "Reads music", "staves, fingers, how-to, practice and care", () -> model.change(c -> c.like(SheetContents.USUAL)), this::focusPages),
                Buttons.button("sheet-by-steps", "Does not read music", "how it is held, a step list, a page of fingers", () -> model.change(c -> c.like(SheetContents.BY_STEPS)), this::focusPages)),
                Labels.heading("What is on it"), choices, Boxes.labelled("sheet-paper", "paper", paper), about,
                Labels.heading("To paper"), CommandButton.of(commands.getFirst(), "Write as PDF or SVG…", () -> { }),
                printer, CommandButton.of(commands.getLast(), "Print", this::focusPages), noPrinter);
        all.setPadding(new Insets(12));
        large.setId("sheet-large");
        fillChoices();
        ScrollPane right = new ScrollPane(all);
        right.setFitToWidth(true);
        right.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        side.setCenter(right);
        side.getStyleClass().add("beside");
        setRight(side);
        setLook(Look.USUAL);
        model.state().addListener((o, before, now) -> show(now));
        model.printerNames().addListener((o, before, now) -> printers(now));
        printers(model.printerNames().get());
        if (model.state().get() != null) {
            show(model.state().get());
        }
    }

    /** The rungs that can be given out. */
    interface Rungs {

        String name(int rung);

        /** Takes another one in hand. */
        void take(int rung);
    }

    private void fillChoices() {
        for (SheetItem item : SheetItem.values()) {
            CheckBox box = choice("sheet-" + item.name().toLowerCase(java.util.Locale.ROOT), item.words());
            box.setOnAction(e -> filling.chosen(() -> model.change(c -> c.with(item, box.isSelected()))));
            items.put(item, box);
        }
        large.setOnAction(e -> filling.chosen(() -> model.change(c -> c.withLarge(large.isSelected()))));
        choices.getChildren().add(large);
    }

    private CheckBox choice(String id, String words) {
        CheckBox box = new CheckBox(words);
        box.setId(id);
        choices.getChildren().add(box);
        return box;
    }

    private void printers(List<String> names) {
        printer.getItems().setAll(names);
        printer.getSelectionModel().selectFirst();
        Shown.set(printer, !names.isEmpty());
        Shown.set(noPrinter, names.isEmpty());
    }

    /** The printer that is chosen; null where there is none. */
    @org.jspecify.annotations.Nullable String printer() {
        return printer.getValue();
    }

    private void show(SheetState now) {
        filling.fill(() -> {
            int count = now.version().arrangement().ladder().size();
            rung.getItems().setAll(java.util.stream.IntStream.range(0, count).boxed().toList());
            rung.setValue(now.version().rung());
            paper.setValue(now.contents().paper());
            items.forEach((item, box) -> box.setSelected(now.contents().has(item)));
            large.setSelected(now.contents().large());
            boolean differs = Fingered.of(now.version().arrangement()).differs();
            items.forEach((item, box) -> Shown.set(box, item != SheetItem.AS_FINGERED || differs));
        });
        int count = now.printed().pages().size();
        about.setText("%d page%s of %s; a stave is %.1f mm high.".formatted(count, count == 1 ? "" : "s", now.contents().paper().words(),
                now.printed().space() * 4));
        draw();
    }

    /** Draws each page as wide as there is room; paper is light in every look. */
    private void draw() {
        SheetState now = model.state().get();
        double room = Math.min(MOST, scroll.getViewportBounds().getWidth() - 32);
        if (now == null || room < 100) {
            return;
        }
        pages.getChildren().clear();
        int number = 1;
        for (Drawing page : now.printed().pages()) {
            double space = room / page.width();
            Canvas canvas = new Canvas(room, page.height() * space);
            GraphicsContext g = canvas.getGraphicsContext2D();
            g.setFill(javafx.scene.paint.Color.WHITE);
            g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
            new CanvasPainter(g, Palette.LIGHT, space, 0, 0).paint(page.shapes(), 0, page.height());
            canvas.getStyleClass().add("paper");
            canvas.setAccessibleText("page " + number++);
            pages.getChildren().add(canvas);
        }
    }

    void focusPages() {
        scroll.requestFocus();
    }

    void setLook(Look look) {
        side.setPrefWidth(Math.min(PANEL * look.scale(), 520));
    }

    /** How many pages are drawn, for the tests. */
    public int drawn() {
        return pages.getChildren().size();
    }
}
