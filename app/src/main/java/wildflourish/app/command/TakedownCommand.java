package wildflourish.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.app.work.Exports;
import wildflourish.core.hearing.ByEar;
import wildflourish.core.hearing.Heard;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.TuneType;
import wildflourish.sound.hearing.Audio;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.hearing.NoRecording;
import wildflourish.sound.hearing.Recording;

/** A tune taken in by ear. */
@Command(name = "takedown", description = "From a recording of one instrument, or a voice, to a tune: .abc, .musicxml, .mxl or .mid. What had to be guessed is told.", mixinStandardHelpOptions = true)
final class TakedownCommand implements Callable<Integer> {

    @Parameters(index = "0", paramLabel = "RECORDING", description = "WAV, AIFF, FLAC or MP3")
    private Path recording;

    @Parameters(index = "1", paramLabel = "OUT", description = "the tune's file; its ending tells the format")
    private Path out;

    @Option(names = "--type", paramLabel = "TYPE", description = "what kind of tune it is, as in reel: it tells the metre and how fast quavers go; without it both are guessed")
    private @Nullable String type;

    @Option(names = "--instrument", paramLabel = "ID", description = "what is played: a whistle is written an octave below its sound; without it the octave is guessed")
    private @Nullable String instrument;

    @Option(names = "--title", paramLabel = "TITLE", description = "of the tune (default: ${DEFAULT-VALUE})")
    private String title = "Taken down";

    @Mixin
    private Output output;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        Optional<TuneType> known = Optional.ofNullable(type).map(TakedownCommand::known);
        Optional<Instrument> plays = Optional.ofNullable(instrument)
                .map(id -> Instruments.byId(id).orElseThrow(() -> Refusal.call("there is no instrument '%s'; './flourish instruments' lists them".formatted(id))));
        Exports.Format format = Exports.format(out.toString()).filter(f -> f != Exports.Format.WAV && f != Exports.Format.PDF)
                .orElseThrow(() -> Refusal.call("'%s' does not end in .abc, .musicxml, .mxl or .mid".formatted(out)));
        output.look(recording, out);
        Heard heard;
        try (Audio audio = Recording.open(recording)) {
            heard = Ears.listen(audio, seconds -> { }, () -> false);
        } catch (NoRecording e) {
            throw Refusal.input(String.valueOf(e.getMessage()));
        }
        ByEar tune = ByEar.of(heard, title, known, plays.map(Instrument::soundsAbove))
                .orElseThrow(() -> Refusal.input("%s: no tune is heard in it: is it one instrument alone, or a voice?".formatted(recording)));
        output.write(recording, out, () -> Exports.bytes(Arrangement.bare(tune.tune(), plays.orElse(Instruments.known("none"))), 0, format));
        tune.inWords().forEach(spec.commandLine().getErr()::println);
        spec.commandLine().getErr().println("wrote " + out);
        return 0;
    }

    private static TuneType known(String name) {
        String word = name.toLowerCase(Locale.ROOT).strip();
        List<TuneType> all = TuneType.all();
        return all.stream().filter(t -> t.id().equals(word) || t.also().contains(word)).findFirst()
                .orElseThrow(() -> Refusal.call("there is no type '%s'; there are %s".formatted(name, String.join(", ", all.stream().map(TuneType::id).toList()))));
    }
}
