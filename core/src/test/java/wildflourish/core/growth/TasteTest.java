package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.SessionTune;
import wildflourish.core.Standing;
import wildflourish.core.data.DataFault;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Density;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.TuneType;

class TasteTest {

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    private static Ladder ladder(String... names) {
        return new Ladder(Stream.of(names).map(n -> new Rung(n, Setting.BARE)).toList());
    }

    /** Whatever the data name is there: ornaments of the instrument and kinds of variation. */
    @ParameterizedTest
    @MethodSource("instruments")
    void everyRungNamesWhatThereIs(Instrument instrument) {
        Taste taste = Taste.of(instrument);
        Vocabulary vocabulary = Vocabulary.of(instrument);
        Set<String> seen = new HashSet<>();
        for (Taste.Level level : taste.rungs()) {
            // Some belong to one instrument of the family alone.
            level.ornaments().forEach(id -> assertThat(vocabulary.byId(id).or(() -> Vocabulary.of(instrument.family()).byId(id)))
                    .as(id).isPresent());
            Stream.concat(level.variations().stream(), level.free().stream()).forEach(k -> {
                assertThat(VariationKind.isKnown(k)).as(k).isTrue();
                assertThat(seen.add(k)).as("%s once", k).isTrue();
            });
            assertThat(level.repeats()).isIn("alike", "varied");
        }
        assertThat(taste.provenance()).isNotBlank();
    }

    /** A grown rung keeps the tune's notes in their places unless the teacher lets them go. */
    @ParameterizedTest
    @MethodSource("instruments")
    void whatIsGrownByItselfKeepsTheNotesOfTheTune(Instrument instrument) {
        Set<String> kept = Set.of("fill", "shuffle", "connect", "restate", "link", "blue");
        Taste.of(instrument).rungs().forEach(l -> assertThat(kept).containsAll(l.variations()));
    }

    @Test
    void aRungOfAnotherNameFollowsTheRulesBelowIt() {
        Taste taste = Taste.of(Instruments.known("fiddle"));
        Taste own = taste.forLadder(ladder("bare", "first graces", "Thursday", "full"));
        assertThat(own.rungs()).extracting(Taste.Level::name).containsExactly("bare", "first graces", "Thursday", "full");
        assertThat(own.rungs().get(2).perPhrase()).isEqualTo(own.rungs().get(1).perPhrase());
        // What the rungs that are not there would have added comes in with the next one.
        assertThat(own.allowed(1, false)).contains("slur", "cut").doesNotContain("slide");
        assertThat(own.allowed(3, false)).contains("slide", "treble");
    }

    @Test
    void aLadderWithoutKnownNamesBeginsAboveTheGround() {
        Taste own = Taste.of(Instruments.known("whistle-d")).forLadder(ladder("plain", "some", "more"));
        assertThat(own.rungs().get(0).perPhrase()).isZero();
        assertThat(own.rungs().get(1).perPhrase()).isPositive();
    }

    @Test
    void densitiesNeverFallOnTheWayUp() {
        Ladder ladder = ladder("bare", "pulse", "full").dense(1, Optional.of(new Density(9, 4)));
        List<Taste.Level> levels = Taste.of(Instruments.known("fiddle")).forLadder(ladder).rungs();
        assertThat(levels.get(1).perPhrase()).isEqualTo(9);
        assertThat(levels.get(2).perPhrase()).isEqualTo(9);
        assertThat(levels.get(2).heavyPerPhrase()).isEqualTo(4);
        assertThatThrownBy(() -> new Density(-1, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void licksBelongToTheFullestRung() {
        Taste taste = Taste.of(Instruments.known("mandolin"));
        assertThat(taste.allowed(5, false)).contains(Taste.LICK);
        assertThat(taste.allowed(4, true)).doesNotContain(Taste.LICK);
        assertThat(taste.allowed(5, true)).contains("double", "octave-up");
        assertThat(taste.allowed(5, false)).doesNotContain("double", "octave-up");
    }

    @Test
    void kindsOfVariationAreKnownByTheirNames() {
        assertThat(VariationKind.spoken("connect")).isEqualTo("connecting note");
        assertThat(VariationKind.spoken("lick:the_way_home")).isEqualTo("lick: the way home");
        assertThatThrownBy(() -> VariationKind.of("yodel")).isInstanceOf(DataFault.class);
        assertThat(VariationKind.all()).allSatisfy(k -> {
            assertThat(k.how()).endsWith(".");
            assertThat(k.suits()).allSatisfy(s -> assertThat(s.because()).isNotBlank());
        });
    }

    /** Schools are no sequence: whichever a teacher names first, the taste is the same, on every kind of tune. */
    @ParameterizedTest
    @MethodSource("instruments")
    void theOrderOfSchoolsDoesNotMatter(Instrument instrument) {
        for (SessionTune tune : SessionTune.values()) {
            var one = School.USUAL.with("plucking", "breakdown").with("triplet", "even").with("treble", "even");
            var other = School.USUAL.with("treble", "even").with("triplet", "even").with("plucking", "breakdown");
            assertThat(one).isEqualTo(other);
            assertThat(Taste.of(instrument, one, tune.tune().head())).isEqualTo(Taste.of(instrument, other, tune.tune().head()));
        }
    }

    /** What a rung asks at the least, and how much of it may be tight, is there for every kind of tune. */
    @ParameterizedTest
    @MethodSource("instruments")
    void everyKindOfTuneHasItsTaste(Instrument instrument) {
        for (SessionTune tune : SessionTune.values()) {
            Taste taste = Taste.of(instrument, School.USUAL, tune.tune().head());
            assertThat(taste.rungs()).hasSize(6);
            taste.liking().forEach((id, liking) -> {
                assertThat(liking.because()).isNotBlank();
                assertThat(liking.points()).isNotZero();
            });
        }
    }

    /** What every way of playing makes of every kind of tune: what comes in on which rung, how much it bears, and what is liked better. */
    @Test
    void whatEachKindOfTuneAllows() throws IOException {
        List<String> lines = new ArrayList<>();
        for (String id : List.of("whistle-d", "recorder-alto-f", "pipes-bellows-d", "pipes-nine-note", "fiddle", "mandolin", "banjo-five-string", "anglo-cg")) {
            for (SessionTune tune : SessionTune.values()) {
                lines.add("%s, %s".formatted(id, TuneType.of(tune.tune().head()).id()));
                tell(Taste.of(Instruments.known(id), School.USUAL, tune.tune().head()), lines);
            }
            lines.add(id + ", even triplets");
            tell(Taste.of(Instruments.known(id), School.USUAL.with("triplet", "even"), SessionTune.REEL.tune().head()), lines);
            lines.add(id + ", of no kind");
            tell(Taste.of(Instruments.known(id)), lines);
        }
        for (String plucking : List.of("breakdown", "by-tune", "session")) {
            lines.add("mandolin, plucked as " + plucking);
            tell(Taste.of(Instruments.known("mandolin"), School.USUAL.with("plucking", plucking), SessionTune.BREAKDOWN.tune().head()), lines);
            tell(Taste.of(Instruments.known("mandolin"), School.USUAL.with("plucking", plucking), SessionTune.JIG.tune().head()), lines);
        }
        assertThat(Standing.differing("ladders/taste", lines)).isEmpty();
    }

    private static void tell(Taste taste, List<String> lines) {
        for (Taste.Level l : taste.rungs()) {
            lines.add("  %s: %s %s %s %s; %d, %d weighty, %s, at least %d".formatted(l.name(), l.ornaments(), l.variations(), l.free(), l.repeats(), l.perPhrase(), l.heavyPerPhrase(), l.tightAllowed(), l.least()));
        }
        taste.liking().entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(e -> lines.add("  likes %s %d: %s".formatted(e.getKey(), e.getValue().points(), e.getValue().because())));
    }

    /** A file in which a rung may hold less than the one below it, in any of the three ways, is refused; as much is enough. */
    @Test
    void aRungThatMayHoldLessThanTheOneBelowIsRefused() {
        Taste fiddle = Taste.of(Instruments.known("fiddle"));
        assertThat(Taste.checked(withTop(fiddle, 2, 2, true, 2, 2, true))).isNotNull();
        assertThat(Taste.checked(withTop(fiddle, 2, 2, false, 3, 3, true))).isNotNull();
        assertThatThrownBy(() -> Taste.checked(withTop(fiddle, 2, 2, true, 1, 2, true))).isInstanceOf(DataFault.class).hasMessageContaining("'upper' may hold less than 'lower'");
        assertThatThrownBy(() -> Taste.checked(withTop(fiddle, 2, 2, true, 2, 1, true))).isInstanceOf(DataFault.class);
        assertThatThrownBy(() -> Taste.checked(withTop(fiddle, 2, 2, true, 2, 2, false))).isInstanceOf(DataFault.class);
    }

    private static Taste withTop(Taste taste, int most, int heavy, boolean tight, int mostAbove, int heavyAbove, boolean tightAbove) {
        Taste.Level lower = new Taste.Level("lower", List.of(), List.of(), List.of(), "alike", most, heavy, tight, 0);
        Taste.Level upper = new Taste.Level("upper", List.of(), List.of(), List.of(), "alike", mostAbove, heavyAbove, tightAbove, 0);
        return new Taste(taste.provenance(), List.of(lower, upper), taste.deductions(), taste.tightOneIn(), taste.smallGain(), taste.separates(), taste.freely(), taste.mostOnANote(), taste.liking());
    }

    @Test
    void nobodyHasATasteForTheTuneAsWritten() {
        assertThatThrownBy(() -> Taste.of(Instruments.known("none"))).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("nobody plays");
    }
}
