package wildflourish.formats.midi;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.writing.Folding;
import wildflourish.core.writing.Grid;
import wildflourish.core.writing.KeyFinder;
import wildflourish.core.writing.MeterFinder;
import wildflourish.core.writing.Pickup;
import wildflourish.core.writing.Played;
import wildflourish.core.writing.Quantiser;
import wildflourish.core.writing.TakenDown;
import wildflourish.formats.abc.OtherVoices;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.Findings;
import wildflourish.formats.book.TuneBook;

/**
 * Reads Standard MIDI Files 1.0 of types 0 and 1 as tunes: the rhythm by the least cost over all there are, repeats found, the key of the
 * file or that of the notes. The melody is the highest of the voices that play most; the others are kept beside it. Never throws for
 * anything that a file may hold.
 */
public final class MidiReader {

    private static final int MOST_NOTES = 100_000;
    private static final int MOST_VOICES = 32;
    private static final int DRUMS = 9;
    private static final double USUAL_MS_PER_WHOLE = 2000;

    private final Findings findings = new Findings();
    private final Map<Integer, String> names = new HashMap<>();
    private final List<At<Meter>> meters = new ArrayList<>();
    private Optional<Integer> fifths = Optional.empty();
    private boolean minor;
    private Optional<Double> msPerCrotchet = Optional.empty();
    private double ticksPerWhole;

    private record At<T>(long tick, T what) {}

    /** Notes that one track plays on one channel. */
    private record VoiceId(int track, int channel) implements Comparable<VoiceId> {

        @Override
        public int compareTo(VoiceId other) {
            return Comparator.comparingInt(VoiceId::track).thenComparingInt(VoiceId::channel).compare(this, other);
        }
    }

    private MidiReader() {}

    /** Whether a file is one, by how it begins. */
    public static boolean isOne(byte[] bytes) {
        return bytes.length >= 4 && bytes[0] == 'M' && bytes[1] == 'T' && bytes[2] == 'h' && bytes[3] == 'd';
    }

    /** Reads the bytes of a file. */
    public static TuneBook read(byte[] bytes) {
        return new MidiReader().book(bytes);
    }

    private TuneBook book(byte[] bytes) {
        Optional<String> broken = MidiChunks.fault(bytes);
        if (broken.isPresent()) {
            findings.error(0, 0, broken.get(), "save the file anew from the program that it comes from");
            return new TuneBook(List.of(), findings.list());
        }
        try {
            Sequence sequence = MidiSystem.getSequence(new ByteArrayInputStream(bytes));
            Optional<Tune> tune = tune(sequence);
            if (tune.isEmpty()) {
                findings.error(0, 0, "the file has no notes but those of drums", "choose a file with a melody");
            }
            return new TuneBook(tune.stream().map(t -> new BookTune(t, Optional.empty(), List.of(), 1, 1)).toList(), findings.list());
        } catch (InvalidMidiDataException | IOException | RuntimeException e) {
            findings.error(0, 0, "this is not a whole MIDI file of type 0 or 1", "save the file anew from the program that it comes from");
            return new TuneBook(List.of(), findings.list());
        }
    }

    private Optional<Tune> tune(Sequence sequence) {
        boolean timed = sequence.getDivisionType() != Sequence.PPQ;
        ticksPerWhole = timed ? sequence.getDivisionType() * sequence.getResolution() * 2 : 4.0 * sequence.getResolution();
        if (timed) {
            findings.warning(0, 0, "the file counts seconds, not beats", "it was read as if played at 120 crotchets a minute");
        }
        Map<VoiceId, List<Played>> voices = voices(sequence);
        if (voices.isEmpty()) {
            return Optional.empty();
        }
        double first = voices.values().stream().mapToDouble(v -> v.getFirst().at()).min().orElseThrow();
        List<VoiceId> order = inOrder(voices);
        VoiceId melody = order.getFirst();
        List<OtherVoices.Voice> tunes = new ArrayList<>();
        Frame frame = frame(voices.getOrDefault(melody, List.of()), first);
        for (VoiceId id : order.subList(0, Math.min(MOST_VOICES, order.size()))) {
            tunes.add(new OtherVoices.Voice(name(id, order.size()), takenDown(voices.getOrDefault(id, List.of()), frame, id.equals(melody))));
        }
        // Notes too short to be written are none.
        tunes.removeIf(t -> t.tune().bars().isEmpty());
        if (tunes.isEmpty()) {
            return Optional.empty();
        }
        if (tunes.size() > 1) {
            findings.warning(0, 0, "the file has %d voices: “%s” was taken as the melody".formatted(tunes.size(), tunes.getFirst().name()),
                    "the others are kept with the tune: %s; any of them can be made the melody".formatted(
                            Findings.brief(tunes.stream().skip(1).map(OtherVoices.Voice::name).collect(Collectors.joining(", ")))));
        }
        return Optional.of(OtherVoices.beside(tunes.getFirst().tune(), tunes.getFirst().name(), tunes.subList(1, tunes.size())));
    }

    // --- What the file holds

    private Map<VoiceId, List<Played>> voices(Sequence sequence) {
        Map<VoiceId, List<Played>> voices = new TreeMap<>();
        int count = 0;
        for (int t = 0; t < sequence.getTracks().length; t++) {
            Track track = sequence.getTracks()[t];
            Map<Integer, Deque<Long>> sounding = new HashMap<>();
            for (int e = 0; e < track.size() && count < MOST_NOTES; e++) {
                MidiEvent event = track.get(e);
                switch (event.getMessage()) {
                    case MetaMessage meta -> meta(meta, event.getTick(), t);
                    case ShortMessage message when message.getChannel() != DRUMS -> {
                        int key = message.getChannel() * 128 + message.getData1();
                        boolean on = message.getCommand() == ShortMessage.NOTE_ON && message.getData2() > 0;
                        boolean off = message.getCommand() == ShortMessage.NOTE_OFF || message.getCommand() == ShortMessage.NOTE_ON && message.getData2() == 0;
                        if (on) {
                            sounding.computeIfAbsent(key, k -> new ArrayDeque<>()).add(event.getTick());
                        } else if (off && sounding.containsKey(key) && !sounding.get(key).isEmpty()) {
                            long from = sounding.get(key).poll();
                            if (event.getTick() > from) {
                                voices.computeIfAbsent(new VoiceId(t, message.getChannel()), v -> new ArrayList<>())
                                        .add(new Played(from / ticksPerWhole, event.getTick() / ticksPerWhole, message.getData1()));
                                count++;
                            }
                        }
                    }
                    default -> { }
                }
            }
        }
        if (count >= MOST_NOTES) {
            findings.error(0, 0, "the file has more than %d notes".formatted(MOST_NOTES), "the first ones were read; divide it into several files");
        }
        voices.values().forEach(v -> v.sort(Comparator.comparingDouble(Played::at).thenComparingInt(Played::midi)));
        return voices;
    }

    private void meta(MetaMessage meta, long tick, int track) {
        byte[] data = meta.getData();
        switch (meta.getType()) {
            case 0x03 -> {
                String name = new String(data, StandardCharsets.UTF_8).replaceAll("[\\s\\p{Cntrl}\uFFFD]+", " ").strip();
                if (!name.isBlank()) {
                    names.putIfAbsent(track, Findings.brief(name).strip());
                }
            }
            case 0x51 -> {
                int micros = data.length < 3 ? 0 : (data[0] & 0xff) << 16 | (data[1] & 0xff) << 8 | data[2] & 0xff;
                if (micros > 0 && msPerCrotchet.isEmpty()) {
                    msPerCrotchet = Optional.of(micros / 1000.0);
                }
            }
            case 0x58 -> {
                if (data.length >= 2 && data[0] > 0 && data[0] <= 64 && data[1] >= 0 && data[1] <= 6) {
                    meters.add(new At<>(tick, Meter.of(data[0], 1 << data[1])));
                }
            }
            case 0x59 -> {
                if (data.length >= 2 && fifths.isEmpty() && Math.abs(data[0]) <= 7) {
                    fifths = Optional.of((int) data[0]);
                    minor = data[1] == 1;
                }
            }
            default -> { }
        }
    }

    /** The voices, the melody first: the highest of those that have at least half as many notes as any. */
    private static List<VoiceId> inOrder(Map<VoiceId, List<Played>> voices) {
        int most = voices.values().stream().mapToInt(List::size).max().orElseThrow();
        VoiceId melody = voices.entrySet().stream().filter(v -> v.getValue().size() * 2 >= most)
                .max(Comparator.comparingDouble(v -> v.getValue().stream().mapToInt(Played::midi).average().orElse(0))).orElseThrow().getKey();
        List<VoiceId> order = new ArrayList<>(List.of(melody));
        voices.keySet().stream().filter(v -> !v.equals(melody)).forEach(order::add);
        return order;
    }

    private String name(VoiceId id, int voices) {
        String track = names.getOrDefault(id.track(), "track " + (id.track() + 1));
        return voices == 1 ? track : track + (id.channel() > 0 ? " channel " + (id.channel() + 1) : "");
    }

    // --- What it is taken for

    /** What all voices share. */
    private record Frame(Head head, List<Grid.Stretch> stretches, Ratio pickup, double begins, double msPerWhole) {}

    private Frame frame(List<Played> melody, double first) {
        List<Played> fromZero = melody.stream().map(n -> new Played(n.at() - first, n.until() - first, n.midi())).toList();
        List<At<Meter>> said = new ArrayList<>(meters.stream().sorted(Comparator.comparingLong(At::tick)).toList());
        if (said.isEmpty() || said.getFirst().tick() / ticksPerWhole > first + 1e-9) {
            said.addFirst(new At<>(0, said.isEmpty() ? MeterFinder.find(fromZero) : said.getFirst().what()));
        }
        if (meters.isEmpty()) {
            findings.warning(0, 0, "the file does not say its meter: %s was heard from the notes".formatted(said.getFirst().what()), "put it right in Writing if it is another");
        }
        boolean told = !meters.isEmpty() && said.size() > 1 && isPickup(said);
        double begins = meters.isEmpty() ? first : said.getFirst().tick() / ticksPerWhole;
        Meter meter = told ? said.get(1).what() : said.getFirst().what();
        Ratio pickup = told ? exact((said.get(1).tick() - said.getFirst().tick()) / ticksPerWhole) : Ratio.ZERO;
        if (!told) {
            double bars = (first - begins) / meter.barLength().toDouble();
            boolean silent = first - begins > 1e-6;
            if (silent) {
                // A rest at the start says where the bar lines are.
                begins += Math.floor(bars + 1e-6) * meter.barLength().toDouble();
            } else {
                pickup = Pickup.find(fromZero, meter);
                if (!pickup.isZero()) {
                    findings.warning(0, 0, "a lead-in of %s of a whole note was heard before the first bar line".formatted(pickup), "put the bar lines right in Writing if it is none");
                }
            }
        }
        List<Grid.Stretch> stretches = new ArrayList<>(List.of(new Grid.Stretch(Ratio.ZERO, meter)));
        for (At<Meter> change : said.subList(Math.min(said.size(), told ? 2 : 1), said.size())) {
            Ratio from = exact(change.tick() / ticksPerWhole - begins);
            if (stretches.getLast().from().isLess(from) && !stretches.getLast().meter().equals(change.what())) {
                stretches.add(new Grid.Stretch(from, change.what()));
            }
        }
        double msPerWhole = msPerCrotchet.map(m -> m * 4).orElse(USUAL_MS_PER_WHOLE);
        Key key = key(melody);
        Ratio beat = meter.isCompound() ? Ratio.of(3, meter.unit()) : Ratio.of(1, 4);
        Optional<Tempo> tempo = msPerCrotchet.map(m -> Tempo.of(Ratio.of(1, 4), 1).atWhich(Ratio.of(1, 4), Ratio.of(Math.max(1, Math.round(m * 1000)), 1000)).in(beat))
                .map(t -> t.withCount(Math.max(1, Math.round(t.perMinute().toDouble())))).filter(Tempo::isPlayable);
        String title = names.getOrDefault(0, names.values().stream().findFirst().orElse(""));
        Head head = new Head(1, title.isBlank() ? List.of() : List.of(title), List.of(), "", meter, Ratio.of(1, 8), tempo, key, "", List.of());
        return new Frame(head, stretches, pickup, begins, msPerWhole);
    }

    /** Whether the first meter is said for one short bar only, as programs do for a pickup. */
    private boolean isPickup(List<At<Meter>> said) {
        double length = (said.get(1).tick() - said.get(0).tick()) / ticksPerWhole;
        return Math.abs(length - said.get(0).what().barLength().toDouble()) < 1e-6 && said.get(0).what().barLength().isLess(said.get(1).what().barLength());
    }

    private static Ratio exact(double wholes) {
        return Ratio.of(Math.round(wholes * 960), 960);
    }

    private Key key(List<Played> melody) {
        List<KeyFinder.Heard> heard = melody.stream().map(n -> new KeyFinder.Heard(n.midi(), n.until() - n.at())).toList();
        if (fifths.isPresent()) {
            // A file knows major and minor only: the modes of this music hide under the major with their signature.
            return minor ? KeyFinder.key(fifths.get(), Mode.MINOR) : KeyFinder.ofSignature(fifths.get(), heard);
        }
        Key found = KeyFinder.find(heard);
        findings.warning(0, 0, "the file does not say its key: %s was found from the notes".formatted(found.spoken()), "put it right in Writing if it is another");
        return found;
    }

    private Tune takenDown(List<Played> notes, Frame frame, boolean melody) {
        List<Played> inTime = notes.stream().map(n -> new Played(n.at() - frame.begins(), n.until() - frame.begins(), n.midi())).filter(n -> n.at() > -1e-9).toList();
        Ratio until = exact(inTime.isEmpty() ? 0 : inTime.stream().mapToDouble(Played::until).max().orElseThrow()).plus(frame.head().meter().barLength());
        Grid grid = Grid.of(frame.stretches(), frame.pickup(), until);
        TakenDown down = TakenDown.of(frame.head(), grid, Quantiser.place(inTime, grid, frame.msPerWhole()));
        if (melody && !down.unsure().isEmpty()) {
            Timeline line = Timeline.of(down.tune());
            String bars = down.unsure().stream().map(n -> BarNames.spoken(line.note(n).barNumber())).distinct().limit(12).collect(Collectors.joining(", "));
            findings.warning(0, 0, "the rhythm is a guess in " + bars, "hear these bars and put them right in Writing");
        }
        return Folding.folded(down.tune());
    }
}
