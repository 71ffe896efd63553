package wildflourish.sound.hearing;

/** Sound that is there already. */
public final class Samples implements Audio {

    private final float[][] channels;
    private final int rate;
    private int at;

    private Samples(float[][] channels, int rate) {
        this.channels = channels;
        this.rate = rate;
    }

    /** One channel of samples from −1 to 1. */
    public static Samples mono(float[] samples, int rate) {
        return new Samples(new float[][] {samples}, rate);
    }

    /** Two channels of one length. */
    public static Samples stereo(float[] left, float[] right, int rate) {
        return new Samples(new float[][] {left, right}, rate);
    }

    @Override
    public int rate() {
        return rate;
    }

    @Override
    public int channels() {
        return channels.length;
    }

    @Override
    public int read(float[][] block) {
        int count = Math.min(block[0].length, channels[0].length - at);
        for (int c = 0; c < channels.length; c++) {
            System.arraycopy(channels[c], at, block[c], 0, count);
        }
        at += count;
        return count;
    }
}
