package wildflourish.app.trellis;

import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Palette;
import wildflourish.core.growth.Candidate;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.HowTo;
import wildflourish.core.ornament.Ornament;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Ink;
import wildflourish.score.engrave.OrnamentMark;
import wildflourish.score.engrave.TimePicture;

/** How the ornament that is looked at is done: where, in words, in time, and in a simpler form. */
final class OrnamentInSight extends VBox {

    private static final double SPACE = 9;

    private final TrellisModel model;
    private final Label moved = new Label();
    private final Label how = new Label();
    private final Canvas picture = new Canvas(10, 10);
    private final Button simpler = new Button();
    private final Button spread = new Button("Everywhere it is clean");
    private final FlowPane deeds = new FlowPane(6, 4, simpler, spread);

    OrnamentInSight(TrellisModel model) {
        super(5);
        this.model = model;
        setId("in-sight");
        moved.setId("sight-moved");
        moved.getStyleClass().add("moved");
        moved.setWrapText(true);
        moved.setMinHeight(USE_PREF_SIZE);
        how.setId("sight-how");
        how.getStyleClass().add("how");
        how.setWrapText(true);
        how.setMinHeight(USE_PREF_SIZE);
        picture.setId("sight-picture");
        simpler.setId("sight-simpler");
        simpler.getStyleClass().add("other-place");
        simpler.setTooltip(new Tooltip("the simpler form: comma key"));
        simpler.setOnAction(e -> model.ornaments().simplify());
        spread.setId("sight-spread");
        spread.getStyleClass().add("other-place");
        spread.setTooltip(new Tooltip("place it on every note of this rung where it is clean: Ctrl+R"));
        spread.setOnAction(e -> model.ornaments().spread());
        deeds.setAlignment(Pos.CENTER_LEFT);
        setPadding(new Insets(0, 9, 7, 9));
        getChildren().addAll(moved, how, picture, deeds);
    }

    /** Shows a candidate within a width in pixels. */
    void show(Candidate candidate, TrellisState now, Palette palette, double width) {
        Ornament ornament = candidate.ornament();
        Optional<Gesture> gesture = now.gesture(candidate);
        moved.setText(gesture.filter(Gesture::moved).map(g -> "played elsewhere for it: " + g.place().inWords()).orElse(""));
        show(moved, !moved.getText().isEmpty());
        how.setText(gesture.map(g -> HowTo.inWords(ornament, g, now.hands().tune().note(now.handsNote()).pitch()))
                .orElseGet(() -> "In general: " + HowTo.general(ornament)));
        picture(candidate, now, palette, width);
        Optional<Ornament> easier = candidate.verdict() instanceof wildflourish.core.ornament.Verdict.Clean
                ? Optional.empty() : model.ornaments().easier(ornament);
        boolean stands = now.stands(ornament.id());
        simpler.setText(easier.map(e -> (stands ? ",  take the %s instead" : "clean here: %s").formatted(e.name())).orElse(""));
        simpler.setOnAction(e -> {
            if (stands) {
                model.ornaments().simplify();
            } else {
                easier.ifPresent(o -> model.ornaments().toggle(o.id()));
            }
        });
        show(simpler, easier.isPresent());
        show(spread, now.rung() > 0 && !candidate.verdict().isBlocked());
        show(deeds, simpler.isVisible() || spread.isVisible());
    }

    private static void show(javafx.scene.Node node, boolean shown) {
        node.setVisible(shown);
        node.setManaged(shown);
    }

    private void picture(Candidate candidate, TrellisState now, Palette palette, double width) {
        var unfolding = candidate.verdict().isBlocked() ? Optional.<wildflourish.core.ornament.Unfolding>empty()
                : now.unfolding(candidate);
        show(picture, unfolding.isPresent());
        if (unfolding.isEmpty()) {
            return;
        }
        Drawing drawing = TimePicture.of(unfolding.get(), width / SPACE, id -> now.hands().vocabulary().byId(id)
                .map(OrnamentMark::ink).orElse(Ink.MUSIC));
        var g = picture.getGraphicsContext2D();
        g.clearRect(0, 0, picture.getWidth(), picture.getHeight());
        picture.setWidth(width);
        picture.setHeight(Math.ceil(drawing.height() * SPACE));
        g.clearRect(0, 0, picture.getWidth(), picture.getHeight());
        new CanvasPainter(g, palette, SPACE, 0, 0).paint(drawing.shapes(), -10, drawing.height() + 10);
        picture.setAccessibleText(inWords(unfolding.get()));
        picture.setAccessibleRole(javafx.scene.AccessibleRole.IMAGE_VIEW);
    }

    private static String inWords(wildflourish.core.ornament.Unfolding unfolding) {
        return String.join("; ", unfolding.lanes().stream().map(l -> l.name() + " " + String.join(", ", l.spans().stream()
                .map(s -> "from %d to %d ms".formatted(Math.round(s.fromMs()), Math.round(s.toMs()))).toList())).toList());
    }
}
