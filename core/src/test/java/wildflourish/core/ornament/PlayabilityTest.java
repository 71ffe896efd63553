package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;

/** The arithmetic of what fits, worked out by hand; the lengths of the parts are recalled values, from memory. */
class PlayabilityTest {

    private static final Speeds FLUENT = Speeds.level("fluent");

    private static Verdict verdict(String tune, int note, Tempo tempo, Speeds speeds, String... ids) {
        Situation situation = Tunes.whistle(tune);
        return Playability.of(situation, note, GesturesTest.ornaments(situation, ids), tempo, speeds);
    }

    /** A fluent cut wants 45 ms and its note 75: 120 ms. A quaver lasts 250 ms at crotchet = 120. */
    @Test
    void aCutOnAQuaver() {
        Verdict verdict = verdict("G4", 0, Tempo.parse("1/4=120"), FLUENT, "cut");
        assertThat(verdict).isInstanceOf(Verdict.Clean.class);
        assertThat(verdict.room().orElseThrow()).isEqualTo(
                new Room(Ratio.of(120, 1), Ratio.of(78, 1), Ratio.of(250, 1)));
        // 30000 / 120 = 250 crotchets a minute.
        assertThat(verdict.cleanUpTo().orElseThrow().perMinute()).isEqualTo(Ratio.of(30000, 120));
        assertThat(verdict.cleanUpTo().orElseThrow().spoken()).isEqualTo("crotchet = 250");
    }

    @Test
    void cleanTightAndTooFastMeetAtTheirLimits() {
        // 120 ms a quaver: crotchet = 250; 78 ms a quaver: crotchet = 5000/13.
        Tempo comfortable = new Tempo(Ratio.of(1, 4), Ratio.of(250, 1));
        Tempo floor = new Tempo(Ratio.of(1, 4), Ratio.of(5000, 13));
        Ratio little = Ratio.of(1, 1000);
        assertThat(verdict("G4", 0, comfortable, FLUENT, "cut")).isInstanceOf(Verdict.Clean.class);
        assertThat(verdict("G4", 0, new Tempo(Ratio.of(1, 4), comfortable.perMinute().plus(little)), FLUENT, "cut"))
                .isInstanceOf(Verdict.Tight.class);
        assertThat(verdict("G4", 0, floor, FLUENT, "cut")).isInstanceOf(Verdict.Tight.class);
        assertThat(verdict("G4", 0, new Tempo(Ratio.of(1, 4), floor.perMinute().plus(little)), FLUENT, "cut"))
                .isInstanceOf(Verdict.TooFast.class);
    }

    /** A long roll's tightest pulse is a quaver with a blip in it: learners 95 + 100 = 195 ms. */
    @Test
    void aLongRollForALearner() {
        Verdict verdict = verdict("G4:3", 0, Tempo.parse("3/8=90"), Speeds.level("learner"), "long-roll");
        // A quaver at dotted crotchet = 90 lasts 20000/90 = 222.2 ms.
        assertThat(verdict).isInstanceOf(Verdict.Clean.class);
        // 20000 / 195 = 102.6
        assertThat(verdict.cleanUpTo().orElseThrow().spoken()).isEqualTo("dotted crotchet = 102");
    }

    @Test
    void aStackAddsItsPartsUp() {
        // Slide 85, cut 45, note 75: 205 ms.
        Verdict verdict = verdict("D4 E4:2", 1, Tempo.parse("1/4=120"), FLUENT, "slide", "cut");
        assertThat(verdict.room().orElseThrow().needs()).isEqualTo(Ratio.of(205, 1));
        assertThat(verdict.room().orElseThrow().has()).isEqualTo(Ratio.of(500, 1));
    }

    @Test
    void theTongueActsWhileTheFingersDo() {
        Ratio cut = verdict("G4", 0, Tempo.parse("1/4=100"), FLUENT, "cut").room().orElseThrow().needs();
        Ratio both = verdict("G4", 0, Tempo.parse("1/4=100"), FLUENT, "cut", "tonguing").room().orElseThrow().needs();
        assertThat(both).isEqualTo(cut);
        assertThat(verdict("G4", 0, Tempo.parse("1/4=100"), FLUENT, "tonguing").room().orElseThrow().needs())
                .isEqualTo(Ratio.of(98, 1));
    }

    /** Three tongued notes in the time of two quavers want 98 ms each. */
    @Test
    void aTonguedTriplet() {
        Verdict verdict = verdict("A4:2", 0, Tempo.parse("1/4=120"), FLUENT, "tongued-triplet");
        assertThat(verdict.room().orElseThrow().has()).isEqualTo(Ratio.of(500, 3));
        // A third of a crotchet lasts 20000/q ms: 20000/98 = 204.1.
        assertThat(verdict.cleanUpTo().orElseThrow().spoken()).isEqualTo("crotchet = 204");
    }

    @Test
    void whatTheHandsCannotDoHasNoLimitAndNoTime() {
        Verdict verdict = verdict("C#5", 0, Tempo.parse("1/4=20"), FLUENT, "cut");
        assertThat(verdict).isInstanceOf(Verdict.Impossible.class);
        assertThat(verdict.cleanUpTo()).isEmpty();
        assertThat(verdict.room()).isEmpty();
        assertThat(verdict.word()).isEqualTo("blocked");
        assertThat(verdict.isBlocked()).isTrue();
    }

    @Test
    void aTooFastVerdictSpeaksOfTheFloor() {
        Verdict verdict = verdict("G4:2", 0, Tempo.parse("1/4=400"), FLUENT, "short-roll");
        assertThat(verdict).isInstanceOf(Verdict.TooFast.class);
        // A quaver at crotchet = 400 lasts 75 ms; cut 28 and pulse 50 are the floors.
        assertThat(verdict.inWords()).isEqualTo("needs at least 78 ms, has 75");
        assertThat(verdict.word()).isEqualTo("blocked");
    }

    @Test
    void levelsGetQuicker() {
        Tempo learner = verdict("G4", 0, Tempo.parse("1/4=100"), Speeds.level("learner"), "cut").cleanUpTo().get();
        Tempo fluent = verdict("G4", 0, Tempo.parse("1/4=100"), FLUENT, "cut").cleanUpTo().get();
        Tempo expert = verdict("G4", 0, Tempo.parse("1/4=100"), Speeds.level("expert"), "cut").cleanUpTo().get();
        assertThat(fluent.isFasterThan(learner)).isTrue();
        assertThat(expert.isFasterThan(fluent)).isTrue();
    }

    /** No verdict clean when any part is under its comfortable length, and the limit is exact: clean there, not beyond. */
    @Property(tries = 300)
    void cleanUpToIsExact(
            @ForAll @IntRange(min = 62, max = 86) int midi, @ForAll @IntRange(min = 1, max = 8) int quavers,
            @ForAll @IntRange(min = 0, max = 12) int ornament, @ForAll @IntRange(min = 0, max = 2) int level) {
        Situation situation = Tunes.whistle(Pitch.ofMidi(midi) + ":" + quavers + " F#4:2");
        Ornament chosen = situation.vocabulary().all().get(ornament);
        Speeds speeds = Speeds.levels().get(level);
        Verdict at = Playability.of(situation, 0, List.of(chosen), Tempo.parse("1/4=100"), speeds);
        if (at instanceof Verdict.Impossible) {
            return;
        }
        Tempo limit = at.cleanUpTo().orElseThrow();
        assertThat(Playability.of(situation, 0, List.of(chosen), limit, speeds)).isInstanceOf(Verdict.Clean.class);
        Tempo beyond = new Tempo(limit.beat(), limit.perMinute().plus(Ratio.of(1, 1000)));
        assertThat(Playability.of(situation, 0, List.of(chosen), beyond, speeds))
                .isNotInstanceOf(Verdict.Clean.class);
        Gesture gesture = ((Making.Made) Gestures.make(situation, 0, List.of(chosen))).gesture();
        for (Gesture.Pulse pulse : gesture.pulses()) {
            int wanted = pulse.parts().stream().mapToInt(p -> speeds.of(p.move()).comfortable()).sum();
            assertThat(limit.millis(pulse.length())).isGreaterThanOrEqualTo(Ratio.of(wanted, 1));
        }
    }

    /** Easier relatives are never harder: each stays clean at least as fast as what it stands for. */
    @Property(tries = 200)
    void easierRelativesAreNeverHarder(
            @ForAll @IntRange(min = 62, max = 86) int midi, @ForAll @IntRange(min = 1, max = 6) int quavers) {
        Situation situation = Tunes.whistle(Pitch.ofMidi(midi) + ":" + quavers + " D4:2");
        Tempo tempo = Tempo.parse("1/4=100");
        for (Ornament ornament : situation.vocabulary().all()) {
            Verdict verdict = Playability.of(situation, 0, List.of(ornament), tempo, FLUENT);
            for (String id : new ArrayList<>(ornament.easier())) {
                Verdict easier = Playability.of(
                        situation, 0, List.of(situation.vocabulary().known(id)), tempo, FLUENT);
                if (verdict.cleanUpTo().isPresent() && easier.cleanUpTo().isPresent()) {
                    assertThat(verdict.cleanUpTo().get().isFasterThan(easier.cleanUpTo().get()))
                            .as("%s before %s", ornament.id(), id).isFalse();
                }
            }
        }
    }

    /** The short answer agrees with the verdict, for single ornaments and for stacks. */
    @Property(tries = 300)
    void theShortAnswerAgreesWithTheVerdict(
            @ForAll @IntRange(min = 62, max = 86) int midi, @ForAll @IntRange(min = 1, max = 6) int quavers,
            @ForAll @IntRange(min = 0, max = 12) int first, @ForAll @IntRange(min = 0, max = 12) int second,
            @ForAll @IntRange(min = 40, max = 300) int count) {
        Situation situation = Tunes.whistle(Pitch.ofMidi(midi) + ":" + quavers + " D4:2");
        List<Ornament> all = situation.vocabulary().all();
        Tempo tempo = Tempo.parse("1/4=" + count);
        List<Ornament> stack = first == second ? List.of(all.get(first)) : List.of(all.get(first), all.get(second));
        Verdict verdict = Playability.of(situation, 0, stack, tempo, FLUENT);
        assertThat(Playability.fit(situation, 0, stack, tempo, FLUENT).name().toLowerCase(java.util.Locale.ROOT))
                .isEqualTo(verdict.word());
    }
}
