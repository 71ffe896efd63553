package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;

class PlayingAdviceTest {

    private static PlayingAdvice advice(String instrument, School school, Setting setting, String notes) {
        return PlayingAdvice.of(new Arrangement(Tunes.of(Meter.of(4, 4), Tunes.d(), notes),
                Instruments.known(instrument), Tempo.parse("1/4=60"), Speeds.level("fluent"), school,
                new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("some", setting)))).version(1));
    }

    @Test
    void theSameHintForSeveralBarsIsGivenOnce() {
        PlayingAdvice fiddle = advice("fiddle", School.USUAL, Setting.BARE,
                "F#4:2 A4 F#4 D5 F#4 A4 F#4 | F#4:2 A4 F#4 D5 F#4 A4 F#4 | G4:8");
        assertThat(fiddle.hints()).anySatisfy(h -> {
            assertThat(h.text()).startsWith("slur");
            assertThat(h.bars()).containsExactly(1, 2);
        });
        assertThat(fiddle.inBar(1)).isNotEmpty();
        assertThat(fiddle.inBar(3)).isEmpty();
        assertThat(fiddle.inWords()).anyMatch(w -> w.startsWith("bars 1, 2: slur"));
    }

    @Test
    void lungsAreMindedOnTheFluteAndBellowsOnTheBox() {
        String bars = "D4 E4 F#4 G4 A4 B4 C#5 D5 | D5 C#5 B4 A4 G4 F#4 E4 D4 | D4 E4 F#4 G4 A4:4";
        assertThat(advice("flute-d", School.USUAL, Setting.BARE, bars).overall())
                .singleElement().asString().startsWith("longest span on one breath");
        assertThat(advice("melodeon-dg", School.USUAL, Setting.BARE, bars).overall())
                .singleElement().asString().startsWith("begin with the bellows");
        assertThat(advice("pipes-bellows-d", School.USUAL, Setting.BARE, bars).overall()).isEmpty();
    }

    /** Along the row the bellows turn all the time: a turn for one note is worth a word only across the rows. */
    @Test
    void aForcedTurnIsToldAcrossTheRowsAlone() {
        String notes = "F#4 A4 F#4 G4";
        assertThat(advice("accordion-bc", School.USUAL.with("rows", "across"), Setting.BARE, notes).inWords())
                .anyMatch(w -> w.contains("on no button while you"));
        assertThat(advice("accordion-bc", School.USUAL.with("rows", "along"), Setting.BARE, notes).inWords())
                .noneMatch(w -> w.contains("on no button while you"));
    }

    @Test
    void aBreathPlacedInTheVersionIsTheBreath() {
        String bar = "D4 E4 F#4 G4 A4 B4 C#5 D5:1";
        PlayingAdvice with = advice("whistle-d", School.USUAL, Setting.BARE.with(15, "breath"),
                String.join(" | ", bar, bar, bar));
        assertThat(with.inWords()).anyMatch(w -> w.contains("as the version has it"));
    }
}
