package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Tempo;

class RealiserTest {

    private static final Speeds FLUENT = Speeds.level("fluent");
    private static final Tempo STEADY = Tempo.parse("1/4=120");

    private static Performance play(Situation situation, Map<Integer, List<Ornament>> placed, Tempo tempo) {
        return Realiser.perform(situation, placed, tempo, FLUENT);
    }

    private static Performance one(String tune, int note, String... ids) {
        Situation situation = Tunes.whistle(tune);
        return play(situation, Map.of(note, GesturesTest.ornaments(situation, ids)), STEADY);
    }

    private static List<Sound> of(Performance performance, String role) {
        return performance.sounds().stream().filter(s -> s.role().equals(role)).toList();
    }

    @Test
    void thePlainTuneSoundsAnOctaveAboveItsWriting() {
        Performance bare = one("D4:2 E4:2 z:2 F#4:2 |", 0);
        assertThat(bare.sounds()).extracting(Sound::midi).containsExactly(74, 76, 78);
        assertThat(bare.sounds()).extracting(Sound::atMs).containsExactly(0.0, 500.0, 1500.0);
        assertThat(bare.durationMs()).isEqualTo(2000.0);
    }

    @Test
    void repeatsArePlayedOutAndTiesMakeOneSound() {
        Performance bare = one("|: D4:4- D4:4 | [1 E4:8 :| [2 F#4:8 |", 0);
        assertThat(bare.sounds()).extracting(Sound::midi).containsExactly(74, 76, 74, 78);
        assertThat(bare.sounds().getFirst().forMs()).isEqualTo(2000.0);
        assertThat(bare.durationMs()).isEqualTo(8000.0);
    }

    /** A cut lies inside the note: the sound goes on from its own onset, the click takes its comfortable 45 ms. */
    @Test
    void aCutIsAClickInsideASoundThatGoesOn() {
        Performance cut = one("G4:2 G4:2", 1, "cut");
        Sound melody = cut.melody().get(1);
        assertThat(melody.atMs()).isEqualTo(500.0);
        assertThat(melody.forMs()).isEqualTo(500.0);
        assertThat(melody.start()).isEqualTo(Sound.Start.JOINED);
        Sound click = of(cut, "cut").getFirst();
        assertThat(click.atMs()).isEqualTo(500.0);
        assertThat(click.forMs()).isCloseTo(45, within(1e-9));
        assertThat(click.midi()).isEqualTo(81);
        assertThat(click.start()).isEqualTo(Sound.Start.WITHIN);
        assertThat(cut.moves()).containsExactly(new HandMove(500.0, 45.0, new Means.Hole(3), Move.CUT, 1));
    }

    @Test
    void twoEqualNotesWithoutACutAreTongued() {
        Performance bare = one("G4:2 G4:2 A4:2", 0);
        assertThat(bare.melody()).extracting(Sound::start)
                .containsExactly(Sound.Start.ATTACK, Sound.Start.ATTACK, Sound.Start.JOINED);
    }

    /** A long roll at crotchet = 120: pulses of 250 ms; cut at 250, tap at 500. */
    @Test
    void aLongRollCutsOnTheSecondPulseAndTapsOnTheThird() {
        Performance roll = one("G4:3", 0, "long-roll");
        assertThat(of(roll, "long-roll")).extracting(Sound::atMs).containsExactly(250.0, 500.0);
        assertThat(of(roll, "long-roll")).extracting(Sound::midi).containsExactly(81, 78);
        assertThat(roll.melody()).hasSize(1);
        assertThat(roll.melody().getFirst().forMs()).isCloseTo(750, within(1e-9));
    }

    @Test
    void aTonguedTripletHasThreeAttacks() {
        Performance triplet = one("A4:2", 0, "tongued-triplet");
        assertThat(triplet.sounds()).hasSize(3).allSatisfy(
                s -> assertThat(s.start()).isEqualTo(Sound.Start.ATTACK));
        assertThat(triplet.sounds()).extracting(s -> Math.round(s.atMs())).containsExactly(0L, 167L, 333L);
        assertThat(triplet.melody().getFirst().forMs()).isCloseTo(500.0 / 3, within(1e-6));
    }

    @Test
    void aSlideGlidesFromTheNoteBelow() {
        Performance slide = one("D4:2 E4:2", 1, "slide");
        Sound glide = of(slide, "slide").getFirst();
        assertThat(glide.start()).isEqualTo(Sound.Start.GLIDE);
        assertThat(glide.midi()).isEqualTo(74);
        assertThat(glide.forMs()).isCloseTo(85, within(1e-9));
        assertThat(slide.melody().get(1).atMs()).isEqualTo(500.0);
    }

    @Test
    void aBreathEndsItsNoteEarlyAndTheNextIsAttacked() {
        Performance breath = one("G4:4 A4:4", 0, "breath");
        assertThat(breath.melody().get(0).forMs()).isCloseTo(1000 - 140, within(1e-9));
        assertThat(breath.melody().get(1).atMs()).isEqualTo(1000.0);
        assertThat(breath.melody().get(1).start()).isEqualTo(Sound.Start.ATTACK);
    }

    @Test
    void betweenComfortAndFloorThePartsShrinkTogether() {
        // A quaver of 99 ms lies half-way between 78 and 120: cut 36.5, note 62.5.
        Situation situation = Tunes.whistle("A4 G4");
        Tempo tempo = Tempo.parse("1/4=120").atWhich(
                wildflourish.core.tune.Ratio.of(1, 8), wildflourish.core.tune.Ratio.of(99, 1));
        Performance tight = play(situation, Map.of(1, GesturesTest.ornaments(situation, "cut")), tempo);
        assertThat(of(tight, "cut").getFirst().forMs()).isCloseTo(36.5, within(1e-6));
    }

    @Test
    void whatIsTooFastIsLeftOut() {
        Situation situation = Tunes.whistle("G4:2 A4:2");
        Map<Integer, List<Ornament>> roll = Map.of(0, GesturesTest.ornaments(situation, "short-roll"));
        assertThat(play(situation, roll, Tempo.parse("1/4=400")).sounds()).hasSize(2);
        assertThat(play(situation, roll, Tempo.parse("1/4=100")).sounds()).hasSize(4);
    }

    @Test
    void anOrnamentOnATiedNoteUsesItsWholeLength() {
        Performance roll = one("G4:2- G4:1 A4", 0, "long-roll");
        assertThat(roll.melody()).hasSize(2);
        assertThat(roll.melody().getFirst().forMs()).isCloseTo(750, within(1e-9));
        assertThat(roll.melody().get(1).atMs()).isEqualTo(750.0);
    }

    @Test
    void notesTheWhistleLacksStillSound() {
        assertThat(one("A3:2 D4:2", 0).sounds()).extracting(Sound::midi).containsExactly(69, 74);
    }

    /** Melody onsets are those of the plain tune whatever is placed on it, and the total time never changes. */
    @Property(tries = 300)
    void onsetsAndTotalTimeNeverChange(@ForAll long seed, @ForAll @IntRange(min = 60, max = 300) int count) {
        Random random = new Random(seed);
        List<String> words = new ArrayList<>();
        String[] scale = {"D4", "E4", "F#4", "G4", "A4", "B4", "C5", "C#5", "D5", "E5", "F#5", "G5", "A5", "B5", "A3"};
        for (int i = 0; i < 12; i++) {
            words.add(scale[random.nextInt(scale.length)] + ":" + (1 + random.nextInt(4)));
            if (random.nextInt(6) == 0) {
                words.add("z:1");
            }
            if (i == 6) {
                words.add(":|");
            }
        }
        Situation situation = Tunes.whistle("|: " + String.join(" ", words));
        Map<Integer, List<Ornament>> placed = new HashMap<>();
        for (int note = 0; note < situation.tune().size(); note++) {
            List<Ornament> here = new ArrayList<>();
            for (Ornament ornament : situation.vocabulary().all()) {
                if (random.nextInt(7) == 0) {
                    here.add(ornament);
                }
            }
            placed.put(note, here);
        }
        Tempo tempo = Tempo.parse("1/4=" + count);
        Performance bare = play(situation, Map.of(), tempo);
        Performance full = play(situation, placed, tempo);
        assertThat(full.durationMs()).isEqualTo(bare.durationMs());
        assertThat(full.melody()).extracting(Sound::atMs).isEqualTo(bare.melody().stream().map(Sound::atMs).toList());
        assertThat(full.melody()).extracting(Sound::midi).isEqualTo(bare.melody().stream().map(Sound::midi).toList());
        assertThat(full.sounds()).allSatisfy(s -> {
            assertThat(s.forMs()).isPositive();
            assertThat(s.atMs() + s.forMs()).isLessThanOrEqualTo(full.durationMs() + 1e-6);
        });
    }
}
