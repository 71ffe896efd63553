package wildflourish.formats;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.dataformat.csv.CsvMapper;
import com.fasterxml.jackson.dataformat.csv.CsvParser;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.formats.calendar.Calendar;
import wildflourish.formats.csv.CsvTable;

/** Calendars by RFC 5545, tables by RFC 4180. */
class CalendarAndTableTest {

    private static final Instant NOW = Instant.parse("2026-11-28T12:00:00Z");

    /** RFC 5545, 3.1: lines end with CRLF and are no longer than 75 octets; unfolded, everything is there again. 3.3.11: text is escaped. */
    @Test
    void linesAreFoldedAndTextIsEscaped() {
        String words = "lesson: “Séamus’s Slip”, part two; bring a \\ and the Ngày Xưa sheet, all of you who were there on Thursday";
        String text = Calendar.of(List.of(new Calendar.Event("m1@x", Instant.parse("2026-12-03T19:00:00Z"), 75, words, "one\ntwo")), NOW);
        assertThat(text).endsWith("END:VCALENDAR\r\n").doesNotContainPattern("[^\r]\n");
        assertThat(text.split("\r\n")).allSatisfy(l -> assertThat(l.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(75));
        String whole = text.replace("\r\n ", "");
        assertThat(whole).contains("\r\nSUMMARY:" + words.replace("\\", "\\\\").replace(";", "\\;").replace(",", "\\,") + "\r\n")
                .contains("DTSTART:20261203T190000Z", "DURATION:PT75M", "DTSTAMP:20261128T120000Z", "DESCRIPTION:one\\ntwo", "VERSION:2.0", "PRODID:");
    }

    @Test
    void cellsAreQuotedAndNoFormulas() throws Exception {
        String text = CsvTable.of(List.of("a", "b"), List.of(List.of("x, \"y\"", "=1+1"), List.of("", "two\nlines")));
        assertThat(text).contains("\"x, \"\"y\"\"\"");
        try (var rows = new CsvMapper().readerForListOf(String.class).with(CsvParser.Feature.WRAP_AS_ARRAY).<List<String>>readValues(text)) {
            assertThat(rows.readAll()).containsExactly(List.of("a", "b"), List.of("x, \"y\"", "'=1+1"), List.of("", "two\nlines"));
        }
    }
}
