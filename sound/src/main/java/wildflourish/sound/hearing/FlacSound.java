package wildflourish.sound.hearing;

import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jflac.FLACDecoder;
import org.jflac.FrameDecodeException;
import org.jflac.frame.Frame;

/** What the FLAC library makes of a file of which it is given the sound alone; it is stopped where that ends. */
final class FlacSound implements Decoded {

    private final InputStream file;
    private final FLACDecoder decoder;
    /** What of the frame in hand has not been given yet. */
    private int at;
    private int left;
    private int bits;

    private FlacSound(InputStream file) throws IOException {
        this.file = file;
        this.decoder = new EndingDecoder(file);
        decoder.readMetadata();
    }

    /** Opens one. What is damaged before its sound is told by an {@link IllegalArgumentException}. */
    static FlacSound open(Path file) throws IOException {
        InputStream in = new BufferedInputStream(Files.newInputStream(file), FlacBlocks.READ_AHEAD);
        try {
            return new FlacSound(FlacBlocks.soundOf(in));
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            in.close();
            throw e;
        }
    }

    /** A decoder that ends where the sound does, and where it finds no more of it. */
    private static final class EndingDecoder extends FLACDecoder {

        private long failedAt = -1;

        EndingDecoder(InputStream in) {
            super(in);
        }

        /** The library tries again whatever cannot be read, and reads no further once it has as many samples as were promised. */
        @Override
        public void readFrame() throws IOException, FrameDecodeException {
            long promised = getStreamInfo().getTotalSamples();
            if (promised > 0 && getSamplesDecoded() >= promised) {
                throw new EOFException("there is no more of it");
            }
            try {
                super.readFrame();
            } catch (FrameDecodeException e) {
                if (getTotalBytesRead() == failedAt) {
                    throw new EOFException("it is not read any further");
                }
                failedAt = getTotalBytesRead();
                throw e;
            }
        }
    }

    @Override
    public float rate() {
        return decoder.getStreamInfo().getSampleRate();
    }

    @Override
    public int channels() {
        return decoder.getStreamInfo().getChannels();
    }

    @Override
    public int read(float[][] block) throws IOException {
        int got = 0;
        while (got < block[0].length && (left > 0 || next())) {
            int count = Math.min(left, block[0].length - got);
            double full = 1L << bits - 1;
            for (int c = 0; c < channels(); c++) {
                int[] samples = decoder.getChannelData()[c].getOutput();
                for (int i = 0; i < count; i++) {
                    block[c][got + i] = (float) (samples[at + i] / full);
                }
            }
            got += count;
            at += count;
            left -= count;
        }
        return got;
    }

    /** Reads the next frame that has as many channels as the file says; false at the end. */
    private boolean next() throws IOException {
        Frame frame = decoder.readNextFrame();
        while (frame != null && frame.header.channels != channels()) {
            frame = decoder.readNextFrame();
        }
        if (frame == null) {
            return false;
        }
        at = 0;
        left = frame.header.blockSize;
        bits = frame.header.bitsPerSample;
        return true;
    }

    @Override
    public void close() throws IOException {
        file.close();
    }
}
