package wildflourish.app;

import java.util.Locale;
import wildflourish.app.command.FlourishCommand;
import wildflourish.app.work.Trouble;

/** The program's entry. */
public final class Main {

    private Main() {}

    /** Runs the command line; with no command, the desktop. */
    public static void main(String[] args) {
        Trouble.logQuietly();
        // Words and figures are the same on every machine, and so is every file that is written.
        Locale.setDefault(Locale.UK);
        int status;
        try {
            status = FlourishCommand.run(args);
        } catch (LinkageError e) {
            System.err.println("the program is not whole (" + e.getMessage() + "); build or install it anew");
            status = 1;
        } catch (OutOfMemoryError e) {
            System.err.println("there is not enough memory for this; try it with a smaller file");
            status = 1;
        }
        System.exit(status);
    }
}
