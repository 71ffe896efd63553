package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.finding.Finding;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.planning.Alternative;
import wildflourish.core.planning.Choices;
import wildflourish.core.planning.HandCheck;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Pitch;

/** Where the note in hand is played: taking another place, typing one, leaving it to the plan, keeping it as a habit. */
public final class PlaceChoices {

    private final TrellisModel model;

    PlaceChoices(TrellisModel model) {
        this.model = model;
    }

    /** The other places of the note in hand, the cheapest first. */
    public List<Alternative> others() {
        TrellisState now = model.now();
        return now.hands().tune().size() == 0 ? List.of() : now.hands().plan().alternatives(now.handsNote());
    }

    /** Plays the note in hand at its nth other place, counted from 0; the rest of the plan adapts. */
    public void takeOther(int nth) {
        List<Alternative> all = others();
        if (nth < all.size()) {
            take(all.get(nth).place());
        }
    }

    private void take(Place place) {
        TrellisState now = model.now();
        Arrangement arrangement = now.arrangement();
        model.edit("%s played with %s".formatted(TrellisModel.where(now), place.inWords()), arrangement.with(
                arrangement.choices().with(arrangement.instrument(), now.note(), Optional.of(place.text()))));
    }

    /** Leaves the place of the note in hand to the plan again. */
    public void release() {
        TrellisState now = model.now();
        if (!now.hands().plan().isChosen(now.handsNote())) {
            model.tell("the plan chooses the place of " + TrellisModel.where(now) + " already");
            return;
        }
        Arrangement arrangement = now.arrangement();
        model.edit("the plan chooses the place of " + TrellisModel.where(now), arrangement.with(
                arrangement.choices().with(arrangement.instrument(), now.note(), Optional.empty())));
    }

    /**
     * Checks a place typed for the note in hand: one that sounds it is taken, of another one is told what it sounds.
     *
     * @return whether it was taken
     */
    public boolean type(String typed) {
        TrellisState now = model.now();
        Instrument instrument = now.arrangement().instrument();
        Optional<Finding> fault = HandCheck.check(now.hands().tune().note(now.handsNote()), instrument, typed, 1, 1);
        if (fault.isPresent()) {
            model.tell("%s; %s".formatted(fault.get().what(), fault.get().remedy()));
            return false;
        }
        String text = typed.strip().toLowerCase(Locale.ROOT);
        List<Place> places = new ArrayList<>(List.of(now.hands().plan().at(now.handsNote())));
        others().forEach(a -> places.add(a.place()));
        Optional<Place> place = places.stream()
                .filter(p -> p.text().toLowerCase(Locale.ROOT).replace(" row", "").startsWith(text.replace(" row", "")))
                .findFirst();
        place.ifPresentOrElse(this::take, () -> model.tell(typed + " sounds the note, but lies out of the hand's reach here"));
        return place.isPresent();
    }

    /** Checks a list of places, typed or pasted, against the whole tune as it is played on the rung in hand. */
    public HandCheck check(String list) {
        TrellisState now = model.now();
        return HandCheck.of(now.hands().tune(), now.arrangement().instrument(), list);
    }

    /** Keeps the place of the note in hand as the habit of its instrument, for every tune; or ends that habit. */
    public void keepHabit() {
        TrellisState now = model.now();
        Instrument instrument = now.arrangement().instrument();
        Pitch pitch = now.hands().tune().note(now.handsNote()).pitch();
        String text = now.hands().plan().at(now.handsNote()).text();
        if (!instrument.hasHands() || now.hands().plan().at(now.handsNote()) instanceof Place.Missing) {
            model.tell("there is no place to keep");
            return;
        }
        boolean ends = now.arrangement().choices().habit(instrument, pitch).filter(text::equals).isPresent();
        Choices changed = now.arrangement().choices()
                .withHabit(instrument, pitch, ends ? Optional.empty() : Optional.of(text));
        model.habit(changed, instrument.id(), pitch, ends ? Optional.empty() : Optional.of(text));
        model.tell(ends ? "the habit for %s on the %s is ended".formatted(pitch.spoken(), instrument.name())
                : "from now on %s on the %s is played with %s".formatted(pitch.spoken(), instrument.name(),
                        now.hands().plan().at(now.handsNote()).inWords()));
    }
}
