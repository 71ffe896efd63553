package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.SessionTune;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;

/** How players keep their places over a whole tune; common practice. */
class HabitsOfPlacesTest {

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    /** Whoever learns a tune learns one fingering for each of its notes, in whichever school. */
    @ParameterizedTest
    @MethodSource("instruments")
    void aNoteHasOneFingering(Instrument instrument) {
        assumeTrue(instrument.chart().isPresent());
        School school = School.USUAL.with("c-natural", "fork").with("recorder-f", "baroque");
        for (SessionTune tune : SessionTune.values()) {
            Situation situation = Situation.of(Timeline.of(tune.tune()), instrument, school);
            Map<Integer, Set<String>> byPitch = new HashMap<>();
            for (int n = 0; n < situation.tune().size(); n++) {
                byPitch.computeIfAbsent(situation.tune().note(n).pitch().midi(), p -> new HashSet<>()).add(situation.plan().at(n).text());
            }
            assertThat(byPitch.values()).as("%s", tune).allMatch(s -> s.size() == 1);
        }
    }

    /** A bar that comes again is played in the same places, unless the notes around it, or the air of the bellows, forbid. */
    @ParameterizedTest
    @MethodSource("instruments")
    void aFigureKeepsItsPlaces(Instrument instrument) {
        assumeTrue(instrument.chart().isEmpty());
        int again = 0;
        int otherwise = 0;
        for (SessionTune tune : SessionTune.values()) {
            Situation situation = Situation.of(Timeline.of(tune.tune()), instrument, School.USUAL);
            Timeline time = situation.tune();
            Map<List<Integer>, List<String>> known = new HashMap<>();
            for (int bar = 0; bar < tune.tune().bars().size(); bar++) {
                List<Integer> notes = new ArrayList<>();
                List<String> places = new ArrayList<>();
                for (int n = 0; n < time.size(); n++) {
                    if (time.note(n).bar() == bar) {
                        notes.add(time.note(n).pitch().midi());
                        places.add(situation.plan().at(n).text());
                    }
                }
                List<String> before = notes.size() < 3 ? null : known.putIfAbsent(notes, places);
                again += before == null ? 0 : 1;
                otherwise += before == null || before.equals(places) ? 0 : 1;
            }
        }
        assertThat(again).isGreaterThan(15);
        boolean balanced = instrument.layout() instanceof ButtonBoard board && board.travelSeconds().isPresent();
        assertThat(otherwise).as("of %d bars that come again", again).isLessThanOrEqualTo(again * (balanced ? 2 : 1) / 5);
    }

    /** Recorders are made in three ways; a plan keeps to the fingerings of the one that is played. */
    @ParameterizedTest
    @MethodSource("instruments")
    void fingeringsOfOtherMakingsStayAway(Instrument instrument) {
        assumeTrue(instrument.id().startsWith("recorder"));
        Set<String> plans = new HashSet<>();
        for (String system : List.of("baroque", "simplified", "german")) {
            School school = School.USUAL.with("recorder-f", system);
            Situation situation = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), instrument.id().contains("alto")
                    ? "Bb4:2 A4:2 Bb4:2 C5:2" : "F5:2 E5:2 F5:2 G5:2")), instrument, school);
            for (Place place : situation.plan().places()) {
                assertThat(((Place.Fingered) place).fingering().isBarred(instrument, school)).isFalse();
            }
            plans.add(situation.plan().at(0).text());
        }
        assertThat(plans).hasSizeGreaterThan(1);
    }

    /** The little finger is for passing and for the top of the neck, not for notes that an open string sounds. */
    @Test
    void theFourthFingerIsRare() {
        int fourth = 0;
        int stopped = 0;
        for (SessionTune tune : SessionTune.values()) {
            for (Place place : Situation.of(Timeline.of(tune.tune()), Instruments.known("fiddle"), School.USUAL).plan().places()) {
                if (place instanceof Place.Stopped s) {
                    stopped++;
                    fourth += s.text().contains(" 4") || s.text().endsWith("4") ? 1 : 0;
                }
            }
        }
        assertThat(fourth).isBetween(1, stopped / 10);
    }

    /** The bow comes out right at every repeat: a part begins the second time as it began the first. */
    @Test
    void partsBeginWithTheSameBowEachTime() {
        for (SessionTune tune : SessionTune.values()) {
            Timeline time = Timeline.of(tune.tune());
            Strokes strokes = Strokes.of(time, Instruments.known("fiddle"), School.USUAL);
            for (int n = 0; n < time.size(); n++) {
                boolean downbeat = time.note(n).onset().equals(wildflourish.core.tune.Ratio.ZERO)
                        && tune.tune().bars().get(time.note(n).bar()).elements().size() > 2;
                if (downbeat && n > 0 && time.note(n - 1).bar() < time.note(n).bar() && isPartStart(tune, time.note(n).bar())) {
                    assertThat(strokes.at(n).orElseThrow().down()).as("%s bar %d", tune, time.note(n).barNumber()).isTrue();
                }
            }
        }
    }

    private static boolean isPartStart(SessionTune tune, int bar) {
        return bar > 0 && tune.tune().bars().get(bar - 1).closing().repeatsAfter() > 0;
    }
}
