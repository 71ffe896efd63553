package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.data.DataFault;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.AsPlayed;
import wildflourish.core.setting.Density;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Varied;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

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
            assertThat(grown.reasons().get(r)).hasSize(grown.ladder().setting(r).size() - grown.ladder().setting(r).variations().size());
            assertThat(grown.variations().get(r)).hasSize(grown.ladder().setting(r).variations().size());
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
        Situation played = AsPlayed.of(situation, ladder.setting(0)).situation();
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
                    // What parts equal notes counts against no budget, and what another takes up is not played.
                    List<Ornament> counted = new ArrayList<>(Gestures.played(played, n, setting.ornaments(n, situation.vocabulary())));
                    int note = n;
                    counted.removeIf(o -> played.repeats(note) && o.separates());
                    used += counted.size();
                    heavy += (int) counted.stream().filter(Ornament::heavy).count();
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
        Situation played = AsPlayed.of(situation, ladder.setting(0)).situation();
        for (int r = 0; r < ladder.size(); r++) {
            Setting setting = ladder.setting(r);
            boolean tightAllowed = Taste.of(Instruments.known("whistle-d")).rungs().get(r).tightAllowed();
            setting.byNote().keySet().forEach(note -> {
                Verdict verdict = Playability.of(played, note, setting.ornaments(note, played.vocabulary()),
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
        Ladder grown = grower(situation).grow().ladder();
        Setting full = grown.setting(5);
        Ladder pruned = grower(situation).prune(full).ladder();
        assertThat(pruned.size()).isEqualTo(6);
        assertThat(pruned.setting(5)).isEqualTo(full);
        assertThat(pruned.setting(0)).isEqualTo(grown.setting(0));
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
        List<Check> checks = Check.all(situation, setting, Tempo.parse("1/4=280"), FLUENT);
        assertThat(checks).hasSize(2);
        assertThat(checks.get(0).verdict().word()).isNotEqualTo("clean");
        assertThat(checks.get(0).instead().orElseThrow().id()).isEqualTo("cut");
        assertThat(checks.get(1).instead()).isEmpty();
        assertThat(checks.get(1).verdict()).isInstanceOf(Verdict.Clean.class);
    }

    @Test
    void tasteWhoseUpperRungsHoldLessIsRefused() {
        Taste.Level low = new Taste.Level("low", List.of(), List.of(), List.of(), "alike", 3, 0, false, 0);
        Taste.Level high = new Taste.Level("high", List.of(), List.of(), List.of(), "alike", 2, 0, false, 0);
        assertThatThrownBy(() -> Taste.checked(ChooserTest.taste(List.of(low, high), new Taste.Deductions(0, 0, 0, 1, 0, 0, 0, 0, 0))))
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

    private static Grower of(Situation situation, Wishes wishes, Ladder ladder) {
        Taste taste = Taste.of(situation.instrument()).forLadder(ladder);
        return new Grower(situation, SESSION, FLUENT, taste, Phrases.of(situation.tune()), wishes, Optional.of(ladder), List.of());
    }

    /** The bars of the jig that come back are treated the same below the fullest rung, and not all the same on it. */
    @Test
    void equalPhrasesAreOneDecisionAndVariedAtTheTop() {
        Situation fiddle = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), REEL)), Instruments.known("fiddle"), School.USUAL);
        Ladder ladder = new Grower(fiddle, Tempo.parse("1/2=70"), FLUENT, Taste.of(fiddle.instrument())).grow().ladder();
        for (int r = 1; r < 5; r++) {
            assertThat(treatment(ladder.setting(r), 0, 14)).isEqualTo(treatment(ladder.setting(r), 14, 28));
        }
        assertThat(treatment(ladder.setting(4), 0, 14)).isNotEmpty();
        assertThat(treatment(ladder.setting(5), 0, 14)).isNotEqualTo(treatment(ladder.setting(5), 14, 28));
    }

    private static final String REEL = "F#5:2 D5 F#5 A5 D5 F#5 D5 | E5:2 C#5 E5 G5 E5 C#5 E5 | "
            + "F#5:2 D5 F#5 A5 D5 F#5 D5 | E5:2 C#5 E5 G5 E5 C#5 E5 | D5 F#5 A5 F#5 G5 F#5 E5 C#5 | D5 B4 A4 F#4 D4:4 ||";

    private static List<Object> treatment(Setting setting, int from, int to) {
        List<Object> all = new ArrayList<>();
        setting.byNote().subMap(from, to).forEach((n, ids) -> all.addAll(List.of(n - from, ids)));
        setting.variations().subMap(from, to).forEach((n, v) -> all.addAll(List.of(n - from, v.kind(), v.notes())));
        return all;
    }

    @Test
    void whatIsLockedStaysAndWhatIsForbiddenDoesNotComeBack() {
        Situation situation = jig();
        Ladder ladder = grower(situation).grow().ladder();
        int rolled = ladder.setting(4).byNote().entrySet().stream().filter(e -> e.getValue().contains("long-roll")).findFirst()
                .orElseThrow().getKey();
        Ladder again = of(situation, Wishes.NONE.forbidding(rolled, "long-roll", true), ladder).grow().ladder();
        assertThat(again.setting(5).has(rolled, "long-roll")).isFalse();
        Ladder placed = ladder.place(1, 2, situation.vocabulary().known("tap"), situation.vocabulary());
        Ladder kept = of(situation, Wishes.NONE.locking(2, true), placed).grow().ladder();
        assertThat(kept.setting(1).at(2)).containsExactly("tap");
        assertThat(kept.setting(0).at(2)).isEmpty();
        assertThat(of(situation, Wishes.NONE, placed).grow().ladder().setting(1).at(2)).isEmpty();
    }

    @Test
    void takingOneThingOutShowsWhatWouldComeInstead() {
        Situation situation = jig();
        Ladder ladder = grower(situation).grow().ladder();
        Setting full = ladder.setting(4);
        int note = full.byNote().keySet().stream().filter(n -> !ladder.setting(3).at(n).containsAll(full.at(n))).findFirst().orElseThrow();
        String id = full.at(note).stream().filter(i -> !ladder.setting(3).has(note, i)).findFirst().orElseThrow();
        RunnerUp other = grower(situation).without(ladder, 4, note, id).orElseThrow();
        assertThat(other.setting().has(note, id)).isFalse();
        assertThat(other.setting().contains(ladder.setting(3))).isTrue();
        assertThat(other.loss()).isGreaterThanOrEqualTo(0);
        assertThat(other.inWords(situation.tune(), situation.vocabulary())).containsAnyOf("less", "as good");
        assertThat(grower(situation).without(ladder, 3, note, id)).isEmpty();
    }

    @Test
    void theTeacherSaysHowDenseARungIs() {
        Situation situation = jig();
        Ladder ladder = grower(situation).grow().ladder();
        Ladder sparse = of(situation, Wishes.NONE, ladder.dense(4, Optional.of(new Density(1, 1))).dense(3, Optional.of(new Density(1, 0)))
                .dense(2, Optional.of(new Density(1, 0)))).grow().ladder();
        assertThat(sparse.setting(4).size()).isLessThan(ladder.setting(4).size());
        assertThat(sparse.rung(4).density()).hasValue(new Density(1, 1));
        Ladder three = of(situation, Wishes.NONE, ladder.dropped(5).dropped(3).dropped(1)).grow().ladder();
        assertThat(three.rungs()).extracting(r -> r.name()).containsExactly("bare", "first graces", "full");
    }

    @Property(tries = 60)
    void variationsOfARungKeepEveryNoteOfTheTuneInItsPlace(@ForAll @IntRange(min = 0, max = 100_000) int seed) {
        Situation whistle = random(seed);
        Situation situation = Situation.of(whistle.tune(), Instruments.known("fiddle"), School.USUAL);
        Ladder ladder = new Grower(situation, SESSION, FLUENT, Taste.of(situation.instrument())).grow().ladder();
        for (Rung rung : ladder.rungs()) {
            for (Variation variation : rung.setting().variations().values()) {
                assertThat(variation.fits(situation.tune())).isTrue();
                assertThat(variation.pitches().getFirst()).isEqualTo(situation.tune().note(variation.from()).pitch());
                assertThat(variation.to() - variation.from()).isEqualTo(1);
            }
            Varied varied = Varied.of(situation.tune(), rung.setting());
            for (int n = 0; n < situation.tune().size(); n++) {
                assertThat(varied.tune().note(varied.now(n)).onset()).isEqualTo(situation.tune().note(n).onset());
                assertThat(varied.tune().note(varied.now(n)).pitch()).isEqualTo(situation.tune().note(n).pitch());
            }
        }
    }

    /** A phrase ends on its note: what fills that note is weighed against, a breath is not. */
    @Test
    void theLastNoteOfAPhraseIsLeftInPeace() {
        Situation situation = jig();
        Candidates candidates = new Candidates(situation, SESSION, FLUENT, Phrases.of(situation.tune()), Taste.of(situation));
        Taste taste = Taste.of(situation);
        for (Phrase phrase : Phrases.of(situation.tune())) {
            for (Ornament ornament : situation.vocabulary().all()) {
                List<Grown.Weighed> last = candidates.weighed(phrase.lastNote(), List.of(ornament), false, taste);
                assertThat(last.stream().anyMatch(t -> t.points() < 0 && t.why().equals("a phrase ends here")))
                        .as("%s at the end of %s", ornament.id(), phrase.name()).isEqualTo(!ornament.isBreath());
                int inside = phrase.lastNote() - 1;
                assertThat(candidates.weighed(inside, List.of(ornament), false, taste)).noneMatch(t -> t.why().equals("a phrase ends here"));
            }
        }
    }

    /** A second growing weighs the same for every placement, and each placement says something. */
    @Test
    void growingAgainWeighsTheSame() {
        Situation situation = jig();
        Grower grower = grower(situation);
        Grown grown = grower.grow();
        Grown again = grower(situation).grow();
        for (int r = 1; r < grown.ladder().size(); r++) {
            assertThat(again.reasons().get(r)).isEqualTo(grown.reasons().get(r));
            assertThat(grown.reasons().get(r)).allSatisfy(reasoned -> assertThat(reasoned.weighed()).isNotEmpty());
        }
    }

    /** Where a class plays freely, the wild rung brings more than four kinds of variation over the tunes of a session. */
    @Test
    void freeLaddersLeaveRoomForTheMelody() {
        java.util.Set<String> kinds = new java.util.HashSet<>();
        for (String instrument : List.of("fiddle", "mandolin", "whistle-d")) {
            for (wildflourish.core.SessionTune tune : wildflourish.core.SessionTune.values()) {
                Situation situation = Situation.of(Timeline.of(tune.tune()), Instruments.known(instrument), School.USUAL);
                Tempo tempo = wildflourish.core.tune.TuneType.of(tune.tune().head()).customary();
                Grown grown = new Grower(situation.at(tempo), tempo, FLUENT, Taste.of(situation), Phrases.of(situation.tune()),
                        Wishes.NONE.freely(true), Optional.empty(), List.of()).grow();
                grown.ladder().setting(5).variations().values().forEach(v -> kinds.add(v.kind()));
            }
        }
        assertThat(kinds).hasSizeGreaterThan(4);
    }

    @Test
    void whatAnInstrumentHasNotGotIsNamedWithWhatSaysTheSame() {
        Situation fiddle = Tunes.on("fiddle", "G4:3 B4 A4 G4");
        Setting foreign = Setting.BARE.with(0, "throw").with(1, "cran").with(2, "nonsense");
        List<Check.Unknown> unknown = Check.unknown(fiddle, foreign);
        assertThat(unknown).extracting(Check.Unknown::ornament).containsExactly("throw", "cran", "nonsense");
        assertThat(unknown.get(1).instead()).isPresent();
        assertThat(unknown.get(2).instead()).isEmpty();
        assertThat(unknown.getFirst().inWords(fiddle)).isEqualTo("the fiddle has no throw");
        assertThat(Check.unknown(fiddle, Setting.BARE.with(0, "treble"))).isEmpty();
    }
}
