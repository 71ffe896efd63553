package wildflourish.sound.hearing;

import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.PushbackInputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * What a FLAC file has before its sound: remarks, pictures and tables, whose lengths the library believes however large a
 * damaged file says they are. All but what the sound is are left out.
 *
 * @see <a href="https://www.rfc-editor.org/rfc/rfc9639">RFC 9639, section 8: the blocks before the sound</a>
 */
final class FlacBlocks {

    static final int READ_AHEAD = 1 << 16;

    private static final byte[] BEGINNING = {'f', 'L', 'a', 'C'};
    /** What a tag begins with, and how long its head is. ID3v2.4, section 3.1: version, flags and a length in sevens of bits. */
    private static final byte[] TAG = {'I', 'D', '3'};
    private static final int TAG_HEAD = 10;
    private static final int FOOTED = 0x10;
    private static final int LAST = 0x80;
    private static final int KIND = 0x7f;
    /** What the sound is: rate, channels, length. It comes first, and is all that is needed. */
    private static final int STREAM_INFO = 0;
    private static final int INFO_LENGTH = 34;
    private static final int REMARKS = 4;
    private static final byte[] FIRST = {'f', 'L', 'a', 'C', (byte) (LAST | STREAM_INFO), 0, 0, INFO_LENGTH};

    private FlacBlocks() {}

    /** Whether a file is a FLAC, with or without a tag of the kind that MP3s have before it. */
    static boolean areIn(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return begins(in);
        }
    }

    /** Reads over the letters that a FLAC begins with, and over a tag before them; false where others stand there. */
    private static boolean begins(InputStream in) throws IOException {
        byte[] first = in.readNBytes(BEGINNING.length);
        if (!Arrays.equals(first, 0, Math.min(TAG.length, first.length), TAG, 0, TAG.length)) {
            return Arrays.equals(first, BEGINNING);
        }
        byte[] more = in.readNBytes(TAG_HEAD - first.length);
        if (more.length < TAG_HEAD - first.length) {
            return false;
        }
        long length = 0;
        for (int i = more.length - 4; i < more.length; i++) {
            length = length << 7 | more[i] & 0x7f;
        }
        try {
            in.skipNBytes(length + ((more[1] & FOOTED) != 0 ? TAG_HEAD : 0));
        } catch (EOFException e) {
            return false;
        }
        return Arrays.equals(in.readNBytes(BEGINNING.length), BEGINNING);
    }

    /** The bytes of a FLAC file from what tells its sound on, and then the sound at once. */
    static InputStream soundOf(InputStream in) throws IOException {
        if (!begins(in)) {
            throw new IllegalArgumentException("it is no FLAC");
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
            if (block.length < length) {
                throw new IllegalArgumentException("it ends before the sound begins");
            }
            int kind = head[0] & KIND;
            if (kind == STREAM_INFO && info.length == 0) {
                info = block;
            }
            if (kind == REMARKS && !fits(block)) {
                throw new IllegalArgumentException("its remarks are damaged, and most likely its sound too");
            }
        }
        if (info.length != INFO_LENGTH) {
            throw new IllegalArgumentException("it does not say what its sound is");
        }
        // Joined in such a way that one read goes over the seam: the library takes a short one for the end.
        PushbackInputStream joined = new PushbackInputStream(in, FIRST.length + INFO_LENGTH);
        joined.unread(info);
        joined.unread(FIRST);
        return new BufferedInputStream(joined, READ_AHEAD);
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
