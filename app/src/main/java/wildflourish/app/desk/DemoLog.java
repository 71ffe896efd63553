package wildflourish.app.desk;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.SimulatedStudent;
import wildflourish.core.practice.Spoken;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;

/** Some weeks of practice for the demo class: every pass is played by somebody made up and measured like any other. */
final class DemoLog {

    private static final String INSTRUMENT = "whistle-d";
    private static final int DAYS = 19;
    private static final long SEED = 11;

    private final long tune;
    private final Arrangement arrangement;
    private final Instant today;
    private final List<LoggedPass> log = new ArrayList<>();

    private DemoLog(long id, Tune tune, Clock clock) {
        this.tune = id;
        this.arrangement = new Arrangement(tune, Instruments.known(INSTRUMENT), TuneType.tempoOf(tune.head()),
                Speeds.level(Speeds.USUAL), School.USUAL, Ladder.bare());
        this.today = clock.instant();
    }

    /** Passes of a part, a phrase and a gesture over the weeks before now, the oldest first. */
    static List<LoggedPass> of(long id, Tune tune, Clock clock) {
        DemoLog demo = new DemoLog(id, tune, clock);
        List<Phrase> phrases = Phrases.of(Timeline.of(tune));
        demo.stretch("part A", phrases.get(0).fromNote(), phrases.get(3).toNote(), "improving", 3, new int[] {0, 1, 3, 5, 7, 8, 12, 14});
        demo.stretch(phrases.get(5).name(), phrases.get(5).fromNote(), phrases.get(5).toNote(), "uneven", 7, new int[] {5, 7, 14, 15});
        demo.drill("cut", "improving", new int[] {0, 2, 7, 14, 15});
        demo.log.sort(java.util.Comparator.comparing(LoggedPass::at));
        return demo.log;
    }

    private Instant day(int day) {
        return today.minus(Duration.ofDays(DAYS - day)).minus(Duration.ofMinutes(90));
    }

    private void stretch(String name, int from, int to, String student, int passes, int... days) {
        log.addAll(new DemoPasses(tune, arrangement, this::day).stretch(name, from, to, student, passes, days));
    }

    private void drill(String id, String student, int[] days) {
        Drill drill = Drill.byId(id);
        int pass = 4;
        for (int day : days) {
            Instant at = day(day).plus(Duration.ofMinutes(4));
            Drill.Run run = drill.begin();
            while (!run.done()) {
                Expected expected = drill.expected(run.lengthMs());
                int lengthMs = run.lengthMs();
                Evenness played = Evenness.of(expected, SimulatedStudent.byId(student).play(expected, pass++, SEED));
                run = run.after(played);
                log.add(LoggedPass.of(at, new LoggedPass.Practised(Optional.empty(), drill.name(), "", INSTRUMENT, "", student, Optional.empty(),
                        lengthMs), played, run.cameLast(), Spoken.UNHEARD));
                at = at.plusMillis(Math.round(expected.lengthMs()) + 3000);
            }
        }
    }
}
