package wildflourish.app.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import wildflourish.core.data.DataFault;
import wildflourish.core.growth.Lick;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.practice.LoggedPass;
import wildflourish.library.Drawer;
import wildflourish.library.Habit;
import wildflourish.library.Library;
import wildflourish.library.Rows;
import wildflourish.library.TuneEntry;

/** What a library has for a window that opens. */
record Kept(
        List<TuneEntry> tunes, List<Habit> habits, List<String> instruments, List<String> licks, List<LoggedPass> passes,
        WindowMemory memory, Optional<String> sheet, Optional<String> draft, List<String> trouble) {

    /** What is on the sheet is kept under this name. */
    static final String SHEET = "sheet";
    /** What is typed and not kept yet is kept under this name. */
    static final String DRAFT = "draft";

    static Kept of(Library library) {
        Drawer drawer = library.drawer();
        WindowMemory memory = WindowMemory.NONE;
        List<String> trouble = new ArrayList<>();
        try {
            memory = WindowMemory.of(drawer::remembered);
        } catch (DataFault e) {
            trouble.add("where you were last time could not be read; the window opens as it does the first time");
        }
        return new Kept(read(library.tunes().all(), trouble), read(drawer.habits(), trouble), read(drawer.instruments(), trouble),
                read(drawer.licks(), trouble), read(library.log().passes(), trouble), memory, drawer.remembered(SHEET), drawer.remembered(DRAFT), trouble);
    }

    private static <T> List<T> read(Rows<T> rows, List<String> trouble) {
        trouble.addAll(rows.unread());
        return rows.read();
    }

    /** Where the teacher stands in a tune. */
    record Standing(long tune, int rung, int note) {}

    /** Where the window opens: where it was, or at the first tune there is; empty on an empty shelf. */
    Optional<Standing> standing() {
        if (tunes.stream().anyMatch(t -> t.id() == memory.tune())) {
            return Optional.of(new Standing(memory.tune(), memory.rung(), memory.note()));
        }
        return tunes.stream().findFirst().map(t -> new Standing(t.id(), WindowMemory.NONE.rung(), WindowMemory.NONE.note()));
    }

    /** The teacher's own instruments; one that cannot be read is told and left out. */
    List<Instrument> ownInstruments(Consumer<String> say) {
        List<Instrument> own = new ArrayList<>();
        for (String document : instruments.stream().sorted().toList()) {
            try {
                own.add(Instruments.parse("an instrument of yours", document));
            } catch (DataFault e) {
                say.accept(e.getMessage() + "; it was left out and is kept in the library as it is");
            }
        }
        return own;
    }

    /** Where pitches are played, by instrument. */
    Map<String, SortedMap<String, String>> placesByPitch() {
        Map<String, SortedMap<String, String>> places = new TreeMap<>();
        habits.forEach(h -> places.computeIfAbsent(h.instrument(), i -> new TreeMap<>()).put(h.pitch(), h.place()));
        return places;
    }

    /** The teacher's own licks; one that cannot be read is told and left out. */
    List<Lick> ownLicks(Consumer<String> say) {
        List<Lick> own = new ArrayList<>();
        for (String document : licks.stream().sorted().toList()) {
            try {
                own.add(Lick.parse(document));
            } catch (DataFault | IllegalArgumentException e) {
                say.accept("one of your licks cannot be read; it was left out and is kept in the library as it is");
            }
        }
        return own;
    }
}
