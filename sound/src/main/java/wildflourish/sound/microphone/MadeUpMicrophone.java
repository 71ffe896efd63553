package wildflourish.sound.microphone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Sound;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Matching;
import wildflourish.core.practice.SimulatedStudent;
import wildflourish.sound.cue.Cueing;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.hearing.MadeUpStudent;
import wildflourish.sound.input.Stretch;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;

/** A student who is not there, heard through a microphone that is not there: plays by one of the program's voices, in a room with some noise. */
public final class MadeUpMicrophone implements Microphone {

    private static final double NOISE_DB = 35;
    private static final int CLICKS_MS = 35;
    private static final int STEP = 2;

    private final SimulatedStudent student;
    private final long seed;
    private final Executor elsewhere;
    private CompletableFuture<float[]> played = CompletableFuture.completedFuture(new float[0]);
    private int given;

    /**
     * A student.
     *
     * @param seed the same plays the same
     * @param elsewhere where their playing is made ready, which takes a moment
     */
    public MadeUpMicrophone(SimulatedStudent student, long seed, Executor elsewhere) {
        this.student = student;
        this.seed = seed;
        this.elsewhere = elsewhere;
    }

    @Override
    public String name() {
        return student.words();
    }

    @Override
    public void begin(Stretch stretch) {
        given = 0;
        played = CompletableFuture.supplyAsync(() -> play(stretch), elsewhere);
    }

    @Override
    public float[] upTo(double nowMs) {
        if (!played.isDone()) {
            return new float[0];
        }
        float[] all = played.join();
        int to = nowMs == Double.MAX_VALUE ? all.length : Math.clamp((long) ((nowMs - startMs()) * Ears.RATE / 1000), given, all.length);
        float[] more = Arrays.copyOfRange(all, given, to);
        given = to;
        return more;
    }

    @Override
    public Supplier<float[]> rest() {
        CompletableFuture<float[]> whole = played;
        int from = given;
        return () -> Arrays.copyOfRange(whole.join(), from, whole.join().length);
    }

    @Override
    public double startMs() {
        return -LEAD_MS;
    }

    /** When they play what is expected: what they really do, which ears have to find. */
    public List<Double> onsets(Stretch stretch) {
        return student.play(stretch.expected(), stretch.pass(), seed);
    }

    /** Which ornaments of a stretch of a tune they make. */
    public Map<Integer, List<Ornament>> ornaments(Stretch stretch) {
        int[] count = {0};
        return stretch.leg().piece().version().played().placed().entrySet().stream().filter(e -> student.speaks(count[0]++, stretch.pass(), seed))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, TreeMap::new));
    }

    private float[] play(Stretch stretch) {
        Leg leg = stretch.leg();
        Piece piece = leg.piece();
        Performance performance = stretch.drill().map(d -> drill(d, stretch)).orElseGet(() -> tune(stretch));
        DoubleUnaryOperator moments = stretch.drill().isPresent() ? ms -> ms : moments(stretch);
        Piece heard = new Piece(piece.version(), performance, piece.played(), piece.lilt(), Cueing.of(piece.situation(), performance, moments),
                stretch.drill().isPresent() ? piece.voice().withoutDrones() : piece.voice());
        return MadeUpStudent.overheard(Leg.heard(heard, leg.span()), LEAD_MS, NOISE_DB, seed);
    }

    private Performance tune(Stretch stretch) {
        Piece piece = stretch.leg().piece();
        Performance meant = Realiser.perform(piece.situation(), ornaments(stretch), piece.version().arrangement().tempo(), piece.version().arrangement().speeds());
        Matching matching = Matching.of(stretch.expected(), onsets(stretch));
        DoubleUnaryOperator lilt = piece.lilt().over(piece.played());
        double from = piece.played().msAt(stretch.leg().span().from());
        List<Double> left = matching.missed().stream().map(i -> stretch.expected().onsets().get(i).atMs()).toList();
        List<Sound> sounds = meant.sounds().stream().filter(s -> left.stream().noneMatch(ms -> Math.abs(lilt.applyAsDouble(s.atMs()) - from - ms) < 1)).toList();
        return new Performance(sounds, meant.moves(), meant.durationMs());
    }

    /** Each moment of the tune as they play it: between two onsets evenly. */
    private DoubleUnaryOperator moments(Stretch stretch) {
        Piece piece = stretch.leg().piece();
        DoubleUnaryOperator lilt = piece.lilt().over(piece.played());
        double from = piece.played().msAt(stretch.leg().span().from());
        List<Double> made = onsets(stretch);
        TreeMap<Double, Double> moved = new TreeMap<>();
        Matching.of(stretch.expected(), made).pairs().forEach(p -> moved.put(stretch.expected().onsets().get(p.expected()).atMs(), made.get(p.played())));
        return ms -> {
            double at = lilt.applyAsDouble(ms) - from;
            Optional<Map.Entry<Double, Double>> before = Optional.ofNullable(moved.floorEntry(at + 0.5)).or(() -> Optional.ofNullable(moved.firstEntry()));
            Optional<Map.Entry<Double, Double>> after = Optional.ofNullable(moved.higherEntry(at + 0.5));
            if (before.isEmpty()) {
                return ms;
            }
            double pace = after.filter(a -> a.getKey() > before.get().getKey()).map(a -> (a.getValue() - before.get().getValue()) / (a.getKey() - before.get().getKey())).orElse(1.0);
            return from + before.get().getValue() + (at - before.get().getKey()) * pace;
        };
    }

    /** A drill as it sounds, on the note that its piece is of. */
    private Performance drill(Drill drill, Stretch stretch) {
        List<Double> made = onsets(stretch);
        Expected expected = stretch.expected();
        int note = stretch.leg().piece().performance().melody().getFirst().midi();
        List<Sound> sounds = new ArrayList<>();
        double end = expected.lengthMs();
        for (int i = 0; i < made.size(); i++) {
            Drill.Onset onset = drill.sounds().get(i % drill.sounds().size());
            double at = made.get(i);
            double next = i + 1 < made.size() ? made.get(i + 1) : end;
            boolean instant = onset == Drill.Onset.CLICK || onset == Drill.Onset.DIP;
            if (instant) {
                sounds.add(new Sound(at, Math.min(CLICKS_MS, (next - at) / 3), onset == Drill.Onset.CLICK ? note + STEP : note - STEP, "grace", 1, i, Sound.Start.WITHIN));
            } else {
                int midi = onset == Drill.Onset.ABOVE ? note + STEP : onset == Drill.Onset.BELOW ? note - STEP : note;
                boolean afresh = onset == Drill.Onset.STROKE || i == 0;
                sounds.add(new Sound(at, lasting(drill, made, i, end) - at, midi, Sound.MELODY, 1, i, afresh ? Sound.Start.ATTACK : Sound.Start.JOINED));
            }
        }
        if (sounds.isEmpty() || sounds.getFirst().start() == Sound.Start.WITHIN) {
            sounds.addFirst(new Sound(0, end, note, Sound.MELODY, 1, 0, Sound.Start.ATTACK));
        }
        return new Performance(sounds, List.of(), end);
    }

    /** Until when a note goes on, whatever lasts an instant in it. */
    private static double lasting(Drill drill, List<Double> made, int onset, double end) {
        for (int i = onset + 1; i < made.size(); i++) {
            Drill.Onset next = drill.sounds().get(i % drill.sounds().size());
            if (next != Drill.Onset.CLICK && next != Drill.Onset.DIP) {
                return made.get(i);
            }
        }
        return end;
    }
}
