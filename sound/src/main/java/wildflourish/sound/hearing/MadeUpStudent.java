package wildflourish.sound.hearing;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Collectors;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.practice.Lilt;
import wildflourish.core.setting.Version;
import wildflourish.sound.cue.Cueing;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;
import wildflourish.sound.voice.Voice;
import wildflourish.sound.wave.Wav;

/**
 * Somebody who is not there, in place of a microphone: plays a version by one of the program's own voices, unevenly, in a room with some noise. What they leave away is known, so that it can
 * be seen whether it is heard.
 *
 * @param unevenMs how far each note comes early or late by chance, as a standard deviation
 * @param drift how much faster they become until the middle, as a share; from there on they slow down again
 * @param leavesOut they leave out every so manieth ornament; 0 for none
 * @param noiseDb how far the noise of the room lies below them
 * @param seed the same plays the same
 */
public record MadeUpStudent(double unevenMs, double drift, int leavesOut, double noiseDb, long seed) {

    /** One who plays unevenly and leaves out every third ornament. */
    public static final MadeUpStudent USUAL = new MadeUpStudent(14, 0.02, 3, 35, 7);

    private static final double LEAD_MS = 500;
    /** What they play of a version. */
    public Map<Integer, List<Ornament>> ornaments(Version version) {
        int[] count = {0};
        return version.played().placed().entrySet().stream().filter(e -> leavesOut == 0 || ++count[0] % leavesOut != 0)
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, TreeMap::new));
    }

    /** How it sounds; takes some seconds. */
    public Audio play(Version version) {
        Piece piece = Piece.of(version.arrangement(), version.rung(), version.arrangement().tempo(), Lilt.STRAIGHT);
        Performance performance = Realiser.perform(piece.situation(), ornaments(version), version.arrangement().tempo(), version.arrangement().speeds());
        Piece played = new Piece(piece.version(), performance, piece.played(), piece.lilt(), Cueing.of(piece.situation(), performance, moments(performance)), piece.voice());
        float[] dry = Wav.samples(Course.of(Itinerary.once(List.of(Leg.heard(played, played.whole())), Backing.NONE)));
        return Samples.mono(Room.around(dry, (int) (LEAD_MS * Voice.RATE / 1000), noiseDb, seed), Voice.RATE);
    }

    /** When they play what should come at a moment. */
    public DoubleUnaryOperator moments(Performance performance) {
        TreeMap<Double, Double> moved = new TreeMap<>(Map.of(0.0, 0.0));
        Random random = new Random(seed);
        double whole = performance.durationMs();
        performance.melody().forEach(s -> moved.put(s.atMs(), Math.clamp(unevenMs * random.nextGaussian(), -2.2 * unevenMs, 2.2 * unevenMs)
                - drift * whole / Math.PI * Math.sin(Math.PI * s.atMs() / whole)));
        return ms -> {
            Map.Entry<Double, Double> before = moved.floorEntry(Math.max(0, ms));
            Map.Entry<Double, Double> after = Optional.ofNullable(moved.higherEntry(ms)).orElse(before);
            double share = after.equals(before) ? 0 : (ms - before.getKey()) / (after.getKey() - before.getKey());
            return ms + before.getValue() + share * (after.getValue() - before.getValue());
        };
    }

    /**
     * A stretch as ears get it that are in the same room, {@link Ears#RATE} samples a second.
     *
     * @param leadMs so long before it they begin to listen
     */
    public static float[] overheard(Leg leg, double leadMs, double noiseDb, long seed) {
        float[] dry = Wav.samples(Course.of(Itinerary.once(List.of(leg), Backing.NONE)));
        Audio wet = Samples.mono(Room.around(dry, (int) (leadMs * Voice.RATE / 1000), noiseDb, seed), Voice.RATE);
        Audio even = new Resampled(wet, (double) Voice.RATE / Ears.RATE);
        float[][] all = new float[1][(int) Math.ceil((dry.length + (leadMs + 1000) * Voice.RATE / 1000) * Ears.RATE / Voice.RATE)];
        return Arrays.copyOf(all[0], even.read(all));
    }
}
