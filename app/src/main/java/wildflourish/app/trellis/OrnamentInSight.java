package wildflourish.app.trellis;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Look;
import wildflourish.core.growth.Candidate;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.HowTo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Verdict;
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
    private final Button hear = new Button("Hear it");
    private final Button spread = new Button("Everywhere it is clean");
    private final Button instead = new Button("What instead?");
    private final Button lock = new Button();
    private final Button never = new Button();
    private final Button why = new Button("Guide: why");
    private final Label weighed = new Label();
    private String section = "";
    private final FlowPane deeds = new FlowPane(6, 4, hear, simpler, spread, instead, lock, never, why);

    OrnamentInSight(TrellisModel model, Consumer<String> explain) {
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
        deed(hear, "sight-hear", "this note plain, then with it, over and over: Shift+space", model::hear);
        deed(instead, "sight-instead", "what would be chosen without it: ? key", () -> model.ladder().askInstead());
        deed(lock, "sight-lock", "what stands on this note stays when the ladder is grown: Ctrl+K", () -> model.ladder().lock());
        deed(never, "sight-never", "growing does not put it here: Shift+Delete", () -> model.ladder().forbid());
        deed(why, "sight-why", "what the verdict means, and what helps: the guide", () -> explain.accept("a-roll-will-not-speak.md#" + section));
        weighed.setId("sight-weighed");
        weighed.getStyleClass().add("reason");
        weighed.setWrapText(true);
        weighed.setMinHeight(USE_PREF_SIZE);
        deeds.setAlignment(Pos.CENTER_LEFT);
        setPadding(new Insets(0, 9, 7, 9));
        getChildren().addAll(moved, how, picture, weighed, deeds);
    }

    private static void deed(Button button, String id, String hint, Runnable action) {
        button.setId(id);
        button.getStyleClass().add("other-place");
        button.setTooltip(new Tooltip(hint));
        button.setOnAction(e -> action.run());
    }

    /** Shows a candidate within a width in pixels. */
    void show(Candidate candidate, TrellisState now, Look look, double width) {
        Ornament ornament = candidate.ornament();
        Optional<Gesture> gesture = now.gesture(candidate);
        moved.setText(gesture.filter(Gesture::moved).map(g -> "played elsewhere for it: " + g.place().inWords()).orElse(""));
        show(moved, !moved.getText().isEmpty());
        how.setText(gesture.map(g -> HowTo.inWords(ornament, g, now.hands().tune().note(now.handsNote()).pitch()))
                .orElseGet(() -> "In general: " + HowTo.general(ornament)));
        picture(candidate, now, look, width);
        Optional<Ornament> easier = candidate.verdict() instanceof Verdict.Clean
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
        show(instead, stands && now.rung() > 0);
        lock.setText(now.arrangement().wishes().isLocked(now.note()) ? "Open the note" : "Lock the note");
        never.setText(now.arrangement().wishes().forbids(now.note(), ornament.id()) ? "Allowed here again" : "Never here");
        section = section(candidate.verdict());
        Optional<String> terms = now.weighed(candidate);
        weighed.setText(terms.map(w -> "Weighed: " + w).orElse(""));
        show(weighed, terms.isPresent());
    }

    /** The section of the guide that explains a verdict. */
    private static String section(Verdict verdict) {
        return switch (verdict) {
            case Verdict.Clean clean -> "clean-and-it-does-not-speak";
            case Verdict.Tight tight -> "tight";
            case Verdict.TooFast fast -> "blocked-no-time";
            case Verdict.Impossible impossible -> "blocked-the-hand";
        };
    }

    private static void show(javafx.scene.Node node, boolean shown) {
        node.setVisible(shown);
        node.setManaged(shown);
    }

    private void picture(Candidate candidate, TrellisState now, Look look, double width) {
        double space = SPACE * look.scale();
        var unfolding = candidate.verdict().isBlocked() ? Optional.<wildflourish.core.ornament.Unfolding>empty()
                : now.unfolding(candidate);
        show(picture, unfolding.isPresent());
        if (unfolding.isEmpty()) {
            return;
        }
        Drawing drawing = TimePicture.of(unfolding.get(), width / space, id -> now.hands().vocabulary().byId(id)
                .map(OrnamentMark::ink).orElse(Ink.MUSIC));
        var g = picture.getGraphicsContext2D();
        g.clearRect(0, 0, picture.getWidth(), picture.getHeight());
        picture.setWidth(width);
        picture.setHeight(Math.ceil(drawing.height() * space));
        g.clearRect(0, 0, picture.getWidth(), picture.getHeight());
        new CanvasPainter(g, look.palette(), space, 0, 0).paint(drawing.shapes(), -10, drawing.height() + 10);
        picture.setAccessibleText(inWords(unfolding.get()));
        picture.setAccessibleRole(javafx.scene.AccessibleRole.IMAGE_VIEW);
    }

    private static String inWords(wildflourish.core.ornament.Unfolding unfolding) {
        return String.join("; ", unfolding.lanes().stream().map(l -> l.name() + " " + String.join(", ", l.spans().stream()
                .map(s -> "from %d to %d ms".formatted(Math.round(s.fromMs()), Math.round(s.toMs()))).toList())).toList());
    }
}
