package wildflourish.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Timeline;

class LikenessTest {

    private static final String MODEL = "D4:2 F#4 A4 F#4:2 E4 F#4 G4:2 B4:2 A4:4";

    private static Likeness of(String first, String second) {
        return Likeness.of(AlignmentTest.tones(first), AlignmentTest.tones(second));
    }

    @ParameterizedTest
    @CsvSource({
        "same, D4:2 F#4 A4 F#4:2 E4 F#4 G4:2 B4:2 A4:4",
        "moved, E4:2 G4 B4 G4:2 F#4 G4 A4:2 C#5:2 B4:4",
        "other-ending, D4:2 F#4 A4 F#4:2 E4 F#4 E4:2 C#4:2 D4:4",
        "other-beginning, B4:2 A4 G4 F#4:2 E4 F#4 G4:2 B4:2 A4:4",
        "nearly, D4:2 E4 A4 F#4:2 D4 F#4 G4:2 A4:2 A4:4",
        "same-rhythm, B4:2 D5 C#5 E4:2 B4 D5 C#5:2 D4:2 E5:4",
        "different, B4 D5 C#5 E4 B4 D5 C#5 D4 E5 C#5 B4 E4 B4 D5 C#5 E4"
    })
    void isToldInTheWordsOfATeacher(String kind, String other) {
        assertThat(of(MODEL, other).kind().id()).isEqualTo(kind);
    }

    @Test
    void howFarItMovedAndWhereItDepartsIsKnown() {
        assertThat(of(MODEL, "E4:2 G4 B4 G4:2 F#4 G4 A4:2 C#5:2 B4:4").steps()).isEqualTo(1);
        Likeness ending = of(MODEL, "D4:2 F#4 A4 F#4:2 E4 F#4 E4:2 C#4:2 D4:4");
        assertThat(ending.differsFrom()).isEqualTo(6);
        assertThat(ending.shared()).isEqualTo(0.5);
    }

    /** A decorated repeat is near: every long note of it restated. */
    @Test
    void aDecoratedRepeatIsNearlyTheSame() {
        Likeness decorated = of(MODEL, "D4 D4 F#4 A4 F#4 F#4 E4 F#4 G4 G4 B4 B4 A4:2 A4:2");
        assertThat(decorated.kind()).isEqualTo(Likeness.Kind.NEARLY);
        assertThat(decorated.distance()).isLessThan(60);
    }

    private static final String[] BARS = {"D4:2 F#4:2 A4:4", "E4:2 G4:2 B4:4", "B4:2 A4:2 G4:2 F#4:2", "E4:4 D4:4", "A4:4 D5:4"};

    /** Random parts with repeats and endings. */
    private static Timeline tune(Random random) {
        StringBuilder text = new StringBuilder();
        for (int part = 1 + random.nextInt(3); part > 0; part--) {
            boolean repeats = random.nextBoolean();
            text.append(repeats ? "|: " : "");
            for (int b = 2 * (1 + random.nextInt(3)); b > 0; b--) {
                text.append(BARS[random.nextInt(BARS.length)]).append(b > 1 ? " | " : " ");
            }
            text.append(repeats ? ":| " : "|| ");
        }
        return Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), text.toString()));
    }

    @Property(tries = 150)
    void theLessonRisesToTheWholeTune(@ForAll long seed) {
        Timeline tune = tune(new Random(seed));
        Reading reading = Reading.of(tune);
        List<Lesson.Step> steps = reading.lesson().steps();
        double before = 0;
        for (Lesson.Step step : steps) {
            assertThat(step.share()).isGreaterThanOrEqualTo(before);
            assertThat(step.share() > before).isEqualTo(step.newBars() > 0);
            before = step.share();
            assertThat(step.text()).isNotBlank();
        }
        assertThat(before).isEqualTo(1, org.assertj.core.data.Offset.offset(1e-12));
        long contents = PlayOrder.of(tune.tune()).stream().map(b -> tune.tune().bars().get(b).elements()).distinct().count();
        assertThat(steps.stream().mapToInt(Lesson.Step::newBars).sum()).isEqualTo((int) contents);
    }

    @Property(tries = 150)
    void whatIsSaidToBeTheSameIsTheSame(@ForAll long seed) {
        Reading reading = Reading.of(tune(new Random(seed)));
        for (Passage passage : reading.passages()) {
            if (passage.isSame()) {
                Phrase other = reading.passages().get(passage.sameAs().get()).phrase();
                assertThat(notes(reading, passage.phrase())).isEqualTo(notes(reading, other));
            }
            assertThat(reading.family(reading.passages().indexOf(passage))).isLessThanOrEqualTo(reading.passages().indexOf(passage));
        }
        long firsts = Repeats.of(reading.timeline(), reading.phrases()).stream().distinct().count();
        long distinct = reading.phrases().stream().map(p -> notes(reading, p)).distinct().count();
        assertThat(firsts).isEqualTo(distinct);
    }

    private static List<String> notes(Reading reading, Phrase phrase) {
        return reading.timeline().notes().subList(phrase.bodyNote(), phrase.toNote()).stream()
                .map(s -> s.pitch() + ":" + s.note().length()).toList();
    }

    /** An ending that travels from tune to tune is known again in another key. */
    @Test
    void aPhraseIsKnownAgainInAnotherKey() {
        Reading inD = Reading.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(),
                "F#4:2 A4:2 D5:4 | B4:2 G4:2 E4:4 | F#4:2 A4:2 G4:2 E4:2 | F#4:2 E4:2 D4:4 ||")));
        Timeline other = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(),
                "D5:2 B4:2 G4:4 | A4:2 C5:2 E5:4 | B4:2 D5:2 C5:2 A4:2 | B4:2 A4:2 G4:4 ||"));
        Reading inG = Reading.of(other.tune().head().title().isEmpty() ? other
                : Timeline.of(other.tune().withHead(new wildflourish.core.tune.Head(2, List.of("The other"), List.of(), "", Meter.of(4, 4),
                        wildflourish.core.tune.Ratio.of(1, 8), java.util.Optional.empty(), Tunes.g(), "", List.of()))));
        Remembered remembered = new Remembered(List.of(inD, inG));
        assertThat(remembered.where(inG, inG.phrases().getLast())).hasValue("A2 of Test tune");
        assertThat(remembered.where(inD, inD.phrases().getLast())).hasValue("A2 of The other");
        assertThat(remembered.where(inD, inD.phrases().getFirst())).isEmpty();
        assertThat(Remembered.NOTHING.where(inD, inD.phrases().getLast())).isEmpty();
    }
}
