package wildflourish.core.setting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.planning.Choices;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

class VariedTest {

    private static final String TWO_BARS = "D4:2 F#4:2 A4:4 | G4:2 B4:2 A4 G4 F#4 E4 ||";

    private static Timeline tune(String text) {
        return Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), text));
    }

    private static Variation vary(int from, int to, String notes) {
        return new Variation(from, to, "fill", Variation.parse(notes));
    }

    private static List<String> pitches(Timeline tune) {
        return tune.notes().stream().map(s -> s.pitch() + ":" + s.note().length()).toList();
    }

    @Test
    void aVariationStandsInPlaceOfItsNotes() {
        Timeline plain = tune(TWO_BARS);
        Setting setting = Setting.BARE.with(1, "cut").with(4, "tap").with(vary(2, 3, "A4:1/4 B4:1/8 A4:1/8"));
        Varied varied = Varied.of(plain, setting);
        assertThat(pitches(varied.tune())).containsExactly("D4:1/4", "F#4:1/4", "A4:1/4", "B4:1/8", "A4:1/8", "G4:1/4",
                "B4:1/4", "A4:1/8", "G4:1/8", "F#4:1/8", "E4:1/8");
        assertThat(varied.setting().byNote()).isEqualTo(new TreeMap<>(Map.of(1, List.of("cut"), 6, List.of("tap"))));
        assertThat(varied.now(3)).isEqualTo(5);
        assertThat(varied.plain(4)).isEqualTo(2);
        assertThat(varied.kind(3)).isEqualTo("fill");
        assertThat(varied.kind(5)).isEmpty();
    }

    @Test
    void aVariationMayCrossABarLineWhereANoteStandsOnIt() {
        Timeline plain = tune(TWO_BARS);
        Variation over = vary(2, 4, "A4:1/4 C#5:1/4 D5:1/8 C#5:1/8");
        assertThat(over.fits(plain)).isTrue();
        Varied varied = Varied.of(plain, Setting.BARE.with(over));
        assertThat(varied.tune().tune().bars().getFirst().length()).isEqualTo(Ratio.ONE);
        assertThat(varied.now(3)).isEqualTo(4);
        assertThat(vary(2, 4, "A4:3/8 C#5:3/8").fits(plain)).isFalse();
    }

    @Test
    void whatDoesNotFitIsToldSo() {
        Timeline plain = tune("D4:2- D4:2 A4:4 | G4:8 || A4:8 ||");
        assertThat(vary(0, 1, "E4:1/4").fits(plain)).as("a tie runs out of it").isFalse();
        assertThat(vary(2, 3, "E4:1/4").fits(plain)).as("too short").isFalse();
        assertThat(vary(3, 5, "E4:1/1 E4:1/1").fits(plain)).as("over a double bar").isFalse();
        assertThat(vary(2, 9, "E4:1/1").fits(plain)).as("past the end").isFalse();
        assertThat(vary(2, 3, "E4:1/2").fits(plain)).isTrue();
        assertThatThrownBy(() -> vary(2, 2, "E4:1/2")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Variation.parse("E4")).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void ornamentsAndVariationsGiveWayToOneAnother() {
        Setting varied = Setting.BARE.with(2, "cut").with(vary(1, 3, "A4:3/4"));
        assertThat(varied.at(2)).isEmpty();
        assertThat(varied.with(2, "tap").isVaried()).isFalse();
        assertThat(varied.with(vary(2, 4, "A4:1/2")).variations()).hasSize(1);
        assertThat(varied.contains(Setting.BARE.with(vary(1, 3, "A4:3/4")))).isTrue();
        assertThat(varied.contains(Setting.BARE.with(vary(1, 3, "B4:3/4")))).isFalse();
    }

    /** Some random variations of single notes and pairs of a tune. */
    private static Setting random(Timeline plain, Random random) {
        Setting setting = Setting.BARE;
        for (int n = 0; n < plain.size(); n++) {
            if (random.nextInt(3) == 0) {
                Ratio half = plain.note(n).note().length().dividedBy(Ratio.of(2, 1));
                Variation variation = vary(n, n + 1, "B4:%s G4:%s".formatted(half, half));
                setting = variation.fits(plain) ? setting.with(variation) : setting;
            } else if (random.nextInt(3) == 0) {
                setting = setting.with(n, "cut");
            }
        }
        return setting;
    }

    @Property(tries = 100)
    void playingAndUndoingGivesThePlainTuneAgain(@ForAll long seed) {
        Random random = new Random(seed);
        Timeline plain = tune("D4:2 F#4:2 A4:3 B4 | G4:2 B4:2 A4 G4 F#4 E4 | D4 E4 F#4:2 A4:4 ||");
        Setting setting = random(plain, random);
        Varied varied = Varied.of(plain, setting);
        Map<Integer, List<Element>> was = new TreeMap<>();
        setting.variations().values().forEach(v -> was.put(v.from(),
                new ArrayList<>(plain.notes().subList(v.from(), v.to()).stream().map(Stand::note).toList())));
        assertThat(Varied.undone(varied.tune().tune(), setting, was)).isEqualTo(plain.tune());
        assertThat(Varied.counted(setting)).isEqualTo(varied.setting());
        assertThat(varied.tune().size() - plain.size()).isEqualTo(Varied.more(setting, was));
        for (int b = 0; b < plain.tune().bars().size(); b++) {
            assertThat(varied.tune().tune().bars().get(b).length()).isEqualTo(plain.tune().bars().get(b).length());
        }
    }

    @Test
    void chosenPlacesFollowTheirNotes() {
        Timeline plain = tune(TWO_BARS);
        Choices choices = new Choices(Map.of("fiddle", new TreeMap<>(Map.of(2, "A 0", 4, "A 1"))), Map.of());
        Varied varied = Varied.of(plain, Setting.BARE.with(vary(2, 3, "A4:1/4 B4:1/8 A4:1/8")));
        assertThat(varied.choices(choices).here().get("fiddle")).isEqualTo(new TreeMap<>(Map.of(6, "A 1")));
    }

    private static Ladder ladder() {
        Setting low = Setting.BARE.with(0, "cut");
        Setting high = low.with(3, "tap").with(vary(2, 3, "A4:1/4 B4:1/4"));
        return new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("low", low), new Rung("high", high)));
    }

    @Test
    void rungsAreNamedAddedDroppedAndReordered() {
        assertThat(ladder().renamed(1, "first").rung(1).name()).isEqualTo("first");
        Ladder added = ladder().added(1, "between");
        assertThat(added.rungs()).extracting(Rung::name).containsExactly("bare", "low", "between", "high");
        assertThat(added.setting(2)).isEqualTo(added.setting(1));
        assertThat(ladder().dropped(1).rungs()).extracting(Rung::name).containsExactly("bare", "high");
        assertThatThrownBy(() -> ladder().dropped(0)).isInstanceOf(IllegalArgumentException.class);
        Ladder swapped = ladder().swapped(1);
        assertThat(swapped.rungs()).extracting(Rung::name).containsExactly("bare", "high", "low");
        assertThat(swapped.setting(1).has(0, "cut")).isFalse();
        assertThat(swapped.setting(1).has(3, "tap")).isTrue();
        assertThat(swapped.setting(2)).isEqualTo(ladder().setting(2));
        assertThatThrownBy(() -> ladder().swapped(2)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void variationsGoUpTheLadderAndComeBackDown() {
        Variation variation = vary(4, 5, "A4:1/4");
        Ladder varied = ladder().vary(1, variation);
        assertThat(varied.lowestWith(variation)).isEqualTo(1);
        assertThat(varied.setting(2).variations()).containsKey(4);
        assertThat(varied.unvary(1, variation).lowestWith(variation)).isEqualTo(2);
    }

    @Test
    void onePhraseIsTreatedAsOnAnotherRung() {
        Ladder down = ladder().copied(2, 1, 2, 4);
        assertThat(down.setting(1).has(3, "tap")).isTrue();
        assertThat(down.setting(1).variations()).containsKey(2);
        Ladder up = ladder().copied(1, 2, 2, 4);
        assertThat(up.setting(2)).isEqualTo(ladder().setting(1));
        Ladder same = ladder().spread(2, 4, List.of(10));
        assertThat(same.setting(2).has(11, "tap")).isTrue();
        assertThat(same.setting(2).variationAt(10).orElseThrow().to()).isEqualTo(11);
        assertThat(same.setting(1).at(11)).isEmpty();
    }

    @Test
    void differencesAreWhatEitherHasAlone() {
        Setting one = Setting.BARE.with(1, "cut").with(3, "tap");
        Setting other = Setting.BARE.with(3, "tap").with(4, "slide").with(vary(6, 7, "A4:1/8"));
        List<Difference.Change> changes = Difference.between(one, other);
        assertThat(changes).extracting(Difference.Change::note).containsExactly(1, 4, 6);
        assertThat(changes).extracting(Difference.Change::added).containsExactly(false, true, true);
        Setting back = one;
        for (Difference.Change change : changes) {
            back = change.appliedTo(back);
        }
        assertThat(back).isEqualTo(other);
        assertThat(Difference.between(other, other)).isEmpty();
    }

    @Test
    void wishesAreKeptAndWithdrawn() {
        Wishes wishes = Wishes.NONE.locking(3, true).forbidding(4, "cut", true).freely(true);
        assertThat(wishes.isLocked(3)).isTrue();
        assertThat(wishes.forbids(4, "cut")).isTrue();
        assertThat(wishes.forbids(4, "tap")).isFalse();
        assertThat(wishes.locking(3, false).forbidding(4, "cut", false).freely(false)).isEqualTo(Wishes.NONE);
    }
}
