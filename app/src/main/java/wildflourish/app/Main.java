package wildflourish.app;

import wildflourish.app.command.FlourishCommand;

/** The program's entry. */
public final class Main {

    private Main() {}

    /** Runs the command line; with no command, the desktop. */
    public static void main(String[] args) {
        System.exit(FlourishCommand.run(args));
    }
}
