package wildflourish.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.Spoken;
import wildflourish.core.tune.Tempo;

class PracticeCsvTest {

    private static LoggedPass pass(String subject, Optional<Tempo> tempo) {
        return new LoggedPass(Instant.parse("2026-03-05T19:00:00Z"), 12.34, Optional.empty(), subject, "A2", "whistle-d", "full", "keys", tempo,
                tempo.isPresent() ? 0 : 85, true, 0.0625, -0.015, 3.6, 24, 1, 2);
    }

    @Test
    void eachPassIsALineUnderTheHeading() {
        String csv = PracticeCsv.of(List.of(pass("The Lamp, \"lit\"", Optional.of(Tempo.parse("3/8=80"))), pass("cut", Optional.empty())));
        assertThat(csv.split("\r\n")).containsExactly(
                "at,seconds,subject,passage,instrument,rung,hands,beat,per_minute,part_ms,even,variation_percent,drift_percent,offset_ms,expected,missed,extra,ornaments_meant,ornaments_spoke",
                "2026-03-05T19:00:00Z,12.3,\"The Lamp, \"\"lit\"\"\",A2,whistle-d,full,keys,3/8,80,,yes,6.3,-1.5,4,24,1,2,,",
                "2026-03-05T19:00:00Z,12.3,cut,A2,whistle-d,full,keys,,,85,yes,6.3,-1.5,4,24,1,2,,");
    }

    @Test
    void whatSpokeIsToldWhereSomebodyListened() {
        LoggedPass bare = pass("The Lamp", Optional.of(Tempo.parse("3/8=80")));
        LoggedPass heard = LoggedPass.of(bare.at(), new LoggedPass.Practised(Optional.empty(), "The Lamp", "A2", "whistle-d", "full", "heard", Optional.empty(), 0),
                Evenness.of(new Expected(List.of(new Expected.Onset(0, 1, 3, 0)), 500), List.of(3.0)), true, new Spoken(3, 4));
        assertThat(PracticeCsv.of(List.of(heard))).endsWith(",4,3\r\n");
    }

    @Test
    void aTitleIsNoFormula() {
        assertThat(PracticeCsv.of(List.of(pass("=1+1", Optional.empty())))).contains("'=1+1");
    }

    @Test
    void noColumnOfWordsIsAFormula() {
        LoggedPass pass = new LoggedPass(Instant.parse("2026-03-05T19:00:00Z"), 1, Optional.empty(), "+A", "@B", "=C", "-D", "\tE",
                Optional.empty(), 85, true, 0, -0.015, 0, 1, 0, 0);
        assertThat(PracticeCsv.of(List.of(pass))).contains("\"'+A\",\"'@B\",\"'=C\",\"'-D\",\"'\tE\"").contains(",-1.5,");
    }
}
