package wildflourish.app.frame;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Labeled;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.SVGPath;

/** The screens down the side, in the order of the work, each with its own drawing; below them what is reached from everywhere. */
public final class Rail extends VBox {

    /** Lines of the drawing for all commands. */
    public static final String MENU = "M4 7h16M4 12h16M4 17h10";
    /** Lines of the drawing for finding. */
    public static final String FIND = "M10 4a6 6 0 1 1 0 12a6 6 0 1 1 0-12zM14.5 14.5L20.5 20.5";

    /** Lines of the drawing for the guide: an open book. */
    public static final String GUIDE = "M12 7C10 5 7 4.6 4 5v13c3-.4 6 0 8 2c2-2 5-2.4 8-2v-13c-3-.4-6 0-8 2zM12 7v13";

    /** The side of a drawing in pixels, below which it is left away, and the height of a line to its letters. */
    private static final double DRAWING = 26;
    private static final double LEAST = 11;
    private static final double LINE = 1.4;

    private final Map<Screen, ToggleButton> tabs = new LinkedHashMap<>();

    /**
     * A rail.
     *
     * @param show shows a screen, or says why not
     * @param below buttons at its end
     */
    public Rail(List<Screen> screens, Consumer<Screen> show, List<? extends Node> below) {
        getStyleClass().add("rail");
        setId("rail");
        ToggleGroup group = new ToggleGroup();
        for (Screen screen : screens) {
            ToggleButton tab = new ToggleButton(screen.words(), drawing(screen.drawing()));
            tab.setId(screen.id() + "-tab");
            tab.getStyleClass().add("rail-tab");
            tab.setContentDisplay(ContentDisplay.TOP);

            tab.setTooltip(new Tooltip(screen.question() + "  " + screen.key()));
            tab.setAccessibleText(screen.words() + ": " + screen.question());
            tab.setToggleGroup(group);
            tab.setFocusTraversable(true);
            tab.setOnAction(e -> show.accept(screen));
            tabs.put(screen, tab);
            getChildren().add(tab);
        }
        Region gap = new Region();
        VBox.setVgrow(gap, Priority.ALWAYS);
        getChildren().add(gap);
        getChildren().addAll(below);
        setAlignment(Pos.TOP_CENTER);
        heightProperty().addListener((o, before, now) -> fit());
    }

    /** In a low window, or with large words, the drawings give way so that no word is cut. */
    private void fit() {
        List<Labeled> all = getChildren().stream().filter(Labeled.class::isInstance).map(Labeled.class::cast).toList();
        double room = (getHeight() - getInsets().getTop() - getInsets().getBottom() - getSpacing() * all.size()) / all.size();
        for (Labeled tab : all) {
            double left = room - tab.getFont().getSize() * LINE - tab.getPadding().getTop() - tab.getPadding().getBottom() - tab.getGraphicTextGap();
            double side = Math.clamp(left, 0, DRAWING);
            StackPane box = (StackPane) tab.getGraphic();
            box.setMinSize(side, side);
            box.setMaxSize(side, side);
            box.getChildren().forEach(lines -> {
                lines.setScaleX(side / DRAWING);
                lines.setScaleY(side / DRAWING);
                lines.setVisible(side > LEAST);
            });
        }
    }

    /** Marks the screen that is shown. */
    public void mark(Screen screen) {
        Objects.requireNonNull(tabs.get(screen)).setSelected(true);
    }

    /** A button in the manner of the rail. */
    public static Button button(String id, String words, String hint, String drawing) {
        Button button = new Button(words, drawing(drawing));
        button.setId(id);
        button.getStyleClass().add("rail-tab");
        button.setContentDisplay(ContentDisplay.TOP);
        button.setMaxWidth(Double.MAX_VALUE);
        button.setTooltip(new Tooltip(hint));
        return button;
    }

    /** Lines in a square of 24 by 24, of which nothing is filled. */
    static Node drawing(String path) {
        SVGPath lines = new SVGPath();
        lines.setContent(path);
        lines.getStyleClass().add("rail-drawing");
        StackPane box = new StackPane(lines);
        box.setMinSize(DRAWING, DRAWING);
        box.setMaxSize(DRAWING, DRAWING);
        return box;
    }
}
