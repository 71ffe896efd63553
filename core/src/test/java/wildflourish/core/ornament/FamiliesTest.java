package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Tempo;

/**
 * Each family's gestures as they sound at crotchet = 60, where a quaver lasts 500 ms, for a fluent student; worked out by hand.
 * Which notes a gesture takes is common practice, how long its parts last from memory.
 */
class FamiliesTest {

    private static final Speeds FLUENT = Speeds.level("fluent");
    private static final Tempo SLOW = Tempo.parse("1/4=60");

    private static Performance play(Situation situation, int note, String... ids) {
        return Realiser.perform(situation, Map.of(note, GesturesTest.ornaments(situation, ids)), SLOW, FLUENT);
    }

    /** What an ornament adds, as {@code at+for:midi}, the start named where it is no click. */
    private static String added(Performance performance, String role) {
        return performance.sounds().stream().filter(s -> s.role().equals(role))
                .map(s -> String.format(Locale.ROOT, "%d+%d:%d%s", Math.round(s.atMs()), Math.round(s.forMs()), s.midi(),
                        s.start() == Sound.Start.WITHIN ? "" : " " + s.start().name().toLowerCase(Locale.ROOT)))
                .collect(Collectors.joining(", "));
    }

    private static Obstacle obstacle(Situation situation, int note, String... ids) {
        Making making = Gestures.make(situation, note, GesturesTest.ornaments(situation, ids));
        assertThat(making).isInstanceOf(Making.Hindered.class);
        return ((Making.Hindered) making).obstacle();
    }

    private static Gesture gesture(Situation situation, int note, String... ids) {
        Making making = Gestures.make(situation, note, GesturesTest.ornaments(situation, ids));
        assertThat(making).as("%s on note %d", List.of(ids), note).isInstanceOf(Making.Made.class);
        return ((Making.Made) making).gesture();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        // Winds: the cut opens upward, the tap closes downward.
        "flute-d | G4:3 | long-roll | 500+45:69, 1000+45:66",
        "flute-d | D4:3 | full-cran | 0+45:69, 500+45:67, 1000+45:69",
        "bamboo-flute-c | F4:2 | pair-slap | 0+70:74",
        "bamboo-flute-c | C4 D4:2 | held-finger-turn | 250+250:77 joined",
        "recorder-soprano-c | G4:2 | short-roll | 0+45:81, 500+45:77",
        // Bellows pipes: no tongue; the pat closes the chanter for 45 ms and the note starts again.
        "pipes-bellows-d | G4:2 | short-roll | 0+45:69, 545+455:67 attack",
        "pipes-bellows-d | D4:2 | cran | 0+45:69, 500+45:66",
        "pipes-bellows-d | A4:2 | tight-triplet | 333+288:69 attack, 667+333:69 attack",
        // Nine-note pipes sound a semitone above their writing: high G grace 80, doubling of D with E 77, low G 68.
        "pipes-nine-note | B4:2 | g-grace | 0+50:80",
        "pipes-nine-note | D5:2 | doubling | 0+50:80, 90+50:77",
        "pipes-nine-note | A4:2 | double-tap | 0+45:68, 160+45:68",
        "pipes-nine-note | D5:2 | throw | 0+50:68, 50+50:75, 100+50:74",
        // Fiddle: B on the A string, C sharp above it, the open A below it.
        "fiddle | B4:3 | long-roll | 500+50:73, 1000+50:69",
        "fiddle | B4:2 | short-roll | 0+50:73, 500+50:69",
        "fiddle | B4:2 | treble | 250+250:71 attack, 500+500:71 attack",
        "fiddle | B4:3 | note-and-treble | 500+250:71 attack, 750+250:71 attack, 1000+500:71 attack",
        "fiddle | B4:2 | slide | 0+85:70 glide",
        "fiddle | B4:2 | hammer-on | 0+50:69",
        "fiddle | B4:2 | touch | 40+50:73",
        "fiddle | C#5:2 | double-hammer | 0+50:69, 50+50:71",
        "fiddle | A4 B4:2 | caught-note | 0+50:69, 50+50:69",
        "fiddle | B4:4 | falling-run | 0+50:76, 50+50:74, 100+50:73",
        "fiddle | B4:4 | late-vibrato | 1000+1000:71 waving",
        "fiddle | B4:2 | shuffle | 500+250:71 attack, 750+250:71 attack",
        "fiddle | B4:4 | moving-figure | 500+500:69 joined, 1000+500:67 joined, 1500+500:69 joined",
        "fiddle | B4:2 | drone | 0+1000:62 along",
        "fiddle | B4:2 | finger-across | 0+1000:64 along",
        "fiddle | A4:2 | unison | 0+1000:69 along",
        "fiddle | B4:2 C#5 | pull-off | 667+333:69 soft",
        // Plucked: three strokes in two quavers' time, at the front and at the back of three.
        "mandolin | E4:2 | treble | 250+250:64 attack, 500+500:64 attack",
        "mandolin | E4:3 | treble-in-front | 250+250:64 attack, 500+500:64 attack, 1000+500:64 attack",
        "mandolin | E4:3 | note-and-treble | 500+250:64 attack, 750+250:64 attack, 1000+500:64 attack",
        "mandolin | E4:3 | fill | 500+500:64 attack, 1000+500:64 attack",
        "mandolin | E4:2 | hammer-on | 0+50:62",
        "mandolin | E4:2 | slide | 0+85:63 glide",
        "tenor-banjo | E4:2 | drone | 0+1000:57 along",
        "banjo-five-string | G4:4 | forward-roll | 500+500:59 attack, 1000+500:62 attack, 1500+500:67 attack",
        "banjo-five-string | G4:2 | short-string | 500+500:67 attack",
        // Free reeds: A with B above and G below, in one bellows direction.
        "anglo-cg | A4:3 | long-roll | 500+50:71, 1000+50:67",
        "english-48 | A4:3 | long-roll | 500+50:71, 1000+50:67",
        "melodeon-dg | A4:3 | long-roll | 500+50:71, 1000+50:67",
        "accordion-bc | A4:3 | trill | 0+50:71, 500+50:71, 1000+50:71",
        "english-48 | A4:2 | treble | 250+250:69 attack, 500+500:69 attack",
        "english-48 | A4:2 | double-grace | 250+750:69 attack",
        "english-48 | G4:2 | third | 0+1000:71 along",
    })
    void soundsAsTheHandsMakeIt(String instrument, String tune, String ornament, String expected) {
        Situation situation = Tunes.on(instrument, tune);
        int note = ornament.equals("caught-note") ? 1 : 0;
        if (note == 1) {
            // The ornament stands on the second note, a quaver in.
            Performance performance = play(situation, 1, ornament);
            assertThat(added(performance, ornament)).isEqualTo("500+50:69, 550+50:69");
            return;
        }
        assertThat(added(play(situation, note, ornament), ornament)).isEqualTo(expected);
    }

    @Test
    void aCutOnPipesIsNoNewBreathAndATightTripletClosesTheChanter() {
        Performance cut = play(Tunes.on("pipes-bellows-d", "G4:2 G4:2"), 1, "cut");
        assertThat(cut.melody().get(1).start()).isEqualTo(Sound.Start.JOINED);
        Performance bare = play(Tunes.on("pipes-bellows-d", "G4:2 G4:2"), 1);
        // Closed for 28 ms at the end of the first, so that the second can be heard to begin.
        assertThat(bare.melody().getFirst().forMs()).isEqualTo(972);
        assertThat(bare.melody().get(1).start()).isEqualTo(Sound.Start.ATTACK);
    }

    /** Pipes without silence: every repeated note is set apart by a grace, on the bare rung too. */
    @ParameterizedTest
    @ValueSource(strings = {"G4", "A4", "B4", "C#5", "D5", "E5", "F#5", "G5", "A5"})
    void everyRepeatedNoteIsSeparatedOnTheNineNotePipes(String pitch) {
        Situation situation = Tunes.on("pipes-nine-note", pitch + ":2 " + pitch + ":2");
        Performance bare = Realiser.perform(situation, Map.of(), SLOW, FLUENT);
        List<Sound> graces = bare.sounds().stream().filter(s -> !s.role().equals(Sound.MELODY)).toList();
        assertThat(graces).as(pitch).hasSize(1);
        assertThat(graces.getFirst().atMs()).isEqualTo(1000);
        assertThat(graces.getFirst().midi()).isNotEqualTo(bare.melody().getFirst().midi());
        assertThat(bare.melody()).extracting(Sound::atMs).containsExactly(0.0, 1000.0);
    }

    @Test
    void theSchoolSaysWhichFingerSeparates() {
        for (var expected : Map.of("g-grace", 80, "d-grace", 75, "e-grace", 77).entrySet()) {
            Situation situation = Tunes.on("pipes-nine-note", School.USUAL.with("separating-grace", expected.getKey()),
                    "B4:2 B4:2");
            Performance bare = Realiser.perform(situation, Map.of(), SLOW, FLUENT);
            assertThat(bare.sounds().stream().filter(s -> s.role().equals(expected.getKey())).map(Sound::midi))
                    .containsExactly(expected.getValue());
        }
    }

    @Test
    void theNineNotePipesNeverFallSilent() {
        Performance bare = Realiser.perform(Tunes.on("pipes-nine-note", "A4:2 z:2 B4:2"), Map.of(), SLOW, FLUENT);
        assertThat(bare.melody().getFirst().forMs()).isEqualTo(2000);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "fiddle | short-roll | G3:2 | go below",
        "fiddle | vibrato | G3:2 | open string",
        "fiddle | slide | G3:2 | open string",
        "pipes-bellows-d | short-roll | D4:2 | nothing to tap",
        "pipes-nine-note | throw | A4:2 | made for D alone",
        "pipes-nine-note | d-grace | E5:2 | cannot be graced with D",
        "mandolin | hammer-on | G3:2 | open string",
        "mandolin | bend | G3:2 | open string",
        "recorder-soprano-c | short-roll | C4:2 | nothing to tap",
    })
    void whatTheHandsCannotDo(String instrument, String ornament, String tune, String because) {
        assertThat(obstacle(Tunes.on(instrument, tune), 0, ornament).inWords()).contains(because);
    }

    @Test
    void freeReedsDoNotSlideNorPipesTongue() {
        for (String reed : List.of("anglo-cg", "english-48", "melodeon-dg", "accordion-bc")) {
            assertThat(Vocabulary.of(wildflourish.core.instrument.Instruments.known(reed)).byId("slide")).isEmpty();
        }
        for (String pipes : List.of("pipes-bellows-d", "pipes-nine-note")) {
            assertThat(Vocabulary.of(wildflourish.core.instrument.Instruments.known(pipes)).all())
                    .noneMatch(o -> o.pulses().stream().anyMatch(p -> p.moves().contains(Move.TONGUE)));
        }
    }

    /** A is an open string; a slide into it takes the fourth finger on the string below. */
    @Test
    void theStringChangesSoThatAnOrnamentBecomesPossible() {
        Situation situation = Tunes.on("fiddle", "A4:2 E5:2 A4:2");
        assertThat(((Place.Stopped) situation.plan().at(0)).isOpen()).isTrue();
        Gesture slide = gesture(situation, 0, "slide");
        assertThat(slide.moved()).isTrue();
        assertThat(slide.place().text()).isEqualTo("D 4");
        // The plan made for it plays it there, and the other A where it was.
        Situation playing = situation.playing(Map.of(0, GesturesTest.ornaments(situation, "slide")));
        assertThat(playing.plan().at(0).text()).isEqualTo("D 4");
        assertThat(playing.plan().at(2).text()).isEqualTo(situation.plan().at(2).text());
        assertThat(gesture(playing, 0, "slide").moved()).isFalse();
    }

    /** On the D/G melodeon F sharp is pushed on the D row and pulled on the G row; a roll goes where its neighbours are. */
    @Test
    void theRowChangesSoThatTheNeighboursAreInOneBellowsDirection() {
        Situation situation = Tunes.on("melodeon-dg", "D4:1 F#4:3 D4:4");
        Gesture roll = gesture(situation, 1, "long-roll");
        Place.Pressed place = (Place.Pressed) roll.place();
        assertThat(roll.parts("long-roll").stream().filter(p -> p.means() instanceof Means.Press)
                .map(p -> ((Means.Press) p.means()).at().direction())).isNotEmpty().allMatch(place.direction()::equals);
        assertThat(roll.parts("long-roll").stream().filter(p -> p.move() == Move.GRACE).map(p -> p.pitch().toString()))
                .containsExactly("G4", "E4");
    }

    @Test
    void theTeachersOwnPlaceIsNotChangedForAnOrnament() {
        Situation free = Tunes.on("fiddle", "A4:2 E5:2");
        Situation chosen = Situation.of(free.tune(), free.instrument(), School.USUAL,
                wildflourish.core.planning.Choices.NONE.with(free.instrument(), 0, java.util.Optional.of("A 0")));
        assertThat(chosen.plan().isChosen(0)).isTrue();
        assertThat(obstacle(chosen, 0, "slide")).isInstanceOf(Obstacle.NoGlide.class);
    }

    /** Slide into a stopped note while the open string drones and the next two quavers become a treble. */
    @Test
    void ornamentsStackBySlot() {
        Situation situation = Tunes.on("fiddle", "B4:3");
        Performance stack = play(situation, 0, "slide", "drone", "note-and-treble");
        assertThat(added(stack, "slide")).isEqualTo("0+85:70 glide");
        assertThat(added(stack, "drone")).isEqualTo("0+1500:62 along");
        assertThat(added(stack, "note-and-treble")).isEqualTo(
                "500+250:71 attack, 750+250:71 attack, 1000+500:71 attack");
        assertThat(stack.melody().getFirst().atMs()).isZero();
        assertThat(stack.durationMs()).isEqualTo(1500);
    }

    @Test
    void trebleRhythmRollLeanAndRollFingerAreSchools() {
        Situation even = Tunes.on("fiddle", School.USUAL.with("treble", "even"), "B4:2");
        assertThat(added(play(even, 0, "treble"), "treble")).isEqualTo("333+333:71 attack, 667+333:71 attack");
        Situation leaning = Tunes.on("fiddle", School.USUAL.with("treble", "long-short-short"), "B4:2");
        assertThat(added(play(leaning, 0, "treble"), "treble")).isEqualTo("500+250:71 attack, 750+250:71 attack");
        Situation roll = Tunes.on("fiddle", School.USUAL.with("roll", "leaning"), "B4:3");
        // Three twentieths of a whole note at 4 s: 600 ms; the second pulse nine eightieths: 450 ms.
        assertThat(added(play(roll, 0, "long-roll"), "long-roll")).isEqualTo("600+50:73, 1050+50:69");
        Situation other = Tunes.on("fiddle", School.USUAL.with("roll-finger", "one-after"), "B4:3");
        assertThat(added(play(other, 0, "long-roll"), "long-roll")).isEqualTo("500+50:74, 1000+50:69");
    }

    @Test
    void aFreeReedsRollIsASchool() {
        Situation one = Tunes.on("anglo-cg", School.USUAL.with("reed-roll", "one"), "A4:3");
        assertThat(added(play(one, 0, "long-roll"), "long-roll")).isEqualTo("500+50:71, 1000+50:71");
        Situation none = Tunes.on("anglo-cg", School.USUAL.with("reed-roll", "repeat"), "A4:3");
        assertThat(added(play(none, 0, "long-roll"), "long-roll")).isEqualTo("500+500:69 attack, 1000+500:69 attack");
    }

    /** Graces before the beat take their 50 ms from the note before; the melody's onsets stay. */
    @Test
    void gracesMayComeBeforeTheBeat() {
        Situation before = Tunes.on("fiddle", School.USUAL.with("grace", "before"), "A4:2 B4:2");
        Performance performance = play(before, 1, "cut");
        assertThat(added(performance, "cut")).isEqualTo("950+50:73");
        assertThat(performance.melody()).extracting(Sound::atMs).containsExactly(0.0, 1000.0);
        // The first note of all has nothing before it to take from.
        assertThat(added(play(before, 0, "cut"), "cut")).isEqualTo("0+50:71");
    }

    /** A treble is three strokes, so that the bow goes on as it would have gone from one. */
    @Test
    void strokesAndBellowsMoveInStepWithTheMusic() {
        Performance treble = play(Tunes.on("fiddle", "B4:2 A4:2"), 0, "treble");
        assertThat(treble.moves().stream().filter(m -> m.move() == Move.STROKE).map(m -> Math.round(m.atMs()) + " "
                + HowTo.means(m.means()))).containsExactly(
                        "0 down-stroke", "250 up-stroke", "500 down-stroke", "1000 up-stroke");
        Performance box = Realiser.perform(Tunes.on("melodeon-dg", "D4:2 E4:2"), Map.of(), SLOW, FLUENT);
        assertThat(box.moves().stream().filter(m -> m.means() instanceof Means.Turn).map(m -> HowTo.means(m.means())))
                .containsExactly("bellows to push", "bellows to pull");
    }

    @Test
    void aSlurJoinsTheNoteInOneBow() {
        Situation situation = Tunes.on("fiddle", "A4:2 B4:2 C#5:2");
        Performance slurred = play(situation, 1, "slur");
        assertThat(slurred.melody().get(1).start()).isEqualTo(Sound.Start.JOINED);
        assertThat(slurred.moves().stream().filter(m -> m.move() == Move.STROKE)).hasSize(2);
    }
}
