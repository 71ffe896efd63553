package wildflourish.formats.csv;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectWriter;
import com.fasterxml.jackson.dataformat.csv.CsvMapper;
import com.fasterxml.jackson.dataformat.csv.CsvSchema;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import wildflourish.core.practice.LoggedPass;

/** The practice log as a table: one line for each pass, moments in UTC, lengths in seconds or milliseconds as the column says. */
public final class PracticeCsv {

    private static final List<String> COLUMNS = List.of("at", "seconds", "subject", "passage", "instrument", "rung", "hands", "beat", "per_minute",
            "part_ms", "even", "variation_percent", "drift_percent", "offset_ms", "expected", "missed", "extra", "ornaments_meant", "ornaments_spoke");

    private PracticeCsv() {}

    /** The table with its heading line. */
    public static String of(List<LoggedPass> passes) {
        CsvSchema.Builder schema = CsvSchema.builder();
        COLUMNS.forEach(schema::addColumn);
        ObjectWriter writer = new CsvMapper().writer(schema.build().withHeader().withLineSeparator("\r\n"));
        try {
            return writer.writeValueAsString(passes.isEmpty() ? List.of() : passes.stream().map(PracticeCsv::line).toList());
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Map<String, Object> line(LoggedPass pass) {
        Map<String, Object> line = new LinkedHashMap<>();
        line.put("at", pass.at().toString());
        line.put("seconds", rounded(pass.seconds(), 1));
        line.put("subject", CsvTable.harmless(pass.subject()));
        line.put("passage", CsvTable.harmless(pass.passage()));
        line.put("instrument", CsvTable.harmless(pass.instrument()));
        line.put("rung", CsvTable.harmless(pass.rung()));
        line.put("hands", CsvTable.harmless(pass.hands()));
        line.put("beat", pass.tempo().map(t -> t.beat().toString()).orElse(""));
        line.put("per_minute", pass.tempo().map(t -> rounded(t.perMinute().toDouble(), 0)).orElse(""));
        line.put("part_ms", pass.tempo().isPresent() ? "" : pass.partMs());
        line.put("even", pass.even() ? "yes" : "no");
        line.put("variation_percent", rounded(pass.variation() * 100, 1));
        line.put("drift_percent", rounded(pass.drift() * 100, 1));
        line.put("offset_ms", rounded(pass.offsetMs(), 0));
        line.put("expected", pass.expected());
        line.put("missed", pass.missed());
        line.put("extra", pass.extra());
        // Where nobody listened there is nothing to tell.
        line.put("ornaments_meant", pass.spoken().meant() == 0 ? "" : pass.spoken().meant());
        line.put("ornaments_spoke", pass.spoken().meant() == 0 ? "" : pass.spoken().came());
        return line;
    }

    private static String rounded(double value, int places) {
        return String.format(Locale.ROOT, "%." + places + "f", value);
    }
}
