package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

/** What every player of a family knows without thinking; common practice. */
class WhatHandsKnowTest {

    private static final Speeds FLUENT = Speeds.level("fluent");

    static Gesture gesture(Situation situation, int note, String... ids) {
        Making making = Gestures.make(situation, note, GesturesTest.ornaments(situation, ids));
        assertThat(making).as("%s on note %d", List.of(ids), note).isInstanceOf(Making.Made.class);
        return ((Making.Made) making).gesture();
    }

    private static String words(Situation situation, int note, String... ids) {
        Making making = Gestures.make(situation, note, GesturesTest.ornaments(situation, ids));
        return making instanceof Making.Hindered(var obstacle) ? obstacle.inWords() : "";
    }

    /** On every fingering a click opens a hole above and a dip closes one below, in both octaves and on cross-fingered notes. */
    @ParameterizedTest
    @CsvSource({
        "whistle-d, E4 F#4 G4 A4 B4 C5 D5 E5 F#5 G5 A5 B5", "flute-d, E4 F#4 G4 A4 B4 C5 D5 E5 F#5 G5 A5",
        "recorder-soprano-c, D5 E5 F#5 G5 A5 Bb5 C6 D6", "recorder-alto-f, G4 A4 Bb4 C5 D5 E5 F5 G5 A5",
        "pipes-bellows-d, E4 F#4 G4 A4 B4 C5 C#5 D5 E5 F#5 G5", "bamboo-flute-c, D4 E4 F4 G4 A4",
    })
    void clicksSoundAboveAndDipsBelow(String instrument, String pitches) {
        int tried = 0;
        for (String pitch : pitches.split(" ")) {
            Situation situation = Tunes.on(instrument, "E4:2 " + pitch + ":2");
            int midi = situation.tune().note(1).pitch().midi();
            for (Ornament ornament : situation.vocabulary().all()) {
                if (Gestures.make(situation, 1, List.of(ornament)) instanceof Making.Made(var made)) {
                    for (Gesture.Part part : made.parts()) {
                        tried += part.move() == Move.CUT || part.move() == Move.TAP ? 1 : 0;
                        if (part.move() == Move.CUT) {
                            assertThat(part.pitch().midi()).as("%s on %s: %s", ornament.id(), pitch, part).isGreaterThan(midi);
                        } else if (part.move() == Move.TAP) {
                            assertThat(part.pitch().midi()).as("%s on %s: %s", ornament.id(), pitch, part).isLessThan(midi);
                        }
                    }
                }
            }
        }
        assertThat(tried).isGreaterThan(4);
    }

    @Test
    void bellowsPipesSlideShakeAndCranOnTheirTwoLowestNotes() {
        Situation low = Tunes.on("pipes-bellows-d", "D4:2 E4:2 F#4:2 B4:4 A4:3");
        assertThat(gesture(low, 0, "cran").parts()).isNotEmpty();
        assertThat(gesture(low, 1, "cran").parts()).isNotEmpty();
        assertThat(words(low, 2, "cran")).isNotEmpty();
        assertThat(gesture(low, 3, "finger-vibrato").parts()).isNotEmpty();
        assertThat(gesture(low, 4, "slide").parts()).isNotEmpty();
    }

    /** A pause in the sound of the closed chanter needs its foot on the knee; the lowest note is heard with it lifted. */
    @Test
    void thePipesCloseOnTheKnee() {
        Situation situation = Tunes.on("pipes-bellows-d", "D4:4");
        assertThat(gesture(situation, 0, "closed-off").parts()).extracting(p -> p.means().toString()).anyMatch(m -> m.contains("Knee"));
    }

    /** A tune of the nine-note pipes may bring its own small notes: nothing is set before them again. */
    @Test
    void aNotesOwnGracesAreNotDoubled() {
        Situation plain = Tunes.on("pipes-nine-note", "B4:2 C#5:2");
        Making bare = Gestures.make(plain, 1, GesturesTest.ornaments(plain, "g-grace"));
        assertThat(bare).isInstanceOf(Making.Made.class);
        var bar = plain.tune().tune().bars().getFirst();
        var elements = new java.util.ArrayList<>(bar.elements());
        var note = (wildflourish.core.tune.Note) elements.get(1);
        var marks = note.marks();
        elements.set(1, note.withMarks(new wildflourish.core.tune.Marks(marks.decorations(),
                List.of(wildflourish.core.tune.Pitch.parse("G5")), false, marks.chord(), marks.annotations())));
        Situation own = Situation.of(Timeline.of(plain.tune().tune().withBars(List.of(bar.withElements(elements)))),
                plain.instrument(), School.USUAL);
        assertThat(words(own, 1, "g-grace")).isNotEmpty();
        assertThat(((Making.Hindered) Gestures.make(own, 1, GesturesTest.ornaments(own, "g-grace"))).obstacle())
                .isEqualTo(new Obstacle.OwnGrace());
    }

    /** A heavy movement on the beat is led up to by whatever stands before it. */
    @Test
    void aThrowIsNotSpoiltByATripletBeforeIt() {
        Situation situation = Tunes.on("pipes-nine-note", "B4:2 D5:4 A4:2");
        Tempo tempo = Tempo.parse("1/4=80");
        Map<Integer, List<Ornament>> placed = Map.of(0, GesturesTest.ornaments(situation, "stepwise-triplet"),
                1, GesturesTest.ornaments(situation, "throw"));
        Verdict alone = Playability.of(situation, 1, placed.get(1), tempo, FLUENT);
        Verdict together = Playability.of(situation, 1, placed.get(1), n -> placed.getOrDefault(n, List.of()), tempo, FLUENT);
        assertThat(alone.word()).isEqualTo("clean");
        assertThat(together.word()).isEqualTo("clean");
    }

    /** A drone that is not in the key is refused, with what would put it right. */
    @ParameterizedTest
    @ValueSource(strings = {"banjo-five-string", "fiddle", "mandolin"})
    void noDroneRingsAgainstTheKey(String instrument) {
        Key eFlat = Key.of(Step.E, -1, Mode.MAJOR);
        for (String text : List.of("G4:4 Bb4:4", "D4:4 F4:4", "Eb4:4 C5:4", "Bb4:4 Eb5:4")) {
            Situation situation = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), eFlat, text)), Instruments.known(instrument), School.USUAL);
            for (int n = 0; n < situation.tune().size(); n++) {
                if (Gestures.make(situation, n, GesturesTest.ornaments(situation, "drone")) instanceof Making.Made(var made)) {
                    made.along().forEach(p -> assertThat(eFlat.alterOf(p.pitch().step())).as("%s %s", text, p).isEqualTo(p.pitch().alter()));
                }
            }
        }
    }

    /** Where the tune comes home no string is left hanging a fourth away: under the tonic the tonic or its fifth rings. */
    @ParameterizedTest
    @ValueSource(strings = {"banjo-five-string", "fiddle", "mandolin", "tenor-banjo"})
    void theTonicIsHeldByTonicOrFifth(String instrument) {
        int rung = 0;
        for (Key key : List.of(Key.of(Step.A, 0, Mode.MAJOR), Key.of(Step.D, 0, Mode.MAJOR), Key.of(Step.G, 0, Mode.MAJOR), Key.of(Step.E, 0, Mode.MINOR))) {
            String home = key.tonicPitch().toString().substring(0, 1);
            for (String text : List.of(home + "4:4", home + "5:4")) {
                Situation situation = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), key, text)), Instruments.known(instrument), School.USUAL);
                if (Gestures.make(situation, 0, GesturesTest.ornaments(situation, "drone")) instanceof Making.Made(var made)) {
                    rung++;
                    made.along().forEach(p -> assertThat(Math.floorMod(p.pitch().midi() - key.tonicPitch().midi(), 12))
                            .as("%s in %s: %s", text, key.spoken(), p).isIn(0, 7));
                }
            }
        }
        assertThat(rung).isPositive();
    }

    /** The rolls of the five-string ring open strings: out of key they are refused, and a capo or another tuning is advised. */
    @Test
    void noRollRingsAgainstTheKey() {
        List<String> refused = new java.util.ArrayList<>();
        for (String roll : List.of("forward-roll", "backward-roll", "thumb-and-index", "short-string")) {
            Situation situation = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), Key.of(Step.A, 0, Mode.MAJOR), "A4:4 C#5:4 | E4:4 A4:4")),
                    Instruments.known("banjo-five-string"), School.USUAL);
            java.util.stream.IntStream.range(0, 4).forEach(n -> refused.add(words(situation, n, roll)));
        }
        assertThat(refused).anyMatch(w -> w.contains("rings G, which is not in A major") && w.contains("capo"));
    }

    /** The strokes of a tremolo last as long at every tempo: there are more of them in a longer note. */
    @ParameterizedTest
    @CsvSource({"50, 2", "60, 2", "80, 2", "100, 2", "120, 4", "160, 4"})
    void aTremoloIsAsFastAtEveryTempo(int crotchets, int quavers) {
        Tempo tempo = Tempo.parse("1/4=" + crotchets);
        Situation situation = Tunes.on("mandolin", "A4:" + quavers).at(tempo);
        List<Sound> sounds = Realiser.perform(situation, Map.of(0, GesturesTest.ornaments(situation, "tremolo")), tempo, FLUENT)
                .sounds().stream().sorted(java.util.Comparator.comparingDouble(Sound::atMs)).toList();
        assertThat(sounds.size()).isGreaterThan(5);
        for (int i = 1; i < sounds.size(); i++) {
            assertThat(sounds.get(i).atMs() - sounds.get(i - 1).atMs()).as("stroke %d", i).isBetween(58.0, 88.0);
        }
    }

    /** The right hand's fingers take turns: no string is plucked twice running in a roll. */
    @ParameterizedTest
    @ValueSource(strings = {"forward-roll", "backward-roll", "alternating-roll"})
    void noStringTwiceRunningInARoll(String roll) {
        for (String pitch : List.of("G4", "A4", "B4", "C5", "D4", "E4", "F#4", "D5")) {
            Situation situation = Tunes.on("banjo-five-string", pitch + ":4");
            if (Gestures.make(situation, 0, GesturesTest.ornaments(situation, roll)) instanceof Making.Made(var made)) {
                List<String> strings = made.parts().stream().map(p -> p.means().toString()).toList();
                for (int i = 2; i < strings.size(); i++) {
                    assertThat(strings.get(i)).as("%s on %s: %s", roll, pitch, strings).isNotEqualTo(strings.get(i - 1));
                }
            }
        }
    }

    /** A crushed note on reeds is the button beside the finger or the next note of the key, never a leap. */
    @ParameterizedTest
    @ValueSource(strings = {"anglo-cg", "english-48", "accordion-bc", "accordion-csd", "melodeon-dg"})
    void gracesOnReedsLieNextToTheNote(String instrument) {
        int made = 0;
        for (String pitch : "D4 E4 F#4 G4 A4 B4 D5 E5 F#5 G5".split(" ")) {
            Situation situation = Tunes.on(instrument, "E4:2 " + pitch + ":2");
            if (Gestures.make(situation, 1, GesturesTest.ornaments(situation, "grace")) instanceof Making.Made(var gesture)) {
                for (Gesture.Part part : gesture.parts()) {
                    if (part.move() != Move.SOUND) {
                        made++;
                        assertThat(part.pitch().midi() - situation.tune().note(1).pitch().midi())
                                .as(String.format(Locale.ROOT, "%s on %s", part, pitch)).isBetween(1, 5);
                    }
                }
            }
        }
        assertThat(made).isGreaterThan(5);
    }
}
