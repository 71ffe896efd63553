package wildflourish.score.engrave;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class SystemBreaksTest {

    @Test
    void barsThatFitStandOnOneLine() {
        assertThat(SystemBreaks.of(List.of(20.0, 20.0, 20.0), Collections.nCopies(3, false), 100)).containsExactly(3);
    }

    @Test
    void systemsAreFilledEvenly() {
        assertThat(SystemBreaks.of(Collections.nCopies(8, 24.0), Collections.nCopies(8, false), 100))
                .containsExactly(4, 8);
        assertThat(SystemBreaks.of(Collections.nCopies(16, 24.0), Collections.nCopies(16, false), 100))
                .containsExactly(4, 8, 12, 16);
    }

    @Test
    void theWritersBreakIsPreferredWhenItCostsLittle() {
        List<Boolean> writer = new ArrayList<>(Collections.nCopies(8, false));
        writer.set(3, true);
        assertThat(SystemBreaks.of(Collections.nCopies(8, 21.0), writer, 105)).contains(4);
    }

    @Test
    void aBarTooWideForTheLineStandsAlone() {
        assertThat(SystemBreaks.of(List.of(30.0, 300.0, 30.0), Collections.nCopies(3, false), 100))
                .containsExactly(1, 2, 3);
    }

    @Property(tries = 300)
    void noSystemIsOverfullAndEveryBarStandsOnce(@ForAll long seed) {
        Random random = new Random(seed);
        List<Double> widths = new ArrayList<>();
        List<Boolean> writer = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(40); i++) {
            widths.add(10 + random.nextDouble() * 40);
            writer.add(random.nextInt(4) == 0);
        }
        List<Integer> ends = SystemBreaks.of(widths, writer, 100);
        int from = 0;
        for (int end : ends) {
            assertThat(end).isGreaterThan(from);
            double sum = widths.subList(from, end).stream().mapToDouble(d -> d).sum();
            assertThat(end - from == 1 || sum <= 112.0001).isTrue();
            from = end;
        }
        assertThat(from).isEqualTo(widths.size());
    }
}
