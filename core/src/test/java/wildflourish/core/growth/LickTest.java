package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;

/** Where a player's own turn of phrase fits, and how it is moved there; against examples worked out by hand. */
class LickTest {

    private static final Meter COMMON = Meter.of(4, 4);

    static Lick lick() {
        Timeline plain = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D4:2 F#4:2 A4:4 | B4:2 A4:2 D4:4 ||"));
        List<Element> played = Variation.parse("D4:1/8 E4:1/8 F4:1/8 F#4:1/8");
        return Lick.of("up the stair", plain, 0, 2, played, "an evening");
    }

    @Test
    void aLickIsMovedToFitWhereverTheMelodyAllows() {
        Timeline inG = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), "G4:2 A4:2 D5:4 | E5:2 D5:2 G4:4 | A4:2 G4:2 D5:4 | B4:8 ||"));
        assertThat(lick().fittedTo(inG, 0, inG.size()).map(v -> Variation.text(v.notes())))
                .hasValue("G4:1/8 A4:1/8 Bb4:1/8 B4:1/8");
        assertThat(lick().fittedTo(inG, 5, inG.size())).as("beat three").isEmpty();
        assertThat(lick().fittedTo(inG, 6, inG.size())).as("the second degree").isEmpty();
        Timeline minor = Timeline.of(Tunes.of(Meter.of(4, 4), Key.of(Step.D, 0, Mode.MINOR), "D4:2 F4:2 A4:4 ||"));
        assertThat(lick().fittedTo(minor, 0, minor.size())).isEmpty();
        Timeline jig = Timeline.of(Tunes.of(Meter.of(6, 8), Tunes.d(), "D4:2 F#4:2 A4:2 ||"));
        assertThat(lick().fittedTo(jig, 0, jig.size())).isEmpty();
    }

    @Test
    void aLickIsReadBackAsItWasKept() {
        assertThat(Lick.parse(lick().write())).isEqualTo(lick());
    }

    private static Timeline d(String text) {
        return Timeline.of(Tunes.of(COMMON, Tunes.d(), text));
    }

    /** Kept from a tune in D: on the first beat from D over two crotchets, whatever is given, and on to A. */
    private static Lick kept(String played) {
        return Lick.of("own", d("D4:2 F#4:2 A4:4 | D4:8 ||"), 0, 2, Variation.parse(played), "");
    }

    private static Optional<String> on(String text, Lick lick) {
        Timeline tune = d(text);
        return lick.fittedTo(tune, 0, tune.size()).map(v -> Variation.text(v.notes()));
    }

    /** It leads to the fifth: to the fourth and the sixth it leads as well, to what is farther it does not, also over the octave. */
    @Test
    void whatFollowsIsWithinAStep() {
        Lick lick = kept("D4:1/8 E4:1/8 F#4:1/8 G4:1/8");
        for (String near : List.of("A4", "G4", "B4", "A5", "B3")) {
            assertThat(on("D4:2 F#4:2 %s:4 | D4:8 ||".formatted(near), lick)).as(near).isPresent();
        }
        for (String far : List.of("F#4", "C#5", "D4", "E4")) {
            assertThat(on("D4:2 F#4:2 %s:4 | D4:8 ||".formatted(far), lick)).as(far).isEmpty();
        }
        Lick toTheTop = Lick.of("up", d("D4:2 F#4:2 C#5:4 | D5:8 ||"), 0, 2, Variation.parse("D4:1/8 F#4:1/8 A4:1/8 B4:1/8"), "");
        assertThat(on("D4:2 F#4:2 D5:4 | D5:8 ||", toTheTop)).as("the seventh and the first are neighbours").isPresent();
        assertThat(on("D4:2 F#4:2 E5:4 | D5:8 ||", toTheTop)).isEmpty();
    }

    @Test
    void atTheEndOfATuneNothingHasToFollow() {
        Lick last = Lick.of("last", d("D4:4 A4:4 | D4:2 D4:2 D4:4 ||"), 4, 5, Variation.parse("F#4:1/8 E4:1/8 D4:1/4"), "");
        assertThat(last.leaves()).isEmpty();
        Timeline tune = d("A4:4 A4:4 | F#4:4 D4:4 | A4:8 ||");
        assertThat(last.fittedTo(tune, 3, tune.size()).map(v -> v.from() + "-" + v.to())).hasValue("3-4");
        Lick led = Lick.of("led", d("D4:4 A4:4 | D4:4 D4:4 | A4:8 ||"), 3, 4, last.notes(), "");
        assertThat(led.leaves()).isPresent();
        Timeline ends = d("A4:4 A4:4 | F#4:4 D4:4 ||");
        assertThat(led.fittedTo(ends, 3, ends.size())).as("where the tune ends, too").isPresent();
    }

    @Test
    void itTakesTheTimeOfWholeNotesAndNotMoreThanThePhraseHas() {
        Lick lick = kept("D4:1/8 E4:1/8 F#4:1/8 G4:1/8");
        assertThat(lick.length()).isEqualTo(Ratio.of(1, 2));
        assertThat(on("D4:1 E4:1 D4:1 F#4:1 A4:4 | D4:8 ||", lick)).hasValue("D4:1/8 E4:1/8 F#4:1/8 G4:1/8");
        assertThat(on("D4:3 F#4:2 A4:3 | D4:8 ||", lick)).as("a note would be cut in two").isEmpty();
        Timeline tune = d("D4:2 F#4:2 A4:4 | D4:8 ||");
        assertThat(lick.fittedTo(tune, 0, 2)).isPresent();
        assertThat(lick.fittedTo(tune, 0, 1)).as("the phrase ends before").isEmpty();
    }

    @Test
    void whatTheTuneHasAlreadyIsNoLick() {
        assertThat(on("D4:2 F#4:2 A4:4 | D4:8 ||", kept("D4:1/4 F#4:1/4"))).isEmpty();
        assertThat(on("D4:2 F#4:2 A4:4 | D4:8 ||", kept("D4:1/4 G4:1/4"))).hasValue("D4:1/4 G4:1/4");
        assertThat(on("D4:2 F#4:2 A4:4 | D4:8 ||", kept("E4:1/4 F#4:1/4"))).hasValue("E4:1/4 F#4:1/4");
        assertThat(on("D4:2 F#4:2 A4:4 | D4:8 ||", kept("D4:3/8 F#4:1/8"))).as("the same notes in another rhythm").hasValue("D4:3/8 F#4:1/8");
        assertThat(on("D4:2 F#4:2 A4:4 | D4:8 ||", kept("D4:1/4 z:1/4"))).as("a rest").hasValue("D4:1/4 z:1/4");
    }

    @Test
    void itIsMovedByOctavesAndNeverBeyondADoubleSharp() {
        assertThat(on("D5:2 F#5:2 A5:4 | D5:8 ||", kept("D4:1/4 A4:1/4"))).hasValue("D5:1/4 A5:1/4");
        assertThat(on("D5:2 F#5:2 A5:4 | D5:8 ||", kept("D4:1/4 F4:1/4"))).as("flattened there as here").hasValue("D5:1/4 F5:1/4");
        Lick sharp = Lick.of("sharp", d("D4:2 F#4:2 A4:4 | D4:8 ||"), 0, 2, Variation.parse("D4:1/4 E##4:1/4"), "");
        Timeline e = Timeline.of(Tunes.of(COMMON, Key.of(Step.E, 0, Mode.MAJOR), "E4:2 G#4:2 B4:4 | E4:8 ||"));
        assertThat(sharp.fittedTo(e, 0, e.size()).map(v -> Variation.text(v.notes()))).as("F sharp raised twice is left as F sharp").hasValue("E4:1/4 F#4:1/4");
        Lick flat = Lick.of("flat", d("D4:2 F#4:2 A4:4 | D4:8 ||"), 0, 2, Variation.parse("D4:1/4 Ebb4:1/4"), "");
        assertThat(flat.fittedTo(e, 0, e.size()).map(v -> Variation.text(v.notes()))).hasValue("E4:1/4 Fb4:1/4");
        Timeline flats = Timeline.of(Tunes.of(COMMON, Key.of(Step.A, -1, Mode.MAJOR), "Ab4:2 C5:2 Eb5:4 | Ab4:8 ||"));
        assertThat(flat.fittedTo(flats, 0, flats.size()).map(v -> Variation.text(v.notes()))).as("B flat lowered twice is left as B flat").hasValue("Ab4:1/4 Bb4:1/4");
    }

    /** Dorian has the minor third, mixolydian the major one; a tune whose key is not known has neither. */
    @Test
    void theThirdDecides() {
        Lick lick = kept("D4:1/4 E4:1/4");
        for (Mode mode : List.of(Mode.MIXOLYDIAN, Mode.MAJOR)) {
            Timeline tune = Timeline.of(Tunes.of(COMMON, Key.of(Step.D, 0, mode), "D4:2 F#4:2 A4:4 | D4:8 ||"));
            assertThat(lick.fittedTo(tune, 0, tune.size())).as(mode.word()).isPresent();
        }
        for (Mode mode : List.of(Mode.DORIAN, Mode.MINOR)) {
            Timeline tune = Timeline.of(Tunes.of(COMMON, Key.of(Step.D, 0, mode), "D4:2 F4:2 A4:4 | D4:8 ||"));
            assertThat(lick.fittedTo(tune, 0, tune.size())).as(mode.word()).isEmpty();
            Lick dark = Lick.of("dark", tune, 0, 2, lick.notes(), "");
            assertThat(dark.fittedTo(tune, 0, tune.size())).as(mode.word()).isPresent();
        }
        Timeline open = Timeline.of(Tunes.of(COMMON, Key.NONE, "D4:2 F4:2 A4:4 | D4:8 ||"));
        assertThat(lick.fittedTo(open, 0, open.size())).isEmpty();
        Lick unknown = Lick.of("unknown", open, 0, 2, lick.notes(), "");
        assertThat(unknown.fittedTo(d("D4:2 F#4:2 A4:4 | D4:8 ||"), 0, 4)).isEmpty();
    }

    @Test
    void aModeThatIsNoneIsTold() {
        String document = lick().write().replace("\"%s\"".formatted(Mode.MAJOR.word()), "\"yodelling\"");
        assertThatThrownBy(() -> Lick.parse(document)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("'yodelling' is no mode");
        Lick endless = Lick.of("endless", d("D4:2 F#4:2 A4:4 ||"), 2, 3, Variation.parse("A4:1/4 D5:1/4"), "");
        assertThat(Lick.parse(endless.write())).isEqualTo(endless);
    }
}
