package wildflourish.app.trellis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.atLeastOnce;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wildflourish.app.work.Documents;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.lesson.Student;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tempo;
import wildflourish.formats.abc.AbcReader;

/** The trellis without a window. */
class TrellisModelTest {

    private final Journal journal = mock(Journal.class);
    private final List<String> said = new ArrayList<>();
    private final TrellisModel model = new TrellisModel(journal, said::add);
    private Arrangement start;

    @BeforeEach
    void open() {
        start = Documents.grown(AbcReader.read("X:1\nT:Test\nR:jig\nM:6/8\nL:1/8\nQ:3/8=100\nK:G\n"
                + "|:D|G3 BAG|A3 cBA|B2d gfd|edB AFD:|\n").tunes().getFirst().tune(), Instruments.known("whistle-d"));
        model.open(7, start, new History(List.of(History.Step.done("added", start)), 0), 4, 1);
    }

    private static java.util.function.Supplier<String> holding(String text) {
        return org.mockito.ArgumentMatchers.argThat(d -> d.get().contains(text));
    }

    private TrellisState state() {
        return model.state().get();
    }

    @Test
    void standsOnTheNoteAndRungItWasOpenedOn() {
        assertThat(model.rung()).isEqualTo(4);
        assertThat(model.note()).isEqualTo(1);
        assertThat(TrellisModel.noteInWords(state())).isEqualTo("G  ·  bar 1, beat 1");
        assertThat(state().ranked()).hasSize(state().situation().vocabulary().all().size());
        verify(journal).stand(7, 4, 1);
    }

    @Test
    void aPlaceTakenIsSavedAndGivenBack() {
        model.player().setInstrument("fiddle");
        model.select(0, 3);
        var planned = state().situation().plan().at(3);
        assertThat(model.places().others()).isNotEmpty();
        model.places().takeOther(0);
        assertThat(state().situation().plan().isChosen(3)).isTrue();
        assertThat(state().situation().plan().at(3)).isNotEqualTo(planned);
        verify(journal).save(eq(7L), contains("played with"), holding("I:flourish at fiddle 3 "));
        model.places().release();
        assertThat(state().situation().plan().at(3)).isEqualTo(planned);
        model.places().release();
        assertThat(said.getLast()).contains("already");
        model.places().takeOther(99);
        assertThat(state().situation().plan().at(3)).isEqualTo(planned);
    }

    @Test
    void aPlaceTypedIsCheckedBeforeItIsTaken() {
        model.player().setInstrument("fiddle");
        model.select(0, 3);
        assertThat(model.places().type("D 0")).isFalse();
        assertThat(said.getLast()).contains("sounds D");
        assertThat(model.places().type("banana")).isFalse();
        assertThat(said.getLast()).contains("names no string");
        String other = model.places().others().getFirst().place().text();
        assertThat(model.places().type(other)).isTrue();
        assertThat(state().situation().plan().at(3).text()).isEqualTo(other);
    }

    @Test
    void aHabitGoesToTheJournalAndEndsThere() {
        model.player().setInstrument("fiddle");
        model.select(0, 4);
        String pitch = state().situation().tune().note(4).pitch().toString();
        String text = state().situation().plan().at(4).text();
        model.places().keepHabit();
        verify(journal).habit("fiddle", pitch, java.util.Optional.of(text));
        assertThat(state().arrangement().choices().habits()).containsKey("fiddle");
        model.places().keepHabit();
        verify(journal).habit("fiddle", pitch, java.util.Optional.empty());
        assertThat(state().arrangement().choices().habits()).isEmpty();
    }

    @Test
    void aCapoMovesOnlyWhereOneCanBePut() {
        model.player().stepCapo(1);
        assertThat(said.getLast()).contains("takes no capo");
        model.player().setInstrument("mandolin");
        model.player().stepCapo(1);
        assertThat(state().arrangement().instrument().capo()).isEqualTo(1);
        model.player().stepCapo(-1);
        model.player().stepCapo(-1);
        assertThat(state().arrangement().instrument().capo()).isZero();
    }

    @Test
    void walksAlongNotesBarsAndRungsAndStopsAtTheEnds() {
        model.stepNote(1);
        assertThat(model.note()).isEqualTo(2);
        model.stepNote(-50);
        assertThat(model.note()).isZero();
        assertThat(TrellisModel.noteInWords(state())).contains("pickup, beat 2");
        model.stepBar(1);
        assertThat(model.note()).isEqualTo(1);
        model.stepBar(1);
        assertThat(model.note()).isEqualTo(5);
        model.stepBar(99);
        model.select(4, Integer.MAX_VALUE);
        assertThat(model.note()).isEqualTo(state().situation().tune().size() - 1);
        model.stepRung(9);
        assertThat(model.rung()).isEqualTo(5);
        model.stepRung(-9);
        assertThat(model.rung()).isZero();
        verify(journal, never()).save(anyLong(), anyString(), any());
    }

    @Test
    void aKeyPlacesAndLifts() {
        model.select(3, 11);
        boolean stood = state().stands("cut");
        assertThat(model.ornaments().toggleByKey('c')).isTrue();
        assertThat(state().stands("cut")).isEqualTo(!stood);
        model.ornaments().toggleByKey('c');
        assertThat(state().stands("cut")).isEqualTo(stood);
        assertThat(model.ornaments().toggleByKey('?')).isFalse();
        verify(journal, times(2)).save(eq(7L), anyString(), holding("I:flourish"));
        assertThat(said).anyMatch(s -> s.startsWith("cut ") && s.contains("G in bar 3"));
    }

    @Test
    void aVariedNoteSaysWhyNoKeyDecoratesIt() {
        model.select(3, 5);
        assertThat(state().variation()).isPresent();
        model.ornaments().toggleByKey('c');
        assertThat(model.arrangement()).isEqualTo(start);
        assertThat(said.getLast()).contains("A in bar 2").contains("is varied here").contains("Delete");
    }

    @Test
    void whatTheHandsCannotDoIsSaidAndNotPlaced() {
        model.select(4, 1);
        model.ornaments().toggle("cran");
        assertThat(model.arrangement()).isEqualTo(start);
        assertThat(said.getLast()).startsWith("no cran on G in bar 1: ");
        verify(journal, never()).save(anyLong(), anyString(), any());
    }

    @Test
    void theGroundStaysBare() {
        model.select(0, 1);
        model.ornaments().toggle("cut");
        assertThat(model.arrangement()).isEqualTo(start);
        assertThat(said.getLast()).contains("the ground stays bare");
    }

    @Test
    void undoAndRedoWalkWithoutEnd() {
        List<Arrangement> passed = new ArrayList<>(List.of(model.arrangement()));
        for (int i = 0; i < 60; i++) {
            model.player().setTempo(60 + i);
            passed.add(model.arrangement());
        }
        for (int i = 59; i >= 0; i--) {
            model.undo();
            assertThat(model.arrangement()).isEqualTo(passed.get(i));
        }
        assertThat(state().canUndo()).isFalse();
        model.undo();
        assertThat(said.getLast()).contains("nothing to undo");
        for (int i = 1; i <= 60; i++) {
            model.redo();
            assertThat(model.arrangement()).isEqualTo(passed.get(i));
        }
        model.redo();
        assertThat(said.getLast()).contains("nothing to do again");
        verify(journal, times(60)).undo(7);
        verify(journal, times(60)).redo(7);
        model.undo();
        model.player().setLevel("learner");
        assertThat(state().canRedo()).isFalse();
    }

    @Test
    void theTempoChangesVerdictsAtOnce() {
        model.select(4, 1);
        Verdict slow = verdict("long-roll");
        model.player().setTempo(250);
        assertThat(slow.word()).isEqualTo("clean");
        assertThat(verdict("long-roll").word()).isEqualTo("blocked");
        assertThat(verdict("long-roll").cleanUpTo()).isEqualTo(slow.cleanUpTo());
        model.player().stepTempo(-4);
        assertThat(model.arrangement().tempo().perMinute().floor()).isEqualTo(246);
        model.player().setTempo(100_000);
        assertThat(model.arrangement().tempo().perMinute().floor()).isEqualTo(400);
        model.player().setTempo(-5);
        assertThat(model.arrangement().tempo().perMinute().floor()).isEqualTo(20);
    }

    @Test
    void aTempoThatADocumentWouldNotKeepIsNotTaken() {
        model.settle("counted finely", model.arrangement().with(Tempo.parse("1/32=128")));
        model.player().setTempo(20);
        assertThat(model.arrangement().tempo()).isEqualTo(Tempo.parse("1/32=128"));
        model.player().setTempo(40);
        assertThat(model.arrangement().tempo()).isEqualTo(Tempo.parse("1/32=40"));
        assertThat(Documents.read(Documents.write(model.arrangement())).arrangement().orElseThrow().tempo())
                .isEqualTo(Tempo.parse("1/32=40"));
    }

    private Verdict verdict(String id) {
        return state().ranked().stream().filter(c -> c.ornament().id().equals(id)).findFirst().orElseThrow().verdict();
    }

    @Test
    void levelAndSchoolFollow() {
        Verdict fluent = verdict("cut");
        model.player().setLevel("learner");
        assertThat(fluent.cleanUpTo().orElseThrow().isFasterThan(verdict("cut").cleanUpTo().orElseThrow())).isTrue();
        model.player().setSchool("cut", "by-hand");
        assertThat(state().situation().school().cut()).isEqualTo("by-hand");
        model.player().setSchool("cut", "by-hand");
        model.player().setLevel("learner");
        verify(journal, times(2)).save(anyLong(), anyString(), any());
    }

    @Test
    void growingAndPruningMakeNestedLadders() {
        model.ornaments().clearNote();
        model.player().setTempo(60);
        model.ornaments().grow();
        assertThat(model.arrangement().ladder()).isNotEqualTo(start.ladder());
        model.ornaments().prune();
        assertThat(model.arrangement().ladder().size()).isEqualTo(6);
        assertThat(said).contains("ladder grown from bare", "ladder pruned from the fullest rung");
    }

    @Test
    void clearingANoteLiftsAllOfItHereAndBelow() {
        model.select(5, 1);
        assertThat(model.arrangement().ladder().setting(5).at(1)).isNotEmpty();
        model.ornaments().clearNote();
        for (int r = 0; r < 6; r++) {
            assertThat(model.arrangement().ladder().setting(r).at(1)).isEmpty();
        }
        model.ornaments().clearNote();
        assertThat(said.getLast()).contains("nothing stands on");
    }

    @Test
    void everySavedDocumentReadsBackAsTheArrangement() {
        org.mockito.ArgumentCaptor<java.util.function.Supplier<String>> documents = org.mockito.ArgumentCaptor.captor();
        model.select(4, 2);
        model.ornaments().toggle("tonguing");
        model.player().setTempo(83);
        model.player().setSchool("roll", "leaning");
        verify(journal, atLeastOnce()).save(anyLong(), anyString(), documents.capture());
        assertThat(Documents.read(documents.getValue().get()).arrangement()).contains(model.arrangement());
        verify(journal, atLeastOnce()).stand(anyLong(), anyInt(), anyInt());
    }

    /** Work is put off until it is asked for, as it is on a machine that has much to do. */
    private static final class Later {
        private final java.util.ArrayDeque<Runnable> tasks = new java.util.ArrayDeque<>();

        void run() {
            while (!tasks.isEmpty()) {
                tasks.poll().run();
            }
        }
    }

    private TrellisModel unhurried(Later later) {
        TrellisModel slow = new TrellisModel(journal, said::add,
                new wildflourish.app.work.Background(later.tasks::add, Runnable::run, new wildflourish.app.work.Trouble(said::add)));
        slow.open(7, start, new History(List.of(History.Step.done("added", start)), 0), 4, 1);
        later.run();
        return slow;
    }

    @Test
    void commandsThatComeFasterThanTheyAreShownAreAllKept() {
        Later later = new Later();
        TrellisModel slow = unhurried(later);
        TrellisState shown = slow.state().get();
        slow.stepNote(1);
        slow.stepNote(1);
        slow.stepRung(1);
        slow.player().stepTempo(4);
        slow.player().stepTempo(4);
        slow.ornaments().clearNote();
        assertThat(slow.state().get()).as("nothing is worked out by the one who asks").isSameAs(shown);
        assertThat(slow.isSettled()).isFalse();
        assertThat(slow.note()).isEqualTo(3);
        assertThat(slow.rung()).isEqualTo(5);
        later.run();
        assertThat(slow.isSettled()).isTrue();
        assertThat(slow.state().get()).isSameAs(slow.now());
        assertThat(slow.state().get().arrangement().tempo()).isEqualTo(Tempo.parse("3/8=108"));
        assertThat(slow.state().get().arrangement().ladder().setting(5).at(3)).isEmpty();
        assertThat(slow.state().get().note()).isEqualTo(3);
    }

    @Test
    void anEditMadeWhileAnInstrumentIsChosenIsNotLost() {
        Later later = new Later();
        TrellisModel slow = unhurried(later);
        slow.player().setInstrument("fiddle");
        slow.player().setTempo(70);
        later.run();
        assertThat(slow.arrangement().instrument().id()).isEqualTo("fiddle");
        assertThat(slow.arrangement().tempo()).isEqualTo(Tempo.parse("3/8=70"));
    }

    /** What another screen decides while it still shows the tune before is not done to the one that is open by then. */
    @Test
    void whatAScreenDecidesOfATuneThatIsNotOpenAnyMoreIsNotDone() {
        Arrangement other = Documents.grown(AbcReader.read("X:1\nT:Other\nR:jig\nM:6/8\nL:1/8\nK:D\n|:A|d3 AFD|E3 FED:|\n").tunes().getFirst().tune(), Instruments.known("whistle-d"));
        model.open(8, other, new History(List.of(History.Step.done("added", other)), 0), 0, 0);
        assertThat(model.settle("slower", start.tune(), a -> a.with(Tempo.parse("3/8=60")))).isFalse();
        assertThat(model.isOpenStill(7)).isFalse();
        assertThat(said).endsWith("another tune is being opened: do that once more", "another tune is being opened: do that once more");
        assertThat(model.arrangement()).isEqualTo(other);
        verify(journal, never()).save(anyLong(), contains("slower"), any());
        assertThat(model.isOpenStill(8)).isTrue();
        assertThat(model.settle("slower", other.tune(), a -> a.with(Tempo.parse("3/8=60")))).isTrue();
        assertThat(model.arrangement().tempo()).isEqualTo(Tempo.parse("3/8=60"));
        verify(journal).save(eq(8L), contains("slower"), any());
    }

    /** An edition from an earlier day is read behind the window; an edit does not come in between. */
    @Test
    void anEarlierEditionIsReadBehindTheWindow() {
        Later later = new Later();
        TrellisModel slow = unhurried(later);
        Arrangement earlier = start.with(Tempo.parse("3/8=60"));
        slow.open(7, start, new History(List.of(History.Step.read("added", () -> earlier), History.Step.done("tempo", start)), 1), 4, 1);
        later.run();
        slow.undo();
        assertThat(slow.arrangement()).isEqualTo(start);
        slow.player().setTempo(99);
        assertThat(said.getLast()).contains("still being read");
        later.run();
        assertThat(slow.state().get().arrangement()).isEqualTo(earlier);
        assertThat(said.getLast()).isEqualTo("undone: tempo");
        slow.player().setTempo(99);
        later.run();
        assertThat(slow.state().get().arrangement().tempo()).isEqualTo(Tempo.parse("3/8=99"));
    }

    /** What was asked of one tune and is answered when another is open changes neither that one nor what the library has of it. */
    @Test
    void whatWasAskedOfOneTuneIsNotDoneToAnother() {
        Arrangement other = Arrangement.bare(AbcReader.read("X:1\nT:Another\nM:4/4\nL:1/8\nK:G\nG2BG dGBG|\n").tunes().getFirst().tune(), Instruments.known("whistle-d"));
        List<Consumer<TrellisModel>> asked = List.of(TrellisModel::undo, m -> m.player().setInstrument("fiddle"), m -> m.ornaments().prune(),
                m -> m.player().setStudent(Student.of("Ina", "Thursday", "fiddle", "fluent")));
        for (Consumer<TrellisModel> ask : asked) {
            Later later = new Later();
            TrellisModel slow = unhurried(later);
            slow.open(7, start, new History(List.of(History.Step.read("added", () -> start.with(Tempo.parse("3/8=60"))), History.Step.done("tempo", start)), 1), 4, 1);
            later.run();
            ask.accept(slow);
            slow.open(8, other, new History(List.of(History.Step.done("added", other)), 0), 0, 0);
            later.run();
            assertThat(slow.state().get().tune()).isEqualTo(8);
            assertThat(slow.state().get().arrangement()).isEqualTo(other);
            slow.player().setTempo(99);
            later.run();
            assertThat(slow.arrangement().tune()).isEqualTo(other.tune());
            slow.undo();
            later.run();
            assertThat(slow.arrangement()).isEqualTo(other);
        }
        verify(journal, never()).save(eq(8L), contains("fiddle"), any());
        verify(journal, never()).save(eq(8L), contains("pruned"), any());
    }
}
