package wildflourish.core.lesson;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Tunes;
import wildflourish.core.growth.Grower;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;

/** What a student does next, against histories made by hand before the rules were written; intervals against their published rule. */
class LessonTest {

    private static final ZoneId ZONE = ZoneOffset.UTC;
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 30);
    private static final Tempo GOAL = Tempo.parse("1/2=100");
    private static final Tune TUNE = Tunes.of(Meter.of(4, 4), Tunes.d(), "D4:2 F#4 E4 D4:2 A4:2 | B4:3 A4 F#4:2 E4:2 | D5:4 A4:2 F#4:2 | E4:2 G4:2 D4:4 ||");

    private static LoggedPass pass(int daysAgo, String passage, String rung, int tempo, boolean even) {
        Instant at = TODAY.minusDays(daysAgo).atTime(18, 0).toInstant(ZoneOffset.UTC);
        return new LoggedPass(at, 30, Optional.of(1L), "The Lamp", passage, "whistle-d", rung, "keys", Optional.of(Tempo.parse("1/2=" + tempo)), 0, even, 0.05, 0, 0, 40, 0, 0);
    }

    /** Bare, with cuts, with rolls. */
    private static Arrangement hers(Speeds speeds) {
        Arrangement bare = Arrangement.bare(TUNE, Instruments.known("whistle-d")).with(GOAL).with(speeds);
        Setting cuts = Setting.BARE.with(3, "cut");
        return bare.with(new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("pulse", cuts), new Rung("full", cuts.with(5, "long-roll")))));
    }

    private static Arrangement hers() {
        return hers(Speeds.level("fluent"));
    }

    private static NextStep next(int rung, Arrangement hers, Optional<String> easier, LoggedPass... passes) {
        return NextStep.of(Standing.of(rung, hers.ladder().rung(rung).name(), GOAL, List.of(passes), ZONE), hers, easier, TODAY);
    }

    /** 1: a tune given out last Thursday and not touched yet. */
    @Test
    void whatWasNeverPlayedIsBegun() {
        assertThat(next(0, hers(), Optional.empty())).isInstanceOf(NextStep.Begin.class);
    }

    /** 2: even at seventy in the hundred of the goal: a step up, and no more than one. */
    @Test
    void whatIsEvenGoesFaster() {
        assertThat(next(0, hers(), Optional.empty(), pass(2, Standing.WHOLE, "bare", 60, true), pass(1, Standing.WHOLE, "bare", 70, true)))
                .isEqualTo(new NextStep.AtTempo(Tempo.parse("1/2=80"), "it is even up to minim = 70; the goal is minim = 100"));
    }

    /** 3: at the goal on a rung, and the next is clean in these hands: take it. */
    @Test
    void whatIsThereTakesTheNextRung() {
        NextStep step = next(0, hers(), Optional.empty(), pass(1, Standing.WHOLE, "bare", 100, true));
        assertThat(step).isInstanceOf(NextStep.TakeRung.class);
        assertThat(step.inWords()).isEqualTo("take the rung “pulse”");
    }

    /** 4: at the goal, but the long roll of the next rung is too fast for a learner: first the roll by itself. */
    @Test
    void whatStandsInTheWayIsDrilled() {
        NextStep step = next(1, hers(Speeds.level("learner")), Optional.empty(), pass(1, Standing.WHOLE, "pulse", 100, true));
        assertThat(step).isInstanceOf(NextStep.DrillIt.class);
        assertThat(((NextStep.DrillIt) step).drill().id()).isEqualTo("roll");
        assertThat(step.why()).contains("full").contains("long roll in bar 2");
    }

    private static LoggedPass[] stuck(String rung) {
        List<LoggedPass> all = new ArrayList<>(List.of(pass(9, "A2", rung, 60, true)));
        for (int i = 0; i < 14; i++) {
            all.add(pass(8 - i / 2, "A2", rung, 80, false));
        }
        return all.toArray(LoggedPass[]::new);
    }

    /** 5: the second phrase will not come, with cuts: the cut by itself. */
    @Test
    void whatIsStuckWithOrnamentsIsDrilled() {
        NextStep step = next(1, hers(), Optional.of("Hens on the Slip"), stuck("pulse"));
        assertThat(step).isInstanceOf(NextStep.DrillIt.class);
        assertThat(((NextStep.DrillIt) step).drill().id()).isEqualTo("cut");
        assertThat(step.why()).startsWith("A2 has been uneven 14 times without a gain");
    }

    /** 6: the same, bare as it is: an easier tune first; slower, where there is none. */
    @Test
    void whatIsStuckBareIsTooHard() {
        assertThat(next(0, hers(), Optional.of("Hens on the Slip"), stuck("bare")).inWords()).isEqualTo("an easier tune first: Hens on the Slip");
        assertThat(next(0, hers(), Optional.empty(), stuck("bare")).inWords()).isEqualTo("at minim = 50");
    }

    /** 7: known well a month ago, on two days: after five days it fades. */
    @Test
    void whatIsDueIsPlayedAgain() {
        NextStep step = next(2, hers(), Optional.empty(), pass(32, Standing.WHOLE, "full", 100, true), pass(30, Standing.WHOLE, "full", 104, true));
        assertThat(step).isEqualTo(new NextStep.Revisit(25, "it was even at its goal on 2 days, the last time 30 days ago: after 5 days it fades"));
    }

    /** As above, half way up: a week between lessons lets nothing fade; after that it is played again before the next rung is taken. */
    @Test
    void whoStillClimbsHasAWeek() {
        assertThat(next(0, hers(), Optional.empty(), pass(7, Standing.WHOLE, "bare", 100, true))).isInstanceOf(NextStep.TakeRung.class);
        assertThat(next(0, hers(), Optional.empty(), pass(8, Standing.WHOLE, "bare", 100, true)))
                .isEqualTo(new NextStep.Revisit(7, "it was even at its goal on 1 day, the last time 8 days ago: after 7 days it fades"));
    }

    /** 8: everything is there, and it was played yesterday: keep it. */
    @Test
    void whatIsAtTheTopIsKept() {
        NextStep step = next(2, hers(), Optional.empty(), pass(3, Standing.WHOLE, "full", 100, true), pass(1, Standing.WHOLE, "full", 100, true));
        assertThat(step).isInstanceOf(NextStep.Keep.class);
        assertThat(((NextStep.Keep) step).due()).isEqualTo(TODAY.plusDays(4));
        assertThat(step.inWords()).startsWith("keep it; play it again on ");
        NextStep due = next(2, hers(), Optional.empty(), pass(7, Standing.WHOLE, "full", 100, true), pass(5, Standing.WHOLE, "full", 100, true));
        assertThat(due.inWords()).as("on the day itself").isEqualTo("keep it; play it again today");
    }

    /** Even in every phrase, never yet as a whole: now the whole, slowly. */
    @Test
    void passagesAreJoined() {
        assertThat(next(0, hers(), Optional.empty(), pass(2, "A1", "bare", 100, true), pass(1, "A2", "bare", 90, true)))
                .isEqualTo(new NextStep.AtTempo(Tempo.parse("1/2=50"), "its passages are even up to minim = 90 each: now the whole of it, slowly"));
        Standing standing = Standing.of(0, "bare", GOAL, List.of(pass(2, "A1", "bare", 100, true), pass(1, "A2", "bare", 90, false)), ZONE);
        assertThat(standing.reached()).as("one passage was never even").isEmpty();
    }

    /** Pimsleur, A memory schedule (1967): 1 day, 5 days, 25 days, 4 months; five times the one before. */
    @ParameterizedTest
    @CsvSource({"1, 1", "2, 5", "3, 25", "4, 120", "9, 120"})
    void intervalsGrowByFive(int goodDays, int days) {
        assertThat(Review.RULE.interval(goodDays)).isEqualTo(days);
        TreeSet<LocalDate> good = new TreeSet<>();
        for (int i = 0; i < goodDays; i++) {
            good.add(TODAY.minusDays(i));
        }
        assertThat(Review.RULE.due(good)).isEqualTo(TODAY.plusDays(days));
        assertThat(Review.RULE.overdue(good, TODAY.plusDays(days))).isZero();
        assertThat(Review.RULE.overdue(good, TODAY.plusDays(days + 3))).isEqualTo(3);
    }

    @Test
    void aStudentIsKeptAsText() {
        Student ina = new Student("Ina Scarth", "Thursday", "banjo-five-string", List.of(), 2, "learner", Map.of("stroke", "100/130"), Map.of("rows", "along"), false, "left hand tires soon");
        assertThat(Student.read(ina.write())).isEqualTo(ina);
        assertThat(ina.plays().spoken()).isEqualTo("five-string banjo, capo 2");
        assertThat(ina.hands().of(Move.STROKE)).isEqualTo(new Speeds.Span(100, 130));
        assertThat(ina.with(ina.hands()).speeds()).isEqualTo(ina.speeds());
        assertThatThrownBy(() -> Student.of(" ", "", "fiddle", "learner")).hasMessage("a student has a name");
        assertThatThrownBy(() -> Student.of("Ina", "", "harp", "learner")).hasMessageContaining("no instrument 'harp'");
        assertThatThrownBy(() -> Student.of("Ina", "", "fiddle", "wizard")).hasMessageContaining("no level 'wizard'");
    }

    @Test
    void whoPlaysTwoInstrumentsTakesUpTheNext() {
        Student ina = new Student("Ina Scarth", "", "banjo-five-string", List.of("fiddle", "banjo-five-string", "whistle-d", "fiddle"), 2, "learner", Map.of(), Map.of(), true, "");
        assertThat(ina.also()).containsExactly("fiddle", "whistle-d");
        Student then = ina.onTheirNext();
        assertThat(then.instrument()).isEqualTo("fiddle");
        assertThat(then.capo()).isZero();
        assertThat(then.also()).containsExactly("whistle-d", "banjo-five-string");
        assertThat(then.onTheirNext().onTheirNext().instrument()).isEqualTo("banjo-five-string");
        assertThat(Student.of("Ina", "", "fiddle", "learner").onTheirNext().instrument()).isEqualTo("fiddle");
        assertThatThrownBy(() -> new Student("Ina", "", "fiddle", List.of("harp"), 0, "learner", Map.of(), Map.of(), true, "")).hasMessageContaining("no instrument 'harp'");
    }

    /** Who has a short breath breathes more often, and never blows longer than a lungful where there is a place to breathe. */
    @Test
    void aShortBreathBreathesOftener() {
        Arrangement bare = Arrangement.bare(TUNE, Instruments.known("whistle-d")).with(Tempo.parse("1/2=60"));
        Student ina = Student.of("Ina", "", "whistle-d", "learner");
        Student short3 = new Student("Ina", "", "whistle-d", List.of(), 0, "learner", Map.of("lungful", "3"), Map.of(), true, "");
        Student long20 = new Student("Ina", "", "whistle-d", List.of(), 0, "learner", Map.of("lungful", "20"), Map.of(), true, "");
        assertThat(breaths(short3, bare)).isGreaterThan(breaths(ina, bare));
        assertThat(breaths(ina, bare)).isGreaterThan(breaths(long20, bare));
    }

    private static int breaths(Student student, Arrangement bare) {
        Arrangement own = OwnVersion.of(student, bare, bare.tempo()).arrangement();
        return PlayingAdvice.of(own.version(0)).breaths().orElseThrow().marks().size();
    }

    private static List<OwnVersion> versions() {
        Arrangement bare = Arrangement.bare(TUNE, Instruments.known("whistle-d")).with(Tempo.parse("1/2=80"));
        Arrangement grown = bare.with(Grower.of(bare, List.of()).grow().ladder());
        List<OwnVersion> all = new ArrayList<>();
        for (String id : List.of("whistle-d", "flute-d", "pipes-bellows-d", "pipes-nine-note", "fiddle", "tenor-banjo", "anglo-cg", "recorder-alto-f")) {
            for (String level : List.of("learner", "expert")) {
                all.add(OwnVersion.of(Student.of(id + " " + level, "", id, level), grown, Tempo.parse("1/2=80")));
            }
        }
        return all;
    }

    /** Everybody's own version is on their instrument, clean at the tempo, and the next rung would not be. */
    @Test
    void eachGetsWhatTheyCanTake() {
        List<OwnVersion> all = versions();
        assertThat(all).allSatisfy(v -> {
            assertThat(v.arrangement().instrument().id()).isEqualTo(v.student().instrument());
            assertThat(OwnVersion.checks(v.version())).allMatch(c -> c.verdict() instanceof Verdict.Clean);
            assertThat(v.version().hands().plan().missing()).isEmpty();
            if (v.rung() + 1 < v.arrangement().ladder().size()) {
                assertThat(OwnVersion.checks(v.arrangement().version(v.rung() + 1))).anyMatch(c -> !(c.verdict() instanceof Verdict.Clean));
            }
            assertThat(v.arrangement().ladder().rungs()).allSatisfy(r -> assertThat(OwnVersion.checks(v.arrangement().version(v.arrangement().ladder().rungs().indexOf(r))))
                    .noneMatch(c -> c.verdict().isBlocked()));
        });
        for (int i = 0; i < all.size(); i += 2) {
            assertThat(all.get(i).rung()).as(all.get(i).student().name()).isLessThanOrEqualTo(all.get(i + 1).rung());
        }
    }

    /** The class tempo is what trying every tempo finds, and so is who is left behind at each. */
    @Test
    void theClassTempoIsTheFastestAtWhichAllAreClean() {
        List<OwnVersion> all = versions();
        ClassTempo tempo = ClassTempo.of(all);
        for (int count = 40; count <= 240; count += 4) {
            Tempo tried = Tempo.parse("1/2=" + count);
            List<String> behind = all.stream().filter(v -> !OwnVersion.checks(v.version()).stream()
                    .allMatch(c -> c.verdict().cleanUpTo().filter(t -> !t.perMinute().isLess(tried.perMinute())).isPresent())).map(v -> v.student().name()).toList();
            assertThat(tempo.behindAt(tried)).as("at %d", count).containsExactlyInAnyOrderElementsOf(behind);
            boolean within = tempo.everybody().filter(t -> t.perMinute().isLess(tried.perMinute())).isEmpty();
            assertThat(within).isEqualTo(behind.isEmpty());
        }
        assertThat(tempo.steps()).isSortedAccordingTo((a, b) -> a.above().perMinute().compareTo(b.above().perMinute()));
        assertThat(tempo.steps().stream().flatMap(s -> s.leavesBehind().stream())).doesNotHaveDuplicates();
    }

    private static LoggedPass played(int daysAgo, int minute, int minutes) {
        Instant at = TODAY.minusDays(daysAgo).atTime(18, minute).toInstant(ZoneOffset.UTC);
        return new LoggedPass(at, minutes * 60, Optional.of(1L), "The Lamp", Standing.WHOLE, "whistle-d", "bare", "keys", Optional.of(GOAL), 0, true, 0.05, 0, 0, 40, 0, 0);
    }

    /** Twelve months, the empty ones too; what is older does not count. */
    @Test
    void aYearIsTwelveMonths() {
        StudentYear year = StudentYear.of(List.of(played(400, 0, 30), played(40, 0, 20), played(40, 30, 5), played(1, 0, 10)), TODAY, ZONE);
        assertThat(year.minutes()).hasSize(12);
        assertThat(year.minutes().firstKey()).isEqualTo(java.time.YearMonth.of(2025, 4));
        assertThat(year.minutes()).containsEntry(java.time.YearMonth.of(2026, 2), 25.0).containsEntry(java.time.YearMonth.of(2026, 3), 10.0).containsEntry(java.time.YearMonth.of(2026, 1), 0.0);
        assertThat(year.total()).isEqualTo(35);
        assertThat(year.days()).isEqualTo(2);
    }

    /** What the hands ask for: rests in long sittings, no sudden rise, and what their instrument asks for; an old strain is over. */
    @Test
    void cautionsReachWhomTheyConcern() {
        Student fiddler = Student.of("Pell", "", "fiddle", "fluent");
        List<String> usual = PersonalCare.of(fiddler, List.of(), TODAY, ZONE);
        assertThat(usual).anyMatch(c -> c.startsWith("Left wrist straight")).noneMatch(c -> c.contains("mouthpiece")).anyMatch(c -> c.contains("doctor"));
        assertThat(PersonalCare.of(fiddler, List.of(played(2, 0, 8), played(2, 9, 6)), TODAY, ZONE)).contains("Played 14 minutes in one go this week: rest after 12.");
        assertThat(PersonalCare.of(fiddler, List.of(played(2, 0, 8), played(2, 20, 6), played(9, 0, 40)), TODAY, ZONE)).isEqualTo(usual);
        List<LoggedPass> sudden = List.of(played(9, 0, 20), played(5, 0, 10), played(4, 0, 10), played(3, 0, 10), played(2, 0, 10), played(1, 0, 10), played(0, 0, 10));
        assertThat(PersonalCare.of(fiddler, sudden, TODAY, ZONE)).first().asString().startsWith("60 minutes this week after 20 the week before");
    }
}
