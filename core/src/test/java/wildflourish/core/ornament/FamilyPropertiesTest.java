package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;

/** What holds for every ornament of every family, whatever the tune. */
class FamilyPropertiesTest {

    private static final List<Instrument> PLAYED =
            Instruments.all().stream().filter(Instrument::hasHands).toList();
    private static final Speeds FLUENT = Speeds.level("fluent");

    static List<Instrument> played() {
        return PLAYED;
    }

    /** A tune of notes that the instrument has, of several lengths, with repeated notes, thirds and rests among them. */
    private static Situation random(Instrument instrument, Random random, School school) {
        List<Pitch> all = instrument.layout().pitches().stream().filter(p -> p.midi() <= 86).toList();
        StringBuilder text = new StringBuilder();
        int at = all.size() / 3;
        for (int n = 0; n < 10; n++) {
            at = Math.clamp(at + random.nextInt(7) - 3, 0, all.size() - 1);
            text.append(random.nextInt(12) == 0 ? "z" : all.get(at).toString()).append(':')
                    .append(new int[] {1, 1, 2, 2, 3, 4}[random.nextInt(6)]).append(' ');
        }
        return Tunes.on(instrument.id(), school, text.toString());
    }

    private static School school(Instrument instrument, Random random) {
        School school = School.USUAL;
        for (School.Choice choice : School.of(instrument.family())) {
            school = school.with(choice.name(), choice.values().get(random.nextInt(choice.values().size())).id());
        }
        return school;
    }

    private static Map<Integer, List<Ornament>> placed(Situation situation, Random random) {
        Map<Integer, List<Ornament>> placed = new HashMap<>();
        List<Ornament> all = situation.vocabulary().all();
        for (int note = 0; note < situation.tune().size(); note++) {
            List<Ornament> stack = new ArrayList<>();
            for (int i = random.nextInt(3); i > 0; i--) {
                Ornament one = all.get(random.nextInt(all.size()));
                stack.removeIf(o -> o.equals(one) || o.givesWayTo(one));
                stack.add(one);
            }
            placed.put(note, stack);
        }
        return placed;
    }

    /** A performance's melody onsets are those of the plain tune whatever is placed on it, and its total time is the same. */
    @Property(tries = 250)
    void onsetsAndTotalTimeAreKept(@ForAll long seed, @ForAll @IntRange(min = 40, max = 220) int count) {
        Random random = new Random(seed);
        Instrument instrument = PLAYED.get(random.nextInt(PLAYED.size()));
        Situation situation = random(instrument, random, school(instrument, random));
        Tempo tempo = Tempo.parse("1/4=" + count);
        Performance bare = Realiser.perform(situation, Map.of(), tempo, FLUENT);
        Performance full = Realiser.perform(situation, placed(situation, random), tempo, FLUENT);
        assertThat(full.durationMs()).isEqualTo(bare.durationMs());
        assertThat(full.melody()).extracting(Sound::atMs).isEqualTo(bare.melody().stream().map(Sound::atMs).toList());
        assertThat(full.melody()).extracting(Sound::midi).isEqualTo(bare.melody().stream().map(Sound::midi).toList());
        assertThat(full.sounds()).allSatisfy(s -> {
            assertThat(s.forMs()).as("%s on %s", s, instrument.id()).isGreaterThanOrEqualTo(0);
            assertThat(s.atMs() + s.forMs()).isLessThanOrEqualTo(full.durationMs() + 1e-6);
        });
    }

    /** No verdict clean when any part is under its floor: the parts as they are played, in milliseconds. */
    @Property(tries = 400)
    void whatIsCleanIsPlayedAboveItsFloors(@ForAll long seed, @ForAll @IntRange(min = 40, max = 200) int count) {
        Random random = new Random(seed);
        Instrument instrument = PLAYED.get(random.nextInt(PLAYED.size()));
        Situation situation = random(instrument, random, school(instrument, random));
        Tempo tempo = Tempo.parse("1/4=" + count);
        double whole = tempo.millis(Ratio.ONE).toDouble();
        placed(situation, random).forEach((note, stack) -> {
            if (!stack.isEmpty() && Gestures.make(situation, note, stack) instanceof Making.Made(var gesture)) {
                Verdict verdict = Playability.of(gesture, tempo, FLUENT);
                if (verdict.isBlocked()) {
                    return;
                }
                for (Timing.Timed timed : Timing.of(gesture, whole, FLUENT)) {
                    Speeds.Span span = FLUENT.of(timed.part().move());
                    double least = verdict instanceof Verdict.Clean ? span.comfortable() : span.floor();
                    assertThat(timed.forMs()).as("%s of %s on %s", timed.part(), stack, instrument.id())
                            .isGreaterThanOrEqualTo(least - 1e-6);
                }
                // The limit is exact: clean there, and not beyond.
                Tempo limit = verdict.cleanUpTo().orElseThrow();
                assertThat(Playability.of(gesture, limit, FLUENT)).isInstanceOf(Verdict.Clean.class);
                assertThat(Playability.of(gesture, new Tempo(limit.beat(), limit.perMinute().plus(Ratio.of(1, 1000))), FLUENT))
                        .isNotInstanceOf(Verdict.Clean.class);
            }
        });
    }

    /** Whatever is made lies where hands can do it: helpers on one string, in one bellows direction, held together. */
    @Property(tries = 400)
    void handsObeyTheirInstrument(@ForAll long seed) {
        Random random = new Random(seed);
        Instrument instrument = PLAYED.get(random.nextInt(PLAYED.size()));
        Situation situation = random(instrument, random, school(instrument, random));
        placed(situation, random).forEach((note, stack) -> {
            if (!stack.isEmpty() && Gestures.make(situation, note, stack) instanceof Making.Made(var gesture)) {
                gesture.parts().forEach(p -> obeys(p, gesture, instrument));
                Ratio sum = gesture.pulses().stream().map(Gesture.Pulse::length).reduce(Ratio.ZERO, Ratio::plus);
                assertThat(sum).isEqualTo(situation.tune().note(note).sounding());
            }
        });
    }

    private static void obeys(Gesture.Part part, Gesture gesture, Instrument instrument) {
        switch (part.means()) {
            case Means.Press(var at) -> {
                var main = (wildflourish.core.instrument.Place.Pressed) gesture.place();
                assertThat(at.direction()).as("%s", part).isEqualTo(main.direction());
                var sounds = at.button().sounds(at.direction().orElse(wildflourish.core.instrument.Bellows.PUSH));
                assertThat(sounds.midi()).isEqualTo(part.pitch().midi());
            }
            case Means.Finger(var at) -> {
                var main = (wildflourish.core.instrument.Place.Stopped) gesture.place();
                if (part.move() == Move.COMPANY) {
                    assertThat(wildflourish.core.instrument.DoubleStop.canHold(main, at)).isTrue();
                } else if (part.move() != Move.PASSING) {
                    assertThat(at.index()).as("%s", part).isEqualTo(main.index());
                }
            }
            case Means.Hole(int hole) -> {
                var holes = ((wildflourish.core.instrument.Place.Fingered) gesture.place()).fingering().holes();
                if (part.move() == Move.CUT || part.move() == Move.CRAN_CUT) {
                    assertThat(holes.isClosed(hole)).as("a finger that is not there cannot lift: %s", part).isTrue();
                }
                if (part.move() == Move.TAP) {
                    assertThat(holes.isClosed(hole)).as("a hole that is closed cannot be tapped: %s", part).isFalse();
                }
            }
            case Means.Still s -> { }
            case Means.Holes h -> { }
            case Means.Stroke s -> { }
            case Means.Directed d -> { }
            case Means.Turn t -> { }
            case Means.Knee k -> { }
        }
    }

    /** Easier relatives are never harder: where both can be done, the easier stays clean at least as fast. */
    @Property(tries = 200)
    void easierRelativesAreNeverHarder(@ForAll long seed) {
        Random random = new Random(seed);
        Instrument instrument = PLAYED.get(random.nextInt(PLAYED.size()));
        Situation situation = random(instrument, random, School.USUAL);
        Tempo tempo = Tempo.parse("1/4=100");
        for (int note = 0; note < situation.tune().size(); note++) {
            for (Ornament ornament : situation.vocabulary().all()) {
                Verdict verdict = Playability.of(situation, note, List.of(ornament), tempo, FLUENT);
                for (String id : ornament.easier()) {
                    Verdict easier = Playability.of(
                            situation, note, List.of(situation.vocabulary().known(id)), tempo, FLUENT);
                    if (verdict.cleanUpTo().isPresent() && easier.cleanUpTo().isPresent()) {
                        assertThat(verdict.cleanUpTo().get().isFasterThan(easier.cleanUpTo().get()))
                                .as("%s before %s on %s", ornament.id(), id, instrument.id()).isFalse();
                    }
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("played")
    void everyInstructionIsFilledInWithoutGaps(Instrument instrument) {
        Random random = new Random(7);
        Set<String> said = new HashSet<>();
        for (int i = 0; i < 40; i++) {
            Situation situation = random(instrument, random, School.USUAL);
            for (int note = 0; note < situation.tune().size(); note++) {
                for (Ornament ornament : situation.vocabulary().all()) {
                    if (Gestures.make(situation, note, List.of(ornament)) instanceof Making.Made made) {
                        said.add(ornament.id());
                        assertThat(HowTo.inWords(ornament, made.gesture(), situation.tune().note(note).pitch()))
                                .as(ornament.id()).doesNotContain("{").doesNotContain("}").endsWith(".");
                    }
                }
            }
        }
        assertThat(said).as("few of the ornaments can be done at all").hasSizeGreaterThan(
                situationSize(instrument) / 2);
    }

    private static int situationSize(Instrument instrument) {
        return Vocabulary.of(instrument).all().size();
    }

    @Test
    void everyFamilySaysWhereItsOrnamentsComeFromAndWhatIsSimpler() {
        for (Instrument instrument : PLAYED) {
            Vocabulary vocabulary = Vocabulary.of(instrument);
            assertThat(vocabulary.all()).as(instrument.id()).hasSizeGreaterThanOrEqualTo(9);
            for (Ornament ornament : vocabulary.all()) {
                assertThat(ornament.source()).isNotBlank();
                assertThat(HowTo.general(ornament)).endsWith(".").doesNotContain("{");
                Ornament at = ornament;
                for (int i = 0; i < 20 && !at.easier().isEmpty(); i++) {
                    at = vocabulary.known(at.easier().getFirst());
                }
                assertThat(at.easier()).as(ornament.id()).isEmpty();
            }
        }
    }

    /** The places that the data names are ones the taste rules know. */
    @Test
    void placesInTheDataAreOnesTheRulesKnow() {
        Set<String> known = new HashSet<>();
        for (var feature : wildflourish.core.growth.Feature.values()) {
            known.add(feature.word());
        }
        for (Instrument instrument : PLAYED) {
            Vocabulary.of(instrument).all().forEach(
                    o -> o.suits().forEach(s -> assertThat(known).as(o.id()).contains(s.place())));
        }
    }

    @Test
    void everyOrnamentIsAnIdeaThatOtherFamiliesCanAnswer() {
        Instrument whistle = Instruments.known("whistle-d");
        for (Ornament ornament : Vocabulary.of(whistle).all()) {
            long answered = PLAYED.stream().filter(i -> i.family() != whistle.family()).filter(i -> !Equivalents.of(
                    ornament, whistle.family(), Vocabulary.of(i), i.family()).isEmpty()).count();
            boolean winds = Set.of("held-finger-turn", "crossing-blip").contains(ornament.id());
            assertThat(answered > 0 || winds).as(ornament.id()).isTrue();
        }
        assertThat(Equivalents.of(Vocabulary.of(whistle).known("long-roll"), whistle.family(),
                Vocabulary.of(Instruments.known("mandolin")), Instruments.known("mandolin").family()))
                .extracting(Ornament::id).startsWith("note-and-treble");
    }
}
