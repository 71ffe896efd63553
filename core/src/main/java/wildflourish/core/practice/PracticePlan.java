package wildflourish.core.practice;

import java.util.List;
import wildflourish.core.data.DataFile;
import wildflourish.core.reading.Phrase;

/**
 * In what order a stretch is heard and played.
 *
 * @param id {@code goal-first}, …
 * @param stages of the goal's tempo and which rung, in order; empty for a plan whose tempo is the teacher's or is decided pass by pass
 */
public record PracticePlan(String id, String words, String about, Way way, List<Stage> stages) {

    /** How a stretch is gone through. */
    public enum Way {
        /** Pass by pass, the tempo up and down by the rule. */
        STEPS,
        /** Each stage heard, then played along. */
        STAGES,
        /** Each phrase heard, then left empty for the student. */
        RESPONSE,
        /** Each stage heard twice, the fingers along without a sound: nothing is measured. */
        SILENT,
        /** Phrase by phrase in the teaching order, each heard and played, then what is joined. */
        JOINS,
        /** A part with its first ending again and again, then with its true endings. */
        ENDINGS,
        /** What is held struck again on each beat, then held. */
        RESTRUCK
    }


    /**
     * One time through.
     *
     * @param bare whether the bare rung is heard, not the one in hand
     * @param percent of the goal's tempo
     */
    public record Stage(String words, boolean bare, int percent) {}

    /**
     * The file.
     *
     * @param earlyMs what is played so shortly before an answer belongs to it
     */
    record Table(String provenance, double earlyMs, List<PracticePlan> plans) {}

    private static final Table TABLE = DataFile.read("practice/plans.json", Table.class);

    public PracticePlan {
        stages = List.copyOf(stages);
    }

    /** The plans there are. */
    public static List<PracticePlan> all() {
        return List.copyOf(TABLE.plans());
    }

    /** Milliseconds before an answer in which what is played belongs to it already. */
    public static double earlyMs() {
        return TABLE.earlyMs();
    }

    /** Whether its tempo is what the teacher sets. */
    public boolean isAtTempoSet() {
        return stages.isEmpty() && way != Way.STEPS;
    }

    /** Whether the tempo goes up and down by the rule. */
    public boolean isStepwise() {
        return way == Way.STEPS;
    }

    /** A stretch that is heard before it is left empty. */
    public record Call(int fromNote, int toNote) {}

    /** What is heard before each answer: the phrases of a stretch one by one, the first and the last cut to it. */
    public static List<Call> calls(List<Phrase> phrases, int fromNote, int toNote) {
        return phrases.stream().map(p -> new Call(Math.max(p.fromNote(), fromNote), Math.min(p.toNote(), toNote)))
                .filter(c -> c.fromNote() < c.toNote()).toList();
    }
}
