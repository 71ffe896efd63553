package wildflourish.app.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import wildflourish.core.hearing.HeardPass;
import wildflourish.core.practice.Calibration;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.PracticePlan;
import wildflourish.core.practice.Spoken;
import wildflourish.core.practice.Steps;

/**
 * Everything the practice screen shows while a student plays.
 *
 * @param title of what is practised, for reading
 * @param phase what goes on
 * @param turn what is played or listened to now; the latest one when nothing is
 * @param played onsets of this turn so far, in milliseconds since its beginning
 * @param nowMs where it is in its turn, in milliseconds; below 0 while it is counted in
 * @param passes those of this sitting, the latest last
 * @param steps of a tune's tempo, where a plan has them
 * @param run of a drill
 * @param advice what to do next
 * @param reminder to rest; empty when none is due
 * @param hears the pitch that is heard now, as a MIDI note number in fractions, where a microphone listens
 */
public record PracticeState(
        Choice choice, String title, Phase phase, Optional<Turn> turn, List<Double> played, double nowMs, List<Done> passes,
        Optional<Steps> steps, Optional<Drill.Run> run, String advice, String reminder, OptionalDouble hears) {

    private static final List<String> NAMES = List.of("C", "C\u266f", "D", "E\u266d", "E", "F", "F\u266f", "G", "G\u266f", "A", "B\u266d", "B");
    /** So near the note it is in tune for the moment, in cents. */
    private static final int IN_TUNE = 8;

    /** What is done on the screen. */
    public enum Mode { TUNE, DRILL }

    /** What goes on. */
    public enum Phase {
        RESTING(""), LISTENING("listen"), COUNTING("counting in"), PLAYING("play"), MEASURING("listening again"), BETWEEN("in a moment it goes on"), CALIBRATING("tap with the clicks");

        private final String words;

        Phase(String words) {
            this.words = words;
        }

        /** For reading. */
        public String words() {
            return words;
        }
    }

    /**
     * What has been chosen.
     *
     * @param percent of the tune's tempo, for plans that do not step
     * @param along whether the tune sounds while the student plays
     * @param lilt that is played, and measured against
     */
    public record Choice(
            Mode mode, List<Passage> passages, int passage, int rung, PracticePlan plan, HandsChoice hands, int percent, boolean along,
            Lilt lilt, List<Drill> drills, Optional<Drill> drill, Calibration calibration) {

        private static final int SLOWEST = 30;
        private static final int FASTEST = 120;

        /** As it is before anything is chosen. */
        static final Choice USUAL = new Choice(Mode.TUNE, List.of(), 0, 0, PracticePlan.all().getFirst(), HandsChoice.KEYS, 80, false, Lilt.STRAIGHT, List.of(),
                Optional.empty(), Calibration.NONE);

        /** The passage that is practised; empty when the tune has none. */
        public Optional<Passage> inHand() {
            return passage < passages.size() ? Optional.of(passages.get(passage)) : Optional.empty();
        }

        Choice with(Mode other) {
            return new Choice(other, passages, passage, rung, plan, hands, percent, along, lilt, drills, drill, calibration);
        }

        Choice withPassage(int other) {
            return new Choice(mode, passages, Math.clamp(other, 0, Math.max(0, passages.size() - 1)), rung, plan, hands, percent, along, lilt, drills, drill,
                    calibration);
        }

        /** Of the same tune after an edit, or of another: what can be chosen is as it is there. */
        Choice on(List<Passage> allPassages, int itsPassage, int itsRung, List<Drill> allDrills, Optional<Drill> itsDrill) {
            return new Choice(mode, allPassages, itsPassage, itsRung, plan, hands, percent, along, lilt, allDrills, itsDrill, calibration);
        }

        Choice with(PracticePlan other) {
            return new Choice(mode, passages, passage, rung, other, hands, percent, along, lilt, drills, drill, calibration);
        }

        Choice with(HandsChoice other) {
            return new Choice(mode, passages, passage, rung, plan, other, percent, along, lilt, drills, drill, calibration);
        }

        Choice withPercent(int other) {
            return new Choice(mode, passages, passage, rung, plan, hands, Math.clamp(other, SLOWEST, FASTEST), along, lilt, drills, drill, calibration);
        }

        Choice withAlong(boolean on) {
            return new Choice(mode, passages, passage, rung, plan, hands, percent, on, lilt, drills, drill, calibration);
        }

        Choice with(Lilt other) {
            return new Choice(mode, passages, passage, rung, plan, hands, percent, along, other, drills, drill, calibration);
        }

        Choice with(Drill other) {
            return new Choice(mode, passages, passage, rung, plan, hands, percent, along, lilt, drills, Optional.of(other), calibration);
        }

        Choice with(Calibration other) {
            return new Choice(mode, passages, passage, rung, plan, hands, percent, along, lilt, drills, drill, other);
        }
    }

    /**
     * A stretch that is played, or is listened to.
     *
     * @param beats moments of the beats, in milliseconds since its beginning
     * @param bars which of them begin a bar
     * @param notes of the plain tune, one for each onset; for a drill the onsets themselves
     * @param words what it is: {@code dotted crotchet = 80}
     * @param measured the evenness, once it is over
     * @param heard what was heard, where a microphone listened
     */
    public record Turn(Expected expected, List<Double> beats, List<Double> bars, List<Integer> notes, String words, Optional<Evenness> measured, Optional<HeardPass> heard) {

        Turn with(Evenness evenness, Optional<HeardPass> byEar) {
            return new Turn(expected, beats, bars, notes, words, Optional.of(evenness), byEar);
        }
    }

    /** A pass that is over. */
    public record Done(String words, Evenness evenness, boolean even, String next, Spoken spoken) {}

    public PracticeState {
        played = List.copyOf(played);
        passes = List.copyOf(passes);
    }

    /** Whether something goes on. */
    public boolean isRunning() {
        return phase != Phase.RESTING;
    }

    PracticeState with(Choice other) {
        return new PracticeState(other, title, phase, turn, played, nowMs, passes, steps, run, advice, reminder, hears);
    }

    PracticeState with(Phase other) {
        return new PracticeState(choice, title, other, turn, played, nowMs, passes, steps, run, advice, reminder, hears);
    }

    PracticeState in(Phase other, Turn its) {
        return new PracticeState(choice, title, other, Optional.of(its), List.of(), -1, passes, steps, run, advice, reminder, hears);
    }

    PracticeState at(double ms, List<Double> onsets) {
        return new PracticeState(choice, title, phase, turn, onsets, ms, passes, steps, run, advice, reminder, hears);
    }

    PracticeState after(Optional<Turn> its, List<Done> all, Optional<Steps> nextSteps, Optional<Drill.Run> nextRun, String words) {
        return new PracticeState(choice, title, phase, its, played, nowMs, all, nextSteps, nextRun, words, reminder, hears);
    }

    PracticeState hearing(OptionalDouble pitch) {
        return new PracticeState(choice, title, phase, turn, played, nowMs, passes, steps, run, advice, reminder, pitch);
    }

    PracticeState reminded(String words) {
        return new PracticeState(choice, title, phase, turn, played, nowMs, passes, steps, run, advice, words, hears);
    }

    PracticeState advised(String words) {
        return new PracticeState(choice, title, phase, turn, played, nowMs, passes, steps, run, words, reminder, hears);
    }

    /** The note of the tune that is played now; empty in a drill, and while nothing is. */
    public OptionalInt note() {
        if (turn().isEmpty() || nowMs() < 0 || choice().mode() == PracticeState.Mode.DRILL
                || phase() != PracticeState.Phase.PLAYING && phase() != PracticeState.Phase.LISTENING) {
            return OptionalInt.empty();
        }
        var onsets = turn().get().expected().onsets();
        OptionalInt note = OptionalInt.empty();
        for (int i = 0; i < onsets.size() && onsets.get(i).atMs() <= nowMs() + 1; i++) {
            note = OptionalInt.of(turn().get().notes().get(i));
        }
        return note;
    }

    /** The latest passes in words, a line each, the last one first. */
    public String latest(int most) {
        StringBuilder list = new StringBuilder();
        for (int i = passes.size() - 1; i >= Math.max(0, passes.size() - most); i--) {
            Done pass = passes.get(i);
            list.append("%d  %s: varies by %d %%, %s%s%n".formatted(i + 1, pass.words(), Math.round(pass.evenness().variation() * 100),
                    pass.even() ? "even" : "not even", pass.spoken().meant() == 0 ? "" : ", " + pass.spoken().inWords()));
        }
        return list.isEmpty() ? "none yet" : list.toString().strip();
    }

    /** The figures of the latest pass, and what a microphone heard of it, a line each; empty before the first. */
    public String facts() {
        if (passes.isEmpty()) {
            return "";
        }
        Done last = passes.getLast();
        List<String> lines = new ArrayList<>();
        lines.add(last.evenness().inWords(choice.mode() == Mode.TUNE) + (last.spoken().meant() == 0 ? "" : "  ·  " + last.spoken().inWords()));
        turn.flatMap(Turn::heard).ifPresent(h -> lines.addAll(h.remarks()));
        return String.join("\n", lines);
    }

    /** What is heard now: {@code A 12 cents flat}; empty where nothing listens, or nothing is heard. */
    public Optional<String> hearsInWords() {
        if (hears.isEmpty() || phase != Phase.PLAYING && phase != Phase.COUNTING && phase != Phase.CALIBRATING) {
            return Optional.empty();
        }
        long note = Math.round(hears.getAsDouble());
        long cents = Math.round(100 * (hears.getAsDouble() - note));
        String name = NAMES.get(Math.floorMod(note, NAMES.size()));
        return Optional.of(Math.abs(cents) < IN_TUNE ? name : "%s %d cents %s".formatted(name, Math.abs(cents), cents < 0 ? "flat" : "sharp"));
    }

    /** Whether the same words are to be read as at another moment of the turn. */
    boolean saysTheSameAs(PracticeState other) {
        return phase == other.phase && passes.equals(other.passes) && turn.equals(other.turn) && advice.equals(other.advice)
                && reminder.equals(other.reminder);
    }
}
