package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;
import static wildflourish.core.ornament.WhatHandsKnowTest.gesture;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Holes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;

/** What whistlers, fluters, pipers and recorder players know of their instruments; common practice. */
class WhatWindPlayersKnowTest {

    private static final Speeds FLUENT = Speeds.level("fluent");
    private static final String WINDS_NOTES = "C4 D4 E4 F4 F#4 G4 A4 Bb4 B4 C5 C#5 D5 E5 F5 F#5 G5 A5 B5";

    static Stream<Instrument> winds() {
        return Instruments.all().stream().filter(i -> i.chart().isPresent());
    }

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    private static String refusal(Situation situation, int note, String... ids) {
        Making making = Gestures.make(situation, note, GesturesTest.ornaments(situation, ids));
        assertThat(making).as("%s on note %d", List.of(ids), note).isInstanceOf(Making.Hindered.class);
        return ((Making.Hindered) making).obstacle().inWords();
    }

    /** A bag is pressed, not blown: whatever is said of a note or of how an ornament is made. */
    @ParameterizedTest
    @ValueSource(strings = {"pipes-bellows-d", "pipes-nine-note"})
    void pipersAreToldOfPressureAndNotOfBreath(String pipes) {
        Situation situation = Tunes.on(pipes, WINDS_NOTES);
        for (int n = 0; n < situation.tune().size(); n++) {
            assertThat(situation.plan().at(n).inWords()).doesNotContain("breath", " blow ", "tongue");
        }
        situation.vocabulary().all().forEach(o -> assertThat(o.how()).as(o.id()).doesNotContain("breath", " blow ", "tongue"));
    }

    @Test
    void theBottomNoteOfTheChanterIsPlayedOffTheKnee() {
        Situation situation = Tunes.on("pipes-bellows-d", "D4:2 E4:2 D5:2 E5:2");
        assertThat(situation.plan().at(0).inWords()).contains("chanter off the knee");
        assertThat(situation.plan().at(1).inWords()).doesNotContain("knee");
        assertThat(situation.plan().at(3).inWords()).contains("more pressure");
    }

    @ParameterizedTest
    @CsvSource({"F4, true", "F5, true", "C6, true", "C#6, true", "D6, true", "F#4, false", "G4, false", "D5, false"})
    void whatDiffersFromChanterToChanterIsMarkedToTry(String pitch, boolean tried) {
        assertThat(Tunes.on("pipes-bellows-d", pitch + ":2").plan().at(0).inWords().contains("try it")).isEqualTo(tried);
    }

    /** The lower hand's flutter is by the lower hand's own finger, while the upper hand makes the note. */
    @ParameterizedTest
    @ValueSource(strings = {"A4", "B4", "C5", "C#5"})
    void theOffHandShakesTheNote(String pitch) {
        Situation situation = Tunes.on("pipes-bellows-d", pitch + ":4");
        assertThat(gesture(situation, 0, "finger-vibrato").parts("finger-vibrato")).allMatch(p -> p.hole() >= 4);
        assertThat(refusal(Tunes.on("pipes-bellows-d", "G4:4"), 0, "finger-vibrato")).contains("the lower hand makes G itself");
    }

    @ParameterizedTest
    @CsvSource({"E4, F#4", "G4, A4", "A4, B4", "B4, C5"})
    void theChanterSlidesIntoItsNotes(String from, String to) {
        assertThat(gesture(Tunes.on("pipes-bellows-d", from + ":2 " + to + ":2"), 1, "slide").parts("slide")).isNotEmpty();
    }

    /** The pipes sound until the next note: before a rest it is the note that is held, never the small note. */
    @ParameterizedTest
    @ValueSource(strings = {"g-grace", "doubling", "double-tap", "strike"})
    void beforeARestTheNoteIsHeldAndNotTheGrace(String ornament) {
        Tempo slow = Tempo.of(Ratio.of(1, 4), 60);
        Situation situation = Tunes.on("pipes-nine-note", "B4:2 A4:2 z:4 | A4:4 z:4").at(slow);
        List<Sound> sounds = Realiser.perform(situation, Map.of(1, GesturesTest.ornaments(situation, ornament)), slow, FLUENT).sounds();
        assertThat(sounds.stream().filter(s -> !s.role().equals("melody"))).isNotEmpty()
                .allSatisfy(s -> assertThat(s.forMs()).isLessThan(120));
    }

    /** A strike closes holes that are open below the note, so it sounds lower: on the lowest note there is none. */
    @Test
    void strikesFindAnOpenHoleBelow() {
        int struck = 0;
        for (String pitch : "G4 A4 B4 C#5 D5 E5 F#5 G5 A5".split(" ")) {
            Situation situation = Tunes.on("pipes-nine-note", pitch + ":2 " + pitch + ":2");
            if (Gestures.make(situation, 1, GesturesTest.ornaments(situation, "strike")) instanceof Making.Made(var made)) {
                struck++;
                made.parts("strike").stream().filter(p -> p.move() != Move.SOUND)
                        .forEach(p -> assertThat(p.pitch().midi()).as(pitch).isLessThan(situation.tune().note(1).pitch().midi()));
            }
        }
        assertThat(struck).isGreaterThanOrEqualTo(6);
        assertThat(refusal(Tunes.on("pipes-nine-note", "G4:2 G4:2"), 1, "strike")).contains("nothing to tap");
    }

    /** A refusal sends a player to what the instrument has got, and to what can be done on this note. */
    @ParameterizedTest
    @MethodSource("winds")
    void refusalsSendNobodyToWhatIsNotThere(Instrument instrument) {
        Situation situation = Tunes.on(instrument.id(), WINDS_NOTES.replace(" ", ":2 ") + ":2");
        for (int n = 0; n < situation.tune().size(); n++) {
            if (situation.plan().at(n) instanceof Place.Missing) {
                continue;
            }
            for (Ornament ornament : situation.vocabulary().all()) {
                if (!(Gestures.make(situation, n, List.of(ornament)) instanceof Making.Hindered(var obstacle))) {
                    continue;
                }
                String words = obstacle.inWords();
                for (Map.Entry<String, String> sent : Map.of("a cran does the same", "cran", "a roll does this", "roll").entrySet()) {
                    if (words.contains(sent.getKey())) {
                        int note = n;
                        assertThat(situation.vocabulary().all().stream().filter(o -> o.id().endsWith(sent.getValue())))
                                .as("%s: %s", situation.tune().note(n).pitch(), words)
                                .anyMatch(o -> Gestures.make(situation, note, List.of(o)) instanceof Making.Made
                                        || refusal(situation, note, o.id()).contains("quaver"));
                    }
                }
            }
        }
    }

    /** A half-covered hole can be closed by its finger: F natural and E flat are dipped like other notes. */
    @ParameterizedTest
    @CsvSource({"whistle-d, F4", "whistle-d, Eb4", "whistle-d, F5", "whistle-d, Eb5", "flute-d, F4", "flute-d, Eb4"})
    void halfHoledNotesHaveADipOrACran(String instrument, String pitch) {
        Situation situation = Tunes.on(instrument, pitch + ":2 " + pitch + ":2 A4:2");
        boolean any = Stream.of("tap", "cran").anyMatch(id -> situation.vocabulary().byId(id)
                .filter(o -> Gestures.make(situation, 1, List.of(o)) instanceof Making.Made).isPresent());
        assertThat(any).isTrue();
    }

    @Test
    void twoFingersSlapWhereTwoHolesAreOpen() {
        assertThat(refusal(Tunes.on("bamboo-flute-c", "D4:2"), 0, "pair-slap")).contains("two fingers").contains("fewer than two holes");
        Gesture slap = gesture(Tunes.on("bamboo-flute-c", "F4:2"), 0, "pair-slap");
        assertThat(slap.parts("pair-slap")).anyMatch(p -> p.means() instanceof Means.Holes(var holes) && holes.size() == 2);
    }

    /** What pops lies on its hole on the note landed on. */
    @Test
    void aLandingPopsWithAFingerThatIsDown() {
        int popped = 0;
        for (Instrument instrument : winds().filter(i -> Vocabulary.of(i).byId("landing-pop").isPresent()).toList()) {
            for (String pair : List.of("A4 G4", "B4 A4", "G4 E4", "F#4 E4", "F#4 D4", "B4 G4", "D5 A4", "C5 A4", "A4 F4", "G4 F4")) {
                String[] notes = pair.split(" ");
                Situation situation = Tunes.on(instrument.id(), notes[0] + ":2 " + notes[1] + ":2");
                if (Gestures.make(situation, 0, GesturesTest.ornaments(situation, "landing-pop")) instanceof Making.Made(var made)) {
                    Holes down = situation.plan().fingering(1).orElseThrow().holes();
                    for (Gesture.Part part : made.parts("landing-pop")) {
                        if (part.hole() >= 0) {
                            popped++;
                            assertThat(down.isOpen(part.hole())).as("%s on %s: %s", pair, instrument.id(), part).isFalse();
                        }
                    }
                }
            }
        }
        assertThat(popped).isGreaterThan(3);
    }

    /** Turns and shakes with a held finger belong to flutes with such forks, and their words name each finger that moves. */
    @Test
    void turnsWithAHeldFingerNameWhoMoves() {
        Set<String> having = winds().filter(i -> Vocabulary.of(i).byId("held-finger-turn").isPresent()).map(Instrument::id)
                .collect(Collectors.toCollection(TreeSet::new));
        assertThat(having).contains("bamboo-flute-c").doesNotContain("whistle-d", "flute-d");
        Situation situation = Tunes.on("bamboo-flute-c", "C4 D4:2 E4");
        Gesture turn = gesture(situation, 1, "held-finger-turn");
        String how = HowTo.inWords(situation.vocabulary().known("held-finger-turn"), turn, situation.tune().note(1).pitch());
        List<Integer> moving = new ArrayList<>();
        turn.parts("held-finger-turn").forEach(p -> {
            if (p.means() instanceof Means.Holes(var holes)) {
                moving.addAll(holes);
            } else if (p.hole() >= 0) {
                moving.add(p.hole());
            }
        });
        assertThat(moving).isNotEmpty();
        moving.forEach(hole -> assertThat(how).contains(HowTo.finger(hole)));
    }

    /** The middle D is played with the first finger up: nothing that is said of its cran has all fingers down. */
    @ParameterizedTest
    @ValueSource(strings = {"D4", "D5"})
    void aCranSaysNothingUntrueOfItsFingering(String pitch) {
        Situation situation = Tunes.on("whistle-d", "E5:2 " + pitch + ":2 " + pitch + ":3");
        boolean down = ((Place.Fingered) gesture(situation, 1, "cran").place()).fingering().holes().fingersUp() == 0;
        assertThat(down).isEqualTo(pitch.equals("D4"));
        for (String id : List.of("cran", "long-cran", "full-cran")) {
            Ornament cran = situation.vocabulary().known(id);
            cran.suits().forEach(s -> assertThat(s.because()).doesNotContain("all fingers"));
            if (Gestures.make(situation, id.equals("cran") ? 1 : 2, List.of(cran)) instanceof Making.Made(var made)) {
                assertThat(HowTo.inWords(cran, made, situation.tune().note(1).pitch())).doesNotContain("all fingers");
            }
        }
    }

    @Test
    void highCNaturalOfTheWhistleIsFingeredAsPlayersDo() {
        assertThat(Instruments.known("whistle-d").chart().orElseThrow().ways(wildflourish.core.tune.Pitch.parse("C6")).getFirst().holes().toString())
                .isEqualTo("oxo xxx");
    }

    /** The recorder made the German way has its own F and F sharp in both octaves; what depends on the maker is marked. */
    @ParameterizedTest
    @CsvSource({"F4, false", "F#4, true", "F5, true", "F#5, true"})
    void theGermanRecorderIsComplete(String pitch, boolean tried) {
        Situation situation = Tunes.on("recorder-soprano-c", School.USUAL.with("recorder-f", "german"), pitch + ":2");
        assertThat(situation.plan().at(0)).isInstanceOf(Place.Fingered.class);
        Place.Fingered german = (Place.Fingered) situation.plan().at(0);
        assertThat(german.fingering().school().orElseThrow()).contains("german");
        assertThat(german.fingering().trial()).isEqualTo(tried);
        assertThat(german.text()).isNotEqualTo(Tunes.on("recorder-soprano-c", pitch + ":2").plan().at(0).text());
    }
}
