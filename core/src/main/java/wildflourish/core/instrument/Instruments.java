package wildflourish.core.instrument;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;

/** All instruments, loaded once from their files. */
public final class Instruments {

    record Index(List<String> files) {}

    record File(String id, String name, String family, int soundsAbove, String chart, String provenance) {}

    private static final Map<String, Instrument> ALL = load();

    private Instruments() {}

    private static Map<String, Instrument> load() {
        Map<String, Instrument> all = new LinkedHashMap<>();
        for (String name : DataFile.read("instruments/index.json", Index.class).files()) {
            File file = DataFile.read("instruments/" + name, File.class);
            Family family;
            try {
                family = Family.valueOf(file.family().toUpperCase(java.util.Locale.ROOT).replace('-', '_'));
            } catch (IllegalArgumentException e) {
                throw new DataFault(name + " field family: there is no family '" + file.family() + "'");
            }
            Optional<OpenHoleChart> chart = Optional.ofNullable(file.chart()).map(OpenHoleChart::read);
            if (chart.isEmpty() != (family == Family.NONE)) {
                throw new DataFault(name + " field chart: an instrument with holes needs a chart");
            }
            all.put(file.id(), new Instrument(
                    file.id(), file.name(), family, file.soundsAbove(), chart, file.provenance()));
        }
        return all;
    }

    /** In the order in which they are offered; the first is {@code none}, as written. */
    public static List<Instrument> all() {
        return List.copyOf(ALL.values());
    }

    public static Optional<Instrument> byId(String id) {
        return Optional.ofNullable(ALL.get(id));
    }

    /** The instrument of an id that is known to exist. */
    public static Instrument known(String id) {
        return byId(id).orElseThrow(() -> new IllegalArgumentException("there is no instrument '" + id + "'"));
    }
}
