package wildflourish.formats.csv;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.dataformat.csv.CsvMapper;
import com.fasterxml.jackson.dataformat.csv.CsvSchema;
import java.util.List;

/** Any table of texts, with its heading line. */
public final class CsvTable {

    private static final String FORMULA_STARTS = "=+-@\t\r";

    private CsvTable() {}

    /** The table; each row has a cell for each column. */
    public static String of(List<String> columns, List<List<String>> rows) {
        CsvSchema.Builder schema = CsvSchema.builder();
        columns.forEach(schema::addColumn);
        try {
            return new CsvMapper().writer(schema.build().withHeader().withLineSeparator("\r\n"))
                    .writeValueAsString(rows.stream().map(r -> r.stream().map(CsvTable::harmless).toList()).toList());
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** A title is a title: a spreadsheet does not take it for a formula. */
    static String harmless(String text) {
        return !text.isEmpty() && FORMULA_STARTS.indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }
}
