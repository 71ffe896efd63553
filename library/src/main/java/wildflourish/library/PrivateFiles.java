package wildflourish.library;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Set;

/**
 * Files and folders that only their user may read: what the program makes holds students' names. Where the file system knows no
 * such rights, as on Windows, they are as private as the folder that they are in.
 */
public final class PrivateFiles {

    private static final Set<PosixFilePermission> FILE = PosixFilePermissions.fromString("rw-------");
    private static final Set<PosixFilePermission> FOLDER = PosixFilePermissions.fromString("rwx------");

    private PrivateFiles() {}

    private static boolean hasRights(Path at) {
        return at.getFileSystem().supportedFileAttributeViews().contains("posix");
    }

    /** The attributes that a new private file is made with, for callers that make it themselves. */
    public static FileAttribute<?>[] fileAttributes() {
        return FileSystems.getDefault().supportedFileAttributeViews().contains("posix")
                ? new FileAttribute<?>[] {PosixFilePermissions.asFileAttribute(FILE)} : new FileAttribute<?>[0];
    }

    /** Makes an empty file, private from the beginning; one that is there already stays as it is. */
    public static void createFile(Path file) throws IOException {
        try {
            Files.createFile(file, fileAttributes());
        } catch (FileAlreadyExistsException there) {
            // It is somebody's, and keeps the rights that they gave it.
        }
    }

    /** Makes a folder and those above it, each private that was not there before. */
    public static void createFolders(Path folder) throws IOException {
        Deque<Path> missing = new ArrayDeque<>();
        for (Path at = folder.toAbsolutePath().normalize(); at != null && !Files.exists(at); at = at.getParent()) {
            missing.push(at);
        }
        if (missing.isEmpty()) {
            Files.createDirectories(folder);
        }
        for (Path one : missing) {
            try {
                if (hasRights(folder)) {
                    Files.createDirectory(one, PosixFilePermissions.asFileAttribute(FOLDER));
                } else {
                    Files.createDirectory(one);
                }
            } catch (FileAlreadyExistsException there) {
                // Another program was quicker.
            }
        }
    }

    /** Takes the rights of all but its user from a file or a folder. */
    public static void makePrivate(Path file) throws IOException {
        PosixFileAttributeView rights = Files.getFileAttributeView(file, PosixFileAttributeView.class);
        if (rights != null) {
            Set<PosixFilePermission> now = rights.readAttributes().permissions();
            now.retainAll(FOLDER);
            rights.setPermissions(now);
        }
    }
}
