package wildflourish.core.ornament;

import java.util.Optional;
import wildflourish.core.tune.Tempo;

/**
 * Whether a gesture fits where it was placed.
 *
 * <p>A verdict knows the fastest tempo at which the gesture would still be clean, because that is the number a teacher
 * tells the student. It is solved from the comfortable lengths of the parts, never searched for.
 */
public sealed interface Verdict {

    /** The fastest tempo at which every part still has its comfortable length; empty if there is none. */
    Optional<Tempo> cleanUpTo();

    /** The fastest tempo at which every part still reaches its floor: up to there it speaks, though without ease. */
    Optional<Tempo> speaksUpTo();

    /** Time wanted and time there is; empty when the hands cannot do it at any tempo. */
    Optional<Room> room();

    /** Every part has at least its comfortable length. */
    record Clean(Room time, Tempo limit, Tempo fastest) implements Verdict {
        @Override
        public Optional<Tempo> speaksUpTo() {
            return Optional.of(fastest);
        }

        @Override
        public Optional<Tempo> cleanUpTo() {
            return Optional.of(limit);
        }

        @Override
        public Optional<Room> room() {
            return Optional.of(time);
        }
    }

    /** Every part reaches its floor, but not every one its comfortable length. */
    record Tight(Room time, Tempo limit, Tempo fastest) implements Verdict {
        @Override
        public Optional<Tempo> speaksUpTo() {
            return Optional.of(fastest);
        }

        @Override
        public Optional<Tempo> cleanUpTo() {
            return Optional.of(limit);
        }

        @Override
        public Optional<Room> room() {
            return Optional.of(time);
        }
    }

    /** Some part falls under its floor at this tempo. */
    record TooFast(Room time, Tempo limit, Tempo fastest) implements Verdict {
        @Override
        public Optional<Tempo> speaksUpTo() {
            return Optional.of(fastest);
        }

        @Override
        public Optional<Tempo> cleanUpTo() {
            return Optional.of(limit);
        }

        @Override
        public Optional<Room> room() {
            return Optional.of(time);
        }
    }

    /** The hands cannot do it here at any tempo. */
    record Impossible(Obstacle obstacle) implements Verdict {
        @Override
        public Optional<Tempo> speaksUpTo() {
            return Optional.empty();
        }

        @Override
        public Optional<Tempo> cleanUpTo() {
            return Optional.empty();
        }

        @Override
        public Optional<Room> room() {
            return Optional.empty();
        }
    }

    /** {@code clean}, {@code tight} or {@code blocked}: the three words a teacher uses. */
    default String word() {
        return switch (this) {
            case Clean c -> "clean";
            case Tight t -> "tight";
            case TooFast f -> "blocked";
            case Impossible i -> "blocked";
        };
    }

    /** What holds on both of two times that a note is played: the worse of the two, and the lower of their limits. */
    static Verdict worse(Verdict first, Verdict again) {
        Verdict worst = rank(again) > rank(first) ? onRepeat(again) : first;
        if (worst instanceof Impossible) {
            return worst;
        }
        Tempo limit = slower(first.cleanUpTo().orElseThrow(), again.cleanUpTo().orElseThrow());
        Tempo fastest = slower(first.speaksUpTo().orElseThrow(), again.speaksUpTo().orElseThrow());
        return switch (worst) {
            case Clean(var time, var l, var f) -> new Clean(time, limit, fastest);
            case Tight(var time, var l, var f) -> new Tight(time, limit, fastest);
            case TooFast(var time, var l, var f) -> new TooFast(time, limit, fastest);
            case Impossible i -> i;
        };
    }

    private static Verdict onRepeat(Verdict verdict) {
        return verdict instanceof Impossible(var obstacle) ? new Impossible(new Obstacle.OnRepeat(obstacle)) : verdict;
    }

    private static int rank(Verdict verdict) {
        return switch (verdict) {
            case Clean c -> 0;
            case Tight t -> 1;
            case TooFast f -> 2;
            case Impossible i -> 3;
        };
    }

    private static Tempo slower(Tempo one, Tempo other) {
        return one.isFasterThan(other) ? other : one;
    }

    default boolean isBlocked() {
        return this instanceof TooFast || this instanceof Impossible;
    }

    /** The verdict as a sentence without its full stop: what it needs, what there is, or why not. */
    default String inWords() {
        return switch (this) {
            case Clean(var time, var limit, var fastest) -> "wants %d ms%s, has %d".formatted(
                    time.needsMillis(), time.forWhat(), time.hasMillis());
            case Tight(var time, var limit, var fastest) ->
                "wants %d ms%s, has %d: it speaks, but without ease".formatted(
                        time.needsMillis(), time.forWhat(), time.hasMillis());
            case TooFast(var time, var limit, var fastest) ->
                "needs at least %d ms%s, has %d".formatted(
                        time.floorMillis(), time.forWhat(), time.hasMillis());
            case Impossible(var obstacle) -> obstacle.inWords();
        };
    }
}
