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
import wildflourish.library.TuneEntry;

/** What a library has for a window that opens. */
record Kept(
        List<TuneEntry> tunes, List<Habit> habits, List<String> instruments, List<String> licks, List<LoggedPass> passes,
        WindowMemory memory, Optional<String> trouble) {

    static Kept of(Library library) {
        Drawer drawer = library.drawer();
        WindowMemory memory = WindowMemory.NONE;
        Optional<String> trouble = Optional.empty();
        try {
            memory = WindowMemory.of(drawer::remembered);
        } catch (DataFault e) {
            trouble = Optional.of("where you were last time could not be read; the window opens as it does the first time");
        }
        return new Kept(library.tunes().all(), drawer.habits(), drawer.instruments(), drawer.licks(), library.log().passes(), memory, trouble);
    }

    boolean has(long tune) {
        return tunes.stream().anyMatch(t -> t.id() == tune);
    }

    /** The teacher's own instruments; one that cannot be read is told and left out. */
    List<Instrument> ownInstruments(Consumer<String> say) {
        List<Instrument> own = new ArrayList<>();
        for (String document : instruments) {
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
        for (String document : licks) {
            try {
                own.add(Lick.parse(document));
            } catch (DataFault | IllegalArgumentException e) {
                say.accept("one of your licks cannot be read; it was left out and is kept in the library as it is");
            }
        }
        return own;
    }
}
