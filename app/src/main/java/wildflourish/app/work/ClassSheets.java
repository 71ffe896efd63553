package wildflourish.app.work;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.setting.Arrangement;
import wildflourish.library.Given;
import wildflourish.library.Person;
import wildflourish.score.handout.Handout;
import wildflourish.score.handout.SheetContents;

/**
 * The sheets of one tune for everybody in a class: each one's own version at its own instrument, a step list for those who do not read music.
 *
 * @param sheets a PDF for each, in the order of the class
 */
public record ClassSheets(Map<Person, Sheet> sheets) {

    /** One student's sheet, and the version that is on it. */
    public record Sheet(OwnVersion version, byte[] pdf) {}

    /**
     * Makes them.
     *
     * @param usual what is on the sheet of one who reads music
     * @param done told how many are made
     * @param stop ends it; what was made by then is given back
     */
    public static ClassSheets of(Arrangement tune, List<Person> people, SheetContents usual, IntConsumer done, BooleanSupplier stop) {
        Map<Person, Sheet> sheets = new LinkedHashMap<>();
        for (Person person : people) {
            if (stop.getAsBoolean()) {
                break;
            }
            OwnVersion version = OwnVersion.of(person.student(), tune, tune.tempo());
            SheetContents contents = person.student().reads() ? usual : usual.like(SheetContents.BY_STEPS);
            sheets.put(person, new Sheet(version, Handout.pdf(version.version(), contents)));
            done.accept(sheets.size());
        }
        return new ClassSheets(sheets);
    }

    /** What was given to whom with them, of a tune at an edition. */
    public List<Given> given(long tune, long edition, Instant at) {
        return sheets.entrySet().stream().map(s -> new Given(s.getKey().id(), tune, edition, at, s.getValue().version().arrangement().ladder().rung(s.getValue().version().rung()).name(),
                s.getValue().version().arrangement().tempo().toString(), "sheet")).toList();
    }

    /** All of them as one document, to be printed in one go. */
    public byte[] bundle() {
        try {
            PDFMergerUtility merger = new PDFMergerUtility();
            sheets.values().forEach(s -> merger.addSource(new RandomAccessReadBuffer(s.pdf())));
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            merger.setDestinationStream(bytes);
            merger.mergeDocuments(null);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Writes each one's sheet into a folder, and the bundle beside them; the files. */
    public List<Path> write(Path folder, String title) throws IOException {
        List<Path> files = new ArrayList<>();
        for (Map.Entry<Person, Sheet> sheet : sheets.entrySet()) {
            Path file = folder.resolve(Folders.fileName("%s - %s".formatted(title, sheet.getKey().student().name())) + ".pdf");
            Path other = files.contains(file) ? folder.resolve(Folders.fileName("%s - %s %d".formatted(title, sheet.getKey().student().name(), sheet.getKey().id())) + ".pdf") : file;
            SafeWrite.write(other, sheet.getValue().pdf());
            files.add(other);
        }
        Path all = folder.resolve(Folders.fileName(title + " - everybody") + ".pdf");
        SafeWrite.write(all, bundle());
        files.add(all);
        return files;
    }
}
