package wildflourish.app.guide;

import java.util.ArrayList;
import java.util.List;
import javafx.animation.PauseTransition;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import javafx.util.Duration;
import wildflourish.app.controls.Labels;

/** A page of the guide beside the screen, so that it can be followed while it is read. */
public final class GuidePane extends VBox {

    /** What a step leads to is looked for so long after whatever was done. */
    private static final Duration SOON = Duration.millis(350);
    /** What takes its time, as a lesson that is planned, is looked for so often. */
    private static final int LOOKS = 20;
    /** Its width, in heights of the words. */
    private static final double WIDTH = 22;

    private final Guide guide;
    private final Doing doing;
    private final Label title = Labels.wrapped("");
    private final VBox content = new VBox(9);
    private final ScrollPane scroll = new ScrollPane(content);
    private final Button contents = new Button("All pages");
    private final PauseTransition pause = new PauseTransition(SOON);
    private final List<StepRow> steps = new ArrayList<>();
    private Page page;
    private int looks;

    /**
     * A pane on the guide.
     *
     * @param close asks for it to be taken away
     */
    public GuidePane(Guide guide, Doing doing, Runnable close) {
        super(8);
        this.guide = guide;
        this.doing = doing;
        this.page = guide.contents();
        setId("guide");
        getStyleClass().add("guide");
        setAccessibleText("the guide");
        title.setId("guide-title");
        title.getStyleClass().add("note-title");
        contents.setId("guide-contents");
        contents.setOnAction(e -> open(guide.contents().id()));
        Button closing = new Button("Close");
        closing.setId("guide-close");
        closing.setOnAction(e -> close.run());
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setId("guide-scroll");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        pause.setOnFinished(e -> look());
        getChildren().addAll(new HBox(8, contents, gap, closing), title, scroll);
        show(guide.contents());
    }

    /** How wide it is with words of a height in pixels. */
    public static double width(double words) {
        return WIDTH * words;
    }

    /** What takes the keyboard when it opens. */
    public Node first() {
        return steps.stream().findFirst().<Node>map(s -> s.lookup(".button")).orElse(contents);
    }

    /** Does a step of the page, counted from 0. */
    public void act(int step) {
        act(steps.get(step));
    }

    /** Whether a step of the page, counted from 0, has been done. */
    public boolean isDone(int step) {
        return steps.get(step).isDone();
    }

    /** The page that is shown. */
    public Page page() {
        return page;
    }

    /** Opens a page, or a section of it: {@code page#section}. Not one that is none. */
    public void open(String target) {
        guide.page(Guide.id(target)).ifPresent(found -> {
            show(found);
            String anchor = Guide.anchor(target);
            if (!anchor.isEmpty()) {
                scrollTo(anchor);
            }
        });
    }

    /** Opens the page that belongs to a screen, which is given as it is called on the rail. */
    public void openAbout(String screen) {
        show(guide.about(screen));
    }

    /** Something was done in the window: soon it is looked whether that was what the next step asks for. */
    public void lookSoon() {
        if (steps.stream().anyMatch(s -> !s.isDone())) {
            looks = 0;
            pause.playFromStart();
        }
    }

    private void show(Page shown) {
        page = shown;
        title.setText(shown.title());
        contents.setDisable(shown.equals(guide.contents()));
        steps.clear();
        content.getChildren().setAll(shown.blocks().stream().map(this::node).toList());
        scroll.setVvalue(0);
    }

    private Node node(Page.Block block) {
        return switch (block) {
            case Page.Heading heading -> {
                Label label = Labels.heading(heading.inWords());
                label.setId("section-" + heading.anchor());
                yield label;
            }
            case Page.Paragraph paragraph -> flow(paragraph.runs());
            case Page.Point point -> {
                TextFlow flow = flow(point.runs());
                flow.getStyleClass().add("guide-point");
                yield flow;
            }
            case Page.Step step -> {
                StepRow row = new StepRow(step, flow(step.runs()), this::act);
                steps.add(row);
                yield row;
            }
        };
    }

    private TextFlow flow(List<Page.Run> runs) {
        TextFlow flow = new TextFlow();
        flow.getStyleClass().add("guide-words");
        flow.setLineSpacing(2);
        runs.forEach(run -> flow.getChildren().add(run(run)));
        return flow;
    }

    private Node run(Page.Run run) {
        return switch (run.kind()) {
            case PLAIN -> words(run, "guide-plain");
            case STRONG, SEEN -> words(run, "guide-strong");
            case KEY -> {
                Label key = new Label(run.words());
                key.getStyleClass().add("key");
                yield key;
            }
            case LINK -> {
                if (guide.page(Guide.id(run.target())).isEmpty()) {
                    yield words(run, "guide-plain");
                }
                Hyperlink link = new Hyperlink(run.words());
                link.setId("guide-to-" + Guide.id(run.target()));
                link.setOnAction(e -> open(run.target()));
                yield link;
            }
        };
    }

    private static Text words(Page.Run run, String style) {
        Text text = new Text(run.words());
        text.getStyleClass().add(style);
        return text;
    }

    private void act(StepRow row) {
        for (String key : row.step().keys()) {
            if (!doing.press(key)) {
                doing.say("%s cannot be done here at the moment: do the steps in their order".formatted(key));
                return;
            }
        }
        lookSoon();
    }

    /** Ticks off whatever step has been done by now, one after the other. */
    private void look() {
        for (StepRow row : steps) {
            if (!row.isDone()) {
                if (row.step().seen().isEmpty() || !row.step().seen().stream().allMatch(doing::isSeen)) {
                    if (++looks < LOOKS) {
                        pause.playFromStart();
                    }
                    return;
                }
                row.setDone();
                steps.stream().filter(s -> !s.isDone()).findFirst().ifPresent(this::keepInSight);
            }
        }
    }

    /** Scrolls down until the whole of a step is in sight. */
    private void keepInSight(Node what) {
        applyCss();
        layout();
        double shown = scroll.getViewportBounds().getHeight();
        double more = content.getHeight() - shown;
        double end = what.getBoundsInParent().getMaxY();
        if (more > 0 && end > scroll.getVvalue() * more + shown) {
            scroll.setVvalue(Math.min(1, Math.min(end - shown, what.getBoundsInParent().getMinY()) / more));
        }
    }

    private void scrollTo(String anchor) {
        applyCss();
        layout();
        Node section = content.lookup("#section-" + anchor);
        double more = content.getHeight() - scroll.getViewportBounds().getHeight();
        if (section != null && more > 0) {
            scroll.setVvalue(Math.min(1, section.getBoundsInParent().getMinY() / more));
        }
    }
}
