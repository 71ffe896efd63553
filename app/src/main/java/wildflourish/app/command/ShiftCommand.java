package wildflourish.app.command;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.sound.hearing.Audio;
import wildflourish.sound.hearing.NoRecording;
import wildflourish.sound.hearing.Recording;
import wildflourish.sound.hearing.Shift;

/** A recording at another tempo or pitch. */
@Command(name = "shift", description = "A recording slower or faster without another pitch, higher or lower without another tempo.", mixinStandardHelpOptions = true)
final class ShiftCommand implements Callable<Integer> {

    private static final double SEMITONE = 100;

    @Parameters(index = "0", paramLabel = "RECORDING", description = "WAV, AIFF, FLAC or MP3")
    private Path recording;

    @Parameters(index = "1", paramLabel = "OUT.wav")
    private Path out;

    @Option(names = "--tempo", paramLabel = "PERCENT", description = "of its tempo, 25 to 200, as in 75%% (default: ${DEFAULT-VALUE})")
    private String tempo = "100%";

    @Option(names = "--semitones", paramLabel = "N", description = "how far up, or down with a minus: 12 at most", defaultValue = "0")
    private int semitones;

    @Option(names = "--cents", paramLabel = "N", description = "hundredths of a semitone more, for an old standard of pitch: 100 at most", defaultValue = "0")
    private double cents;

    @Mixin
    private Output output;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        Shift shift = shift();
        if (!out.toString().toLowerCase(java.util.Locale.ROOT).endsWith(".wav")) {
            throw Refusal.call("'%s' does not end in .wav, which is what is written".formatted(out));
        }
        output.look(recording, out);
        try (Audio read = Recording.open(recording)) {
            Shift.write(shift.of(read), out, done -> { }, () -> false);
            spec.commandLine().getErr().println("wrote " + out);
            return 0;
        } catch (NoRecording e) {
            String words = String.valueOf(e.getMessage());
            throw Refusal.input(words.startsWith(recording.toString()) ? words : "%s: %s".formatted(recording, words));
        } catch (IOException e) {
            throw Refusal.input("%s: could not be written: look whether its folder is there and has room".formatted(out));
        }
    }

    private Shift shift() {
        if (Math.abs(semitones) > 12 || !(Math.abs(cents) <= SEMITONE)) {
            throw Refusal.call("a recording is moved by 12 semitones and 100 cents at most");
        }
        try {
            return new Shift(Double.parseDouble(tempo.strip().replaceFirst("\\s*%$", "")) / 100, semitones * SEMITONE + cents);
        } catch (NumberFormatException e) {
            throw Refusal.call("'%s' is not a share of the tempo like 75%%".formatted(tempo));
        } catch (IllegalArgumentException e) {
            throw Refusal.call(String.valueOf(e.getMessage()));
        }
    }
}
