package wildflourish.app.backup;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.library.Examination;
import wildflourish.library.Holding;

/**
 * What the page of back-ups shows.
 *
 * @param copies beside the library, the latest made first
 * @param examined the back-up that is about to be restored, and what was found in it
 */
public record BackupState(List<Copy> copies, Optional<Examined> examined) {

    static final BackupState EMPTY = new BackupState(List.of(), Optional.empty());

    /**
     * A copy beside the library.
     *
     * @param beforeRestore whether it was made before a restore, and undoes it; else it is one of those that are made each day
     */
    public record Copy(Holding holding, boolean beforeRestore) {

        private static final Pattern DATE = Pattern.compile("\\.(?:backup|before-restore)-(\\d{4}-\\d{2}-\\d{2})");
        private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.UK);

        /** The day it was made on, by the clock of then, and what it holds. */
        public String inWords() {
            return "%s%s: %s".formatted(beforeRestore ? "Before the restore of " : "", day(), holding.briefly());
        }

        private String day() {
            Matcher date = DATE.matcher(holding.file().getFileName().toString());
            try {
                return date.find() ? LocalDate.parse(date.group(1)).format(DAY) : holding.file().getFileName().toString();
            } catch (DateTimeParseException noDay) {
                return holding.file().getFileName().toString();
            }
        }
    }

    /** A back-up and what an examination found in it. */
    public record Examined(Path file, Examination found) {}

    public BackupState {
        copies = List.copyOf(copies);
    }

    /** The copy that undoes the latest restore. */
    public Optional<Copy> undo() {
        return copies.stream().filter(Copy::beforeRestore).findFirst();
    }
}
