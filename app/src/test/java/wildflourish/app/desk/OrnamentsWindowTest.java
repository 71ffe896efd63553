package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.app.across.AcrossState;
import wildflourish.core.growth.Check;
import wildflourish.core.growth.Folds;
import wildflourish.core.growth.Translation;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Tempo;
import wildflourish.library.Library;

/** Ornaments of every family in a real window: stacking, schools, the student's speeds, simpler forms, translation. */
class OrnamentsWindowTest extends WindowTest {

    private Arrangement now() {
        return model.trellis().arrangement();
    }

    private String text(String id) {
        return lookup(id).<Label>query().getText();
    }

    /** The demo's first tune on an instrument at an easy tempo, bare around its first long note; that note is in hand. */
    private int bareOn(String instrument) {
        open(true);
        interact(() -> {
            model.trellis().player().setInstrument(instrument);
            model.trellis().player().setTempo(30);
        });
        int note = longNote();
        interact(() -> {
            for (int n = Math.max(0, note - 1); n <= note + 1; n++) {
                model.trellis().select(5, n);
                model.trellis().ornaments().clearNote();
            }
            model.trellis().select(5, note);
            trellisView().score().requestFocus();
        });
        assertThat(now().ladder().setting(5).at(note)).isEmpty();
        return note;
    }

    /** The first note worth two quavers or more from a place on. */
    private int longNote() {
        var tune = model.trellis().state().get().situation().tune();
        for (int n = 0; n < tune.size(); n++) {
            if (!tune.note(n).sounding().isLess(wildflourish.core.tune.Ratio.of(1, 4)) && tune.note(n).strength() >= 2) {
                return n;
            }
        }
        throw new AssertionError("the tune has no long note");
    }

    @Test
    void ornamentsStackByTheirKeysAndShowWhatTheyNeedTogether() {
        int note = bareOn("fiddle");
        interact(() -> model.trellis().select(5, note));
        write("s");
        write("o");
        write("e");
        assertThat(now().ladder().setting(5).at(note)).containsExactly("drone", "slide", "treble");
        assertThat(text("#sight-how")).contains("Three quick strokes");
        assertThat(lookup("#sight-picture").<Canvas>query().getHeight()).isGreaterThan(60);
        assertThat(lookup("#sight-picture").<Canvas>query().getAccessibleText()).contains("stroke from 0 to");
        String slow = model.trellis().state().get().inSight().orElseThrow().verdict().word();
        assertThat(slow).isEqualTo("clean");
        assertThat(lookup("#note-relief").<Button>query().isVisible()).isFalse();
        // Fast, the stack no longer fits: the window says what to give up, and one key does it.
        interact(() -> model.trellis().player().setTempo(110));
        Button relief = lookup("#note-relief").query();
        assertThat(relief.isVisible()).isTrue();
        assertThat(relief.getText()).containsAnyOf("give up", "take a");
        int before = now().ladder().setting(5).at(note).size();
        write(",");
        assertThat(now().ladder().setting(5).at(note)).hasSizeLessThanOrEqualTo(before)
                .isNotEqualTo(List.of("drone", "slide", "treble"));
    }

    @Test
    void lookingAtAnOrnamentPlacesNothingUntilEnter() {
        int note = bareOn("whistle-d");
        interact(() -> model.trellis().select(5, note));
        String first = model.trellis().state().get().looking().orElseThrow();
        push(KeyCode.CONTROL, KeyCode.DOWN);
        String second = model.trellis().state().get().looking().orElseThrow();
        assertThat(second).isNotEqualTo(first);
        assertThat(now().ladder().setting(5).at(note)).isEmpty();
        assertThat(lookup("#row-" + second).<Node>query().lookup("#in-sight")).isNotNull();
        push(KeyCode.CONTROL, KeyCode.UP);
        assertThat(model.trellis().state().get().looking()).contains(first);
        push(KeyCode.ENTER);
        assertThat(now().ladder().setting(5).at(note)).containsExactly(first);
    }

    @Test
    void aRollThatIsTooFastOffersItsSimplerForm() {
        int note = bareOn("whistle-d");
        interact(() -> {
            model.trellis().select(5, note);
            model.trellis().ornaments().toggle("short-roll");
            model.trellis().player().setTempo(210);
        });
        assertThat(model.trellis().state().get().inSight().orElseThrow().verdict().isBlocked()).isTrue();
        assertThat(lookup("#sight-simpler").<Button>query().getText()).contains("cut");
        Node button = lookup("#sight-simpler").query();
        Node list = lookup("#note-in-hand").query();
        assertThat(list.localToScene(list.getLayoutBounds()).contains(button.localToScene(button.getLayoutBounds())))
                .as("it can be seen and clicked").isTrue();
        clickOn(button);
        assertThat(now().ladder().setting(5).at(note)).containsExactly("cut");
        assertThat(model.trellis().state().get().inSight().orElseThrow().verdict().word()).isEqualTo("clean");
    }

    @Test
    void anOrnamentSpreadsOverTheRungWhereItIsClean() {
        int note = bareOn("fiddle");
        interact(() -> {
            model.trellis().select(3, note);
            model.trellis().ornaments().look("drone");
        });
        Setting below = now().ladder().setting(2);
        push(KeyCode.CONTROL, KeyCode.R);
        Setting rung = now().ladder().setting(3);
        assertThat(rung.byNote().values().stream().filter(ids -> ids.contains("drone")).count()).isGreaterThan(20);
        assertThat(now().ladder().setting(2)).isEqualTo(below);
        assertThat(Check.all(now().situation(), rung, now().tempo(), now().speeds()))
                .allSatisfy(c -> assertThat(c.verdict().isBlocked()).isFalse());
    }

    @Test
    void schoolsOfTheFiddleChangeItsVerdictsAndPictures() {
        int note = bareOn("fiddle");
        interact(() -> {
            model.trellis().select(5, note);
            model.trellis().ornaments().toggle("treble");
        });
        String shortFirst = lookup("#sight-picture").<Canvas>query().getAccessibleText();
        push(KeyCode.CONTROL, KeyCode.U);
        interact(() -> {
            ComboBox<School.Value> treble = lookup("#school-treble").query();
            treble.setValue(treble.getItems().get(1));
        });
        assertThat(now().school().choices()).containsEntry("treble", "even");
        push(KeyCode.CONTROL, KeyCode.U);
        interact(() -> model.trellis().ornaments().look("treble"));
        assertThat(lookup("#sight-picture").<Canvas>query().getAccessibleText()).isNotEqualTo(shortFirst);
    }

    /** The student's own speeds, typed in the window, move every verdict and are kept with the tune. */
    @Test
    void theStudentsSpeedsMoveTheVerdicts() {
        int note = bareOn("whistle-d");
        interact(() -> {
            model.trellis().select(5, note);
            model.trellis().ornaments().toggle("cut");
        });
        Tempo fluent = model.trellis().state().get().inSight().orElseThrow().verdict().cleanUpTo().orElseThrow();
        push(KeyCode.CONTROL, KeyCode.U);
        TextField ease = lookup("#ease-cut").query();
        interact(() -> {
            ease.setText("150");
            ease.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(now().speeds().name()).isEqualTo(Speeds.OWN);
        push(KeyCode.CONTROL, KeyCode.I);
        assertThat(lookup("#level").<ComboBox<String>>query().getValue()).isEqualTo("own");
        assertThat(now().speeds().of(wildflourish.core.ornament.Move.CUT)).isEqualTo(new Speeds.Span(28, 150));
        Tempo own = model.trellis().state().get().inSight().orElseThrow().verdict().cleanUpTo().orElseThrow();
        assertThat(fluent.isFasterThan(own)).isTrue();
        interact(() -> {
            TextField floor = lookup("#floor-cut").query();
            floor.setText("soon");
            floor.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(model.message().get()).contains("whole milliseconds");
        assertThat(now().speeds().of(wildflourish.core.ornament.Move.CUT)).isEqualTo(new Speeds.Span(28, 150));
        Arrangement kept = now();
        long tune = model.trellis().state().get().tune();
        close();
        try (Library library = Library.open(libraryFile())) {
            var read = wildflourish.formats.abc.AbcReader.read(library.tunes().current(tune).document()).tunes().getFirst();
            assertThat(read.arrangement().orElseThrow()).isEqualTo(kept);
        }
    }

    @Test
    void aVersionIsCarriedOverAndEachInstrumentKeepsItsOwnLadder() {
        open(true);
        Ladder whistle = now().ladder();
        interact(() -> model.trellis().player().setInstrument("fiddle"));
        assertThat(now().ladder().setting(4).size()).isGreaterThan(10);
        assertThat(model.message().get()).startsWith("On the fiddle:");
        for (Rung rung : now().ladder().rungs()) {
            assertThat(Check.all(now().situation(), rung.setting(), now().tempo(), now().speeds()))
                    .allSatisfy(c -> assertThat(c.verdict().isBlocked()).as("%s", c).isFalse());
        }
        interact(() -> {
            model.trellis().select(5, 0);
            model.trellis().ornaments().clearNote();
            model.trellis().ornaments().toggle("cut");
        });
        Ladder fiddle = now().ladder();
        interact(() -> model.trellis().player().setInstrument("whistle-d"));
        assertThat(now().ladder()).isEqualTo(whistle);
        interact(() -> model.trellis().player().setInstrument("fiddle"));
        assertThat(now().ladder()).isEqualTo(fiddle);
    }

    @Test
    void theAcrossScreenShowsEveryInstrumentAndTakesOne() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT4);
        until(() -> across().state().get() != null && !across().working().get());
        AcrossState state = across().state().get();
        assertThat(state.rows()).hasSize(Instruments.all().size() - 2);
        assertThat(state.rows()).allSatisfy(r -> assertThat(r.translation().steps()).isNotEmpty());
        ListView<AcrossState.Row> list = lookup("#across-instruments").query();
        int fiddle = state.rows().stream().map(r -> r.instrument().id()).toList().indexOf("fiddle");
        interact(() -> list.getSelectionModel().select(fiddle));
        assertThat(text("#across-title")).isEqualTo("On the fiddle");
        assertThat(text("#across-sum")).contains("left out");
        ListView<Translation.Step> changes = lookup("#across-changes").query();
        assertThat(changes.getItems()).isNotEmpty().allSatisfy(s -> assertThat(s.why()).isNotBlank());
        Ladder expected = across().state().get().row().orElseThrow().translation().ladder();
        interact(list::requestFocus);
        push(KeyCode.ENTER);
        assertThat(model.screen().get().id()).isEqualTo("trellis");
        assertThat(now().instrument().id()).isEqualTo("fiddle");
        assertThat(now().ladder()).isEqualTo(expected);
    }

    @Test
    void theAcrossScreenAsksForATuneFirst() {
        open(false);
        push(KeyCode.CONTROL, KeyCode.DIGIT4);
        assertThat(model.screen().get().id()).isEqualTo("shelf");
        assertThat(model.message().get()).contains("tune on the shelf first");
    }

    /** On the nine-note pipes the demo reel lacks notes: they are put right from the ground up, and that is taken back, offered and done again from the keyboard. */
    @Test
    void whatTheInstrumentLacksIsPutRight() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        interact(() -> model.trellis().player().setInstrument("pipes-nine-note"));
        until(() -> model.trellis().arrangement().instrument().id().equals("pipes-nine-note"));
        List<Variation> standing = model.trellis().arrangement().ladder().setting(0).standIns();
        assertThat(standing).isNotEmpty();
        Folds folds = Folds.of(model.trellis().now().plain(), model.trellis().arrangement().instrument(), Phrases.of(model.trellis().arrangement()));
        int missing = folds.missing().stream().filter(standing.getFirst()::holds).findFirst().orElseThrow();
        interact(() -> {
            model.trellis().select(0, missing);
            trellisView().score().requestFocus();
        });
        assertThat(lookup("#variation-standing").<Label>query().getText()).startsWith("octave");
        push(KeyCode.DELETE);
        until(() -> !model.trellis().arrangement().ladder().setting(0).standIns().contains(standing.getFirst()));
        assertThat(lookup("#note-none").<Label>query().getText()).contains("is below the lowest note of the nine-note pipes");
        assertThat(model.trellis().now().ranked()).isEmpty();
        push(KeyCode.CONTROL, KeyCode.J);
        push(KeyCode.SPACE);
        until(() -> !model.trellis().now().setting().variationAt(missing).isEmpty());
        assertThat(model.trellis().arrangement().ladder().rungs()).allMatch(r -> r.setting().variationAt(missing).isPresent());
        push(KeyCode.DELETE);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.J);
        until(() -> model.trellis().arrangement().ladder().setting(0).standIns().equals(standing));
        assertThat(model.message().get()).startsWith("Put right for the nine-note pipes: octave up in");
    }
}
