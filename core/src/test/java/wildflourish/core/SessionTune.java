package wildflourish.core;

import java.util.List;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** Whole tunes of the demo class, one of each kind, for tests of what is played at session speed. */
public enum SessionTune {
    REEL("reel", Meter.of(4, 4), Key.of(Step.D, 0, Mode.MAJOR),
            "|: D4 E4 | F#4:2 A4 F#4 D5 F#4 A4 F#4 | G4:2 B4 G4 E5 G4 B4 G4 | F#4:2 A4 F#4 D5:2 C#5 D5 | E5 A4 "
            + "C#5 E5 D5 B4 A4 G4 | F#4:2 A4 F#4 D5 F#4 A4 F#4 | G4:2 B4 G4 E5 F#5 G5 E5 | F#5 D5 E5 C#5 D5 B4 A4 "
            + "G4 | F#4 A4 E4 F#4 D4:2 :|: D5 E5 | F#5:2 D5 F#5 A5 D5 F#5 D5 | E5:2 C#5 E5 G5 E5 C#5 E5 | D5:2 B4 "
            + "D5 F#5 D5 B4 D5 | C#5:2/3 B4:2/3 A4:2/3 E5 A4 C#5 A4 B4 C#5 | F#5:2 D5 F#5 A5 D5 F#5 D5 | E5:2 C#5 "
            + "E5 G5 E5 C#5 E5 | D5 F#5 A5 F#5 G5 F#5 E5 C#5 | [1 D5:2 B4 G4 A4:2 :| [2 D5 B4 A4 F#4 D4:2 ||"),
    JIG("jig", Meter.of(6, 8), Key.of(Step.G, 0, Mode.MAJOR),
            "|: D4 | G4:3 B4 A4 G4 | A4:3 C5 B4 A4 | B4:2 D5 G5 F#5 D5 | E5 D5 B4 A4 F#4 D4 | G4:3 B4 A4 G4 | "
            + "A4:3 C5:2 E5 | D5 B4 G4 A4 F#4 D4 | A4 G4 F#4 G4:2 :|: D5 | G5 F#5 G5 D5 B4 D5 | E5 F#5 G5 A5:2 G5 | "
            + "F#5 E5 D5 C5 A4 F#4 | G4 A4 B4 A4 F#4 D4 | G5 F#5 G5 D5 B4 D5 | E5 F#5 G5 A5:2 F#5 | G5 D5 B4 C5 A4 "
            + "F#4 | [1 A4 G4 F#4 G4:2 :| [2 A4 G4 G4 G4:2 ||"),
    HORNPIPE("hornpipe", Meter.of(4, 4), Key.of(Step.D, 0, Mode.MAJOR),
            "|: A4:3/2 G4:1/2 | F#4:3/2 A4:1/2 D4:3/2 F#4:1/2 A4:3/2 F#4:1/2 D5:3/2 A4:1/2 | B4:3/2 G4:1/2 B4:3/2 "
            + "D5:1/2 G5:2 F#5:3/2 E5:1/2 | D5:3/2 F#5:1/2 A4:3/2 D5:1/2 F#4:3/2 A4:1/2 D5:3/2 F#5:1/2 | E5:2 C#5:2 "
            + "A4:2 A4:3/2 G4:1/2 | F#4:3/2 A4:1/2 D4:3/2 F#4:1/2 A4:3/2 F#4:1/2 D5:3/2 A4:1/2 | B4:3/2 G4:1/2 "
            + "B4:3/2 D5:1/2 G5:2 G5:2/3 F#5:2/3 E5:2/3 | F#5:3/2 D5:1/2 E5:3/2 C#5:1/2 A4:3/2 G4:1/2 F#4:3/2 "
            + "E4:1/2 | D4:2 F#4:2 D4:2 :|: D5:3/2 E5:1/2 | F#5:3/2 A5:1/2 E5:3/2 G5:1/2 F#5:2 D5:3/2 F#5:1/2 | "
            + "E5:3/2 G5:1/2 C#5:3/2 E5:1/2 A4:2 C#5:3/2 E5:1/2 | F#5:3/2 A5:1/2 E5:3/2 G5:1/2 F#5:3/2 D5:1/2 "
            + "B4:3/2 D5:1/2 | C#5:3/2 D5:1/2 E5:3/2 C#5:1/2 A4:2 C#5:3/2 A4:1/2 | B4:3/2 C#5:1/2 D5:3/2 B4:1/2 "
            + "G5:2 F#5:3/2 E5:1/2 | A5:3/2 F#5:1/2 D5:3/2 F#5:1/2 E5:2 A4:2/3 B4:2/3 C#5:2/3 | D5:3/2 F#5:1/2 "
            + "E5:3/2 C#5:1/2 A4:3/2 G4:1/2 F#4:3/2 E4:1/2 | D4:2 F#4:2 D4:2 :|"),
    POLKA("polka", Meter.of(2, 4), Key.of(Step.D, 0, Mode.MAJOR),
            "|: F#4 A4 D5 A4 | F#4 A4 B4:2 | G4 B4 E5 D5 | C#5 A4 G4 E4 | F#4 A4 D5 A4 | F#4 A4 B4 D5 | A4 G4 F#4 "
            + "E4 | D4:2 D4:2 :|: F#5 D5 D5 F#5 | A5:2 G5 F#5 | E5 C#5 C#5 E5 | G5:2 F#5 E5 | F#5 D5 D5 F#5 | A5 G5 "
            + "F#5 E5 | D5:1/2 E5:1/2 F#5 E5 C#5 | D5:2 D5:2 :|"),
    WALTZ("waltz", Meter.of(3, 4), Key.of(Step.G, 0, Mode.MAJOR),
            "|: B4 C5 | D5:4 G5 E5 | D5:4 B4 G4 | A4:4 C5 B4 | A4:4 B4 C5 | D5:4 G5 E5 | D5:4 B4 D5 | C5:2 A4:2 "
            + "F#4:2 | G4:4 :|: G4 A4 | B4:4 D5 B4 | A4:4 G4 E4 | D4:4 E4 G4 | A4:4 G4 A4 | B4:4 D5 B4 | E5:4 D5 B4 "
            + "| C5:2 A4:2 F#4:2 | [1 G4:4 :| [2 G4:6 ||"),
    SLOW_AIR("slow air", Meter.of(3, 4), Key.of(Step.E, 0, Mode.MINOR),
            "E4 F#4 | G4:3 F#4 E4:2 | B4:4 A4 G4 | A4:3 B4 D5:2 | B4:4 E5 F#5 | G5:3 F#5 E5:2 | D5:4 B4 A4 | G4:3 "
            + "A4 F#4:2 | E4:4 || E5 F#5 | G5:3 A5 G5:2 | F#5:3 E5 D5:2 | E5:3 F#5 E5:2 | D5:2 B4:2 C#5 D5 | E5:3 "
            + "D5 B4:2 | A4:4 G4 F#4 | G4:3 A4 F#4:2 | E4:4 ||"),
    BREAKDOWN("breakdown", Meter.of(4, 4), Key.of(Step.A, 0, Mode.MAJOR),
            "|: E4 G#4 | A4:2 C#5 A4 E5:2 C#5 A4 | D5:2 F#5 D5 A5:2 F#5 D5 | A4:2 C#5 A4 E5:2 C#5 E5 | F#5 E5 D5 "
            + "C#5 B4 A4 G#4 B4 | A4:2 C#5 A4 E5:2 C#5 A4 | D5:2 F#5 D5 A5:2 F#5 D5 | E5 A5 E5 C#5 B4 A4 G#4 B4 | "
            + "A4:2 A4 B4 A4:2 :|: E4:2 | A3:2 C#4 E4 A4:2 E4 C#4 | B3:2 D4 F#4 A4:2 F#4 D4 | A3:2 C#4 E4 A4:2 C#5 "
            + "E5 | F#5 E5 D5 C#5 B4 A4 G#4 B4 | A3:2 C#4 E4 A4:2 E4 C#4 | B3:2 D4 F#4 A4:2 F#4 D4 | E5 A5 E5 C#5 "
            + "B4 A4 G#4 B4 | [1 A4:2 A4 B4 A4:2 :| [2 A4:2 C#5:2 A4:2 ||"),
    MARCH("march", Meter.of(4, 4), Key.of(Step.A, 0, Mode.MIXOLYDIAN),
            "|: E5 | A4:2 A4:3/2 B4:1/2 C#5:2 E5:3/2 C#5:1/2 | D5:3/2 C#5:1/2 B4:3/2 A4:1/2 G4:2 B4:3/2 G4:1/2 | "
            + "A4:2 A4:3/2 B4:1/2 C#5:2 E5:3/2 F#5:1/2 | G5:3/2 E5:1/2 D5:3/2 B4:1/2 G4:2 B4:3/2 G4:1/2 | A4:2 "
            + "A4:3/2 B4:1/2 C#5:2 E5:3/2 C#5:1/2 | D5:3/2 C#5:1/2 B4:3/2 D5:1/2 E5:2 F#5:3/2 G5:1/2 | A5:2 E5:3/2 "
            + "C#5:1/2 D5:2 C#5:3/2 B4:1/2 | A4:2 A4:2 A4:3 :|: G5 | A5:2 A5:3/2 E5:1/2 F#5:2 E5:3/2 C#5:1/2 | D5:2 "
            + "F#5:3/2 D5:1/2 E5:2 C#5:3/2 A4:1/2 | A5:2 A5:3/2 E5:1/2 F#5:2 E5:3/2 C#5:1/2 | D5:3/2 C#5:1/2 B4:3/2 "
            + "A4:1/2 G4:2 B4:3/2 G4:1/2 | A4:2 A4:3/2 B4:1/2 C#5:2 E5:3/2 C#5:1/2 | D5:3/2 C#5:1/2 B4:3/2 D5:1/2 "
            + "E5:2 F#5:3/2 G5:1/2 | A5:2 E5:3/2 C#5:1/2 D5:2 C#5:3/2 B4:1/2 | A4:2 A4:2 A4:3 :|"),
    SECOND_REEL("reel", Meter.of(4, 4), Key.of(Step.D, 0, Mode.MIXOLYDIAN),
            "|: A4:2 | D5:2 D5 A4 C5:2 C5 A4 | G4:2 G4 A4 F#4:2 D4:2 | D5:2 D5 A4 C5:2 C5 A4 | G4:2 F#4 G4 A4:4 | "
            + "D5:2 D5 A4 C5:2 C5 A4 | G4:2 G4 A4 F#4:2 D4:2 | E4:2 E4 F#4 G4:2 A4 B4 | C5:2 B4 A4 G4:2 F#4 E4 | "
            + "D4:4 D4:2 :|: F#4 G4 | A4:2 A4:2 A4 F#4 A4 D5 | C5:4 A4:2 F#4 G4 | A4:2 A4:2 A4 F#4 A4 D5 | C5:4 "
            + "A4:2 G4:2 | E4:2 E4 F#4 G4:2 A4 B4 | C5:2 B4 A4 G4:2 F#4 E4 | D4:4 D4:2 :|");

    private final String rhythm;
    private final Meter meter;
    private final Key key;
    private final String notes;

    SessionTune(String rhythm, Meter meter, Key key, String notes) {
        this.rhythm = rhythm;
        this.meter = meter;
        this.key = key;
        this.notes = notes;
    }

    /** The tune, its kind in its head, no tempo of its own. */
    public Tune tune() {
        Tune plain = Tunes.of(meter, key, notes);
        Head head = new Head(1, List.of(name()), List.of(), rhythm, meter, Ratio.of(1, 8), java.util.Optional.empty(), key, "", List.of());
        return new Tune(head, plain.opening(), plain.bars());
    }

    public Timeline timeline() {
        return Timeline.of(tune());
    }
}
