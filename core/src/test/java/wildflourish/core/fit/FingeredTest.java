package wildflourish.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Tunes;
import wildflourish.core.growth.Grower;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tune;

/** Fingered beside sounding, and recordings in other keys; what is expected is common practice. */
class FingeredTest {

    private static final Key G_MINOR = Key.of(Step.G, 0, Mode.MINOR);

    @ParameterizedTest
    @CsvSource({"whistle-c, G minor, 'G minor, A minor fingering'", "whistle-f, G minor, 'G minor, E minor fingering'", "whistle-d, G minor, G minor",
        "whistle-low-d, G minor, G minor", "fiddle, G minor, G minor", "recorder-alto-f, G minor, G minor"})
    void bothKeysAreSaid(String id, String sounding, String words) {
        assertThat(G_MINOR.spoken()).isEqualTo(sounding);
        assertThat(Fingered.of(G_MINOR, Instruments.known(id)).inWords()).isEqualTo(words);
    }

    @Test
    void aCapoSaysItsShapes() {
        assertThat(Fingered.of(Key.of(Step.A, 0, Mode.MAJOR), Instruments.known("banjo-five-string").withCapo(2)).inWords()).isEqualTo("A major, G major shapes, capo 2");
    }

    /** Read as it is fingered, the hands do the same at every note on every rung, and what is heard is the same. */
    @Property(tries = 12)
    void whatIsReadIsWhatIsHeard(@ForAll long seed) {
        Random random = new Random(seed);
        List<Instrument> all = List.of(Instruments.known("whistle-bb"), Instruments.known("whistle-g"), Instruments.known("whistle-low-f"), Instruments.known("bamboo-flute-c"),
                Instruments.known("banjo-five-string").withCapo(2), Instruments.known("mandolin").withCapo(3));
        Instrument instrument = all.get(random.nextInt(all.size()));
        StringBuilder text = new StringBuilder();
        int at = instrument.lowest().orElseThrow().midi() + 4;
        for (int n = 0; n < 12; n++) {
            at = Math.clamp(at + random.nextInt(7) - 3, instrument.lowest().orElseThrow().midi() - 2, instrument.lowest().orElseThrow().midi() + 14);
            text.append(Pitch.ofMidi(at)).append(n % 4 == 3 ? ":2 | " : ":2 ");
        }
        Tune tune = Tunes.of(Meter.COMMON, Tunes.d(), text.substring(0, text.length() - 2) + "||");
        Arrangement bare = Arrangement.bare(tune, instrument);
        Arrangement grown = bare.with(Grower.of(bare, List.of()).grow().ladder());
        for (int rung = 0; rung < grown.ladder().size(); rung++) {
            Version heard = grown.version(rung);
            Version read = Fingered.read(heard);
            assertThat(read.arrangement().tune().head().key()).isEqualTo(Fingered.of(grown).fingered());
            assertThat(read.hands().plan().cost()).as(instrument.id()).isEqualTo(heard.hands().plan().cost());
            assertThat(read.hands().plan().missing()).isEqualTo(heard.hands().plan().missing());
            for (int n = 0; n < heard.hands().tune().size(); n++) {
                Pitch sounds = heard.hands().tune().note(n).pitch();
                assertThat(read.hands().tune().note(n).pitch().midi() + read.arrangement().instrument().soundsAbove()).isEqualTo(sounds.midi() + instrument.soundsAbove());
            }
            assertThat(read.setting().byNote()).isEqualTo(heard.setting().byNote());
        }
    }

    /** With only a D whistle one moves the recording; a class with other whistles takes the one that meets it. */
    @Test
    void aRecordingIsMet() {
        Key d = Key.of(Step.D, 0, Mode.MAJOR);
        Recording flat = Recording.of(d, 1, Instruments.known("whistle-d"));
        assertThat(flat.shift()).isEqualTo(-1);
        assertThat(flat.inWords()).isEqualTo("to meet a recording in E flat major, move it a semitone down, or play with the same fingers on the E flat whistle or on the low E flat whistle");
        assertThat(Recording.of(d, 2, Instruments.known("mandolin")).inWords())
                .isEqualTo("to meet a recording in E major, move it 2 semitones down, or play with the same fingers behind a capo at fret 2");
        assertThat(Recording.of(d, -2, Instruments.known("fiddle")).inWords()).isEqualTo("to meet a recording in C major, move it 2 semitones up");
        assertThat(Recording.of(d, 6, Instruments.known("fiddle")).shift()).isEqualTo(6);
        assertThat(Recording.of(d, 0, Instruments.known("whistle-d")).meets()).isEmpty();
        for (int offset = Fit.LOWEST; offset <= Fit.HIGHEST; offset++) {
            Recording met = Recording.of(d, offset, Instruments.known("whistle-g"));
            assertThat(Math.floorMod(offset + met.shift(), 12)).isZero();
            Key there = met.key();
            assertThat(met.meets()).allSatisfy(i -> assertThat(Fingered.of(there, i).fingered()).isEqualTo(Fingered.of(d, Instruments.known("whistle-g")).fingered()));
        }
    }
}
