package wildflourish.app.desk;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import wildflourish.app.chart.ChartState;
import wildflourish.app.work.Background;
import wildflourish.app.work.Exports;
import wildflourish.app.work.SafeWrite;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.rounds.WrittenOut;
import wildflourish.core.setting.Arrangement;
import wildflourish.formats.csv.PracticeCsv;
import wildflourish.score.handout.InstrumentChart;
import wildflourish.score.paint.SvgPainter;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.wave.Wav;

/** Writes to files what the desk holds: taken as it is when asked, made in the background, written whole or not at all. */
public final class Writing {

    private static final double SVG_PIXELS = 8;
    /** Progress is told each time so many per cent more are done. */
    private static final int TOLD_EVERY = 5;

    private final DeskModel desk;
    private final Background background;

    Writing(DeskModel desk, Background background) {
        this.desk = desk;
        this.background = background;
    }

    /** Prints the take-home sheet of the rung in hand. */
    public void sheet(Path file) {
        Arrangement arrangement = desk.trellis().arrangement();
        int rung = desk.trellis().rung();
        produce(file, "the sheet", job -> Exports.sheet(arrangement, rung), () -> unprintable(arrangement));
    }

    /** Writes the rung in hand in the format that the file's ending tells; what is heard of it where that is sound. */
    public void rung(Path file) {
        Arrangement arrangement = desk.trellis().arrangement();
        int rung = desk.trellis().rung();
        Supplier<Itinerary> heard = desk.listening().takeHome();
        boolean usual = desk.listening().isUsual();
        format(file).ifPresent(format -> {
            if (format == Exports.Format.WAV) {
                sound(file, "what is heard", heard);
            } else if (format == Exports.Format.MIDI && !usual) {
                produce(file, "what is heard", job -> Exports.midi(arrangement.tune().title(), heard.get()));
            } else {
                produce(file, "the file", job -> Exports.bytes(arrangement, rung, format),
                        () -> format == Exports.Format.PDF ? unprintable(arrangement) : "");
            }
        });
    }

    /** Writes the rounds, or the whole set, in the format that the file's ending tells. */
    public void rounds(Path file) {
        Optional<Supplier<Arrangement>> whole = desk.rounds().toWrite();
        if (whole.isEmpty()) {
            desk.say("there is nothing to play yet");
            return;
        }
        format(file).ifPresent(format -> {
            if (format == Exports.Format.WAV) {
                sound(file, "the whole", desk.listening().takeHome(whole.get(), WrittenOut.RUNG));
            } else if (format == Exports.Format.MIDI && !desk.listening().isUsual()) {
                Supplier<Itinerary> heard = desk.listening().takeHome(whole.get(), WrittenOut.RUNG);
                produce(file, "the whole", job -> {
                    Itinerary all = heard.get();
                    return Exports.midi(all.legs().getFirst().piece().version().arrangement().tune().title(), all);
                });
            } else {
                produce(file, "the whole", job -> Exports.bytes(whole.get().get(), WrittenOut.RUNG, format));
            }
        });
    }

    /** Prints the chart that is shown, as PDF or, by the name's ending, as SVG. */
    public void chart(Path file) {
        ChartState state = desk.chart().state().get();
        Optional<String> title = state.tuneOnly() ? Optional.of(desk.trellis().arrangement().tune().title()) : Optional.empty();
        InstrumentChart printed = new InstrumentChart(state.instrument(), state.pitches(), title);
        boolean svg = file.toString().toLowerCase(Locale.ROOT).endsWith(".svg");
        produce(file, "the chart", job -> svg
                ? SvgPainter.paint(printed.drawing(), SVG_PIXELS).getBytes(StandardCharsets.UTF_8) : printed.pdf());
    }

    /** Writes the practice log as a table of comma-separated values. */
    public void log(Path file) {
        List<LoggedPass> log = desk.practice().log();
        produce(file, "the practice log", job -> PracticeCsv.of(log).getBytes(StandardCharsets.UTF_8));
    }

    private static String unprintable(Arrangement arrangement) {
        return Exports.unprintable(arrangement).map("; "::concat).orElse("");
    }

    private Optional<Exports.Format> format(Path file) {
        Optional<Exports.Format> format = Exports.format(file.toString());
        if (format.isEmpty()) {
            desk.say("end the name with " + Exports.ENDINGS);
        }
        return format;
    }

    private void sound(Path file, String what, Supplier<Itinerary> heard) {
        produce(file, what, job -> {
            int[] told = {0};
            return Exports.wave(heard.get(), share -> {
                int percent = (int) (share * 100);
                if (percent >= told[0] + TOLD_EVERY) {
                    told[0] = percent;
                    job.tell("writing %s: %d %%".formatted(file.getFileName(), percent));
                }
            }, job::stopped).orElse(new byte[0]);
        });
    }

    private void produce(Path file, String what, Background.Work<byte[]> production) {
        produce(file, what, production, () -> "");
    }

    /** Makes a file in the background; {@code remark} is said behind where it is. */
    private void produce(Path file, String what, Background.Work<byte[]> production, Supplier<String> remark) {
        String failed = "%s could not be made; nothing was written, and the tune is as it was".formatted(what);
        background.run(new Background.Words("writing " + file.getFileName(), failed), job -> {
            byte[] bytes;
            try {
                bytes = production.run(job);
            } catch (Wav.TooLong e) {
                return Objects.requireNonNull(e.getMessage());
            }
            try {
                if (!job.stopped()) {
                    SafeWrite.write(file, bytes);
                }
                return "%s is in %s%s".formatted(what, file, remark.get());
            } catch (IOException e) {
                return "%s could not be written to %s; choose another place".formatted(what, file);
            }
        }, desk::say);
    }
}
