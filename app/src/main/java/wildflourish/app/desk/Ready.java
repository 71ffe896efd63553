package wildflourish.app.desk;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.app.trellis.Openings;
import wildflourish.app.trellis.TrellisState;
import wildflourish.app.work.Keeper;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.setting.Version;
import wildflourish.library.LibraryFault;
import wildflourish.score.engrave.Aids;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;

/**
 * What a window that opens will show, made ready beside the toolkit's own start so that neither waits for the other.
 *
 * @param opened the tune that was open the last time, or the first there is; empty where there is none, or it cannot be read: whoever
 *     opens it then tells why
 */
record Ready(Kept kept, Optional<Openings.Opened> opened) {

    /** About the width of the score in a new window, in staff spaces. */
    private static final double WIDTH = 100;

    /** Asks the library for everything, and works out what will be seen. Not for the interface's thread. */
    static Ready of(Keeper keeper) {
        Kept kept = keeper.ask(Kept::of);
        Instruments.own(kept.ownInstruments(words -> { }));
        return new Ready(kept, kept.standing().flatMap(s -> opened(keeper, kept, s)));
    }

    private static Optional<Openings.Opened> opened(Keeper keeper, Kept kept, Kept.Standing standing) {
        try {
            Openings.Opened opened = Openings.open(keeper, standing.tune());
            int rung = Math.clamp(standing.rung(), 0, opened.arrangement().ladder().size() - 1);
            Version version = opened.arrangement().version(rung);
            Set<Integer> open = new LinkedHashSet<>(List.of(0, rung));
            int note = Math.clamp(standing.note(), 0, Math.max(0, version.tune().size() - 1));
            new TrellisState(opened.tune(), version, note, kept.ownLicks(words -> { }), Optional.empty(), Optional.empty(), Optional.empty(), false,
                    false).workedOut();
            // The value is thrown away; what it is made from is kept, and the engraver's own tables are read.
            ScoreEngraver.engrave(new ScoreRequest(version, open, true, true, Aids.of(PlayingAdvice.of(version)), WIDTH));
            return Optional.of(opened);
        } catch (IllegalStateException | LibraryFault e) {
            return Optional.empty();
        }
    }
}
