package wildflourish.app.trellis;

import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.FillRule;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Palette;
import wildflourish.core.growth.Candidate;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Room;
import wildflourish.core.ornament.Verdict;
import wildflourish.score.engrave.OrnamentMark;

/** One ornament that the note in hand can take: its key, mark, verdict, time wanted against time there is, and limit. */
final class CandidateRow extends Button {

    private static final double TRACK = 84;
    private static final String CROSS = "M1 0 L5 4 L9 0 L10 1 L6 5 L10 9 L9 10 L5 6 L1 10 L0 9 L4 5 L0 1 Z";

    private final Ornament ornament;
    private final Canvas mark = new Canvas(30, 18);
    private final Label name = new Label();
    private final Label verdict = new Label();
    private final SVGPath sign = new SVGPath();
    private final Label reason = new Label();
    private final Pane track = new Pane();
    private final Rectangle wanted = new Rectangle(0, 6);
    private final Rectangle end = new Rectangle(2, 12);
    private final VBox box;

    CandidateRow(Ornament ornament, TrellisModel model) {
        this.ornament = ornament;
        setId("ornament-" + ornament.id());
        getStyleClass().setAll("candidate");
        setMaxWidth(Double.MAX_VALUE);
        setFocusTraversable(true);
        setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
        setOnAction(e -> model.toggle(ornament.id()));
        Label key = new Label(String.valueOf(ornament.key()));
        key.getStyleClass().add("key");
        name.setText(ornament.name());
        name.getStyleClass().add("candidate-name");
        verdict.getStyleClass().add("verdict");
        verdict.setMinWidth(USE_PREF_SIZE);
        verdict.setGraphic(sign);
        verdict.setGraphicTextGap(5);
        sign.setFillRule(FillRule.EVEN_ODD);
        reason.getStyleClass().add("reason");
        reason.setWrapText(true);
        name.setMinWidth(USE_PREF_SIZE);
        end.getStyleClass().add("time-end");
        track.setMinSize(TRACK + 4, 12);
        track.setMaxSize(TRACK + 4, 12);
        track.getChildren().addAll(wanted, end);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox top = new HBox(7, key, mark, name, gap, track, verdict);
        top.setAlignment(Pos.CENTER_LEFT);
        box = new VBox(1, top, reason);
        box.setPadding(new Insets(5, 8, 5, 8));
        box.setFillWidth(true);
        box.prefWidthProperty().bind(widthProperty().subtract(2));
        setGraphic(box);
    }

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    @Override
    protected double computePrefHeight(double width) {
        return box.prefHeight(width < 0 ? getWidth() - 2 : width - 2);
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    void show(Candidate candidate, TrellisState state, Palette palette) {
        var g = mark.getGraphicsContext2D();
        g.clearRect(0, 0, mark.getWidth(), mark.getHeight());
        new CanvasPainter(g, palette, 9, 0, 0).paint(OrnamentMark.at(15.0 / 9, 1, ornament), -10, 10);
        Verdict v = candidate.verdict();
        boolean stands = state.stands(ornament.id());
        verdict.setText(v.word());
        sign.setContent(sign(v));
        sign.getStyleClass().setAll("verdict-sign", "time-" + v.word());
        verdict.getStyleClass().setAll("label", "verdict", "verdict-" + v.word());
        pseudoClassStateChanged(javafx.css.PseudoClass.getPseudoClass("standing"), stands);
        time(v);
        reason.setText(text(candidate, stands, state));
        setAccessibleText("%s, key %s, %s, %s%s".formatted(ornament.name(), ornament.key(), v.word(),
                reason.getText(), stands ? ", stands here" : ""));
    }

    /** Our own signs, told apart by shape: a full disc, a half disc in a ring, a cross. */
    private static String sign(Verdict v) {
        return switch (v) {
            case Verdict.Clean c -> "M0 5 A5 5 0 1 1 10 5 A5 5 0 1 1 0 5 Z";
            case Verdict.Tight t ->
                "M0 5 A5 5 0 1 1 10 5 A5 5 0 1 1 0 5 Z M5 1.4 L5 8.6 A3.6 3.6 0 0 0 5 1.4 Z";
            case Verdict.TooFast f -> CROSS;
            case Verdict.Impossible i -> CROSS;
        };
    }

    private void time(Verdict v) {
        track.setVisible(v.room().isPresent());
        if (v.room().isPresent()) {
            Room room = v.room().get();
            double most = Math.max(room.needs().toDouble(), room.has().toDouble());
            wanted.setY(3);
            wanted.setWidth(TRACK * room.needs().toDouble() / most);
            end.setX(TRACK * room.has().toDouble() / most);
            wanted.getStyleClass().setAll("time-wanted", "time-" + v.word());
        }
    }

    private static String text(Candidate candidate, boolean stands, TrellisState state) {
        Verdict v = candidate.verdict();
        String limit = v.cleanUpTo().map(t -> ", clean up to " + t.spoken()).orElse("");
        StringBuilder text = new StringBuilder(v.inWords()).append(limit);
        if (stands) {
            int from = state.arrangement().ladder().lowestWith(state.note(), candidate.ornament().id());
            text.append("\nstands here from “").append(state.arrangement().ladder().rung(from).name()).append("” up");
        }
        if (!candidate.because().isEmpty() && !(v instanceof Verdict.Impossible)) {
            text.append("\n").append(candidate.because());
        }
        return text.toString();
    }

    Ornament ornament() {
        return ornament;
    }
}
