package wildflourish.app.listening;

import java.util.List;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Keys;
import wildflourish.app.frame.Screen;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisScreen;

/** What can be done about what is heard, on every screen that can be heard. */
public final class SoundCommands {

    private static final String GROUP = "Listening";

    private SoundCommands() {}

    /** The commands of a listener. */
    public static List<Command> of(ListeningModel listening, TrellisModel trellis) {
        return List.of(
                command("hear-ornament", "Hear only this ornament, plain then decorated", listening::toggleOrnament, trellis).keys("Shift+Space"),
                command("mark-from", "Begin the stretch that is heard here", listening::markFrom, trellis).key(Keys.sign("[")),
                command("mark-to", "End the stretch that is heard here", listening::markTo, trellis).key(Keys.sign("]")),
                command("around", "Around and around, or once", () -> listening.setAgain(!listening.state().get().again()), trellis).key(Keys.sign("/")),
                command("hear-slower", "Listen slower than the tune's tempo", () -> listening.stepPercent(-5), trellis).key(Keys.sign("<")).whileHeld(),
                command("hear-faster", "Listen faster than the tune's tempo", () -> listening.stepPercent(5), trellis).key(Keys.sign(">")).whileHeld(),
                wide("click", "A click on each beat, or none", () -> listening.setMetronome(!listening.state().get().manner().backing().metronome())),
                wide("room", "In a room, or as it leaves the instrument", () -> listening.setRoom(!listening.state().get().manner().backing().room())),
                wide("count-in", "Count in, or not", () -> listening.setCounted(!listening.state().get().manner().counted())));
    }

    private static Command command(String id, String words, Runnable run, TrellisModel trellis) {
        return wide(id, words, run).when(trellis::isOpen).on(SoundCommands::isTrellis);
    }

    private static Command wide(String id, String words, Runnable run) {
        return Command.of(id, words, GROUP, run);
    }

    private static boolean isTrellis(Screen screen) {
        return screen.id().equals(TrellisScreen.ID);
    }
}
