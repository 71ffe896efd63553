package wildflourish.app.command;

import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import wildflourish.app.work.Folders;

/** The root command: with no other, it opens the desktop on the user's library. */
@Command(
        name = "flourish",
        description = "Grows plain tunes of session music into decorated versions.",
        mixinStandardHelpOptions = true,
        versionProvider = VersionLine.class,
        subcommands = {
            OpenCommand.class,
            DemoCommand.class,
            PerformCommand.class,
            ReadCommand.class,
            GrowCommand.class,
            RoundsCommand.class,
            PlanCommand.class,
            CheckCommand.class,
            TranslateCommand.class,
            FitCommand.class,
            ShiftCommand.class,
            ListenCommand.class,
            TakedownCommand.class,
            ChartCommand.class,
            HandoutCommand.class,
            ConvertCommand.class,
            WriteCommand.class,
            SearchCommand.class,
            ClassCommand.class,
            LessonCommand.class,
            BackupCommand.class,
            RestoreCommand.class,
            FaultCommand.class,
            InstrumentsCommand.class
        })
public final class FlourishCommand implements Callable<Integer> {

    @Mixin
    private LibraryOption library;

    /** Runs a command line; the exit status: 0 done, 1 the input has errors, 2 the call is wrong. */
    public static int run(String... args) {
        // What is printed goes out in large pieces, and at the end: a million lines one by one take seconds.
        return run(new PrintWriter(System.out, false, java.nio.charset.StandardCharsets.UTF_8),
                new PrintWriter(System.err, true, java.nio.charset.StandardCharsets.UTF_8), args);
    }

    /** As {@link #run(String...)} with other places for what is printed. */
    public static int run(PrintWriter out, PrintWriter err, String... args) {
        if (args.length == 0 || args.length == 1 && args[0].equals("demo")) {
            // What is started every day does not wait for all that could be written behind it.
            return desktop(out, err, args.length == 1);
        }
        CommandLine line = new CommandLine(new FlourishCommand());
        line.setOut(out);
        line.setErr(err);
        line.setCaseInsensitiveEnumValuesAllowed(true);
        line.setExecutionExceptionHandler((fault, command, parsed) -> {
            if (fault instanceof Refusal refusal) {
                err.println(refusal.getMessage());
                return refusal.status();
            }
            err.println("something went wrong inside the program: " + fault);
            err.println("your files are as they were; please report this with the command you gave");
            return 1;
        });
        int status = line.execute(asMeant(line, args));
        if (out.checkError() && status == 0) {
            err.println("what was to be printed did not arrive: the disk is full, or nobody reads any more");
            return 1;
        }
        return status;
    }

    /** What is meant by a call: files and no command, as a file manager calls, are opened. */
    static String[] asMeant(CommandLine line, String... args) {
        boolean files = !line.getSubcommands().containsKey(args[0]) && Arrays.stream(args).allMatch(a -> !a.startsWith("-") && Files.isRegularFile(Path.of(a)));
        return files ? Stream.concat(Stream.of("open"), Arrays.stream(args)).toArray(String[]::new) : args;
    }

    private static int desktop(PrintWriter out, PrintWriter err, boolean demo) {
        try {
            int status = demo ? Desktop.demo(null, out) : Desktop.open(Folders.library(), java.util.List.of());
            out.flush();
            return status;
        } catch (Refusal refusal) {
            err.println(refusal.getMessage());
            return refusal.status();
        }
    }

    @Override
    public Integer call() {
        return Desktop.open(library.path(), java.util.List.of());
    }
}
