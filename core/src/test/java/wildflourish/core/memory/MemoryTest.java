package wildflourish.core.memory;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class MemoryTest {

    private record Key(String name, List<Integer> numbers) {}

    @Test
    void equalKeysHaveOneValue() {
        Kept<Key, Object> kept = new Kept<>(4);
        Object first = kept.of(new Key("a", List.of(1, 2)), k -> new Object());
        assertThat(kept.of(new Key("a", List.of(1, 2)), k -> new Object())).isSameAs(first);
        assertThat(kept.of(new Key("a", List.of(1, 3)), k -> new Object())).isNotSameAs(first);
    }

    @Test
    void whatHasNotBeenUsedLongestIsLetGoFirst() {
        Kept<Integer, Object> kept = new Kept<>(2);
        Object one = kept.of(1, k -> new Object());
        Object two = kept.of(2, k -> new Object());
        assertThat(kept.of(1, k -> new Object())).isSameAs(one);
        kept.of(3, k -> new Object());
        assertThat(kept.of(1, k -> new Object())).isSameAs(one);
        assertThat(kept.of(2, k -> new Object())).isNotSameAs(two);
    }

    @Test
    void whatFailsIsTriedAgain() {
        Kept<Integer, String> kept = new Kept<>(2);
        assertThatThrownBy(() -> kept.of(1, k -> {
            throw new IllegalStateException("not today");
        })).hasMessage("not today");
        assertThat(kept.of(1, k -> "today")).isEqualTo("today");
    }

    @Test
    void aValueIsWorkedOutOnceHoweverManyAsk() throws Exception {
        AtomicInteger times = new AtomicInteger();
        CountDownLatch begun = new CountDownLatch(1);
        Once<String> once = new Once<>(() -> {
            begun.countDown();
            times.incrementAndGet();
            return "worked out";
        });
        assertThat(once.isKnown()).isFalse();
        List<Future<String>> answers = new ArrayList<>();
        try (ExecutorService threads = Executors.newFixedThreadPool(8)) {
            for (int i = 0; i < 64; i++) {
                answers.add(threads.submit(once::get));
            }
            begun.await();
        }
        for (Future<String> answer : answers) {
            assertThat(answer.get()).isEqualTo("worked out");
        }
        assertThat(times).hasValue(1);
        assertThat(once.isKnown()).isTrue();
    }
}
