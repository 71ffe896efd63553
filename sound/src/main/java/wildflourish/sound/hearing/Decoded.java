package wildflourish.sound.hearing;

import java.io.Closeable;
import java.io.IOException;

/** What a library makes of a file's sound, from its beginning to its end; it may fall over what is damaged. */
interface Decoded extends Closeable {

    /** Samples a second in each channel, as the file says. */
    float rate();

    /** As many as the file says that it has. */
    int channels();

    /** As {@link Audio#read}. */
    int read(float[][] block) throws IOException;
}
