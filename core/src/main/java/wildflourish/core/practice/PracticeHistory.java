package wildflourish.core.practice;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.data.DataFile;

/**
 * What the log tells.
 *
 * @param lines one for each thing practised, the latest practised first
 * @param minutes practised each day
 */
public record PracticeHistory(List<Line> lines, SortedMap<LocalDate, Double> minutes) {

    /**
     * How one thing has gone.
     *
     * @param tune id of the tune in the library; empty for a gesture
     * @param subject the tune's title as it was called last, or the gesture
     * @param best for each day with an even pass, the fastest: counts a minute of the tempo's beat for a tune, milliseconds of the
     *     part for a gesture
     * @param tried for each day with an uneven pass, the fastest of those
     * @param stuckFor uneven passes since the last gain; 0 when it is not stuck
     */
    public record Line(
            Optional<Long> tune, String subject, String passage, String instrument, String unit, boolean gesture, SortedMap<LocalDate, Double> best,
            SortedMap<LocalDate, Double> tried, int passes,
            int stuckFor, double minutes) {

        /** The best of all; empty before the first even pass. */
        public Optional<Double> reached() {
            return best.values().stream().max(gesture ? Comparator.reverseOrder() : Comparator.naturalOrder());
        }

        public boolean isStuck() {
            return stuckFor > 0;
        }

        /** For reading: {@code A2 of The Lamp}, {@code cut}. */
        public String name() {
            return gesture ? subject : passage + " of " + subject;
        }
    }

    /** From how many uneven passes without a gain on something is stuck. */
    record Stuck(String provenance, int passes) {}

    private static final Stuck STUCK = DataFile.read("practice/stuck.json", Stuck.class);

    /** A tune is told by its id, for titles change, and two tunes may have the same. */
    private record Key(Optional<Long> tune, String gesture, String passage, String instrument, String unit) {}

    public PracticeHistory {
        lines = List.copyOf(lines);
    }

    /** From passes in the order in which they were played; days are those of the zone. */
    public static PracticeHistory of(List<LoggedPass> passes, ZoneId zone) {
        SortedMap<LocalDate, Double> minutes = new TreeMap<>();
        Map<Key, List<LoggedPass>> by = new LinkedHashMap<>();
        for (LoggedPass pass : passes) {
            minutes.merge(day(pass, zone), pass.seconds() / 60, Double::sum);
            Key key = new Key(pass.tune(), pass.tune().isPresent() ? "" : pass.subject(), pass.passage(), pass.instrument(), pass.tempo().map(t -> t.beatName()).orElse("ms"));
            // Taken out and put back in, so that the latest practised stands last.
            List<LoggedPass> own = by.containsKey(key) ? by.remove(key) : new ArrayList<>();
            own.add(pass);
            by.put(key, own);
        }
        List<Line> lines = new ArrayList<>();
        by.forEach((key, own) -> lines.addFirst(line(key, own, zone)));
        return new PracticeHistory(lines, minutes);
    }

    private static LocalDate day(LoggedPass pass, ZoneId zone) {
        return pass.at().atZone(zone).toLocalDate();
    }

    private static Line line(Key key, List<LoggedPass> own, ZoneId zone) {
        boolean gesture = own.getFirst().tempo().isEmpty();
        SortedMap<LocalDate, Double> best = new TreeMap<>();
        SortedMap<LocalDate, Double> tried = new TreeMap<>();
        double reached = gesture ? Double.MAX_VALUE : 0;
        int since = 0;
        for (LoggedPass pass : own) {
            double value = gesture ? pass.partMs() : pass.tempo().get().perMinute().toDouble();
            boolean gain = pass.even() && (gesture ? value < reached : value > reached);
            (pass.even() ? best : tried).merge(day(pass, zone), value, gesture ? Math::min : Math::max);
            reached = gain ? value : reached;
            since = gain ? 0 : pass.even() ? since : since + 1;
        }
        double minutes = own.stream().mapToDouble(LoggedPass::seconds).sum() / 60;
        return new Line(key.tune(), own.getLast().subject(), key.passage(), key.instrument(), key.unit(), gesture, best, tried, own.size(),
                since >= STUCK.passes() ? since : 0, minutes);
    }

    /** What is stuck, the longest first. */
    public List<Line> stuck() {
        return lines.stream().filter(Line::isStuck).sorted(Comparator.comparingInt(Line::stuckFor).reversed()).toList();
    }

    public double totalMinutes() {
        return minutes.values().stream().mapToDouble(Double::doubleValue).sum();
    }
}
