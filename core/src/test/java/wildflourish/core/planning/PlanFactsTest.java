package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;

/** What a player would sign; each fact is common practice, from memory. */
class PlanFactsTest {

    private static final Instrument FIDDLE = Instruments.known("fiddle");
    private static final Instrument BOX = Instruments.known("melodeon-dg");

    private static List<String> words(Instrument instrument, School school, String notes) {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), notes));
        FingeringPlan plan = Planner.plan(tune, instrument, school, Choices.NONE);
        return IntStream.range(0, tune.size()).mapToObj(i -> plan.at(i).text()).toList();
    }

    private static List<String> words(Instrument instrument, String notes) {
        return words(instrument, School.USUAL, notes);
    }

    @Test
    void g4IsTheThirdFingerOnTheDString() {
        assertThat(words(FIDDLE, "G4")).containsExactly("D 3");
        assertThat(words(FIDDLE, "G#5")).containsExactly("E high 2");
        assertThat(words(FIDDLE, "G5")).containsExactly("E low 2");
        assertThat(words(FIDDLE, "B4")).containsExactly("A 1");
    }

    /**
     * The open string is a session player's habit, even at a pair of crossings; the fourth finger is for leaps over a string
     * (common practice).
     */
    @Test
    void theFourthFingerSavesALeapOverAString() {
        assertThat(words(FIDDLE, "G4 B4 E5 B4 G4")).containsExactly("D 3", "A 1", "E 0", "A 1", "D 3");
        assertThat(words(FIDDLE, "G4 E5 G4")).containsExactly("D 3", "A 4", "D 3");
        assertThat(words(FIDDLE, "G4 A4 B4 C5")).containsExactly("D 3", "A 0", "A 1", "A low 2");
    }

    @Test
    void theSchoolOfOpenStringsDecides() {
        String notes = "F#4 A4 F#4 A4";
        assertThat(words(FIDDLE, School.USUAL.with("open-string", "open"), notes))
                .containsExactly("D high 2", "A 0", "D high 2", "A 0");
        assertThat(words(FIDDLE, School.USUAL.with("open-string", "fourth"), notes))
                .containsExactly("D high 2", "D 4", "D high 2", "D 4");
    }

    @Test
    void theHandShiftsOnlyWhenTheRangeDemands() {
        assertThat(words(FIDDLE, "E5 F#5 A5 B5")).noneMatch(w -> w.contains("at"));
        assertThat(words(FIDDLE, "A5 B5 D6 B5")).anyMatch(w -> w.contains("at 3"));
    }

    /** After G, F sharp on the D/G box: along the row the bellows turn on the G row; across, the D row keeps the push. */
    @Test
    void fSharpAfterGIsTheSchoolsChoice() {
        String notes = "C5 B4 G4 D5 G4 F#4 G4 D5 B4 C5";
        List<String> along = words(BOX, School.USUAL.with("rows", "along"), notes);
        List<String> across = words(BOX, School.USUAL.with("rows", "across"), notes);
        assertThat(along.get(4)).startsWith("G row 3 push");
        assertThat(along.get(5)).startsWith("G row 2 pull");
        assertThat(across.get(4)).startsWith("G row 3 push");
        assertThat(across.get(5)).startsWith("D row 4 push");
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), notes));
        FingeringPlan plan = Planner.plan(tune, BOX);
        assertThat(plan.alternatives(5)).anySatisfy(a -> {
            assertThat(a.place().text()).startsWith("D row 4 push");
            assertThat(a.extra()).isPositive();
            assertThat(plan.against(5, a)).contains("change");
        });
    }

    @Test
    void theEnglishConcertinaAlternatesHands() {
        Instrument english = Instruments.known("english-48");
        List<String> scale = words(english, "C4 D4 E4 F4 G4 A4 B4 C5");
        assertThat(IntStream.range(0, 8).mapToObj(i -> scale.get(i).startsWith("left")).toList())
                .containsExactly(true, false, true, false, true, false, true, false);
    }

    @Test
    void theMandolinIsFingeredAsTheFiddleWithFrets() {
        assertThat(words(Instruments.known("mandolin"), "D4 E4 F#4 G4 A4"))
                .containsExactly("D fret 0", "D fret 2 finger 1", "D fret 4 finger 2", "D fret 5 finger 3", "A fret 0");
    }

    /** "Think in G, sound in A" is capo at fret 2; the short fifth string goes up with it, to A. */
    @Test
    void capoTwoTurnsShapesOfGIntoA() {
        Instrument banjo = Instruments.known("banjo-five-string");
        List<String> inG = words(banjo, "D4 G4 B4 D5 G5 B4 A4 G4");
        List<String> inA = words(banjo.withCapo(2), "E4 A4 C#5 E5 A5 C#5 B4 A4");
        assertThat(inA).isEqualTo(inG);
        assertThat(banjo.withCapo(2).layout().sounds("G4 fret 0")).isEqualTo(Pitch.parse("A5").midi());
        assertThat(banjo.layout().sounds("G4 fret 0")).isEqualTo(Pitch.parse("G5").midi());
    }

    @Test
    void theNinePipesLackWhatTheyLack() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "F#4 G4 A4 B4 C5 C#5 D5 E5 F#5 G5 G#5 A5 B5"));
        FingeringPlan plan = Planner.plan(tune, Instruments.known("pipes-nine-note"));
        assertThat(plan.missing()).containsExactly(0, 4, 10, 12);
    }

    /** On the B/C accordion in D the bellows turn for nearly every note, and A after F sharp has no button the same way. */
    @Test
    void aNoteWithNoButtonInItsNeighboursDirectionIsATrap() {
        Instrument accordion = Instruments.known("accordion-bc");
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "F#4 A4 F#4 G4"));
        FingeringPlan plan = Planner.plan(tune, accordion);
        assertThat(plan.bellows(0)).contains(Bellows.PUSH);
        assertThat(plan.bellows(1)).contains(Bellows.PULL);
        assertThat(plan.traps()).extracting(Trap::note).containsExactly(1);
        assertThat(plan.traps().getFirst().kind()).isEqualTo(Trap.BELLOWS_FORCED);
    }

    @Test
    void fingersStayDownWhereTheCrossingReturns() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "F#4 A4 F#4 G4"));
        assertThat(Planner.plan(tune, FIDDLE, School.USUAL.with("open-string", "open"), Choices.NONE).planted())
                .containsExactly(0);
    }

    /** Common practice: a good player does not leave one string for the next and come back with another finger for nothing. */
    @Test
    void everyReasonNamesWhatWasSaved() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "G4 E5 G4"));
        FingeringPlan plan = Planner.plan(tune, FIDDLE);
        assertThat(plan.why(1)).isEqualTo(
                "rather than open E string: saves 2 strings leapt over, for a fourth finger and a finger set anew");
        assertThat(plan.why(0)).isEqualTo("the only place for it");
        assertThat(plan.at(2)).isInstanceOf(Place.Stopped.class);
    }
}
