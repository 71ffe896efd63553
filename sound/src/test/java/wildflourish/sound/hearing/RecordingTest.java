package wildflourish.sound.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Random;
import java.util.stream.IntStream;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Recordings of every kind are read; bad ones are told with a remedy. */
class RecordingTest {

    private static final int BEHIND_THE_INFO = 4 + 4 + 34;

    @TempDir
    Path folder;

    private Path written(AudioFileFormat.Type type, int rate, int bits, int channels, String name) throws Exception {
        int frames = rate;
        byte[] bytes = new byte[frames * channels * bits / 8];
        AudioFormat format = new AudioFormat(rate, bits, channels, true, type == AudioFileFormat.Type.AIFF);
        for (int i = 0; i < frames; i++) {
            long value = Math.round(0.5 * Math.sin(2 * Math.PI * 440 * i / rate) * (1L << bits - 1));
            for (int c = 0; c < channels; c++) {
                for (int b = 0; b < bits / 8; b++) {
                    int place = (i * channels + c) * bits / 8 + (format.isBigEndian() ? bits / 8 - 1 - b : b);
                    bytes[place] = (byte) (value >> 8 * b);
                }
            }
        }
        Path file = folder.resolve(name);
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(bytes), format, frames), type, file.toFile());
        return file;
    }

    @ParameterizedTest
    @CsvSource({"48000, 16, 1, 1", "44100, 16, 2, 2", "44100, 24, 2, 2", "8000, 8, 1, 1", "96000, 16, 10, 1"})
    void wavesOfEverySizeAreRead(int rate, int bits, int channels, int heard) throws Exception {
        try (Recording read = Recording.open(written(AudioFileFormat.Type.WAVE, rate, bits, channels, "a.wav"))) {
            assertThat(read.rate()).isEqualTo(rate);
            assertThat(read.channels()).isEqualTo(heard);
            float[] samples = ShiftTest.all(read);
            assertThat(samples).hasSize(rate);
            for (int i = 0; i < samples.length; i++) {
                assertThat(samples[i]).isCloseTo((float) (0.5 * Math.sin(2 * Math.PI * 440 * i / rate)), within(bits == 8 ? 0.02f : 1e-3f));
            }
        }
    }

    @Test
    void aiffIsRead() throws Exception {
        try (Recording read = Recording.open(written(AudioFileFormat.Type.AIFF, 22_050, 16, 2, "a.aiff"))) {
            assertThat(ShiftTest.all(read)).hasSize(22_050);
        }
    }

    /** A second of A at 440 Hz, as a general encoder writes it. */
    @ParameterizedTest
    @ValueSource(strings = {"a440.mp3", "a440.flac"})
    void whatOthersHaveCompressedIsRead(String name) throws Exception {
        Path file = folder.resolve(name);
        Files.write(file, tone(name));
        try (Recording read = Recording.open(file)) {
            assertThat(read.rate()).isEqualTo(44_100);
            float[] samples = ShiftTest.all(read);
            assertThat(samples.length).isBetween(44_100 - 1152, 44_100 + 3 * 1152);
            int crossings = 0;
            for (int i = 11_026; i < 33_075; i++) {
                crossings += samples[i - 1] < 0 && samples[i] >= 0 ? 1 : 0;
            }
            assertThat(crossings).isBetween(219, 221);
        }
    }

    /** Of a FLAC its sound is read and nothing else; one whose remarks say that they are two thousand million letters long is refused, and nothing is made ready for them. */
    @Test
    void whatARemarkSaysOfItselfIsNotBelieved() throws Exception {
        byte[] whole = tone("a440.flac");
        byte[] right = {4, 0, 0, 14, 2, 0, 0, 0, 'W', 'F', 1, 0, 0, 0, 0, 0, 0, 0};
        byte[] picture = {6, 0, 0, 8, -1, -1, -1, 0x7f, -1, -1, -1, 0x7f};
        assertThat(all("right.flac", with(whole, right))).isEqualTo(all("whole.flac", whole)).hasSizeGreaterThan(40_000);
        assertThat(all("picture.flac", with(whole, picture))).isEqualTo(all("whole.flac", whole));
        byte[] damaged = with(whole, new byte[] {4, 0, 0, 8, -1, -1, -1, 0x7f, -1, -1, -1, 0x7f});
        assertThatThrownBy(() -> all("damaged.flac", damaged)).isInstanceOf(NoRecording.class);
        for (int length : new int[] {4, 7, 20, BEHIND_THE_INFO, BEHIND_THE_INFO + 3}) {
            assertThatThrownBy(() -> all("cut.flac", Arrays.copyOf(damaged, length))).as("cut at " + length).isInstanceOf(NoRecording.class);
        }
        assertThatThrownBy(() -> all("cut.flac", Arrays.copyOf(with(whole, picture), BEHIND_THE_INFO + 8))).as("within the picture").isInstanceOf(NoRecording.class);
        assertThatThrownBy(() -> all("cut.flac", Arrays.copyOf(whole, 3000))).as("within what stands before the sound").isInstanceOf(NoRecording.class);
    }

    /** A FLAC with a tag before it of the kind that MP3s have is one still; what only begins like such a tag is none. */
    @Test
    void aTagBeforeAFlacIsPassedOver() throws Exception {
        byte[] whole = tone("a440.flac");
        byte[] tag = {'I', 'D', '3', 4, 0, 0, 0, 0, 1, 2};
        assertThat(all("tagged.flac", joined(tag, new byte[130], whole))).isEqualTo(all("whole.flac", whole));
        byte[] footed = tag.clone();
        footed[5] = 0x10;
        assertThat(all("footed.flac", joined(footed, new byte[140], whole))).isEqualTo(all("whole.flac", whole));
        assertThat(FlacBlocks.areIn(Files.write(folder.resolve("shifted.flac"), joined(tag, new byte[131], whole)))).isFalse();
        for (int length : new int[] {3, 5, 9, 10, 100}) {
            assertThat(FlacBlocks.areIn(Files.write(folder.resolve("short.flac"), Arrays.copyOf(joined(tag, new byte[130], whole), length)))).as("cut at " + length).isFalse();
        }
        assertThat(FlacBlocks.areIn(Files.write(folder.resolve("other.mp3"), tone("a440.mp3")))).isFalse();
    }

    /** The library goes on looking for ever behind the samples that a file promised, and where a frame cannot be read; here it ends. */
    @Test
    @Timeout(value = 60, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
    void aFlacThatHoldsMoreOrOtherThanItPromisesEnds() throws Exception {
        byte[] whole = tone("a440.flac");
        float[] heard = all("whole.flac", whole);
        byte[] fewer = whole.clone();
        // The last 36 bits before the sum of all samples say how many there are.
        for (int i = 0; i < 4; i++) {
            fewer[22 + i] = 0;
        }
        fewer[25] = 10;
        assertThat(all("fewer.flac", fewer)).as("the frame in which the tenth is").isEqualTo(Arrays.copyOf(heard, 4096));
        byte[] unsaid = whole.clone();
        for (int i = 0; i < 4; i++) {
            unsaid[22 + i] = 0;
        }
        assertThat(all("unsaid.flac", unsaid)).as("0 says that nobody knows").isEqualTo(heard);
        Random random = new Random(20);
        for (int times = 0; times < 300; times++) {
            byte[] spoilt = (times % 2 == 0 ? whole : fewer).clone();
            for (int i = 0; i < 1 + times % 8; i++) {
                spoilt[BEHIND_THE_INFO + random.nextInt(spoilt.length - BEHIND_THE_INFO)] = (byte) random.nextInt();
            }
            try {
                assertThat(all("spoilt.flac", spoilt).length).isLessThan(1 << 20);
            } catch (NoRecording e) {
                assertThat(e).hasMessageContaining("spoilt.flac: ");
            }
        }
    }

    /** Samples of every length, in as many channels as there may be, each written as it is (RFC 9639: frames of verbatim subframes). */
    @ParameterizedTest
    @CsvSource({"8, 1, 1", "12, 1, 1", "16, 2, 2", "20, 2, 2", "24, 2, 2", "24, 1, 1", "16, 6, 1"})
    void aFlacOfAnySizeIsRead(int bits, int channels, int heard) throws Exception {
        int frames = 3000;
        int rate = 48_000;
        FlacBits file = new FlacBits();
        file.put(0x664c6143, 32).put(0x80000022, 32).put(1000, 16).put(1000, 16).put(0, 24).put(0, 24).put(rate, 20).put(channels - 1, 3).put(bits - 1, 5).put(0, 4).put(frames, 32).put(0, 64).put(0, 64);
        for (int frame = 0; frame < 3; frame++) {
            FlacBits bytes = new FlacBits().put(0b11111111111110, 14).put(0, 2).put(0b0111, 4).put(0, 4).put(channels - 1, 4).put(0, 4).put(frame, 8).put(999, 16);
            bytes.put(bytes.check(0x07, 8), 8);
            for (int c = 0; c < channels; c++) {
                bytes.put(0b00000010, 8);
                for (int i = 0; i < 1000; i++) {
                    bytes.put(Math.round(wave(1000 * frame + i, c) * ((1L << bits - 1) - 1)), bits);
                }
            }
            bytes.align();
            bytes.put(bytes.check(0x8005, 16), 16);
            for (byte one : bytes.bytes()) {
                file.put(one, 8);
            }
        }
        try (Recording read = Recording.open(Files.write(folder.resolve("own.flac"), file.bytes()))) {
            assertThat(read.rate()).isEqualTo(rate);
            assertThat(read.channels()).isEqualTo(heard);
            float[][] block = new float[heard][frames + 1];
            assertThat(read.read(block)).isEqualTo(frames);
            for (int i = 0; i < frames; i++) {
                for (int c = 0; c < heard; c++) {
                    int at = i;
                    double expected = heard == channels ? wave(i, c) : IntStream.range(0, channels).mapToDouble(one -> wave(at, one)).average().orElseThrow();
                    assertThat((double) block[c][i]).isCloseTo(expected, within(2.0 / (1L << bits - 1)));
                }
            }
        }
    }

    private static double wave(int at, int channel) {
        return 0.8 * Math.sin(0.01 * (at + 1) * (channel + 1));
    }

    /** Bits one after another. */
    private static final class FlacBits {

        private final BitSet set = new BitSet();
        private int length;

        FlacBits put(long value, int bits) {
            for (int b = bits - 1; b >= 0; b--) {
                set.set(length++, (value >> b & 1) == 1);
            }
            return this;
        }

        /** The remainder after division by a polynomial (RFC 9639, sections 9.1.8 and 9.3). */
        long check(int polynomial, int bits) {
            long remainder = 0;
            for (int i = 0; i < length; i++) {
                boolean top = (remainder >> bits - 1 & 1) == 1 != set.get(i);
                remainder = (remainder << 1 ^ (top ? polynomial : 0)) & (1L << bits) - 1;
            }
            return remainder;
        }

        void align() {
            length = (length + 7) / 8 * 8;
        }

        byte[] bytes() {
            byte[] bytes = new byte[length / 8];
            for (int i = 0; i < length; i++) {
                bytes[i / 8] |= (byte) (set.get(i) ? 0x80 >> i % 8 : 0);
            }
            return bytes;
        }
    }

    private static byte[] tone(String name) throws IOException {
        try (var in = RecordingTest.class.getResourceAsStream(name)) {
            return in.readAllBytes();
        }
    }

    private static byte[] joined(byte[]... all) {
        ByteArrayOutputStream joined = new ByteArrayOutputStream();
        for (byte[] one : all) {
            joined.writeBytes(one);
        }
        return joined.toByteArray();
    }

    private static byte[] with(byte[] flac, byte[] block) {
        ByteArrayOutputStream more = new ByteArrayOutputStream();
        more.write(flac, 0, BEHIND_THE_INFO);
        more.writeBytes(block);
        more.write(flac, BEHIND_THE_INFO, flac.length - BEHIND_THE_INFO);
        return more.toByteArray();
    }

    private float[] all(String name, byte[] bytes) throws IOException {
        try (Recording read = Recording.open(Files.write(folder.resolve(name), bytes))) {
            return ShiftTest.all(read);
        }
    }

    /** A file that breaks off gives what it has. */
    @Test
    void whatBreaksOffIsReadAsFarAsItGoes() throws Exception {
        Path whole = written(AudioFileFormat.Type.WAVE, 48_000, 16, 1, "a.wav");
        Path cut = folder.resolve("cut.wav");
        Files.write(cut, java.util.Arrays.copyOf(Files.readAllBytes(whole), 20_001));
        try (Recording read = Recording.open(cut)) {
            assertThat(ShiftTest.all(read).length).isBetween(9_000, 10_000);
        }
    }

    @Test
    void badOnesAreTold() throws Exception {
        assertThatThrownBy(() -> Recording.open(folder.resolve("none.wav"))).isInstanceOf(NoRecording.class).hasMessageContaining("there is no such file");
        assertThatThrownBy(() -> Recording.open(Files.createFile(folder.resolve("empty.wav")))).hasMessageContaining("the file is empty");
        assertThatThrownBy(() -> Recording.open(Files.writeString(folder.resolve("words.wav"), "RIFF, or so they say, and nothing else in it"))).hasMessageContaining("WAV, AIFF, FLAC and MP3 are");
        byte[] wave = Files.readAllBytes(written(AudioFileFormat.Type.WAVE, 48_000, 16, 1, "a.wav"));
        for (int i = 24; i < 28; i++) {
            wave[i] = 0;
        }
        Path still = Files.write(folder.resolve("still.wav"), wave);
        assertThatThrownBy(() -> Recording.open(still)).isInstanceOf(NoRecording.class).hasMessageContaining("0 samples a second");
    }
}
