package wildflourish.library;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;

/**
 * A library and its recordings in one file: a plain zip of {@code library.db}, {@code recordings/…}, and {@code manifest.json} with the length
 * and the SHA-256 checksum of each.
 */
final class Archive {

    private static final String LIBRARY = "library.db";
    private static final String RECORDINGS = "recordings/";
    private static final String MANIFEST = "manifest.json";
    private static final String FORMAT = "wild-flourish-backup-1";
    private static final int PIECE = 1 << 16;
    private static final ObjectMapper JSON = new ObjectMapper();

    private Archive() {}

    /** Whether a file is called as archives are. */
    static boolean isNamedSo(Path file) {
        return file.toString().toLowerCase(java.util.Locale.ROOT).endsWith(".zip");
    }

    /** Whether a file begins as a zip does. */
    static boolean is(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] begin = in.readNBytes(4);
            return begin.length == 4 && begin[0] == 'P' && begin[1] == 'K' && begin[2] <= 5 && begin[2] > 2;
        }
    }

    /** The files of a folder of recordings by their names within it; none where there is no such folder. */
    static Map<String, Path> recordings(Path folder) throws IOException {
        Map<String, Path> all = new LinkedHashMap<>();
        if (Files.isDirectory(folder)) {
            try (Stream<Path> files = Files.walk(folder)) {
                files.filter(Files::isRegularFile).filter(f -> !f.getFileName().toString().startsWith(".")).sorted()
                        .forEach(f -> all.put(folder.relativize(f).toString().replace('\\', '/'), f));
            }
        }
        return all;
    }

    /** Writes an archive of a whole copy of a library and a folder of recordings. */
    static void write(Path archive, Path library, Path folder, Instant at, Progress progress) throws IOException {
        Map<String, Path> parts = new LinkedHashMap<>();
        parts.put(LIBRARY, library);
        recordings(folder).forEach((name, file) -> parts.put(RECORDINGS + name, file));
        long all = 0;
        for (Path part : parts.values()) {
            all += Files.size(part);
        }
        ObjectNode manifest = JSON.createObjectNode().put("format", FORMAT).put("madeAt", at.toString());
        ArrayNode files = manifest.putArray("files");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(archive))) {
            zip.setLevel(Deflater.BEST_SPEED);
            long done = 0;
            for (Map.Entry<String, Path> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                MessageDigest sum = sha256();
                long before = done;
                try (InputStream in = Files.newInputStream(part.getValue())) {
                    done += copy(in, zip, sum, before, all, progress);
                }
                zip.closeEntry();
                files.addObject().put("name", part.getKey()).put("bytes", done - before).put("sha256", HexFormat.of().formatHex(sum.digest()));
            }
            zip.putNextEntry(new ZipEntry(MANIFEST));
            zip.write(JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(manifest));
            zip.closeEntry();
        }
    }

    private static long copy(InputStream in, OutputStream out, MessageDigest sum, long before, long all, Progress progress) throws IOException {
        byte[] piece = new byte[PIECE];
        long copied = 0;
        for (int read = in.read(piece); read >= 0; read = in.read(piece)) {
            out.write(piece, 0, read);
            sum.update(piece, 0, read);
            copied += read;
            progress.at(before + copied, all);
        }
        return copied;
    }

    /**
     * What was taken out of an archive.
     *
     * @param recordings how many recordings came
     * @param faults what is not as its manifest says, in words
     */
    record Unpacked(Path library, int recordings, List<String> faults) {}

    /**
     * Takes an archive apart.
     *
     * @param folder where its library goes
     * @param recordings the folder for its recordings; empty where nobody wants them: they are checked all the same
     * @throws IOException where it is no archive of ours, or holds no library
     */
    static Unpacked unpack(Path archive, Path folder, Optional<Path> recordings, Progress progress) throws IOException {
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            Map<String, JsonNode> told = manifest(zip);
            List<String> faults = new ArrayList<>();
            Path library = folder.resolve(LIBRARY);
            int came = 0;
            long done = 0;
            long all = told.values().stream().mapToLong(n -> n.path("bytes").asLong()).sum();
            for (Map.Entry<String, JsonNode> part : told.entrySet()) {
                String name = part.getKey();
                Optional<Path> to = name.equals(LIBRARY) ? Optional.of(library) : recordings.map(r -> inside(r, name.substring(RECORDINGS.length())));
                ZipEntry entry = zip.getEntry(name);
                if (entry == null) {
                    faults.add("%s is missing from it".formatted(name));
                    continue;
                }
                Optional<String> fault = take(zip, entry, part.getValue(), to, done, all, progress);
                fault.ifPresent(faults::add);
                done += part.getValue().path("bytes").asLong();
                came += name.equals(LIBRARY) || fault.isPresent() ? 0 : 1;
            }
            if (!Files.isRegularFile(library)) {
                throw new IOException("no library can be read in it");
            }
            return new Unpacked(library, came, faults);
        }
    }

    /** Takes out one part; what is wrong with it. */
    private static Optional<String> take(ZipFile zip, ZipEntry entry, JsonNode told, Optional<Path> to, long done, long all, Progress progress)
            throws IOException {
        MessageDigest sum = sha256();
        boolean writing = false;
        try (InputStream in = zip.getInputStream(entry)) {
            if (to.isPresent()) {
                PrivateFiles.createFolders(Objects.requireNonNull(to.get().toAbsolutePath().getParent()));
                PrivateFiles.createFile(to.get());
            }
            writing = true;
            try (OutputStream out = to.isPresent() ? Files.newOutputStream(to.get()) : OutputStream.nullOutputStream()) {
                copy(in, out, sum, done, all, progress);
            }
        } catch (ZipException | java.io.EOFException damaged) {
            if (!writing) {
                throw damaged;
            }
            return Optional.of("%s in it is damaged".formatted(entry.getName()));
        }
        return HexFormat.of().formatHex(sum.digest()).equals(told.path("sha256").asText()) ? Optional.empty()
                : Optional.of("%s in it is not what was put there: its checksum differs".formatted(entry.getName()));
    }

    private static Map<String, JsonNode> manifest(ZipFile zip) throws IOException {
        ZipEntry entry = zip.getEntry(MANIFEST);
        if (entry == null) {
            throw new IOException("it is another program's archive: there is no " + MANIFEST);
        }
        JsonNode manifest;
        try (InputStream in = zip.getInputStream(entry)) {
            manifest = JSON.readTree(in);
        }
        if (!manifest.path("format").asText().equals(FORMAT)) {
            throw new IOException("a newer version of Wild Flourish made it: update the program");
        }
        Map<String, JsonNode> parts = new LinkedHashMap<>();
        for (JsonNode file : manifest.path("files")) {
            String name = file.path("name").asText();
            if (!name.equals(LIBRARY) && !name.startsWith(RECORDINGS)) {
                throw new IOException("it names a file that belongs to no library: " + name);
            }
            parts.put(name, file);
        }
        return parts;
    }

    /** A name within a folder; one that leads out of it is refused. */
    private static Path inside(Path folder, String name) {
        Path file = folder.resolve(name).normalize();
        if (!file.startsWith(folder.normalize()) || file.equals(folder.normalize())) {
            throw new LibraryFault("the archive names a file outside itself (%s); nothing was changed".formatted(name), null);
        }
        return file;
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
