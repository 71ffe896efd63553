package wildflourish.app.trellis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wildflourish.app.reading.ReadingModel;
import wildflourish.app.rounds.RoundsModel;
import wildflourish.app.work.AtOnce;
import wildflourish.app.work.Documents;
import wildflourish.core.growth.Lick;
import wildflourish.core.growth.Offer;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Density;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.formats.abc.AbcReader;

/** The ladder, the stretches, the reading and the rounds without a window. */
class LadderChoicesTest {

    private static final String REEL = "X:1\nT:Test\nR:reel\nM:4/4\nL:1/8\nQ:1/4=120\nK:D\n"
            + "|:F2AF d2AF|G2BG A4|F2AF d2AF|G2FE D4:|\n|:d2fd a2fd|g2e2 c4|d2fd a2fd|e2c2 d4:|\n";

    private final Journal journal = mock(Journal.class);
    private final List<String> said = new ArrayList<>();
    private final TrellisModel model = new TrellisModel(journal, said::add);

    @BeforeEach
    void open() {
        Arrangement start = Documents.grown(AbcReader.read(REEL).tunes().getFirst().tune(), Instruments.known("fiddle"));
        model.open(7, start, new History(List.of(History.Step.done("added", start)), 0), 4, 0);
    }

    private Ladder ladder() {
        return model.arrangement().ladder();
    }

    @Test
    void rungsAreNamedAddedDroppedMovedAndUndone() {
        Ladder before = ladder();
        model.ladder().rename(4, "  Thursday  ");
        assertThat(ladder().rung(4).name()).isEqualTo("Thursday");
        model.ladder().add(4);
        assertThat(model.rung()).isEqualTo(5);
        assertThat(ladder().size()).isEqualTo(7);
        model.ladder().drop(5);
        model.ladder().move(2, true);
        assertThat(ladder().rung(3).name()).isEqualTo("first graces");
        model.ladder().move(0, true);
        assertThat(said.getLast()).contains("only rungs above the ground");
        model.ladder().drop(0);
        assertThat(said.getLast()).contains("the ground stays");
        for (int i = 0; i < 4; i++) {
            model.undo();
        }
        assertThat(ladder()).isEqualTo(before);
    }

    @Test
    void densityRulesTheNextGrowing() {
        int before = ladder().setting(5).size();
        for (int r = 1; r < 6; r++) {
            model.ladder().setDensity(r, "1", "0");
        }
        assertThat(ladder().rung(5).density()).hasValue(new Density(1, 0));
        model.ornaments().grow();
        assertThat(ladder().setting(5).size()).isLessThan(before);
        model.ladder().setDensity(3, "many", "0");
        assertThat(said.getLast()).contains("how many a phrase may hold");
        model.ladder().setDensity(3, "", "");
        assertThat(ladder().rung(3).density()).isEmpty();
    }

    /** The first note of the rung in hand that a rung below has not decorated; it is in hand afterwards. */
    private String decorated() {
        for (int note = 0; note < model.state().get().situation().tune().size(); note++) {
            int at = note;
            Optional<String> added = ladder().setting(4).at(note).stream().filter(id -> ladder().lowestWith(at, id) == 4).findFirst();
            if (added.isPresent()) {
                model.select(4, note);
                model.ornaments().look(added.get());
                return added.get();
            }
        }
        throw new AssertionError("nothing is added on this rung");
    }

    @Test
    void whatIsForbiddenStaysAwayUntilItIsAllowed() {
        String id = decorated();
        int note = model.note();
        model.ladder().forbid();
        assertThat(ladder().setting(5).has(note, id)).isFalse();
        model.ornaments().grow();
        assertThat(ladder().setting(5).has(note, id)).isFalse();
        model.ladder().withdraw(note, Optional.of(id));
        model.ornaments().grow();
        assertThat(ladder().setting(5).has(note, id)).isTrue();
    }

    @Test
    void whatIsLockedOutlivesGrowingAndPruning() {
        model.select(3, 1);
        model.ornaments().clearNote();
        model.ornaments().toggle("cut");
        assertThat(ladder().setting(3).has(1, "cut")).isTrue();
        model.ladder().lock();
        model.ornaments().grow();
        assertThat(ladder().setting(3).has(1, "cut")).isTrue();
        assertThat(ladder().setting(2).has(1, "cut")).isFalse();
        model.ornaments().prune();
        assertThat(ladder().setting(3).has(1, "cut")).isTrue();
        assertThat(ladder().setting(2).has(1, "cut")).isFalse();
    }

    @Test
    void whatWouldComeInsteadIsAskedAndTaken() {
        String id = decorated();
        int note = model.note();
        model.ladder().askInstead();
        TrellisState.Instead instead = model.state().get().instead().orElseThrow();
        assertThat(instead.id()).isEqualTo(id);
        assertThat(instead.other().setting().has(note, id)).isFalse();
        model.ladder().takeInstead();
        assertThat(ladder().setting(4)).isEqualTo(instead.other().setting());
        assertThat(model.arrangement().wishes().forbids(note, id)).isTrue();
        assertThat(model.state().get().instead()).isEmpty();
    }

    @Test
    void aPhraseIsTreatedAsOnAnotherRungAndWhereverItComesBack() {
        model.select(4, 0);
        assertThat(model.ladder().phraseName()).isEqualTo("A1");
        model.ladder().copyTo(2);
        Phrase phrase = Phrases.of(model.state().get().situation().tune()).getFirst();
        for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
            assertThat(ladder().setting(2).at(n)).isEqualTo(ladder().setting(4).at(n));
        }
        model.ladder().copyTo(0);
        assertThat(said.getLast()).contains("ground stays bare");
        model.ladder().copyToSame();
        assertThat(said.getLast()).contains("no other phrase has the notes of A1");
    }

    @Test
    void comparedRungsDifferWhereOneHasMore() {
        model.select(4, 0);
        model.ladder().compareWith(3);
        assertThat(model.state().get().compared()).hasValue(3);
        assertThat(model.ladder().differences(3)).isNotEmpty().allSatisfy(c -> {
            assertThat(c.added()).isTrue();
            assertThat(model.state().get().differsAt(c.note())).isTrue();
        });
        model.ladder().compareWith(3);
        assertThat(model.state().get().compared()).isEmpty();
    }

    @Test
    void aStretchIsPlayedOtherwiseAndTakenBack() {
        model.select(3, 0);
        List<Offer> offers = model.state().get().offers();
        Offer connect = offers.stream().filter(o -> o.variation().kind().equals("connect")).findFirst().orElseThrow();
        model.variations().toggle(connect);
        assertThat(ladder().setting(3).variationAt(0)).hasValue(connect.variation());
        assertThat(ladder().setting(5).variationAt(0)).hasValue(connect.variation());
        assertThat(ladder().setting(2).variationAt(0)).isEmpty();
        assertThat(model.state().get().hands().tune().size()).isGreaterThan(model.state().get().situation().tune().size());
        assertThat(model.state().get().ranked()).isEmpty();
        model.select(3, 5);
        assertThat(model.state().get().ranked()).isNotEmpty();
        assertThat(model.state().get().hands().tune().note(model.state().get().handsNote()).pitch())
                .isEqualTo(model.state().get().situation().tune().note(5).pitch());
        model.select(5, 0);
        model.ornaments().clearNote();
        assertThat(ladder().setting(5).isVaried() && ladder().setting(5).variationAt(0).isPresent()).isFalse();
        model.select(0, 0);
        model.variations().toggle(connect);
        assertThat(said.getLast()).contains("ground stays bare");
    }

    @Test
    void barsAreKeptAsALickAndOfferedElsewhere() {
        model.select(5, 0);
        assertThat(model.variations().keep("", 1, 1, "")).isEmpty();
        assertThat(model.variations().keep("x", 90, 91, "")).isEmpty();
        Lick lick = model.variations().keep("the stair", 4, 4, "").orElseThrow();
        verify(journal).keepLick("the stair", Optional.of(lick));
        assertThat(lick.source()).isEqualTo("from Test");
        Arrangement other = Documents.grown(AbcReader.read("X:1\nT:Other\nM:4/4\nL:1/8\nK:G\nc4 B2 A2|G8|c2 d2 B2 A2|G8|\n").tunes().getFirst().tune(),
                Instruments.known("fiddle"));
        model.open(8, other, new History(List.of(History.Step.done("added", other)), 0), 5, 0);
        assertThat(model.state().get().licks()).containsExactly(lick);
        assertThat(model.state().get().offers()).anyMatch(o -> o.variation().kind().equals("lick:the_stair"));
        model.variations().forget(lick);
        verify(journal).keepLick("the stair", Optional.empty());
        assertThat(model.licks()).isEmpty();
    }

    @Test
    void theReadingFollowsWhatTheTeacherSettles() {
        ReadingModel reading = new ReadingModel(model, wildflourish.app.work.AtOnce.background(said::add), said::add);
        reading.setShown(true);
        assertThat(reading.state().get().reading().phrases()).extracting(Phrase::name).containsExactly("A1", "A2", "B1", "B2");
        reading.select(1);
        int from = reading.state().get().passage().orElseThrow().phrase().fromNote();
        reading.moveStart(-1);
        assertThat(reading.state().get().passage().orElseThrow().phrase().fromNote()).isEqualTo(from - 1);
        reading.rename("the answer");
        reading.remark("lightly");
        assertThat(reading.state().get().passage().orElseThrow().phrase().name()).isEqualTo("the answer");
        verify(journal).save(eq(7L), eq("remark kept"), any());
        reading.join();
        assertThat(reading.state().get().reading().phrases()).extracting(Phrase::name).containsExactly("A1", "B1", "B2");
        reading.divide();
        assertThat(reading.state().get().reading().phrases()).hasSize(4);
        reading.select(0);
        reading.join();
        assertThat(said.getLast()).contains("a part begins here");
        reading.findAgain();
        assertThat(reading.state().get().reading().phrases()).extracting(Phrase::name).containsExactly("A1", "A2", "B1", "B2");
    }

    @Test
    void theRoundsAreSettledPassByPass() {
        RoundsModel rounds = new RoundsModel(model, (tune, others, linked) -> { }, AtOnce.background(said::add), said::add);
        rounds.setShown(true);
        assertThat(rounds.state().get().passes()).extracting(p -> p.name()).containsExactly("A", "A2", "B", "B2");
        assertThat(rounds.state().get().seconds()).isEqualTo(3 * 16 * 2.0);
        rounds.select(0, 1);
        rounds.stepRung(1);
        assertThat(model.arrangement().rounds().times().get(0).get(1).rung()).isEqualTo(1);
        rounds.nextKind();
        assertThat(model.arrangement().rounds().times().get(0).get(1).kind()).isPresent();
        rounds.setKind(Optional.empty());
        rounds.addTime();
        assertThat(rounds.state().get().rounds().times()).hasSize(4);
        rounds.shuffle(Optional.of(9L));
        var shuffled = model.arrangement().rounds();
        rounds.bareSomeAll();
        rounds.shuffle(Optional.of(9L));
        assertThat(model.arrangement().rounds()).isEqualTo(shuffled);
        rounds.dropTime();
        assertThat(rounds.written().orElseThrow().tune().bars()).hasSize(3 * 16);
        model.undo();
        assertThat(rounds.state().get().rounds().times()).hasSize(4);
    }

    @Test
    void rungsThatAreNewGrowByTheRulesOfTheRungBelowThem() {
        model.ladder().add(2);
        model.ornaments().grow();
        assertThat(ladder().rungs()).extracting(Rung::name)
                .containsExactly("bare", "pulse", "first graces", "in between", "joined", "full", "wild");
        assertThat(ladder().setting(3).contains(ladder().setting(2))).isTrue();
    }
}
