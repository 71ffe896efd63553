package wildflourish.sound.cue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import wildflourish.core.ornament.Sound;
import wildflourish.sound.Pieces;
import wildflourish.sound.cue.Cue.Kind;
import wildflourish.sound.transport.Piece;

class CueingTest {

    private static List<Kind> kinds(Piece piece) {
        return piece.cues().cues().stream().map(Cue::kind).toList();
    }

    @Test
    void fingersJoinNotesAndTheTongueStartsEqualOnes() {
        assertThat(kinds(Pieces.on("whistle-d", "A2B2 B4|"))).containsExactly(Kind.ATTACK, Kind.JOIN, Kind.STOP, Kind.ATTACK, Kind.STOP);
    }

    @Test
    void aCutIsABendThereAndBack() {
        Piece piece = Pieces.on("whistle-d", "A4 A4|", Map.of(1, List.of("cut")));
        assertThat(kinds(piece)).containsExactly(Kind.ATTACK, Kind.JOIN, Kind.BEND, Kind.BEND, Kind.STOP);
        Cue back = piece.cues().cues().get(3);
        assertThat(back.pitch()).isEqualTo(81);
        Sound cut = piece.performance().sounds().stream().filter(s -> s.role().equals("cut")).findFirst().orElseThrow();
        assertThat(back.atMs()).isCloseTo(cut.atMs() + cut.forMs(), within(1e-6));
    }

    @Test
    void everyOnsetOfTheMelodyIsACueAtItsMoment() {
        for (String instrument : List.of("whistle-d", "pipes-bellows-d", "fiddle", "mandolin", "tenor-banjo", "anglo-cg", "english-48", "melodeon-dg")) {
            Piece piece = Pieces.on(instrument, "|:DFAd fdAF|G2B2 d4:|", Map.of(9, List.of("cut", "grace", "treble")));
            for (Sound note : piece.performance().melody()) {
                assertThat(piece.cues().cues()).as(instrument).anyMatch(c -> c.isStart() && Math.abs(c.atMs() - note.atMs()) < 1e-6 && c.pitch() == note.midi());
            }
        }
    }

    @Test
    void stringsHaveLanesOfTheirOwn() {
        Piece piece = Pieces.on("fiddle", "D2A2 f2G,2|");
        assertThat(piece.cues().cues().stream().filter(Cue::isStart).map(Cue::lane)).containsExactly(1, 2, 3, 0);
    }

    /** Let go and pressed again: otherwise two notes of one pitch would sound as one. */
    @Test
    void aRepeatedNoteIsHeardTwiceOnEveryReed() {
        for (String instrument : List.of("anglo-cg", "english-48", "melodeon-dg", "accordion-bc")) {
            List<Cue> cues = Pieces.on(instrument, "A2A2 A2B2|").cues().cues();
            for (double again : List.of(500.0, 1000.0)) {
                Cue start = cues.stream().filter(c -> c.isStart() && c.atMs() == again).findFirst().orElseThrow();
                assertThat(cues).as(instrument).anyMatch(c -> c.kind() == Kind.STOP && c.lane() == start.lane() && c.atMs() > again - 30 && c.atMs() < again - 5);
            }
        }
    }

    @Test
    void aReedIsNotStillSoundingWhenItsButtonIsTakenAgain() {
        Piece piece = Pieces.on("anglo-cg", "G2G2 G2G2|", Map.of());
        int sounding = 0;
        for (Cue cue : piece.cues().cues()) {
            sounding += cue.isStart() ? 1 : cue.kind() == Kind.STOP ? -1 : 0;
            assertThat(sounding).isBetween(0, 1);
        }
    }

    /** A hammered note is plucked on the pitch that it is hammered from. */
    @Test
    void aHammeredNoteIsPlucked() {
        Piece piece = Pieces.on("mandolin", "E2 F2 A2 d2|", Map.of(1, List.of("hammer-on")));
        Sound grace = piece.performance().sounds().stream().filter(s -> s.role().equals("hammer-on")).findFirst().orElseThrow();
        assertThat(piece.cues().cues()).anyMatch(c -> c.kind() == Kind.ATTACK && Math.abs(c.atMs() - grace.atMs()) < 1e-6 && c.pitch() == grace.midi() && c.strength() == 1);
    }

    /** A grace on the button that has just sounded: it is let go before, and pressed again. */
    @Test
    void aGraceOnTheSameButtonIsPressedAgain() {
        Piece piece = Pieces.on("english-48", "E2 F2 G2 A2|", Map.of(1, List.of("lower-grace")));
        Sound grace = piece.performance().sounds().stream().filter(s -> s.role().equals("lower-grace")).findFirst().orElseThrow();
        Sound before = piece.performance().melody().getFirst();
        assertThat(grace.midi()).isEqualTo(before.midi());
        assertThat(piece.cues().cues()).anyMatch(c -> c.kind() == Kind.ATTACK && Math.abs(c.atMs() - grace.atMs()) < 1e-6 && c.pitch() == grace.midi());
        assertThat(piece.cues().cues()).anyMatch(c -> c.kind() == Kind.STOP && c.atMs() < grace.atMs() - 5 && c.atMs() > grace.atMs() - 100);
    }

    @Test
    void cuesNeverGoBackInTime() {
        Piece piece = Pieces.on("fiddle", "|:dfaf dfaf|e2B2 ABde:|", Map.of(0, List.of("slide"), 2, List.of("cut"), 8, List.of("short-roll"), 9, List.of("treble", "drone")));
        assertThat(piece.cues().cues()).isSortedAccordingTo(java.util.Comparator.comparingDouble(Cue::atMs));
    }
}
