package wildflourish.app.desk;

import java.time.Duration;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Site;
import wildflourish.app.listening.ListeningModel;
import wildflourish.app.listening.Player;
import wildflourish.app.paint.Look;
import wildflourish.app.shelf.ShelfModel;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.Production;

/**
 * What screens are made from.
 *
 * @param trellis the open tune
 * @param listening what is heard
 * @param betweenPasses what lies between one pass of practice and the next
 * @param own the teacher's own instruments
 * @param look tells how the window looks
 * @param bringIn asks for a file to bring in
 */
record Tools(Keeper keeper, Background background, TrellisModel trellis, ListeningModel listening, Player player, Duration betweenPasses,
        ShelfModel shelf, ShelfWork shelfWork, OwnInstruments own, Opening opening, Memory memory, Production production,
        java.util.function.Supplier<Look> look, Command bringIn, Site site) {}
