package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;

/**
 * A library on a stick that is pulled out while somebody works, and put in again: a disk of its own (ext4 in a file), which from a
 * moment on answers everything with an error. Only who may mount disks can do this; the test is skipped for others.
 */
@EnabledOnOs(OS.LINUX)
class PulledStickTest {

    /** Of ext4: {@code _IOR('X', 125, __u32)}, and not even what was still to be written is. */
    private static final long SHUT_DOWN = 0x8004587dL;
    private static final int AT_ONCE = 2;

    @TempDir
    Path folder;

    private Path stick;

    private static int run(String... command) throws IOException, InterruptedException {
        try {
            Process process = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
            return process.waitFor(20, TimeUnit.SECONDS) ? process.exitValue() : -1;
        } catch (IOException noSuchCommand) {
            return -1;
        }
    }

    @BeforeEach
    void aStick() throws Exception {
        stick = Files.createDirectories(folder.resolve("stick"));
        Path disk = Files.write(folder.resolve("disk"), new byte[24 << 20]);
        assumeTrue(run("mkfs.ext4", "-q", "-F", disk.toString()) == 0 && putIn(), "this machine lets nobody mount a disk here");
    }

    private boolean putIn() throws Exception {
        return run("mount", "-o", "loop", folder.resolve("disk").toString(), stick.toString()) == 0;
    }

    @AfterEach
    void takeOut() throws Exception {
        run("umount", "-l", stick.toString());
    }

    @SuppressWarnings("restricted")
    private void pullOut() throws Throwable {
        Linker linker = Linker.nativeLinker();
        MethodHandle open = linker.downcallHandle(linker.defaultLookup().findOrThrow("open"),
                FunctionDescriptor.of(ValueLayout.JAVA_INT, ValueLayout.ADDRESS, ValueLayout.JAVA_INT), Linker.Option.firstVariadicArg(2));
        MethodHandle ioctl = linker.downcallHandle(linker.defaultLookup().findOrThrow("ioctl"),
                FunctionDescriptor.of(ValueLayout.JAVA_INT, ValueLayout.JAVA_INT, ValueLayout.JAVA_LONG, ValueLayout.ADDRESS), Linker.Option.firstVariadicArg(2));
        MethodHandle close = linker.downcallHandle(linker.defaultLookup().findOrThrow("close"), FunctionDescriptor.of(ValueLayout.JAVA_INT, ValueLayout.JAVA_INT));
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment how = arena.allocateFrom(ValueLayout.JAVA_INT, AT_ONCE);
            int disk = (int) open.invokeExact(arena.allocateFrom(stick.toString()), 0);
            assertThat((int) ioctl.invokeExact(disk, SHUT_DOWN, how)).as("the disk is shut down").isZero();
            assertThat((int) close.invokeExact(disk)).isZero();
        }
        assertThatThrownBy(() -> Files.readAllBytes(stick.resolve("library.db"))).isInstanceOf(IOException.class);
    }

    @Test
    void whatWasKeptIsThereAndWhatWasNotIsKeptWhenTheStickIsBack() throws Throwable {
        Path file = stick.resolve("library.db");
        List<Long> kept = new ArrayList<>();
        long tune;
        try (Library library = Library.open(file)) {
            tune = library.tunes().add("One", "reel", "D major", "4/4", "v0");
            long at = library.tunes().current(tune).id();
            for (int edit = 1; edit <= 40; edit++) {
                at = library.tunes().save(tune, at, "edit " + edit, "v%d %s".formatted(edit, "FAdf afdA|".repeat(100))).edition().id();
                kept.add(at);
            }
            long last = at;
            pullOut();
            for (int again = 0; again < 3; again++) {
                assertThatThrownBy(() -> library.tunes().save(tune, last, "away", "w")).isInstanceOfSatisfying(LibraryFault.class, e -> assertThat(e.mayPass()).as("it is tried again").isTrue())
                        .hasMessageContaining("does not answer").hasMessageNotContaining("damaged");
                assertThatThrownBy(() -> library.tunes().current(tune)).isInstanceOf(LibraryFault.class).hasMessageContaining("does not answer");
                assertThatThrownBy(() -> library.tunes().all()).isInstanceOf(LibraryFault.class);
            }
            takeOut();
            assertThatThrownBy(() -> library.tunes().save(tune, last, "away", "w")).hasMessageContaining("does not answer");
            assertThat(file).as("no new library is made where the stick was").doesNotExist();
            assertThat(putIn()).isTrue();
            assertThat(library.tunes().current(tune).id()).as("nothing that was kept is lost").isEqualTo(last);
            Saved back = library.tunes().save(tune, last, "back", "x");
            assertThat(back.meanwhile()).isEmpty();
            kept.add(back.edition().id());
        }
        try (Library library = Library.open(file)) {
            assertThat(library.examine()).isEmpty();
            assertThat(library.tunes().editions(tune)).extracting(EditionEntry::id).containsAll(kept);
            assertThat(library.tunes().current(tune).document()).isEqualTo("x");
        }
    }

    /** Another stick with another library is put in: nothing is written to it. */
    @Test
    void anotherLibraryInItsPlaceIsLeftAlone() throws Throwable {
        Path file = stick.resolve("library.db");
        try (Library library = Library.open(file)) {
            library.tunes().add("One", "reel", "D major", "4/4", "v0");
        }
        try (Library library = Library.open(file)) {
            pullOut();
            takeOut();
            try (Library other = Library.open(file)) {
                other.tunes().add("Other", "jig", "G major", "6/8", "o0");
            }
            assertThatThrownBy(() -> library.tunes().add("Two", "reel", "D major", "4/4", "v0")).isInstanceOfSatisfying(LibraryFault.class, e -> assertThat(e.isAnotherLibrary()).isTrue())
                    .hasMessageContaining("another library is in the place");
        }
        try (Library other = Library.open(file)) {
            assertThat(other.tunes().all().read()).extracting(TuneEntry::title).containsExactly("Other");
        }
    }
}
