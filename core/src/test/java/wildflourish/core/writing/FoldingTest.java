package wildflourish.core.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.BarNumbers;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tune;

class FoldingTest {

    private static final Ratio CROTCHET = Ratio.of(1, 4);

    /** Bars of four crotchets named by letters: each letter a bar of its own notes; a digit before it leads in with a crotchet. */
    private static Tune tune(String bars) {
        List<Bar> all = new ArrayList<>();
        for (String text : bars.split(" ")) {
            List<Element> notes = new ArrayList<>();
            for (char c : text.toCharArray()) {
                int base = 60 + (c - 'a') % 20;
                if (Character.isDigit(c)) {
                    notes.add(Note.of(Pitch.ofMidi(80 + c - '0'), CROTCHET));
                } else {
                    for (int i = 0; i < (text.length() > 1 && !Character.isDigit(text.charAt(0)) ? 3 : 4); i++) {
                        notes.add(Note.of(Pitch.ofMidi(base + i), CROTCHET));
                    }
                }
            }
            all.add(new Bar(0, notes, BarLine.THIN, Optional.empty(), Optional.empty(), false));
        }
        Head head = new Head(1, List.of("A"), List.of(), "", Meter.of(4, 4), CROTCHET, Optional.empty(), Key.of(Step.C, 0, Mode.MAJOR), "", List.of());
        return new Tune(head, BarLine.NONE, BarNumbers.of(all, head.meter()));
    }

    private static List<Element> heard(Tune tune) {
        return PlayOrder.of(tune).stream().flatMap(b -> tune.bars().get(b).elements().stream()).toList();
    }

    @Test
    void twoPartsPlayedTwiceAreWrittenOnce() {
        Tune played = tune("a b c d e f g h a b c d e f g h i j k l m n o p i j k l m n o p");
        Tune folded = Folding.folded(played);
        assertThat(folded.bars()).hasSize(16);
        assertThat(folded.bars().get(7).closing()).isEqualTo(new BarLine(BarLine.Style.THIN, 1, 1));
        assertThat(folded.opening().repeatsAfter()).isEqualTo(1);
        assertThat(heard(folded)).isEqualTo(heard(played));
    }

    @Test
    void endsThatDifferAreFirstAndSecondEndings() {
        Tune played = tune("a b c d e f g h a b c d e f g x i j k l m n o p q r s t i j");
        Tune folded = Folding.folded(played);
        assertThat(folded.bars()).hasSize(9 + 14);
        assertThat(folded.bars().get(7).ending().orElseThrow().times()).containsExactly(1);
        assertThat(folded.bars().get(8).ending().orElseThrow().times()).containsExactly(2);
        assertThat(heard(folded)).isEqualTo(heard(played));
    }

    @Test
    void theLeadInToEachPartStandsBeforeIt() {
        Tune played = tune("1 a b c d e f g h1 a b c d e f g h2 i j k l m n o p2 i j k l m n o p");
        Tune withShortEnd = played.withBars(java.util.stream.IntStream.range(0, played.bars().size()).mapToObj(b -> b + 1 < played.bars().size() ? played.bars().get(b)
                : played.bars().get(b).withElements(played.bars().get(b).elements().subList(0, 3))).toList());
        Tune folded = Folding.folded(withShortEnd);
        assertThat(folded.bars().stream().map(Bar::number)).startsWith(0, 1, 2).endsWith(15, 16);
        assertThat(folded.bars()).hasSize(18);
        assertThat(heard(folded)).isEqualTo(heard(withShortEnd));
    }

    /** A bar that is no longer than the lead into the tune is left whole: cut where the lead begins, nothing would be left of it. */
    @Test
    void noBarIsLeftEmpty() {
        Tune played = tune("1 a2 2 2 2 2 2 2 2 2 2 2 2 2 2 2 2 2 2 b3 c4 b3 c4");
        Tune folded = Folding.folded(played);
        assertThat(folded.bars()).noneMatch(b -> b.elements().isEmpty());
        assertThat(heard(folded)).isEqualTo(heard(played));
    }

    @Test
    void aTuneWithRepeatsOrWithoutAnyToFindIsLeftAlone() {
        Tune folded = Folding.folded(tune("a b c d e f g h a b c d e f g h"));
        assertThat(Folding.folded(folded)).isSameAs(folded);
        Tune once = tune("a b c d e f g h i j k");
        assertThat(Folding.folded(once)).isSameAs(once);
    }
}
