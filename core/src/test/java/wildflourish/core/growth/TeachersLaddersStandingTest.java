package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Standing;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Density;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;

/**
 * What becomes of ladders that a teacher has filled by hand, every note of them and with stretches played otherwise: grown again around
 * what is locked and forbidden, pruned, carried over to another instrument; and what is offered on them note by note.
 */
class TeachersLaddersStandingTest {

    /** A pickup, a phrase that comes again, long ends, a third, a repeated note, a turn, a tie, notes at both ends. */
    private static final String FOUR = "|: A4 | D4:2 F#4 A4 B4 B4 A4 G4 | F#4:2 D4:2 E4:3 F#4 | D4:2 F#4 A4 B4 B4 A4 G4 | F#4 D4 E4:2 D4:3 :| "
            + "|: E5 | D5:2 A4 B4 C#5 D5 C5:2- | C5 B4 G4:2 A4:4 | D5 C#5 D5 B4 A4:2 F#4:2 | G4 E4 F#4 E4 D4:3 :|";
    private static final String SIX = "|: G4 A4 G4 B4:2 D5 | E5:3 D5:3 | C5 B4 A4 G4:2 E4 | D4:3 G4:3 :| |: B4:2 D5 D5:2 G5 | F#5 E5 D5 B4:3 | C5:3 A4 B4 C5 | B4 A4 F#4 G4:3 :|";
    private static final String THREE = "A4:2 C5:2 E5:2 | D5:4 B4:2 | C5:3 B4 A4:2 | G#4:6 || A4:2 E4:2 C4:2 | D4 E4 F4:4 | E4:2 G#4:2 B4:2 | A4:6 ||";

    private static Timeline tune(String beats) {
        return Timeline.of(switch (beats) {
            case "four" -> Tunes.of(Meter.of(4, 4), Tunes.d(), FOUR);
            case "six" -> Tunes.of(Meter.of(6, 8), Tunes.g(), SIX);
            default -> Tunes.of(Meter.of(3, 4), Key.of(Step.A, 0, Mode.MINOR), THREE);
        });
    }

    private static Arrangement bare(String instrument, String beats) {
        return Arrangement.bare(tune(beats).tune(), Instruments.known(instrument)).with(Tempo.parse("1/4=150"));
    }

    /** On each note what comes next among the ornaments that the hands can do there, a second one on some; on three rungs; two stretches otherwise. */
    private static Ladder filled(Arrangement bare) {
        Situation situation = bare.situation();
        List<Ornament> all = situation.vocabulary().all();
        Candidates candidates = new Candidates(situation, bare.tempo(), bare.speeds(), wildflourish.core.reading.Phrases.of(bare), Taste.of(bare));
        Ladder ladder = Ladder.bare().added(0, "some").added(1, "more").added(2, "full");
        int next = 0;
        for (int note = 0; note < situation.tune().size(); note++) {
            for (int times = 0; times < (note % 4 == 1 ? 2 : 1); times++) {
                for (int asked = 0; asked < all.size(); asked++) {
                    Ornament ornament = all.get(next++ % all.size());
                    if (candidates.gesture(note, ornament, ladder.setting(3)).isPresent() && !ladder.setting(3).has(note, ornament.id())) {
                        ladder = ladder.place(1 + note % 3, note, ornament, situation.vocabulary());
                        break;
                    }
                }
            }
        }
        Variations variations = Variations.of(bare, licks(bare));
        for (int part = 1; part <= 2; part++) {
            int from = situation.tune().size() * part / 3;
            Optional<Variation> varied = variations.holding(from).stream().map(Offer::variation).filter(v -> v.to() - v.from() <= 4).findFirst();
            ladder = varied.isPresent() ? ladder.vary(part, varied.get()) : ladder;
        }
        return ladder;
    }

    private static List<Lick> licks(Arrangement bare) {
        Timeline tune = bare.situation().tune();
        List<Lick> licks = new ArrayList<>();
        int bar = 2;
        for (int from = 0; from < tune.size() && licks.size() < 2; from++) {
            if (tune.note(from).bar() == bar && from + 2 < tune.size()) {
                Variation round = new Variation(from, from + 2, "own", List.of(tune.note(from + 1).note(), tune.note(from).note()));
                licks.add(Lick.of("turned round " + bar, tune, from, from + 2, round.notes(), "the class"));
                bar += 2;
            }
        }
        return licks;
    }

    @ParameterizedTest
    @CsvSource({"whistle-d,four", "whistle-d,six", "flute-d,three", "recorder-alto-f,four", "recorder-soprano-c,six", "pipes-bellows-d,six", "pipes-bellows-d,four", "pipes-nine-note,three", "fiddle,four",
        "fiddle,six", "mandolin,three", "tenor-banjo,four", "banjo-five-string,four", "anglo-cg,six", "english-48,three", "accordion-bc,four", "melodeon-dg,six"})
    void whatGrowsAroundWhatATeacherHasPlaced(String instrument, String beats) throws IOException {
        Arrangement bare = bare(instrument, beats);
        List<Lick> licks = licks(bare);
        Ladder filled = filled(bare);
        List<String> lines = new ArrayList<>();
        tell("filled", filled, lines);
        Wishes wishes = Wishes.NONE.freely(true);
        Ladder usual = Grower.of(bare.with(wishes), licks).grow().ladder();
        tell("grown freely", usual, lines);
        for (int note = 0; note < bare.situation().tune().size(); note += 3) {
            wishes = wishes.locking(note, true);
            for (String id : usual.setting(usual.size() - 1).at(note + 1)) {
                wishes = wishes.forbidding(note + 1, id, true);
            }
        }
        Ladder dense = filled.dense(1, Optional.of(new Density(2, 1))).dense(2, Optional.of(new Density(1, 0)));
        tell("grown around what is locked", Grower.of(bare.with(dense).with(wishes), licks).grow().ladder(), lines);
        tell("grown again without one rung", Grower.of(bare.with(usual.dropped(2)).with(wishes.freely(false)), licks).grow().ladder(), lines);
        tell("pruned", Grower.of(bare.with(dense), licks).prune(dense.setting(3)).ladder(), lines);
        tell("pruned with what is locked", Grower.of(bare.with(dense).with(wishes), licks).prune(dense.setting(3)).ladder(), lines);
        assertThat(Standing.differing("ladders/teachers/%s-%s".formatted(instrument, beats), lines)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"whistle-d,four,fiddle", "whistle-d,six,anglo-cg", "fiddle,four,whistle-d", "fiddle,six,pipes-bellows-d", "pipes-bellows-d,four,recorder-alto-f", "pipes-nine-note,three,tenor-banjo",
        "mandolin,four,flute-d", "tenor-banjo,six,mandolin", "banjo-five-string,three,english-48", "anglo-cg,four,accordion-bc", "english-48,six,pipes-nine-note", "accordion-bc,three,banjo-five-string",
        "melodeon-dg,four,whistle-d", "recorder-alto-f,six,recorder-soprano-c", "flute-d,four,whistle-d", "english-48,six,anglo-cg", "pipes-bellows-d,three,whistle-d", "accordion-bc,six,recorder-soprano-c"})
    void whatOfItIsPlayedOnAnother(String instrument, String beats, String other) throws IOException {
        Arrangement bare = bare(instrument, beats);
        Ladder filled = filled(bare);
        List<String> lines = new ArrayList<>();
        for (String tempo : List.of("1/4=60", "1/4=150", "1/4=220")) {
            Translation translation = Translation.of(bare.with(filled).with(Tempo.parse(tempo)), Instruments.known(other));
            lines.add(tempo);
            translation.steps().forEach(s -> lines.add("  %d on rung %d: %s, %s to %s: %s".formatted(s.note(), s.rung(), s.from().id(), s.kind(), s.to().map(Ornament::id).orElse("nothing"), s.why())));
            tell("carried over", translation.ladder(), lines);
        }
        assertThat(Standing.differing("ladders/teachers/%s-%s-on-%s".formatted(instrument, beats, other), lines)).isEmpty();
    }

    /** Everything that is offered for a note: its ornaments in order beside what stands there, and the stretches that hold it. */
    @ParameterizedTest
    @CsvSource({"whistle-d,four", "flute-d,three", "recorder-alto-f,three", "pipes-bellows-d,six", "pipes-nine-note,four", "fiddle,six", "mandolin,four", "tenor-banjo,three", "banjo-five-string,four",
        "anglo-cg,four", "english-48,six", "accordion-bc,three", "melodeon-dg,three"})
    void whatIsOfferedNoteByNote(String instrument, String beats) throws IOException {
        Arrangement bare = bare(instrument, beats);
        Timeline tune = bare.situation().tune();
        Setting full = filled(bare).setting(3);
        Candidates candidates = new Candidates(bare.situation(), bare.tempo(), bare.speeds(), wildflourish.core.reading.Phrases.of(bare), Taste.of(bare));
        Variations variations = Variations.of(bare, licks(bare));
        List<String> lines = new ArrayList<>();
        for (int note = 0; note < tune.size(); note++) {
            lines.add("%d %s %s".formatted(note, tune.note(note).pitch(), candidates.features(note).stream().map(Feature::word).sorted().toList()));
            if (note % 5 == 2) {
                for (Candidate c : candidates.ranked(note, full)) {
                    int made = candidates.gesture(note, c.ornament(), full).map(Gesture::parts).map(List::size).orElse(0);
                    lines.add("  %s %s %d: %s; %d parts; alone %s".formatted(c.ornament().id(), c.verdict().word(), c.gain(), c.because(), made, candidates.alone(note, c.ornament()).verdict().word()));
                }
            }
            for (Offer offer : variations.holding(note)) {
                lines.add("  %d-%d %s; %d, %s, %s".formatted(offer.variation().from(), offer.variation().to(), offer.inWords(), offer.gain(), offer.verdict().word(), offer.because()));
            }
        }
        assertThat(Standing.differing("ladders/teachers/%s-%s-offered".formatted(instrument, beats), lines)).isEmpty();
    }

    private static void tell(String what, Ladder ladder, List<String> lines) {
        Setting below = Setting.BARE;
        for (int rung = 0; rung < ladder.size(); rung++) {
            Setting setting = ladder.setting(rung);
            StringBuilder more = new StringBuilder();
            for (int note : setting.byNote().keySet()) {
                List<String> ids = new ArrayList<>(setting.at(note));
                ids.removeAll(below.at(note));
                more.append(ids.isEmpty() ? "" : " %d=%s".formatted(note, String.join("+", ids)));
            }
            Set<Variation> there = Set.copyOf(below.variations().values());
            setting.variations().values().stream().filter(v -> !there.contains(v)).forEach(v -> more.append(" %d-%d %s %s".formatted(v.from(), v.to(), v.kind(), Variation.text(v.notes()))));
            lines.add("%s, %s:%s".formatted(what, ladder.rung(rung).name(), more));
            below = setting;
        }
    }
}
