package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.planning.Breaths;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.reading.Repeats;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.AsPlayed;
import wildflourish.core.setting.Difference;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Versions;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Tempo;

/**
 * Grows a ladder from bare, or prunes one from full. Each rung is the best choice for its own budgets among those that
 * contain the rung below (growing) or are contained in the rung above (pruning); docs/growth.md states the objective.
 */
public final class Grower {

    private final Situation situation;
    private final Tempo tempo;
    private final Speeds speeds;
    private final Taste taste;
    private final List<Phrase> phrases;
    private final List<Integer> sameAs;
    private final Wishes wishes;
    private final Optional<Ladder> present;
    private final Candidates candidates;
    private final Variations variations;
    private final Options options;
    private final Versions versions;
    private final Map<Setting, Judged> judged = new HashMap<>();
    private final Map<Treated, Candidate> alone = new HashMap<>();

    /** A grower that nobody has told anything. */
    public Grower(Situation situation, Tempo tempo, Speeds speeds, Taste taste) {
        this(situation, tempo, speeds, taste, Phrases.of(situation.tune()), Wishes.NONE, Optional.empty(), List.of());
    }

    /**
     * A grower.
     *
     * @param present the ladder whose locked notes are kept; it has as many rungs as {@code taste}
     * @param licks the player's own
     */
    public Grower(
            Situation situation, Tempo tempo, Speeds speeds, Taste taste, List<Phrase> phrases, Wishes wishes,
            Optional<Ladder> present, List<Lick> licks) {
        this.situation = situation;
        this.tempo = tempo;
        this.speeds = speeds;
        this.taste = taste;
        this.phrases = List.copyOf(phrases);
        this.sameAs = Repeats.of(situation.tune(), phrases);
        this.wishes = wishes;
        this.versions = new Versions(situation);
        this.present = present;
        this.candidates = new Candidates(situation, tempo, speeds, phrases, taste);
        this.variations = new Variations(situation, tempo, speeds, phrases, candidates.features(), licks);
        this.options = new Options(situation, tempo, speeds, taste, candidates, variations, breaths());
    }

    /** A grower for what a teacher works on: its rungs, its phrases, and what is locked and forbidden. */
    public static Grower of(Arrangement arrangement, List<Lick> licks) {
        Situation situation = arrangement.situation();
        Taste taste = Taste.of(arrangement);
        boolean hasRungs = arrangement.ladder().size() > 1;
        return new Grower(situation, arrangement.tempo(), arrangement.speeds(),
                hasRungs ? taste.forLadder(arrangement.ladder()) : taste,
                Phrases.of(arrangement), arrangement.wishes(),
                hasRungs ? Optional.of(arrangement.ladder()) : Optional.empty(), licks);
    }

    /** Where the bare tune has to be breathed in, and how: those places are kept free before anything is decorated. */
    private Map<Integer, Breaths.Room> breaths() {
        if (!situation.instrument().family().blown()) {
            return Map.of();
        }
        Set<Integer> ends = new HashSet<>();
        phrases.forEach(p -> ends.add(p.lastNote()));
        Map<Integer, Breaths.Room> rooms = new HashMap<>();
        Breaths.of(situation.tune(), tempo, Breaths.Lungs.of(speeds.name()), n -> false, n -> Breaths.Busy.NOT, ends::contains)
                .marks().stream().filter(m -> m.room() == Breaths.Room.SHORTEN || m.room() == Breaths.Room.DROP)
                .forEach(m -> rooms.put(m.note(), m.room()));
        return rooms;
    }

    /** The ladder from bare upward; every rung contains the one below it. */
    public Grown grow() {
        List<Rung> rungs = new ArrayList<>();
        Setting below = Setting.BARE;
        for (int r = 0; r < taste.rungs().size(); r++) {
            below = choose(r, below, Optional.empty());
            rungs.add(rung(r, below));
        }
        return explained(new Ladder(rungs));
    }

    /** The ladder from a full setting downward; every rung is what is best kept of the one above it. */
    public Grown prune(Setting full) {
        List<Rung> rungs = new ArrayList<>();
        Setting above = full;
        rungs.add(rung(taste.rungs().size() - 1, full));
        for (int r = taste.rungs().size() - 2; r >= 0; r--) {
            above = choose(r, Setting.BARE, Optional.of(above));
            rungs.addFirst(rung(r, above));
        }
        return explained(new Ladder(rungs));
    }

    private Rung rung(int r, Setting setting) {
        return new Rung(taste.rungs().get(r).name(), setting, present.filter(l -> r < l.size()).flatMap(l -> l.rung(r).density()));
    }

    /**
     * What would be chosen for a rung of a ladder if something that stands on a note were not allowed there; the rung below
     * stays as it is. Empty where it stands on the rung below already, or nothing of that kind stands there.
     *
     * @param id an ornament's id, or a kind of variation
     */
    public Optional<RunnerUp> without(Ladder ladder, int rung, int note, String id) {
        Setting below = rung == 0 ? Setting.BARE : ladder.setting(rung - 1);
        Setting now = ladder.setting(rung);
        boolean variation = now.variationAt(note).filter(v -> v.kind().equals(id)).isPresent();
        boolean stands = variation || now.has(note, id);
        boolean stood = below.has(note, id) || below.variationAt(note).filter(v -> v.kind().equals(id)).isPresent();
        if (!stands || stood || rung >= taste.rungs().size()) {
            return Optional.empty();
        }
        int on = variation ? now.variationAt(note).orElseThrow().from() : note;
        Choosing best = new Choosing(rung, below, Optional.empty(), List.of());
        List<Integer> barred = IntStream.range(0, phrases.size()).filter(p -> phrases.get(p).holds(on)).boxed()
                .flatMap(p -> alike(p, on).stream()).toList();
        Choosing other = new Choosing(rung, below, Optional.empty(), barred.stream().map(n -> new Barred(n, id)).toList());
        Setting instead = settled(other);
        settled(best);
        long loss = Math.max(0, best.worth() - other.worth());
        return Optional.of(new RunnerUp(instead, loss, Difference.between(now, instead)));
    }

    /** The notes that are decided together with one of a phrase. */
    private List<Integer> alike(int phrase, int note) {
        int first = sameAs.get(phrase);
        List<Integer> notes = new ArrayList<>();
        for (int p = 0; p < phrases.size(); p++) {
            int there = phrases.get(p).bodyNote() + note - phrases.get(phrase).bodyNote();
            if (sameAs.get(p) == first && phrases.get(p).holds(there)) {
                notes.add(there);
            }
        }
        return notes;
    }

    private Setting choose(int rung, Setting below, Optional<Setting> above) {
        return settled(new Choosing(rung, below, above, List.of()));
    }

    private record Barred(int note, String id) {}

    /** A treatment of a note: what stands on it, or the kind of variation that begins on it. */
    private record Treated(int note, List<String> ids) {}

    /**
     * The best choice whose verdicts hold when it is played. The choice is made with the places planned for the bare tune; then
     * the rung is planned as it will be played, and a treatment that turns out to be less easy there, or not possible, counts as
     * what it is from then on. As a treatment is only ever made worse, and there are so many of them, this ends; and the
     * last choice is the best among those that play as they were judged.
     */
    private Setting settled(Choosing choosing) {
        while (true) {
            Setting chosen = choosing.choose();
            if (!choosing.learn(chosen)) {
                return chosen;
            }
        }
    }

    /** The choice for one rung between the rungs beside it. */
    private final class Choosing {

        private final Taste.Level level;
        private final Chooser chooser;
        private final Set<String> allowed;
        private final int rung;
        private final Setting below;
        private final Optional<Setting> above;
        private final Set<Barred> barred;
        private final List<List<Option>> open = new ArrayList<>();
        private final List<Integer> mandatory = new ArrayList<>();
        private List<Integer> together;
        /** What has been learned about treatments, note by note. */
        private final Map<Integer, Map<List<String>, Playability.Fit>> learned = new HashMap<>();

        Choosing(int rung, Setting below, Optional<Setting> above, List<Barred> barred) {
            this.rung = rung;
            this.level = taste.rungs().get(rung);
            this.chooser = new Chooser(taste, level, Grower.this::follow, textures());
            this.allowed = taste.allowed(rung, wishes.free());
            this.below = below;
            this.above = above;
            this.barred = new HashSet<>(barred);
            for (int note = 0; note < situation.tune().size(); note++) {
                open.add(open(note));
                mandatory.add(least(note));
            }
            together = together();
        }

        private int least(int note) {
            return open.get(note).stream().mapToInt(Option::size).min().orElse(0);
        }

        /** Opens the notes anew about which something has been learned. */
        private void openAgain(Set<Treated> worse) {
            worse.stream().map(Treated::note).distinct().forEach(note -> {
                open.set(note, open(note));
                mandatory.set(note, least(note));
            });
            together = together();
        }

        private List<Option> open(int note) {
            if (wishes.isLocked(note) && present.isPresent() && rung < present.get().size()) {
                Setting kept = present.get().setting(rung);
                Optional<Variation> variation = kept.variationAt(note);
                return List.of(variation.map(v -> v.from() == note ? options.placed(v) : Option.NOTHING)
                        .orElseGet(() -> options.placed(note, kept.at(note))));
            }
            Optional<Variation> varied = below.variationAt(note);
            if (varied.isPresent()) {
                return List.of(varied.get().from() == note ? options.placed(varied.get()) : Option.NOTHING);
            }
            List<String> kept = below.at(note);
            List<Option> here = new ArrayList<>();
            Set<String> takers = takers(note, kept);
            for (Option given : options.at(note)) {
                boolean takes = !takers.isEmpty() && given.gain() >= level.least() && !Collections.disjoint(takers, given.ids())
                        && allowed.containsAll(given.ids());
                Option option = known(note, takes ? takingUp(note, given, kept) : given);
                if (option.variation().isPresent() ? isOpen(note, option, option.variation().get(), kept)
                        : isOpen(note, option, kept)) {
                    if (option.ids().equals(kept)) {
                        here.addFirst(option);
                    } else {
                        here.add(option);
                    }
                }
            }
            if (here.stream().noneMatch(o -> o.span() == 1)) {
                here.addFirst(options.placed(note, kept));
            }
            return here;
        }

        /** What would take up something that stands on a note from the rung below. */
        private Set<String> takers(int note, List<String> kept) {
            if (kept.isEmpty()) {
                return Set.of();
            }
            boolean repeated = situation.repeats(note);
            List<Ornament> below = ornaments(kept);
            return situation.vocabulary().all().stream().filter(o -> below.stream().anyMatch(b -> o.takesUp(b, repeated)))
                    .map(Ornament::id).collect(Collectors.toSet());
        }

        /** An option that takes up what stands on the note from the rung below, together with that. */
        private Option takingUp(int note, Option option, List<String> kept) {
            if (option.variation().isPresent() || option.ids().containsAll(kept) || option.ids().isEmpty()) {
                return option;
            }
            Stream<String> more = kept.stream().filter(id -> !option.ids().contains(id));
            List<String> all = Stream.concat(option.ids().stream(), more).sorted().toList();
            List<String> played = Gestures.played(situation, note, ornaments(all)).stream().map(Ornament::id).sorted().toList();
            return played.equals(option.ids()) ? option.over(all) : option;
        }

        private List<Ornament> ornaments(List<String> ids) {
            return ids.stream().flatMap(id -> situation.vocabulary().byId(id).stream()).toList();
        }

        /** An option with what has been learned about it. */
        private Option known(int note, Option given) {
            boolean freed = given.variation().isPresent() && wishes.free() && level.perPhrase() > 1;
            Option option = freed ? given.with(given.gain() + taste.freely(), given.tight(), given.blocked()) : given;
            Playability.Fit fit = learned.isEmpty() ? null : learned.getOrDefault(note, Map.of()).get(option.ids());
            if (fit == null) {
                return option;
            }
            boolean nowTight = fit == Playability.Fit.TIGHT && !option.tight();
            return option.with(option.gain() - (nowTight ? taste.deductions().tight() : 0), true, fit == Playability.Fit.BLOCKED);
        }

        /** Compares a choice with how it will be played; whether something has turned out worse than it was taken for. */
        boolean learn(Setting chosen) {
            Judged judged = judged(chosen);
            Set<Treated> worse = new HashSet<>();
            for (int note : chosen.byNote().keySet()) {
                Verdict verdict = verdict(judged, note);
                Playability.Fit fit = !judged.played.liesWell(note) || verdict.isBlocked() ? Playability.Fit.BLOCKED
                        : verdict instanceof Verdict.Tight ? Playability.Fit.TIGHT : Playability.Fit.CLEAN;
                Option taken = taken(note, chosen.at(note));
                boolean asTaken = fit == Playability.Fit.CLEAN || fit == Playability.Fit.TIGHT && taken.tight() || taken.blocked();
                if (!asTaken && !blame(note, chosen, fit, worse)) {
                    for (int n = note - 1; n <= note + 1; n++) {
                        blame(n, chosen, Playability.Fit.BLOCKED, worse);
                    }
                    if (worse.isEmpty()) {
                        chosen.variations().keySet().forEach(n -> blame(n, chosen, Playability.Fit.BLOCKED, worse));
                        chosen.byNote().keySet().stream().filter(n -> taken(n, chosen.at(n)).gesture().map(Gesture::moved).orElse(false))
                                .forEach(n -> blame(n, chosen, Playability.Fit.BLOCKED, worse));
                    }
                    if (worse.isEmpty()) {
                        // Whatever else this rung has put nearest: its places bind those of the notes around.
                        chosen.byNote().keySet().stream().sorted(java.util.Comparator.comparingInt(n -> Math.abs(n - note)))
                                .takeWhile(n -> worse.isEmpty()).forEach(n -> blame(n, chosen, Playability.Fit.BLOCKED, worse));
                    }
                }
            }
            openAgain(worse);
            return !worse.isEmpty();
        }

        private Option taken(int note, List<String> ids) {
            return open.get(note).stream().filter(o -> o.variation().isEmpty() && o.ids().equals(ids)).findFirst()
                    .orElseGet(() -> known(note, options.placed(note, ids)));
        }

        /** Takes down that the treatment of a note is worse than thought, where this rung has chosen it and could do otherwise. */
        private boolean blame(int note, Setting chosen, Playability.Fit fit, Set<Treated> worse) {
            if (note < 0 || note >= situation.tune().size() || wishes.isLocked(note)) {
                return false;
            }
            Optional<Variation> variation = Optional.ofNullable(chosen.variations().get(note));
            boolean own = variation.isPresent() ? !variation.get().equals(below.variations().get(note))
                    : !chosen.at(note).isEmpty() && !below.at(note).equals(chosen.at(note));
            if (!own) {
                return false;
            }
            Treated treated = new Treated(note, variation.map(v -> List.of(VariationKind.of(v.kind()).id())).orElse(chosen.at(note)));
            Map<List<String>, Playability.Fit> here = learned.computeIfAbsent(note, n -> new HashMap<>());
            Playability.Fit before = here.get(treated.ids());
            if (before == fit || before == Playability.Fit.BLOCKED) {
                return false;
            }
            here.put(treated.ids(), fit);
            worse.add(treated);
            return true;
        }

        private boolean isOpen(int note, Option option, List<String> kept) {
            boolean same = option.ids().size() == kept.size();
            if (option.blocked() && !same) {
                return false;
            }
            return (same || option.gain() >= level.least() && (!option.tight() || level.tightAllowed()) && allowed.containsAll(option.ids()))
                    && option.ids().containsAll(kept)
                    && (above.isEmpty() || above.get().at(note).containsAll(option.ids()))
                    && option.ids().stream().allMatch(id -> kept.contains(id)
                            || !wishes.forbids(note, id) && !barred.contains(new Barred(note, id)));
        }

        private boolean isOpen(int note, Option option, Variation variation, List<String> kept) {
            String kind = option.ids().getFirst();
            boolean free = !option.blocked() && kept.isEmpty() && option.gain() >= level.least()
                    && (!option.tight() || level.tightAllowed()) && allowed.contains(kind)
                    && (above.isEmpty() || variation.equals(above.get().variations().get(note)))
                    && !wishes.forbids(note, kind) && !barred.contains(new Barred(note, variation.kind()));
            for (int n = variation.from(); free && n < variation.to(); n++) {
                free = below.at(n).isEmpty() && below.variationAt(n).isEmpty() && !wishes.isLocked(n);
            }
            return free;
        }

        /** Phrases that are the same are decided together, unless what must stand in them differs already. */
        private List<Integer> together() {
            List<Integer> together = new ArrayList<>();
            for (int p = 0; p < phrases.size(); p++) {
                int first = sameAs.get(p);
                together.add(first != p && together.get(first) == first && agree(phrases.get(first), phrases.get(p)) ? first : p);
            }
            return together;
        }

        private boolean agree(Phrase first, Phrase phrase) {
            for (int i = 0; first.bodyNote() + i < first.toNote(); i++) {
                List<Option> one = open.get(first.bodyNote() + i);
                List<Option> other = open.get(phrase.bodyNote() + i);
                boolean shares = one.stream().filter(o -> o.span() == 1).anyMatch(o -> other.stream()
                        .anyMatch(x -> x.span() == 1 && x.ids().equals(o.ids())));
                if (!shares || !mandatory.get(first.bodyNote() + i).equals(mandatory.get(phrase.bodyNote() + i))) {
                    return false;
                }
            }
            return leadIsFree(first) && leadIsFree(phrase);
        }

        private boolean leadIsFree(Phrase phrase) {
            return IntStream.range(phrase.fromNote(), phrase.bodyNote()).allMatch(n -> open.get(n).getFirst().span() == 1);
        }

        Setting choose() {
            Setting alike = chooser.choose(open, phrases, together, mandatory);
            if (!level.variesRepeats() || above.isPresent() || IntStream.range(0, phrases.size()).allMatch(p -> together.get(p) == p)) {
                return alike;
            }
            List<Integer> apart = IntStream.range(0, phrases.size()).boxed().toList();
            return chooser.choose(varied(alike), phrases, apart, mandatory);
        }

        long worth() {
            return chooser.worth(open, phrases, together, mandatory);
        }

        /** Every first phrase as it is treated; every repeat open, each treatment it takes over at a deduction. */
        private List<List<Option>> varied(Setting alike) {
            List<List<Option>> all = new ArrayList<>();
            for (int p = 0; p < phrases.size(); p++) {
                Phrase phrase = phrases.get(p);
                Phrase first = phrases.get(together.get(p));
                for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
                    int note = n;
                    if (first == phrase) {
                        Optional<Variation> variation = alike.variationAt(n);
                        all.add(variation.isPresent()
                                ? List.of(variation.get().from() == n ? options.placed(variation.get()) : Option.NOTHING)
                                : List.of(options.placed(n, alike.at(n))));
                    } else {
                        int beside = first.bodyNote() + n - phrase.bodyNote();
                        int there = first.holds(beside) ? beside : -1;
                        all.add(open.get(n).stream().map(o -> again(o, note, there, alike)).toList());
                    }
                }
            }
            return all;
        }

        private Option again(Option option, int note, int there, Setting alike) {
            long taken = option.variation().isPresent()
                    ? Optional.ofNullable(alike.variations().get(there)).filter(v -> v.kind().equals(option.variation().get().kind())).isPresent() ? 1 : 0
                    : option.ids().stream().filter(id -> there >= 0 && alike.has(there, id) && !below.has(note, id)).count();
            return taken == 0 ? option : option.with(option.gain() - (int) taken * taste.deductions().again(), option.tight(), option.blocked());
        }
    }

    private Set<String> textures() {
        return situation.vocabulary().all().stream().filter(Ornament::texture).map(Ornament::id).collect(java.util.stream.Collectors.toSet());
    }

    /** Whether two treatments of neighbouring notes can follow one another at this tempo. */
    private boolean follow(Option first, Option second) {
        if (first.variation().isPresent() || second.variation().isPresent()) {
            return first.variation().isEmpty() ? enters(second)
                    : second.variation().isPresent() || second.gesture().map(g -> g.lead().isEmpty()).orElse(true);
        }
        return first.gesture().isEmpty() || second.gesture().isEmpty()
                || Playability.together(first.gesture().get(), second.gesture().get(), tempo, speeds)
                        == Playability.Fit.CLEAN;
    }

    /** Whether a variation enters on the note that it replaces, so that what stands before it finds what it expects. */
    private boolean enters(Option option) {
        Variation variation = option.variation().orElseThrow();
        return variation.pitches().getFirst().equals(situation.tune().note(variation.from()).pitch());
    }

    /** A setting as it is played, and what has been found about its notes so far. */
    private record Judged(AsPlayed played, Map<Integer, Verdict> verdicts) {}

    private Judged judged(Setting setting) {
        return judged.computeIfAbsent(setting, s -> new Judged(versions.of(s), new HashMap<>()));
    }

    private Verdict verdict(Judged setting, int note) {
        return setting.verdicts.computeIfAbsent(note, n -> setting.played.verdict(n, tempo, speeds).orElseThrow());
    }

    private Grown explained(Ladder ladder) {
        List<List<Grown.Reasoned>> reasons = new ArrayList<>();
        List<List<Offer>> offers = new ArrayList<>();
        for (Rung rung : ladder.rungs()) {
            Judged played = judged(rung.setting());
            List<Grown.Reasoned> here = new ArrayList<>();
            rung.setting().byNote().keySet().forEach(note -> here.addAll(reasoned(note, rung.setting(), played)));
            reasons.add(here);
            offers.add(rung.setting().variations().values().stream().map(this::offer).toList());
        }
        return new Grown(ladder, reasons, offers);
    }

    private Offer offer(Variation variation) {
        return variations.startingAt(variation.from()).stream().filter(o -> o.variation().equals(variation)).findFirst()
                .orElseGet(() -> variations.own(variation));
    }

    /** What is taken off because one of the two decorated notes before in the phrase carries the same. */
    private Optional<Grown.Weighed> dullness(int note, Setting setting) {
        Phrase phrase = phrases.stream().filter(p -> p.holds(note)).findFirst().orElseThrow();
        Set<String> textures = textures();
        Taste.Deductions off = taste.deductions();
        int seen = 0;
        for (int n = note - 1; n >= phrase.fromNote() && seen < 2; n--) {
            List<String> there = setting.variationAt(n).map(v -> List.of(VariationKind.of(v.kind()).id())).orElse(setting.at(n));
            if (there.isEmpty()) {
                continue;
            }
            seen++;
            if (setting.at(note).stream().anyMatch(id -> there.contains(id) && !textures.contains(id))) {
                int points = seen == 2 ? off.alternating() : n == note - 1 ? off.alike() * off.neighbours() : off.alike();
                return Optional.of(new Grown.Weighed(-points, seen == 2
                        ? "the last decorated note but one carries the same" : "the decorated note before it carries the same"));
            }
        }
        return Optional.empty();
    }

    private List<Grown.Reasoned> reasoned(int note, Setting setting, Judged played) {
        Verdict together = verdict(played, note);
        List<Grown.Weighed> terms = new ArrayList<>(options.weighed(note, setting.ornaments(note, situation.vocabulary()),
                together instanceof Verdict.Tight));
        dullness(note, setting).ifPresent(terms::add);
        List<Grown.Reasoned> all = new ArrayList<>();
        for (String id : setting.at(note)) {
            Candidate alone = this.alone.computeIfAbsent(new Treated(note, List.of(id)),
                    t -> candidates.alone(note, situation.vocabulary().known(id)));
            all.add(new Grown.Reasoned(
                    new Candidate(note, alone.ornament(), together, alone.gain(), alone.because()),
                    Reasons.of(alone, together), terms));
        }
        return all;
    }
}
