package wildflourish.core.planning;

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
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;
import wildflourish.core.tune.TuneType;

/** Where every note of whole tunes lies, why, what each other place would cost, how it is struck, and where one breathes or turns the bellows. */
class PlansStandingTest {

    private static final List<String> INSTRUMENTS = List.of("whistle-d", "pipes-bellows-d", "recorder-alto-f", "fiddle", "mandolin", "tenor-banjo", "banjo-five-string", "accordion-bc",
            "accordion-csd", "melodeon-dg", "anglo-cg", "english-48");
    private static final List<SessionTune> TUNES = List.of(SessionTune.REEL, SessionTune.SLOW_AIR, SessionTune.BREAKDOWN);

    static Stream<Arguments> plans() {
        return INSTRUMENTS.stream().flatMap(i -> TUNES.stream().map(t -> Arguments.of(i, t)));
    }

    @ParameterizedTest
    @MethodSource("plans")
    void whereEveryNoteLies(String id, SessionTune kind) throws IOException {
        Instrument instrument = Instruments.known(id);
        Timeline tune = kind.timeline();
        FingeringPlan plan = Planner.plan(tune, instrument);
        List<String> lines = new ArrayList<>();
        lines.add("costs %d; missing %s; planted %s".formatted(plan.cost(), plan.missing(), plan.planted()));
        plan.spent().forEach(s -> lines.add("  spends " + s));
        plan.traps().forEach(t -> lines.add("  trap " + t.note() + ": " + t.inWords()));
        Strokes strokes = Strokes.of(tune, instrument, School.USUAL).plucking(tune, plan);
        for (Stand stand : tune.notes()) {
            int note = stand.index();
            lines.add("%d %s: %s%s%s".formatted(note, stand.pitch(), plan.at(note).inWords(), strokes.at(note).map(s -> "; %s%s%s".formatted(s.down() ? "down" : "up", s.joined() ? " joined" : "",
                    s.advice().map(a -> " " + a).orElse(""))).orElse(""), strokes.finger(note).map(f -> "; finger " + f).orElse("")));
            lines.add("  " + plan.why(note));
            plan.alternatives(note).stream().limit(note % 3 == 0 ? 3 : 0).forEach(a -> lines.add("  or %s: %d more; it %s".formatted(a.place().inWords(), a.extra(), plan.against(note, a))));
        }
        Tempo tempo = TuneType.tempoOf(tune.tune().head());
        Air.of(tune, plan, tempo).ifPresent(air -> {
            lines.add("bellows begin " + air.startInWords());
            air.uses().forEach(u -> lines.add("  " + u.inWords(tune)));
        });
        if (instrument.family().blown()) {
            for (String level : List.of("fluent", "learner")) {
                Breaths breaths = Breaths.of(tune, tempo, Lungs.of(level), n -> n == 20, n -> n % 7 == 0 ? Breaths.Busy.THROUGHOUT : n % 7 == 3 ? Breaths.Busy.AT_ITS_START : Breaths.Busy.NOT, n -> n % 8 == 7);
                lines.add(String.format(Locale.ROOT, "breathes, %s: %.2f s at most, %s", level, breaths.longestSeconds(), breaths.enough() ? "enough" : "not enough"));
                breaths.marks().forEach(m -> lines.add("  %d %s".formatted(m.note(), m.inWords(tune))));
            }
        }
        assertThat(Standing.differing("plans/%s-%s".formatted(id, kind.name().toLowerCase(Locale.ROOT)), lines)).isEmpty();
    }

    static Stream<String> instruments() {
        return INSTRUMENTS.stream();
    }

    /** Each note's dearest place chosen in turn: the plan around it, and what it says of it. */
    @ParameterizedTest
    @MethodSource("instruments")
    void whatBecomesOfItWhereTheTeacherChooses(String id) throws IOException {
        Instrument instrument = Instruments.known(id);
        Timeline tune = SessionTune.JIG.timeline();
        FingeringPlan usual = Planner.plan(tune, instrument);
        List<String> lines = new ArrayList<>();
        for (int note = 0; note < tune.size(); note += 5) {
            List<Alternative> all = usual.alternatives(note);
            if (!all.isEmpty()) {
                Choices choices = Choices.NONE.with(instrument, note, Optional.of(all.getLast().place().text()));
                FingeringPlan chosen = Planner.plan(tune, instrument, School.USUAL, choices);
                lines.add("%d chosen: costs %d, %s; %s".formatted(note, chosen.cost(), chosen.at(note).inWords(), chosen.why(note)));
            }
        }
        assertThat(Standing.differing("plans/%s-chosen".formatted(id), lines)).isEmpty();
    }
}
