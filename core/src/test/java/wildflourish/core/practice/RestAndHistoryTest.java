package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.tune.Tempo;

class RestAndHistoryTest {

    private static final Instant START = Instant.parse("2026-03-05T19:00:00Z");

    private static List<Rest.Spell> stretches(boolean tiring, int... minutes) {
        // from, to, from, to …
        List<Rest.Spell> all = new ArrayList<>();
        for (int i = 0; i + 1 < minutes.length; i += 2) {
            all.add(new Rest.Spell(START.plus(Duration.ofMinutes(minutes[i])), START.plus(Duration.ofMinutes(minutes[i + 1])), tiring));
        }
        return all;
    }

    private static Instant at(int minute) {
        return START.plus(Duration.ofMinutes(minute));
    }

    @Test
    void aRestIsDueAfterTwelveMinutesWithoutAPause() {
        assertThat(Rest.USUAL.due(stretches(false, 0, 6, 7, 12), at(12))).as("eleven").isEmpty();
        assertThat(Rest.USUAL.due(stretches(false, 0, 6, 7, 13), at(13))).as("twelve").hasValue(Rest.USUAL.words());
        assertThat(Rest.USUAL.due(stretches(false, 0, 6, 8, 14), at(14))).as("two minutes between are a pause").isEmpty();
        assertThat(Rest.USUAL.due(stretches(false, 0, 13), at(15))).as("rested since").isEmpty();
    }

    @Test
    void whatTiresTheHandAsksForRestSooner() {
        assertThat(Rest.USUAL.due(stretches(true, 0, 2), at(2))).hasValue(Rest.USUAL.tiringWords());
        assertThat(Rest.USUAL.due(stretches(false, 0, 2), at(2))).isEmpty();
    }

    @Test
    void itCanBeChangedOrLeftAway() {
        assertThat(Rest.USUAL.after(5).due(stretches(false, 0, 5), at(5))).isPresent();
        assertThat(Rest.USUAL.after(0).due(stretches(true, 0, 90), at(90))).isEmpty();
        assertThat(Rest.USUAL.pain()).contains("doctor");
    }

    private static LoggedPass pass(int day, String tempo, boolean even) {
        return new LoggedPass(START.plus(Duration.ofDays(day)), 30, Optional.of(1L), "The Lamp", "A2", "whistle-d", "full", "keys",
                Optional.of(Tempo.parse(tempo)), 0, even, 0.05, 0, 0, 10, 0, 0);
    }

    private static LoggedPass cut(int day, int ms, boolean even) {
        return new LoggedPass(START.plus(Duration.ofDays(day)), 15, Optional.empty(), "cut", "", "whistle-d", "", "keys", Optional.empty(), ms, even,
                0.05, 0, 0, 10, 0, 0);
    }

    @Test
    void theBestOfEachDayIsKeptAndMinutesAreAddedUp() {
        PracticeHistory history = PracticeHistory.of(List.of(pass(0, "1/2=50", true), pass(0, "1/2=60", true), pass(0, "1/2=70", false), cut(1, 100, true),
                cut(1, 80, true), pass(2, "1/2=55", true)), ZoneOffset.UTC);
        assertThat(history.lines()).extracting(PracticeHistory.Line::name).containsExactly("A2 of The Lamp", "cut");
        PracticeHistory.Line lamp = history.lines().getFirst();
        assertThat(lamp.best()).containsExactly(java.util.Map.entry(LocalDate.parse("2026-03-05"), 60.0), java.util.Map.entry(LocalDate.parse("2026-03-07"), 55.0));
        assertThat(lamp.tried()).containsExactly(java.util.Map.entry(LocalDate.parse("2026-03-05"), 70.0));
        assertThat(lamp.reached()).hasValue(60.0);
        assertThat(history.lines().getLast().reached()).as("of a gesture the shortest").hasValue(80.0);
        assertThat(history.minutes()).containsEntry(LocalDate.parse("2026-03-05"), 1.5).containsEntry(LocalDate.parse("2026-03-06"), 0.5);
        assertThat(history.totalMinutes()).isEqualTo(2.5);
    }

    @Test
    void manyUnevenPassesWithoutAGainAreStuckAndAGainEndsIt() {
        List<LoggedPass> log = new ArrayList<>(List.of(pass(0, "1/2=60", true)));
        for (int i = 0; i < 11; i++) {
            log.add(pass(1, "1/2=70", false));
            log.add(pass(1, "1/2=60", true));
        }
        assertThat(PracticeHistory.of(log, ZoneOffset.UTC).stuck()).as("eleven").isEmpty();
        log.add(pass(2, "1/2=70", false));
        assertThat(PracticeHistory.of(log, ZoneOffset.UTC).stuck().getFirst().stuckFor()).isEqualTo(12);
        log.add(pass(3, "1/2=70", true));
        assertThat(PracticeHistory.of(log, ZoneOffset.UTC).stuck()).isEmpty();
    }

    @Test
    void whoHasReachedTheGoalIsNotStuckThere() {
        List<LoggedPass> log = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            log.add(pass(i, "1/2=88", true));
        }
        assertThat(PracticeHistory.of(log, ZoneOffset.UTC).stuck()).isEmpty();
    }

    /** Titles change, and two tunes may have the same: what was practised goes with the tune. */
    @Test
    void practiceGoesWithTheTuneAndNotWithItsTitle() {
        LoggedPass before = of(7, 1, "The Old Name", "3/8=80");
        LoggedPass after = of(7, 2, "The New Name", "3/8=90");
        LoggedPass namesake = of(8, 3, "The New Name", "3/8=60");
        PracticeHistory history = PracticeHistory.of(List.of(before, after, namesake), ZoneOffset.UTC);
        assertThat(history.lines()).hasSize(2);
        assertThat(history.lines()).extracting(PracticeHistory.Line::tune).containsExactly(Optional.of(8L), Optional.of(7L));
        assertThat(history.lines().getLast().subject()).isEqualTo("The New Name");
        assertThat(history.lines().getLast().reached()).hasValue(90.0);
        assertThat(history.lines().getFirst().reached()).hasValue(60.0);
    }

    private static LoggedPass of(long tune, int day, String title, String tempo) {
        return new LoggedPass(START.plus(Duration.ofDays(day)), 30, Optional.of(tune), title, "A2", "whistle-d", "full", "keys",
                Optional.of(Tempo.parse(tempo)), 0, true, 0.05, 0, 0, 10, 0, 0);
    }
}
