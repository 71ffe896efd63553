package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;

class HandCheckTest {

    private static final Timeline TUNE = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D4 F#4 A4 D5 | G4 G4 E4:2"));

    private static HandCheck check(String instrument, String text) {
        return HandCheck.of(TUNE, Instruments.known(instrument), text);
    }

    @Test
    void rightPlacesAreCounted() {
        HandCheck check = check("whistle-d", "xxx xxx\nxxx xoo\nxxo ooo\noxx xxx +\nxxx ooo|xxx ooo|xxx xxo");
        assertThat(check.findings()).isEmpty();
        assertThat(check.right()).isEqualTo(7);
        assertThat(check("fiddle", "D 0|D 2|A 0|A 3|D 3|D 3|D 1").findings()).isEmpty();
        assertThat(check("mandolin", "D 0|D:4|A fret 0|A 5|D 5|D 5|D 2").findings()).isEmpty();
        assertThat(check("melodeon-dg", "D 3 push|D 4 push|D 5 push|D 6 push|G row 3 push|G 3 push|D 3 pull").findings())
                .isEmpty();
    }

    @Test
    void aWrongOneIsToldWhatItSounds() {
        HandCheck check = check("whistle-d", "xxx xxx\nxxx ooo\n-\noxx xxx\nxxx ooo\nxxx ooo\nxxx xxo");
        assertThat(check.findings()).hasSize(1);
        assertThat(check.findings().getFirst().line()).isEqualTo(2);
        assertThat(check.findings().getFirst().what()).isEqualTo("F sharp in bar 1: xxx ooo sounds G");
        assertThat(check.findings().getFirst().remedy()).contains("xxx xoo");
    }

    @Test
    void theOctaveCounts() {
        HandCheck check = check("whistle-d", "xxx xxx +|xxx xoo|xxo ooo|oxx xxx|xxx ooo|xxx ooo|xxx xxo");
        assertThat(check.findings()).singleElement().satisfies(
                f -> assertThat(f.what()).endsWith("sounds D an octave away"));
    }

    /** A dictated fingering counts a repeated note wrongly, and nobody notices. */
    @Test
    void aMiscountedRepeatIsFound() {
        HandCheck missed = check("fiddle", "D 0|D 2|A 0|A 3|D 3|D 1");
        assertThat(missed.findings()).singleElement().satisfies(f -> {
            assertThat(f.what()).isEqualTo("G in bar 2 has no place");
            assertThat(f.remedy()).contains("D 3");
        });
        assertThat(missed.right()).isEqualTo(6);
        HandCheck one = check("fiddle", "D 0|D 2|A 0|A 3|D 3|D 3|D 1|D 1");
        assertThat(one.findings()).singleElement().satisfies(f -> assertThat(f.remedy()).contains("it has 7"));
    }

    /** Text and tune are aligned: one swapped hole and one wrong count are two findings, each in its place. */
    @Test
    void aWrongHoleAndAWrongCountAreTwoFindings() {
        HandCheck check = check("whistle-d", "xxx xxx\nxxx ooo\nxxo ooo\noxx xxx\nxxx ooo\nxxx ooo\nxxx ooo\nxxx xxo");
        assertThat(check.findings()).hasSize(2);
        assertThat(check.findings().getFirst().line()).isEqualTo(2);
        assertThat(check.findings().getFirst().what()).isEqualTo("F sharp in bar 1: xxx ooo sounds G");
        assertThat(check.findings().getLast().what()).startsWith("xxx ooo is one too many before");
        assertThat(check.findings().getLast().line()).isBetween(5, 7);
    }

    @Test
    void placesMayBeRepeatedInWords() {
        for (String twice : new String[] {"xxx ooo x2", "xxx ooo twice", "xxx ooo 2 times", "xxx ooo ×2"}) {
            HandCheck check = check("whistle-d", "xxx xxx|xxx xoo|xxo ooo|oxx xxx|" + twice + "|xxx xxo");
            assertThat(check.findings()).as(twice).isEmpty();
            assertThat(check.right()).isEqualTo(7);
        }
    }

    /** Holes alone, without a word on the breath, sound a note in either octave. */
    @Test
    void aListWithoutBreathIsUnderstood() {
        Timeline high = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "E4 E5 F#5 D5 |"));
        assertThat(HandCheck.of(high, Instruments.known("whistle-d"), "xxx xxo|xxx xxo|xxx xoo|xxx xxx").findings()).isEmpty();
    }

    @Test
    void nonsenseIsAFindingWithPlaceAndRemedy() {
        for (String instrument : new String[] {"whistle-d", "fiddle", "banjo-five-string", "anglo-cg", "recorder-alto-f"}) {
            HandCheck check = check(instrument, "banana | xxx | Z 9 | D 99 | | \u0000 | push");
            assertThat(check.findings()).isNotEmpty().allSatisfy(f -> {
                assertThat(f.remedy()).isNotBlank();
                assertThat(f.line()).isPositive();
                assertThat(f.column()).isPositive();
            });
        }
    }

    private static void assertOnly(String text, String what, int line, int column, String remedy) {
        assertThat(check("fiddle", text).findings()).as(text).singleElement().satisfies(f -> {
            assertThat(f.what()).isEqualTo(what);
            assertThat(f.line()).isEqualTo(line);
            assertThat(f.column()).isEqualTo(column);
            assertThat(f.remedy()).contains(remedy);
        });
    }

    /** What is left out, or is too much, is told in one finding, where it is. */
    @Test
    void whatIsLeftOutOrTooMuchIsToldWhereItIs() {
        assertOnly("D 0|D 2|A 0|A 3|D 3", "the last 2 notes of the tune have no place", 1, 17, "go on from G in bar 2");
        assertOnly("D 0|D 2|A 0|A 3|D 3|D 3", "the last note of the tune has no place", 1, 21, "go on from E in bar 2");
        assertOnly("D 0|D 3|D 3|D 1", "3 notes from F sharp in bar 1 on have no place", 1, 5, "write D high 2");
        assertOnly("", "the last 7 notes of the tune have no place", 1, 1, "go on from D in bar 1");
        assertOnly("D 0|D 2|A 0|A 3\nD 3|D 3|D 1|D 1", "the tune has no more notes", 2, 13, "it has 7 notes");
        assertOnly("D 0\n  D 0 % again?\nD 2|A 0|A 3|D 3|D 3|D 1", "D 0 is one too many before F sharp in bar 1", 2, 3, "it has 7 notes");
    }

    @Test
    void aPlaceIsRepeatedInAnyWords() {
        for (String twice : new String[] {"D 3 x2", "D 3 x 2", "D 3 2x", "D 3 2 times", "D 3 twice", "D 3 Twice", "D 3 once|D 3", "D 3 x1|D 3", "D 3 x0|D 3"}) {
            HandCheck check = check("fiddle", "D 0|D 2|A 0|A 3|" + twice + "|D 1");
            assertThat(check.findings()).as(twice).isEmpty();
            assertThat(check.right()).as(twice).isEqualTo(7);
        }
        assertThat(check("fiddle", "D 0|D 2|A 0|A 3|D 3 thrice|D 1").findings()).singleElement().satisfies(f -> assertThat(f.what()).startsWith("D 3 is one too many"));
        assertThat(check("fiddle", "D 0|D 2|A 0|A 3|D 3 x9999|D 3|D 1").findings()).as("nobody means so many").isEmpty();
    }

    /** A note that is passed over is neither right nor wrong. */
    @Test
    void aNoteThatIsPassedOverIsNotCounted() {
        HandCheck check = check("fiddle", "D 0|-|-|A 3|D 3|D 3|D 1");
        assertThat(check.findings()).isEmpty();
        assertThat(check.right()).isEqualTo(5);
    }
}
