package wildflourish.sound.engine;

import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;
import wildflourish.sound.voice.Voice;

/** The computer's own sound device, in 16 bits and mono. */
final class SoundCard implements Output {

    private static final AudioFormat FORMAT = new AudioFormat(Voice.RATE, 16, 1, true, false);
    private static final int BUFFER = 1024;

    private final SourceDataLine line;
    private final byte[] bytes = new byte[2 * Engine.BLOCK];
    private long written;

    private SoundCard(SourceDataLine line) {
        this.line = line;
    }

    /** Opens it; throws {@link OutputLost} where there is none or it is taken. */
    static SoundCard open() throws OutputLost {
        try {
            if (!AudioSystem.isLineSupported(new DataLine.Info(SourceDataLine.class, FORMAT))) {
                throw new OutputLost("this computer has no sound device for 48,000 samples a second");
            }
            SourceDataLine line = AudioSystem.getSourceDataLine(FORMAT);
            line.open(FORMAT, 2 * BUFFER);
            line.start();
            return new SoundCard(line);
        } catch (LineUnavailableException | IllegalArgumentException | SecurityException e) {
            throw new OutputLost(e.getMessage());
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
        for (int i = 0; i < frames; i++) {
            int value = Math.round(block[i] * 32767);
            bytes[2 * i] = (byte) value;
            bytes[2 * i + 1] = (byte) (value >> 8);
        }
        int taken = line.isOpen() ? line.write(bytes, 0, 2 * frames) : 0;
        if (taken < 2 * frames) {
            throw new OutputLost("the sound card takes no more samples");
        }
        written += frames;
    }

    @Override
    public long heard() {
        return Math.max(0, written - (line.getBufferSize() - line.available()) / 2);
    }

    @Override
    public int latency() {
        return line.getBufferSize() / 2;
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
