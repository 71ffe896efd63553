package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.finding.Sentence;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.tune.Tempo;

/**
 * Two recordings of a tune beside one another, note by note.
 *
 * @param other each note of the one as it was played in the other, by the index of the note in the one; without those that were heard in one of them alone
 */
public record Comparison(HeardVersion one, HeardVersion two, Map<Integer, HeardVersion.Note> other) {

    /** Tempi that differ by less, as a share, are the same. */
    private static final double SAME_TEMPO = 0.03;

    public Comparison {
        other = Map.copyOf(other);
    }

    /** Both of one version of a tune. */
    public static Comparison of(HeardVersion one, HeardVersion two) {
        record Place(int note, int pass) {}
        Map<Place, HeardVersion.Note> there = new HashMap<>();
        two.notes().stream().filter(n -> n.onsetMs().isPresent()).forEach(n -> there.put(new Place(n.wanted().note(), n.wanted().pass()), n));
        Map<Integer, HeardVersion.Note> other = new HashMap<>();
        for (int i = 0; i < one.notes().size(); i++) {
            HeardVersion.Note note = one.notes().get(i);
            HeardVersion.Note fellow = there.get(new Place(note.wanted().note(), note.wanted().pass()));
            if (note.onsetMs().isPresent() && fellow != null) {
                other.put(i, fellow);
            }
        }
        return new Comparison(one, two, other);
    }

    /** Whether a note is played otherwise in the other. */
    public boolean differs(int note) {
        return Optional.ofNullable(other.get(note)).filter(o -> !o.gesture().equals(one.notes().get(note).gesture())).isPresent();
    }

    /** How many notes are played otherwise. */
    public int differences() {
        return (int) other.keySet().stream().filter(this::differs).count();
    }

    /** How a note is played in the other, in a full sentence; empty where it was not heard there. */
    public Optional<String> inWords(int note, Vocabulary names) {
        return Optional.ofNullable(other.get(note)).map(o -> differs(note) ? "In the other: %s; in this: %s.".formatted(named(o, names), named(one.notes().get(note), names))
                : "In the other it is played the same.");
    }

    private static String named(HeardVersion.Note note, Vocabulary names) {
        return note.gesture().equals(Expectations.NOTHING) ? "the bare note" : Remark.named(note.gesture(), names);
    }

    /**
     * What differs on the whole, in full sentences.
     *
     * @param tempo of the version
     */
    public List<String> inWords(Tempo tempo) {
        List<String> all = new ArrayList<>();
        int differ = differences();
        all.add("%s of %d notes that are in both %s played otherwise.".formatted(differ == 0 ? "None" : String.valueOf(differ), other.size(), differ == 1 ? "is" : "are"));
        double faster = two.tempo() / one.tempo();
        String pace = Math.abs(faster - 1) < SAME_TEMPO ? "The other is as fast" : "The other is played at " + tempo.percent((int) Math.round(100 * two.tempo())).spoken();
        List<String> more = new ArrayList<>(List.of(pace));
        if (two.semitones() != one.semitones()) {
            int by = two.semitones() - one.semitones();
            more.add("%d semitone%s %s".formatted(Math.abs(by), Math.abs(by) == 1 ? "" : "s", by > 0 ? "higher" : "lower"));
        }
        more.add("its gaps vary by %d %% (here %d %%)".formatted(Math.round(100 * two.evenness().variation()), Math.round(100 * one.evenness().variation())));
        all.add(Sentence.full(String.join(", ", more)));
        return all;
    }
}
