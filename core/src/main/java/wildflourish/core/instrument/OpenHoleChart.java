package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Pitch;

/**
 * The fingering chart of a six-hole wind instrument, with what its fingers do in cuts, crans and pops. Pitches are as
 * written for an instrument in D whose lowest note is D4.
 */
public final class OpenHoleChart {

    /** The file as it stands; {@code holes} as in {@code "xxx xoo"}. */
    record File(
            String provenance,
            List<Row> notes,
            Map<String, Map<String, List<Integer>>> cuts,
            List<Integer> cran,
            List<Landing> landings) {}

    record Row(String pitch, List<Way> ways) {}

    record Way(String holes, String breath, Integer tap, boolean trial) {}

    /**
     * A pop on landing: while the fingers for the next note come down, one finger above leaves its hole for an instant.
     *
     * @param from pitch name without octave left behind
     * @param fork whether the note left behind must be fingered as a fork
     * @param to pitch name without octave landed on
     * @param up whether the landing is above
     * @param pops hole whose finger pops
     */
    public record Landing(String from, boolean fork, String to, boolean up, int pops) {}

    private final String name;
    private final String provenance;
    private final Map<Integer, List<Fingering>> ways = new LinkedHashMap<>();
    private final Map<Integer, Pitch> names = new LinkedHashMap<>();
    private final Map<String, Map<String, List<Integer>>> cuts;
    private final List<Integer> cran;
    private final List<Landing> landings;

    private OpenHoleChart(String name, File file) {
        this.name = name;
        this.provenance = file.provenance();
        this.cuts = Map.copyOf(file.cuts());
        this.cran = List.copyOf(file.cran());
        this.landings = List.copyOf(file.landings());
        for (Row row : file.notes()) {
            Pitch pitch = Pitch.parse(row.pitch());
            names.put(pitch.midi(), pitch);
            ways.put(pitch.midi(), row.ways().stream().map(OpenHoleChart::fingering).toList());
        }
        check();
    }

    /** Reads and checks a chart; throws {@link DataFault} naming the file and the rule that it breaks. */
    public static OpenHoleChart read(String name) {
        return of(name, DataFile.read(name, File.class));
    }

    /** As {@link #read} from text at hand. */
    public static OpenHoleChart parse(String name, String json) {
        return of(name, DataFile.parse(name, json, File.class));
    }

    private static OpenHoleChart of(String name, File file) {
        try {
            return new OpenHoleChart(name, file);
        } catch (IllegalArgumentException e) {
            throw new DataFault(name + ": " + e.getMessage());
        }
    }

    private static Fingering fingering(Way way) {
        return new Fingering(
                Holes.parse(way.holes()),
                Breath.valueOf(way.breath().toUpperCase(java.util.Locale.ROOT)),
                way.tap() == null ? OptionalInt.empty() : OptionalInt.of(way.tap()),
                way.trial());
    }

    /**
     * Opening one more hole never lowers the pitch within a register (a rule of all winds, common practice). Fingerings
     * that have to be tried are left out: the topmost of them belong to a third register.
     */
    private void check() {
        record Sounded(int midi, Fingering way) {}
        List<Sounded> all = new ArrayList<>();
        ways.forEach((midi, list) -> list.stream()
                .filter(w -> !w.trial())
                .forEach(w -> all.add(new Sounded(midi, w))));
        for (Sounded low : all) {
            for (Sounded high : all) {
                if (low.way().breath() == high.way().breath()
                        && opensOneMore(low.way().holes(), high.way().holes())
                        && high.midi() < low.midi()) {
                    throw new IllegalArgumentException("%s (%s) opens one hole more than %s (%s) and cannot be lower"
                            .formatted(names.get(high.midi()), high.way().holes(),
                                    names.get(low.midi()), low.way().holes()));
                }
            }
        }
    }

    private static boolean opensOneMore(Holes a, Holes b) {
        return a.fingersMoved(b) == 1
                && IntStream.rangeClosed(1, Holes.COUNT).anyMatch(h -> a.isClosed(h) && b.isOpen(h));
    }

    public String name() {
        return name;
    }

    /** Where the chart comes from. */
    public String provenance() {
        return provenance;
    }

    /** All ways to finger a written pitch, the usual one first; empty when the instrument does not have it. */
    public List<Fingering> ways(Pitch pitch) {
        return ways.getOrDefault(pitch.midi(), List.of());
    }

    /** All pitches of the chart, from low to high. */
    public List<Pitch> pitches() {
        return names.values().stream().sorted().toList();
    }

    public Pitch lowest() {
        return pitches().getFirst();
    }

    public Pitch highest() {
        return pitches().getLast();
    }

    /** The names of the cutting schools. */
    public List<String> cutSchools() {
        return cuts.keySet().stream().sorted().toList();
    }

    /** The hole whose finger cuts this note in this school: the first of its fingers that is down. */
    public OptionalInt cutHole(Pitch pitch, Fingering way, String school) {
        Map<String, List<Integer>> rule = cuts.get(school);
        if (rule == null) {
            throw new IllegalArgumentException("there is no cutting school '" + school + "'; there are " + cutSchools());
        }
        String letter = names.getOrDefault(pitch.midi(), pitch).withAlter(pitch.alter()).toString();
        List<Integer> order = rule.getOrDefault(letter.substring(0, letter.length() - 1), rule.get("others"));
        return order.stream().filter(way.holes()::isClosed).mapToInt(Integer::intValue).findFirst();
    }

    /** The hole of the nth cut of a cran, counted from 0; never the same twice in a row. */
    public int cranHole(int nth) {
        return cran.get(nth % cran.size());
    }

    /** Which finger pops on landing from one note to the next, if any does there. */
    public Optional<Landing> landing(Pitch from, Fingering way, Pitch to) {
        return landings.stream()
                .filter(l -> l.from().equals(letters(from)) && l.to().equals(letters(to)))
                .filter(l -> l.up() == (to.midi() > from.midi()) && Math.abs(to.midi() - from.midi()) < 12)
                .filter(l -> !l.fork() || way.holes().isFork())
                .findFirst();
    }

    private static String letters(Pitch pitch) {
        return new Pitch(pitch.step(), pitch.alter(), 0).toString().replace("0", "");
    }

    /** What one hears when only the holes above {@code hole} stay closed, in the octave of {@code near}. */
    public Pitch openedFrom(int hole, Pitch near) {
        Holes plain = new Holes("x".repeat(hole - 1) + "o".repeat(Holes.COUNT - hole + 1));
        boolean upper = ways(near).stream().anyMatch(w -> w.breath() == Breath.FIRM);
        return sounding(plain, upper).orElse(near);
    }

    /** What one hears when the holes down to {@code hole} are closed, in the octave of {@code near}. */
    public Pitch closedDownTo(int hole, Pitch near) {
        Holes plain = new Holes("x".repeat(hole) + "o".repeat(Holes.COUNT - hole));
        boolean upper = ways(near).stream().anyMatch(w -> w.breath() == Breath.FIRM);
        return sounding(plain, upper).orElse(near);
    }

    private Optional<Pitch> sounding(Holes plain, boolean upper) {
        return ways.entrySet().stream()
                .filter(e -> e.getValue().stream().anyMatch(w -> w.holes().equals(plain)
                        && (w.breath() == Breath.FIRM) == upper))
                .map(e -> names.get(e.getKey()))
                .findFirst();
    }

    /** The note one step of the instrument's own scale below, with neither fork nor half-hole, if there is one. */
    public Optional<Pitch> stepBelow(Pitch pitch) {
        return pitches().stream()
                .filter(p -> p.midi() < pitch.midi() && pitch.midi() - p.midi() <= 2)
                .filter(p -> ways(p).stream().anyMatch(OpenHoleChart::isPlain))
                .reduce((low, high) -> high);
    }

    private static boolean isPlain(Fingering way) {
        return !way.holes().hasHalf() && !way.holes().isFork() && !way.trial();
    }
}
