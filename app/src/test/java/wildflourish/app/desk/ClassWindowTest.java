package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.control.TitledPane;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import wildflourish.app.people.PeopleModel;
import wildflourish.app.people.PeopleScreen;
import wildflourish.app.people.PeopleState;
import wildflourish.core.instrument.School;
import wildflourish.core.lesson.NextStep;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.practice.PracticeHistory;
import wildflourish.library.Learning;
import wildflourish.library.Person;
import wildflourish.score.handout.SheetContents;
import wildflourish.sound.transport.Leg;

/** Who is where and what is next, in a real window: from choosing a student to sheets for everybody. */
class ClassWindowTest extends WindowTest {

    private PeopleModel people() {
        return model.screen(PeopleScreen.class).model();
    }

    private PeopleState now() {
        return people().state().get();
    }

    private void enter() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.C);
        until(() -> !now().together().isEmpty());
    }

    private List<Learning> learning() {
        return keeper.ask(l -> l.people().learning().read());
    }

    private Person named(String name) {
        return now().book().people().stream().filter(p -> p.student().name().equals(name)).findFirst().orElseThrow();
    }

    private boolean told(String beginning) {
        return lookup("#class-told").queryParent().getChildrenUnmodifiable().stream().anyMatch(n -> ((Label) n).getText().startsWith(beginning));
    }

    private long tune(String title) {
        return now().book().tunes().stream().filter(t -> t.title().equals(title)).findFirst().orElseThrow().id();
    }

    @Test
    void theDemoClassIsThereWithWhatIsNext() {
        enter();
        assertThat(lookup("#class-table").<TableView<Person>>query().getItems()).hasSize(8).extracting(p -> p.student().instrument()).doesNotHaveDuplicates();
        assertThat(now().book().lines()).extracting(l -> l.next().getClass().getSimpleName()).contains("Begin", "AtTempo", "TakeRung", "Revisit", "Easier");
        assertThat(now().book().lines()).allSatisfy(l -> assertThat(l.next().why()).isNotBlank());
        assertThat(now().together()).hasSize(8).extracting(OwnVersion::student).extracting(s -> s.instrument()).contains("anglo-cg", "recorder-alto-f");
        assertThat(lookup("#class-together").<Label>query().getText()).startsWith("“The Lamp at Half Tide”, each in their own version: everybody is clean up to minim = ");
        interact(() -> people().select(named("Tam Noustie").id(), tune("Tar and Twine")));
        until(() -> told("Next: an easier tune first: "));
        // What is worked out later comes onto the page by itself, when nothing else changes any more.
        interact(() -> people().select(named("Callum Ayreside").id(), tune("Nine Steps to the Boathouse")));
        until(() -> told("Next: take the rung "));
    }

    /** Everything follows the student who is chosen: instrument, hands, and whose passes are logged; with nobody it does not. */
    @Test
    void everythingFollowsTheStudentWhoIsChosen() {
        enter();
        Person oona = named("Oona Brimwell");
        interact(() -> people().select(oona.id(), tune("Six Gulls on the Chapel Wall")));
        interact(() -> model.screen(PeopleScreen.class).view().requestFocus());
        push(KeyCode.ENTER);
        until(() -> model.trellis().isOpen() && model.trellis().arrangement().tune().title().equals("Six Gulls on the Chapel Wall")
                && model.trellis().arrangement().instrument().id().equals("anglo-cg"));
        assertThat(model.trellis().arrangement().speeds()).isEqualTo(oona.student().hands());
        assertThat(isShown("trellis")).isTrue();
        assertThat(lookup("#who").<javafx.scene.control.Button>query().getText()).startsWith("Oona Brimwell");
        assertThat(people().chosen()).contains(oona.id());
        Speeds quicker = oona.student().hands().with(Move.STROKE, new Speeds.Span(60, 80));
        interact(() -> people().measured(quicker));
        until(() -> now().follows().filter(p -> p.student().hands().of(Move.STROKE).equals(new Speeds.Span(60, 80))).isPresent());
        assertThat(named("Oona Brimwell").student().speeds()).containsExactly(java.util.Map.entry("stroke", "60/80"));
        interact(() -> people().workAsNobody());
        assertThat(people().chosen()).isEmpty();
        assertThat(lookup("#who").<javafx.scene.control.Button>query().getText()).doesNotContain("Oona");
    }

    /** A student is taken in, takes up the open tune, gets a rung higher, is decided upon, and leaves for good. */
    @Test
    void aStudentComesAndGoes() {
        enter();
        push(KeyCode.N);
        write("Petra Lyth");
        push(KeyCode.ENTER);
        until(() -> now().book().people().size() == 9 && now().person().filter(p -> p.student().name().equals("Petra Lyth")).isPresent());
        long petra = now().student();
        push(KeyCode.T);
        until(() -> now().line().isPresent());
        assertThat(now().line().orElseThrow().next()).isInstanceOf(NextStep.Begin.class);
        push(KeyCode.R);
        until(() -> now().line().filter(l -> l.standing().rung() == 1).isPresent());
        push(KeyCode.D);
        write("clap it first");
        push(KeyCode.ENTER);
        until(() -> now().line().flatMap(l -> l.known()).filter(n -> n.equals(new NextStep.Decided("clap it first"))).isPresent());
        assertThat(learning()).filteredOn(l -> l.student() == petra).extracting(Learning::rung).containsExactly(1);
        interact(() -> model.screen(PeopleScreen.class).commands().stream().filter(c -> c.id().equals("class-leave")).findFirst().orElseThrow().run().accept(""));
        until(() -> lookup("#leaving-delete").tryQuery().isPresent());
        assertThat(lookup("#leaving-cancel").query().isFocused()).as("Enter deletes nobody").isTrue();
        clickOn("#leaving-delete");
        until(() -> now().book().people().size() == 8);
        assertThat(learning()).noneMatch(l -> l.student() == petra);
    }

    /** What is known of their own hands and what else they play is written down in the form; the next instrument comes with one key, and the sheet and the version are of it. */
    @Test
    void ownHandsAndASecondInstrumentAreWrittenDown() {
        enter();
        interact(() -> people().select(named("Ina Skarf").id(), tune("The Lamp at Half Tide")));
        interact(() -> model.screen(PeopleScreen.class).view().requestFocus());
        push(KeyCode.C);
        interact(() -> {
            lookup("#student-own").<TitledPane>query().setExpanded(true);
            lookup("#student-also").<MenuButton>query().getItems().stream().filter(i -> i.getId().equals("fiddle")).forEach(i -> {
                ((CheckMenuItem) i).setSelected(true);
                i.fire();
            });
        });
        assertThat(lookup("#student-speed-cut").<TextField>query().getPromptText()).isEqualTo(Speeds.level("learner").of(Move.CUT).text());
        interact(() -> {
            lookup("#student-speed-cut").<TextField>query().setText("fast");
            lookup("#student-speed-lungful").<TextField>query().setText("4");
            lookup("#student-keep").<Button>query().fire();
        });
        assertThat(lookup("#student-fault").<Label>query().getText()).startsWith("'fast' are not two lengths");
        interact(() -> {
            lookup("#student-speed-cut").<TextField>query().setText("44/66");
            lookup("#student-school-hands").<ComboBox<School.Value>>query().getSelectionModel().select(2);
            ComboBox<String> level = lookup("#student-level").query();
            level.getSelectionModel().selectNext();
            level.getSelectionModel().selectPrevious();
            lookup("#student-keep").<Button>query().fire();
        });
        until(() -> named("Ina Skarf").student().also().equals(List.of("fiddle")));
        assertThat(named("Ina Skarf").student().speeds()).containsOnly(Map.entry("cut", "44/66"), Map.entry("lungful", "4"));
        assertThat(named("Ina Skarf").student().hands().lungs().lungfulSeconds()).isEqualTo(4);
        interact(() -> people().work());
        until(() -> model.trellis().arrangement().instrument().id().equals("whistle-d") && model.trellis().arrangement().speeds().lungs().lungfulSeconds() == 4);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.C);
        push(KeyCode.I);
        until(() -> named("Ina Skarf").student().instrument().equals("fiddle") && model.trellis().arrangement().instrument().id().equals("fiddle"));
        until(() -> now().together().stream().anyMatch(v -> v.student().name().equals("Ina Skarf") && v.arrangement().instrument().id().equals("fiddle")));
        until(() -> lookup(".label").queryAllAs(Label.class).stream().anyMatch(l -> l.getText().startsWith("Right wrist straight")));
    }

    /** Another tune that is opened from the shelf follows the student too; and the next day they are followed still. */
    @Test
    void whoeverIsFollowedIsFollowedInTheNextTuneAndTheNextDay() {
        enter();
        Person oona = named("Oona Brimwell");
        interact(() -> people().select(oona.id(), tune("Six Gulls on the Chapel Wall")));
        interact(() -> people().work());
        until(() -> model.trellis().isOpen() && model.trellis().arrangement().instrument().id().equals("anglo-cg"));
        long other = tune("The Lamp at Half Tide");
        interact(() -> model.open(other));
        until(() -> model.trellis().now().tune() == other && model.trellis().arrangement().instrument().id().equals("anglo-cg"));
        assertThat(model.trellis().arrangement().speeds()).isEqualTo(oona.student().hands());
        close();
        open(false);
        until(() -> people().chosen().equals(Optional.of(oona.id())));
        assertThat(lookup("#who").<Button>query().getText()).startsWith("Oona Brimwell");
        interact(() -> people().workAsNobody());
        close();
        open(false);
        until(() -> model.trellis().isOpen());
        assertThat(people().chosen()).isEmpty();
    }

    @Test
    void aStudentWithoutANameIsNotTakenIn() {
        enter();
        push(KeyCode.N);
        interact(() -> lookup("#student-name").<TextField>query().clear());
        push(KeyCode.ENTER);
        assertThat(lookup("#student-fault").<Label>query().getText()).isEqualTo("A student has a name.");
        assertThat(now().book().people()).hasSize(8);
    }

    /** One action makes each one's sheet on their own instrument, and all of them as one; it is written down who was given what. */
    @Test
    void everybodyGetsASheet() throws Exception {
        enter();
        int before = now().book().given().size();
        Path there = folder.resolve("sheets");
        interact(() -> people().writeSheets(there, SheetContents.USUAL));
        until(() -> now().book().given().size() == before + 8);
        List<Path> files;
        try (Stream<Path> all = Files.list(there)) {
            files = all.sorted().toList();
        }
        assertThat(files).hasSize(9);
        assertThat(text(there.resolve("the-lamp-at-half-tide-magnus-holmrigg.pdf"))).contains("fiddle").contains("version: ");
        assertThat(text(there.resolve("the-lamp-at-half-tide-jess-wrackline.pdf"))).as("she does not read music").contains("alto recorder").contains("How the steps are read");
        String bundle = text(there.resolve("the-lamp-at-half-tide-everybody.pdf"));
        assertThat(bundle).contains("fiddle", "tenor banjo", "C/G Anglo concertina", "bellows-blown pipes");
        assertThat(now().book().given().getLast().what()).isEqualTo("sheet");
    }

    private static String text(Path pdf) throws Exception {
        try (var document = Loader.loadPDF(pdf.toFile())) {
            return new PDFTextStripper().getText(document);
        }
    }

    private List<Leg.Beside> beside() {
        return engine.course().map(c -> c.itinerary().legs().getFirst().beside()).orElse(List.of());
    }

    /** All versions at once, each on its own voice; one softer, one alone, and on it goes. */
    @Test
    void theClassIsHeardTogether() {
        enter();
        interact(() -> people().select(named("Callum Ayreside").id(), -1));
        interact(() -> lookup("#class-table").query().requestFocus());
        push(KeyCode.H);
        until(() -> beside().size() == 7);
        assertThat(beside()).extracting(b -> b.piece().voice()).doesNotHaveDuplicates().hasSize(7);
        double usual = beside().get(4).share();
        push(KeyCode.L);
        until(() -> beside().size() == 7 && beside().get(4).share() < usual / 2 && beside().get(0).share() > beside().get(4).share());
        push(KeyCode.S);
        until(() -> beside().size() == 7 && beside().get(4).share() == 1 && beside().get(0).share() == 0);
        push(KeyCode.S);
        until(() -> beside().size() == 7 && beside().get(0).share() == beside().get(4).share());
        push(KeyCode.H);
        until(() -> engine.course().isEmpty());
    }

    /** From a cell to how it has gone: that student's passes and nobody else's; then to their sheet. */
    @Test
    void aCellOpensItsHistory() {
        enter();
        int all = keeper.ask(l -> l.log().passes().read()).size();
        interact(() -> people().select(named("Ina Skarf").id(), tune("Hens on the Slip")));
        interact(() -> lookup("#class-table").query().requestFocus());
        push(KeyCode.G);
        until(() -> isShown("practice"));
        var lines = lookup("#history-lines").<ListView<PracticeHistory.Line>>query();
        until(() -> !lines.getItems().isEmpty());
        assertThat(lines.getSelectionModel().getSelectedItem().name()).isEqualTo("the whole tune of Hens on the Slip");
        long hers = keeper.ask(l -> l.log().passes().read()).stream().filter(p -> p.student().equals(people().chosen())).count();
        assertThat(lines.getItems().stream().mapToLong(PracticeHistory.Line::passes).sum()).isEqualTo(hers).isLessThan(all);
        assertThat(lookup("#history-totals").<Label>query().getText()).startsWith("Ina Skarf");
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.C);
        interact(() -> lookup("#class-table").query().requestFocus());
        push(KeyCode.E);
        until(() -> isShown("sheet"));
        assertThat(model.trellis().arrangement().tune().title()).isEqualTo("Hens on the Slip");
    }

    /** A student's year goes onto a page, without what is for the teacher's eye only; what their hands ask for is beside them. */
    @Test
    void aYearGoesOntoAPage() throws Exception {
        enter();
        interact(() -> people().select(named("Jess Wrackline").id(), -1));
        assertThat(lookup("#class-told").queryParent().getChildrenUnmodifiable()).extracting(n -> ((Label) n).getText()).contains("For the hands");
        var page = folder.resolve("jess.pdf");
        interact(() -> people().writeYear(page));
        until(() -> Files.isRegularFile(page));
        try (PDDocument pdf = Loader.loadPDF(page.toFile())) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("Jess Wrackline, ").contains("twelve months").contains("Marram Bending").contains("workshop").contains("For the hands")
                    .doesNotContain("quick ear");
        }
    }
}
