package wildflourish.app.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.app.rounds.RoundsModel;
import wildflourish.app.rounds.RoundsScreen;
import wildflourish.app.rounds.RoundsState;
import wildflourish.app.trellis.Openings;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.app.work.Keeper;
import wildflourish.core.setting.Arrangement;

/** The tunes that follow others in a set, as the library keeps them. */
record Sets(Keeper keeper, TrellisModel trellis, Background background) implements RoundsModel.Keeping, RoundsScreen.Sets {

    private static final Background.Words NOT_ANSWERED = Background.Words.silent("the library did not answer; what is in it is as it was");

    /** The tunes that follow one, and whether they are linked. */
    private record Kept(List<RoundsState.InSet> tunes, boolean linked) {}

    @Override
    public void keepSet(long tune, List<Long> others, boolean linked) {
        keeper.remember(name(tune), () -> (linked ? "linked" : "apart") + others.stream().map(o -> " " + o).reduce("", String::concat));
    }

    private static String name(long tune) {
        return "set " + tune;
    }

    @Override
    public void take(RoundsModel model) {
        long tune = trellis.now().tune();
        background.run(NOT_ANSWERED, job -> of(tune), kept -> kept
                .filter(k -> trellis.now().tune() == tune && model.state().get() != null && !k.tunes().equals(model.state().get().set()))
                .ifPresent(k -> model.takeSet(k.tunes(), k.linked())));
    }

    @Override
    public void follow(RoundsModel model, long tune) {
        background.run(NOT_ANSWERED, job -> tune(tune), model::follow);
    }

    /** The set that a tune begins, without tunes that are gone; for a thread in the background. */
    private Optional<Kept> of(long tune) {
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
    private RoundsState.InSet tune(long id) {
        Arrangement arrangement = Openings.open(keeper, id).arrangement();
        return new RoundsState.InSet(id, arrangement.tune().title(), arrangement);
    }
}
