package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.data.DataFault;
import wildflourish.core.growth.Feature;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Pitch;

class VocabularyTest {

    private final Vocabulary whistle = Vocabulary.of(Family.known("open-hole"));

    @Test
    void holdsTheWhistlesGestures() {
        assertThat(whistle.all()).extracting(Ornament::id).contains("cut", "tap", "double-tap", "short-roll", "long-roll",
                "cran", "slide", "tongued-triplet", "stepwise-triplet", "landing-pop", "tonguing", "breath");
    }

    @Test
    void everyOrnamentSaysWhereItComesFromAndHowItIsDone() {
        assertThat(whistle.all()).allSatisfy(o -> {
            assertThat(o.source()).isNotBlank();
            assertThat(o.how()).endsWith(".");
            assertThat(o.pulses()).isNotEmpty();
        });
    }

    @Test
    void placesInTheDataAreOnesTheRulesKnow() {
        Set<String> known = Arrays.stream(Feature.values()).map(Feature::word).collect(Collectors.toSet());
        assertThat(whistle.all()).allSatisfy(o -> o.suits().forEach(s -> assertThat(known).contains(s.place())));
    }

    @Test
    void easierRelativesLeadToAnEnd() {
        for (Ornament ornament : whistle.all()) {
            Ornament at = ornament;
            for (int i = 0; i < 20 && !at.easier().isEmpty(); i++) {
                at = whistle.known(at.easier().getFirst());
            }
            assertThat(at.easier()).as(ornament.id()).isEmpty();
        }
    }

    @Test
    void unknownNamesAreRefused() {
        assertThat(whistle.byId("yodel")).isEmpty();
        assertThatThrownBy(() -> whistle.known("yodel")).isInstanceOf(IllegalArgumentException.class);
        assertThat(Vocabulary.of(Family.known("none")).all()).isEmpty();
    }

    @Test
    void instructionsNameTheFingers() {
        Situation situation = Tunes.whistle("G4:3");
        Ornament roll = whistle.known("long-roll");
        Gesture gesture = ((Making.Made) Gestures.make(situation, 0, List.of(roll))).gesture();
        String words = HowTo.inWords(roll, gesture, Pitch.parse("G4"));
        assertThat(words).contains("third finger of the upper hand").contains("first finger of the lower hand")
                .contains("Start G plain").doesNotContain("{");
        assertThat(whistle.all()).allSatisfy(o -> assertThat(HowTo.general(o)).doesNotContain("{"));
    }

    @Test
    void everyInstructionIsFilledInForANote() {
        String[] tunes = {"D4:2 F#4", "G4:2 E4", "G4:3 E4", "D4:3 E4", "B4 G4", "E4 G4", "F#4:2 D4"};
        for (String tune : tunes) {
            Situation situation = Tunes.whistle(tune);
            for (Ornament ornament : whistle.all()) {
                if (Gestures.make(situation, 0, List.of(ornament)) instanceof Making.Made made) {
                    assertThat(HowTo.inWords(ornament, made.gesture(), situation.tune().note(0).pitch()))
                            .as("%s on %s", ornament.id(), tune).doesNotContain("{").doesNotContain("}");
                }
            }
        }
    }

    @Test
    void signsAreThoseOfOrdinaryScores() {
        assertThat(signs("G4:2 A4", "cut").graces()).containsExactly(Pitch.parse("A4"));
        assertThat(signs("G4:2 A4", "tap").graces()).containsExactly(Pitch.parse("F#4"));
        assertThat(signs("G4:2 A4", "double-tap").graces()).containsExactly(
                Pitch.parse("F#4"), Pitch.parse("G4"), Pitch.parse("F#4"));
        assertThat(signs("G4:2 A4", "short-roll").decorations()).containsExactly("roll");
        assertThat(signs("G4:2 A4", "short-roll").graces()).isEmpty();
        assertThat(signs("E4:2 A4", "slide", "cut").decorations()).containsExactly("slide");
        assertThat(signs("A4:2 A4", "tongued-triplet").graces()).containsExactly(Pitch.parse("A4"), Pitch.parse("A4"));
        assertThat(signs("D4 F#4", "stepwise-triplet").nextGraces()).containsExactly(Pitch.parse("E4"));
        assertThat(signs("D4:2", "cran").graces()).hasSize(3);
        assertThat(signs("G4:2", "tonguing", "breath").decorations()).containsExactly("staccato", "breath");
    }

    private static Notation signs(String tune, String... ids) {
        Situation situation = Tunes.whistle(tune);
        Gesture gesture = ((Making.Made) Gestures.make(
                situation, 0, GesturesTest.ornaments(situation, ids))).gesture();
        return Notation.of(gesture, situation.vocabulary(), situation.tune().note(0).key(), false);
    }

    @Test
    void schoolsHaveAUsualChoiceAndRefuseOthers() {
        assertThat(School.USUAL.cut()).isEqualTo("upper-third");
        assertThat(School.USUAL.roll()).isEqualTo("even");
        assertThat(School.USUAL.with("roll", "leaning").roll()).isEqualTo("leaning");
        assertThatThrownBy(() -> School.USUAL.with("cut", "sideways")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new School(Map.of("bow", "down"))).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void speedsAreCompleteAndFloorsBelowComfort() {
        assertThat(Speeds.levels()).extracting(Speeds::name).containsExactly("learner", "fluent", "expert");
        for (Speeds level : Speeds.levels()) {
            for (Move move : Move.values()) {
                assertThat(level.of(move).floor()).isPositive().isLessThanOrEqualTo(level.of(move).comfortable());
            }
        }
        assertThatThrownBy(() -> Speeds.level("wizard")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Speeds.Span(0, 10)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Speeds.Span(20, 10)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Speeds("x", Map.of(), new Speeds.Span(1, 1), Speeds.level("fluent").lungs())).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aMovementThatItsHandsDoNotKnowIsAFaultOfTheFileAtItsLine() {
        assertThatThrownBy(() -> Vocabulary.read("ornaments/wrong-hands.json", Family.Held.HOLES, ""))
                .isInstanceOf(DataFault.class).hasMessageContaining("ornaments/wrong-hands.json").hasMessageContaining("line 6")
                .hasMessageContaining("strummed").hasMessageContaining("hands on holes");
    }

    /** What is kept of a file is what it says: read once more it gives the same, and what it leaves out on an instrument or with a plectrum is not there. */
    @Test
    void whatIsReadOnceMoreIsTheSame() {
        for (Family family : Family.all()) {
            if (family.vocabulary().isEmpty()) {
                assertThat(Vocabulary.of(family).all()).as(family.id()).isEmpty();
                continue;
            }
            String file = "ornaments/" + family.vocabulary().orElseThrow() + ".json";
            assertThat(Vocabulary.read(file, family.hands(), "").all()).as(family.id()).isNotEmpty().isEqualTo(Vocabulary.of(family).all());
        }
        Family plucked = Instruments.known("mandolin").family();
        String file = "ornaments/" + plucked.vocabulary().orElseThrow() + ".json";
        List<Ornament> plectrum = Vocabulary.read(file, plucked.hands(), "plectrum").all();
        List<Ornament> fingers = Vocabulary.read(file, plucked.hands(), "fingers").all();
        assertThat(plectrum).isNotEqualTo(fingers).isEqualTo(Vocabulary.of(Instruments.known("mandolin")).all());
        assertThat(fingers).isEqualTo(Vocabulary.of(Instruments.known("banjo-five-string")).all());
        for (Instrument instrument : Instruments.all()) {
            List<Ornament> here = Vocabulary.of(instrument).all();
            assertThat(Vocabulary.of(instrument.family()).all()).as(instrument.id()).containsAll(here);
            assertThat(here.stream().map(Ornament::key)).as(instrument.id()).doesNotHaveDuplicates();
        }
        assertThat(Vocabulary.isAnywhere("short-roll")).isTrue();
        assertThat(Vocabulary.isAnywhere("yodel")).isFalse();
        assertThat(whistle.moves()).contains(Move.CUT, Move.TAP).doesNotHaveDuplicates().doesNotContain(Move.BEND);
        assertThat(whistle.known("cut").lengths()).isEqualTo(whistle.byId("cut").orElseThrow().lengths());
    }
}
