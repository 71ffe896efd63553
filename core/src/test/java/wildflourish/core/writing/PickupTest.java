package wildflourish.core.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;

/** Where bar lines fall, in tunes made for it: a lead-in is taken for what it is, and its notes are not set half a bar off. */
class PickupTest {

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        // A jig in long and short, whose two halves of a bar are alike.
        "6/8; 1/8; B3 E4:2 F#4 G4:2 A4 B4:2 A4 G4 F#4 E4 D4:2 E4 F#4:2 G4 A4:2 F#4 D4:2 B3 E4:2 F#4 G4:2 A4 B4:2 D5 E5:2 D5 B4 A4 G4 F#4 G4 A4 G4 E4 E4 E4:2",
        "6/8; 0/1; G4:2 B4 D5 B4 G4 A4:2 C5 E5 C5 A4 G4:2 B4 D5 B4 D5 E5 C5 A4 A4 G4 E4 G4:2 B4 D5 B4 G4 B4 A4 G4 A4 G4 E4 G4:3 G4:3",
        "6/8; 1/4; D5 B4 A4 F#4 D4 D4 F#4 A4 B4:2 A4 A4 F#4 A4 B4:2 D5 D5 C#5 D5 E5 D5 B4 B4 A4 F#4 A4 F#4 D4 D4 F#4 A4 B4:2 A4 A4 F#4 A4 B4 C#5 B4 A4 F#4 E4 F#4 D4 D4 D4",
        "4/4; 1/4; A4 G4 F#4 A4 D4 F#4 A4:2 D5 C#5 B4 G4 B4 D5 G5:2 F#5 E5 F#5 D5 A4 F#4 G4 B4 A4 G4 F#4 A4 E4 A4 D4:2 A4 G4 F#4 A4 D4 F#4 A4:2 D5 C#5 F#4:2 D4:2 D4:2",
        "2/4; 1/8; A4 D5 D5 F#5 E5 D5 B4 A4:2 B4 B4 D5 B4 A4 F#4 E4:2 D5 D5 F#5 E5 D5 B4 A4 F#4 E4 F#4 G4 E4 D4:2 D4",
        "9/8; 1/8; A4 D5:2 F#5 F#5 E5 D5 C#5 B4 A4 B4:2 D5 A4 F#4 D4 E4 F#4 G4 A4:2 D5 F#5 E5 D5 C#5 B4 A4 B4:2 A4 G4 F#4 E4 D4:2",
        "3/4; 1/4; D4:2 G4:4 B4:2 D5:4 B4:2 A4:4 G4:2 E4:4 D4:2 G4:4 B4:2 D5:4 E5:2 D5:4 B4:2 G4:4"})
    void theLeadInIsFound(String meter, String pickup, String notes) {
        List<Played> played = new ArrayList<>();
        for (Timeline.Stand note : Timeline.of(Tunes.of(Meter.COMMON, Tunes.d(), notes)).notes()) {
            played.add(new Played(note.onset().toDouble(), note.onset().toDouble() + 0.98 * note.sounding().toDouble(), note.pitch().midi()));
        }
        String[] halves = meter.split("/");
        assertThat(Pickup.find(played, Meter.of(Integer.parseInt(halves[0]), Integer.parseInt(halves[1])))).isEqualTo(Ratio.parse(pickup));
    }
}
