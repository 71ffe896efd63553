package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import javafx.stage.PopupWindow;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.frame.Keys;
import wildflourish.app.guide.Guide;
import wildflourish.app.guide.GuidePane;
import wildflourish.app.guide.Page;
import wildflourish.app.guide.Sight;

/** The guide in the window: what it says to do is done as it says. */
class GuideWindowTest extends WindowTest {

    private GuidePane guide() {
        return (GuidePane) Objects.requireNonNull(view.lookup("#guide"));
    }

    private boolean seen(String words) {
        return Sight.holds(view, words, guide());
    }

    @Test
    void everyStepOfEveryPageLeadsToWhatItSays() {
        open(true);
        push(KeyCode.SHIFT, KeyCode.F1);
        int steps = 0;
        for (Page page : Guide.shipped().pages()) {
            interact(() -> guide().open(page.id()));
            List<Page.Step> all = page.steps();
            for (int i = 0; i < all.size(); i++) {
                Page.Step step = all.get(i);
                String which = page.id() + ", step " + step.number();
                assertThat(step.seen()).as(which).isNotEmpty();
                assertThat(step.seen().stream().allMatch(this::seen)).as(which + " changes nothing").isFalse();
                int index = i;
                interact(() -> guide().act(index));
                try {
                    until(() -> guide().isDone(index));
                } catch (AssertionError e) {
                    throw new AssertionError(which + ": " + step.inWords() + "; the window says: " + model.message().get(), e);
                }
                steps++;
            }
        }
        assertThat(steps).isGreaterThan(8);
        everyKeyThatTheGuideNamesIsOne();
    }

    private void everyKeyThatTheGuideNamesIsOne() {
        List<Keys> keys = view.commands().all().stream().flatMap(o -> o.command().keys().stream()).toList();
        Stream.concat(Stream.of(Guide.shipped().contents()), Guide.shipped().pages().stream()).forEach(page -> page.blocks().stream()
                .flatMap(b -> b.runs().stream()).filter(r -> r.kind() == Page.Run.Kind.KEY && !r.words().matches("[./~%].*|library.*")).forEach(r ->
                        assertThat(keys).as(page.id() + " names " + r.words()).anyMatch(k -> k.words().equals(r.words())
                                || k instanceof Keys.Sign sign && r.words().length() == 1 && sign.signs().contains(r.words()))));
    }

    @Test
    void itStandsBesideTheScreenWhichGoesOnWorking() {
        open(true);
        push(KeyCode.SHIFT, KeyCode.F1);

        assertThat(guide().page().id()).isEqualTo("a-roll-will-not-speak");
        assertThat(guide().localToScene(guide().getBoundsInLocal()).getMaxX()).isLessThanOrEqualTo(trellisView().localToScene(trellisView().getBoundsInLocal()).getMinX() + 1);
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        assertThat(isShown("reading")).isTrue();
        interact(() -> Objects.requireNonNull(guide().lookup("#guide-contents")).requestFocus());
        push(KeyCode.ESCAPE);
        assertThat(view.lookup("#guide")).isNull();
        push(KeyCode.SHIFT, KeyCode.F1);
        assertThat(guide().page().id()).isEqualTo("what-to-add-next");
    }

    @Test
    void inANarrowWindowItStandsAboveTheScreen() {
        open(true);
        double before = trellisView().getWidth();
        interact(() -> {
            stage.setWidth(920);
            stage.setHeight(620);
        });
        push(KeyCode.SHIFT, KeyCode.F1);

        assertThat(trellisView().getWidth()).isLessThan(before).isGreaterThan(820);
        assertThat(guide().localToScene(guide().getBoundsInLocal()).getMaxX()).isLessThan(500);
        interact(() -> ((Button) guide().lookup("#guide-close")).fire());
        assertThat(view.lookup("#guide")).isNull();
    }

    @Test
    void aVerdictLeadsToThePageThatExplainsIt() {
        open(true);
        interact(() -> model.trellis().select(3, 0));
        interact(() -> ((Button) Objects.requireNonNull(trellisView().lookup("#sight-why"))).fire());

        assertThat(guide().page().id()).isEqualTo("a-roll-will-not-speak");
        String verdict = ((Label) view.lookup("#row-" + model.trellis().now().inSight().orElseThrow().ornament().id()).lookup(".verdict")).getText();
        assertThat(guide().page().section(verdict.equals("clean") ? "clean-and-it-does-not-speak" : verdict.equals("tight") ? "tight" : "blocked-the-hand")).isPresent();
    }

    @Test
    void eachScreenThatGivesReasonsLeadsToThem() {
        open(true);
        for (String screen : List.of("reading", "fit", "across", "lesson", "class", "recording")) {
            interact(() -> model.show(screen));
            GuideLink link = (GuideLink) model.screen().get().node().lookup("#guide-link");
            interact(link::fire);
            assertThat(guide().page().section(link.target().substring(link.target().indexOf('#') + 1))).as(link.target()).isPresent();
            assertThat(guide().page().title()).as(screen).isNotEqualTo("Guide");
            interact(() -> ((Button) guide().lookup("#guide-close")).fire());
        }
    }

    @Test
    void aWordOfTheTradeSaysWhatItMeansWhenThePointerRestsOnIt() {
        open(true);
        interact(() -> model.show("reading"));
        rest();
        Label words = from(model.screen().get().node()).lookup(".label").queryAll().stream().map(Label.class::cast)
                .filter(l -> l.isVisible() && l.getText() != null && l.getText().startsWith("From D4 up to A5")).findFirst().orElseThrow();
        Text text = (Text) words.lookup(".text");
        int at = text.getText().indexOf("pickup");
        var bounds = new javafx.scene.shape.Path(text.rangeShape(at, at + 6)).getBoundsInLocal();
        Point2D point = text.localToScreen(bounds.getCenterX(), bounds.getCenterY());
        moveTo(point.getX(), point.getY());
        moveBy(1, 0);

        until(() -> Window.getWindows().stream().filter(PopupWindow.class::isInstance).anyMatch(w -> w instanceof Tooltip hint && hint.getText().startsWith("pickup: ")));
    }

    @Test
    void whatIsSentWhenSomethingWentWrongIsLookedAtFirst() throws Exception {
        open(true);
        interact(() -> model.say("“The Lamp at Half Tide” of Ina Skarf could not be read"));
        push(KeyCode.CONTROL, KeyCode.SPACE);
        write("something went wrong");
        push(KeyCode.ENTER);
        until(() -> view.lookup("#fault-text") != null);
        TextArea text = (TextArea) Objects.requireNonNull(view.lookup("#fault-text"));

        assertThat(text.getText()).contains("The window says: “(a tune)” of (a student) could not be read").contains("Screen: Trellis").contains("Java: ");
        assertThat(Objects.requireNonNull(view.lookup("#fault-card")).getBoundsInParent().getHeight()).as("it fits the window").isLessThan(720);
        write("I pressed Enter.");
        Path file = folder.resolve("report.txt");
        interact(() -> ((Button) Objects.requireNonNull(view.lookup("#fault-write"))).fire());
        interact(() -> ((TextField) Objects.requireNonNull(view.lookup("#path"))).setText(file.toString()));
        push(KeyCode.ENTER);
        until(() -> Files.exists(file));
        assertThat(Files.readString(file)).startsWith("What I did:\nI pressed Enter.").doesNotContain("Skarf");
    }
}
