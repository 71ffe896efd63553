package wildflourish.app.desk;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import wildflourish.app.trellis.EarlierChoices;
import wildflourish.app.trellis.Journal;
import wildflourish.app.trellis.Openings;
import wildflourish.app.work.Keeper;
import wildflourish.core.growth.Lick;
import wildflourish.core.setting.Arrangement;

/** The trellis's edits, handed to the keeper as they are made. */
record KeepersJournal(Keeper keeper, Standing standing) implements Journal {

    /** Told where the teacher is now. */
    interface Standing {
        void stand(long tune, int rung, int note);
    }

    @Override
    public void save(long tune, String what, Supplier<String> document) {
        keeper.save(tune, what, document);
    }

    @Override
    public void undo(long tune) {
        keeper.undo(tune);
    }

    @Override
    public void redo(long tune) {
        keeper.redo(tune);
    }

    @Override
    public void habit(String instrument, String pitch, Optional<String> place) {
        keeper.habit(instrument, pitch, place);
    }

    @Override
    public void stand(long tune, int rung, int note) {
        standing.stand(tune, rung, note);
    }

    @Override
    public List<EarlierChoices.Earlier> earlier(long tune) {
        return Openings.earlier(keeper, tune);
    }

    @Override
    public Arrangement reread(long edition) {
        return Openings.edition(keeper, edition);
    }

    @Override
    public void keepLick(String name, Optional<Lick> lick) {
        keeper.lick(name, lick.map(Lick::write));
    }
}
