package wildflourish.app.trellis;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Labels;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Look;

/** Every edition of the open tune, the latest first; one of them can be taken up again. */
final class EarlierPanel extends VBox {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM uuuu", Locale.UK);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.UK);
    /** Edits that lie further apart belong to two sittings. */
    private static final Duration SITTING = Duration.ofMinutes(45);
    private static final double SPACE = 5.5;

    private final TrellisModel model;
    private final ListView<EarlierChoices.Earlier> list = new ListView<>();
    /** What stands over the first edition of a sitting, by its id. */
    private final Map<Long, String> sittings = new HashMap<>();
    private final Label departs = Labels.quietLines("earlier-departs");
    private final Canvas picture = new Canvas();
    private final ScrollPane pictures = new ScrollPane(picture);
    private Look look = Look.USUAL;

    EarlierPanel(TrellisModel model, Runnable close) {
        super(6);
        this.model = model;
        setId("earlier-panel");
        getStyleClass().add("note-in-hand");
        list.setId("earlier-list");
        list.setAccessibleText("what this tune was earlier");
        list.setCellFactory(v -> new Cell());
        list.setPlaceholder(new Label("nothing has been kept of this tune yet"));
        list.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                take();
                e.consume();
            } else if (e.getCode() == KeyCode.ESCAPE) {
                close.run();
                e.consume();
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        pictures.setId("earlier-look");
        pictures.setPrefHeight(190);
        pictures.setMinHeight(90);
        pictures.setFocusTraversable(false);
        pictures.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        list.getSelectionModel().selectedItemProperty().addListener((o, before, now) -> {
            if (now != null) {
                lookAt(now);
            }
        });
        Button take = Buttons.button("earlier-take", "As it was then", "make the tune what it was then; undo brings back what it is now: Enter");
        take.setOnAction(e -> take());
        take.disableProperty().bind(list.getSelectionModel().selectedItemProperty().isNull());
        getChildren().addAll(SidePanel.top("earlier", "Earlier", "Ctrl+Shift+H", close),
                SidePanel.quiet("Everything that was ever kept of this tune. What is marked “apart” is not come to by undo and redo: "
                        + "it was left behind after an undo, or another program made it."), list, departs, pictures, take);
        model.state().addListener((o, before, now) -> {
            if (isVisible() && (before == null || now.tune() != before.tune() || !now.arrangement().equals(before.arrangement()))) {
                fill();
            }
        });
        visibleProperty().addListener((o, before, now) -> {
            if (now && model.isOpen()) {
                fill();
                list.requestFocus();
            }
        });
    }

    private void fill() {
        model.earlier().list(this::show);
    }

    private void show(List<EarlierChoices.Earlier> found) {
        sittings.clear();
        sit(found);
        list.getItems().setAll(found);
        found.stream().filter(EarlierChoices.Earlier::now).findFirst().ifPresent(list.getSelectionModel()::select);
    }

    /** Tells the sittings apart: editions come latest first. */
    private void sit(List<EarlierChoices.Earlier> found) {
        int first = 0;
        for (int i = 1; i <= found.size(); i++) {
            if (i == found.size() || Duration.between(made(found.get(i)), made(found.get(i - 1))).compareTo(SITTING) > 0
                    || !DAY.format(local(found.get(i))).equals(DAY.format(local(found.get(i - 1))))) {
                String from = TIME.format(local(found.get(i - 1)));
                String to = TIME.format(local(found.get(first)));
                sittings.put(found.get(first).edition().id(), "%s, %s".formatted(DAY.format(local(found.get(first))),
                        from.equals(to) ? to : from + " to " + to));
                first = i;
            }
        }
    }

    private static Instant made(EarlierChoices.Earlier earlier) {
        try {
            return Instant.parse(earlier.edition().madeAt());
        } catch (DateTimeParseException e) {
            return Instant.EPOCH;
        }
    }

    private static ZonedDateTime local(EarlierChoices.Earlier earlier) {
        return made(earlier).atZone(ZoneId.systemDefault());
    }

    private void lookAt(EarlierChoices.Earlier earlier) {
        double room = Math.max(200, getWidth() - 44);
        double space = SPACE * Math.sqrt(look.scale());
        model.earlier().look(earlier, room / space, seen -> {
            if (earlier.equals(list.getSelectionModel().getSelectedItem())) {
                departs.setText(earlier.now() ? "As it is now." : seen.departs().isEmpty() ? "The same as now."
                        : "Then: " + String.join("; ", seen.departs()) + ".");
                picture.setWidth(room);
                picture.setHeight(seen.drawing().height() * space);
                GraphicsContext g = picture.getGraphicsContext2D();
                g.setFill(look.palette().paper());
                g.fillRect(0, 0, picture.getWidth(), picture.getHeight());
                new CanvasPainter(g, look.palette(), space, 0, 0).paint(seen.drawing().shapes(), 0, seen.drawing().height());
                picture.setAccessibleText("the rung in hand as it was then");
                pictures.setVvalue(0);
            }
        });
    }

    void setLook(Look newLook) {
        look = newLook;
        EarlierChoices.Earlier chosen = list.getSelectionModel().getSelectedItem();
        if (chosen != null && isVisible()) {
            lookAt(chosen);
        }
    }

    private void take() {
        EarlierChoices.Earlier chosen = list.getSelectionModel().getSelectedItem();
        if (chosen != null && !chosen.now()) {
            model.earlier().take(chosen);
        }
    }

    private final class Cell extends ListCell<EarlierChoices.Earlier> {
        @Override
        protected void updateItem(EarlierChoices.Earlier earlier, boolean empty) {
            super.updateItem(earlier, empty);
            if (empty || earlier == null) {
                setGraphic(null);
                setAccessibleText(null);
                return;
            }
            Label what = new Label(earlier.edition().what());
            what.setWrapText(true);
            what.setMaxWidth(Math.max(200, list.getWidth() - 56));
            String mark = earlier.now() ? "  ·  now" : earlier.apart() ? "  ·  apart" : "";
            String when = TIME.format(local(earlier)) + mark;
            VBox box = new VBox(1, what, Labels.quiet(when));
            String sitting = sittings.get(earlier.edition().id());
            if (sitting != null) {
                box.getChildren().addFirst(Labels.heading(sitting));
            }
            setGraphic(box);
            setAccessibleText("%s, %s, %s".formatted(earlier.edition().what(), DAY.format(local(earlier)), when));
        }
    }
}
