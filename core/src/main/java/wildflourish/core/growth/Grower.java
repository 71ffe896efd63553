package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Tempo;

/**
 * Grows a ladder from bare, or prunes one from full. Each rung is the best choice for its own budgets among those that
 * contain the rung below (growing) or are contained in the rung above (pruning).
 */
public final class Grower {

    private static final int MOST_ON_A_NOTE = 3;

    private final Situation situation;
    private final Tempo tempo;
    private final Speeds speeds;
    private final Taste taste;
    private final Candidates candidates;
    private final List<Phrase> phrases;
    private final List<List<Option>> all = new ArrayList<>();

    public Grower(Situation situation, Tempo tempo, Speeds speeds, Taste taste) {
        this.situation = situation;
        this.tempo = tempo;
        this.speeds = speeds;
        this.taste = taste;
        this.candidates = new Candidates(situation, tempo, speeds);
        this.phrases = Phrases.of(situation.tune());
        for (int note = 0; note < situation.tune().size(); note++) {
            all.add(options(note));
        }
    }

    /** Everything a player might do on a note: single ornaments that taste speaks for, and stacks of them that fit. */
    private List<Option> options(int note) {
        List<Option> options = new ArrayList<>();
        options.add(Option.NOTHING);
        List<Candidate> worth = situation.vocabulary().all().stream()
                .filter(o -> candidates.gain(note, o) > 0)
                .map(o -> candidates.alone(note, o))
                .filter(c -> !c.verdict().isBlocked())
                .toList();
        for (Candidate candidate : worth) {
            options.add(option(note, List.of(candidate)));
        }
        stack(note, worth, 0, List.of(), options);
        return options;
    }

    /** Adds every stack of two or more that begins with {@code below} and goes on among the later candidates. */
    private void stack(int note, List<Candidate> worth, int from, List<Candidate> below, List<Option> options) {
        for (int i = from; i < worth.size(); i++) {
            Candidate next = worth.get(i);
            if (below.stream().anyMatch(c -> c.ornament().slot() == next.ornament().slot())) {
                continue;
            }
            List<Candidate> parts = new ArrayList<>(below);
            parts.add(next);
            if (parts.size() > 1) {
                Option option = option(note, parts);
                if (option.blocked()) {
                    continue;
                }
                options.add(option);
            }
            if (parts.size() < MOST_ON_A_NOTE) {
                stack(note, worth, i + 1, parts, options);
            }
        }
    }

    private Option option(int note, List<Candidate> parts) {
        List<Ornament> ornaments = parts.stream().map(Candidate::ornament).toList();
        Optional<Gesture> gesture = Gestures.make(situation, note, ornaments) instanceof Making.Made made
                ? Optional.of(made.gesture()) : Optional.empty();
        Playability.Fit fit = gesture.map(g -> Playability.fit(situation, g, tempo, speeds))
                .orElse(Playability.Fit.BLOCKED);
        boolean tight = fit == Playability.Fit.TIGHT;
        int gain = parts.stream().mapToInt(Candidate::gain).sum()
                - (tight ? taste.tight() : 0)
                - (parts.size() - 1) * taste.stacked();
        boolean end = candidates.features(note).contains(Feature.PHRASE_END);
        boolean onlyBreath = ornaments.stream().allMatch(Ornament::isBreath);
        gain -= end && !onlyBreath ? taste.busyEnd() : 0;
        return new Option(ornaments, ornaments.stream().map(Ornament::id).sorted().toList(), gain, tight,
                fit == Playability.Fit.BLOCKED, gesture);
    }

    /** The ladder from bare upward; every rung contains the one below it. */
    public Grown grow() {
        List<Rung> rungs = new ArrayList<>();
        Setting below = Setting.BARE;
        for (int r = 0; r < taste.rungs().size(); r++) {
            below = choose(r, below, null);
            rungs.add(new Rung(taste.rungs().get(r).name(), below));
        }
        return explained(new Ladder(rungs));
    }

    /** The ladder from a full setting downward; every rung is what is best kept of the one above it. */
    public Grown prune(Setting full) {
        List<Rung> rungs = new ArrayList<>();
        Setting above = full;
        rungs.add(new Rung(taste.rungs().getLast().name(), full));
        for (int r = taste.rungs().size() - 2; r >= 0; r--) {
            above = choose(r, Setting.BARE, above);
            rungs.addFirst(new Rung(taste.rungs().get(r).name(), above));
        }
        return explained(new Ladder(rungs));
    }

    private Setting choose(int rung, Setting below, Setting above) {
        Taste.Level level = taste.rungs().get(rung);
        Set<String> allowed = taste.allowed(rung);
        List<List<Option>> open = new ArrayList<>();
        List<Integer> mandatory = new ArrayList<>();
        for (int note = 0; note < all.size(); note++) {
            List<String> kept = below.at(note);
            List<Option> here = new ArrayList<>();
            for (Option option : all.get(note)) {
                if (option.ids().containsAll(kept)
                        && allowed.containsAll(option.ids())
                        && (above == null || above.at(note).containsAll(option.ids()))
                        && (option.ids().size() == kept.size() || option.gain() >= level.least())
                        && (!option.tight() || level.tightAllowed() || option.ids().size() == kept.size())) {
                    here.add(option);
                }
            }
            open.add(here);
            mandatory.add(kept.size());
        }
        return new Chooser(taste, level, this::follow).choose(open, phrases, mandatory);
    }

    /** Whether two treatments of neighbouring notes can follow one another at this tempo. */
    private boolean follow(Option first, Option second) {
        return first.gesture().isEmpty() || second.gesture().isEmpty()
                || Playability.together(first.gesture().get(), second.gesture().get(), tempo, speeds)
                        == Playability.Fit.CLEAN;
    }

    /** A note's whole treatment between its neighbours', whose verdict is the same on every rung that has them. */
    private record Treatment(int note, List<String> before, List<String> ids, List<String> after) {}

    private Grown explained(Ladder ladder) {
        Map<Treatment, List<Grown.Reasoned>> known = new HashMap<>();
        List<List<Grown.Reasoned>> reasons = new ArrayList<>();
        for (Rung rung : ladder.rungs()) {
            List<Grown.Reasoned> here = new ArrayList<>();
            rung.setting().byNote().forEach((note, ids) -> here.addAll(
                    known.computeIfAbsent(treatment(note, rung.setting()), t -> reasoned(t, rung.setting()))));
            reasons.add(here);
        }
        return new Grown(ladder, reasons);
    }

    private static Treatment treatment(int note, Setting setting) {
        return new Treatment(note, setting.at(note - 1), setting.at(note), setting.at(note + 1));
    }

    private List<Grown.Reasoned> reasoned(Treatment treatment, Setting setting) {
        int note = treatment.note();
        Verdict together = Playability.of(situation, note, setting.ornaments(note, situation.vocabulary()),
                n -> setting.ornaments(n, situation.vocabulary()), tempo, speeds);
        List<Grown.Reasoned> all = new ArrayList<>();
        for (String id : treatment.ids()) {
            Candidate alone = candidates.alone(note, situation.vocabulary().known(id));
            all.add(new Grown.Reasoned(
                    new Candidate(note, alone.ornament(), together, alone.gain(), alone.because()),
                    Reasons.of(alone, together)));
        }
        return all;
    }
}
