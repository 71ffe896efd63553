package wildflourish.score.handout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Tempo;
import wildflourish.score.Scores;
import wildflourish.score.display.Shape;
import wildflourish.score.engrave.Aids;

/** What a sheet says of how fast its ornaments go. */
class HandoutLimitsTest {

    private static List<String> words(Map<Integer, List<String>> placed) {
        Setting setting = new Setting(new TreeMap<>(placed));
        Arrangement arrangement = new Arrangement(Scores.tune("M:4/4\nL:1/8\nK:D", "E2F2 E2F2|E2F2 E2F2|E2F2 E2F2|E2F2 E2F2|]"),
                Instruments.known("whistle-d"), Tempo.parse("1/4=100"), Speeds.level("fluent"), School.USUAL,
                new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("full", setting))));
        return Handout.pages(arrangement.version(1), Aids.NONE, List.of()).stream().flatMap(d -> d.shapes().stream())
                .filter(s -> s instanceof Shape.Words).map(s -> ((Shape.Words) s).text()).toList();
    }

    /** The limit is that of the commonest placement; the one stack that is worse is named by its bar, and does not speak for all. */
    @Test
    void oneBadStackDoesNotSpeakForAll() {
        List<String> alike = words(Map.of(1, List.of("slide"), 5, List.of("slide"), 9, List.of("slide")));
        List<String> worse = words(Map.of(1, List.of("slide"), 5, List.of("slide"), 9, List.of("slide"), 13, List.of("slide", "short-roll")));
        String limit = alike.stream().filter(w -> w.contains("clean up to")).findFirst().orElseThrow();
        assertThat(limit).contains("speaks up to");
        String usual = limit.substring(limit.indexOf("clean up to"));
        assertThat(worse).anyMatch(w -> w.contains(usual));
        assertThat(worse).anyMatch(w -> w.startsWith("In bar 4 it is tighter: clean up to"));
        assertThat(alike).noneMatch(w -> w.contains("it is tighter"));
    }
}
