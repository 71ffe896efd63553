package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.app.shelf.ShelfModel;
import wildflourish.app.shelf.ShelfScreen;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.musicxml.MusicXmlWriter;
import wildflourish.library.TuneEntry;

/** The shelf in a real window: files of other formats come in, a tune is found by its notes, tagged and put in order. */
class ShelfWindowTest extends WindowTest {

    private static final Tune SLIDE = AbcReader.read("X:1\nT:Turn of the Kelp\nR:slide\nM:12/8\nL:1/8\nK:A\nE|A2B c2d e3 c2e|f2a e2c B3 A2G|A2B c2d e2f a2f|e2c B2G A3 A2:|\n")
            .tunes().getFirst().tune();

    private void bringIn(Path file) {
        push(KeyCode.CONTROL, KeyCode.O);
        interact(() -> ((TextField) lookup("#path").query()).setText(file.toString()));
        push(KeyCode.ENTER);
    }

    private List<TuneEntry> shown() {
        return model.shelf().shown();
    }

    private void search(String words) {
        TextField search = lookup("#search").query();
        interact(() -> search.setText(words));
    }

    @Test
    void aScoreAndAMidiFileComeInAndTheSecondIsKnownToBeHereAlready() throws IOException {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        int before = model.shelf().tunes().size();
        bringIn(Files.write(folder.resolve("kelp.mxl"), MusicXmlWriter.compressed(SLIDE)));
        until(() -> model.trellis().isOpen() && model.trellis().arrangement().tune().title().equals("Turn of the Kelp"));
        assertThat(model.trellis().arrangement().tune().head().rhythm()).isEqualTo("slide");
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        String inG = "X:1\nT:Another name\nM:12/8\nL:1/8\nK:G\nD|G2A B2c d3 B2d|e2g d2B A3 G2F|G2A B2c d2e g2e|d2B A2F G3 G2:|\n";
        bringIn(Files.writeString(folder.resolve("other.abc"), inG));
        until(() -> model.shelf().tunes().size() == before + 2);
        until(() -> model.shelf().findings().stream().anyMatch(f -> f.contains("begins like “Turn of the Kelp”, which is here already in A major")));
    }

    @Test
    void aTuneIsFoundByFiveNotesInAnotherKeyAndByItsTag() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        until(() -> model.shelf().tunes().stream().allMatch(t -> model.shelf().found(t).isPresent()));
        search("g a b d b g b");
        until(() -> shown().getFirst().title().equals("The Lamp at Half Tide"));
        assertThat(model.shelf().isByNotes(shown().getFirst())).isTrue();
        push(KeyCode.CONTROL, KeyCode.F);
        push(KeyCode.ENTER);
        push(KeyCode.CONTROL, KeyCode.T);
        TextField answer = lookup("#shelf-answer").query();
        until(answer::isFocused);
        interact(() -> answer.setText("beginners, winter"));
        push(KeyCode.ENTER);
        until(() -> model.shelf().tunes().stream().anyMatch(t -> model.shelf().tags(t).equals(List.of("beginners", "winter"))));
        search("winter");
        until(() -> shown().size() == 1 && shown().getFirst().title().equals("The Lamp at Half Tide"));
        search("nothing is called that");
        until(() -> shown().isEmpty());
    }

    @Test
    void tunesStandInTheOrderThatIsChosen() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        List<String> came = model.shelf().tunes().stream().map(TuneEntry::title).toList();
        ComboBox<ShelfModel.Order> order = lookup("#shelf-order").query();
        interact(() -> order.setValue(ShelfModel.Order.TITLE));
        ListView<TuneEntry> tunes = lookup("#tunes").query();
        assertThat(tunes.getItems()).extracting(TuneEntry::title).isSorted().containsExactlyInAnyOrderElementsOf(came);
        interact(() -> order.setValue(ShelfModel.Order.AS_THEY_CAME));
        assertThat(tunes.getItems()).extracting(TuneEntry::title).containsExactlyElementsOf(came);
    }

    @Test
    void aTuneIsFoundByTheRangeOfItsNotes() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        until(() -> model.shelf().tunes().stream().allMatch(t -> model.shelf().found(t).isPresent()));
        search("d4-b5");
        List<TuneEntry> within = List.copyOf(model.shelf().shown());
        assertThat(within).isNotEmpty().hasSizeLessThan(model.shelf().tunes().size()).allSatisfy(t -> {
            assertThat(model.shelf().found(t).orElseThrow().profile().orElseThrow().lowest()).isGreaterThanOrEqualTo(62);
            assertThat(model.shelf().found(t).orElseThrow().profile().orElseThrow().highest()).isLessThanOrEqualTo(83);
        });
        search("");
        interact(() -> model.shelf().order().set(ShelfModel.Order.RANGE));
        assertThat(model.shelf().shown().stream().map(t -> model.shelf().found(t).orElseThrow().profile().orElseThrow()).map(p -> p.highest() - p.lowest()).toList()).isSorted();
    }

    @Test
    void tunesStandByHowHardTheyAreOnTheInstrumentOfWhoPlays() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        interact(() -> model.shelf().order().set(ShelfModel.Order.HARDNESS));
        until(() -> model.shelf().tunes().stream().allMatch(t -> model.shelf().hardness(t).isPresent()));
        List<Double> times = model.shelf().shown().stream().map(t -> model.shelf().hardness(t).orElseThrow().timesUsual()).toList();
        assertThat(times).isSorted();
        assertThat(times.getLast()).isGreaterThan(1.5 * times.getFirst());
        TuneEntry first = model.shelf().shown().getFirst();
        assertThat(model.shelf().hardnessInWords(first).orElseThrow()).endsWith(" on the D whistle");
        interact(() -> model.trellis().player().setInstrument("fiddle"));
        until(() -> model.shelf().hardnessInWords(first).orElse("").endsWith(" on the fiddle"));
    }

    @Test
    void theLibraryIsWrittenAsABookAndBackedUp() throws IOException {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        Path book = folder.resolve("all.abc");
        interact(() -> model.shelfWork().writeBook(book));
        until(() -> model.message().get().contains("tunes are in"));
        assertThat(AbcReader.read(Files.readAllBytes(book)).tunes()).hasSameSizeAs(model.shelf().tunes());
        Path backup = folder.resolve("kept.backup");
        interact(() -> model.backups().backUp(backup));
        until(() -> model.message().get().contains("holds"));
        assertThat(wildflourish.library.Backups.look(backup).tunes()).isEqualTo(model.shelf().tunes().size());
    }
}
