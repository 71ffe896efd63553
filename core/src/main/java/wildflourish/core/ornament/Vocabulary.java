package wildflourish.core.ornament;

import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Family;
import wildflourish.core.tune.Ratio;

/** The ornaments of one family of instruments, from its data file. */
public final class Vocabulary {

    record File(String provenance, List<Row> ornaments) {}

    record Row(
            String id,
            String name,
            String key,
            String slot,
            boolean heavy,
            String from,
            String to,
            List<Stretch> pulses,
            String writing,
            String how,
            List<String> easier,
            List<Ornament.Suit> suits,
            String source) {}

    record Stretch(String length, String leaning, List<String> moves) {}

    private static final Vocabulary OPEN_HOLE = read("ornaments/open-hole.json");
    private static final Vocabulary EMPTY = new Vocabulary("none", List.of());

    private final Map<String, Ornament> byId = new LinkedHashMap<>();
    private final List<Ornament> all;

    private Vocabulary(String file, List<Ornament> ornaments) {
        all = List.copyOf(ornaments);
        Set<Character> keys = new HashSet<>();
        for (Ornament ornament : ornaments) {
            if (byId.put(ornament.id(), ornament) != null || !keys.add(ornament.key())) {
                throw new DataFault(file + ": " + ornament.id() + " or its key stands there twice");
            }
        }
        for (Ornament ornament : ornaments) {
            if (!byId.keySet().containsAll(ornament.easier())) {
                throw new DataFault(file + ": " + ornament.id() + " field easier: names an ornament that is not there");
            }
        }
    }

    /** The vocabulary of a family; empty where no hands play. */
    public static Vocabulary of(Family family) {
        return switch (family) {
            case NONE -> EMPTY;
            case OPEN_HOLE -> OPEN_HOLE;
            case THUMB_HOLE, CLOSED_CHANTER, NINE_NOTE_CHANTER, BOWED, FRETTED, TWO_WAY_REED, ONE_WAY_REED -> EMPTY;
        };
    }

    static Vocabulary read(String file) {
        return new Vocabulary(file, DataFile.read(file, File.class).ornaments().stream()
                .map(row -> ornament(file, row)).toList());
    }

    private static Ornament ornament(String file, Row row) {
        try {
            Slot slot = Slot.valueOf(row.slot().toUpperCase(Locale.ROOT));
            List<Ornament.Beat> pulses = row.pulses().stream()
                    .map(s -> new Ornament.Beat(
                            Optional.ofNullable(s.length()).map(Ratio::parse),
                            Optional.ofNullable(s.leaning()).map(Ratio::parse),
                            s.moves().stream().map(Vocabulary::move).toList()))
                    .toList();
            Ornament.Writing writing = switch (row.writing()) {
                case "graces" -> new Ornament.Writing(Ornament.Sign.GRACES, "");
                case "graces of the next note" -> new Ornament.Writing(Ornament.Sign.GRACES_OF_NEXT, "");
                default -> new Ornament.Writing(Ornament.Sign.DECORATION, row.writing());
            };
            return new Ornament(
                    row.id(), row.name(), row.key().charAt(0), slot, row.heavy(), Ratio.parse(row.from()),
                    Optional.ofNullable(row.to()).map(Ratio::parse), pulses, writing, row.how(), row.easier(),
                    row.suits(), row.source());
        } catch (IllegalArgumentException e) {
            throw new DataFault(file + ": " + row.id() + ": " + e.getMessage());
        }
    }

    private static Move move(String word) {
        return EnumSet.allOf(Move.class).stream()
                .filter(m -> m.name().equals(word.toUpperCase(Locale.ROOT).replace(' ', '_')))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no movement '" + word + "'"));
    }

    /** Whether some family has an ornament of this id. */
    public static boolean isAnywhere(String id) {
        return OPEN_HOLE.byId.containsKey(id);
    }

    /** All of them, in the order of the file. */
    public List<Ornament> all() {
        return all;
    }

    public Optional<Ornament> byId(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** The ornament of an id that is known to exist. */
    public Ornament known(String id) {
        return byId(id).orElseThrow(() -> new IllegalArgumentException("there is no ornament '" + id + "'"));
    }
}
