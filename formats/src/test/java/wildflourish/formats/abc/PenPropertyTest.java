package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.Tuplet;
import wildflourish.core.writing.BarStrokes;
import wildflourish.core.writing.NoteMap;
import wildflourish.core.writing.Pen;

/** Whatever strokes are made, the tune stays whole, and as text it is the same tune. */
class PenPropertyTest {

    private static final Tune JIG = AbcReader.read("X:1\nT:A\nM:6/8\nL:1/8\nK:Edor\nB|:E2B BAB|\"D\"(3ABA FD2 z|{c}B2A G-GB|1 A2F E3:|2 A2F E2B||\nw:a b\n").tunes().getFirst().tune();
    private static final Tune BLANK = new Tune(JIG.head(), BarLine.NONE, List.of());

    @Provide
    Arbitrary<List<Integer>> strokes() {
        return Arbitraries.integers().between(0, 37).list().ofMinSize(1).ofMaxSize(40);
    }

    private static Pen stroke(Pen pen, int which) {
        return switch (which) {
            case 0, 1, 2, 3, 4, 5, 6 -> pen.note(Step.values()[which]);
            case 7 -> pen.rest();
            case 8, 9, 10 -> pen.units(which - 6);
            case 11 -> pen.halve();
            case 12 -> pen.dot();
            case 13 -> pen.tie();
            case 14 -> pen.triplet();
            case 15 -> pen.slur();
            case 16 -> BarStrokes.line(pen);
            case 17 -> BarStrokes.repeat(pen);
            case 18 -> BarStrokes.ending(pen);
            case 19, 20 -> pen.move(-1, false);
            case 21 -> pen.move(1, false);
            case 22 -> pen.move(-1, true);
            case 23 -> pen.move(-3, true);
            case 24 -> pen.moveBar(-1, true);
            case 25 -> pen.erase();
            case 26 -> pen.eraseAhead();
            case 27 -> pen.accidental(1);
            case 28 -> pen.accidental(-1);
            case 29 -> pen.octaves(-1);
            case 30 -> pen.steps(2);
            case 31 -> pen.transpose(new Interval(1, 2));
            case 32 -> pen.paste(pen.copied());
            case 33 -> pen.chordSymbol(Optional.of("Em"));
            case 34 -> BarStrokes.part(pen, Optional.of("B"));
            case 35 -> pen.go(0, false);
            case 36 -> BarStrokes.newLines(pen);
            default -> pen.keepLength();
        };
    }

    @Property(tries = 400)
    void theTuneStaysWholeAndReadsBackAsItself(@ForAll("strokes") List<Integer> strokes, @ForAll boolean blank) {
        Pen pen = Pen.atTheEnd(blank ? BLANK : JIG);
        for (int which : strokes) {
            Pen before = pen;
            Tune kept = before.tune();
            pen = stroke(pen, which);
            assertThat(before.tune()).as("a pen before is as it was").isEqualTo(kept);
            isWhole(pen.tune());
            assertThat(pen.at()).isBetween(0, pen.size());
            assertThat(pen.inHand()).allSatisfy(i -> assertThat(i).isBetween(0, before.size() + 60));
        }
        if (!pen.tune().bars().isEmpty()) {
            Tune read = AbcReader.read(AbcWriter.write(pen.tune())).tunes().getFirst().tune();
            assertThat(sounds(read)).isEqualTo(sounds(pen.tune()));
            assertThat(AbcWriter.write(read)).isEqualTo(AbcWriter.write(pen.tune()));
        }
    }

    @Property(tries = 100)
    void untouchedNotesAreFoundAgain(@ForAll("strokes") List<Integer> strokes) {
        Pen pen = Pen.atTheEnd(JIG);
        for (int which : strokes.subList(0, Math.min(3, strokes.size()))) {
            pen = which <= 6 ? stroke(pen, which) : pen;
        }
        NoteMap map = NoteMap.between(Timeline.of(JIG), Timeline.of(pen.tune()));
        for (int n = 0; n < map.now().size(); n++) {
            assertThat(map.now().get(n)).isEqualTo(n);
        }
    }

    private static List<String> sounds(Tune tune) {
        List<String> sounds = new ArrayList<>();
        for (Bar bar : tune.bars()) {
            for (Element element : bar.elements()) {
                sounds.add(element instanceof Note n ? n.pitches() + " " + n.length() + (n.tied() ? "-" : "") : element.length().toString());
            }
            sounds.add(bar.number() + " " + bar.ending());
        }
        return sounds;
    }

    private static void isWhole(Tune tune) {
        for (Bar bar : tune.bars()) {
            assertThat(bar.elements()).anyMatch(e -> !(e instanceof Change));
            int inTuplet = 0;
            for (Element element : bar.elements()) {
                assertThat(element instanceof Change || element.length().isPositive()).isTrue();
                Optional<Tuplet> tuplet = element instanceof Note n ? n.tuplet() : element instanceof Rest r ? r.tuplet() : Optional.empty();
                if (!(element instanceof Change)) {
                    assertThat(tuplet.map(Tuplet::position).orElse(0)).isEqualTo(inTuplet);
                    inTuplet = tuplet.filter(t -> !t.isLast()).map(t -> t.position() + 1).orElse(0);
                }
            }
            assertThat(inTuplet).isZero();
        }
    }
}
