package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import javafx.event.ActionEvent;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.app.writing.WritingModel;
import wildflourish.app.writing.WritingScreen;
import wildflourish.core.setting.Setting;
import wildflourish.library.EditionEntry;
import wildflourish.library.TuneEntry;

/** Writing in a real window: a tune from nothing, a wrong note put right under its ladder, a text that cannot be read. */
class WritingWindowTest extends WindowTest {

    private WritingModel writing() {
        return model.screen(WritingScreen.class).model();
    }

    private TextArea text() {
        return lookup("#writing-text").query();
    }

    private void change(String from, String to) {
        assertThat(text().getText()).contains(from);
        interact(() -> text().setText(text().getText().replace(from, to)));
        until(() -> writing().state().get().text().equals(text().getText()));
    }

    private void enter() {
        push(KeyCode.CONTROL, KeyCode.DIGIT9);
        until(() -> writing().state().get() != null && writing().state().get().text().equals(text().getText()));
    }

    @Test
    void aTuneIsWrittenFromNothingAndOpened() {
        open(false);
        until(() -> model.shelf().known().get());
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.N);
        until(() -> writing().state().get() != null);
        assertThat(isShown("writing")).isTrue();
        assertThat(lookup("#pen-stave").query().isFocused()).isTrue();
        push(KeyCode.CONTROL, KeyCode.ENTER);
        assertThat(model.message().get()).contains("Not kept", "no notes");
        interact(() -> text().setText(text().getText().replace("New tune", "The Eighth Wave") + "|:"));
        interact(() -> {
            text().requestFocus();
            text().end();
        });
        write("D2FA dAFA");
        interact(() -> text().appendText("|B2GB dBGB|A2FA dAFA|E2EF GFED:|"));
        until(() -> writing().state().get().text().equals(text().getText()));
        assertThat(writing().state().get().findings()).isEmpty();
        push(KeyCode.CONTROL, KeyCode.ENTER);
        until(() -> model.trellis().isOpen());
        assertThat(model.trellis().arrangement().tune().title()).isEqualTo("The Eighth Wave");
        until(() -> model.shelf().tunes().stream().map(TuneEntry::title).anyMatch("The Eighth Wave"::equals));
        assertThat(model.trellis().arrangement().ladder().size()).as("a ladder is grown for it").isGreaterThan(1);
    }

    @Test
    void anEightBarTuneIsWrittenByKeyboardFromNothingToAPrintedSheet() throws IOException {
        open(false);
        until(() -> model.shelf().known().get());
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.N);
        until(() -> writing().pen().get().isPresent());
        TextField title = lookup("#writing-title").query();
        interact(() -> {
            title.requestFocus();
            title.setText("Nine Ebbs");
            title.fireEvent(new ActionEvent());
            lookup("#pen-stave").query().requestFocus();
        });
        until(() -> text().getText().contains("T:Nine Ebbs"));
        push(KeyCode.D);
        write("d2fa dafa b2gb dgbd a2fa dafa g2eg c'egc ".replace("'", ""));
        assertThat(writing().pen().get().orElseThrow().tune().bars()).hasSizeGreaterThanOrEqualTo(4);
        push(KeyCode.BACK_SPACE);
        int written = writing().pen().get().orElseThrow().size();
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(writing().pen().get().orElseThrow().size()).isEqualTo(written + 1);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        write("fad fad dfa dfa");
        write("g2bg e2ge a2ce d4:");
        until(() -> writing().state().get().text().equals(text().getText()) && writing().state().get().tune().isPresent());
        assertThat(writing().state().get().findings()).isEmpty();
        assertThat(text().getText()).contains("|:", ":|");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        until(() -> model.trellis().isOpen());
        assertThat(model.trellis().arrangement().tune().title()).isEqualTo("Nine Ebbs");
        push(KeyCode.CONTROL, KeyCode.DIGIT8);
        until(() -> lookup("#sheet-pages").tryQuery().isPresent() || isShown("sheet"));
        assertThat(isShown("sheet")).isTrue();
    }

    @Test
    void aNoteUnderARollIsPutRightOnTheStave() {
        open(true);
        Setting full = model.trellis().arrangement().ladder().setting(4);
        enter();
        until(() -> writing().pen().get().isPresent());
        assertThat(lookup("#pen-stave").query().isFocused()).isTrue();
        push(KeyCode.HOME);
        push(KeyCode.RIGHT);
        push(KeyCode.RIGHT);
        push(KeyCode.SHIFT, KeyCode.RIGHT);
        write("g");
        until(() -> text().getText().contains("|:DE|G2 AF"));
        push(KeyCode.CONTROL, KeyCode.ENTER);
        until(() -> document(model.trellis().now().tune()).contains("|:DE|G2 AF"));
        Setting now = model.trellis().arrangement().ladder().setting(4);
        assertThat(now.at(2)).as("the roll goes along").isEqualTo(full.at(2));
        push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> document(model.trellis().now().tune()).contains("|:DE|F2 AF"));
    }

    @Test
    void aChordSymbolIsAskedForAndABarTooLongIsAllowed() {
        open(true);
        enter();
        until(() -> writing().pen().get().isPresent());
        push(KeyCode.HOME);
        push(KeyCode.RIGHT);
        write("\"");
        TextField answer = lookup("#pen-answer").query();
        until(answer::isFocused);
        interact(() -> answer.setText("D"));
        push(KeyCode.ENTER);
        until(() -> text().getText().contains("\"D\"DE|F2"));
        assertThat(lookup("#pen-stave").query().isFocused()).isTrue();
        push(KeyCode.CONTROL, KeyCode.RIGHT);
        push(KeyCode.RIGHT);
        write("4");
        until(() -> text().getText().contains("|F4 AFdF AF"));
        assertThat(wildflourish.core.writing.Pen.against(writing().pen().get().orElseThrow().tune(), 1)).isEqualTo(1);
    }

    @Test
    void wordsToSingAreSetFromANoteOnAndAreThereToChange() {
        open(true);
        enter();
        until(() -> writing().pen().get().isPresent());
        push(KeyCode.HOME);
        push(KeyCode.RIGHT);
        write("w");
        TextField answer = lookup("#pen-answer").query();
        until(answer::isFocused);
        interact(() -> answer.setText("Lan-tern bright"));
        push(KeyCode.ENTER);
        until(() -> text().getText().contains("\nw:Lan-tern bright"));
        write("w");
        until(() -> answer.isFocused() && answer.getText().equals("Lan-tern bright"));
        push(KeyCode.ESCAPE);
        push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> !text().getText().contains("w:"));
    }

    @Test
    void theTempoIsPutRightInTheHead() {
        open(true);
        enter();
        until(() -> writing().pen().get().isPresent());
        TextField tempo = lookup("#writing-tempo").query();
        interact(() -> {
            tempo.requestFocus();
            tempo.setText("76");
        });
        push(KeyCode.ENTER);
        until(() -> text().getText().contains("\nQ:1/2=76\n"));
        interact(() -> tempo.setText("quick"));
        push(KeyCode.ENTER);
        until(() -> model.message().get().contains("is no tempo"));
        assertThat(text().getText()).contains("\nQ:1/2=76\n");
    }

    @Test
    void aWrongNoteIsPutRightAndTheLadderStays() {
        open(true);
        Setting full = model.trellis().arrangement().ladder().setting(4);
        int notes = model.trellis().arrangement().situation().tune().size();
        enter();
        change("F2 AF d2", "F2 BF d2");
        assertThat(lookup("#writing-about").<Label>query().getText()).startsWith("Changed");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        assertThat(model.trellis().arrangement().situation().tune().size()).isEqualTo(notes);
        assertThat(document(model.trellis().now().tune())).contains("F2 BF d2");
        List<EditionEntry> editions = keeper.ask(l -> l.tunes().editions(model.trellis().now().tune()));
        assertThat(editions).as("kept once").filteredOn(e -> e.what().equals("tune put right")).hasSize(1);
        int kept = model.trellis().arrangement().ladder().setting(4).size();
        assertThat(kept).isGreaterThanOrEqualTo(full.size() - 2);
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(model.trellis().arrangement().ladder().setting(4)).isEqualTo(full);
        enter();
        until(() -> text().getText().contains("F2 AF d2") && !text().getText().contains("F2 BF d2"));
    }

    @Test
    void whatCouldNotGoAlongComesBackWhenTheNoteIsPutRightOnceMore() {
        open(true);
        Setting full = model.trellis().arrangement().ladder().setting(4);
        enter();
        change("G2 BG eGBG", "^C2 BG eGBG");
        assertThat(lookup("#writing-left").<Label>query().getText()).contains("roll on G");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        until(() -> document(model.trellis().now().tune()).contains("I:flourish waiting whistle-d"));
        change("^C2 BG eGBG", "G2 BG eGBG");
        assertThat(lookup("#writing-back").<Label>query().getText()).contains("roll on G");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        until(() -> !document(model.trellis().now().tune()).contains("waiting"));
        assertThat(model.trellis().arrangement().ladder().setting(4)).isEqualTo(full);
    }

    @Test
    void aTitlePutRightIsOnTheShelfAndBackAgainWithUndo() {
        open(true);
        enter();
        change("T:The Lamp at Half Tide", "T:The Lamp at Low Tide");
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        until(() -> model.shelf().tunes().getFirst().title().equals("The Lamp at Low Tide"));
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> model.shelf().tunes().getFirst().title().equals("The Lamp at Half Tide"));
    }

    @Test
    void aTextThatCannotBeReadIsToldByItsLineAndNothingIsKept() {
        open(true);
        String before = document(model.trellis().now().tune());
        enter();
        change("F2 AF d2", "F2 ?F d2");
        ListView<String> findings = lookup("#writing-findings").query();
        assertThat(findings.getItems()).anyMatch(f -> f.matches("line \\d+, column \\d+: .*"));
        push(KeyCode.CONTROL, KeyCode.ENTER);
        assertThat(model.message().get()).startsWith("Not kept: line 11: ").contains("?");
        interact(() -> findings.getSelectionModel().select(0));
        assertThat(text().getSelectedText()).contains("F2 ?F d2");
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        assertThat(document(model.trellis().now().tune())).isEqualTo(before);
        enter();
        assertThat(text().getText()).as("what was typed is still there").contains("F2 ?F d2");
    }

    @Test
    void whatWasTypedAndNotKeptIsThereTheNextTime() throws Exception {
        open(true);
        enter();
        change("F2 AF d2", "F2 ?F d2");
        close();
        open(false);
        until(() -> model.trellis().isOpen());
        enter();
        until(() -> text().getText().contains("F2 ?F d2"));
        assertThat(model.message().get()).contains("not kept");
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        assertThat(document(model.trellis().now().tune())).doesNotContain("F2 ?F d2");
    }

    @Test
    void aTuneIsTakenOffTheShelfAndBroughtBack() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        ListView<TuneEntry> tunes = lookup("#tunes").query();
        interact(() -> tunes.getSelectionModel().select(2));
        TuneEntry taken = tunes.getItems().get(2);
        int all = tunes.getItems().size();
        push(KeyCode.DELETE);
        until(() -> model.shelf().tunes().size() == all - 1);
        assertThat(model.shelf().tunes()).doesNotContain(taken);
        assertThat(model.message().get()).contains(taken.title(), "off the shelf");
        push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> model.shelf().tunes().contains(taken));
        interact(() -> tunes.getSelectionModel().select(taken));
        push(KeyCode.DELETE);
        until(() -> model.shelf().off().contains(taken));
        push(KeyCode.CONTROL, KeyCode.SPACE);
        write("bring " + taken.title().toLowerCase(java.util.Locale.ROOT).substring(0, 8));
        push(KeyCode.ENTER);
        until(() -> model.shelf().tunes().contains(taken));
        assertThat(document(taken.id())).as("with its music").contains(taken.title());
    }
}
