package wildflourish.app.work;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.Optional;
import java.util.UUID;

/** Writes files whole or not at all: what stood in the place before stays when anything fails. */
public final class SafeWrite {

    private static final int MOST_LINKS = 40;

    private SafeWrite() {}

    /**
     * Writes the bytes beside the place first, sees them on the disk, and then moves them there. A file keeps the rights that it had,
     * a new one gets those that new files get; a link stays a link; what is no file, a device or a pipe, is written to as it is.
     *
     * @throws FileSystemException where a folder stands
     */
    public static void write(Path file, byte[] bytes) throws IOException {
        write(file, out -> {
            ByteBuffer left = ByteBuffer.wrap(bytes);
            while (left.hasRemaining()) {
                out.write(left);
            }
        });
    }

    /** A copy of a file, written as {@link #write} writes, a piece at a time. */
    public static void copy(Path from, Path to) throws IOException {
        write(to, out -> {
            try (FileChannel in = FileChannel.open(from)) {
                for (long at = 0; at < in.size();) {
                    at += in.transferTo(at, in.size() - at, out);
                }
            }
        });
    }

    /** What is written into a file. */
    private interface Content {
        void into(FileChannel out) throws IOException;
    }

    private static void write(Path file, Content content) throws IOException {
        Path place = behindLinks(file.toAbsolutePath());
        Optional<Path> folder = Optional.ofNullable(place.getParent());
        if (folder.isEmpty() || Files.isDirectory(place)) {
            throw new FileSystemException(file.toString(), null, "it is a folder");
        }
        if (Files.exists(place) && !Files.isRegularFile(place)) {
            try (FileChannel out = FileChannel.open(place, StandardOpenOption.WRITE)) {
                content.into(out);
            }
            return;
        }
        Files.createDirectories(folder.get());
        Path beside = folder.get().resolve(".flourish-" + UUID.randomUUID() + ".part");
        try {
            toDisk(beside, content);
            keepRights(place, beside);
            try {
                Files.move(beside, place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            } catch (AtomicMoveNotSupportedException e) {
                Files.move(beside, place, StandardCopyOption.REPLACE_EXISTING);
            }
        } finally {
            Files.deleteIfExists(beside);
        }
    }

    private static Path behindLinks(Path file) throws IOException {
        Path place = file;
        for (int links = 0; Files.isSymbolicLink(place); links++) {
            if (links == MOST_LINKS) {
                throw new FileSystemException(file.toString(), null, "its links go round in a circle");
            }
            place = place.resolveSibling(Files.readSymbolicLink(place));
        }
        return place;
    }

    /** A move that reaches the disk before what is moved would leave an empty file when the power fails. */
    private static void toDisk(Path file, Content content) throws IOException {
        try (FileChannel out = FileChannel.open(file, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
            content.into(out);
            out.force(true);
        }
    }

    private static void keepRights(Path before, Path now) throws IOException {
        PosixFileAttributeView rights = Files.getFileAttributeView(now, PosixFileAttributeView.class);
        if (rights != null && Files.exists(before)) {
            rights.setPermissions(Files.getPosixFilePermissions(before));
        }
    }
}
