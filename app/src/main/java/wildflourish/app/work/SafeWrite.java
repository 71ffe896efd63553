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
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import wildflourish.library.PrivateFiles;

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
        write(file, out -> all(bytes, out));
    }

    /** As {@link #write}, for what holds names: a new file and new folders may be read by their user alone. */
    public static void writePrivate(Path file, byte[] bytes) throws IOException {
        makeFolder(file);
        write(file, out -> all(bytes, out), PrivateFiles.fileAttributes());
    }

    /** A private copy of a file, written as {@link #writePrivate} writes, a piece at a time. */
    public static void copyPrivate(Path from, Path to) throws IOException {
        makeFolder(to);
        write(to, out -> {
            try (FileChannel in = FileChannel.open(from)) {
                for (long at = 0; at < in.size();) {
                    at += in.transferTo(at, in.size() - at, out);
                }
            }
        }, PrivateFiles.fileAttributes());
    }

    private static void makeFolder(Path of) throws IOException {
        Path folder = of.toAbsolutePath().getParent();
        if (folder != null) {
            PrivateFiles.createFolders(folder);
        }
    }

    private static void all(byte[] bytes, FileChannel out) throws IOException {
        ByteBuffer left = ByteBuffer.wrap(bytes);
        while (left.hasRemaining()) {
            out.write(left);
        }
    }

    /** What is written into a file. */
    private interface Content {
        void into(FileChannel out) throws IOException;
    }

    private static void write(Path file, Content content, FileAttribute<?>... rights) throws IOException {
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
            toDisk(beside, content, rights);
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
    private static void toDisk(Path file, Content content, FileAttribute<?>... rights) throws IOException {
        try (FileChannel out = FileChannel.open(file, Set.of(StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE), rights)) {
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
