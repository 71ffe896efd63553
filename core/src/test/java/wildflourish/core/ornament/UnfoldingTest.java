package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Tempo;

/** What moves when, at crotchet = 60, worked out by hand. */
class UnfoldingTest {

    private static Unfolding of(Situation situation, int note, String... ids) {
        Gesture gesture = ((Making.Made) Gestures.make(situation, note, GesturesTest.ornaments(situation, ids))).gesture();
        return Unfolding.of(gesture, situation.tune().note(note).pitch(), Tempo.parse("1/4=60"), Speeds.level("fluent"),
                situation.strokes().at(note));
    }

    @Test
    void aRollShowsItsTwoFingersAndWhatSounds() {
        Unfolding roll = of(Tunes.whistle("G4:3"), 0, "long-roll");
        assertThat(roll.toMs()).isEqualTo(1500);
        assertThat(roll.lanes()).extracting(Unfolding.Lane::name).containsExactly(
                "third finger of the upper hand", "first finger of the lower hand");
        assertThat(roll.lanes().getFirst().spans()).singleElement().satisfies(s -> {
            assertThat(s.fromMs()).isEqualTo(500);
            assertThat(s.lengthMs()).isCloseTo(45, within(1e-9));
        });
        assertThat(roll.sounds()).extracting(h -> h.pitch().toString()).containsExactly("G4", "A4", "G4", "F#4", "G4");
        assertThat(roll.sounds()).filteredOn(Unfolding.Heard::fresh).hasSize(1);
    }

    @Test
    void aTrebleShowsTheStrokesInTheirDirections() {
        Unfolding treble = of(Tunes.on("fiddle", "B4:2"), 0, "treble");
        assertThat(treble.lanes()).singleElement().satisfies(l -> {
            assertThat(l.name()).isEqualTo("stroke");
            assertThat(l.spans()).extracting(Unfolding.Span::word).containsExactly("down", "up", "down");
            assertThat(l.spans()).extracting(Unfolding.Span::fromMs).containsExactly(0.0, 250.0, 500.0);
        });
        assertThat(treble.sounds()).hasSize(3).allMatch(Unfolding.Heard::fresh);
    }

    @Test
    void aSlideGlidesAndADroneSoundsAlong() {
        Unfolding both = of(Tunes.on("fiddle", "B4:2"), 0, "slide", "drone");
        assertThat(both.sounds().getFirst().glidesFrom().orElseThrow().midi()).isEqualTo(70);
        assertThat(both.sounds()).filteredOn(Unfolding.Heard::along).singleElement()
                .satisfies(h -> assertThat(h.toMs()).isEqualTo(1000));
        assertThat(both.lanes()).extracting(Unfolding.Lane::name).containsExactly(
                "stroke", "first finger on the A string", "open D string");
    }

    @Test
    void whatComesBeforeTheBeatBeginsBelowZero() {
        Unfolding cut = of(Tunes.on("fiddle", School.USUAL.with("grace", "before"), "A4:2 B4:2"), 1, "cut");
        assertThat(cut.fromMs()).isEqualTo(-50);
        assertThat(cut.lanes()).extracting(Unfolding.Lane::name).contains("high second finger on the A string");
    }

    @Test
    void buttonsArePressedByTwoFingersInTurn() {
        Unfolding treble = of(Tunes.on("english-48", "A4:2"), 0, "treble");
        assertThat(treble.lanes()).hasSize(2);
        assertThat(treble.lanes().stream().mapToInt(l -> l.spans().size()).sum()).isEqualTo(3);
        assertThat(treble.lanes().stream().map(Unfolding.Lane::name).toList().toString()).contains("row's button");
        assertThat(List.of(treble.lanes().getFirst().spans().size(), treble.lanes().get(1).spans().size()))
                .containsExactly(2, 1);
    }
}
