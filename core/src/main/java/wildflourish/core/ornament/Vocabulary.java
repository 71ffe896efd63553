package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;

/** The ornaments of one family of instruments, from its data file. */
public final class Vocabulary {

    record File(String provenance, List<Row> ornaments) {}

    record Row(
            String id,
            String name,
            String key,
            String slot,
            Boolean heavy,
            String from,
            String to,
            List<String> lengths,
            List<String> only,
            String plucked,
            List<String> instruments,
            List<PulseRow> pulses,
            String writing,
            String how,
            List<String> easier,
            List<String> absorbs,
            List<String> excludes,
            Boolean separates,
            Boolean texture,
            Integer slowestPulse,
            List<Ornament.Suit> suits,
            String source) {}

    record PulseRow(
            @Nullable String length, @Nullable String share, @Nullable Integer each, @Nullable Boolean again, List<String> moves,
            @Nullable Map<String, PulseRow> schools) {}

    /** Decorations that the ABC standard names (2.1, section 4.14), as far as ornaments are written with them. */
    private static final Set<String> DECORATIONS = Set.of("staccato", "roll", "slide", "breath", "trill", "turn",
            "uppermordent", "lowermordent", "tenuto", "/", "//", "///", "arpeggio", "fermata", "accent", "upbow",
            "downbow", "snap", "open", "thumb", "plus");

    private static final Vocabulary EMPTY = new Vocabulary("none", List.of(), Map.of());
    private static final Map<String, Vocabulary> BY_FAMILY = new ConcurrentHashMap<>();
    private static final Map<String, Vocabulary> PLUCKED = new ConcurrentHashMap<>();
    /** Those of instruments that have ornaments of their own, or lack some of their family's. */
    private static final Map<String, Vocabulary> BY_INSTRUMENT = new ConcurrentHashMap<>();

    private final Map<String, Ornament> byId = new LinkedHashMap<>();
    private final List<Ornament> all;

    /** Which instruments alone have an ornament, by its id. */
    private final Map<String, List<String>> elsewhere;

    private Vocabulary(String file, List<Ornament> ornaments, Map<String, List<String>> instruments) {
        all = List.copyOf(ornaments);
        elsewhere = Map.copyOf(instruments);
        Set<Character> keys = new HashSet<>();
        for (Ornament ornament : ornaments) {
            if (byId.put(ornament.id(), ornament) != null || !keys.add(ornament.key())) {
                throw new DataFault(file + ": " + ornament.id() + " or its key " + ornament.key() + " stands there twice");
            }
        }
        for (Ornament ornament : ornaments) {
            if (!byId.keySet().containsAll(ornament.easier())) {
                throw new DataFault(file + ": " + ornament.id() + " field easier: names an ornament that is not there");
            }
            if (!byId.keySet().containsAll(ornament.excludes())) {
                throw new DataFault(file + ": " + ornament.id() + " field excludes: names an ornament that is not there");
            }
        }
    }

    /** The vocabulary of a family, of all its instruments together; empty where no hands play. */
    public static Vocabulary of(Family family) {
        return family.vocabulary().map(v -> BY_FAMILY.computeIfAbsent(v, n -> read(file(n), family.hands(), ""))).orElse(EMPTY);
    }

    /**
     * The vocabulary of an instrument: its family's, on plucked strings that of plectrum or of fingers, without what belongs
     * to other instruments alone.
     */
    public static Vocabulary of(Instrument instrument) {
        if (instrument.layout() instanceof Neck neck && instrument.family().frets()) {
            String file = file(instrument.family().vocabulary().orElseThrow());
            return PLUCKED.computeIfAbsent(file + " " + neck.strokes(), k -> read(file, instrument.family().hands(), neck.strokes()));
        }
        Vocabulary family = of(instrument.family());
        return family.elsewhere.isEmpty() ? family : BY_INSTRUMENT.computeIfAbsent(instrument.id(), family::on);
    }

    private Vocabulary on(String instrument) {
        List<Ornament> there = all.stream()
                .filter(o -> !elsewhere.containsKey(o.id()) || elsewhere.get(o.id()).contains(instrument)).toList();
        return there.size() == all.size() ? this : new Vocabulary(instrument, there, Map.of());
    }

    private static String file(String name) {
        return "ornaments/" + name + ".json";
    }

    /**
     * Those of a file; with {@code plucked} given, without those that need the other way of plucking.
     *
     * @param hands that have to understand every movement
     */
    static Vocabulary read(String file, Family.Held hands, String plucked) {
        List<Row> rows = DataFile.read(file, File.class).ornaments().stream()
                .filter(r -> plucked.isEmpty() || r.plucked() == null || r.plucked().equals(plucked)).toList();
        Map<String, List<String>> instruments = new HashMap<>();
        rows.stream().filter(r -> r.instruments() != null).forEach(r -> instruments.put(r.id(), r.instruments()));
        return new Vocabulary(file, rows.stream().map(row -> ornament(file, row, hands)).toList(), instruments);
    }

    private static Ornament ornament(String file, Row row, Family.Held hands) {
        try {
            Slot slot = Slot.valueOf(row.slot().toUpperCase(Locale.ROOT));
            if (row.key().length() != 1 || !Character.isLetter(row.key().charAt(0))) {
                throw new IllegalArgumentException("field key: one letter places it, not '" + row.key() + "'");
            }
            return new Ornament(
                    row.id(), row.name(), row.key().charAt(0), slot, Boolean.TRUE.equals(row.heavy()),
                    Ratio.parse(row.from()), Optional.ofNullable(row.to()).map(Ratio::parse),
                    row.lengths() == null ? List.of() : row.lengths().stream().map(Ratio::parse).toList(),
                    row.only() == null ? List.of() : row.only().stream().map(Pitch::parse).toList(),
                    row.pulses().stream().map(p -> beat(p, hands)).toList(), writing(row.writing()), row.how(),
                    row.easier() == null ? List.of() : row.easier(), row.absorbs() == null ? List.of() : row.absorbs(),
                    row.excludes() == null ? List.of() : row.excludes(),
                    Boolean.TRUE.equals(row.separates()), Boolean.TRUE.equals(row.texture()), row.slowestPulse() == null ? 0 : row.slowestPulse(),
                    row.suits() == null ? List.of() : row.suits(), row.source());
        } catch (IllegalArgumentException | NullPointerException e) {
            throw new DataFault("%s: line %d: %s: %s".formatted(file, DataFile.line(file, "id", row.id()), row.id(), e.getMessage()));
        }
    }

    private static Ornament.Beat beat(PulseRow row, Family.Held hands) {
        SortedMap<String, Ornament.Beat> schools = new TreeMap<>();
        if (row.schools() != null) {
            row.schools().forEach((school, other) -> {
                String[] halves = school.split("=", 2);
                new School(Map.of(halves[0], halves[1]));
                schools.put(school, beat(new PulseRow(
                        other.length() != null || other.share() != null ? other.length() : row.length(),
                        other.length() != null || other.share() != null ? other.share() : row.share(), row.each(),
                        other.again() == null ? row.again() : other.again(),
                        other.moves() == null ? row.moves() : other.moves(), null), hands));
            });
        }
        List<Motion> motions = new ArrayList<>();
        row.moves().forEach(m -> motions.add(Motion.parse(m)));
        for (Motion motion : motions) {
            motion.fault(hands).ifPresent(fault -> {
                throw new IllegalArgumentException("field moves: " + fault);
            });
        }
        return new Ornament.Beat(
                Optional.ofNullable(row.length()).map(Ratio::parse), Optional.ofNullable(row.share()).map(Ratio::parse),
                row.each() == null ? OptionalInt.empty() : OptionalInt.of(row.each()), Boolean.TRUE.equals(row.again()), motions, schools);
    }

    private static Ornament.Writing writing(String word) {
        return switch (word) {
            case "graces" -> new Ornament.Writing(Ornament.Sign.GRACES, "");
            case "graces of the next note" -> new Ornament.Writing(Ornament.Sign.GRACES_OF_NEXT, "");
            case "heads" -> new Ornament.Writing(Ornament.Sign.HEADS, "");
            case "slur" -> new Ornament.Writing(Ornament.Sign.SLUR, "");
            default -> DECORATIONS.contains(word) ? new Ornament.Writing(Ornament.Sign.DECORATION, word)
                    : new Ornament.Writing(Ornament.Sign.WORDS, words(word));
        };
    }

    private static String words(String word) {
        if (!word.startsWith("words: ")) {
            throw new IllegalArgumentException("field writing: '" + word + "' is no sign of ordinary scores");
        }
        return word.substring("words: ".length());
    }

    /** Whether some family has an ornament of this id. */
    public static boolean isAnywhere(String id) {
        return Family.all().stream().anyMatch(f -> of(f).byId.containsKey(id));
    }

    /** The movements that its ornaments are made of, in the order of {@link Move}. */
    public List<Move> moves() {
        return Arrays.stream(Move.values()).filter(move -> all.stream().anyMatch(o -> o.pulses().stream().anyMatch(b -> b.moves().contains(move)))).toList();
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
