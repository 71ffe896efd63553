package wildflourish.app.desk;

import java.nio.file.Path;
import wildflourish.app.work.Folders;

/** Asks which file something is to come from or go to, with what is meant most often filled in. */
final class Asking {

    private final DeskModel model;
    private final PathBar path;
    private final Runnable then;

    /** {@code then} gives the focus back. */
    Asking(DeskModel model, PathBar path, Runnable then) {
        this.model = model;
        this.path = path;
        this.then = then;
    }

    void file() {
        path.ask("file to bring in:", "", false, model::bringIn, then);
    }

    void sheet() {
        if (model.screen().get() == Screen.CHART) {
            path.ask("print the chart to (.pdf .svg):", Path.of(System.getProperty("user.home"),
                    Folders.fileName(model.chart().state().get().instrument().name()) + "-chart.pdf").toString(), true,
                    model.writing()::chart, then);
        } else if (model.hasTune()) {
            path.ask("print the sheet to:", suggestion(".pdf"), true, model.writing()::sheet, then);
        }
    }

    void export() {
        if (model.screen().get() == Screen.PRACTICE) {
            log();
        } else if (model.screen().get() == Screen.ROUNDS && model.hasTune()) {
            path.ask("write the whole to (.abc .mid .wav .svg .pdf):", suggestion("-rounds.abc"), true, model.writing()::rounds,
                    then);
        } else if (model.hasTune()) {
            path.ask("write this rung to (.abc .mid .wav .svg .pdf):", suggestion(".abc"), true, model.writing()::rung,
                    then);
        }
    }

    void log() {
        path.ask("write the practice log to (.csv):", Path.of(System.getProperty("user.home"), "practice.csv").toString(), true,
                model.writing()::log, then);
    }

    private String suggestion(String ending) {
        String name = Folders.fileName(model.trellis().arrangement().tune().title());
        return Path.of(System.getProperty("user.home"), name + ending).toString();
    }
}
