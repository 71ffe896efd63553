package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.Slider;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Commands;
import wildflourish.app.frame.Find;
import wildflourish.app.frame.Keys;
import wildflourish.app.frame.LazyScreen;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Screen;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.ScoreSpots;

/** The frame around the screens: what it leaves to them, how everything is found, and that it holds at every size. */
class FrameWindowTest extends WindowTest {

    /** All there is to a new screen. */
    private static final class Lighthouse extends LazyScreen<Button> {

        private int turned;

        Lighthouse() {
            super(new Plate("lighthouse", "Lighthouse", "Is the lamp lit?", "Ctrl+Shift+9", "M9 21L11 6h2l2 15z"));
        }

        @Override
        protected Button make() {
            Button lamp = new Button("lamp");
            lamp.setId("lamp");
            return lamp;
        }

        @Override
        public void focus() {
            view().requestFocus();
        }

        @Override
        public List<Command> commands() {
            return List.of(Command.of("turn-lamp", "Turn the lamp", "Lighthouse", () -> turned++).keys("L"));
        }

        @Override
        protected void dress(Button view, Look look) {}
    }

    @Test
    void aScreenIsAddedByOneClass() {
        Lighthouse lighthouse = new Lighthouse();
        screens = tools -> {
            List<Screen> all = new ArrayList<>(Screens.of(tools));
            all.add(lighthouse);
            return all;
        };
        open(true);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT9);
        assertThat(model.screen().get()).isSameAs(lighthouse);
        assertThat(lookup("#lighthouse-tab").<ToggleButton>query().isSelected()).isTrue();
        assertThat(lookup("#lamp").query().isFocused()).isTrue();
        push(KeyCode.L);
        assertThat(lighthouse.turned).isEqualTo(1);
        push(KeyCode.F1);
        assertThat(texts("#keys-here")).contains("Turn the lamp", "L").doesNotContain("The next note");
        push(KeyCode.ESCAPE);
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        find("turn lamp");
        assertThat(model.screen().get()).as("it is found from elsewhere, and done where it works").isSameAs(lighthouse);
        assertThat(lighthouse.turned).isEqualTo(2);
        clickOn("#shelf-tab");
        clickOn("#lighthouse-tab");
        assertThat(isShown("lighthouse")).isTrue();
    }

    private List<String> texts(String of) {
        return lookup(of).query().lookupAll(".label").stream().filter(Label.class::isInstance).map(n -> ((Label) n).getText()).toList();
    }

    private void find(String letters) {
        push(KeyCode.CONTROL, KeyCode.SPACE);
        write(letters);
        push(KeyCode.ENTER);
    }

    /** From screen to screen the Tab key reaches every control that can be seen and used, and comes round again. */
    @Test
    void everyControlIsReachedByTheTabKey() {
        open(true);
        List<String> missed = new ArrayList<>();
        for (Screen screen : model.screens()) {
            interact(() -> model.show(screen));
            until(() -> isShown(screen.id()));
            Set<Node> wanted = new HashSet<>();
            interact(() -> wanted.addAll(view.lookupAll("*").stream().filter(FrameWindowTest::isControl).toList()));
            Set<Node> reached = new HashSet<>();
            for (int step = 0; step < 4 * wanted.size() + 20 && wanted.stream().anyMatch(w -> !reached.contains(w) && isControl(w)); step++) {
                push(KeyCode.TAB);
                reached.add(stage.getScene().getFocusOwner());
            }
            wanted.stream().filter(w -> !reached.contains(w) && isControl(w)).forEach(w -> missed.add(screen.id() + ": " + name(w)));
        }
        assertThat(missed).isEmpty();
    }

    private static boolean isSeen(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (!at.isVisible()) {
                return false;
            }
        }
        return true;
    }

    private static boolean isControl(Node node) {
        if (node instanceof ToggleButton one && one.getToggleGroup() != null && !one.isSelected()) {
            // Within a group the arrow keys go on from the one that is chosen.
            return false;
        }
        return node.isFocusTraversable() && !node.isDisabled() && node.getScene() != null && isSeen(node)
                && (node instanceof ButtonBase || node instanceof TextInputControl && !(node.getParent() instanceof Spinner) || node instanceof ComboBoxBase || node instanceof ListView
                        || node instanceof Slider || node instanceof Spinner);
    }

    @Test
    void noTwoCommandsShareAKeyInOnePlace() {
        open(true);
        for (Screen screen : model.screens()) {
            List<Command> all = view.commands().on(screen);
            assertThat(all.stream().filter(c -> !c.keys().isEmpty()).count()).as(screen.id()).isGreaterThan(15);
            for (int i = 0; i < all.size(); i++) {
                for (int j = i + 1; j < all.size(); j++) {
                    for (Keys one : all.get(i).keys()) {
                        for (Keys other : all.get(j).keys()) {
                            assertThat(one.clashesWith(other)).as("%s: %s of %s and %s", screen.id(), one.words(), all.get(i).id(), all.get(j).id())
                                    .isFalse();
                        }
                    }
                }
            }
        }
        Map<String, Long> ids = view.commands().all().stream().collect(Collectors.groupingBy(o -> o.command().id(), Collectors.counting()));
        assertThat(ids).allSatisfy((id, times) -> assertThat(times).as(id).isOne());
    }

    @Test
    void everyCommandIsFoundByItsWords() {
        open(true);
        List<Find.Found> all = view.everything();
        assertThat(all.stream().map(Find.Found::kind)).anyMatch(k -> k.startsWith("tune:")).anyMatch(k -> k.startsWith("instrument"))
                .contains("place it on the note in hand", "Screens");
        int found = 0;
        for (Commands.Owned owned : view.commands().all()) {
            if (owned.command().listed()) {
                found++;
                assertThat(Find.rank(owned.command().words(), all, Map.of(), 3).stream().map(Find.Found::id)).as(owned.command().words())
                        .contains(owned.command().id());
            }
        }
        assertThat(found).isGreaterThan(60);
    }

    @Test
    void aFewLettersGoAnywhereAndWhatIsUsedComesFirst() {
        open(true);
        find("slip jig");
        until(() -> model.trellis().arrangement().tune().title().equals("Nine Steps to the Boathouse"));
        find("fiddle");
        until(() -> model.trellis().arrangement().instrument().id().equals("fiddle"));
        find("rounds");
        assertThat(isShown("rounds")).isTrue();
        find("light or");
        assertThat(model.look().get().palette().name()).isEqualTo("DARK");
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        String ornament = model.trellis().now().ranked().getFirst().ornament().name();
        push(KeyCode.CONTROL, KeyCode.SPACE);
        write(ornament);
        ListView<Find.Found> list = lookup("#found").query();
        assertThat(list.getItems().getFirst().words()).isEqualTo(ornament);
        assertThat(list.getItems().getFirst().keys()).as("its key stands beside it").isNotEmpty();
        push(KeyCode.ESCAPE);
        List<Find.Found> two = List.of(new Find.Found("a", "Larger words", "", "", () -> { }), new Find.Found("b", "Larger sheet", "", "", () -> { }));
        assertThat(Find.rank("larger", two, Map.of("b", 3), 5).getFirst().id()).isEqualTo("b");
        assertThat(Find.rank("larger", two, Map.of("a", 4, "b", 3), 5).getFirst().id()).isEqualTo("a");
        assertThat(Find.rank("zzz", two, Map.of(), 5)).isEmpty();
        close();
        open(false);
        until(() -> model.trellis().isOpen());
        assertThat(model.uses()).as("remembered").containsEntry("look", 1).containsEntry("instrument fiddle", 1);
    }

    /** The README's list of keys is this one; run with -Dflourish.write.keys=true to write it anew. */
    @Test
    void theManualsKeysAreThoseOfTheTable() throws Exception {
        open(true);
        StringBuilder list = new StringBuilder();
        view.commands().byGroup().forEach((group, owned) -> {
            List<String> keys = owned.stream().filter(o -> !o.command().keys().isEmpty())
                    .map(o -> "`%s` %s".formatted(o.command().keysInWords().replace("`", "'"), lower(o.command().words()))).toList();
            if (!keys.isEmpty()) {
                list.append("- **%s**: %s\n".formatted(group, String.join(" · ", keys)));
            }
        });
        Path file = Path.of("../docs/keys.md");
        String begin = "<!-- keys -->\n";
        String text = Files.readString(file);
        int from = text.indexOf(begin) + begin.length();
        int to = text.indexOf("<!-- end of keys -->");
        if (Boolean.getBoolean("flourish.write.keys")) {
            Files.writeString(file, text.substring(0, from) + list + text.substring(to));
        }
        assertThat(Files.readString(file).substring(from)).startsWith(list + "<!-- end of keys -->");
        assertThat(Files.readString(Path.of("../README.md"))).contains("docs/keys.md");
    }

    private static String lower(String words) {
        return words.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + words.substring(1);
    }

    @Test
    void theMenuHasEveryCommand() {
        open(true);
        push(KeyCode.F10);
        until(() -> listWindows().size() > 1);
        List<String> groups = view.menuGroups();
        assertThat(groups).contains("Screens", "Ornaments", "The ladder", "Listening", "Tunes and files");
        push(KeyCode.ESCAPE);
        push(KeyCode.ESCAPE);
    }

    @Test
    void aMessageBelongsToItsScreen() {
        open(true);
        push(KeyCode.DELETE);
        String said = model.message().get();
        assertThat(said).isNotEmpty();
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        assertThat(model.message().get()).isEmpty();
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        assertThat(model.message().get()).isEqualTo(said);
    }

    /** A key that is held down moves on and on; what it switches it switches once. */
    @Test
    void aKeyHeldDownMovesOnAndSwitchesOnce() {
        open(true);
        interact(() -> model.trellis().select(4, 0));
        interact(() -> {
            for (int i = 0; i < 3; i++) {
                hold(KeyCode.RIGHT, false);
            }
        });
        assertThat(model.trellis().note()).isEqualTo(3);
        interact(() -> {
            for (int i = 0; i < 3; i++) {
                hold(KeyCode.L, true);
            }
        });
        assertThat(model.look().get().palette().name()).isEqualTo("DARK");
    }

    private void hold(KeyCode code, boolean control) {
        trellisView().score().fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, control, false, false));
    }

    /** The share of the height that belongs to the screen in hand. */
    @Test
    void theTuneFillsTheWindow() {
        open(true);
        interact(() -> {
            for (double[] size : new double[][] {{1280, 800, 0.88}, {1024, 700, 0.85}}) {
                settle(size[0], size[1]);
                double height = trellisView().score().getHeight();
                assertThat(height / size[1]).as("%s of %s", height, size[1]).isGreaterThanOrEqualTo(size[2]);
            }
        });
    }

    @Test
    void theScoreAndTheWordsAreEnlargedAndStaySo() {
        open(true);
        var score = trellisView().score();
        push(KeyCode.CONTROL, KeyCode.EQUALS);
        assertThat(score.zoom()).isEqualTo(1.15);
        push(KeyCode.CONTROL, KeyCode.MINUS);
        push(KeyCode.CONTROL, KeyCode.MINUS);
        assertThat(score.zoom()).isEqualTo(0.9);
        push(KeyCode.F9);
        push(KeyCode.F9);
        assertThat(model.look().get().percent()).isEqualTo(150);
        assertThat(lookup("#message").<Label>query().getFont().getSize()).isEqualTo(21);
        close();
        open(false);
        until(() -> model.trellis().isOpen());
        assertThat(model.look().get().percent()).isEqualTo(150);
        assertThat(trellisView().score().zoom()).isEqualTo(0.9);
        push(KeyCode.SHIFT, KeyCode.F9);
        assertThat(model.look().get().percent()).isEqualTo(125);
    }

    @Test
    void theWholeTuneIsSeenAtAGlance() {
        open(true);
        assertThat(ScoreSpots.height(trellisView().score())).isGreaterThan(trellisView().score().getHeight());
        push(KeyCode.F4);
        assertThat(trellisView().score().isWhole()).isTrue();
        assertThat(ScoreSpots.height(trellisView().score())).isLessThanOrEqualTo(trellisView().score().getHeight() + 1);
        int last = model.trellis().now().plain().size() - 1;
        clickOn(trellisView().score().localToScreen(ScoreSpots.of(trellisView().score(), 0, last)));
        assertThat(model.trellis().note()).as("every note can be taken").isEqualTo(last);
        push(KeyCode.F4);
        assertThat(trellisView().score().isWhole()).isFalse();
    }

    /** At four sizes of the window and four of words: nothing outside it, nothing over its neighbour, no word cut. */
    @Test
    void everyScreenHoldsAtEverySizeOfWindowAndWords() {
        CanvasPainter.loadFonts();
        open(true);
        List<String> wrong = new ArrayList<>();
        for (Screen screen : model.screens()) {
            interact(() -> model.show(screen));
            until(() -> model.underWay().isEmpty());
            interact(() -> {
                for (int percent : Look.SIZES) {
                    model.look().set(model.look().get().with(percent));
                    for (double[] size : new double[][] {{1024, 700}, {1280, 800}, {1600, 900}, {1920, 1080}}) {
                        // The smallest window with usual words; the others with all, but 125 and 150 % only where they are narrowest.
                        // In every build the narrowest and the widest of each; with -Dflourish.thorough=true all.
                        boolean between = !Boolean.getBoolean("flourish.thorough") && (size[0] == 1600 || percent == 100 && size[0] == 1280 || percent == 125);
                        if (between || percent > 100 && (size[0] < 1280 || percent < 200 && size[0] > 1280)) {
                            continue;
                        }
                        settle(size[0], size[1]);
                        check(view, screen.id() + " at " + (int) size[0] + " with words at " + percent + " %", size, wrong);
                    }
                }
                besideTheGuide(screen, wrong);
                model.look().set(Look.USUAL);
            });
        }
        assertThat(wrong).isEmpty();
    }

    /** Beside the guide a screen has less room: in the narrowest windows in which both stand side by side. */
    private void besideTheGuide(Screen screen, List<String> wrong) {
        view.guide().open("words");
        for (int percent : Boolean.getBoolean("flourish.thorough") ? new int[] {100, 125, 150} : new int[] {100, 150}) {
            double width = 1280 * percent / 100.0;
            model.look().set(model.look().get().with(percent));
            settle(width, 0.625 * width);
            assertThat(view.guide().pane().getParent()).isInstanceOf(javafx.scene.layout.HBox.class);
            check(view, "%s beside the guide with words at %d %%".formatted(screen.id(), percent), new double[] {width, 0.625 * width}, wrong);
        }
        view.guide().close();
    }

    private void settle(double width, double height) {
        view.resize(width, height);
        for (int pass = 0; pass < 3; pass++) {
            view.applyCss();
            view.layout();
        }
    }

    private static void check(Parent parent, String where, double[] size, List<String> wrong) {
        for (Node node : parent.getChildrenUnmodifiable()) {
            if (!node.isVisible() || node instanceof ListView<?>) {
                continue;
            }
            boolean control = node instanceof ButtonBase || node instanceof ComboBoxBase<?> || node instanceof TextField;
            if (control) {
                Bounds b = node.localToScene(node.getLayoutBounds());
                boolean scrolls = isScrolled(node);
                if (b.getMinX() < -0.5 || b.getMaxX() > size[0] + 0.5 || !scrolls && b.getMaxY() > size[1] + 0.5) {
                    wrong.add("%s: %s reaches out of the window: %s".formatted(where, name(node), b));
                }
                if (!node.getStyleClass().contains("text-input") && (b.getWidth() < 24 || b.getHeight() < 24) || b.getHeight() < 20) {
                    wrong.add("%s: %s is too small: %s".formatted(where, name(node), b));
                }
            }
            if (node instanceof Labeled labeled && isCut(labeled)) {
                wrong.add("%s: cut: %s".formatted(where, name(node)));
            }
            if (node instanceof Parent inner) {
                if (parent instanceof javafx.scene.layout.HBox || parent instanceof javafx.scene.layout.FlowPane || parent instanceof javafx.scene.layout.VBox) {
                    overlaps(parent, node, where, wrong);
                }
                check(inner, where, size, wrong);
            }
        }
    }

    private static void overlaps(Parent parent, Node node, String where, List<String> wrong) {
        for (Node other : parent.getChildrenUnmodifiable()) {
            if (other == node) {
                return;
            }
            Bounds a = other.getBoundsInParent();
            Bounds b = node.getBoundsInParent();
            boolean apart = a.getMaxX() <= b.getMinX() + 1.5 || b.getMaxX() <= a.getMinX() + 1.5 || a.getMaxY() <= b.getMinY() + 1.5
                    || b.getMaxY() <= a.getMinY() + 1.5;
            if (other.isVisible() && other.isManaged() && node.isManaged() && !apart && a.getWidth() > 0 && b.getWidth() > 0) {
                wrong.add("%s: %s lies over %s".formatted(where, name(node), name(other)));
            }
        }
    }

    private static boolean isScrolled(Node node) {
        for (Node n = node.getParent(); n != null; n = n.getParent()) {
            if (n.getStyleClass().contains("scroll-pane")) {
                return true;
            }
        }
        return false;
    }

    /** A long name, and what was said, may end in dots: both are told whole elsewhere. */
    private static boolean isCut(Labeled labeled) {
        if (Optional.ofNullable(labeled.getId()).filter(id -> id.equals("title") || id.equals("message")).isPresent()
                || labeled.getText() == null || labeled.getText().isBlank() || insideCombo(labeled)) {
            return false;
        }
        if (labeled.isWrapText() && labeled.getHeight() < labeled.prefHeight(labeled.getWidth()) - 3) {
            return true;
        }
        return labeled.lookup(".text") instanceof Text text && !text.getText().equals(labeled.getText());
    }

    private static boolean insideCombo(Node node) {
        for (Node n = node; n != null; n = n.getParent()) {
            if (n instanceof ComboBoxBase<?>) {
                return true;
            }
        }
        return false;
    }

    private static String name(Node node) {
        return node instanceof Labeled l ? "“%s”".formatted(l.getText()) : node.getId() == null ? node.getClass().getSimpleName() : node.getId();
    }

    @Test
    void anEmptyShelfGreetsAndTheDemoClassIsAClickAway() {
        open(false);
        until(() -> lookup("#greeting").tryQuery().filter(Node::isVisible).isPresent());
        assertThat(isShown("shelf")).isTrue();
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        assertThat(isShown("shelf")).isTrue();
        assertThat(model.message().get()).contains("choose a tune on the shelf first".substring(1));
        clickOn("#demo-class");
        until(() -> model.shelf().tunes().size() == 13);
        push(KeyCode.ENTER);
        until(() -> model.trellis().isOpen());
    }

    @Test
    void aLongNamePushesNothingOut() throws Exception {
        open(true);
        Path file = Files.writeString(folder.resolve("long.abc"), "X:1\nT:" + "The Long Way Round ".repeat(30) + "\nM:6/8\nL:1/8\nK:D\n|:FED AFA|d3 d3:|\n");
        interact(() -> model.bringIn(file));
        until(() -> model.trellis().arrangement().tune().title().startsWith("The Long Way Round"));
        interact(() -> {
            stage.setWidth(1024);
            stage.setHeight(700);
        });
        until(() -> view.getWidth() == 1024);
        interact(() -> {
            Bounds who = lookup("#who").query().localToScene(lookup("#who").query().getLayoutBounds());
            Bounds about = lookup("#about").query().localToScene(lookup("#about").query().getLayoutBounds());
            Bounds title = lookup("#title").query().localToScene(lookup("#title").query().getLayoutBounds());
            assertThat(who.getMaxX()).isLessThanOrEqualTo(1024);
            assertThat(about.getMaxX()).isLessThanOrEqualTo(who.getMinX());
            assertThat(title.getMaxX()).isLessThanOrEqualTo(about.getMinX());
            assertThat(title.getWidth()).isGreaterThan(300);
        });
    }
}
