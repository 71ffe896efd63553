package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.Label;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.app.fit.FitModel;
import wildflourish.app.fit.FitScreen;
import wildflourish.core.fit.Fit;
import wildflourish.core.fit.Singer;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Timeline;

/** In which key, on which instrument, in a real window. */
class FitWindowTest extends WindowTest {

    private FitModel fit() {
        return model.screen(FitScreen.class).model();
    }

    private void enter() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.K);
        until(() -> fit().state().get() != null && fit().state().get().whole());
    }

    private String said(String id) {
        return ((Label) lookup("#" + id).query()).getText();
    }

    @Test
    void everyCellSaysWhatItCostsAndTheTuneIsMovedThereAndBack() {
        enter();
        assertThat(isShown("fit")).isTrue();
        TableView<?> table = lookup("#fit-table").query();
        assertThat(table.getItems()).hasSize((int) Instruments.all().stream().filter(i -> i.hasHands()).count());
        assertThat(said("fit-title")).isEqualTo("D major on the D whistle");
        until(() -> fit().state().get().carried().isPresent());
        assertThat(fit().state().get().carried().orElseThrow().lost()).isZero();
        assertThat(said("fit-together")).startsWith("On the D whistle alone: nobody is left behind in D major");
        assertThat(lookup("Best keys on the D whistle").tryQuery()).isPresent();
        push(KeyCode.DOWN);
        until(() -> fit().state().get().instrument().id().equals("whistle-eb"));
        push(KeyCode.P);
        until(() -> fit().state().get().playing().size() == 2);
        Fit two = Fit.of(model.trellis().arrangement().tune(), java.util.List.of(Instruments.known("whistle-d"), Instruments.known("whistle-eb")), model.trellis().arrangement().school());
        assertThat(said("fit-together")).contains("For the 2 that play together: nobody is left behind in " + two.nobodyBehind().sounding().spoken())
                .contains("Easiest on the whole is " + two.easiest().sounding().spoken());
        push(KeyCode.P);
        until(() -> fit().state().get().playing().size() == 1);
        push(KeyCode.UP);
        Arrangement before = model.trellis().arrangement();
        push(KeyCode.RIGHT);
        push(KeyCode.RIGHT);
        until(() -> fit().state().get().offset() == 2);
        until(() -> said("fit-title").equals("E major on the D whistle"));
        assertThat(fit().state().get().ways()).as("they are worked out anew").allSatisfy(w -> assertThat(w.sounding().spoken()).isEqualTo("E major"));
        push(KeyCode.S);
        until(() -> fit().state().get().looked().flatMap(l -> l.score()).isPresent());
        assertThat(fit().state().get().looked().orElseThrow().score().orElseThrow().zones()).as("every note is on the score")
                .extracting(z -> z.note()).contains(0, Timeline.of(before.tune()).size() - 1);
        push(KeyCode.S);
        assertThat(lookup("#fit-score").query().isVisible()).isFalse();
        interact(() -> lookup("#fit-singers").<TextField>query().requestFocus());
        write("A3-D5");
        push(KeyCode.ENTER);
        until(() -> fit().state().get().fit().singers().size() == 1);
        Singer.Sung sung = fit().state().get().fit().singers().getFirst().sing(before.tune(), fit().state().get().nobodyBehind().orElseThrow().offset());
        assertThat(said("fit-together").contains("singer")).isEqualTo(sung.outside() > 0);
        push(KeyCode.ENTER);
        until(() -> model.trellis().arrangement().tune().head().key().spoken().equals("E major"));
        assertThat(model.trellis().arrangement().tune().bars()).hasSameSizeAs(before.tune().bars());
        push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> model.trellis().arrangement().equals(before));
    }
}
