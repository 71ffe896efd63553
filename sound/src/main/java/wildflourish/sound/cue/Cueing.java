package wildflourish.sound.cue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Place;
import wildflourish.core.ornament.HandMove;
import wildflourish.core.ornament.Means;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Sound;

/** Turns a performance into what is done to the sounding instrument. */
public final class Cueing {

    private static final int LANES = 8;
    /** A click or dip goes to its pitch and back within so many milliseconds. */
    private static final double BLIP_MS = 3;
    /** A stopped string is silenced so long after its finger has left it; an open one rings on longer. */
    private static final double STOPPED_RINGS_MS = 60;
    private static final double OPEN_RINGS_MS = 500;
    /** The bellows begin to turn so long before the note that sounds the other way. */
    private static final double TURN_MS = 12;
    private static final double SAME_MS = 1;
    /** No more sounds than these run at once or follow one another within an ornament. */
    private static final int NEAR = 24;

    /** A sound that runs, on its lane. */
    private record Run(Sound sound, int lane, double from, double to) {}

    /** A cue with its rank among those of the same moment. */
    private record Ranked(Cue cue, int rank) {}

    private final Situation situation;
    private final Performance performance;
    private final DoubleUnaryOperator lilt;
    private final Family.Touch touch;
    private final List<Run> runs = new ArrayList<>();
    private final List<Ranked> cues = new ArrayList<>();

    private Cueing(Situation situation, Performance performance, DoubleUnaryOperator lilt) {
        this.situation = situation;
        this.performance = performance;
        this.lilt = lilt;
        this.touch = situation.instrument().family().touch();
    }

    /**
     * The cues of a performance.
     *
     * @param situation that the performance was made from: it knows strings and buttons
     * @param lilt moves moments, given and got in milliseconds; must never turn their order round
     */
    public static CueSheet of(Situation situation, Performance performance, DoubleUnaryOperator lilt) {
        return new Cueing(situation, performance, lilt).sheet();
    }

    private CueSheet sheet() {
        List<Sound> sounds = performance.sounds().stream().sorted(Comparator.comparingDouble(Sound::atMs)).toList();
        for (Sound sound : sounds) {
            switch (sound.start()) {
                case ATTACK, JOINED, SOFT -> run(sound, lane(sound));
                case ALONG -> {
                    if (touch.kind() != Family.Touch.Kind.PIPE) {
                        run(sound, companyLane(sound));
                    }
                }
                case WITHIN, GLIDE, GLIDE_AWAY, WAVING, SWELLING -> { }
            }
        }
        for (int lane = 0; lane < LANES; lane++) {
            int own = lane;
            startsAndStops(runs.stream().filter(r -> r.lane() == own).toList());
        }
        sounds.forEach(this::inner);
        for (HandMove move : performance.moves()) {
            if (move.means() instanceof Means.Turn && move.atMs() > TURN_MS) {
                add(lilt.applyAsDouble(move.atMs()) - TURN_MS, Cue.Kind.TURN, Cue.ALL, 0, TURN_MS, 1, 0);
            }
        }
        cues.sort(Comparator.comparingDouble((Ranked r) -> r.cue().atMs()).thenComparingInt(Ranked::rank));
        return new CueSheet(cues.stream().map(Ranked::cue).toList());
    }

    private void add(double atMs, Cue.Kind kind, int lane, double pitch, double overMs, double strength, int rank) {
        cues.add(new Ranked(new Cue(atMs, kind, lane, pitch, overMs, strength), rank));
    }

    private void run(Sound sound, int lane) {
        double from = lilt.applyAsDouble(sound.atMs());
        double to = Math.max(from + 1, lilt.applyAsDouble(sound.atMs() + sound.forMs()));
        boolean second = touch.kind() == Family.Touch.Kind.PIPE && !runs.isEmpty() && from < runs.getLast().from() + SAME_MS;
        if (!second) {
            runs.add(new Run(sound, lane, from, to));
        }
    }

    private int lane(Sound sound) {
        return switch (touch.kind()) {
            case PIPE -> 0;
            case BOW, PLUCK -> {
                int own = situation.plan().at(sound.note()) instanceof Place.Stopped stopped ? stopped.index() : 0;
                yield free(own, lilt.applyAsDouble(sound.atMs()));
            }
            case REED -> button(sound).orElseGet(() -> free(0, lilt.applyAsDouble(sound.atMs())));
        };
    }

    /** The lane of the button that is pressed again: it has to be let go first, or two notes of one pitch would sound as one. */
    private Optional<Integer> button(Sound sound) {
        return runs.subList(Math.max(0, runs.size() - NEAR), runs.size()).stream().filter(r -> r.sound().midi() == sound.midi() && r.from() < lilt.applyAsDouble(sound.atMs()) - SAME_MS)
                .reduce((a, b) -> b).map(Run::lane);
    }

    private int companyLane(Sound sound) {
        Optional<Integer> string = performance.moves().stream()
                .filter(m -> m.note() == sound.note() && m.move() == Move.COMPANY && Math.abs(m.atMs() - sound.atMs()) < SAME_MS
                        && m.means() instanceof Means.Finger)
                .map(m -> ((Means.Finger) m.means()).at().index()).findFirst();
        return free(string.orElse(0), lilt.applyAsDouble(sound.atMs()));
    }

    /** The wished lane, or the nearest on which nothing else has just begun or, for reeds, sounds on. */
    private int free(int wished, double at) {
        for (int step = 0; step < LANES; step++) {
            int lane = Math.floorMod(wished + (step % 2 == 0 ? step / 2 : -(step + 1) / 2), LANES);
            boolean taken = runs.subList(Math.max(0, runs.size() - NEAR), runs.size()).stream().anyMatch(r -> r.lane() == lane
                    && (touch.kind() == Family.Touch.Kind.REED ? r.to() > at - touch.gapMs() : r.from() > at - SAME_MS));
            if (!taken) {
                return lane;
            }
        }
        return Math.floorMod(wished, LANES);
    }

    private void startsAndStops(List<Run> lane) {
        for (int i = 0; i < lane.size(); i++) {
            Run run = lane.get(i);
            Optional<Run> before = i == 0 ? Optional.empty() : Optional.of(lane.get(i - 1));
            boolean runsOn = before.filter(b -> b.to() > run.from() - SAME_MS).isPresent();
            Cue.Kind kind = switch (run.sound().start()) {
                case ATTACK, ALONG -> Cue.Kind.ATTACK;
                case SOFT -> Cue.Kind.SOFT;
                case JOINED, WITHIN, GLIDE, GLIDE_AWAY, WAVING, SWELLING -> touch.kind() == Family.Touch.Kind.PLUCK ? Cue.Kind.SOFT : Cue.Kind.JOIN;
            };
            if (before.isPresent() && touch.kind() != Family.Touch.Kind.PLUCK) {
                double end = kind == Cue.Kind.ATTACK ? Math.min(before.get().to(), run.from() - touch.gapMs()) : before.get().to();
                if (!runsOn || kind == Cue.Kind.ATTACK) {
                    add(Math.max(before.get().from() + 1, end), Cue.Kind.STOP, run.lane(), 0, 0, 0, 0);
                }
            } else if (before.isPresent() && !runsOn) {
                stopRinging(before.get(), Optional.of(run));
            }
            add(run.from(), kind, run.lane(), run.sound().midi(), touch.joinMs(), strength(run.sound()), 1);
        }
        if (!lane.isEmpty()) {
            if (touch.kind() == Family.Touch.Kind.PLUCK) {
                stopRinging(lane.getLast(), Optional.empty());
            } else {
                add(lane.getLast().to(), Cue.Kind.STOP, lane.getLast().lane(), 0, 0, 0, 0);
            }
        }
    }

    private void stopRinging(Run run, Optional<Run> next) {
        boolean open = situation.plan().at(run.sound().note()) instanceof Place.Stopped stopped && stopped.isOpen();
        double end = run.to() + (open ? OPEN_RINGS_MS : STOPPED_RINGS_MS);
        if (next.isEmpty() || end < next.get().from() - SAME_MS) {
            add(end, Cue.Kind.STOP, run.lane(), 0, 0, 0, 0);
        }
    }

    private static double strength(Sound sound) {
        return switch (sound.start()) {
            case ATTACK -> 1;
            case ALONG -> 0.7;
            case SOFT -> 0.45;
            case JOINED, WITHIN, GLIDE, GLIDE_AWAY, WAVING, SWELLING -> 0.35;
        };
    }

    /** What happens inside a sound that runs. */
    private void inner(Sound sound) {
        double from = lilt.applyAsDouble(sound.atMs());
        double to = from + sound.forMs();
        switch (sound.start()) {
            case WITHIN -> covering(sound, from).ifPresent(r -> blip(sound, r, from, to));
            case GLIDE -> covering(sound, from).ifPresent(r -> {
                add(from, Cue.Kind.BEND, r.lane(), sound.midi(), 0, 1, 2);
                add(from, Cue.Kind.BEND, r.lane(), r.sound().midi(), sound.forMs(), 1, 3);
            });
            case GLIDE_AWAY -> covering(sound, from).ifPresent(r -> {
                add(from, Cue.Kind.BEND, r.lane(), sound.midi(), sound.forMs(), 1, 2);
                if (r.to() > to + 2) {
                    add(to, Cue.Kind.BEND, r.lane(), r.sound().midi(), 15, 1, 2);
                }
            });
            case WAVING, SWELLING -> covering(sound, from).ifPresent(r -> {
                add(from, sound.start() == Sound.Start.WAVING ? Cue.Kind.WAVE : Cue.Kind.SWELL, r.lane(), 0, 0, 1, 2);
                add(Math.min(to, r.to()), Cue.Kind.STILL, r.lane(), 0, 0, 1, 2);
            });
            case ATTACK, JOINED, SOFT, ALONG -> { }
        }
    }

    /** The run that a moment lies in: of the same note where there is one, else the latest that still sounds. */
    private Optional<Run> covering(Sound sound, double at) {
        List<Run> there = before(at).stream().filter(r -> r.sound().start() != Sound.Start.ALONG && r.from() <= at + SAME_MS && r.to() > at + SAME_MS)
                .toList();
        return there.stream().filter(r -> r.sound().note() == sound.note()).reduce((a, b) -> b).or(() -> there.stream().reduce((a, b) -> b));
    }

    /** The latest runs that have begun at a moment. */
    private List<Run> before(double at) {
        int low = 0;
        int high = runs.size();
        while (low < high) {
            int middle = (low + high) / 2;
            if (runs.get(middle).from() <= at + SAME_MS) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return runs.subList(Math.max(0, low - NEAR), low);
    }

    private void blip(Sound sound, Run run, double from, double to) {
        boolean goesOn = run.to() > to + SAME_MS && before(to).stream().noneMatch(r -> r.lane() == run.lane() && r.from() > from + SAME_MS && r.from() < to + SAME_MS);
        // What a note begins with has the note's own start: a hammered note is plucked on the pitch that it is hammered from.
        boolean begins = run.sound().start() == Sound.Start.ATTACK && from < run.from() + SAME_MS;
        switch (touch.kind()) {
            case PIPE, BOW -> {
                add(from, Cue.Kind.BEND, run.lane(), sound.midi(), BLIP_MS, 1, 2);
                if (goesOn) {
                    add(to, Cue.Kind.BEND, run.lane(), run.sound().midi(), BLIP_MS, 1, 2);
                }
            }
            case PLUCK -> {
                add(from, begins ? Cue.Kind.ATTACK : Cue.Kind.SOFT, run.lane(), sound.midi(), BLIP_MS, begins ? strength(run.sound()) : 0.3, 2);
                if (goesOn) {
                    add(to, Cue.Kind.SOFT, run.lane(), run.sound().midi(), BLIP_MS, 0.3, 2);
                }
            }
            case REED -> {
                int grace = free(run.lane() + 1, from);
                // A grace of the pitch that has just sounded is the same button: it is let go and pressed again.
                Optional<Run> sameButton = before(from).stream().filter(r -> r != run && r.sound().midi() == sound.midi() && Math.abs(r.to() - from) < SAME_MS).findFirst();
                sameButton.ifPresent(r -> add(Math.max(r.from() + 1, from - touch.gapMs()), Cue.Kind.STOP, r.lane(), 0, 0, 0, 0));
                add(from, Cue.Kind.STOP, run.lane(), 0, 0, 0, 2);
                add(from, begins || sameButton.isPresent() ? Cue.Kind.ATTACK : Cue.Kind.JOIN, grace, sound.midi(), BLIP_MS, begins ? strength(run.sound()) : 0.6, 2);
                add(to, Cue.Kind.STOP, grace, 0, 0, 0, 0);
                if (goesOn) {
                    add(to, Cue.Kind.JOIN, run.lane(), run.sound().midi(), BLIP_MS, 0.8, 2);
                }
            }
        }
    }
}
