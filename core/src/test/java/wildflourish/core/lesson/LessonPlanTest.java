package wildflourish.core.lesson;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.SessionTune;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Taste;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.practice.PracticeHistory;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tempo;

/** A lesson fitted to its time: against trying everything, and against what teachers do with an hour. */
class LessonPlanTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 3, 30);
    private static final Arrangement REEL = grown(SessionTune.REEL, "1/2=90");
    private static final Arrangement JIG = grown(SessionTune.JIG, "3/8=100");

    private static Arrangement grown(SessionTune tune, String tempo) {
        Situation situation = Situation.of(tune.timeline(), Instruments.known("whistle-d"), wildflourish.core.instrument.School.USUAL);
        Tempo at = Tempo.parse(tempo);
        Arrangement bare = Arrangement.bare(tune.tune(), situation.instrument()).with(at);
        return bare.with(new Grower(situation.at(at), at, Speeds.level("fluent"), Taste.of(situation)).grow().ladder());
    }

    private static LessonTune.Taker taker(Arrangement tune, String name, String instrument, int rung, int percent, List<PracticeHistory.Line> stuck) {
        OwnVersion own = OwnVersion.of(Student.of(name, "", instrument, "fluent"), tune, tune.tempo());
        Tempo goal = tune.tempo();
        Standing standing = new Standing(rung, goal, percent == 0 ? Optional.empty() : Optional.of(goal.percent(percent)), false,
                percent == 0 ? Optional.empty() : Optional.of(TODAY.minusDays(3)), percent < 100 ? new TreeSet<>() : new TreeSet<>(Set.of(TODAY.minusDays(3))), stuck, percent == 0 ? 0 : 9);
        return new LessonTune.Taker(own, standing, NextStep.of(standing, own.arrangement(), Optional.empty(), TODAY));
    }

    private static LessonTune tune(Arrangement tune, int taught, LessonTune.Taker... takers) {
        return new LessonTune(tune, List.of(takers), taught);
    }

    private static LessonTune.Taker fresh(Arrangement tune, String name, String instrument) {
        return taker(tune, name, instrument, 0, 0, List.of());
    }

    private static LessonTune.Taker knows(Arrangement tune, String name, String instrument) {
        return taker(tune, name, instrument, 1, 100, List.of());
    }

    private static LessonTune newReel(int taught) {
        return tune(REEL, taught, fresh(REEL, "Maud", "whistle-d"), fresh(REEL, "Pell", "fiddle"), fresh(REEL, "Odo", "melodeon-dg"), knows(REEL, "Runa", "tenor-banjo"));
    }

    private static LessonTune knownJig() {
        return tune(JIG, 0, knows(JIG, "Maud", "whistle-d"), knows(JIG, "Pell", "fiddle"), fresh(JIG, "Odo", "melodeon-dg"), knows(JIG, "Runa", "tenor-banjo"));
    }

    private static List<LessonPlan.Line> of(LessonPlan plan, Doing... doings) {
        return plan.lines().stream().filter(l -> List.of(doings).contains(l.doing())).toList();
    }

    /** By trying every way through. */
    private static int everyWay(List<Stage> stages, int at, int come, int minutes) {
        if (at == stages.size()) {
            return 0;
        }
        int best = Integer.MIN_VALUE;
        for (Stage.Choice choice : stages.get(at).choices(come)) {
            if (choice.minutes() <= minutes) {
                int rest = everyWay(stages, at + 1, choice.leads(), minutes - choice.minutes());
                best = Math.max(best, rest == Integer.MIN_VALUE ? rest : rest + choice.worth());
            }
        }
        return best;
    }

    private static int fitted(List<Stage> stages, int minutes) {
        return Fitting.best(stages, minutes).map(f -> {
            assertThat(f.choices().stream().mapToInt(Stage.Choice::minutes).sum()).isEqualTo(f.minutes()).isLessThanOrEqualTo(minutes);
            assertThat(f.choices().stream().mapToInt(Stage.Choice::worth).sum()).isEqualTo(f.worth());
            return f.worth();
        }).orElse(Integer.MIN_VALUE);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void theBestOfAnyStagesIsThatOfTryingEverything(long seed) {
        Random random = new Random(seed);
        List<Stage> stages = new ArrayList<>();
        for (int s = 0; s < 6; s++) {
            Map<Integer, List<Stage.Choice>> byCome = new TreeMap<>();
            for (int come = 0; come < 3; come++) {
                List<Stage.Choice> choices = new ArrayList<>();
                for (int c = random.nextInt(4); c >= 0; c--) {
                    choices.add(new Stage.Choice(random.nextInt(5), random.nextInt(9), random.nextInt(3), List.of()));
                }
                byCome.put(come, random.nextInt(6) == 0 ? List.of() : choices);
            }
            stages.add(byCome::get);
        }
        for (int minutes = 0; minutes < 20; minutes++) {
            assertThat(fitted(stages, minutes)).as("in %d minutes", minutes).isEqualTo(everyWay(stages, 0, 0, minutes));
        }
    }

    @Test
    void theBestLessonIsThatOfTryingEveryLesson() {
        Arrangement four = Arrangement.bare(wildflourish.core.Tunes.of(wildflourish.core.tune.Meter.of(4, 4), wildflourish.core.Tunes.d(),
                "D4:2 F#4 E4 D4:2 A4:2 | B4:3 A4 F#4:2 E4:2 | D5:4 A4:2 F#4:2 | E4:2 G4:2 D4:4 ||"), Instruments.known("whistle-d")).with(Tempo.parse("1/2=90"));
        LessonTune small = tune(four, 0, fresh(four, "Maud", "whistle-d"), fresh(four, "Pell", "fiddle"));
        List<Stage> stages = LessonPlan.stages(List.of(new TuneWork(small, Set.of(), false), new TuneWork(small, Set.of(), false)), Set.of());
        for (int minutes : List.of(0, 5, 9, 14, 20, 30)) {
            assertThat(fitted(stages, minutes)).as("in %d minutes", minutes).isEqualTo(everyWay(stages, 0, 0, minutes));
        }
        assertThat(fitted(stages, 30)).isGreaterThan(fitted(stages, 9));
    }

    /** A new tune: whole, bare and slow, then its phrases in the teaching order, joined, together, and home with it. */
    @Test
    void aNewTuneIsTaughtInTheTeachersOrder() {
        LessonPlan plan = LessonPlan.of(List.of(newReel(0)), 60, Set.of());
        assertThat(plan.lines().getFirst().doing()).isEqualTo(Doing.TUNE_UP);
        assertThat(of(plan, Doing.WHOLE, Doing.SLOW).stream().map(LessonPlan.Line::doing)).containsExactly(Doing.WHOLE, Doing.SLOW);
        List<String> taught = of(plan, Doing.PHRASE, Doing.JOIN).stream().map(LessonPlan.Line::words).toList();
        List<String> order = newReel(0).reading().lesson().steps().stream().map(s -> s.text()).toList();
        assertThat(taught).isNotEmpty().isEqualTo(order.subList(0, taught.size()));
        assertThat(plan.lines().getLast().doing()).isEqualTo(Doing.TAKE_HOME);
        int at = 0;
        for (LessonPlan.Line line : plan.lines()) {
            assertThat(line.from()).isEqualTo(at);
            at = line.to();
        }
        assertThat(at).isLessThanOrEqualTo(60);
        assertThat(of(plan, Doing.REST)).hasSize(1).first().satisfies(r -> assertThat(r.from()).isBetween(20, 40));
    }

    /** A trap is told just before its phrase. */
    @Test
    void whatBitesIsToldBefore() {
        LessonPlan plan = LessonPlan.of(List.of(newReel(0)), 90, Set.of());
        List<LessonPlan.Line> lines = plan.lines();
        assertThat(of(plan, Doing.TRAP)).isNotEmpty();
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).doing() == Doing.TRAP) {
                assertThat(lines.get(i + 1).doing()).isIn(Doing.TRAP, Doing.PHRASE);
            }
        }
    }

    /** In less time less of it is taught, and it is told where to go on; then it goes on there. */
    @Test
    void whatHasNoTimeIsForNextTime() {
        LessonPlan little = LessonPlan.of(List.of(newReel(0)), 25, Set.of());
        int steps = of(little, Doing.PHRASE, Doing.JOIN).size();
        assertThat(steps).isPositive().isLessThan(of(LessonPlan.of(List.of(newReel(0)), 60, Set.of()), Doing.PHRASE, Doing.JOIN).size());
        assertThat(little.left()).anyMatch(l -> l.endsWith("on: next time"));
        assertThat(little.more()).isNotEmpty();
        LessonPlan next = LessonPlan.of(List.of(newReel(steps)), 25, Set.of());
        assertThat(of(next, Doing.PHRASE, Doing.JOIN).getFirst().words()).isEqualTo(newReel(0).reading().lesson().steps().get(steps).text());
        assertThat(of(next, Doing.SLOW).getFirst().words()).startsWith("what is known of it");
    }

    /** A tune that most know is not taught again; each family is shown what is next for it, and who is new listens. */
    @Test
    void aKnownTuneGetsItsOrnaments() {
        LessonPlan plan = LessonPlan.of(List.of(knownJig()), 45, Set.of());
        assertThat(of(plan, Doing.PHRASE, Doing.SLOW)).isEmpty();
        assertThat(of(plan, Doing.ORNAMENT)).isNotEmpty().allSatisfy(l -> {
            assertThat(l.parts().stream().map(LessonPlan.Part::who)).anyMatch(w -> w.contains("Odo"));
            assertThat(l.parts().stream().filter(p -> p.who().contains("Odo"))).allMatch(p -> p.does().startsWith("listen"));
        });
        assertThat(of(plan, Doing.TOGETHER).getFirst().words()).contains("the tune all together");
    }

    /** What is stuck is taken apart; the others finger along without a sound. */
    @Test
    void whatIsStuckGetsItsTime() {
        PracticeHistory.Line stuck = PracticeHistory.of(stuckPasses(), java.time.ZoneOffset.UTC).stuck().getFirst();
        LessonTune jig = tune(JIG, 0, taker(JIG, "Maud", "whistle-d", 1, 80, List.of(stuck)), knows(JIG, "Pell", "fiddle"));
        List<LessonPlan.Line> lines = of(LessonPlan.of(List.of(jig), 40, Set.of()), Doing.STUCK);
        assertThat(lines).hasSize(1);
        assertThat(lines.getFirst().words()).startsWith("B2, slowly");
        assertThat(lines.getFirst().parts()).contains(new LessonPlan.Part("Pell", "the same, fingers only, without a sound"));
    }

    private static List<wildflourish.core.practice.LoggedPass> stuckPasses() {
        List<wildflourish.core.practice.LoggedPass> all = new ArrayList<>();
        for (int i = 0; i < 15; i++) {
            all.add(new wildflourish.core.practice.LoggedPass(TODAY.minusDays(9 - i / 2).atTime(18, 0).toInstant(java.time.ZoneOffset.UTC), 30, Optional.of(1L), "The Jig", "B2", "whistle-d",
                    "pulse", "keys", Optional.of(Tempo.parse("3/8=" + (i == 0 ? 60 : 80))), 0, i == 0, 0.05, 0, 0, 40, 0, 0));
        }
        return all;
    }

    /** Whatever is done, everybody has something to do, and nobody two things. */
    @Test
    void everybodyHasOneThingToDo() {
        LessonPlan plan = LessonPlan.of(List.of(knownJig(), newReel(0)), 120, Set.of());
        Set<String> all = Set.of("Maud", "Pell", "Odo", "Runa");
        List<LessonPlan.Line> lines = plan.lines().stream().filter(l -> !l.parts().isEmpty() && l.doing() != Doing.TRAP).toList();
        assertThat(lines.stream().map(LessonPlan.Line::doing)).contains(Doing.WHOLE, Doing.PHRASE, Doing.JOIN, Doing.ORNAMENT, Doing.TOGETHER, Doing.TAKE_HOME);
        for (LessonPlan.Line line : lines) {
            List<String> named = line.parts().stream().flatMap(p -> Stream.of(p.who().replace(" and ", ", ").split(", "))).toList();
            List<String> others = named.stream().filter(n -> !all.contains(n)).toList();
            assertThat(named).as(line.words()).doesNotHaveDuplicates();
            assertThat(others).as(line.words()).isIn(List.of(), List.of("everybody"), List.of("everybody else"));
            assertThat(named.size() - others.size()).as(line.words()).isEqualTo(others.isEmpty() ? 4 : others.contains("everybody") ? 0 : 1);
        }
    }

    /** What is kept of a lesson names nobody, so that who leaves is in no lesson that was. */
    @Test
    void theWordsOfALineNameNobody() {
        LessonPlan plan = LessonPlan.of(List.of(knownJig(), newReel(0)), 200, Set.of());
        assertThat(plan.lines()).extracting(LessonPlan.Line::doing).contains(Doing.TRAP, Doing.ORNAMENT);
        assertThat(plan.lines()).noneMatch(l -> (l.id() + l.words()).matches(".*(Maud|Pell|Odo|Runa).*"));
    }

    /** What the teacher leaves away stays away, and its time goes to something else. */
    @Test
    void whatIsLeftAwayGivesItsTime() {
        List<LessonTune> tunes = List.of(knownJig(), newReel(0));
        LessonPlan plan = LessonPlan.of(tunes, 60, Set.of());
        for (LessonPlan.Line line : plan.lines()) {
            LessonPlan other = LessonPlan.of(tunes, 60, Set.of(line.id()));
            assertThat(other.lines().stream().map(LessonPlan.Line::id)).as(line.words()).doesNotContain(line.id());
        }
        String ornament = of(plan, Doing.ORNAMENT, Doing.TOGETHER).getFirst().id();
        LessonPlan other = LessonPlan.of(tunes, 60, Set.of(ornament));
        assertThat(other.free()).isLessThanOrEqualTo(plan.free() + 2);
    }

    /** A tune for which there is no time is left out whole; a lesson of no length, or of days, is refused. */
    @Test
    void thereAreLimits() {
        assertThat(LessonPlan.of(List.of(newReel(0)), 3, Set.of()).left()).containsExactly("“" + REEL.tune().title() + "” found no time");
        assertThat(LessonPlan.of(List.of(), 30, Set.of()).lines()).hasSize(1);
        assertThatThrownBy(() -> LessonPlan.of(List.of(), 0, Set.of())).hasMessage("a lesson lasts from 1 to 360 minutes");
        assertThatThrownBy(() -> LessonPlan.of(List.of(), 361, Set.of())).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new LessonTune(REEL, List.of(), 0)).isInstanceOf(IllegalArgumentException.class);
    }

    private static OwnVersion plays(String name, String notes) {
        Arrangement bare = Arrangement.bare(wildflourish.core.Tunes.of(wildflourish.core.tune.Meter.of(4, 4), wildflourish.core.Tunes.d(), notes), Instruments.known("whistle-d"));
        return new OwnVersion(Student.of(name, "", "whistle-d", "fluent"), bare, 0, List.of(), Optional.empty());
    }

    /** Notes a second apart are a clash where they are held, in whatever octave; a third, an octave and a passing rub are none. */
    @Test
    void heldSecondsClash() {
        Tempo tempo = Tempo.parse("1/4=100");
        List<OwnVersion> three = List.of(plays("Maud", "D4:4 F#4:4 | A4:2 A4 A4 A4:4"), plays("Pell", "E5:4 F#5:4 | A4:2 B4:1/2 A4:1/2 A4 A4:4"), plays("Odo", "D4:4 A4:4 | A4:2 A4 A4 G#4:4"));
        List<Clash> clashes = Clash.of(three, tempo);
        assertThat(clashes).extracting(c -> c.one() + " " + c.other() + " " + c.bar() + " " + c.semitones())
                .containsExactlyInAnyOrder("Maud Pell 1 2", "Pell Odo 1 2", "Maud Odo 2 1", "Pell Odo 2 1");
        assertThat(clashes.getFirst().inWords()).contains("bar 1").contains("a whole tone apart");
        assertThat(Clash.of(List.of(three.getFirst(), three.getFirst()), tempo)).isEmpty();
    }

    /** In ten minutes a new tune is begun without being heard whole and slowly first; in a longer lesson that is never left out. */
    @Test
    void tenMinutesAreEnoughForAPhrase() {
        LessonPlan brief = LessonPlan.of(List.of(newReel(0)), 10, Set.of());
        assertThat(of(brief, Doing.PHRASE)).isNotEmpty();
        assertThat(brief.free()).isLessThanOrEqualTo(2);
        for (int minutes = LessonRule.USUAL.brief() + 1; minutes < 60; minutes += 7) {
            LessonPlan plan = LessonPlan.of(List.of(newReel(0)), minutes, Set.of());
            assertThat(of(plan, Doing.WHOLE, Doing.SLOW)).hasSizeGreaterThanOrEqualTo(of(plan, Doing.PHRASE).isEmpty() ? 0 : 2).allMatch(LessonPlan.Line::obligatory);
        }
    }

    /** What the lines are worth, and that a known tune is there at all, is what the whole is worth. */
    @Test
    void theLinesAddUpToWhatThePlanIsWorth() {
        for (int minutes : List.of(10, 25, 45, 60, 90)) {
            LessonPlan plan = LessonPlan.of(List.of(newReel(0), knownJig()), minutes, Set.of());
            int lines = plan.lines().stream().mapToInt(LessonPlan.Line::worth).sum();
            int known = (int) plan.lines().stream().filter(l -> l.tune().equals(knownJig().title())).map(LessonPlan.Line::tune).distinct().count();
            assertThat(plan.worth()).isEqualTo(lines + known * LessonRule.USUAL.drop() * TuneWork.HUNDREDTH);
        }
    }
}
