package wildflourish.app.work;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import wildflourish.library.WrittenFile;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.wave.Wav;

/** Makes files: taken as things are when asked, made in the background, written whole or not at all, and told. */
public final class Production {

    /** Progress is told each time so many per cent more are done. */
    private static final int TOLD_EVERY = 5;

    private final Background background;
    private final Consumer<String> say;

    /** {@code say} is told what became of a file. */
    public Production(Background background, Consumer<String> say) {
        this.background = background;
        this.say = say;
    }

    /** The format that a file's ending tells; says which there are where it tells none. */
    public Optional<Exports.Format> format(Path file) {
        Optional<Exports.Format> format = Exports.format(file.toString());
        if (format.isEmpty()) {
            say.accept("end the name with " + Exports.ENDINGS);
        }
        return format;
    }

    /** Writes what is heard as a sound file, and tells how far it is. */
    public void sound(Path file, String what, Supplier<Itinerary> heard) {
        make(file, what, job -> {
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

    /** Makes a file; {@code what} is what it holds, as in {@code the sheet}. */
    public void make(Path file, String what, Background.Work<byte[]> work) {
        make(file, what, work, () -> "");
    }

    /** As above, of a file that holds students' names: only its user may read it, and the library keeps where it is. */
    public void personal(WrittenFile file, String what, Keeper keeper, Background.Work<byte[]> work) {
        make(file.path(), what, work, () -> "", bytes -> {
            SafeWrite.writePrivate(file.path(), bytes);
            keeper.people("where a file is", p -> p.wrote(List.of(file)));
        });
    }

    /** Puts what was made into a file. */
    private interface Writing {
        void write(byte[] bytes) throws IOException;
    }

    /** As above; {@code remark} is said behind where it is. */
    public void make(Path file, String what, Background.Work<byte[]> work, Supplier<String> remark) {
        make(file, what, work, remark, bytes -> SafeWrite.write(file, bytes));
    }

    private void make(Path file, String what, Background.Work<byte[]> work, Supplier<String> remark, Writing writing) {
        String failed = "%s could not be made; nothing was written, and the tune is as it was".formatted(what);
        background.run(new Background.Words("writing " + file.getFileName(), failed), job -> {
            byte[] bytes;
            try {
                bytes = work.run(job);
            } catch (Wav.TooLong e) {
                return Objects.requireNonNull(e.getMessage());
            }
            try {
                if (!job.stopped()) {
                    writing.write(bytes);
                }
                return "%s is in %s%s".formatted(what, file, remark.get());
            } catch (IOException e) {
                return "%s could not be written to %s; choose another place".formatted(what, file);
            }
        }, say);
    }
}
