package wildflourish.app.backup;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
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

        private static final int DAY = "2026-11-26".length();

        /** The day it was made on, by the clock of then, and what it holds. */
        public String inWords() {
            String day = holding.file().getFileName().toString().replaceFirst(".*\\.(backup|before-restore)-", "");
            return "%s%s: %s".formatted(beforeRestore ? "Before the restore of " : "", day.substring(0, Math.min(DAY, day.length())), holding.inWords());
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
