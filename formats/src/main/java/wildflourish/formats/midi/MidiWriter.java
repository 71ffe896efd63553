package wildflourish.formats.midi;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Sound;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;

/**
 * Writes performances as Standard MIDI Files 1.0, type 0. Clicks, dips and glides inside a sounding note become short
 * notes that interrupt it without a gap, for a file has no other way to say so in plain notes.
 */
public final class MidiWriter {

    /** Ticks a crotchet. */
    public static final int RESOLUTION = 960;

    /** General MIDI programs, numbered from 0: 74 is the recorder, 78 the whistle; the piano reads every other tune. */
    private static final int PIANO = 0;
    private static final int PIPE = 75;
    /** General MIDI: the tenth channel is the drums', with its wood blocks. */
    private static final int DRUMS = 9;
    private static final int HIGH_BLOCK = 76;
    private static final int LOW_BLOCK = 77;

    private record Piece(long from, long to, int midi, int velocity) {}

    private MidiWriter() {}

    /**
     * A click of the metronome.
     *
     * @param strong whether it stands on the first beat of a bar
     */
    public record Knock(double atMs, boolean strong) {}

    /** The bytes of a file that plays the performance at a steady tempo. */
    public static byte[] write(String title, Performance performance, Tempo tempo, boolean pipe) {
        return write(title, performance, tempo, pipe, List.of());
    }

    /** As above, with clicks on the channel of the drums. */
    public static byte[] write(String title, Performance performance, Tempo tempo, boolean pipe, List<Knock> knocks) {
        return write(title, performance, tempo, pipe, knocks, Optional.empty());
    }

    /** As above; the tune that is played tells its meter, its lead-in and its key. */
    public static byte[] write(String title, Performance performance, Tempo tempo, boolean pipe, Tune tune) {
        return write(title, performance, tempo, pipe, List.of(), Optional.of(tune));
    }

    private static byte[] write(String title, Performance performance, Tempo tempo, boolean pipe, List<Knock> knocks, Optional<Tune> tune) {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, RESOLUTION);
            Track track = sequence.createTrack();
            byte[] name = title.getBytes(StandardCharsets.UTF_8);
            track.add(new MidiEvent(new MetaMessage(0x03, name, name.length), 0));
            double msPerCrotchet = tempo.millis(Ratio.of(1, 4)).toDouble();
            int micros = Math.clamp(Math.round(msPerCrotchet * 1000), 1, 0xffffff);
            track.add(new MidiEvent(new MetaMessage(
                    0x51, new byte[] {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros}, 3), 0));
            if (tune.isPresent()) {
                signatures(tune.get(), track);
            }
            track.add(new MidiEvent(new ShortMessage(ShortMessage.PROGRAM_CHANGE, 0, pipe ? PIPE : PIANO, 0), 0));
            for (Piece piece : pieces(performance, RESOLUTION / (micros / 1000.0))) {
                track.add(new MidiEvent(
                        new ShortMessage(ShortMessage.NOTE_ON, 0, piece.midi(), piece.velocity()), piece.from()));
                track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, piece.midi(), 0), piece.to()));
            }
            for (Knock knock : knocks) {
                long at = Math.round(knock.atMs() * RESOLUTION / (micros / 1000.0));
                int block = knock.strong() ? HIGH_BLOCK : LOW_BLOCK;
                track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, DRUMS, block, 90), at));
                track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, DRUMS, block, 0), at + RESOLUTION / 16));
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            MidiSystem.write(sequence, 0, out);
            return out.toByteArray();
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException(e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The meter, said first for a lead-in where there is one, and the key. */
    private static void signatures(Tune tune, Track track) throws InvalidMidiDataException {
        Meter meter = tune.head().meter();
        if (!meter.isFree()) {
            Ratio lead = tune.bars().isEmpty() || tune.bars().getFirst().number() != 0 ? Ratio.ZERO : tune.bars().getFirst().length();
            boolean sayable = lead.isPositive() && Long.bitCount(lead.denominator()) == 1 && lead.numerator() <= 64 && lead.denominator() <= 64;
            if (sayable) {
                track.add(new MidiEvent(meter((int) lead.numerator(), (int) lead.denominator()), 0));
            }
            long bar = sayable ? Math.round(lead.toDouble() * 4 * RESOLUTION) : 0;
            track.add(new MidiEvent(meter(meter.count(), meter.unit()), bar));
        }
        Key key = tune.head().key();
        if (!key.open() && Math.abs(key.fifths()) <= 7) {
            track.add(new MidiEvent(new MetaMessage(0x59, new byte[] {(byte) key.fifths(), (byte) (key.mode() == Mode.MINOR ? 1 : 0)}, 2), 0));
        }
    }

    private static MetaMessage meter(int count, int unit) throws InvalidMidiDataException {
        return new MetaMessage(0x58, new byte[] {(byte) count, (byte) Integer.numberOfTrailingZeros(unit), 24, 8}, 4);
    }

    /** What cuts into a sound that goes on, and takes its place for a while. */
    private static boolean isInner(Sound sound) {
        return switch (sound.start()) {
            case WITHIN, GLIDE, GLIDE_AWAY -> true;
            case ATTACK, JOINED, SOFT, ALONG, WAVING, SWELLING -> false;
        };
    }

    /** How the pitch or the loudness moves inside a sound, which plain notes cannot say. */
    private static boolean isColour(Sound sound) {
        return sound.start() == Sound.Start.WAVING || sound.start() == Sound.Start.SWELLING;
    }

    private static List<Piece> pieces(Performance performance, double ticksPerMs) {
        List<Sound> inner = performance.sounds().stream().filter(MidiWriter::isInner).toList();
        List<Piece> pieces = new ArrayList<>();
        int next = 0;
        for (Sound sound : performance.sounds()) {
            if (isInner(sound) || isColour(sound)) {
                continue;
            }
            double end = sound.atMs() + sound.forMs();
            while (next < inner.size() && inner.get(next).atMs() + inner.get(next).forMs() <= sound.atMs()) {
                next++;
            }
            double at = sound.atMs();
            int velocity = sound.start() == Sound.Start.ATTACK ? 92 : sound.start() == Sound.Start.ALONG ? 70 : 80;
            for (int i = next; i < inner.size() && inner.get(i).atMs() < end - 1e-6; i++) {
                Sound blip = inner.get(i);
                boolean leadsOn = blip.note() != sound.note() && blip.atMs() > sound.atMs()
                        && sound.role().equals(Sound.MELODY);
                if (sound.start() == Sound.Start.ALONG || blip.note() != sound.note() && !leadsOn || blip.atMs() < at - 1e-6) {
                    continue;
                }
                add(pieces, at, blip.atMs(), sound.midi(), velocity, ticksPerMs);
                add(pieces, blip.atMs(), Math.min(end, blip.atMs() + blip.forMs()), blip.midi(), 64, ticksPerMs);
                at = blip.atMs() + blip.forMs();
                velocity = 76;
            }
            add(pieces, at, end, sound.midi(), velocity, ticksPerMs);
        }
        pieces.sort(Comparator.comparingLong(Piece::from));
        return apart(pieces);
    }

    /**
     * No two notes of one pitch sound at once, for the end of one would end the other: a new start ends what sounds, and goes on until
     * both are over. Two that start together are one.
     */
    private static List<Piece> apart(List<Piece> pieces) {
        Map<Integer, Integer> latest = new HashMap<>();
        List<Piece> apart = new ArrayList<>();
        for (Piece piece : pieces) {
            Piece now = piece;
            Integer at = latest.get(piece.midi());
            if (at != null && apart.get(at).to() > piece.from()) {
                Piece before = apart.get(at);
                now = new Piece(piece.from(), Math.max(before.to(), piece.to()), piece.midi(), piece.velocity());
                if (before.from() == piece.from()) {
                    apart.set(at, new Piece(now.from(), now.to(), now.midi(), Math.max(before.velocity(), piece.velocity())));
                    continue;
                }
                apart.set(at, new Piece(before.from(), piece.from(), before.midi(), before.velocity()));
            }
            latest.put(piece.midi(), apart.size());
            apart.add(now);
        }
        return apart;
    }

    private static void add(
            List<Piece> pieces, double fromMs, double toMs, int midi, int velocity, double ticksPerMs) {
        long from = Math.round(fromMs * ticksPerMs);
        long to = Math.round(toMs * ticksPerMs);
        if (to > from && midi >= 0 && midi <= 127) {
            pieces.add(new Piece(from, to, midi, velocity));
        }
    }
}
