package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Pitch;

/**
 * The fingering chart of a wind instrument. A chart made for one key
 * serves the others: it is kept in its own pitches and moved to where the instrument's lowest note is written.
 */
public final class WindChart implements Layout {

    /** The file as it stands; {@code holes} as in {@code "xxx xoo"}. */
    record File(
            String provenance,
            Boolean closedFingering,
            List<Row> notes,
            Map<String, Map<String, List<Integer>>> cuts,
            List<Integer> cran,
            List<FingerWork.Landing> landings,
            List<FingerWork.Turn> turns,
            List<FingerWork.Seesaw> seesaws,
            Map<String, Integer> graces,
            Integer vibrato) {

        File withNotes(List<Row> newNotes) {
            return new File(provenance, closedFingering, newNotes, cuts, cran, landings, turns, seesaws, graces, vibrato);
        }
    }

    record Row(String pitch, List<Way> ways) {}

    record Way(
            String holes, String breath, @Nullable Integer tap, @Nullable Boolean trial, @Nullable String school, @Nullable String remark) {

        static Way of(Fingering fingering) {
            return new Way(fingering.holes().toString(), fingering.breath().name().toLowerCase(Locale.ROOT),
                    fingering.tapHole().isPresent() ? fingering.tapHole().getAsInt() : null,
                    fingering.trial() ? true : null, fingering.school().orElse(null), fingering.remark().orElse(null));
        }

        Fingering fingering() {
            return new Fingering(
                    Holes.parse(holes),
                    Breath.valueOf(breath.toUpperCase(Locale.ROOT)),
                    tap == null ? OptionalInt.empty() : OptionalInt.of(tap),
                    Boolean.TRUE.equals(trial),
                    Optional.ofNullable(school),
                    Optional.ofNullable(remark));
        }
    }

    private final String name;
    private final File file;
    private final Interval move;
    private final Map<Integer, List<Fingering>> ways = new LinkedHashMap<>();
    private final Map<Integer, Pitch> names = new LinkedHashMap<>();
    private final List<Pitch> pitches;
    private final FingerWork work;
    /** What has been looked up in the chart before; a chart never changes. */
    private final Map<Finger, Optional<Pitch>> opened = new ConcurrentHashMap<>();
    private final Map<Finger, Optional<Pitch>> closed = new ConcurrentHashMap<>();
    private final Map<Pitch, Optional<Pitch>> below = new ConcurrentHashMap<>();

    /** Semitones by which it is moved from the pitches that the file was written in: −2 for the six-hole chart of a C whistle. */
    int moved() {
        return move.semitones();
    }

    /** The chart in the pitches that its file was written in. */
    WindChart atHome() {
        return move.semitones() == 0 ? this : new WindChart(name, file, Interval.NONE);
    }

    /** A finger over a hole while a note sounds. */
    private record Finger(int hole, Pitch pitch, Fingering way) {}

    private WindChart(String name, File file, Interval move) {
        this.name = name;
        this.file = file;
        this.move = move;
        for (Row row : file.notes()) {
            Pitch pitch = Pitch.parse(row.pitch()).plus(move);
            List<Fingering> all = new ArrayList<>(ways.getOrDefault(pitch.midi(), List.of()));
            row.ways().forEach(w -> all.add(w.fingering()));
            names.putIfAbsent(pitch.midi(), pitch);
            ways.put(pitch.midi(), List.copyOf(all));
        }
        this.pitches = names.values().stream().sorted().toList();
        this.work = new FingerWork(file, p -> home(names.getOrDefault(p.midi(), p)));
    }

    /** Reads a chart; throws {@link DataFault} naming the file and what cannot be read in it. */
    public static WindChart read(String name) {
        return of(name, DataFile.read(name, File.class), Optional.empty(), List.of());
    }

    /** As {@link #read} from text at hand. */
    public static WindChart parse(String name, String json) {
        return of(name, DataFile.parse(name, json, File.class), Optional.empty(), List.of());
    }

    /** A chart moved so that its lowest note is the given one, with further ways added. */
    static WindChart of(String name, File file, Optional<Pitch> lowest, List<Row> additions) {
        try {
            WindChart moved = new WindChart(name, file, move(file, lowest));
            if (additions.isEmpty()) {
                return moved;
            }
            List<Row> rows = new ArrayList<>(file.notes());
            additions.forEach(r -> rows.add(
                    new Row(Pitch.parse(r.pitch()).plus(moved.move.reversed()).toString(), r.ways())));
            return new WindChart(name, file.withNotes(rows), moved.move);
        } catch (IllegalArgumentException e) {
            throw new DataFault(name + ": " + e.getMessage());
        }
    }

    private static Interval move(File file, Optional<Pitch> lowest) {
        Pitch first = file.notes().stream().filter(r -> !r.ways().isEmpty()).map(r -> Pitch.parse(r.pitch())).sorted()
                .findFirst().orElseThrow(() -> new IllegalArgumentException("a chart needs a note"));
        return lowest.map(l -> Interval.between(first, l)).orElse(Interval.NONE);
    }

    /** This chart with other ways to finger a written pitch, the preferred one first; not checked yet. */
    public WindChart withWays(Pitch pitch, List<Fingering> newWays) {
        Pitch own = home(names.getOrDefault(pitch.midi(), pitch));
        List<Row> rows = new ArrayList<>();
        boolean placed = false;
        for (Row row : file.notes()) {
            if (Pitch.parse(row.pitch()).midi() != own.midi()) {
                rows.add(row);
            } else if (!placed) {
                rows.add(new Row(row.pitch(), newWays.stream().map(Way::of).toList()));
                placed = true;
            }
        }
        if (!placed) {
            rows.add(new Row(own.toString(), newWays.stream().map(Way::of).toList()));
        }
        return new WindChart(name, file.withNotes(rows.stream().filter(r -> !r.ways().isEmpty()).toList()), move);
    }

    /** This chart moved so that its lowest note is the given one. */
    WindChart from(Pitch lowest) {
        return new WindChart(name, file, move(file, Optional.of(lowest)));
    }

    /** Two charts are equal when they say the same in the same place. */
    @Override
    public boolean equals(Object other) {
        return other instanceof WindChart chart && file.equals(chart.file) && move.equals(chart.move);
    }

    @Override
    public int hashCode() {
        return Objects.hash(file, move);
    }

    File file() {
        return file;
    }

    /** A pitch of the instrument as the chart's own key has it. */
    private Pitch home(Pitch pitch) {
        return pitch.plus(move.reversed());
    }

    @Override
    public List<String> faults(Family family) {
        return WindRules.faults(this, family);
    }

    public String name() {
        return name;
    }

    /** Where the chart comes from. */
    public String provenance() {
        return file.provenance();
    }

    /** All ways to finger a written pitch, the usual one first; empty when the instrument does not have it. */
    public List<Fingering> ways(Pitch pitch) {
        return ways.getOrDefault(pitch.midi(), List.of());
    }

    @Override
    public List<Place> places(Pitch pitch) {
        List<Fingering> all = ways(pitch);
        List<Place> places = new ArrayList<>();
        for (int rank = 0; rank < all.size(); rank++) {
            places.add(new Place.Fingered(all.get(rank), rank));
        }
        return places;
    }

    /** All pitches of the chart, from low to high. */
    @Override
    public List<Pitch> pitches() {
        return pitches;
    }

    @Override
    public int sounds(String typed) {
        TypedFingering read = TypedFingering.read(typed);
        Holes holes = read.holes();
        if (!holes.hasTheSameHolesAs(ways(pitches.getFirst()).getFirst().holes())) {
            throw new IllegalArgumentException("'%s' has other holes than this instrument; write it like %s"
                    .formatted(holes, example()));
        }
        for (boolean tried : new boolean[] {false, true}) {
            for (Pitch pitch : pitches) {
                for (Fingering way : ways(pitch)) {
                    if (way.trial() == tried && way.holes().equals(holes)
                            && read.breath().map(way.breath()::equals).orElse(true)) {
                        return pitch.midi();
                    }
                }
            }
        }
        throw new IllegalArgumentException("%s is not in the chart; choose one of its fingerings, or add it to the chart"
                .formatted(typed.strip()));
    }

    @Override
    public String example() {
        return ways(pitches.getFirst()).getFirst().text();
    }

    /** What the fingers do on this instrument beside stopping its notes. */
    public FingerWork work() {
        return work;
    }

    /**
     * What one hears for an instant when a finger leaves a closed hole while a note sounds; empty where it sounds no higher.
     *
     * @param way how the note is fingered
     */
    public Optional<Pitch> openedFrom(int hole, Pitch pitch, Fingering way) {
        return opened.computeIfAbsent(new Finger(hole, pitch, way), f -> findOpened(way.holes().with(hole, 'o'), pitch, way));
    }

    private Optional<Pitch> findOpened(Holes after, Pitch pitch, Fingering way) {
        List<Pitch> alike = exactly(after, way.breath());
        if (alike.stream().anyMatch(p -> p.midi() == pitch.midi())) {
            return Optional.empty();
        }
        Optional<Pitch> heard = usually(after, way.breath())
                .filter(p -> p.midi() > pitch.midi())
                .or(() -> byPrefix(after, way.breath()).filter(p -> p.midi() > pitch.midi()))
                .or(() -> alike.stream().filter(p -> p.midi() > pitch.midi()).findFirst());
        // Opening one more hole never lowers the pitch: where the chart says no more, the next note up names the click.
        return heard.or(() -> pitches.stream().filter(p -> p.midi() > pitch.midi()).findFirst());
    }

    /**
     * What one hears for an instant when a finger closes an open or half covered hole while a note sounds: always lower; empty
     * where the chart has nothing lower.
     *
     * @param way how the note is fingered
     */
    public Optional<Pitch> closedFrom(int hole, Pitch pitch, Fingering way) {
        return closed.computeIfAbsent(new Finger(hole, pitch, way), f -> findClosed(way.holes().with(hole, 'x'), pitch, way));
    }

    private Optional<Pitch> findClosed(Holes after, Pitch pitch, Fingering way) {
        return exactly(after, way.breath()).stream().filter(p -> p.midi() < pitch.midi()).findFirst()
                .or(() -> byPrefix(after, way.breath()).filter(p -> p.midi() < pitch.midi()))
                .or(() -> stepBelow(pitch))
                .or(() -> pitches.stream().filter(p -> p.midi() < pitch.midi()).reduce((low, high) -> high));
    }

    /** The pitches that the chart gives these very holes, in this register or an octave above the lower one. */
    private List<Pitch> exactly(Holes holes, Breath breath) {
        return sounding(holes, breath, w -> true);
    }

    private Optional<Pitch> usually(Holes holes, Breath breath) {
        return sounding(holes, breath, w -> !w.trial()).stream()
                .filter(p -> ways(p).isEmpty() || ways(p).getFirst().holes().equals(holes)).findFirst();
    }

    private List<Pitch> sounding(Holes holes, Breath breath, java.util.function.Predicate<Fingering> wanted) {
        List<Pitch> found = new ArrayList<>();
        for (Pitch pitch : pitches) {
            if (ways(pitch).stream().anyMatch(w -> w.holes().equals(holes) && w.breath() == breath && wanted.test(w))) {
                found.add(pitch);
            }
        }
        if (found.isEmpty() && breath == Breath.FIRM) {
            for (Pitch low : sounding(holes.unpinched(), Breath.GENTLE, wanted)) {
                found.add(named(low.octavesUp(1)));
            }
        }
        return found;
    }

    private Pitch named(Pitch pitch) {
        return names.getOrDefault(pitch.midi(), pitch);
    }

    /**
     * The note of the holes that are closed from the mouth down to the first open one; on a closed chanter the note that the
     * open hole nearest the mouth makes. A vent at the top of a wind counts as closed.
     */
    private Optional<Pitch> byPrefix(Holes holes, Breath breath) {
        int count = holes.count();
        if (isClosedFingering()) {
            for (int hole = holes.first(); hole <= count; hole++) {
                if (holes.isOpen(hole)) {
                    return exactly(new Holes(hole == 0 ? "o" : "x", "x".repeat(count)).with(hole, 'o'), breath).stream().findFirst();
                }
            }
            return exactly(new Holes("x", "x".repeat(count)), breath).stream().findFirst();
        }
        String pattern = holes.pattern().matches("o[xoh]xxxx") ? "x" + holes.pattern().substring(1) : holes.pattern();
        int closedHoles = 0;
        while (closedHoles < count && pattern.charAt(closedHoles) == 'x') {
            closedHoles++;
        }
        return exactly(new Holes(holes.thumb(), "x".repeat(closedHoles) + "o".repeat(count - closedHoles)), breath).stream().findFirst();
    }

    /** Whether notes are made by opening a hole or two above closed ones, so that a closed hole below makes no fork. */
    public boolean isClosedFingering() {
        return Boolean.TRUE.equals(file.closedFingering());
    }

    /** Whether a fingering is a fork on this instrument. */
    public boolean isFork(Fingering way) {
        return !isClosedFingering() && way.holes().isFork();
    }

    /** The note one step of the instrument's own scale below, with neither fork nor half-hole, if there is one. */
    public Optional<Pitch> stepBelow(Pitch pitch) {
        return below.computeIfAbsent(pitch, this::findBelow);
    }

    private Optional<Pitch> findBelow(Pitch pitch) {
        return pitches.stream()
                .filter(p -> p.midi() < pitch.midi() && pitch.midi() - p.midi() <= 2)
                .filter(p -> ways(p).stream().anyMatch(this::isPlain))
                .reduce((low, high) -> high);
    }

    private boolean isPlain(Fingering way) {
        return !way.holes().hasHalf() && !isFork(way) && !way.trial();
    }
}
