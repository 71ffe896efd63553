package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Slot;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.planning.Breaths;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Tempo;

/** Everything a player might do on each note: what taste speaks for, alone or stacked, as far as hands and tempo allow. */
final class Options {

    private final Situation situation;
    private final Tempo tempo;
    private final Speeds speeds;
    private final Taste taste;
    private final Candidates candidates;
    private final Variations variations;
    private final Map<Integer, Breaths.Room> breaths;
    private final List<List<Option>> all = new ArrayList<>();

    /** {@code breaths} says for the notes on which one has to breathe how room is made for it. */
    Options(
            Situation situation, Tempo tempo, Speeds speeds, Taste taste, Candidates candidates, Variations variations,
            Map<Integer, Breaths.Room> breaths) {
        this.breaths = breaths;
        this.situation = situation;
        this.tempo = tempo;
        this.speeds = speeds;
        this.taste = taste;
        this.candidates = candidates;
        this.variations = variations;
        Set<String> allowed = taste.allowed(taste.rungs().size() - 1, true);
        all.addAll(IntStream.range(0, situation.tune().size()).mapToObj(note -> options(note, allowed)).toList());
    }

    /** The options of a note, nothing first. */
    List<Option> at(int note) {
        return all.get(note);
    }

    private List<Option> options(int note, Set<String> allowed) {
        List<Option> options = new ArrayList<>();
        options.add(Option.NOTHING);
        List<Ornament> worth = new ArrayList<>();
        for (Ornament ornament : situation.vocabulary().all()) {
            if (allowed.contains(ornament.id()) && candidates.gain(note, ornament, taste) > 0 && leavesBreath(note, ornament)) {
                Option alone = option(note, List.of(ornament));
                if (!alone.blocked()) {
                    worth.add(ornament);
                    options.add(alone);
                }
            }
        }
        stack(note, worth, 0, List.of(), options);
        for (Offer offer : variations.startingAt(note)) {
            Playability.Fit fit = fit(offer);
            if (fit != Playability.Fit.BLOCKED && offer.gain() > 0 && allowed.contains(offer.kind().id())) {
                boolean tight = fit == Playability.Fit.TIGHT;
                options.add(Option.of(offer, offer.gain() - (tight ? taste.deductions().tight() : 0), tight));
            }
        }
        return options;
    }

    private static Playability.Fit fit(Offer offer) {
        return switch (offer.verdict()) {
            case wildflourish.core.ornament.Verdict.Clean c -> Playability.Fit.CLEAN;
            case wildflourish.core.ornament.Verdict.Tight t -> Playability.Fit.TIGHT;
            case wildflourish.core.ornament.Verdict.TooFast f -> Playability.Fit.BLOCKED;
            case wildflourish.core.ornament.Verdict.Impossible i -> Playability.Fit.BLOCKED;
        };
    }

    /** Adds every stack of two or more that begins with {@code below} and goes on among the later ornaments. */
    private void stack(int note, List<Ornament> worth, int from, List<Ornament> below, List<Option> options) {
        for (int i = from; i < worth.size(); i++) {
            Ornament next = worth.get(i);
            if (below.stream().anyMatch(o -> o.slot() == next.slot())) {
                continue;
            }
            List<Ornament> parts = new ArrayList<>(below);
            parts.add(next);
            if (parts.size() > 1) {
                Option option = option(note, parts);
                if (option.blocked()) {
                    continue;
                }
                options.add(option);
            }
            if (parts.size() < taste.mostOnANote()) {
                stack(note, worth, i + 1, parts, options);
            }
        }
    }

    /** Whether an ornament leaves room for the breath that has to be taken here. */
    private boolean leavesBreath(int note, Ornament ornament) {
        Breaths.Room room = breaths.get(note);
        boolean early = ornament.slot() == Slot.STROKE || ornament.slot() == Slot.APPROACH;
        return room == null || ornament.isBreath() && room == Breaths.Room.SHORTEN || early && room != Breaths.Room.DROP;
    }

    private Option option(int note, List<Ornament> ornaments) {
        Optional<Gesture> gesture = Gestures.make(situation, note, ornaments) instanceof Making.Made made
                ? Optional.of(made.gesture()) : Optional.empty();
        Playability.Fit fit = Playability.fit(situation, note, ornaments, tempo, speeds);
        int gain = fit == Playability.Fit.BLOCKED ? 0
                : weighed(note, ornaments, fit == Playability.Fit.TIGHT).stream().mapToInt(Grown.Weighed::points).sum();
        boolean dragged = gesture.map(Gesture::moved).orElse(false) && gain < taste.smallGain();
        Option made = Option.of(ornaments, gain, fit == Playability.Fit.TIGHT, fit == Playability.Fit.BLOCKED || dragged, gesture);
        return sized(note, ornaments, made);
    }

    /** What is played of it counts against the budget, but what parts equal notes where the instrument runs them together. */
    private Option sized(int note, List<Ornament> ornaments, Option made) {
        boolean parts = taste.separates() && situation.repeats(note);
        List<Ornament> counted = Gestures.played(situation, note, ornaments).stream()
                .filter(o -> !(parts && o.separates())).toList();
        return new Option(made.ids(), counted.size(), (int) counted.stream().filter(Ornament::heavy).count(), made.gain(), made.tight(),
                made.blocked(), made.gesture(), made.variation());
    }

    /** What is weighed for and against a stack on a note, its neighbours left aside. */
    List<Grown.Weighed> weighed(int note, List<Ornament> ornaments, boolean tight) {
        return candidates.weighed(note, ornaments, tight, taste);
    }

    /** The option of exactly these ornaments, whatever taste says of them. */
    Option placed(int note, List<String> ids) {
        return at(note).stream().filter(o -> o.variation().isEmpty() && o.ids().equals(ids)).findFirst().orElseGet(() ->
                option(note, ids.stream().flatMap(id -> situation.vocabulary().byId(id).stream()).toList()));
    }

    /** The option of exactly this variation. */
    Option placed(Variation variation) {
        return at(variation.from()).stream().filter(o -> o.variation().filter(variation::equals).isPresent()).findFirst()
                .orElseGet(() -> new Option(List.of(VariationKind.of(variation.kind()).id()), 1, 0, 0, false, false,
                        Optional.empty(), Optional.of(variation)));
    }
}
