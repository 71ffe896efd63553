package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;

/** The plan of winds is the cheapest of all, several pitches with several fingerings each counted together: held against every way there is. */
class OneFingeringTest {

    private static final int ODD = 20;
    private static final int MOST_WAYS = 8_000;

    /** Each kind of wind but the nine-note pipes, which have one fingering for each note; thoroughly each wind, though whistles of all keys put the same fingers down. */
    static Stream<Instrument> winds() {
        boolean all = Boolean.getBoolean("flourish.thorough");
        return Instruments.all().stream().filter(i -> i.chart().isPresent() && !i.id().equals("pipes-nine-note"))
                .filter(i -> all || !i.id().startsWith("whistle") || i.id().equals("whistle-d") || i.id().equals("whistle-eb"));
    }

    /** Pitches that can be fingered in more than one way. */
    private static List<String> ambiguous(Instrument instrument) {
        List<String> all = new ArrayList<>();
        for (int octave = 3; octave <= 6; octave++) {
            for (String name : List.of("C", "^C", "D", "_E", "E", "F", "^F", "G", "^G", "A", "_B", "B")) {
                String text = name.startsWith("^") ? name.substring(1) + "#" + octave : name.startsWith("_") ? name.substring(1) + "b" + octave : name + octave;
                if (instrument.layout().places(Pitch.parse(text)).size() > 1) {
                    all.add(text);
                }
            }
        }
        return all;
    }

    private static List<List<Place>> open(Timeline tune, Instrument instrument) {
        return tune.notes().stream().map(n -> instrument.layout().places(n.pitch())).toList();
    }

    /** What a row of places costs with every note counted that is fingered otherwise than most of its pitch, or, where C is left to its place, of its C in its bar. */
    private static int whole(Timeline tune, Instrument instrument, School school, boolean byBar, List<Place> places) {
        Map<List<Object>, Map<Place, Integer>> used = new HashMap<>();
        for (int n = 0; n < places.size(); n++) {
            used.computeIfAbsent(List.of(tune.note(n).pitch().midi(), byBar && tune.note(n).pitch().toString().startsWith("C") ? tune.note(n).bar() : 0), k -> new HashMap<>()).merge(places.get(n), 1, Integer::sum);
        }
        int odd = used.values().stream().mapToInt(u -> u.values().stream().mapToInt(i -> i).sum() - u.values().stream().mapToInt(i -> i).max().orElse(0)).sum();
        return Planner.cost(instrument, school, places) + ODD * odd;
    }

    private static int cheapest(Timeline tune, Instrument instrument, School school, boolean byBar, List<List<Place>> open, List<Place> chosen) {
        if (chosen.size() == open.size()) {
            return whole(tune, instrument, school, byBar, chosen);
        }
        int best = Integer.MAX_VALUE;
        for (Place place : open.get(chosen.size())) {
            chosen.add(place);
            best = Math.min(best, cheapest(tune, instrument, school, byBar, open, chosen));
            chosen.removeLast();
        }
        return best;
    }

    @ParameterizedTest
    @MethodSource("winds")
    void twoAndThreePitchesOfSeveralFingeringsTogether(Instrument instrument) {
        List<String> ambiguous = ambiguous(instrument);
        assertThat(ambiguous).as(instrument.name()).isNotEmpty();
        Random chance = new Random(instrument.id().hashCode());
        for (int round = 0; round < 15; round++) {
            List<String> some = new ArrayList<>();
            for (int i = 0; i < 3; i++) {
                some.add(ambiguous.get(chance.nextInt(ambiguous.size())));
            }
            List<String> notes = new ArrayList<>();
            long ways = 1;
            while (notes.size() < 9) {
                String next = chance.nextInt(5) == 0 ? List.of("D5", "E5", "F#5", "G5", "A5").get(chance.nextInt(5)) : some.get(chance.nextInt(some.size()));
                int places = instrument.layout().places(Pitch.parse(next)).size();
                if (places == 0 || ways * places > MOST_WAYS) {
                    break;
                }
                ways *= places;
                notes.add(next);
            }
            if (notes.size() < 2) {
                continue;
            }
            Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), String.join(" ", notes)));
            FingeringPlan plan = Planner.plan(tune, instrument);
            int least = cheapest(tune, instrument, School.USUAL, false, open(tune, instrument), new ArrayList<>());
            assertThat(plan.cost()).as(instrument.name() + " " + notes).isEqualTo(least);
            assertThat(whole(tune, instrument, School.USUAL, false, plan.places())).isEqualTo(least);
            for (int n = 0; n < tune.size(); n++) {
                assertThat(plan.alternatives(n)).allSatisfy(a -> assertThat(a.extra()).isNotNegative());
            }
        }
    }

    /** A pitch that the school leaves to its place is counted bar by bar, the others through the whole tune. */
    @Test
    void aPitchThatIsLeftToItsPlaceIsCountedBarByBar() {
        Instrument whistle = Instruments.known("whistle-d");
        School byPlace = School.USUAL.with("c-natural", "by-place");
        Random chance = new Random(11);
        List<String> pitches = List.of("C5", "C5", "B4", "A4", "D5", "G4");
        int differing = 0;
        for (int round = 0; round < 120; round++) {
            List<String> words = new ArrayList<>();
            for (int note = 0; note < 10; note++) {
                words.add(pitches.get(chance.nextInt(pitches.size())));
                if (note == 4) {
                    words.add("|");
                }
            }
            Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), String.join(" ", words)));
            List<List<Place>> open = open(tune, whistle);
            if (open.stream().mapToLong(List::size).reduce(1, (a, b) -> a * b) > MOST_WAYS) {
                continue;
            }
            FingeringPlan plan = Planner.plan(tune, whistle, byPlace, Choices.NONE);
            assertThat(plan.cost()).as(words.toString()).isEqualTo(cheapest(tune, whistle, byPlace, true, open, new ArrayList<>()));
            differing += IntStream.range(0, tune.size()).filter(n -> words.get(n < 5 ? n : n + 1).equals("C5")).mapToObj(plan::at).distinct().count() > 1 ? 1 : 0;
        }
        assertThat(differing).as("two bars do finger it differently").isPositive();
    }
}
