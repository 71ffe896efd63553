package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.RunnerUp;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.reading.Repeats;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Density;
import wildflourish.core.setting.Difference;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Wishes;

/** The rungs themselves: naming, adding, dropping, reordering; what they are grown to; what tells them apart. */
public final class LadderChoices {

    private final TrellisModel model;

    LadderChoices(TrellisModel model) {
        this.model = model;
    }

    private Ladder ladder() {
        return model.arrangement().ladder();
    }

    private void edit(String what, Ladder changed) {
        model.edit(what, model.arrangement().with(changed));
    }

    /** Takes another ladder in the place of this one, its top in hand. */
    public void take(String what, Ladder other) {
        edit(what, other);
        model.select(other.size() - 1, model.note());
    }

    /** Gives a rung another name. */
    public void rename(int rung, String name) {
        String clean = name.strip().replaceAll("\\s+", " ");
        if (!clean.isEmpty() && !clean.equals(ladder().rung(rung).name())) {
            edit("rung named " + clean, ladder().renamed(rung, clean));
        }
    }

    /** Puts a new rung above one, which begins as that one is. */
    public void add(int above) {
        if (ladder().size() >= 12) {
            model.tell("twelve rungs are enough for any ladder");
            return;
        }
        edit("rung added", ladder().added(above, "in between"));
        model.select(above + 1, model.note());
    }

    /** Takes a rung out; what it added comes in with the rung above. */
    public void drop(int rung) {
        if (rung == 0) {
            model.tell("the ground stays: it is the rescue");
            return;
        }
        edit("%s dropped".formatted(ladder().rung(rung).name()), ladder().dropped(rung));
    }

    /** Lets what a rung adds come in one rung later (or, downward, earlier). */
    public void move(int rung, boolean up) {
        int lower = up ? rung : rung - 1;
        if (lower < 1 || lower + 1 >= ladder().size()) {
            model.tell("only rungs above the ground change places");
            return;
        }
        edit("%s and %s in the other order".formatted(ladder().rung(lower).name(), ladder().rung(lower + 1).name()),
                ladder().swapped(lower));
        model.select(up ? rung + 1 : rung - 1, model.note());
    }

    /** Says how much a phrase of a rung may hold when the ladder is grown; empty text leaves it to taste. */
    public void setDensity(int rung, String perPhrase, String heavy) {
        Optional<Density> density;
        try {
            density = perPhrase.isBlank() && heavy.isBlank() ? Optional.empty()
                    : Optional.of(new Density(number(perPhrase), number(heavy)));
        } catch (IllegalArgumentException e) {
            model.tell("write how many a phrase may hold, as 5, and how many weighty ones, as 1");
            return;
        }
        if (!density.equals(ladder().rung(rung).density())) {
            edit("density of %s settled; grow anew to use it".formatted(ladder().rung(rung).name()), ladder().dense(rung, density));
        }
    }

    private static int number(String text) {
        if (text.isBlank()) {
            return 0;
        }
        int number = Integer.parseInt(text.strip());
        if (number < 0 || number > 40) {
            throw new IllegalArgumentException("not a density");
        }
        return number;
    }

    /** What the rung in hand has and another has not, and the other way round. */
    public List<Difference.Change> differences(int other) {
        Ladder ladder = ladder();
        return other < 0 || other >= ladder.size() ? List.of()
                : Difference.between(ladder.setting(other), ladder.setting(model.rung()));
    }

    /** Compares the rung in hand with another from now on; the same again ends it. */
    public void compareWith(int rung) {
        model.compare(model.now().compared().filter(c -> c == rung).isPresent() ? Optional.empty() : Optional.of(rung));
    }

    private Optional<Phrase> phrase() {
        return phrases().stream().filter(p -> p.holds(model.note())).findFirst();
    }

    private List<Phrase> phrases() {
        return Phrases.of(model.arrangement());
    }

    /** The name of the phrase that the note in hand is in. */
    public String phraseName() {
        return phrase().map(Phrase::name).orElse("");
    }

    /** Treats the phrase in hand, on another rung, as it is treated on the rung in hand. */
    public void copyTo(int rung) {
        Optional<Phrase> phrase = phrase();
        if (phrase.isEmpty() || rung < 1 || rung >= ladder().size() || rung == model.rung()) {
            model.tell(rung == 0 ? "the ground stays bare" : "there is no such rung");
            return;
        }
        edit("%s on %s as on %s".formatted(phrase.get().name(), ladder().rung(rung).name(), ladder().rung(model.rung()).name()),
                ladder().copied(model.rung(), rung, phrase.get().fromNote(), phrase.get().toNote()));
    }

    /** Treats every phrase that has the same notes as the one in hand is treated, on every rung. */
    public void copyToSame() {
        List<Phrase> phrases = phrases();
        Optional<Phrase> phrase = phrase();
        if (phrase.isEmpty()) {
            return;
        }
        List<Integer> same = Repeats.of(model.now().plain(), phrases);
        int at = phrases.indexOf(phrase.get());
        List<Integer> others = new ArrayList<>();
        for (int p = 0; p < phrases.size(); p++) {
            if (p != at && same.get(p).equals(same.get(at))) {
                others.add(phrases.get(p).bodyNote());
            }
        }
        if (others.isEmpty()) {
            model.tell("no other phrase has the notes of " + phrase.get().name());
            return;
        }
        edit("%s treated the same wherever it comes back".formatted(phrase.get().name()),
                ladder().spread(phrase.get().bodyNote(), phrase.get().toNote(), others));
    }

    private Wishes wishes() {
        return model.arrangement().wishes();
    }

    /** Keeps what stands on the note in hand whenever the ladder is grown, or no longer. */
    public void lock() {
        boolean lock = !wishes().isLocked(model.note());
        model.edit(lock ? "kept when growing: " + TrellisModel.where(model.now()) : "open again: "
                + TrellisModel.where(model.now()), model.arrangement().with(wishes().locking(model.note(), lock)));
    }

    /** Lifts what is looked at from every rung and lets growing never put it back here; once more allows it again. */
    public void forbid() {
        TrellisState now = model.now();
        Optional<String> id = now.variation().map(v -> v.kind()).or(now::looking);
        if (id.isEmpty()) {
            model.tell("nothing is looked at");
            return;
        }
        int note = now.variation().map(v -> v.from()).orElse(now.note());
        String kind = id.get().startsWith("lick:") ? "lick" : id.get();
        boolean forbid = !wishes().forbids(note, kind);
        Ladder ladder = ladder();
        if (forbid) {
            ladder = now.variation().isPresent() ? ladder.unvary(ladder.size() - 1, now.variation().get())
                    : ladder.lift(ladder.size() - 1, note, id.get());
        }
        model.edit((forbid ? "never again here: " : "allowed again here: ") + id.get().replace('-', ' '),
                model.arrangement().with(ladder).with(wishes().forbidding(note, kind, forbid)));
    }

    /** Allows, when growing, what moves the melody itself; or no longer. */
    public void setFree(boolean free) {
        if (free != wishes().free()) {
            model.edit(free ? "the melody may be moved when growing" : "the melody stays when growing",
                    model.arrangement().with(wishes().freely(free)));
        }
    }

    /** Ends one wish. */
    public void withdraw(int note, Optional<String> forbidden) {
        model.edit("wish withdrawn", model.arrangement().with(forbidden.map(id -> wishes().forbidding(note, id, false))
                .orElseGet(() -> wishes().locking(note, false))));
    }

    /** Works out what the chooser would do on the rung in hand without what is looked at, and shows it beside the note. */
    public void askInstead() {
        TrellisState now = model.now();
        Optional<String> id = now.variation().map(v -> v.kind()).or(() -> now.looking().filter(now::stands));
        if (id.isEmpty() || now.rung() == 0) {
            model.tell("look at something that stands on this rung first");
            return;
        }
        int rung = now.arrangement().ladder().lowestWith(now.note(), id.get());
        int from = now.variation().map(v -> now.arrangement().ladder().lowestWith(v)).orElse(rung);
        Arrangement arrangement = now.arrangement();
        model.later(() -> Grower.of(arrangement, now.licks()).without(arrangement.ladder(), from, now.note(), id.get()),
                found -> found.ifPresentOrElse(r -> model.instead(new TrellisState.Instead(arrangement, from, now.note(), id.get(), r)),
                        () -> model.tell("there is nothing to compare it with")));
    }

    /** Takes what would come instead, and lets growing not bring the other back. */
    public void takeInstead() {
        TrellisState now = model.now();
        if (now.instead().isEmpty()) {
            askInstead();
            return;
        }
        TrellisState.Instead instead = now.instead().get();
        RunnerUp other = instead.other();
        Ladder ladder = instead.arrangement().ladder();
        for (Difference.Change change : other.changes()) {
            ladder = applied(ladder, instead.rung(), change, now);
        }
        model.edit("taken instead", instead.arrangement().with(ladder)
                .with(instead.arrangement().wishes().forbidding(instead.note(), instead.id(), true)));
    }

    private static Ladder applied(Ladder ladder, int rung, Difference.Change change, TrellisState now) {
        return switch (change) {
            case Difference.Change.OfOrnament(int note, String id, boolean added) -> {
                Optional<Ornament> ornament = now.situation().vocabulary().byId(id);
                yield added ? ornament.map(o -> ladder.place(rung, note, o, now.situation().vocabulary())).orElse(ladder)
                        : ladder.lift(ladder.size() - 1, note, id);
            }
            case Difference.Change.OfVariation(var variation, boolean added) ->
                    added ? ladder.vary(rung, variation) : ladder.unvary(ladder.size() - 1, variation);
        };
    }
}
