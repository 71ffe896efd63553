package wildflourish.sound.voice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.sound.Pieces;
import wildflourish.sound.engine.Limiter;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;
import wildflourish.sound.transport.Playback;

/** Whatever the hands of a family can do is heard. */
class EveryGestureTest {

    /** Notes of several lengths and pitches, so that most ornaments find one that they can stand on. */
    private static final String MUSIC = "A2d2 e3B|A3F G2B2|d6 A2|A4 e4|D4 A4|";

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "flute-d", "bamboo-flute-c", "recorder-soprano-c", "pipes-bellows-d", "pipes-nine-note", "fiddle", "mandolin",
            "tenor-banjo", "banjo-five-string", "anglo-cg", "english-48", "accordion-bc", "melodeon-dg"})
    void noOrnamentIsSilent(String instrument) {
        Piece bare = Pieces.on(instrument, MUSIC);
        float[] plain = Pieces.samples(bare);
        List<String> silent = new ArrayList<>();
        List<String> heard = new ArrayList<>();
        for (Ornament ornament : Vocabulary.of(Instruments.known(instrument)).all()) {
            for (int note = 0; note < bare.situation().tune().size(); note++) {
                Piece with = Pieces.on(instrument, MUSIC, Map.of(note, List.of(ornament.id())));
                if (!with.performance().sounds().equals(bare.performance().sounds())) {
                    (differs(plain, until(with, note)) ? heard : silent).add(ornament.id());
                    break;
                }
            }
        }
        assertThat(silent).as("on the %s in the performance, but not in the sound", instrument).isEmpty();
        assertThat(heard.size()).as("%s", heard).isGreaterThan(Vocabulary.of(Instruments.known(instrument)).all().size() / 2);
    }

    /** How it sounds up to a second behind a note. */
    private static float[] until(Piece piece, int note) {
        double ends = piece.performance().sounds().stream().filter(s -> s.note() == note).mapToDouble(s -> s.atMs() + s.forMs()).max().orElse(0);
        float[] samples = new float[(int) ((ends + 1_000) * Voice.RATE / 1000)];
        float[] late = new float[samples.length + Limiter.DELAY];
        new Playback(Course.of(Itinerary.once(List.of(Leg.heard(piece, piece.whole())), Backing.NONE))).render(late, 0, late.length);
        new Limiter().limit(late, 0, late.length);
        System.arraycopy(late, Limiter.DELAY, samples, 0, samples.length);
        return samples;
    }

    /** Whether two renderings are further apart than what could be told by ear: 40 decibels below the music over a tenth of a second. */
    private static boolean differs(float[] a, float[] b) {
        double music = 0;
        for (float sample : a) {
            music += sample * sample;
        }
        music /= a.length;
        int window = Voice.RATE / 10;
        for (int from = 0; from + window < Math.min(a.length, b.length); from += window / 2) {
            double off = 0;
            for (int i = from; i < from + window; i++) {
                off += (a[i] - b[i]) * (a[i] - b[i]);
            }
            if (off / window > music * 1e-4) {
                return true;
            }
        }
        return false;
    }
}
