package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.formats.musicxml.MusicXmlReader;
import wildflourish.formats.musicxml.MusicXmlWriter;

/** Signs by which a tune is read on from elsewhere (ABC standard 2.1, section 4.14; their meaning is common practice). */
class JumpsTest {

    private static Tune tune(String music) {
        return AbcReader.read("X:1\nT:A\nM:4/4\nL:1/4\nK:D\n" + music.replace('/', '|') + "\n").tunes().getFirst().tune();
    }

    private static String order(Tune tune) {
        return PlayOrder.of(tune).stream().map(b -> String.valueOf((char) ('a' + b))).reduce("", String::concat);
    }

    @ParameterizedTest
    @CsvSource({
        "'D4 /E4 !fine!/F4 /G4 !D.C.!/]', abcdab",
        "'/:D4 /E4 :/F4 !fine!/G4 !D.C.!/]', ababcdabc",
        "'D4 /!segno!E4 /F4 !fine!/G4 !D.S.!/]', abcdbc",
        "'D4 /E4 !dacoda!/F4 !D.C.!/!coda!G4 /A4 /]', abcabde",
        "'D4 /!coda!E4 /F4 !D.C.!/!coda!G4 /]', abcabd",
        "'/:D4 /1 E4 :/2 F4 // G4 !D.C.!/]', abacdacd",
        "'D4 /E4 /]', ab"})
    void theOrderIsThatOfTheSigns(String music, String order) {
        assertThat(order(tune(music))).isEqualTo(order);
    }

    @Test
    void theyStandOnTheLastNoteOfTheirBarAndSurviveEveryFormat() {
        Tune tune = tune("D2 E2 /!segno!F4 !fine!/G2 A2 !D.S.!/]");
        String written = AbcWriter.write(tune);
        assertThat(written).contains("!segno!!fine!F4 |G2 !D.S.!A2 |]");
        assertThat(order(AbcReader.read(written).tunes().getFirst().tune())).isEqualTo("abcb");
        Tune score = MusicXmlReader.read(MusicXmlWriter.write(tune)).tunes().getFirst().tune();
        assertThat(order(score)).isEqualTo("abcb");
        assertThat(score.bars()).isEqualTo(tune.bars());
        assertThat(List.of(score)).isEqualTo(List.of(tune));
    }
}
