package wildflourish.sound.transport;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.practice.CountIn;
import wildflourish.core.practice.Lilt;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.sound.Ear;
import wildflourish.sound.Pieces;
import wildflourish.sound.cue.Cue;

class CourseTest {

    private final Piece piece = Pieces.on("whistle-d", "D2E2 F2G2|A2B2 c2d2|");

    private static PlayedOut.Span bars(int from, int to) {
        return new PlayedOut.Span(Ratio.of(from, 1), Ratio.of(to, 1));
    }

    @Test
    void legsFollowOneAnotherWithoutASampleLost() {
        // A bar of 4/4 at crotchet = 120 lasts two seconds: 96,000 samples.
        Course course = Course.of(Itinerary.once(List.of(Leg.heard(piece, bars(0, 1)), Leg.heard(piece, bars(1, 2)).unheard()), Backing.NONE));
        assertThat(course.frames()).isEqualTo(192_000);
        assertThat(course.at(95_999)).isEqualTo(new Moment(0, 0, 95_999 / 48.0, false));
        assertThat(course.at(96_000)).isEqualTo(new Moment(1, 0, 0, false));
        assertThat(course.at(192_000).over()).isTrue();
    }

    @Test
    void aLoopComesRoundExactly() {
        Course course = Course.of(Itinerary.loop(List.of(Leg.heard(piece, bars(1, 2))), Backing.NONE));
        assertThat(course.at(96_000L * 1000)).isEqualTo(new Moment(0, 1000, 0, false));
        assertThat(course.at(96_000L * 1000 + 4800).ms()).isCloseTo(100, within(1e-9));
    }

    @Test
    void aCountInIsNegativeTime() {
        CountIn count = CountIn.of(piece.situation().tune().tune().head(), piece.played(), Ratio.ZERO);
        Course course = Course.of(Itinerary.once(List.of(Leg.heard(piece, bars(0, 1)).countedIn(count)), Backing.NONE));
        assertThat(course.at(0).ms()).isCloseTo(-2000, within(1e-6));
        assertThat(course.at(0).isCountedIn()).isTrue();
        assertThat(course.at(96_000)).isEqualTo(new Moment(0, 0, 0, false));
        float[] samples = wildflourish.sound.wave.Wav.samples(course);
        assertThat(Ear.onsets(java.util.Arrays.copyOf(samples, 90_000), 0.2)).hasSize(4)
                .allSatisfy(at -> assertThat(at % 500).isCloseTo(0, within(2.0)));
    }

    @Test
    void anotherTempoGoesOnAtTheSamePlaceOfTheMusic() {
        Piece slow = Pieces.on("whistle-d", "M:4/4\nL:1/8\nK:D", "D2E2 F2G2|A2B2 c2d2|", "1/4=60", Map.of());
        Course fast = Course.of(Itinerary.loop(List.of(Leg.heard(piece, bars(0, 2))), Backing.NONE));
        Moment now = fast.at(48 * 1500);
        Course slower = fast.into(Itinerary.loop(List.of(Leg.heard(slow, bars(0, 2))), Backing.NONE), now);
        assertThat(slower.at(0).ms()).isCloseTo(3000, within(1e-6));
        assertThat(slower.position(slower.at(0))).isCloseTo(fast.position(now), within(1e-9));
    }

    @Test
    void whatGoesAroundIsCountedInOnce() {
        CountIn count = CountIn.of(piece.situation().tune().tune().head(), piece.played(), Ratio.ZERO);
        Course course = Course.of(Itinerary.loop(List.of(Leg.heard(piece, bars(0, 1)).countedIn(count)), Backing.NONE));
        assertThat(course.at(0).ms()).isCloseTo(-2000, within(1e-6));
        assertThat(course.at(96_000)).isEqualTo(new Moment(0, 0, 0, false));
        assertThat(course.at(192_000)).as("straight on").isEqualTo(new Moment(0, 1, 0, false));
        assertThat(course.at(288_000 + 4800)).isEqualTo(new Moment(0, 2, 100, false));
        Playback playback = new Playback(course);
        float[] samples = new float[4 * 96_000];
        playback.render(samples, 0, samples.length);
        assertThat(wildflourish.sound.Ear.level(samples, 4100, 4400)).as("no silence for a count in between").isGreaterThan(0.01);
    }

    @Test
    void aTempoChangedWhileItIsCountedInKeepsItsShareOfTheCount() {
        CountIn count = CountIn.of(piece.situation().tune().tune().head(), piece.played(), Ratio.ZERO);
        Piece slow = Pieces.on("whistle-d", "M:4/4\nL:1/8\nK:D", "D2E2 F2G2|A2B2 c2d2|", "1/4=60", Map.of());
        Course fast = Course.of(Itinerary.once(List.of(Leg.heard(piece, bars(0, 2)).countedIn(count)), Backing.NONE));
        Course slower = fast.into(Itinerary.once(List.of(Leg.heard(slow, bars(0, 2)).countedIn(count)), Backing.NONE), fast.at(48 * 500));
        assertThat(slower.at(0).ms()).isCloseTo(-3000, within(1e-6));
    }

    @Test
    void enteredInTheMiddleOfANoteItSoundsOnFromThere() {
        List<Cue> cues = piece.cues().between(250, 2000);
        assertThat(cues.getFirst().kind()).isEqualTo(Cue.Kind.ATTACK);
        assertThat(cues.getFirst().pitch()).as("the D that has begun sounds an octave up on a whistle").isEqualTo(74);
        assertThat(cues.getLast()).isEqualTo(new Cue(1750, Cue.Kind.STOP, Cue.ALL, 0, 0, 0));
    }

    @Test
    void theMetronomeClicksOnTheBeatsAlsoWhereTheTuneIsSilent() {
        Leg silent = Leg.heard(piece, bars(0, 1)).unheard();
        float[] samples = wildflourish.sound.wave.Wav.samples(Course.of(Itinerary.once(List.of(silent), Backing.NONE.withMetronome(true))));
        assertThat(Ear.onsets(samples, 0.1)).hasSize(4);
        float[] none = wildflourish.sound.wave.Wav.samples(Course.of(Itinerary.once(List.of(silent), Backing.NONE)));
        assertThat(Ear.level(none, 0, 2500)).isZero();
    }

    @Test
    void aLiltMovesOffbeatsAndNoBeat() {
        Piece straight = Pieces.on("whistle-d", "DEFG ABcd|");
        Piece swung = Piece.of(Pieces.arrangement("whistle-d", "M:4/4\nL:1/8\nK:D", "DEFG ABcd|", "1/4=120", Map.of()), 0, Tempo.parse("1/4=120"),
                Lilt.byId("dotted"));
        List<Double> even = straight.cues().cues().stream().filter(Cue::isStart).map(Cue::atMs).toList();
        List<Double> lilting = swung.cues().cues().stream().filter(Cue::isStart).map(Cue::atMs).toList();
        for (int i = 0; i < 8; i += 2) {
            assertThat(lilting.get(i)).isCloseTo(even.get(i), within(1e-6));
            assertThat(lilting.get(i + 1)).isCloseTo(even.get(i) + 500 * 2 / 3.0, within(0.01));
        }
    }

    @Test
    void chordsSoundWhereTheyAreWritten() {
        Piece chorded = Pieces.on("whistle-d", "\"D\"D4 \"A7\"E4|\"G\"G8|");
        float[] solo = Pieces.samples(chorded);
        float[] under = Pieces.samples(chorded, Backing.NONE.with(Backing.Under.CHORDS));
        float[] chords = new float[solo.length];
        for (int i = 0; i < solo.length; i++) {
            chords[i] = under[i] - solo[i];
        }
        assertThat(Ear.level(chords, 200, 800)).isBetween(0.002, 0.1);
        assertThat(Underneath.hasChords(chorded.situation().tune().tune())).isTrue();
        assertThat(Underneath.hasChords(piece.situation().tune().tune())).isFalse();
    }

    @Test
    void chordSymbolsAreTheirTones() {
        // Common chord symbols: root, third, fifth, and the seventh where it is named.
        assertThat(Chord.parse("G").orElseThrow().tones()).containsExactly(43, 47, 50);
        assertThat(Chord.parse("Em").orElseThrow().tones()).containsExactly(40, 43, 47);
        assertThat(Chord.parse("A7").orElseThrow().tones()).containsExactly(45, 49, 52, 55);
        assertThat(Chord.parse("Bbm/F").orElseThrow().tones()).containsExactly(46, 49, 53);
        assertThat(Chord.parse("slowly")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"M:none,D2E2F2|G2A2B2|", "M:4/4,z8|z8|", "M:7/8,D2E2F3|G2A2B3|", "M:4/4,D|", "M:3/4,DE|FGABcd|"})
    void whateverTheMeterItIsCountedClickedAndEnds(String meter, String music) {
        Piece odd = Pieces.on("whistle-d", meter + "\nL:1/8\nK:D", music, "1/4=120", Map.of());
        CountIn count = CountIn.of(odd.situation().tune().tune().head(), odd.played(), Ratio.ZERO);
        Course course = Course.of(Itinerary.once(List.of(Leg.heard(odd, odd.whole()).countedIn(count)), Backing.NONE.withMetronome(true).with(Backing.Under.DRONE)));
        Playback playback = new Playback(course);
        float[] samples = new float[(int) course.frames() + 2 * Ear.RATE];
        playback.render(samples, 0, samples.length);
        assertThat(playback.isDone()).isTrue();
        assertThat(course.frames()).isGreaterThanOrEqualTo(Math.round(odd.played().durationMs() * 48));
    }
}
