package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.core.hearing.Happening;
import wildflourish.core.hearing.Heard;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Varied;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Tempo;
import wildflourish.sound.hearing.Audio;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.hearing.NoRecording;
import wildflourish.sound.hearing.Recording;

/** What somebody played, found in a recording. */
@Command(name = "listen", description = "What was played in a recording of one instrument: each note of a tune, its pitch, and what the fingers did on it.", mixinStandardHelpOptions = true)
final class ListenCommand implements Callable<Integer> {

    @Parameters(paramLabel = "RECORDING", description = "WAV, AIFF, FLAC or MP3")
    private Path recording;

    @Option(names = "--tune", paramLabel = "FILE", required = true, description = "the tune that is played")
    private Path file = Path.of("");

    @Option(names = "--number", paramLabel = "X", description = "the tune's X: number; default the first")
    private @Nullable Integer number;

    @Option(names = "--instrument", paramLabel = "ID", description = "what is played; default: that of the file")
    private @Nullable String instrument;

    @Option(names = "--rung", paramLabel = "N", description = "what was meant, 0 = bare; default: the rung that is nearest to what is heard")
    private @Nullable Integer rung;

    @Option(names = "--json", description = "one JSON document")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        TuneOptions.Read read = options().read(file, spec.commandLine().getErr(), TuneOptions.Usual.OWN_LADDER);
        Heard heard;
        try (Audio audio = Recording.open(recording)) {
            heard = Ears.listen(audio, seconds -> { }, () -> false);
        } catch (NoRecording e) {
            throw Refusal.input(String.valueOf(e.getMessage()));
        }
        Version whole = read.arrangement().version(read.rung());
        try {
            int meant = rung != null ? read.rung() : HeardVersion.nearestRung(whole, heard);
            HeardVersion played = HeardVersion.of(whole.on(meant), heard);
            if (played.notes().stream().noneMatch(n -> n.onsetMs().isPresent())) {
                throw Refusal.input("%s: nothing of “%s” is heard in it: is it this tune, and one instrument alone?".formatted(recording, read.arrangement().tune().title()));
            }
            PrintWriter out = spec.commandLine().getOut();
            if (json) {
                Printing.print(document(whole.on(meant), played), out);
            } else {
                print(whole.on(meant), played, out);
            }
        } catch (IllegalArgumentException e) {
            throw Refusal.input("%s: %s".formatted(recording, e.getMessage()));
        }
        return read.status();
    }

    private TuneOptions options() {
        List<String> words = new ArrayList<>();
        Optional.ofNullable(instrument).ifPresent(id -> words.addAll(List.of("--instrument", id)));
        Optional.ofNullable(rung).ifPresent(n -> words.addAll(List.of("--rung", n.toString())));
        Optional.ofNullable(number).ifPresent(n -> words.addAll(List.of("--tune", n.toString())));
        return CommandLine.populateCommand(new TuneOptions(), words.toArray(String[]::new));
    }

    private static String key(Arrangement arrangement, HeardVersion played) {
        return wildflourish.core.fit.Recording.of(arrangement.tune().head().key(), played.semitones(), arrangement.instrument()).key().spoken();
    }

    private static Tempo tempo(Arrangement arrangement, HeardVersion played) {
        return arrangement.tempo().percent((int) Math.round(100 * played.tempo()));
    }

    private static ObjectNode document(Version version, HeardVersion played) {
        Arrangement arrangement = version.arrangement();
        Varied varied = version.varied();
        ObjectNode document = Printing.object();
        document.put("key", key(arrangement, played)).put("semitones", played.semitones()).put("tuningCents", Printing.rounded(played.tuningCents()))
                .put("tempo", tempo(arrangement, played).toString()).put("offsetMs", Printing.rounded(played.offsetMs()));
        ArrayNode notes = document.putArray("notes");
        ArrayNode extra = document.putArray("extra");
        for (HeardVersion.Note note : played.notes()) {
            ObjectNode one = notes.addObject().put("bar", note.wanted().bar()).put("note", varied.plain(note.wanted().note())).put("pass", note.wanted().pass())
                    .put("midi", note.wanted().midi() + played.semitones());
            if (note.onsetMs().isPresent()) {
                one.put("onsetMs", Printing.rounded(note.onsetMs().get())).put("durationMs", Printing.rounded(note.durationMs())).put("lateMs", Printing.rounded(note.lateMs()))
                        .put("cents", Printing.rounded(note.cents()));
            } else {
                one.putNull("onsetMs").putNull("durationMs").putNull("lateMs").putNull("cents");
            }
            one.put("start", note.tongued() ? "attack" : "slurred").put("gesture", note.gesture()).put("meant", note.meant()).put("confidence", Printing.rounded(note.confidence()));
            for (Happening more : note.extra()) {
                extra.addObject().put("bar", note.wanted().bar()).put("note", varied.plain(note.wanted().note())).put("pass", note.wanted().pass())
                        .put("onsetMs", Printing.rounded(note.onsetMs().orElse(0.0) + more.at() * note.durationMs())).put("what", more.kind().words());
            }
        }
        document.putObject("evenness").put("variation", Printing.rounded(played.evenness().variation())).put("drift", Printing.rounded(played.evenness().drift()))
                .put("gaps", played.evenness().gaps());
        document.put("nearestRung", version.rung());
        return document;
    }

    private static void print(Version version, HeardVersion played, PrintWriter out) {
        Arrangement arrangement = version.arrangement();
        out.printf(Locale.ROOT, "%s, %s, in %s, %+.0f cents, %s%n", arrangement.tune().title(), arrangement.ladder().rung(version.rung()).name(), key(arrangement, played), played.tuningCents(),
                tempo(arrangement, played).spoken());
        for (HeardVersion.Note note : played.notes()) {
            String where = "bar %3d  note %3d  time %d".formatted(note.wanted().bar(), version.varied().plain(note.wanted().note()), note.wanted().pass());
            if (note.onsetMs().isEmpty()) {
                out.printf("%s  not heard%n", where);
            } else {
                out.printf(Locale.ROOT, "%s  at %8.0f ms  %+4.0f ms  %+4.0f cents  %-7s  %s%s%n", where, note.onsetMs().get(), note.lateMs(), note.cents(),
                        note.tongued() ? "attack" : "slurred", note.gesture(), note.gesture().equals(note.meant()) ? "" : " (%s was meant; sure by %.0f %%)".formatted(note.meant(), 100 * note.confidence()));
            }
        }
    }
}
