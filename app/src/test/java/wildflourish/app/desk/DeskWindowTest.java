package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import wildflourish.app.frame.Screen;
import wildflourish.app.work.Background;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.setting.Arrangement;
import wildflourish.formats.abc.AbcReader;

/** The window driven as a teacher drives it. */
class DeskWindowTest extends WindowTest {

    private static final String OWN = "X:5\nT:Brought from Home\nR:jig\nM:6/8\nL:1/8\nQ:3/8=96\nK:D\n"
            + "|:A|d3 fed|g3 fed|B2d cAF|GAB AFD|d3 fed|g3 efg|fdB cAG|FDE D2:|\n";

    private void type(String text) {
        interact(() -> ((TextField) lookup("#path").query()).setText(""));
        write(text);
    }

    /** As a name that is pasted: letter by letter is tried once, and takes long. */
    private void paste(Path file) {
        interact(() -> ((TextField) lookup("#path").query()).setText(file.toString()));
    }

    /** From import to printed sheet without the mouse. */
    @Test
    void fromImportToPrintedSheetByKeyboard() throws Exception {
        open(false);
        Path file = folder.resolve("own.abc");
        Files.writeString(file, OWN);
        push(KeyCode.CONTROL, KeyCode.O);
        type(file.toString());
        push(KeyCode.ENTER);
        until(() -> model.trellis().isOpen());
        assertThat(lookup("#title").<Label>query().getText()).isEqualTo("Brought from Home");
        assertThat(lookup("#who").<Button>query().getText()).contains("D whistle");
        assertThat(model.trellis().arrangement().ladder().size()).isGreaterThanOrEqualTo(4);

        push(KeyCode.HOME);
        push(KeyCode.RIGHT);
        assertThat(model.trellis().note()).isEqualTo(1);
        assertThat(lookup("#note-title").<Label>query().getText()).isEqualTo("D  ·  bar 1, beat 1");
        push(KeyCode.DELETE);
        assertThat(model.trellis().arrangement().ladder().setting(4).at(1)).isEmpty();
        write("m");
        assertThat(model.trellis().arrangement().ladder().setting(4).at(1)).containsExactly("long-cran");
        assertThat(lookup("#sight-how").<Label>query().getText()).contains("third finger of the upper hand");
        Arrangement placed = model.trellis().arrangement();
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(model.trellis().arrangement().ladder().setting(4).at(1)).isEmpty();
        push(KeyCode.CONTROL, KeyCode.Y);
        assertThat(model.trellis().arrangement()).isEqualTo(placed);

        Path sheet = folder.resolve("sheet.pdf");
        push(KeyCode.CONTROL, KeyCode.P);
        assertThat(model.screen().get().id()).isEqualTo("sheet");
        until(() -> lookup("#sheet-pages").query().isFocused() && sheetView().drawn() > 0);
        push(KeyCode.CONTROL, KeyCode.E);
        type(sheet.toString());
        push(KeyCode.ENTER);
        until(() -> model.message().get().contains("sheet.pdf"));
        try (var pdf = Loader.loadPDF(sheet.toFile())) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("Brought from Home").contains("long cran");
        }

        Path abc = folder.resolve("out.abc");
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        push(KeyCode.CONTROL, KeyCode.E);
        paste(abc);
        push(KeyCode.ENTER);
        until(() -> model.message().get().contains("out.abc"));
        assertThat(AbcReader.read(Files.readAllBytes(abc)).tunes().getFirst().arrangement()).contains(placed);

        // A file that is there is written over only when that is said twice.
        Files.writeString(abc, "mine");
        push(KeyCode.CONTROL, KeyCode.E);
        paste(abc);
        push(KeyCode.ENTER);
        assertThat(lookup("#path").query().isFocused()).isTrue();
        assertThat(lookup("out.abc is there already: go on to write over it, or give another name:").tryQuery()).isPresent();
        assertThat(abc).hasContent("mine");
        push(KeyCode.ENTER);
        // The message is that of the first time.
        until(() -> abc.toFile().length() > "mine".length());
        assertThat(AbcReader.read(Files.readAllBytes(abc)).tunes().getFirst().arrangement()).contains(placed);
    }

    @Test
    void everythingIsWhereItWasAfterClosing() {
        open(true);
        interact(() -> model.open(2));
        until(() -> model.trellis().arrangement().tune().title().startsWith("Six Gulls"));
        interact(() -> model.trellis().select(3, 9));
        push(KeyCode.DELETE);
        write("r");
        push(KeyCode.CONTROL, KeyCode.L);
        Arrangement left = model.trellis().arrangement();
        assertThat(left.ladder().setting(3).at(9)).containsExactly("short-roll");
        close();
        open(false);
        until(() -> model.trellis().isOpen());
        assertThat(model.trellis().arrangement()).isEqualTo(left);
        assertThat(model.trellis().rung()).isEqualTo(3);
        assertThat(model.trellis().note()).isEqualTo(9);
        assertThat(model.look().get().palette().name()).isEqualTo("DARK");
        assertThat(model.screen().get().id()).isEqualTo("trellis");
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(model.trellis().arrangement().ladder().setting(3).at(9)).doesNotContain("short-roll");
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        assertThat(model.trellis().arrangement()).isEqualTo(left);
    }

    @Test
    void aClickTakesANoteAndAnotherPlacesAnOrnament() {
        open(true);
        interact(() -> model.trellis().select(4, 0));
        var point = trellisView().score();
        clickOn(point.localToScreen(spot(2)));
        assertThat(model.trellis().note()).isEqualTo(2);
        assertThat(model.trellis().rung()).isEqualTo(4);
        boolean stood = model.trellis().state().get().stands("cut");
        interact(() -> lookup("#ornament-cut").<Button>query().fire());
        assertThat(model.trellis().state().get().stands("cut")).isNotEqualTo(stood);
    }

    private javafx.geometry.Point2D spot(int note) {
        return wildflourish.app.trellis.ScoreSpots.of(trellisView().score(), 4, note);
    }

    @Test
    void theTempoChangesWhatTheRowsSay() {
        open(true);
        interact(() -> model.trellis().select(4, 2));
        String before = row("short-roll");
        for (int i = 0; i < 10; i++) {
            write("+");
        }
        clickOn("#who");
        assertThat(lookup("#tempo").<Label>query().getText()).isEqualTo("minim = 128");
        assertThat(row("short-roll")).isNotEqualTo(before);
        clickOn("#slower");
        assertThat(model.trellis().arrangement().tempo().perMinute().floor()).isEqualTo(124);
    }

    private String row(String id) {
        return lookup("#ornament-" + id).query().getAccessibleText();
    }

    @Test
    void rowsGiveVerdictTimeLimitAndReason() {
        open(true);
        interact(() -> model.trellis().select(4, 2));
        assertThat(row("short-roll")).contains("key r").contains("clean").contains("wants 120 ms, has 170")
                .contains("clean up to minim = 125").contains("speaks up to 192");
        String standing = model.trellis().arrangement().ladder().setting(4).at(2).getFirst();
        assertThat(row(standing)).contains("stands here");
        assertThat(row("cran")).contains("blocked").contains("has an open hole below it");
    }

    @Test
    void theShelfIsSearchedAndOpenedByKeyboard() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        assertThat(model.screen().get().id()).isEqualTo("shelf");
        clickOn("#search");
        write("waltz");
        assertThat(lookup("#tunes").<ListView<?>>query().getItems()).hasSize(1);
        push(KeyCode.ENTER);
        push(KeyCode.ENTER);
        until(() -> model.trellis().arrangement().tune().title().equals("Marram Bending") && isShown("trellis"));
    }

    @Test
    void whatIsWrongWithAFileIsListedAndTheRestComesIn() throws Exception {
        open(true);
        Path bad = folder.resolve("bad.abc");
        Files.writeString(bad, "X:1\nT:Half Good\nM:4/4\nL:1/8\nK:C\nCDEF #GABc|C8|\n");
        interact(() -> model.bringIn(bad));
        until(() -> !model.shelf().findings().isEmpty());
        until(() -> model.shelf().shown().size() == 14);
        assertThat(lookup("#findings").<ListView<String>>query().getItems().getFirst()).startsWith("bad.abc:6:6: error:");
        assertThat(model.message().get()).isEqualTo("One tune came in");
        interact(() -> model.bringIn(folder.resolve("nowhere.abc")));
        until(() -> model.message().get().contains("cannot be read"));
    }

    @Test
    void escapeLeavesTheQuestionAndALetterThereIsNoOrnament() {
        open(true);
        Arrangement before = model.trellis().arrangement();
        push(KeyCode.CONTROL, KeyCode.E);
        write("ccc");
        push(KeyCode.ESCAPE);
        assertThat(model.trellis().arrangement()).isEqualTo(before);
        push(KeyCode.CONTROL, KeyCode.E);
        type(folder.resolve("x.doc").toString());
        push(KeyCode.ENTER);
        until(() -> model.message().get().contains(".abc, .musicxml"));
        assertThat(folder.resolve("x.doc")).doesNotExist();
    }

    @Test
    void schoolLevelGrowAndThinOutAreInTheWindow() {
        open(true);
        clickOn("#who");
        interact(() -> lookup("#level").<ComboBox<String>>query().setValue("expert"));
        push(KeyCode.ESCAPE);
        push(KeyCode.CONTROL, KeyCode.U);
        interact(() -> {
            ComboBox<School.Value> cut = lookup("#school-cut").query();
            cut.setValue(cut.getItems().get(1));
        });
        assertThat(model.trellis().arrangement().speeds().name()).isEqualTo("expert");
        assertThat(model.trellis().arrangement().school().cut()).isEqualTo("by-hand");
        interact(() -> model.trellis().player().setTempo(120));
        var ladder = model.trellis().arrangement().ladder();
        push(KeyCode.CONTROL, KeyCode.G);
        until(() -> !model.trellis().arrangement().ladder().equals(ladder));
        push(KeyCode.CONTROL, KeyCode.T);
        until(() -> model.message().get().contains("pruned"));
        clickOn("#undo");
        assertThat(model.message().get()).startsWith("Undone");
        push(KeyCode.CONTROL, KeyCode.Y);
        assertThat(model.message().get()).startsWith("Done again");
    }

    /** A teacher switches the instrument, takes another place by a key, gives it back, and changes the school. */
    @Test
    void instrumentsPlacesAndSchoolsAreInTheWindow() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.I);
        ComboBox<Instrument> box = lookup("#instrument").query();
        until(box::isShowing);
        assertThat(box.getItems()).hasSize(Instruments.all().size() - 1);
        interact(() -> {
            box.hide();
            box.setValue(Instruments.known("fiddle"));
        });
        push(KeyCode.ESCAPE);
        interact(() -> {
            model.trellis().select(0, 3);
        });
        assertThat(model.trellis().arrangement().instrument().id()).isEqualTo("fiddle");
        assertThat(lookup("#note-fingers").<Label>query().getText()).isEqualTo("fourth finger on the D string");
        assertThat(lookup("#note-why").<Label>query().getText()).contains("rather than open A string");
        push(KeyCode.DIGIT1);
        assertThat(lookup("#note-fingers").<Label>query().getText()).isEqualTo("open A string");
        assertThat(lookup("#note-why").<Label>query().getText()).startsWith("your choice");
        push(KeyCode.DIGIT0);
        assertThat(lookup("#note-fingers").<Label>query().getText()).isEqualTo("fourth finger on the D string");
        clickOn("#place-1");
        assertThat(lookup("#note-fingers").<Label>query().getText()).isEqualTo("open A string");
        push(KeyCode.CONTROL, KeyCode.Z);
        push(KeyCode.CONTROL, KeyCode.U);
        interact(() -> {
            ComboBox<School.Value> school = lookup("#school-open-string").query();
            school.setValue(school.getItems().get(1));
        });
        assertThat(lookup("#note-fingers").<Label>query().getText()).isEqualTo("open A string");
        assertThat(lookup("#school-cut").queryAll()).isEmpty();
        assertThat(lookup("#school-roll-finger").queryAll()).hasSize(1);
        interact(() -> model.trellis().player().setInstrument("whistle-d"));
        assertThat(lookup("#school-cut").queryAll()).hasSize(1);
        assertThat(lookup("#school-roll-finger").queryAll()).isEmpty();
    }

    @Test
    void aPlaceTypedIsCheckedAndTaken() {
        open(true);
        interact(() -> model.trellis().select(0, 3));
        clickOn("#place-typed").write("xxx ooo");
        push(KeyCode.ENTER);
        until(() -> model.message().get().contains("sounds G"));
        assertThat(model.message().get()).contains("xxo ooo");
        interact(() -> {
            lookup("#place-typed").<TextField>query().clear();
            model.trellis().player().setInstrument("mandolin");
        });
        clickOn("#place-typed").write("D fret 7");
        push(KeyCode.ENTER);
        assertThat(lookup("#note-fingers").<Label>query().getText()).isEqualTo("fourth finger on the D string, fret 7");
        clickOn("#who");
        clickOn("#capo-up");
        assertThat(model.trellis().arrangement().instrument().capo()).isEqualTo(1);
        clickOn("#capo-down");
        assertThat(model.trellis().arrangement().instrument().capo()).isZero();
    }

    /** What is chosen for a tune, the habit of an instrument, and a changed chart are all there after closing. */
    @Test
    void placesHabitsAndChartsAreKept() throws Exception {
        open(true);
        interact(() -> model.trellis().player().setInstrument("fiddle"));
        interact(() -> {
            model.trellis().select(0, 3);
            model.trellis().places().takeOther(0);
        });
        push(KeyCode.CONTROL, KeyCode.H);
        assertThat(model.message().get()).contains("From now on A on the fiddle");
        assertThat(model.trellis().state().get().situation().plan().at(7).text()).isEqualTo("A 0");
        push(KeyCode.CONTROL, KeyCode.DIGIT3);
        assertThat(lookup("#chart-instrument").<ComboBox<Instrument>>query().getValue().id()).isEqualTo("fiddle");
        interact(() -> chart().show(Instruments.known("whistle-d")));
        interact(() -> chart().select(wildflourish.core.tune.Pitch.parse("G4")));
        TextField add = lookup("#chart-entry-1").query();
        clickOn(add).write("xxx xoo");
        push(KeyCode.ENTER);
        assertThat(model.message().get()).startsWith("Refused").contains("major scale");
        interact(() -> lookup("#chart-entry-1").<TextField>query().clear());
        clickOn("#chart-entry-1").write("xxx oxo try");
        push(KeyCode.ENTER);
        assertThat(lookup("#chart-entry-1").<TextField>query().getText()).isEqualTo("xxx oxo gentle try");
        clickOn("#chart-prefer-1");
        assertThat(lookup("#chart-entry-0").<TextField>query().getText()).isEqualTo("xxx oxo gentle try");
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(lookup("#chart-entry-0").<TextField>query().getText()).isEqualTo("xxx ooo gentle");
        clickOn("#chart-new-name").write("E whistle of the pier");
        clickOn("#chart-new-lowest").write("E4");
        clickOn("#chart-new");
        assertThat(chart().state().get().instrument().id()).isEqualTo("own-e-whistle-of-the-pier");
        push(KeyCode.CONTROL, KeyCode.P);
        type(folder.resolve("chart.pdf").toString());
        push(KeyCode.ENTER);
        until(() -> model.message().get().startsWith("The chart is in"));
        assertThat(java.nio.file.Files.readAllBytes(folder.resolve("chart.pdf"))).startsWith("%PDF".getBytes());
        close();
        Instruments.own(java.util.List.of());
        open(false);
        until(() -> model.trellis().isOpen());
        assertThat(Instruments.byId("own-e-whistle-of-the-pier")).isPresent();
        assertThat(Instruments.known("whistle-d").chart().orElseThrow().ways(wildflourish.core.tune.Pitch.parse("G4")))
                .hasSize(2);
        assertThat(model.trellis().arrangement().instrument().id()).isEqualTo("fiddle");
        assertThat(model.trellis().state().get().situation().plan().isChosen(3)).isTrue();
        assertThat(model.trellis().state().get().situation().plan().at(7).text()).isEqualTo("A 0");
        interact(() -> chart().show(Instruments.known("whistle-d")));
        interact(() -> chart().restore());
        assertThat(Instruments.known("whistle-d")).isEqualTo(Instruments.shipped("whistle-d").orElseThrow());
    }

    /** Two files dropped at once: each keeps what was found in it, and each is stopped by itself. */
    @Test
    void eachFileBroughtInKeepsItsOwnFindings() throws Exception {
        open(true);
        java.nio.file.Path one = java.nio.file.Files.writeString(folder.resolve("one.abc"), "X:1\nT:One\nM:4/4\nK:D\nD2 q F2|\n");
        java.nio.file.Path two = java.nio.file.Files.writeString(folder.resolve("two.abc"), "X:1\nT:Two\nM:4/4\nK:D\nD2 q G2|\n");
        interact(() -> {
            model.bringIn(one);
            model.bringIn(two);
            assertThat(model.underWay()).hasSize(2);
        });
        until(() -> model.underWay().isEmpty());
        assertThat(model.shelf().findings()).anyMatch(f -> f.startsWith("one.abc")).anyMatch(f -> f.startsWith("two.abc"));
    }

    /** A library that fails while a file comes in is told of, and nothing goes on "reading". */
    @Test
    void aFailingLibraryEndsTheReading() throws Exception {
        open(true);
        java.nio.file.Path file = java.nio.file.Files.writeString(folder.resolve("one.abc"), "X:1\nT:One\nM:4/4\nK:D\nD2F2|\n");
        breakLibrary();
        java.util.List<String> said = new java.util.ArrayList<>();
        interact(() -> model.message().addListener((o, a, now) -> said.add(now)));
        interact(() -> model.bringIn(file));
        until(() -> model.underWay().isEmpty() && said.stream().anyMatch(m -> m.contains("he file one.abc could not be brought in")));
    }

    /** What nobody sees is not engraved: neither the music of the practice screen nor, meanwhile, the trellis. */
    @Test
    void hiddenScoresRest() {
        open(true);
        interact(() -> model.trellis().player().setTempo(91));
        assertThat(wildflourish.app.trellis.ScoreSpots.isEngraved(trellisView().score())).isTrue();
        assertThat(lookup("#practice-score").tryQuery()).as("a screen is made when it is first shown").isEmpty();
        push(KeyCode.CONTROL, KeyCode.DIGIT7);
        wildflourish.app.trellis.ScoreView beside = lookup("#practice-score").query();
        until(() -> wildflourish.app.trellis.ScoreSpots.isEngraved(beside));
        double tempo = model.trellis().arrangement().tempo().perMinute().floor();
        Object engraved = wildflourish.app.trellis.ScoreSpots.engraving(trellisView().score());
        interact(() -> model.trellis().player().setTempo(92));
        assertThat(model.trellis().arrangement().tempo().perMinute().floor()).isNotEqualTo((long) tempo);
        assertThat(wildflourish.app.trellis.ScoreSpots.engraving(trellisView().score())).as("meanwhile").isSameAs(engraved);
    }

    /** The shelf is not grown on behind a closed window. */
    @Test
    void closingEndsWhatIsUnderWay() {
        open(true);
        interact(() -> {
            model.growAll();
            assertThat(model.underWay()).hasSize(1);
            Background.Job job = model.underWay().getFirst();
            model.close();
            assertThat(job.stopped()).isTrue();
        });
    }

    /** Versions on other instruments follow a chart that has been changed. */
    @Test
    void acrossFollowsAChangedChart() {
        open(true);
        interact(() -> model.show("across"));
        until(() -> !across().working().get() && across().state().get() != null);
        var before = across().state().get();
        interact(() -> {
            chart().show(Instruments.known("flute-d"));
            chart().makeAnother("Flute of the pier", "");
            model.show("across");
        });
        until(() -> !across().working().get() && across().state().get() != before);
        assertThat(across().state().get().rows()).anyMatch(r -> r.instrument().id().equals("own-flute-of-the-pier"));
        Instruments.own(java.util.List.of());
    }

    /** One's own instrument came with no chart: it is not taken away under the tunes that are played on it. */
    @Test
    void anOwnInstrumentIsNotTakenAway() {
        open(true);
        interact(() -> {
            chart().show(Instruments.known("whistle-d"));
            chart().makeAnother("Whistle of the pier", "");
            chart().restore();
        });
        assertThat(Instruments.byId("own-whistle-of-the-pier")).isPresent();
        assertThat(model.message().get()).contains("is your own and stays as it is");
        Instruments.own(java.util.List.of());
    }

    @Test
    void theChartShowsTheNotesOfTheTuneAlone() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.DIGIT3);
        int all = chart().state().get().pitches().size();
        clickOn("#chart-tune-only");
        assertThat(chart().state().get().pitches()).hasSizeLessThan(all).isNotEmpty();
        var pitch = chart().state().get().pitch();
        clickOn("#chart-notes");
        push(KeyCode.DOWN);
        assertThat(chart().state().get().pitch()).isNotEqualTo(pitch);
    }

    @AfterEach
    void asTheyCame() {
        Instruments.own(java.util.List.of());
    }

    /** WCAG 2.2: a name for every control (4.1.2) and targets of at least 24 by 24 pixels (2.5.8). */
    @Test
    void everyControlHasANameAndIsLargeEnough() {
        open(true);
        for (Screen screen : model.screens()) {
            interact(() -> model.show(screen));
            List<String> wrong = new ArrayList<>();
            // Laid out and measured in one go: what comes in the meantime, as a tile of the reading, would be measured before it has its size.
            interact(() -> {
                for (int turn = 0; turn < 3; turn++) {
                    dressAndLayOut(stage.getScene());
                }
                wrong.addAll(wrong(screen));
            });
            assertThat(wrong).as(screen.id()).isEmpty();
        }
    }

    /** The controls without a name, and those that are too small, as they are laid out. */
    private List<String> wrong(Screen screen) {
        List<String> wrong = new ArrayList<>();
        int looked = 0;
        for (Node node : lookup(n -> n instanceof ButtonBase || n instanceof ComboBox<?> || n instanceof TextField || n instanceof ListView<?>).queryAll()) {
            if (!visible(node) || "list-view".equals(node.getId()) || node.getStyleClass().contains("increment-button") || node.getStyleClass().contains("decrement-button")) {
                continue;
            }
            looked++;
            String name = node.getAccessibleText() != null ? node.getAccessibleText() : node instanceof ButtonBase b ? b.getText() : null;
            if (name == null || name.isBlank()) {
                wrong.add("no name: " + node);
            }
            if (node.getLayoutBounds().getWidth() < 24 || node.getLayoutBounds().getHeight() < 24) {
                wrong.add("%s is %s".formatted(node, node.getLayoutBounds()));
            }
        }
        assertThat(looked).as("controls on " + screen.id()).isGreaterThan(10);
        return wrong;
    }

    private static boolean visible(Node node) {
        for (Node n = node; n != null; n = n.getParent()) {
            if (!n.isVisible()) {
                return false;
            }
        }
        return true;
    }
}
