package wildflourish.sound.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.doReturn;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import javax.sound.sampled.SourceDataLine;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The sound card's side of the samples, on a line that only takes them down. */
class SoundCardTest {

    private final SourceDataLine line = mock(SourceDataLine.class);
    private byte[] given = new byte[0];

    @BeforeEach
    void takesEverything() {
        when(line.isOpen()).thenReturn(true);
        when(line.write(any(), anyInt(), anyInt())).thenAnswer(call -> {
            int length = call.getArgument(2);
            given = java.util.Arrays.copyOf(call.<byte[]>getArgument(0), length);
            return length;
        });
    }

    private int sample(int index) {
        return (given[2 * index + 1] << 8) | (given[2 * index] & 0xff);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2})
    void samplesAreSixteenBitsTheSameOnEverySide(int channels) throws Exception {
        new SoundCard(line, channels).write(new float[] {0, 0.5f, -1, 1}, 4);
        assertThat(given).hasSize(8 * channels);
        int[] expected = {0, 16384, -32767, 32767};
        for (int i = 0; i < expected.length * channels; i++) {
            assertThat(sample(i)).isEqualTo(expected[i / channels]);
        }
    }

    @Test
    void whatIsStillInTheLineHasNotBeenHeard() throws Exception {
        when(line.getBufferSize()).thenReturn(4096);
        when(line.available()).thenReturn(4096 - 2 * 2 * 100);
        SoundCard card = new SoundCard(line, 2);
        card.write(new float[256], 256);
        assertThat(card.heard()).isEqualTo(156);
        assertThat(card.latency()).isEqualTo(1024);
    }

    @Test
    void aLineThatTakesLessIsLost() {
        doReturn(10).when(line).write(any(), anyInt(), anyInt());
        assertThatThrownBy(() -> new SoundCard(line, 1).write(new float[256], 256)).isInstanceOf(Output.OutputLost.class);
        when(line.isOpen()).thenReturn(false);
        assertThatThrownBy(() -> new SoundCard(line, 1).write(new float[256], 256)).isInstanceOf(Output.OutputLost.class);
    }

    @Test
    void aLineThatRestsIsStartedAndOneThatRunsIsLeftAlone() {
        SoundCard card = new SoundCard(line, 1);
        when(line.isActive()).thenReturn(true);
        card.resume();
        verify(line, never()).start();
        when(line.isActive()).thenReturn(false);
        card.resume();
        verify(line).start();
        card.close();
        verify(line).close();
    }
}
