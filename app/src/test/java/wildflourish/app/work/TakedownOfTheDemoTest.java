package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import wildflourish.core.hearing.ByEar;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.door.TuneFiles;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.hearing.MadeUpStudent;

/** Every demo tune is taken in by ear from somebody who plays it on the whistle, each note 20 ms early or late by chance, in a room with some noise. */
class TakedownOfTheDemoTest {

    private static final Tempo ANY = Tempo.parse("1/4=120");

    private record Taken(int notes, int right, boolean key, boolean meter) {}

    /** Each note as its pitch and written length, repeats played out. */
    private static List<String> notes(Tune tune) {
        Performance performance = Realiser.perform(Arrangement.bare(tune, Instruments.known("none")).version(0).hands(), Map.of(), ANY, Arrangement.bare(tune, Instruments.known("none")).speeds());
        double unit = ANY.millis(Ratio.of(1, 48)).toDouble();
        return performance.melody().stream().map(s -> s.midi() + " " + Math.round(s.forMs() / unit)).toList();
    }

    /** How many notes come in both, in their order. */
    private static int common(List<String> one, List<String> other) {
        int[][] most = new int[one.size() + 1][other.size() + 1];
        for (int i = 1; i <= one.size(); i++) {
            for (int j = 1; j <= other.size(); j++) {
                most[i][j] = one.get(i - 1).equals(other.get(j - 1)) ? most[i - 1][j - 1] + 1 : Math.max(most[i - 1][j], most[i][j - 1]);
            }
        }
        return most[one.size()][other.size()];
    }

    private static Taken taken(Tune tune, int seed) {
        Arrangement bare = Arrangement.bare(tune, Instruments.known("whistle-d"));
        MadeUpStudent uneven = new MadeUpStudent(20, 0, 0, 35, seed);
        ByEar ear = ByEar.of(Ears.listen(uneven.play(bare.version(0)), s -> { }, () -> false), tune.title(), Optional.of(TuneType.of(tune.head())), Optional.of(bare.instrument().soundsAbove()))
                .orElseThrow();
        List<String> want = notes(tune);
        return new Taken(want.size(), common(want, notes(ear.tune())), ear.key().spoken().equals(tune.head().key().spoken()), ear.meter().equals(tune.head().meter()));
    }

    @Test
    void nineteenOfTwentyNotesAreRightAndTheKeyAndTheMetreOfAllButOne() throws IOException {
        List<Tune> tunes;
        try (var in = TakedownOfTheDemoTest.class.getResourceAsStream("/wildflourish/app/demo/marram-strand.abc")) {
            tunes = TuneFiles.read(in.readAllBytes()).tunes().stream().map(BookTune::tune).toList();
        }
        // In every build every other tune; with -Dflourish.thorough=true all thirteen.
        List<Taken> all = IntStream.range(0, tunes.size()).filter(t -> t % 2 == 0 || Boolean.getBoolean("flourish.thorough")).parallel().mapToObj(t -> taken(tunes.get(t), 7 + t)).toList();
        assertThat((double) all.stream().mapToInt(Taken::right).sum() / all.stream().mapToInt(Taken::notes).sum()).as("%s", all).isGreaterThanOrEqualTo(0.95);
        assertThat(all.stream().filter(t -> t.key() && t.meter()).count()).as("%s", all).isGreaterThanOrEqualTo(all.size() - 1);
    }
}
