package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Equivalents;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.AsPlayed;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

class TranslationTest {

    private static final Speeds FLUENT = Speeds.level("fluent");
    private static final List<Instrument> PLAYED =
            Instruments.all().stream().filter(Instrument::hasHands).toList();

    private static Arrangement arrangement(String instrument, String tune, Tempo tempo, Map<Integer, List<String>> full) {
        Setting setting = new Setting(new TreeMap<>(full));
        return new Arrangement(Tunes.of(Meter.of(4, 4), Tunes.d(), tune), Instruments.known(instrument), tempo, FLUENT,
                School.USUAL, new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("full", setting))));
    }

    private static List<String> on(String instrument, String from, String tune, int note, String... ids) {
        Arrangement given = arrangement(from, tune, Tempo.parse("1/4=60"), Map.of(note, List.of(ids)));
        return Translation.of(given, Instruments.known(instrument)).ladder().setting(1).at(note);
    }

    /** One ornament across a class: the table of equivalents, common practice. */
    @ParameterizedTest
    @CsvSource({
        "whistle-d, G4:2 G4:2, 1, cut, fiddle, cut",
        "whistle-d, G4:2 G4:2, 1, cut, mandolin, hammer-and-pull",
        "whistle-d, G4:2 G4:2, 1, cut, anglo-cg, grace",
        "whistle-d, G4:2 G4:2, 1, cut, pipes-nine-note, g-grace",
        "whistle-d, B4:2 B4:2, 1, tap, pipes-bellows-d, pat",
        "whistle-d, B4:2 B4:2, 1, tap, fiddle, lower-touch",
        "whistle-d, B4:2, 0, short-roll, fiddle, short-roll",
        "whistle-d, E4:2, 0, short-roll, tenor-banjo, treble",
        "whistle-d, A4:2, 0, short-roll, english-48, double-grace",
        "whistle-d, B4:3, 0, long-roll, pipes-bellows-d, long-roll",
        "whistle-d, B4:3, 0, long-roll, mandolin, note-and-treble",
        "whistle-d, A4:3, 0, long-roll, anglo-cg, long-roll",
        "whistle-d, D4:2, 0, cran, pipes-bellows-d, cran",
        "whistle-d, D4:2, 0, cran, fiddle, treble",
        "whistle-d, D4:2, 0, cran, english-48, treble",
        "whistle-d, B4:2, 0, slide, mandolin, slide",
        "whistle-d, B4:2, 0, slide, english-48, lower-grace",
        "whistle-d, A4:2, 0, tongued-triplet, pipes-bellows-d, tight-triplet",
        "whistle-d, A4:2, 0, tongued-triplet, fiddle, treble",
        "fiddle, B4:4, 0, third, anglo-cg, third",
        "fiddle, B4:4, 0, chord, mandolin, chord",
        "fiddle, B4:4, 0, vibrato, mandolin, tremolo",
        "mandolin, B4:2, 0, treble, whistle-d, short-roll",
    })
    void theSameIdeaByEachFamilysMeans(
            String from, String tune, int note, String ornament, String to, String expected) {
        assertThat(on(to, from, tune, note, ornament)).containsExactly(expected);
    }

    /** No roll on an open string: its treble, or the string changes; never anything blocked. */
    @Test
    void whatLiesBadlyBecomesSomethingElseWithAReason() {
        Arrangement given = arrangement("whistle-d", "D4:3", Tempo.parse("1/4=60"), Map.of(0, List.of("long-cran")));
        Translation fiddle = Translation.of(given, Instruments.known("fiddle"));
        assertThat(fiddle.steps()).hasSize(1);
        assertThat(fiddle.steps().getFirst().to().map(Ornament::id)).contains("note-and-treble");
        Arrangement double_ = arrangement("fiddle", "B4:4", Tempo.parse("1/4=60"), Map.of(0, List.of("drone")));
        Translation whistle = Translation.of(double_, Instruments.known("whistle-d"));
        assertThat(whistle.steps().getFirst().kind()).isEqualTo(Translation.Kind.LEFT_OUT);
        assertThat(whistle.steps().getFirst().why()).contains("there is nothing on the D whistle that says this");
        assertThat(whistle.ladder().setting(1).size()).isZero();
        Arrangement breath = arrangement("whistle-d", "B4:4 A4", Tempo.parse("1/4=60"), Map.of(0, List.of("breath")));
        assertThat(Translation.of(breath, Instruments.known("fiddle")).steps().getFirst().why())
                .isEqualTo("nobody has to breathe here");
    }

    @Test
    void translatingToTheSameInstrumentChangesNothing() {
        for (Instrument instrument : PLAYED) {
            Arrangement grown = grown(instrument, "D4:2 F#4 A4 B4:3 A4 G4:2 F#4 E4 | D4:2 E4 F#4 G4:3 A4 B4:2 A4:2 |", 90);
            Translation same = Translation.of(grown, instrument);
            assertThat(same.ladder()).isEqualTo(grown.ladder());
            assertThat(same.steps()).allMatch(s -> s.kind() == Translation.Kind.SAME);
            // And so it does when it has to be searched for.
            Translation searched = Translation.of(grown, grown.situation());
            assertThat(searched.ladder()).as(instrument.id()).isEqualTo(grown.ladder());
        }
    }

    private static Arrangement grown(Instrument instrument, String tune, int count) {
        Situation situation = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), tune)), instrument,
                School.USUAL);
        Tempo tempo = Tempo.parse("1/4=" + count);
        Ladder ladder = new Grower(situation, tempo, FLUENT, Taste.of(instrument)).grow().ladder();
        return new Arrangement(situation.tune().tune(), instrument, tempo, FLUENT, School.USUAL, ladder);
    }

    /** Nothing blocked is ever handed to a student, and each rung still contains the one below. */
    @Property(tries = 60)
    void nothingBlockedSurvives(@ForAll long seed) {
        Random random = new Random(seed);
        Instrument from = PLAYED.get(random.nextInt(PLAYED.size()));
        Instrument to = PLAYED.get(random.nextInt(PLAYED.size()));
        Arrangement given = grown(from, tune(random, 16), 60 + random.nextInt(120));
        Translation translation = Translation.of(given, to);
        Situation there = AsPlayed.of(Situation.of(Timeline.of(given.tune()), to, School.USUAL), translation.ladder().setting(0)).situation();
        for (int r = 0; r < translation.ladder().size(); r++) {
            if (r > 0) {
                assertThat(translation.ladder().setting(r).contains(translation.ladder().setting(r - 1))).isTrue();
            }
            assertThat(Check.all(there, translation.ladder().setting(r), given.tempo(), FLUENT))
                    .as("%s to %s, rung %d", from.id(), to.id(), r)
                    .allSatisfy(c -> assertThat(c.verdict().isBlocked()).as("%s", c).isFalse());
        }
        Setting full = given.ladder().setting(given.ladder().size() - 1);
        assertThat(translation.steps()).hasSize(full.size() - full.variations().size());
    }

    private static String tune(Random random, int notes) {
        StringBuilder text = new StringBuilder();
        String[] scale = {"D4", "E4", "F#4", "G4", "A4", "B4", "C#5", "D5", "E5"};
        int at = 3;
        for (int n = 0; n < notes; n++) {
            at = Math.clamp(at + random.nextInt(5) - 2, 0, scale.length - 1);
            text.append(scale[at]).append(':').append(new int[] {1, 1, 2, 3}[random.nextInt(4)]).append(' ');
        }
        return text.toString();
    }

    /** The search finds what trying everything finds: the same worth, on small tunes. */
    @Property(tries = 60)
    void theChoiceIsTheNearestThereIs(@ForAll long seed) {
        Random random = new Random(seed);
        Instrument from = PLAYED.get(random.nextInt(PLAYED.size()));
        Instrument to = PLAYED.get(random.nextInt(PLAYED.size()));
        Tempo tempo = Tempo.parse("1/4=" + (60 + random.nextInt(140)));
        Situation source = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), tune(random, 3))), from,
                School.USUAL);
        SortedMap<Integer, List<String>> full = new TreeMap<>();
        for (int note = 0; note < 3; note++) {
            Ornament one = source.vocabulary().all().get(random.nextInt(source.vocabulary().all().size()));
            full.put(note, List.of(one.id()));
        }
        Arrangement given = new Arrangement(source.tune().tune(), from, tempo, FLUENT, School.USUAL,
                new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("full", new Setting(full)))));
        if (from.equals(to)) {
            return;
        }
        Situation plain = Situation.of(source.tune(), to, School.USUAL);
        Translation found = Translation.of(given, plain);
        Situation there = AsPlayed.of(plain, found.ladder().setting(0)).situation();
        List<List<Optional<Ornament>>> choices = new ArrayList<>();
        for (int note = 0; note < 3; note++) {
            Ornament one = source.vocabulary().known(full.get(note).getFirst());
            List<Optional<Ornament>> here = new ArrayList<>(List.of(Optional.empty()));
            choicesOf(one, from, to).forEach(o -> here.add(Optional.of(o)));
            choices.add(here);
        }
        int best = best(choices, new ArrayList<>(), there, tempo, full, source, from, to);
        List<Optional<Ornament>> taken = new ArrayList<>();
        for (int note = 0; note < 3; note++) {
            List<String> ids = found.ladder().setting(1).at(note);
            taken.add(ids.isEmpty() ? Optional.empty() : Optional.of(there.vocabulary().known(ids.getFirst())));
        }
        assertThat(worth(taken, there, tempo, full, source, from, to)).as("%s to %s: %s", from.id(), to.id(), full)
                .isEqualTo(best);
    }

    private static List<Ornament> choicesOf(Ornament one, Instrument from, Instrument to) {
        List<Ornament> all = new ArrayList<>();
        if (from.family() == to.family()) {
            Vocabulary.of(to).byId(one.id()).ifPresent(all::add);
        }
        Equivalents.of(one, from.family(), Vocabulary.of(to), to.family()).stream().filter(o -> !all.contains(o))
                .forEach(all::add);
        return all;
    }

    private static int best(
            List<List<Optional<Ornament>>> choices, List<Optional<Ornament>> taken, Situation there, Tempo tempo,
            SortedMap<Integer, List<String>> full, Situation source, Instrument from, Instrument to) {
        if (taken.size() == choices.size()) {
            return worth(taken, there, tempo, full, source, from, to);
        }
        int best = Integer.MIN_VALUE;
        for (Optional<Ornament> choice : choices.get(taken.size())) {
            taken.add(choice);
            best = Math.max(best, best(choices, taken, there, tempo, full, source, from, to));
            taken.removeLast();
        }
        return best;
    }

    /**
     * The objective written out anew: 100 for the nearest, 9 less for each step farther, three times that for a weighty one, 4 off
     * where it is tight; nothing light that takes its note elsewhere.
     */
    private static int worth(
            List<Optional<Ornament>> taken, Situation there, Tempo tempo, SortedMap<Integer, List<String>> full,
            Situation source, Instrument from, Instrument to) {
        SortedMap<Integer, List<String>> placed = new TreeMap<>();
        for (int note = 0; note < taken.size(); note++) {
            placed.put(note, taken.get(note).map(o -> List.of(o.id())).orElse(List.of()));
        }
        AsPlayed played = AsPlayed.of(there, new Setting(placed));
        int worth = 0;
        for (int note = 0; note < taken.size(); note++) {
            boolean dragged = taken.get(note).filter(o -> !o.heavy()).isPresent()
                    && Gestures.make(there, note, List.of(taken.get(note).get())) instanceof Making.Made(var gesture) && gesture.moved();
            boolean holds = taken.get(note).isEmpty() || !dragged && played.liesWell(note)
                    && !played.verdict(note, tempo, FLUENT).orElseThrow().isBlocked();
            if (!holds) {
                return Integer.MIN_VALUE;
            }
            if (taken.get(note).isEmpty()) {
                continue;
            }
            List<Ornament> all = choicesOf(source.vocabulary().known(full.get(note).getFirst()), from, to);
            int rank = all.indexOf(taken.get(note).get());
            Playability.Fit fit = Playability.fit(there, note, List.of(taken.get(note).get()), tempo, FLUENT);
            if (fit == Playability.Fit.BLOCKED) {
                return Integer.MIN_VALUE;
            }
            int times = source.vocabulary().known(full.get(note).getFirst()).heavy() ? 3 : 1;
            worth += times * Math.max(1, 100 - 9 * rank) - (fit == Playability.Fit.TIGHT ? 4 : 0);
            List<Optional<Ornament>> stacks = taken;
            var verdict = Playability.of(there, note, List.of(taken.get(note).get()),
                    n -> n < stacks.size() ? stacks.get(n).map(List::of).orElse(List.of()) : List.of(), tempo, FLUENT);
            if (verdict.isBlocked()) {
                return Integer.MIN_VALUE;
            }
        }
        return worth;
    }
}
