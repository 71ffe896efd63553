package wildflourish.formats.midi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Sound;
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
                        tuple(0L, 86L, 81),
                        tuple(86L, 1920L, 79),
                        tuple(1920L, 3840L, 81));
    }

    @Test
    void aLongRollHasFivePieces() throws Exception {
        List<Written> notes = notes(sequence("G3 A5|", "long-roll"));
        assertThat(notes).extracting(Written::midi).containsExactly(79, 81, 79, 78, 79, 81);
        for (int i = 1; i < notes.size(); i++) {
            assertThat(notes.get(i).from()).isEqualTo(notes.get(i - 1).to());
        }
    }

    @Test
    void noTwoNotesOfOnePitchSoundAtOnce() throws Exception {
        Sound drone = sound(0, 2000, 62, Sound.Start.ALONG);
        List<Sound> sounds = List.of(drone, sound(0, 500, 62, Sound.Start.ATTACK), sound(1000, 250, 62, Sound.Start.ATTACK),
                sound(1000, 500, 69, Sound.Start.ATTACK), sound(2000, 500, 62, Sound.Start.ATTACK));
        Sequence sequence = MidiSystem.getSequence(new ByteArrayInputStream(
                MidiWriter.write("Over a drone", new Performance(sounds, List.of(), 2500), TEMPO, false)));
        assertThat(notes(sequence)).extracting(Written::from, Written::to, Written::midi).containsExactlyInAnyOrder(
                tuple(0L, 1920L, 62), tuple(1920L, 3840L, 62),
                tuple(1920L, 2880L, 69), tuple(3840L, 4800L, 62));
        assertAlone(sequence);
    }

    @ParameterizedTest
    @ValueSource(strings = {"fiddle", "banjo-five-string", "mandolin", "anglo-cg", "pipes-nine-note"})
    void doubleStopsAndDronesDoNotCutEachOtherShort(String id) throws Exception {
        var tune = AbcReader.read("X:1\nT:Drones\nM:4/4\nL:1/8\nK:D\nD2A2 A2d2|A4 G2D2|d2A2 A4|\n").tunes().getFirst().tune();
        Situation situation = Situation.of(Timeline.of(tune), Instruments.known(id), School.USUAL);
        for (Ornament ornament : situation.vocabulary().all()) {
            Map<Integer, List<Ornament>> placed = new HashMap<>();
            for (int note = 0; note < tune.bars().size() * 3; note++) {
                placed.put(note, List.of(ornament));
            }
            Performance performance = Realiser.perform(situation, placed, TEMPO, Speeds.level("fluent"));
            assertAlone(MidiSystem.getSequence(new ByteArrayInputStream(MidiWriter.write(ornament.name(), performance, TEMPO, false))));
        }
    }

    private static Sound sound(double atMs, double forMs, int midi, Sound.Start start) {
        return new Sound(atMs, forMs, midi, Sound.MELODY, 1, 0, start);
    }

    private static void assertAlone(Sequence sequence) {
        Set<Integer> sounding = new HashSet<>();
        Track track = sequence.getTracks()[0];
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof ShortMessage message && message.getChannel() == 0) {
                if (message.getCommand() == ShortMessage.NOTE_ON) {
                    assertThat(sounding.add(message.getData1())).as("pitch %d at tick %d", message.getData1(), track.get(i).getTick()).isTrue();
                } else if (message.getCommand() == ShortMessage.NOTE_OFF) {
                    assertThat(sounding.remove(message.getData1())).as("end of %d at tick %d", message.getData1(), track.get(i).getTick()).isTrue();
                }
            }
        }
        assertThat(sounding).isEmpty();
    }
}
