package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Pitch;

/**
 * A shape that a stretch of notes makes, as a teacher would name it.
 *
 * @param fromNote index of its first written note
 * @param toNote index of its last
 * @param words {@code a run down from B to E}
 */
public record Figure(Kind kind, int fromNote, int toNote, String words) {

    /** The shapes there are. */
    public enum Kind { RUN, ARPEGGIO, TURN, PEDAL, REPEATED, HELD, STRAY }

    record Costs(String provenance, int run, int arpeggio, int turn, int pedal, int repeated, int held, int stray) {

        int of(Kind kind) {
            return switch (kind) {
                case RUN -> run;
                case ARPEGGIO -> arpeggio;
                case TURN -> turn;
                case PEDAL -> pedal;
                case REPEATED -> repeated;
                case HELD -> held;
                case STRAY -> stray;
            };
        }
    }

    private static final Costs COSTS = DataFile.read("reading/figures.json", Costs.class);
    private static final int LONGEST = 16;

    /** The fewest figures that tell a phrase, exactly, by dynamic programming over its notes. */
    static List<Figure> of(List<Tone> tones) {
        int n = tones.size();
        int[] cost = new int[n + 1];
        int[] from = new int[n + 1];
        Kind[] kinds = new Kind[n + 1];
        for (int end = 1; end <= n; end++) {
            cost[end] = Integer.MAX_VALUE;
            for (int start = end - 1; start >= Math.max(0, end - LONGEST); start--) {
                for (Kind kind : Kind.values()) {
                    int sum = cost[start] + COSTS.of(kind);
                    if (sum < cost[end] && is(kind, tones.subList(start, end))) {
                        cost[end] = sum;
                        from[end] = start;
                        kinds[end] = kind;
                    }
                }
            }
        }
        List<Figure> figures = new ArrayList<>();
        for (int end = n; end > 0; end = from[end]) {
            List<Tone> notes = tones.subList(from[end], end);
            figures.add(new Figure(kinds[end], notes.getFirst().note(), notes.getLast().note(), inWords(kinds[end], notes)));
        }
        Collections.reverse(figures);
        return figures;
    }

    private static boolean is(Kind kind, List<Tone> notes) {
        int n = notes.size();
        return switch (kind) {
            case STRAY -> n == 1;
            case HELD -> n == 1 && notes.getFirst().length() >= 3 * Tone.QUAVER;
            case REPEATED -> n >= 2 && steps(notes).stream().allMatch(s -> s == 0);
            case RUN -> n >= 3 && Math.abs(steps(notes).getFirst()) == 1
                    && steps(notes).stream().distinct().count() == 1;
            case ARPEGGIO -> n >= 3 && isArpeggio(notes);
            case TURN -> n >= 3 && isTurn(notes);
            case PEDAL -> n >= 4 && isPedal(notes);
        };
    }

    private static List<Integer> steps(List<Tone> notes) {
        List<Integer> steps = new ArrayList<>();
        for (int i = 1; i < notes.size(); i++) {
            steps.add(notes.get(i).pitch().diatonic() - notes.get(i - 1).pitch().diatonic());
        }
        return steps;
    }

    /** Leaps of a third or more through the notes of one chord, three different ones at least. */
    private static boolean isArpeggio(List<Tone> notes) {
        if (steps(notes).stream().anyMatch(s -> Math.abs(s) < 2)) {
            return false;
        }
        List<Integer> letters = notes.stream().map(t -> t.pitch().diatonic() % 7).distinct().toList();
        if (letters.size() < 3 || letters.size() > 4) {
            return false;
        }
        return letters.stream().anyMatch(root -> letters.stream()
                .allMatch(l -> Math.floorMod(l - root, 7) % 2 == 0));
    }

    /** Away from a note by one or two steps on either side and back, ending where it began. */
    private static boolean isTurn(List<Tone> notes) {
        int centre = notes.getFirst().pitch().diatonic();
        if (notes.getLast().pitch().diatonic() != centre) {
            return false;
        }
        boolean moves = false;
        for (int i = 1; i < notes.size(); i++) {
            int away = Math.abs(notes.get(i).pitch().diatonic() - centre);
            int step = Math.abs(notes.get(i).pitch().diatonic() - notes.get(i - 1).pitch().diatonic());
            if (away > 1 || step > 2) {
                return false;
            }
            moves |= away > 0;
        }
        return moves;
    }

    /** One note on every other place, the others going their way. */
    private static boolean isPedal(List<Tone> notes) {
        for (int phase = 0; phase < 2; phase++) {
            int pedal = notes.get(phase).pitch().midi();
            boolean all = true;
            boolean others = false;
            for (int i = 0; i < notes.size(); i++) {
                boolean same = notes.get(i).pitch().midi() == pedal;
                all &= same == (i % 2 == phase);
                others |= !same;
            }
            if (all && others && (notes.size() + 1 - phase) / 2 >= 2) {
                return true;
            }
        }
        return false;
    }

    private static String inWords(Kind kind, List<Tone> notes) {
        Pitch first = notes.getFirst().pitch();
        Pitch last = notes.getLast().pitch();
        String way = last.midi() > first.midi() ? "up" : "down";
        return switch (kind) {
            case RUN -> "a run %s from %s to %s".formatted(way, name(first), name(last));
            case ARPEGGIO -> "the chord notes %s".formatted(String.join(" ", notes.stream().map(t -> name(t.pitch()))
                    .toList()));
            case TURN -> "a turn around %s".formatted(name(first));
            case PEDAL -> "always back to %s".formatted(name(pedal(notes)));
            case REPEATED -> "%s %s".formatted(name(first), times(notes.size()));
            case HELD -> "%s held".formatted(name(first));
            case STRAY -> name(first);
        };
    }

    /** Short enough to be read in a row: {@code F♯}. */
    static String name(Pitch pitch) {
        return pitch.spoken().replace(" sharp", "♯").replace(" flat", "♭");
    }

    private static Pitch pedal(List<Tone> notes) {
        return notes.get(0).pitch().midi() == notes.get(2).pitch().midi() ? notes.get(0).pitch() : notes.get(1).pitch();
    }

    private static String times(int count) {
        return switch (count) {
            case 2 -> "twice";
            case 3 -> "three times";
            default -> count + " times";
        };
    }
}
