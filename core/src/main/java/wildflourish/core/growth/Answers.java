package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import wildflourish.core.ornament.Equivalents;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Tempo;

/** The ways to answer the placements of each note on another instrument, and which of them stand beside which. */
final class Answers {

    /** A placement of the ladder, from its lowest rung up. */
    record Placed(Ornament ornament, int rung, List<Ornament> choices) {}

    /**
     * One way to answer all placements of a note.
     *
     * @param chosen one for each placement; null for nothing
     * @param gestures one for each rung
     */
    record Answer(Ornament[] chosen, Gesture[] gestures, int worth) {}

    /** What a placement answered by its nth equivalent is worth, in the units of the search; nothing is worth 0. */
    private static final int WORTH = 100;
    private static final int FARTHER = 9;
    private static final int TIGHT = 4;
    /** How many times as much a weighty placement is worth: it is the idea, and a light one in its way gives way. */
    private static final int HEAVY = 3;

    final Arrangement from;
    final Situation to;
    final Ladder ladder;
    final Tempo tempo;
    final Speeds speeds;
    /** The notes on which something stands. */
    final List<Integer> notes;
    private final List<List<Placed>> placed = new ArrayList<>();
    /** The best answer of each note by itself; empty where something has been learned about it since. */
    private final Answer[] bests;

    Answers(Arrangement from, Situation to) {
        this.from = from;
        this.to = to;
        this.ladder = from.ladder();
        this.tempo = from.tempo();
        this.speeds = from.speeds();
        Setting full = ladder.setting(ladder.size() - 1);
        this.notes = full.byNote().keySet().stream().filter(n -> n < to.tune().size()).toList();
        Vocabulary vocabulary = Vocabulary.of(from.instrument());
        for (int note : notes) {
            List<Placed> here = new ArrayList<>();
            for (Ornament ornament : full.ornaments(note, vocabulary)) {
                here.add(new Placed(ornament, ladder.lowestWith(note, ornament.id()), choices(ornament)));
            }
            placed.add(here);
        }
        this.bests = new Answer[notes.size()];
    }

    /** The placements of the ith note. */
    List<Placed> placed(int i) {
        return placed.get(i);
    }

    private List<Ornament> choices(Ornament ornament) {
        return from.instrument().family().equals(to.instrument().family())
                && to.vocabulary().byId(ornament.id()).isPresent()
                ? withEasier(to.vocabulary().known(ornament.id()))
                : Equivalents.of(ornament, from.instrument().family(), to.vocabulary(), to.instrument().family());
    }

    private List<Ornament> withEasier(Ornament ornament) {
        List<Ornament> all = new ArrayList<>(List.of(ornament));
        Equivalents.of(ornament, from.instrument().family(), to.vocabulary(), to.instrument().family()).stream()
                .filter(o -> !all.contains(o)).forEach(all::add);
        return all;
    }

    /** What an answer is, told apart from others of its note. */
    private record Said(int note, List<String> ids) {}

    /** Answers that turned out not to be playable where the plan has their notes, and pairs that are not one after the other. */
    private final Set<Said> barred = new HashSet<>();
    private final Set<List<Said>> barredPairs = new HashSet<>();
    private final Set<Said> inPairs = new HashSet<>();

    /** Never again gives an answer; whether it could have been given until now. */
    boolean bar(int i, Answer answer) {
        bests[i] = null;
        return barred.add(said(i, answer));
    }

    /** Never again gives two answers one after the other; whether they could have been given until now. */
    boolean barTogether(int i, Answer first, Answer second) {
        List<Said> pair = List.of(said(i, first), said(i + 1, second));
        inPairs.addAll(pair);
        return barredPairs.add(pair);
    }

    private Said said(int i, Answer answer) {
        return new Said(notes.get(i), Arrays.stream(answer.chosen()).map(o -> o == null ? "" : o.id()).toList());
    }

    /** Whether two neighbouring notes' answers stand in each other's way. */
    boolean meets(int i, Answer first, Answer second) {
        return notes.get(i + 1) == notes.get(i) + 1 && !follow(i, first, second);
    }

    boolean follow(int i, Answer first, Answer second) {
        if (!barredPairs.isEmpty() && barredPairs.contains(List.of(said(i, first), said(i + 1, second)))) {
            return false;
        }
        for (int r = 0; r < first.gestures().length; r++) {
            if (first.gestures()[r] != null && second.gestures()[r] != null && Playability.together(
                    first.gestures()[r], second.gestures()[r], tempo, speeds) == Playability.Fit.BLOCKED) {
                return false;
            }
        }
        return true;
    }

    /** The worthiest answer of a note by itself. */
    Answer best(int i) {
        bests[i] = bests[i] == null ? worthiest(i) : bests[i];
        return bests[i];
    }

    /** The first in order of worth that no later one can better. */
    private Answer worthiest(int i) {
        List<Placed> here = placed.get(i);
        PriorityQueue<int[]> open = new PriorityQueue<>(Comparator.comparingInt((int[] p) -> -worth(i, p)));
        Set<List<Integer>> seen = new HashSet<>();
        open.add(new int[here.size()]);
        for (int p = 0; p < here.size(); p++) {
            if (here.get(p).choices().isEmpty()) {
                open.peek()[p] = -1;
            }
        }
        @Nullable Answer best = null;
        while (!open.isEmpty()) {
            int[] pick = open.poll();
            if (best != null && worth(i, pick) <= best.worth()) {
                return best;
            }
            Optional<Answer> answer = answer(i, pick);
            if (answer.isPresent() && (best == null || answer.get().worth() > best.worth())) {
                best = answer.get();
            }
            for (int p = 0; p < pick.length; p++) {
                if (pick[p] >= 0) {
                    int[] next = pick.clone();
                    next[p] = pick[p] + 1 < here.get(p).choices().size() ? pick[p] + 1 : -1;
                    if (seen.add(Arrays.stream(next).boxed().toList())) {
                        open.add(next);
                    }
                }
            }
        }
        return Objects.requireNonNull(best);
    }

    /** Every way to pick a choice for each placement; −1 is nothing. */
    private List<int[]> picks(int i) {
        List<int[]> all = new ArrayList<>();
        all.add(new int[0]);
        for (Placed one : placed.get(i)) {
            List<int[]> more = new ArrayList<>();
            for (int[] before : all) {
                for (int c = 0; c <= one.choices().size(); c++) {
                    int[] pick = Arrays.copyOf(before, before.length + 1);
                    pick[before.length] = c == one.choices().size() ? -1 : c;
                    more.add(pick);
                }
            }
            all = more;
        }
        return all;
    }

    /** All answers of a note, of those that look alike to its neighbours, and that no neighbour bars, only the worthiest. */
    List<Answer> all(int i) {
        Map<List<Object>, Answer> byEdges = new LinkedHashMap<>();
        for (int[] pick : picks(i)) {
            answer(i, pick).ifPresent(a -> byEdges.merge(inPairs.contains(said(i, a)) ? List.of(said(i, a)) : edges(a), a, (x, y) -> x.worth() >= y.worth() ? x : y));
        }
        return List.copyOf(byEdges.values());
    }

    /** What neighbours see of an answer: on each rung its first and last parts, and the finger that moved last. */
    private static List<Object> edges(Answer answer) {
        List<Object> edges = new ArrayList<>();
        for (Gesture gesture : answer.gestures()) {
            edges.add(gesture == null ? List.of() : gesture.edges());
        }
        return edges;
    }

    private int worth(int i, int[] pick) {
        int worth = 0;
        for (int p = 0; p < pick.length; p++) {
            int times = placed.get(i).get(p).ornament().heavy() ? HEAVY : 1;
            worth += pick[p] < 0 ? 0 : times * Math.max(1, WORTH - pick[p] * FARTHER);
        }
        return worth;
    }

    /** The answer that a pick gives, if the hands can do it on every rung. */
    private Optional<Answer> answer(int i, int[] pick) {
        List<Placed> here = placed.get(i);
        Ornament[] chosen = new Ornament[pick.length];
        Set<String> ids = new HashSet<>();
        for (int p = 0; p < pick.length; p++) {
            chosen[p] = pick[p] < 0 ? null : here.get(p).choices().get(pick[p]);
            if (chosen[p] != null && !ids.add(chosen[p].id())) {
                return Optional.empty();
            }
        }
        if (!barred.isEmpty() && barred.contains(new Said(notes.get(i), Arrays.stream(chosen).map(o -> o == null ? "" : o.id()).toList()))) {
            return Optional.empty();
        }
        Gesture[] gestures = new Gesture[ladder.size()];
        int worth = worth(i, pick);
        boolean tight = false;
        List<Ornament> before = List.of();
        for (int r = 0; r < gestures.length; r++) {
            List<Ornament> stack = new ArrayList<>();
            for (int p = 0; p < chosen.length; p++) {
                if (chosen[p] != null && here.get(p).rung() <= r) {
                    stack.add(chosen[p]);
                }
            }
            if (stack.equals(before)) {
                gestures[r] = r == 0 ? null : gestures[r - 1];
                continue;
            }
            if (!(Gestures.make(to, notes.get(i), stack) instanceof Making.Made(var gesture))) {
                return Optional.empty();
            }
            Playability.Fit fit = Playability.fit(to, notes.get(i), stack, tempo, speeds);
            if (fit == Playability.Fit.BLOCKED || drags(gesture, stack)) {
                return Optional.empty();
            }
            tight |= fit == Playability.Fit.TIGHT;
            gestures[r] = gesture;
            before = stack;
        }
        return Optional.of(new Answer(chosen, gestures, worth - (tight ? TIGHT : 0)));
    }

    /** Whether light ornaments alone would take a note to another string, finger or row: no player goes there for them. */
    boolean drags(Gesture gesture, List<Ornament> stack) {
        return gesture.moved() && !from.instrument().equals(to.instrument()) && stack.stream().noneMatch(Ornament::heavy);
    }
}
