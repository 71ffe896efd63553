package wildflourish.formats.midi;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.Arrays;
import java.util.Random;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tune;
import wildflourish.formats.Thorough;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.abc.OtherVoices;
import wildflourish.formats.book.TuneBook;

/** Standard MIDI File 1.0, made with the Java platform's own classes. */
class MidiReaderTest {

    private static void note(Track track, int channel, int midi, long from, long to) throws Exception {
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, channel, midi, 90), from));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, channel, midi, 0), to));
    }

    private static void meta(Track track, int type, byte... data) throws Exception {
        track.add(new MidiEvent(new MetaMessage(type, data, data.length), 0));
    }

    private static byte[] bytes(Sequence sequence) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MidiSystem.write(sequence, sequence.getTracks().length > 1 ? 1 : 0, out);
        return out.toByteArray();
    }

    /** A jig over a bass, in two tracks. */
    private static byte[] jig() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 96);
        Track conductor = sequence.createTrack();
        meta(conductor, 0x03, "The Weed Line".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        meta(conductor, 0x58, (byte) 6, (byte) 3, (byte) 24, (byte) 8);
        meta(conductor, 0x59, (byte) 1, (byte) 0);
        meta(conductor, 0x51, (byte) 0x07, (byte) 0xa1, (byte) 0x20);
        Track bass = sequence.createTrack();
        Track melody = sequence.createTrack();
        meta(bass, 0x03, "Box".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        meta(melody, 0x03, "Fiddle".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        int[] notes = {67, 71, 74, 72, 71, 69, 67, 69, 71, 69};
        int[] lengths = {144, 48, 48, 48, 96, 48, 48, 48, 48, 144};
        long at = 0;
        for (int i = 0; i < notes.length; i++) {
            note(melody, 0, notes[i], at, at + lengths[i] - 4);
            at += lengths[i];
        }
        for (long b = 0; b < at; b += 144) {
            note(bass, 1, 43, b, b + 140);
        }
        return bytes(sequence);
    }

    @Test
    void theHighestVoiceIsTheMelodyAndTheOthersAreKept() throws Exception {
        TuneBook book = MidiReader.read(jig());
        Tune tune = book.tunes().getFirst().tune();
        assertThat(tune.title()).isEqualTo("The Weed Line");
        assertThat(tune.head().meter()).isEqualTo(Meter.of(6, 8));
        assertThat(tune.head().key().fifths()).isEqualTo(1);
        assertThat(AbcWriter.write(tune)).contains("G3 Bdc |B2 A GAB |A3 |]");
        assertThat(OtherVoices.names(tune)).containsExactly("Box channel 2");
        assertThat(book.findings()).anySatisfy(f -> assertThat(f.what()).contains("2 voices", "Fiddle"));
        assertThat(book.hasErrors()).isFalse();
    }

    @Test
    void whatTheFileDoesNotSayIsFoundAndTold() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        Track track = sequence.createTrack();
        int[] scale = {62, 64, 66, 69, 74, 73, 71, 69, 67, 66, 64, 61, 62};
        for (int i = 0; i < scale.length; i++) {
            note(track, 0, scale[i], 240L * i, 240L * i + (i + 1 == scale.length ? 960 : 230));
        }
        TuneBook book = MidiReader.read(bytes(sequence));
        assertThat(book.tunes().getFirst().tune().head().key().spoken()).isEqualTo("D major");
        assertThat(book.findings()).extracting(f -> f.what()).anyMatch(w -> w.contains("meter")).anyMatch(w -> w.contains("D major was found"));
        assertThat(book.findings()).allSatisfy(f -> assertThat(f.remedy()).isNotEmpty());
    }

    @Test
    void filesThatLieOrBreakOffAreRefused() throws Exception {
        byte[] whole = jig();
        for (int length = 4; length < whole.length; length += 3) {
            TuneBook book = MidiReader.read(Arrays.copyOf(whole, length));
            assertThat(book.hasErrors()).as("cut at " + length).isTrue();
            assertThat(book.tunes()).isEmpty();
        }
        byte[] longer = whole.clone();
        longer[18] = 0x7f;
        assertThat(MidiReader.read(longer).findings()).singleElement().satisfies(f -> assertThat(f.what()).contains("breaks off"));
        byte[] type2 = whole.clone();
        type2[9] = 2;
        assertThat(MidiReader.read(type2).findings()).singleElement().satisfies(f -> assertThat(f.what()).contains("type 2"));
    }

    @Test
    void bytesOfChanceNeverBreakIt() throws Exception {
        byte[] whole = jig();
        Random random = new Random(7);
        for (int round = 0; round < Thorough.of(120, 500); round++) {
            byte[] bent = whole.clone();
            for (int i = 0; i < 5; i++) {
                bent[14 + random.nextInt(bent.length - 14)] = (byte) random.nextInt(256);
            }
            TuneBook book = MidiReader.read(bent);
            assertThat(!book.tunes().isEmpty() || book.hasErrors()).isTrue();
        }
    }

    @Test
    void drumsAloneAreNoTune() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        note(sequence.createTrack(), 9, 76, 0, 100);
        assertThat(MidiReader.read(bytes(sequence)).findings()).singleElement().satisfies(f -> assertThat(f.what()).contains("drums"));
    }
}
