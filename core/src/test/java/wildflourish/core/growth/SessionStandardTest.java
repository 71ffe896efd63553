package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.SessionTune;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.planning.Breaths;
import wildflourish.core.planning.Lungs;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.AsPlayed;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Varied;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

/**
 * What sessions play, and so what a full version must hold and must never hold, on each instrument, at the customary tempo,
 * for a fluent player. Every row is common practice, written down before the values were chosen.
 */
@Execution(ExecutionMode.CONCURRENT)
class SessionStandardTest {

    private static final Speeds FLUENT = Speeds.level("fluent");
    private static final int FULL = 4;
    private static final int WILD = 5;

    private static SessionVersion version(SessionTune tune, String instrument) {
        return SessionVersion.of(tune, instrument);
    }

    private static Tempo customary(SessionTune tune) {
        return SessionVersion.customary(tune);
    }

    /** How many of some ornaments are played on a rung; of two of which one takes up the other, the one. */
    private static long count(SessionVersion version, int rung, Set<String> ids) {
        Situation situation = version.situation();
        return version.rung(rung).byNote().keySet().stream().flatMap(n -> Gestures.played(situation, n,
                version.rung(rung).ornaments(n, situation.vocabulary())).stream()).filter(o -> ids.contains(o.id())).count();
    }

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    /** Clean up to: short rolls and trebles of one level on one family (common practice: sessions play both at 100 to 115). */
    @ParameterizedTest
    @CsvSource({
        "whistle-d, learner, short-roll, 76", "whistle-d, fluent, short-roll, 125", "whistle-d, expert, short-roll, 163",
        "flute-d, fluent, short-roll, 125", "pipes-bellows-d, fluent, short-roll, 125", "recorder-soprano-c, fluent, short-roll, 125",
        "fiddle, learner, short-roll, 76", "fiddle, fluent, short-roll, 120", "fiddle, expert, short-roll, 150",
        "fiddle, fluent, treble, 115", "tenor-banjo, fluent, treble, 115", "mandolin, fluent, treble, 115",
        // Where three fingers reach a button they take turns; where two do, one of them has to come back sooner.
        "accordion-bc, fluent, treble, 115", "anglo-cg, fluent, treble, 93",
    })
    void rollsAndTreblesAreCleanAtSessionSpeed(String instrument, String level, String ornament, int minims) {
        Situation situation = wildflourish.core.Tunes.on(instrument, "G4:2 B4:2 A4:2 E4:2");
        Ornament one = situation.vocabulary().known(ornament);
        int note = 1;
        Verdict verdict = Playability.of(situation, note, List.of(one), Tempo.parse("1/2=60"), Speeds.level(level));
        assertThat(verdict.cleanUpTo().orElseThrow().perMinute().floor()).isEqualTo(minims);
    }

    /**
     * At least so many, and at most so many, of some ornaments on the full rung; ornaments that stand for one another are joined
     * by {@code +}.
     */
    @ParameterizedTest
    @CsvSource({
        // Reels and jigs: rolls on most long notes, crans on the lowest, trebles.
        "REEL, whistle-d, short-roll+long-roll+cran+long-cran, 5, 16",
        "REEL, flute-d, short-roll+long-roll+cran+long-cran, 5, 16",
        "SECOND_REEL, whistle-d, short-roll+long-roll+cran+long-cran, 6, 20",
        "JIG, whistle-d, long-roll, 2, 8",
        "JIG, flute-d, long-roll, 2, 8",
        "REEL, pipes-bellows-d, short-roll+long-roll+cran+long-cran, 5, 16",
        "JIG, pipes-bellows-d, long-roll, 2, 8",
        "REEL, recorder-soprano-c, short-roll+long-roll, 4, 16",
        "REEL, fiddle, short-roll+long-roll+treble, 6, 18",
        "REEL, fiddle, short-roll+long-roll, 2, 16",
        "REEL, fiddle, treble, 2, 12",
        "JIG, fiddle, long-roll+note-and-treble, 2, 8",
        "REEL, tenor-banjo, treble+note-and-treble+treble-in-front, 4, 9",
        "SECOND_REEL, tenor-banjo, treble+note-and-treble+treble-in-front, 4, 9",
        "REEL, mandolin, treble+note-and-treble+treble-in-front, 4, 9",
        "REEL, anglo-cg, treble+long-roll+double-grace, 6, 24",
        "REEL, english-48, treble+long-roll+double-grace, 6, 24",
        "REEL, accordion-bc, treble+long-roll+double-grace, 6, 24",
        "REEL, melodeon-dg, treble+long-roll+double-grace, 5, 24",
        "REEL, pipes-nine-note, doubling+throw+double-tap, 4, 20",
        "REEL, banjo-five-string, forward-roll+backward-roll+alternating-roll+thumb-and-index+short-string, 10, 60",
        // A slow air lives by its long notes: no treble, no quick roll.
        "SLOW_AIR, whistle-d, short-roll+long-roll+cran+long-cran+tongued-triplet, 0, 0",
        "SLOW_AIR, whistle-d, finger-vibrato+breath-pulse+slide, 8, 40",
        "SLOW_AIR, pipes-bellows-d, short-roll+long-roll+cran+tight-triplet, 0, 0",
        "SLOW_AIR, pipes-bellows-d, finger-vibrato+slide, 6, 40",
        "SLOW_AIR, recorder-alto-f, short-roll+long-roll+tongued-triplet, 0, 0",
        "SLOW_AIR, fiddle, treble+note-and-treble+short-roll+long-roll, 0, 0",
        "SLOW_AIR, fiddle, vibrato+late-vibrato+swell+falling-run+caught-note+slide, 10, 60",
        "SLOW_AIR, mandolin, treble+note-and-treble, 0, 0",
        "SLOW_AIR, mandolin, tremolo, 4, 20",
        "SLOW_AIR, anglo-cg, treble+note-and-treble+trill, 0, 0",
        // A waltz: few and long ones, tremolo on plucked strings, thirds and octaves on reeds.
        "WALTZ, fiddle, treble+note-and-treble, 0, 0",
        "WALTZ, whistle-d, tongued-triplet, 0, 0",
        "WALTZ, tenor-banjo, treble+note-and-treble+treble-in-front, 0, 0",
        "WALTZ, tenor-banjo, tremolo, 4, 16",
        "WALTZ, anglo-cg, octave+third+sixth, 6, 30",
        "WALTZ, accordion-bc, octave+third+sixth, 6, 30",
        // A breakdown: shuffles, drones and slides on the fiddle, no rolls; filled strokes on plucked strings.
        "BREAKDOWN, fiddle, short-roll+long-roll+treble, 0, 0",
        "BREAKDOWN, fiddle, shuffle, 6, 24",
        "BREAKDOWN, fiddle, drone+unison+finger-across+kept-finger, 5, 40",
        "BREAKDOWN, mandolin, treble, 0, 0",
        "BREAKDOWN, mandolin, fill, 6, 30",
        "BREAKDOWN, whistle-d, short-roll+long-roll, 0, 0",
        // Polkas stay light; marches set their equal notes apart.
        "POLKA, whistle-d, short-roll+long-roll+cran, 0, 3",
        "POLKA, fiddle, short-roll+long-roll, 0, 2",
        "MARCH, whistle-d, cut+tap, 12, 60",
        "MARCH, pipes-nine-note, doubling+throw+double-tap, 6, 30",
        "HORNPIPE, fiddle, treble, 2, 12",
        "HORNPIPE, whistle-d, tongued-triplet+short-roll+cran, 3, 14",
    })
    void aFullVersionHoldsWhatPlayersPlay(SessionTune tune, String instrument, String ornaments, long least, long most) {
        long count = count(version(tune, instrument), FULL, Set.of(ornaments.split("\\+")));
        assertThat(count).as("%s on %s: %s", tune, instrument, ornaments).isBetween(least, most);
    }

    /** What grows is what checks, on every instrument, level and tempo: the same verdict, the same limits, nothing blocked. */
    @ParameterizedTest
    @MethodSource("instruments")
    void growingAndCheckingAgree(Instrument instrument) {
        for (SessionTune tune : SessionTune.values()) {
            // In every build each tune with a fluent player and one other, by turns; with -Dflourish.thorough=true with all.
            boolean byTurns = (tune.ordinal() + instrument.id().length()) % 2 == 0;
            for (String level : Boolean.getBoolean("flourish.thorough") ? List.of("learner", "fluent", "expert") : List.of("fluent", byTurns ? "learner" : "expert")) {
                Tempo usual = customary(tune);
                Tempo tempo = level.equals("fluent") ? usual : new Tempo(usual.beat(), usual.perMinute().times(level.equals("learner") ? 1 : 2)
                        .dividedBy(wildflourish.core.tune.Ratio.of(2, 1)).plus(wildflourish.core.tune.Ratio.of(20, 1)));
                agree(level.equals("fluent") ? version(tune, instrument.id())
                        : SessionVersion.grow(tune, instrument.id(), tempo, Speeds.level(level)), tune, tempo, Speeds.level(level));
            }
        }
    }

    private static void agree(SessionVersion version, SessionTune tune, Tempo tempo, Speeds speeds) {
        Ladder ladder = version.grown().ladder();
        for (int r = 0; r < ladder.size(); r++) {
            Varied varied = Varied.of(version.situation().tune(), ladder.setting(r));
            List<Check> checks = Check.all(varied.situation(version.situation()), varied.setting(), tempo, speeds);
            assertThat(checks).as("%s rung %d", tune, r).hasSize(version.grown().reasons().get(r).size());
            Map<List<Object>, Verdict> said = new HashMap<>();
            version.grown().reasons().get(r).forEach(x -> said.put(List.of(x.candidate().note(), x.candidate().ornament().id()),
                    x.candidate().verdict()));
            for (Check check : checks) {
                assertThat(check.verdict().isBlocked()).as("%s %s", tune, check).isFalse();
                assertThat(said.get(List.of(varied.plain(check.note()), check.ornament().id()))).as("%s %s", tune, check.ornament().id())
                        .isEqualTo(check.verdict());
            }
        }
    }

    /** At most a third of the fullest version is tight, and nothing below the full one. */
    @ParameterizedTest
    @MethodSource("instruments")
    void littleIsTight(Instrument instrument) {
        for (SessionTune tune : SessionTune.values()) {
            SessionVersion version = version(tune, instrument.id());
            for (int r = 0; r <= WILD; r++) {
                List<Grown.Reasoned> all = version.grown().reasons().get(r);
                // What stands there from the rung below may have become tight among the places of this one.
                Setting below = version.rung(Math.max(0, r - 1));
                long tight = all.stream().filter(x -> x.candidate().verdict() instanceof Verdict.Tight
                        && !below.has(x.candidate().note(), x.candidate().ornament().id())).count();
                assertThat(tight).as("%s rung %d", tune, r).isLessThanOrEqualTo(r < FULL ? 0 : all.size() / 3);
            }
        }
    }

    /** Two notes that follow one another as the tune is played never carry the same, unless it is a texture that goes on. */
    @ParameterizedTest
    @MethodSource("instruments")
    void neighboursAreNotAlike(Instrument instrument) {
        for (SessionTune tune : SessionTune.values()) {
            SessionVersion version = version(tune, instrument.id());
            Setting wild = version.rung(WILD);
            Timeline notes = version.situation().tune();
            // Out of the middle of a phrase, into another ending, what is alike is not weighed.
            List<Timeline.Jump> played = new ArrayList<>(notes.jumps().stream().filter(j -> j.to() < j.from()).toList());
            for (int n = 1; n < notes.size(); n++) {
                if (notes.everFollowsWritten(n)) {
                    played.add(new Timeline.Jump(n - 1, n));
                }
            }
            assertThat(played).as("repeats are played, and endings passed over").hasSizeGreaterThan(notes.size() - 3);
            for (Timeline.Jump pair : played) {
                List<String> before = wild.at(pair.from());
                assertThat(wild.at(pair.to()).stream().filter(id -> !version.situation().vocabulary().known(id).texture()))
                        .as("%s note %d", tune, pair.to()).noneMatch(before::contains);
            }
        }
    }

    /** Every click of a version sounds above its note and every dip below it. */
    @ParameterizedTest
    @MethodSource("instruments")
    void clicksSoundAboveAndDipsBelow(Instrument instrument) {
        assumeTrue(instrument.chart().isPresent());
        for (SessionTune tune : SessionTune.values()) {
            SessionVersion version = version(tune, instrument.id());
            AsPlayed played = AsPlayed.of(version.situation(), version.rung(WILD));
            Setting setting = played.varied().setting();
            for (int n : setting.byNote().keySet()) {
                Making making = Gestures.make(played.situation(), n, setting.ornaments(n, played.situation().vocabulary()));
                assertThat(making).isInstanceOf(Making.Made.class);
                int midi = played.situation().tune().note(n).pitch().midi();
                for (Gesture.Part part : ((Making.Made) making).gesture().parts()) {
                    if (part.move() == Move.CUT || part.move() == Move.CRAN_CUT) {
                        assertThat(part.pitch().midi()).as("%s %s", tune, part).isGreaterThan(midi);
                    } else if (part.move() == Move.TAP) {
                        assertThat(part.pitch().midi()).as("%s %s", tune, part).isLessThan(midi);
                    }
                }
            }
        }
    }

    /** Fingers of one hand do not cross where another plan, hardly longer, has them side by side. */
    @ParameterizedTest
    @MethodSource("instruments")
    void fingersDoNotCross(Instrument instrument) {
        assumeTrue(instrument.layout() instanceof ButtonBoard);
        ButtonBoard board = (ButtonBoard) instrument.layout();
        for (SessionTune tune : SessionTune.values()) {
            Situation situation = version(tune, instrument.id()).situation();
            List<Place.Pressed> places = new ArrayList<>();
            situation.plan().places().forEach(p -> {
                if (p instanceof Place.Pressed pressed) {
                    places.add(pressed);
                }
            });
            long crossed = 0;
            for (int i = 1; i < places.size(); i++) {
                crossed += board.isCrossed(places.get(i - 1), places.get(i)) ? 1 : 0;
            }
            assertThat(crossed).as(tune.name()).isLessThanOrEqualTo(places.size() / 30);
        }
    }

    /** Equal notes in a row are set apart on pipes and whistles before anything else is decorated. */
    @Test
    void equalNotesAreSetApart() {
        for (String instrument : List.of("whistle-d", "pipes-bellows-d", "flute-d")) {
            SessionVersion version = version(SessionTune.MARCH, instrument);
            Timeline tune = version.situation().tune();
            for (int n = 1; n < tune.size(); n++) {
                if (version.situation().repeats(n)) {
                    int note = n;
                    boolean parted = version.rung(FULL).ornaments(n, version.situation().vocabulary()).stream()
                            .anyMatch(o -> o.separates() || o.slot() == wildflourish.core.ornament.Slot.BODY)
                            || version.rung(FULL).variationAt(note).isPresent();
                    assertThat(parted).as("%s note %d, %s", instrument, n, tune.note(n).inWords()).isTrue();
                }
            }
        }
    }

    /** No ornament of a family's file is out of reach: each may stand on some rung of some kind of tune, and is worth it somewhere. */
    @ParameterizedTest
    @MethodSource("instruments")
    void everyOrnamentHasItsTune(Instrument instrument) {
        List<Taste> tastes = new ArrayList<>();
        for (SessionTune tune : SessionTune.values()) {
            for (String plucking : List.of("session", "breakdown")) {
                tastes.add(Taste.of(instrument, School.USUAL.with("plucking", plucking), tune.tune().head()));
            }
        }
        for (Ornament ornament : Vocabulary.of(instrument).all()) {
            boolean reached = tastes.stream().anyMatch(t -> t.rungs().stream().anyMatch(level -> {
                int gain = ornament.suits().stream().mapToInt(Ornament.Suit::gain).filter(g -> g > 0).sum()
                        + (t.liking().containsKey(ornament.id()) ? t.liking().get(ornament.id()).points() : 0);
                return level.ornaments().contains(ornament.id()) && gain >= level.least();
            }));
            assertThat(reached).as("%s on the %s", ornament.id(), instrument.name()).isTrue();
        }
    }

    /** Phrases end simply on every rung below the wildest: no roll, cran or treble fills their last note where another follows. */
    @ParameterizedTest
    @MethodSource("instruments")
    void phrasesEndSimply(Instrument instrument) {
        int ends = 0;
        List<String> heavy = new ArrayList<>();
        for (SessionTune tune : SessionTune.values()) {
            SessionVersion version = version(tune, instrument.id());
            for (Phrase phrase : Phrases.of(version.situation().tune())) {
                ends++;
                version.rung(FULL).ornaments(phrase.lastNote(), version.situation().vocabulary()).stream()
                        .filter(o -> o.heavy() && o.id().matches(".*(roll|cran|treble|triplet).*"))
                        .forEach(o -> heavy.add(tune + " " + phrase.name() + " " + o.id()));
            }
        }
        assertThat(ends).isGreaterThan(50);
        assertThat(heavy).as("of %d ends of phrases", ends).hasSizeLessThanOrEqualTo(ends / 15);
    }

    /** Where the tune has to be breathed in, the breath has its room: only a breath stands on a note that is ended early or left out. */
    @ParameterizedTest
    @MethodSource("instruments")
    void breathsKeepTheirRoom(Instrument instrument) {
        assumeTrue(Vocabulary.of(instrument).byId("breath").isPresent());
        for (SessionTune tune : SessionTune.values()) {
            SessionVersion version = version(tune, instrument.id());
            AsPlayed played = AsPlayed.of(version.situation(), version.rung(FULL));
            Setting setting = played.varied().setting();
            Breaths breaths = Breaths.of(played.situation().tune(), customary(tune), Lungs.of("fluent"),
                    n -> setting.has(n, "breath"), n -> setting.at(n).isEmpty() ? Breaths.Busy.NOT : Breaths.Busy.THROUGHOUT,
                    n -> Phrases.of(played.situation().tune()).stream().anyMatch(p -> p.lastNote() == n));
            assertThat(breaths.enough()).as("%s can be blown, the longest stretch %s s", tune, breaths.longestSeconds()).isTrue();
        }
    }

    /** Reeds thicken quick notes with octaves, and keep thirds for notes of a crotchet and more. */
    @ParameterizedTest
    @ValueSource(strings = {"anglo-cg", "english-48", "accordion-bc", "accordion-csd", "melodeon-dg"})
    void reedsKeepThirdsForLongNotes(String instrument) {
        for (SessionTune tune : SessionTune.values()) {
            SessionVersion version = version(tune, instrument);
            version.rung(WILD).byNote().forEach((note, ids) -> {
                if (version.situation().tune().note(note).sounding().isLess(wildflourish.core.tune.Ratio.of(1, 4))) {
                    assertThat(ids).as("%s note %d", tune, note).doesNotContain("third", "sixth");
                }
            });
        }
    }

    /** A roll whose pulses are each longer than about 350 ms is none: it is not chosen, and what was weighed says why. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "pipes-bellows-d", "recorder-soprano-c", "fiddle", "anglo-cg"})
    void aRollTooSlowToBeHeardIsNotChosen(String instrument) {
        Situation situation = wildflourish.core.Tunes.on(instrument, "A4:3 B4:1 A4:4 | B4:3 A4:1 B4:4 | A4:3 B4:1 A4:4 | B4:3 A4:1 B4:4");
        for (String tempo : List.of("1/4=50", "1/4=70", "1/4=160")) {
            Tempo at = Tempo.parse(tempo);
            Grown grown = new Grower(situation.at(at), at, FLUENT, Taste.of(situation)).grow();
            boolean rolls = grown.ladder().setting(WILD).byNote().values().stream().anyMatch(ids -> ids.contains("long-roll"));
            assertThat(rolls).as("a long roll at %s", tempo).isEqualTo(tempo.equals("1/4=160"));
        }
        Candidates candidates = new Candidates(situation, Tempo.parse("1/4=50"), FLUENT, Phrases.of(situation.tune()), Taste.of(situation));
        assertThat(candidates.weighed(0, List.of(situation.vocabulary().known("long-roll")), false, Taste.of(situation)))
                .anyMatch(w -> w.points() < -100 && w.why().contains("too slow to be heard as one"));
    }
}
