package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

class AirTest {

    private static final Instrument BOX = Instruments.known("melodeon-dg");
    private static final School ACROSS = School.USUAL.with("rows", "across");
    /** A quaver lasts half a second. */
    private static final Tempo SLOW = Tempo.of(Ratio.of(1, 4), 60);

    private static Air air(School school, String notes) {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), notes));
        return Air.of(tune, Planner.plan(tune, BOX, school, Choices.NONE), SLOW).orElseThrow();
    }

    private static String bars(int count, String bar) {
        return String.join(" | ", Collections.nCopies(count, bar));
    }

    @Test
    void pushAndPullByTurnsNeedNoAir() {
        assertThat(air(School.USUAL, bars(8, "D4 E4 F#4 G4 A4 B4 D5 C#5")).uses()).isEmpty();
    }

    @Test
    void eightSecondsOneWayAreJustWithinTheTravel() {
        assertThat(air(ACROSS, bars(2, "D4 F#4 A4 D5 A4 F#4 D4 F#4")).uses()).isEmpty();
    }

    @Test
    void aLongPushHasToBeBroken() {
        Air air = air(ACROSS, bars(4, "D4 F#4 A4 D5 A4 F#4 D4 F#4"));
        assertThat(air.uses()).isNotEmpty().allMatch(Air.Use::gasp);
    }

    /** Notes of hours are told as any are that outlast the bellows, and take no longer to work out. */
    @Test
    @Timeout(30)
    void notesWithoutEndComeToAnEnd() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), bars(24, "D4:99999 E4:99999")));
        Air air = Air.of(tune, Planner.plan(tune, BOX, School.USUAL, Choices.NONE), SLOW).orElseThrow();
        assertThat(air.uses()).hasSize(48);
    }

    /** Where pushes outweigh pulls, the pulls are used to let more air in. */
    @Test
    void airIsTakenInOnTheNotesThatGoTheOtherWay() {
        Air air = air(ACROSS, bars(4, "D4 F#4 A4 D5 A4 F#4 D4 E4"));
        assertThat(air.uses()).isNotEmpty().noneMatch(Air.Use::gasp)
                .allMatch(u -> u.direction() == Bellows.PULL);
    }

    @Test
    void whereNothingIsDrawnNothingIsSaid() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D4 E4"));
        assertThat(Air.of(tune, Planner.plan(tune, Instruments.known("fiddle")), SLOW)).isEmpty();
        assertThat(Air.of(tune, Planner.plan(tune, Instruments.known("english-48")), SLOW)).isEmpty();
    }

    /** The bellows stay within their travel: checked by following them note by note. */
    @Property(tries = 100)
    void whatIsPlannedStaysWithinTheTravel(@ForAll @Size(min = 4, max = 40) List<@IntRange(min = 0, max = 7) Integer> steps) {
        List<String> scale = List.of("D4", "E4", "F#4", "G4", "A4", "B4", "C#5", "D5");
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(),
                String.join(" ", steps.stream().map(scale::get).toList())));
        FingeringPlan plan = Planner.plan(tune, BOX);
        Air air = Air.of(tune, plan, SLOW).orElseThrow();
        double least = air.startsOpen() * 8 - 0.06;
        double most = air.startsOpen() * 8 + 0.06;
        for (int i = 0; i < tune.size(); i++) {
            int note = i;
            boolean pull = plan.bellows(i).orElseThrow() == Bellows.PULL;
            var use = air.uses().stream().filter(u -> u.note() == note).findFirst();
            boolean gasp = use.isPresent() && use.get().gasp();
            least = gasp ? 0 : least;
            most = gasp ? 8 : most;
            double farthest = use.isPresent() && !gasp ? 4 * 0.5 : 0.5;
            least = Math.max(-0.06, least + (pull ? 0.5 : -farthest));
            most = Math.min(8.06, most + (pull ? farthest : -0.5));
            assertThat(least).as("note %d", i).isLessThanOrEqualTo(most);
        }
    }
}
