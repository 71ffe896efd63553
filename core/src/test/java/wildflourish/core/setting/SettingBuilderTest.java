package wildflourish.core.setting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;

class SettingBuilderTest {

    /** Whatever the order of placements and variations, it comes to what doing them one by one comes to. */
    @Property(tries = 300)
    void itDoesWhatOneAfterTheOtherDoes(@ForAll long seed) {
        Random random = new Random(seed);
        SettingBuilder builder = new SettingBuilder();
        Setting setting = Setting.BARE;
        for (int i = 0; i < 30; i++) {
            int note = random.nextInt(12);
            Variation variation = new Variation(note, note + 1 + random.nextInt(4), "connect", List.of(Note.of(Pitch.ofMidi(60 + i), Ratio.of(1, 8))));
            switch (random.nextInt(4)) {
                case 0 -> {
                    builder.vary(variation);
                    setting = setting.with(variation);
                }
                case 1 -> {
                    builder.clear(variation);
                    setting = setting.with(variation).without(variation);
                }
                default -> {
                    String id = List.of("cut", "tap", "roll").get(random.nextInt(3));
                    builder.place(note, id);
                    setting = setting.with(note, id);
                }
            }
        }
        assertThat(builder.build()).isEqualTo(setting);
    }
}
