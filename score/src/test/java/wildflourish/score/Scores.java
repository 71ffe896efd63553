package wildflourish.score;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Taste;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.book.BookTune;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;

/** Tunes and engravings for tests. */
public final class Scores {

    private Scores() {}

    public static Tune tune(String head, String body) {
        return AbcReader.read("X:1\nT:Test\n" + head + "\n" + body + "\n").tunes().getFirst().tune();
    }

    /** A bare engraving on no instrument. */
    public static Engraving bare(String head, String body, double width) {
        Version version = Arrangement.bare(tune(head, body), Instruments.known("none")).version(0);
        return ScoreEngraver.engrave(new ScoreRequest(version, Set.of(0), false, false, width));
    }

    /** The demo class's tunes with ladders for the whistle. */
    public static List<Arrangement> demo() {
        Path file = Path.of("..", "app", "src", "main", "resources", "wildflourish", "app", "demo", "marram-strand.abc");
        try {
            return AbcReader.read(Files.readAllBytes(file)).tunes().stream().map(BookTune::tune)
                    .map(Scores::arranged).toList();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** The demo class's tunes with ladders for an instrument. */
    public static List<Arrangement> demoOn(String instrument) {
        return demo().stream().map(a -> arranged(a.tune(), instrument)).toList();
    }

    public static Arrangement arranged(Tune tune) {
        return arranged(tune, "whistle-d");
    }

    private static Arrangement arranged(Tune tune, String instrument) {
        Situation situation = Situation.of(Timeline.of(tune), Instruments.known(instrument), School.USUAL);
        var tempo = TuneType.tempoOf(tune.head());
        Speeds speeds = Speeds.level("fluent");
        return new Arrangement(tune, situation.instrument(), tempo, speeds, School.USUAL,
                new Grower(situation, tempo, speeds, Taste.of(situation)).grow().ladder());
    }

    public static Engraving trellis(Arrangement arrangement, Set<Integer> open, double width) {
        return ScoreEngraver.engrave(new ScoreRequest(arrangement.version(4), open, true, true, width));
    }
}
