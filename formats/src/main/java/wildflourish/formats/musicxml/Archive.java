package wildflourish.formats.musicxml;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import wildflourish.formats.book.Findings;

/** Compressed scores ({@code .mxl}): one score in a zip archive, held in memory, so that no path of it can lead anywhere. */
final class Archive {

    private static final int MOST_ENTRIES = 500;
    private static final int LARGEST_ENTRY = 64 * 1024 * 1024;
    private static final String CONTAINER = "META-INF/container.xml";
    private static final Pattern ROOT = Pattern.compile("<rootfile\\s[^>]*full-path\\s*=\\s*[\"']([^\"']{1,1000})[\"']");

    private Archive() {}

    /** Something about an archive that keeps its score from being read, in the user's words. */
    static final class Unreadable extends Exception {

        private static final long serialVersionUID = 1;

        Unreadable(String what) {
            super(what);
        }

        /** What is wrong. */
        String what() {
            return String.valueOf(getMessage());
        }
    }

    static boolean isOne(byte[] bytes) {
        return bytes.length > 4 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
    }

    /** The bytes of the score that the archive's container names, else of its first score: then that is told. */
    static byte[] score(byte[] archive, Findings findings) throws Unreadable {
        Optional<String> named = entry(archive, CONTAINER).flatMap(Archive::rootOf);
        Optional<byte[]> score = named.isPresent() ? entry(archive, named.get()) : Optional.empty();
        if (score.isEmpty()) {
            score = entry(archive, "");
            if (named.isPresent() && score.isPresent()) {
                findings.warning(0, 0, "the archive says that its score is %s, which is not in it: the first score that is in it was read".formatted(Findings.brief(named.get())),
                        "look whether it is the one you want; save the score anew from the program that it comes from");
            }
        }
        return score.orElseThrow(() -> new Unreadable("there is no score in this archive"));
    }

    private static Optional<String> rootOf(byte[] container) {
        Matcher root = ROOT.matcher(new String(container, StandardCharsets.UTF_8));
        return root.find() ? Optional.of(root.group(1)) : Optional.empty();
    }

    /** One entry; with no name, the first score outside {@code META-INF}. */
    private static Optional<byte[]> entry(byte[] archive, String name) throws Unreadable {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(archive))) {
            int entries = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (++entries > MOST_ENTRIES) {
                    throw new Unreadable("the archive has more than %d entries".formatted(MOST_ENTRIES));
                }
                String path = entry.getName();
                boolean wanted = name.isEmpty() ? !path.startsWith("META-INF") && (path.endsWith(".xml") || path.endsWith(".musicxml")) : path.equals(name);
                byte[] bytes = zip.readNBytes(LARGEST_ENTRY + 1);
                if (bytes.length > LARGEST_ENTRY) {
                    throw new Unreadable("the entry %s of the archive is larger than 64 MB".formatted(path));
                }
                if (wanted) {
                    return Optional.of(bytes);
                }
            }
            return Optional.empty();
        } catch (IOException | IllegalArgumentException e) {
            throw new Unreadable("the archive is damaged");
        }
    }

    /** An archive of one score. */
    static byte[] of(byte[] score) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            try (ZipOutputStream zip = new ZipOutputStream(out)) {
                put(zip, CONTAINER, """
                        <?xml version="1.0" encoding="UTF-8"?>
                        <container>
                          <rootfiles>
                            <rootfile full-path="score.musicxml" media-type="application/vnd.recordare.musicxml+xml"/>
                          </rootfiles>
                        </container>
                        """.getBytes(StandardCharsets.UTF_8));
                put(zip, "score.musicxml", score);
            }
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTime(0);
        zip.putNextEntry(entry);
        zip.write(bytes);
        zip.closeEntry();
    }
}
