package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.SessionTune;
import wildflourish.core.Standing;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;

/** What grows on whole tunes, rung by rung and with its reasons, what it would be without each thing, on another instrument, and in slower hands. */
class LaddersStandingTest {

    static Stream<Arguments> tunes() {
        return Stream.of(Arguments.of("whistle-d", SessionTune.JIG, "fiddle"), Arguments.of("fiddle", SessionTune.REEL, "pipes-bellows-d"), Arguments.of("pipes-bellows-d", SessionTune.SECOND_REEL, "accordion-bc"),
                Arguments.of("accordion-bc", SessionTune.POLKA, "whistle-d"), Arguments.of("tenor-banjo", SessionTune.HORNPIPE, "english-48"), Arguments.of("banjo-five-string", SessionTune.BREAKDOWN, "mandolin"),
                Arguments.of("anglo-cg", SessionTune.WALTZ, "recorder-alto-f"), Arguments.of("pipes-nine-note", SessionTune.MARCH, "fiddle"), Arguments.of("recorder-alto-f", SessionTune.SLOW_AIR, "whistle-d"),
                Arguments.of("melodeon-dg", SessionTune.JIG, "tenor-banjo"), Arguments.of("mandolin", SessionTune.REEL, "flute-d"), Arguments.of("recorder-soprano-c", SessionTune.BREAKDOWN, "anglo-cg"));
    }

    private static Arrangement bare(String instrument, SessionTune tune) {
        return Arrangement.bare(tune.tune(), Instruments.known(instrument));
    }

    private static String name(String what, String instrument, SessionTune tune) {
        return "ladders/%s-%s-%s".formatted(instrument, tune.name().toLowerCase(Locale.ROOT).replace('_', '-'), what);
    }

    @ParameterizedTest
    @MethodSource("tunes")
    void whatGrows(String instrument, SessionTune tune, String other) throws IOException {
        Arrangement bare = bare(instrument, tune);
        Grown grown = Grower.of(bare, List.of()).grow();
        Ladder ladder = grown.ladder();
        List<String> lines = new ArrayList<>();
        for (int rung = 0; rung < ladder.size(); rung++) {
            lines.add("%s: %s".formatted(ladder.rung(rung).name(), told(ladder.setting(rung))));
            grown.reasons().get(rung).forEach(r -> lines.add("  %d %s: %s; %s".formatted(r.candidate().note(), r.candidate().ornament().id(), r.reason(), r.weighed())));
            grown.variations().get(rung).forEach(o -> lines.add("  %d %s %d".formatted(o.variation().from(), o.inWords(), o.gain())));
            Check.all(bare.situation(), ladder.setting(rung), bare.tempo().percent(130), Speeds.level("learner")).forEach(
                    c -> lines.add("  too fast by a third for a learner: %d %s %s%s".formatted(c.note(), c.ornament().id(), c.verdict().inWords(), c.instead().map(i -> "; rather " + i.id()).orElse(""))));
        }
        Grown pruned = Grower.of(bare, List.of()).prune(ladder.setting(ladder.size() - 1));
        for (int rung = 0; rung < pruned.ladder().size(); rung++) {
            lines.add("pruned, %s: %s".formatted(pruned.ladder().rung(rung).name(), told(pruned.ladder().setting(rung))));
            int at = rung;
            Departures.of(bare.with(ladder), bare.with(pruned.ladder()).with(bare.tempo().percent(80)), at).forEach(d -> lines.add("  departs: " + d));
        }
        Departures.of(bare.with(ladder), bare, 0).forEach(d -> lines.add("the bare tune departs: " + d));
        assertThat(Standing.differing(name("grown", instrument, tune), lines)).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("tunes")
    void whatItWouldBeOtherwise(String instrument, SessionTune tune, String other) throws IOException {
        Arrangement bare = bare(instrument, tune);
        Arrangement arrangement = bare.with(Grower.of(bare, List.of()).grow().ladder());
        Ladder ladder = arrangement.ladder();
        Situation situation = arrangement.situation();
        Grower grower = Grower.of(arrangement, List.of());
        List<String> lines = new ArrayList<>();
        int full = ladder.size() - 1;
        ladder.setting(full).byNote().forEach((note, ids) -> ids.forEach(id -> {
            if (note % 3 == 0) {
                lines.add("without %s on %d: %s".formatted(id, note, grower.without(ladder, ladder.lowestWith(note, id), note, id).map(r -> r.inWords(situation.tune(), situation.vocabulary())).orElse("-")));
            }
            Optional<Relief> relief = Relief.of(situation, note, ladder.setting(full), arrangement.tempo().percent(150), Speeds.level("learner"));
            relief.ifPresent(r -> lines.add("relief on %d: %s".formatted(note, r.inWords())));
        }));
        assertThat(Standing.differing(name("otherwise", instrument, tune), lines)).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("tunes")
    void whatItIsOnAnother(String instrument, SessionTune tune, String other) throws IOException {
        Arrangement bare = bare(instrument, tune);
        Arrangement arrangement = bare.with(Grower.of(bare, List.of()).grow().ladder());
        Translation translation = Translation.of(arrangement, Instruments.known(other));
        List<String> lines = new ArrayList<>();
        translation.steps().forEach(s -> lines.add("%d on rung %d: %s, %s to %s: %s".formatted(s.note(), s.rung(), s.from().id(), s.kind(), s.to().map(o -> o.id()).orElse("nothing"), s.why())));
        for (int rung = 0; rung < translation.ladder().size(); rung++) {
            lines.add("%s: %s".formatted(translation.ladder().rung(rung).name(), told(translation.ladder().setting(rung))));
        }
        assertThat(Standing.differing(name("on-" + other, instrument, tune), lines)).isEmpty();
    }

    /** What stretches can be played otherwise, and what becomes of notes that the instrument has not got. */
    @ParameterizedTest
    @MethodSource("tunes")
    void whatStretchesCanBe(String instrument, SessionTune tune, String other) throws IOException {
        Arrangement bare = bare(instrument, tune);
        Lick lick = Lick.of("turn", bare.situation().tune(), 0, 2, bare.situation().tune().tune().bars().getFirst().elements(), "the class");
        Variations variations = Variations.of(bare, List.of(lick));
        List<String> lines = new ArrayList<>();
        for (int note = 0; note < bare.situation().tune().size(); note++) {
            for (Offer offer : variations.startingAt(note)) {
                lines.add("%d-%d %s: %s; %d, %s%s".formatted(note, offer.variation().to(), offer.kind().id(), offer.variation().inWords(), offer.gain(), offer.verdict().word(),
                        offer.verdict() instanceof Verdict.Clean ? "" : ", " + offer.verdict().inWords()));
            }
        }
        Folds folds = Folds.of(bare.situation().tune(), bare.instrument(), Phrases.of(bare));
        lines.add("missing " + folds.missing());
        folds.missing().forEach(n -> folds.at(n).forEach(f -> lines.add("  %d: %s %s, %d: %s".formatted(n, f.variation().kind(), f.variation().inWords(), f.cost(), f.because()))));
        lines.add("put right: " + folds.inWords(folds.putRight(Ladder.bare(), bare.wishes()).setting(0)));
        assertThat(Standing.differing(name("stretches", instrument, tune), lines)).isEmpty();
    }

    private static String told(Setting setting) {
        return setting.byNote() + " " + setting.variations().values().stream().map(v -> "%d-%d %s %s".formatted(v.from(), v.to(), v.kind(), v.inWords())).toList();
    }
}
