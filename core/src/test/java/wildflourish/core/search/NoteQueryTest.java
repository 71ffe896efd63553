package wildflourish.core.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Step;

class NoteQueryTest {

    private static final NoteQuery.Weights WEIGHTS = DataFile.read("search/melody.json", NoteQuery.Weights.class);
    private static final Profile TUNE = Profile.of(Tunes.of(Meter.of(6, 8), Key.of(Step.G, 0, Mode.MAJOR),
            "D5 | G4:3 B4 A4 G4 | A4:3 C5 B4 A4 | B4:2 D5 G5 F#5 D5 | E5 D5 B4 A4 F#4 D4 |"));

    private static OptionalInt cost(String query) {
        return NoteQuery.parse(query).orElseThrow().cost(TUNE);
    }

    @ParameterizedTest
    @ValueSource(strings = {"g b a g a c b a", "G3 BAG | A3 cBA", "c e d c d f e d", "1 3 2 1 2 4 3 2", "GBAG"})
    void notesAreFoundInAnyKeyAndAnySpelling(String query) {
        assertThat(cost(query).isPresent()).isTrue();
    }

    @Test
    void aWrongNoteANoteLeftOutOrPutInCostsAndIsStillFound() {
        assertThat(cost("g b a g a c b a")).hasValue(0);
        assertThat(cost("g b b g a c b a").orElseThrow()).isBetween(1, 100);
        assertThat(cost("g b g a c b a").orElseThrow()).isBetween(1, 100);
        assertThat(cost("g b a a g a c b a").orElseThrow()).isBetween(1, 60);
        assertThat(cost("g f d c f c g e").isPresent()).isFalse();
    }

    @Test
    void theBeginningIsABetterAnswer() {
        assertThat(cost("b d g f d e d b").orElseThrow()).isEqualTo(WEIGHTS.notAtTheBeginning());
    }

    @ParameterizedTest
    @ValueSource(strings = {"the lamp", "reel", "d f", "", "1 2 8 9", "jig in G"})
    void whatIsNoNotesIsNone(String text) {
        assertThat(NoteQuery.parse(text)).isEmpty();
    }

    /** The least cost is that of trying every way. */
    @Test
    void theCostIsTheLeastThereIs() {
        Random random = new Random(3);
        for (int round = 0; round < 300; round++) {
            List<Integer> tune = random.ints(9, 0, 5).mapToObj(s -> 28 + s).toList();
            List<Integer> query = random.ints(5, 0, 5).mapToObj(s -> 28 + s).toList();
            int least = Integer.MAX_VALUE;
            for (int j = 0; j < tune.size(); j++) {
                least = Math.min(least, everyWay(query, tune, 0, j, j <= 2 ? 0 : WEIGHTS.notAtTheBeginning()));
            }
            OptionalInt cost = new NoteQuery(query, true).cost(Profile.of(tune, 60, 67));
            int limit = Math.min(WEIGHTS.most(), WEIGHTS.mostPerNote() * 4) + WEIGHTS.notAtTheBeginning();
            assertThat(cost).isEqualTo(least <= limit ? OptionalInt.of(least) : OptionalInt.empty());
        }
    }

    private static int everyWay(List<Integer> query, List<Integer> tune, int i, int j, int cost) {
        if (i == query.size() - 1) {
            return cost;
        }
        int least = 1_000_000;
        for (int taken = 1; taken <= 2; taken++) {
            for (int heard = 1; heard <= 2; heard++) {
                if (i + taken >= query.size() || j + heard >= tune.size()) {
                    continue;
                }
                int wanted = query.get(i + taken) - query.get(i);
                int there = tune.get(j + heard) - tune.get(j);
                int more;
                if (taken == 1 && heard == 1) {
                    more = wanted == there ? 0 : Math.abs(wanted - there) == 1 ? WEIGHTS.neighbour()
                            : Integer.signum(wanted) == Integer.signum(there) ? WEIGHTS.sameDirection() : WEIGHTS.otherDirection();
                } else if (wanted != there) {
                    continue;
                } else if (taken == 2 && heard == 2) {
                    more = WEIGHTS.wrongNote();
                } else {
                    List<Integer> longer = taken == 2 ? query.subList(i, i + 3) : tune.subList(j, j + 3);
                    boolean repeated = longer.get(1).equals(longer.get(0)) || longer.get(1).equals(longer.get(2));
                    more = repeated ? WEIGHTS.repeated() : taken == 2 ? WEIGHTS.putIn() : WEIGHTS.leftOut();
                }
                least = Math.min(least, everyWay(query, tune, i + taken, j + heard, cost + more));
            }
        }
        return least;
    }

    @Test
    void aProfileIsKeptAsTextAndKnowsTheSameTuneInAnotherKey() {
        assertThat(Profile.parse(TUNE.text())).contains(TUNE);
        assertThat(Profile.parse("nonsense")).isEmpty();
        List<Integer> up = new ArrayList<>();
        TUNE.notes().chars().forEach(s -> up.add(s - '0' + 3));
        assertThat(TUNE.isSameTuneAs(Profile.of(up, 0, 0))).isTrue();
        up.set(4, 60);
        assertThat(TUNE.isSameTuneAs(Profile.of(up, 0, 0))).isFalse();
    }

    /** What is typed with sharps is found where it is written with flats, and the other way round: by its pitches. */
    @Test
    void aFlatFindsTheSharpOfTheSamePitch() {
        Profile sharps = Profile.of(wildflourish.core.Tunes.of(wildflourish.core.tune.Meter.of(4, 4), wildflourish.core.Tunes.d(), "A4 G#4 A4 B4 C#5 A4 D5 E5"));
        assertThat(NoteQuery.parse("A _A A B _d A d e").orElseThrow().cost(sharps)).hasValue(0);
        assertThat(NoteQuery.parse("A ^G A B ^c A d e").orElseThrow().cost(sharps)).hasValue(0);
        assertThat(NoteQuery.parse("a _a a b _d a").orElseThrow().cost(sharps)).hasValue(0);
        assertThat(NoteQuery.parse("A A A B d A d e").orElseThrow().cost(sharps).orElse(999)).as("another note is another note").isPositive();
    }
}
