package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrase;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;

/** Says why each thing stands where a ladder has it. */
final class Explaining {

    private record Alone(int note, String id) {}

    private final Ground ground;
    private final Map<Alone, Candidate> alone = new HashMap<>();

    Explaining(Ground ground) {
        this.ground = ground;
    }

    /** A ladder with its reasons. */
    Grown explained(Ladder ladder) {
        List<List<Grown.Reasoned>> reasons = new ArrayList<>();
        List<List<Offer>> offers = new ArrayList<>();
        for (Rung rung : ladder.rungs()) {
            Ground.Judged played = ground.judged(rung.setting());
            List<Grown.Reasoned> here = new ArrayList<>();
            rung.setting().byNote().keySet().forEach(note -> here.addAll(reasoned(note, rung.setting(), played)));
            reasons.add(here);
            offers.add(rung.setting().variations().values().stream().map(this::offer).toList());
        }
        return new Grown(ladder, reasons, offers);
    }

    private Offer offer(Variation variation) {
        return ground.variations.startingAt(variation.from()).stream().filter(o -> o.variation().equals(variation)).findFirst()
                .orElseGet(() -> ground.variations.own(variation));
    }

    /** What is taken off because one of the two decorated notes before in the phrase carries the same. */
    private Optional<Grown.Weighed> dullness(int note, Setting setting) {
        Phrase phrase = ground.phrases.stream().filter(p -> p.holds(note)).findFirst().orElseThrow();
        Set<String> textures = ground.textures();
        Taste.Deductions off = ground.taste.deductions();
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

    private List<Grown.Reasoned> reasoned(int note, Setting setting, Ground.Judged played) {
        Verdict together = ground.verdict(played, note);
        List<Grown.Weighed> terms = new ArrayList<>(ground.options.weighed(note, setting.ornaments(note, ground.situation.vocabulary()),
                together instanceof Verdict.Tight));
        dullness(note, setting).ifPresent(terms::add);
        List<Grown.Reasoned> all = new ArrayList<>();
        for (String id : setting.at(note)) {
            Candidate alone = this.alone.computeIfAbsent(new Alone(note, id),
                    t -> ground.candidates.alone(note, ground.situation.vocabulary().known(id)));
            all.add(new Grown.Reasoned(
                    new Candidate(note, alone.ornament(), together, alone.gain(), alone.because()),
                    Reasons.of(alone, together), terms));
        }
        return all;
    }
}
