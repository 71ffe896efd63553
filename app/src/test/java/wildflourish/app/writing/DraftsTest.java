package wildflourish.app.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wildflourish.app.trellis.Opened;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.AtOnce;

/** What was typed and is no edit yet is never given up for another tune. */
class DraftsTest {

    private static final String QUAY = "X:1\nT:The Wet Quay\nR:reel\nM:4/4\nL:1/8\nK:D\nDFAd BAFA|DFAd BAFA|\n";
    private static final String LAMP = "X:1\nT:The Lamp Stair\nR:jig\nM:6/8\nL:1/8\nK:G\nGBd dBd|GBd dBd|\n";

    private final List<String> said = new ArrayList<>();
    private final List<String> kept = new ArrayList<>();
    private TrellisModel trellis;
    private WritingModel model;

    @BeforeEach
    void aTuneIsOpen() {
        trellis = Opened.tune(QUAY, "whistle-d");
        model = model();
        model.enter();
    }

    private WritingModel model() {
        return new WritingModel(trellis, AtOnce.background(said::add), tune -> { }, kept::add, said::add);
    }

    @Test
    void aTextWithAnErrorWaitsWhileAnotherTuneIsOpenAndIsThereWhenItsOwnIs() {
        String broken = model.typed().replace("BAFA|", "BA[FA|");
        model.type(broken);
        Opened.another(trellis, LAMP, "whistle-d");
        assertThat(model.typed()).contains("The Lamp Stair");
        trellis = Opened.tune(QUAY, "whistle-d");
        WritingModel later = model();
        later.recall(kept.getLast());
        later.enter();
        assertThat(later.typed()).isEqualTo(broken);
        assertThat(said).contains("here is what you had typed and not kept");
        later.goBack();
        assertThat(later.typed()).doesNotContain("[FA");
        assertThat(kept.getLast()).isEmpty();
    }

    @Test
    void aNewTuneThatWasNotKeptIsGoneOnWithAndGivenUpOnlyWhenAskedTwice() {
        model.startNew();
        model.type(WritingModel.NEW + "DFA");
        WritingModel later = model();
        later.recall(kept.getLast());
        later.enter();
        assertThat(later.isFresh()).isTrue();
        assertThat(later.typed()).endsWith("DFA");
        later.startNew();
        assertThat(later.typed()).isEqualTo(WritingModel.NEW);
    }

    @Test
    void draftsOfSeveralTunesAreKeptAsOneTextAndThoseOfTheOldKindAreRead() {
        Drafts drafts = new Drafts();
        drafts.put(7, "X:1\nK:D\n12:3\nD|\n");
        drafts.put(Drafts.NEW, "X:1\n");
        Drafts back = new Drafts();
        back.recall(drafts.kept());
        assertThat(back.of(7)).contains("X:1\nK:D\n12:3\nD|\n");
        assertThat(back.of(Drafts.NEW)).contains("X:1\n");
        Drafts old = new Drafts();
        old.recall("7\nX:1\nK:D\n");
        assertThat(old.of(7)).contains("X:1\nK:D\n");
        old.recall("nothing of the kind");
        old.recall("9:400\nshort");
        assertThat(old.of(9)).isEmpty();
    }
}
