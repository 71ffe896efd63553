package wildflourish.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;

/** What perfect ears hear of a performance is what was performed: every ornament of every instrument, with no code of its own. */
class HeardVersionTest {

    private static final Tune TUNE = Tunes.of(Meter.of(4, 4), Tunes.d(), "|: D5:3 E5 F#5:3 A5 | B5:3 A5 F#5:2 E5:2 | D5:4 G5:3 F#5 | E5:2 A5:2 F#5:4 :|");

    private static Version version(String instrument, Map<Integer, List<String>> ornaments) {
        Ladder ladder = new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("full", new Setting(new TreeMap<>(ornaments)))));
        Arrangement bare = Arrangement.bare(TUNE, Instruments.known(instrument)).with(Tempo.parse("1/4=100"));
        return bare.with(ladder).version(1);
    }

    private static Heard perfect(Version version) {
        Performance performance = Expectations.perform(version, version.played().placed());
        return Ideal.of(performance, 5);
    }

    /** What an ornament sounds like on a note: an ornament with the same sound cannot be told from it by any ears. */
    private static List<Happening.Kind> kinds(HeardVersion.Note note) {
        return note.happens().stream().map(Happening::kind).toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "flute-d", "recorder-alto-f", "pipes-bellows-d", "fiddle", "mandolin", "tenor-banjo", "anglo-cg", "english-48", "melodeon-dg"})
    void everyOrnamentIsHeardAsWhatItIs(String instrument) {
        Version bare = version(instrument, Map.of());
        Situation hands = bare.hands();
        int tried = 0;
        for (Ornament ornament : hands.vocabulary().all()) {
            for (int note : List.of(3, 9, 12)) {
                if (Playability.fit(hands, note, List.of(ornament), bare.arrangement().tempo(), bare.arrangement().speeds()) != Playability.Fit.CLEAN) {
                    continue;
                }
                Version version = version(instrument, Map.of(note, List.of(ornament.id())));
                HeardVersion heard = HeardVersion.of(version, perfect(version));
                HeardVersion.Note there = heard.notes().stream().filter(n -> n.wanted().note() == note).findFirst().orElseThrow();
                assertThat(heard.notes()).allMatch(n -> n.onsetMs().isPresent());
                assertThat(there.meant()).isEqualTo(ornament.id());
                assertThat(there.gesture()).as("%s on note %d, heard as %s", ornament.id(), note, kinds(there)).isEqualTo(ornament.id());
                assertThat(there.extra()).as(ornament.id()).isEmpty();
                tried++;
            }
        }
        assertThat(tried).isGreaterThan(8);
    }

    /** A cut that was meant and not made, and one that was made and not meant, are told; the nearest rung is what was played. */
    @Test
    void whatWasMeantIsToldFromWhatWasPlayed() {
        Version cut = version("whistle-d", Map.of(2, List.of("cut")));
        Version bare = cut.on(0);
        HeardVersion left = HeardVersion.of(cut, perfect(bare));
        assertThat(left.notes().get(2).gesture()).isEqualTo("none");
        assertThat(left.notes().get(2).meant()).isEqualTo("cut");
        assertThat(left.notes().get(2).confidence()).isGreaterThan(0.5);
        HeardVersion more = HeardVersion.of(bare, perfect(cut));
        assertThat(more.notes().get(2).gesture()).isEqualTo("cut");
        assertThat(more.notes().get(2).meant()).isEqualTo("none");
        assertThat(HeardVersion.nearestRung(cut, perfect(bare))).isZero();
        assertThat(HeardVersion.nearestRung(cut, perfect(cut))).isEqualTo(1);
    }

    /** Repeats are told by their pass; the tempo, the beginning and the evenness are measured. */
    @Test
    void timeIsMeasured() {
        Version bare = version("fiddle", Map.of());
        HeardVersion played = HeardVersion.of(bare, perfect(version("fiddle", Map.of())));
        assertThat(played.notes()).hasSize(28).filteredOn(n -> n.wanted().pass() == 2).hasSize(14);
        assertThat(played.tempo()).isCloseTo(1, within(0.001));
        assertThat(played.offsetMs()).isCloseTo(0, within(3.0));
        assertThat(played.evenness().variation()).isLessThan(0.02);
        assertThat(played.notes()).allMatch(n -> Math.abs(n.lateMs()) < 6);
    }
}
