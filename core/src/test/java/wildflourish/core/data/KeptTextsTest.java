package wildflourish.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import wildflourish.core.growth.Lick;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;

/** What is kept as a text is the same when it is read again, whatever a teacher has written into it. */
class KeptTextsTest {

    private static final String[] HOSTILE = {"\"", "\\", "\n", "\r", "\t", "\u0000", "\u001b", "\u2028", "\uFEFF", "\uD83C\uDFB5", "{", "}", "[", "]",
        ",", ":", "%", "$1", "&#13;", "\\u000d", "null", "é", "e\u0301", " ", "", "I:flourish", "'; DROP TABLE tune; --"};

    private static String hostile(Random random) {
        StringBuilder text = new StringBuilder();
        for (int i = random.nextInt(8); i >= 0; i--) {
            text.append(HOSTILE[random.nextInt(HOSTILE.length)]);
        }
        return text.toString();
    }

    @Property(tries = 500)
    void licksComeBack(@ForAll long seed) {
        Random random = new Random(seed);
        List<Element> notes = new ArrayList<>();
        for (int i = random.nextInt(6); i >= 0; i--) {
            Ratio length = Ratio.of(1 + random.nextInt(7), 1L << random.nextInt(6));
            notes.add(random.nextInt(6) == 0 && !notes.isEmpty() ? Rest.of(length) : Note.of(Pitch.ofMidi(40 + random.nextInt(50)), length));
        }
        Key key = Key.of(Step.values()[random.nextInt(7)], random.nextInt(3) - 1, Mode.values()[random.nextInt(Mode.values().length)]);
        Lick lick = new Lick(hostile(random), notes, key, Ratio.of(random.nextInt(5), 8), Ratio.of(3 + random.nextInt(3), 4),
                Pitch.ofMidi(50 + random.nextInt(30)), random.nextBoolean() ? Optional.of(Pitch.ofMidi(60)) : Optional.empty(), hostile(random));
        assertThat(Lick.parse(lick.write())).isEqualTo(lick);
    }

    @Test
    void everyInstrumentComesBack() {
        for (Instrument instrument : Instruments.all()) {
            assertThat(Instruments.parse("again", Instruments.write(instrument))).as(instrument.id()).isEqualTo(instrument);
        }
    }
}
