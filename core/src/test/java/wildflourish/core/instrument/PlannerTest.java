package wildflourish.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;

class PlannerTest {

    private static final Instrument WHISTLE = Instruments.known("whistle-d");

    @Provide
    Arbitrary<List<Integer>> shortTunes() {
        return Arbitraries.integers().between(60, 88).list().ofMinSize(1).ofMaxSize(6);
    }

    private static Timeline tune(List<Integer> midis) {
        String text = String.join(" ", midis.stream().map(m -> Pitch.ofMidi(m).toString()).toList());
        return Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), text));
    }

    /** The plan's cost equals the cheapest of all ways to finger a short tune, tried one by one. */
    @Property(tries = 300)
    void thePlanIsTheCheapestThereIs(@ForAll("shortTunes") List<Integer> midis) {
        Timeline tune = tune(midis);
        FingeringPlan plan = Planner.plan(tune, WHISTLE);
        List<List<Fingering>> ways = tune.notes().stream()
                .map(n -> WHISTLE.chart().orElseThrow().ways(n.pitch()))
                .filter(w -> !w.isEmpty())
                .toList();
        assertThat(plan.cost()).isEqualTo(ways.isEmpty() ? 0 : cheapest(ways, 0, null));
    }

    private static int cheapest(List<List<Fingering>> ways, int at, Fingering before) {
        if (at == ways.size()) {
            return 0;
        }
        int best = Integer.MAX_VALUE;
        for (int w = 0; w < ways.get(at).size(); w++) {
            Fingering way = ways.get(at).get(w);
            int cost = Planner.alone(way, w) + (before == null ? 0 : Planner.between(before, way))
                    + cheapest(ways, at + 1, way);
            best = Math.min(best, cost);
        }
        return best;
    }

    @Property(tries = 200)
    void thePlanAlwaysSoundsTheTune(@ForAll("shortTunes") List<Integer> midis) {
        Timeline tune = tune(midis);
        FingeringPlan plan = Planner.plan(tune, WHISTLE);
        for (int i = 0; i < tune.size(); i++) {
            List<Fingering> ways = WHISTLE.chart().orElseThrow().ways(tune.note(i).pitch());
            switch (plan.at(i)) {
                case Place.Fingered(var fingering, var rank) -> assertThat(ways).contains(fingering);
                case Place.Missing missing -> assertThat(ways).isEmpty();
                case Place.AsWritten written -> assertThat(written).isNull();
            }
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
    }

    @Test
    void onNoInstrumentEveryNoteIsAsWritten() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "C2 D9"));
        FingeringPlan plan = Planner.plan(tune, Instruments.known("none"));
        assertThat(plan.places()).allMatch(p -> p instanceof Place.AsWritten);
        assertThat(plan.missing()).isEmpty();
    }

    /** Common practice: C natural between B and A is the plain fork, not a half-covered hole. */
    @Test
    void cNaturalIsForkedInPassing() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), "A4 B4 C5 B4 A4"));
        assertThat(Planner.plan(tune, WHISTLE).fingering(2).orElseThrow().holes()).hasToString("oxx ooo");
    }

    @Test
    void theInstrumentsThereAreHaveNamesAndSources() {
        assertThat(Instruments.all()).extracting(Instrument::id).contains("none", "whistle-d");
        assertThat(Instruments.all()).allSatisfy(i -> assertThat(i.provenance()).isNotBlank());
        assertThat(Instruments.byId("kazoo")).isEmpty();
        assertThat(WHISTLE.has(Pitch.parse("D4"))).isTrue();
        assertThat(WHISTLE.has(Pitch.parse("C4"))).isFalse();
    }
}
