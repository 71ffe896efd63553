package wildflourish.app.shelf;

import java.text.Collator;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.collections.FXCollections;
import javafx.collections.ListChangeListener;
import javafx.collections.ObservableList;
import wildflourish.app.work.TuneIndex;
import wildflourish.app.work.TuneSearch;
import wildflourish.core.finding.Finding;
import wildflourish.core.fit.Hardness;
import wildflourish.library.TuneEntry;

/** The tunes on the shelf, those that match the search, and what was found wrong with the files that were read. */
public final class ShelfModel {

    private final ObservableList<TuneEntry> all = FXCollections.observableArrayList();
    private final ObservableList<TuneEntry> shown = FXCollections.observableArrayList();
    private final ObjectProperty<Order> order = new SimpleObjectProperty<>(Order.AS_THEY_CAME);
    private Map<Long, Hardness> hardness = Map.of();
    private String weighedOn = "";
    private Runnable changed = () -> { };
    private final Set<Long> byNotes = new HashSet<>();
    private Map<Long, TuneIndex.Found> index = Map.of();
    private final ObservableList<TuneEntry> off = FXCollections.observableArrayList();
    private final Deque<TuneEntry> takenOff = new ArrayDeque<>();
    private final ObservableList<String> findings = FXCollections.observableArrayList();
    private final StringProperty search = new SimpleStringProperty("");
    private final ReadOnlyBooleanWrapper known = new ReadOnlyBooleanWrapper();

    /** An empty shelf. */
    public ShelfModel() {
        search.addListener((o, a, words) -> find());
        order.addListener((o, a, b) -> find());
        all.addListener((ListChangeListener<TuneEntry>) c -> find());
    }

    /** How hard a tune is on the instrument of who plays; empty until it has been asked for and worked out. */
    public Optional<Hardness> hardness(TuneEntry tune) {
        return Optional.ofNullable(hardness.get(tune.id()));
    }

    /** How hard a tune is, for reading: {@code hard on the fiddle}; empty as {@link #hardness}. */
    public Optional<String> hardnessInWords(TuneEntry tune) {
        return hardness(tune).map(h -> h.words() + " on the " + weighedOn);
    }

    /**
     * Takes in how hard tunes are.
     *
     * @param on the instrument's name
     * @param found by the tunes' ids
     */
    public void setHardness(String on, Map<Long, Hardness> found) {
        weighedOn = on;
        hardness = Map.copyOf(found);
        find();
        changed.run();
    }

    /** Does something when what is told of tunes has changed. */
    void onChanged(Runnable then) {
        changed = then;
    }

    /** In which order tunes stand. */
    public enum Order {
        AS_THEY_CAME("as they came", (a, b) -> 0),
        TITLE("by title", Comparator.comparing(TuneEntry::title, Order::byWords)),
        TYPE("by type", Comparator.comparing(TuneEntry::type, Order::byWords).thenComparing(TuneEntry::title, Order::byWords)),
        /** Of the notes, the narrowest first: {@link ShelfModel} knows it. */
        RANGE("by range of notes", (a, b) -> 0),
        /** On the instrument of who plays, the easiest first: {@link ShelfModel} knows it. */
        HARDNESS("easiest first", (a, b) -> 0),
        KEY("by key", Comparator.comparing(TuneEntry::key, Order::byWords).thenComparing(TuneEntry::title, Order::byWords));

        private final String words;
        private final Comparator<TuneEntry> comparator;

        Order(String words, Comparator<TuneEntry> comparator) {
            this.words = words;
            this.comparator = comparator;
        }

        /** For reading. */
        public String words() {
            return words;
        }

        private static int byWords(String a, String b) {
            return Collator.getInstance(Locale.ROOT).compare(a, b);
        }
    }

    /** Semitones from the lowest note to the highest; of a tune that is not known yet, more than any. */
    private int range(TuneEntry tune) {
        return found(tune).flatMap(TuneIndex.Found::profile).map(p -> p.highest() - p.lowest()).orElse(Integer.MAX_VALUE);
    }

    private void find() {
        List<TuneEntry> ordered = new ArrayList<>(all);
        if (order.get() != Order.AS_THEY_CAME) {
            ordered.sort(switch (order.get()) {
                case RANGE -> Comparator.comparingInt(this::range);
                case HARDNESS -> Comparator.comparingDouble(t -> hardness(t).map(Hardness::timesUsual).orElse(Double.MAX_VALUE));
                default -> order.get().comparator;
            });
        }
        List<TuneSearch.Answer> answers = TuneSearch.of(search.get(), ordered, index);
        byNotes.clear();
        answers.stream().filter(TuneSearch.Answer::byNotes).forEach(a -> byNotes.add(a.tune().id()));
        List<TuneEntry> found = answers.stream().map(TuneSearch.Answer::tune).toList();
        if (!found.equals(shown)) {
            shown.setAll(found);
        }
    }

    /** Takes in what tunes are found by. */
    public void setIndex(Map<Long, TuneIndex.Found> found) {
        index = Map.copyOf(found);
        find();
    }

    /** What a tune is found by besides its words. */
    public Optional<TuneIndex.Found> found(TuneEntry tune) {
        return Optional.ofNullable(index.get(tune.id()));
    }

    /** The words on a tune. */
    public List<String> tags(TuneEntry tune) {
        return found(tune).map(TuneIndex.Found::tags).orElse(List.of());
    }

    /** Whether a tune is shown because it has the notes that were searched for. */
    public boolean isByNotes(TuneEntry tune) {
        return byNotes.contains(tune.id());
    }

    /** In which order tunes stand. */
    public ObjectProperty<Order> order() {
        return order;
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
