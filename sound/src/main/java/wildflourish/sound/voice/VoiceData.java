package wildflourish.sound.voice;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Instrument;

/**
 * How one instrument sounds.
 *
 * @param kind of synthesis
 * @param gainDb by which the voice is brought to the loudness of the others
 * @param partialsDb levels of the source's harmonics in decibels, the first first; each beyond them falls by {@code fallDb} an octave
 *     more
 * @param most no more harmonics than these
 * @param resonances of tube, box or head
 * @param noise level of breath or bow noise beside the tone, as a share
 * @param attackMs to 63 per cent of the level; so the release
 * @param ringS seconds in which a string of 440 Hz falls by 60 decibels
 * @param bright share of the high partials that a pluck excites, 0 to 1
 * @param twoCents how far two reeds or the strings of a course lie apart, in cents; 0 for one alone
 * @param drones of pipes, in semitones above the lowest note of the chanter; so the level of each against the chanter
 */
public record VoiceData(
        String id, Kind kind, double gainDb, List<Double> partialsDb, double fallDb, int most,
        List<Resonance> resonances, double noise, double attackMs, double releaseMs, double ringS, double bright, double twoCents,
        List<Integer> drones, double dronesDb, String source) {

    /** A way of synthesis. */
    public enum Kind { BREATH_PIPE, REED_PIPE, BOWED_STRING, PLUCKED_STRINGS, FREE_REEDS }

    /** A resonance of the body: centre in hertz, quality, and by how many decibels it lifts. */
    public record Resonance(double hz, double q, double db) {}

    record Table(String provenance, List<VoiceData> voices) {}

    private static final List<VoiceData> ALL = load();

    public VoiceData {
        partialsDb = List.copyOf(partialsDb);
        resonances = List.copyOf(resonances);
        drones = List.copyOf(drones);
    }

    /** The same with its drones put out. */
    public VoiceData withoutDrones() {
        return new VoiceData(id, kind, gainDb, partialsDb, fallDb, most, resonances, noise, attackMs, releaseMs, ringS, bright, twoCents, List.of(), dronesDb, source);
    }

    private static List<VoiceData> load() {
        String name = "/wildflourish/sound/data/voices.json";
        try (InputStream in = VoiceData.class.getResourceAsStream(name)) {
            if (in == null) {
                throw new DataFault("voices.json: the file is missing");
            }
            return DataFile.parse("voices.json", new String(in.readAllBytes(), StandardCharsets.UTF_8), Table.class).voices();
        } catch (IOException e) {
            throw new DataFault("voices.json: cannot be read: " + e.getMessage());
        }
    }

    /** Every voice there is. */
    public static List<VoiceData> all() {
        return ALL;
    }

    /** The voice of an instrument; for one that names none, or one that is not there, the usual one of its family. */
    public static VoiceData of(Instrument instrument) {
        return ALL.stream().filter(v -> v.id.equals(instrument.voice())).findFirst().orElseGet(() -> byId(instrument.family().voice()));
    }

    /** The voice of that id; throws {@link IllegalArgumentException} when there is none. */
    public static VoiceData byId(String id) {
        return ALL.stream().filter(v -> v.id.equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no voice '" + id + "'"));
    }

    /**
     * A sounding instrument of this kind, in silence.
     *
     * @param lowest MIDI number of the lowest note, which drones are tuned to
     */
    public Voice voice(int lowest) {
        return switch (kind) {
            case BREATH_PIPE -> new BreathPipe(this);
            case REED_PIPE -> new ReedPipe(this, lowest);
            case BOWED_STRING -> new BowedStrings(this);
            case PLUCKED_STRINGS -> new PluckedStrings(this);
            case FREE_REEDS -> new FreeReeds(this);
        };
    }

    double gain() {
        return decibels(gainDb);
    }

    /** The amplitude of the harmonic of that number, from 1. */
    double partial(int number) {
        double db = number <= partialsDb.size() ? partialsDb.get(number - 1)
                : partialsDb.getLast() - fallDb * Math.log((double) number / partialsDb.size()) / Math.log(2);
        return decibels(db);
    }

    static double decibels(double db) {
        return Math.pow(10, db / 20);
    }

    /** Hertz of a MIDI note number in equal temperament with A4 at 440 Hz (ISO 16:1975). */
    static double hertz(double pitch) {
        return 440 * Math.pow(2, (pitch - 69) / 12);
    }
}
