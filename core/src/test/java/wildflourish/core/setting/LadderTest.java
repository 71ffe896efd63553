package wildflourish.core.setting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Vocabulary;

class LadderTest {

    private final Situation situation = Tunes.whistle("D4:2 E4:2 G4:2 G4:2 | A4:3 B4 D5:4");
    private final Vocabulary vocabulary = situation.vocabulary();

    private static Ladder empty(int rungs) {
        List<Rung> all = new ArrayList<>();
        for (int i = 0; i < rungs; i++) {
            all.add(new Rung("rung " + i, Setting.BARE));
        }
        return new Ladder(all);
    }

    private Ornament ornament(String id) {
        return vocabulary.known(id);
    }

    @Test
    void placingReachesUpward() {
        Ladder ladder = empty(4).place(2, 1, ornament("cut"), vocabulary);
        assertThat(ladder.setting(1).has(1, "cut")).isFalse();
        assertThat(ladder.setting(2).has(1, "cut")).isTrue();
        assertThat(ladder.setting(3).has(1, "cut")).isTrue();
        assertThat(ladder.lowestWith(1, "cut")).isEqualTo(2);
        assertThat(ladder.lowestWith(0, "cut")).isEqualTo(-1);
    }

    @Test
    void liftingReachesDownward() {
        Ladder ladder = empty(4).place(1, 1, ornament("cut"), vocabulary).lift(2, 1, "cut");
        assertThat(ladder.setting(1).has(1, "cut")).isFalse();
        assertThat(ladder.setting(2).has(1, "cut")).isFalse();
        assertThat(ladder.setting(3).has(1, "cut")).isTrue();
    }

    @Test
    void whatHasNoRoomBesideGivesWay() {
        Ladder ladder = empty(3).place(1, 2, ornament("cut"), vocabulary).place(2, 2, ornament("tap"), vocabulary);
        assertThat(ladder.setting(1).at(2)).isEmpty();
        assertThat(ladder.setting(2).at(2)).containsExactly("tap");
    }

    @Test
    void aSlideAndACutStandTogether() {
        Ladder ladder = empty(2).place(1, 1, ornament("slide"), vocabulary).place(1, 1, ornament("cut"), vocabulary);
        assertThat(ladder.setting(1).at(1)).containsExactly("cut", "slide");
    }

    @Test
    void aCutStaysUnderTheRollThatBeginsWithIt() {
        Ladder ladder = empty(3).place(1, 2, ornament("cut"), vocabulary)
                .place(2, 2, ornament("short-roll"), vocabulary);
        assertThat(ladder.setting(1).at(2)).containsExactly("cut");
        assertThat(ladder.setting(2).at(2)).containsExactly("cut", "short-roll");
    }

    @Test
    void aLadderWhoseRungsAreNotNestedIsRefused() {
        Rung low = new Rung("low", Setting.BARE.with(0, "cut"));
        assertThatThrownBy(() -> new Ladder(List.of(low, new Rung("high", Setting.BARE))))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("high");
        assertThatThrownBy(() -> new Ladder(List.of())).isInstanceOf(IllegalArgumentException.class);
    }

    /** Whatever is placed and lifted, each rung contains the one below: the constructor would throw. */
    @Property(tries = 200)
    void editsKeepTheRungsNested(@ForAll long seed) {
        Random random = new Random(seed);
        Ladder ladder = empty(6);
        for (int i = 0; i < 40; i++) {
            int rung = random.nextInt(6);
            int note = random.nextInt(situation.tune().size());
            Ornament ornament = vocabulary.all().get(random.nextInt(vocabulary.all().size()));
            Ladder before = ladder;
            if (random.nextBoolean()) {
                ladder = ladder.place(rung, note, ornament, vocabulary);
                assertThat(ladder.setting(rung).has(note, ornament.id())).isTrue();
            } else {
                ladder = ladder.lift(rung, note, ornament.id());
                assertThat(ladder.setting(rung).has(note, ornament.id())).isFalse();
            }
            for (int other = 0; other < situation.tune().size(); other++) {
                if (other != note) {
                    assertThat(ladder.setting(5).at(other)).isEqualTo(before.setting(5).at(other));
                }
            }
        }
    }

    @Test
    void settingsAreValues() {
        Setting one = Setting.BARE.with(3, "cut").with(1, "tap").with(3, "cut");
        Setting other = Setting.BARE.with(1, "tap").with(3, "cut");
        assertThat(one).isEqualTo(other);
        assertThat(one.size()).isEqualTo(2);
        assertThat(one.without(3, "cut").without(1, "tap")).isEqualTo(Setting.BARE);
        assertThat(one.contains(Setting.BARE.with(1, "tap"))).isTrue();
        assertThat(Setting.BARE.contains(one)).isFalse();
        assertThatThrownBy(() -> one.byNote().put(9, List.of("cut"))).isInstanceOf(UnsupportedOperationException.class);
    }

    @Test
    void signsCanBeTakenOffAgain() {
        Setting setting = Setting.BARE.with(0, "cran").with(1, "slide").with(1, "cut").with(2, "short-roll")
                .with(3, "tonguing").with(4, "long-roll").with(6, "breath");
        var spelled = Spelling.spelled(situation, setting);
        assertThat(spelled).isNotEqualTo(situation.tune().tune());
        Situation written = Situation.of(wildflourish.core.tune.Timeline.of(spelled), situation.instrument(),
                situation.school());
        List<Integer> missing = new ArrayList<>();
        assertThat(Spelling.plain(written, setting, java.util.Set.of(), missing)).isEqualTo(situation.tune().tune());
        assertThat(missing).isEmpty();
        assertThat(Spelling.plain(situation, setting, java.util.Set.of(), missing)).isEqualTo(situation.tune().tune());
        assertThat(missing).containsExactly(0, 1, 2, 3, 4, 6);
    }
}
