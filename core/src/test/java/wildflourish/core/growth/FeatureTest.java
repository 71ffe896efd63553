package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.reading.Phrases;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;

class FeatureTest {

    private static List<Set<Feature>> features(String text) {
        Timeline timeline = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), text));
        return Feature.of(timeline, Phrases.of(timeline));
    }

    @Test
    void lengthsRepeatsStepsAndLeaps() {
        List<Set<Feature>> f = features("D4:2 D4 E4 A4:4 | G4:3 B4 G4:4 |");
        assertThat(f.get(0)).contains(Feature.LONG, Feature.ACCENTED).doesNotContain(Feature.HELD, Feature.REPEATED);
        assertThat(f.get(1)).contains(Feature.REPEATED).doesNotContain(Feature.ACCENTED, Feature.LONG);
        assertThat(f.get(2)).contains(Feature.RISING_STEP);
        assertThat(f.get(3)).contains(Feature.LEAP, Feature.HELD, Feature.ACCENTED, Feature.FALLING);
        assertThat(f.get(4)).contains(Feature.FALLING_STEP, Feature.RISING_THIRD);
        assertThat(f.get(5)).contains(Feature.FALLING_THIRD);
    }

    @Test
    void phraseEndsAndPartStarts() {
        List<Set<Feature>> f = features("E4 | D4:8 | E4:8 | F#4:8 | G4:8 || A4:8 | B4:8 |");
        assertThat(f.get(0)).doesNotContain(Feature.PART_START);
        assertThat(f.get(1)).contains(Feature.PART_START);
        assertThat(f.get(2)).contains(Feature.PHRASE_END);
        assertThat(f.get(4)).contains(Feature.PHRASE_END);
        assertThat(f.get(5)).contains(Feature.PART_START);
        assertThat(f.get(6)).doesNotContain(Feature.PHRASE_END);
    }

    @Test
    void aRestBreaksTheLine() {
        List<Set<Feature>> f = features("D4 z D4 |");
        assertThat(f.get(1)).doesNotContain(Feature.REPEATED);
    }

    @Test
    void aNoteHeldOverHasNoFeatures() {
        assertThat(features("D4:4- D4:4 |").get(1)).isEmpty();
    }
}
