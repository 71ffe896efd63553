package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.data.DataFault;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.practice.Care;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tune;

/** A way of holding notes that nobody has thought of needs data and nothing else: five holes, and a tone that never stops. */
class InventedFamilyTest {

    private static final String SHELL_PIPE = """
            { "id": "shell-pipe-d", "name": "shell pipe in D", "aliases": [], "family": "shell-pipe", "soundsAbove": 0, "schools": {},
              "provenance": "invented", "holes": { "lowest": "D4", "additions": [], "own": { "provenance": "invented", "notes": [
                { "pitch": "D4", "ways": [ {"holes": "xxx xx", "breath": "gentle"} ] },
                { "pitch": "E4", "ways": [ {"holes": "xxx xo", "breath": "gentle"} ] },
                { "pitch": "F#4", "ways": [ {"holes": "xxx oo", "breath": "gentle"} ] },
                { "pitch": "G4", "ways": [ {"holes": "xxo oo", "breath": "gentle"} ] },
                { "pitch": "A4", "ways": [ {"holes": "xoo oo", "breath": "gentle"} ] },
                { "pitch": "B4", "ways": [ {"holes": "ooo oo", "breath": "gentle"} ] } ],
                "cuts": {"upper-third": {"others": [3, 2, 1]}, "by-hand": {"others": [3, 2, 1]}, "first": {"others": [1, 2, 3]}}, "cran": [3], "landings": [], "turns": [], "seesaws": [] } } }
            """;

    private static Instrument shellPipe() {
        if (Family.all().stream().noneMatch(f -> f.id().equals("shell-pipe"))) {
            Family.add("families-invented.json");
        }
        return Instruments.parse("shell-pipe-d.json", SHELL_PIPE);
    }

    private static Tune tune() {
        return Tunes.of(Meter.of(4, 4), Tunes.d(), "D4:2 F#4 A4 A4:2 G4 F#4 | E4:2 G4 B4 A4:4 | D4:2 F#4 A4 A4:2 B4 A4 | G4:2 E4 E4 D4:4");
    }

    @Test
    void itsLadderIsGrownAndEverythingOnItCanBePlayed() {
        Arrangement bare = Arrangement.bare(tune(), shellPipe());
        Arrangement grown = bare.with(new Grower(bare.situation(), bare.tempo(), bare.speeds(), Taste.of(bare)).grow().ladder());
        Version full = grown.version(2);
        assertThat(full.setting().byNote().values().stream().flatMap(List::stream)).contains("flick", "wave");
        assertThat(Check.all(full.hands(), full.varied().setting(), grown.tempo(), grown.speeds()))
                .isNotEmpty().allSatisfy(c -> assertThat(c.verdict().isBlocked()).isFalse());
        assertThat(PlayingAdvice.of(full).breaths()).as("nobody blows it").isEmpty();
        assertThat(Care.of(shellPipe().family(), School.USUAL)).isNotEmpty();
    }

    @Test
    void aVersionIsCarriedOverFromAnInstrumentThatWasThereBefore() {
        Arrangement whistle = Arrangement.bare(tune(), Instruments.known("whistle-d"));
        Arrangement grown = whistle.with(new Grower(whistle.situation(), whistle.tempo(), whistle.speeds(), Taste.of(whistle)).grow().ladder());
        Translation carried = Translation.of(grown, shellPipe());
        assertThat(carried.steps()).isNotEmpty();
        assertThat(carried.ladder().size()).isEqualTo(grown.ladder().size());
    }

    @Test
    void aFamilyThatIsWrongIsAFaultOfItsFile() {
        assertThatThrownBy(() -> Family.add("families-wrong.json")).isInstanceOf(DataFault.class)
                .hasMessageContaining("families-wrong.json").hasMessageContaining("'wrong'").hasMessageContaining("whispered");
        assertThat(Family.all()).noneMatch(f -> f.id().equals("wrong"));
    }
}
