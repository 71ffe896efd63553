package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.book.BookTune;

class BookGrowthTest {

    private static final Instrument FIDDLE = Instruments.known("fiddle");

    private static List<BookTune> book(int tunes) {
        StringBuilder text = new StringBuilder();
        for (int i = 1; i <= tunes; i++) {
            text.append("X:").append(i).append("\nT:Tune ").append(i).append("\nM:4/4\nL:1/8\nK:D\nD2FA d2AF|G2BG A4|\n\n");
        }
        return AbcReader.read(text.toString()).tunes();
    }

    @Test
    void growsEveryTuneInItsOrderAndTellsHowFarItIs() {
        Set<Integer> told = ConcurrentHashMap.newKeySet();
        List<Arrangement> grown = BookGrowth.grow(book(12), FIDDLE, told::add, () -> false);
        assertThat(grown).extracting(a -> a.tune().head().number()).containsExactly(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12);
        assertThat(grown).allSatisfy(a -> assertThat(a.ladder().setting(5).size()).isPositive());
        assertThat(told).containsExactlyInAnyOrder(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12);
    }

    @Test
    void leavesOutWhatIsNotDoneOnceItIsStopped() {
        AtomicInteger done = new AtomicInteger();
        List<Arrangement> grown = BookGrowth.grow(book(60), FIDDLE, done::set, () -> done.get() >= 3);
        assertThat(grown).hasSizeBetween(3, 59);
        assertThat(BookGrowth.grow(book(5), FIDDLE, done::set, () -> true)).isEmpty();
    }

    @Test
    void keepsALadderThatATuneHasForTheInstrument() {
        Arrangement own = Documents.grown(book(1).getFirst().tune(), FIDDLE);
        Arrangement bare = own.with(Ladder.bare());
        List<BookTune> read = AbcReader.read(Documents.write(bare)).tunes();
        assertThat(BookGrowth.grow(read, FIDDLE, n -> { }, () -> false)).containsExactly(bare);
        assertThat(BookGrowth.grow(read, Instruments.known("mandolin"), n -> { }, () -> false).getFirst().instrument().id()).isEqualTo("mandolin");
    }
}
