package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

/** What stretches are varied to, against examples worked out by hand (common practice). */
class VariationsTest {

    private static final Tempo SLOW = Tempo.parse("1/4=80");

    private static Variations variations(String instrument, Meter meter, Key key, String text, Tempo tempo, List<Lick> licks) {
        Timeline tune = Timeline.of(Tunes.of(meter, key, text));
        Situation situation = Situation.of(tune, Instruments.known(instrument), School.USUAL);
        List<Phrase> phrases = Phrases.of(tune);
        return new Variations(situation, tempo, Speeds.level("fluent"), phrases, Feature.of(tune, phrases), licks);
    }

    private static List<String> on(String instrument, String text, int note) {
        return on(instrument, Meter.of(4, 4), Tunes.d(), text, note);
    }

    private static List<String> on(String instrument, Meter meter, Key key, String text, int note) {
        return variations(instrument, meter, key, text, SLOW, List.of()).startingAt(note).stream()
                .map(o -> o.variation().kind() + " " + Variation.text(o.variation().notes())).toList();
    }

    @Test
    void aThirdIsConnected() {
        assertThat(on("whistle-d", "D4:2 F#4:2 A4:4 | D5:8 ||", 0)).contains("connect D4:1/8 E4:1/8");
        assertThat(on("whistle-d", "D4:2 G4:2 A4:4 | D5:8 ||", 0)).noneMatch(v -> v.startsWith("connect"));
    }

    @Test
    void aHeldNoteMovesAndComesBack() {
        assertThat(on("whistle-d", Meter.of(6, 8), Tunes.g(), "G4:3 B4 A4 G4 | A4:6 ||", 0)).contains("restate G4:1/8 A4:1/8 G4:1/8");
        assertThat(on("fiddle", "A4:4 D5:4 | D5:8 ||", 0))
                .contains("restate A4:1/8 G4:1/8 F#4:1/8 G4:1/8", "shuffle A4:1/4 A4:1/8 A4:1/8", "fill A4:1/4 A4:1/4");
    }

    /**
     * Some play a stepwise triplet as three even notes: it takes the place of the two notes of the tune, and every instrument has it
     * (common practice).
     */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "flute-d", "recorder-soprano-c", "pipes-bellows-d", "fiddle", "mandolin", "anglo-cg", "english-48"})
    void anEvenTripletIsThreeEqualNotes(String instrument) {
        School even = School.USUAL.with("triplet", "even");
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "G4:1 B4:1 D5:2 A4:4 | F#4:1 A4:1 B4:2 G4:4 | D5:1 B4:1 A4:2 G4:4 ||"));
        assertThat(on(instrument, "G4:1 B4:1 D5:2 A4:4 ||", 0)).anyMatch(v -> v.startsWith("triplet G4:1/12") && v.contains(" A4:1/12") && v.contains(" B4:1/12"));
        for (School school : List.of(School.USUAL, even)) {
            Situation situation = Situation.of(tune, Instruments.known(instrument), school);
            List<Taste.Level> rungs = Taste.of(situation).rungs();
            assertThat(rungs).anyMatch(r -> (school.equals(even) ? r.variations() : r.ornaments())
                    .contains(school.equals(even) ? "triplet" : "stepwise-triplet"));
            assertThat(rungs).noneMatch(r -> (school.equals(even) ? r.ornaments() : r.variations())
                    .contains(school.equals(even) ? "stepwise-triplet" : "triplet"));
        }
    }

    @Test
    void aTurnIsHeld() {
        assertThat(on("whistle-d", Meter.of(6, 8), Tunes.g(), "G4 A4 G4 B4 A4 G4 | A4:6 ||", 0)).contains("hold G4:3/8");
    }

    @Test
    void aPairIsDoubledAndEqualNotesArePulledTogether() {
        assertThat(on("fiddle", "A4 B4 D5 F#5 E5:4 | D5:8 ||", 0)).contains("double A4:1/16 B4:1/16 A4:1/16 B4:1/16");
        assertThat(on("whistle-d", "A4 B4 D5 F#5 E5:4 | D5:8 ||", 0)).noneMatch(v -> v.startsWith("double"));
        assertThat(on("fiddle", "A4 B4 B4 F#5 E5:4 | D5:8 ||", 0)).contains("syncopate A4:1/8 B4:1/4");
    }

    /** The blue notes of D major are F natural and C natural (common practice). */
    @Test
    void blueNotesOfDMajorAreFNaturalAndCNatural() {
        assertThat(on("fiddle", "D4:2 F#4:2 A4:2 B4:2 | A4:4 D4:4 ||", 5)).contains("blue D4:1/4 F4:1/8 D4:1/8");
        assertThat(on("fiddle", "D4:2 F#4:2 A4:2 B4:2 | B4:4 A4:4 ||", 5)).contains("blue A4:1/4 C5:1/8 A4:1/8");
        assertThat(on("fiddle", Meter.of(4, 4), Key.of(Step.D, 0, Mode.MINOR), "D4:2 F4:2 A4:4 | A4:4 D4:4 ||", 4))
                .noneMatch(v -> v.startsWith("blue"));
    }

    @Test
    void endingsComeDownTheChordAndLinksWalkOver() {
        assertThat(on("fiddle", "D4:2 F#4:2 A4:2 B4:2 | A4:4 D4:4 ||", 5)).contains("ending A4:1/8 F#4:1/8 D4:1/4");
        assertThat(on("fiddle", "D4:2 F#4:2 A4:2 B4:2 | A4:4 D4:4 | A4:2 B4:2 A4:2 F#4:2 | E4:4 D4:4 ||", 5))
                .contains("link D4:1/4 F#4:1/8 G4:1/8");
    }

    @Test
    void whatTheInstrumentLacksIsDodged() {
        assertThat(on("whistle-d", "D4:2 C#4:2 D4:4 | D5:8 ||", 1)).contains("other-note D4:1/4");
        assertThat(on("fiddle", "D4:2 C#4:2 D4:4 | D5:8 ||", 1)).noneMatch(v -> v.startsWith("dodge"));
    }

    @Test
    void anOctaveIsTakenWhereTheInstrumentHasIt() {
        String phrase = "D4:2 F#4:2 A4:2 B4:2 | A4:4 D4:4 ||";
        assertThat(on("whistle-d", phrase, 0)).anyMatch(v -> v.startsWith("octave-up D5:1/4 F#5:1/4"))
                .noneMatch(v -> v.startsWith("octave-down"));
    }

    @Test
    void aVariationIsAsFastAsItsShortestNoteSpeaks() {
        Variations fast = variations("fiddle", Meter.of(4, 4), Tunes.d(), "A4 B4 D5 F#5 E5:4 | D5:8 ||", Tempo.parse("1/4=400"), List.of());
        Offer doubled = fast.startingAt(0).stream().filter(o -> o.variation().kind().equals("double")).findFirst().orElseThrow();
        assertThat(doubled.verdict()).isInstanceOf(Verdict.TooFast.class);
        double limit = doubled.verdict().cleanUpTo().orElseThrow().perMinute().toDouble();
        int comfortable = Speeds.level("fluent").of(wildflourish.core.ornament.Move.PASSING).comfortable();
        assertThat(limit).isEqualTo(15000.0 / comfortable, org.assertj.core.data.Offset.offset(1e-6));
    }

    @Property(tries = 80)
    void everyOfferFitsAndIsOnTheInstrument(@ForAll long seed) {
        Random random = new Random(seed);
        String[] scale = {"D4", "E4", "F#4", "G4", "A4", "B4", "C#5", "D5", "E5", "F#5"};
        StringBuilder text = new StringBuilder();
        for (int bar = 0; bar < 4; bar++) {
            int room = 8;
            while (room > 0) {
                int length = Math.min(room, 1 + random.nextInt(4));
                text.append(scale[random.nextInt(scale.length)]).append(':').append(length).append(' ');
                room -= length;
            }
            text.append(bar == 3 ? "|| " : "| ");
        }
        String instrument = List.of("whistle-d", "fiddle", "tenor-banjo", "anglo-cg", "pipes-nine-note").get(random.nextInt(5));
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), text.toString()));
        Variations all = variations(instrument, Meter.of(4, 4), Tunes.d(), text.toString(), SLOW, List.of());
        for (int n = 0; n < tune.size(); n++) {
            for (Offer offer : all.startingAt(n)) {
                assertThat(offer.variation().fits(tune)).as(offer.inWords()).isTrue();
                assertThat(offer.variation().pitches()).allMatch(Instruments.known(instrument)::has);
                assertThat(all.holding(offer.variation().to() - 1)).contains(offer);
            }
        }
    }

    @Test
    void licksAreOfferedAndGrown() {
        String text = "G4:2 A4:2 D5:4 | E5:2 D5:2 G4:4 | A4:2 G4:2 D5:4 | B4:8 ||";
        Variations offered = variations("fiddle", Meter.of(4, 4), Tunes.g(), text, SLOW, List.of(LickTest.lick()));
        assertThat(offered.startingAt(0)).anyMatch(o -> o.inWords().equals("lick: up the stair: G A B flat B"));
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), text));
        Situation situation = Situation.of(tune, Instruments.known("fiddle"), School.USUAL);
        Grower grower = new Grower(situation, SLOW, Speeds.level("fluent"), Taste.of(situation.instrument()), Phrases.of(tune),
                wildflourish.core.setting.Wishes.NONE.forbidding(0, "slide", true), java.util.Optional.empty(), List.of(LickTest.lick()));
        assertThat(grower.grow().ladder().setting(5).byNote().containsKey(0)
                || grower.grow().ladder().setting(5).variationAt(0).isPresent()).isTrue();
    }
}
