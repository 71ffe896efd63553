package wildflourish.sound.transport;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import wildflourish.core.ornament.Sound;
import wildflourish.core.practice.Lilt;
import wildflourish.core.tune.Tempo;
import wildflourish.sound.Pieces;

class CursorTest {

    private static final String REPEATED = "|:D2E2 F2G2|A8:|";

    @Test
    void itFollowsTheNotesThroughTheRepeat() {
        Cursor cursor = Cursor.of(Pieces.on("whistle-d", REPEATED));
        assertThat(cursor.note(-20)).isEmpty();
        assertThat(cursor.note(0)).hasValue(0);
        assertThat(cursor.note(499)).hasValue(0);
        assertThat(cursor.note(500)).hasValue(1);
        assertThat(cursor.note(3900)).hasValue(4);
        assertThat(cursor.note(4000)).as("from the top again").hasValue(0);
        assertThat(cursor.place(100)).isEqualTo(new Cursor.Spot(1, 1));
        assertThat(cursor.place(2100)).isEqualTo(new Cursor.Spot(2, 1));
        assertThat(cursor.place(4100)).isEqualTo(new Cursor.Spot(1, 2));
    }

    @Test
    void everyNoteOfThePerformanceIsFoundAtItsOwnMoment() {
        Piece piece = Pieces.on("fiddle", "|:dfaf dfaf|e2B2 ABde:|", Map.of(0, List.of("slide"), 2, List.of("cut")));
        Cursor cursor = Cursor.of(piece);
        for (Sound sound : piece.performance().melody()) {
            assertThat(cursor.note(sound.atMs())).hasValue(sound.note());
        }
    }

    @Test
    void itKeepsToTheLilt() {
        Piece straight = Pieces.on("whistle-d", "DEFG ABcd|");
        Piece dotted = Piece.of(straight.version().arrangement(), 0, Tempo.parse("1/4=120"), Lilt.byId("dotted"));
        assertThat(Cursor.of(straight).note(260)).hasValue(1);
        assertThat(Cursor.of(dotted).note(260)).as("the second quaver comes after two thirds of the beat").hasValue(0);
        assertThat(Cursor.of(dotted).note(340)).hasValue(1);
    }
}
