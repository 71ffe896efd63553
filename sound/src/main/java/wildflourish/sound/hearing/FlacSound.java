package wildflourish.sound.hearing;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PushbackInputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * The sound of a FLAC file without what else is in it: remarks, pictures and tables, whose lengths the library believes however large a
 * damaged file says they are.
 *
 * @see <a href="https://www.rfc-editor.org/rfc/rfc9639">RFC 9639, section 8: the blocks before the sound</a>
 */
final class FlacSound {

    private static final byte[] BEGINNING = {'f', 'L', 'a', 'C'};
    private static final int LAST = 0x80;
    /** What the sound is: rate, channels, length. It comes first, and is all that is needed. */
    private static final int STREAM_INFO = 0;
    private static final int INFO_LENGTH = 34;
    private static final int REMARKS = 4;
    private static final byte[] FIRST = {'f', 'L', 'a', 'C', STREAM_INFO, 0, 0, INFO_LENGTH};
    /** A block of four bytes of nothing: the library looks for one more behind the first. */
    private static final byte[] NOTHING = {(byte) (LAST | 1), 0, 0, 4, 0, 0, 0, 0};
    private static final int LOOKED_BACK = 1 << 16;

    private FlacSound() {}

    /** The bytes of a file; of one that is no FLAC all of them. They can be looked at and gone back on. */
    static InputStream of(InputStream file) throws IOException {
        InputStream in = new BufferedInputStream(file, LOOKED_BACK);
        in.mark(BEGINNING.length);
        if (!Arrays.equals(in.readNBytes(BEGINNING.length), BEGINNING)) {
            in.reset();
            return in;
        }
        byte[] info = {};
        boolean last = false;
        while (!last) {
            byte[] head = in.readNBytes(4);
            if (head.length < 4) {
                throw new IllegalArgumentException("it ends before the sound begins");
            }
            last = (head[0] & LAST) != 0;
            int length = (head[1] & 0xff) << 16 | (head[2] & 0xff) << 8 | head[3] & 0xff;
            byte[] block = in.readNBytes(length);
            if ((head[0] & ~LAST) == STREAM_INFO && info.length == 0) {
                info = block;
            }
            if ((head[0] & ~LAST) == REMARKS && !fits(block)) {
                throw new IllegalArgumentException("its remarks are damaged, and most likely its sound too");
            }
        }
        if (info.length != INFO_LENGTH) {
            throw new IllegalArgumentException("it does not say what its sound is");
        }
        // Joined in such a way that one read goes over the seam: the library takes a short one for the end.
        PushbackInputStream joined = new PushbackInputStream(in, FIRST.length + INFO_LENGTH + NOTHING.length);
        joined.unread(NOTHING);
        joined.unread(info);
        joined.unread(FIRST);
        return new BufferedInputStream(joined, LOOKED_BACK);
    }

    /** Whether the remarks are as long as they say that they are. */
    private static boolean fits(byte[] remarks) {
        ByteBuffer in = ByteBuffer.wrap(remarks).order(ByteOrder.LITTLE_ENDIAN);
        return skipped(in) && in.remaining() >= 4 && IntStream.range(0, Math.clamp(in.getInt(), 0, remarks.length)).allMatch(r -> skipped(in));
    }

    private static boolean skipped(ByteBuffer in) {
        int length = in.remaining() < 4 ? -1 : in.getInt();
        if (length < 0 || length > in.remaining()) {
            return false;
        }
        in.position(in.position() + length);
        return true;
    }
}
