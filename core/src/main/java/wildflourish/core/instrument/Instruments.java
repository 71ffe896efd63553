package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;

/**
 * All instruments: those that come with the program, loaded and checked once from their files, and in their place or
 * beside them those that a teacher has changed or added. Safe for several threads.
 */
public final class Instruments {

    record Index(List<String> files) {}

    private static final Map<String, Instrument> SHIPPED = load();
    private static volatile Map<String, Instrument> all = SHIPPED;

    private Instruments() {}

    /** Reads and checks every file afresh; throws {@link DataFault} naming file, line and field. */
    public static Map<String, Instrument> load() {
        Map<String, Instrument> loaded = new LinkedHashMap<>();
        for (String name : DataFile.read("instruments/index.json", Index.class).files()) {
            String source = "instruments/" + name;
            Instrument instrument = DataFile.read(source, InstrumentFile.class).build(source);
            if (loaded.put(instrument.id(), instrument) != null) {
                throw new DataFault(source + " field id: '" + instrument.id() + "' is there twice");
            }
        }
        return loaded;
    }

    /** In the order in which they are offered; the first is {@code none}, as written. */
    public static List<Instrument> all() {
        return List.copyOf(all.values());
    }

    /** The instrument of an id or of another name it has. */
    public static Optional<Instrument> byId(String id) {
        Instrument instrument = all.get(id);
        return instrument != null ? Optional.of(instrument)
                : all.values().stream().filter(i -> i.aliases().contains(id)).findFirst();
    }

    /** The instrument of an id that is known to exist. */
    public static Instrument known(String id) {
        return byId(id).orElseThrow(() -> new IllegalArgumentException("there is no instrument '" + id + "'"));
    }

    /** The instrument of an id as it comes with the program; empty for a teacher's own. */
    public static Optional<Instrument> shipped(String id) {
        return Optional.ofNullable(SHIPPED.get(id));
    }

    /** Takes the teacher's own instruments in: each in place of the shipped one of its id, or after the others. */
    public static synchronized void own(List<Instrument> own) {
        Map<String, Instrument> changed = new LinkedHashMap<>(SHIPPED);
        new ArrayList<>(own).forEach(i -> changed.put(i.id(), i));
        all = changed;
    }

    /** The text of an instrument's file, with everything it needs. */
    public static String write(Instrument instrument) {
        return DataFile.write(InstrumentFile.of(instrument));
    }

    /** Reads and checks the text of an instrument's file; throws {@link DataFault} with what is wrong. */
    public static Instrument parse(String source, String text) {
        return DataFile.parse(source, text, InstrumentFile.class).build(source);
    }
}
