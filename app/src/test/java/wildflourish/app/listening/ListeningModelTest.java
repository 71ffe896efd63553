package wildflourish.app.listening;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wildflourish.app.trellis.Opened;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.AtOnce;
import wildflourish.app.work.Exports;
import wildflourish.core.ornament.Sound;
import wildflourish.core.practice.Lilt;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;

/** Listening without a window: the sound is where the test puts it. */
class ListeningModelTest {

    /** Two parts of two bars, the first with two endings; crotchet = 120, so that a bar lasts two seconds. */
    private static final String TUNE = "X:1\nT:Test\nR:reel\nM:4/4\nL:1/8\nQ:1/4=120\nK:D\n|:dfaf dfaf|1 gfed B2A2:|2 gfed d4|]\n";

    private final HandMoved player = new HandMoved();
    private final List<String> said = new ArrayList<>();
    private TrellisModel trellis;
    private ListeningModel model;

    @BeforeEach
    void open() {
        trellis = Opened.tune(TUNE, "whistle-d");
        model = new ListeningModel(trellis, player, AtOnce.background(said::add), said::add);
    }

    private Leg leg() {
        return player.itinerary().legs().getFirst();
    }

    private int lit() {
        model.tick();
        return model.lit().get().map(ListeningModel.Lit::note).orElse(-1);
    }

    @Test
    void itPlaysFromTheNoteInHandToTheEndAndThenRests() {
        trellis.select(0, 4);
        model.toggle();
        // Half a bar is left of the first; then the first ending, the bar again, the second ending.
        assertThat(leg().lengthMs()).isCloseTo(7000, within(1e-6));
        assertThat(lit()).isEqualTo(4);
        player.goOn(1000);
        assertThat(lit()).as("the first ending").isEqualTo(8);
        player.goOn(2000);
        assertThat(lit()).as("the top again").isZero();
        assertThat(model.lit().get().orElseThrow().words()).isEqualTo("bar 1, time 2");
        player.goOn(2000);
        assertThat(lit()).as("the second ending").isEqualTo(14);
        player.goOn(2500);
        assertThat(lit()).isEqualTo(-1);
        assertThat(model.state().get().playing()).isFalse();
    }

    /** When the sound has to be given up nothing is shown as playing; a word of the device alone changes nothing. */
    @Test
    void whatIsNotPlayedAnyMoreIsNotShownAsPlaying() {
        model.toggle();
        model.soundLost();
        assertThat(model.state().get().playing()).isTrue();
        player.stop();
        model.soundLost();
        assertThat(model.state().get().playing()).isFalse();
        assertThat(model.lit().get()).isEmpty();
    }

    /** A MIDI file holds what is heard: the notes in their lilt, what is counted in, and the click. */
    @Test
    void aMidiFileIsWhatIsHeard() throws Exception {
        model.toggle();
        Leg straight = leg();
        Piece lilted = Piece.of(trellis.arrangement(), 0, trellis.arrangement().tempo(), Lilt.all().getLast());
        Leg swung = Leg.heard(lilted, lilted.whole());
        Piece even = Piece.of(trellis.arrangement(), 0, trellis.arrangement().tempo(), Lilt.STRAIGHT);
        Leg plain = Leg.heard(even, even.whole());
        assertThat(onsets(Exports.midi("t", Itinerary.once(List.of(swung), Backing.NONE)), 0))
                .isNotEqualTo(onsets(Exports.midi("t", Itinerary.once(List.of(plain), Backing.NONE)), 0))
                .hasSameSizeAs(onsets(Exports.midi("t", Itinerary.once(List.of(plain), Backing.NONE)), 0));
        byte[] clicked = Exports.midi("t", Itinerary.once(List.of(plain), Backing.NONE.withMetronome(true)));
        assertThat(onsets(clicked, 9)).hasSize(plain.knocks(true).size()).hasSizeGreaterThan(4);
        assertThat(onsets(clicked, 0)).isEqualTo(onsets(Exports.midi("t", Itinerary.once(List.of(plain), Backing.NONE)), 0));
        assertThat(straight.sounding()).isTrue();
    }

    private static List<Long> onsets(byte[] midi, int channel) throws Exception {
        List<Long> onsets = new ArrayList<>();
        Track track = MidiSystem.getSequence(new ByteArrayInputStream(midi)).getTracks()[0];
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof ShortMessage m && m.getCommand() == ShortMessage.NOTE_ON && m.getData2() > 0
                    && m.getChannel() == channel) {
                onsets.add(track.get(i).getTick());
            }
        }
        return onsets;
    }

    @Test
    void aRungChangedWhileItPlaysGoesOnWhereItWas() {
        trellis.select(1, 0);
        model.toggle();
        player.goOn(1300);
        int note = lit();
        trellis.stepRung(1);
        assertThat(player.orders()).isEqualTo(2);
        assertThat(player.now().orElseThrow().ms()).isCloseTo(1300, within(1e-6));
        assertThat(lit()).isEqualTo(note);
        assertThat(model.lit().get().orElseThrow().rung()).isEqualTo(2);
        trellis.select(2, 9);
        assertThat(player.orders()).as("another note in hand is no reason to begin anew").isEqualTo(2);
    }

    @Test
    void whatIsHeardOfTheNoteInHandMovesAlongWithIt() {
        model.setStretch(ListeningState.Extent.BAR);
        model.setAgain(true);
        trellis.select(0, 2);
        model.toggle();
        assertThat(leg().span().from().toDouble()).isZero();
        trellis.select(0, 9);
        assertThat(leg().span().from().toDouble()).isEqualTo(1);
        player.goOn(4100);
        assertThat(player.now().orElseThrow().pass()).isEqualTo(2);
        assertThat(lit()).isBetween(8, 13);
    }

    @Test
    void marksTheWrongWayRoundMakeNoStretchAndNoHarm() {
        trellis.select(0, 6);
        model.markFrom();
        trellis.select(0, 2);
        model.markTo();
        assertThat(model.state().get().from()).as("the later mark holds").isEmpty();
        assertThat(model.state().get().to()).hasValue(2);
        model.toggle();
        assertThat(leg().lengthMs()).isCloseTo(750, within(1e-6));
    }

    @Test
    void anOrnamentThatCannotBePlayedIsHeardPlainWithTheReason() {
        trellis.select(0, 0);
        var blocked = trellis.state().get().ranked().stream().filter(c -> c.verdict() instanceof wildflourish.core.ornament.Verdict.Impossible)
                .findFirst().orElseThrow();
        while (!trellis.state().get().looking().orElseThrow().equals(blocked.ornament().id())) {
            trellis.ornaments().lookOn(1);
        }
        model.toggleOrnament();
        assertThat(player.itinerary().legs()).hasSize(2);
        assertThat(said.getLast()).startsWith("heard plain both times: ");
        // Looking at one that can be played is heard at once.
        int orders = player.orders();
        trellis.ornaments().lookOn(1);
        assertThat(player.orders()).isEqualTo(orders + 1);
    }

    @Test
    void theWholeRungIsTakenHomeWhereverTheNoteInHandIs() {
        trellis.select(3, 9);
        Itinerary home = model.takeHome().get();
        assertThat(home.again()).isFalse();
        assertThat(home.legs().getFirst().lengthMs()).isCloseTo(8000, within(1e-6));
        model.setAgainst(Optional.of(0));
        model.setUnder(Backing.Under.DRONE);
        Itinerary both = model.takeHome().get();
        assertThat(both.legs()).hasSize(2);
        assertThat(both.backing().under()).isEqualTo(Backing.Under.DRONE);
        assertThat(both.legs().getLast().piece().performance().sounds()).allMatch(s -> s.role().equals(Sound.MELODY));
    }

    @Test
    void thePaceKeepsWithinWhatCanBeFollowed() {
        model.setPercent(3);
        assertThat(model.state().get().manner().percent()).isEqualTo(25);
        model.setPercent(900);
        assertThat(model.state().get().manner().percent()).isEqualTo(150);
    }

    @Test
    void aTuneWithoutChordsSaysSo() {
        model.setUnder(Backing.Under.CHORDS);
        assertThat(said.getLast()).contains("no chords are written above this tune");
    }

    @Test
    void anotherTuneIsNotPlayedWhereTheFirstOneWas() {
        model.setAgainst(Optional.of(0));
        model.toggle();
        assertThat(model.state().get().playing()).isTrue();
        Opened.another(trellis, TUNE.replace("T:Test", "T:Other"), "fiddle");
        assertThat(model.state().get().playing()).isFalse();
        assertThat(player.course()).isEmpty();
        assertThat(model.state().get().against()).isEmpty();
    }

    @Test
    void aTuneWithoutNotesIsNotPlayed() {
        Opened.another(trellis, "X:1\nT:Rest\nM:4/4\nL:1/8\nK:D\nz8|\n", "whistle-d");
        model.toggle();
        assertThat(model.state().get().playing()).isFalse();
        assertThat(said.getLast()).contains("nothing to hear");
    }
}
