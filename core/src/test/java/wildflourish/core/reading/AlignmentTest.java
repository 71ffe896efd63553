package wildflourish.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;

class AlignmentTest {

    static List<Tone> tones(String text) {
        Timeline timeline = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), text));
        return Tone.of(timeline, 0, timeline.size());
    }

    @Provide
    Arbitrary<List<Tone>> phrases() {
        return Arbitraries.of("D4", "E4", "F#4:2", "G4", "A4:2", "A4:3", "B4", "D5").list().ofMinSize(0).ofMaxSize(5)
                .map(words -> words.isEmpty() ? List.<Tone>of() : tones(String.join(" ", words)));
    }

    /** Every way to set two short phrases against one another, tried one by one. */
    private static int byTrying(List<Tone> a, List<Tone> b, int steps) {
        if (a.isEmpty() && b.isEmpty()) {
            return 0;
        }
        int best = Integer.MAX_VALUE;
        int most = Alignment.WEIGHTS.divideInto();
        for (int i = 0; i <= Math.min(most, a.size()); i++) {
            for (int j = 0; j <= Math.min(most, b.size()); j++) {
                boolean allowed = i == 1 && (j == 0 || j >= 1) || j == 1 && (i == 0 || i >= 1);
                if (allowed) {
                    int cost = Alignment.at(a.subList(0, i), b.subList(0, j), steps).pairs().size() == 1
                            ? Alignment.at(a.subList(0, i), b.subList(0, j), steps).pairs().getFirst().cost() : 1 << 20;
                    best = Math.min(best, cost + byTrying(a.subList(i, a.size()), b.subList(j, b.size()), steps));
                }
            }
        }
        return best;
    }

    @Property(tries = 150)
    void isTheLeastOfAllWays(@ForAll("phrases") List<Tone> a, @ForAll("phrases") List<Tone> b,
            @ForAll @IntRange(min = -2, max = 2) int steps) {
        int moved = steps == 0 ? 0 : Alignment.WEIGHTS.moved();
        assertThat(Alignment.at(a, b, steps).distance()).isEqualTo(byTrying(a, b, steps) + moved);
    }

    @Property(tries = 150)
    void aLimitChangesNothingWithinIt(@ForAll("phrases") List<Tone> a, @ForAll("phrases") List<Tone> b,
            @ForAll @IntRange(min = 0, max = 600) int limit) {
        Alignment whole = Alignment.of(a, b);
        Alignment within = Alignment.of(a, b, limit);
        if (whole.distance() <= limit) {
            assertThat(within).isEqualTo(whole);
        } else {
            assertThat(within.distance()).isGreaterThan(limit);
        }
    }

    @Property(tries = 100)
    void aPhraseIsAtNoDistanceFromItself(@ForAll("phrases") List<Tone> phrase) {
        assertThat(Alignment.of(phrase, phrase).distance()).isZero();
    }

    @Property(tries = 100)
    void thereAndBackIsAsFar(@ForAll("phrases") List<Tone> a, @ForAll("phrases") List<Tone> b) {
        assertThat(Alignment.at(a, b, 0).distance()).isEqualTo(Alignment.at(b, a, 0).distance());
    }

    @Property(tries = 60)
    void everyToneStandsInOnePair(@ForAll("phrases") List<Tone> a, @ForAll("phrases") List<Tone> b) {
        List<Alignment.Pair> pairs = Alignment.of(a, b).pairs();
        int i = 0;
        int j = 0;
        for (Alignment.Pair pair : pairs) {
            assertThat(List.of(pair.from(), pair.otherFrom())).containsExactly(i, j);
            i = pair.to();
            j = pair.otherTo();
        }
        assertThat(List.of(i, j)).containsExactly(a.size(), b.size());
    }

    @org.junit.jupiter.api.Test
    void aHeldNoteStandsAgainstItsRestatement() {
        Alignment alignment = Alignment.at(tones("G4:3 B4 A4 G4"), tones("G4 G4 G4 B4 A4 G4"), 0);
        assertThat(alignment.pairs().getFirst()).extracting(p -> p.otherTo() - p.otherFrom()).isEqualTo(3);
        assertThat(alignment.distance()).isEqualTo(2 * Alignment.WEIGHTS.divided());
    }
}
