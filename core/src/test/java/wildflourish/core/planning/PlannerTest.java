package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;

class PlannerTest {

    private static final long MOST_TRIED = 60_000;
    private static final Instrument WHISTLE = Instruments.known("whistle-d");

    @Provide
    Arbitrary<Instrument> instruments() {
        return Arbitraries.of(Instruments.all().stream().filter(Instrument::hasHands).toList());
    }

    @Provide
    Arbitrary<List<Integer>> shortTunes() {
        return Arbitraries.integers().between(55, 84).list().ofMinSize(1).ofMaxSize(4);
    }

    @Provide
    Arbitrary<List<Integer>> longTunes() {
        return Arbitraries.integers().between(55, 84).list().ofMinSize(5).ofMaxSize(40);
    }

    private static Timeline tune(List<Integer> midis) {
        String text = String.join(" ", midis.stream().map(m -> Pitch.ofMidi(m).toString()).toList());
        return Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), text));
    }

    /** The places the plan could use: all there are, on strings no farther up the neck than the tune's notes ask. */
    private static List<List<Place>> open(Timeline tune, Instrument instrument) {
        int limit = 0;
        if (instrument.layout() instanceof Neck neck) {
            limit = neck.roam();
            for (Timeline.Stand stand : tune.notes()) {
                limit = Math.max(limit, neck.places(stand.pitch()).stream()
                        .mapToInt(p -> ((Place.Stopped) p).shift()).min().orElse(0));
            }
        }
        int highest = limit;
        List<List<Place>> open = new ArrayList<>();
        for (Timeline.Stand stand : tune.notes()) {
            List<Place> here = instrument.layout().places(stand.pitch()).stream()
                    .filter(p -> !(p instanceof Place.Stopped s) || s.shift() <= highest).toList();
            if (!here.isEmpty()) {
                open.add(here);
            }
        }
        return open;
    }

    private static List<Place> played(FingeringPlan plan) {
        return plan.places().stream().filter(p -> !(p instanceof Place.Missing)).toList();
    }

    /** On every instrument the plan's cost equals the cheapest of all ways to play a short tune, tried one by one. */
    @Property(tries = 400)
    void thePlanIsTheCheapestThereIs(
            @ForAll("instruments") Instrument instrument, @ForAll("shortTunes") List<Integer> midis) {
        Timeline tune = tune(midis);
        // So many places lie on a long neck that the tune is cut to what can be tried out.
        for (int size = midis.size(); ways(open(tune, instrument)) > MOST_TRIED; size--) {
            tune = tune(midis.subList(0, size - 1));
        }
        List<List<Place>> open = open(tune, instrument);
        assertThat(ways(open)).isLessThanOrEqualTo(MOST_TRIED);
        FingeringPlan plan = Planner.plan(tune, instrument);
        assertThat(plan.cost()).isEqualTo(cheapest(tune, instrument, open, new ArrayList<>()));
        assertThat(Planner.cost(instrument, School.USUAL, played(plan))).isEqualTo(plan.cost());
    }

    private static long ways(List<List<Place>> open) {
        return open.stream().mapToLong(List::size).reduce(1, (a, b) -> a * b);
    }

    /** Whether every note of a pitch that has places is fingered alike; all notes stand in one bar. */
    private static boolean hasOneFingeringANote(Timeline tune, Instrument instrument, List<Place> places) {
        Map<Integer, Place> known = new HashMap<>();
        int at = 0;
        for (Timeline.Stand stand : tune.notes()) {
            if (instrument.has(stand.pitch())) {
                Place here = places.get(at++);
                if (!known.computeIfAbsent(stand.pitch().midi(), m -> here).equals(here)) {
                    return false;
                }
            }
        }
        return true;
    }

    private static int cheapest(Timeline tune, Instrument instrument, List<List<Place>> open, List<Place> chosen) {
        if (chosen.size() == open.size()) {
            return chosen.isEmpty() ? 0
                    : instrument.chart().isPresent() && !hasOneFingeringANote(tune, instrument, chosen) ? Integer.MAX_VALUE
                    : Planner.cost(instrument, School.USUAL, chosen);
        }
        int best = Integer.MAX_VALUE;
        for (Place place : open.get(chosen.size())) {
            chosen.add(place);
            best = Math.min(best, cheapest(tune, instrument, open, chosen));
            chosen.removeLast();
        }
        return best;
    }

    /** No plan, however long the tune, gets cheaper by playing a single note elsewhere. */
    @Property(tries = 150)
    void noSingleChangeMakesAPlanCheaper(
            @ForAll("instruments") Instrument instrument, @ForAll("longTunes") List<Integer> midis) {
        Timeline tune = tune(midis);
        FingeringPlan plan = Planner.plan(tune, instrument);
        List<List<Place>> open = open(tune, instrument);
        List<Place> places = new ArrayList<>(played(plan));
        for (int i = 0; i < places.size(); i++) {
            Place kept = places.get(i);
            for (Place other : open.get(i)) {
                places.set(i, other);
                if (kept instanceof Place.Fingered && !hasOneFingeringANote(tune, instrument, places)) {
                    // A wind player keeps to one fingering for one note, whatever a single change would save.
                    continue;
                }
                assertThat(Planner.cost(instrument, School.USUAL, places)).isGreaterThanOrEqualTo(plan.cost());
            }
            places.set(i, kept);
        }
    }

    /** Every place of a plan sounds the written note, read back from the text by which a player would type it. */
    @Property(tries = 200)
    void aPlanAlwaysSoundsExactlyTheTune(
            @ForAll("instruments") Instrument instrument, @ForAll("longTunes") List<Integer> midis) {
        Timeline tune = tune(midis);
        FingeringPlan plan = Planner.plan(tune, instrument);
        for (Timeline.Stand stand : tune.notes()) {
            Place place = plan.at(stand.index());
            if (place instanceof Place.Missing) {
                assertThat(instrument.has(stand.pitch())).isFalse();
            } else {
                assertThat(instrument.layout().sounds(place.text())).as(place.text()).isEqualTo(stand.pitch().midi());
            }
        }
    }

    /** What an alternative is said to cost is what the cheapest plan that takes it costs. */
    @Property(tries = 100)
    void anAlternativeCostsWhatItIsSaidTo(
            @ForAll("instruments") Instrument instrument, @ForAll("longTunes") List<Integer> midis) {
        Timeline tune = tune(midis);
        FingeringPlan plan = Planner.plan(tune, instrument);
        int note = midis.size() / 2;
        for (Alternative alternative : plan.alternatives(note)) {
            FingeringPlan other = Planner.plan(tune, instrument, School.USUAL,
                    Choices.NONE.with(instrument, note, Optional.of(alternative.place().text())));
            assertThat(other.at(note)).isEqualTo(alternative.place());
            assertThat(other.isChosen(note)).isTrue();
            assertThat(other.cost()).isEqualTo(plan.cost() + alternative.extra());
            assertThat(alternative.extra()).isNotNegative();
        }
    }

    @Test
    void notesOutOfRangeAreMissingWithTheReason() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D4 A3 E6 D4"));
        FingeringPlan plan = Planner.plan(tune, WHISTLE);
        assertThat(plan.missing()).containsExactly(1, 2);
        assertThat(plan.at(1)).isInstanceOfSatisfying(Place.Missing.class,
                m -> assertThat(m.why()).contains("below the lowest note of the D whistle"));
        assertThat(plan.at(2)).isInstanceOfSatisfying(Place.Missing.class,
                m -> assertThat(m.why()).contains("above the highest"));
        assertThat(plan.fingering(0)).isPresent();
        assertThat(plan.alternatives(1)).isEmpty();
        assertThat(plan.why(1)).contains("below");
    }

    @Test
    void onNoInstrumentEveryNoteIsAsWritten() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "C2 D9"));
        FingeringPlan plan = Planner.plan(tune, Instruments.known("none"));
        assertThat(plan.places()).allMatch(p -> p instanceof Place.AsWritten);
        assertThat(plan.missing()).isEmpty();
        assertThat(plan.cost()).isZero();
        assertThat(plan.why(0)).isEmpty();
    }

    @Test
    void aNoteTiedOverKeepsItsPlace() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D5:8 | A4:2 A4:2- | A4:2 D4:2"));
        for (Instrument instrument : List.of(Instruments.known("fiddle"), Instruments.known("melodeon-dg"))) {
            FingeringPlan plan = Planner.plan(tune, instrument);
            assertThat(plan.at(3)).isEqualTo(plan.at(2));
            assertThat(plan.alternatives(3)).isEmpty();
        }
    }

    /** Common practice: C natural between B and A is the plain fork, not a half-covered hole. */
    @Test
    void cNaturalIsForkedInPassing() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), "A4 B4 C5 B4 A4"));
        assertThat(Planner.plan(tune, WHISTLE).fingering(2).orElseThrow().holes()).hasToString("oxx ooo");
    }

    @Test
    void theSchoolOfCNaturalIsFollowed() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), "A4 B4 C5 B4 A4"));
        School half = School.USUAL.with("c-natural", "half");
        assertThat(Planner.plan(tune, WHISTLE, half, Choices.NONE).fingering(2).orElseThrow().holes())
                .hasToString("hoo ooo");
    }

    @Test
    void aTeachersChoiceStandsAndTheRestAdapts() {
        Instrument fiddle = Instruments.known("fiddle");
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "A4 B4 A4 E5"));
        FingeringPlan free = Planner.plan(tune, fiddle);
        assertThat(free.at(2).inWords()).isEqualTo("open A string");
        Choices fourth = Choices.NONE.with(fiddle, 2, Optional.of("D 4"));
        FingeringPlan chosen = Planner.plan(tune, fiddle, School.USUAL, fourth);
        assertThat(chosen.at(2).inWords()).isEqualTo("fourth finger on the D string");
        assertThat(chosen.why(2)).startsWith("your choice");
        assertThat(chosen.alternatives(2).getFirst().extra()).isNegative();
        assertThat(Planner.plan(tune, fiddle, School.USUAL, fourth.with(fiddle, 2, Optional.empty())).places())
                .isEqualTo(free.places());
        assertThat(Planner.plan(tune, fiddle, School.USUAL,
                Choices.NONE.with(fiddle, 2, Optional.of("G 9"))).places()).isEqualTo(free.places());
    }

    @Test
    void aHabitHoldsInEveryTuneButGivesWayToAChoice() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), "A4 C5 A4 C5 B4"));
        Choices habit = Choices.NONE.withHabit(WHISTLE, Pitch.parse("C5"), Optional.of("oxo xxx gentle"));
        FingeringPlan plan = Planner.plan(tune, WHISTLE, School.USUAL, habit);
        assertThat(plan.fingering(1).orElseThrow().holes()).hasToString("oxo xxx");
        assertThat(plan.fingering(3).orElseThrow().holes()).hasToString("oxo xxx");
        FingeringPlan once = Planner.plan(tune, WHISTLE, School.USUAL,
                habit.with(WHISTLE, 3, Optional.of("oxx ooo gentle")));
        assertThat(once.fingering(1).orElseThrow().holes()).hasToString("oxo xxx");
        assertThat(once.fingering(3).orElseThrow().holes()).hasToString("oxx ooo");
    }
}
