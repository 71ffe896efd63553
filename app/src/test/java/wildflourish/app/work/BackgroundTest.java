package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.logging.Handler;
import java.util.logging.Logger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BackgroundTest {

    private static final Background.Words READING = new Background.Words("reading kelp.abc", "kelp.abc could not be read; try it again");

    private final Deque<Runnable> workers = new ArrayDeque<>();
    private final Deque<Runnable> ui = new ArrayDeque<>();
    private final List<String> said = new ArrayList<>();
    private final List<Object> answers = new ArrayList<>();
    private final Background background = new Background(workers::add, ui::add, new Trouble(said::add));

    private static void all(Deque<Runnable> tasks) {
        while (!tasks.isEmpty()) {
            tasks.removeFirst().run();
        }
    }

    @Test
    void theAnswerComesOnTheInterfacesThread() {
        background.run(READING, job -> "tunes", answers::add);
        assertThat(background.underWay()).extracting(Background.Job::doing).containsExactly("reading kelp.abc");
        all(workers);
        assertThat(answers).isEmpty();
        all(ui);
        assertThat(answers).containsExactly("tunes");
        assertThat(background.underWay()).isEmpty();
        assertThat(said).isEmpty();
    }

    @Test
    void whatFailsIsToldAndPutRight() {
        background.run(READING, job -> {
            throw new IllegalStateException("a fault");
        }, answers::add, () -> answers.add("put right"));
        all(workers);
        all(ui);
        assertThat(said).containsExactly("kelp.abc could not be read; try it again");
        assertThat(answers).containsExactly("put right");
        assertThat(background.underWay()).isEmpty();
    }

    /** A fault in what is made of the answer takes the same road. */
    @Test
    void whatFailsAfterwardsIsToldToo() {
        background.run(READING, job -> 1, one -> {
            throw new IllegalStateException("a fault");
        }, () -> answers.add("put right"));
        all(workers);
        all(ui);
        assertThat(said).containsExactly("kelp.abc could not be read; try it again");
        assertThat(answers).containsExactly("put right");
    }

    /** Several works run at once, and each is stopped by itself. */
    @Test
    void stoppingOneLeavesTheOthers() {
        Background.Job first = background.run(READING, job -> job.stopped() ? "stopped" : "one", answers::add);
        background.run(new Background.Words("growing the shelf", ""), job -> "two", answers::add);
        first.stop();
        assertThat(background.underWay()).extracting(Background.Job::doing).containsExactly("growing the shelf");
        all(workers);
        all(ui);
        assertThat(answers).containsExactly("two");
    }

    @Test
    void onlyTheLatestOfASlotCounts() {
        background.latest("across", Background.Words.silent(""), job -> 1, answers::add, () -> { });
        background.latest("across", Background.Words.silent(""), job -> 2, answers::add, () -> { });
        background.latest("rounds", Background.Words.silent(""), job -> 3, answers::add, () -> { });
        all(workers);
        all(ui);
        assertThat(answers).containsExactly(2, 3);
    }

    @Test
    void progressIsToldWhileItRuns() {
        List<String> seen = new ArrayList<>();
        background.onChange(() -> seen.add(String.join(", ", background.underWay().stream().map(Background.Job::doing).toList())));
        background.run(READING, job -> {
            job.tell("reading kelp.abc: 50 %");
            return 1;
        }, answers::add);
        all(workers);
        all(ui);
        assertThat(seen).containsExactly("reading kelp.abc", "reading kelp.abc: 50 %", "");
    }

    /** Once the window is closed nothing answers any more, and what runs is told to end. */
    @Test
    void closingStopsEverything() {
        Background.Job job = background.run(READING, j -> 1, answers::add);
        all(workers);
        background.close();
        all(ui);
        assertThat(job.stopped()).isTrue();
        assertThat(answers).isEmpty();
    }

    @Test
    void aFaultLeavesItsTraceInTheLog(@TempDir Path folder) throws Exception {
        Logger root = Logger.getLogger("");
        Handler[] before = root.getHandlers();
        Trouble.logBeside(folder.resolve("100 % mine").resolve("library.db"));
        try {
            new Trouble(said::add).met(new IllegalStateException("the reel is tangled"), "this could not be done; try it again");
        } finally {
            for (Handler handler : root.getHandlers()) {
                handler.close();
                root.removeHandler(handler);
            }
            for (Handler handler : before) {
                root.addHandler(handler);
            }
        }
        assertThat(said).containsExactly("this could not be done; try it again");
        assertThat(Files.readString(Trouble.log(folder.resolve("100 % mine").resolve("library.db"))))
                .contains("this could not be done").contains("the reel is tangled").contains("BackgroundTest");
    }
}
