package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** A repeat is played twice: what stands at its seam is judged each time, as if it were written out. */
class RepeatsAsPlayedTest {

    private static final Tempo TEMPO = Tempo.parse("1/2=92");
    private static final Speeds FLUENT = Speeds.level("fluent");
    /** Two parts whose ends and beginnings meet in ways that matter: a leap, an equal note, a fork. */
    private static final List<String> PARTS = List.of(
            "D5 D5 F#5:2 E5:2 D5:2 | F#5:2 E5:2 D5:2 E5 B4",
            "A4:2 F#4 A4 D5 A4 F#4 A4 | B4 C5 B4 G4 E4:2 D4 A4",
            "G4:3 B4 D5 B4 G4 B4 | A4 F#4 D4 F#4 A4:3 G4",
            "E4 F#4 G4 A4 B4:2 B4 A4 | B4 E5 D5 B4 A4 F#4 D4 E4");

    private static Tune tune(String text) {
        return Tunes.of(Meter.of(4, 4), Tunes.d(), text);
    }

    private static Situation situation(Tune tune, Instrument instrument) {
        return Situation.of(Timeline.of(tune), instrument, School.USUAL).at(TEMPO);
    }

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    private static int rank(Verdict verdict) {
        return switch (verdict) {
            case Verdict.Clean c -> 0;
            case Verdict.Tight t -> 1;
            case Verdict.TooFast f -> 2;
            case Verdict.Impossible i -> 3;
        };
    }

    /** A cut on the first note is clean the first time, and cannot be done when the part is played again: the B before it has the same finger. */
    @Test
    void aCutOnTheFirstNoteIsJudgedAfterTheJumpBack() {
        Instrument whistle = Instruments.known("whistle-d");
        Situation once = situation(tune(PARTS.getFirst()), whistle);
        Situation twice = situation(tune("|: " + PARTS.getFirst() + " :|"), whistle);
        Situation written = situation(tune(PARTS.getFirst() + " | " + PARTS.getFirst()), whistle);
        Ornament cut = once.vocabulary().known("cut");
        int notes = once.tune().size();
        assertThat(rank(Playability.of(once, 0, List.of(cut), TEMPO, FLUENT))).isZero();
        Verdict again = Playability.of(written, notes, List.of(cut), TEMPO, FLUENT);
        assertThat(again).isInstanceOf(Verdict.Impossible.class);
        assertThat(Playability.of(twice, 0, List.of(cut), TEMPO, FLUENT)).isInstanceOf(Verdict.Impossible.class);
        assertThat(Playability.of(twice, 0, List.of(cut), TEMPO, FLUENT).inWords()).isEqualTo("on the repeat, " + again.inWords());
        assertThat(Playability.of(twice, 3, List.of(cut), TEMPO, FLUENT)).isEqualTo(Playability.of(once, 3, List.of(cut), TEMPO, FLUENT));
    }

    @ParameterizedTest
    @MethodSource("instruments")
    void everyVerdictIsTheWorstOfThoseWrittenOut(Instrument instrument) {
        int compared = 0;
        for (String part : PARTS) {
            Situation repeated = situation(tune("|: " + part + " :|"), instrument);
            Situation written = situation(tune(part + " | " + part), instrument);
            int notes = repeated.tune().size();
            for (int note : new int[] {0, 1, notes - 2, notes - 1}) {
                boolean samePlaces = Stream.of(note - 1, note, note + 1).filter(n -> n >= 0 && n < notes).allMatch(n -> repeated.plan().at(n).equals(written.plan().at(n))
                        && repeated.plan().at(n).equals(written.plan().at(n + notes))) && repeated.plan().at(0).equals(written.plan().at(notes))
                        && repeated.plan().at(notes - 1).equals(written.plan().at(notes - 1));
                if (!samePlaces || !repeated.strokes().equals(written.strokes()) && instrument.family().hands().toString().equals("STRINGS")) {
                    continue;
                }
                for (Ornament ornament : repeated.vocabulary().all()) {
                    Verdict first = Playability.of(written, note, List.of(ornament), TEMPO, FLUENT);
                    Verdict second = Playability.of(written, note + notes, List.of(ornament), TEMPO, FLUENT);
                    Verdict found = Playability.of(repeated, note, List.of(ornament), TEMPO, FLUENT);
                    assertThat(rank(found)).as("%s on note %d of %s on the %s", ornament.id(), note, part, instrument.name()).isEqualTo(Math.max(rank(first), rank(second)));
                    if (rank(found) < 3) {
                        assertThat(found.cleanUpTo().orElseThrow().perMinute()).isEqualTo(Stream.of(first, second).map(v -> v.cleanUpTo().orElseThrow().perMinute())
                                .min(java.util.Comparator.naturalOrder()).orElseThrow());
                    }
                    compared++;
                }
            }
        }
        assertThat(compared).as(instrument.name()).isGreaterThanOrEqualTo(instrument.chart().isPresent() ? 20 : 0);
    }

    /** The second ending follows the bar before the first, never the first. */
    @Test
    void anEndingIsJudgedAfterWhatItFollows() {
        Timeline tune = Timeline.of(tune("|: D5:4 A4:4 | F#4:8 | [1 G4:8 :| [2 D4:8 ||"));
        int second = tune.size() - 1;
        assertThat(tune.before(second).orElseThrow().pitch()).hasToString("F#4");
        assertThat(tune.everFollowsWritten(second)).isFalse();
        assertThat(tune.after(second)).isEmpty();
        assertThat(tune.passes(0)).as("after nothing, and after the first ending").hasSize(2);
        assertThat(tune.passes(0).get(0).before(0)).isEmpty();
        assertThat(tune.passes(0).get(1).before(0).orElseThrow().pitch()).hasToString("G4");
        assertThat(tune.jumps()).containsExactlyInAnyOrder(new Timeline.Jump(2, 4), new Timeline.Jump(3, 0));
    }

    /** What grows is clean, or said to be tight, on every time through: nothing that is blocked when a part is played again. */
    @ParameterizedTest
    @MethodSource("instruments")
    void nothingGrowsThatTheRepeatBars(Instrument instrument) {
        for (int p = 0; p < PARTS.size(); p += 2) {
            Tune tune = tune("|: " + PARTS.get(p) + " :| |: " + PARTS.get(p + 1) + " :|");
            Situation situation = situation(tune, instrument);
            Grown grown = new Grower(situation, TEMPO, FLUENT, Taste.of(situation)).grow();
            Arrangement arrangement = new Arrangement(tune, instrument, TEMPO, FLUENT, School.USUAL, grown.ladder());
            for (int r = 0; r < grown.ladder().size(); r++) {
                Version version = arrangement.version(r);
                for (Check check : Check.all(version.hands(), version.varied().setting(), TEMPO, FLUENT)) {
                    assertThat(check.verdict().isBlocked()).as("%s on note %d of rung %d", check.ornament().id(), check.note(), r).isFalse();
                }
            }
        }
    }
}
