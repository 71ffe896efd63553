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
    private static final Kind[] KINDS = Kind.values();

    /** The fewest figures that tell a phrase, exactly, by dynamic programming over its notes. */
    static List<Figure> of(List<Tone> tones) {
        int n = tones.size();
        Line line = Line.of(tones);
        int[] cost = new int[n + 1];
        int[] from = new int[n + 1];
        Kind[] kinds = new Kind[n + 1];
        for (int end = 1; end <= n; end++) {
            cost[end] = Integer.MAX_VALUE;
            for (int start = end - 1; start >= Math.max(0, end - LONGEST); start--) {
                for (Kind kind : KINDS) {
                    int sum = cost[start] + COSTS.of(kind);
                    if (sum < cost[end] && line.is(kind, start, end)) {
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

    /** The tones as numbers, since every stretch of them is looked at. */
    private record Line(int[] letters, int[] midi, long[] lengths) {

        static Line of(List<Tone> tones) {
            return new Line(tones.stream().mapToInt(t -> t.pitch().diatonic()).toArray(),
                    tones.stream().mapToInt(t -> t.pitch().midi()).toArray(), tones.stream().mapToLong(Tone::length).toArray());
        }

        private int step(int i) {
            return letters[i] - letters[i - 1];
        }

        boolean is(Kind kind, int start, int end) {
            int n = end - start;
            return switch (kind) {
                case STRAY -> n == 1;
                case HELD -> n == 1 && lengths[start] >= 3 * Tone.QUAVER;
                case REPEATED -> n >= 2 && allSteps(start, end, 0);
                case RUN -> n >= 3 && Math.abs(step(start + 1)) == 1 && allSteps(start, end, step(start + 1));
                case ARPEGGIO -> n >= 3 && isArpeggio(start, end);
                case TURN -> n >= 3 && isTurn(start, end);
                case PEDAL -> n >= 4 && isPedal(start, end);
            };
        }

        private boolean allSteps(int start, int end, int step) {
            for (int i = start + 1; i < end; i++) {
                if (step(i) != step) {
                    return false;
                }
            }
            return true;
        }

        /** Leaps of a third or more through the notes of one chord, three different ones at least. */
        private boolean isArpeggio(int start, int end) {
            int letterSet = 1 << letters[start] % 7;
            for (int i = start + 1; i < end; i++) {
                if (Math.abs(step(i)) < 2) {
                    return false;
                }
                letterSet |= 1 << letters[i] % 7;
            }
            int count = Integer.bitCount(letterSet);
            for (int root = 0; root < 7 && count >= 3 && count <= 4; root++) {
                int chord = 1 << root | 1 << (root + 2) % 7 | 1 << (root + 4) % 7 | 1 << (root + 6) % 7;
                if ((letterSet & 1 << root) != 0 && (letterSet & ~chord) == 0) {
                    return true;
                }
            }
            return false;
        }

        /** Away from a note by a step on either side and back, ending where it began. */
        private boolean isTurn(int start, int end) {
            int centre = letters[start];
            if (letters[end - 1] != centre) {
                return false;
            }
            boolean moves = false;
            for (int i = start + 1; i < end; i++) {
                int away = Math.abs(letters[i] - centre);
                if (away > 1) {
                    return false;
                }
                moves |= away > 0;
            }
            return moves;
        }

        /** One note on every other place, the others going their way. */
        private boolean isPedal(int start, int end) {
            for (int phase = 0; phase < 2; phase++) {
                int pedal = midi[start + phase];
                boolean all = true;
                boolean others = false;
                for (int i = start; all && i < end; i++) {
                    boolean same = midi[i] == pedal;
                    all = same == ((i - start) % 2 == phase);
                    others |= !same;
                }
                if (all && others) {
                    return true;
                }
            }
            return false;
        }
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
