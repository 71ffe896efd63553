package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.geometry.Pos;
import javafx.scene.Node;
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
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import wildflourish.app.controls.Shown;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Palette;
import wildflourish.core.growth.Candidate;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Room;
import wildflourish.core.ornament.Verdict;
import wildflourish.score.engrave.OrnamentMark;

/** One ornament that the note in hand can take: its key, mark, verdict, time wanted against time there is, and limit. */
final class CandidateRow extends VBox {

    private static final double TRACK = 72;
    private static final String CROSS = "M1 0 L5 4 L9 0 L10 1 L6 5 L10 9 L9 10 L5 6 L1 10 L0 9 L4 5 L0 1 Z";

    private final PauseTransition pause = new PauseTransition(Duration.millis(450));
    private final Canvas mark = new Canvas(38, 18);
    private final Label name = new Label();
    private final Label verdict = new Label();
    private final SVGPath sign = new SVGPath();
    private final Label reason = new Label();
    private final Label numbers = new Label();
    private final HBox time;
    private final Pane track = new Pane();
    private final Rectangle wanted = new Rectangle(0, 6);
    private final Rectangle end = new Rectangle(2, 12);
    private final VBox box;
    private final Button head = new Head();
    private @Nullable Palette marked;

    CandidateRow(Ornament ornament, TrellisModel model) {
        setId("row-" + ornament.id());
        getStyleClass().setAll("candidate");
        head.setId("ornament-" + ornament.id());
        head.getStyleClass().setAll("candidate-head");
        head.setMaxWidth(Double.MAX_VALUE);
        head.setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
        head.setOnAction(e -> model.ornaments().toggle(ornament.id()));
        head.setOnMouseEntered(e -> lookAfterAWhile(model, ornament.id()));
        head.setOnMouseExited(e -> pause.stop());
        head.focusedProperty().addListener((o, before, now) -> {
            if (now && head.isFocusVisible()) {
                model.ornaments().look(ornament.id());
            }
        });
        Label key = new Label(String.valueOf(ornament.key()));
        key.getStyleClass().add("key");
        name.setText(ornament.name());
        name.getStyleClass().add("candidate-name");
        verdict.getStyleClass().add("verdict");
        verdict.setMinWidth(Region.USE_PREF_SIZE);
        verdict.setGraphic(sign);
        verdict.setGraphicTextGap(5);
        sign.setFillRule(FillRule.EVEN_ODD);
        reason.getStyleClass().add("reason");
        reason.setWrapText(true);
        name.setMinWidth(Region.USE_PREF_SIZE);
        end.getStyleClass().add("time-end");
        track.setMinSize(TRACK + 4, 12);
        track.setPrefSize(TRACK + 4, 12);
        track.setMaxSize(TRACK + 4, 12);
        track.getChildren().addAll(wanted, end);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox top = new HBox(7, key, mark, name, gap, verdict);
        top.setAlignment(Pos.CENTER_LEFT);
        numbers.getStyleClass().add("reason");
        numbers.setWrapText(true);
        HBox.setHgrow(numbers, Priority.ALWAYS);
        time = new HBox(8, track, numbers);
        time.setAlignment(Pos.CENTER_LEFT);
        box = new VBox(1, top, time, reason);
        box.setPadding(new Insets(5, 8, 5, 8));
        box.setFillWidth(true);
        box.prefWidthProperty().bind(widthProperty().subtract(2));
        head.setGraphic(box);
        getChildren().add(head);
    }

    /** A button as high as its words are at the width it is given. */
    private final class Head extends Button {

        @Override
        public Orientation getContentBias() {
            return Orientation.HORIZONTAL;
        }

        private double known = -1;
        private double knownAt = -1;

        @Override
        public void requestLayout() {
            known = -1;
            super.requestLayout();
        }

        /** Asked several times in each layout: the words are measured once as long as they stay. */
        @Override
        protected double computePrefHeight(double width) {
            double at = width < 0 ? getWidth() - 2 : width - 2;
            if (known < 0 || at != knownAt) {
                known = box.prefHeight(at);
                knownAt = at;
            }
            return known;
        }

        @Override
        protected double computeMinHeight(double width) {
            return computePrefHeight(width);
        }
    }

    /** Resting the pointer on a row looks at it; passing over it does not. */
    private void lookAfterAWhile(TrellisModel model, String id) {
        pause.setOnFinished(e -> {
            if (!model.state().get().looking().equals(Optional.of(id))) {
                model.ornaments().look(id);
            }
        });
        pause.playFromStart();
    }

    /**
     * Shows a candidate.
     *
     * @param details what is shown below while it is looked at; null when it is not
     */
    void show(Candidate candidate, TrellisState state, Palette palette, @Nullable Node details) {
        Ornament ornament = candidate.ornament();
        mark(ornament, palette);
        Verdict v = candidate.verdict();
        boolean stands = state.stands(ornament.id());
        verdict.setText(v.word());
        sign.setContent(sign(v));
        Shown.styled(sign, "verdict-sign", "time-" + v.word());
        Shown.styled(verdict, "label", "verdict", "verdict-" + v.word());
        pseudoClassStateChanged(javafx.css.PseudoClass.getPseudoClass("standing"), stands);
        pseudoClassStateChanged(javafx.css.PseudoClass.getPseudoClass("looked-at"), details != null);
        time(v);
        numbers.setText(v.inWords());
        reason.setText(text(candidate, stands, state));
        Shown.set(reason, !reason.getText().isEmpty());
        List<Node> parts = details == null ? List.of(head) : List.of(head, details);
        if (!getChildren().equals(parts)) {
            getChildren().setAll(parts);
        }
        head.setAccessibleText("%s, key %s, %s, %s, %s".formatted(ornament.name(), ornament.key(), v.word(), numbers.getText(),
                reason.getText()));
    }

    private void mark(Ornament ornament, Palette palette) {
        if (palette == marked) {
            return;
        }
        marked = palette;
        var g = mark.getGraphicsContext2D();
        g.clearRect(0, 0, mark.getWidth(), mark.getHeight());
        double scale = Math.min(9, 34 / Math.max(0.1, OrnamentMark.width(ornament) + 0.6));
        new CanvasPainter(g, palette, scale, 0, 0).paint(
                OrnamentMark.at(mark.getWidth() / 2 / scale, mark.getHeight() / 2 / scale, ornament));
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
        track.setManaged(v.room().isPresent());
        if (v.room().isPresent()) {
            Room room = v.room().get();
            double most = Math.max(room.needs().toDouble(), room.has().toDouble());
            wanted.setY(3);
            wanted.setWidth(TRACK * room.needs().toDouble() / most);
            end.setX(TRACK * room.has().toDouble() / most);
            Shown.styled(wanted, "time-wanted", "time-" + v.word());
        }
    }

    private static String text(Candidate candidate, boolean stands, TrellisState state) {
        List<String> lines = new ArrayList<>();
        candidate.verdict().cleanUpTo().ifPresent(t -> lines.add("clean up to " + t.spoken()
                + candidate.verdict().speaksUpTo().map(u -> ", speaks up to " + u.perMinute().floor()).orElse("")));
        if (stands) {
            int from = state.arrangement().ladder().lowestWith(state.note(), candidate.ornament().id());
            lines.add("stands here from “%s” up".formatted(state.arrangement().ladder().rung(from).name()));
        }
        if (!candidate.because().isEmpty() && !(candidate.verdict() instanceof Verdict.Impossible)) {
            lines.add(candidate.because());
        }
        return String.join("\n", lines);
    }
}
