package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.ornament.Equivalents;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.AsPlayed;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Versions;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Tempo;

/** Chooses among the answers of all notes together, and plays the choice to see whether it holds. */
final class CarryingOver {

    private final Arrangement from;
    private final Situation to;
    private final Ladder ladder;
    private final Tempo tempo;
    private final Speeds speeds;
    private final List<Integer> notes;
    private final Answers answers;
    private final Versions versions;
    /** What puts notes right that the new instrument has not got. */
    private final List<Variation> putRight;
    /** Settings of which everything is known to hold when it is played. */
    private final Set<Setting> holding = new HashSet<>();

    CarryingOver(Arrangement from, Situation to) {
        this.from = from;
        this.putRight = from.ladder().size() > 1 ? Folds.of(to.tune(), to.instrument(), Phrases.of(from)).whole(Wishes.NONE) : List.of();
        this.to = Folds.within(to, putRight);
        this.answers = new Answers(from, this.to);
        this.ladder = answers.ladder;
        this.tempo = answers.tempo;
        this.speeds = answers.speeds;
        this.notes = answers.notes;
        this.versions = new Versions(this.to);
    }

    /**
     * The best answers that hold when they are played: what is chosen with the places of the bare tune is planned as it will be
     * played; what turns out blocked there, by itself or beside a neighbour, is not chosen again. There are only so many
     * answers and pairs, so this ends.
     */
    Translation translation() {
        while (true) {
            List<Answers.Answer> chosen = new ArrayList<>();
            for (int i = 0; i < notes.size(); i++) {
                chosen.add(answers.best(i));
            }
            for (int i = 0; i + 1 < notes.size(); i++) {
                if (answers.meets(i, chosen.get(i), chosen.get(i + 1))) {
                    i = resolve(i, i + 1, chosen);
                }
            }
            Ladder made = ladder(chosen);
            if (!learn(chosen, made)) {
                return new Translation(made, steps(chosen));
            }
        }
    }

    private boolean learn(List<Answers.Answer> chosen, Ladder made) {
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
    private boolean bar(int i, List<Answers.Answer> chosen, AsPlayed played) {
        boolean alone = played.liesWell(notes.get(i)) && !played.alone(notes.get(i), tempo, speeds).orElseThrow().isBlocked();
        boolean more = false;
        if (alone && i > 0 && notes.get(i - 1) == notes.get(i) - 1) {
            more = answers.barTogether(i - 1, chosen.get(i - 1), chosen.get(i));
        }
        if (alone && !more && i + 1 < notes.size() && notes.get(i + 1) == notes.get(i) + 1) {
            more = answers.barTogether(i, chosen.get(i), chosen.get(i + 1));
        }
        return more || answers.bar(i, chosen.get(i));
    }

    /**
     * Chooses anew for all notes that follow one another without a gap around some that get in each other's way: exact,
     * by dynamic programming.
     */
    private int resolve(int start, int end, List<Answers.Answer> chosen) {
        int first = start;
        while (first > 0 && notes.get(first - 1) == notes.get(first) - 1) {
            first--;
        }
        int last = end;
        while (last + 1 < notes.size() && notes.get(last + 1) == notes.get(last) + 1) {
            last++;
        }
        List<List<Answers.Answer>> options = new ArrayList<>();
        for (int i = first; i <= last; i++) {
            options.add(answers.all(i));
        }
        long[] value = options.getFirst().stream().mapToLong(Answers.Answer::worth).toArray();
        List<int[]> came = new ArrayList<>();
        for (int s = 1; s < options.size(); s++) {
            List<Answers.Answer> here = options.get(s);
            long[] next = new long[here.size()];
            int[] from = new int[here.size()];
            Arrays.fill(next, Long.MIN_VALUE);
            for (int o = 0; o < here.size(); o++) {
                for (int b = 0; b < value.length; b++) {
                    if (value[b] > Long.MIN_VALUE && value[b] + here.get(o).worth() > next[o]
                            && answers.follow(first + s - 1, options.get(s - 1).get(b), here.get(o))) {
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

    private Ladder ladder(List<Answers.Answer> chosen) {
        List<Rung> rungs = new ArrayList<>();
        for (int r = 0; r < ladder.size(); r++) {
            java.util.SortedMap<Integer, List<String>> byNote = new java.util.TreeMap<>();
            for (int i = 0; i < notes.size(); i++) {
                Set<String> ids = new TreeSet<>();
                for (int p = 0; p < chosen.get(i).chosen().length; p++) {
                    Ornament ornament = chosen.get(i).chosen()[p];
                    if (ornament != null && answers.placed(i).get(p).rung() <= r) {
                        ids.add(ornament.id());
                    }
                }
                byNote.put(notes.get(i), List.copyOf(ids));
            }
            java.util.SortedMap<Integer, Variation> varied = new java.util.TreeMap<>(ladder.setting(r).variations());
            varied.values().removeIf(v -> !v.pitches().stream().allMatch(to.instrument()::has) || v.isStandIn());
            rungs.add(ladder.rung(r).with(new Setting(byNote, varied)));
        }
        Ladder carried = new Ladder(rungs);
        for (Variation variation : putRight) {
            carried = carried.vary(0, variation);
        }
        return carried;
    }

    private List<Translation.Step> steps(List<Answers.Answer> chosen) {
        List<Translation.Step> steps = new ArrayList<>();
        for (int i = 0; i < notes.size(); i++) {
            int note = notes.get(i);
            for (int p = 0; p < answers.placed(i).size(); p++) {
                Answers.Placed one = answers.placed(i).get(p);
                Optional<Ornament> answer = Optional.ofNullable(chosen.get(i).chosen()[p]);
                boolean nearest = answer.isPresent() && answer.get().equals(one.choices().getFirst());
                boolean same = answer.isPresent() && answer.get().id().equals(one.ornament().id())
                        && answer.get().name().equals(one.ornament().name());
                Translation.Kind kind = answer.isEmpty() ? Translation.Kind.LEFT_OUT : same ? Translation.Kind.SAME : nearest ? Translation.Kind.OWN_MEANS : Translation.Kind.CHANGED;
                steps.add(new Translation.Step(to.tune().note(note).barNumber(), note, one.rung(), one.ornament(), answer, kind,
                        why(note, one, kind, chosen.get(i))));
            }
        }
        return steps;
    }

    private String why(int note, Answers.Placed one, Translation.Kind kind, Answers.Answer chosen) {
        return switch (kind) {
            case SAME -> "it lies under these hands too";
            case OWN_MEANS -> "the same idea by the %s's own means".formatted(to.instrument().name());
            case CHANGED, LEFT_OUT -> obstacle(note, one, chosen);
        };
    }

    /** What stands in the way of the nearest equivalent. */
    private String obstacle(int note, Answers.Placed one, Answers.Answer chosen) {
        if (one.choices().isEmpty()) {
            return Equivalents.without(one.ornament(), from.instrument().family(), to.instrument().family())
                    .orElse("there is nothing on the %s that says this".formatted(to.instrument().name()));
        }
        Ornament nearest = one.choices().getFirst();
        Verdict alone = Playability.of(to, note, List.of(nearest), tempo, speeds);
        if (alone.isBlocked()) {
            return "%s: %s".formatted(nearest.name(), alone.inWords());
        }
        if (Gestures.make(to, note, List.of(nearest)) instanceof Making.Made(var gesture) && answers.drags(gesture, List.of(nearest))) {
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
