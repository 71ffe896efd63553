package wildflourish.sound.hearing;

/** Sound that is made from other sound, of as many channels and as many samples a second. */
abstract class Derived implements Audio {

    /** What it is made from. */
    final Audio source;

    Derived(Audio source) {
        this.source = source;
    }

    @Override
    public final int rate() {
        return source.rate();
    }

    @Override
    public final int channels() {
        return source.channels();
    }

    @Override
    public void close() {
        source.close();
    }
}
