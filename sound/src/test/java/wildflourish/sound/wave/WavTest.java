package wildflourish.sound.wave;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import wildflourish.sound.Pieces;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;

class WavTest {

    private final Piece piece = Pieces.on("whistle-d", "A4 d4|");

    @Test
    void theFileIsReadBackByAnotherReader() throws Exception {
        float[] samples = Pieces.samples(piece);
        try (AudioInputStream in = AudioSystem.getAudioInputStream(new ByteArrayInputStream(Wav.bytes(samples)))) {
            assertThat(in.getFormat().getSampleRate()).isEqualTo(48_000);
            assertThat(in.getFormat().getChannels()).isEqualTo(1);
            assertThat(in.getFrameLength()).isEqualTo(samples.length);
            byte[] pcm = in.readAllBytes();
            for (int i = 0; i < samples.length; i += 997) {
                assertThat((short) (pcm[2 * i] & 0xff | pcm[2 * i + 1] << 8) / 32767f).isEqualTo(samples[i], org.assertj.core.data.Offset.offset(2e-5f));
            }
        }
    }

    @Test
    void itTellsHowFarItIsAndCanBeStopped() {
        Course course = Course.of(Itinerary.once(List.of(Leg.heard(piece, piece.whole())), Backing.NONE));
        List<Double> told = new ArrayList<>();
        Wav.samples(course, told::add, () -> false);
        assertThat(told).isSorted().last().isEqualTo(1.0);
        told.clear();
        Wav.samples(course, told::add, () -> told.size() == 2);
        assertThat(told).hasSize(2);
    }

    @Test
    void aLoopWithoutEndIsNoFile() {
        Course endless = Course.of(Itinerary.loop(List.of(Leg.heard(piece, piece.whole())), Backing.NONE));
        assertThatThrownBy(() -> Wav.samples(endless)).isInstanceOf(Wav.TooLong.class).hasMessageContaining("without end");
    }
}
