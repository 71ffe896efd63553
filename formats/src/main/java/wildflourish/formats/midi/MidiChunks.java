package wildflourish.formats.midi;

import java.util.Optional;

/** Looks a MIDI file's chunks and lengths over before it is read, so that no length that lies is believed. */
final class MidiChunks {

    private static final int HEADER = 14;

    private MidiChunks() {}

    /** What is wrong with a file; empty where every length in it is true. */
    static Optional<String> fault(byte[] bytes) {
        if (bytes.length < HEADER || number(bytes, 4, 4) < 6) {
            return Optional.of("the MIDI file breaks off in its head");
        }
        long type = number(bytes, 8, 2);
        if (type > 1) {
            return Optional.of("this is a MIDI file of type %d; types 0 and 1 are read".formatted(type));
        }
        long at = 8 + number(bytes, 4, 4);
        int tracks = 0;
        while (at + 8 <= bytes.length) {
            boolean track = bytes[(int) at] == 'M' && bytes[(int) at + 1] == 'T' && bytes[(int) at + 2] == 'r' && bytes[(int) at + 3] == 'k';
            long length = number(bytes, (int) at + 4, 4);
            long end = at + 8 + length;
            if (end > bytes.length) {
                return Optional.of("a track of the MIDI file is shorter than it says: the file breaks off");
            }
            if (track) {
                tracks++;
                if (!isWhole(bytes, (int) at + 8, (int) end)) {
                    return Optional.of("an event in track %d of the MIDI file is longer than its track".formatted(tracks));
                }
            }
            at = end;
        }
        return tracks == 0 ? Optional.of("the MIDI file has no track") : Optional.empty();
    }

    private static long number(byte[] bytes, int at, int length) {
        long number = 0;
        for (int i = 0; i < length; i++) {
            number = number << 8 | bytes[at + i] & 0xff;
        }
        return number;
    }

    /** Whether the events of a track end where it does. */
    private static boolean isWhole(byte[] bytes, int from, int end) {
        int at = from;
        int running = 0;
        while (at < end) {
            int delta = lengthOf(bytes, at, end);
            if (delta < 0 || at + delta >= end) {
                return false;
            }
            at += delta;
            int status = bytes[at] & 0xff;
            if (status >= 0x80) {
                at++;
            } else {
                status = running;
            }
            if (status == 0xff || status == 0xf0 || status == 0xf7) {
                at += status == 0xff ? 1 : 0;
                int size = at < end ? lengthOf(bytes, at, end) : -1;
                if (size < 0) {
                    return false;
                }
                long data = value(bytes, at, size);
                if (at + size + data > end) {
                    return false;
                }
                boolean ends = status == 0xff && (bytes[at - 1] & 0xff) == 0x2f;
                at += size + (int) data;
                if (ends) {
                    return true;
                }
            } else if (status >= 0x80 && status < 0xf0) {
                running = status;
                int kind = status & 0xf0;
                at += kind == 0xc0 || kind == 0xd0 ? 1 : 2;
            } else {
                return false;
            }
        }
        return at == end;
    }

    /** How many bytes a number of variable length takes; −1 where it does not end. */
    private static int lengthOf(byte[] bytes, int at, int end) {
        for (int i = 0; i < 4 && at + i < end; i++) {
            if (bytes[at + i] >= 0) {
                return i + 1;
            }
        }
        return -1;
    }

    private static long value(byte[] bytes, int at, int length) {
        long value = 0;
        for (int i = 0; i < length; i++) {
            value = value << 7 | bytes[at + i] & 0x7f;
        }
        return value;
    }
}
