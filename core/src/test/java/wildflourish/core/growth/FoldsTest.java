package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** Notes that an instrument has not got, put where it has them; what is expected is what a good player does (common practice). */
class FoldsTest {

    private static final Instrument WHISTLE = Instruments.known("whistle-d");

    private static Tune tune(String text) {
        return Tunes.of(Meter.of(4, 4), Tunes.d(), text);
    }

    private static Folds folds(Instrument instrument, String text) {
        Timeline tune = Timeline.of(tune(text));
        return Folds.of(tune, instrument, Phrases.of(tune));
    }

    private static List<String> whole(String text) {
        return folds(WHISTLE, text).whole(Wishes.NONE).stream().map(v -> v.from() + "-" + v.to() + " " + v.kind() + " " + v.inWords()).toList();
    }

    @Test
    void whereNothingIsMissingNothingIsDone() {
        assertThat(whole("D4:2 F#4:2 A4:4 | D5:8 ||")).isEmpty();
        Ladder ladder = Ladder.bare();
        assertThat(folds(WHISTLE, "D4:2 F#4:2 A4:4 | D5:8 ||").putRight(ladder, Wishes.NONE)).isSameAs(ladder);
    }

    /** One low note in a turn: the note before is repeated rather than leaping a seventh and back. */
    @Test
    void aLoneNoteInATurnGivesWay() {
        assertThat(whole("D4:2 C#4:2 D4:4 | D5:8 ||")).containsExactly("1-2 other-note D");
    }

    /** Several low notes together go over the octave as a figure, from the bar line; the D that the figure leads to goes along, for a seventh down would break it off. */
    @Test
    void aFigureGoesOverTheOctaveAsAWhole() {
        assertThat(whole("G4:2 F#4:2 E4:2 D4:2 | B3 C#4 B3 A3 G3 A3 B3 C#4 | D4:8 ||")).containsExactly("4-13 fold-up B C sharp B A G A B C sharp D");
    }

    /** Where a phrase is wholly below, all of it goes up, and nothing else. */
    @Test
    void aPhraseGoesOverAsAWhole() {
        String low = "A3:2 B3:2 C#4:2 A3:2 | B3:2 G3:2 A3:4 | ";
        String high = "D5:2 E5:2 F#5:2 D5:2 | E5:2 C#5:2 D5:4 ||";
        assertThat(folds(WHISTLE, low + high).whole(Wishes.NONE)).singleElement()
                .satisfies(v -> assertThat(List.of(v.from(), v.to(), v.kind())).isEqualTo(List.of(0, 7, "fold-up")));
    }

    /** What cannot be had at all stays as it is and is told: the nine-note pipes have no G sharp in any octave, nor a D sharp. */
    @Test
    void whatIsLockedOrForbiddenStaysAway() {
        Folds folds = folds(WHISTLE, "D4:2 C#4:2 D4:4 | D5:8 ||");
        assertThat(folds.whole(Wishes.NONE.locking(1, true))).isEmpty();
        assertThat(folds.whole(Wishes.NONE.forbidding(1, Variation.OTHER, true))).singleElement()
                .satisfies(v -> assertThat(v.kind()).isEqualTo(Variation.UP));
        assertThat(folds.inWords(Setting.BARE)).isEqualTo("one note stays missing");
    }

    @Test
    void tiesGoTogether() {
        assertThat(whole("D4:2 E4:2 A3:2 A3:2- | A3:8 ||")).singleElement().asString().startsWith("2-5 fold-up");
    }

    /** Every way to fold is tried: none costs less than what is found, for tunes in which no other note can stand in. */
    @Property(tries = 60)
    void noOtherWayCostsLess(@ForAll long seed) {
        Random random = new Random(seed);
        String[] scale = {"B3", "C#4", "D4", "E4", "F#4", "A4", "D5"};
        StringBuilder text = new StringBuilder();
        for (int n = 0; n < 8; n++) {
            text.append(scale[random.nextInt(scale.length)]).append(n == 7 ? " ||" : n == 3 ? " | " : " ");
        }
        Timeline tune = Timeline.of(tune(text.toString().replace(" |", ":1 |").replaceAll("([A-G]#?\\d) ", "$1:1 ").replace(":1:1", ":1")));
        Folds folds = Folds.of(tune, WHISTLE, Phrases.of(tune));
        Wishes noOther = Wishes.NONE;
        for (int n = 0; n < tune.size(); n++) {
            noOther = noOther.forbidding(n, Variation.OTHER, true);
        }
        List<Integer> found = new ArrayList<>(java.util.Collections.nCopies(tune.size(), 0));
        for (Variation variation : folds.whole(noOther)) {
            for (int n = variation.from(); n < variation.to(); n++) {
                found.set(n, (variation.pitches().get(n - variation.from()).midi() - tune.note(n).pitch().midi()) / 12);
            }
        }
        assertThat(folds.cost(found)).isEqualTo(best(folds, tune, new ArrayList<>()));
    }

    private static int best(Folds folds, Timeline tune, List<Integer> octaves) {
        if (octaves.size() == tune.size()) {
            return folds.cost(octaves);
        }
        int best = Integer.MAX_VALUE;
        for (int by : new int[] {0, 1}) {
            if (by == 0 || WHISTLE.has(tune.note(octaves.size()).pitch().octavesUp(by))) {
                octaves.add(by);
                best = Math.min(best, best(folds, tune, octaves));
                octaves.removeLast();
            }
        }
        return best;
    }

    /** The note alone, its figure, its phrase, another note: all are offered, the best first, each with how it joins on. */
    @Test
    void aMissingNoteHasItsOffers() {
        List<Folds.Fold> offers = folds(WHISTLE, "G4:2 F#4:2 E4:2 D4:2 | B3 C#4 B3 A3 G3 A3 B3 C#4 | D4:8 ||").at(6);
        assertThat(offers).extracting(f -> f.variation().kind()).contains(Variation.UP, Variation.OTHER);
        assertThat(offers.getFirst().variation()).satisfies(v -> assertThat(List.of(v.from(), v.to())).isEqualTo(List.of(4, 13)));
        assertThat(offers.getFirst().because()).isEqualTo("no such G, A, B and C sharp on the D whistle; it comes in by a sixth up");
        assertThat(offers).isSortedAccordingTo(java.util.Comparator.comparingInt(Folds.Fold::cost));
        assertThat(folds(WHISTLE, "D4:2 F#4:2 A4:4 | D5:8 ||").at(1)).isEmpty();
    }

    /** On every instrument with hands, whatever the tune, what stands in is there, as long as what it stands in for, and its joins hold. */
    @Property(tries = 60)
    void whatStandsInIsOnTheInstrument(@ForAll long seed) {
        Random random = new Random(seed);
        StringBuilder text = new StringBuilder();
        String[] scale = {"G3", "A3", "B3", "C#4", "D4", "E4", "F#4", "G#4", "A4", "B4", "C5", "D5", "F#5", "A5", "C6", "E6"};
        for (int bar = 0; bar < 4; bar++) {
            for (int n = 0; n < 4; n++) {
                text.append(scale[random.nextInt(scale.length)]).append(":2 ");
            }
            text.append(bar == 3 ? "|| " : "| ");
        }
        Tune tune = tune(text.toString());
        for (Instrument instrument : Instruments.all().stream().filter(Instrument::hasHands).toList()) {
            Arrangement bare = Arrangement.bare(tune, instrument);
            Timeline line = Timeline.of(tune);
            Folds folds = Folds.of(line, instrument, Phrases.of(line));
            Arrangement right = bare.with(folds.putRight(bare.ladder(), Wishes.NONE));
            Setting ground = right.ladder().setting(0);
            assertThat(ground.variations().values()).allSatisfy(v -> {
                assertThat(v.isStandIn()).isTrue();
                assertThat(v.fits(line)).isTrue();
                assertThat(v.pitches()).allMatch(instrument::has);
            });
            assertThat(right.version(0).hands().plan().missing()).as(instrument.id())
                    .allMatch(n -> folds.missing().contains(n) && ground.variationAt(n).isEmpty());
        }
    }

    /** What is grown has every note, is decorated on the notes that stand in, and growing again changes nothing. */
    @Test
    void aLadderIsGrownOnWhatIsPlayed() {
        Tune tune = tune("D4:2 E4 F#4 G4:2 A4:2 | B3:3 A3 B3 C#4 D4:2 | A4:3 B4 A4:2 F#4:2 | E4:2 C#4:2 D4:4 ||");
        Arrangement bare = Arrangement.bare(tune, WHISTLE);
        Arrangement grown = bare.with(Grower.of(bare, List.of()).grow().ladder());
        assertThat(grown.ladder().setting(0).standIns()).isNotEmpty();
        for (int r = 0; r < grown.ladder().size(); r++) {
            assertThat(grown.version(r).hands().plan().missing()).isEmpty();
            assertThat(Check.all(grown.version(r).hands(), grown.version(r).varied().setting(), grown.tempo(), grown.speeds()))
                    .noneMatch(c -> c.verdict().isBlocked());
        }
        Setting full = grown.ladder().setting(5);
        assertThat(full.byNote().keySet()).as("something stands on a note that stands in").anyMatch(n -> full.variationAt(n).isPresent());
        assertThat(Grower.of(grown, List.of()).grow().ladder()).isEqualTo(grown.ladder());
    }

    /** What one instrument needs does not come over to another that has the notes. */
    @Test
    void standInsStayAtHome() {
        Tune tune = tune("D4:2 E4 F#4 G4:2 A4:2 | B3:3 A3 B3 C#4 D4:2 | A4:3 B4 A4:2 F#4:2 | E4:2 C#4:2 D4:4 ||");
        Arrangement bare = Arrangement.bare(tune, WHISTLE);
        Arrangement grown = bare.with(Grower.of(bare, List.of()).grow().ladder());
        Instrument fiddle = Instruments.known("fiddle");
        Translation over = Translation.of(grown, fiddle);
        assertThat(over.ladder().setting(5).standIns()).isEmpty();
        Translation back = Translation.of(grown.on(fiddle, over.ladder()), WHISTLE);
        assertThat(back.ladder().setting(0)).isEqualTo(grown.ladder().setting(0));
    }
}
