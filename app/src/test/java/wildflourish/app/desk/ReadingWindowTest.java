package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.app.rounds.RoundsScreen;
import wildflourish.core.growth.Offer;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Rounds;

/** Reading, the ladder, variations, licks and rounds in a real window. */
class ReadingWindowTest extends WindowTest {

    private Arrangement now() {
        return model.trellis().arrangement();
    }

    private String text(String id) {
        return lookup(id).<Label>query().getText();
    }

    private void type(String id, String words) {
        interact(() -> {
            TextField field = lookup(id).query();
            field.requestFocus();
            field.setText(words);
        });
        push(KeyCode.ENTER);
    }

    @Test
    void aTuneIsReadAndItsPhrasesAreSettledByKey() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        until(() -> reading().state().get() != null);
        assertThat(text("#reading-heading")).contains("The Lamp at Half Tide", "reel", "AABB");
        assertThat(text("#reading-tonality")).contains("D major", "all seven notes");
        Button third = lookup("#phrase-2").query();
        assertThat(third.getAccessibleText()).contains("A3", "bars 5 to 6", "as A1 up to bar 6");
        clickOn("#phrase-2");
        assertThat(text("#phrase-title")).isEqualTo("A3, bars 5 to 6");
        assertThat(text("#phrase-likeness")).startsWith("As A1 up to bar 6, beat 3");
        int from = reading().state().get().passage().orElseThrow().phrase().fromNote();
        push(KeyCode.ALT, KeyCode.LEFT);
        until(() -> reading().state().get().passage().orElseThrow().phrase().fromNote() == from - 1);
        type("#phrase-name", "the reply");
        until(() -> text("#phrase-title").startsWith("the reply"));
        type("#phrase-remark", "not too fast");
        until(() -> now().marks().remarks().containsValue("not too fast"));
        push(KeyCode.RIGHT);
        assertThat(text("#phrase-title")).startsWith("A4");
        push(KeyCode.J);
        assertThat(now().marks().joined()).isNotEmpty();
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(now().marks().names()).containsValue("the reply");
        // All of it is kept with the tune.
        interact(() -> model.trellis().select(0, 0));
        long tune = model.trellis().state().get().tune();
        push(KeyCode.ENTER);
        until(() -> isShown("trellis"));
        interact(() -> model.open(tune));
        until(() -> model.trellis().isOpen() && isShown("trellis"));
        assertThat(now().marks().remarks()).containsValue("not too fast");
    }

    @Test
    void rungsAreManagedAndWishesAreKeptWhenGrowing() {
        open(true);
        interact(() -> model.trellis().select(4, 0));
        push(KeyCode.CONTROL, KeyCode.B);
        assertThat(lookup("#ladder-panel").query().isVisible()).isTrue();
        type("#rung-name-4", "Thursday");
        assertThat(now().ladder().rung(4).name()).isEqualTo("Thursday");
        clickOn("#rung-add-4");
        assertThat(now().ladder().size()).isEqualTo(7);
        clickOn("#rung-drop-5");
        assertThat(now().ladder().size()).isEqualTo(6);
        interact(() -> {
            ComboBox<Integer> compare = lookup("#compare").query();
            compare.setValue(3);
        });
        assertThat(model.trellis().state().get().compared()).hasValue(3);
        assertThat(lookup("#difference-0").<Button>query().getText()).startsWith("+");
        clickOn("#difference-0");
        int note = model.trellis().note();
        assertThat(model.trellis().state().get().differsAt(note)).isTrue();
        interact(() -> lookup("#free").<CheckBox>query().fire());
        assertThat(now().wishes().free()).isTrue();
        push(KeyCode.CONTROL, KeyCode.B);
        assertThat(lookup("#ladder-panel").query().isVisible()).isFalse();
        // The panel says what was weighed, and what would come instead.
        interact(() -> {
            model.trellis().select(4, note);
            model.trellis().ornaments().look(now().ladder().setting(4).at(note).getLast());
        });
        assertThat(text("#sight-weighed")).startsWith("Weighed: ").contains(" in all: ");
        interact(() -> lookup("#sight-instead").<Button>query().fire());
        until(() -> model.trellis().state().get().instead().isPresent() || model.message().get().contains("nothing to compare"));
        // Locked by key, the note keeps what stands on it; what is forbidden does not come back.
        interact(() -> trellisView().score().requestFocus());
        var kept = now().ladder().setting(4).at(note);
        push(KeyCode.CONTROL, KeyCode.K);
        assertThat(now().wishes().isLocked(note)).isTrue();
        Arrangement before = now();
        push(KeyCode.CONTROL, KeyCode.G);
        until(() -> now() != before);
        assertThat(now().ladder().setting(4).at(note)).isEqualTo(kept);
        Arrangement grown = now();
        push(KeyCode.CONTROL, KeyCode.T);
        until(() -> now() != grown);
        for (int r = 1; r < 6; r++) {
            assertThat(now().ladder().setting(r).contains(now().ladder().setting(r - 1))).isTrue();
        }
        assertThat(now().ladder().setting(5)).isEqualTo(grown.ladder().setting(5));
        assertThat(now().ladder().setting(4).at(note)).isEqualTo(kept);
    }

    @Test
    void aStretchIsPlayedOtherwiseAndKeptAsALickForOtherTunes() {
        open(true);
        interact(() -> {
            model.trellis().player().setInstrument("fiddle");
            model.trellis().select(5, 2);
            model.trellis().ornaments().clearNote();
        });
        Offer first = model.trellis().state().get().offers().getFirst();
        Button row = lookup("#variation-0").query();
        assertThat(row.getText()).contains(first.inWords()).contains(first.verdict().word());
        interact(row::fire);
        assertThat(now().ladder().setting(5).variationAt(2)).hasValue(first.variation());
        assertThat(text("#variation-standing")).isEqualTo(first.inWords());
        interact(() -> {
            model.trellis().select(5, 0);
            trellisView().toggleLadder();
        });
        interact(() -> {
            lookup("#lick-from").<TextField>query().setText("8");
            lookup("#lick-to").<TextField>query().setText("8");
        });
        type("#lick-name", "home again");
        assertThat(model.trellis().licks()).hasSize(1);
        // It is in the library, so that it is there after the next start.
        interact(() -> model.restore());
        until(() -> model.trellis().licks().size() == 1 && model.trellis().isOpen());
        assertThat(model.trellis().licks().getFirst().name()).isEqualTo("home again");
    }

    @Test
    void theWholeShelfIsGrownInTheBackground() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        clickOn("#grow-all");
        until(() -> model.underWay().isEmpty() && model.message().get().contains("grown"));
        long last = model.shelf().tunes().getLast().id();
        assertThat(document(last)).contains("I:flourish rung 5 wild").contains("I:flourish place");
        clickOn("#grow-all");
        until(() -> model.message().get().contains("very tune has its ladder"));
    }

    @Test
    void roundsAreShuffledByTheirSeedAndWrittenToOneFile() throws Exception {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        until(() -> rounds().state().get() != null && rounds().state().get().seconds() > 0);
        push(KeyCode.B);
        assertThat(now().rounds().times()).hasSize(3);
        assertThat(now().rounds().times().getFirst()).allMatch(p -> p.rung() == 0);
        type("#rounds-seed", "21");
        assertThat(now().rounds().seed()).hasValue(21L);
        Rounds shuffled = now().rounds();
        push(KeyCode.S);
        assertThat(now().rounds().seed()).hasValue(22L);
        type("#rounds-seed", "21");
        assertThat(now().rounds()).isEqualTo(shuffled);
        push(KeyCode.RIGHT);
        push(KeyCode.DOWN);
        push(KeyCode.V);
        assertThat(now().rounds().times().get(1).get(1).kind()).isPresent();
        push(KeyCode.T);
        assertThat(lookup("#pass-3-3").<Button>query().getAccessibleText()).contains("time 4");
        interact(() -> model.screen(RoundsScreen.class).follow(model.shelf().tunes().get(3).id()));
        until(() -> rounds().state().get().set().size() == 1);
        until(() -> rounds().state().get().seconds() > 0);
        assertThat(text("#rounds-total")).contains("minute").contains("4 times through").contains("1 more");
        // The set is kept: it is there again when the tune is opened after another.
        long tune = model.trellis().state().get().tune();
        interact(() -> model.open(model.shelf().tunes().get(1).id()));
        until(() -> model.trellis().state().get().tune() != tune && isShown("trellis"));
        interact(() -> model.show("rounds"));
        until(() -> rounds().state().get().arrangement().equals(now()));
        assertThat(rounds().state().get().set()).isEmpty();
        interact(() -> model.open(tune));
        until(() -> model.trellis().state().get().tune() == tune && isShown("trellis"));
        interact(() -> model.show("rounds"));
        until(() -> rounds().state().get().set().size() == 1);
        Path file = folder.resolve("whole.abc");
        push(KeyCode.CONTROL, KeyCode.E);
        interact(() -> lookup("#path").<TextField>query().setText(file.toString()));
        push(KeyCode.ENTER);
        until(() -> Files.exists(file) && model.underWay().isEmpty());
        assertThat(Files.readString(file)).contains("The Lamp at Half Tide / Hens on the Slip").contains("time 4");
    }
}
