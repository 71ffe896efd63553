package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;

class TuneTypeTest {

    private static Head head(String rhythm, Meter meter, Optional<Tempo> tempo) {
        return new Head(1, List.of("x"), List.of(), rhythm, meter, Ratio.of(1, 8), tempo, Tunes.d(), "", List.of());
    }

    @Test
    void theWritersWordDecides() {
        assertThat(TuneType.of(head("Hornpipe", Meter.of(4, 4), Optional.empty())).id()).isEqualTo("hornpipe");
        assertThat(TuneType.of(head("double jig", Meter.of(6, 8), Optional.empty())).id()).isEqualTo("jig");
    }

    @Test
    void elseTheMeterDoes() {
        assertThat(TuneType.of(head("", Meter.of(9, 8), Optional.empty())).id()).isEqualTo("slip jig");
        assertThat(TuneType.of(head("thing", Meter.of(2, 4), Optional.empty())).id()).isEqualTo("polka");
    }

    /** Common practice: reels in minims, jigs in dotted crotchets, polkas in crotchets. */
    @Test
    void typesAreCountedAsPlayersCountThem() {
        assertThat(TuneType.tempoOf(head("reel", Meter.of(4, 4), Optional.empty())).beat()).isEqualTo(Ratio.of(1, 2));
        assertThat(TuneType.tempoOf(head("jig", Meter.of(6, 8), Optional.empty())).beat()).isEqualTo(Ratio.of(3, 8));
        assertThat(TuneType.tempoOf(head("polka", Meter.of(2, 4), Optional.empty())).beat()).isEqualTo(Ratio.of(1, 4));
    }

    @Test
    void aTempoOfItsOwnComesFirst() {
        Tempo own = Tempo.parse("1/4=77");
        assertThat(TuneType.tempoOf(head("reel", Meter.of(4, 4), Optional.of(own)))).isEqualTo(own);
    }

    @Test
    void everyTypeOfTheTableHasAReadableTempo() {
        assertThat(TuneType.all()).hasSizeGreaterThan(10).allSatisfy(t -> assertThat(t.customary()).isNotNull());
    }
}
