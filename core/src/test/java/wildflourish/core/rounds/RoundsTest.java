package wildflourish.core.rounds;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Taste;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.reading.Reading;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rounds;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

class RoundsTest {

    /** A pickup, a repeated part with two endings, and a part played once. */
    private static final String TUNE = "|: A4:2 | D5:2 A4:2 F#4:2 A4:2 | G4:2 B4:2 A4:2 F#4:2 | E4:2 G4:2 F#4:2 E4:2 |"
            + " [1 D4:2 F#4:2 D4:2 :| [2 D4:2 F#4:2 D4:4 || D5:4 F#5:4 | E5:4 C#5:4 | D5:2 A4:2 B4:2 G4:2 | F#4:4 D4:4 ||";

    private static Arrangement arrangement(String instrument, Key key, String text) {
        Tune tune = Tunes.of(Meter.of(4, 4), key, text);
        Situation situation = Situation.of(Timeline.of(tune), Instruments.known(instrument), School.USUAL);
        Tempo tempo = Tempo.parse("1/4=120");
        Speeds speeds = Speeds.level("fluent");
        Ladder ladder = situation.instrument().hasHands()
                ? new Grower(situation, tempo, speeds, Taste.of(situation.instrument())).grow().ladder()
                : new Ladder(List.of(new Rung("bare", Setting.BARE)));
        return new Arrangement(tune, situation.instrument(), tempo, speeds, School.USUAL, ladder);
    }

    private static List<Passes> passes(Arrangement arrangement) {
        return Passes.of(Reading.of(Timeline.of(arrangement.tune())));
    }

    private static Rounds rows(int passes, int... rungs) {
        List<List<Rounds.Pass>> rows = new ArrayList<>();
        for (int rung : rungs) {
            rows.add(Collections.nCopies(passes, new Rounds.Pass(rung)));
        }
        return Rounds.NONE.with(rows);
    }

    private static List<String> pitches(Tune tune) {
        List<String> all = new ArrayList<>();
        for (Bar bar : tune.bars()) {
            for (Element element : bar.elements()) {
                if (element instanceof Note note) {
                    all.add(note.pitch().toString());
                }
            }
        }
        return all;
    }

    private static Performance performed(Arrangement written, int rung) {
        Situation situation = written.situation();
        return Realiser.perform(situation, written.ladder().setting(rung).ornaments(situation.vocabulary()), written.tempo(), written.speeds());
    }

    @Test
    void passesAreTheParts() {
        Arrangement fiddle = arrangement("fiddle", Tunes.d(), TUNE);
        List<Passes> passes = passes(fiddle);
        assertThat(passes).extracting(Passes::name).containsExactly("A", "A2", "B");
        List<Integer> bars = passes.stream().flatMap(p -> p.bars().stream()).toList();
        assertThat(bars).isEqualTo(PlayOrder.of(fiddle.tune()));
    }

    @Test
    void theWholeHasTheNotesOfEveryTimeThrough() {
        Arrangement fiddle = arrangement("fiddle", Tunes.d(), TUNE);
        Arrangement written = WrittenOut.of(fiddle.with(rows(3, 0, 0)));
        List<String> once = new ArrayList<>();
        for (int bar : PlayOrder.of(fiddle.tune())) {
            fiddle.tune().bars().get(bar).elements().forEach(e -> once.add(((Note) e).pitch().toString()));
        }
        List<String> twice = new ArrayList<>(once);
        twice.addAll(once);
        assertThat(pitches(written.tune())).isEqualTo(twice);
        assertThat(PlayOrder.of(written.tune())).hasSize(written.tune().bars().size());
    }

    @Test
    void eachPassHasWhatItsRungHas() {
        Arrangement fiddle = arrangement("fiddle", Tunes.d(), TUNE);
        int full = fiddle.ladder().setting(5).size();
        assertThat(full).isPositive();
        Arrangement bare = WrittenOut.of(fiddle.with(rows(3, 0)));
        Arrangement mixed = WrittenOut.of(fiddle.with(rows(3, 0, 5)));
        assertThat(bare.ladder().setting(WrittenOut.RUNG).size()).isZero();
        assertThat(mixed.ladder().setting(WrittenOut.RUNG).byNote().keySet()).allMatch(n -> n >= bare.tune().bars().stream()
                .mapToInt(b -> b.elements().size()).sum());
        assertThat(mixed.ladder().setting(WrittenOut.RUNG).size()).isPositive();
    }

    @Test
    void theCountInLastsABarAndThePickupFallsOnItsBeat() {
        Arrangement fiddle = arrangement("fiddle", Tunes.d(), TUNE);
        Arrangement plain = WrittenOut.of(fiddle.with(rows(3, 0)));
        Arrangement counted = WrittenOut.of(fiddle.with(rows(3, 0).with(Rounds.Intro.COUNT_IN)));
        assertThat(counted.tune().bars().getFirst().length()).isEqualTo(Ratio.ONE);
        assertThat(performed(counted, 1).melody().getFirst().atMs()).isEqualTo(1500);
        assertThat(performed(counted, 1).durationMs() - performed(plain, 1).durationMs()).isEqualTo(1500);
    }

    /** Common practice: four potatoes, long short short each. */
    @Test
    void fourPotatoesAreLongShortShort() {
        Arrangement fiddle = arrangement("fiddle", Tunes.d(), TUNE);
        Arrangement written = WrittenOut.of(fiddle.with(rows(3, 0).with(Rounds.Intro.SHUFFLE)));
        Bar first = written.tune().bars().getFirst();
        assertThat(first.elements()).extracting(e -> e.length().toString()).containsExactly("1/4", "1/8", "1/8", "1/4", "1/8", "1/8");
        assertThat(((Note) first.elements().getFirst()).pitches()).extracting(Object::toString).containsExactly("A4", "D4");
        assertThat(written.tune().bars().get(1).length()).isEqualTo(Ratio.ONE);
        Arrangement whistle = arrangement("whistle-d", Tunes.d(), TUNE);
        Note single = (Note) WrittenOut.of(whistle.with(rows(3, 0).with(Rounds.Intro.SHUFFLE))).tune().bars().getFirst().elements().getFirst();
        assertThat(single.pitches()).hasSize(1);
    }

    @Test
    void aTagEndsOnTheTonic() {
        Arrangement fiddle = arrangement("fiddle", Tunes.d(), TUNE);
        Tune tune = WrittenOut.of(fiddle.with(rows(3, 0).with(Rounds.Tag.CLOSING))).tune();
        assertThat(((Note) tune.bars().getLast().elements().getLast()).pitch().toString()).isEqualTo("D4");
        assertThat(tune.bars().getLast().length()).isEqualTo(Ratio.ONE);
    }

    /** A tune that begins with a pickup ends short of a bar; the tag waits until that bar is whole. */
    @Test
    void aTagComesInWhenTheLastBarIsWhole() {
        Arrangement fiddle = arrangement("fiddle", Tunes.d(), "A4:2 | D4:4 F#4:4 | A4:4 F#4:4 | E4:4 G4:4 | D4:6 ||");
        List<Bar> bars = WrittenOut.of(fiddle.with(rows(passes(fiddle).size(), 0).with(Rounds.Tag.CLOSING))).tune().bars();
        Ratio before = bars.stream().limit(bars.size() - 1).map(Bar::length).reduce(Ratio.ZERO, Ratio::plus);
        assertThat(before.minus(Ratio.of(1, 4))).isEqualTo(Ratio.of(4, 1));
        assertThat(bars.getLast().length()).isEqualTo(Ratio.ONE);
    }

    @Test
    void anyVariationCanBePutIntoAPass() {
        Arrangement fiddle = arrangement("fiddle", Tunes.d(), TUNE);
        Arrangement plain = WrittenOut.of(fiddle.with(rows(3, 0)));
        double twice = WrittenOut.seconds(WrittenOut.of(fiddle.with(rows(3, 0, 0))));
        int changed = 0;
        for (VariationKind kind : WrittenOut.kinds()) {
            Rounds rounds = rows(3, 0, 3).with(0, 2, new Rounds.Pass(0, Optional.of(kind.id())));
            Arrangement written = WrittenOut.of(fiddle.with(rounds));
            assertThat(WrittenOut.seconds(written)).as(kind.id()).isEqualTo(twice, org.assertj.core.data.Offset.offset(1e-9));
            assertThat(performed(written, 1).durationMs()).isEqualTo(1000 * WrittenOut.seconds(written), org.assertj.core.data.Offset.offset(1e-6));
            changed += pitches(WrittenOut.of(fiddle.with(rows(3, 0).with(0, 2, new Rounds.Pass(0, Optional.of(kind.id()))))).tune())
                    .equals(pitches(plain.tune())) ? 0 : 1;
        }
        assertThat(changed).isGreaterThan(3);
    }

    @Test
    void aSetGoesFromTuneToTuneInItsOwnKeyAndTempo() {
        Arrangement first = arrangement("fiddle", Tunes.d(), TUNE).with(rows(3, 1));
        Arrangement second = arrangement("whistle-d", Tunes.g(), "G4:2 A4:2 B4:2 G4:2 | A4:4 G4:4 ||").with(Tempo.parse("1/4=60")).with(rows(1, 0));
        Arrangement written = WrittenOut.of(List.of(first, second), "the set", true);
        assertThat(written.tune().title()).isEqualTo("the set");
        assertThat(written.instrument().id()).isEqualTo("fiddle");
        Timeline timeline = Timeline.of(written.tune());
        assertThat(timeline.notes().getLast().key().spoken()).isEqualTo("G major");
        double expected = WrittenOut.seconds(WrittenOut.of(first)) + 8 * 1.0;
        assertThat(WrittenOut.seconds(written)).isEqualTo(expected, org.assertj.core.data.Offset.offset(1e-9));
        assertThat(performed(written, 1).durationMs()).isEqualTo(expected * 1000, org.assertj.core.data.Offset.offset(1e-6));
        // The last D is long and G a fourth away: two steps lead over.
        assertThat(pitches(written.tune())).containsSequence("D4", "E4", "F#4", "G4");
    }

    @Property(tries = 100)
    void shufflesAreKeptByTheirSeedAndWithinTaste(@ForAll long seed, @ForAll @IntRange(min = 1, max = 6) int times) {
        List<Passes> passes = List.of(new Passes("A", 0, List.of(0)), new Passes("A2", 0, List.of(0)), new Passes("B", 1, List.of(1)));
        Rounds rounds = Spreads.shuffled(Rounds.NONE, times, passes, 6, seed);
        assertThat(rounds).isEqualTo(Spreads.shuffled(Rounds.NONE, times, passes, 6, seed));
        assertThat(rounds.seed()).hasValue(seed);
        assertThat(rounds.times().getLast().getLast().rung()).isEqualTo(5);
        for (List<Rounds.Pass> row : rounds.times()) {
            assertThat(row.get(0).rung()).isNotEqualTo(row.get(1).rung());
            assertThat(row).allMatch(p -> p.rung() >= 0 && p.rung() < 6);
        }
        if (times > 1) {
            assertThat(rounds.times().getFirst()).allMatch(p -> p.rung() <= 1);
        }
    }

    @Test
    void barePlanRisesFromBareToFull() {
        assertThat(Spreads.rising(3, 2, 6)).extracting(r -> r.getFirst().rung()).containsExactly(0, 3, 5);
        assertThatThrownBy(() -> Rounds.NONE.with(Spreads.rising(13, 2, 6))).isInstanceOf(IllegalArgumentException.class);
        assertThat(Rounds.NONE.with(Spreads.rising(2, 2, 6)).fitted(3, 4).times().getLast()).extracting(Rounds.Pass::rung)
                .containsExactly(3, 3, 3);
    }

    @Test
    void anEmptyTuneHasNoPasses() {
        Arrangement none = arrangement("none", Tunes.d(), "D4");
        assertThat(Passes.of(Reading.of(Timeline.of(none.tune().withBars(List.of()))))).isEmpty();
    }

    @Test
    void eachPassIsFoundInTheWhole() {
        Arrangement arrangement = arrangement("whistle-d", Tunes.d(), TUNE);
        int passes = passes(arrangement).size();
        WrittenOut.Whole whole = WrittenOut.whole(List.of(arrangement.with(rows(passes, 0, 1).with(Rounds.Intro.COUNT_IN)), arrangement.with(rows(passes, 0))),
                "Both", true);
        assertThat(whole.starts()).hasSize(3 * passes);
        assertThat(whole.starts()).extracting(WrittenOut.Start::bar).isSorted().doesNotHaveDuplicates();
        assertThat(whole.at(0)).as("what is counted belongs to no pass").isEmpty();
        for (WrittenOut.Start start : whole.starts()) {
            assertThat(whole.at(start.bar())).hasValue(start);
            Bar first = whole.arrangement().tune().bars().get(start.bar());
            assertThat(first.elements()).anyMatch(e -> e instanceof Note);
        }
        assertThat(whole.starts().get(passes)).isEqualTo(new WrittenOut.Start(0, 1, 0, whole.starts().get(passes).bar()));
        assertThat(whole.starts().getLast().tune()).isEqualTo(1);
    }
}
