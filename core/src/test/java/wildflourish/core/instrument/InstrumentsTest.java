package wildflourish.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Isolated;
import wildflourish.core.data.DataFault;
import wildflourish.core.tune.Pitch;

@Isolated
class InstrumentsTest {

    @AfterEach
    void asTheyCame() {
        Instruments.own(List.of());
    }

    @Test
    void everyoneInTheRoomHasAnInstrumentWithItsSource() {
        assertThat(Instruments.all()).extracting(Instrument::id).startsWith("none", "whistle-d").contains(
                "whistle-eb", "whistle-e", "whistle-f", "whistle-g", "whistle-c", "whistle-bb", "whistle-a",
                "whistle-low-d", "whistle-low-eb", "whistle-low-f", "whistle-low-g", "flute-d", "bamboo-flute-c",
                "recorder-soprano-c", "recorder-alto-f", "pipes-bellows-d", "pipes-nine-note", "fiddle", "mandolin",
                "tenor-banjo", "banjo-five-string", "anglo-cg", "english-48", "accordion-bc", "accordion-csd",
                "melodeon-dg").doesNotHaveDuplicates();
        assertThat(Instruments.all()).allSatisfy(i -> assertThat(i.provenance()).isNotBlank());
        assertThat(Instruments.byId("kazoo")).isEmpty();
        assertThat(Instruments.byId("whistle-low-c")).contains(Instruments.known("whistle-c"));
    }

    @Test
    void writingAnInstrumentAndReadingItGivesTheSame() {
        for (Instrument instrument : Instruments.all()) {
            assertThat(Instruments.parse("again", Instruments.write(instrument)).layout().pitches())
                    .isEqualTo(instrument.layout().pitches());
            assertThat(Instruments.parse("again", Instruments.write(instrument)).layout()).satisfies(l ->
                    instrument.layout().pitches().forEach(p ->
                            assertThat(l.places(p)).isEqualTo(instrument.layout().places(p))));
        }
    }

    @Test
    void aTeachersOwnStandsInPlaceOfTheShippedOne() {
        Instrument whistle = Instruments.known("whistle-d");
        Instrument changed = ChartEdits.ways(whistle, Pitch.parse("C5"), List.of("hoo ooo", "oxx ooo"))
                .instrument().orElseThrow();
        Instruments.own(List.of(changed));
        assertThat(Instruments.known("whistle-d").chart().orElseThrow().ways(Pitch.parse("C5")))
                .extracting(w -> w.holes().toString()).containsExactly("hoo ooo", "oxx ooo");
        assertThat(Instruments.shipped("whistle-d")).contains(whistle);
        assertThat(Instruments.all()).hasSize(Instruments.load().size());
    }

    @Test
    void aDamagedFileIsToldByFileAndField() {
        String text = Instruments.write(Instruments.known("fiddle"));
        assertThatThrownBy(() -> Instruments.parse("mine.json", text.replace("\"bowed\"", "\"strummed\"")))
                .isInstanceOf(DataFault.class).hasMessageContaining("mine.json").hasMessageContaining("strummed");
        assertThatThrownBy(() -> Instruments.parse("mine.json", text.substring(0, 60))).isInstanceOf(DataFault.class)
                .hasMessageContaining("line");
        assertThatThrownBy(() -> Instruments.parse("mine.json", text.replace("\"E5\"", "\"H5\"")))
                .isInstanceOf(DataFault.class).hasMessageContaining("H5");
    }

    @Test
    void aCapoGoesOnFretsOnly() {
        assertThatThrownBy(() -> Instruments.known("fiddle").withCapo(2)).hasMessageContaining("takes no capo");
        assertThatThrownBy(() -> Instruments.known("mandolin").withCapo(40)).hasMessageContaining("from 1 to");
        Instrument capo = Instruments.known("mandolin").withCapo(2);
        assertThat(capo.spoken()).isEqualTo("mandolin, capo 2");
        assertThat(capo.lowest()).contains(Pitch.parse("A3"));
        assertThat(capo.withCapo(0).lowest()).contains(Pitch.parse("G3"));
    }
}
