package wildflourish.formats.musicxml;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.audiveris.proxymusic.Note;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.writing.KeyFinder;

/** What one measure of a part holds, voice by voice. */
final class Measure {

    final Object source;
    final List<At<Signature>> keys = new ArrayList<>();
    final List<At<Meter>> meters = new ArrayList<>();
    final List<At<Tempo>> tempi = new ArrayList<>();
    final List<Over> over = new ArrayList<>();
    final Map<VoiceId, List<Written>> notes = new TreeMap<>();
    Ratio length = Ratio.ZERO;
    BarLine left = BarLine.NONE;
    BarLine right = BarLine.THIN;
    List<Integer> ending = List.of();
    boolean endingStarts;
    Optional<String> name = Optional.empty();
    boolean newSystem;

    Measure(Object source) {
        this.source = source;
    }

    /** Puts what these voices hold together into one. */
    void join(Set<VoiceId> voices, VoiceId home) {
        List<Written> all = new ArrayList<>();
        voices.forEach(id -> all.addAll(Objects.requireNonNullElse(notes.remove(id), List.of())));
        if (!all.isEmpty()) {
            all.sort(Comparator.comparing(Written::onset));
            notes.put(home, all);
        }
    }

    /** Which stave a voice is on, and its name there. */
    record VoiceId(int staff, String voice) implements Comparable<VoiceId> {

        @Override
        public int compareTo(VoiceId other) {
            return Comparator.comparingInt(VoiceId::staff).thenComparing(VoiceId::voice).compare(this, other);
        }
    }

    /** Something at a moment of a measure. */
    record At<T>(Ratio onset, T what) {}

    /** A note with its place in the measure and its length in time. */
    record Written(Ratio onset, Ratio length, Note note) {}

    /** A key as it is written: its mode is found from the notes where the score does not say it. */
    record Signature(int fifths, Optional<Mode> mode, Optional<Key> whole) {

        Key key(List<KeyFinder.Heard> notes) {
            return whole.orElseGet(() -> mode.map(m -> KeyFinder.key(fifths, m)).orElseGet(() -> KeyFinder.ofSignature(fifths, notes)));
        }
    }
}
