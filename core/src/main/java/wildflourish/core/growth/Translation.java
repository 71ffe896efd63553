package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Equivalents;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.AsPlayed;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Versions;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

/**
 * The same musical ideas on another instrument, each by its own means, and nothing that the hands cannot do.
 *
 * <p>Exact: among all ways to answer every placement by one of its equivalents or by nothing, such that on no rung a note is
 * blocked by itself or by its neighbours, the one that stays nearest to what was meant. Notes choose freely but for their
 * neighbours, so a shortest path over the notes finds it.
 *
 * @param ladder the rungs with the names they had
 * @param steps one for each placement, in the order of the notes
 */
public record Translation(Ladder ladder, List<Step> steps) {

    /** What becomes of one placement. */
    public enum Kind {
        /** The same ornament. */
        SAME,
        /** The same idea by the instrument's own means. */
        OWN_MEANS,
        /** Something simpler or farther off. */
        CHANGED,
        /** Nothing. */
        LEFT_OUT
    }

    /**
     * One placement and what it became.
     *
     * @param bar printed number of the bar
     * @param rung the lowest rung on which it stands
     * @param to empty when it was left out
     * @param why as a sentence without its full stop
     */
    public record Step(int bar, int note, int rung, Ornament from, Optional<Ornament> to, Kind kind, String why) {}

    /** What a placement answered by its nth equivalent is worth, in the units of the search; nothing is worth 0. */
    private static final int WORTH = 100;
    private static final int FARTHER = 9;
    private static final int TIGHT = 4;
    /** How many times as much a weighty placement is worth: it is the idea, and a light one in its way gives way. */
    private static final int HEAVY = 3;

    public Translation {
        steps = List.copyOf(steps);
    }

    /** How many placements became what is named. */
    public long count(Kind kind) {
        return steps.stream().filter(s -> s.kind() == kind).count();
    }

    /** Carries an arrangement's ladder over to an instrument, at its tempo, for its student. */
    public static Translation of(Arrangement from, Instrument to) {
        if (from.instrument().equals(to)) {
            return same(from);
        }
        Timeline tune = Timeline.of(from.tune());
        return of(from, Situation.of(tune, to, from.school(), from.choices()));
    }

    /** As {@link #of(Arrangement, Instrument)}, for a situation of the same tune that is at hand already. */
    public static Translation of(Arrangement from, Situation to) {
        return new Search(from, to).translation();
    }

    private static Translation same(Arrangement from) {
        List<Step> steps = new ArrayList<>();
        Timeline tune = Timeline.of(from.tune());
        Vocabulary vocabulary = Vocabulary.of(from.instrument());
        Setting full = from.ladder().setting(from.ladder().size() - 1);
        full.byNote().forEach((note, ids) -> ids.forEach(id -> vocabulary.byId(id).ifPresent(o -> steps.add(new Step(
                tune.note(note).barNumber(), note, from.ladder().lowestWith(note, id), o, Optional.of(o), Kind.SAME,
                "the same instrument")))));
        return new Translation(from.ladder(), steps);
    }

    /** A placement of the ladder, from its lowest rung up. */
    private record Placed(Ornament ornament, int rung, List<Ornament> choices) {}

    /**
     * One way to answer all placements of a note.
     *
     * @param chosen one for each placement; null for nothing
     * @param gestures one for each rung
     */
    private record Answer(Ornament[] chosen, Gesture[] gestures, int worth) {}

    private static final class Search {

        private final Arrangement from;
        private final Situation to;
        private final Ladder ladder;
        private final Tempo tempo;
        private final Speeds speeds;
        private final List<Integer> notes;
        private final List<List<Placed>> placed = new ArrayList<>();
        private final Versions versions;
        /** The best answer of each note by itself; empty where something has been learned about it since. */
        private final Answer[] bests;

        Search(Arrangement from, Situation to) {
            this.from = from;
            this.to = to;
            this.ladder = from.ladder();
            this.versions = new Versions(to);
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

        private List<Ornament> choices(Ornament ornament) {
            return from.instrument().family() == to.instrument().family()
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
        /** Settings of which everything is known to hold when it is played. */
        private final Set<Setting> holding = new HashSet<>();

        /**
         * The best answers that hold when they are played: what is chosen with the places of the bare tune is planned as it will be
         * played; what turns out blocked there, by itself or beside a neighbour, is not chosen again. There are only so many
         * answers and pairs, so this ends.
         */
        Translation translation() {
            while (true) {
                List<Answer> chosen = new ArrayList<>();
                for (int i = 0; i < notes.size(); i++) {
                    bests[i] = bests[i] == null ? best(i) : bests[i];
                    chosen.add(bests[i]);
                }
                for (int i = 0; i + 1 < notes.size(); i++) {
                    if (meets(i, chosen.get(i), chosen.get(i + 1))) {
                        i = resolve(i, i + 1, chosen);
                    }
                }
                Ladder made = ladder(chosen);
                if (!learn(chosen, made)) {
                    return new Translation(made, steps(chosen));
                }
            }
        }

        private boolean learn(List<Answer> chosen, Ladder made) {
            boolean more = false;
            AsPlayed checked = null;
            for (Rung rung : made.rungs()) {
                AsPlayed played = versions.of(rung.setting());
                AsPlayed before = checked;
                checked = played;
                if (holding.contains(rung.setting())) {
                    continue;
                }
                for (int i = 0; i < notes.size() && !more; i++) {
                    int note = notes.get(i);
                    boolean stands = !rung.setting().at(note).isEmpty();
                    boolean holds = !stands || before != null && before.isAlikeAround(note, played) || played.liesWell(note) && !played.verdict(note, tempo, speeds).orElseThrow().isBlocked();
                    if (!holds) {
                        more = bar(i, chosen, played);
                    }
                }
                if (more) {
                    return true;
                }
                holding.add(rung.setting());
            }
            return false;
        }

        /** Bars an answer, or where it holds by itself the pair it makes with a neighbour; false when that is barred already. */
        private boolean bar(int i, List<Answer> chosen, AsPlayed played) {
            boolean alone = played.liesWell(notes.get(i)) && !played.alone(notes.get(i), tempo, speeds).orElseThrow().isBlocked();
            boolean more = false;
            if (alone && i > 0 && notes.get(i - 1) == notes.get(i) - 1) {
                more = barredPairs.add(List.of(said(i - 1, chosen.get(i - 1)), said(i, chosen.get(i))));
            }
            if (alone && !more && i + 1 < notes.size() && notes.get(i + 1) == notes.get(i) + 1) {
                more = barredPairs.add(List.of(said(i, chosen.get(i)), said(i + 1, chosen.get(i + 1))));
            }
            if (!more && barred.add(said(i, chosen.get(i)))) {
                bests[i] = null;
                return true;
            }
            return more;
        }

        private Said said(int i, Answer answer) {
            return new Said(notes.get(i), Arrays.stream(answer.chosen()).map(o -> o == null ? "" : o.id()).toList());
        }

        /** Whether two neighbouring notes' answers stand in each other's way. */
        private boolean meets(int i, Answer first, Answer second) {
            return notes.get(i + 1) == notes.get(i) + 1 && !follow(i, first, second);
        }

        private boolean follow(int i, Answer first, Answer second) {
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

        /** The worthiest answer of a note by itself: the first in order of worth that no later one can better. */
        private Answer best(int i) {
            List<Placed> here = placed.get(i);
            PriorityQueue<int[]> open = new PriorityQueue<>(Comparator.comparingInt((int[] p) -> -worth(i, p)));
            Set<List<Integer>> seen = new HashSet<>();
            open.add(new int[here.size()]);
            for (int p = 0; p < here.size(); p++) {
                if (here.get(p).choices().isEmpty()) {
                    open.peek()[p] = -1;
                }
            }
            Answer best = null;
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
            return best;
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

        /** All answers of a note, of those that look alike to its neighbours only the worthiest. */
        private List<Answer> answers(int i) {
            Map<List<Object>, Answer> byEdges = new LinkedHashMap<>();
            for (int[] pick : picks(i)) {
                answer(i, pick).ifPresent(a -> byEdges.merge(edges(a), a, (x, y) -> x.worth() >= y.worth() ? x : y));
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
                Playability.Fit fit = Playability.fit(to, gesture, tempo, speeds);
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
        private boolean drags(Gesture gesture, List<Ornament> stack) {
            return gesture.moved() && !from.instrument().equals(to.instrument()) && stack.stream().noneMatch(Ornament::heavy);
        }

        /**
         * Chooses anew for all notes that follow one another without a gap around some that get in each other's way: exact,
         * by dynamic programming.
         */
        private int resolve(int start, int end, List<Answer> chosen) {
            int first = start;
            while (first > 0 && notes.get(first - 1) == notes.get(first) - 1) {
                first--;
            }
            int last = end;
            while (last + 1 < notes.size() && notes.get(last + 1) == notes.get(last) + 1) {
                last++;
            }
            List<List<Answer>> options = new ArrayList<>();
            for (int i = first; i <= last; i++) {
                options.add(answers(i));
            }
            long[] value = options.getFirst().stream().mapToLong(Answer::worth).toArray();
            List<int[]> came = new ArrayList<>();
            for (int s = 1; s < options.size(); s++) {
                List<Answer> here = options.get(s);
                long[] next = new long[here.size()];
                int[] from = new int[here.size()];
                Arrays.fill(next, Long.MIN_VALUE);
                for (int o = 0; o < here.size(); o++) {
                    for (int b = 0; b < value.length; b++) {
                        if (value[b] > Long.MIN_VALUE && value[b] + here.get(o).worth() > next[o]
                                && follow(first + s - 1, options.get(s - 1).get(b), here.get(o))) {
                            next[o] = value[b] + here.get(o).worth();
                            from[o] = b;
                        }
                    }
                }
                came.add(from);
                value = next;
            }
            int at = 0;
            for (int o = 1; o < value.length; o++) {
                at = value[o] > value[at] ? o : at;
            }
            for (int s = options.size() - 1; s >= 0; s--) {
                chosen.set(first + s, options.get(s).get(at));
                at = s > 0 ? came.get(s - 1)[at] : 0;
            }
            return last;
        }

        private Ladder ladder(List<Answer> chosen) {
            List<Rung> rungs = new ArrayList<>();
            for (int r = 0; r < ladder.size(); r++) {
                java.util.SortedMap<Integer, List<String>> byNote = new java.util.TreeMap<>();
                for (int i = 0; i < notes.size(); i++) {
                    Set<String> ids = new TreeSet<>();
                    for (int p = 0; p < chosen.get(i).chosen().length; p++) {
                        Ornament ornament = chosen.get(i).chosen()[p];
                        if (ornament != null && placed.get(i).get(p).rung() <= r) {
                            ids.add(ornament.id());
                        }
                    }
                    byNote.put(notes.get(i), List.copyOf(ids));
                }
                java.util.SortedMap<Integer, Variation> varied = new java.util.TreeMap<>(ladder.setting(r).variations());
                varied.values().removeIf(v -> !v.pitches().stream().allMatch(to.instrument()::has));
                rungs.add(ladder.rung(r).with(new Setting(byNote, varied)));
            }
            return new Ladder(rungs);
        }

        private List<Step> steps(List<Answer> chosen) {
            List<Step> steps = new ArrayList<>();
            for (int i = 0; i < notes.size(); i++) {
                int note = notes.get(i);
                for (int p = 0; p < placed.get(i).size(); p++) {
                    Placed one = placed.get(i).get(p);
                    Optional<Ornament> answer = Optional.ofNullable(chosen.get(i).chosen()[p]);
                    boolean nearest = answer.isPresent() && answer.get().equals(one.choices().getFirst());
                    boolean same = answer.isPresent() && answer.get().id().equals(one.ornament().id())
                            && answer.get().name().equals(one.ornament().name());
                    Kind kind = answer.isEmpty() ? Kind.LEFT_OUT : same ? Kind.SAME : nearest ? Kind.OWN_MEANS : Kind.CHANGED;
                    steps.add(new Step(to.tune().note(note).barNumber(), note, one.rung(), one.ornament(), answer, kind,
                            why(note, one, kind, chosen.get(i))));
                }
            }
            return steps;
        }

        private String why(int note, Placed one, Kind kind, Answer chosen) {
            return switch (kind) {
                case SAME -> "it lies under these hands too";
                case OWN_MEANS -> "the same idea by the %s's own means".formatted(to.instrument().name());
                case CHANGED, LEFT_OUT -> obstacle(note, one, chosen);
            };
        }

        /** What stands in the way of the nearest equivalent. */
        private String obstacle(int note, Placed one, Answer chosen) {
            if (one.choices().isEmpty()) {
                return Equivalents.without(one.ornament(), from.instrument().family(), to.instrument().family())
                        .orElse("there is nothing on the %s that says this".formatted(to.instrument().name()));
            }
            Ornament nearest = one.choices().getFirst();
            Verdict alone = Playability.of(to, note, List.of(nearest), tempo, speeds);
            if (alone.isBlocked()) {
                return "%s: %s".formatted(nearest.name(), alone.inWords());
            }
            if (Gestures.make(to, note, List.of(nearest)) instanceof Making.Made(var gesture) && drags(gesture, List.of(nearest))) {
                return "%s: the note would have to be played elsewhere for it (%s)".formatted(nearest.name(), gesture.place().inWords());
            }
            List<Ornament> beside = new ArrayList<>();
            Arrays.stream(chosen.chosen()).filter(o -> o != null && o.slot() != nearest.slot()).forEach(beside::add);
            beside.add(nearest);
            Verdict together = Playability.of(to, note, beside, tempo, speeds);
            if (together.isBlocked()) {
                return "%s, with what else stands on the note: %s".formatted(nearest.name(), together.inWords());
            }
            return "%s: its neighbours, or what else stands on the note, take its time".formatted(nearest.name());
        }
    }
}
