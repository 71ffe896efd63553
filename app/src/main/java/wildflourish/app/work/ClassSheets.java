package wildflourish.app.work;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.setting.Arrangement;
import wildflourish.library.Given;
import wildflourish.library.Person;
import wildflourish.library.WrittenFile;
import wildflourish.score.handout.Handout;
import wildflourish.score.handout.SheetContents;

/**
 * The sheets of one tune for everybody in a class: each one's own version at its own instrument, a step list for those who do not read music.
 *
 * @param sheets a PDF for each, in the order of the class
 */
public record ClassSheets(Map<Person, Sheet> sheets) {

    private static final String ENDING = ".pdf";

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

    /** A sheet's file and whose it is; empty for the one with everybody's. */
    public record Written(Optional<Person> whose, Path file) {}

    /**
     * Writes each one's sheet into a folder, and all of them as one beside them; the files, in the order of the class. Each has a name of its own: the student's, then
     * with the instrument where two are called alike, then with a number.
     */
    public List<Written> write(Path folder, String title) throws IOException {
        List<Written> files = new ArrayList<>();
        Map<Person, String> names = names(title);
        for (Map.Entry<Person, Sheet> sheet : sheets.entrySet()) {
            Path file = folder.resolve(names.get(sheet.getKey()) + ENDING);
            SafeWrite.writePrivate(file, sheet.getValue().pdf());
            files.add(new Written(Optional.of(sheet.getKey()), file));
        }
        Path all = folder.resolve(together(title) + ENDING);
        SafeWrite.writePrivate(all, bundle());
        files.add(new Written(Optional.empty(), all));
        return files;
    }

    private static String together(String title) {
        return Folders.fileName(title + " - everybody");
    }

    private Map<Person, String> names(String title) {
        Map<Person, String> names = new LinkedHashMap<>();
        Set<String> taken = new HashSet<>(Set.of(together(title)));
        Map<String, Long> alike = sheets.keySet().stream().collect(Collectors.groupingBy(p -> named(title, p.student().name()), Collectors.counting()));
        for (Person person : sheets.keySet()) {
            String own = named(title, person.student().name());
            boolean alone = alike.getOrDefault(own, 0L) == 1 && !taken.contains(own);
            String wanted = alone ? own : named(title, person.student().name() + " " + person.student().plays().spoken());
            String name = wanted;
            for (int n = 2; !taken.add(name); n++) {
                name = wanted + "-" + n;
            }
            names.put(person, name);
        }
        return names;
    }

    private static String named(String title, String who) {
        return Folders.fileName("%s - %s".formatted(title, who));
    }

    /** The files as a library keeps where they are. */
    public static List<WrittenFile> noted(List<Written> files, Instant at) {
        return files.stream().map(f -> new WrittenFile(f.file(), f.whose().isPresent() ? "sheet" : "sheets of the class", f.whose().map(Person::id), at)).toList();
    }
}
