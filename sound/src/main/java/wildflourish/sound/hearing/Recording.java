package wildflourish.sound.hearing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.sound.sampled.UnsupportedAudioFileException;

/**
 * A recording in a file: WAV, AIFF or AU by Java's own readers, FLAC and MP3 by libraries that it finds. More than two channels are mixed to one.
 */
public final class Recording implements Audio {

    private static final int MOST_CHANNELS = 2;
    private static final int SLOWEST = 4_000;
    private static final int FASTEST = 768_000;
    private static final int MOST_IN_FILE = 64;

    private final Path file;
    private final Decoded sound;
    private final int rate;
    private final int channels;
    /** All channels of the file, where they are mixed to one. */
    private float[][] all = {};

    private Recording(Path file, Decoded sound) {
        this.file = file;
        this.sound = sound;
        this.rate = Math.round(sound.rate());
        this.channels = sound.channels() > MOST_CHANNELS ? 1 : sound.channels();
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
            Decoded sound = FlacBlocks.areIn(file) ? FlacSound.open(file) : JavaSound.open(file);
            if (!(sound.rate() >= SLOWEST && sound.rate() <= FASTEST) || sound.channels() < 1 || sound.channels() > MOST_IN_FILE) {
                sound.close();
                throw new NoRecording("%s: it says that it has %.0f samples a second in %d channels, which cannot be heard (%d to %d can): record it anew, or save it as WAV".formatted(
                        file, (double) sound.rate(), sound.channels(), SLOWEST, FASTEST));
            }
            return new Recording(file, sound);
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
        if (channels != sound.channels() && (all.length == 0 || all[0].length != block[0].length)) {
            all = new float[sound.channels()][block[0].length];
        }
        float[][] filled = channels == sound.channels() ? block : all;
        try {
            int count = sound.read(filled);
            for (int i = 0; i < count && filled != block; i++) {
                float sum = 0;
                for (float[] channel : filled) {
                    sum += channel[i];
                }
                block[0][i] = sum / filled.length;
            }
            return count;
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            // The libraries believe what a damaged file says of itself, and fall over it.
            throw new NoRecording("%s: the file breaks off in the middle of what cannot be read: copy it again".formatted(file), e);
        }
    }

    @Override
    public void close() {
        try {
            sound.close();
        } catch (IOException e) {
            // It was only read from: nothing is lost.
        }
    }
}
