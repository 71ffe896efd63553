package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.app.practice.HandsChoice;
import wildflourish.app.practice.PracticeState;
import wildflourish.core.ornament.Move;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.PracticeHistory;
import wildflourish.core.practice.PracticePlan;
import wildflourish.library.Library;

/** Practising in a real window, with somebody made up and with taps on the keyboard. */
class PracticeWindowTest extends WindowTest {

    private PracticeState now() {
        return practice().state().get();
    }

    private String text(String id) {
        return lookup(id).<Label>query().getText();
    }

    private <T> void choose(String id, T value) {
        interact(() -> {
            ComboBox<T> box = lookup(id).query();
            box.setValue(value);
        });
    }

    private HandsChoice made(String id) {
        return now().choice().hands().id().equals(id) ? now().choice().hands()
                : lookup("#practise-hands").<ComboBox<HandsChoice>>query().getItems().stream().filter(h -> h.id().equals(id)).findFirst().orElseThrow();
    }

    private PracticePlan plan(String id) {
        return PracticePlan.all().stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
    }

    private void sitDown() {
        open(true);
        interact(() -> model.trellis().select(2, 3));
        push(KeyCode.CONTROL, KeyCode.DIGIT7);
        until(() -> now() != null);
    }

    @Test
    void somebodySteadyClimbsAStepAfterTwoEvenPasses() {
        pace = 24;
        sitDown();
        assertThat(now().choice().inHand().orElseThrow().name()).as("the phrase of the note in hand").isEqualTo("A1");
        choose("#practise-hands", made("steady"));
        int first = now().steps().orElseThrow().at();
        push(KeyCode.ENTER);
        until(() -> now().steps().orElseThrow().reached());
        var tempi = now().steps().orElseThrow().tempi();
        assertThat(now().passes()).hasSize(2 * (tempi.size() - first)).allMatch(PracticeState.Done::even);
        for (int pass = 0; pass < now().passes().size(); pass++) {
            assertThat(now().passes().get(pass).words()).as("two passes on each step").endsWith(tempi.get(first + pass / 2).spoken());
        }
        assertThat(text("#practise-advice")).startsWith("The goal is reached");
        assertThat(text("#practise-facts")).contains("gaps vary by").contains("the tempo holds");
        assertThat(now().isRunning()).as("it rests at the goal").isFalse();
        List<LoggedPass> log = practice().log();
        assertThat(log.getLast().subject()).isEqualTo("The Lamp at Half Tide");
        assertThat(log.getLast().passage()).isEqualTo("A1");
        assertThat(log.getLast().hands()).isEqualTo("steady");
    }

    @Test
    void tapsOnTheKeyboardAreMeasured() {
        pace = 2;
        sitDown();
        push(KeyCode.ENTER);
        until(() -> now().phase() == PracticeState.Phase.COUNTING);
        until(() -> now().phase() == PracticeState.Phase.PLAYING);
        push(KeyCode.SPACE);
        push(KeyCode.J);
        push(KeyCode.F);
        until(() -> now().passes().size() == 1);
        PracticeState.Done pass = now().passes().getFirst();
        assertThat(pass.evenness().played()).hasSize(3);
        assertThat(pass.evenness().matching().missed()).as("the rest was left away").isNotEmpty();
        assertThat(pass.even()).isFalse();
        assertThat(practice().log().getLast().hands()).isEqualTo("keys");
        push(KeyCode.ENTER);
        assertThat(now().isRunning()).isFalse();
    }

    @Test
    void callAndResponsePlaysAPhraseAndLeavesItsLengthEmpty() {
        pace = 16;
        sitDown();
        interact(() -> lookup("#practise-passage").<ComboBox<?>>query().getSelectionModel().select(1));
        assertThat(now().choice().inHand().orElseThrow().name()).isEqualTo("part A");
        choose("#practise-plan", plan("call-and-response"));
        choose("#practise-hands", made("steady"));
        push(KeyCode.ENTER);
        until(() -> engine.course().isPresent());
        var legs = engine.course().orElseThrow().itinerary().legs();
        for (int i = 0; i + 1 < legs.size(); i += 2) {
            assertThat(legs.get(i).sounding()).isTrue();
            assertThat(legs.get(i + 1).sounding()).isFalse();
            assertThat(legs.get(i + 1).span()).isEqualTo(legs.get(i).span());
        }
        until(() -> now().phase() == PracticeState.Phase.RESTING && !now().passes().isEmpty());
        assertThat(now().passes()).hasSize(legs.size() / 2).allMatch(PracticeState.Done::even);
        assertThat(now().passes().get(1).words()).startsWith("A2");
    }

    @Test
    void theGoalIsHeardFirstThenSlowThenBare() {
        pace = 24;
        sitDown();
        choose("#practise-plan", plan("goal-first"));
        choose("#practise-hands", made("steady"));
        push(KeyCode.ENTER);
        until(() -> now().passes().size() == 4 && !now().isRunning());
        assertThat(now().passes().get(0).words()).contains("minim = 88");
        assertThat(now().passes().get(1).words()).contains("minim = 53");
        List<LoggedPass> log = practice().log();
        assertThat(log.getLast().rung()).isEqualTo("bare");
        assertThat(log.get(log.size() - 4).rung()).isEqualTo("first graces");
    }

    @Test
    void aDrillSetsTheSpeedsOfTheHandsAndCanBeUndone() {
        pace = 40;
        sitDown();
        clickOn("#practise-gesture");
        choose("#practise-drill", Drill.byId("cut"));
        choose("#practise-hands", made("steady"));
        var before = model.trellis().arrangement().speeds();
        push(KeyCode.ENTER);
        until(() -> now().run().filter(Drill.Run::done).isPresent() && !now().isRunning());
        assertThat(text("#practise-advice")).contains("as fast as it goes today");
        var after = model.trellis().arrangement().speeds();
        assertThat(after.of(Move.CUT)).isEqualTo(now().run().orElseThrow().span().orElseThrow()).isNotEqualTo(before.of(Move.CUT));
        assertThat(model.message().get()).startsWith("Speeds from the drill: cut");
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(model.trellis().arrangement().speeds()).isEqualTo(before);
    }

    @Test
    void theRuleAndTheReminderAreKeptAndTheLogSurvives() throws Exception {
        pace = 24;
        sitDown();
        interact(() -> lookup("#even-up-to").<Spinner<Integer>>query().getValueFactory().setValue(7));
        interact(() -> lookup("#rest-after").<Spinner<Integer>>query().getValueFactory().setValue(0));
        assertThat(text("#rule")).contains("vary by 7 %");
        assertThat(text("#care")).contains("Stop at pain");
        int before = practice().log().size();
        choose("#practise-hands", made("uneven"));
        push(KeyCode.ENTER);
        until(() -> now().passes().size() >= 2);
        push(KeyCode.ENTER);
        assertThat(text("#practise-advice")).contains("pulse of the beat is cut short");
        assertThat(practice().log()).hasSizeGreaterThanOrEqualTo(before + 2);
        clickOn("#practise-history");
        ListView<PracticeHistory.Line> lines = lookup("#history-lines").query();
        assertThat(lines.getItems().getFirst().name()).isEqualTo("A1 of The Lamp at Half Tide");
        assertThat(lookup("#history-chart").<Node>query().getAccessibleText()).contains("The Lamp at Half Tide");
        Path table = folder.resolve("log.csv");
        clickOn("#write-log");
        interact(() -> lookup("#path").<TextField>query().setText(table.toString()));
        push(KeyCode.ENTER);
        until(() -> Files.exists(table));
        int passes = practice().log().size();
        assertThat(Files.readAllLines(table)).hasSize(passes + 1);
        close();
        try (Library library = Library.open(libraryFile())) {
            assertThat(library.log().passes().read()).hasSize(passes);
            WindowMemory memory = WindowMemory.of(library.drawer()::remembered);
            assertThat(memory.practising().evenUpTo()).isEqualTo(0.07);
            assertThat(memory.practising().passes()).isEqualTo(2);
            assertThat(memory.practising().restAfter()).isZero();
        }
    }

    @Test
    void theKeysAreCalibrated() {
        pace = 2;
        sitDown();
        interact(() -> lookup("#calibrate").<Button>query().fire());
        until(() -> now().phase() == PracticeState.Phase.CALIBRATING && now().nowMs() > -50);
        for (int click = 0; click < 12; click++) {
            double at = click * 600.0;
            until(() -> now().nowMs() >= at || now().phase() == PracticeState.Phase.RESTING);
            push(KeyCode.SPACE);
        }
        until(() -> now().phase() == PracticeState.Phase.RESTING);
// How evenly a robot taps on a busy machine nobody knows: it is told one or the other.
        assertThat(model.message().get().toLowerCase(java.util.Locale.ROOT)).containsPattern("this is taken off from now on|too few taps, or too wild");
    }

    @Test
    void anotherScreenEndsThePass() {
        sitDown();
        push(KeyCode.ENTER);
        until(() -> now().phase() == PracticeState.Phase.COUNTING);
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        assertThat(practice().isRunning()).isFalse();
        until(() -> engine.course().isEmpty());
    }
}
