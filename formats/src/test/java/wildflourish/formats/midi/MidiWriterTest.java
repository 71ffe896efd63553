package wildflourish.formats.midi;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.formats.abc.AbcReader;

/** Standard MIDI File 1.0, read back with the Java platform's own reader; ticks by arithmetic. */
class MidiWriterTest {

    private static final Tempo TEMPO = Tempo.parse("1/4=120");

    private record Written(long from, long to, int midi, int velocity) {}

    private static Sequence sequence(String body, String... ornaments) throws Exception {
        var tune = AbcReader.read("X:1\nT:Tést\nM:4/4\nL:1/8\nK:D\n" + body + "\n").tunes().getFirst().tune();
        Situation situation = Situation.of(Timeline.of(tune), Instruments.known("whistle-d"), School.USUAL);
        List<Ornament> placed = new ArrayList<>();
        for (String id : ornaments) {
            placed.add(situation.vocabulary().known(id));
        }
        Performance performance = Realiser.perform(situation, Map.of(0, placed), TEMPO, Speeds.level("fluent"));
        return MidiSystem.getSequence(new ByteArrayInputStream(
                MidiWriter.write(tune.title(), performance, TEMPO, true)));
    }

    private static List<Written> notes(Sequence sequence) {
        List<Written> notes = new ArrayList<>();
        for (Track track : sequence.getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof ShortMessage on
                        && on.getCommand() == ShortMessage.NOTE_ON && on.getData2() > 0) {
                    for (int k = i; k < track.size(); k++) {
                        if (track.get(k).getMessage() instanceof ShortMessage off && off.getData1() == on.getData1()
                                && off.getCommand() == ShortMessage.NOTE_OFF && track.get(k).getTick() > track.get(i).getTick()) {
                            notes.add(new Written(track.get(i).getTick(), track.get(k).getTick(), on.getData1(),
                                    on.getData2()));
                            break;
                        }
                    }
                }
            }
        }
        return notes;
    }

    @Test
    void plainNotesFallOnTheirTicks() throws Exception {
        Sequence sequence = sequence("D2 E2 z2 F2|");
        assertThat(sequence.getResolution()).isEqualTo(960);
        assertThat(notes(sequence)).extracting(Written::from).containsExactly(0L, 960L, 2880L);
        assertThat(notes(sequence)).extracting(Written::to).containsExactly(960L, 1920L, 3840L);
        assertThat(notes(sequence)).extracting(Written::midi).containsExactly(74, 76, 78);
    }

    @Test
    void theTempoIsInMicrosecondsACrotchetAndTheTitleIsKept() throws Exception {
        Track track = sequence("D2 E2|").getTracks()[0];
        int micros = 0;
        String title = "";
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof MetaMessage meta) {
                byte[] d = meta.getData();
                if (meta.getType() == 0x51) {
                    micros = (d[0] & 255) << 16 | (d[1] & 255) << 8 | d[2] & 255;
                } else if (meta.getType() == 0x03) {
                    title = new String(d, java.nio.charset.StandardCharsets.UTF_8);
                }
            }
        }
        assertThat(micros).isEqualTo(500_000);
        assertThat(title).isEqualTo("Tést");
    }

    /** A fluent cut of 45 ms is 86 ticks at 960 ticks to 500 ms. */
    @Test
    void aCutBecomesAShortNoteInsideItsNote() throws Exception {
        assertThat(notes(sequence("G4 A4|", "cut"))).extracting(Written::from, Written::to, Written::midi)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(0L, 86L, 81),
                        org.assertj.core.groups.Tuple.tuple(86L, 1920L, 79),
                        org.assertj.core.groups.Tuple.tuple(1920L, 3840L, 81));
    }

    @Test
    void aLongRollHasFivePieces() throws Exception {
        List<Written> notes = notes(sequence("G3 A5|", "long-roll"));
        assertThat(notes).extracting(Written::midi).containsExactly(79, 81, 79, 78, 79, 81);
        for (int i = 1; i < notes.size(); i++) {
            assertThat(notes.get(i).from()).isEqualTo(notes.get(i - 1).to());
        }
    }
}
