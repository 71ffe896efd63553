package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.data.DataFault;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;

class GrowerTest {

    private static final Speeds FLUENT = Speeds.level("fluent");
    private static final Tempo SESSION = Tempo.parse("3/8=110");

    private static final String JIG = "D4 | G4:3 B4 A4 G4 | A4:3 C5 B4 A4 | B4:2 D5 G5 F#5 D5 | E5 D5 B4 A4 F#4 D4 |"
            + " G4:3 B4 A4 G4 | A4:3 C5:2 E5 | D5 B4 G4 A4 F#4 D4 | A4 G4 F#4 G4:2 :|";

    private static Situation jig() {
        return Tunes.whistle(Meter.of(6, 8), Tunes.g(), "|: " + JIG);
    }

    private static Grower grower(Situation situation) {
        return new Grower(situation, SESSION, FLUENT, Taste.of(Instruments.known("whistle-d")));
    }

    private static Situation random(long seed) {
        Random random = new Random(seed);
        String[] scale = {"D4", "E4", "F#4", "G4", "A4", "B4", "C5", "D5", "E5", "F#5", "G5", "A5", "A3"};
        List<String> words = new ArrayList<>();
        int at = random.nextInt(scale.length);
        for (int i = 0; i < 24; i++) {
            at = Math.clamp(at + random.nextInt(5) - 2, 0, scale.length - 1);
            words.add(scale[at] + ":" + (1 + random.nextInt(3)));
            if (i % 6 == 5) {
                words.add(i == 11 ? "||" : "|");
            }
        }
        return Tunes.whistle(Meter.of(4, 4), Tunes.g(), String.join(" ", words));
    }

    @Test
    void theLadderHasSixRungsFromBareToWild() {
        Ladder ladder = grower(jig()).grow().ladder();
        assertThat(ladder.rungs()).extracting(r -> r.name())
                .containsExactly("bare", "pulse", "first graces", "joined", "full", "wild");
        assertThat(ladder.setting(0)).isEqualTo(Setting.BARE);
        assertThat(ladder.setting(1).size()).isPositive();
        assertThat(ladder.setting(5).size()).isGreaterThan(ladder.setting(2).size());
    }

    /** Common practice: held notes in a jig are made for long rolls. */
    @Test
    void aHeldNoteOfAJigIsRolledOnTheFullRung() {
        Grown grown = grower(jig()).grow();
        assertThat(grown.ladder().setting(4).byNote().values().stream().flatMap(List::stream)).contains("long-roll");
        assertThat(grown.ladder().setting(3).byNote().values().stream().flatMap(List::stream))
                .doesNotContain("long-roll", "short-roll", "cran");
    }

    @Test
    void everyPlacementHasItsReasonAndItsLimit() {
        Grown grown = grower(jig()).grow();
        for (int r = 0; r < grown.ladder().size(); r++) {
            assertThat(grown.reasons().get(r)).hasSize(grown.ladder().setting(r).size());
            assertThat(grown.reasons().get(r)).allSatisfy(p -> {
                assertThat(p.reason()).contains("clean up to dotted crotchet = ");
                assertThat(p.candidate().because()).isNotBlank();
            });
        }
    }

    @Test
    void growingTwiceGivesTheSame() {
        assertThat(grower(jig()).grow()).isEqualTo(grower(jig()).grow());
    }

    @Property(tries = 60)
    void eachRungContainsTheOneBelowAndKeepsItsBudgets(@ForAll @IntRange(min = 0, max = 100_000) int seed) {
        Situation situation = random(seed);
        Ladder ladder = grower(situation).grow().ladder();
        List<Phrase> phrases = Phrases.of(situation.tune());
        for (int r = 0; r < ladder.size(); r++) {
            Setting setting = ladder.setting(r);
            Taste.Level level = Taste.of(Instruments.known("whistle-d")).rungs().get(r);
            if (r > 0) {
                assertThat(setting.contains(ladder.setting(r - 1))).isTrue();
            }
            for (Phrase phrase : phrases) {
                int used = 0;
                int heavy = 0;
                for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
                    used += setting.at(n).size();
                    heavy += (int) setting.ornaments(n, situation.vocabulary()).stream().filter(Ornament::heavy).count();
                }
                assertThat(used).isLessThanOrEqualTo(level.perPhrase());
                assertThat(heavy).isLessThanOrEqualTo(level.heavyPerPhrase());
            }
        }
    }

    @Property(tries = 60)
    void nothingBlockedIsEverChosenAndTightOnlyAtTheTop(@ForAll @IntRange(min = 0, max = 100_000) int seed) {
        Situation situation = random(seed);
        Ladder ladder = grower(situation).grow().ladder();
        for (int r = 0; r < ladder.size(); r++) {
            Setting setting = ladder.setting(r);
            boolean tightAllowed = Taste.of(Instruments.known("whistle-d")).rungs().get(r).tightAllowed();
            setting.byNote().keySet().forEach(note -> {
                Verdict verdict = Playability.of(situation, note, setting.ornaments(note, situation.vocabulary()),
                        SESSION, FLUENT);
                assertThat(verdict.isBlocked()).isFalse();
                assertThat(tightAllowed || verdict instanceof Verdict.Clean).isTrue();
            });
        }
    }

    @Property(tries = 60)
    void noTwoNeighboursCarryTheSame(@ForAll @IntRange(min = 0, max = 100_000) int seed) {
        Situation situation = random(seed);
        Setting full = grower(situation).grow().ladder().setting(5);
        for (int n = 1; n < situation.tune().size(); n++) {
            List<String> before = full.at(n - 1);
            assertThat(full.at(n)).noneMatch(before::contains);
        }
    }

    /** Pruning gives the same kind of ladder from the same full setting, and its top is what it was given. */
    @Property(tries = 40)
    void pruningThinsTheFullSettingOut(@ForAll @IntRange(min = 0, max = 100_000) int seed) {
        Situation situation = random(seed);
        Setting full = grower(situation).grow().ladder().setting(5);
        Ladder pruned = grower(situation).prune(full).ladder();
        assertThat(pruned.size()).isEqualTo(6);
        assertThat(pruned.setting(5)).isEqualTo(full);
        assertThat(pruned.setting(0)).isEqualTo(Setting.BARE);
        for (int r = 1; r < 6; r++) {
            assertThat(pruned.setting(r).contains(pruned.setting(r - 1))).isTrue();
        }
        assertThat(grower(situation).prune(pruned.setting(5)).ladder()).isEqualTo(pruned);
    }

    @Test
    void aSlowerTempoAllowsMore() {
        Situation situation = jig();
        int slow = new Grower(situation, Tempo.parse("3/8=50"), FLUENT, Taste.of(Instruments.known("whistle-d"))).grow().ladder().setting(4)
                .size();
        int fast = new Grower(situation, Tempo.parse("3/8=190"), FLUENT, Taste.of(Instruments.known("whistle-d"))).grow().ladder().setting(4)
                .size();
        assertThat(slow).isGreaterThan(fast);
    }

    @Test
    void candidatesAreRankedCleanFirstAndThenByTaste() {
        Situation situation = jig();
        List<Candidate> ranked = new Candidates(situation, SESSION, FLUENT).ranked(1, Setting.BARE);
        assertThat(ranked).hasSize(situation.vocabulary().all().size());
        List<String> words = ranked.stream().map(c -> c.verdict().word()).distinct().toList();
        assertThat(words).isSubsetOf("clean", "tight", "blocked").doesNotHaveDuplicates();
        assertThat(ranked.getFirst().ornament().id()).isEqualTo("long-roll");
        assertThat(ranked.stream().filter(c -> c.ornament().id().equals("cran")).findFirst().orElseThrow().verdict())
                .isInstanceOf(Verdict.Impossible.class);
    }

    @Test
    void aCandidatesVerdictCountsWhatStandsThereAlready() {
        Situation situation = jig();
        Candidates candidates = new Candidates(situation, SESSION, FLUENT);
        Verdict alone = verdict(candidates, Setting.BARE);
        Verdict stacked = verdict(candidates, Setting.BARE.with(5, "slide"));
        assertThat(alone.cleanUpTo().orElseThrow().isFasterThan(stacked.cleanUpTo().orElseThrow())).isTrue();
    }

    private static Verdict verdict(Candidates candidates, Setting setting) {
        return candidates.ranked(5, setting).stream().filter(c -> c.ornament().id().equals("cut")).findFirst()
                .orElseThrow().verdict();
    }

    @Test
    void aCheckOffersTheNearestSimplerOneThatIsClean() {
        Situation situation = Tunes.whistle("G4:2 A4:2");
        Setting setting = Setting.BARE.with(0, "short-roll").with(1, "cut");
        List<Check> checks = Check.all(situation, setting, Tempo.parse("1/4=200"), FLUENT);
        assertThat(checks).hasSize(2);
        assertThat(checks.get(0).verdict().word()).isNotEqualTo("clean");
        assertThat(checks.get(0).instead().orElseThrow().id()).isEqualTo("cut");
        assertThat(checks.get(1).instead()).isEmpty();
        assertThat(checks.get(1).verdict()).isInstanceOf(Verdict.Clean.class);
    }

    @Test
    void tasteWhoseUpperRungsHoldLessIsRefused() {
        Taste.Level low = new Taste.Level("low", List.of(), 3, 0, false, 0);
        Taste.Level high = new Taste.Level("high", List.of(), 2, 0, false, 0);
        assertThatThrownBy(() -> Taste.checked(new Taste("", List.of(low, high), 0, 0, 0, 0)))
                .isInstanceOf(DataFault.class).hasMessageContaining("high");
    }

    @Test
    void reasonsSayWhatIsWrong() {
        Situation situation = jig();
        Candidates candidates = new Candidates(situation, Tempo.parse("3/8=300"), FLUENT);
        Candidate roll = candidates.alone(1, situation.vocabulary().known("long-roll"));
        assertThat(Reasons.of(roll, roll.verdict())).contains("too fast here");
        Candidate cran = candidates.alone(1, situation.vocabulary().known("cran"));
        assertThat(Reasons.of(cran, cran.verdict())).contains("made for two quavers");
    }
}
