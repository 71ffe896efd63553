package wildflourish.app.shelf;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.collections.transformation.FilteredList;
import wildflourish.core.finding.Finding;
import wildflourish.library.TuneEntry;

/** The tunes on the shelf, those that match the search, and what was found wrong with the files that were read. */
public final class ShelfModel {

    private final ObservableList<TuneEntry> all = FXCollections.observableArrayList();
    private final FilteredList<TuneEntry> shown = new FilteredList<>(all);
    private final ObservableList<TuneEntry> off = FXCollections.observableArrayList();
    private final Deque<TuneEntry> takenOff = new ArrayDeque<>();
    private final ObservableList<String> findings = FXCollections.observableArrayList();
    private final StringProperty search = new SimpleStringProperty("");
    private final ReadOnlyBooleanWrapper known = new ReadOnlyBooleanWrapper();

    /** An empty shelf. */
    public ShelfModel() {
        search.addListener((o, a, words) -> shown.setPredicate(t -> matches(t, words)));
    }

    /** Whether every word searched for occurs in what is known of a tune, whatever the case. */
    static boolean matches(TuneEntry tune, String words) {
        String known = String.join(" ", tune.title(), tune.type(), tune.key(), tune.meter()).toLowerCase(Locale.ROOT);
        return List.of(words.toLowerCase(Locale.ROOT).strip().split("\\s+")).stream().allMatch(known::contains);
    }

    public void setTunes(List<TuneEntry> tunes) {
        all.setAll(tunes);
        known.set(true);
    }

    /** The tunes that were taken off, and can be brought back. */
    public ObservableList<TuneEntry> off() {
        return off;
    }

    public void setOff(List<TuneEntry> tunes) {
        off.setAll(tunes);
    }

    /** Counts that a tune has been taken off, so that it can be taken back. */
    public void tookOff(TuneEntry tune) {
        takenOff.push(tune);
    }

    /** The tune that was taken off last since the window opened; it is not counted any more. */
    public Optional<TuneEntry> lastOff() {
        return Optional.ofNullable(takenOff.poll());
    }

    /** Whether a tune has been taken off that is not back yet. */
    public boolean hasTakenOff() {
        return !takenOff.isEmpty();
    }

    /** Whether it is known what is on the shelf: not before the library has been read. */
    public ReadOnlyBooleanProperty known() {
        return known.getReadOnlyProperty();
    }

    /** What is to be seen, in the order of the library. */
    public ObservableList<TuneEntry> tunes() {
        return all;
    }

    /** Those that match the search. */
    public ObservableList<TuneEntry> shown() {
        return shown;
    }

    public boolean isEmpty() {
        return all.isEmpty();
    }

    public StringProperty search() {
        return search;
    }

    /** Lines about the files that were read, until the teacher closes them; empty when all was well. */
    public ObservableList<String> findings() {
        return findings;
    }

    /** Shows what was found in a file, in place of what was found in it before; what was found in others stays. */
    public void setFindings(String file, List<Finding> found) {
        setLines(file, found.stream().map(f -> f.inFile(file)).toList());
    }

    /** Shows what could not be read of the library itself. */
    public void setDamage(List<String> found) {
        setLines("library", found.stream().map(f -> "library: " + f).toList());
    }

    private void setLines(String source, List<String> found) {
        List<String> lines = new ArrayList<>(findings);
        lines.removeIf(l -> l.startsWith(source + ":"));
        lines.addAll(found);
        findings.setAll(lines);
    }
}
