package wildflourish.core.setting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

/** A rung with everything that follows from it, worked out once. */
class VersionTest {

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    private static Arrangement arrangement(Instrument instrument) {
        String first = Vocabulary.of(instrument).all().getFirst().id();
        Setting some = Setting.BARE.with(1, first);
        Setting varied = some.with(new Variation(4, 5, "restate", Variation.parse("A4:1/8 B4:1/8")));
        return Arrangement.bare(Tunes.of(Meter.of(4, 4), Tunes.d(), "D5:2 A4 A4 F#5:2 E5 D5 | A4:2 B4 C#5 D5:4"), instrument)
                .with(new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("some", some), new Rung("varied", varied))));
    }

    /** What it keeps is what is worked out from the beginning: the same notes in the same places. */
    @ParameterizedTest
    @MethodSource("instruments")
    void itIsWhatFollowsFromTheArrangement(Instrument instrument) {
        Arrangement arrangement = arrangement(instrument);
        Situation bare = Situation.of(Timeline.of(arrangement.tune()), instrument, arrangement.school()).at(arrangement.tempo());
        for (int rung = 0; rung < 3; rung++) {
            Version version = arrangement.version(rung);
            AsPlayed anew = AsPlayed.of(bare, arrangement.ladder().setting(rung));
            assertThat(version.bare().plan().places()).isEqualTo(bare.plan().places());
            assertThat(version.hands().plan().places()).as("rung " + rung).isEqualTo(anew.situation().plan().places());
            assertThat(version.varied()).isEqualTo(anew.varied());
            assertThat(version.hands().tempo()).isEqualTo(arrangement.tempo());
        }
    }

    @Test
    void equalOnesShareWhatHasBeenWorkedOut() {
        Version one = arrangement(Instruments.known("fiddle")).version(2);
        Version other = arrangement(Instruments.known("fiddle")).version(2);
        assertThat(other).isEqualTo(one).hasSameHashCodeAs(one);
        assertThat(other.hands()).isSameAs(one.hands());
        assertThat(other.on(1)).isNotEqualTo(one);
        assertThat(one.on(2)).isSameAs(one);
    }

    /** An edit that changes nothing about the hands plans nothing anew; one that does, does. */
    @Test
    void onlyWhatAnEditChangesIsWorkedOutAnew() {
        Arrangement arrangement = arrangement(Instruments.known("fiddle"));
        Version before = arrangement.version(2);
        Version wished = arrangement.with(Wishes.NONE.locking(1, true)).version(2);
        assertThat(wished.hands()).isSameAs(before.hands());
        Ladder emptied = new Ladder(List.of(arrangement.ladder().rung(0), arrangement.ladder().rung(1), arrangement.ladder().rung(1)));
        assertThat(arrangement.with(emptied).version(1).hands()).isSameAs(arrangement.version(1).hands());
        assertThat(arrangement.with(emptied).version(2).varied().isVaried()).isFalse();
        Version faster = arrangement.with(Tempo.parse("1/4=200")).version(2);
        assertThat(faster.bare().plan()).as("the bare places do not depend on the tempo").isSameAs(before.bare().plan());
        assertThat(faster.hands().tempo()).isEqualTo(Tempo.parse("1/4=200"));
    }

    @Test
    void whatElseFollowsIsWorkedOutOnce() {
        Version version = arrangement(Instruments.known("whistle-d")).version(1);
        AtomicInteger times = new AtomicInteger();
        for (int i = 0; i < 3; i++) {
            assertThat(version.once(Integer.class, v -> times.incrementAndGet())).isEqualTo(1);
        }
        assertThat(arrangement(Instruments.known("whistle-d")).version(1).once(Integer.class, v -> times.incrementAndGet())).isEqualTo(1);
    }
}
