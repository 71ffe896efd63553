package wildflourish.app.trellis;

import java.util.List;
import java.util.Optional;
import wildflourish.core.growth.Folds;
import wildflourish.core.growth.Lick;
import wildflourish.core.growth.Offer;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Timeline;

/** Stretches played otherwise: putting a variation in place, taking it back, and keeping what is played as a lick. */
public final class VariationChoices {

    private final TrellisModel model;

    VariationChoices(TrellisModel model) {
        this.model = model;
    }

    /** Puts an offered variation in place from the rung in hand upward, or takes it back where it stands. */
    public void toggle(Offer offer) {
        TrellisState now = model.now();
        Variation variation = offer.variation();
        if (now.setting().variations().get(variation.from()) != null
                && now.setting().variations().get(variation.from()).equals(variation)) {
            takeBack(variation);
        } else if (variation.isStandIn()) {
            model.edit("%s from the ground up".formatted(VariationKind.spoken(variation.kind())),
                    now.arrangement().with(now.arrangement().ladder().vary(0, variation)));
        } else if (now.rung() == 0) {
            model.tell("the ground stays bare: go up to a rung with the up arrow first");
        } else {
            model.edit("%s put in place".formatted(VariationKind.spoken(variation.kind())),
                    now.arrangement().with(now.arrangement().ladder().vary(now.rung(), variation)));
        }
    }

    /** Takes back the variation that stands in place of the note in hand, on this rung and those below. */
    public void takeBack() {
        model.now().variation().or(model.now()::standIn).ifPresentOrElse(this::takeBack, () -> model.tell("nothing is varied here"));
    }

    private void takeBack(Variation variation) {
        TrellisState now = model.now();
        int upTo = variation.isStandIn() ? now.arrangement().ladder().size() - 1 : now.rung();
        model.edit("%s taken back".formatted(VariationKind.spoken(variation.kind())),
                now.arrangement().with(now.arrangement().ladder().unvary(upTo, variation)));
    }

    /** Puts every note right that the instrument has not got, from the ground up: over the octave with its figure, or by a chord note. */
    public void putRight() {
        TrellisState now = model.now();
        Folds folds = Folds.of(now.plain(), now.arrangement().instrument(), Phrases.of(now.arrangement()));
        Ladder right = folds.putRight(now.arrangement().ladder(), now.arrangement().wishes());
        String name = now.arrangement().instrument().name();
        if (folds.missing().isEmpty()) {
            model.tell("the %s has every note of this tune".formatted(name));
        } else if (right.equals(now.arrangement().ladder())) {
            model.tell("what the %s has not got is put right as well as it can be".formatted(name));
        } else {
            model.edit("put right for the %s: %s".formatted(name, folds.inWords(right.setting(0))), now.arrangement().with(right));
        }
    }

    /**
     * Keeps some bars of the rung in hand as a lick, as they are played there, with the key and the place in the bar to which
     * they belong.
     *
     * @param fromBar printed number of the first
     * @param toBar printed number of the last
     */
    public Optional<Lick> keep(String name, int fromBar, int toBar, String source) {
        TrellisState now = model.now();
        Timeline plain = now.plain();
        List<Timeline.Stand> inside = plain.notes().stream()
                .filter(s -> s.barNumber() >= fromBar && s.barNumber() <= toBar).toList();
        if (name.isBlank() || inside.isEmpty()) {
            model.tell(name.isBlank() ? "give the lick a name first" : "there is no note in these bars");
            return Optional.empty();
        }
        int from = inside.getFirst().index();
        int to = inside.getLast().index() + 1;
        Setting setting = now.setting();
        if (setting.variations().values().stream().anyMatch(v -> v.from() < from && v.to() > from || v.from() < to && v.to() > to)) {
            model.tell("a variation runs over the edge of these bars: take whole stretches");
            return Optional.empty();
        }
        int first = now.varied().now(from);
        int last = to < plain.size() ? now.varied().now(to) : now.varied().tune().size();
        List<Element> played = now.varied().tune().notes().subList(first, last).stream()
                .<Element>map(s -> wildflourish.core.tune.Note.of(s.pitch(), s.note().length())).toList();
        Lick lick = Lick.of(name.strip(), plain, from, to, played,
                source.isBlank() ? "from " + now.arrangement().tune().title() : source.strip());
        model.keepLick(lick);
        model.tell("kept as your lick: " + lick.name());
        return Optional.of(lick);
    }

    /** Keeps a lick no longer; where it is played already it stays. */
    public void forget(Lick lick) {
        model.forgetLick(lick);
        model.tell("no longer kept: " + lick.name());
    }
}
