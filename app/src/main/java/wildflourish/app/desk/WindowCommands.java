package wildflourish.app.desk;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Screen;
import wildflourish.app.listening.SoundCommands;
import wildflourish.app.paint.Look;

/** The commands of the whole window, whatever screen is shown. */
final class WindowCommands {

    private static final String SCREENS = "Screens";
    private static final String FILES = "Tunes and files";
    private static final String BACK = "Take back";
    private static final String LOOKS = "Looks";

    private final DeskModel desk;
    private final Command bringIn;

    WindowCommands(DeskModel desk) {
        this.desk = desk;
        this.bringIn = Command.of("bring-in", "Bring in a file of tunes", FILES, () -> desk.asking().file("file to bring in:", desk::bringIn)).keys("Ctrl+O");
    }

    Command bringIn() {
        return bringIn;
    }

    /** All but those that need the window itself, which {@link DeskView} adds. */
    List<Command> all(List<Screen> screens) {
        List<Command> all = new ArrayList<>();
        for (Screen screen : screens) {
            all.add(Command.of("show-" + screen.id(), screen.words() + ": " + screen.question(), SCREENS, () -> desk.show(screen)).keys(screen.key()));
        }
        all.add(bringIn);
        all.add(Command.of("write-book", "Write the whole library as one book of ABC", FILES, () -> desk.asking().where("file of the book (.abc)", "library.abc", desk.shelfWork()::writeBook)));
        all.add(Command.of("back-up", "Back up the library and its recordings", FILES, () -> desk.asking().where("file of the back-up (.zip; any other ending: without recordings)",
                "wild-flourish-" + LocalDate.now() + ".zip", desk.backups()::backUp)));
        all.add(Command.of("open-library-here", "Open the library that is here now", FILES, desk.backups()::openWhatIsThere).when(() -> desk.backups().anotherLibrary().get()));
        all.add(Command.of("print", "Print: the sheet to take home, or the chart", FILES, () -> shown().print().ifPresentOrElse(Runnable::run,
                () -> desk.show("sheet"))).keys("Ctrl+P"));
        all.add(Command.of("write", "Write to a file", FILES, () -> shown().write().ifPresent(Runnable::run)).keys("Ctrl+E")
                .when(() -> shown().write().isPresent()));
        all.add(Command.of("undo", "Take the latest edit back", BACK, () -> shown().undo()).keys("Ctrl+Z").whileHeld());
        all.add(Command.of("redo", "Do it again", BACK, () -> shown().redo()).keys("Ctrl+Y", "Ctrl+Shift+Z").whileHeld());
        all.add(Command.of("hear", "Hear it, or stop", "Listening", desk::hear).keys("Space").when(() -> shown().hear().isPresent())
                .on(s -> s.hear().isPresent()));
        all.addAll(SoundCommands.of(desk.listening(), desk.trellis()));
        all.add(Command.of("look", "Light or dark", LOOKS, () -> {
            Look now = desk.look().get();
            desk.look().set(now.with(now.palette().other()));
        }).keys("Ctrl+L"));
        all.add(Command.of("larger-words", "Larger words, up to 200 %", LOOKS, () -> size(1)).keys("F9"));
        all.add(Command.of("smaller-words", "Smaller words, down to 100 %", LOOKS, () -> size(-1)).keys("Shift+F9"));
        return all;
    }

    private Screen shown() {
        return desk.screen().get();
    }

    private void size(int by) {
        Look now = desk.look().get();
        desk.look().set(now.step(by));
        desk.say("words at %d %%".formatted(desk.look().get().percent()));
    }
}
