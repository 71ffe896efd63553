package wildflourish.app.desk;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import wildflourish.app.work.Background;
import wildflourish.app.work.FaultReport;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.SafeWrite;

/** Gathers what helps to find a fault, and writes it when it has been looked at. */
final class Faults {

    private static final Background.Words GATHERED = new Background.Words("gathering what was logged",
            "the log could not be read; it is beside the library, under wild-flourish-0.log");
    private static final Background.Words WRITTEN = new Background.Words("writing the report", "the report could not be written; copy it instead");

    private final DeskModel desk;
    private final Keeper keeper;
    private final Background background;

    Faults(DeskModel desk, Keeper keeper, Background background) {
        this.desk = desk;
        this.keeper = keeper;
        this.background = background;
    }

    /** Gathers a report and hands it on. */
    void gather(Consumer<String> then) {
        Map<String, String> now = new LinkedHashMap<>();
        now.put("Screen", desk.screen().get().words());
        now.put("Words at", desk.look().get().percent() + " %");
        now.put("The window says", desk.message().get());
        if (desk.trellis().isOpen()) {
            now.put("Instrument", desk.trellis().arrangement().instrument().name());
        }
        background.run(GATHERED, job -> {
            Path file = keeper.ask(l -> l.file());
            return FaultReport.of(now, keeper.ask(FaultReport.Names::of), FaultReport.logged(file));
        }, then);
    }

    /** Writes a report as it was left. */
    void write(Path file, String report) {
        background.run(WRITTEN, job -> {
            SafeWrite.write(file, report.getBytes(StandardCharsets.UTF_8));
            return file;
        }, written -> desk.say("the report is in " + written));
    }
}
