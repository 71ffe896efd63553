package wildflourish.score.engrave;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Varied;
import wildflourish.core.tune.Lyrics;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.score.Scores;

/** Beams by the meter, as the textbooks have them. */
class BeamsTest {

    private static String groups(String meter, String body, Ratio leadIn) {
        var tune = Scores.tune("M:" + meter + "\nL:1/8\nK:C", body);
        List<Columns.BarColumns> bars = Columns.of(Varied.of(Timeline.of(tune), Setting.BARE), List.of(), new SungWords(Lyrics.NONE), new Ratio[] {leadIn});
        return Beams.of(bars.getFirst().columns(), leadIn).toString().replace(" ", "");
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        "4/4; ABcd efga|; [[0,1,2,3],[4,5,6,7]]",
        "6/8; ABc def|; [[0,1,2],[3,4,5]]",
        "9/8; ABc def gab|; [[0,1,2],[3,4,5],[6,7,8]]",
        "3/4; AB cd ef|; [[0,1],[2,3],[4,5]]",
        "2/4; ABcd|; [[0,1],[2,3]]",
        "4/4; A2 Bc d2 ef|; [[1,2],[4,5]]",
        "4/4; ABzc defg|; [[0,1],[4,5,6,7]]",
        "6/8; A3 Bcd|; [[1,2,3]]",
        "6/8; A2B cde|; [[2,3,4]]",
        "4/4; A/B/c/d/ efga z2|; [[0,1,2,3,4,5],[6,7]]"})
    void notesAreBeamedByTheirBeats(String meter, String body, String expected) {
        assertThat(groups(meter, body, Ratio.ZERO)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"6/8; ABc|; 3/8; [[0,1,2]]", "4/4; AB|; 3/4; [[0,1]]",
        "6/8; AB cde|; 1/8; [[0,1],[2,3,4]]"})
    void pickupsAreBeamedByTheirPlaceInTheBar(String meter, String body, String leadIn, String expected) {
        assertThat(groups(meter, body, Ratio.parse(leadIn))).isEqualTo(expected);
    }
}
