package wildflourish.core.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Taste;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.planning.Choices;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** What follows when a tune is put right. */
class AmendmentTest {

    private static final String TUNE = "|: D4:2 F#4:2 A4:2 D5:2 | B4:3 A4:1 G4:2 E4:2 | F#4:2 A4:2 B4:2 C#5:2 | D5:4 A4:4 :|";

    private static Tune tune(String text) {
        return Tunes.of(Meter.COMMON, Tunes.d(), text);
    }

    private static Arrangement placed(String instrument, Setting setting) {
        return Arrangement.bare(tune(TUNE), Instruments.known(instrument))
                .with(new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("some", setting))));
    }

    @Test
    void aNotePutRightKeepsItsRollWhereTheFingersStillDoIt() {
        Arrangement before = placed("whistle-d", Setting.BARE.with(4, "long-roll").with(2, "cut"));
        Amendment after = Amendment.of(before, tune(TUNE.replace("B4:3", "A4:3")));
        assertThat(after.left()).isEmpty();
        assertThat(after.arrangement().ladder().setting(1).byNote()).isEqualTo(before.ladder().setting(1).byNote());
        assertThat(after.arrangement().tune()).isNotEqualTo(before.tune());
    }

    @Test
    void whatTheFingersCannotDoOnTheNewNoteIsToldWithItsReason() {
        Arrangement before = placed("whistle-d", Setting.BARE.with(4, "long-roll").with(2, "cut"));
        Amendment after = Amendment.of(before, tune(TUNE.replace("B4:3", "C#5:3")));
        assertThat(after.arrangement().ladder().setting(1).at(4)).isEmpty();
        assertThat(after.arrangement().ladder().setting(1).at(2)).containsExactly("cut");
        assertThat(after.left()).singleElement().satisfies(l -> {
            assertThat(l.note()).isEqualTo(4);
            assertThat(l.inWords()).startsWith("long roll on B in bar 2: ").contains("C sharp");
        });
    }

    @Test
    void whatCouldNotGoAlongWaitsAndComesBackWithTheNote() {
        Arrangement before = placed("whistle-d", Setting.BARE.with(4, "long-roll").with(2, "cut"));
        Amendment wrong = Amendment.of(before, tune(TUNE.replace("B4:3", "C#5:3")));
        assertThat(wrong.arrangement().unread()).containsExactly("waiting whistle-d 1 4 long-roll");
        Amendment still = Amendment.of(wrong.arrangement(), tune("|: E4:8 | " + TUNE.replace("B4:3", "C#5:3").substring(3)));
        assertThat(still.arrangement().unread()).as("it moves with its note").containsExactly("waiting whistle-d 1 5 long-roll");
        assertThat(still.back()).isEmpty();
        Amendment right = Amendment.of(wrong.arrangement(), tune(TUNE.replace("B4:3", "A4:3")));
        assertThat(right.back()).containsExactly("long roll on A in bar 2");
        assertThat(right.arrangement().unread()).isEmpty();
        assertThat(right.arrangement().ladder().setting(1).byNote()).isEqualTo(before.ladder().setting(1).byNote());
        Arrangement another = wrong.arrangement().with(new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("some", Setting.BARE.with(4, "cut")))));
        assertThat(Amendment.of(another, tune(TUNE)).back()).as("not where something else stands by now").isEmpty();
    }

    @Test
    void anInsertedBarMovesEverythingBehindIt() {
        Setting setting = Setting.BARE.with(0, "slide").with(12, "cut").with(new Variation(8, 10, "double", Variation.parse("F#4:1/8 A4:1/8 F#4:1/8 A4:1/8")));
        Arrangement before = placed("fiddle", setting).with(PhraseMarks.NONE.starting(8).naming(8, Optional.of("the turn")))
                .with(Wishes.NONE.locking(12, true).forbidding(9, "roll", true))
                .with(Choices.NONE.with(Instruments.known("fiddle"), 13, Optional.of("D4")));
        Amendment after = Amendment.of(before, tune(TUNE.replace("| F#4:2 A4:2", "| E4:4 E4:4 | F#4:2 A4:2")));
        assertThat(after.left()).isEmpty();
        Arrangement there = after.arrangement();
        assertThat(there.ladder().setting(1).byNote().keySet()).containsExactly(0, 14);
        assertThat(there.ladder().setting(1).variations().keySet()).containsExactly(10);
        assertThat(there.marks().starts()).containsExactly(10);
        assertThat(there.marks().names()).containsEntry(10, "the turn");
        assertThat(there.wishes().locked()).containsExactly(14);
        assertThat(there.wishes().forbidden()).containsKey(11);
        assertThat(there.choices().at(there.instrument(), 15)).contains("D4");
    }

    @Test
    void aNoteTakenOutTakesItsOwnAlongAndSaysSo() {
        Arrangement before = placed("fiddle", Setting.BARE.with(2, "slide").with(4, "slide")).with(Wishes.NONE.locking(2, true));
        Amendment after = Amendment.of(before, tune(TUNE.replace("F#4:2 A4:2 D5:2 | B4:3", "F#4:2 D5:2 | B4:3")));
        assertThat(after.arrangement().ladder().setting(1).byNote().keySet()).containsExactly(3);
        assertThat(after.left()).extracting(Amendment.Left::inWords).containsExactlyInAnyOrder(
                "slide on A in bar 1: its note is gone", "the lock on A in bar 1: its note is gone");
    }

    @Test
    void aVariationOverNotesThatChangedIsTold() {
        Arrangement before = placed("fiddle", Setting.BARE.with(new Variation(8, 10, "double", Variation.parse("F#4:1/8 A4:1/8 F#4:1/8 A4:1/8"))));
        Amendment after = Amendment.of(before, tune(TUNE.replace("| F#4:2 A4:2", "| G4:2 A4:2")));
        assertThat(after.arrangement().ladder().setting(1).isVaried()).isFalse();
        assertThat(after.left()).singleElement().satisfies(l -> assertThat(l.inWords()).contains("variation from F sharp in bar 3"));
    }

    @Test
    void aVariationWaitsForTheNotesThatItReplacesAndComesBackWithThem() {
        Setting some = Setting.BARE.with(new Variation(8, 10, "double", Variation.parse("F#4:1/8 A4:1/8 F#4:1/8 A4:1/8")));
        Arrangement before = placed("fiddle", some);
        Arrangement wrong = Amendment.of(before, tune(TUNE.replace("| F#4:2 A4:2", "| G4:2 A4:2"))).arrangement();
        Arrangement later = Amendment.of(wrong, tune("|: E4:8 | " + TUNE.replace("| F#4:2 A4:2", "| G4:2 A4:2").substring(3))).arrangement();
        Amendment right = Amendment.of(later, tune("|: E4:8 | " + TUNE.substring(3)));
        assertThat(right.back()).containsExactly("variation from F sharp in bar 4");
        assertThat(right.arrangement().ladder().setting(1).variations()).containsOnlyKeys(9);
        assertThat(right.arrangement().unread()).isEmpty();
        assertThat(Amendment.of(wrong, tune(TUNE)).arrangement().ladder()).isEqualTo(before.ladder());
    }

    @Test
    void aPlaceChosenByHandWaitsForItsPitch() {
        Arrangement before = placed("fiddle", Setting.BARE).with(Choices.NONE.with(Instruments.known("fiddle"), 2, Optional.of("D4")));
        Amendment wrong = Amendment.of(before, tune(TUNE.replace("F#4:2 A4:2 D5:2", "F#4:2 G4:2 D5:2")));
        assertThat(wrong.arrangement().choices().here()).isEmpty();
        assertThat(wrong.left()).singleElement().satisfies(l -> assertThat(l.inWords()).startsWith("place D4 chosen for A in bar 1"));
        Amendment right = Amendment.of(wrong.arrangement(), tune(TUNE));
        assertThat(right.arrangement().choices()).isEqualTo(before.choices());
        assertThat(right.back()).containsExactly("place D4 chosen for A in bar 1");
        assertThat(right.arrangement().unread()).isEmpty();
    }

    /** A tune moved to another key takes its ladder along; what cannot be done there is back when it is moved back: nothing at all is lost. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "fiddle", "anglo-cg", "pipes-bellows-d", "tenor-banjo"})
    void movedToAnotherKeyAndBackItIsTheSame(String instrument) {
        Tune tune = tune(TUNE);
        Arrangement bare = Arrangement.bare(tune, Instruments.known(instrument));
        Arrangement before = bare.with(new Grower(bare.situation(), bare.tempo(), bare.speeds(), Taste.of(bare.situation())).grow().ladder());
        Setting full = before.ladder().setting(before.ladder().size() - 1);
        assertThat(full.byNote()).isNotEmpty();
        for (int semitones = -5; semitones <= 6; semitones++) {
            Interval interval = wildflourish.core.fit.Moved.interval(tune.head().key(), semitones);
            Amendment there = Amendment.moved(before, wildflourish.core.fit.Moved.by(tune, interval), interval);
            assertThat(there.left()).allSatisfy(l -> assertThat(l.why()).isNotEmpty());
            Amendment back = Amendment.moved(there.arrangement(), tune, interval.reversed());
            assertThat(back.arrangement()).as("%d semitones", semitones).isEqualTo(before);
        }
    }

    @Test
    void laddersOfOtherInstrumentsFollowToo() {
        Arrangement whistle = placed("whistle-d", Setting.BARE.with(12, "cut"));
        Arrangement before = whistle.on(Instruments.known("fiddle"), whistle.ladder());
        Amendment after = Amendment.of(before, tune(TUNE.replace("| F#4:2 A4:2", "| E4:4 E4:4 | F#4:2 A4:2")));
        assertThat(after.arrangement().elsewhere().get("whistle-d").setting(1).byNote().keySet()).containsExactly(14);
    }

    @Test
    void theSameTuneIsTheSameArrangement() {
        Arrangement before = placed("whistle-d", Setting.BARE.with(4, "long-roll"));
        assertThat(Amendment.of(before, before.tune())).isEqualTo(new Amendment(before, List.of(), List.of()));
    }

    /** Whatever one note is changed to, every note that was not touched keeps what stood on it on every rung, or it is told why not. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "fiddle", "pipes-nine-note", "tenor-banjo", "anglo-cg", "recorder-soprano-c"})
    void untouchedNotesKeepTheirOrnaments(String instrument) {
        Arrangement bare = Arrangement.bare(tune(TUNE), Instruments.known(instrument));
        Ladder grown = new Grower(bare.situation(), bare.tempo(), bare.speeds(), Taste.of(bare.situation())).grow().ladder();
        Arrangement before = bare.with(grown);
        Timeline old = Timeline.of(before.tune());
        String[] words = TUNE.split(" ");
        Random random = new Random(instrument.hashCode());
        for (int turn = 0; turn < 12; turn++) {
            String[] changed = words.clone();
            int at;
            do {
                at = random.nextInt(words.length);
            } while (!Character.isLetter(words[at].charAt(0)));
            changed[at] = "DEGAB".charAt(random.nextInt(5)) + "4" + words[at].substring(words[at].indexOf(':'));
            Amendment after = Amendment.of(before, tune(String.join(" ", changed)));
            for (int rung = 0; rung < grown.size(); rung++) {
                Setting then = grown.setting(rung);
                Setting now = after.arrangement().ladder().setting(rung);
                for (int note = 0; note < old.size(); note++) {
                    int here = note;
                    boolean told = after.left().stream().anyMatch(l -> l.note() == here);
                    assertThat(now.at(note).equals(then.at(note)) || told).as("%s: %s, rung %d, note %d", instrument, changed[at], rung, note).isTrue();
                }
            }
        }
    }
}
