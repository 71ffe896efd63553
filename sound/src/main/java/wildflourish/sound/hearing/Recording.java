package wildflourish.sound.hearing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;

/**
 * A recording in a file: WAV, AIFF or AU by Java's own readers, FLAC and MP3 by libraries that it finds. More than two channels are mixed to one.
 */
public final class Recording implements Audio {

    private static final int MOST_CHANNELS = 2;
    private static final int SLOWEST = 4_000;
    private static final int FASTEST = 384_000;
    private static final double FULL = 32_768;

    private final Path file;
    private final AudioInputStream stream;
    private final int rate;
    private final int inFile;
    private final int channels;
    private byte[] bytes = {};

    private Recording(Path file, AudioInputStream stream) {
        this.file = file;
        this.stream = stream;
        this.rate = Math.round(stream.getFormat().getSampleRate());
        this.inFile = stream.getFormat().getChannels();
        this.channels = inFile > MOST_CHANNELS ? 1 : inFile;
    }

    /**
     * Opens a file.
     *
     * @throws NoRecording when there is none, when it is of no kind that is known, or says of itself what cannot be
     */
    public static Recording open(Path file) {
        if (!Files.isRegularFile(file)) {
            throw new NoRecording("%s: there is no such file".formatted(file));
        }
        try {
            if (Files.size(file) == 0) {
                throw new NoRecording("%s: the file is empty: record or copy it again".formatted(file));
            }
            AudioInputStream stream = AudioSystem.getAudioInputStream(FlacSound.of(Files.newInputStream(file)));
            AudioFormat found = stream.getFormat();
            if (!(found.getSampleRate() >= SLOWEST && found.getSampleRate() <= FASTEST) || found.getChannels() < 1 || found.getChannels() > 64) {
                stream.close();
                throw new NoRecording("%s: it says that it has %.0f samples a second in %d channels, which cannot be heard: record it anew, or save it as WAV".formatted(
                        file, (double) found.getSampleRate(), found.getChannels()));
            }
            AudioFormat wanted = new AudioFormat(found.getSampleRate(), 16, found.getChannels(), true, false);
            return new Recording(file, found.matches(wanted) ? stream : AudioSystem.getAudioInputStream(wanted, stream));
        } catch (NoRecording e) {
            throw e;
        } catch (UnsupportedAudioFileException | RuntimeException | OutOfMemoryError e) {
            throw new NoRecording("%s: this is no recording that can be read: WAV, AIFF, FLAC and MP3 are".formatted(file), e);
        } catch (IOException e) {
            throw new NoRecording("%s: the file could not be read: look whether its disk is there, and try again".formatted(file), e);
        }
    }

    @Override
    public int rate() {
        return rate;
    }

    @Override
    public int channels() {
        return channels;
    }

    @Override
    public int read(float[][] block) {
        int wanted = block[0].length * inFile * 2;
        if (bytes.length != wanted) {
            bytes = new byte[wanted];
        }
        int got = 0;
        try {
            for (int read = 0; got < wanted && read >= 0; got += Math.max(0, read)) {
                read = stream.read(bytes, got, wanted - got);
            }
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            // The libraries believe what a damaged file says of itself, and fall over it.
            throw new NoRecording("%s: the file breaks off in the middle of what cannot be read: copy it again".formatted(file), e);
        }
        int count = got / (inFile * 2);
        for (int i = 0; i < count; i++) {
            if (channels == inFile) {
                for (int c = 0; c < channels; c++) {
                    block[c][i] = sample(i, c);
                }
            } else {
                float sum = 0;
                for (int c = 0; c < inFile; c++) {
                    sum += sample(i, c);
                }
                block[0][i] = sum / inFile;
            }
        }
        return count;
    }

    private float sample(int at, int channel) {
        int place = 2 * (at * inFile + channel);
        return (float) ((short) ((bytes[place] & 0xff) | bytes[place + 1] << 8) / FULL);
    }

    @Override
    public void close() {
        try {
            stream.close();
        } catch (IOException e) {
            // It was only read from: nothing is lost.
        }
    }
}
