package wildflourish.sound.engine;

import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;
import wildflourish.sound.voice.Voice;

/** The computer's own sound device, in 16 bits: mono, or the same on both sides where it takes nothing less. */
final class SoundCard implements Output {

    private static final int BUFFER = 1024;
    private static final int STEREO = 2;

    private final SourceDataLine line;
    private final int channels;
    private final byte[] bytes;
    private volatile long written;

    /** A device on a line that is open and runs. */
    SoundCard(SourceDataLine line, int channels) {
        this.line = line;
        this.channels = channels;
        this.bytes = new byte[2 * channels * Engine.BLOCK];
    }

    private static AudioFormat format(int channels) {
        return new AudioFormat(Voice.RATE, 16, channels, true, false);
    }

    /** Opens it; throws {@link OutputLost} where there is none or it is taken. */
    static SoundCard open() throws OutputLost {
        for (int channels = 1; channels <= STEREO; channels++) {
            if (AudioSystem.isLineSupported(new DataLine.Info(SourceDataLine.class, format(channels)))) {
                return open(channels);
            }
        }
        throw new OutputLost("this computer has no sound device for 48,000 samples a second");
    }

    private static SoundCard open(int channels) throws OutputLost {
        try {
            SourceDataLine line = AudioSystem.getSourceDataLine(format(channels));
            line.open(format(channels), 2 * channels * BUFFER);
            line.start();
            return new SoundCard(line, channels);
        } catch (LineUnavailableException | IllegalArgumentException | SecurityException e) {
            throw new OutputLost(String.valueOf(e.getMessage()));
        }
    }

    @Override
    public String name() {
        return "the sound card";
    }

    @Override
    public boolean isAudible() {
        return true;
    }

    @Override
    public void write(float[] block, int frames) throws OutputLost {
        int at = 0;
        for (int i = 0; i < frames; i++) {
            int value = Math.round(block[i] * 32767);
            for (int channel = 0; channel < channels; channel++) {
                bytes[at++] = (byte) value;
                bytes[at++] = (byte) (value >> 8);
            }
        }
        int taken = line.isOpen() ? line.write(bytes, 0, at) : 0;
        if (taken < at) {
            throw new OutputLost("the sound card takes no more samples");
        }
        written += frames;
    }

    @Override
    public long heard() {
        return Math.max(0, written - (line.getBufferSize() - line.available()) / (2 * channels));
    }

    @Override
    public int latency() {
        return line.getBufferSize() / (2 * channels);
    }

    @Override
    public void resume() {
        if (!line.isActive()) {
            line.start();
        }
    }

    @Override
    public void close() {
        line.stop();
        line.close();
    }
}
