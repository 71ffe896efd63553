package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

/**
 * A tune written in doubled values and played twice as fast lasts as long, note by note. What asks for time alone is judged the same; what differs are
 * ornaments that ask for a written value, as docs/ornaments.md says.
 */
class DoubledValuesTest {

    private static final String NOTES = "D5:2 B4:3 A4 | F#4:4 G4:2 E4 F#4 | A4:3 D4:3 E5:2 | C#5:2 B4 A4 F#4:4";
    private static final String DOUBLED = "D5:4 B4:6 A4:2 | F#4:8 G4:4 E4:2 F#4:2 | A4:6 D4:6 E5:4 | C#5:4 B4:2 A4:2 F#4:8";

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    /** Whether an ornament is placed on notes of a written value. */
    private static boolean isFor(Ornament ornament, Ratio value) {
        return !value.isLess(ornament.from()) && ornament.to().filter(to -> to.isLess(value)).isEmpty() && (ornament.lengths().isEmpty() || ornament.lengths().contains(value));
    }

    /** Whether a pulse of it has a written length of its own, whatever the note's. */
    private static boolean hasWrittenPulses(Ornament ornament) {
        return ornament.pulses().stream().anyMatch(p -> p.length().isPresent());
    }

    @ParameterizedTest
    @MethodSource("instruments")
    void onlyWhatAsksForAWrittenValueIsJudgedOtherwise(Instrument instrument) {
        Situation usual = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), NOTES)), instrument, School.USUAL).at(Tempo.parse("1/2=90"));
        Situation doubled = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 2), Tunes.d(), DOUBLED)), instrument, School.USUAL).at(Tempo.parse("1/1=90"));
        int same = 0;
        for (int note = 0; note < usual.tune().size(); note++) {
            assertThat(usual.tempo().millis(usual.tune().note(note).sounding())).isEqualTo(doubled.tempo().millis(doubled.tune().note(note).sounding()));
            if (!usual.plan().at(note).equals(doubled.plan().at(note)) || !usual.strokes().at(note).equals(doubled.strokes().at(note))) {
                continue;
            }
            for (Ornament ornament : usual.vocabulary().all()) {
                Verdict one = Playability.of(usual, note, List.of(ornament), usual.tempo(), Speeds.level("fluent"));
                Verdict other = Playability.of(doubled, note, List.of(ornament), doubled.tempo(), Speeds.level("fluent"));
                boolean either = isFor(ornament, usual.tune().note(note).sounding()) == isFor(ornament, doubled.tune().note(note).sounding());
                if (either && !hasWrittenPulses(ornament)) {
                    assertThat(other.getClass()).as("%s on note %d of the %s: %s, %s", ornament.id(), note, instrument.name(), one.inWords(), other.inWords()).isEqualTo(one.getClass());
                    assertThat(other.cleanUpTo().map(t -> t.perMinute().times(t.beat()))).isEqualTo(one.cleanUpTo().map(t -> t.perMinute().times(t.beat()).times(Ratio.of(2, 1))));
                    same++;
                }
            }
        }
        assertThat(same).as(instrument.name()).isGreaterThan(0);
    }
}
