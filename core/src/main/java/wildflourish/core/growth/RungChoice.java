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
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrase;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Wishes;

/** The choice for one rung between the rungs beside it: exact for what is known, and settled when it plays as it was judged. */
final class RungChoice {

    /** What must not come on a note. */
    record Barred(int note, String id) {}

    /** A treatment of a note: what stands on it, or the kind of variation that begins on it. */
    private record Treated(int note, List<String> ids) {}

    private final Ground ground;
    private final Situation situation;
    private final Taste taste;
    private final List<Phrase> phrases;
    private final Wishes wishes;
    private final Options options;
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

    RungChoice(Ground ground, int rung, Setting below, Optional<Setting> above, List<Barred> barred) {
        this.ground = ground;
        this.situation = ground.situation;
        this.taste = ground.taste;
        this.phrases = ground.phrases;
        this.wishes = ground.wishes;
        this.options = ground.options;
        this.rung = rung;
        this.level = taste.rungs().get(rung);
        this.chooser = new Chooser(taste, level, ground::follow, ground.textures(), Optional.of(situation.tune()));
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

    /**
     * The best choice whose verdicts hold when it is played. The choice is made with the places planned for the bare tune; then
     * the rung is planned as it will be played, and a treatment that turns out to be less easy there, or not possible, counts as
     * what it is from then on. As a treatment is only ever made worse, and there are so many of them, this ends; and the
     * last choice is the best among those that play as they were judged.
     */
    Setting settled() {
        while (true) {
            Setting chosen = choose();
            if (!learn(chosen)) {
                return chosen;
            }
        }
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
        if (wishes.isLocked(note) && ground.present.isPresent() && rung < ground.present.get().size()) {
            Setting kept = ground.present.get().setting(rung);
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
    private boolean learn(Setting chosen) {
        Ground.Judged judged = ground.judged(chosen);
        Set<Treated> worse = new HashSet<>();
        for (int note : chosen.byNote().keySet()) {
            Verdict verdict = ground.verdict(judged, note);
            Playability.Fit fit = !judged.played().liesWell(note) || verdict.isBlocked() ? Playability.Fit.BLOCKED
                    : verdict instanceof Verdict.Tight ? Playability.Fit.TIGHT : Playability.Fit.CLEAN;
            Option taken = taken(note, chosen.at(note));
            boolean asTaken = fit == Playability.Fit.CLEAN || fit == Playability.Fit.TIGHT && taken.tight() || taken.blocked();
            if (!asTaken && !blame(note, chosen, fit, worse)) {
                for (int n = note - 1; n <= note + 1; n++) {
                    blame(n, chosen, Playability.Fit.BLOCKED, worse);
                }
                // The other side of a repeat is a neighbour too.
                situation.tune().jumps().stream().filter(j -> j.from() == note || j.to() == note)
                        .forEach(j -> blame(j.from() == note ? j.to() : j.from(), chosen, Playability.Fit.BLOCKED, worse));
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
        free = free && ground.standIns.stream().noneMatch(variation::overlaps);
        for (int n = variation.from(); free && n < variation.to(); n++) {
            free = below.at(n).isEmpty() && below.variationAt(n).isEmpty() && !wishes.isLocked(n);
        }
        return free;
    }

    /** Phrases that are the same are decided together, unless what must stand in them differs already. */
    private List<Integer> together() {
        List<Integer> together = new ArrayList<>();
        for (int p = 0; p < phrases.size(); p++) {
            int first = ground.sameAs.get(p);
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

    private Setting choose() {
        Setting alike = chooser.choose(open, phrases, together, mandatory);
        if (!level.variesRepeats() || above.isPresent() || IntStream.range(0, phrases.size()).allMatch(p -> together.get(p) == p)) {
            return alike;
        }
        List<Integer> apart = IntStream.range(0, phrases.size()).boxed().toList();
        return chooser.choose(varied(alike), phrases, apart, mandatory);
    }

    /** What the choice is worth, as it has been settled. */
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
