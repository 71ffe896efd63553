package wildflourish.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Vocabulary;

/** What is said of a note that was listened for. */
class RemarkTest {

    private static final Vocabulary NAMES = Vocabulary.of(Instruments.known("whistle-d"));
    private static final Happening CUT = new Happening(Happening.Kind.ABOVE, 0.33, 40, 3);
    private static final Happening TAP = new Happening(Happening.Kind.BELOW, 0.67, 40, -2);

    private static HeardVersion.Note note(double lateMs, double cents, String gesture, String meant, double confidence, List<Happening> happens, List<Happening> expected) {
        return new HeardVersion.Note(new Wanted(3, 7, 1, 0, 450, 67), Optional.of(1000.0), 450, lateMs, cents, true, gesture, meant, confidence, happens, expected, List.of(), 0);
    }

    private static List<String> words(HeardVersion.Note note) {
        return Remark.of(note, NAMES).stream().map(Remark::words).toList();
    }

    @Test
    void whatCameAsItWasMeantNeedsNoWord() {
        assertThat(Remark.of(note(20, 8, "long-roll", "long-roll", 1, List.of(CUT, TAP), List.of(CUT, TAP)), NAMES)).isEmpty();
    }

    /** The roll was heard, but its second grace came too soon: both are in the first half. */
    @Test
    void whereTheFingersWereWrongIsSaid() {
        List<Happening> crowded = List.of(CUT, new Happening(Happening.Kind.BELOW, 0.45, 40, -2));
        assertThat(words(note(0, 0, "long-roll", "long-roll", 1, crowded, List.of(CUT, TAP))))
                .containsExactly("The long roll came. A grace below came 99 ms early, in the first half of the note.");
        assertThat(words(note(0, 0, "none", "long-roll", 0.9, List.of(CUT), List.of(CUT, TAP)))).containsExactly("The long roll did not speak. A grace below was not heard.");
        assertThat(words(note(0, 0, "cut", "none", 0.1, List.of(CUT), List.of()))).containsExactly("Nothing was meant here; heard was: cut. It cannot be told for certain.");
        assertThat(words(note(0, 0, "cut", "tap", 0.9, List.of(CUT), List.of(TAP))).getFirst()).startsWith("Meant was: tap; heard was: cut.");
    }

    @Test
    void timeAndPitchAreToldFromWhereTheyAreHeard() {
        assertThat(words(note(45, -25, "none", "none", 1, List.of(), List.of())))
                .containsExactly("It came 45 ms late, against the notes around it.", "It was 25 cents flat against the instrument's own tuning.");
        assertThat(Remark.of(note(-60, 0, "none", "none", 1, List.of(), List.of()), NAMES)).extracting(Remark::brief).containsExactly("60 ms early");
    }

    /** Which happening is which is told by the cheapest pairing; what has no fellow stands alone, and all are there once. */
    @Test
    void happeningsArePairedOnce() {
        Happening attack = new Happening(Happening.Kind.ATTACK, 0.5, 0, 0);
        assertThat(Happening.pairs(List.of(CUT, attack, TAP), List.of(CUT, TAP))).containsExactly(new Happening.Pair(Optional.of(CUT), Optional.of(CUT)),
                new Happening.Pair(Optional.of(attack), Optional.empty()), new Happening.Pair(Optional.of(TAP), Optional.of(TAP)));
        assertThat(Happening.pairs(List.of(), List.of(TAP))).containsExactly(new Happening.Pair(Optional.empty(), Optional.of(TAP)));
        assertThat(Happening.pairs(List.of(attack), List.of(TAP))).hasSize(2);
    }
}
