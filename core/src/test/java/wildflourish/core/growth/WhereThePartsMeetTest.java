package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.SessionTune;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.AsPlayed;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;

/** Where choosing, planning, judging and carrying over meet: what one part says, the others say too. */
@Execution(ExecutionMode.CONCURRENT)
class WhereThePartsMeetTest {

    private static final Speeds FLUENT = Speeds.level("fluent");

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    private static List<Ornament> ornaments(Situation situation, String... ids) {
        return Stream.of(ids).map(situation.vocabulary()::known).toList();
    }

    private static Grown grown(SessionTune tune, Instrument instrument) {
        return SessionVersion.of(tune, instrument.id()).grown();
    }

    /** A tongued start and a movement made without the tongue are never on one note. */
    @ParameterizedTest
    @MethodSource("instruments")
    void noTongueWhereThereIsToBeNone(Instrument instrument) {
        assumeTrue(Vocabulary.of(instrument).byId("tonguing").isPresent());
        for (SessionTune tune : SessionTune.values()) {
            Situation situation = Situation.of(tune.timeline(), instrument, School.USUAL);
            Grown grown = grown(tune, instrument);
            Setting wild = grown.ladder().setting(5);
            for (int n : wild.byNote().keySet()) {
                List<Ornament> played = Gestures.played(situation, n, wild.ornaments(n, situation.vocabulary()));
                boolean without = played.stream().anyMatch(o -> o.how().contains("without the tongue"));
                assertThat(without && played.stream().anyMatch(o -> o.id().equals("tonguing"))).as("%s note %d %s", tune, n, wild.at(n)).isFalse();
            }
        }
    }

    /** A cut that a roll takes up is played once and weighed once. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "flute-d", "pipes-bellows-d", "recorder-soprano-c"})
    void aCutThatARollTakesUpIsWeighedOnce(String instrument) {
        Situation situation = Tunes.on(instrument, "G4 G4:2 A4");
        Tempo tempo = Tempo.parse("1/4=100");
        Candidates candidates = new Candidates(situation, tempo, FLUENT, Phrases.of(situation.tune()), Taste.of(situation));
        List<Grown.Weighed> roll = candidates.weighed(1, ornaments(situation, "short-roll"), false, Taste.of(situation));
        List<Grown.Weighed> both = candidates.weighed(1, ornaments(situation, "cut", "short-roll"), false, Taste.of(situation));
        assertThat(both).isEqualTo(roll).isNotEmpty();
        assertThat(candidates.weighed(1, ornaments(situation, "cut"), false, Taste.of(situation))).isNotEmpty();
    }

    /** Two ornaments in turn through a whole phrase are as dull as one. */
    @ParameterizedTest
    @MethodSource("instruments")
    void noTwoOrnamentsTakeTurnsThroughAPhrase(Instrument instrument) {
        for (SessionTune tune : SessionTune.values()) {
            Situation situation = Situation.of(tune.timeline(), instrument, School.USUAL);
            Setting full = grown(tune, instrument).ladder().setting(4);
            for (Phrase phrase : Phrases.of(situation.tune())) {
                List<Set<String>> row = new ArrayList<>();
                for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
                    Set<String> here = new TreeSet<>(full.at(n));
                    here.removeIf(id -> situation.vocabulary().known(id).texture() || situation.vocabulary().known(id).separates());
                    if (!here.isEmpty()) {
                        row.add(here);
                    }
                }
                for (int i = 0; i + 4 < row.size(); i++) {
                    boolean turns = row.get(i).equals(row.get(i + 2)) && row.get(i + 1).equals(row.get(i + 3)) && row.get(i).equals(row.get(i + 4));
                    assertThat(turns).as("%s %s: %s", tune, phrase.name(), row).isFalse();
                }
            }
        }
    }

    /** What is taken off because a neighbour carries the same stands among the reasons. */
    @Test
    void whatWasWeighedNamesWhatIsAlike() {
        List<Grown.Weighed> all = new ArrayList<>();
        for (String instrument : List.of("whistle-d", "fiddle", "mandolin", "pipes-nine-note")) {
            for (SessionTune tune : SessionTune.values()) {
                Situation situation = Situation.of(tune.timeline(), Instruments.known(instrument), School.USUAL);
                grown(tune, situation.instrument()).reasons().get(5).forEach(r -> all.addAll(r.terms()));
            }
        }
        assertThat(all).anyMatch(w -> w.why().equals("the decorated note before it carries the same") && w.points() < 0);
        assertThat(all).anyMatch(w -> w.why().equals("the last decorated note but one carries the same") && w.points() < 0);
    }

    /** A finger that the note itself has only just moved cannot tap or cut at once. */
    @ParameterizedTest
    @CsvSource({"whistle-d, G4, A4, tap", "whistle-d, G4, F#4, tap", "flute-d, E4, F#4, tap", "recorder-soprano-c, G4, A4, tap",
        "pipes-nine-note, A4, B4, strike"})
    void theMelodysOwnFingerNeedsItsTime(String instrument, String from, String to, String ornament) {
        Situation after = Tunes.on(instrument, from + ":2 " + to + ":2");
        Situation again = Tunes.on(instrument, to + ":2 " + to + ":2");
        Verdict struck = Playability.of(again, 1, ornaments(again, ornament), Tempo.parse("1/4=60"), FLUENT);
        assertThat(struck.isBlocked()).isFalse();
        Verdict moved = Playability.of(after, 1, ornaments(after, ornament), Tempo.parse("1/4=60"), FLUENT);
        // Either it is refused in words, or another finger does it.
        if (from.equals("G4") && to.equals("F#4")) {
            assertThat(moved.isBlocked()).isFalse();
        } else {
            assertThat(moved.isBlocked()).isTrue();
        }
    }

    /** One finger that strikes again and again needs as long within an ornament as between two. */
    @ParameterizedTest
    @ValueSource(strings = {"learner", "fluent", "expert"})
    void aTrillByOneFingerIsAsSlowAsThatFinger(String level) {
        Situation english = Tunes.on("english-48", "A4:2 B4:2");
        List<Gesture.Part> parts = ((Making.Made) Gestures.make(english, 0, ornaments(english, "trill"))).gesture().parts("trill");
        long strikes = parts.stream().filter(p -> p.means().isMovement() && p.means().isSameFingerAs(parts.getFirst().means())).count();
        assertThat(strikes).isGreaterThan(1);
        int least = (int) (strikes - 1) * Speeds.level(level).again().floor();
        // A note that leaves the finger a little less than that between its strikes.
        Tempo tempo = new Tempo(Ratio.of(1, 4), Ratio.of(60_000, least - 5));
        assertThat(Playability.of(english, 0, ornaments(english, "trill"), tempo, Speeds.level(level))).isInstanceOf(Verdict.TooFast.class);
    }

    /** The heads of a chord are one note of the melody, its highest, on every instrument; a whistle sounds that alone. */
    @ParameterizedTest
    @MethodSource("instruments")
    void theMelodyOfAChordIsItsTopHead(Instrument instrument) {
        Tune plain = Tunes.of(wildflourish.core.tune.Meter.of(4, 4), Tunes.d(), "G4:2 B4:2 D5:2 A4:2");
        var bar = plain.bars().getFirst();
        var elements = new ArrayList<>(bar.elements());
        elements.set(1, ((Note) elements.get(1)).withPitches(List.of(Pitch.parse("D4"), Pitch.parse("B4"))));
        elements.set(2, ((Note) elements.get(2)).withPitches(List.of(Pitch.parse("C2"), Pitch.parse("D5"))));
        Situation situation = Situation.of(Timeline.of(plain.withBars(List.of(bar.withElements(elements)))), instrument, School.USUAL);
        Situation single = Situation.of(Timeline.of(plain), instrument, School.USUAL);
        assertThat(situation.tune().note(1).pitch()).isEqualTo(Pitch.parse("B4"));
        assertThat(situation.plan().missing()).isEqualTo(single.plan().missing());
        assertThat(situation.plan().places()).isEqualTo(single.plan().places());
        if (instrument.chart().isPresent()) {
            Tempo tempo = Tempo.parse("1/4=100");
            assertThat(Realiser.perform(situation, Map.of(), tempo, FLUENT).sounds()).hasSameSizeAs(
                    Realiser.perform(single, Map.of(), tempo, FLUENT).sounds());
        }
    }

    /** Of a weighty idea and a light one that get in each other's way on another instrument, the weighty one is carried over. */
    @ParameterizedTest
    @CsvSource({"tenor-banjo", "mandolin", "fiddle", "anglo-cg", "english-48", "melodeon-dg", "accordion-bc", "pipes-bellows-d", "recorder-soprano-c"})
    void heavyIdeasAreCarriedOver(String to) {
        SessionTune tune = SessionTune.REEL;
        Situation whistle = Situation.of(tune.timeline(), Instruments.known("whistle-d"), School.USUAL);
        Tempo tempo = TuneType.of(tune.tune().head()).customary();
        Ladder ladder = grown(tune, whistle.instrument()).ladder();
        Arrangement from = new Arrangement(tune.tune(), whistle.instrument(), tempo, FLUENT, School.USUAL, ladder);
        Translation carried = Translation.of(from, Instruments.known(to));
        long heavy = carried.steps().stream().filter(s -> s.rung() == 4 && s.from().heavy()).count();
        long answered = carried.steps().stream().filter(s -> s.rung() == 4 && s.from().heavy() && s.to().filter(Ornament::heavy).isPresent()).count();
        assertThat(heavy).isGreaterThan(3);
        assertThat(answered * 2).as("%d of %d", answered, heavy).isGreaterThan(heavy);
        AsPlayed.of(Situation.of(tune.timeline(), Instruments.known(to), School.USUAL).at(tempo), carried.ladder().setting(4));
    }

    /** Trebles come from the first graces on, take up the fill that stood on their note a rung below, and never run out. */
    @ParameterizedTest
    @CsvSource({"REEL, tenor-banjo", "SECOND_REEL, tenor-banjo", "REEL, mandolin", "SECOND_REEL, mandolin"})
    void treblesBeginWithTheFirstGraces(SessionTune tune, String instrument) {
        Situation situation = Situation.of(tune.timeline(), Instruments.known(instrument), School.USUAL);
        Ladder ladder = grown(tune, situation.instrument()).ladder();
        List<Long> trebles = ladder.rungs().stream().map(r -> r.setting().byNote().values().stream()
                .filter(ids -> ids.stream().anyMatch(id -> id.contains("treble"))).count()).toList();
        assertThat(trebles.get(1)).isZero();
        assertThat(trebles.get(2)).isPositive();
        assertThat(trebles).isSorted();
        assertThat(situation.vocabulary().known("treble").absorbs()).contains("fill");
    }

    /** A shuffle fills a beat or two, never a beat and a half (common practice). */
    @ParameterizedTest
    @EnumSource(value = SessionTune.class, names = {"REEL", "BREAKDOWN", "SLOW_AIR", "HORNPIPE", "SECOND_REEL", "WALTZ"})
    void shufflesLastABeatOrTwo(SessionTune tune) {
        Situation situation = Situation.of(tune.timeline(), Instruments.known("fiddle"), School.USUAL);
        List<Phrase> phrases = Phrases.of(situation.tune());
        Variations variations = new Variations(situation, TuneType.of(tune.tune().head()).customary(), FLUENT, phrases,
                Feature.of(situation.tune(), phrases), List.of());
        for (int n = 0; n < situation.tune().size(); n++) {
            variations.startingAt(n).stream().filter(o -> o.variation().kind().equals("shuffle"))
                    .forEach(o -> assertThat(o.variation().length()).isIn(Ratio.of(1, 4), Ratio.of(1, 2)));
            if (situation.tune().note(n).sounding().equals(Ratio.of(3, 8))) {
                assertThat(Gestures.make(situation, n, ornaments(situation, "shuffle"))).isInstanceOf(Making.Hindered.class);
            }
        }
    }

    /** A ladder that may move the melody finds restated, shuffled, doubled and blue notes somewhere among a session's tunes. */
    @Test
    void freeLaddersKnowEveryKind() {
        Set<String> kinds = new TreeSet<>();
        for (String instrument : List.of("fiddle", "mandolin", "tenor-banjo", "banjo-five-string")) {
            for (SessionTune tune : SessionTune.values()) {
                Situation situation = Situation.of(tune.timeline(), Instruments.known(instrument), School.USUAL);
                Tempo tempo = TuneType.of(tune.tune().head()).customary();
                Grown grown = new Grower(situation.at(tempo), tempo, FLUENT, Taste.of(situation), Phrases.of(situation.tune()),
                        wildflourish.core.setting.Wishes.NONE.freely(true), java.util.Optional.empty(), List.of()).grow();
                grown.ladder().rungs().stream().map(Rung::setting).forEach(s -> {
                    s.variations().values().forEach(v -> kinds.add(v.kind()));
                    s.byNote().values().forEach(kinds::addAll);
                });
            }
        }
        assertThat(kinds).contains("restate", "shuffle", "double", "blue");
    }
}
