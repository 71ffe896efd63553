package wildflourish.sound.transport;

/** Something that sounds, block by block. For one thread, which it must not keep waiting. */
public interface Sounding {

    /** Adds the next samples to {@code into[from]} to {@code into[to - 1]}. */
    void render(float[] into, int from, int to);

    /** Whether nothing more comes. */
    boolean isDone();
}
