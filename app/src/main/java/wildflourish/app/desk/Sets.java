package wildflourish.app.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.app.rounds.RoundsModel;
import wildflourish.app.rounds.RoundsState;
import wildflourish.app.trellis.Openings;
import wildflourish.app.work.Keeper;
import wildflourish.core.setting.Arrangement;

/** The tunes that follow others in a set, as the library keeps them. */
record Sets(Keeper keeper) implements RoundsModel.Keeping {

    /** The tunes that follow one, and whether they are linked. */
    record Kept(List<RoundsState.InSet> tunes, boolean linked) {}

    @Override
    public void keepSet(long tune, List<Long> others, boolean linked) {
        keeper.remember(name(tune), (linked ? "linked" : "apart") + others.stream().map(o -> " " + o).reduce("", String::concat));
    }

    private static String name(long tune) {
        return "set " + tune;
    }

    /** The set that a tune begins, without tunes that are gone; for a thread in the background. */
    Optional<Kept> of(long tune) {
        return keeper.ask(l -> l.drawer().remembered(name(tune))).map(this::read);
    }

    private Kept read(String kept) {
        List<String> there = keeper.ask(l -> l.tunes().all().read()).stream().map(t -> String.valueOf(t.id())).toList();
        List<RoundsState.InSet> tunes = new ArrayList<>();
        for (String id : kept.split(" ")) {
            if (there.contains(id)) {
                tunes.add(tune(Long.parseLong(id)));
            }
        }
        return new Kept(tunes, kept.startsWith("linked"));
    }

    /** A tune of the library as one of a set; for a thread in the background. */
    RoundsState.InSet tune(long id) {
        Arrangement arrangement = Openings.open(keeper, id).arrangement();
        return new RoundsState.InSet(id, arrangement.tune().title(), arrangement);
    }
}
