package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.app.frame.Screen;
import wildflourish.app.writing.WritingScreen;

/** What a screen reader meets: every screen as a tree of roles and names, which is left in {@code target/accessible}. */
class AccessibleWindowTest extends WindowTest {

    private static final Path TREES = Path.of("target/accessible");
    /** Roles that say nothing by themselves. */
    private static final Set<AccessibleRole> MUTE = Set.of(AccessibleRole.NODE, AccessibleRole.PARENT);

    @Test
    void whateverTakesTheKeyboardSaysWhatItIs() throws IOException {
        open(true);
        List<String> wrong = new ArrayList<>();
        Files.createDirectories(TREES);
        for (Screen screen : model.screens()) {
            interact(() -> model.show(screen));
            until(() -> model.underWay().isEmpty());
            look(screen.id(), wrong);
        }
        for (String card : List.of("find", "keys-here", "sound", "who-plays", "fault", "guide")) {
            interact(() -> model.show("trellis"));
            interact(() -> view.commands().window(card).run().accept(""));
            until(() -> model.underWay().isEmpty());
            look("card-" + card, wrong);
        }
        assertThat(wrong).isEmpty();
    }

    /** Where arrows walk on something drawn, what is in hand is said as it changes. */
    @Test
    void whatIsInHandIsSaid() {
        open(true);
        interact(() -> model.show("trellis"));
        assertThat(walked()).startsWith("rung ");
        interact(() -> model.show("reading"));
        until(() -> said() != null && said().startsWith("phrase "));
        assertThat(walked()).startsWith("phrase A2, bars 3 to 4");
        interact(() -> model.show("rounds"));
        until(() -> said() != null && said().startsWith("time 1"));
        assertThat(walked()).startsWith("time 1, A2: ");
        interact(() -> model.show("writing"));
        until(() -> model.screen(WritingScreen.class).model().pen().get().isPresent());
        interact(() -> Objects.requireNonNull(model.screen().get().node().lookup("#pen-stave")).requestFocus());
        push(KeyCode.HOME);
        until(() -> said().equals("at the beginning of the tune"));
        assertThat(walked()).isEqualTo("D, 1 quaver");
    }

    private String said() {
        return Objects.requireNonNull(stage.getScene().getFocusOwner()).getAccessibleText();
    }

    /** What is said after a step to the right, which is not what was said before. */
    private String walked() {
        String before = said();
        push(KeyCode.RIGHT);
        rest();
        assertThat(said()).isNotEqualTo(before);
        return said();
    }

    private void look(String name, List<String> wrong) throws IOException {
        StringBuilder tree = new StringBuilder();
        interact(() -> tree(view, 0, name, tree, wrong));
        Files.writeString(TREES.resolve(name + ".txt"), tree);
        assertThat(tree.toString().lines().count()).as(name).isGreaterThan(20);
    }

    private static void tree(Node node, int depth, String where, StringBuilder tree, List<String> wrong) {
        if (!node.isVisible()) {
            return;
        }
        String name = name(node);
        boolean says = !MUTE.contains(node.getAccessibleRole()) || !name.isEmpty();
        if (says) {
            tree.append("  ".repeat(depth)).append(node.getAccessibleRole()).append(": ").append(name.replace('\n', ' ')).append('\n');
        }
        if (node.isFocusTraversable() && (name.isEmpty() || MUTE.contains(node.getAccessibleRole()) || isSign(name))) {
            wrong.add("%s: %s%s has the role %s and the name “%s”".formatted(where, node.getClass().getSimpleName(), node.getId() == null ? "" : " #" + node.getId(),
                    node.getAccessibleRole(), name));
        }
        if (node instanceof Parent parent && !(node instanceof Labeled)) {
            parent.getChildrenUnmodifiable().forEach(n -> tree(n, says ? depth + 1 : depth, where, tree, wrong));
        }
    }

    /** A sign by itself is read out as what it is called, not as what it does. */
    private static boolean isSign(String name) {
        return name.codePoints().noneMatch(Character::isLetterOrDigit);
    }

    /** What is read out: what it was given, or its words, or those of the label that belongs to it. */
    private static String name(Node node) {
        if (node.getAccessibleText() != null) {
            return node.getAccessibleText();
        }
        Object labelled = node.queryAccessibleAttribute(AccessibleAttribute.LABELED_BY);
        Object text = node.queryAccessibleAttribute(AccessibleAttribute.TEXT);
        return labelled instanceof Labeled label ? label.getText() : Objects.toString(text, "");
    }
}
