package wildflourish.core.reading;

import java.util.Optional;
import java.util.TreeSet;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Timeline;

/** Where the notes and the written key disagree, where the key changes, and where the notes leave the mode open. */
final class KeyRemark {

    private KeyRemark() {}

    static Optional<String> of(Timeline timeline, Key key, Key written, TreeSet<Integer> degrees) {
        return joined(remark(key, written, degrees), changes(timeline, written));
    }

    private static Optional<String> joined(Optional<String> one, Optional<String> other) {
        return one.isPresent() && other.isPresent() ? Optional.of(one.get() + "; " + other.get()) : one.or(() -> other);
    }

    /** The first place where another key is written. */
    private static Optional<String> changes(Timeline timeline, Key written) {
        return timeline.notes().stream().filter(s -> !s.key().equals(written) && !s.key().open()).findFirst()
                .map(s -> "from %s on the key is written as %s".formatted(s.barInWords(), s.key().spoken()));
    }

    private static Optional<String> remark(Key key, Key written, TreeSet<Integer> degrees) {
        if (written.open()) {
            return Optional.of("no key is written; the notes are those of %s".formatted(key.spoken()));
        }
        boolean same = key.tonic() == written.tonic() && key.tonicAlter() == written.tonicAlter()
                && key.mode() == written.mode();
        if (!same) {
            return Optional.of("the key is written as %s, but the notes speak for %s".formatted(
                    written.spoken(), key.spoken()));
        }
        for (Mode other : Tonality.WEIGHTS.modes()) {
            if (other != key.mode() && degrees.size() < 7 && sharesDegrees(key, other, degrees)) {
                return Optional.of("without its %s the tune could as well be %s; the written key is taken".formatted(
                        Tonality.missing(degrees).stream().map(Tonality.ORDINALS::get).reduce((a, b) -> a + " and " + b).orElse(""),
                        Key.of(key.tonic(), key.tonicAlter(), other).spoken()));
            }
        }
        return Optional.empty();
    }

    private static boolean sharesDegrees(Key key, Mode other, TreeSet<Integer> degrees) {
        Key mine = Key.of(key.tonic(), key.tonicAlter(), key.mode());
        Key theirs = Key.of(key.tonic(), key.tonicAlter(), other);
        return degrees.stream().allMatch(d -> mine.step(mine.tonicPitch(), d - 1).midi()
                == theirs.step(theirs.tonicPitch(), d - 1).midi());
    }
}
