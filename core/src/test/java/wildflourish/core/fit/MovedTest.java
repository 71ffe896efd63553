package wildflourish.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** A tune in another key. */
class MovedTest {

    /** The names that players use for keys (common practice): the fewest signs, flats before sharps where there are as many. */
    @ParameterizedTest
    @CsvSource({"D, 0, MAJOR, 1, E flat major", "D, 0, MAJOR, -2, C major", "D, 0, MAJOR, 2, E major", "D, 0, MAJOR, 4, G flat major", "E, 0, MINOR, -4, C minor", "E, 0, MINOR, 3, G minor",
        "A, 0, MINOR, -2, G minor", "A, 0, DORIAN, 1, B flat dorian", "G, 0, MAJOR, 5, C major", "E, 0, DORIAN, -1, E flat dorian", "D, 0, MAJOR, 12, D major", "F, 1, MAJOR, 12, F sharp major", "F, 1, MAJOR, -12, F sharp major", "D, 0, MAJOR, -13, D flat major"})
    void keysHaveTheirUsualNames(Step step, int alter, Mode mode, int semitones, String name) {
        Key key = Key.of(step, alter, mode);
        Interval interval = Moved.interval(key, semitones);
        assertThat(Moved.by(key, interval).spoken()).isEqualTo(name);
        assertThat(interval.semitones()).isEqualTo(semitones);
    }

    @ParameterizedTest
    @ValueSource(ints = {-12, -7, -5, -4, -3, -2, -1, 1, 2, 3, 4, 5, 6, 7, 12})
    void thereAndBackIsTheSameTune(int semitones) {
        Tune tune = Tunes.of(Meter.COMMON, Tunes.d(), "D4:2 F#4:2 A4:2 D5:2 | B4:3 Bb4:1 G#4:2 E4:2 | F4:2 A4:2 B4:2 C5:2 | D5:4 A4:4");
        Interval interval = Moved.interval(tune.head().key(), semitones);
        Tune there = Moved.by(tune, interval);
        for (int n = 0; n < 16; n++) {
            int note = Math.min(n, Timeline.of(tune).size() - 1);
            assertThat(Timeline.of(there).note(note).pitch().midi()).isEqualTo(Timeline.of(tune).note(note).pitch().midi() + semitones);
        }
        assertThat(Moved.by(there, interval.reversed())).isEqualTo(tune);
    }

    @Test
    void chordSymbolsMoveAlong() {
        Interval up = Moved.interval(Tunes.d(), 3);
        assertThat(Moved.chord("D", up)).isEqualTo("F");
        assertThat(Moved.chord("Bm7/A", up)).isEqualTo("Dm7/C");
        assertThat(Moved.chord("F#dim", up)).isEqualTo("Adim");
        assertThat(Moved.chord("tacet", up)).isEqualTo("tacet");
    }
}
