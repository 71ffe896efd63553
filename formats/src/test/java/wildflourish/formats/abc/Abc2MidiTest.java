package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.formats.book.BookTune;

/**
 * Notes and onsets equal those that abc2midi plays from the same file. Its output was recorded by
 * {@code tools/record-abc2midi.sh}; the reference program is the Debian package abcmidi.
 */
class Abc2MidiTest {

    private record Onset(long atMs, int midi) {}

    static Stream<Integer> numbers() {
        return IntStream.rangeClosed(1, 17).boxed();
    }

    @ParameterizedTest
    @MethodSource("numbers")
    void playsWhatAbc2midiPlays(int number) throws Exception {
        Tune tune = AbcReader.read(resource("reference.abc")).tunes().stream().map(BookTune::tune)
                .filter(t -> t.head().number() == number).findFirst().orElseThrow();
        List<Onset> ours = ours(tune);
        List<Onset> theirs = theirs(number);
        assertThat(ours).as(tune.title()).extracting(Onset::midi)
                .containsExactlyElementsOf(theirs.stream().map(Onset::midi).toList());
        for (int i = 0; i < ours.size(); i++) {
            // The reference rounds its ticks by up to a few milliseconds, and spreads chords by ten a note.
            long near = tune.title().contains("chords") ? 25 : 6;
            assertThat(ours.get(i).atMs()).as("%s, note %d", tune.title(), i)
                    .isCloseTo(theirs.get(i).atMs(), org.assertj.core.api.Assertions.within(near));
        }
    }

    static byte[] resource(String name) throws Exception {
        try (InputStream in = Abc2MidiTest.class.getResourceAsStream("/abc2midi/" + name)) {
            return in.readAllBytes();
        }
    }

    private static List<Onset> ours(Tune tune) {
        Situation situation = Situation.of(Timeline.of(tune), Instruments.known("none"), School.USUAL);
        Performance performance = Realiser.perform(
                situation, Map.of(), TuneType.tempoOf(tune.head()), Speeds.level("fluent"));
        return performance.sounds().stream().map(s -> new Onset(rounded(s.atMs()), s.midi())).sorted(ORDER).toList();
    }

    private static final java.util.Comparator<Onset> ORDER =
            java.util.Comparator.comparingLong(Onset::atMs).thenComparingInt(Onset::midi);

    private static long rounded(double ms) {
        return Math.round(ms);
    }

    private static List<Onset> theirs(int number) throws Exception {
        Sequence sequence;
        try (InputStream in = Abc2MidiTest.class.getResourceAsStream("/abc2midi/reference-" + number + ".mid")) {
            sequence = MidiSystem.getSequence(new java.io.ByteArrayInputStream(in.readAllBytes()));
        }
        Map<Long, Integer> tempi = new HashMap<>();
        List<long[]> notes = new ArrayList<>();
        for (Track track : sequence.getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                MidiEvent event = track.get(i);
                if (event.getMessage() instanceof MetaMessage meta && meta.getType() == 0x51) {
                    byte[] d = meta.getData();
                    tempi.put(event.getTick(), (d[0] & 255) << 16 | (d[1] & 255) << 8 | d[2] & 255);
                }
                if (event.getMessage() instanceof ShortMessage message
                        && message.getCommand() == ShortMessage.NOTE_ON && message.getData2() > 0) {
                    notes.add(new long[] {event.getTick(), message.getData1()});
                }
            }
        }
        List<Onset> onsets = new ArrayList<>();
        for (long[] note : notes) {
            onsets.add(new Onset(rounded(ms(note[0], tempi, sequence.getResolution())), (int) note[1]));
        }
        onsets.sort(ORDER);
        return onsets;
    }

    private static double ms(long tick, Map<Long, Integer> tempi, int resolution) {
        double ms = 0;
        long at = 0;
        int micros = 500_000;
        for (long change : tempi.keySet().stream().sorted().toList()) {
            if (change >= tick) {
                break;
            }
            ms += (change - at) * (micros / 1000.0) / resolution;
            at = change;
            micros = tempi.get(change);
        }
        return ms + (tick - at) * (micros / 1000.0) / resolution;
    }
}
