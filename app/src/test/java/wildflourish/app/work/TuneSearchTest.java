package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.desk.DeskApplication;
import wildflourish.core.search.Profile;
import wildflourish.library.Index;
import wildflourish.library.Library;
import wildflourish.library.TuneEntry;

class TuneSearchTest {

    @TempDir
    private Path folder;

    @Test
    void aDemoTuneIsFoundByFiveOfItsNotesInAnyKeyAndByItsTag() {
        try (Library library = Library.open(folder.resolve("l.db"))) {
            DeskApplication.fillWithDemo(library);
            List<TuneEntry> tunes = library.tunes().all().read();
            TuneEntry lamp = tunes.getFirst();
            library.index().tag(lamp.id(), List.of("winter"));
            List<Index.Notes> kept = new ArrayList<>();
            Map<Long, TuneIndex.Found> index = TuneIndex.of(library, kept::addAll, () -> false);
            assertThat(kept).hasSize(tunes.size());
            assertThat(TuneSearch.of("d e f a f", tunes, index).getFirst()).isEqualTo(new TuneSearch.Answer(lamp, true, 0));
            assertThat(TuneSearch.of("g a b d b g b", tunes, index).getFirst().tune()).isEqualTo(lamp);
            assertThat(TuneSearch.of("d e f a a d f", tunes, index)).extracting(TuneSearch.Answer::tune).contains(lamp);
            assertThat(TuneSearch.of("winter reel", tunes, index)).containsExactly(new TuneSearch.Answer(lamp, false, 0));
            library.index().keep(kept);
            kept.clear();
            assertThat(TuneIndex.of(library, kept::addAll, () -> false)).isEqualTo(index);
            assertThat(kept).as("nothing is worked out twice").isEmpty();
        }
    }

    @Test
    void theNearestOfFiveThousandComesFirst() {
        Random random = new Random(1);
        List<TuneEntry> tunes = new ArrayList<>();
        Map<Long, TuneIndex.Found> index = new HashMap<>();
        for (long id = 0; id < 5000; id++) {
            StringBuilder notes = new StringBuilder();
            int step = 33;
            for (int n = 0; n < 130; n++) {
                step = Math.clamp(step + random.nextInt(-3, 4), 28, 42);
                notes.append((char) ('0' + step));
            }
            tunes.add(new TuneEntry(id, "Tune " + id, "reel", "D major", "4/4"));
            index.put(id, new TuneIndex.Found(Optional.of(new Profile(notes.toString(), 60, 84)), List.of()));
        }
        Profile wanted = index.get(4321L).profile().orElseThrow();
        StringBuilder asked = new StringBuilder();
        for (int n = 0; n < 12; n++) {
            int step = wanted.step(n);
            asked.append("CDEFGAB".charAt(step % 7)).append(step / 7 == 4 ? "" : step / 7 == 5 ? "'" : "''").append(' ');
        }
        assertThat(TuneSearch.of(asked.toString(), tunes, index).getFirst().tune().id()).isEqualTo(4321);
    }
}
